using ZealousEmber.Core.Kilns.Fuel;

namespace ZealousEmber.Core.Clock;

/// <summary>What gas is paid by.</summary>
public enum GasMeasure
{
    /// <summary>kWh, as a bill for piped gas counts them.</summary>
    Kwh,

    /// <summary>Weight, from a tank or a bottle: propane.</summary>
    Kilogram,

    /// <summary>A full cylinder of propane.</summary>
    Cylinder,

    /// <summary>m³ of natural gas, as a meter counts them.</summary>
    CubicMetre,
}

/// <summary>What gas costs, as people pay for it. Its heat is that of the gas, with the heat of its steam, as bills count.</summary>
/// <param name="Per">What is paid by.</param>
/// <param name="Price">Of one.</param>
/// <param name="CylinderMass">kg of gas in a full cylinder; only read where cylinders are paid.</param>
public sealed record GasPricing(GasMeasure Per, double Price, double? CylinderMass = null)
{
    /// <summary>Lightest and heaviest cylinder taken, kg.</summary>
    public static readonly (double Least, double Most) Cylinders = (1, 1000);

    /// <summary>A cylinder, where nobody says how large, kg.</summary>
    public const double UsualCylinder = 47;

    private const double MegajoulesPerKwh = 3.6;

    /// <summary>kWh in what is paid by.</summary>
    public double Heat =>
        Per switch
        {
            GasMeasure.Kilogram => Fuel.Propane.Gross / MegajoulesPerKwh,
            GasMeasure.Cylinder => (CylinderMass ?? UsualCylinder) * Fuel.Propane.Gross / MegajoulesPerKwh,
            GasMeasure.CubicMetre => Fuel.NaturalGas.Density * Fuel.NaturalGas.Gross / MegajoulesPerKwh,
            _ => 1,
        };

    /// <summary>What a kWh costs.</summary>
    public double PerKwh => Price / Heat;
}
