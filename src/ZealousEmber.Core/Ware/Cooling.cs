using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>How fast a kiln full of ware cools, planned or logged.</summary>
public static class Cooling
{
    private const double Hour = 60;

    /// <summary>
    /// The fastest drop in any hour, and when that hour begins; nothing lost, from the start, where it never cools. Curves under an hour: over their length.
    /// </summary>
    public static (TemperatureDifference Drop, Duration From) FastestDrop(Curve curve)
    {
        var points = curve.Points.ToArray();
        // What is lost over an hour bends only where the hour begins or ends at a point of the curve; its greatest value lies at such a bend.
        var starts = points.Select(p => p.Minutes).Concat(points.Select(p => p.Minutes - Hour)).Where(m => m >= points[0].Minutes).Order();
        var (from, to) = (new Walk(points), new Walk(points));
        var (most, when) = (0.0, points[0].Minutes);
        foreach (var start in starts)
        {
            var lost = from.At(start) - to.At(start + Hour);
            if (lost > most)
                (most, when) = (lost, start);
        }
        return (TemperatureDifference.FromKelvins(most), Duration.FromMinutes(when));
    }

    /// <summary>Reads a curve at times that never go back, in one pass.</summary>
    private sealed class Walk(CurvePoint[] points)
    {
        private int next = 1;

        public double At(double minutes)
        {
            while (next < points.Length && points[next].Minutes < minutes)
                next++;
            if (next >= points.Length)
                return points[^1].Celsius;
            var (a, b) = (points[next - 1], points[next]);
            return b.Minutes > a.Minutes ? a.Celsius + (b.Celsius - a.Celsius) * Math.Clamp((minutes - a.Minutes) / (b.Minutes - a.Minutes), 0, 1) : b.Celsius;
        }
    }
}
