using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>
/// Will it steam? What water is left in the middle of a wall past boiling turns to steam as it warms and pushes its way out through the
/// pores (Darcy); B is the worst of that pressure, from boiling to 100 K above, over what the wall can bear. Up to 1 % of water is bound to the
/// grains and leaves over 100 K, the rest boils as fast as heat comes. B up to 0.35 is fine, up to 1 worth a look, above it will probably
/// burst. Bone dry, B is about r·L²·m/18 500 (r °C/h, L mm, m %). Source: the project's paper on what ware can stand; the
/// permeability stands for grog, pores and doubt and was fitted to practice.
/// </summary>
public static class Steam
{
    /// <summary>Up to here nothing is said.</summary>
    public const double Fine = 0.35;

    /// <summary>Up to here it is worth a look.</summary>
    public const double Look = 1;

    /// <summary>What a planned hold brings it to.</summary>
    public const double Planned = 0.15;

    /// <summary>What a long firing that is slowed past boiling brings it to.</summary>
    public const double PlannedSlow = 0.3;

    /// <summary>Water that may be left at boiling after a planned hold, %.</summary>
    public const double MostAtBoiling = 1;

    /// <summary>With more than this left at boiling it is worth a look in any case, %.</summary>
    public const double WetAtBoiling = 2;

    /// <summary>m·r·L² (%, °C/h, mm²) up to which a wall in a log is safe.</summary>
    public const double SafeInALog = 6500;

    /// <summary>So far past boiling it is watched, K.</summary>
    public static readonly TemperatureDifference Watched = TemperatureDifference.FromKelvins(100);

    // SI: densities kg/m³, heat J/(kg K) and J/kg, viscosity Pa s, permeability m², strength Pa.
    private const double ClayDensity = 1800;
    private const double ClayHeat = 1000;
    private const double BoilingHeat = 2.26e6;
    private const double Viscosity = 1.3e-5;
    private const double SteamDensity = 0.6;
    private const double Permeability = 2e-17;
    private const double Strength = 0.5e6;
    private const double WeakestShare = 0.1;
    private const double FreeOver = 45;
    private const double BoundOver = 100;

    /// <summary>The verdict on a wall.</summary>
    /// <param name="b">Pressure over strength.</param>
    /// <param name="atBoiling">Water in the middle as it passes boiling, %.</param>
    public static Verdict Of(double b, double atBoiling) =>
        b > Look ? Verdict.Danger
        : b > Fine || atBoiling > WetAtBoiling ? Verdict.Look
        : Verdict.Fine;

    /// <summary>B of a wall at a moment.</summary>
    /// <param name="celsius">Temperature.</param>
    /// <param name="perSecond">Climb, K/s.</param>
    /// <param name="water">In the middle, % of dry mass.</param>
    /// <param name="depth">L, mm.</param>
    /// <param name="boiling">Where it boils, °C.</param>
    public static double At(double celsius, double perSecond, double water, double depth, double boiling)
    {
        if (perSecond <= 0)
            return 0;
        var bound = Math.Min(water, 1);
        var free = water - bound;
        var turns = ClayDensity * perSecond * (bound / 100 / BoundOver + Math.Min(free / 100 / FreeOver, ClayHeat / BoilingHeat));
        var metres = depth / 1000;
        var pushed = turns * metres * metres * Viscosity / (2 * Permeability * SteamDensity);
        var pressure = Math.Min(pushed, Boiling.Pressure(celsius) - Boiling.Pressure(boiling));
        return Math.Max(0, pressure) / (Strength * Math.Max(WeakestShare, Math.Exp(-free / 3)));
    }

    /// <summary>When a logged or planned curve had a wall safe: m·r·L² at most 6500 from there on, with at most 1 % water; nothing when it never had.</summary>
    /// <param name="curve">As measured or planned.</param>
    /// <param name="depth">L, mm.</param>
    /// <param name="water">When it went in, %.</param>
    /// <param name="rate">The climb past boiling, °C/h.</param>
    public static Duration? SafeAt(Curve curve, double depth, double water, double rate)
    {
        var needed = Math.Min(MostAtBoiling, SafeInALog / (rate * depth * depth)) / water;
        var progress = Drying.For(needed) * depth * depth / 1e6;
        if (Drying.Progress(curve, Duration.Zero, curve.Length) < progress)
            return null;
        return Duration.FromMinutes(Roots.Rising(m => Drying.Progress(curve, Duration.Zero, Duration.FromMinutes(m)), progress, 0, curve.Length.TotalMinutes));
    }
}
