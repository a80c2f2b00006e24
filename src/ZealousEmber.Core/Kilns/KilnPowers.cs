using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns;

/// <summary>How fast a kiln goes at a temperature.</summary>
/// <param name="At">The temperature.</param>
/// <param name="Rate">Always positive.</param>
public readonly record struct PaceAt(Temperature At, Rate Rate)
{
    /// <summary>The pace at a temperature, in a straight line between those it is known at and level beyond; nothing when none is known.</summary>
    public static Rate? Between(ImmutableArray<PaceAt> paces, Temperature at)
    {
        if (paces.IsEmpty)
            return null;
        PaceAt? below = null,
            above = null;
        foreach (var pace in paces)
        {
            if (pace.At <= at && !(below?.At > pace.At))
                below = pace;
            if (pace.At >= at && !(above?.At < pace.At))
                above = pace;
        }
        if (below is not { } low)
            return above!.Value.Rate;
        if (above is not { } high || high.At == low.At)
            return low.Rate;
        var share = (at - low.At).Kelvins / (high.At - low.At).Kelvins;
        return Rate.PerHour(low.Rate.KelvinsPerHour + (high.Rate.KelvinsPerHour - low.Rate.KelvinsPerHour) * share);
    }
}

/// <summary>How fast a kiln climbs at full power and falls by itself with a load, and how hot it gets with it.</summary>
/// <param name="Climb">At full power from cold, every 50 °C, as far as it gets.</param>
/// <param name="Fall">With the power off after a usual glaze firing, hottest first.</param>
/// <param name="Hottest">How hot it gets at best, or its maker's limit where that is lower.</param>
public sealed record KilnPowers(ImmutableArray<PaceAt> Climb, ImmutableArray<PaceAt> Fall, Temperature Hottest)
{
    private const double Every = 50;
    private const double Around = 20;

    /// <summary>How fast a full climb goes, every 50 °C from 100 °C to the hottest it gets.</summary>
    internal static ImmutableArray<PaceAt> Climbing(Curve full, Temperature hottest) => Paces(full.Points, 100, hottest.Celsius, 1);

    /// <summary>How fast a firing cools by itself after its top, hottest first.</summary>
    internal static ImmutableArray<PaceAt> Falling(Curve firing, Temperature opens) =>
        [.. Paces(firing.Points, Math.Ceiling((opens.Celsius + Around) / Every) * Every, firing.Peak.Celsius - Every, -1).Reverse()];

    /// <summary>The slope around each temperature, on the way up (sign 1) or down (−1), from one pass over the curve.</summary>
    private static ImmutableArray<PaceAt> Paces(ReadOnlySpan<CurvePoint> points, double from, double to, int sign)
    {
        var curve = new Curve(points.ToArray());
        var paces = ImmutableArray.CreateBuilder<PaceAt>();
        for (var t = from; t <= to - Around; t += Every)
        {
            var (low, high) = (Temperature.FromCelsius(t - Around), Temperature.FromCelsius(t + Around));
            var span = sign > 0 ? curve.FirstRiseThrough(high) - curve.FirstRiseThrough(low) : curve.LastFallThrough(low) - curve.LastFallThrough(high);
            if (span is { } time && time > Duration.Zero)
                paces.Add(new PaceAt(Temperature.FromCelsius(t), (high - low) / time));
        }
        return paces.ToImmutable();
    }
}
