using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>How dry ware is when it goes in.</summary>
public enum Dryness
{
    /// <summary>Room warm on the cheek; 1 % water.</summary>
    BoneDry,

    /// <summary>Still cool on the cheek; 3 %.</summary>
    CoolToTouch,

    /// <summary>Darker, dents hardly; 6 %.</summary>
    Damp,

    /// <summary>Can be carved; 15 %. Not fired, only dried.</summary>
    LeatherHard,
}

/// <summary>How likely steam breaks a wall.</summary>
public enum SteamRisk
{
    /// <summary>At most 0.3 % water in the middle when it passes boiling.</summary>
    Fine,

    /// <summary>At most 0.6 %: look for steam first.</summary>
    LookFirst,

    /// <summary>More: it will probably burst.</summary>
    Bursts,
}

/// <summary>
/// Water leaving a wall by diffusion (Fick; Crank, The Mathematics of Diffusion): both faces dry, no flux through the middle.
/// With one diffusivity for the whole wall at a time, the answer depends only on F = ∫ D dt / L². Fractions of the dry mass in %,
/// walls in mm, temperatures °C. Source of the constants: the project's paper on what ware can stand.
/// </summary>
public static class Drying
{
    /// <summary>Water in the middle of a wall, %, at which passing boiling is fine.</summary>
    public const double FineWater = 0.3;

    /// <summary>And up to which a look for steam is asked first.</summary>
    public const double LookWater = 0.6;

    /// <summary>Thickest wall a schedule alone can save, mm.</summary>
    public const double ThickestWall = 40;

    /// <summary>The drying hold sits this far below boiling, K.</summary>
    public static readonly TemperatureDifference BelowBoiling = TemperatureDifference.FromKelvins(8);

    private const double DiffusivityAt90 = 2.5e-9;
    private const double ActivationKelvins = 28_000 / 8.314;
    private const double Reference = 363.15;

    /// <summary>Water at the start, % of dry mass.</summary>
    public static double Water(Dryness dryness) => dryness switch { Dryness.BoneDry => 1, Dryness.CoolToTouch => 3, Dryness.Damp => 6, _ => 15 };

    /// <summary>Diffusivity of water in clay, m²/s.</summary>
    public static double Diffusivity(double celsius) => DiffusivityAt90 * Math.Exp(-ActivationKelvins * (1 / (celsius + 273.15) - 1 / Reference));

    /// <summary>The depth a wall dries from, m: half of it, or the whole where it dries from one side.</summary>
    public static double Depth(double wall, bool oneSided) => (oneSided ? wall : wall / 2) / 1000;

    /// <summary>∫ D dt along a curve up to a moment, m².</summary>
    public static double Progress(Curve curve, Duration until)
    {
        var points = curve.Points;
        var (end, sum) = (until.TotalMinutes, 0.0);
        for (var i = 1; i < points.Length && points[i - 1].Minutes < end; i++)
        {
            var (a, b) = (points[i - 1], points[i]);
            var span = b.Minutes - a.Minutes;
            if (span <= 0) continue;
            var share = Math.Min(1, (end - a.Minutes) / span);
            var to = a.Celsius + (b.Celsius - a.Celsius) * share;
            // Simpson over pieces of at most 10 K, over which D changes by less than a third.
            var pieces = Math.Max(1, (int)Math.Ceiling(Math.Abs(to - a.Celsius) / 10));
            var (seconds, dt) = (span * share * 60 / pieces, (to - a.Celsius) / pieces);
            for (var p = 0; p < pieces; p++)
            {
                var t = a.Celsius + p * dt;
                sum += seconds / 6 * (Diffusivity(t) + 4 * Diffusivity(t + dt / 2) + Diffusivity(t + dt));
            }
        }
        return sum;
    }

    /// <summary>Water left in the middle, as a share of what it began with, after F.</summary>
    public static double CentreShare(double f)
    {
        if (f < 0.03) return 1;
        var sum = 0.0;
        for (var n = 0; n < 8; n++)
        {
            var odd = 2 * n + 1;
            sum += (n % 2 == 0 ? 1 : -1) / (double)odd * Math.Exp(-odd * odd * Math.PI * Math.PI * f / 4);
        }
        return Math.Clamp(4 / Math.PI * sum, 0, 1);
    }

    /// <summary>The F that brings the middle to a share; by the first term of the series, good to 0.1 % under a share of 0.7, else by bisection.</summary>
    public static double For(double share) =>
        share >= 1 ? 0 : share < 0.5 ? 4 / (Math.PI * Math.PI) * Math.Log(4 / (Math.PI * share)) : Roots.Rising(f => -CentreShare(f), -share, 0, 2);

    /// <summary>Water in the middle of a wall, %, when a curve first passes boiling; at its end if it never does.</summary>
    public static double CentreWater(Curve curve, double wall, bool oneSided, Dryness dryness, Temperature boiling)
    {
        var until = curve.FirstRiseThrough(boiling) ?? curve.Length;
        var depth = Depth(wall, oneSided);
        return Water(dryness) * CentreShare(Progress(curve, until) / (depth * depth));
    }

    /// <summary>What that much water means.</summary>
    public static SteamRisk Risk(double centreWater) => centreWater <= FineWater + 1e-9 ? SteamRisk.Fine : centreWater <= LookWater + 1e-9 ? SteamRisk.LookFirst : SteamRisk.Bursts;

    /// <summary>The hold that brings the middle of a wall to 0.3 %, after what it has dried on the way.</summary>
    /// <param name="wall">mm.</param>
    /// <param name="oneSided">It dries from one side.</param>
    /// <param name="dryness">When it goes in.</param>
    /// <param name="at">Temperature of the hold.</param>
    /// <param name="before">∫ D dt before the hold, m².</param>
    public static Duration HoldFor(double wall, bool oneSided, Dryness dryness, Temperature at, double before)
    {
        var depth = Depth(wall, oneSided);
        var missing = For(FineWater / Water(dryness)) * depth * depth - before;
        return missing > 0 ? Duration.FromSeconds(missing / Diffusivity(at.Celsius)) : Duration.Zero;
    }

    /// <summary>When a logged or planned curve had the middle of a wall down to 0.3 %; nothing when it never had.</summary>
    public static Duration? SafeAt(Curve curve, double wall, bool oneSided, Dryness dryness)
    {
        var depth = Depth(wall, oneSided);
        var needed = For(FineWater / Water(dryness)) * depth * depth;
        if (Progress(curve, curve.Length) < needed) return null;
        return Duration.FromMinutes(Roots.Rising(m => Progress(curve, Duration.FromMinutes(m)), needed, 0, curve.Length.TotalMinutes));
    }

    /// <summary>A computed hold with its margin: × 1.3, at least an hour, up to the half hour.</summary>
    public static Duration WithMargin(Duration hold)
    {
        var hours = Math.Max(1, hold.TotalHours * 1.3);
        return Duration.FromMinutes(Math.Ceiling(hours * 2 - 1e-9) * 30);
    }
}
