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
    private static readonly Cone Cone10 = ZealousEmber.Core.Cones.ConeNumber.Parse("10").Value;

    private const string Reduction =
        "60/h to 100 hold 30m in oxidation; 180/h to 900 in oxidation; 40/h to 930 in heavy reduction; 110/h to 1270 in light reduction; 60/h to 1270 "
        + "hold 20m in ";

    internal static FiringRun Run(bool hasCleanEnd = true)
    {
        var kiln = FuelFigureTests.Kiln("updraft-300");
        var program = Make.Program(Reduction + (hasCleanEnd ? "oxidation; off" : "light reduction; off"));
        var starts = Instant.FromUtc(2026, 11, 24, 6, 0);
        return new FiringRun(
            1,
            1,
            LinkKind.Hand,
            starts,
            starts,
            "Maren",
            program,
            false,
            Cone10,
            kiln,
            kiln.UsualLoad(ScheduleKind.Glaze),
            Temperature.FromCelsius(12),
            ScheduleKind.Glaze
        );
    }

    internal static FuelFollower Fired(FiringRun run, double until)
    {
        var follower = new FuelFollower(run);
        foreach (var row in follower.At(0)!.InForce.Turns.TakeWhile(t => t.Minute < until && t.Kind != TurnKind.ShutOff))
            follower.Turned(row.Minute, row.Setting);
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
                foreach (var row in rows[..i])
                    follower.Turned(row.Minute, row.Setting);
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
        foreach (var row in rows.Where(t => t.Minute > 402 && t.Kind != TurnKind.ShutOff))
            (Math.Round(row.Minute, 3) % 5).ShouldBe(0, 0.01, $"{row.Minute}");
        rows.Skip(moment.Due).ShouldContain(t => t.Asked == Atmosphere.LightReduction);
        rows[moment.Due].Minute.ShouldBeGreaterThan(390);
    }

    [Fact]
    public void A_plan_that_is_offered_stays_until_the_next_five_minutes_and_is_the_one_that_is_taken()
    {
        var follower = Fired(Run(), 400);
        follower.Turned(401, new BurnerSetting(Flame.Gauge, 2, 0.05, 0.5));
        var offered = follower.At(405.2)!.Fresh!;
        foreach (var minute in new[] { 406.0, 407.4, 409.9 })
            follower.At(minute)!.Fresh!.Turns.Select(t => (t.Minute, t.Setting)).ShouldBe(offered.Turns.Select(t => (t.Minute, t.Setting)), $"at {minute}");
        follower.Replanned(408);
        follower.At(408)!.InForce.Turns.Select(t => (t.Minute, t.Setting)).ShouldBe(offered.Turns.Select(t => (t.Minute, t.Setting)));
    }

    [Fact]
    public void A_row_is_left_out_only_on_purpose()
    {
        var run = Run();
        var rows = new FuelFollower(run).At(0)!.InForce.Turns;
        var i = rows.ToList().FindIndex(t => t.Asked == Atmosphere.HeavyReduction);
        var follower = Fired(run, rows[i].Minute);
        var late = rows[i].Minute + 12;
        follower.Report(late).Alarms.ShouldContain(a => a.Id == "turn-overdue" && a.Until == null);
        follower.At(late)!.Due.ShouldBe(i);
        follower.LeftOut(late, rows[i].Minute);
        follower.At(late)!.Due.ShouldBe(i + 1);
        follower.Report(late + 1).Alarms.ShouldNotContain(a => a.Id == "turn-overdue" && a.Until == null);
        // Shutting off cannot be left out.
        follower.LeftOut(late, rows[^1].Minute);
        follower.At(rows[^1].Minute + 5)!.InForce.Turns[follower.At(rows[^1].Minute + 5)!.Due].Kind.ShouldNotBe(TurnKind.Look);
        var all = new FuelFollower(run);
        foreach (var row in rows)
            all.LeftOut(row.Minute, row.Minute);
        rows[all.At(rows[^1].Minute + 5)!.Due].Kind.ShouldBe(TurnKind.ShutOff);
    }

    [Fact]
    public void What_is_left_in_the_cylinders_follows_the_turns_and_a_weighing_puts_it_right()
    {
        var run = Run();
        var follower = Fired(run, 600);
        var plan = follower.At(0)!.InForce;
        var before = follower.At(600)!.Gas!;
        var burned = TurnPlanner.Follow(FuelFigureTests.Kiln("updraft-300"), run.Load, run.Start, follower.Made, 600).TotalFuel;
        before.WeighedAt.ShouldBeNull();
        // Cylinders full at the start less what was burned.
        (before.Count * before.FullKg - before.Kg).ShouldBe(burned, 0.05 * burned);
        before.HoursHere!.Value.ShouldBeInRange(0.1, before.Kg / before.KgPerHour + 0.1);
        before.ShortAt.ShouldBeNull("as many as the plan needs");
        // Another plan brings no gas.
        var anew = Fired(run, 600);
        anew.Turned(601, new BurnerSetting(Flame.Gauge, 1, 0.01, 0.5));
        anew.Replanned(602);
        anew.At(603)!.Gas!.Count.ShouldBe(before.Count);
        // Half of what the plan still wants.
        var half = (plan.TotalFuel - burned) / 2 / before.Count;
        follower.Weighed(new WeighedCylinder(600, half));
        var after = follower.At(600)!.Gas!;
        (after.KgEach, after.WeighedAt).ShouldBe((half, 600));
        after.HoursHere!.Value.ShouldBeLessThan(before.HoursHere.Value);
        after.ShortAt!.Value.ShouldBeInRange(600, plan.Powered.TotalMinutes);
        // Told of a time before, it is gone on from there.
        var earlier = Fired(run, 600);
        earlier.Weighed(new WeighedCylinder(300, before.FullKg));
        earlier.At(600)!.Gas!.Kg.ShouldBeGreaterThan(before.Kg);
        new FuelFollower(run with { Kiln = FuelFigureTests.Kiln("updraft-300", ("cylinder", 0)) }).At(10)!.Gas.ShouldBeNull();
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
        follower.Saw(new FuelObservation(down, ConeDown: Cone10));
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
        follower.Saw(new FuelObservation(rows[^1].Minute + 4, ConeDown: Cone10));
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
        follower.Turned(
            end + 41,
            follower.At(0)!.InForce.Turns.Where(t => t.Asked == Atmosphere.LightReduction).MaxBy(t => t.Setting.Pressure)!.Setting with
            {
                Damper = 1,
            }
        );
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
        foreach (var row in rows.TakeWhile(t => t.Minute < 300))
            follower.Turned(row.Minute + 60, row.Setting);
        follower.Report(350).Deviation!.Value.Minutes!.Value.ShouldBeInRange(40, 80);
        foreach (var minute in new[] { 200, 350, 590 })
            (Fired(run, 590).Report(minute).Deviation?.Minutes ?? 0).ShouldBeInRange(-8, 8, $"as planned, at {minute}");
    }

    [Fact]
    public void The_sheet_says_when_each_cone_of_the_pack_should_go()
    {
        var plan = new FuelFollower(Run()).At(0)!.InForce;
        var falls = ConeFalls.Of(plan.Curve, Cone10);
        var last = plan.Curve.Points[^1].Minutes;
        falls[0].Cone.Number.ShouldBe("9", string.Join(", ", falls));
        falls.ShouldAllBe(f => f.Minute > plan.Powered.TotalMinutes - 120 && f.Minute <= last);
        falls.Select(f => f.Minute).ShouldBeInOrder();
        ConeFalls.Of(plan.Curve, null).ShouldBeEmpty();
    }
}
