namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>What a mole of fuel leaves behind, moles of each gas.</summary>
public readonly record struct FlueGas(double CarbonDioxide, double Steam, double Nitrogen, double Oxygen, double CarbonMonoxide, double Hydrogen)
{
    private double Dry => CarbonDioxide + Nitrogen + Oxygen + CarbonMonoxide + Hydrogen;

    /// <summary>Carbon monoxide in the gas without its steam, %.</summary>
    public double CarbonMonoxidePercent => 100 * CarbonMonoxide / Dry;

    /// <summary>Oxygen in the gas without its steam, %.</summary>
    public double OxygenPercent => 100 * Oxygen / Dry;

    /// <summary>Heat it carries at a temperature, kJ, from 25 °C.</summary>
    internal double Heat(double celsius)
    {
        var t = (celsius - 25) / 1000;
        return t
            * (
                CarbonDioxide * (37.99 + t * (17.08 - 4.95 * t))
                + Steam * (33.19 + t * (5.23 + 0.43 * t))
                + Nitrogen * (28.69 + t * (2.75 - 0.03 * t))
                + Oxygen * (29.11 + t * (5.56 - 1.39 * t))
                + CarbonMonoxide * (28.67 + t * (3.42 - 0.32 * t))
                + Hydrogen * (29.14 + t * (-0.06 + 0.78 * t))
            );
    }

    /// <summary>How that grows with the temperature, kJ/K.</summary>
    internal double HeatCapacity(double celsius)
    {
        var t = (celsius - 25) / 1000;
        return 1e-3
            * (
                CarbonDioxide * (37.99 + t * (34.16 - 14.85 * t))
                + Steam * (33.19 + t * (10.46 + 1.29 * t))
                + Nitrogen * (28.69 + t * (5.5 - 0.09 * t))
                + Oxygen * (29.11 + t * (11.12 - 4.17 * t))
                + CarbonMonoxide * (28.67 + t * (6.84 - 0.96 * t))
                + Hydrogen * (29.14 + t * (-0.12 + 2.34 * t))
            );
    }

    /// <summary>Heat it could still have given had it burnt, kJ.</summary>
    internal double Unburnt => 283.0 * CarbonMonoxide + 241.8 * Hydrogen;
}

/// <summary>
/// Fuel and air in a hot chamber: what leaves, and how much of the fuel's heat stays. λ is the air there is over the air needed. Source: the fuel kiln paper,
/// "Combustion".
/// </summary>
public static class Combustion
{
    /// <summary>The least air the sums hold for; with less there is soot, and what has no air is taken not to burn at all.</summary>
    public const double LeastAir = 0.6;

    // Below this the gases leave as they were: the water–gas reaction stands still.
    private const double FrozenBelow = 900;

    /// <summary>A mole of air: 0.21 oxygen, 0.79 nitrogen.</summary>
    internal static readonly FlueGas Air = new(0, 0, 0.79, 0.21, 0, 0);

    /// <summary>kg in a mole of air.</summary>
    internal const double AirMass = 0.02896;

    /// <summary>What a mole of fuel leaves behind.</summary>
    /// <param name="fuel">Which.</param>
    /// <param name="lambda">0.6 and more; less is taken as 0.6.</param>
    /// <param name="celsius">Of the chamber.</param>
    public static FlueGas Gas(Fuel fuel, double lambda, double celsius)
    {
        var (n, m, a) = (fuel.Carbon, fuel.Hydrogen, fuel.Oxygen);
        lambda = Math.Max(lambda, LeastAir);
        var nitrogen = 1.88 * a * lambda;
        if (lambda >= 1)
            return new FlueGas(n, m / 2.0, nitrogen, (lambda - 1) * a / 2, 0, 0);
        var (u, w) = (a * (1 - lambda), m / 2.0 - a * (1 - lambda));
        var k = Math.Exp(3743 / (Math.Max(celsius, FrozenBelow) + 273) - 3.442);
        var b = k * w + n + u;
        var co = 2 * n * u / (b + Math.Sqrt(b * b + 4 * (k - 1) * n * u));
        return new FlueGas(n - co, w + co, nitrogen, 0, co, u - co);
    }

    /// <summary>
    /// The share of the fuel's net heat that stays where the gas leaves at the chamber's temperature; less than none where cold air carries out more than the
    /// flame gives.
    /// </summary>
    /// <param name="fuel">Which.</param>
    /// <param name="lambda">More than 0.</param>
    /// <param name="celsius">Of the chamber.</param>
    /// <param name="room">Of the air that comes in, °C.</param>
    public static double Available(Fuel fuel, double lambda, double celsius, double room = 20) => Flame(fuel, lambda, celsius, room).Share;

    /// <summary>The share of the fuel's net heat that leaves as carbon monoxide and hydrogen, for as much air as <see cref="Available"/> takes.</summary>
    public static double UnburntShare(Fuel fuel, double lambda, double celsius) => Flame(fuel, lambda, celsius, 20).Unburnt;

    /// <summary>The available share with how it falls as the chamber gets hotter, 1/K, and the share that leaves unburnt.</summary>
    internal static (double Share, double Slope, double Unburnt) Flame(Fuel fuel, double lambda, double celsius, double room)
    {
        var gas = Gas(fuel, lambda, celsius);
        // Fuel that finds no air at all leaves as it came.
        var burns = Math.Min(1, lambda / LeastAir);
        var unburnt = gas.Unburnt / fuel.NetPerMole;
        var share = 1 - unburnt - (gas.Heat(celsius) - gas.Heat(room)) / fuel.NetPerMole;
        return (burns * share, -burns * gas.HeatCapacity(celsius) / fuel.NetPerMole, burns * unburnt + 1 - burns);
    }
}
