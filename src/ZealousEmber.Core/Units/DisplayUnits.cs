namespace ZealousEmber.Core.Units;

/// <summary>What a studio reads lengths and masses in; temperatures go by the schedule's own scale. Nothing but sentences for people depends on it.</summary>
/// <param name="Length">Walls and widths.</param>
/// <param name="Mass">Ware and loads.</param>
public sealed record DisplayUnits(LengthUnit Length = LengthUnit.Millimetre, MassUnit Mass = MassUnit.Kilogram)
{
    /// <summary>Millimetres and kilograms.</summary>
    public static readonly DisplayUnits Metric = new();

    /// <summary>A wall or a width.</summary>
    /// <param name="millimetres">mm.</param>
    public string Wall(double millimetres) => new Length(millimetres).Format(Length);

    /// <summary>A load.</summary>
    /// <param name="kilograms">kg.</param>
    public string Weight(double kilograms) => new Mass(kilograms).Format(Mass);
}
