using NodaTime;

namespace ZealousEmber.Core.Units;

/// <summary>A temperature difference per time; kelvins an hour inside. A fall is negative.</summary>
public readonly record struct Rate : IComparable<Rate>
{
    private Rate(double kelvinsPerHour) => KelvinsPerHour = kelvinsPerHour;

    /// <summary>Kelvins (degrees Celsius apart) an hour.</summary>
    public double KelvinsPerHour { get; }

    /// <summary>A rate in kelvins an hour; NaN and infinity throw.</summary>
    public static Rate PerHour(double kelvins) =>
        double.IsFinite(kelvins) ? new(kelvins) : throw new ArgumentOutOfRangeException(nameof(kelvins), kelvins, "not a rate");

    /// <summary>A rate from so many degrees of a scale an hour: 150 °F/h is 83.3 K/h.</summary>
    public static Rate PerHour(double degrees, TemperatureUnit unit) => PerHour(TemperatureDifference.From(degrees, unit).Kelvins);

    /// <summary>Degrees of a scale an hour.</summary>
    public double PerHourIn(TemperatureUnit unit) => TemperatureDifference.FromKelvins(KelvinsPerHour).In(unit);

    /// <summary>What a rate covers in a time.</summary>
    public static TemperatureDifference operator *(Rate rate, Duration time) => TemperatureDifference.FromKelvins(rate.KelvinsPerHour * time.TotalHours);

    /// <inheritdoc/>
    public int CompareTo(Rate other) => KelvinsPerHour.CompareTo(other.KelvinsPerHour);

    /// <summary>For people who debug; screens format their own.</summary>
    public override string ToString() => FormattableString.Invariant($"{KelvinsPerHour:0.##} K/h");
}
