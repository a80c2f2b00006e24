namespace ZealousEmber.Core.Kilns.Thermal;

/// <summary>What the model takes every kiln to have; a simulated kiln may differ in it, as real ones do. Defaults: the kiln model paper's.</summary>
/// <param name="ConvectionOutside">From the outer face to the room, W/m²K.</param>
/// <param name="Emissivity">Of the hot face.</param>
/// <param name="ThermocoupleLag">Of the display behind the chamber, s.</param>
/// <param name="CapacitySlope">What a kg of ware takes up more for each degree, J/kgK².</param>
/// <param name="Density">Of the walls, against the usual.</param>
/// <param name="ConductivitySlope">Rise of the walls' conductivity with temperature, against the usual.</param>
public sealed record KilnPhysics(
    double ConvectionOutside = 12,
    double Emissivity = 0.7,
    double ThermocoupleLag = KilnPhysics.UsualLag,
    double CapacitySlope = 0.22,
    double Density = 1,
    double ConductivitySlope = 1
)
{
    /// <summary>Lag of a thermocouple, s.</summary>
    public const double UsualLag = 90;

    /// <summary>What a kg of ware takes up for each degree at 0 °C, J/kgK.</summary>
    public const double WareCapacity = 850;

    /// <summary>What a kg of ware takes up from one temperature to another, J/kg; °C.</summary>
    public double HeatPerKg(double from, double to) => WareCapacity * (to - from) + CapacitySlope / 2 * (to * to - from * from);

    /// <summary>What everything is worked out with.</summary>
    public static readonly KilnPhysics Usual = new();
}
