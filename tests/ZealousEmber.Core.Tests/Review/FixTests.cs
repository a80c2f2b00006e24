using Shouldly;
using Xunit;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Review;

/// <summary>Spoiled schedules: the fault named first, and the mend a potter would press.</summary>
public sealed class FixTests
{
    private const string Bisque = "60/h to 90 hold 2h; 100/h to 600; 110/h to 900; 60/h to 998; off";
    private const string Firing = "80/h to 120 hold 30m; 150/h to 1100; 60/h to 1200 hold 15m; off";

    private static WareLoad Load(double wall, Dryness dryness = Dryness.BoneDry, double? width = null, bool already = false) =>
        WareLoad.Create([WareLot.Create("pots", 20, wall, width, dryness: dryness, glazedAlready: already).Value]).Value;

    private static Schedule Read(string line, ScheduleKind kind, string? goal, TemperatureUnit unit = TemperatureUnit.Celsius) =>
        Schedule.Create("A schedule", kind, unit, NotationReader.Read(line, unit).Segments!, goal: goal is null ? null : ConeNumber.Parse(goal).Value).Value;

    private static IReadOnlyList<Finding> Findings(Schedule schedule, WareLoad? load, double start = 20, IKilnModel? kiln = null) =>
        FiringAssessment
            .Of(schedule, kiln ?? (start == 20 ? PlainKiln.Instance : new PlainKiln(Make.Celsius(start))), load, DisplayUnits.Metric)
            .Value.Findings;

    /// <summary>The first mend, made, takes its finding away and brings none.</summary>
    private static Schedule Mended(Schedule schedule, string id, WareLoad? load, double start = 20)
    {
        var findings = Findings(schedule, load, start);
        var all = string.Join(" | ", findings.Select(f => $"{f.Severity} {f.Id} {f.Segment}: {f.Text} [{string.Join(", ", f.Fixes.Select(x => x.Text))}]"));
        findings.ShouldNotBeEmpty();
        findings[0].Id.ShouldBe(id, all);
        findings[0].Fixes.ShouldNotBeEmpty(all);
        foreach (var fix in findings[0].Fixes)
        {
            var after = Findings(fix.Apply(schedule).Value, load, start);
            after.Select(f => f.Id).ShouldNotContain(id, $"{fix.Text}: {all}");
            after.Select(f => f.Id).Except(findings.Select(f => f.Id)).ShouldBeEmpty(fix.Text);
        }
        return findings[0].Fixes[0].Apply(schedule).Value;
    }

    [Theory]
    // Holds: minutes for hours, a digit, the wrong place.
    [InlineData("60/h to 90 hold 12m; 100/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "hold-slip", 0, null, 90.0, 720.0)]
    [InlineData("80/h to 120 hold 30m; 150/h to 1100; 60/h to 1200 hold 15h; off", ScheduleKind.Glaze, "6", "hold-slip", 2, 60.0, 1200.0, 15.0)]
    [InlineData("80/h to 120 hold 30m; 150/h to 1100; 60/h to 1200 hold 10h; off", ScheduleKind.Glaze, null, "hold-slip", 2, 60.0, 1200.0, 10.0)]
    // Rates: a zero too many, too few, two too few.
    [InlineData("60/h to 90 hold 2h; 1000/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "rate-slip", 1, 100.0, 600.0, 0.0)]
    [InlineData("60/h to 90 hold 2h; 10/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "rate-slip", 1, 100.0, 600.0, 0.0)]
    [InlineData("80/h to 120 hold 30m; 1.5/h to 1100; 60/h to 1200 hold 15m; off", ScheduleKind.Glaze, "6", "rate-slip", 1, 150.0, 1100.0, 0.0)]
    [InlineData("80/h to 120 hold 30m; 20/h to 1100; 60/h to 1200 hold 15m; off", ScheduleKind.Glaze, "6", "rate-slip", 1, 200.0, 1100.0, 0.0)]
    [InlineData("80/h to 120 hold 30m; 150/h to 1100; 6/h to 1200 hold 15m; off", ScheduleKind.Glaze, "6", "rate-slip", 2, 60.0, 1200.0, 15.0)]
    [InlineData("60/h to 90 hold 2h; 100/h to 600; 110/h to 900; 6/h to 998; off", ScheduleKind.Bisque, "06", "rate-slip", 3, 60.0, 998.0, 0.0)]
    [InlineData("60/h to 90 hold 2h; 999/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "rate-slip", 1, 100.0, 600.0, 0.0)]
    // Targets: a digit dropped or added, or read off the other scale.
    [InlineData("30/h to 32 hold 8h; 80/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "target-slip", 0, 30.0, 90.0, 480.0)]
    [InlineData("60/h to 90 hold 2h; 100/h to 60; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "target-slip", 1, 100.0, 600.0, 0.0)]
    [InlineData("60/h to 900 hold 2h; 100/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06", "target-slip", 0, 60.0, 90.0, 120.0)]
    [InlineData("30/h to 90 hold 6h; 20/h to 1200 hold 1h; off", ScheduleKind.Drying, null, "target-slip", 1, 20.0, 120.0, 60.0)]
    [InlineData("80/h to 120 hold 30m; 150/h to 1000; 60/h to 121 hold 15m; off", ScheduleKind.Glaze, "6", "target-slip", 2, 60.0, 1210.0, 15.0)]
    [InlineData("80/h to 12 hold 30m; 150/h to 1000; 60/h to 1204 hold 15m; off", ScheduleKind.Glaze, "6", "target-slip", 0, 80.0, 120.0, 30.0)]
    [InlineData("60/h to 90 hold 2h; 100/h to 100; off", ScheduleKind.Bisque, null, "target-slip", 1, 100.0, 1000.0, 0.0)]
    [InlineData("60/h to 90 hold 2h; 100/h to 600; 110/h to 1100; off", ScheduleKind.Bisque, null, "target-slip", 2, 110.0, 1000.0, 0.0)]
    public void The_likeliest_mend_comes_first(string line, ScheduleKind kind, string? goal, string id, int step, double? rate, double target, double hold)
    {
        var mended = Mended(Read(line, kind, goal), id, null).Segments[step];
        if (rate is { } perHour)
            mended.Pace.Rate!.Value.KelvinsPerHour.ShouldBe(perHour, 1e-6);
        mended.Target!.Value.Celsius.ShouldBe(target, 2);
        mended.HoldMinutes.ShouldBe(hold, 1e-6);
    }

    [Fact]
    public void Degrees_a_minute_are_made_degrees_an_hour()
    {
        var mended = Mended(Read("1.5/h to 120 hold 30m; 2.5/h to 1100; 1/h to 1222; off", ScheduleKind.Glaze, "6"), "rate-slip", null);
        mended.Segments.Select(s => s.Pace.Rate?.KelvinsPerHour).ShouldBe([90, 150, 60, null]);
    }

    [Fact]
    public void Where_every_rate_is_wrong_nothing_else_is_said() =>
        Findings(Read("1/h to 90 hold 2h; 1.7/h to 600; 2/h to 900; 1/h to 998; off", ScheduleKind.Bisque, "06"), Load(30, Dryness.Damp))
            .Select(f => f.Id)
            .ShouldBe(["rate-slip"]);

    [Fact]
    public void Ware_that_stands_it_is_told_when_it_waits_where_nothing_dries()
    {
        var at45 = Read("30/h to 45 hold 6h; 80/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06");
        Mended(at45, "target-slip", Load(6)).Segments[0].Target!.Value.Celsius.ShouldBe(90, 5);
        // Damp ware may wait there until it shrinks no more; an hour of warming is nobody's slip.
        Findings(at45, Load(6, Dryness.Damp)).ShouldNotContain(f => f.Id == "target-slip");
        Findings(Read("30/h to 45 hold 1h; 80/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06"), Load(6)).ShouldBeEmpty();
    }

    [Fact]
    public void A_slow_cooling_that_goes_on_below_its_band_is_a_digit_off()
    {
        Glaze[] matte = [Glaze.Create("Oyster matte", "5", "7", slowFrom: 1040, slowTo: 850, slowHours: 3).Value];
        WareLoad Matte(double wall, double? width = null) => WareLoad.Create([WareLot.Create("plates", 12, wall, width, glazes: matte).Value]).Value;
        const string Line = "100/h to 600; 150/h to 1100; 60/h to 1204 hold 10m; cool 150/h to 1040; cool 60/h to {0}; off";
        Schedule To(int degrees) => Read(string.Format(System.Globalization.CultureInfo.InvariantCulture, Line, degrees), ScheduleKind.Glaze, "6");
        Mended(To(550), "cooled-slowly", Matte(8)).Segments[4].Target!.Value.Celsius.ShouldBe(850);
        Findings(To(850), Matte(8)).ShouldBeEmpty();
        Findings(To(740), Matte(8)).ShouldBeEmpty();
        Findings(To(550), Matte(8, width: 300)).ShouldNotContain(f => f.Id == "cooled-slowly");
    }

    [Fact]
    public void Whoever_asks_why_is_given_the_sum_behind_a_finding()
    {
        Basis Behind(string id, string line, ScheduleKind kind, WareLoad load, string? goal = null) =>
            Findings(Read(line, kind, goal), load).First(f => f.Id == id).Basis.ShouldNotBeNull(id);
        Behind("steam-risk", "150/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, Load(25))
            .Numbers.ShouldContain("L = 25/2 + 2 = 14.5 mm; m₀ = 1 % (bone dry)");
        Behind("quartz-up", "60/h to 90 hold 12h; 100/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, Load(20))
            .ShouldSatisfyAllConditions(b => b.Formula.ShouldContain("12 600/L²"), b => b.Numbers.ShouldContain("limit 88 °C/h, here 100 °C/h"));
        Behind("quartz-down", "150/h to 1100; 60/h to 1204 hold 10m; cool 150/h to 300; off", ScheduleKind.Glaze, Load(8, width: 350))
            .Numbers.ShouldContain("W = 350 mm; limit 87 °C/h");
        Behind("burn-out-short", "60/h to 90 hold 4h; 100/h to 600; 300/h to 998; off", ScheduleKind.Bisque, Load(12)).Numbers.ShouldContain("12 mm: 3 h");
        Behind("dries-too-fast", "100/h to 90 hold 6h; 30/h to 120 hold 1h; off", ScheduleKind.Drying, Load(14, Dryness.Damp)).Numbers.ShouldContain("damp");
        Behind("organics-fast", "250/h to 640; 60/h to 680; off", ScheduleKind.Refiring, Load(6)).Formula.ShouldContain("120 °C/h");
        Behind("goal-missed", "150/h to 1100; 60/h to 1180; off", ScheduleKind.Glaze, Load(6), "6").Numbers.ShouldContain("short of the cone's end");
    }

    [Fact]
    public void An_off_in_the_climb_is_taken_away()
    {
        var mended = Mended(
            Read("80/h to 120 hold 30m; 150/h to 700; off to 300; 150/h to 1100; 60/h to 1200 hold 15m; off", ScheduleKind.Glaze, "6"),
            "off-in-climb",
            null
        );
        mended.Segments.Length.ShouldBe(5);
    }

    [Fact]
    public void A_step_that_does_nothing_is_taken_away_and_a_needless_slow_cooling_switched_off()
    {
        Mended(Read("100/h to 200; 100/h to 200; 150/h to 1100; 60/h to 1200 hold 15m; off", ScheduleKind.Glaze, "6"), "does-nothing", null)
            .Segments.Length.ShouldBe(4);
        var kiln = Make.Kiln("top-190");
        var place = new ElectricKiln(kiln, kiln.UsualLoad(ScheduleKind.Glaze), kiln.Room);
        var schedule = Read("100/h to 600; 120/h to 1000; 60/h to 1200 hold 10m; cool 300/h to 300; off", ScheduleKind.Glaze, "6");
        var finding = Findings(schedule, null, kiln: place).Single(f => f.Id == "cools-by-itself");
        finding.Fixes.Single().Apply(schedule).Value.Segments[3].Pace.Kind.ShouldBe(PaceKind.Natural);
    }

    [Theory]
    [InlineData("150/h to 1100; 60/h to 1222; off", "all")]
    [InlineData("270/h to 2012; 108/h to 1222; off", "one")]
    public void The_other_scale_is_read_for_all_numbers_or_for_one(string line, string which)
    {
        var schedule = Read(line, ScheduleKind.Glaze, "6", TemperatureUnit.Fahrenheit);
        if (which == "all")
        {
            var mended = Mended(schedule, "scale-slip", null);
            mended.Unit.ShouldBe(TemperatureUnit.Celsius);
            mended.Segments.Select(s => s.Target?.Celsius).ShouldBe([1100, 1222, null]);
        }
        else
        {
            var mended = Mended(schedule, "scale-slip", null);
            mended.Unit.ShouldBe(TemperatureUnit.Fahrenheit);
            mended.Segments[1].Target!.Value.Celsius.ShouldBe(1222, 1);
        }
    }

    [Fact]
    public void A_four_that_should_be_04_is_made_04()
    {
        var mended = Mended(Read("100/h to 120 hold 30m; 150/h to 950; 60/h to 1055; off", ScheduleKind.Glaze, "4"), "zero-slip", null);
        mended.Goal!.Value.Number.ShouldBe("04");
    }

    [Fact]
    public void Wet_ware_gets_the_hold_it_lacks_in_the_place_it_belongs()
    {
        var cool = Load(12, Dryness.CoolToTouch);
        const string after = "80/h to 600; 75/h to 950; 60/h to 990; off";
        // None: put in. Too short: longer. Above boiling, or typed short: moved to where it dries.
        Mended(Read($"60/h to 130; {after}", ScheduleKind.Bisque, "06"), "steam-risk", cool)
            .Segments[0]
            .ShouldSatisfyAllConditions(s => s.Target!.Value.Celsius.ShouldBe(90), s => s.Hold.TotalHours.ShouldBeInRange(3, 7));
        Mended(Read($"60/h to 90 hold 1h; {after}", ScheduleKind.Bisque, "06"), "steam-risk", cool).Segments.Length.ShouldBe(5);
        var moved = Mended(Read($"60/h to 120 hold 4h; {after}", ScheduleKind.Bisque, "06"), "steam-risk", cool);
        moved.Segments[0].Target!.Value.Celsius.ShouldBe(90);
        moved.Segments.Length.ShouldBe(5);
        Mended(Read($"60/h to 32 hold 6h; {after}", ScheduleKind.Bisque, "06"), "steam-risk", cool).Segments[0].Target!.Value.Celsius.ShouldBe(90);
        Mended(Read($"60/h to 90 hold 6m; {after}", ScheduleKind.Bisque, "06"), "hold-slip", cool).Segments[0].Hold.TotalHours.ShouldBe(6);
        Mended(Read("60/h to 90 hold 60h; 100/h to 600; 110/h to 900; 60/h to 998; off", ScheduleKind.Bisque, "06"), "hold-slip", Load(6))
            .Segments[0]
            .Hold.TotalHours.ShouldBe(6);
    }

    [Fact]
    public void Thick_ware_is_spared_raw_and_fired_up_and_down()
    {
        Mended(Read("80/h to 90 hold 12h; 30/h to 200; 100/h to 600; 60/h to 990; off", ScheduleKind.Bisque, "06"), "quartz-up", Load(25))
            .Segments.Length.ShouldBeGreaterThan(4);
        Mended(Read(Firing, ScheduleKind.Glaze, "6"), "quartz-up", Load(38)).ShouldNotBeNull();
        Mended(
                Read("80/h to 120 hold 30m; 150/h to 1100; 60/h to 1200 hold 15m; cool 200/h to 300; off", ScheduleKind.Glaze, "6"),
                "quartz-down",
                Load(8, width: 350)
            )
            .ShouldNotBeNull();
        Findings(Read(Firing, ScheduleKind.Glaze, "6"), Load(45)).ShouldContain(f => f.Id == "wall-climb");
        Findings(Read(Bisque, ScheduleKind.Bisque, "06"), Load(45)).ShouldContain(f => f.Id == "wall-too-thick" && f.Severity == Severity.Look);
        Findings(Read(Bisque, ScheduleKind.Bisque, "06"), Load(45, Dryness.Damp)).ShouldContain(f => f.Id == "wall-too-thick" && f.Severity == Severity.Danger);
    }

    [Fact]
    public void What_does_not_belong_in_a_firing_is_made_one_that_dries_or_waits()
    {
        var dried = Mended(Read(Bisque, ScheduleKind.Bisque, "06"), "leather-hard", Load(12, Dryness.LeatherHard));
        dried.Kind.ShouldBe(ScheduleKind.Drying);
        var waits = Mended(Read(Bisque, ScheduleKind.Bisque, "06"), "loaded-hot", Load(6), 80);
        waits.Segments[0].ShouldSatisfyAllConditions(s => s.Pace.Kind.ShouldBe(PaceKind.Natural), s => s.Target!.Value.Celsius.ShouldBe(50));
        Findings(Read(Bisque, ScheduleKind.Bisque, "06"), Load(6), 40).ShouldBeEmpty();
        Mended(Read("100/h to 90 hold 6h; 30/h to 120 hold 1h; off", ScheduleKind.Drying, null), "dries-too-fast", Load(14, Dryness.Damp)).ShouldNotBeNull();
    }

    [Fact]
    public void Wet_glaze_and_ware_fired_before_are_warmed_gently()
    {
        Mended(Read("200/h to 1100; 60/h to 1205 hold 10m; off", ScheduleKind.Glaze, "6"), "glaze-water", Load(6, Dryness.Damp)).ShouldNotBeNull();
        Findings(Read("full to 1100; 60/h to 1205 hold 10m; off", ScheduleKind.Glaze, "6"), Load(6, Dryness.Damp))
            .ShouldContain(f => f.Id == "glaze-water" && f.Severity == Severity.Danger);
        Findings(Read("80/h to 120 hold 30m; 200/h to 1100; 60/h to 1205 hold 10m; off", ScheduleKind.Glaze, "6"), Load(6, Dryness.Damp)).ShouldBeEmpty();
        Mended(Read("250/h to 640; 60/h to 680; off", ScheduleKind.Refiring, "019"), "organics-fast", Load(6)).ShouldNotBeNull();
        Findings(Read("100/h to 300; 140/h to 640; 60/h to 685; off", ScheduleKind.Refiring, "019"), Load(6)).ShouldBeEmpty();
        Findings(Read("80/h to 120 hold 30m; 200/h to 1100; 60/h to 1205 hold 10m; off", ScheduleKind.Glaze, "6"), Load(6, already: true))
            .Select(f => f.Id)
            .ShouldContain("organics-fast");
    }

    [Fact]
    public void Crystals_are_cooling_whatever_they_swing_and_burn_out_is_climb()
    {
        var crystal = WareLoad
            .Create([WareLot.Create("vases", 6, 6, glazes: [Glaze.Create("Crystal", null, null, slowFrom: 1120, slowTo: 1020, slowHours: 3.5).Value]).Value])
            .Value;
        Findings(Read("150/h to 1230; cool 300/h to 1100 hold 2h; 60/h to 1110 hold 30m; cool 100/h to 1050 hold 90m; off", ScheduleKind.Glaze, null), crystal)
            .ShouldBeEmpty();
        // Three hours at 800 on the way down burn nothing out.
        Findings(Read("60/h to 90 hold 4h; 100/h to 600; 300/h to 998; cool 200/h to 800 hold 3h; off", ScheduleKind.Bisque, "06"), Load(8))
            .ShouldContain(f => f.Id == "burn-out-short");
        // A bisque that ends below 950 burns out up to its top.
        Findings(Read("60/h to 90 hold 4h; 100/h to 600; 100/h to 900; off", ScheduleKind.Bisque, null), Load(6)).ShouldBeEmpty();
    }

    [Fact]
    public void A_clock_that_runs_on_leaves_its_target_unreached()
    {
        var kiln = Kiln.Create(new KilnSpecification("A kiln", "top-190", null, HoldClock.RunsByItself, null, new Dictionary<string, double?>())).Value;
        var place = new ElectricKiln(kiln, kiln.UsualLoad(ScheduleKind.Glaze), kiln.Room);
        var findings = Findings(Read("100/h to 600; 400/h to 1100; 60/h to 1222; off", ScheduleKind.Glaze, "6"), null, kiln: place);
        findings.ShouldContain(
            f => f.Id == "target-unreached" && f.Severity == Severity.Danger && f.Segment == 1,
            string.Join(" | ", findings.Select(f => $"{f.Id} {f.Text}"))
        );
        findings.ShouldNotContain(f => f.Id == "rate-slip");
        // A zero too many is the likelier fault, and explains the rest.
        Findings(Read("100/h to 600; 900/h to 1100; 60/h to 1222; off", ScheduleKind.Glaze, "6"), null, kiln: place).ShouldContain(f => f.Id == "rate-slip");
    }

    [Fact]
    public void Low_numbers_are_nothing_to_speak_of_while_somebody_still_writes()
    {
        Findings(Read("80/h to 120", ScheduleKind.Glaze, null), null).ShouldBeEmpty();
        Findings(Read("60/h to 90 hold 2h; 100/h to 600", ScheduleKind.Bisque, null), null).ShouldBeEmpty();
        Findings(Read("150/h to 600", ScheduleKind.Glaze, null), null).ShouldBeEmpty();
    }
}
