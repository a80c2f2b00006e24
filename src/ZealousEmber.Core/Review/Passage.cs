using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>A step's way through a band of temperatures: the part it covers, and its mean rate there.</summary>
/// <param name="Step">Index of the step.</param>
/// <param name="Low">Lower end of the part, °C.</param>
/// <param name="High">Upper end of the part, °C.</param>
/// <param name="Rate">°C/h, without a sign.</param>
internal sealed record Passage(int Step, double Low, double High, double Rate)
{
    // A smaller part is a corner of a step, not a climb through the band.
    private const double Least = 10;

    /// <summary>The ways of all steps through a band, up or down, in their order.</summary>
    public static IEnumerable<Passage> Through(CompiledSchedule compiled, (double From, double To) band, bool up)
    {
        for (var i = 0; i < compiled.Segments.Length; i++)
        {
            var times = compiled.Segments[i];
            if (times.Ramp <= Duration.Zero || (up ? times.To <= times.From : times.To >= times.From))
                continue;
            var (bottom, top) = up ? (times.From.Celsius, times.To.Celsius) : (times.To.Celsius, times.From.Celsius);
            var (low, high) = (Math.Max(band.From, bottom), Math.Min(band.To, top));
            if (high - low < Least)
                continue;
            var span = (Crossing(compiled.Curve, high, times, up) - Crossing(compiled.Curve, low, times, up)).TotalHours;
            if (span != 0)
                yield return new Passage(i, low, high, (high - low) / Math.Abs(span));
        }
    }

    private static Duration Crossing(Curve curve, double celsius, CompiledSegment times, bool up)
    {
        var points = curve.Points;
        var (start, end) = (times.Start.TotalMinutes, times.RampEnd.TotalMinutes);
        for (var i = 1; i < points.Length; i++)
        {
            var (a, b) = (points[i - 1], points[i]);
            if (b.Minutes <= start || a.Minutes >= end || b.Minutes <= a.Minutes)
                continue;
            if (
                up
                    ? a.Celsius <= celsius && b.Celsius >= celsius && b.Celsius > a.Celsius
                    : a.Celsius >= celsius && b.Celsius <= celsius && b.Celsius < a.Celsius
            )
                return Duration.FromMinutes(a.Minutes + (b.Minutes - a.Minutes) * (celsius - a.Celsius) / (b.Celsius - a.Celsius));
        }
        return up == Temperature.FromCelsius(celsius) > times.From ? times.RampEnd : times.Start;
    }
}
