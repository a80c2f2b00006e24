using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>Whether it comes to the cone that is meant, whether glazes and clays stand that cone, and whether the hold suits them.</summary>
internal static class GoalReview
{
    // Cones stand 15 to 25 K apart; less than that is what two kilns, or two readers of one cone, differ by.
    private const double WorthSaying = 15;
    private const double AConeOff = 20;
    private const double OtherScaleNear = 60;

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        if (context.Schedule.Kind == ScheduleKind.Drying)
            yield break;
        var index = context.Schedule.Program.TopStep;
        if (context.Schedule.Segments[index].Target is null)
            yield break;
        var times = context.Compiled.Segments[index];
        if (context.Schedule.Goal is { } goal)
        {
            if (ConePhrases.ZeroSlip(goal, context.Progress) is { } slip)
            {
                yield return new Finding(
                    FindingIds.ZeroSlip,
                    Severity.Danger,
                    index,
                    times.Start,
                    times.End,
                    slip,
                    "A zero dropped or added is a hundred degrees: one of the two is a slip.",
                    context.Fixes(() =>
                        [
                            .. OtherZero(goal) is { } meant
                                ? [new Fix($"Goal cone {meant.Number}", 0, ImmutableArray<Segment>.Empty, 0, Goal: meant)]
                                : Array.Empty<Fix>(),
                            .. FixesOf(context, goal, index),
                        ]
                    )
                );
                yield break;
            }
            if (OffGoal(context, goal, index, times) is { } off)
                yield return off;
        }
        if (context.Load is not { } load || context.Schedule.Kind == ScheduleKind.Refiring)
            yield break;
        var reached = context.Schedule.Goal ?? ConePhrases.HottestDown(context.Progress);
        if (reached is { } cone && context.Schedule.Kind != ScheduleKind.Bisque)
        {
            foreach (var clash in load.Clashes)
                yield return new Finding(
                    FindingIds.ConesClash,
                    Severity.Danger,
                    index,
                    times.Start,
                    times.End,
                    clash.Format(),
                    "Whatever the schedule, one of them comes out under- or overfired."
                );
            var said = context.Schedule.Goal is null ? "comes to" : "is for";
            foreach (
                var (name, range, tooHot) in load.Outside(cone)
                    .Where(o => load.Clashes.All(c => !c.Concerns(o.Name)) && (o.TooHot || context.Progress[o.Range.Coolest.Order] < 0.5))
            )
            {
                yield return new Finding(
                    FindingIds.OutsideCones,
                    tooHot ? Severity.Danger : Severity.Look,
                    index,
                    times.Start,
                    times.End,
                    $"{name} is made for {range}; this firing {said} cone {cone.Number}.",
                    tooHot ? "It may slump, bloat or run onto the shelf." : "It will come out underfired and dry."
                );
            }
        }
        else if (reached is { } bisque)
        {
            foreach (var lot in load.Lots.Where(l => l.Clay?.Range is { } r && bisque.CompareTo(r.Hottest) > 0).DistinctBy(l => l.Clay!.Name))
                yield return new Finding(
                    FindingIds.OutsideCones,
                    Severity.Danger,
                    index,
                    times.Start,
                    times.End,
                    $"{lot.Clay!.Name} stands {lot.Clay.Range}; this bisque goes to cone {bisque.Number}.",
                    "It may slump or bloat."
                );
        }
    }

    /// <summary>True when there is a goal and it comes down as meant: whatever the kiln did on the way is counted in.</summary>
    internal static bool IsMet(ReviewContext context) => context.Schedule.Goal is { } goal && Math.Abs(Offset(context, goal)) <= WorthSaying;

    /// <summary>How far past the goal it comes, K; less than nothing for short of it.</summary>
    private static double Offset(ReviewContext context, Cone goal)
    {
        var progress = context.Progress[goal.Order];
        return progress > 1e-6
            ? ConeSolver.Offset(goal, Math.Min(progress, 1000), 1).Kelvins
            : -(ConeTable.Of(goal).At60 - context.Compiled.Curve.Peak.Celsius);
    }

    private static Finding? OffGoal(ReviewContext context, Cone goal, int index, CompiledSegment times)
    {
        var progress = context.Progress[goal.Order];
        var offset = Offset(context, goal);
        if (Math.Abs(offset) <= WorthSaying)
            return null;
        if (OtherScale(context, goal, index, times) is { } scale)
            return scale;
        var by = Phrases.Number(Math.Round(Math.Abs(TemperatureDifference.FromKelvins(offset).In(context.Schedule.Unit))));
        var passes = progress > 1;
        var far = Math.Abs(offset) > AConeOff;
        return new Finding(
            passes ? FindingIds.GoalPassed : FindingIds.GoalMissed,
            far ? Severity.Danger : Severity.Look,
            index,
            times.Start,
            times.End,
            passes
                ? $"It goes past cone {goal.Number}, by about {by} {context.Schedule.Unit.Symbol()}."
                : $"Cone {goal.Number} {ConeBend.Phrase(progress)}: it stops about {by} {context.Schedule.Unit.Symbol()} short.",
            (passes, context.Schedule.Kind == ScheduleKind.Bisque) switch
            {
                (true, true) => "Bisque past its cone is tight and takes up little glaze. A lower top or a shorter hold brings it back.",
                (true, false) => "Glazes run and clay slumps past their cone. A lower top or a shorter hold brings it back.",
                (false, true) => "Bisque short of its cone is weak and gives off its gas under the glaze. A hotter top or a longer hold brings the cone down.",
                (false, false) => "Underfired ware is weak and its glaze dry. A hotter top or a longer hold brings the cone down.",
            },
            context.Fixes(() => FixesOf(context, goal, index))
        )
        {
            Basis = Basis.HeatWorkDone(goal.Number, ConeTable.Of(goal).At60, progress, offset),
        };
    }

    /// <summary>"To 1222" on a schedule in °F whose cone falls at 1222 °C.</summary>
    private static Finding? OtherScale(ReviewContext context, Cone goal, int top, CompiledSegment times)
    {
        var (unit, at60) = (context.Schedule.Unit, ConeTable.Of(goal).At60);
        var other = ScaleFixes.Other(unit);
        // The top itself, or the step after it that was meant to be: "to 1222" in °F falls where it should have climbed.
        bool Near(int i) =>
            context.Schedule.Segments[i] is { Target: { } t, Pace.Kind: not PaceKind.Natural } && Math.Abs(OnScale(t.In(unit), other) - at60) <= OtherScaleNear;
        var index =
            Near(top) ? top
            : top + 1 < context.Schedule.Segments.Length && Near(top + 1) ? top + 1
            : -1;
        if (index < 0 || Math.Abs(context.Compiled.Segments[index].To.Celsius - at60) < 3 * OtherScaleNear)
            return null;
        times = context.Compiled.Segments[index];
        var number = context.Schedule.Segments[index].Target!.Value.In(unit);
        return new Finding(
            FindingIds.ScaleSlip,
            Severity.Danger,
            index,
            times.Start,
            times.End,
            $"{Phrases.Number(number)} {unit.Symbol()} is nowhere near cone {goal.Number}; {Phrases.Number(number)} {other.Symbol()} is.",
            $"The numbers look as if they were written in {other.Symbol()}; set the schedule to that scale.",
            context.Fixes(() => ScaleFixes.Of(context, index))
        );
    }

    /// <summary>Cone 04 for 4 and 4 for 04.</summary>
    private static Cone? OtherZero(Cone goal) =>
        ConeNumber.Parse(goal.Number.StartsWith('0') ? goal.Number[1..] : $"0{goal.Number}") is { IsOk: true } other ? other.Value : null;

    private static ImmutableArray<Fix> FixesOf(ReviewContext context, Cone goal, int index)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        var unit = context.Schedule.Unit;
        var program = context.Schedule.Program;
        var top = context.TopFor(program, goal, program.Steps[index].Hold);
        if (top.IsOk)
        {
            var step = top.Value.Steps[index].Whole(unit);
            fixes.Add(new Fix($"Top {Phrases.Number(step.Target!.Value.In(unit))}", index, step));
        }
        var hold = ConeSolver.HoldOf(program, goal, context.Kiln.FeltTimes);
        // Beyond three hours nobody means the hold.
        if (hold.IsOk && hold.Value.Steps[index].Hold <= Duration.FromHours(3))
        {
            var step = hold.Value.Steps[index].Whole(unit);
            fixes.Add(new Fix(step.Hold > Duration.Zero ? $"Hold {Phrases.Hours(step.Hold)}" : "No hold", index, step));
        }
        return fixes.ToImmutable();
    }

    /// <summary>°C of a number on a scale; nowhere near anything where it is no temperature there.</summary>
    private static double OnScale(double number, TemperatureUnit unit) => Temperature.TryFrom(number, unit, out var t) ? t.Celsius : double.NegativeInfinity;
}
