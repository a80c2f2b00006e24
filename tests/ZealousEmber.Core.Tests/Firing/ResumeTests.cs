using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>
/// After a cut of half an hour: what the same program comes to, and what to do instead. Cuts of the paper on the firing day, in its kiln of 190 litres.
/// </summary>
public class ResumeTests
{
    private const string Line = "100/h to 200; 200/h to 1120; 60/h to 1208 hold 12m; off";

    [Theory]
    [InlineData(800, 0.2, 4)]
    [InlineData(1150, 1.8, 4)]
    [InlineData(1203, 12.5, 5)]
    public void The_heat_work_stays_and_the_way_up_counts_again(double at, double degrees, double within)
    {
        var kiln = Make.Kiln("top-190");
        var load = kiln.UsualLoad(ScheduleKind.Glaze);
        var program = Make.Program(Line);
        var sound = LiveRun.Fire(kiln, load, program, 3, 700);
        var cut = Math.Floor(sound.Truth.First(t => t.Chamber >= at).Minutes);
        var fired = LiveRun.Fire(kiln, load, program, 3, cut + 40, new SimulatedFault(FaultKind.PowerCut, cut, 30));
        var live = LiveRun.Watch(kiln, load, program);
        live.Feed(fired, cut + 34);
        var plan = live.Resume(live.Report(cut + 34)).ShouldNotBeNull();
        Math.Abs(plan.SameDegrees - degrees).ShouldBeLessThan(within);
        plan.SameMinutes.ShouldBeGreaterThan(25);
        if (plan.Program is null)
            plan.InsteadDegrees.ShouldBeGreaterThan(-4.1);
        else
            Math.Abs(plan.InsteadDegrees).ShouldBeLessThan(Math.Max(2, Math.Abs(plan.SameDegrees)));
        if (at > 1200)
            Math.Abs(plan.InsteadDegrees).ShouldBeLessThan(2.5, "less hold, or a lower top");
    }

    [Fact]
    public void Cut_in_its_hold_it_is_not_held_all_over_again()
    {
        var kiln = Make.Kiln("top-190");
        var load = kiln.UsualLoad(ScheduleKind.Glaze);
        var program = Make.Program(Line);
        var sound = LiveRun.Fire(kiln, load, program, 3, 700);
        var cut = Math.Floor(sound.TopAt) + 5;
        var fired = LiveRun.Fire(kiln, load, program, 3, cut + 40, new SimulatedFault(FaultKind.PowerCut, cut, 30));
        var live = LiveRun.Watch(kiln, load, program);
        live.Feed(fired, cut + 34);
        var plan = live.Resume(live.Report(cut + 34)).ShouldNotBeNull();
        plan.SameDegrees.ShouldBeGreaterThan(10);
        (plan.Program?.Steps[0].HoldMinutes ?? 0).ShouldBeLessThan(7, "less hold, or left off");
        plan.InsteadDegrees.ShouldBeInRange(-6, 2);
    }

    [Fact]
    public void What_is_keyed_in_after_it_is_what_is_followed()
    {
        var kiln = Make.Kiln("top-190");
        var load = kiln.UsualLoad(ScheduleKind.Glaze);
        var program = Make.Program(Line);
        var cut = Math.Floor(LiveRun.Fire(kiln, load, program, 3, 700).Truth.First(t => t.Chamber >= 1203).Minutes);
        var fired = LiveRun.Fire(kiln, load, program, 3, cut + 60, new SimulatedFault(FaultKind.PowerCut, cut, 30));
        var live = LiveRun.Watch(kiln, load, program);
        live.Feed(fired, cut + 34);
        var before = live.Report(cut + 34);
        var plan = live.Resume(before).ShouldNotBeNull();
        live.GoOnWith(plan.Step, plan.Program.ShouldNotBeNull(), cut + 34);
        var after = live.Report(cut + 34);
        after.Step.ShouldBe(plan.Step);
        var asBefore = LiveRun.Fire(kiln, load, program, 3, cut + 260, new SimulatedFault(FaultKind.PowerCut, cut, 30));
        before.Forecast!.End.P50.ShouldBe(asBefore.TopAt + 12, 3, "its way goes again from what it shows");
        after.Forecast!.End.P50.ShouldBeLessThan(before.Forecast.End.P50 - 20, "less hold, or a lower top");
        after.Forecast.Cones[1].Degrees.P50.ShouldBe(before.Forecast.Cones[1].Degrees.P50 - plan.SameDegrees + plan.InsteadDegrees, 4);
        live.Resume(after).ShouldBeNull("it was answered");
        // A step that is still to come, or none at all, is left.
        live.GoOnWith(plan.Step + 1, plan.Program!, cut + 34);
        live.GoOnWith(-1, plan.Program!, cut + 34);
        live.Firing.Program.Steps.Length.ShouldBe(plan.Step + plan.Program!.Steps.Length);
    }

    [Fact]
    public void Colder_than_where_its_step_began_it_is_behind_and_not_ahead()
    {
        var kiln = Make.Kiln("top-190");
        var load = kiln.UsualLoad(ScheduleKind.Glaze);
        var program = Make.Program(Line);
        var cut = Math.Floor(LiveRun.Fire(kiln, load, program, 3, 700).Truth.First(t => t.Chamber >= 1125).Minutes);
        var fired = LiveRun.Fire(kiln, load, program, 3, cut + 40, new SimulatedFault(FaultKind.PowerCut, cut, 10));
        var live = LiveRun.Watch(kiln, load, program);
        for (var minutes = cut + 12; minutes <= cut + 24; minutes += 4)
        {
            live.Feed(fired, minutes);
            var deviation = live.Report(minutes, withForecast: false).Deviation.ShouldNotBeNull();
            deviation.Degrees.ShouldBeLessThan(-5);
            deviation.Minutes.ShouldNotBeNull().ShouldBeGreaterThan(8);
        }
    }

    [Fact]
    public void Without_a_cut_there_is_nothing_to_resume()
    {
        var kiln = Make.Kiln("top-190");
        var load = kiln.UsualLoad(ScheduleKind.Glaze);
        var live = LiveRun.Watch(kiln, load, Make.Program(Line));
        live.Feed(LiveRun.Fire(kiln, load, Make.Program(Line), 3, 100), 90);
        live.Resume(live.Report(90)).ShouldBeNull();
    }
}
