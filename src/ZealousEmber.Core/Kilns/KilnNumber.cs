using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns;

/// <summary>A number of a kiln: what it is called, what it may be, and what it means in plain words. Screens and messages both read it here.</summary>
/// <param name="Field">As on the wire.</param>
/// <param name="Label">For people.</param>
/// <param name="Unit">Behind the number; empty for a bare one.</param>
/// <param name="Least">Smallest value taken.</param>
/// <param name="Most">Largest value taken.</param>
/// <param name="Meaning">One plain sentence.</param>
public sealed record KilnNumber(string Field, string Label, string Unit, double Least, double Most, string Meaning)
{
    /// <summary>True for a temperature, which may be given in °F.</summary>
    public bool IsTemperature => Unit == "°C";

    /// <summary>
    /// The value if it is within the bounds, else a problem that names them; a missing one becomes <paramref name="usual"/>. Temperatures come out in °C.
    /// </summary>
    public double Read(double? value, double usual, TemperatureUnit scale, List<Problem> problems)
    {
        if (value is not { } given)
            return usual;
        var inner =
            !IsTemperature ? given
            : Temperature.TryFrom(given, scale, out var degrees) ? degrees.Celsius
            : double.NaN;
        if (inner >= Least && inner <= Most)
            return inner;
        var (least, most, unit) = IsTemperature
            ? (Temperature.FromCelsius(Least).In(scale), Temperature.FromCelsius(Most).In(scale), scale.Symbol())
            : (Least, Most, Unit);
        problems.Add(
            new Problem(
                Field,
                $"{Label} lies between {Phrases.Number(least)} and {Phrases.Number(most)}{(unit.Length > 0 ? $" {unit}" : "")}; this says "
                    + $"{Phrases.Number(given)}."
            )
        );
        return usual;
    }
}
