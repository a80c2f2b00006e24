using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Turning;

/// <summary>A schedule for a kiln with switches.</summary>
public static class DialFit
{
    /// <summary>Longest schedule turned by hand, hours.</summary>
    public const double LongestHours = 96;

    /// <summary>When each switch is turned; nothing when the kiln never reaches the heat work. Problems name <c>profile</c> and <c>schedule</c>.</summary>
    /// <param name="profile">With switches.</param>
    /// <param name="schedule">What is wanted; cooling is the kiln's own.</param>
    /// <param name="goal">The cone it is for; the schedule's own, or the one it falls nearest to, when missing.</param>
    /// <param name="kiln">Which.</param>
    /// <param name="load">What stands in it.</param>
    /// <param name="start">Its temperature when it is switched on.</param>
    /// <param name="so">What was turned and read so far, when it is planned anew; problems name <c>done[i]</c> and <c>readings[i]</c>.</param>
    /// <param name="cancel">Nobody waits any more: it ends with an <see cref="OperationCanceledException"/>.</param>
    public static Result<DialPlan?> Of(
        ControllerProfile profile,
        Schedule schedule,
        Cone? goal,
        Kiln kiln,
        KilnLoad load,
        Temperature start,
        DialsSoFar? so = null,
        CancellationToken cancel = default
    )
    {
        if (profile.Dials is not { } dials)
            return new Problem("profile", "This controller has no switches.");
        var compiled = new PlainKiln(start).Times(schedule.Program);
        if (!compiled.IsOk)
            return Result<DialPlan?>.Failed(compiled.Problems);
        if (compiled.Value.Curve.Peak <= start)
            return new Problem("schedule", "This schedule only cools; switches are turned to climb.");
        if (compiled.Value.Curve.EndOfTop.TotalHours > LongestHours)
            return new Problem(
                "schedule",
                $"Switches are planned for at most {Phrases.Number(LongestHours)} h; this schedule takes "
                    + $"{Phrases.Number(Math.Round(compiled.Value.Curve.EndOfTop.TotalHours))} h to the end of its top."
            );
        var cone = goal ?? schedule.Goal ?? Fit.ControllerFit.Nearest(compiled.Value.Curve);
        var known = PowerFound.Of(so, dials, kiln, load, start);
        if (!known.IsOk)
            return Result<DialPlan?>.Failed(known.Problems);
        var planner = new DialPlanner(
            kiln,
            load,
            dials,
            compiled.Value.Curve,
            ConeTable.Of(cone).Kinetics,
            known.Value.Share,
            known.Value.Turns,
            known.Value.From
        );
        if (planner.Best(cancel) is not { } course)
            return (DialPlan?)null;
        var levels = new DialLevels(dials);
        double? timer = null;
        // To the next mark; a timer that is too short is set as it runs.
        if (dials.Timer is var (most, step, spare) && Math.Ceiling((course.Off + spare) / step) * step is var set && set <= most)
            timer = set;
        return new DialPlan(
            [.. course.Turns.Select(t => new DialTurn(t.Minute, levels.Words(t.Level)))],
            course.Off,
            dials.Cutoff.Contains(cone.Number) ? cone.Number : null,
            timer,
            course.Rms,
            cone,
            planner.Work,
            course.Work,
            course.Off - compiled.Value.Curve.EndOfTop.TotalMinutes,
            course.Furthest,
            known.Value.Share
        );
    }
}
