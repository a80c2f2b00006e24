using System.Collections.Immutable;
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

    /// <summary>Ware fired before with glaze on it: lustre, decals, overglaze; cones 022 to 014.</summary>
    Refiring,
}

/// <summary>What kinds of firing have in common.</summary>
public static class ScheduleKinds
{
    /// <summary>True where the ware was never fired: it holds water, and its clay burns out.</summary>
    public static bool FiresRaw(this ScheduleKind kind) => kind is ScheduleKind.Drying or ScheduleKind.Bisque or ScheduleKind.OnceFired;

    /// <summary>True where glazes melt: their cones count, and those of the clay under them.</summary>
    public static bool MeltsGlaze(this ScheduleKind kind) => kind is ScheduleKind.Glaze or ScheduleKind.OnceFired;
}

/// <summary>A program with a name and what goes with it. Cannot be built wrong.</summary>
public sealed record Schedule
{
    private Schedule(string name, ScheduleKind kind, TemperatureUnit unit, FiringProgram program, string? notes, ImmutableArray<string> tags, Cone? goal) =>
        (Name, Kind, Unit, Program, Notes, Tags, Goal) = (name, kind, unit, program, notes, tags, goal);

    /// <summary>What people call it; one line, 1 … 120 characters.</summary>
    public string Name { get; private init; }

    /// <summary>What it is for.</summary>
    public ScheduleKind Kind { get; private init; }

    /// <summary>The scale it was written in; the values themselves are °C.</summary>
    public TemperatureUnit Unit { get; private init; }

    /// <summary>The steps a kiln follows.</summary>
    public FiringProgram Program { get; private init; }

    /// <summary>The steps, in order.</summary>
    public ImmutableArray<Segment> Segments => Program.Steps;

    /// <summary>Anything worth noting beside it, up to 4000 characters.</summary>
    public string? Notes { get; }

    /// <summary>Words to find it by; lower case, no doubles, in the order given.</summary>
    public ImmutableArray<string> Tags { get; }

    /// <summary>The cone it is meant to bring down, where there is one.</summary>
    public Cone? Goal { get; private init; }

    /// <summary>The same schedule as read on another scale: nothing but the numbers on show changes.</summary>
    public Schedule In(TemperatureUnit unit) => this with { Unit = unit };

    /// <summary>The same schedule meant for another cone.</summary>
    public Schedule Towards(Cone? goal) => this with { Goal = goal };

    /// <summary>The same schedule meant for another kind of firing.</summary>
    public Schedule For(ScheduleKind kind) => this with { Kind = kind };

    /// <summary>The same schedule with other steps.</summary>
    public Schedule With(FiringProgram program) => this with { Program = program };

    /// <summary>The same schedule under another name, cut to what a name may have.</summary>
    /// <param name="ending">Put behind the name, once.</param>
    public Schedule Renamed(string ending) =>
        Name.EndsWith(ending, StringComparison.Ordinal)
            ? this
            : this with
            {
                Name = Name[..Math.Min(Name.Length, ScheduleLimits.Name - ending.Length)] + ending,
            };

    /// <summary>True when another says the very same, whatever its place in the store.</summary>
    public bool SameContent(Schedule other) =>
        Name == other.Name
        && Kind == other.Kind
        && Unit == other.Unit
        && Notes == other.Notes
        && Goal == other.Goal
        && Tags.SequenceEqual(other.Tags)
        && Program.Equals(other.Program);

    /// <summary>Builds a schedule from checked steps. Problems name <c>name</c>, <c>segments</c>, <c>segments[i].…</c>, <c>notes</c>, <c>tags[i]</c>.</summary>
    public static Result<Schedule> Create(
        string? name,
        ScheduleKind kind,
        TemperatureUnit unit,
        IReadOnlyList<Segment> segments,
        string? notes = null,
        IReadOnlyList<string?>? tags = null,
        Cone? goal = null
    )
    {
        var problems = new List<Problem>();
        var checkedName = Text.OneLine(name);
        if (checkedName is null)
            problems.Add(new Problem("name", "A schedule needs a name to find it by."));
        else if (checkedName.Length > ScheduleLimits.Name)
            problems.Add(new Problem("name", $"A name has at most {ScheduleLimits.Name} characters; this one has {checkedName.Length}."));

        var program = FiringProgram.Create(segments);
        problems.AddRange(program.Problems);

        var checkedNotes = Text.Lines(notes);
        if (checkedNotes?.Length > ScheduleLimits.Notes)
            problems.Add(new Problem("notes", $"Notes have at most {ScheduleLimits.Notes} characters; these have {checkedNotes.Length}."));

        var checkedTags = CheckTags(tags ?? [], problems);
        return problems.Count > 0 ? Result<Schedule>.Failed(problems) : new Schedule(checkedName!, kind, unit, program.Value, checkedNotes, checkedTags, goal);
    }

    private static ImmutableArray<string> CheckTags(IReadOnlyList<string?> tags, List<Problem> problems)
    {
        var kept = new List<string>();
        for (var i = 0; i < tags.Count; i++)
        {
            var tag = Text.OneLine(tags[i])?.ToLowerInvariant();
            if (tag is null || kept.Contains(tag))
                continue;
            if (tag.Length > ScheduleLimits.Tag)
                problems.Add(new Problem($"tags[{i}]", $"A tag has at most {ScheduleLimits.Tag} characters; this one has {tag.Length}."));
            kept.Add(tag);
        }
        if (kept.Count > ScheduleLimits.Tags)
            problems.Add(new Problem("tags", $"A schedule has at most {ScheduleLimits.Tags} tags; this one has {kept.Count}."));
        return [.. kept];
    }
}
