using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Tests;

namespace ZealousEmber.Core.Tests.Kilns;

public sealed class KilnRunnerTests
{
    private static readonly Gen<Kiln> AnyKiln =
        from kind in Gen.Int[0, KilnClass.All.Length - 1]
        from health in Gen.Double[60, 105]
        from room in Gen.Double[0, 35]
        select Make.Kiln(KilnClass.All[kind].Id, ("elementHealth", health), ("room", room));

    private static KilnRun Run(string line, Kiln kiln, ScheduleKind kind = ScheduleKind.Glaze, double fill = 1, double start = 20, Fineness? fineness = null) =>
        KilnRunner.Run(Make.Schedule(line, kind).Program, Make.Celsius(start), kiln, kiln.UsualLoad(kind, fill), fineness).Value;

    [Fact]
    public void Energy_goes_somewhere()
    {
        Gen.Select(AnyKiln, Make.AnySchedule, Gen.Double[0, 1.2], Gen.Enum<ScheduleKind>())
            .Sample(
                (kiln, schedule, fill, kind) =>
                {
                    var run = KilnRunner.Run(schedule.Program, Make.Celsius(20), kiln, kiln.UsualLoad(kind, fill));
                    return !run.IsOk
                        || (
                            Math.Abs(run.Value.Energy.Used - run.Value.Energy.Lost - run.Value.Energy.Stored) < 1e-6 * Math.Max(1, run.Value.Energy.Used)
                            && Math.Abs(run.Value.Uses[0].KwhPerBin.Sum() - run.Value.Energy.Used) < 1e-6 * Math.Max(1, run.Value.Energy.Used)
                            && Math.Abs(run.Value.Steps.Sum(s => s.Kwh) - run.Value.Energy.Used) < 1e-6 * Math.Max(1, run.Value.Energy.Used)
                        );
                },
                iter: 300
            );
    }

    [Fact]
    public void A_run_is_in_order_and_stays_below_what_was_asked()
    {
        Gen.Select(AnyKiln, Make.AnySchedule)
            .Sample(
                (kiln, schedule) =>
                {
                    var made = KilnRunner.Run(schedule.Program, Make.Celsius(20), kiln, kiln.UsualLoad(ScheduleKind.Glaze));
                    if (!made.IsOk)
                        return;
                    var run = made.Value;
                    var hottest = Math.Max(Math.Max(20, kiln.Room.Celsius), schedule.Segments.Max(s => s.Target?.Celsius ?? 20));
                    run.Compiled.Curve.Peak.Celsius.ShouldBeLessThanOrEqualTo(hottest + 0.5);
                    for (var i = 1; i < run.Compiled.Segments.Length; i++)
                        run.Compiled.Segments[i].Start.TotalSeconds.ShouldBe(run.Compiled.Segments[i - 1].End.TotalSeconds, 1e-6);
                    run.OpensAt!.Value.ShouldBeGreaterThanOrEqualTo(run.Compiled.Total - Duration.FromSeconds(1));
                    run.FullPower.ShouldBeLessThanOrEqualTo(run.Compiled.Total);
                    run.Energy.Used.ShouldBeLessThanOrEqualTo(kiln.FullPower * run.Compiled.Total.TotalHours / 1000 + 1e-6);
                },
                iter: 300
            );
    }

    [Theory]
    [InlineData("bench", 1)]
    [InlineData("top-190", 1)]
    [InlineData("top-190", 0.3)]
    [InlineData("front-200", 1)]
    public void Finer_steps_and_a_finer_wall_change_little(string kind, double fill)
    {
        var kiln = Make.Kiln(kind);
        const string line = "100/h to 200; 200/h to 1120; 60/h to 1222 hold 10m; cool 55/h to 850 hold 1h; off";
        var usual = Run(line, kiln, fill: fill);
        var fine = Run(line, kiln, fill: fill, fineness: new Fineness(7.5, 45, 7.5));
        usual.Energy.Used.ShouldBe(fine.Energy.Used, fine.Energy.Used * 0.0025);
        foreach (var (one, other, i) in usual.Compiled.Segments.Zip(fine.Compiled.Segments).Select((pair, i) => (pair.First, pair.Second, i)))
        {
            (one.Ramp - other.Ramp).TotalMinutes.ShouldBe(0, 3, $"step {i}");
            // From the start of each step, so that a minute's difference in the one before is not taken for degrees.
            for (var m = 5.0; m < Math.Min(one.Ramp.TotalMinutes, other.Ramp.TotalMinutes); m += 5)
            {
                var after = Duration.FromMinutes(m);
                var apart = (usual.Compiled.Curve.At(one.Start + after) - fine.Compiled.Curve.At(other.Start + after)).Abs();
                apart.Kelvins.ShouldBeLessThan(one.To > one.From ? 1.0 : 2.0, $"step {i}, {m} min");
            }
        }
        (usual.Compiled.Curve.LastFallThrough(Make.Celsius(100))! - fine.Compiled.Curve.LastFallThrough(Make.Celsius(100))!).Value.TotalMinutes.ShouldBe(
            0,
            2.5
        );
    }

    [Fact]
    public void A_strong_kiln_does_what_was_asked()
    {
        var schedule = Make.Schedule("80/h to 200 hold 45m; 150/h to 1000; 60/h to 1210 hold 12m; cool 40/h to 1050 hold 1:30");
        var kiln = Make.Kiln("top-190", ("power", 40_000));
        var run = KilnRunner.Run(schedule.Program, Make.Celsius(20), kiln, kiln.UsualLoad(ScheduleKind.Glaze)).Value;
        var asked = CompiledSchedule.From(schedule.Program, Make.Celsius(20), PlainKiln.Instance).Value;
        run.Compiled.Total.TotalMinutes.ShouldBe(asked.Total.TotalMinutes, 3);
        run.Late.TotalMinutes.ShouldBeLessThan(3);
        run.Steps.ShouldAllBe(s => s.BehindFrom == null);
        run.Stall.ShouldBeNull();
        for (var m = 0; m < asked.Total.TotalMinutes; m += 10)
            (run.Compiled.Curve.At(Duration.FromMinutes(m)) - asked.Curve.At(Duration.FromMinutes(m))).Kelvins.ShouldBe(0, 4);
    }

    [Fact]
    public void A_climb_it_cannot_keep_to_says_from_where_and_how_late()
    {
        var run = Run("100/h to 200; 200/h to 1222 hold 10m", Make.Kiln("top-190"));
        var step = run.Steps[1];
        step.BehindFrom!.Value.Celsius.ShouldBeInRange(550, 750);
        step.Late.TotalHours.ShouldBeInRange(1.5, 2.5);
        (run.Compiled.Segments[1].Ramp - step.Late).TotalHours.ShouldBe(1022 / 200.0, 0.02);
        run.Steps[0].BehindFrom.ShouldBeNull();
    }

    [Fact]
    public void A_cooling_faster_than_the_kiln_falls_says_from_where()
    {
        var run = Run("200/h to 1000 hold 10m; cool 100/h to 100", Make.Kiln("top-190"));
        run.Steps[1].BehindFrom!.Value.Celsius.ShouldBeInRange(400, 750);
        run.Compiled.Curve.FastestFall.KelvinsPerHour.ShouldBeGreaterThan(-115);
    }

    [Fact]
    public void A_kiln_that_cannot_get_there_says_so_and_does_not_hang()
    {
        var run = Run("100/h to 200; 200/h to 1120; 60/h to 1222 hold 10m; off", Make.Kiln("bench", ("elementHealth", 85)));
        run.Stall.ShouldNotBeNull().Segment.ShouldBe(2);
        run.Stall.At.Celsius.ShouldBe(1155, 5);
        run.Stall.When.ShouldBeLessThan(run.Compiled.Segments[2].RampEnd);
        run.Compiled.Segments[2].To.ShouldBe(run.Stall.At);
    }

    [Fact]
    public void The_second_rule_goes_on_by_its_own_clock()
    {
        const string line = "100/h to 200; 200/h to 1222 hold 1h; off";
        var words = Make.Kiln("top-190").Specification();
        var byItself = Kiln.Create(words with { HoldClock = HoldClock.RunsByItself }).Value;
        var run = Run(line, byItself);
        (run.Compiled.Segments[1].Ramp.TotalHours).ShouldBe(1022 / 200.0, 0.02);
        run.Compiled.Segments[1].Hold.TotalHours.ShouldBe(1, 1e-6);
        run.Compiled.Curve.Peak.Celsius.ShouldBeLessThan(1180);
        Run(line, Make.Kiln("top-190")).Compiled.Curve.Peak.Celsius.ShouldBe(1222, 1);
    }

    [Fact]
    public void Fastest_climb_and_power_to_hold_are_those_of_the_paper()
    {
        foreach (var (health, rates) in new[] { (100.0, new[] { 214.0, 122, 74 }), (85.0, [168, 80, 32]) })
        {
            var climb = KilnPortrait.Of(Make.Kiln("top-190", ("elementHealth", health))).Climb;
            foreach (var (t, wanted) in new[] { 600.0, 1000, 1200 }.Zip(rates))
                climb.Single(p => p.At.Celsius == t).Rate.KelvinsPerHour.ShouldBe(wanted, 15, $"{t} °C at {health} %");
        }
        foreach (var (t, kilowatts) in new[] { (600, 2.9), (1000, 5.8), (1222, 7.7) })
            (Run($"200/h to {t} hold 40h", Make.Kiln("top-190")).Uses[0].KwhPerBin[^2] * 12).ShouldBe(kilowatts, 0.05);
    }

    [Fact]
    public void The_power_to_hold_is_that_of_the_steady_wall()
    {
        // Heat through the wall by hand: the integral of k over temperature from face to face, against loss outside, found by bisection.
        var kiln = Make.Kiln("top-190");
        const double chamber = 1000;
        var (area, brick) = (Math.Sqrt(kiln.InnerArea * kiln.OuterArea), kiln.Wall[0]);
        double Through(double inner, double outer) =>
            area / brick.Thickness * (brick.Conductivity0 * (inner - outer) + brick.Conductivity1 / 2 * (inner * inner - outer * outer));
        double Inside(double inner)
        {
            var (a, b) = (chamber + 273.15, inner + 273.15);
            return kiln.InnerArea * (8 * (a - b) + 0.7 * 5.670374e-8 * (Math.Pow(a, 4) - Math.Pow(b, 4)));
        }
        double OuterFor(double inner) => Bisect(20, inner, outer => kiln.OuterArea * 12 * (outer - 20) - Through(inner, outer));
        var hot = Bisect(20, chamber, inner => Through(inner, OuterFor(inner)) - Inside(inner));
        var watts = Inside(hot) + kiln.Leak * (chamber - 20);
        (Run("200/h to 1000 hold 60h", kiln).Uses[0].KwhPerBin[^2] * 12_000).ShouldBe(watts, watts * 0.005);

        static double Bisect(double low, double high, Func<double, double> rising)
        {
            for (var i = 0; i < 80; i++)
            {
                var middle = (low + high) / 2;
                if (rising(middle) > 0)
                    high = middle;
                else
                    low = middle;
            }
            return low;
        }
    }

    [Theory]
    [InlineData("bench", 1)]
    [InlineData("top-190", 1)]
    [InlineData("top-190", 0.4)]
    public void Cooling_is_that_of_a_general_solver_on_the_papers_equations(string kind, double fill)
    {
        var kiln = Make.Kiln(kind);
        var load = kiln.UsualLoad(ScheduleKind.Glaze, fill);
        var run = KilnRunner.Run(Make.Schedule("off").Program, Make.Celsius(1222), kiln, load).Value;
        const double hours = 6;
        const int points = 14_401;
        var exact = KilnOde.Cooling(kiln, load, 1222, hours, points, 16);
        for (var m = 10; m <= hours * 60; m += 10)
        {
            var ode = exact[(int)(m / (hours * 60) * (points - 1))];
            if (ode < 60)
                break;
            run.Compiled.Curve.At(Duration.FromMinutes(m)).Celsius.ShouldBe(ode, m < 40 ? 8 : 3, $"{m} min");
        }
    }

    [Fact]
    public void Wet_ware_costs_what_boiling_its_water_costs()
    {
        var kiln = Make.Kiln("top-190");
        KilnRun With(double water) =>
            KilnRunner.Run(Make.Schedule("60/h to 200 hold 4h", ScheduleKind.Bisque).Program, Make.Celsius(20), kiln, new KilnLoad(70, 25, true, water)).Value;
        (With(5).Energy.Used - With(1).Energy.Used).ShouldBe(4 * 2.26e6 / 3.6e6, 0.05);
    }

    [Theory]
    [InlineData("off", 20, "segments[0].target")]
    [InlineData("0.5/h to 1000", 20, "segments")]
    public void What_cannot_be_run_is_said(string line, double start, string field)
    {
        var kiln = Make.Kiln("bench");
        var schedule = line == "off" ? Make.Schedule(Make.Step(null, 300, 0, PaceKind.Natural)) : Make.Schedule(line);
        KilnRunner.Run(schedule.Program, Make.Celsius(start), kiln, KilnLoad.Empty).Problems.ShouldHaveSingleItem().Field.ShouldBe(field);
    }

    [Fact]
    public void Only_cooling_from_a_hot_start_uses_no_power()
    {
        var run = Run("off", Make.Kiln("top-190"), start: 900);
        run.Energy.Used.ShouldBe(0);
        run.OpensAt!.Value.ShouldBe(run.Compiled.Total);
        run.Compiled.Segments[0].To.Celsius.ShouldBe(50, 0.01);
    }

    [Fact]
    public void More_load_is_never_quicker_nor_cheaper()
    {
        Gen.Select(AnyKiln, Gen.Double[0, 1], Gen.Double[0, 1])
            .Sample(
                (kiln, a, b) =>
                {
                    var (less, more) = (Math.Min(a, b), Math.Max(a, b));
                    var one = Run("100/h to 200; 200/h to 1000 hold 10m; off", kiln, fill: less);
                    var other = Run("100/h to 200; 200/h to 1000 hold 10m; off", kiln, fill: more);
                    return one.Energy.Used <= other.Energy.Used + 0.02
                        && one.Compiled.Powered <= other.Compiled.Powered + Duration.FromMinutes(1)
                        && one.OpensAt <= other.OpensAt + Duration.FromMinutes(1);
                },
                iter: 60
            );
    }
}
