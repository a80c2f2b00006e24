using NodaTime;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>What a schedule may hold. One place; the messages quote it.</summary>
public static class ScheduleLimits
{
    /// <summary>Coldest target or start, a winter shed: −20 °C.</summary>
    public static readonly Temperature Coldest = Temperature.FromCelsius(-20);

    /// <summary>Hottest target: 1400 °C, a little over cone 14.</summary>
    public static readonly Temperature Hottest = Temperature.FromCelsius(1400);

    /// <summary>Fastest pace of a step, up or down: 2000 °C/h.</summary>
    public static readonly Rate Fastest = Rate.PerHour(2000);

    /// <summary>
    /// Slowest pace of a step, up or down: 0.1 °C/h. Nobody fires so slowly; it keeps the longest possible firing
    /// (64 steps, 1420 degrees each) inside what dates can hold.
    /// </summary>
    public static readonly Rate Slowest = Rate.PerHour(0.1);

    /// <summary>Longest hold: 99 h.</summary>
    public static readonly Duration LongestHold = Duration.FromHours(99);

    /// <summary>Most steps in one schedule.</summary>
    public const int Segments = 64;

    /// <summary>Longest name, characters.</summary>
    public const int Name = 120;

    /// <summary>Longest reason of a step, characters.</summary>
    public const int Reason = 200;

    /// <summary>Longest notes, characters.</summary>
    public const int Notes = 4000;

    /// <summary>Most tags.</summary>
    public const int Tags = 12;

    /// <summary>Longest tag, characters.</summary>
    public const int Tag = 30;

    /// <summary>A start temperature (the kiln's when it is switched on), checked.</summary>
    /// <param name="value">Degrees on <paramref name="unit"/>; −20 … 1400 °C.</param>
    /// <param name="unit">The scale it was given in; the message answers in it.</param>
    /// <param name="field">The field a problem is to name.</param>
    public static Result<Temperature> ReadTemperature(double? value, TemperatureUnit unit, string field)
    {
        if (value is not { } given)
            return new Problem(field, "A temperature is missing here.");
        // Half a thousandth of a degree of grace, so that 2552 °F is not refused for a last binary digit.
        if (!Temperature.TryFrom(given, unit, out var t) || t.Celsius < Coldest.Celsius - 5e-4 || t.Celsius > Hottest.Celsius + 5e-4)
            return new Problem(
                field,
                $"A temperature lies between {Phrases.Number(Coldest.In(unit))} and {Phrases.Number(Hottest.In(unit))} {unit.Symbol()}; this says "
                    + $"{Phrases.Number(given)}."
            );
        return t;
    }
}
