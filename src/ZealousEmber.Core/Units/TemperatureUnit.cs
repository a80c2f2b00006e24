namespace ZealousEmber.Core.Units;

/// <summary>The two scales people read kilns in. Everything inside the core is °C; °F lives at the edges.</summary>
public enum TemperatureUnit
{
    /// <summary>Degrees Celsius.</summary>
    Celsius,

    /// <summary>Degrees Fahrenheit.</summary>
    Fahrenheit,
}

/// <summary>Words and conversions of the scales.</summary>
public static class TemperatureUnits
{
    /// <summary>How a scale is written beside a number: °C or °F.</summary>
    public static string Symbol(this TemperatureUnit unit) => unit == TemperatureUnit.Celsius ? "°C" : "°F";

    /// <summary>
    /// Takes the binary dust off a converted number: a value within 5e-8 of one with six decimals becomes that one.
    /// So 1210 °C reads 2210 °F and not 2210.0000000000005, and going there and back is exact, while a value that has
    /// no short form (1000 °F in °C) keeps every digit it needs to find its way home.
    /// </summary>
    internal static double Settle(double value)
    {
        var rounded = Math.Round(value, 6);
        return Math.Abs(value - rounded) < 5e-8 ? rounded + 0.0 : value;
    }
}
