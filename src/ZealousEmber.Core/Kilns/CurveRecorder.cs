using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns;

/// <summary>
/// Keeps a curve with as few points as stay within a tolerance of every moment recorded: a new point is only set when no straight
/// line from the last one passes close enough by all since (the swinging door of process loggers).
/// </summary>
internal sealed class CurveRecorder
{
    // Near the room a tenth of a degree is minutes.
    private const double Fine = 0.04;
    private const double Coarse = 0.2;

    private readonly List<CurvePoint> points = new(256);
    private CurvePoint last;
    private CurvePoint anchor;
    private double steepest;
    private double shallowest;

    public CurveRecorder(double minute, double celsius)
    {
        last = anchor = new CurvePoint(minute, celsius);
        points.Add(anchor);
        Open();
    }

    public IReadOnlyList<CurvePoint> Points => points;

    public void Add(double minute, double celsius)
    {
        var span = minute - anchor.Minutes;
        if (span <= 0)
            return;
        var tolerance = celsius < 250 ? Fine : Coarse;
        var slope = (celsius - anchor.Celsius) / span;
        if (slope > shallowest || slope < steepest)
        {
            Corner();
            span = minute - anchor.Minutes;
            slope = (celsius - anchor.Celsius) / span;
        }
        shallowest = Math.Min(shallowest, slope + tolerance / span);
        steepest = Math.Max(steepest, slope - tolerance / span);
        last = new CurvePoint(minute, celsius);
    }

    /// <summary>Sets a point at the last moment recorded.</summary>
    public void Corner()
    {
        if (last.Minutes > points[^1].Minutes)
            points.Add(last);
        anchor = last;
        Open();
    }

    private void Open() => (steepest, shallowest) = (double.NegativeInfinity, double.PositiveInfinity);
}
