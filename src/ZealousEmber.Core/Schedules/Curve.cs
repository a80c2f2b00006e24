using NodaTime;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>A moment of a curve.</summary>
/// <param name="Minutes">Minutes since the start of the curve.</param>
/// <param name="Celsius">Temperature then, °C.</param>
public readonly record struct CurvePoint(double Minutes, double Celsius);

/// <summary>Time spent in a band of temperatures.</summary>
/// <param name="Before">Up to the end of the top: the climb, its holds, the top itself.</param>
/// <param name="After">The cooling, with every hold and swing on the way down.</param>
public readonly record struct TimeInBand(Duration Before, Duration After)
{
    /// <summary>Both together.</summary>
    public Duration Total => Before + After;
}

/// <summary>
/// Temperature over time, straight from point to point: planned, simulated or logged. Times never go back;
/// two points at one time are a jump. At least one point.
/// </summary>
public sealed class Curve
{
    private const double Top = 1;

    private readonly CurvePoint[] points;

    /// <summary>A curve through points whose minutes are finite and never go back; else throws.</summary>
    public Curve(IEnumerable<CurvePoint> points)
    {
        this.points = [.. points];
        if (this.points.Length == 0)
            throw new ArgumentException("a curve has at least one point", nameof(points));
        for (var i = 0; i < this.points.Length; i++)
        {
            var (minutes, celsius) = this.points[i];
            if (!double.IsFinite(minutes) || !double.IsFinite(celsius) || (i > 0 && minutes < this.points[i - 1].Minutes))
                throw new ArgumentException($"point {i} is not a number or goes back in time", nameof(points));
        }
    }

    /// <summary>The points, in order.</summary>
    public ReadOnlySpan<CurvePoint> Points => points;

    /// <summary>From the first point to the last.</summary>
    public Duration Length => Duration.FromMinutes(points[^1].Minutes - points[0].Minutes);

    /// <summary>The hottest point.</summary>
    public Temperature Peak => Temperature.FromCelsius(points.Max(p => p.Celsius));

    /// <summary>The temperature at a time since the start; before and after the curve, its end values.</summary>
    public Temperature At(Duration time)
    {
        var minutes = time.TotalMinutes;
        if (minutes <= points[0].Minutes)
            return Temperature.FromCelsius(points[0].Celsius);
        for (var i = 1; i < points.Length; i++)
        {
            if (minutes > points[i].Minutes)
                continue;
            var (a, b) = (points[i - 1], points[i]);
            return Temperature.FromCelsius(a.Celsius + (b.Celsius - a.Celsius) * (minutes - a.Minutes) / (b.Minutes - a.Minutes));
        }
        return Temperature.FromCelsius(points[^1].Celsius);
    }

    /// <summary>Time at or above a temperature.</summary>
    public Duration TimeAbove(Temperature temperature) => TimeBetween(temperature, null).Total;

    /// <summary>Time between two temperatures, given either way round, bounds included; exact for straight pieces.</summary>
    /// <param name="one">One bound.</param>
    /// <param name="other">The other bound; none means no upper bound.</param>
    public TimeInBand TimeBetween(Temperature one, Temperature? other)
    {
        var low = Math.Min(one.Celsius, other?.Celsius ?? double.PositiveInfinity);
        var high = other is { } upper ? Math.Max(one.Celsius, upper.Celsius) : double.PositiveInfinity;
        var turns = points[LastOfTop].Minutes;
        double before = 0,
            after = 0;
        for (var i = 1; i < points.Length; i++)
        {
            var (a, b) = (points[i - 1], points[i]);
            if (b.Minutes <= turns)
                before += MinutesInBand(a, b, low, high);
            else
                after += MinutesInBand(a, b, low, high);
        }
        return new TimeInBand(Duration.FromMinutes(before), Duration.FromMinutes(after));
    }

    /// <summary>The end of the top: the last point within 1 K of the hottest. What comes before it is climb, what comes after it cooling.</summary>
    public Duration EndOfTop => Duration.FromMinutes(points[LastOfTop].Minutes);

    private int LastOfTop
    {
        get
        {
            var high = Peak.Celsius - Top;
            var last = points.Length - 1;
            while (points[last].Celsius < high)
                last--;
            return last;
        }
    }

    /// <summary>The steepest climb of any piece, 0 when it never climbs. Jumps do not count.</summary>
    public Rate FastestRise => Rate.PerHour(Math.Max(0, Slopes().DefaultIfEmpty(0).Max()));

    /// <summary>The steepest fall of any piece as a negative rate, 0 when it never falls. Jumps do not count.</summary>
    public Rate FastestFall => Rate.PerHour(Math.Min(0, Slopes().DefaultIfEmpty(0).Min()));

    /// <summary>When it first climbs through a temperature; nothing if it never does, or starts above it.</summary>
    public Duration? FirstRiseThrough(Temperature temperature)
    {
        for (var i = 1; i < points.Length; i++)
        {
            if (points[i - 1].Celsius < temperature.Celsius && points[i].Celsius >= temperature.Celsius)
                return Crossing(points[i - 1], points[i], temperature);
        }
        return null;
    }

    /// <summary>When it last falls through a temperature; nothing if it never does, or ends above it.</summary>
    public Duration? LastFallThrough(Temperature temperature)
    {
        for (var i = points.Length - 1; i > 0; i--)
        {
            if (points[i - 1].Celsius > temperature.Celsius && points[i].Celsius <= temperature.Celsius)
                return Crossing(points[i - 1], points[i], temperature);
            if (points[i].Celsius > temperature.Celsius)
                return null;
        }
        return null;
    }

    /// <summary>
    /// The same curve with fewer points: none of those left out is further from the new line than the tolerance.
    /// Ramer 1972, Douglas and Peucker 1973, with the distance taken in degrees at the same time.
    /// </summary>
    public Curve Thinned(TemperatureDifference tolerance)
    {
        var kept = new bool[points.Length];
        kept[0] = kept[^1] = true;
        var pieces = new Stack<(int From, int To)>([(0, points.Length - 1)]);
        while (pieces.TryPop(out var piece))
        {
            var (worst, distance) = (0, tolerance.Kelvins);
            var (a, b) = (points[piece.From], points[piece.To]);
            for (var i = piece.From + 1; i < piece.To; i++)
            {
                var share = b.Minutes > a.Minutes ? (points[i].Minutes - a.Minutes) / (b.Minutes - a.Minutes) : 0;
                var off = Math.Abs(points[i].Celsius - (a.Celsius + share * (b.Celsius - a.Celsius)));
                if (off > distance)
                    (worst, distance) = (i, off);
            }
            if (worst == 0)
                continue;
            kept[worst] = true;
            pieces.Push((piece.From, worst));
            pieces.Push((worst, piece.To));
        }
        return new Curve(points.Where((_, i) => kept[i]));
    }

    private static Duration Crossing(CurvePoint a, CurvePoint b, Temperature temperature) =>
        Duration.FromMinutes(a.Minutes + (b.Minutes - a.Minutes) * (temperature.Celsius - a.Celsius) / (b.Celsius - a.Celsius));

    private static double MinutesInBand(CurvePoint a, CurvePoint b, double low, double high)
    {
        var minutes = b.Minutes - a.Minutes;
        var (bottom, top) = a.Celsius <= b.Celsius ? (a.Celsius, b.Celsius) : (b.Celsius, a.Celsius);
        if (top < low || bottom > high)
            return 0;
        return top - bottom < 1e-12 ? minutes : minutes * (Math.Min(top, high) - Math.Max(bottom, low)) / (top - bottom);
    }

    private IEnumerable<double> Slopes()
    {
        for (var i = 1; i < points.Length; i++)
        {
            // A piece shorter than a second is a corner of the arithmetic, not a pace anybody could see.
            var hours = (points[i].Minutes - points[i - 1].Minutes) / 60;
            if (hours > 1 / 3600.0)
                yield return (points[i].Celsius - points[i - 1].Celsius) / hours;
        }
    }
}
