namespace ZealousEmber.Core.Units;

/// <summary>Numbers a person would choose and a controller takes: fives in °C, tens in °F, finer where it is slow. Rates and temperatures go in and come out in °C.</summary>
public static class FriendlyNumbers
{
    private const double CelsiusGrain = 5;
    private const double FahrenheitGrain = 10;

    /// <summary>A rate, always rounded down so that no limit is broken; whole degrees where the grain is too coarse.</summary>
    /// <param name="celsiusPerHour">°C/h, more than 0.</param>
    /// <param name="unit">The scale whose numbers are to be friendly.</param>
    public static double RateDown(double celsiusPerHour, TemperatureUnit unit)
    {
        var rate = Rate.PerHour(celsiusPerHour).PerHourIn(unit);
        // Slow rates in finer steps: from 20 to 15 would be hours.
        var grain = rate < 6 * Grain(unit) ? FineGrain(unit) : Grain(unit);
        var down = rate >= 2 * grain ? Math.Floor(rate / grain + 1e-9) * grain : Math.Max(1, Math.Floor(rate + 1e-9));
        return Rate.PerHour(down, unit).KelvinsPerHour;
    }

    /// <summary>The nearest friendly temperature.</summary>
    public static double Nearest(double celsius, TemperatureUnit unit)
    {
        var grain = Grain(unit);
        return Temperature.From(Math.Round(Temperature.FromCelsius(celsius).In(unit) / grain) * grain, unit).Celsius;
    }

    private static double FineGrain(TemperatureUnit unit) => unit == TemperatureUnit.Celsius ? 2 : 5;

    private static double Grain(TemperatureUnit unit) => unit == TemperatureUnit.Celsius ? CelsiusGrain : FahrenheitGrain;
}
