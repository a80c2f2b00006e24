using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Tests.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>A gas firing at the kiln: no turn is passed over, the goal cone ends it, and what is wrong is told.</summary>
public class GasFollowerTests
{
    private static readonly Cone Ten = ZealousEmber.Core.Cones.ConeNumber.Parse("10").Value;

    private const string Reduction = "60/h to 100 hold 30m in oxidation; 180/h to 900 in oxidation; 40/h to 930 in heavy reduction; 110/h to 1270 in light reduction; 60/h to 1270 hold 20m in ";

    private static FiringRun Run(bool hasCleanEnd = true)
    {
        var kiln = FuelFigureTests.Kiln("updraft-300");
        var program = Make.Program(Reduction + (hasCleanEnd ? "oxidation; off" : "light reduction; off"));
        var starts = Instant.FromUtc(2026, 11, 24, 6, 0);
        return new FiringRun(1, 1, LinkKind.Hand, starts, starts, "Maren", program, false, Ten, kiln, kiln.UsualLoad(ScheduleKind.Glaze), Temperature.FromCelsius(12), ScheduleKind.Glaze);
    }

    private static FuelFollower Fired(FiringRun run, double until)
    {
        var follower = new FuelFollower(run);
        foreach (var row in follower.At(0)!.InForce.Turns.TakeWhile(t => t.Minute < until && t.Kind != TurnKind.ShutOff)) follower.Turned(row.Minute, row.Setting);
        return follower;
    }

    [Fact]
    public void A_tap_makes_one_row_however_near_the_next_one_is()
    {
        var run = Run();
        var rows = new FuelFollower(run).At(0)!.InForce.Turns;
        for (var i = 0; i < rows.Length - 1; i++)
        {
            foreach (var late in new[] { -4.0, 0, 1, 7, 25 })
            {
                var follower = new FuelFollower(run);
                foreach (var row in rows[..i]) follower.Turned(row.Minute, row.Setting);
                var at = Math.Max(i > 0 ? rows[i - 1].Minute + 0.5 : 0, rows[i].Minute + late);
                follower.Turned(at, rows[i].Setting);
                follower.At(at)!.Due.ShouldBe(i + 1, $"row {i} at {rows[i].Minute}, turned at {at}");
            }
        }
    }

    [Fact]
    public void Another_setting_answers_what_was_due_and_leaves_what_is_to_come()
    {
        var run = Run();
        var rows = new FuelFollower(run).At(0)!.InForce.Turns;
        var i = rows.ToList().FindIndex(t => t.Asked == Atmosphere.HeavyReduction);
        var follower = Fired(run, rows[i].Minute);
        follower.Turned(rows[i].Minute - 3, new BurnerSetting(Flame.Gauge, 1, 0.01, 0.99));
        follower.At(rows[i].Minute - 3)!.Due.ShouldBe(i, "it is still to come");
        follower.Turned(rows[i].Minute + 3, new BurnerSetting(Flame.Gauge, 1, 0.01, 0.99));
        follower.At(rows[i].Minute + 3)!.Due.ShouldBe(i + 1);
    }

    [Fact]
    public void A_plan_taken_anew_goes_on_on_the_five_minutes_and_keeps_what_is_to_come()
    {
        var run = Run();
        var follower = Fired(run, 400);
        follower.Replanned(402);
        var moment = follower.At(403)!;
        var rows = moment.InForce.Turns;
        foreach (var row in rows.Where(t => t.Minute > 402 && t.Kind != TurnKind.ShutOff)) (Math.Round(row.Minute, 3) % 5).ShouldBe(0, 0.01, $"{row.Minute}");
        rows.Skip(moment.Due).ShouldContain(t => t.Asked == Atmosphere.LightReduction);
        rows[moment.Due].Minute.ShouldBeGreaterThan(390);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void The_goal_cone_down_ends_it_at_once_or_after_the_clean_end(bool hasCleanEnd)
    {
        var run = Run(hasCleanEnd);
        var whole = new FuelFollower(run).At(0)!.InForce.Turns;
        var down = whole[^1].Minute - 60;
        var follower = Fired(run, down - 15);
        follower.Saw(new FuelObservation(down, ConeDown: Ten));
        var moment = follower.At(down + 1)!;
        moment.Fresh.ShouldBeNull("nothing is planned anew once the cone is down");
        var next = follower.Next(follower.Report(down + 1)).ShouldNotBeNull();
        if (!hasCleanEnd)
        {
            next.Kind.ShouldBe(NextKind.PowerOff);
            next.Text.ShouldContain("Cone 10 is down");
            next.Minutes.ShouldBe(down, 1e-6);
            return;
        }
        var row = moment.InForce.Turns[moment.Due];
        (row.Asked, row.Minute).ShouldBe((Atmosphere.Oxidising, down));
        moment.InForce.Turns[^1].Minute.ShouldBeInRange(down + 15, down + 30, "as long as it was planned");
        follower.Turned(down + 2, row.Setting);
        follower.Next(follower.Report(down + 3))!.Kind.ShouldBe(NextKind.PowerOff);
    }

    [Fact]
    public void Shutting_off_is_due_until_the_burners_are_out()
    {
        var run = Run();
        var follower = Fired(run, double.PositiveInfinity);
        var rows = follower.At(0)!.InForce.Turns;
        follower.Turned(rows[^1].Minute + 3, rows[^2].Setting with { Damper = 0.9 });
        follower.Saw(new FuelObservation(rows[^1].Minute + 4, ConeDown: Ten));
        var moment = follower.At(rows[^1].Minute + 5)!;
        moment.InForce.Turns[moment.Due].Kind.ShouldBe(TurnKind.ShutOff);
        follower.Turned(rows[^1].Minute + 6, BurnerSetting.Off(0));
        follower.At(rows[^1].Minute + 7)!.Due.ShouldBe(rows.Length);
    }

    [Fact]
    public void Long_past_its_end_and_over_its_limit_are_told_without_a_thermometer()
    {
        var run = Run();
        var follower = Fired(run, double.PositiveInfinity);
        var end = follower.At(0)!.InForce.Powered.TotalMinutes;
        follower.Report(end + 5).Alarms.ShouldNotContain(a => a.Id == "past-end" || a.Id == "over-limit");
        follower.Report(end + 40).Alarms.ShouldContain(a => a.Id == "past-end");
        follower.Turned(end + 41, follower.At(0)!.InForce.Turns.Where(t => t.Asked == Atmosphere.LightReduction).MaxBy(t => t.Setting.Pressure)!.Setting with { Damper = 1 });
        follower.Report(end + 12 * 60).Alarms.ShouldContain(a => a.Id == "over-limit", $"{follower.Report(end + 12 * 60).Chamber}");
        follower.Turned(end + 12 * 60 + 1, BurnerSetting.Off(0));
        follower.Report(end + 12 * 60 + 2).Alarms.Single(a => a.Id == "past-end").Until.ShouldNotBeNull();
    }

    [Fact]
    public void An_hour_late_is_told_in_minutes()
    {
        var run = Run();
        var rows = new FuelFollower(run).At(0)!.InForce.Turns;
        var follower = new FuelFollower(run);
        foreach (var row in rows.TakeWhile(t => t.Minute < 300)) follower.Turned(row.Minute + 60, row.Setting);
        follower.Report(350).Deviation!.Value.Minutes!.Value.ShouldBeInRange(40, 80);
        foreach (var minute in new[] { 200, 350, 590 }) (Fired(run, 590).Report(minute).Deviation?.Minutes ?? 0).ShouldBeInRange(-8, 8, $"as planned, at {minute}");
    }

    [Fact]
    public void The_sheet_says_when_each_cone_of_the_pack_should_go()
    {
        var plan = new FuelFollower(Run()).At(0)!.InForce;
        var falls = ConeFalls.Of(plan.Curve, Ten);
        var last = plan.Curve.Points[^1].Minutes;
        falls[0].Cone.Number.ShouldBe("9", string.Join(", ", falls));
        falls.ShouldAllBe(f => f.Minute > plan.Powered.TotalMinutes - 120 && f.Minute <= last);
        falls.Select(f => f.Minute).ShouldBeInOrder();
        ConeFalls.Of(plan.Curve, null).ShouldBeEmpty();
    }
}
