using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>
/// A climb through boiling, cut fine once so that every wall and every hold before it can be asked of it: what reviewer and planner both
/// judge steam by. It ends 100 K above boiling, or where the curve does.
/// </summary>
public sealed class SteamClimb
{
    private const double Fine = 2;

    private readonly double boiling;
    private readonly List<(double Celsius, double PerSecond, double Progress)> moments = [];
    private readonly double atBoiling;

    /// <summary>Cuts a curve from a moment on.</summary>
    /// <param name="curve">Planned, simulated or logged.</param>
    /// <param name="boiling">Where water boils.</param>
    /// <param name="from">Drying is counted from here; from its start when missing.</param>
    public SteamClimb(Curve curve, Temperature boiling, Duration? from = null)
    {
        this.boiling = boiling.Celsius;
        var points = curve.Points;
        var (begin, end, progress) = (from?.TotalMinutes ?? 0, boiling.Celsius + Steam.Watched.Kelvins, 0.0);
        double? passed = null;
        for (var i = 1; i < points.Length; i++)
        {
            var (a, b) = (points[i - 1], points[i]);
            var seconds = (b.Minutes - a.Minutes) * 60;
            if (b.Minutes <= begin)
                continue;
            if (a.Celsius >= end)
                break;
            // A jump is a corner of the arithmetic; nothing warms in no time.
            if (seconds <= 1e-9)
                continue;
            if (b.Celsius <= this.boiling && a.Celsius <= this.boiling)
            {
                progress += Drying.Progress(a.Celsius, b.Celsius, seconds);
                continue;
            }
            var pieces = Math.Max(1, (int)Math.Ceiling(Math.Abs(b.Celsius - a.Celsius) / Fine));
            var (dt, each, slope) = ((b.Celsius - a.Celsius) / pieces, seconds / pieces, (b.Celsius - a.Celsius) / seconds);
            for (var p = 0; p < pieces; p++)
            {
                var (low, high) = (a.Celsius + p * dt, a.Celsius + (p + 1) * dt);
                if (passed is null && high >= this.boiling)
                    passed =
                        progress
                        + (high > low ? Drying.Progress(low, Math.Max(low, this.boiling), each * Math.Clamp((this.boiling - low) / (high - low), 0, 1)) : 0);
                progress += Drying.Progress(low, high, each);
                if (slope > 0 && high > this.boiling && low < end)
                    moments.Add((high, slope, progress));
                if (high >= end)
                    break;
            }
        }
        Total = progress;
        Passes = passed is not null;
        atBoiling = passed ?? progress;
    }

    /// <summary>True when it goes past boiling.</summary>
    public bool Passes { get; }

    /// <summary>∫ D dt to its end, m².</summary>
    public double Total { get; }

    /// <summary>Water in the middle as it passes boiling, %; at its end if it never does.</summary>
    /// <param name="depth">L, mm.</param>
    /// <param name="water">At the start, %.</param>
    /// <param name="before">∫ D dt before it, m².</param>
    public double WaterAtBoiling(double depth, double water, double before = 0) => water * Drying.CentreShare((before + atBoiling) / Square(depth));

    /// <summary>The worst B of a wall on it, and where; 0 where it never passes boiling.</summary>
    /// <param name="depth">L, mm.</param>
    /// <param name="water">At the start, %.</param>
    /// <param name="before">∫ D dt before it, m².</param>
    public (double B, double Celsius) Worst(double depth, double water, double before = 0)
    {
        var worst = (B: 0.0, Celsius: boiling);
        foreach (var (celsius, perSecond, progress) in moments)
        {
            var b = Steam.At(celsius, perSecond, water * Drying.CentreShare((before + progress) / Square(depth)), depth, boiling);
            if (b > worst.B)
                worst = (b, celsius);
        }
        return worst;
    }

    /// <summary>
    /// The ∫ D dt, m², that has to come before this climb for a wall to pass it with B at most so much and no more than 1 % water at boiling; 0 when none has.
    /// </summary>
    public double ProgressFor(double depth, double water, double most = Steam.Planned)
    {
        // How far it is from dry enough; 1 is just so.
        double Wet(double before) => Math.Max(Worst(depth, water, before).B / most, WaterAtBoiling(depth, water, before) / Steam.MostAtBoiling);
        if (Wet(0) <= 1 + 1e-9)
            return 0;
        var square = Square(depth);
        var high = square;
        while (Wet(high) > 1)
            high *= 2;
        return Roots.Rising(before => -Wet(before), -1, 0, high, 1e-6 * square);
    }

    private static double Square(double depth) => depth * depth / 1e6;
}
