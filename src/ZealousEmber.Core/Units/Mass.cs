namespace ZealousEmber.Core.Units;

/// <summary>The two ways people weigh ware.</summary>
public enum MassUnit
{
    /// <summary>Kilograms.</summary>
    Kilogram,

    /// <summary>Pounds.</summary>
    Pound,
}

/// <summary>A mass; kilograms inside.</summary>
/// <param name="Kilograms">kg.</param>
public readonly record struct Mass(double Kilograms)
{
    private const double PerPound = 0.45359237;

    // From here on nobody reads the tenths.
    private const double Coarse = 10;

    /// <summary>So many of a unit.</summary>
    public double In(MassUnit unit) => unit == MassUnit.Kilogram ? Kilograms : Kilograms / PerPound;

    /// <summary>"3.2 kg", "40 kg", "88 lb".</summary>
    public string Format(MassUnit unit)
    {
        var value = In(unit);
        return $"{Phrases.Number(Math.Round(value, value < Coarse ? 1 : 0))} {(unit == MassUnit.Kilogram ? "kg" : "lb")}";
    }
}
