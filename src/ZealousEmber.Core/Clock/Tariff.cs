using System.Collections.Immutable;
using NodaTime;

namespace ZealousEmber.Core.Clock;

/// <summary>Hours at a price of their own.</summary>
/// <param name="Name">What people call it: "night".</param>
/// <param name="Price">Per kWh, in the studio's own money.</param>
/// <param name="Hours">When.</param>
/// <param name="FirstMonth">First month it holds in, 1 … 12; none means the whole year.</param>
/// <param name="LastMonth">Last month; before the first it runs over the new year.</param>
public sealed record TariffBand(string Name, double Price, WeeklySpan Hours, int? FirstMonth = null, int? LastMonth = null)
{
    /// <summary>True when it holds at a moment.</summary>
    public bool Holds(LocalDateTime at) => InSeason(at.Month) && Hours.Contains(at);

    private bool InSeason(int month)
    {
        if (FirstMonth is not { } first || LastMonth is not { } last) return true;
        return first <= last ? month >= first && month <= last : month >= first || month <= last;
    }
}

/// <summary>What electricity costs, by the clock on the wall.</summary>
/// <param name="Currency">Shown before the sum, as the studio writes it; may be empty.</param>
/// <param name="Price">Per kWh where no band holds.</param>
/// <param name="Bands">The first that holds counts.</param>
public sealed record Tariff(string Currency, double Price, ImmutableArray<TariffBand> Bands)
{
    /// <summary>Most bands.</summary>
    public const int MostBands = 24;

    /// <summary>Highest price taken.</summary>
    public const double HighestPrice = 1e6;

    /// <summary>Price of a kWh at a moment.</summary>
    public double At(LocalDateTime at)
    {
        foreach (var band in Bands)
        {
            if (band.Holds(at)) return band.Price;
        }
        return Price;
    }

    /// <summary>What energy in equal bins from a start costs.</summary>
    /// <param name="kwhPerBin">Energy in each bin.</param>
    /// <param name="bin">Length of a bin.</param>
    /// <param name="start">Start of the first.</param>
    /// <param name="zone">Whose clock.</param>
    public double Cost(IReadOnlyList<double> kwhPerBin, Duration bin, Instant start, DateTimeZone zone)
    {
        var cost = 0.0;
        for (var i = 0; i < kwhPerBin.Count; i++)
            cost += kwhPerBin[i] * At((start + bin * i).InZone(zone).LocalDateTime);
        return cost;
    }
}
