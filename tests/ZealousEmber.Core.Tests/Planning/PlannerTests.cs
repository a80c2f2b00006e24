using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Tests;

namespace ZealousEmber.Core.Tests.Planning;

public sealed class PlannerTests
{
    private static readonly IKilnModel Plain = PlainKiln.Instance;

    private static readonly Clay Marsh = Clay.Create("Marsh White", ClayKind.Stoneware, "5", "7").Value;
    private static readonly Clay Brickfield = Clay.Create("Brickfield Red", ClayKind.Earthenware, "06", "02", burnsOutSlowly: true).Value;
    private static readonly Glaze Oyster = Glaze.Create("Oyster matte", "5", "7", slowFrom: 1040, slowTo: 850, slowHours: 3.5).Value;
    private static readonly Glaze Tidewrack = Glaze.Create("Tidewrack blue", "6", "6", runny: true).Value;
    private static readonly Glaze Reed = Glaze.Create("Reed green", "5", "7", needsHold: true).Value;
    private static readonly Glaze Gloss = Glaze.Create("Gloss", "5", "7", wantsFastCooling: true).Value;
    private static readonly Glaze Lamp = Glaze.Create("Lamp white", "06", "04").Value;

    private static WareLot Lot(
        double wall,
        Dryness dryness = Dryness.BoneDry,
        Clay? clay = null,
        Glaze[]? glazes = null,
        NextStep next = NextStep.Dipping,
        double? width = null,
        bool hollow = false,
        bool oneSided = false,
        bool glazedAlready = false
    ) => WareLot.Create("mugs", 12, wall, width, hollow, oneSided, dryness, clay ?? Marsh, glazes, null, next, glazedAlready: glazedAlready).Value;

    private static WareLoad Load(params WareLot[] lots) => WareLoad.Create(lots).Value;

    private static Plan Plan(WareLoad load, PlanOptions wish) => Planner.Make(load, wish, Plain).Value;

    private static double Progress(Plan plan) => HeatWork.Of(ConeTable.Of(plan.Schedule.Goal!.Value).Kinetics, Make.Plain(plan.Schedule).Value.Curve);

    [Fact]
    public void A_bisque_of_mugs_for_dipping()
    {
        var plan = Plan(Load(Lot(8, Dryness.CoolToTouch)), new PlanOptions(ScheduleKind.Bisque));
        plan.Schedule.Goal!.Value.Number.ShouldBe("06");
        plan.GoalWhy!.ShouldContain("dipping");
        plan.Steps[0].Step.Target!.Value.Celsius.ShouldBe(90);
        plan.Steps[0].Step.Hold.TotalHours.ShouldBe(2, "1.3 h by the wall; at least two where it is cool to the touch");
        plan.Steps[0].Why.ShouldContain("8 mm");
        Progress(plan).ShouldBe(1, 0.06);
        plan.Steps[^1].Step.IsEndOff.ShouldBeTrue();
        plan.Steps.ShouldAllBe(s => s.Why.Length > 20 && s.By.Length > 0);
    }

    /// <summary>Slowly and fast are the habit's; what ware and glazes ask for stays, and the cone comes down all the same.</summary>
    [Theory]
    [InlineData(ScheduleKind.Bisque)]
    [InlineData(ScheduleKind.Glaze)]
    public void Gently_takes_longer_and_fast_is_over_sooner(ScheduleKind kind)
    {
        var load = Load(Lot(6, glazes: kind == ScheduleKind.Glaze ? [Reed] : null));
        double Up(PaceOption pace, out Plan plan)
        {
            plan = Plan(load, new PlanOptions(kind, Preference: PlanningPreferences.Usual with { Pace = pace }));
            return Make.Plain(plan.Schedule).Value.Curve.EndOfTop.TotalHours;
        }
        var (gently, brisk, fast) = (Up(PaceOption.Gently, out var slow), Up(PaceOption.Brisk, out var usual), Up(PaceOption.Fast, out var quick));
        gently.ShouldBeGreaterThan(brisk * 1.15);
        fast.ShouldBeLessThan(brisk * 0.95);
        foreach (var plan in new[] { slow, usual, quick })
            Progress(plan).ShouldBe(1, 0.06);
        slow.Steps.ShouldContain(s => s.Why.Contains("gently, as asked"));
        usual.Steps.ShouldAllBe(s => !s.Why.Contains("as asked"));
    }

    [Fact]
    public void Fast_ware_that_asks_for_time_still_gets_it()
    {
        var planter = Lot(30, width: 400);
        double Through(PaceOption pace) =>
            Plan(Load(planter), new PlanOptions(ScheduleKind.Bisque, Preference: PlanningPreferences.Usual with { Pace = pace })).Schedule is var schedule
                ? Make.Plain(schedule).Value.Curve.FirstRiseThrough(Make.Celsius(600))!.Value.TotalHours
                    - Make.Plain(schedule).Value.Curve.FirstRiseThrough(Make.Celsius(540))!.Value.TotalHours
                : 0;
        Through(PaceOption.Fast).ShouldBe(Through(PaceOption.Brisk), 0.1, "quartz is the wall’s, not the habit’s");
    }

    [Fact]
    public void A_long_drying_comes_in_blocks_with_a_look_after_each()
    {
        var plan = Plan(Load(Lot(20, Dryness.CoolToTouch)), new PlanOptions(ScheduleKind.Bisque));
        var looks = plan.Steps.Where(s => s.By == "steam-check").ToList();
        looks.Select(l => l.Step.Hold.TotalHours).ShouldBe([10, 2, 2, 0.5], "seven tenths at once, the rest in blocks of two hours");
        looks.Select(l => Math.Round(l.Look!.Value.TotalHours, 1)).ShouldBe([11.2, 13.2, 15.2, 15.7], "at the end of each");
        plan.Steps.Where(s => s.By != "steam-check").ShouldAllBe(s => s.Look == null);
        Plan(Load(Lot(20, Dryness.CoolToTouch)), new PlanOptions(ScheduleKind.Bisque, MaxSteps: 8))
            .Steps.Length.ShouldBeLessThanOrEqualTo(9, "and the closing off");
    }

    [Fact]
    public void A_controller_that_holds_at_its_top_only_dries_on_the_way()
    {
        var bisque = Plan(Load(Lot(6)), new PlanOptions(ScheduleKind.Bisque, MaxSteps: 4, HoldsOnTheWay: false));
        bisque.Steps.ShouldAllBe(s => s.Step.Hold == NodaTime.Duration.Zero);
        bisque.Steps[0].Step.Reason.ShouldBe("dry on the way");
        var glaze = Plan(Load(Lot(6, glazes: [Reed])), new PlanOptions(ScheduleKind.Glaze, MaxSteps: 4, HoldsOnTheWay: false));
        glaze.Steps.Where(s => s.Step.Target is not null).SkipLast(1).ShouldAllBe(s => s.Step.Hold == NodaTime.Duration.Zero);
        // So thick that nothing but a hold dries it: planned with one, and setting it says what is lost.
        Plan(Load(Lot(30, Dryness.Damp)), new PlanOptions(ScheduleKind.Bisque, MaxSteps: 8, HoldsOnTheWay: false))
            .Steps.ShouldContain(s => s.Step.Hold.TotalHours > 5);
    }

    [Fact]
    public void Candled_overnight_what_dries_is_taken_off_the_hold()
    {
        var wish = new PlanOptions(ScheduleKind.Bisque, Preference: new(Drying: DryingOption.Candle));
        var thin = Plan(Load(Lot(6)), wish);
        thin.Steps[0].Step.Reason.ShouldBe("candle overnight");
        (thin.Steps[0].Step.Target!.Value.Celsius, thin.Steps[0].Step.Hold.TotalHours).ShouldBe((70, 9));
        thin.Steps.ShouldNotContain(s => s.Step.Target != null && s.Step.Target.Value.Celsius == 90, "dry by the morning");
        var thick = Plan(Load(Lot(25)), wish);
        var usual = Plan(Load(Lot(25)), new PlanOptions(ScheduleKind.Bisque));
        double Holds(Plan plan) => plan.Steps.Where(s => s.Step.Target?.Celsius == 90).Sum(s => s.Step.Hold.TotalHours);
        Holds(thick).ShouldBeInRange(Holds(usual) - 6, Holds(usual) - 4);
    }

    [Fact]
    public void What_comes_next_decides_the_bisque()
    {
        Plan(Load(Lot(6), Lot(6, next: NextStep.Brushing)), new PlanOptions(ScheduleKind.Bisque)).Schedule.Goal!.Value.Number.ShouldBe("04");
        Plan(Load(Lot(6, next: NextStep.Unglazed)), new PlanOptions(ScheduleKind.Bisque))
            .Schedule.Goal!.Value.Number.ShouldBe("6", "the middle of what its clay stands");
        Plan(Load(Lot(6, clay: Brickfield)), new PlanOptions(ScheduleKind.Bisque)).Schedule.Goal!.Value.Number.ShouldBe("03");
    }

    [Fact]
    public void A_matte_gets_its_slow_band_and_a_runny_glaze_a_short_hold()
    {
        var plan = Plan(Load(Lot(5, glazes: [Oyster])), new PlanOptions(ScheduleKind.Glaze));
        plan.Steps.Single(s => s.By == "slow-band").Why.ShouldContain("Oyster matte");
        var curve = Make.Plain(plan.Schedule).Value.Curve;
        curve.TimeBetween(Make.Celsius(850), Make.Celsius(1040)).After.TotalHours.ShouldBeInRange(3.5, 4.1);
        Plan(Load(Lot(5, glazes: [Tidewrack])), new PlanOptions(ScheduleKind.Glaze))
            .Schedule.Segments.Where(s => s.Target?.Celsius > 1100)
            .Max(s => s.HoldMinutes)
            .ShouldBe(5);
        Plan(Load(Lot(5, glazes: [Tidewrack])), new PlanOptions(ScheduleKind.Glaze)).Notes.ShouldContain(n => n.Id == "runny");
    }

    [Fact]
    public void Thick_and_wide_ware_passes_quartz_slowly_up_and_down()
    {
        var plan = Plan(Load(Lot(12, width: 500)), new PlanOptions(ScheduleKind.Bisque));
        plan.Steps.ShouldContain(s => s.By == "quartz");
        plan.Steps.ShouldContain(s => s.By == "quartz-cooling");
    }

    [Theory]
    [InlineData(ScheduleKind.Glaze, "6", "lots", "Lamp white is for cones 06 to 04 and Tidewrack blue and Marsh White for cones 5 to 7")]
    public void Who_clashes_is_named(ScheduleKind kind, string goal, string field, string says)
    {
        var problem = Planner
            .Make(
                Load(Lot(5, glazes: [Lamp], clay: Clay.Create("Any", null, null, null).Value), Lot(5, glazes: [Tidewrack])),
                new PlanOptions(kind, ConeNumber.Parse(goal).Value),
                Plain
            )
            .Problems.Single();
        problem.Field.ShouldBe(field);
        problem.Message.ShouldContain(says);
    }

    [Fact]
    public void What_cannot_be_planned_says_what_would_have_to_give()
    {
        var weak = Make.Kiln("top-190", ("topLimit", 1100));
        (string Field, string Message) Refused(WareLoad load, PlanOptions wish, IKilnModel? place = null)
        {
            var problem = Planner.Make(load, wish, place ?? Plain).Problems.Single();
            return (problem.Field, problem.Message);
        }
        Refused(Load(Lot(6, Dryness.LeatherHard)), new PlanOptions(ScheduleKind.Bisque))
            .ShouldSatisfyAllConditions(p => p.Field.ShouldBe("lots"), p => p.Message.ShouldContain("drying firing"));
        Refused(Load(Lot(8, Dryness.Damp)), new PlanOptions(ScheduleKind.Bisque, Preference: new(DryingOption.FastToHold)))
            .Message.ShouldContain("bone dry ware only");
        Refused(Load(Lot(30, Dryness.Damp)), new PlanOptions(ScheduleKind.Bisque, Preference: new(DryingOption.SlowClimb)))
            .Message.ShouldContain("A hold below boiling is quicker");
        Refused(Load(Lot(5, glazes: [Oyster])), new PlanOptions(ScheduleKind.Glaze, ConeNumber.Parse("10").Value)).Message.ShouldContain("too hot for it");
        Refused(Load(Lot(5, clay: Brickfield)), new PlanOptions(ScheduleKind.Bisque, ConeNumber.Parse("6").Value)).Message.ShouldContain("too hot for it");
        Refused(Load(Lot(5, glazes: [Oyster])), new PlanOptions(ScheduleKind.Glaze), new ElectricKiln(weak, weak.UsualLoad(ScheduleKind.Glaze), weak.Room))
            .Message.ShouldContain("the kiln goes to 1100 °C");
        Refused(Load(Lot(45, Dryness.Damp)), new PlanOptions(ScheduleKind.Bisque, Anyway: true)).Message.ShouldContain("no schedule alone");
        Refused(Load(Lot(45)), new PlanOptions(ScheduleKind.Bisque)).Message.ShouldContain("pierce it");
        Plan(Load(Lot(45)), new PlanOptions(ScheduleKind.Bisque, Anyway: true)).Steps.ShouldNotBeEmpty("who knows better may");
        Refused(Load(Lot(8, Dryness.Damp, hollow: true)), new PlanOptions(ScheduleKind.Drying)).Message.ShouldContain("Make a hole");
        Refused(Load(Lot(6, clay: Clay.Create("Any", null, null, null).Value)), new PlanOptions(ScheduleKind.Glaze)).Field.ShouldBe("goalCone");
    }

    [Fact]
    public void Ways_of_holding_and_of_bisquing_are_followed()
    {
        double Hold(HoldOption way, ScheduleKind kind = ScheduleKind.Glaze) =>
            Plan(Load(Lot(5, glazes: [Oyster])), new PlanOptions(kind, Preference: new(Hold: way)))
                .Schedule.Segments.Where(s => s.Target?.Celsius > 950)
                .Max(s => s.HoldMinutes);
        (
            Hold(HoldOption.AsTheGlazesAsk),
            Hold(HoldOption.None),
            Hold(HoldOption.QuarterHour),
            Hold(HoldOption.HalfHour),
            Hold(HoldOption.LowerAndLonger)
        ).ShouldBe((10, 0, 15, 30, 60));
        Hold(HoldOption.AsTheGlazesAsk, ScheduleKind.Bisque).ShouldBe(0);
        double Top(HoldOption way) =>
            Make.Plain(Plan(Load(Lot(5, glazes: [Oyster])), new PlanOptions(ScheduleKind.Glaze, Preference: new(Hold: way))).Schedule).Value.Curve.Peak.Celsius;
        Top(HoldOption.LowerAndLonger).ShouldBeLessThan(Top(HoldOption.None) - 15, "the same heat work in a longer hold");

        string Goal(BisqueOption way, params WareLot[] lots) =>
            Plan(Load(lots), new PlanOptions(ScheduleKind.Bisque, Preference: new(Bisque: way))).Schedule.Goal!.Value.Number;
        Goal(BisqueOption.AlwaysOpen, Lot(6, next: NextStep.Brushing)).ShouldBe("06");
        Goal(BisqueOption.HotterThanTheGlaze, Lot(6, clay: Brickfield, glazes: [Lamp])).ShouldBe("03", "two cones over the middle of 06 to 04");
        Goal(BisqueOption.HotterThanTheGlaze, Lot(6, clay: Brickfield)).ShouldBe("03", "over a usual low-fire glaze");
        Goal(BisqueOption.HotterThanTheGlaze, Lot(6)).ShouldBe("06", "low fire only: stoneware stays open");
        Goal(BisqueOption.HotterThanTheGlaze, Lot(6, glazes: [Tidewrack])).ShouldBe("06");
    }

    [Fact]
    public void A_packed_kiln_burns_out_half_as_slowly_again()
    {
        var loose = Load(Lot(12));
        var packed = loose with { Packed = true };
        double Hours(WareLoad load) => BurnOut.Given(Make.Plain(Plan(load, new PlanOptions(ScheduleKind.Bisque)).Schedule).Value.Curve).TotalHours;
        Hours(packed).ShouldBeInRange(1.4 * Hours(loose), 1.7 * Hours(loose));
    }

    [Fact]
    public void A_nearly_empty_and_an_overfull_kiln_are_spoken_of()
    {
        string[] Notes(double usual) => [.. LoadNotes.Of(Load(Lot(6)), ScheduleKind.Bisque, usual, DisplayUnits.Metric).Select(n => n.Id)];
        Notes(50).ShouldBe(["nearly-empty"]);
        Notes(8).ShouldBeEmpty();
        Notes(4).ShouldBe(["over-full"]);
    }

    private static readonly Gen<WareLot> AnyLot =
        from wall in Gen.OneOf(Gen.Double[3, 12], Gen.Double[3, 40])
        from dryness in Make.OneOf(Dryness.BoneDry, Dryness.BoneDry, Dryness.CoolToTouch, Dryness.Damp)
        from width in Gen.OneOf(Gen.Const((double?)null), Gen.Double[80, 500].Select(w => (double?)w))
        from next in Gen.Enum<NextStep>()
        from oneSided in Gen.Int[0, 4]
        from already in Gen.Int[0, 5]
        from glazes in Make.OneOf<Glaze[]>([], [Oyster], [Tidewrack], [Oyster, Tidewrack], [Reed], [Gloss], [Reed, Gloss])
        select Lot(wall, dryness, Marsh, glazes, next, width, oneSided: oneSided == 0, glazedAlready: already == 0);

    private static readonly Gen<(WareLoad Load, PlanOptions Wish)> AnyTask =
        from lots in AnyLot.Array[1, 4]
        from kind in Make.OneOf(ScheduleKind.Bisque, ScheduleKind.Glaze, ScheduleKind.OnceFired, ScheduleKind.Drying, ScheduleKind.Refiring)
        from approach in Gen.Enum<ApproachOption>()
        from cooling in Gen.Enum<CoolingOption>()
        from drying in Gen.Enum<DryingOption>()
        from hold in Gen.Enum<HoldOption>()
        from bisque in Gen.Enum<BisqueOption>()
        from goal in Gen.Enum<GoalOption>()
        from lustre in Make.OneOf("022", "019", "017", "014")
        from packed in Gen.Bool
        from unit in Make.Unit
        from most in Gen.OneOf(Gen.Int[2, 6], Gen.Int[4, 30])
        select (
            Load(lots) with
            {
                Packed = packed,
            },
            new PlanOptions(
                kind,
                kind == ScheduleKind.Refiring ? ConeNumber.Parse(lustre).Value : null,
                new(drying, approach, cooling, hold, bisque, goal),
                MaxSteps: most,
                Unit: unit
            )
        );

    /// <summary>What the reviewer says above a note of a plan; a cooling or a hold the person chose against the glazes is theirs to choose.</summary>
    private static IEnumerable<string> Against(Plan plan, WareLoad load, PlanOptions wish, IKilnModel kiln) =>
        FiringAssessment
            .Of(plan.Schedule, kiln, load, DisplayUnits.Metric)
            .Value.Findings.Where(f =>
                f.Severity > Severity.Note
                && !(f.Id is "slow-band-short" or "cooled-slowly" && wish.Preferences.Cooling != CoolingOption.AsTheGlazesAsk)
                && !(f.Id is "hold-long" or "hold-short" && wish.Preferences.Hold != HoldOption.AsTheGlazesAsk)
                && f.Id != "wall-too-thick"
            )
            .Select(f => $"{f.Id}: {f.Text} {wish}");

    /// <summary>In a kiln too, whatever stands in it: what it cannot do is not asked of it.</summary>
    [Fact]
    public void A_plan_in_a_kiln_asks_nothing_that_the_kiln_and_the_reviewer_mind()
    {
        var kilns = new[]
        {
            Make.Kiln("top-190", ("elementHealth", 93)),
            Make.Kiln("bench"),
            Make.Kiln("front-200", ("elementHealth", 88), ("altitude", 1500)),
        };
        Gen.Select(AnyTask, Gen.Int[0, 2], Gen.Double[0.05, 1.3])
            .Sample(
                (task, which, fill) =>
                {
                    var ((load, wish), kiln) = (task, kilns[which]);
                    var place = new ElectricKiln(kiln, kiln.UsualLoad(wish.Kind, fill), kiln.Room);
                    var made = Planner.Make(load, wish, place);
                    if (!made.IsOk)
                    {
                        made.Problems[0].Field.ShouldBeOneOf("maxSteps", "lots", "drying", "goalCone");
                        return;
                    }
                    Against(made.Value, load, wish, place).ShouldBeEmpty(NotationWriter.Write(made.Value.Schedule.Segments, TemperatureUnit.Celsius));
                },
                iter: LongRun.Of(400, 4000)
            );
    }

    [Fact]
    public void A_plan_keeps_every_limit_for_any_load()
    {
        AnyTask.Sample(
            (load, wish) =>
            {
                var made = Planner.Make(load, wish, Plain);
                if (!made.IsOk)
                {
                    made.Problems[0].Field.ShouldBeOneOf(["maxSteps", "lots", "drying"], $"{made.Problems[0].Message} {wish}");
                    return;
                }
                var plan = made.Value;
                plan.Schedule.Segments.Count(s => !s.IsEndOff).ShouldBeLessThanOrEqualTo(wish.MaxSteps);
                var curve = Make.Plain(plan.Schedule).Value.Curve;
                if (wish.Kind.FiresRaw())
                {
                    var climb = new SteamClimb(curve, Plain.Boiling);
                    foreach (var lot in load.Lots)
                        climb.Worst(lot.Depth, Moisture.Of(lot.Dryness)).B.ShouldBeLessThanOrEqualTo(Steam.Fine, lot.ToString());
                }
                if (wish.Kind == ScheduleKind.Drying)
                    return;
                if (wish.Kind.FiresRaw())
                    BurnOut
                        .Given(curve)
                        .TotalHours.ShouldBeGreaterThanOrEqualTo(BurnOut.Needed(load.SlowestToBurnOut.Wall, false, load.Packed).TotalHours * 0.93);
                var points = curve.Points.ToArray();
                foreach (var (a, b) in points.Zip(points.Skip(1)))
                {
                    if (b.Minutes <= a.Minutes)
                        continue;
                    var (low, high, rate) = (
                        Math.Min(a.Celsius, b.Celsius),
                        Math.Max(a.Celsius, b.Celsius),
                        Math.Abs(b.Celsius - a.Celsius) / (b.Minutes - a.Minutes) * 60
                    );
                    bool Touches((double From, double To) band) => low < band.To - 1 && high > band.From + 1;
                    var raw = wish.Kind.FiresRaw() && b.Celsius > a.Celsius;
                    // Left to itself it falls through a band at the limit in the mean, a little faster at its hot end.
                    var stands = b.Celsius < a.Celsius ? 1.07 : 1 + 1e-6;
                    foreach (var lot in load.Lots)
                    {
                        if (Touches(WallGradient.Quartz))
                            rate.ShouldBeLessThanOrEqualTo(
                                WallGradient.AcrossFlat(lot.Width) * stands,
                                $"{lot} {a} {b} {NotationWriter.Write(plan.Schedule.Segments, TemperatureUnit.Celsius)} {wish}"
                            );
                        if (raw && Touches(WallGradient.RawClimb))
                            rate.ShouldBeLessThanOrEqualTo(
                                WallGradient.RawUp(lot.Depth) + 1e-6,
                                $"{lot} {a} {b} {NotationWriter.Write(plan.Schedule.Segments, TemperatureUnit.Celsius)} {wish}"
                            );
                        if (!raw && Touches(WallGradient.Quartz))
                            rate.ShouldBeLessThanOrEqualTo(
                                WallGradient.FiredThrough(lot.Depth) * stands,
                                $"{lot} {a} {b} {NotationWriter.Write(plan.Schedule.Segments, TemperatureUnit.Celsius)} {wish}"
                            );
                    }
                }
                Progress(plan)
                    .ShouldBeInRange(0.87, 1.15, $"to the whole degree {NotationWriter.Write(plan.Schedule.Segments, TemperatureUnit.Celsius)} {wish}");
                Against(plan, load, wish, Plain).ShouldBeEmpty();
            },
            iter: LongRun.Of(800, 8000)
        );
    }

    [Fact]
    public void More_wall_or_water_never_makes_it_shorter()
    {
        Gen.Select(AnyTask, Gen.Double[0, 8], Gen.Int[0, 1])
            .Sample(
                (task, thicker, wetter) =>
                {
                    var (load, wish) = task;
                    wish = wish with { MaxSteps = 40 };
                    var more = new WhatIf(thicker, wetter).Of(load, wish, null).Value.Load;
                    var (one, other) = (Planner.Make(load, wish, Plain), Planner.Make(more, wish, Plain));
                    if (!one.IsOk || !other.IsOk)
                        return;
                    var (a, b) = (Make.Plain(one.Value.Schedule).Value, Make.Plain(other.Value.Schedule).Value);
                    // A degree at the top is a minute at 60 °C/h; slower lower down may bring it down by one or two. Counted to the end of quartz: after a
                    // longer climb warm walls fall slower, and a fall that had to be commanded there comes by itself.
                    ThroughQuartz(b).ShouldBeGreaterThanOrEqualTo(ThroughQuartz(a) - 8);
                },
                iter: LongRun.Of(300, 3000)
            );
    }

    private static double ThroughQuartz(CompiledSchedule firing) =>
        (firing.Curve.LastFallThrough(Temperature.FromCelsius(WallGradient.Quartz.From)) ?? firing.Powered).TotalMinutes;

    [Fact]
    public void Planning_again_changes_nothing()
    {
        AnyTask.Sample(
            (load, wish) =>
            {
                var (one, other) = (Planner.Make(load, wish, Plain), Planner.Make(load, wish, Plain));
                return one.IsOk == other.IsOk && (!one.IsOk || one.Value.Schedule.Segments.SequenceEqual(other.Value.Schedule.Segments));
            },
            iter: 200
        );
    }
}
