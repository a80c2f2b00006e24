using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;

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
        if (FirstMonth is not { } first || LastMonth is not { } last)
            return true;
        return first <= last ? month >= first && month <= last : month >= first || month <= last;
    }
}

/// <summary>What a carrier of energy costs, by the clock on the wall.</summary>
/// <param name="Carrier">Which.</param>
/// <param name="Price">Per kWh where no band holds.</param>
/// <param name="Bands">The first that holds counts.</param>
/// <param name="Told">How gas is paid, where not by the kWh.</param>
public sealed record Tariff(EnergyCarrier Carrier, double Price, ImmutableArray<TariffBand> Bands, GasPricing? Told = null)
{
    /// <summary>Most bands.</summary>
    public const int MostBands = 24;

    /// <summary>Highest price taken.</summary>
    public const double HighestPrice = 1e6;

    /// <summary>True when anything was said of a price.</summary>
    public bool IsKnown => Price > 0 || !Bands.IsEmpty;

    /// <summary>Price of a kWh at a moment.</summary>
    public double At(LocalDateTime at)
    {
        foreach (var band in Bands)
        {
            if (band.Holds(at))
                return band.Price;
        }
        return Price;
    }
}

/// <summary>What a studio pays for energy.</summary>
/// <param name="Currency">Shown before the sum, as the studio writes it; may be empty.</param>
/// <param name="Tariffs">At most one for each carrier.</param>
public sealed record EnergyPrices(string Currency, ImmutableArray<Tariff> Tariffs)
{
    /// <summary>Nothing known.</summary>
    public static readonly EnergyPrices Unknown = new("", []);

    /// <summary>The tariff of a carrier; one without any price when nothing was said of it.</summary>
    public Tariff Of(EnergyCarrier carrier) => Tariffs.FirstOrDefault(t => t.Carrier == carrier) ?? new Tariff(carrier, 0, []);

    /// <summary>True when something is taken and all of it has a price.</summary>
    public bool Knows(IReadOnlyList<EnergyUse> uses) => uses.Count > 0 && uses.All(u => Of(u.Carrier).IsKnown);

    /// <summary>What energy costs from a start.</summary>
    /// <param name="uses">In bins of <see cref="KilnRun.Bin"/>.</param>
    /// <param name="start">Start of the first bin; none counts all of it at the usual price.</param>
    /// <param name="zone">Whose clock.</param>
    public double Cost(IReadOnlyList<EnergyUse> uses, Instant? start, DateTimeZone zone)
    {
        var cost = 0.0;
        foreach (var use in uses)
        {
            var tariff = Of(use.Carrier);
            if (start is not { } from || tariff.Bands.IsEmpty)
            {
                cost += use.Kwh * tariff.Price;
                continue;
            }
            for (var i = 0; i < use.KwhPerBin.Length; i++)
                cost += use.KwhPerBin[i] * tariff.At((from + KilnRun.Bin * i).InZone(zone).LocalDateTime);
        }
        return cost;
    }
}
