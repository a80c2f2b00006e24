using System.Collections.Immutable;

namespace ZealousEmber.Core.Kilns;

/// <summary>What a kiln's heat comes from; each has a price of its own.</summary>
public enum EnergyCarrier
{
    /// <summary>Electric elements.</summary>
    Electricity,

    /// <summary>Natural or bottled gas.</summary>
    Gas,
}

/// <summary>How much of one carrier a firing takes, and when.</summary>
/// <param name="Carrier">Which.</param>
/// <param name="Kwh">In all, kWh.</param>
/// <param name="KwhPerBin">In each <see cref="KilnRun.Bin"/> from the start; they add up to <paramref name="Kwh"/>.</param>
public sealed record EnergyUse(EnergyCarrier Carrier, double Kwh, ImmutableArray<double> KwhPerBin);
