using System.Net.Http.Json;
using Shouldly;
using Xunit;

namespace ZealousEmber.App.Tests.Wire;

public sealed class ConeTests(SharedStudio studio)
{
    private readonly HttpClient http = studio.Http;

    private Task<HttpResponseMessage> Ask(string what, object body) => http.PostAsJsonAsync($"/api/cones/{what}", body);

    [Fact]
    public async Task A_preview_reads_the_goal_and_its_neighbours()
    {
        var schedule = Wire.Schedule(Wire.Step(100, 200), Wire.Step(200, 1120), Wire.Step(60, 1222));
        var answer = await (await http.Preview(schedule, r => r["goalCone"] = "^6")).Read();
        answer["cones"]!.AsArray().Select(c => c!["cone"]!.GetValue<string>()).ShouldBe(["5½", "6", "7"]);
        var six = answer["cones"]![1]!;
        six.Number("progress").ShouldBe(0.96, 0.096);
        six.Number("bendDegrees").ShouldBe(83, 8);
        six.Number("clock").ShouldBe(six.Number("bendDegrees") / 15, 1e-9);
        answer["heatWorkBySegment"]!.AsArray().Sum(d => d!.GetValue<double>()).ShouldBe(six.Number("progress"), 1e-9);
        answer["coneWords"]!.GetValue<string>().ShouldStartWith("Reaches cone 6");
    }

    [Fact]
    public async Task All_cones_are_told_when_asked_for_and_the_nearest_ones_without_a_goal()
    {
        var request = new { schedule = Wire.Schedule(Wire.Step(60, 1222)) };
        (await (await http.PostAsJsonAsync("/api/preview?cones=all", request)).Read())["cones"]!.AsArray().Count.ShouldBe(38);
        (await (await http.PostAsJsonAsync("/api/preview", request)).Read())["cones"]![1]!["cone"]!.GetValue<string>().ShouldBe("6");
        (await (await http.Preview(Wire.Schedule(Wire.Step(100, 120)))).Read())["cones"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task The_table_tells_its_residuals()
    {
        var rows = (await (await http.GetAsync("/api/cones")).Read()).AsArray();
        rows.Count.ShouldBe(38);
        rows.SelectMany(r => r!["points"]!.AsArray()).ShouldAllBe(p => Math.Abs(p!.Number("residual")) <= 4);
        var lines = await (await http.GetAsync("/api/cones/endpoints?unit=F")).Read();
        lines["cones"]!.AsArray().Count.ShouldBe(38);
        (await (await http.GetAsync("/api/cones/endpoints?unit=X")).Problem("unit")).ShouldContain("C or F");
    }

    [Fact]
    public async Task Top_and_hold_are_solved_on_a_climb()
    {
        (
            await (
                await Ask(
                    "solve",
                    new
                    {
                        cone = "6",
                        find = "top",
                        holdMinutes = 10,
                    }
                )
            ).Read()
        ).Number("top").ShouldBe(1215, 3);
        (
            await (
                await Ask(
                    "solve",
                    new
                    {
                        cone = "6",
                        find = "hold",
                        top = 2167,
                        unit = "F",
                    }
                )
            ).Read()
        ).Number("holdMinutes").ShouldBe(80, 12);
    }

    [Fact]
    public async Task A_schedule_is_solved_in_whole_numbers_with_the_change_to_look_at()
    {
        var schedule = Wire.Schedule(Wire.Step(150, 1040), Wire.Step(60, 1190, 12), Wire.Step(55, 850)).With("goalCone", "6");
        var answer = await (
            await Ask(
                "solve",
                new
                {
                    cone = "6",
                    find = "top",
                    schedule,
                }
            )
        ).Read();
        answer["segment"]!.GetValue<int>().ShouldBe(1);
        answer["schedule"]!["segments"]![1]!.Number("target").ShouldBe(Math.Round(answer.Number("top")));
        answer["schedule"]!["goalCone"]!.GetValue<string>().ShouldBe("6");
        answer.Number("progress").ShouldBe(1, 0.03);

        var rungs = (await (await Ask("ladder", new { cone = "6", schedule })).Read()).AsArray();
        rungs.Select(r => r!.Number("holdMinutes")).ShouldBe([0, 10, 20, 30, 60]);
        var tops = rungs.Select(r => r!.Number("top")).ToList();
        tops.ShouldBe(tops.OrderDescending());
    }

    [Fact]
    public async Task A_reading_tells_the_offset()
    {
        (await (await Ask("read", new { cone = "6", clock = 6 })).Read()).Number("progress").ShouldBe(1, 1e-9);
        var low = await (await Ask("read", new { cone = "6", clock = 2 })).Read();
        low.Number("offsetCelsius").ShouldBeInRange(-22, -14);
        low["text"]!.GetValue<string>().ShouldContain("cooler than the curve says");
        (await (await Ask("read", new { cone = "6", clock = 12 })).Problem("clock")).ShouldContain("not begun to bend");
        (await (await Ask("read", new { cone = "6", clock = 9 })).Problem("clock")).ShouldContain("12 upright");
        (
            await (
                await Ask(
                    "read",
                    new
                    {
                        cone = "6",
                        clock = 6,
                        schedule = Wire.Schedule(Wire.Step(100, 300)),
                    }
                )
            ).Problem("schedule")
        ).ShouldContain("does not come near");
    }

    [Fact]
    public async Task A_log_of_a_hundred_thousand_points_is_worked_out_in_either_unit()
    {
        // The climb of the reference, cut into small pieces, with a gap and a doubled time.
        var points = Enumerable
            .Range(0, 100_000)
            .Select(i => 1202 / 60.0 * 60 * i / 99_999)
            .Where(m => m is < 300 or > 320)
            .Append(1202)
            .Select(m => new { minute = m, temperature = (20 + m) * 1.8 + 32 })
            .ToList();
        var answer = await (await Ask("work", new { unit = "F", curve = points })).Read();
        var six = answer["cones"]!.AsArray().Single(c => c!["cone"]!.GetValue<string>() == "6")!;
        var planned = await (await http.PostAsJsonAsync("/api/preview", new { schedule = Wire.Schedule(Wire.Step(60, 1222)), goalCone = "6" })).Read();
        six.Number("progress").ShouldBe(planned["cones"]![1]!.Number("progress"), 1e-4);
        (
            await (
                await Ask(
                    "read",
                    new
                    {
                        cone = "6",
                        clock = 6,
                        unit = "F",
                        curve = points,
                    }
                )
            ).Read()
        ).Number("offsetCelsius").ShouldBe(0, 1.5);
    }

    [Theory]
    [InlineData("""{}""", "curve", "no point")]
    [InlineData("""{"curve":[]}""", "curve", "no point")]
    [InlineData(
        """{"curve":[{"minute":0,"temperature":20},{"minute":5,"temperature":30},{"minute":4,"temperature":40}]}""",
        "curve[2].minute",
        "goes back here, from 5 to 4"
    )]
    [InlineData("""{"curve":[{"minute":0}]}""", "curve[0].temperature", "missing")]
    [InlineData("""{"curve":[null]}""", "curve[0].minute", "missing")]
    [InlineData("""{"curve":[{"minute":1e12,"temperature":20}]}""", "curve[0].minute", "more than a year")]
    [InlineData("""{"curve":[{"minute":0,"temperature":9000}]}""", "curve[0].temperature", "1400")]
    [InlineData("""{"unit":"R","curve":[{"minute":0,"temperature":20}]}""", "unit", "C or F")]
    public async Task A_log_that_cannot_be_read_is_told_where(string body, string field, string says) =>
        (await (await http.PostText("/api/cones/work", body)).Problem(field)).ShouldContain(says);

    [Fact]
    public async Task A_doubled_time_is_a_jump_and_counts_nothing()
    {
        var jump = new[] { new { minute = 0, temperature = 20 }, new { minute = 0, temperature = 1300 } };
        (await (await Ask("work", new { curve = jump })).Read())["cones"]!.AsArray().ShouldAllBe(c => c!.Number("progress") == 0);
    }

    [Theory]
    [InlineData("""{"cone":"15","find":"top"}""", "cone", "no cone")]
    [InlineData("""{"cone":"O4","find":"top"}""", "cone", "Write a zero")]
    [InlineData("""{"cone":"6","find":"cake"}""", "find", "top or hold")]
    [InlineData("""{"cone":"6","find":"hold"}""", "top", "missing")]
    [InlineData("""{"cone":"10","find":"hold","top":900}""", "top", "not reachable below 99 hours")]
    [InlineData("""{"cone":"6","find":"top","holdMinutes":-1}""", "holdMinutes", "0 to 5940")]
    [InlineData("""{"cone":"6","find":"top","approach":0}""", "approach", "more than 0")]
    [InlineData("""{"cone":"6","find":"top","schedule":{"kind":"glaze","unit":"C","segments":[]}}""", "schedule.segments", "no step yet")]
    [InlineData("""{"cone":"6","find":"top","schedule":{"kind":"glaze","unit":"C","segments":[{"pace":"natural"}]}}""", "schedule.segments", "only cools")]
    [InlineData(
        """{"cone":"022","find":"top","schedule":{"kind":"glaze","unit":"C","segments":[{"pace":"rate","rate":50,"target":1100},{"pace":"rate","rate":50,"target":1200}]}}""",
        "cone",
        "down before"
    )]
    [InlineData("", "cone", "missing")]
    public async Task What_cannot_be_solved_is_told(string body, string field, string says) =>
        (await (await http.PostText("/api/cones/solve", body)).Problem(field)).ShouldContain(says);

    [Fact]
    public async Task The_goal_is_kept_and_a_wrong_one_is_told_at_its_field()
    {
        (await http.Create(Wire.GlazeFiring().With("goalCone", "cone 5.5")))["goalCone"]!.GetValue<string>().ShouldBe("5½");
        (await (await http.PostAsJsonAsync("/api/schedules", Wire.GlazeFiring().With("goalCone", "99"))).Problem("goalCone")).ShouldContain("no cone");
        (await (await http.Preview(Wire.GlazeFiring(), r => r["goalCone"] = "x")).Problem("goalCone")).ShouldContain("no cone");
    }
}
