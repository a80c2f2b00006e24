using System.Globalization;

namespace ZealousEmber.Core.Units;

/// <summary>The two ways people measure ware.</summary>
public enum LengthUnit
{
    /// <summary>Millimetres.</summary>
    Millimetre,

    /// <summary>Inches, with fractions.</summary>
    Inch,
}

/// <summary>A length; millimetres inside.</summary>
/// <param name="Millimetres">mm.</param>
public readonly record struct Length(double Millimetres)
{
    private const double PerInch = 25.4;
    private const int Sixteenth = 16;

    // Within so much of a sixteenth of an inch a length is called by it, mm.
    private const double NearFraction = 0.05;

    /// <summary>"6 mm", "3/8 in", "1 1/2 in", "0.47 in".</summary>
    public string Format(LengthUnit unit)
    {
        if (unit == LengthUnit.Millimetre)
            return $"{Phrases.Number(Millimetres)} mm";
        var sixteenths = Math.Round(Millimetres / PerInch * Sixteenth);
        if (sixteenths >= 1 && Math.Abs(sixteenths * PerInch / Sixteenth - Millimetres) <= NearFraction)
            return $"{Fraction((int)sixteenths)} in";
        return $"{Phrases.Number(Millimetres / PerInch)} in";
    }

    private static string Fraction(int sixteenths)
    {
        var (whole, part, of) = (sixteenths / Sixteenth, sixteenths % Sixteenth, Sixteenth);
        if (part == 0)
            return whole.ToString(CultureInfo.InvariantCulture);
        while (part % 2 == 0)
            (part, of) = (part / 2, of / 2);
        return whole > 0 ? $"{whole} {part}/{of}" : $"{part}/{of}";
    }
}
