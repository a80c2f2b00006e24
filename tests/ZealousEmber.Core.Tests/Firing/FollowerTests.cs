using Shouldly;
using Xunit;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Tests;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>Which step a firing is in, told by the display alone: holds that somebody lets go on for longer, readings that come seldom.</summary>
public class FollowerTests
{
    private static readonly string[] Lines =
    [
        "60/h to 95 hold 2h; 100/h to 600; 130/h to 1000 hold 10m; off",
        "40/h to 80 hold 90m; 10/h to 120; 100/h to 540; 110/h to 1060 hold 16m; off",
        "100/h to 200 hold 30m; 200/h to 1120; 60/h to 1208 hold 12m; off to 1040; 40/h to 900 hold 1h; off",
        "full to 600 hold 45m; 150/h to 1150; 60/h to 1200 hold 20m; off",
    ];

    public static TheoryData<string, int> Holds
    {
        get
        {
            var data = new TheoryData<string, int>();
            foreach (var line in Lines)
            {
                for (var step = 0; step < Make.Program(line).Steps.Length; step++)
                {
                    if (Make.Program(line).Steps[step].Hold > NodaTime.Duration.Zero)
                        data.Add(line, step);
                }
            }
            return data;
        }
    }

    [Theory]
    [MemberData(nameof(Holds))]
    public void A_hold_that_is_let_go_on_is_followed_and_told_no_longer_than_it_lasts(string line, int step)
    {
        var (sum, count) = (0.0, 0);
        foreach (var longer in LongRun.Of(2, 3) == 3 ? new[] { 10, 60, 120 } : [10, 120])
        {
            var (samples, truth) = Fire("top-190", line, step, longer);
            var over = truth.Last(t => t.Step == step && t.Phase == ControllerPhase.Holding).Minutes;
            foreach (var how in new[] { "none", "share", "set" })
            {
                var (right, all, live) = Follow("top-190", line, samples, truth, how);
                live.Board.All.ShouldAllBe(a => a.Id == "past-end", $"+{longer}, {how}");
                foreach (var past in live.Board.All)
                    past.Until.ShouldNotBeNull().ShouldBeLessThan(over + 30, "it ends when the hold does");
                (right / (double)all).ShouldBeGreaterThan(0.94, $"+{longer}, {how}");
                (sum, count) = (sum + right / (double)all, count + 1);
            }
        }
        (sum / count).ShouldBeGreaterThan(0.955);
    }

    [Theory]
    [InlineData(0, "none")]
    [InlineData(1, "set")]
    [InlineData(2, "none")]
    [InlineData(3, "set")]
    public void How_often_is_told_makes_no_difference(int line, string how)
    {
        var (samples, truth) = Fire("top-190", Lines[line], -1, 0);
        var end = truth.First(t => t.Step == Make.Program(Lines[line]).Steps.Length - 1 || t.Phase == ControllerPhase.Finished).Minutes;
        foreach (var every in new[] { 0.5, 1, 5, 15 })
        {
            var (right, all, live) = Follow("top-190", Lines[line], samples, truth, how, every);
            (live.Report(live.LastAt!.Value, withForecast: false).EndAt!.Value - end).ShouldBeInRange(-1, every < 10 ? 1.6 : 3, $"every {every} min");
            (right / (double)all).ShouldBeGreaterThan(every < 10 ? 0.97 : 0.93, $"every {every} min");
            live.Board.All.ShouldBeEmpty($"every {every} min");
        }
    }

    private static (List<SimulatedSample> Samples, List<SimulatedMoment> Truth) Fire(string kind, string line, int step, double longer)
    {
        var (kiln, program) = (Make.Kiln(kind), Make.Program(line));
        var sim = new SimulatedKiln(new SimulatedSetup(LiveRun.Truth(kind, 102, 97, 103), kiln.UsualLoad(ScheduleKind.Glaze), program, 20, 7, []));
        var (samples, truth, isLonger) = (new List<SimulatedSample>(), new List<SimulatedMoment>(), false);
        while (
            sim.Minutes < 3000
            && !(sim.Step >= program.Steps.Length - 1 && sim.Phase is ControllerPhase.Falling or ControllerPhase.Finished && sim.Chamber < 500)
        )
        {
            if (sim.Next() is { } s)
                samples.Add(s);
            if (!isLonger && sim.Step == step && sim.Phase == ControllerPhase.Holding)
            {
                sim.Extend(NodaTime.Duration.FromMinutes(longer));
                isLonger = true;
            }
            truth.Add(new SimulatedMoment(sim.Minutes, sim.Chamber, sim.Step, sim.Phase));
        }
        return (samples, truth);
    }

    private static (int Right, int All, LiveFiring Live) Follow(
        string kind,
        string line,
        List<SimulatedSample> samples,
        List<SimulatedMoment> truth,
        string how,
        double every = 0.5
    )
    {
        var kiln = Make.Kiln(kind);
        var live = new LiveFiring(
            new WatchedFiring(kiln, kiln.UsualLoad(ScheduleKind.Glaze), Make.Program(line), LiveRun.Six, Temperature.FromCelsius(20)),
            ObserverTuning.Live
        );
        var (right, all, next) = (0, 0, 0.0);
        foreach (var s in samples)
        {
            if (s.Minutes < next)
                continue;
            next = s.Minutes + every - 0.01;
            live.ComeTo(s.Minutes);
            live.Add(new FiringSample(s.Minutes, s.Celsius, how == "share" ? s.Share : null, how == "set" ? s.SetPoint : null));
            if (s.Minutes < 30)
                continue;
            all++;
            var t = truth[(int)Math.Round(s.Minutes * 2) - 1];
            if (live.Report(s.Minutes, withForecast: false).Step == Math.Min(t.Step, Make.Program(line).Steps.Length - 1))
                right++;
        }
        return (right, all, live);
    }
}
