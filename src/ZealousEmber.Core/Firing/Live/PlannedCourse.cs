using NodaTime;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>How far a firing is from what was promised.</summary>
/// <param name="Degrees">Warmer (or colder) than the plan at the same time, K.</param>
/// <param name="Minutes">Later (or sooner) than the plan came to where it is in this step; nothing where it never did.</param>
public readonly record struct Deviation(double Degrees, double? Minutes);

/// <summary>The promised curve, and how far off it a moment is.</summary>
internal sealed class PlannedCourse
{
    private readonly KilnRun? run;

    public PlannedCourse(WatchedFiring firing)
    {
        var ran = KilnRunner.Run(firing.Program, firing.Start, firing.Kiln, firing.Load);
        run = ran.IsOk ? ran.Value : null;
        Curve = run?.WholeCurve;
    }

    /// <summary>What was promised; nothing where the program cannot be run.</summary>
    public Core.Schedules.Curve? Curve { get; }

    /// <summary>When the power was to go off, minutes.</summary>
    public double? PoweredMinutes => run?.Compiled.Powered.TotalMinutes;

    /// <summary>How far off it is.</summary>
    public Deviation? Of(double now, double shown, ControllerFollower controller)
    {
        if (run is null || Curve is null)
            return null;
        var degrees = shown - Curve.At(Duration.FromMinutes(now)).Celsius;
        if (controller.Phase == LivePhase.Waiting || controller.Step >= run.Compiled.Segments.Length)
            return new Deviation(degrees, null);
        var step = run.Compiled.Segments[controller.Step];
        if (controller.Phase == LivePhase.Hold && controller.HoldBegan is { } began)
            return new Deviation(degrees, began - step.RampEnd.TotalMinutes + Math.Max(0, -controller.HoldLeft));
        var (from, to) = (step.Start.TotalMinutes, Math.Max(step.RampEnd.TotalMinutes, controller.Phase == LivePhase.Off ? Curve.Points[^1].Minutes : 0));
        return new Deviation(degrees, now - Passed(shown, from, to));
    }

    /// <summary>When the curve passed a temperature within a stretch; its nearest end where it lies outside.</summary>
    private double Passed(double celsius, double from, double to)
    {
        var points = Curve!.Points;
        var (first, last) = (Curve.At(Duration.FromMinutes(from)).Celsius, Curve.At(Duration.FromMinutes(to)).Celsius);
        var up = last >= first;
        // Colder than where its step was to begin, after a cut say: the plan was there in a step before.
        if (up && celsius < first && from > 0 && Curve.Points[0].Celsius < celsius)
            return Passed(celsius, 0, from);
        if (up ? celsius <= first : celsius >= first)
            return from;
        for (var i = 1; i < points.Length; i++)
        {
            if (points[i].Minutes <= from)
                continue;
            if (points[i - 1].Minutes >= to)
                break;
            var (a, b) = (points[i - 1], points[i]);
            if (up ? b.Celsius < celsius : b.Celsius > celsius)
                continue;
            if (b.Celsius == a.Celsius)
                return Math.Max(from, a.Minutes);
            return Math.Clamp(a.Minutes + (celsius - a.Celsius) / (b.Celsius - a.Celsius) * (b.Minutes - a.Minutes), from, to);
        }
        return to;
    }
}
