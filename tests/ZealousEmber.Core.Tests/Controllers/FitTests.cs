using Shouldly;
using Xunit;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Controllers;

/// <summary>The worked fits of the paper.</summary>
public sealed class FitTests
{
    internal static Schedule Written(string text, ScheduleKind kind, string? cone = null) =>
        Schedule
            .Create(
                "wanted",
                kind,
                TemperatureUnit.Celsius,
                [.. NotationReader.Read(text, TemperatureUnit.Celsius).Segments!],
                goal: cone is null ? null : Cone.Named(cone)
            )
            .Value;

    internal static ControllerProgram Fit(string text, string kind, string cone, string profile, int? most = null)
    {
        var read = KeyMachineTests.Profile(profile);
        if (most is { } steps)
            read = read.WithMost(steps);
        var wanted = Written(text, kind == "bisque" ? ScheduleKind.Bisque : ScheduleKind.Glaze, cone);
        return ControllerFit.Of(new ProgramRequest(wanted, read, Cone.Named(cone), Temperature.FromCelsius(20))).Value;
    }

    internal static string Said(IEnumerable<Answer> program) => string.Join(' ', program.Select(a => $"{a.Asked.Id}={a.Shown}"));

    private const string Glaze = "100/h to 200; 180/h to 1100; 60/h to 1210 hold 15m; off";
    private const string Bisque = "80/h to 90 hold 240m; 100/h to 600; 150/h to 950; 60/h to 1060 hold 10m; off";
    private const string Cooled = "120/h to 600; 200/h to 1080; 60/h to 1205 hold 20m; 150/h to 1000; 55/h to 800 hold 30m; off";

    [Theory]
    [InlineData(
        Glaze,
        "glaze",
        "6",
        "Wedge",
        null,
        Fits.Exactly,
        "slot=1 count=3 rate.1=100 target.1=200 hold.1=0.00 rate.2=180 target.2=1100 hold.2=0.00 rate.3=60 target.3=1210 hold.3=0.15 alarm=1220 delay=0.00",
        0,
        0,
        1.2,
        1.2
    )]
    [InlineData(
        Glaze,
        "glaze",
        "6",
        "Bat",
        null,
        Fits.Exactly,
        "slot=1 rate.1=180 target.1=392 hold.1=0.00 rate.2=324 target.2=2012 hold.2=0.00 rate.3=108 target.3=2210 hold.3=0.15 rate.4=0 alarm=2228 delay=0.00",
        0,
        0,
        1.2,
        1.2
    )]
    [InlineData(
        Glaze,
        "glaze",
        "6",
        "Calliper",
        null,
        Fits.Exactly,
        "time.1=1:48 target.1=200 time.2=5:00 target.2=1100 time.3=1:50 target.3=1210 time.4=0:15 target.4=1210 time.5=done",
        0,
        0,
        1.2,
        1.2
    )]
    [InlineData(
        Glaze,
        "glaze",
        "6",
        "Kidney",
        null,
        Fits.Nearly,
        "delay=0:00 rate.1=159 target.1=1100 rate.2=60 target.2=1210 hold=0:15 cool=pass",
        360,
        0,
        1.2,
        1.2
    )]
    [InlineData(
        "50/h to 90 hold 360m; 50/h to 120; 100/h to 540; 60/h to 610; 90/h to 950; 60/h to 1063; off",
        "bisque",
        "04",
        "Wedge",
        3,
        Fits.Nearly,
        "slot=1 count=3 rate.1=50 target.1=90 hold.1=6.00 rate.2=88 target.2=950 hold.2=0.00 rate.3=60 target.3=1063 hold.3=0.00 alarm=1073 delay=0.00",
        174,
        2,
        1.25,
        1.25
    )]
    [InlineData(
        Bisque,
        "bisque",
        "04",
        "Chamois",
        null,
        Fits.Nearly,
        "rate.1=80 target.1=80 rate.2=10 target.2=120 rate.3=100 target.3=540 rate.4=110 target.4=1060 hold=16",
        236,
        -22,
        1.57,
        1.57
    )]
    [InlineData(
        Bisque,
        "bisque",
        "04",
        "Kidney",
        null,
        Fits.No,
        "delay=0:00 rate.1=19 target.1=120 rate.2=105 target.2=1060 hold=0:16 cool=pass",
        798,
        10,
        1.57,
        1.59
    )]
    [InlineData(
        Cooled,
        "glaze",
        "6",
        "Kidney",
        null,
        Fits.Nearly,
        "delay=0:00 rate.1=120 target.1=540 rate.2=133 target.2=1205 hold=0:24 cool=75",
        340,
        239,
        1.17,
        1.18
    )]
    [InlineData(
        Cooled,
        "glaze",
        "6",
        "Chamois",
        null,
        Fits.No,
        "rate.1=120 target.1=600 rate.2=200 target.2=1080 rate.3=60 target.3=1205 rate.4=stop hold=23",
        0,
        -327,
        1.17,
        1.16
    )]
    [InlineData(
        "60/h to 100 hold 720m; 120/h to 600; 110/h to 995 hold 10m; off",
        "bisque",
        "06",
        "Ewer",
        null,
        Fits.Exactly,
        "slot=Oyster count=3 rate.1=1.0 target.1=100 hold.1=720 rate.2=2.0 target.2=600 hold.2=0 rate.3=1.8 target.3=995 hold.3=10 delay=0.0",
        0,
        4,
        1.21,
        1.22
    )]
    public void The_fits_of_the_paper_are_found(
        string text,
        string kind,
        string cone,
        string profile,
        int? most,
        Fits fits,
        string program,
        double cost,
        double minutes,
        double before,
        double after
    )
    {
        var fit = Fit(text, kind, cone, profile, most);
        Said(fit.Program).ShouldBe(program, $"cost {fit.Cost:0.0} D {fit.Wanted:0.0000} {fit.Fitted:0.0000} min {fit.Minutes:0.0} {fit.Fits}");
        fit.Fits.ShouldBe(fits);
        fit.Cost.ShouldBe(cost, 0.6);
        fit.Minutes.ShouldBe(minutes, 0.6);
        // The paper's cones are fitted by themselves; ours are within six hundredths of them.
        fit.Wanted.ShouldBe(before, before * 0.06);
        fit.Fitted.ShouldBe(after, after * 0.06);
    }

    [Fact]
    public void A_cone_and_a_speed_come_near_a_schedule()
    {
        // The paper has hold=0.03 and alarm=1074: its cone 04 falls a degree later.
        var pug = Fit(Bisque, "bisque", "04", "Pug");
        Said(pug.Program).ShouldBe("cone=04 speed=medium hold=0.05 dry=3.56 alarm=1073 delay=0.00");
        pug.Fits.ShouldBe(Fits.Nearly);
        pug.Cost.ShouldBe(1135, 20);
        pug.Minutes.ShouldBe(-117, 3);
        (pug.Fitted / pug.Wanted).ShouldBe(1, 0.03);
        var stilt = Fit(Glaze, "glaze", "6", "Stilt");
        Said(stilt.Program).ShouldBe("cone=6 hours=9.0 hold=15 cool=alone");
        stilt.Fits.ShouldBe(Fits.Nearly);
        stilt.Cost.ShouldBe(337, 12);
        stilt.Minutes.ShouldBe(22, 1);
        stilt.Fitted.ShouldBe(1.16, 0.06);
    }

    [Fact]
    public void What_is_beyond_a_controller_is_out_of_reach()
    {
        Fit("150/h to 1330; off", "glaze", "14", "Chamois").Fits.ShouldBe(Fits.OutOfReach);
        Fit("150/h to 1330; off", "glaze", "14", "Pug").Fits.ShouldBe(Fits.OutOfReach);
        var cools = Written("off to 100; off", ScheduleKind.Glaze);
        ControllerFit.Of(new ProgramRequest(cools, KeyMachineTests.Profile("Bat"), null, Temperature.FromCelsius(900))).Problems[0].Field.ShouldBe("schedule");
        ControllerFit
            .Of(new ProgramRequest(Written(Glaze, ScheduleKind.Glaze), KeyMachineTests.Profile("Bung"), null, Temperature.FromCelsius(20)))
            .Problems[0]
            .Field.ShouldBe("profile");
    }

    [Fact]
    public void What_is_different_is_said_and_what_would_do()
    {
        var dry = Fit(Bisque, "bisque", "04", "Kidney");
        dry.Why.ShouldBe("Drying comes down from 4.4 to 2.1 h. A controller with 3 steps would do. Or dry it first, by itself.");
        dry.Changes.Select(c => (c.Kind, c.Step)).ShouldBe([("merged", 1), ("merged", 2), ("hold", null)]);
        dry.Changes[0].Text.ShouldBe("Steps 1 and 2 with the hold become one climb, 20 °C to 120 °C in 5 h 10.");
        dry.Changes[2].Text.ShouldBe("The top is held 16 min instead of 10, for the same heat work.");
        Fit(Bisque, "bisque", "04", "Kidney", 3).Fits.ShouldBe(Fits.Nearly, "three steps do");
        var cold = Fit(Cooled, "glaze", "6", "Chamois");
        cold.Why.ShouldBe("The cooling that was asked for is lost.");
        cold.Changes.Select(c => c.Kind).ShouldBe(["cooling", "hold"]);
        Fit(Cooled, "glaze", "6", "Kidney").Changes.Select(c => c.Text).ShouldContain("One cooling of 75 °C/h down to 500 °C.");
        Fit("60/h to 100 hold 720m; 120/h to 600; 110/h to 995 hold 10m; off", "bisque", "06", "Ewer")
            .Changes.ShouldHaveSingleItem()
            .Text.ShouldBe("108 °C/h instead of 110 °C/h.");
        Fit("700/h to 1210; off", "glaze", "6", "Wedge")
            .Changes.ShouldContain(c => c.Kind == "clamped" && c.Text == "700 °C/h cannot be said; 600 °C/h is the nearest.");
        Fit(Glaze, "glaze", "6", "Bat").Changes.ShouldBeEmpty();
        Fit("150/h to 1330; off", "glaze", "14", "Chamois").Why.ShouldBe("It goes to 1280 °C; 1330 is wanted.");
        Fit("full to 1200; off", "glaze", "6", "Chamois").Changes.ShouldContain(c => c.Kind == "no-full");
    }

    [Fact]
    public void Full_power_and_off_keep_their_words()
    {
        var fit = Fit("100/h to 600; full to 1200 hold 10m; off to 1000; 50/h to 800; off", "glaze", "6", "Wedge");
        Said(fit.Program)
            .ShouldBe(
                "slot=1 count=4 rate.1=100 target.1=600 hold.1=0.00 rate.2=888 target.2=1200 hold.2=0.10 rate.3=888 target.3=1000 hold.3=0.00 rate.4=50 "
                    + "target.4=800 hold.4=0.00 alarm=1210 delay=0.00"
            );
        fit.Fits.ShouldBe(Fits.Exactly);
        fit.Schedule!.Steps.Select(s => s.Pace.Kind).ShouldBe([PaceKind.Rate, PaceKind.Full, PaceKind.Natural, PaceKind.Rate, PaceKind.Natural]);
    }

    [Fact]
    public void A_hold_longer_than_can_be_said_is_said_twice()
    {
        var fit = Fit("60/h to 100 hold 3000m; 120/h to 600; 110/h to 995 hold 10m; off", "bisque", "06", "Ewer");
        Said(fit.Program).ShouldContain("hold.1=0 rate.2=1.0 target.2=100 hold.2=1000 rate.3=1.0 target.3=100 hold.3=1000 rate.4=1.0 target.4=100 hold.4=1000");
        fit.Minutes.ShouldBe(4, 1);
        var slow = Fit("20/h to 1000; off", "bisque", "06", "Calliper");
        slow.Program.Count(a => a.Asked.Question.Id == "time" && a.Meaning is null).ShouldBe(3);
        slow.Minutes.ShouldBe(0, 1);
    }

    [Fact]
    public void No_choice_of_points_costs_less_than_the_one_found()
    {
        var dice = new SeededRandom(77);
        var compared = 0;
        while (compared < 300)
        {
            var raw = dice.Next() < 0.5;
            var steps = new List<string>();
            var at = 20.0;
            for (var n = 1 + (int)(dice.Next() * 3); n > 0; n--)
            {
                at += Math.Round(dice.Between(15, 420));
                steps.Add($"{(int)dice.Between(20, 300)}/h to {at}{(dice.Next() < 0.4 ? $" hold {(int)dice.Between(5, 200)}m" : "")}");
            }
            if (dice.Next() < 0.5)
                steps.Add($"{(int)dice.Between(40, 200)}/h to {Math.Round(at * dice.Between(0.5, 0.95))}{(dice.Next() < 0.3 ? " hold 30m" : "")}");
            var text = string.Join("; ", steps) + "; off";
            var name = new[] { "Wedge", "Chamois", "Kidney", "Calliper" }[(int)(dice.Next() * 4)];
            var profile = KeyMachineTests.Profile(name) with { Most = 1 + (int)(dice.Next() * 5) };
            var schedule = Written(text, raw ? ScheduleKind.Bisque : ScheduleKind.Glaze);
            var kiln = new PlainKiln(Temperature.FromCelsius(20));
            var wanted = new WantedCurve(schedule.Program, kiln.Times(schedule.Program).Value, schedule.Kind);
            var last = profile.Cooling == CoolingRule.Steps ? wanted.Points.Count - 1 : wanted.TopEnd;
            if (last > 13)
                continue;
            compared++;
            var found = new StepFit(profile, wanted, new StepWords(profile)).Best(profile.Most);
            var best = Cheapest(profile, wanted, last);
            if (best is null)
                found.ShouldBeNull(text);
            else
                found!.Value.Cost.ShouldBe(best.Value, 1e-6, $"{text} on {name} in {profile.Most}");
        }
    }

    /// <summary>Every choice of the points between, one after another.</summary>
    private static double? Cheapest(ControllerProfile profile, WantedCurve wanted, int last)
    {
        double? best = null;
        var pieces = new StraightPieces(wanted);
        for (var chosen = 0; chosen < 1 << (last - 1); chosen++)
        {
            var at = Enumerable.Range(0, last + 1).Where(i => i == 0 || i == last || ((chosen >> (i - 1)) & 1) == 1).ToList();
            if (!at.Contains(wanted.TopStart) || (wanted.TopEnd <= last && !at.Contains(wanted.TopEnd)))
                continue;
            var (cost, used, afterRamp) = (0.0, 0, false);
            foreach (var (i, j) in at.Zip(at.Skip(1)))
            {
                var (a, b) = (wanted.Points[i], wanted.Points[j]);
                var (isFlat, minutes) = (Math.Abs(a.Celsius - b.Celsius) < 0.5, (b.Hours - a.Hours) * 60);
                cost += pieces.Cost(i, j);
                if (profile.Give == StepForm.Time)
                {
                    used += (int)Math.Ceiling(minutes / 1439 - 1e-9);
                    if (minutes < 0.5)
                        cost += 1000;
                }
                else if (!isFlat)
                {
                    used++;
                    var (rate, question) = (Math.Abs(b.Celsius - a.Celsius) / minutes * 60, profile.Find("rate")!);
                    if (rate < question.Min - question.Step / 2 || rate > question.Max + question.Step / 2)
                        cost += 1000;
                }
                else if (profile.Hold == HoldRule.Every)
                    used += afterRamp ? 0 : 1;
                else if (i != wanted.TopStart || j != wanted.TopEnd)
                    (used, cost) = (used + 1, cost + 1000);
                afterRamp = !isFlat;
            }
            if (used <= profile.Most && !(cost >= best))
                best = cost;
        }
        return best;
    }
}
