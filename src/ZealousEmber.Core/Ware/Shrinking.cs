using NodaTime;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Ware;

/// <summary>
/// While it shrinks: above some 8 % of water a wall shrinks 0.3 % of its length for each per cent that leaves. Warming from 20 to 60 °C drives out
/// about 7 %, and the middle lags; from a lag of 4 % on it warps and tears. Source: the project's paper on what ware can stand.
/// </summary>
public static class Shrinking
{
    private const double LeatherHard = 1320;
    private const double Damp = 5280;
    private const double StayPerSquare = 0.12;
    private const double ShortestStay = 6;

    /// <summary>Where a stay lets leather hard ware become damp, °C.</summary>
    public static readonly (double From, double To) Stays = (40, 65);

    /// <summary>Where the climb is judged, °C.</summary>
    public static readonly (double From, double To) Warms = (20, 60);

    /// <summary>The fastest climb, °C/h, up to the drying hold; nothing where only bound water is left.</summary>
    /// <param name="depth">L, mm.</param>
    /// <param name="dryness">Of the ware.</param>
    public static double? Fastest(double depth, Dryness dryness) =>
        dryness switch
        {
            Dryness.LeatherHard => LeatherHard / (depth * depth),
            Dryness.Damp => Damp / (depth * depth),
            _ => null,
        };

    /// <summary>How long leather hard ware stays between 40 and 65 °C until it counts as damp.</summary>
    /// <param name="depth">L, mm.</param>
    public static Duration Stay(double depth) => Duration.FromHours(Math.Max(ShortestStay, StayPerSquare * depth * depth));

    /// <summary>When leather hard ware counts as damp; nothing when it never does.</summary>
    /// <param name="curve">Planned or logged.</param>
    /// <param name="depth">L, mm.</param>
    public static Duration? DampAt(Curve curve, double depth)
    {
        var missing = Stay(depth).TotalMinutes;
        var points = curve.Points;
        for (var i = 1; i < points.Length; i++)
        {
            var (a, b) = (points[i - 1], points[i]);
            var span = b.Minutes - a.Minutes;
            if (span <= 0)
                continue;
            var within =
                Math.Abs(b.Celsius - a.Celsius) < 1e-9
                    ? a.Celsius >= Stays.From && a.Celsius <= Stays.To
                        ? span
                        : 0
                    : span
                        * Math.Max(0, Math.Min(Stays.To, Math.Max(a.Celsius, b.Celsius)) - Math.Max(Stays.From, Math.Min(a.Celsius, b.Celsius)))
                        / Math.Abs(b.Celsius - a.Celsius);
            if (within >= missing - 1e-9)
                return Duration.FromMinutes(a.Minutes + Math.Min(span, missing));
            missing -= within;
        }
        return null;
    }
}
