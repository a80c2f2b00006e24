using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Units;

public class UnitTests
{
    [Theory]
    [InlineData(1210, 2210)]
    [InlineData(-40, -40)]
    [InlineData(573, 1063.4)]
    [InlineData(0, 32)]
    public void Known_temperatures_convert_exactly(double celsius, double fahrenheit)
    {
        Temperature.FromCelsius(celsius).In(TemperatureUnit.Fahrenheit).ShouldBe(fahrenheit);
        Temperature.From(fahrenheit, TemperatureUnit.Fahrenheit).Celsius.ShouldBe(celsius);
    }

    [Fact]
    public void A_rate_is_a_difference_so_no_32_comes_into_it()
    {
        Rate.PerHour(150, TemperatureUnit.Fahrenheit).KelvinsPerHour.ShouldBe(83.3333, 0.0001);
        Rate.PerHour(100).PerHourIn(TemperatureUnit.Fahrenheit).ShouldBe(180);
    }

    [Fact]
    public void Whatever_is_typed_survives_any_number_of_switches_between_scales() =>
        Gen.Select(Gen.Int[-4000, 2_552_000], Make.Unit)
            .Sample(
                (thousandths, unit) =>
                {
                    var other = unit == TemperatureUnit.Celsius ? TemperatureUnit.Fahrenheit : TemperatureUnit.Celsius;
                    var typed = thousandths / 1000.0;
                    var (temperature, rate) = (typed, typed);
                    for (var i = 0; i < 6; i++)
                    {
                        temperature = Temperature.From(Temperature.From(temperature, unit).In(other), other).In(unit);
                        rate = Rate.PerHour(Rate.PerHour(rate, unit).PerHourIn(other), other).PerHourIn(unit);
                    }
                    return temperature == typed && rate == typed;
                }
            );

    [Fact]
    public void Difference_rate_and_time_agree()
    {
        var climb = Temperature.FromCelsius(200) - Temperature.FromCelsius(20);
        var rate = climb / Duration.FromMinutes(135);
        rate.KelvinsPerHour.ShouldBe(80);
        (climb / rate).ShouldBe(Duration.FromMinutes(135));
        (Temperature.FromCelsius(20) + rate * Duration.FromHours(1)).Celsius.ShouldBe(100);
    }

    [Theory]
    [InlineData(double.NaN)]
    [InlineData(double.PositiveInfinity)]
    [InlineData(-300)]
    public void What_is_no_temperature_cannot_be_built(double value) => Should.Throw<ArgumentOutOfRangeException>(() => Temperature.FromCelsius(value));
}
