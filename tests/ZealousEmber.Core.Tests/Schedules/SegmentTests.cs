using Shouldly;
using Xunit;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Schedules;

public class SegmentTests
{
    [Theory]
    [InlineData(0.0, 200.0, 0.0, "rate", "never arrive")]
    [InlineData(-80.0, 200.0, 0.0, "rate", "Did you mean 80")]
    [InlineData(2001.0, 200.0, 0.0, "rate", "at most 2000 °C/h")]
    [InlineData(double.NaN, 200.0, 0.0, "rate", "not a number")]
    [InlineData(0.01, 200.0, 0.0, "rate", "at least 0.1")]
    [InlineData(null, 200.0, 0.0, "rate", "needs a pace")]
    [InlineData(80.0, 99999.0, 0.0, "target", "between −20 and 1400 °C")]
    [InlineData(80.0, double.NaN, 0.0, "target", "not a number")]
    [InlineData(80.0, -21.0, 0.0, "target", "between −20 and 1400")]
    [InlineData(80.0, null, 0.0, "target", "needs a temperature")]
    [InlineData(80.0, 200.0, -5.0, "holdMinutes", "shorter than nothing")]
    [InlineData(80.0, 200.0, 5941.0, "holdMinutes", "at most 99 h")]
    [InlineData(80.0, 200.0, double.NaN, "holdMinutes", "not a number")]
    public void A_wrong_value_is_named_at_its_field(double? rate, double? target, double? hold, string field, string says)
    {
        var problem = Segment.Create(PaceKind.Rate, rate, target, hold, TemperatureUnit.Celsius).Problems.ShouldHaveSingleItem();
        problem.Field.ShouldBe(field);
        problem.Message.ShouldContain(says);
    }

    [Theory]
    [InlineData(2000, 1400, 5940)]
    [InlineData(0.1, -20, 0)]
    public void The_limits_themselves_are_allowed(double rate, double target, double hold) =>
        Segment.Create(PaceKind.Rate, rate, target, hold, TemperatureUnit.Celsius).IsOk.ShouldBeTrue();

    [Fact]
    public void Limits_are_said_and_kept_in_fahrenheit_too()
    {
        Segment.Create(PaceKind.Rate, 3600, 2552, 0, TemperatureUnit.Fahrenheit).IsOk.ShouldBeTrue();
        Segment.Create(PaceKind.Rate, 150, 2553, 0, TemperatureUnit.Fahrenheit).Problems.Single().Message.ShouldContain("between −4 and 2552 °F");
    }

    [Fact]
    public void All_problems_of_a_step_are_told_at_once() =>
        Segment
            .Create(PaceKind.Rate, 0, 9999, -5, TemperatureUnit.Celsius, new string('x', 201))
            .Problems.Select(p => p.Field)
            .ShouldBe(["rate", "target", "holdMinutes", "reason"]);

    [Fact]
    public void Off_with_no_temperature_cannot_hold() =>
        Segment.Create(PaceKind.Natural, null, null, 10, TemperatureUnit.Celsius).Problems.Single().Field.ShouldBe("holdMinutes");

    [Fact]
    public void A_reason_is_kept_as_one_tidy_line() =>
        Segment.Create(PaceKind.Full, null, 200, 0, TemperatureUnit.Celsius, "  dry\n\tthe glaze ").Value.Reason.ShouldBe("dry the glaze");
}
