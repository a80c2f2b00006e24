using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

/// <summary>Requests no page of ours would send: each is answered with problem details, and with every header of safety.</summary>
public sealed class OddRequestTests(EmptyStudio studio) : IClassFixture<EmptyStudio>
{
    private async Task<HttpResponseMessage> Answered(HttpRequestMessage request, int status, string says)
    {
        var response = await studio.Http.SendAsync(request);
        var problem = await response.Read(status);
        response.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
        problem["status"]!.GetValue<int>().ShouldBe(status);
        problem["detail"]!.GetValue<string>().ShouldContain(says);
        response.Headers.GetValues("Content-Security-Policy").Single().ShouldStartWith("default-src 'none'");
        response.Headers.GetValues("Permissions-Policy").Single().ShouldContain("geolocation=()");
        response.Headers.GetValues("X-Content-Type-Options").Single().ShouldBe("nosniff");
        return response;
    }

    private static HttpRequestMessage Post(string path, HttpContent content) => new(HttpMethod.Post, path) { Content = content };

    [Theory]
    [InlineData("GET", "/api/nothing", 404, "nothing at this address")]
    [InlineData("PATCH", "/api/schedules", 405, "does not do that")]
    [InlineData("GET", "/api/schedules/99999", 404, "no schedule here")]
    [InlineData("GET", "/api/schedules?skip=x", 400, "well formed")]
    public Task A_browser_that_asks_for_a_page_is_told_what_is_wrong(string method, string path, int status, string says)
    {
        var request = new HttpRequestMessage(new HttpMethod(method), path);
        request.Headers.Accept.Add(new MediaTypeWithQualityHeaderValue("text/html"));
        return Answered(request, status, says);
    }

    [Fact]
    public Task Another_host() =>
        Answered(new HttpRequestMessage(HttpMethod.Get, "/api/health") { Headers = { Host = "elsewhere.example" } }, 400, "localhost");

    [Fact]
    public Task Another_origin() =>
        Answered(new HttpRequestMessage(HttpMethod.Delete, "/api/schedules/1") { Headers = { { "Origin", "http://elsewhere.example" } } }, 403, "own pages");

    [Fact]
    public Task Headers_beyond_measure() =>
        Answered(new HttpRequestMessage(HttpMethod.Get, "/api/health") { Headers = { { "X-Long", new string('x', 40_000) } } }, 431, "headers");

    [Theory]
    [InlineData("application/json; charset=nonsense")]
    [InlineData("application/json; charset=utf-16")]
    [InlineData("text/plain")]
    public Task Text_nobody_can_read(string type)
    {
        var content = new ByteArrayContent("{}"u8.ToArray());
        content.Headers.TryAddWithoutValidation("Content-Type", type);
        return Answered(Post("/api/preview", content), 415, "UTF-8");
    }

    [Fact]
    public async Task Too_much_is_answered_and_the_answer_gets_there()
    {
        for (var i = 0; i < 5; i++)
            await Answered(Post("/api/preview", new StringContent($"\"{new string('x', 6_000_000)}\"", Encoding.UTF8, "application/json")), 413, "larger");
        (await studio.Http.GetAsync("/api/health")).IsSuccessStatusCode.ShouldBeTrue();
    }

    [Fact]
    public async Task Notes_with_lines_and_formulas_go_through_a_spreadsheet_and_back()
    {
        foreach (
            var text in new[] { "first\nsecond", "=1+1", "+1", "-1", "@SUM(A1)", "\ttab", "a,b;c", "she said \"hot\"", "line\r\nend", "'quoted", "''=twice" }
        )
        {
            var id = (await studio.Http.Create(Wire.GlazeFiring().With("notes", text)))["id"]!.GetValue<int>();
            var csv = await studio.Http.GetStringAsync($"/api/schedules/export?ids={id}&format=csv");
            foreach (var cell in csv.Split(',', '\n').Select(c => c.Trim('"')).Where(c => c.Length > 0))
                "=+@\t".ShouldNotContain(cell[0]);
            var back = (await (await studio.Http.PostText("/api/schedules/import", csv, "text/csv")).Read(201))["imported"]![0]!;
            back["notes"]!.GetValue<string>().ReplaceLineEndings("\n").ShouldBe(text.ReplaceLineEndings("\n").Trim());
        }
    }

    [Fact]
    public async Task Many_large_files_at_once_wait_for_each_other_and_are_all_answered()
    {
        var kiln = (await (await studio.Http.PostText("/api/kilns", """{"name":"Busy","class":"top-190"}""")).Read(201))["id"];
        var log = string.Join("\\n", Enumerable.Range(0, 100_000).Select(i => $"{i},{20 + (i % 1200)}"));
        var body = $$"""{"logs":[{"csv":"minutes,temperature\n{{log}}"}]}""";
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => studio.Http.PostText($"/api/kilns/{kiln}/fit", body)));
        answers.ShouldAllBe(a => (int)a.StatusCode == 200 || (int)a.StatusCode == 422);
    }

    [Fact]
    public async Task Everything_comes_out_in_open_formats()
    {
        await studio.Http.PostText("/api/kilns", """{"name":"Exported","class":"top-190"}""");
        using var zip = new System.IO.Compression.ZipArchive(await studio.Http.GetStreamAsync("/api/studio/export"));
        zip.Entries.Select(e => e.FullName)
            .ShouldBe([
                "schedules.json",
                "kilns.json",
                "clays.json",
                "glazes.json",
                "firings.json",
                "controllers.json",
                "entered-programs.json",
                "settings.json",
                "planning-preferences.json",
            ]);
        using var kilns = new StreamReader(zip.GetEntry("kilns.json")!.Open());
        (await kilns.ReadToEndAsync()).ShouldContain("Exported");
        (await studio.Http.GetByteArrayAsync("/api/studio/backup")).AsSpan(0, 15).ToArray().ShouldBe("SQLite format 3"u8.ToArray());
    }

    [Fact]
    public async Task Starter_schedules_can_be_imported()
    {
        var file = await File.ReadAllTextAsync(Repository.File("web/static/starter-schedules.json"));
        var imported = (await (await studio.Http.PostText("/api/schedules/import", file)).Read(201))["imported"]!.AsArray();
        imported.Count.ShouldBe(6);
        foreach (var schedule in imported)
            await (await studio.Http.PostAsJsonAsync("/api/preview", new { schedule })).Read();
    }
}
