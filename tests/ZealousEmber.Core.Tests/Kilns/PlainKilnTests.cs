using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Schedules;

public class PlainKilnTests
{
    private static readonly PlainKiln Kiln = PlainKiln.Instance;

    private static double Minutes(IReadOnlyList<CurvePoint> trace) => trace[^1].Minutes;

    [Fact]
    public void A_climb_in_two_parts_takes_as_long_as_in_one() =>
        Gen.Select(Gen.Double[-20, 1400], Gen.Double[-20, 1400], Gen.Double[-20, 1400])
            .Sample(
                (a, b, c) =>
                {
                    var (low, middle, high) = (Math.Min(a, Math.Min(b, c)), Math.Max(Math.Min(a, b), Math.Min(Math.Max(a, b), c)), Math.Max(a, Math.Max(b, c)));
                    var whole = Minutes(Kiln.Climb(Make.Celsius(low), Make.Celsius(high)));
                    var parts = Minutes(Kiln.Climb(Make.Celsius(low), Make.Celsius(middle))) + Minutes(Kiln.Climb(Make.Celsius(middle), Make.Celsius(high)));
                    parts.ShouldBe(whole, 1e-6);
                }
            );

    [Fact]
    public void Cooling_in_two_parts_takes_as_long_as_in_one() =>
        Gen.Select(Gen.Double[600, 1400], Gen.Double[200, 600], Gen.Double[30, 200])
            .Sample(
                (high, middle, low) =>
                {
                    var whole = Minutes(Kiln.Cool(Make.Celsius(high), Make.Celsius(low)));
                    var parts = Minutes(Kiln.Cool(Make.Celsius(high), Make.Celsius(middle))) + Minutes(Kiln.Cool(Make.Celsius(middle), Make.Celsius(low)));
                    parts.ShouldBe(whole, 1e-6);
                }
            );

    [Theory]
    [InlineData(20, 350)]
    [InlineData(635, 215)]
    [InlineData(1250, 80)]
    [InlineData(1390, 80)]
    public void It_climbs_at_the_pace_of_the_convention(double celsius, double perHour)
    {
        var minutes = Minutes(Kiln.Climb(Make.Celsius(celsius), Make.Celsius(celsius + 1)));
        (60 / minutes).ShouldBe(perHour, 0.3);
    }

    [Fact]
    public void It_never_cools_below_what_the_room_allows_and_never_warms_by_itself()
    {
        Kiln.Cool(Make.Celsius(500), Make.Celsius(-20))[^1].Celsius.ShouldBe(25);
        Kiln.Cool(Make.Celsius(22), Make.Celsius(10)).ShouldHaveSingleItem().Celsius.ShouldBe(22);
        Kiln.Cool(Make.Celsius(-10), Make.Celsius(-20)).ShouldHaveSingleItem().Minutes.ShouldBe(0);
    }

    [Theory]
    [InlineData(TemperatureUnit.Celsius, "350 °C/h cold, 80 at 1250 °C")]
    [InlineData(TemperatureUnit.Fahrenheit, "630 °F/h cold, 144 at 2282 °F")]
    public void The_convention_is_said_in_the_readers_scale(TemperatureUnit unit, string says) => PlainKiln.Instance.Convention(unit)!.ShouldContain(says);
}
