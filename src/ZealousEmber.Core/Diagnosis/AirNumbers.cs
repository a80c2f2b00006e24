using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>What the air of a firing was, in numbers: how long it reduced, how darkly, from where on, and what came after.</summary>
public static class AirNumbers
{
    /// <summary>Below this, °C, little air is a matter of the candle and of burn-out, and is not called reduction.</summary>
    public const double ReducesFrom = 750;

    /// <summary>Above this, °C, most high-fire glazes begin to close.</summary>
    public const double Closes = 1000;

    /// <summary>Minutes in each kind of air on the way up and at the top, from <see cref="ReducesFrom"/> on; each kind, 0 where there was none.</summary>
    public static ImmutableDictionary<Atmosphere, double> Minutes(IReadOnlyList<AirStretch> air, Curve log) =>
        Enum.GetValues<Atmosphere>().ToImmutableDictionary(band => band, band => Hot(air, log).Where(s => s.Band == band).Sum(s => s.To - s.From));

    /// <summary>The numbers that causes are judged by, each with where it was measured; none where nothing is known of the air.</summary>
    public static IEnumerable<(string Name, double Value, MinuteSpan Span)> Of(IReadOnlyList<AirStretch> air, Curve? log)
    {
        if (log is null || Hot(air, log) is not { Count: > 0 } hot)
            yield break;
        var all = new MinuteSpan(hot[0].From, hot[^1].To);
        var reduced = hot.FindAll(s => Reduces(s.Band));
        var span = reduced.Count > 0 ? new MinuteSpan(reduced[0].From, reduced[^1].To) : all;
        yield return ("reduced", reduced.Sum(s => s.To - s.From), span);
        yield return ("heavy", Heavy(reduced), span);
        yield return ("oxidisedLast", reduced.Count > 0 ? hot[^1].To - reduced[^1].To : 0, new MinuteSpan(reduced.Count > 0 ? reduced[^1].To : all.To, all.To));
        if (reduced.Count == 0)
            yield break;
        yield return ("reducedFrom", log.At(Duration.FromMinutes(reduced[0].From)).Celsius, new MinuteSpan(reduced[0].From, reduced[0].To));
        var closes = log.FirstRiseThrough(Temperature.FromCelsius(Closes))?.TotalMinutes ?? double.PositiveInfinity;
        yield return ("heavyAbove", Heavy([.. reduced.Where(s => s.To > closes).Select(s => s with { From = Math.Max(s.From, closes) })]), span);
    }

    private static double Heavy(List<AirStretch> stretches) => stretches.Where(s => s.Band == Atmosphere.HeavyReduction).Sum(s => s.To - s.From);

    private static bool Reduces(Atmosphere band) => band is Atmosphere.LightReduction or Atmosphere.HeavyReduction;

    /// <summary>Its stretches between the first time it is hot enough and the end of the top.</summary>
    private static List<AirStretch> Hot(IReadOnlyList<AirStretch> air, Curve log)
    {
        if (log.FirstRiseThrough(Temperature.FromCelsius(ReducesFrom))?.TotalMinutes is not { } from)
            return [];
        var to = log.EndOfTop.TotalMinutes;
        return [.. air.Where(s => s.To > from && s.From < to).Select(s => s with { From = Math.Max(s.From, from), To = Math.Min(s.To, to) })];
    }
}
