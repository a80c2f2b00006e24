using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

public sealed class ScheduleTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private readonly HttpClient http = studio.Http;

    private async Task<int> New() => (await http.Create())["id"]!.GetValue<int>();

    [Fact]
    public async Task What_is_kept_comes_back_the_same()
    {
        var sent = Wire.GlazeFiring().With("notes", "two\nlines").With("tags", new JsonArray("Matte", "matte", "slow"));
        var response = await http.PostAsJsonAsync("/api/schedules", sent);
        var made = await response.Read(201);
        response.Headers.Location!.ToString().ShouldBe($"/api/schedules/{made["id"]}");
        response.Headers.ETag!.Tag.ShouldBe("\"1\"");

        var got = await http.GetAsync(response.Headers.Location);
        got.Headers.ETag!.Tag.ShouldBe("\"1\"");
        var back = await got.Read();
        back["notes"]!.GetValue<string>().ShouldBe("two\nlines");
        back["tags"]!.AsArray().Select(t => t!.GetValue<string>()).ShouldBe(["matte", "slow"]);
        back["segments"]![3]!.Number("target").ShouldBe(850);
        back["segments"]![4]!["target"].ShouldBeNull();
    }

    [Fact]
    public async Task A_reader_who_has_it_already_is_told_so()
    {
        var id = await New();
        var request = new HttpRequestMessage(HttpMethod.Get, $"/api/schedules/{id}");
        request.Headers.TryAddWithoutValidation("If-None-Match", "\"1\"");
        (await http.SendAsync(request)).StatusCode.ShouldBe(HttpStatusCode.NotModified);
    }

    [Fact]
    public async Task A_save_needs_the_version_it_was_made_on()
    {
        var id = await New();
        (await http.Put(id, Wire.GlazeFiring(), null)).StatusCode.ShouldBe((HttpStatusCode)428);
        (await http.Put(id, Wire.GlazeFiring(), "\"99\"")).StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
        (await http.Put(id, Wire.GlazeFiring(), "nonsense")).StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
        var saved = await http.Put(id, Wire.GlazeFiring().With("name", "Renamed"), "\"1\"");
        saved.Headers.ETag!.Tag.ShouldBe("\"2\"");
        (await saved.Read())["name"]!.GetValue<string>().ShouldBe("Renamed");
    }

    [Fact]
    public async Task A_save_that_changes_nothing_makes_no_version()
    {
        var id = await New();
        (await http.Put(id, Wire.GlazeFiring(), "\"1\"")).Headers.ETag!.Tag.ShouldBe("\"1\"");
    }

    [Fact]
    public async Task Of_two_people_saving_one_is_told_and_sees_what_the_other_wrote()
    {
        var id = await New();
        await (await http.Put(id, Wire.GlazeFiring().With("name", "Hers"), "\"1\"")).Read();
        var late = await http.Put(id, Wire.GlazeFiring().With("name", "His"), "\"1\"");
        var problem = await late.Read(412);
        late.Headers.ETag!.Tag.ShouldBe("\"2\"");
        problem["current"]!["name"]!.GetValue<string>().ShouldBe("Hers");
        problem["detail"]!.GetValue<string>().ShouldContain("Nothing was overwritten");
    }

    [Fact]
    public async Task Of_many_saving_at_once_exactly_one_wins_and_nobody_gets_a_500()
    {
        var id = await New();
        var answers = await Task.WhenAll(Enumerable.Range(0, 12).Select(i => http.Put(id, Wire.GlazeFiring().With("name", $"Writer {i}"), "\"1\"")));
        answers.Count(a => a.StatusCode == HttpStatusCode.OK).ShouldBe(1);
        answers.Count(a => a.StatusCode == HttpStatusCode.PreconditionFailed).ShouldBe(11);
    }

    [Fact]
    public async Task A_bad_save_is_refused_at_the_field_and_leaves_what_was_there()
    {
        var id = await New();
        var bad = Wire.GlazeFiring();
        bad["segments"]![0]!["rate"] = 0;
        (await (await http.Put(id, bad.With("name", ""), "\"1\"")).Problem("name")).ShouldContain("needs a name");
        (await (await http.Put(id, bad, "\"1\"")).Problem("segments[0].rate")).ShouldContain("never arrive");
        (await (await http.GetAsync($"/api/schedules/{id}")).Read()).Number("version").ShouldBe(1);
    }

    [Fact]
    public async Task Deleting_can_be_undone()
    {
        var id = await New();
        (await http.DeleteAsync($"/api/schedules/{id}")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await (await http.GetAsync($"/api/schedules/{id}")).Read(404);
        (await http.Put(id, Wire.GlazeFiring(), "\"1\"")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await (await http.GetAsync("/api/schedules")).Read()).AsArray().ShouldAllBe(s => s!["id"]!.GetValue<int>() != id);
        (await (await http.PostAsync($"/api/schedules/{id}/restore", null)).Read())["name"]!.GetValue<string>().ShouldBe("A firing");
        await (await http.GetAsync($"/api/schedules/{id}")).Read();
    }

    [Fact]
    public async Task Deleting_what_changed_meanwhile_is_refused()
    {
        var id = await New();
        await http.Put(id, Wire.GlazeFiring().With("name", "Newer"), "\"1\"");
        var request = new HttpRequestMessage(HttpMethod.Delete, $"/api/schedules/{id}");
        request.Headers.TryAddWithoutValidation("If-Match", "\"1\"");
        (await http.SendAsync(request)).StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
    }

    [Fact]
    public async Task The_history_shows_the_last_of_each_sitting_and_every_version_can_be_read()
    {
        var id = await New();
        await http.Put(id, Wire.GlazeFiring().With("name", "A minute later"), "\"1\"");
        studio.Clock.Forward(TimeSpan.FromMinutes(30));
        await http.Put(id, Wire.GlazeFiring().With("name", "After lunch"), "\"2\"");

        async Task<int[]> Numbers(string query) =>
            [.. (await (await http.GetAsync($"/api/schedules/{id}/versions{query}")).Read()).AsArray().Select(v => v!["number"]!.GetValue<int>())];
        (await Numbers("")).ShouldBe([3, 2]);
        (await Numbers("?all=true")).ShouldBe([3, 2, 1]);
        (await (await http.GetAsync($"/api/schedules/{id}/versions/1")).Read())["name"]!.GetValue<string>().ShouldBe("A firing");
        await (await http.GetAsync($"/api/schedules/{id}/versions/9")).Read(404);
    }

    [Fact]
    public async Task The_library_is_searched_by_words_kind_and_tag()
    {
        async Task<string[]> Names(string query) =>
            [.. (await (await http.GetAsync($"/api/schedules?{query}")).Read()).AsArray().Select(s => s!["name"]!.GetValue<string>())];
        (await Names("search=OYSTER%20supper")).ShouldBe(["Oyster matte, supper set"]);
        (await Names("search=crystals%20grow")).ShouldBe(["Oyster matte, supper set"]);
        (await Names("search=oyster%20wren")).ShouldBeEmpty();
        (await Names("kind=drying")).ShouldBe(["Drying, thick tiles"]);
        (await Names("tag=wren")).ShouldBe(["Tidewrack blue, test tiles"]);
        (await Names("search=%25")).ShouldBeEmpty();
        (await (await http.GetAsync("/api/schedules?kind=stew")).Problem("kind")).ShouldContain("once-fired");
        var tags = (await (await http.GetAsync("/api/schedules/tags")).Read()).AsArray();
        tags.ShouldContain(t => t!["tag"]!.GetValue<string>() == "heron" && t["count"]!.GetValue<int>() >= 4);
    }

    [Fact]
    public async Task A_summary_is_enough_to_draw_it_small()
    {
        var oyster = (await (await http.GetAsync("/api/schedules?search=oyster%20supper")).Read())[0]!;
        oyster.Number("peak").ShouldBe(1210);
        oyster.Number("poweredMinutes").ShouldBe(906.8, 0.1);
        oyster["curve"]!.AsArray().Count.ShouldBeInRange(6, 40);
        oyster["line"]!.GetValue<string>().ShouldStartWith("80/h to 120 hold 45m \"dry the glaze\";");
    }

    [Fact]
    public async Task A_copy_is_another_schedule()
    {
        var id = await New();
        var copy = await (await http.PostAsync($"/api/schedules/{id}/copy", null)).Read(201);
        copy["name"]!.GetValue<string>().ShouldBe("A firing, copy");
        copy["id"]!.GetValue<int>().ShouldNotBe(id);
    }

    [Fact]
    public async Task Reading_it_on_the_other_scale_and_back_changes_nothing()
    {
        var typed = Gen.Select(Gen.Int[1, 2_000_000], Gen.Int[-20_000, 1_400_000], Gen.Int[0, 5940]).Array[1, 6].Array[30].Single();
        foreach (var steps in typed)
        {
            var schedule = Wire.Schedule([.. steps.Select(s => Wire.Step(Math.Max(0.1, s.Item1 / 1000.0), s.Item2 / 1000.0, s.Item3))]);
            var fahrenheit = await (await http.PostAsJsonAsync("/api/schedules/convert", new { schedule, unit = "F" })).Read();
            fahrenheit["unit"]!.GetValue<string>().ShouldBe("F");
            var back = await (await http.PostAsJsonAsync("/api/schedules/convert", new { schedule = fahrenheit, unit = "C" })).Read();
            for (var i = 0; i < steps.Length; i++)
            {
                back["segments"]![i]!.Number("rate").ShouldBe(schedule["segments"]![i]!.Number("rate"));
                back["segments"]![i]!.Number("target").ShouldBe(schedule["segments"]![i]!.Number("target"));
            }
        }
    }

    [Fact]
    public async Task What_an_address_does_not_do_is_a_405() => await (await http.DeleteAsync("/api/health")).Read(405);

    [Theory]
    [InlineData("/api/schedules/123456")]
    [InlineData("/api/schedules/99999999999999")]
    [InlineData("/api/schedules/abc")]
    [InlineData("/api/schedules/123456/versions")]
    [InlineData("/api/nothing")]
    public async Task What_is_not_there_is_a_404_in_words(string path) =>
        (await (await http.GetAsync(path)).Read(404))["detail"]!.GetValue<string>().ShouldNotBeNullOrWhiteSpace();
}
