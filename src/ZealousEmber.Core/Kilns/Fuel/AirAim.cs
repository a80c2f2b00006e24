using System.Collections.Immutable;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>The air an atmosphere asks for. Source: the fuel kiln paper, "Atmosphere".</summary>
/// <param name="Least">λ at the least.</param>
/// <param name="Most">λ at the most; without bound where more air does no harm.</param>
/// <param name="Wanted">λ aimed at.</param>
public readonly record struct AirAim(double Least, double Most, double Wanted)
{
    // Below this carbon burns out of every ware, and a flame is small in much air.
    private const double BurnOut = 650;

    /// <summary>True where more air than asked does no harm.</summary>
    public bool IsOxidising => double.IsPositiveInfinity(Most);

    /// <summary>The air of an atmosphere at a temperature, °C.</summary>
    /// <param name="atmosphere">Oxidising where nobody said.</param>
    /// <param name="celsius">Of the chamber.</param>
    /// <param name="raw">Whether the ware was never fired: its carbon has to burn out.</param>
    public static AirAim Of(Atmosphere? atmosphere, double celsius, bool raw) =>
        atmosphere switch
        {
            Atmosphere.Neutral => new(0.98, 1.08, 1.02),
            Atmosphere.LightReduction => new(0.90, 0.98, 0.94),
            Atmosphere.HeavyReduction => new(0.78, 0.90, 0.86),
            _ when celsius < BurnOut => new(1.2, double.PositiveInfinity, 1.5),
            _ when raw => new(1.2, double.PositiveInfinity, 1.3),
            _ => new(1.08, double.PositiveInfinity, 1.15),
        };

    /// <summary>Under this the flame soots.</summary>
    public const double Soots = 0.78;

    /// <summary>What people call the air, each from a λ on, the richest first; the first holds also below where it begins, as soot.</summary>
    public static ImmutableArray<(double From, Atmosphere Band)> Bands { get; } =
    [(Soots, Atmosphere.HeavyReduction), (0.90, Atmosphere.LightReduction), (0.98, Atmosphere.Neutral), (1.08, Atmosphere.Oxidising)];

    /// <summary>What people call the air at a λ.</summary>
    public static Atmosphere Band(double lambda)
    {
        var band = Bands[0].Band;
        foreach (var (from, name) in Bands)
        {
            if (lambda >= from)
                band = name;
        }
        return band;
    }

    /// <summary>Whether a λ is within it.</summary>
    public bool Holds(double lambda) => lambda >= Least && lambda <= Most;
}
