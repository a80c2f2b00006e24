using System.Collections.Immutable;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>What a stretch of the wanted curve is.</summary>
internal enum StretchKind
{
    /// <summary>Steadily to a target.</summary>
    Ramp,

    /// <summary>Staying there.</summary>
    Hold,

    /// <summary>At full power.</summary>
    Full,

    /// <summary>With the power off.</summary>
    Off,
}

/// <summary>A point of the wanted curve.</summary>
/// <param name="Hours">Since the start.</param>
/// <param name="Celsius">There.</param>
internal readonly record struct WantedPoint(double Hours, double Celsius);

/// <summary>Between two points.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Step">Index of the step it is of.</param>
internal readonly record struct Stretch(StretchKind Kind, int Step);

/// <summary>A band in which time counts.</summary>
/// <param name="From">°C.</param>
/// <param name="To">°C.</param>
/// <param name="Cost">Of an hour lost in it, °C·h.</param>
/// <param name="Cooling">After the top; else up to its end.</param>
/// <param name="Why">In words.</param>
internal sealed record Band(double From, double To, double Cost, bool Cooling, string Why)
{
    private static readonly Band[] Always =
    [
        new(540, 610, 100, false, "quartz, rising"),
        new(540, 610, 100, true, "quartz, falling"),
        new(200, 250, 100, true, "cristobalite, falling"),
    ];
    private static readonly Band[] Raw = [new(80, 120, 200, false, "drying"), new(650, 950, 50, false, "burning out")];

    /// <summary>The bands that count for a kind of firing.</summary>
    public static ImmutableArray<Band> Of(ScheduleKind kind) => kind.FiresRaw() ? [.. Raw, .. Always] : [.. Always];

    /// <summary>Hours a straight stretch spends in it.</summary>
    public double HoursOf(double from, double to, double hours)
    {
        var (low, high) = from <= to ? (from, to) : (to, from);
        if (high < From || low > To)
            return 0;
        return high - low < 1e-9 ? hours : hours * Math.Max(0, Math.Min(high, To) - Math.Max(low, From)) / (high - low);
    }

    /// <summary>Hours a curve spends in it, on its side of the top.</summary>
    public double HoursOf(Curve curve)
    {
        var time = curve.TimeBetween(Temperature.FromCelsius(From), Temperature.FromCelsius(To));
        return (Cooling ? time.After : time.Before).TotalHours;
    }
}

/// <summary>A schedule as straight stretches between points where it may be cut: its corners, and the edges of bands inside ramps.</summary>
internal sealed class WantedCurve
{
    // An edge so near a corner is that corner.
    private const double NearCorner = 5;
    private readonly List<WantedPoint> points;
    private readonly List<Stretch> stretches = [];

    public WantedCurve(FiringProgram program, CompiledSchedule compiled, ScheduleKind kind)
    {
        Bands = Band.Of(kind);
        points = [new WantedPoint(0, compiled.Segments[0].From.Celsius)];
        var top = program.TopStep;
        (Program, TopStart, TopEnd) = (program, -1, -1);
        foreach (var (i, step) in program.Steps.Index())
        {
            if (step.IsEndOff)
                break;
            var timed = compiled.Segments[i];
            Climb(step, i, timed, i > top);
            if (i == top)
                TopStart = points.Count - 1;
            if (timed.Hold.TotalMinutes > 0)
                Add(timed.End.TotalHours, timed.To.Celsius, StretchKind.Hold, i);
            if (i == top)
                TopEnd = points.Count - 1;
        }
    }

    /// <summary>The steps it is of.</summary>
    public FiringProgram Program { get; }

    /// <summary>Bands in which time counts.</summary>
    public ImmutableArray<Band> Bands { get; }

    /// <summary>From the start to the end of the last step with power.</summary>
    public IReadOnlyList<WantedPoint> Points => points;

    /// <summary>Between a point and the next.</summary>
    public IReadOnlyList<Stretch> Stretches => stretches;

    /// <summary>Index of the point where the top is reached.</summary>
    public int TopStart { get; }

    /// <summary>Index of the point where the top ends.</summary>
    public int TopEnd { get; }

    private void Climb(Segment step, int index, CompiledSegment timed, bool cooling)
    {
        var (from, to) = (timed.From.Celsius, timed.To.Celsius);
        if (Math.Abs(to - from) < 1e-9)
            return;
        var kind = step.Pace.Kind switch
        {
            PaceKind.Full when to > from => StretchKind.Full,
            PaceKind.Rate => StretchKind.Ramp,
            _ => StretchKind.Off,
        };
        if (kind == StretchKind.Ramp)
        {
            var edges = Bands
                .Where(b => b.Cooling == cooling)
                .SelectMany(b => new[] { b.From, b.To })
                .Distinct()
                .Where(e => e > Math.Min(from, to) + NearCorner && e < Math.Max(from, to) - NearCorner);
            foreach (var edge in to > from ? edges.Order() : edges.OrderDescending())
                Add(timed.Start.TotalHours + timed.Ramp.TotalHours * (edge - from) / (to - from), edge, kind, index);
        }
        Add(timed.RampEnd.TotalHours, to, kind, index);
    }

    private void Add(double hours, double celsius, StretchKind kind, int step)
    {
        points.Add(new WantedPoint(hours, celsius));
        stretches.Add(new Stretch(kind, step));
    }
}
