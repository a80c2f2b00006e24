using CsCheck;
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

/// <summary>Stretches without readings, with the power on and off, in every kind of step: the firing is followed on, and its heat work is that of the kiln.</summary>
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
        foreach (var (minute, celsius) in new[] { (0.0, 20.0), (1, 27), (2, 33), (14, 90), (15, 95) }) live.Add(new FiringSample(minute, celsius));
        live.ComeTo(20);
        var report = live.Report(20);
        report.Phase.ShouldBe(LivePhase.Climb);
        report.Gaps.Length.ShouldBe(1);
    }

    [Fact]
    public void Whatever_the_step_the_heat_work_after_it_is_that_of_the_kiln() =>
        Gen.Select(Gen.Int[0, Kinds.Length - 1], Gen.Int[0, Lines.Length - 1], Gen.Double[0.02, 1.3], Gen.Double[11, 90], Gen.Bool).Sample(
            (kind, line, at, minutes, isCut) =>
            {
                var (kiln, program) = (Make.Kiln(Kinds[kind]), Make.Program(Lines[line]));
                var load = kiln.UsualLoad(ScheduleKind.Glaze);
                // Until the power goes off for good, and as long again for its cooling.
                var from = Math.Floor(at * KilnRunner.Run(program, Temperature.FromCelsius(20), kiln, load).Value.Compiled.Powered.TotalMinutes);
                var now = from + minutes + 15;
                var fired = LiveRun.Fire(kiln, load, program, (ulong)(kind * 7 + line), now, new SimulatedFault(isCut ? FaultKind.PowerCut : FaultKind.Link, from, minutes));
                var live = Watch(Kinds[kind], Lines[line]);
                live.Feed(fired, now);
                var cone = ConeTable.Of(LiveRun.Six).Kinetics;
                double Degrees(double progress) => cone.EndPoint(60, Math.Clamp(progress, 1e-3, 100));
                var (told, truth) = (live.Report(now).Progress!.Value, Degrees(LiveRun.Work(fired, now)));
                var isNear = Math.Abs(Degrees(told.Value) - truth) <= 1;
                var isBetween = told.Low < told.High && truth >= Degrees(told.Low) - 1 && truth <= Degrees(told.High) + 1;
                (isNear || isBetween).ShouldBeTrue($"{Kinds[kind]}, {Lines[line]}, {minutes:0} min from {from:0}: {Degrees(told.Low):0.0} {Degrees(told.Value):0.0} {Degrees(told.High):0.0}, truly {truth:0.0}");
            }, iter: 60, seed: "0000KOIPJe3R", threads: 2);

    [Fact]
    public void Before_it_is_begun_no_power_was_cut()
    {
        var live = Watch("top-190", Lines[0]);
        foreach (var minute in new[] { 0.0, 1, 2, 45, 46, 47 }) live.Add(new FiringSample(minute, 20));
        live.Report(50).Phase.ShouldBe(LivePhase.Waiting);
        live.Board.All.ShouldNotContain(a => a.Id == "power-cut");
    }

    [Fact]
    public void A_firing_read_late_is_in_the_step_it_has_come_to()
    {
        var live = Watch("top-190", LiveRun.Bisque);
        for (var minute = 300.0; minute < 330; minute++) live.Add(new FiringSample(minute, 350 + (minute - 300) * 100 / 60));
        var report = live.Report(330);
        (report.Step, report.Phase).ShouldBe((1, LivePhase.Climb));
    }

    // Nothing is looked ahead at: a forecast every ten minutes takes a hundred times as long.
    private static LiveFiring Watch(string kind, string line)
    {
        var kiln = Make.Kiln(kind);
        return new LiveFiring(new WatchedFiring(kiln, kiln.UsualLoad(ScheduleKind.Glaze), Make.Program(line), LiveRun.Six, Temperature.FromCelsius(20)), ObserverTuning.Live);
    }
}
