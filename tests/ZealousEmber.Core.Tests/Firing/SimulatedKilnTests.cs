using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Firing;

public class SimulatedKilnTests
{
    private static SimulatedFiring Fire(ulong seed, double minutes = 300, params SimulatedFault[] faults) =>
        LiveRun.Fire(Make.Kiln("top-190"), Make.Kiln("top-190").UsualLoad(ScheduleKind.Glaze), Make.Program(LiveRun.Glaze), seed, minutes, faults);

    [Fact]
    public void The_same_seed_gives_the_same_readings_and_another_does_not()
    {
        Fire(7).Samples.ShouldBe(Fire(7).Samples);
        Fire(7).Samples.ShouldNotBe(Fire(8).Samples);
    }

    [Fact]
    public void It_keeps_what_it_shows_on_the_set_point_within_its_noise()
    {
        var samples = Fire(3).Samples.Where(s => s is { Minutes: > 30 and < 240, SetPoint: not null });
        var apart = samples.Select(s => s.Celsius!.Value - s.SetPoint!.Value).ToList();
        Math.Abs(apart.Average()).ShouldBeLessThan(1);
        Math.Sqrt(apart.Average(a => a * a)).ShouldBeInRange(0.3, 2);
        Fire(3).Samples.ShouldAllBe(s => Math.Abs(s.Celsius!.Value * 4 % 1) < 1e-9, "in quarters of a degree");
    }

    [Fact]
    public void It_fires_as_the_plan_of_the_same_kiln_says()
    {
        var kiln = Make.Kiln("top-190");
        var load = kiln.UsualLoad(ScheduleKind.Glaze);
        var planned = KilnRunner.Run(Make.Program(LiveRun.Glaze), Make.Celsius(20), kiln, load).Value;
        var fired = Fire(11, 6000);
        Math.Abs(fired.TopAt - planned.Compiled.Segments[2].RampEnd.TotalMinutes).ShouldBeLessThan(25);
        (fired.OpenAt / planned.OpensAt!.Value.TotalMinutes).ShouldBeInRange(0.97, 1.03);
    }

    [Fact]
    public void A_power_cut_cools_it_and_it_goes_on_afterwards()
    {
        var fired = Fire(5, 700, new SimulatedFault(FaultKind.PowerCut, 400, 30));
        fired.Samples.ShouldAllBe(s => s.Minutes <= 400 || s.Minutes > 430);
        fired.At(430).Chamber.ShouldBeLessThan(fired.At(400).Chamber - 60);
        fired.At(520).Chamber.ShouldBeGreaterThan(fired.At(400).Chamber);
    }

    [Theory]
    [InlineData(true, false)]
    [InlineData(false, false)]
    [InlineData(true, true)]
    public void The_step_is_told_from_the_display_alone(bool withShare, bool withSetPoint)
    {
        var (right, all) = (0, 0);
        foreach (var (seed, kind) in new (ulong, string)[] { (1, "top-100"), (2, "top-190"), (3, "front-200") })
        {
            const string line = "100/h to 200 hold 30m; 200/h to 1100; 60/h to 1208 hold 20m; cool 100/h to 1000 hold 40m; off";
            var stored = Make.Kiln(kind);
            var load = stored.UsualLoad(ScheduleKind.Glaze);
            var fired = LiveRun.Fire(LiveRun.Truth(kind, 104, 97), load, Make.Program(line), seed, 900);
            var live = LiveRun.Watch(stored, load, Make.Program(line));
            for (var minute = 10.0; minute < 880; minute++)
            {
                live.Feed(fired, minute, withShare, withSetPoint);
                var (told, truth) = (live.Report(minute, withForecast: false), fired.At(minute - 1));
                all++;
                if (told.Step == Math.Min(truth.Step, 4) && (told.Phase == LivePhase.Hold) == (truth.Phase == ControllerPhase.Holding))
                    right++;
            }
        }
        (right / (double)all).ShouldBeGreaterThan(0.97);
    }

    [Fact]
    public void No_peak_is_lost_when_a_long_log_is_drawn() =>
        Gen.Select(Gen.Int[50, 5000], Gen.Int[0, 100_000])
            .Sample(
                (count, seed) =>
                {
                    var random = new Random(seed);
                    var values = Enumerable.Range(0, count).Select(_ => random.NextDouble() * 1450 - 50).ToArray();
                    var minutes = Enumerable.Range(0, values.Length).Select(i => i / 60.0).ToArray();
                    var kept = Reduction.Of(minutes, values, 200);
                    kept.Count.ShouldBeLessThanOrEqualTo(200);
                    kept.SequenceEqual(kept.Order().Distinct()).ShouldBeTrue();
                    (kept[0], kept[^1]).ShouldBe((0, values.Length - 1));
                    kept.Max(i => values[i]).ShouldBe(values.Max());
                    kept.Min(i => values[i]).ShouldBe(values.Min());
                },
                iter: 200
            );

    [Fact]
    public void A_reading_at_the_edge_of_a_span_is_not_counted_twice()
    {
        // So many that each span is 95 readings long, to a rounding error.
        var minutes = Enumerable.Range(0, 4751).Select(i => i / 60.0).ToArray();
        Reduction.Of(minutes, [.. minutes.Select(m => Math.Sin(m * 40))], 200).Count.ShouldBeLessThanOrEqualTo(200);
    }

    [Fact]
    public void A_reading_no_kiln_can_give_is_refused()
    {
        new FiringSample(10, 812).Refusal(10).ShouldBeNull();
        new FiringSample(12, 812).Refusal(10).ShouldBeNull("a clock may be a little ahead");
        new FiringSample(12.1, 812).Refusal(10).ShouldNotBeNull().ShouldContain("future");
        new FiringSample(10, 20_000).Refusal(10).ShouldNotBeNull().ShouldContain("20");
        new FiringSample(10, double.NaN).Refusal(10).ShouldNotBeNull();
        new FiringSample(10, -51).Refusal(10).ShouldNotBeNull();
        new FiringSample(10, null).Refusal(10).ShouldBeNull("a broken thermocouple is a reading too");
        new FiringSample(10, 500, 1.01).Refusal(10).ShouldNotBeNull();
        new FiringSample(10, 500, 0.5, 2000).Refusal(10).ShouldNotBeNull();
    }
}
