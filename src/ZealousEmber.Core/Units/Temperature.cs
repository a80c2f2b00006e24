using NodaTime;

namespace ZealousEmber.Core.Units;

/// <summary>A temperature; °C inside, never below absolute zero, never NaN. A difference is another type.</summary>
public readonly record struct Temperature : IComparable<Temperature>
{
    private const double AbsoluteZero = -273.15;

    private Temperature(double celsius) => Celsius = celsius;

    /// <summary>Degrees Celsius.</summary>
    public double Celsius { get; }

    /// <summary>A temperature from °C. Out of range (NaN, infinite, below −273.15) throws: check what people type first.</summary>
    public static Temperature FromCelsius(double celsius) =>
        double.IsFinite(celsius) && celsius >= AbsoluteZero
            ? new(celsius + 0.0) // −0 becomes 0
            : throw new ArgumentOutOfRangeException(nameof(celsius), celsius, "not a temperature");

    /// <summary>A temperature from a number on a scale; throws as <see cref="FromCelsius"/> does.</summary>
    public static Temperature From(double value, TemperatureUnit unit) =>
        FromCelsius(unit == TemperatureUnit.Celsius ? value : TemperatureUnits.Settle((value - 32) * 5 / 9));

    /// <summary>The same without throwing: false, and nothing to use, for a number that is no temperature on that scale.</summary>
    public static bool TryFrom(double value, TemperatureUnit unit, out Temperature temperature)
    {
        temperature = default;
        if (!double.IsFinite(value))
            return false;
        var celsius = unit == TemperatureUnit.Celsius ? value : TemperatureUnits.Settle((value - 32) * 5 / 9);
        if (!(double.IsFinite(celsius) && celsius >= AbsoluteZero))
            return false;
        temperature = FromCelsius(celsius);
        return true;
    }

    /// <summary>The number on a scale, exact there and back for anything with up to six decimals.</summary>
    public double In(TemperatureUnit unit) => unit == TemperatureUnit.Celsius ? Celsius : TemperatureUnits.Settle(Celsius * 9 / 5 + 32);

    /// <summary>From <paramref name="b"/> up to <paramref name="a"/>; negative when it is a fall.</summary>
    public static TemperatureDifference operator -(Temperature a, Temperature b) => TemperatureDifference.FromKelvins(a.Celsius - b.Celsius);

    /// <summary>A temperature so much higher.</summary>
    public static Temperature operator +(Temperature a, TemperatureDifference d) => FromCelsius(a.Celsius + d.Kelvins);

    /// <summary>A temperature so much lower.</summary>
    public static Temperature operator -(Temperature a, TemperatureDifference d) => FromCelsius(a.Celsius - d.Kelvins);

    /// <summary>Hotter than.</summary>
    public static bool operator >(Temperature a, Temperature b) => a.Celsius > b.Celsius;

    /// <summary>Cooler than.</summary>
    public static bool operator <(Temperature a, Temperature b) => a.Celsius < b.Celsius;

    /// <summary>At least as hot as.</summary>
    public static bool operator >=(Temperature a, Temperature b) => a.Celsius >= b.Celsius;

    /// <summary>At most as hot as.</summary>
    public static bool operator <=(Temperature a, Temperature b) => a.Celsius <= b.Celsius;

    /// <inheritdoc/>
    public int CompareTo(Temperature other) => Celsius.CompareTo(other.Celsius);

    /// <summary>The hotter of two.</summary>
    public static Temperature Max(Temperature a, Temperature b) => a >= b ? a : b;

    /// <summary>For people who debug; screens format their own.</summary>
    public override string ToString() => FormattableString.Invariant($"{Celsius:0.##} °C");
}

/// <summary>How far apart two temperatures are; kelvins inside. 150 °F apart is 83.3 K: no 32 comes into it.</summary>
public readonly record struct TemperatureDifference : IComparable<TemperatureDifference>
{
    private TemperatureDifference(double kelvins) => Kelvins = kelvins;

    /// <summary>Kelvins, which are also degrees Celsius apart; may be negative.</summary>
    public double Kelvins { get; }

    /// <summary>A difference in kelvins; NaN and infinity throw.</summary>
    public static TemperatureDifference FromKelvins(double kelvins) =>
        double.IsFinite(kelvins) ? new(kelvins) : throw new ArgumentOutOfRangeException(nameof(kelvins), kelvins, "not a difference");

    /// <summary>A difference from so many degrees of a scale.</summary>
    public static TemperatureDifference From(double degrees, TemperatureUnit unit) =>
        FromKelvins(unit == TemperatureUnit.Celsius ? degrees : TemperatureUnits.Settle(degrees * 5 / 9));

    /// <summary>So many degrees of a scale.</summary>
    public double In(TemperatureUnit unit) => unit == TemperatureUnit.Celsius ? Kelvins : TemperatureUnits.Settle(Kelvins * 9 / 5);

    /// <summary>The rate that covers this difference in the time given, which must be more than none.</summary>
    public static Rate operator /(TemperatureDifference d, Duration time) => Rate.PerHour(d.Kelvins / time.TotalHours);

    /// <summary>The time this difference takes at a rate of the same sign; a rate of zero throws.</summary>
    public static Duration operator /(TemperatureDifference d, Rate rate) => Duration.FromHours(d.Kelvins / rate.KelvinsPerHour);

    /// <summary>The difference without its sign.</summary>
    public TemperatureDifference Abs() => new(Math.Abs(Kelvins));

    /// <inheritdoc/>
    public int CompareTo(TemperatureDifference other) => Kelvins.CompareTo(other.Kelvins);
}
