using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Schedules;

/// <summary>Between the wire and the core.</summary>
internal static class ScheduleMapping
{
    /// <summary>The checked schedule, or every problem found, each at its field.</summary>
    public static Result<Schedule> Read(ScheduleContract? wire)
    {
        if (wire is null) return new Problem("", "A schedule is missing here.");
        var problems = new List<Problem>();
        var kind = WireTerms.Kinds.Read(wire.Kind);
        if (kind is null) problems.Add(new Problem("kind", WireTerms.Kinds.Refuse(wire.Kind, "a kind of firing")));
        var unit = ReadUnit(wire.Unit, "unit", problems);
        var segments = ReadSegments(wire.Segments, unit ?? TemperatureUnit.Celsius, problems);

        var goal = ReadCone(wire.GoalCone, "goalCone", problems);

        // With a step missing the rules between steps would speak of the wrong ones.
        var schedule = Schedule.Create(wire.Name, kind ?? ScheduleKind.Glaze, unit ?? TemperatureUnit.Celsius, segments ?? Placeholder, wire.Notes, wire.Tags, goal);
        problems.AddRange(schedule.Problems);
        return problems.Count > 0 ? Result<Schedule>.Failed(problems) : schedule;
    }

    /// <summary>A unit, or nothing and a problem.</summary>
    public static TemperatureUnit? ReadUnit(string? letter, string field, List<Problem> problems)
    {
        var unit = WireTerms.Units.Read(letter);
        if (unit is null) problems.Add(new Problem(field, WireTerms.Units.Refuse(letter, "a unit of temperature")));
        return unit;
    }

    /// <summary>A cone, or nothing when none was given; a problem when it was not understood.</summary>
    public static Cone? ReadCone(string? number, string field, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(number)) return null;
        var cone = Cone.Parse(number, field);
        problems.AddRange(cone.Problems);
        return cone.IsOk ? cone.Value : null;
    }

    /// <summary>The kiln's temperature when it is switched on; 20 °C when none was given.</summary>
    public static Temperature ReadStart(double? value, TemperatureUnit unit, List<Problem> problems)
    {
        var usual = Temperature.FromCelsius(20);
        if (value is null) return usual;
        var read = ScheduleLimits.ReadTemperature(value, unit, "startTemperature");
        problems.AddRange(read.Problems);
        return read.IsOk ? read.Value : usual;
    }

    public static ScheduleContract Write(Schedule schedule) => new(
        schedule.Name,
        WireTerms.Kinds.Format(schedule.Kind),
        schedule.Unit.Letter(),
        [.. schedule.Segments.Select(s => Write(s, schedule.Unit))],
        schedule.Notes,
        schedule.Tags,
        schedule.Goal?.Number);

    public static SegmentContract Write(Segment segment, TemperatureUnit unit) => new(
        WireTerms.Paces.Format(segment.Pace.Kind),
        segment.Pace.Rate?.PerHourIn(unit),
        segment.Target?.In(unit),
        segment.HoldMinutes,
        segment.Reason,
        segment.Atmosphere is { } air ? WireTerms.Atmospheres.Format(air) : null);

    private static readonly IReadOnlyList<Segment> Placeholder =
        [Segment.Create(PaceKind.Full, null, 100, null, TemperatureUnit.Celsius).Value];

    /// <summary>The steps, or nothing when any of them is wrong.</summary>
    private static List<Segment>? ReadSegments(IReadOnlyList<SegmentContract?>? wire, TemperatureUnit unit, List<Problem> problems)
    {
        var segments = new List<Segment>();
        var before = problems.Count;
        // Beyond the most there may be, one message says so; four hundred more would not help.
        foreach (var (i, step) in (wire ?? []).Take(ScheduleLimits.Segments).Index())
        {
            var read = ReadSegment(step, unit);
            problems.AddRange(read.Problems.Select(p => p.Under($"segments[{i}]")));
            if (read.IsOk) segments.Add(read.Value);
        }
        if (wire?.Count > ScheduleLimits.Segments)
            problems.Add(new Problem("segments", $"A schedule has at most {ScheduleLimits.Segments} steps; this one has {wire.Count}."));
        return problems.Count == before ? segments : null;
    }

    private static Result<Segment> ReadSegment(SegmentContract? wire, TemperatureUnit unit)
    {
        if (wire is null) return new Problem("", "A step is missing here.");
        var atmosphere = WireTerms.Atmospheres.Read(wire.Atmosphere);
        var segment = Segment.Create(WireTerms.Paces.Read(wire.Pace), wire.Rate, wire.Target, wire.HoldMinutes, unit, wire.Reason, atmosphere);
        return wire.Atmosphere is { Length: > 0 } && atmosphere is null
            ? Result<Segment>.Failed([.. segment.Problems, new Problem("atmosphere", WireTerms.Atmospheres.Refuse(wire.Atmosphere, "an atmosphere"))])
            : segment;
    }
}
