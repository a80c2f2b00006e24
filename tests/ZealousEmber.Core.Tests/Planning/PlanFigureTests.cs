using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Tests;

namespace ZealousEmber.Core.Tests.Planning;

/// <summary>Plans as long as careful potters fire, and smooth: a millimetre or a mug more changes little.</summary>
public sealed class PlanFigureTests
{
    private static readonly Clay Marsh = Clay.Create("Marsh White", ClayKind.Stoneware, "5", "7").Value;
    private static readonly Glaze Reed = Glaze.Create("Reed green", "5", "7").Value;
    private static readonly Kiln Heron = Make.Kiln("top-190");

    private static WareLoad Load(
        double wall,
        Dryness dryness = Dryness.BoneDry,
        bool oneSided = false,
        double? width = null,
        int count = 60,
        Glaze[]? glazes = null
    ) => WareLoad.Create([WareLot.Create("pots", count, wall, width, false, oneSided, dryness, Marsh, glazes).Value]).Value;

    private static IKilnModel Full(ScheduleKind kind, double share = 1) => new ElectricKiln(Heron, Heron.UsualLoad(kind, share), Heron.Room);

    private static FiringAssessment Planned(WareLoad load, PlanOptions wish, IKilnModel? kiln = null) =>
        PlanAssessment.Of(load, wish, kiln ?? Full(wish.Kind)).Value.Firing;

    private static double ToTheTop(WareLoad load, PlanOptions wish)
    {
        var firing = Planned(load, wish);
        return firing.Compiled.Segments[firing.Schedule.Program.TopStep].RampEnd.TotalHours;
    }

    [Theory]
    [InlineData(6, Dryness.BoneDry, false, 9, 13)]
    [InlineData(8, Dryness.BoneDry, false, 9, 13)]
    [InlineData(25, Dryness.BoneDry, false, 30, 40)]
    [InlineData(38, Dryness.BoneDry, false, 42, 50)]
    [InlineData(20, Dryness.BoneDry, true, 20, 28)]
    public void A_bisque_takes_about_as_long_as_careful_potters_take(double wall, Dryness dryness, bool oneSided, double from, double to) =>
        ToTheTop(Load(wall, dryness, oneSided), new PlanOptions(ScheduleKind.Bisque)).ShouldBeInRange(from, to);

    [Fact]
    public void Damp_mugs_are_held_a_few_hours_and_leather_hard_ones_dried_for_a_day()
    {
        Planned(Load(8, Dryness.Damp), new PlanOptions(ScheduleKind.Bisque))
            .Schedule.Segments.Where(s => s.Target?.Celsius < 100)
            .Sum(s => s.Hold.TotalHours)
            .ShouldBeInRange(3, 6);
        var drying = Planned(Load(12, Dryness.LeatherHard), new PlanOptions(ScheduleKind.Drying));
        drying.Compiled.Powered.TotalHours.ShouldBeInRange(15, 30);
        drying.Findings.ShouldBeEmpty();
    }

    [Fact]
    public void Sixty_mugs_at_one_rate_come_in_like_anybodys_and_three_steps_are_enough()
    {
        var load = Load(6, glazes: [Reed]);
        ToTheTop(load, new PlanOptions(ScheduleKind.Glaze, Preference: new(Approach: ApproachOption.OneRate))).ShouldBeInRange(8.5, 12);
        var three = Planned(load, new PlanOptions(ScheduleKind.Glaze, MaxSteps: 3));
        three.Schedule.Segments.Count(s => !s.IsEndOff).ShouldBeLessThanOrEqualTo(3);
        ToTheTop(load, new PlanOptions(ScheduleKind.Glaze, MaxSteps: 3)).ShouldBeInRange(6, 13);
        three.Findings.ShouldBeEmpty();
        ToTheTop(load, new PlanOptions(ScheduleKind.Glaze, MaxSteps: 2)).ShouldBeInRange(6, 15);
    }

    [Fact]
    public void Weak_elements_go_at_full_power_and_say_so()
    {
        var worn = Make.Kiln("top-190", ("elementHealth", 84));
        var place = new ElectricKiln(worn, worn.UsualLoad(ScheduleKind.Glaze), worn.Room);
        var plan = Planner.Make(Load(6, glazes: [Reed]), new PlanOptions(ScheduleKind.Glaze), place).Value;
        var top = plan.Steps[plan.Schedule.Program.TopStep];
        top.Step.Pace.Kind.ShouldBe(PaceKind.Full);
        top.Why.ShouldContain("at full power");
        plan.Steps.Where(s => s.Step.Pace.Rate?.KelvinsPerHour < 40).ShouldAllBe(s => s.By == "slow-band" || s.By == "drying");
    }

    [Theory]
    [InlineData(HoldOption.None, 50, TemperatureUnit.Celsius)]
    [InlineData(HoldOption.AsTheGlazesAsk, 40, TemperatureUnit.Celsius)]
    [InlineData(HoldOption.AsTheGlazesAsk, 45, TemperatureUnit.Fahrenheit)]
    [InlineData(HoldOption.QuarterHour, 60, TemperatureUnit.Fahrenheit)]
    [InlineData(HoldOption.LowerAndLonger, 60, TemperatureUnit.Celsius)]
    public void A_drop_is_counted_from_the_top_that_was_solved(HoldOption hold, double drop, TemperatureUnit unit)
    {
        var segments = Planned(
            Load(6, glazes: [Reed]),
            new PlanOptions(ScheduleKind.Glaze, Preference: new(Cooling: CoolingOption.DropAndHold, Hold: hold, DropBy: drop), Unit: unit)
        ).Schedule.Segments;
        var index = segments.Select((s, i) => (s, i)).MaxBy(x => x.s.Target?.Celsius ?? 0).i;
        var dropped = (segments[index].Target!.Value - segments[index + 1].Target!.Value).Kelvins;
        dropped.ShouldBeInRange(39.7, 60.3);
        dropped.ShouldBe(drop, 3);
    }

    [Fact]
    public void The_goal_is_in_the_middle_or_for_a_price_the_coolest()
    {
        var load = Load(6, glazes: [Reed]);
        Planner.Make(load, new PlanOptions(ScheduleKind.Glaze), PlainKiln.Instance).Value.Schedule.Goal!.Value.Number.ShouldBe("6");
        var coolest = PlanAssessment
            .Of(load, new PlanOptions(ScheduleKind.Glaze, Preference: new(Goal: GoalOption.Coolest)), Full(ScheduleKind.Glaze))
            .Value.Plan;
        coolest.Schedule.Goal!.Value.Number.ShouldBe("5");
        coolest.GoalWhy!.ShouldContain("kWh");
        coolest.GoalWhy!.ShouldContain("underfired");
    }

    [Fact]
    public void Fahrenheit_plans_are_in_numbers_people_use_and_their_sentences_match()
    {
        var plan = Planner.Make(Load(14, glazes: [Reed]), new PlanOptions(ScheduleKind.Bisque, Unit: TemperatureUnit.Fahrenheit), PlainKiln.Instance).Value;
        foreach (var (step, i) in plan.Steps.Select((s, i) => (s.Step, i)).Where(x => x.Item2 != plan.Schedule.Program.TopStep && x.Step.Target is not null))
        {
            var target = step.Target!.Value.In(TemperatureUnit.Fahrenheit);
            (target - Math.Round(target / (i == 0 ? 5 : 10)) * (i == 0 ? 5 : 10)).ShouldBeInRange(-0.01, 0.01, $"step {i}");
            if (step.Pace.Rate is { } rate)
                rate.PerHourIn(TemperatureUnit.Fahrenheit).ShouldBe(Math.Round(rate.PerHourIn(TemperatureUnit.Fahrenheit)), 0.01);
        }
        var burn = plan.Steps.Single(s => s.Step.Reason == "burn out the carbon");
        burn.Why.ShouldContain("above 1200 °F", customMessage: "where the step before it ends");
        burn.Why.ShouldContain("before the top");
    }

    [Fact]
    public void A_kiln_still_warm_waits_before_raw_ware_goes_in()
    {
        var plan = Planner
            .Make(Load(6), new PlanOptions(ScheduleKind.Bisque), new ElectricKiln(Heron, Heron.UsualLoad(ScheduleKind.Bisque), Make.Celsius(85)))
            .Value;
        plan.Steps[0].By.ShouldBe("cool-first");
        plan.Steps[0].Step.Target!.Value.Celsius.ShouldBe(50);
    }

    [Theory]
    [InlineData(20)]
    [InlineData(9)]
    [InlineData(1)]
    public void Looks_for_steam_fall_when_somebody_is_in(int startsAt)
    {
        bool IsIn(NodaTime.Duration after) => (startsAt + after.TotalHours) % 24 is >= 8.9 and < 18.1;
        var plain = Planner.Make(Load(20, Dryness.CoolToTouch), new PlanOptions(ScheduleKind.Bisque), Full(ScheduleKind.Bisque)).Value;
        var plan = Planner.Make(Load(20, Dryness.CoolToTouch), new PlanOptions(ScheduleKind.Bisque, SomebodyIn: IsIn), Full(ScheduleKind.Bisque)).Value;
        var looks = plan.Steps.Where(s => s.Look is not null).Select(s => s.Look!.Value).ToList();
        looks.Count.ShouldBeGreaterThan(1);
        looks.Where(l => !IsIn(l)).ShouldBeEmpty();
        plan.Schedule.Segments.Sum(s => s.Hold.TotalHours)
            .ShouldBeGreaterThanOrEqualTo(plain.Schedule.Segments.Sum(s => s.Hold.TotalHours), "never less than it needs");
    }

    [Fact]
    public void Each_planned_look_is_a_moment_somebody_is_wanted_at()
    {
        var firing = Planned(Load(20, Dryness.CoolToTouch), new PlanOptions(ScheduleKind.Bisque));
        var looks = PlanAssessment
            .Of(Load(20, Dryness.CoolToTouch), new PlanOptions(ScheduleKind.Bisque), Full(ScheduleKind.Bisque))
            .Value.Plan.Steps.Where(s => s.Look is not null)
            .Select(s => s.Look!.Value.TotalMinutes)
            .ToList();
        looks.Count.ShouldBe(4);
        var moments = WatchMoment.Of(firing.Schedule, firing.Compiled, null, Make.Celsius(100)).Where(m => m.Kind == WatchKind.SteamCheck).ToList();
        moments.Select(m => Math.Round(m.At.TotalMinutes) + 15).ShouldBe(looks.Select(l => Math.Round(l)), "a quarter of an hour before each block ends");
        moments.ShouldAllBe(m => m.Text.Contains("round the kiln"));
    }

    /// <summary>A walk through neighbours: no millimetre, mug or centimetre of width swaps one kind of schedule for another.</summary>
    [Theory]
    [InlineData(false, 1000)]
    [InlineData(true, 120)]
    public void A_plan_changes_smoothly(bool inAKiln, int neighbours) =>
        Gen.Select(
                Gen.Double[4, 38],
                Gen.Int[8, 90],
                Make.OneOf(ScheduleKind.Bisque, ScheduleKind.Glaze),
                Make.OneOf<double?>(null, 250, 380),
                Make.OneOf(Dryness.BoneDry, Dryness.CoolToTouch),
                Gen.Int[0, 2]
            )
            .Sample(
                (wall, count, kind, width, dryness, what) =>
                {
                    var wet = kind == ScheduleKind.Glaze ? Dryness.BoneDry : dryness;
                    double Hours(double w, int n, double? across)
                    {
                        var load = Load(w, wet, false, across, n, [Reed]);
                        IKilnModel kiln = inAKiln
                            ? new ElectricKiln(Heron, Heron.UsualLoad(kind) with { WareMass = load.Mass }, Heron.Room)
                            : PlainKiln.Instance;
                        var firing = Planned(load, new PlanOptions(kind), kiln);
                        return firing.Compiled.Segments[firing.Schedule.Program.TopStep].End.TotalHours;
                    }
                    var here = Hours(wall, count, width);
                    var there = what switch
                    {
                        0 => Hours(wall + 1, count, width),
                        1 => Hours(wall, count + 1, width),
                        _ => Hours(wall, count, width + 10),
                    };
                    var change = Math.Abs(there - here);
                    change.ShouldBeLessThanOrEqualTo(
                        what switch
                        {
                            0 => Math.Max(3.5, 0.17 * here),
                            1 => 0.6,
                            _ => 1.5,
                        },
                        $"{kind} {wall} mm {wet}, {count} of {width} mm, {what}: {here} h to {there} h"
                    );
                },
                iter: LongRun.Of(neighbours, 10 * neighbours)
            );
}
