using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>How much a finding matters.</summary>
public enum Severity
{
    /// <summary>Good to know.</summary>
    Note,

    /// <summary>Worth a look before firing.</summary>
    Look,

    /// <summary>Likely to spoil ware or hurt the kiln.</summary>
    Danger,
}

/// <summary>Something an experienced colleague would say about a schedule.</summary>
/// <param name="Id">The rule that speaks, stable across versions: <c>cools-no-further</c>.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Segment">Index of the step it is about.</param>
/// <param name="From">Where on the curve it begins.</param>
/// <param name="To">Where on the curve it ends.</param>
/// <param name="Text">What, in one plain sentence.</param>
/// <param name="Why">Why it matters, in one more.</param>
/// <param name="Fixes">What would mend it, the likeliest first; empty when nothing in the schedule does.</param>
public sealed record Finding(string Id, Severity Severity, int Segment, Duration From, Duration To, string Text, string Why, params ImmutableArray<Fix> Fixes);

/// <summary>A mend: one step replaced by one or more.</summary>
/// <param name="Text">On the button: "Use 70".</param>
/// <param name="Segment">Index of the step it replaces.</param>
/// <param name="Steps">What stands there then.</param>
public sealed record Fix(string Text, int Segment, params ImmutableArray<Segment> Steps);

/// <summary>Reads a timed schedule and says what is worth saying.</summary>
public static class ScheduleReview
{
    // What these say explains what the others say of the same firing: naming both would be naming one cause twice.
    private static readonly (string Cause, bool SameStep, string[] Follows)[] Causes =
    [
        ("rate-slip", true, ["steam-risk", "burn-out-short", "quartz-up", "quartz-down", "cristobalite-down", "kiln-too-slow", "slow-band-short", "cooled-slowly"]),
        ("rate-slip", false, ["goal-passed", "goal-missed"]),
        ("target-slip", false, ["rate-slip", "steam-risk", "burn-out-short", "quartz-up", "quartz-down", "kiln-too-slow", "hold-slip"]),
        ("hold-slip", true, ["goal-passed", "hold-long", "steam-risk", "elements-age"]),
        ("scale-slip", false, ["outside-cones", "kiln-too-slow", "over-kiln-limit", "kiln-cannot-reach", "steam-risk", "burn-out-short", "quartz-up"]),
        ("zero-slip", false, ["outside-cones"]),
        ("cones-clash", false, ["outside-cones"]),
        ("over-kiln-limit", true, ["kiln-too-slow", "kiln-cannot-reach", "goal-passed", "elements-age"]),
        ("kiln-cannot-reach", false, ["goal-missed", "kiln-too-slow"]),
        ("goal-passed", true, ["kiln-too-slow"]),
        ("leather-hard", false, ["steam-risk", "closed-hollow"]),
    ];

    /// <summary>What is to be said, each cause once, the gravest first, then in the order of the steps; a well-made schedule gets nothing.</summary>
    public static IReadOnlyList<Finding> Of(ReviewContext context) => Together([
        .. SlipReview.Of(context), .. WareReview.Of(context), .. GoalReview.Of(context), .. GlazeReview.Of(context), .. PracticeReview.Of(context), .. KilnReview.Of(context), .. NoFurther(context)]);

    /// <summary>Findings of several reviewers as one list: what only follows from another is left out; the gravest first, then in the order of the steps.</summary>
    internal static IReadOnlyList<Finding> Together(IReadOnlyList<Finding> findings) =>
        [.. findings.Where(f => !Causes.Any(c => c.Follows.Contains(f.Id) && findings.Any(other => other.Id == c.Cause && (!c.SameStep || other.Segment == f.Segment))))
            .OrderByDescending(f => f.Severity).ThenBy(f => f.Segment)];

    private static IEnumerable<Finding> NoFurther(ReviewContext context)
    {
        for (var i = 0; i < context.Schedule.Segments.Length; i++)
        {
            if (CoolsNoFurther(context.Schedule.Segments[i], i, context.Compiled.Segments[i], context.Schedule.Unit) is { } finding) yield return finding;
        }
    }

    /// <summary>"Off to 10 °C" in a room at 20: the kiln stops short of it.</summary>
    private static Finding? CoolsNoFurther(Segment segment, int index, CompiledSegment compiled, TemperatureUnit unit)
    {
        if (segment.Target is not { } target || target >= compiled.To || compiled.To > compiled.From) return null;
        return new Finding("cools-no-further", Severity.Note, index, compiled.Start, compiled.End,
            $"Left to itself the kiln stops near {Phrases.Number(Math.Round(compiled.To.In(unit)))} {unit.Symbol()}, above the {Phrases.Number(target.In(unit))} asked for.",
            "A kiln cools no further than the room it stands in, and the last degrees take very long.");
    }
}
