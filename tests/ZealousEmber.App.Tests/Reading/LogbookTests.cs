using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Reading;

/// <summary>The logbook, what kilns have taught, and the whole studio as an archive.</summary>
public sealed class LogbookTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private HttpClient Http => studio.Http;

    private async Task<List<string>> Names(string query) =>
        [.. (await Http.Get($"/api/logbook?{query}&take=200"))["firings"]!.AsArray().Select(f => f!["name"]!.GetValue<string>())];

    [Fact]
    public async Task Firings_are_found_by_what_they_were()
    {
        (await Names("")).Count.ShouldBeGreaterThan(20);
        (await Names("search=oyster%20supper")).ShouldAllBe(n => n.StartsWith("Supper set"));
        (await Names("glaze=1")).Count.ShouldBe(4);
        (await Names("glaze=1&good=true")).ShouldBe(["Supper set, first half"]);
        (await Names("fault=burst")).Single().ShouldStartWith("Garden pots");
        (await Names("who=isolde&kind=bisque")).ShouldContain(n => n.StartsWith("Garden pots"));
        (await Names("clay=2")).Single().ShouldStartWith("Garden pots");
        (await Names("reference=true")).Count.ShouldBe(2);
        (await Names("kiln=2")).ShouldBe(["Tidewrack blue, six tiles"]);
        (await Names("cone=06")).ShouldNotBeEmpty();
        (await Names("cone=06&kind=glaze")).ShouldBeEmpty();
        (await Names($"since={Uri.EscapeDataString(studio.Clock.GetUtcNow().AddDays(-100).ToString("O"))}")).Count.ShouldBe(7);
        (await Names("search=wasps")).ShouldBeEmpty();
        var page = await Http.Get("/api/logbook?take=3&skip=2");
        (page["firings"]!.AsArray().Count, page.Number("total") > 20).ShouldBe((3, true));
        page["firings"]![0]!["curve"]!.AsArray().Count.ShouldBeInRange(5, 60);
        foreach (
            var (query, field) in new[] { ("fault=wobbly", "fault"), ("cone=six", "cone"), ("take=0", "take"), ("skip=-1", "skip"), ("kind=raku", "kind") }
        )
            await (await Http.GetAsync($"/api/logbook?{query}")).Problem(field);
    }

    /// <summary>A firing has one energy, one sum of money and one length, wherever it is shown.</summary>
    [Fact]
    public async Task What_a_firing_took_is_the_same_in_the_logbook_a_comparison_the_trends_and_its_kilns_months()
    {
        var book = (await Http.Get("/api/logbook?take=200"))["firings"]!.AsArray().Where(f => f!["figures"]!["kwh"] is not null).ToList();
        book.Count.ShouldBeGreaterThan(20);
        var trends = (await Http.Get("/api/logbook/trends"))["points"]!.AsArray().ToDictionary(t => t!["firingId"]!.GetValue<int>());
        foreach (var pair in book.Chunk(2).Where(p => p.Length == 2))
        {
            var ids = pair.Select(f => f!["firingId"]!.GetValue<int>()).ToArray();
            var compared = (await (await Http.PostText("/api/compare", $$"""{"firings":[{{ids[0]}},{{ids[1]}}]}""")).Read())["differences"]!.AsArray();
            for (var i = 0; i < 2; i++)
                foreach (var (figure, trend) in new[] { ("kwh", "kwh"), ("cost", "cost"), ("topHours", "topHours") })
                {
                    var known = pair[i]!["figures"]!.Number(figure);
                    compared.Single(d => d!["name"]!.GetValue<string>() == figure)!["values"]![i]!.GetValue<double>().ShouldBe(known, figure);
                    trends[ids[i]]!.Number(trend).ShouldBe(known, 0.001, figure);
                }
        }
        foreach (var kiln in book.GroupBy(f => f!["kilnId"]!.GetValue<int>()))
        {
            var months = (await Http.Get($"/api/kilns/{kiln.Key}/history"))["months"]!.AsArray();
            months.Sum(m => m!["cost"]?.GetValue<double>() ?? 0).ShouldBe(kiln.Sum(f => f!["figures"]!.Number("cost")), 0.2, "in months, rounded to pence");
        }
    }

    [Fact]
    public async Task Firings_are_compared_on_one_chart_and_what_mattered_is_said()
    {
        var ids = (await Http.Get("/api/logbook?glaze=1"))["firings"]!
            .AsArray()
            .Select(f => (Id: f!["firingId"]!.GetValue<int>(), Name: f["name"]!.GetValue<string>()))
            .ToDictionary(f => f.Name, f => f.Id);
        var (dull, good) = (ids["Supper set, first plates"], ids["Supper set, first half"]);
        async Task<JsonNode> Compare(string align) =>
            await (await Http.PostText("/api/compare", $$"""{"firings":[{{dull}},{{good}}],"align":{{align}} }""")).Read();
        var told = await Compare("\"top\"");
        told["mattered"]![0]!.GetValue<string>().ShouldStartWith("Slow band");
        var band = told["differences"]!.AsArray().Single(d => d!["name"]!.GetValue<string>() == "band")!;
        (band["mattered"]!.GetValue<bool>(), band["values"]![0]!.GetValue<double>() < 0.5, band["values"]![1]!.GetValue<double>() > 1).ShouldBe(
            (true, true, true)
        );
        foreach (var firing in told["firings"]!.AsArray())
        {
            var curve = firing!["curve"]!.AsArray();
            var peak = curve.Max(p => p!.Number("celsius"));
            // Laid at the end of the top: what comes after minute 0 only falls.
            curve.Where(p => p!.Number("minute") > 1).ShouldAllBe(p => p!.Number("celsius") < peak - 1.9);
        }
        (await Compare("600"))["firings"]![0]!["curve"]!
            .AsArray()
            .Where(p => Math.Abs(p!.Number("minute")) < 12)
            .ShouldContain(p => Math.Abs(p!.Number("celsius") - 600) < 40);
        (await Compare("\"start\""))["align"]!.GetValue<string>().ShouldBe("start");
        await (await Http.PostText("/api/compare", $$"""{"firings":[{{dull}}]}""")).Problem("firings");
        await (await Http.PostText("/api/compare", $$"""{"firings":[{{dull}},9999]}""")).Problem("firings");
        await (await Http.PostText("/api/compare", $$"""{"firings":[{{dull}},{{good}}],"align":"moon"}""")).Problem("align");
        await (await Http.PostText("/api/compare", $$"""{"firings":[{{dull}},{{good}}],"align":"rise"}""")).Problem("celsius");
    }

    [Fact]
    public async Task Trends_and_a_kilns_history_tell_the_years()
    {
        var trends = await Http.Get("/api/logbook/trends?kiln=1");
        (trends["points"]!.AsArray().Count, trends.Number("lost")).ShouldBe(((int)trends.Number("firings"), 7));
        trends["causes"]!.AsArray().Select(c => c!["fault"]!.GetValue<string>()).ShouldContain("burst");
        var history = await Http.Get("/api/kilns/1/history");
        history["done"]!.AsArray().Select(d => d!["kind"]!.GetValue<string>()).ShouldBe(["shelves", "thermocouple", "vent", "elements"]);
        history["months"]!.AsArray().Count.ShouldBeGreaterThan(10);
        history["climbs"]!.AsArray().Count.ShouldBe((int)history.Number("firings"));
        (await Http.GetAsync("/api/kilns/99/history")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_kiln_has_taught_its_display_its_shelves_and_its_elements()
    {
        var learned = await Http.Get("/api/kilns/1/learned");
        learned["offset"]!.Number("readings").ShouldBeGreaterThan(15);
        learned["shelves"]!.AsArray().Select(s => s!["shelf"]!.GetValue<string>()).ShouldBe(["top", "middle", "bottom"], ignoreOrder: true);
        learned["health"]!.Number("mean").ShouldBeInRange(0.9, 1.02);
        learned["elements"]!.Number("wornAt").ShouldBeInRange(0.8, 0.95);
        var trend = learned["trend"]!.AsArray();
        // The display drifted until the thermocouple was changed.
        trend.Max(t => t!.Number("offset")).ShouldBeGreaterThan(4);
        Math.Abs(learned["offset"]!.Number("mean")).ShouldBeLessThan(3);
        learned["sentence"]!.GetValue<string>().ShouldContain("put what matters on the middle");
        (await Http.Get("/api/kilns/2/learned"))["offset"]!.Number("readings").ShouldBe(0);
    }

    [Fact]
    public async Task What_was_learned_is_used_and_can_be_overruled_with_a_note()
    {
        async Task<double> Top()
        {
            var plan = await (
                await Http.PostText("/api/plan", """{"kind":"glaze","kilnId":1,"goalCone":"6","load":{"lots":[{"what":"mugs","count":40,"wall":6}]}}""")
            ).Read();
            return plan["schedule"]!["segments"]!.AsArray().Max(s => s!["target"]?.GetValue<double>() ?? 0);
        }

        async Task<HttpResponseMessage> Care(string body) =>
            await Http.PutAsync("/api/kilns/1/care", new StringContent(body, System.Text.Encoding.UTF8, "application/json"));
        var before = await Top();
        await (await Care("""{"offset":20}""")).Problem("note");
        await (await Care("""{"offset":200,"note":"n"}""")).Problem("offset");
        await (await Care("""{"offset":20,"note":"Checked with another thermocouple."}""")).Read();
        (await Top()).ShouldBe(before - 19, 4, "a display that reads 20 low is asked for 20 less");
        (await Http.Get("/api/kilns/1/learned"))["used"]!.Number("offset").ShouldBe(20);
        await (await Care("{}")).Read();
        (await Top()).ShouldBe(before);
    }

    [Fact]
    public async Task Maintenance_is_noted_once_taken_out_and_brought_back()
    {
        var kiln = (await (await Http.PostAsJsonAsync("/api/kilns", new JsonObject { ["name"] = "Dunlin", ["class"] = "bench" })).Read(201))[
            "id"
        ]!.GetValue<int>();
        async Task<HttpResponseMessage> Note()
        {
            var request = new HttpRequestMessage(HttpMethod.Post, $"/api/kilns/{kiln}/maintenance")
            {
                Content = JsonContent.Create(new JsonObject { ["kind"] = "elements", ["note"] = "new" }),
            };
            request.Headers.Add("Idempotency-Key", "once");
            return await Http.SendAsync(request);
        }

        var first = await (await Note()).Read(201);
        (await (await Note()).Read(201))["id"]!.GetValue<int>().ShouldBe(first["id"]!.GetValue<int>());
        var path = $"/api/kilns/{kiln}/maintenance/{first["id"]}";
        (await Http.DeleteAsync(path)).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await Http.Get($"/api/kilns/{kiln}/history"))["done"]!.AsArray().Count.ShouldBe(0);
        (await Http.PostAsync($"{path}/restore", null)).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await Http.Get($"/api/kilns/{kiln}/learned"))["health"]!["since"].ShouldNotBeNull();
        await (await Http.PostText($"/api/kilns/{kiln}/maintenance", "{}")).Problem("kind");
        await (await Http.PostText($"/api/kilns/{kiln}/maintenance", """{"kind":"vent","at":"2099-01-01T00:00:00Z"}""")).Problem("at");
        (await Http.PostText("/api/kilns/99/maintenance", """{"kind":"vent"}""")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_kiln_is_learned_from_firings_that_are_sent_along()
    {
        var schedule =
            """{"kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":150,"target":1208,"holdMinutes":12},{"pace":"natural"}]}""";
        var log = string.Join(
            ',',
            Enumerable
                .Range(0, 140)
                .Select(i => FormattableString.Invariant($"{{\"minute\":{i * 5},\"celsius\":{(i <= 95 ? 20 + i * 12.5 : 1208 - (i - 95) * 12):0.#}}}"))
        );
        var firing =
            $$"""{"schedule":{{schedule}},"log":[{{log}}],"packs":[{"shelf":"top","cones":[{"cone":"6","bendDegrees":60},{"cone":"7","bendDegrees":12}]},{"shelf":"bottom","cones":[{"cone":"6","bendDegrees":95},{"cone":"7","bendDegrees":40}]}]}""";
        var told = (
            await (await Http.PostText("/api/learning/replay", $$"""{"kiln":{"class":"top-190"},"firings":[{{firing}},{{firing}},{{firing}}]}""")).Read()
        )["after"]!.AsArray();
        told.Count.ShouldBe(3);
        told[2]!["offset"]!.Number("sd").ShouldBeLessThan(told[0]!["offset"]!.Number("sd"));
        told[2]!.Number("evenness").ShouldBeGreaterThan(3);
        told[2]!["health"]!.Number("sd").ShouldBeGreaterThan(0);
        await (await Http.PostText("/api/learning/replay", """{"kiln":{"class":"top-190"},"firings":[]}""")).Problem("firings");
        await (await Http.PostText("/api/learning/replay", $$"""{"firings":[{{firing}}]}""")).Problem("kiln");
        await (
            await Http.PostText(
                "/api/learning/replay",
                $$"""{"kiln":{"class":"top-190"},"firings":[{{firing.Replace("\"bendDegrees\":60", "\"bendDegrees\":400", StringComparison.Ordinal)}}]}"""
            )
        ).Problem("firings[0].packs[0].cones[0].bendDegrees");
    }

    [Fact]
    public async Task A_firing_is_one_file_and_a_schedule_goes_with_its_results()
    {
        var id = (await Http.Get("/api/logbook?fault=burst"))["firings"]![0]!["firingId"]!.GetValue<int>();
        var file = await Http.Get($"/api/firings/{id}/file");
        (file["format"]!.GetValue<string>(), file["samples"]!.AsArray().Count > 200, file["reading"]!["results"]!["faults"]!.AsArray().Count).ShouldBe(
            ("zealous-ember-firing", true, 2)
        );
        file["entries"]!.AsArray().Select(e => e!["text"]?.GetValue<string>()).ShouldContain(t => t != null && t.StartsWith("Two bangs"));
        var csv = (await Http.GetStringAsync($"/api/firings/{id}/log.csv")).Split('\n');
        csv[0].ShouldBe("time,minutes,celsius,power,set point");
        csv.Length.ShouldBe(file["samples"]!.AsArray().Count + 2);
        (await Http.GetAsync("/api/firings/1/log.csv")).StatusCode.ShouldBe(HttpStatusCode.NotFound, "it was never started");
        var shared = await Http.Get("/api/schedules/11/share");
        var best = (await Http.Get("/api/logbook?schedule=11&reference=true"))["firings"]!.AsArray().Single()!;
        var (reached, past) = (best["reached"]!.GetValue<string>(), Math.Round(best["figures"]!.Number("past")));
        shared["schedules"]![0]!["notes"]!
            .GetValue<string>()
            .ShouldMatch($"version 3, .*: cone {reached}, {past} °C of cone past its goal, 28 out, all good, the one to go by");
        await (await Http.PostText("/api/schedules/import", shared.ToJsonString())).Read(201);
        (await Http.GetAsync("/api/schedules/999/share")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task The_whole_studio_goes_into_an_archive_and_out_again_into_an_empty_one()
    {
        var archive = await Http.GetByteArrayAsync("/api/backup");
        var refused = await Http.PostAsync("/api/restore", new ByteArrayContent(archive));
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict, "this studio is not empty");
        await using var empty = new EmptyStudio();
        await empty.InitializeAsync();
        Task<HttpResponseMessage> Send(byte[] bytes) => empty.Http.PostAsync("/api/restore", new ByteArrayContent(bytes));
        await (await Send([])).Problem("archive");
        await (await Send(archive[..(archive.Length / 2)])).Problem("archive");
        await (await Send("not an archive"u8.ToArray())).Problem("archive");
        (await (await Send(Changed(archive, "manifest.json", """{"format":"zealous-ember-studio","version":99}"""))).Problem("archive")).ShouldContain(
            "newer version"
        );
        await (await Send(Changed(archive, "manifest.json", "{"))).Problem("archive");
        await (await Send(Changed(archive, "studio.db", "SQLite format 3"))).Problem("archive");
        (await empty.Http.Get("/api/schedules")).AsArray().Count.ShouldBe(0, "nothing was changed by any of them");

        await (await Send(archive)).Read();
        foreach (var path in new[] { "/api/kilns", "/api/glazes", "/api/firings", "/api/kilns/1/history", "/api/kilns/1/learned" })
            (await empty.Http.GetStringAsync(path)).ShouldBe(await Http.GetStringAsync(path), path);
        (await empty.Http.Get("/api/logbook")).Number("total").ShouldBe((await Http.Get("/api/logbook")).Number("total"));
        (await empty.Http.Get("/api/room")).AsArray().Count(k => k!["firingId"] is not null).ShouldBe(2, "what is firing goes on");
    }

    private static byte[] Changed(byte[] archive, string entry, string content)
    {
        using var stream = new MemoryStream();
        stream.Write(archive);
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Update, leaveOpen: true))
        {
            zip.GetEntry(entry)!.Delete();
            using var writer = new StreamWriter(zip.CreateEntry(entry).Open());
            writer.Write(content);
        }
        return stream.ToArray();
    }
}
