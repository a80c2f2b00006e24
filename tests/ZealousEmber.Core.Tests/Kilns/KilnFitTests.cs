using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Kilns;

/// <summary>A kiln that is known is fired, its log made noisy, and the kiln learned back from it.</summary>
public sealed class KilnFitTests
{
    private const string Firing = "100/h to 200; 200/h to 1120; 60/h to 1222 hold 10m; off";

    /// <summary>A minute-by-minute log of a run, with the power share and a little noise.</summary>
    private static FiringLog Log(
        Kiln kiln,
        KilnLoad load,
        string line = Firing,
        bool share = true,
        bool setPoint = false,
        double noise = 0.5,
        double? offAt = null,
        Func<double, bool>? missing = null
    )
    {
        var run = KilnRunner.Run(Make.Schedule(line).Program, Make.Celsius(20), kiln, load).Value;
        var random = new Random(7);
        var samples = new List<LogSample>();
        for (var m = 0.0; m <= run.Compiled.Total.TotalMinutes; m += 5)
        {
            if (missing?.Invoke(m) == true)
                continue;
            var at = NodaTime.Duration.FromMinutes(m);
            var bin = (int)(m / 5);
            var used = bin < run.Uses[0].KwhPerBin.Length ? run.Uses[0].KwhPerBin[bin] * 12_000 / kiln.FullPower : 0;
            // The thermocouple shows what the chamber was a minute and a half ago.
            var shown = run.Compiled.Curve.At(at - NodaTime.Duration.FromSeconds(90)).Celsius;
            samples.Add(
                new LogSample(
                    m,
                    shown + noise * (2 * random.NextDouble() - 1),
                    share ? Math.Min(1, used) : null,
                    setPoint && at < run.Compiled.Powered ? run.SetPoint.At(at).Celsius : null
                )
            );
        }
        return FiringLog.Create(samples, offAt).Value;
    }

    private static readonly Kiln Usual = Make.Kiln("top-190");
    private static readonly KilnLoad Load = Usual.UsualLoad(ScheduleKind.Glaze);

    [Fact]
    public void A_kiln_is_learned_back_from_a_log_with_its_power_share() =>
        Gen.Select(Gen.Double[0.75, 1.3], Gen.Double[0.75, 1.3])
            .Sample(
                (heat, loss) =>
                {
                    var truth = Usual.Learned(heat, loss, 1, 0.1);
                    var learned = KilnFit.Learn(Usual, [new LoggedFiring(Log(truth, Load), Load)], LearnWhat.Kiln).Value;
                    learned.Heat.Value.ShouldBe(heat, heat * 0.01);
                    learned.Loss.Value.ShouldBe(loss, loss * 0.01);
                    learned.Curves.Single().MissAfter.ShouldBeLessThan(5);
                },
                iter: 12
            );

    [Fact]
    public void A_learned_kiln_foretells_another_firing()
    {
        // The truth has another wall and another leak than the kiln that is learned: what is wrong must not spoil what is foretold.
        var truth = Make.Kiln("top-190", ("brickThickness", 70), ("leak", 1.6), ("heatFactor", 112));
        var learned = KilnFit.Learn(Usual, [new LoggedFiring(Log(truth, Load), Load)], LearnWhat.Kiln).Value.Kiln;
        const string other = "80/h to 600; 120/h to 1000; 60/h to 1180 hold 30m; off";
        KilnRun Run(Kiln kiln) => KilnRunner.Run(Make.Schedule(other).Program, Make.Celsius(20), kiln, Load).Value;
        var (was, is_, told) = (Run(Usual), Run(truth), Run(learned));
        told.Compiled.Powered.TotalMinutes.ShouldBe(is_.Compiled.Powered.TotalMinutes, 20);
        told.Energy.Used.ShouldBe(is_.Energy.Used, is_.Energy.Used * 0.03);
        (told.OpensAt!.Value - told.Compiled.Powered).TotalHours.ShouldBe(
            (is_.OpensAt!.Value - is_.Compiled.Powered).TotalHours,
            (is_.OpensAt!.Value - is_.Compiled.Powered).TotalHours * 0.05
        );
        Math.Abs(was.Energy.Used - is_.Energy.Used).ShouldBeGreaterThan(3 * Math.Abs(told.Energy.Used - is_.Energy.Used));
    }

    [Fact]
    public void A_set_point_teaches_where_the_kiln_fell_behind_and_cooled()
    {
        var truth = Usual.Learned(1.15, 0.85, 1, 0.1);
        var learned = KilnFit.Learn(Usual, [new LoggedFiring(Log(truth, Load, share: false, setPoint: true), Load)], LearnWhat.Kiln);
        learned.IsOk.ShouldBeTrue(string.Join(' ', learned.Problems));
        learned.Value.Curves.Single().MissAfter.ShouldBeLessThan(learned.Value.Curves.Single().MissBefore);
    }

    [Fact]
    public void Temperatures_alone_teach_the_cooling_and_no_more()
    {
        var truth = Usual.Learned(1.2, 0.9, 1, 0.1);
        KilnRun Run(Kiln kiln, string line) => KilnRunner.Run(Make.Schedule(line).Program, Make.Celsius(20), kiln, Load).Value;
        var off = Run(truth, Firing).Compiled.Powered.TotalMinutes;
        var learned = KilnFit.Learn(Usual, [new LoggedFiring(Log(truth, Load, share: false, offAt: Math.Round(off)), Load)], LearnWhat.Kiln).Value;
        learned.Heat.Value.ShouldBe(1);
        learned.Kiln.Uncertainty.ShouldBe(0.1);
        learned.Notes.ShouldContain(n => n.Contains("temperatures alone"));
        double Cooling(Kiln kiln)
        {
            var run = Run(kiln, "100/h to 1000 hold 20m; off");
            return (run.OpensAt!.Value - run.Compiled.Powered).TotalHours;
        }
        Cooling(learned.Kiln).ShouldBe(Cooling(truth), 0.05 * Cooling(truth));
        Math.Abs(Cooling(Usual) - Cooling(truth)).ShouldBeGreaterThan(0.1 * Cooling(truth));
    }

    [Fact]
    public void Worn_elements_are_told_from_a_kiln_that_was_learned()
    {
        var worn = Usual.Learned(1, 1, 0.87, 0.05);
        var learned = KilnFit.Learn(Usual, [new LoggedFiring(Log(worn, Load), Load)], LearnWhat.Elements).Value;
        learned.Elements.Value.ShouldBe(0.87, 0.01);
        learned.Heat.Value.ShouldBe(1);
        learned.Kiln.Uncertainty.ShouldBeLessThan(0.1);
    }

    [Fact]
    public void A_meter_gives_the_power()
    {
        var truth = Usual.Learned(1.1, 1, 0.9, 0.1);
        var kwh = KilnRunner.Run(Make.Schedule(Firing).Program, Make.Celsius(20), truth, Load).Value.Energy.Used;
        var learned = KilnFit.Learn(Usual, [new LoggedFiring(Log(truth, Load), Load, kwh)], LearnWhat.Kiln).Value;
        learned.Elements.Value.ShouldBe(0.9, 0.01);
        learned.Heat.Value.ShouldBe(1.1, 0.02);
    }

    [Fact]
    public void Gaps_are_left_out_and_said()
    {
        var truth = Usual.Learned(1.1, 1.1, 1, 0.1);
        var learned = KilnFit
            .Learn(Usual, [new LoggedFiring(Log(truth, Load, missing: m => m is > 300 and < 360 or > 900 and < 1000), Load)], LearnWhat.Kiln)
            .Value;
        learned.Heat.Value.ShouldBe(1.1, 0.03);
        learned.Notes.ShouldContain(n => n.Contains("missing"));
    }

    [Fact]
    public void A_log_that_cannot_tell_is_refused()
    {
        // Always within what the kiln can do, and never off: what was asked is what is seen, whatever the kiln.
        var log = Log(Usual, Load, "60/h to 300 hold 3h", share: false, setPoint: true);
        KilnFit.Learn(Usual, [new LoggedFiring(log, Load)], LearnWhat.Kiln).Problems.ShouldHaveSingleItem().Message.ShouldContain("cannot tell");
        KilnFit.Learn(Usual, [new LoggedFiring(log, Load)], LearnWhat.Elements).Problems.ShouldHaveSingleItem().Message.ShouldContain("power share");
    }

    [Fact]
    public void A_log_of_another_kiln_is_refused()
    {
        var other = Make.Kiln("bench");
        var log = Log(other, other.UsualLoad(ScheduleKind.Glaze));
        KilnFit.Learn(Usual, [new LoggedFiring(log, Load)], LearnWhat.Kiln).IsOk.ShouldBeFalse();
    }

    [Theory]
    [InlineData(10, 5.0, 1000.0, "at least 20")]
    [InlineData(100, 0.1, 1000.0, "an hour is the least")]
    [InlineData(100, 1000.0, 1000.0, "several firings")]
    [InlineData(100, 5.0, 40.0, "hardly changes")]
    [InlineData(100, 5.0, 1000.0, "temperatures only")]
    public void A_log_with_nothing_to_learn_from_says_why(int count, double every, double peak, string says) =>
        FiringLog
            .Create([.. Enumerable.Range(0, count).Select(i => new LogSample(i * every, 20 + (peak - 20) * i / count, null, null))], null)
            .Problems.ShouldHaveSingleItem()
            .Message.ShouldContain(says);

    [Fact]
    public void Times_that_go_back_are_refused_and_dense_logs_thinned()
    {
        var dense = Enumerable.Range(0, 36_000).Select(i => new LogSample(i / 60.0, 20 + i * 0.03, 0.5, null)).ToList();
        FiringLog.Create(dense, null).Value.Samples.Length.ShouldBeInRange(1000, 1300);
        dense[500] = dense[400];
        FiringLog.Create(dense, null).Problems.ShouldHaveSingleItem().Message.ShouldContain("goes back at reading 501");
    }

    [Fact]
    public void Giving_up_is_quick()
    {
        using var gaveUp = new CancellationTokenSource();
        gaveUp.Cancel();
        Should.Throw<OperationCanceledException>(() => KilnFit.Learn(Usual, [new LoggedFiring(Log(Usual, Load), Load)], LearnWhat.Kiln, gaveUp.Token));
    }
}
