using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>
/// Water leaving a wall by diffusion (Fick; Crank, The Mathematics of Diffusion): dry faces, no flux through the middle. With one
/// diffusivity for the whole wall at a time, the answer depends only on F = ∫ D dt / L². Water in % of the dry mass, walls in mm,
/// temperatures °C. Source of the constants: the project's paper on what ware can stand.
/// </summary>
public static class Drying
{
    /// <summary>Thickest wall a schedule alone can save, mm.</summary>
    public const double ThickestWall = 40;

    /// <summary>The drying hold sits this far below boiling, K.</summary>
    public static readonly TemperatureDifference BelowBoiling = TemperatureDifference.FromKelvins(8);

    // Feet, joins and handles are thicker than what was measured.
    private const double Foot = 2;
    private const double OneSidedShare = 0.65;

    private const double DiffusivityAt90 = 2.5e-9;
    private const double ActivationKelvins = 28_000 / 8.314;
    private const double Reference = 363.15;

    // Below this the drying front has not come to the middle.
    private const double Reaches = 0.03;

    /// <summary>Diffusivity of water in clay, m²/s.</summary>
    public static double Diffusivity(double celsius) => DiffusivityAt90 * Math.Exp(-ActivationKelvins * (1 / (celsius + 273.15) - 1 / Reference));

    /// <summary>
    /// The depth a wall dries and warms from, mm: half of it and 2 mm for feet and joins; 0.65 of it, if that is more, for solid ware and ware with its whole
    /// foot on the shelf.
    /// </summary>
    public static double Depth(double wall, bool oneSided) => oneSided ? Math.Max(wall / 2 + Foot, OneSidedShare * wall) : wall / 2 + Foot;

    /// <summary>∫ D dt along a curve from one moment to another, m².</summary>
    public static double Progress(Curve curve, Duration from, Duration until)
    {
        var points = curve.Points;
        var (begin, end, sum) = (from.TotalMinutes, until.TotalMinutes, 0.0);
        for (var i = 1; i < points.Length && points[i - 1].Minutes < end; i++)
        {
            var (a, b) = (points[i - 1], points[i]);
            var span = b.Minutes - a.Minutes;
            if (span <= 0 || b.Minutes <= begin)
                continue;
            var (first, last) = (Math.Max(0, (begin - a.Minutes) / span), Math.Min(1, (end - a.Minutes) / span));
            sum += Progress(a.Celsius + (b.Celsius - a.Celsius) * first, a.Celsius + (b.Celsius - a.Celsius) * last, span * (last - first) * 60);
        }
        return sum;
    }

    /// <summary>∫ D dt from one temperature to another in so many seconds, m².</summary>
    internal static double Progress(double from, double to, double seconds)
    {
        // Simpson over pieces of at most 10 K, over which D changes by less than a third.
        var pieces = Math.Max(1, (int)Math.Ceiling(Math.Abs(to - from) / 10));
        var (each, dt, sum) = (seconds / pieces, (to - from) / pieces, 0.0);
        for (var p = 0; p < pieces; p++)
        {
            var t = from + p * dt;
            sum += each / 6 * (Diffusivity(t) + 4 * Diffusivity(t + dt / 2) + Diffusivity(t + dt));
        }
        return sum;
    }

    /// <summary>Water left in the middle, as a share of what it began with, after F.</summary>
    public static double CentreShare(double f)
    {
        if (f < Reaches)
            return 1;
        var sum = 0.0;
        for (var n = 0; n < 8; n++)
        {
            var odd = 2 * n + 1;
            var term = Math.Exp(-odd * odd * Math.PI * Math.PI * f / 4) / odd;
            if (term < 1e-12)
                break;
            sum += n % 2 == 0 ? term : -term;
        }
        return Math.Clamp(4 / Math.PI * sum, 0, 1);
    }

    /// <summary>The F that brings the middle to a share; by the first term of the series where that is good to 0.1 %, else by bisection.</summary>
    public static double For(double share) =>
        share >= 1 ? 0
        : share < 0.5 ? 4 / (Math.PI * Math.PI) * Math.Log(4 / (Math.PI * share))
        : Roots.Rising(f => -CentreShare(f), -share, 0, 2);
}
