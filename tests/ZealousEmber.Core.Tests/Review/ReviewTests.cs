using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Review;

public sealed class ReviewTests
{
    private static readonly Clay Marsh = Clay.Create("Marsh White", ClayKind.Stoneware, "5", "7").Value;
    private static readonly Clay Brickfield = Clay.Create("Brickfield Red", ClayKind.Earthenware, "06", "02", burnsOutSlowly: true).Value;
    private static readonly Glaze Oyster = Glaze.Create("Oyster matte", "5", "7", slowFrom: 1040, slowTo: 850, slowHours: 3.5).Value;
    private static readonly Glaze Tidewrack = Glaze.Create("Tidewrack blue", "6", "6", runny: true).Value;
    private static readonly Glaze Lamp = Glaze.Create("Lamp white", "06", "04").Value;

    private static readonly Glaze Reed = Glaze.Create("Reed green", "5", "7", needsHold: true).Value;
    private static readonly Glaze Gloss = Glaze.Create("Gloss", "5", "7", wantsFastCooling: true).Value;

    private static WareLoad Mugs(
        double wall = 6,
        Dryness dryness = Dryness.BoneDry,
        Clay? clay = null,
        Glaze[]? glazes = null,
        double? width = null,
        bool hollow = false
    ) => WareLoad.Create([WareLot.Create("mugs", 20, wall, width, hollow, false, dryness, clay ?? Marsh, glazes).Value]).Value;

    private static ReviewContext Read(Schedule schedule, WareLoad? load)
    {
        return ReadIn(schedule, load, PlainKiln.Instance);
    }

    private static ReviewContext ReadIn(Schedule schedule, WareLoad? load, IKilnModel kiln)
    {
        var run = kiln.Run(schedule.Program).Value;
        return new ReviewContext(schedule, kiln, run, HeatWork.OfAll(run.Compiled.Curve), load, DisplayUnits.Metric);
    }

    private static IReadOnlyList<Finding> Review(string line, ScheduleKind kind, string? goal = null, WareLoad? load = null) =>
        ScheduleReview.Of(Read(Make.Schedule(line, kind).Towards(goal is null ? null : ConeNumber.Parse(goal).Value), load));

    [Fact]
    public void Fired_again_as_hot_as_a_glaze_it_asks_what_it_asked()
    {
        const string quick = "120/h to 540; 100/h to 1100; 60/h to 1222; off";
        Review(quick, ScheduleKind.Refiring, "6", Mugs(glazes: [Oyster])).Select(f => f.Id).ShouldBe(["slow-band-short"]);
        Review(quick, ScheduleKind.Refiring, "6", Mugs(glazes: [Reed])).Select(f => f.Id).ShouldBe(["hold-short"]);
        Review("100/h to 300; 140/h to 640; 60/h to 685; off", ScheduleKind.Refiring, "019", Mugs(glazes: [Oyster]))
            .ShouldBeEmpty("lustre leaves the glaze under it as it is");
    }

    /// <summary>Schedules as experienced people write them.</summary>
    [Theory]
    [InlineData("60/h to 90 hold 2h; 100/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06")]
    [InlineData("80/h to 95 hold 4h; 100/h to 540; 80/h to 610; 100/h to 900; 60/h to 1060; off", ScheduleKind.Bisque, "04")]
    [InlineData("80/h to 120 hold 30m; 150/h to 1100; 60/h to 1200 hold 15m; off", ScheduleKind.Glaze, "6")]
    [InlineData("200/h to 1100; 60/h to 1205 hold 10m; cool 150/h to 1040; cool 55/h to 850; off", ScheduleKind.Glaze, "6")]
    [InlineData("full to 1000; 60/h to 1195 hold 20m; cool 150/h to 1150 hold 30m; off", ScheduleKind.Glaze, null)]
    [InlineData("100/h to 120 hold 30m; 150/h to 950; 60/h to 1060; off", ScheduleKind.Glaze, "04")]
    [InlineData("60/h to 120; 100/h to 600; 130/h to 1000 hold 10m; off", ScheduleKind.Bisque, null)]
    [InlineData("30/h to 90 hold 10h; 20/h to 130 hold 1h; off", ScheduleKind.Drying, null)]
    [InlineData("40/h to 90 hold 4h; 60/h to 200; 80/h to 600; 60/h to 950; 60/h to 1055 hold 10m; off", ScheduleKind.OnceFired, "04")]
    [InlineData("44/h to 93 hold 1h; 56/h to 121; 111/h to 538; 56/h to 593; 111/h to 990; 60/h to 1040; off", ScheduleKind.Bisque, null)]
    [InlineData("28/h to 95 hold 12h; 45/h to 120; 140/h to 540; 83/h to 595; 165/h to 900; 60/h to 1060; off", ScheduleKind.Bisque, "04")]
    [InlineData("30/h to 120; 60/h to 600; 100/h to 950; 60/h to 1060; off", ScheduleKind.Bisque, "04")]
    [InlineData("50/h to 600; 100/h to 1000; off", ScheduleKind.Bisque, null)]
    [InlineData("150/h to 250; 200/h to 1000; 80/h to 1205 hold 15m; off", ScheduleKind.Glaze, "6")]
    [InlineData("56/h to 121; 166/h to 982; 55/h to 1204 hold 20m; off", ScheduleKind.Glaze, "6")]
    [InlineData("80/h to 120; 200/h to 1000; 60/h to 1195 hold 30m; cool 150/h to 1040 hold 30m; cool 40/h to 760; off", ScheduleKind.Glaze, "6")]
    [InlineData("83/h to 121; 166/h to 593; 222/h to 938; 60/h to 1060; off", ScheduleKind.Glaze, "04")]
    [InlineData("80/h to 100 hold 30m; 150/h to 1000; 100/h to 1180; 60/h to 1280 hold 10m; off", ScheduleKind.Glaze, "10")]
    [InlineData("60/h to 95 hold 3h; 60/h to 600; 80/h to 950; 120/h to 1100; 60/h to 1205 hold 15m; off", ScheduleKind.OnceFired, "6")]
    [InlineData("150/h to 1230; cool 300/h to 1100 hold 2h; 60/h to 1130 hold 30m; cool 100/h to 1050 hold 1h; off", ScheduleKind.Glaze, null)]
    [InlineData("50/h to 90 hold 8h; off", ScheduleKind.Drying, null)]
    public void A_well_made_schedule_gets_nothing(string line, ScheduleKind kind, string? goal)
    {
        Review(line, kind, goal).Select(f => $"{f.Id}: {f.Text}").ShouldBeEmpty();
        Review(line, kind, goal, Mugs(clay: Clay.Create("Any", null, null, null).Value)).Select(f => $"{f.Id}: {f.Text}").ShouldBeEmpty();
    }

    /// <summary>Ways of drying that are all fine for the ware they are meant for.</summary>
    [Theory]
    [InlineData("80/h to 90 hold 4h; 80/h to 130; 100/h to 600; 150/h to 900; 60/h to 998; off", 6, Dryness.BoneDry)]
    [InlineData("60/h to 90 hold 8h; 60/h to 130; 100/h to 600; 120/h to 900; 60/h to 996; off", 8, Dryness.Damp)]
    [InlineData("60/h to 85 hold 12h; 30/h to 130; 60/h to 600; 70/h to 950; 60/h to 994; off", 16, Dryness.BoneDry)]
    [InlineData("60/h to 90 hold 18h; 30/h to 130; 45/h to 600; 60/h to 995; off", 25, Dryness.BoneDry)]
    [InlineData("40/h to 90 hold 6h; 40/h to 90 hold 2h; 40/h to 90 hold 2h; 30/h to 130; 80/h to 600; 80/h to 950; 60/h to 994; off", 12, Dryness.CoolToTouch)]
    [InlineData("30/h to 600; 60/h to 995; off", 25, Dryness.BoneDry)]
    [InlineData("10/h to 150; 60/h to 600; 95/h to 950; 60/h to 994; off", 12, Dryness.Damp)]
    [InlineData("150/h to 90 hold 4h; 80/h to 130; 100/h to 600; 110/h to 900; 60/h to 998; off", 8, Dryness.BoneDry)]
    [InlineData("80/h to 120; 100/h to 600; 150/h to 900; 60/h to 998; off", 6, Dryness.BoneDry)]
    public void Every_school_of_drying_is_quiet(string line, double wall, Dryness dryness) =>
        Review(line, ScheduleKind.Bisque, "06", Mugs(wall, dryness, clay: Clay.Create("Any", null, null, null).Value))
            .Select(f => $"{f.Severity} {f.Id}: {f.Text}")
            .ShouldBeEmpty();

    [Theory]
    [InlineData("60/h to 90 hold 12m; 100/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "hold-slip")]
    [InlineData("60/h to 90 hold 2h; 1000/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "rate-slip")]
    [InlineData("60/h to 90 hold 2h; 100/h to 600; 340/h to 950; 60/h to 998; off", ScheduleKind.Bisque, "06", "burn-out-short")]
    [InlineData("150/h to 1100; 60/h to 1160 hold 10m; off", ScheduleKind.Glaze, "6", "goal-missed")]
    [InlineData("150/h to 1100; 60/h to 1260 hold 10m; off", ScheduleKind.Glaze, "6", "goal-passed")]
    [InlineData("100/h to 120 hold 30m; 150/h to 950; 60/h to 1055; off", ScheduleKind.Glaze, "4", "zero-slip")]
    [InlineData("100/h to 200; 100/h to 200; 150/h to 1100; 60/h to 1200 hold 15m; off", ScheduleKind.Glaze, "6", "does-nothing")]
    [InlineData("150/h to 1100; 60/h to 1200 hold 15m; off to 700; off", ScheduleKind.Glaze, "6", "does-nothing")]
    [InlineData("150/h to 1100; 60/h to 1200 hold 12h; off", ScheduleKind.Glaze, "6", "hold-slip")]
    [InlineData("600/h to 90 hold 2h; 100/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "rate-slip")]
    [InlineData("60/h to 90 hold 2h; 10/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "rate-slip")]
    [InlineData("100/h to 120 hold 30m; 15/h to 1000; 60/h to 1210 hold 10m; off", ScheduleKind.Glaze, "6", "rate-slip")]
    [InlineData("100/h to 120 hold 30m; 150/h to 1000; 600/h to 1210 hold 10m; off", ScheduleKind.Glaze, "6", "rate-slip")]
    [InlineData("150/h to 1000; 60/h to 1180 hold 10m; off", ScheduleKind.Glaze, "04", "zero-slip")]
    [InlineData("150/h to 1100; 60/h to 1200 hold 15m; cool 5/h to 850; off", ScheduleKind.Glaze, "6", "rate-slip")]
    [InlineData("60/h to 90 hold 2h; 100/h to 60; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "target-slip")]
    [InlineData("60/h to 900 hold 2h; 100/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "target-slip")]
    public void A_spoiled_one_names_its_fault_first(string line, ScheduleKind kind, string? goal, string id)
    {
        var findings = Review(line, kind, goal);
        findings.ShouldNotBeEmpty();
        findings[0].Id.ShouldBe(id, string.Join(" | ", findings.Select(f => $"{f.Id}: {f.Text}")));
        findings.Count.ShouldBe(1, string.Join(" | ", findings.Select(f => $"{f.Id}: {f.Text}")));
    }

    [Theory]
    [InlineData("60/h to 90 hold 2h; 100/h to 60; 110/h to 900; 60/h to 998; off", 1, 600)]
    [InlineData("60/h to 900 hold 2h; 100/h to 600; 110/h to 900; 60/h to 998; off", 0, 90)]
    public void A_digit_too_few_or_too_many_is_put_right(string line, int step, double target)
    {
        var fix = Review(line, ScheduleKind.Bisque, "06").Single().Fixes.Single();
        (fix.Segment, fix.Steps.Single().Target!.Value.Celsius).ShouldBe((step, target));
    }

    [Fact]
    public void Celsius_typed_on_a_fahrenheit_schedule_is_seen()
    {
        var segments = NotationReader.Read("150/h to 1100; 60/h to 1222; off", TemperatureUnit.Fahrenheit).Segments!;
        var schedule = Schedule.Create("A schedule", ScheduleKind.Glaze, TemperatureUnit.Fahrenheit, segments, goal: ConeNumber.Parse("6").Value).Value;
        var finding = ScheduleReview.Of(Read(schedule, Mugs(glazes: [Tidewrack]))).Single();
        (finding.Id, finding.Severity).ShouldBe(("scale-slip", Severity.Danger));
        finding.Text.ShouldContain("1222 °C is");
    }

    [Fact]
    public void A_pack_is_missed_only_when_somebody_said_there_is_none()
    {
        const string plain = "150/h to 1100; 60/h to 1200 hold 15m; off";
        Review(plain, ScheduleKind.Glaze, "6", Mugs(glazes: [Tidewrack])).ShouldBeEmpty();
        Review(plain, ScheduleKind.Glaze, "6", Mugs(glazes: [Tidewrack]) with { WitnessPack = true }).ShouldBeEmpty();
        var finding = Review(plain, ScheduleKind.Glaze, "6", Mugs(glazes: [Tidewrack]) with { WitnessPack = false }).Single();
        (finding.Id, finding.Severity).ShouldBe(("no-witness-pack", Severity.Note));
        finding.Why.ShouldContain("A pack of 5½, 6 and 7");
    }

    [Fact]
    public void A_packed_kiln_wants_a_slower_burn_out()
    {
        const string bisque = "60/h to 90 hold 4h; 100/h to 600; 110/h to 900; 60/h to 998; off";
        Review(bisque, ScheduleKind.Bisque, "06", Mugs(10)).ShouldBeEmpty();
        Review(bisque, ScheduleKind.Bisque, "06", Mugs(10) with { Packed = true }).Single().Id.ShouldBe("burn-out-short");
    }

    private static string[] InKiln(string line, string? goal, Kiln kiln, KilnLoad kilnLoad, WareLoad? load = null)
    {
        var schedule = Make.Schedule(line).Towards(goal is null ? null : ConeNumber.Parse(goal).Value);
        return [.. ScheduleReview.Of(ReadIn(schedule, load, new ElectricKiln(kiln, kilnLoad, kiln.Room))).Select(f => $"{f.Severity} {f.Id}")];
    }

    [Fact]
    public void A_kiln_says_what_it_minds_and_no_cause_twice()
    {
        var (heron, wren) = (Make.Kiln("top-190"), Make.Kiln("bench"));
        var full = heron.UsualLoad(ScheduleKind.Glaze);
        InKiln("100/h to 600; 120/h to 1000; 60/h to 1200 hold 10m; off", "6", heron, full with { WareMass = 2 }).ShouldBe(["Note nearly-empty"]);
        InKiln("100/h to 600; 300/h to 1100; 60/h to 1200 hold 10m; off", "6", heron, full)
            .ShouldBe(["Note kiln-too-slow"], "the cone comes down all the same");
        InKiln("100/h to 600; 300/h to 1100; 60/h to 1200 hold 10m; off", null, heron, full).ShouldBe(["Look kiln-too-slow"]);
        InKiln("100/h to 600; 100/h to 1150; 60/h to 1285; off", "10", wren, wren.UsualLoad(ScheduleKind.Glaze))[..1].ShouldBe(["Danger over-kiln-limit"]);
        InKiln("100/h to 600; 100/h to 1100; 60/h to 1200 hold 3h; off", null, heron, full).ShouldContain("Note elements-age");
        // A worn kiln that never gets there is why the cone stays up; the cone is not named as well.
        var worn = Make.Kiln("top-190", ("elementHealth", 55));
        InKiln("100/h to 600; 100/h to 1100; 60/h to 1250; off", "8", worn, full).ShouldBe(["Danger kiln-cannot-reach"]);
    }

    [Fact]
    public void The_mend_of_a_fast_drop_limits_it_and_that_of_a_slow_kiln_says_what_it_does_anyway()
    {
        var heron = Make.Kiln("top-190");
        var full = heron.UsualLoad(ScheduleKind.Glaze);
        IReadOnlyList<Finding> Of(Schedule schedule, KilnLoad load) => [.. KilnReview.Of(ReadIn(schedule, null, new ElectricKiln(heron, load, heron.Room)))];
        var empty = Make.Schedule("100/h to 600; 120/h to 1000; 60/h to 1200 hold 10m; off");
        var limit = Of(empty, full with { WareMass = 2 }).Single().Fixes.Single();
        limit.Steps.Select(s => s.Target?.Celsius).ShouldBe([700, null]);
        var slow = Make.Schedule("100/h to 600; 300/h to 1100; 60/h to 1200 hold 10m; off");
        var fix = Of(slow, full).Single().Fixes.Single();
        fix.Steps[^1].Pace.Kind.ShouldBe(PaceKind.Full);
        var segments = slow.Segments.RemoveAt(fix.Segment).InsertRange(fix.Segment, fix.Steps);
        Of(Schedule.Create("Mended", ScheduleKind.Glaze, TemperatureUnit.Celsius, segments).Value, full).ShouldBeEmpty();
    }

    [Fact]
    public void Known_ware_is_spoken_of_by_name()
    {
        const string bisque = "80/h to 90 hold 1h; 100/h to 600; 110/h to 900; 60/h to 998; off";
        Review(bisque, ScheduleKind.Bisque, "06", Mugs(8, Dryness.BoneDry)).ShouldBeEmpty();
        var wet = Review(bisque, ScheduleKind.Bisque, "06", Mugs(10, Dryness.CoolToTouch)).Single();
        (wet.Id, wet.Severity).ShouldBe(("steam-risk", Severity.Look));
        wet.Text.ShouldContain("mugs (10 mm)");
        Review(bisque, ScheduleKind.Bisque, "06", Mugs(6, Dryness.LeatherHard)).Single().Id.ShouldBe("leather-hard");
        Review(bisque, ScheduleKind.Bisque, "06", Mugs(4, Dryness.CoolToTouch, hollow: true))[0].Id.ShouldBe("closed-hollow");
        Review(bisque, ScheduleKind.Bisque, "06", Mugs(40)).Select(f => f.Id).ShouldContain("quartz-up");
        Review("80/h to 90 hold 1h; 100/h to 600; 150/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", Mugs(6, clay: Brickfield)).ShouldBeEmpty();
        Review("80/h to 90 hold 2h; 100/h to 600; 150/h to 900; 60/h to 1005; off", ScheduleKind.Bisque, "06", Mugs(12, clay: Brickfield))
            .Select(f => f.Id)
            .ShouldContain("burn-out-short");
    }

    [Fact]
    public void One_fast_cooling_is_one_fault_with_one_mend()
    {
        var load = Mugs(24, clay: Clay.Create("Any", null, null, null).Value);
        var finding = Review("100/h to 1000; 60/h to 1200 hold 15m; cool 300/h to 100; off", ScheduleKind.Glaze, "6", load).Single();
        (finding.Id, finding.Severity).ShouldBe(("quartz-down", Severity.Danger));
        finding.Text.ShouldContain("through 573 and 226 °C");
        finding.Fixes.Single().Steps.Select(s => s.Target!.Value.Celsius).ShouldBe([610, 200, 100]);
    }

    [Fact]
    public void Minutes_for_hours_weigh_what_they_would_do()
    {
        IReadOnlyList<Finding> Of(double wall, Dryness dryness) =>
            Review("60/h to 90 hold 12m; 100/h to 600; 85/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", Mugs(wall, dryness));
        Of(5, Dryness.BoneDry).Single().ShouldSatisfyAllConditions(f => f.Id.ShouldBe("hold-slip"), f => f.Severity.ShouldBe(Severity.Note));
        Of(12, Dryness.CoolToTouch)
            .Single()
            .ShouldSatisfyAllConditions(
                f => f.Id.ShouldBe("hold-slip"),
                f => f.Severity.ShouldBe(Severity.Danger),
                f => f.Fixes.Select(x => x.Text).ShouldBe(["Hold 12 h", "Hold 5 h 30"])
            );
    }

    [Fact]
    public void Glazes_speak_for_themselves()
    {
        const string plain = "150/h to 1100; 60/h to 1200 hold 15m; off";
        Review(plain, ScheduleKind.Glaze, "6", Mugs(glazes: [Oyster])).Single().Id.ShouldBe("slow-band-short");
        Review("150/h to 1100; 60/h to 1190 hold 40m; off", ScheduleKind.Glaze, "6", Mugs(glazes: [Tidewrack])).Single().Id.ShouldBe("hold-long");
        Review("150/h to 1100; 60/h to 1222; off", ScheduleKind.Glaze, "6", Mugs(glazes: [Reed]))
            .Single()
            .ShouldSatisfyAllConditions(f => f.Id.ShouldBe("hold-short"), f => f.Fixes.Single().Steps.Single().HoldMinutes.ShouldBe(15));
        Review("150/h to 1100; 60/h to 1220; cool 150/h to 1170 hold 30m; off", ScheduleKind.Glaze, "6", Mugs(glazes: [Reed]))
            .ShouldBeEmpty("it heals in the drop and hold");
        Review($"{plain[..^5]}; cool 40/h to 850; off", ScheduleKind.Glaze, "6", Mugs(glazes: [Gloss])).Single().Id.ShouldBe("cooled-slowly");
        Review(plain, ScheduleKind.Glaze, "6", Mugs(glazes: [Lamp], clay: Clay.Create("Any", null, null, null).Value)).Single().Id.ShouldBe("outside-cones");
        Review(plain, ScheduleKind.Glaze, "6", Mugs(glazes: [Lamp]))[0].Id.ShouldBe("cones-clash");
    }

    [Fact]
    public void A_matte_gets_its_band_by_the_mend()
    {
        var schedule = Make.Schedule("150/h to 1100; 60/h to 1200 hold 15m; cool 150/h to 700; off").Towards(ConeNumber.Parse("6").Value);
        var fix = ScheduleReview.Of(Read(schedule, Mugs(glazes: [Oyster]))).Single().Fixes.Single();
        fix.Steps.Length.ShouldBe(3);
        fix.Steps[1].Target!.Value.Celsius.ShouldBe(850);
        fix.Steps[2].Target!.Value.Celsius.ShouldBe(700);
    }

    [Fact]
    public void One_odd_dish_among_many_is_one_clash()
    {
        WareLot Of(Glaze glaze) => WareLot.Create("pots", 3, 5, glazes: [glaze]).Value;
        var load = WareLoad.Create([Of(Oyster), Of(Reed), Of(Lamp), Of(Gloss), Of(Tidewrack)]).Value;
        load.Clashes.Single()
            .Format()
            .ShouldBe("Lamp white is for cones 06 to 04 and Oyster matte, Reed green and 2 more for cones 5 to 7: they cannot share a firing.");
        Review("150/h to 1100; 60/h to 1200 hold 15m; cool 150/h to 1040; cool 50/h to 850; off", ScheduleKind.Glaze, "6", load)
            .Count(f => f.Id == "cones-clash")
            .ShouldBe(1);
    }
}
