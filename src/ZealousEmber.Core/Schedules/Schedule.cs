using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>What a schedule is for.</summary>
public enum ScheduleKind
{
    /// <summary>Drying only; no change to the clay.</summary>
    Drying,

    /// <summary>The first firing of raw ware.</summary>
    Bisque,

    /// <summary>The glaze firing of bisqued ware.</summary>
    Glaze,

    /// <summary>Raw glazed ware fired once.</summary>
    OnceFired,
}

/// <summary>A firing as it is meant: named steps from first heat to opening. Cannot be built wrong.</summary>
public sealed record Schedule
{
    private Schedule(string name, ScheduleKind kind, TemperatureUnit unit, ImmutableArray<Segment> segments, string? notes, ImmutableArray<string> tags, Cone? goal) =>
        (Name, Kind, Unit, Segments, Notes, Tags, Goal) = (name, kind, unit, segments, notes, tags, goal);

    /// <summary>What people call it; one line, 1 … 120 characters.</summary>
    public string Name { get; }

    /// <summary>What it is for.</summary>
    public ScheduleKind Kind { get; }

    /// <summary>The scale it was written in; the values themselves are °C.</summary>
    public TemperatureUnit Unit { get; private init; }

    /// <summary>1 … 64 steps, in order.</summary>
    public ImmutableArray<Segment> Segments { get; private init; }

    /// <summary>Anything worth keeping beside it, up to 4000 characters.</summary>
    public string? Notes { get; }

    /// <summary>Words to find it by; lower case, no doubles, in the order given.</summary>
    public ImmutableArray<string> Tags { get; }

    /// <summary>The cone it is meant to bring down, where there is one.</summary>
    public Cone? Goal { get; private init; }

    /// <summary>The same schedule as read on another scale: nothing but the numbers on show changes.</summary>
    public Schedule In(TemperatureUnit unit) => this with { Unit = unit };

    /// <summary>The same schedule meant for another cone.</summary>
    public Schedule Towards(Cone? goal) => this with { Goal = goal };

    /// <summary>The same schedule with another target and hold in one step; both within the limits, the index within the steps.</summary>
    internal Schedule WithStep(int index, Temperature target, Duration hold) =>
        this with { Segments = Segments.SetItem(index, Segments[index].With(target, hold)) };

    /// <summary>The same schedule, ending with another step in the place of one.</summary>
    internal Schedule Until(int index, Segment last) => this with { Segments = [.. Segments.Take(index), last] };

    /// <summary>Builds a schedule from checked steps. Problems name <c>name</c>, <c>segments</c>, <c>segments[i].…</c>, <c>notes</c>, <c>tags[i]</c>.</summary>
    public static Result<Schedule> Create(
        string? name, ScheduleKind kind, TemperatureUnit unit, IReadOnlyList<Segment> segments, string? notes = null, IReadOnlyList<string?>? tags = null, Cone? goal = null)
    {
        var problems = new List<Problem>();
        var checkedName = Text.OneLine(name);
        if (checkedName is null)
            problems.Add(new Problem("name", "A schedule needs a name to find it by."));
        else if (checkedName.Length > ScheduleLimits.Name)
            problems.Add(new Problem("name", $"A name has at most {ScheduleLimits.Name} characters; this one has {checkedName.Length}."));

        problems.AddRange(CheckSegments(segments));

        var checkedNotes = Text.Lines(notes);
        if (checkedNotes?.Length > ScheduleLimits.Notes)
            problems.Add(new Problem("notes", $"Notes have at most {ScheduleLimits.Notes} characters; these have {checkedNotes.Length}."));

        var checkedTags = CheckTags(tags ?? [], problems);
        return problems.Count > 0
            ? Result<Schedule>.Failed(problems)
            : new Schedule(checkedName!, kind, unit, [.. segments], checkedNotes, checkedTags, goal);
    }

    /// <summary>What must hold between steps, whatever the kiln: how many, and that "off" neither climbs nor stops half way.</summary>
    public static IReadOnlyList<Problem> CheckSegments(IReadOnlyList<Segment> segments)
    {
        if (segments.Count == 0)
            return [new Problem("segments", "There is no step yet. Write the first one: a pace and a temperature to go to.")];
        if (segments.Count > ScheduleLimits.Segments)
            return [new Problem("segments", $"A schedule has at most {ScheduleLimits.Segments} steps; this one has {segments.Count}.")];

        var problems = new List<Problem>();
        for (var i = 0; i < segments.Count; i++)
        {
            if (segments[i].IsEndOff && i < segments.Count - 1)
                problems.Add(new Problem($"segments[{i}].target", "Only the last step may be off with no temperature. Say how far it cools before the next step."));
            else if (i > 0 && segments[i - 1].Target is { } from && CannotClimb(segments[i], from))
                problems.Add(new Problem($"segments[{i}].target", "With the power off the kiln cannot climb; this temperature is above the step before."));
        }
        return problems;
    }

    /// <summary>True when a step with the power off is asked to go up.</summary>
    internal static bool CannotClimb(Segment segment, Temperature from) =>
        segment.Pace.Kind == PaceKind.Natural && segment.Target is { } target && target > from;

    private static ImmutableArray<string> CheckTags(IReadOnlyList<string?> tags, List<Problem> problems)
    {
        var kept = new List<string>();
        for (var i = 0; i < tags.Count; i++)
        {
            var tag = Text.OneLine(tags[i])?.ToLowerInvariant();
            if (tag is null || kept.Contains(tag)) continue;
            if (tag.Length > ScheduleLimits.Tag)
                problems.Add(new Problem($"tags[{i}]", $"A tag has at most {ScheduleLimits.Tag} characters; this one has {tag.Length}."));
            kept.Add(tag);
        }
        if (kept.Count > ScheduleLimits.Tags)
            problems.Add(new Problem("tags", $"A schedule has at most {ScheduleLimits.Tags} tags; this one has {kept.Count}."));
        return [.. kept];
    }
}
