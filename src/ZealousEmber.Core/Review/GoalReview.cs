using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>Whether it comes to the cone that is meant, whether glazes and clays stand that cone, and whether the hold suits them.</summary>
internal static class GoalReview
{
    // Cones stand 15 to 25 K apart; less than that is what two kilns, or two readers of one cone, differ by.
    private const double WorthSaying = 15;
    private const double AConeOff = 20;
    private const double OtherScaleNear = 60;

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
            var said = reading.Schedule.Goal is null ? "comes to" : "is for";
            foreach (var (name, range, tooHot) in load.Outside(cone).Where(o => load.Clashes.All(c => c.One != o.Name && c.Other != o.Name) && (o.TooHot || reading.Progress[o.Range.Coolest.Order] < 0.5)))
            {
                yield return new Finding("outside-cones", tooHot ? Severity.Danger : Severity.Look, index, times.Start, times.End,
                    $"{name} is made for {range}; this firing {said} cone {cone.Number}.", tooHot ? "It may slump, bloat or run onto the shelf." : "It will come out underfired and dry.");
            }
        }
        else if (reached is { } bisque)
        {
            foreach (var lot in load.Lots.Where(l => l.Clay?.Range is { } r && bisque.CompareTo(r.Hottest) > 0).DistinctBy(l => l.Clay!.Name))
                yield return new Finding("outside-cones", Severity.Danger, index, times.Start, times.End, $"{lot.Clay!.Name} stands {lot.Clay.Range}; this bisque goes to cone {bisque.Number}.", "It may slump or bloat.");
        }
    }

    private static Finding? OffGoal(Reading reading, Cone goal, int index, CompiledSegment times)
    {
        var progress = reading.Progress[goal.Order];
        var offset = progress > 1e-6 ? ConeSolver.Offset(goal, Math.Min(progress, 1000), 1).Kelvins : -(ConeTable.Of(goal).At60 - reading.Compiled.Curve.Peak.Celsius);
        if (Math.Abs(offset) <= WorthSaying) return null;
        if (OtherScale(reading, goal, index, times) is { } scale) return scale;
        var by = Words.Number(Math.Round(Math.Abs(TemperatureDifference.FromKelvins(offset).In(reading.Schedule.Unit))));
        var passes = progress > 1;
        var far = Math.Abs(offset) > AConeOff;
        return new Finding(passes ? "goal-passed" : "goal-missed", far ? Severity.Danger : Severity.Look, index, times.Start, times.End,
            passes ? $"It goes past cone {goal.Number}, by about {by} {reading.Schedule.Unit.Symbol()}." : $"Cone {goal.Number} {ConeBend.Words(progress)}: it stops about {by} {reading.Schedule.Unit.Symbol()} short.",
            (passes, reading.Schedule.Kind == ScheduleKind.Bisque) switch
            {
                (true, true) => "Bisque past its cone is tight and takes up little glaze. A lower top or a shorter hold brings it back.",
                (true, false) => "Glazes run and clay slumps past their cone. A lower top or a shorter hold brings it back.",
                (false, true) => "Bisque short of its cone is weak and gives off its gas under the glaze. A hotter top or a longer hold brings the cone down.",
                (false, false) => "Underfired ware is weak and its glaze dry. A hotter top or a longer hold brings the cone down.",
            },
            Mends(reading, goal, index));
    }

    /// <summary>"To 1222" on a schedule in °F whose cone falls at 1222 °C.</summary>
    private static Finding? OtherScale(Reading reading, Cone goal, int index, CompiledSegment times)
    {
        var (unit, at60) = (reading.Schedule.Unit, ConeTable.Of(goal).At60);
        var other = unit == TemperatureUnit.Celsius ? TemperatureUnit.Fahrenheit : TemperatureUnit.Celsius;
        var number = reading.Schedule.Segments[index].Target!.Value.In(unit);
        if (Math.Abs(Temperature.From(number, other).Celsius - at60) > OtherScaleNear || Math.Abs(times.To.Celsius - at60) < 3 * OtherScaleNear) return null;
        return new Finding("scale-slip", Severity.Danger, index, times.Start, times.End,
            $"{Words.Number(number)} {unit.Symbol()} is nowhere near cone {goal.Number}; {Words.Number(number)} {other.Symbol()} is.",
            $"The numbers look as if they were written in {other.Symbol()}; set the schedule to that scale and enter them again.");
    }

    private static ImmutableArray<Fix> Mends(Reading reading, Cone goal, int index)
    {
        var fixes = ImmutableArray.CreateBuilder<Fix>();
        var unit = reading.Schedule.Unit;
        var top = ConeSolver.TopOf(reading.Schedule, goal, reading.Start, reading.Times, reading.Schedule.Segments[index].Hold, reading.Hottest);
        if (top.IsOk)
        {
            var step = reading.Whole(top.Value.Segments[index]);
            fixes.Add(new Fix($"Top {Words.Number(step.Target!.Value.In(unit))}", index, step));
        }
        var hold = ConeSolver.HoldOf(reading.Schedule, goal, reading.Times);
        // Beyond three hours nobody means the hold.
        if (hold.IsOk && hold.Value.Segments[index].Hold <= Duration.FromHours(3))
        {
            var step = reading.Whole(hold.Value.Segments[index]);
            fixes.Add(new Fix(step.Hold > Duration.Zero ? $"Hold {Words.Hours(step.Hold)}" : "No hold", index, step));
        }
        return fixes.ToImmutable();
    }
}
