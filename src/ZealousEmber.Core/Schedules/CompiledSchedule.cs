using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>One step with its times.</summary>
/// <param name="Start">Since the start of the firing.</param>
/// <param name="Ramp">How long it takes to its target.</param>
/// <param name="Hold">How long it stays there.</param>
/// <param name="From">Temperature at the start.</param>
/// <param name="To">Temperature reached; the target, or the coolest the kiln gets by itself.</param>
public sealed record CompiledSegment(Duration Start, Duration Ramp, Duration Hold, Temperature From, Temperature To)
{
    /// <summary>When its target is reached.</summary>
    public Duration RampEnd => Start + Ramp;

    /// <summary>When the next step begins.</summary>
    public Duration End => Start + Ramp + Hold;
}

/// <summary>The steps of a firing by its clock.</summary>
public static class CompiledSegments
{
    /// <summary>Index of the step that is under way at a minute since the start; at least one step must be there.</summary>
    public static int StepAt(this ImmutableArray<CompiledSegment> segments, double minute)
    {
        var step = segments.Length - 1;
        while (step > 0 && segments[step].Start.TotalMinutes > minute + 1e-6)
            step--;
        return step;
    }

    /// <summary>Where the steps want the kiln at a minute, °C: along the straight line to the target, then at it.</summary>
    public static double WantedAt(this ImmutableArray<CompiledSegment> segments, double minute)
    {
        var segment = segments[segments.StepAt(minute)];
        var ramp = segment.Ramp.TotalMinutes;
        return ramp <= 0
            ? segment.To.Celsius
            : segment.From.Celsius + (segment.To.Celsius - segment.From.Celsius) * Math.Clamp((minute - segment.Start.TotalMinutes) / ramp, 0, 1);
    }
}

/// <summary>Gives a program its times on some kiln, to the end of its last step.</summary>
public delegate Result<CompiledSchedule> ScheduleTimes(FiringProgram program);

/// <summary>A program with its times on a kiln: what the whole firing looks like if the kiln keeps up.</summary>
/// <param name="Segments">One for each step of the program.</param>
/// <param name="Curve">The whole curve; within a step it never turns round.</param>
/// <param name="Powered">Until the power goes off for good: the end of the last step that is not "off".</param>
public sealed record CompiledSchedule(ImmutableArray<CompiledSegment> Segments, Curve Curve, Duration Powered)
{
    /// <summary>From start to the end of the last step.</summary>
    public Duration Total => Segments[^1].End;

    /// <summary>When the power goes off for good, if the firing ends with the kiln cooling by itself.</summary>
    public Duration? PowerOff => Powered < Total ? Powered : null;

    /// <summary>
    /// Times a program on a kiln. A climb or cooling at a rate is taken as asked; full power and off take the kiln's time.
    /// </summary>
    /// <param name="program">What is wanted.</param>
    /// <param name="start">The kiln's temperature when it is switched on, −20 … 1400 °C.</param>
    /// <param name="kiln">What the kiln does left to itself.</param>
    /// <returns>A problem at <c>segments[0].target</c> when a first "off" would have to climb from the start.</returns>
    public static Result<CompiledSchedule> From(FiringProgram program, Temperature start, IKilnPace kiln)
    {
        if (program.CannotBegin(start) is { } problem)
            return problem;

        var segments = ImmutableArray.CreateBuilder<CompiledSegment>(program.Steps.Length);
        var points = new List<CurvePoint> { new(0, start.Celsius) };
        var (now, at, powered) = (Duration.Zero, start, Duration.Zero);
        foreach (var segment in program.Steps)
        {
            var ramp = Ramp(segment, at, kiln);
            var compiled = new CompiledSegment(now, Duration.FromMinutes(ramp[^1].Minutes), segment.Hold, at, Temperature.FromCelsius(ramp[^1].Celsius));
            var startMinutes = now.TotalMinutes;
            for (var i = 1; i < ramp.Count - 1; i++)
                points.Add(ramp[i] with { Minutes = startMinutes + ramp[i].Minutes });
            AddCorner(points, compiled.RampEnd, compiled.To);
            AddCorner(points, compiled.End, compiled.To);
            segments.Add(compiled);
            (now, at) = (compiled.End, compiled.To);
            if (segment.Pace.Kind != PaceKind.Natural || segment.Hold > Duration.Zero)
                powered = now;
        }
        return new CompiledSchedule(segments.MoveToImmutable(), new Curve(points), powered);
    }

    private static IReadOnlyList<CurvePoint> Ramp(Segment segment, Temperature from, IKilnPace kiln)
    {
        var to = segment.Target ?? kiln.Opens;
        if (segment.Target is null && to >= from)
            return [new CurvePoint(0, from.Celsius)];
        if (segment.Pace.Rate is { } rate)
            return [new(0, from.Celsius), new(((to - from).Abs() / rate).TotalMinutes, to.Celsius)];
        return to > from ? kiln.Climb(from, to) : kiln.Cool(from, to);
    }

    private static void AddCorner(List<CurvePoint> points, Duration at, Temperature temperature)
    {
        var corner = new CurvePoint(at.TotalMinutes, temperature.Celsius);
        if (points[^1] != corner)
            points.Add(corner);
    }
}
