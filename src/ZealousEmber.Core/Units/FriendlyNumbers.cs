namespace ZealousEmber.Core.Units;

/// <summary>
/// Numbers a person would choose and a controller takes: fives in °C, tens in °F, finer where it is slow. Rates and temperatures go in and come out in °C.
/// </summary>
public static class FriendlyNumbers
{
    private const double CelsiusGrain = 5;
    private const double FahrenheitGrain = 10;
    private const double MostUp = 1.02;
    private const double MostDown = 0.965;

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

    /// <summary>
    /// The nearest friendly rate in effect: rounded up by no more than a fiftieth, so that both scales fire alike, else down by as little as a number people
    /// use
    /// allows. For planned rates, which keep a margin of their own.
    /// </summary>
    /// <param name="celsiusPerHour">°C/h, more than 0.</param>
    /// <param name="unit">The scale whose numbers are to be friendly.</param>
    public static double RateNear(double celsiusPerHour, TemperatureUnit unit)
    {
        if (!double.IsFinite(celsiusPerHour))
            return celsiusPerHour;
        var rate = Rate.PerHour(celsiusPerHour).PerHourIn(unit);
        // What is one already stays.
        if (rate >= CelsiusGrain && Math.Abs(rate / CelsiusGrain - Math.Round(rate / CelsiusGrain)) < 1e-6)
            return celsiusPerHour;
        if (unit == TemperatureUnit.Fahrenheit)
        {
            // Its degrees are fine enough for the nearest five, or the nearest one, of what is planned in °C.
            var five = Math.Round(rate / CelsiusGrain) * CelsiusGrain;
            return Rate.PerHour(five > 0 && Math.Abs(five - rate) <= rate * (MostUp - 1) ? five : Math.Max(1, Math.Round(rate)), unit).KelvinsPerHour;
        }
        foreach (var grain in new[] { CelsiusGrain, FineGrain(unit), 1 })
        {
            var down = Math.Floor(rate / grain + 1e-9) * grain;
            if (down + grain <= rate * MostUp)
                return Rate.PerHour(down + grain, unit).KelvinsPerHour;
            if (down > 0 && down >= rate * MostDown)
                return Rate.PerHour(down, unit).KelvinsPerHour;
        }
        return Rate.PerHour(Math.Max(1, Math.Floor(rate + 1e-9)), unit).KelvinsPerHour;
    }

    /// <summary>The nearest friendly temperature.</summary>
    public static double Nearest(double celsius, TemperatureUnit unit) => Nearest(celsius, Grain(unit), unit);

    /// <summary>The nearest temperature in fives of its scale: where a few degrees count.</summary>
    public static double NearestFive(double celsius, TemperatureUnit unit) => Nearest(celsius, CelsiusGrain, unit);

    private static double Nearest(double celsius, double grain, TemperatureUnit unit)
    {
        return Temperature.From(Math.Round(Temperature.FromCelsius(celsius).In(unit) / grain) * grain, unit).Celsius;
    }

    private static double FineGrain(TemperatureUnit unit) => unit == TemperatureUnit.Celsius ? 2 : 5;

    private static double Grain(TemperatureUnit unit) => unit == TemperatureUnit.Celsius ? CelsiusGrain : FahrenheitGrain;
}
