using System.Collections.Immutable;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>A mend: some steps of a schedule replaced by others, and what they are read as where that was the slip.</summary>
/// <param name="Text">On the button: "Use 70".</param>
/// <param name="Segment">Index of the first step it replaces.</param>
/// <param name="Steps">What stands there then; none to take the step away.</param>
/// <param name="Replaces">How many steps it replaces.</param>
/// <param name="Unit">The scale the numbers were meant in, where that changes.</param>
/// <param name="Kind">What the firing is, where that changes.</param>
/// <param name="Goal">The cone that was meant, where that changes.</param>
public sealed record Fix(
    string Text,
    int Segment,
    ImmutableArray<Segment> Steps,
    int Replaces = 1,
    TemperatureUnit? Unit = null,
    ScheduleKind? Kind = null,
    Cone? Goal = null
)
{
    /// <summary>A mend of one step by one or more; where one of them is beyond the limits it cannot be made.</summary>
    public Fix(string text, int segment, params Result<Segment>[] steps)
        : this(text, segment, [.. steps.Where(s => s.IsOk).Select(s => s.Value)], 1, null, null, null) => CannotBeMade = steps.Any(s => !s.IsOk);

    /// <summary>One of its steps is beyond what a schedule may hold: it is not offered.</summary>
    public bool CannotBeMade { get; private init; }

    /// <summary>A mend that makes one program of another: the steps between the first and the last that differ.</summary>
    public static Fix Between(
        string text,
        FiringProgram before,
        FiringProgram after,
        TemperatureUnit? unit = null,
        ScheduleKind? kind = null,
        Cone? goal = null
    )
    {
        var (old, made) = (before.Steps, after.Steps);
        var head = 0;
        while (head < old.Length && head < made.Length && old[head] == made[head])
            head++;
        var tail = 0;
        while (tail < old.Length - head && tail < made.Length - head && old[^(tail + 1)] == made[^(tail + 1)])
            tail++;
        return new Fix(text, head, made[head..^tail], old.Length - head - tail, unit, kind, goal);
    }

    /// <summary>The schedule with the mend made; a problem where it may not be made.</summary>
    public Result<Schedule> Apply(Schedule schedule)
    {
        if (CannotBeMade)
            return new Problem("segments", "This goes beyond what a schedule may hold.");
        if (Segment + Replaces > schedule.Segments.Length)
            return new Problem("segments", "The step this was about is gone.");
        var program = FiringProgram.Create(schedule.Segments.RemoveRange(Segment, Replaces).InsertRange(Segment, Steps));
        if (!program.IsOk)
            return Result<Schedule>.Failed(program.Problems);
        var made = schedule.With(program.Value);
        if (Unit is { } unit)
            made = made.In(unit);
        if (Kind is { } kind)
            made = made.For(kind);
        return Goal is { } goal ? made.Towards(goal) : made;
    }
}
