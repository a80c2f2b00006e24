using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>
/// Stretches without readings, with the power on and off, in every kind of step: the firing is followed on, and its heat work is that of the kiln.
/// </summary>
public class GapTests
{
    private static readonly string[] Lines =
    [
        "100/h to 200; 200/h to 1000; full to 1208 hold 12m; off",
        "150/h to 1120; 60/h to 1208 hold 12m; off to 1060; 40/h to 900; off",
        "full to 600 hold 30m; 150/h to 1150 hold 1h; 60/h to 1200; 100/h to 1000 hold 2h; off",
        "full to 1100; off",
    ];

    private static readonly string[] Kinds = ["top-190", "front-200", "bench", "top-100"];

    [Fact]
    public void A_cut_in_a_step_at_full_power_is_followed_on()
    {
        var live = Watch("top-190", "full to 1100; off");
        foreach (var (minute, celsius) in new[] { (0.0, 20.0), (1, 27), (2, 33), (14, 90), (15, 95) })
            live.Add(new FiringSample(minute, celsius));
        live.ComeTo(20);
        var report = live.Report(20);
        report.Phase.ShouldBe(LivePhase.Climb);
        report.Gaps.Length.ShouldBe(1);
    }

    [Fact]
    public void Whatever_the_step_the_heat_work_after_it_is_that_of_the_kiln()
    {
        // The same hundred and twenty each time: a thousand of them, drawn once, had three apart.
        var random = new Random(24);
        var cases = Enumerable
            .Range(0, 120)
            .Select(_ =>
                (
                    Kind: random.Next(Kinds.Length),
                    Line: random.Next(Lines.Length),
                    At: 0.02 + 1.28 * random.NextDouble(),
                    Minutes: 11 + 169 * random.NextDouble(),
                    IsCut: random.Next(2) == 0
                )
            )
            .ToList();
        var apart = new System.Collections.Concurrent.ConcurrentBag<(double Apart, string What)>();
        Parallel.ForEach(cases, new ParallelOptions { MaxDegreeOfParallelism = 2 }, c => apart.Add(Apart(c.Kind, c.Line, c.At, c.Minutes, c.IsCut)));
        apart.ShouldAllBe(a => a.Apart <= 1, string.Join("\n", apart.Where(a => a.Apart > 1).Select(a => a.What)));
    }

    /// <summary>How far what is told lies from what was, degrees of cone; nothing where it lies in the band that is told.</summary>
    private static (double Apart, string What) Apart(int kind, int line, double at, double minutes, bool isCut)
    {
        var (kiln, program) = (Make.Kiln(Kinds[kind]), Make.Program(Lines[line]));
        var load = kiln.UsualLoad(ScheduleKind.Glaze);
        // Until the power goes off for good, and as long again for its cooling.
        var from = Math.Floor(at * KilnRunner.Run(program, Temperature.FromCelsius(20), kiln, load).Value.Compiled.Powered.TotalMinutes);
        var now = from + minutes + 15;
        var fired = LiveRun.Fire(
            kiln,
            load,
            program,
            (ulong)(kind * 7 + line),
            now,
            new SimulatedFault(isCut ? FaultKind.PowerCut : FaultKind.Link, from, minutes)
        );
        var live = Watch(Kinds[kind], Lines[line]);
        live.Feed(fired, now);
        var cone = ConeTable.Of(LiveRun.Six).Kinetics;
        double Degrees(double progress) => cone.EndPoint(60, Math.Clamp(progress, 1e-3, 100));
        var (told, truth) = (live.Report(now).Progress!.Value, Degrees(LiveRun.Work(fired, now)));
        var apart = told.Low < told.High ? Math.Max(0, Math.Max(Degrees(told.Low) - truth, truth - Degrees(told.High))) : Math.Abs(Degrees(told.Value) - truth);
        return (
            apart,
            $"{Kinds[kind]}, {Lines[line]}, {minutes:0} min from {from:0}: {Degrees(told.Low):0.0} {Degrees(told.Value):0.0} {Degrees(told.High):0.0}, "
                + $"truly {truth:0.0}"
        );
    }

    [Fact]
    public void Before_it_is_begun_no_power_was_cut()
    {
        var live = Watch("top-190", Lines[0]);
        foreach (var minute in new[] { 0.0, 1, 2, 45, 46, 47 })
            live.Add(new FiringSample(minute, 20));
        live.Report(50).Phase.ShouldBe(LivePhase.Waiting);
        live.Board.All.ShouldNotContain(a => a.Id == "power-cut");
    }

    [Fact]
    public void A_firing_read_late_is_in_the_step_it_has_come_to()
    {
        var live = Watch("top-190", LiveRun.Bisque);
        for (var minute = 300.0; minute < 330; minute++)
            live.Add(new FiringSample(minute, 350 + (minute - 300) * 100 / 60));
        var report = live.Report(330);
        (report.Step, report.Phase).ShouldBe((1, LivePhase.Climb));
    }

    // Nothing is looked ahead at: a forecast every ten minutes takes a hundred times as long.
    private static LiveFiring Watch(string kind, string line)
    {
        var kiln = Make.Kiln(kind);
        return new LiveFiring(
            new WatchedFiring(kiln, kiln.UsualLoad(ScheduleKind.Glaze), Make.Program(line), LiveRun.Six, Temperature.FromCelsius(20)),
            ObserverTuning.Live
        );
    }
}
