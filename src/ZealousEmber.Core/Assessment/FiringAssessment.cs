using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Assessment;

/// <summary>
/// Everything there is to know about a schedule on a kiln with a load: times, curve, cones, energy, findings, cautions. One answer for
/// preview, plan, what-if, set, forecast and comparison.
/// </summary>
/// <param name="Schedule">As written.</param>
/// <param name="Kiln">Where it is fired.</param>
/// <param name="Run">What the kiln makes of it.</param>
/// <param name="Progress">Heat work of every cone at the end, in the order of <see cref="Cone.All"/>.</param>
/// <param name="Shown">The cone to speak of: the goal, else the hottest that is down; nothing when all stand.</param>
/// <param name="Moments">What people plan their day by, in order of time.</param>
/// <param name="Findings">What an experienced colleague would say, the gravest first.</param>
/// <param name="Cautions">Words of safety at the steps they belong to.</param>
public sealed record FiringAssessment(
    Schedule Schedule,
    IKilnModel Kiln,
    KilnRun Run,
    IReadOnlyList<double> Progress,
    Cone? Shown,
    ImmutableArray<Moment> Moments,
    ImmutableArray<Finding> Findings,
    ImmutableArray<Caution> Cautions
)
{
    /// <summary>The schedule with its times.</summary>
    public CompiledSchedule Compiled => Run.Compiled;

    /// <summary>What the row of cones says, as a potter would say it.</summary>
    public string ConePhrase => ConePhrases.Nearest(Progress);

    /// <summary>A word when the goal looks like 4 meant as 04, or the other way round.</summary>
    public string? ZeroSlip => Schedule.Goal is { } goal ? ConePhrases.ZeroSlip(goal, Progress) : null;

    /// <summary>The most it loses in any hour.</summary>
    public TemperatureDifference FastestDrop => Cooling.FastestDrop(Compiled.Curve).Drop;

    /// <summary>Progress of the cone spoken of in each step; empty when none is.</summary>
    public IReadOnlyList<double> HeatWorkByStep =>
        Shown is { } cone
            ? HeatWork.PerStretch(ConeTable.Of(cone).Kinetics, Kiln.Felt(Compiled.Curve), [.. Compiled.Segments.Select(s => s.End.TotalMinutes)])
            : [];

    /// <summary>When it may be opened, as far as that is known; else when the program ends.</summary>
    public Duration OpensAt => Run.OpensAt ?? Compiled.Total;

    /// <summary>Assesses a schedule. Problems name <c>segments…</c>, as the kiln gives them.</summary>
    /// <param name="schedule">As written.</param>
    /// <param name="kiln">Where it is fired, with what stands in it as far as heat goes.</param>
    /// <param name="load">The ware, where it is known.</param>
    /// <param name="units">What sentences give lengths and masses in.</param>
    public static Result<FiringAssessment> Of(Schedule schedule, IKilnModel kiln, WareLoad? load, DisplayUnits units)
    {
        var ran = kiln.Run(schedule.Program);
        if (!ran.IsOk)
            return Result<FiringAssessment>.Failed(ran.Problems);
        var run = ran.Value;
        var progress = HeatWork.OfAll(kiln.Felt(run.Compiled.Curve));
        return new FiringAssessment(
            schedule,
            kiln,
            run,
            progress,
            schedule.Goal ?? ConePhrases.HottestDown(progress),
            MomentsOf(kiln, run),
            [.. ScheduleReview.Of(new ReviewContext(schedule, kiln, run, progress, load, units))],
            [.. Caution.For(schedule, run.Compiled)]
        );
    }

    /// <summary>A kiln that knows how it cools tells when it may be opened even where the schedule itself ends hot.</summary>
    private static ImmutableArray<Moment> MomentsOf(IKilnModel kiln, KilnRun run)
    {
        var moments = Moment.Of(run.Compiled, kiln.Opens, kiln.Boiling);
        return run.OpensAt is { } opens && moments.All(m => m.Kind != MomentKind.MayOpen) && run.Compiled.Curve.Peak > kiln.Opens
            ? [.. moments, new Moment(MomentKind.MayOpen, opens, kiln.Opens)]
            : [.. moments];
    }
}
