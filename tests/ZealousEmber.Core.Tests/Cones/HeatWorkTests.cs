using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Cones;

public class HeatWorkTests
{
    private static ConeKinetics Kinetics(string cone) => ConeTable.Of(ConeNumber.Parse(cone).Value).Kinetics;

    private static Curve CurveOf(string line)
    {
        var segments = NotationReader.Read(line, TemperatureUnit.Celsius).Segments;
        return CompiledSchedule.From(Make.Schedule([.. segments]).Program, Make.Celsius(20), PlainKiln.Instance).Value.Curve;
    }

    /// <summary>The figures of the paper, an independent prototype with another fit: agree within 10 %.</summary>
    [Theory]
    [InlineData("100/h to 200; 200/h to 1120; 60/h to 1222", "5", 5.3)]
    [InlineData("100/h to 200; 200/h to 1120; 60/h to 1222", "6", 0.96)]
    [InlineData("100/h to 200; 200/h to 1120; 60/h to 1222", "7", 0.50)]
    [InlineData("100/h to 200; 200/h to 1120; 60/h to 1222 hold 15m", "6", 1.51)]
    [InlineData("100/h to 200; 200/h to 1120; 60/h to 1222 hold 15m", "7", 0.79)]
    [InlineData("80/h to 200; 120/h to 1210 hold 15m", "5½", 1.36)]
    [InlineData("80/h to 200; 120/h to 1210 hold 15m", "6", 0.66)]
    [InlineData("80/h to 200; 120/h to 1210 hold 15m", "7", 0.34)]
    [InlineData("150/h to 1080; 60/h to 1186 hold 60m", "5", 3.8)]
    [InlineData("150/h to 1080; 60/h to 1186 hold 60m", "6", 0.80)]
    [InlineData("150/h to 1040; 60/h to 1200 hold 10m; cool 55/h to 850", "6", 1.02)]
    [InlineData("150/h to 1040; 60/h to 1200 hold 10m; cool 55/h to 850", "7", 0.52)]
    public void Progress_agrees_with_the_paper(string line, string cone, double progress) =>
        HeatWork.Of(Kinetics(cone), CurveOf(line)).ShouldBe(progress, progress * 0.10);

    [Fact]
    public void Exact_pieces_agree_with_a_fine_step_sum() =>
        Gen.Select(Gen.Double[600, 1350], Gen.Double[-400, 400], Gen.Double[0.05, 3], Gen.Int[0, 37])
            .Sample(
                (from, by, hours, index) =>
                {
                    var to = Math.Clamp(from + by, 500, 1400);
                    var cone = ConeTable.All[index].Kinetics;
                    const int steps = 20_000;
                    var sum = Enumerable.Range(0, steps).Sum(i => cone.RateAt(from + (to - from) * (i + 0.5) / steps)) * hours / steps;
                    cone.Over(from, to, hours).ShouldBe(sum, Math.Max(sum * 5e-4, 1e-12));
                },
                iter: 60
            );

    [Fact]
    public void However_a_log_is_cut_up_the_heat_work_is_the_same() =>
        Gen.Select(Gen.Int[1, 2000], Gen.Int[0, 37])
            .Sample(
                (pieces, index) =>
                {
                    var cone = ConeTable.All[index].Kinetics;
                    var whole = CurveOf("150/h to 1040; 60/h to 1230 hold 10m; cool 100/h to 800");
                    var minutes = whole.Points[^1].Minutes;
                    var cut = whole
                        .Points.ToArray()
                        .Select(p => p.Minutes)
                        .Concat(Enumerable.Range(0, pieces).Select(i => minutes * i / pieces))
                        .Order()
                        .Distinct()
                        .Select(m => new CurvePoint(m, whole.At(NodaTime.Duration.FromMinutes(m)).Celsius));
                    var expected = HeatWork.Of(cone, whole);
                    HeatWork.Of(cone, new Curve(cut)).ShouldBe(expected, expected * 1e-4 + 1e-9);
                },
                iter: 40
            );

    [Fact]
    public void Work_per_step_adds_up_and_more_hold_is_never_less()
    {
        var segments = NotationReader.Read("150/h to 1040; 60/h to 1200 hold 10m; cool 55/h to 850; off", TemperatureUnit.Celsius).Segments;
        var compiled = CompiledSchedule.From(Make.Schedule([.. segments]).Program, Make.Celsius(20), PlainKiln.Instance).Value;
        var shares = HeatWork.PerStretch(Kinetics("6"), compiled.Curve, [.. compiled.Segments.Select(s => s.End.TotalMinutes)]);
        shares.Sum().ShouldBe(HeatWork.Of(Kinetics("6"), compiled.Curve), 1e-9);
        shares[1].ShouldBeGreaterThan(0.5 * shares.Sum());
        shares[2].ShouldBeGreaterThan(0.05);
        HeatWork.Of(Kinetics("6"), CurveOf("60/h to 1200 hold 11m")).ShouldBeGreaterThan(HeatWork.Of(Kinetics("6"), CurveOf("60/h to 1200 hold 10m")));
    }

    [Fact]
    public void A_cold_curve_a_single_point_and_a_jump_do_nothing()
    {
        HeatWork.OfAll(CurveOf("100/h to 200")).ShouldAllBe(d => d >= 0 && d < 1e-6);
        HeatWork.OfAll(new Curve([new CurvePoint(0, 1200)])).ShouldAllBe(d => d == 0);
        HeatWork.OfAll(new Curve([new CurvePoint(0, 20), new CurvePoint(0, 1200)])).ShouldAllBe(d => d == 0);
    }

    [Fact]
    public void A_slipped_zero_is_noticed()
    {
        var low = HeatWork.OfAll(CurveOf("150/h to 960; 60/h to 1063"));
        ConePhrases.ZeroSlip(ConeNumber.Parse("4").Value, low).ShouldNotBeNull().ShouldContain("for cone 04, and the goal says 4");
        ConePhrases.ZeroSlip(ConeNumber.Parse("04").Value, low).ShouldBeNull();
        ConePhrases.ZeroSlip(ConeNumber.Parse("6").Value, low).ShouldBeNull();
    }

    [Theory]
    [InlineData("100/h to 200; 200/h to 1120; 60/h to 1222", "Reaches cone 6, tip at 6 o’clock; 7 at 2 o’clock")]
    [InlineData("100/h to 200; 200/h to 1120; 60/h to 1222 hold 15m", "A little past cone 6; 7 at half past 4")]
    [InlineData("100/h to 200", "Below cone 022, which stands")]
    [InlineData("300/h to 1400 hold 5h", "A little past cone 14")]
    public void The_row_of_cones_is_said_in_words(string line, string words) => ConePhrases.Nearest(HeatWork.OfAll(CurveOf(line))).ShouldBe(words);
}
