using System.Globalization;
using System.Net;
using CsvHelper;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Live;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Reading;

/// <summary>What a studio pins up: the log sheet, the turns of the last time, the log as CSV.</summary>
public sealed class LogSheetTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private HttpClient Http => studio.Http;

    private async Task<int> Firing(string query) => (int)(await Http.Get($"/api/logbook?{query}"))["firings"]![0]!.Number("firingId");

    [Fact]
    public async Task A_gas_firing_stands_there_turn_by_turn_in_words()
    {
        var id = await Firing("kiln=3&kind=glaze");
        var sheet = await Http.Get($"/api/firings/{id}/sheet");
        sheet["isByTurns"]!.GetValue<bool>().ShouldBeTrue();
        sheet["curve"]!.AsArray().Max(p => p!.Number("celsius")).ShouldBeInRange(1240, 1290);
        var lines = sheet["lines"]!.AsArray().Select(l => l!).ToList();
        lines.Select(l => l.Number("minute")).ShouldBeInOrder();
        var said = lines.Select(l => l["text"]?.GetValue<string>()).OfType<string>().ToList();
        said.ShouldContain("Switched on");
        said.ShouldContain("Cone 9 down");
        said.ShouldContain("Candles on all burners, damper 30 % open");
        said.ShouldContain("Burners out, ports and flue shut");
        said.ShouldContain("Orange, by eye");
        said.ShouldAllBe(t => !t.Contains("state", StringComparison.Ordinal) && !t.Contains("cone-down", StringComparison.Ordinal));
        lines.Where(l => l["kind"]?.GetValue<string>() == "turned").ShouldAllBe(l => l["celsius"] != null);
        lines.Count(l => l["kind"] is null).ShouldBeGreaterThan(3, "how it cooled");
        (await Http.GetAsync("/api/firings/1/sheet")).StatusCode.ShouldBe(HttpStatusCode.NotFound, "it was never started");
    }

    [Fact]
    public async Task An_electric_firing_stands_there_hour_by_hour_beside_what_was_asked()
    {
        var id = await Firing("glaze=1&good=true");
        var sheet = await Http.Get($"/api/firings/{id}/sheet");
        sheet["isByTurns"]!.GetValue<bool>().ShouldBeFalse();
        var hours = sheet["lines"]!.AsArray().Where(l => l!["asked"] is not null).Select(l => l!).ToList();
        hours.Count.ShouldBeInRange(12, 30);
        hours.Zip(hours.Skip(1)).ShouldAllBe(p => p.Second.Number("minute") - p.First.Number("minute") <= 72);
        hours.ShouldAllBe(l => Math.Abs(l.Number("celsius") - l.Number("asked")) < 150);
        sheet["lines"]!.AsArray()[^1]!["text"]!.GetValue<string>().ShouldBe("Opened");
    }

    [Fact]
    public async Task The_turns_of_the_last_time_are_those_of_the_schedule_else_of_the_kind()
    {
        var (glaze, bisque) = (await Firing("kiln=3&kind=glaze"), await Firing("kiln=3&kind=bisque"));
        var schedule = (await Http.Get($"/api/logbook?kiln=3&kind=glaze"))["firings"]![0]!.Number("scheduleId");
        async Task<int> Last(string query) => (int)(await Http.Get($"/api/kilns/3/last-turns?{query}")).Number("firingId");
        (await Last($"schedule={schedule}&kind=bisque")).ShouldBe(glaze);
        (await Last("schedule=999&kind=bisque")).ShouldBe(bisque);
        var turns = (await Http.Get("/api/kilns/3/last-turns?kind=glaze"))["turns"]!.AsArray().Select(t => t!).ToList();
        turns.Count.ShouldBeGreaterThan(15);
        turns.Select(t => t.Number("minute")).ShouldBeInOrder();
        turns[^1]["set"]!.GetValue<string>().ShouldBe("Burners out, ports and flue shut");
        turns[^1].Number("celsius").ShouldBeInRange(1200, 1300);
        (await Http.GetAsync("/api/kilns/1/last-turns?kind=glaze")).StatusCode.ShouldBe(HttpStatusCode.NoContent, "an electric kiln is not turned");
        (await Http.GetAsync("/api/kilns/999/last-turns")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await (await Http.GetAsync("/api/kilns/3/last-turns?kind=raku")).Problem("kind");
    }

    [Fact]
    public async Task The_log_of_a_gas_firing_has_its_readings_and_turns_and_no_formula()
    {
        var id = await Firing("kiln=3&kind=bisque");
        await (await Http.PostText($"/api/firings/{id}/entries", """{"kind":"note","key":"formula","text":"=1+1, said \"Tobin\""}""")).Read(201);
        using var csv = new CsvReader(new StringReader(await Http.GetStringAsync($"/api/firings/{id}/log.csv")), CultureInfo.InvariantCulture);
        var rows = csv.GetRecords<dynamic>().Select(r => (IDictionary<string, object>)r).ToList();
        rows[0].Keys.ShouldBe(["time", "minutes", "celsius", "power", "set point", "noted"]);
        rows.Count(r => (string)r["celsius"] != "").ShouldBeGreaterThan(3, "what was read or seen");
        rows.Select(r => (string)r["noted"]).ShouldContain("'=1+1, said \"Tobin\"");
        rows.Select(r => (string)r["noted"]).ShouldContain(n => n.EndsWith("damper 30 % open", StringComparison.Ordinal));
        rows.Select(r => double.Parse((string)r["minutes"], CultureInfo.InvariantCulture)).ShouldBeInOrder();
    }
}
