using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;

namespace ZealousEmber.App.Tests.Live;

/// <summary>What would have been said of a log, and when: pure.</summary>
public sealed class ReplayTests(SharedStudio studio)
{
    private const string Schedule =
        """{"kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":100,"target":1100,"holdMinutes":20},{"pace":"natural"}]}""";

    private static JsonObject Request(Func<int, double?> celsius, int minutes, params double[] reportAt)
    {
        var samples = new JsonArray();
        for (var i = 0; i <= minutes * 2; i++)
            samples.Add(new JsonObject { ["minute"] = i / 2.0, ["celsius"] = celsius(i) });
        return new JsonObject
        {
            ["kiln"] = new JsonObject { ["class"] = "top-190" },
            ["schedule"] = JsonNode.Parse(Schedule),
            ["samples"] = samples,
            ["reportAt"] = new JsonArray([.. reportAt.Select(r => JsonValue.Create(r))]),
        };
    }

    // A climb as asked, with a little of a reading's own noise.
    private static double Climb(int i) => Math.Round((20 + i / 120.0 * 100 + Math.Sin(i * 12.9898) * 0.6) * 4) / 4;

    private async Task<JsonNode> Replay(JsonObject request) => await (await studio.Http.PostText("/api/live/replay", request.ToJsonString())).Read();

    [Fact]
    public async Task A_good_climb_is_reported_and_nothing_is_wrong()
    {
        var told = await Replay(Request(i => Climb(i), 240, 60, 200));
        told["alarms"]!.AsArray().ShouldBeEmpty();
        var report = told["reports"]![1]!;
        report.Number("minute").ShouldBe(200);
        report["state"]!.GetValue<string>().ShouldBe("firing");
        (report.Number("step"), report["phase"]!.GetValue<string>(), report["stepSource"]!.GetValue<string>()).ShouldBe((0, "climb", "shadow"));
        Math.Abs(report.Number("display") - 353).ShouldBeLessThan(3);
        Math.Abs(report.Number("deviationC")).ShouldBeLessThan(6);
        Math.Abs(report.Number("deviationMinutes")).ShouldBeLessThan(4);
        report["estimate"]!["sd"]!.AsArray().Count.ShouldBe(3);
        report["progress"]!.Number("value").ShouldBeInRange(0, 0.01);
        report["forecast"]!["top"]!.Number("p50").ShouldBeInRange(600, 760);
        report["forecast"]!["cones"]!.AsArray().Count.ShouldBe(3);
        report["forecast"]!["open"]!.Number("p90").ShouldBeGreaterThan(report["forecast"]!["open"]!.Number("p10"));
    }

    [Fact]
    public async Task A_broken_thermocouple_is_found_in_the_log_whatever_order_it_is_in()
    {
        var request = Request(i => i is > 200 and < 260 ? null : Climb(i), 180);
        var told = await Replay(request);
        var alarm = told["alarms"]!.AsArray().Single()!;
        (alarm["id"]!.GetValue<string>(), alarm["weight"]!.GetValue<string>()).ShouldBe(("tc-broken", "danger"));
        alarm.Number("raisedMinute").ShouldBeInRange(100.5, 101.5);
        alarm["releasedMinute"].ShouldBeNull("a danger stays until somebody has seen it");

        var shuffled = request.DeepClone().AsObject();
        var samples = shuffled["samples"]!.AsArray().Select(s => s!.DeepClone()).Reverse().ToArray();
        shuffled["samples"] = new JsonArray(samples);
        (await Replay(shuffled))["alarms"]!.ToJsonString().ShouldBe(told["alarms"]!.ToJsonString());
        (await Replay(request.With("untilMinute", 90).AsObject()))["alarms"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task What_is_wrong_is_said_at_its_field()
    {
        var good = Request(i => Climb(i), 5);
        async Task<string> Problem(string field, JsonObject request) =>
            await (await studio.Http.PostText("/api/live/replay", request.ToJsonString())).Problem(field);
        await Problem("schedule", good.With("schedule", null).AsObject());
        (await Problem("kiln", good.With("kiln", null).AsObject())).ShouldContain("which kiln");
        await Problem("kilnId", good.With("kiln", null).With("kilnId", 99_999).AsObject());
        await Problem("goalCone", good.With("goalCone", "99").AsObject());
        await Problem("samples[0].minute", good.With("samples", new JsonArray(new JsonObject { ["celsius"] = 5 })).AsObject());
        await Problem("samples[0]", good.With("samples", new JsonArray(new JsonObject { ["minute"] = 1, ["celsius"] = 20_000 })).AsObject());
        await Problem(
            "samples[0]",
            good.With(
                    "samples",
                    new JsonArray(
                        new JsonObject
                        {
                            ["minute"] = 1,
                            ["celsius"] = 20,
                            ["share"] = 2,
                        }
                    )
                )
                .AsObject()
        );
        await Problem("reportAt[0]", good.With("reportAt", new JsonArray(1e9)).AsObject());
        await Problem("untilMinute", good.With("untilMinute", -1e6).AsObject());
        (await Replay(good.With("samples", new JsonArray()).With("reportAt", new JsonArray(5)).AsObject()))["reports"]![0]!["display"].ShouldBeNull();
    }
}
