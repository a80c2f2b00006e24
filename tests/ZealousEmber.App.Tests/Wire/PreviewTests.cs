using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Wire;

public sealed class PreviewTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private readonly HttpClient http = studio.Http;

    [Fact]
    public async Task The_contract_is_kept()
    {
        var answer = await (
            await http.PostText(
                "/api/preview",
                """
                {"schedule":{"name":"x","kind":"glaze","unit":"C","segments":[{"pace":"rate","rate":80,"target":200,"holdMinutes":45},{"pace":"rate","rate":100,"target":300}]},
                 "startTemperature":20,"goalCone":null,"kilnId":null,"start":null}
                """
            )
        ).Read();

        answer.Number("totalMinutes").ShouldBe(135 + 45 + 60);
        answer.Number("peak").ShouldBe(300);
        var first = answer["segments"]![0]!;
        (first.Number("startMinute"), first.Number("rampMinutes"), first.Number("holdMinutes"), first.Number("endMinute")).ShouldBe((0, 135, 45, 180));
        answer["curve"]!.AsArray().Select(p => (p!.Number("minute"), p!.Number("temperature"))).ShouldBe([(0, 20), (135, 200), (180, 200), (240, 300)]);
        answer["findings"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task It_answers_in_the_unit_of_the_request()
    {
        var schedule = Wire.Schedule(Wire.Step(180, 1000)).With("unit", "F");
        var answer = await (await http.Preview(schedule, r => r["startTemperature"] = 68)).Read();
        answer.Number("peak").ShouldBe(1000);
        answer.Number("fastestRise").ShouldBe(180);
        answer.Number("totalMinutes").ShouldBe((1000.0 - 68) / 180 * 60, 1e-6);
        answer["bands"]![0]!.Number("from").ShouldBe(194);
    }

    [Fact]
    public async Task Moments_carry_clock_times_once_a_start_is_known()
    {
        var answer = await (await http.Preview(Wire.GlazeFiring(), r => r["start"] = "2026-11-24T17:30:00+01:00")).Read();
        answer["segments"]![1]!["startsAt"]!.GetValue<string>().ShouldBe("2026-11-24T20:30:00+01:00");
        var moments = answer["moments"]!.AsArray().Select(m => m!["kind"]!.GetValue<string>()).ToList();
        moments.ShouldBe(["past-boiling", "quartz-rising", "top", "cooling-begins", "power-off", "quartz-falling", "may-open"]);
        answer["line"]!.GetValue<string>().ShouldBe("80/h to 200 hold 45m; full to 1040; 60/h to 1210 hold 12m; cool 55/h to 850 hold 1:30; off");
        answer["kilnNote"]!.GetValue<string>().ShouldContain("plain kiln");
        answer["cautions"]!.AsArray().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task Time_between_two_temperatures_is_told_both_ways()
    {
        var schedule = Wire.Schedule(Wire.Step(100, 1000, 30), Wire.Step(50, 800));
        var answer = await (await http.Preview(schedule, r => r["between"] = new JsonArray(new JsonObject { ["from"] = 1000, ["to"] = 900 }))).Read();
        var band = answer["timeBetween"]![0]!;
        (band.Number("risingMinutes"), band.Number("fallingMinutes")).ShouldBe((90, 120));
    }

    [Theory]
    [InlineData("rate", 0.0, "never arrive")]
    [InlineData("rate", 2500.0, "at most 2000")]
    [InlineData("holdMinutes", -5.0, "shorter than nothing")]
    [InlineData("target", 99999.0, "between −20 and 1400 °C")]
    public async Task A_wrong_number_is_told_at_its_field(string field, double value, string says) =>
        (
            await (await http.Preview(Wire.Schedule(Wire.Step(80, 200), Wire.Step(80, 400, 10).With(field, value)))).Problem($"schedule.segments[1].{field}")
        ).ShouldContain(says);

    [Fact]
    public async Task Wrong_words_are_told_at_their_field()
    {
        (await (await http.Preview(Wire.GlazeFiring().With("unit", "K"))).Problem("schedule.unit")).ShouldContain("it is C or F");
        (await (await http.Preview(Wire.GlazeFiring().With("kind", "stew"))).Problem("schedule.kind")).ShouldContain(
            "drying, bisque, glaze, once-fired or refiring"
        );
        (await (await http.Preview(Wire.GlazeFiring().With("name", new string('n', 500)))).Problem("schedule.name")).ShouldContain("at most 120");
        (await (await http.Preview(Wire.GlazeFiring(), r => r["start"] = "tomorrow")).Problem("start")).ShouldContain("2026-11-24T17:30:00+00:00");
        (await (await http.Preview(Wire.GlazeFiring(), r => r["startTemperature"] = 5000)).Problem("startTemperature")).ShouldContain("1400");
        (await (await http.Preview(Wire.GlazeFiring(), r => r["kilnId"] = 7)).Problem("kilnId")).ShouldContain("no kiln 7");
    }

    [Fact]
    public async Task Too_few_and_too_many_steps_are_told()
    {
        (await (await http.Preview(Wire.Schedule())).Problem("schedule.segments")).ShouldContain("no step yet");
        (await (await http.Preview(Wire.Schedule([.. Enumerable.Range(0, 400).Select(_ => Wire.Step(80, 200))]))).Problem("schedule.segments")).ShouldContain(
            "has 400"
        );
        (await http.Preview(Wire.Schedule([.. Enumerable.Range(0, 64).Select(i => Wire.Step(80, 200 + i))]))).EnsureSuccessStatusCode();
    }

    [Theory]
    [InlineData("""{"schedule":{"kind":"glaze","unit":"C","segments":[{"pace":"rate","rate":NaN,"target":200}]}}""", "schedule.segments[0].rate", 400)]
    [InlineData("""{"schedule":{"kind":"glaze","unit":"C","segments":[{"pace":"rate","rate":"80","target":200}]}}""", "schedule.segments[0].rate", 400)]
    [InlineData("""{"schedule":{"kind":"glaze","unit":"C","segments":[{"pace":"rate","rate":1e999,"target":200}]}}""", "schedule.segments[0].rate", 422)]
    [InlineData("""{"schedule":{"kind":"glaze","unit":"C","segments":[null]}}""", "schedule.segments[0]", 422)]
    [InlineData("""{"schedule":null}""", "schedule", 422)]
    [InlineData("null", "schedule", 422)]
    [InlineData("", "schedule", 422)]
    public async Task What_is_hardly_json_gets_a_clear_answer(string body, string field, int status) =>
        (await (await http.PostText("/api/preview", body)).Problem(field, status)).ShouldNotBeNullOrWhiteSpace();

    [Fact]
    public async Task Another_content_type_and_a_huge_body_are_refused_in_words()
    {
        (await (await http.PostText("/api/preview", "x", "text/plain")).Read(415))["detail"]!.GetValue<string>().ShouldContain("application/json");
        var huge = "{\"schedule\":{\"notes\":\"" + new string('x', 2_000_000) + "\"}}";
        (await (await http.PostText("/api/preview", huge)).Read(413))["detail"]!.GetValue<string>().ShouldContain("larger");
    }
}
