using ZealousEmber.App.Contracts;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>Between the wire and the core.</summary>
internal static class ScheduleMapping
{
    /// <summary>The checked schedule, or every problem found, each at its field.</summary>
    public static Result<Schedule> Read(ScheduleContract? wire)
    {
        if (wire is null)
            return new Problem("", "A schedule is missing here.");
        var problems = new List<Problem>();
        if (wire.Kind is null)
            problems.Add(WireEnums.Missing<ScheduleKind>("kind", "a kind of firing"));
        if (wire.Unit is null)
            problems.Add(WireEnums.Missing<TemperatureUnit>("unit", "a unit of temperature"));
        var (kind, unit) = (wire.Kind, wire.Unit);
        var segments = ReadSegments(wire.Segments, unit ?? TemperatureUnit.Celsius, problems);

        var goal = ReadCone(wire.GoalCone, "goalCone", problems);

        // With a step missing the rules between steps would speak of the wrong ones.
        var schedule = Schedule.Create(
            wire.Name,
            kind ?? ScheduleKind.Glaze,
            unit ?? TemperatureUnit.Celsius,
            segments ?? Placeholder,
            wire.Notes,
            wire.Tags,
            goal
        );
        problems.AddRange(schedule.Problems);
        return problems.Count > 0 ? Result<Schedule>.Failed(problems) : schedule;
    }

    /// <summary>
    /// A schedule that needs no name yet, and the kiln's temperature when it is switched on. Nothing, and problems at <c>schedule…</c>, when it is not right.
    /// </summary>
    public static (Schedule? Schedule, Temperature Start) ReadUnnamed(ScheduleContract? wire, double? startTemperature, List<Problem> problems)
    {
        // A schedule is drawn before it has a name; every other rule holds.
        var read = Read(wire is not null && string.IsNullOrWhiteSpace(wire.Name) ? wire with { Name = "Untitled" } : wire);
        problems.AddRange(read.Problems.Select(p => p.Under("schedule")));
        return (read.IsOk ? read.Value : null, ReadStart(startTemperature, wire?.Unit ?? TemperatureUnit.Celsius, problems));
    }

    /// <summary>A cone, or nothing when none was given; a problem when it was not understood.</summary>
    public static Cone? ReadCone(string? number, string field, List<Problem> problems)
    {
        if (string.IsNullOrWhiteSpace(number))
            return null;
        var cone = ConeNumber.Parse(number, field);
        problems.AddRange(cone.Problems);
        return cone.IsOk ? cone.Value : null;
    }

    /// <summary>The kiln's temperature when it is switched on; 20 °C when none was given.</summary>
    public static Temperature ReadStart(double? value, TemperatureUnit unit, List<Problem> problems)
    {
        var usual = Temperature.FromCelsius(20);
        if (value is null)
            return usual;
        var read = ScheduleLimits.ReadTemperature(value, unit, "startTemperature");
        problems.AddRange(read.Problems);
        return read.IsOk ? read.Value : usual;
    }

    public static ScheduleContract Write(Schedule schedule) =>
        new(
            schedule.Name,
            schedule.Kind,
            schedule.Unit,
            [.. schedule.Segments.Select(s => Write(s, schedule.Unit))],
            schedule.Notes,
            schedule.Tags,
            schedule.Goal?.Number
        );

    public static SegmentContract Write(Segment segment, TemperatureUnit unit) =>
        new(segment.Pace.Kind, segment.Pace.Rate?.PerHourIn(unit), segment.Target?.In(unit), segment.HoldMinutes, segment.Reason, segment.Atmosphere);

    private static readonly IReadOnlyList<Segment> Placeholder = [Segment.Create(PaceKind.Full, null, 100, null, TemperatureUnit.Celsius).Value];

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
            if (read.IsOk)
                segments.Add(read.Value);
        }
        if (wire?.Count > ScheduleLimits.Segments)
            problems.Add(new Problem("segments", $"A schedule has at most {ScheduleLimits.Segments} steps; this one has {wire.Count}."));
        return problems.Count == before ? segments : null;
    }

    private static Result<Segment> ReadSegment(SegmentContract? wire, TemperatureUnit unit)
    {
        if (wire is null)
            return new Problem("", "A step is missing here.");
        return Segment.Create(wire.Pace, wire.Rate, wire.Target, wire.HoldMinutes, unit, wire.Reason, wire.Atmosphere);
    }
}
