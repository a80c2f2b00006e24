using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>
/// The steps of a firing and nothing else: what a kiln follows, whatever it is called and whoever wrote it. Cannot be built wrong;
/// every change gives a new one and leaves this one as it is.
/// </summary>
public sealed class FiringProgram : IEquatable<FiringProgram>
{
    private FiringProgram(ImmutableArray<Segment> steps) => Steps = steps;

    /// <summary>1 … 64 steps, in order.</summary>
    public ImmutableArray<Segment> Steps { get; }

    /// <summary>
    /// Builds a program from checked steps. Problems name <c>segments</c> and <c>segments[i].target</c>: how many there may be, and that
    /// "off" neither climbs nor stops half way.
    /// </summary>
    public static Result<FiringProgram> Create(IReadOnlyList<Segment> steps)
    {
        var problems = Check(steps);
        return problems.Count > 0 ? Result<FiringProgram>.Failed(problems) : new FiringProgram([.. steps]);
    }

    /// <summary>
    /// Index of the step whose target is the hottest; of several the last, since that is where one holds. Of a program that only cools: its first step.
    /// </summary>
    public int TopStep
    {
        get
        {
            var best = 0;
            for (var i = 1; i < Steps.Length; i++)
            {
                if (Steps[i].Target is { } target && target >= (Steps[best].Target ?? ScheduleLimits.Coldest))
                    best = i;
            }
            return best;
        }
    }

    /// <summary>The same with one step replaced; a problem as <see cref="Create"/> gives it.</summary>
    /// <param name="index">Which step; outside the program throws.</param>
    /// <param name="step">What stands there then.</param>
    public Result<FiringProgram> With(int index, Segment step) => Create(Steps.SetItem(index, step));

    /// <summary>The same with one step replaced by several, or by none.</summary>
    /// <param name="index">Which step; outside the program throws.</param>
    /// <param name="steps">What stands there then.</param>
    public Result<FiringProgram> Replace(int index, IReadOnlyList<Segment> steps) => Create(Steps.RemoveAt(index).InsertRange(index, steps));

    /// <summary>The same with a step put in before another, or at the end.</summary>
    public Result<FiringProgram> Insert(int index, Segment step) => Create(Steps.Insert(index, step));

    /// <summary>The same without a step.</summary>
    public Result<FiringProgram> Remove(int index) => Create(Steps.RemoveAt(index));

    /// <summary>The same with a step moved to another place.</summary>
    public Result<FiringProgram> Move(int from, int to) => Create(Steps.RemoveAt(from).Insert(to, Steps[from]));

    /// <summary>
    /// The same with another target and hold in one step; what "off" may do is not looked at again, since solvers only move steps that climb.
    /// </summary>
    internal FiringProgram WithStep(int index, Temperature target, Duration hold) => new(Steps.SetItem(index, Steps[index].With(target, hold)));

    /// <summary>The same with one step in whole degrees of a scale and whole minutes.</summary>
    internal FiringProgram Whole(int index, TemperatureUnit unit) => new(Steps.SetItem(index, Steps[index].Whole(unit)));

    /// <summary>The same, ending with another step in the place of one.</summary>
    internal FiringProgram Until(int index, Segment last) => new([.. Steps.Take(index), last]);

    /// <summary>True when a step with the power off is asked to go up.</summary>
    internal static bool CannotClimb(Segment step, Temperature from) => step.Pace.Kind == PaceKind.Natural && step.Target is { } target && target > from;

    /// <summary>A problem when the first step is "off" and would have to climb from the start.</summary>
    internal Problem? CannotBegin(Temperature start) =>
        CannotClimb(Steps[0], start)
            ? new Problem("segments[0].target", "With the power off the kiln cannot climb; this temperature is above the one it starts from.")
            : null;

    /// <summary>A problem at <c>segments[0].target</c> when it cannot begin at a temperature; nothing when it can.</summary>
    public Problem? CannotBeginAt(Temperature start) => CannotBegin(start);

    /// <summary>Longest firing worked out on a kiln: 60 days.</summary>
    public static readonly Duration LongestOnKiln = Duration.FromDays(60);

    /// <summary>A problem where it asks for more time than a kiln is worked out for; beyond what is asked there is only the kiln's own slowness.</summary>
    internal Problem? TooLong(Temperature start) => TooLong(start, LongestOnKiln);

    /// <summary>The same with another longest time.</summary>
    internal Problem? TooLong(Temperature start, Duration longest)
    {
        var (at, hours) = (start, 0.0);
        foreach (var segment in Steps)
        {
            var to = segment.Target ?? at;
            if (segment.Pace.Rate is { } rate)
                hours += ((to - at).Abs() / rate).TotalHours;
            hours += segment.Hold.TotalHours;
            at = to;
        }
        return hours > longest.TotalHours
            ? new Problem("segments", $"This firing asks for more than {longest.TotalDays:0} days; such a kiln is worked out for up to that.")
            : null;
    }

    /// <inheritdoc/>
    public bool Equals(FiringProgram? other) => other is not null && Steps.SequenceEqual(other.Steps);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as FiringProgram);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Steps.Length, Steps[0]);

    private static List<Problem> Check(IReadOnlyList<Segment> steps)
    {
        if (steps.Count == 0)
            return [new Problem("segments", "There is no step yet. Write the first one: a pace and a temperature to go to.")];
        if (steps.Count > ScheduleLimits.Segments)
            return [new Problem("segments", $"A schedule has at most {ScheduleLimits.Segments} steps; this one has {steps.Count}.")];

        var problems = new List<Problem>();
        for (var i = 0; i < steps.Count; i++)
        {
            if (steps[i].IsEndOff && i < steps.Count - 1)
                problems.Add(
                    new Problem($"segments[{i}].target", "Only the last step may be off with no temperature. Say how far it cools before the next step.")
                );
            else if (i > 0 && steps[i - 1].Target is { } from && CannotClimb(steps[i], from))
                problems.Add(new Problem($"segments[{i}].target", "With the power off the kiln cannot climb; this temperature is above the step before."));
        }
        return problems;
    }
}
