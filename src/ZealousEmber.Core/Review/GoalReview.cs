using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>Whether it comes to the cone that is meant, whether glazes and clays stand that cone, and whether the hold suits them.</summary>
internal static class GoalReview
{
    private const double Missed = 0.7;
    private const double Passed = 1.8;
    private const double LongHold = 15;

    public static IEnumerable<Finding> Of(Reading reading)
    {
        if (reading.Schedule.Kind == ScheduleKind.Drying) yield break;
        var index = ConeSolver.TopStep(reading.Schedule);
        if (reading.Schedule.Segments[index].Target is null) yield break;
        var times = reading.Compiled.Segments[index];
        if (reading.Schedule.Goal is { } goal)
        {
            if (ConeWords.ZeroSlip(goal, reading.Progress) is { } slip)
            {
                yield return new Finding("zero-slip", Severity.Danger, index, times.Start, times.End, slip, "A zero dropped or added is a hundred degrees: one of the two is a slip.");
                yield break;
            }
            if (OffGoal(reading, goal, index, times) is { } off) yield return off;
        }
        if (reading.Load is not { } load) yield break;
        var reached = reading.Schedule.Goal ?? ConeWords.HottestDown(reading.Progress);
        if (reached is { } cone && reading.Schedule.Kind != ScheduleKind.Bisque)
        {
            foreach (var clash in load.Clashes)
                yield return new Finding("cones-clash", Severity.Danger, index, times.Start, times.End, clash.Say(), "Whatever the schedule, one of them comes out under- or overfired.");
            foreach (var (name, range, tooHot) in load.Outside(cone).Where(o => load.Clashes.All(c => c.One != o.Name && c.Other != o.Name)))
            {
                yield return new Finding("outside-cones", tooHot ? Severity.Danger : Severity.Look, index, times.Start, times.End,
                    $"{name} is made for {range}; this firing is for cone {cone.Number}.", tooHot ? "It may slump, bloat or run onto the shelf." : "It will come out underfired and dry.");
            }
        }
        else if (reached is { } bisque)
        {
            foreach (var lot in load.Lots.Where(l => l.Clay?.Range is { } r && bisque.CompareTo(r.Hottest) > 0).DistinctBy(l => l.Clay!.Name))
                yield return new Finding("outside-cones", Severity.Danger, index, times.Start, times.End, $"{lot.Clay!.Name} stands {lot.Clay.Range}; this bisque goes to cone {bisque.Number}.", "It may slump or bloat.");
        }
        if (LongForAGlaze(reading, load, index, times) is { } longHold) yield return longHold;
    }

    private static Finding? OffGoal(Reading reading, Cone goal, int index, CompiledSegment times)
    {
        var progress = reading.Progress[goal.Order];
        if (progress is >= Missed and <= Passed) return null;
        var offset = progress > 1e-6 ? ConeSolver.Offset(goal, Math.Min(progress, 1000), 1).Kelvins : -(ConeTable.Of(goal).At60 - reading.Compiled.Curve.Peak.Celsius);
        var by = Words.Number(Math.Round(Math.Abs(TemperatureDifference.FromKelvins(offset).In(reading.Schedule.Unit))));
        var passes = progress > 1;
        var far = Math.Abs(offset) > 18;
        return new Finding(passes ? "goal-passed" : "goal-missed", far ? Severity.Danger : Severity.Look, index, times.Start, times.End,
            passes ? $"It goes past cone {goal.Number}, by about {by} {reading.Schedule.Unit.Symbol()}." : $"Cone {goal.Number} {ConeBend.Words(progress)}: it stops about {by} {reading.Schedule.Unit.Symbol()} short.",
            passes ? "Glazes run and clay slumps past their cone. A lower top or a shorter hold brings it back." : "Underfired ware is weak and its glaze dry. A hotter top or a longer hold brings the cone down.",
            Mends(reading, goal, index));
    }

    private static ImmutableArray<Fix> Mends(Reading reading, Cone goal, int index)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        var unit = reading.Schedule.Unit;
        var top = ConeSolver.TopOf(reading.Schedule, goal, reading.Start, reading.Times, reading.Schedule.Segments[index].Hold, reading.Hottest);
        if (top.IsOk)
        {
            var step = Whole(top.Value.Segments[index], unit);
            fixes.Add(new Fix($"Top {Words.Number(step.Target!.Value.In(unit))}", index, step));
        }
        var hold = ConeSolver.HoldOf(reading.Schedule, goal, reading.Times);
        // Beyond three hours nobody means the hold.
        if (hold.IsOk && hold.Value.Segments[index].Hold <= Duration.FromHours(3))
        {
            var step = Whole(hold.Value.Segments[index], unit);
            fixes.Add(new Fix(step.HoldMinutes > 0 ? $"Hold {Words.Number(step.HoldMinutes)} min" : "No hold", index, step));
        }
        return fixes.ToImmutable();
    }

    private static Finding? LongForAGlaze(Reading reading, WareLoad load, int index, CompiledSegment times)
    {
        var minutes = reading.Schedule.Segments[index].HoldMinutes;
        var careful = load.Glazes.FirstOrDefault(g => (g.Runny || g.Fades) && !g.NeedsHold);
        if (careful is null || minutes <= LongHold) return null;
        var segment = reading.Schedule.Segments[index];
        var shorter = reading.Schedule.WithStep(index, segment.Target!.Value, Duration.FromMinutes(5));
        var solved = reading.Schedule.Goal is { } goal ? ConeSolver.TopOf(shorter, goal, reading.Start, reading.Times, Duration.FromMinutes(5), reading.Hottest) : shorter;
        return new Finding("hold-long", Severity.Look, index, times.RampEnd, times.End,
            $"{careful.Name} {(careful.Runny ? "runs" : "fades")}, and the hold is {Words.Number(minutes)} minutes.",
            careful.Runny ? "Every minute at the top lets it move; a waste slab, and a short hold with the same heat work." : "Its colour burns out while it is held; a hotter top and a short hold do the same work.",
            solved.IsOk ? [new Fix("Hold 5 min", index, Whole(solved.Value.Segments[index], reading.Schedule.Unit))] : []);
    }

    private static Segment Whole(Segment step, TemperatureUnit unit) => Segment.Create(
        step.Pace.Kind, step.Pace.Rate?.PerHourIn(unit), Math.Round(step.Target!.Value.In(unit)), Math.Round(step.HoldMinutes), unit, step.Reason, step.Atmosphere).Value;
}
