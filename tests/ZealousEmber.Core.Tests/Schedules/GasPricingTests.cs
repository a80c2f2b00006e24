using Shouldly;
using Xunit;
using ZealousEmber.Core.Clock;

namespace ZealousEmber.Core.Tests.Schedules;

/// <summary>What a kWh of gas costs, however it is paid.</summary>
public sealed class GasPricingTests
{
    [Theory]
    [InlineData(GasMeasure.Kwh, 0.11, null, 0.11)]
    // 50.34 MJ/kg are 13.98 kWh.
    [InlineData(GasMeasure.Kilogram, 2.1, null, 0.1502)]
    [InlineData(GasMeasure.Cylinder, 98.7, 47.0, 0.1502)]
    [InlineData(GasMeasure.Cylinder, 98.7, null, 0.1502)]
    [InlineData(GasMeasure.Cylinder, 39.9, 19.0, 0.1502)]
    // 0.68 kg/m³ of 55.5 MJ/kg are 10.48 kWh.
    [InlineData(GasMeasure.CubicMetre, 1.048, null, 0.1)]
    public void A_kWh_costs(GasMeasure per, double price, double? cylinder, double kwh) => new GasPricing(per, price, cylinder).PerKwh.ShouldBe(kwh, 0.0002);
}
