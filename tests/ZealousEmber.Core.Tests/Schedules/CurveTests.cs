using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Schedules;

public class CurveTests
{
    private static readonly Curve Hill = new([new(0, 20), new(60, 120), new(90, 120), new(150, 20)]);

    /// <summary>Curves as a log has them: any temperatures, times that never go back.</summary>
    private static readonly Gen<Curve> AnyCurve = Gen.Select(Gen.Double[0.01, 30], Gen.Double[-20, 1400])
        .Array[1, 60]
        .Select(steps =>
        {
            var minute = 0.0;
            return new Curve(steps.Select(s => new CurvePoint(minute += s.Item1, s.Item2)).ToList());
        });

    [Theory]
    [InlineData(-5, 20)]
    [InlineData(0, 20)]
    [InlineData(30, 70)]
    [InlineData(75, 120)]
    [InlineData(120, 70)]
    [InlineData(999, 20)]
    public void Between_points_it_is_straight_and_beyond_them_it_stays(double minute, double celsius) =>
        Hill.At(Duration.FromMinutes(minute)).Celsius.ShouldBe(celsius, 1e-9);

    [Fact]
    public void It_is_known_when_it_passes_a_temperature()
    {
        Hill.FirstRiseThrough(Make.Celsius(70)).ShouldBe(Duration.FromMinutes(30));
        Hill.LastFallThrough(Make.Celsius(70)).ShouldBe(Duration.FromMinutes(120));
        Hill.FirstRiseThrough(Make.Celsius(121)).ShouldBeNull();
        Hill.LastFallThrough(Make.Celsius(10)).ShouldBeNull();
        Hill.FirstRiseThrough(Make.Celsius(20)).ShouldBeNull();
    }

    [Fact]
    public void A_curve_that_goes_back_in_time_or_is_no_number_cannot_be_built()
    {
        Should.Throw<ArgumentException>(() => new Curve([]));
        Should.Throw<ArgumentException>(() => new Curve([new(5, 20), new(4, 20)]));
        Should.Throw<ArgumentException>(() => new Curve([new(0, double.NaN)]));
        Should.Throw<ArgumentException>(() => new Curve([new(double.PositiveInfinity, 20)]));
    }

    [Fact]
    public void A_jump_has_no_slope()
    {
        var jump = new Curve([new(0, 20), new(0, 500), new(60, 600)]);
        jump.FastestRise.KelvinsPerHour.ShouldBe(100, 1e-9);
        jump.FastestFall.KelvinsPerHour.ShouldBe(0);
    }

    [Fact]
    public void Thinning_keeps_the_ends_and_stays_within_its_tolerance() =>
        Gen.Select(AnyCurve, Gen.Double[0.5, 50])
            .Sample(
                (curve, tolerance) =>
                {
                    var thin = curve.Thinned(TemperatureDifference.FromKelvins(tolerance));
                    thin.Points.Length.ShouldBeLessThanOrEqualTo(curve.Points.Length);
                    (thin.Points[0], thin.Points[^1]).ShouldBe((curve.Points[0], curve.Points[^1]));
                    foreach (var point in curve.Points)
                        thin.At(Duration.FromMinutes(point.Minutes)).Celsius.ShouldBe(point.Celsius, tolerance + 1e-6);
                }
            );

    [Fact]
    public void The_wider_the_band_the_longer_the_time() =>
        Gen.Select(AnyCurve, Gen.Double[0, 1400], Gen.Double[0, 400], Gen.Double[0, 400])
            .Sample(
                (curve, low, width, more) =>
                {
                    var narrow = curve.TimeBetween(Make.Celsius(low), Make.Celsius(low + width)).Total;
                    var wide = curve.TimeBetween(Make.Celsius(low), Make.Celsius(low + width + more)).Total;
                    wide.ShouldBeGreaterThanOrEqualTo(narrow);
                    curve.TimeBetween(Make.Celsius(low + width), Make.Celsius(low)).Total.ShouldBe(narrow);
                }
            );
}
