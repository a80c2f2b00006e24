using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>What a kiln makes of a schedule, as a colleague would say it: what it cannot reach, follow or stand.</summary>
public static class KilnReview
{
    private static readonly Duration WorthSaying = Duration.FromMinutes(15);
    private static readonly Duration VeryLate = Duration.FromMinutes(45);
    private const double WorthSayingShare = 0.08;
    private const double SparingDrop = 100;
    private static readonly Temperature SparingTo = Temperature.FromCelsius(700);
    private static readonly Temperature ElementsAge = Temperature.FromCelsius(1200);
    private static readonly Duration LongHot = Duration.FromHours(3);

    // A fix by a slower rate only helps a short step; on a long one it would slow what the kiln can follow too.
    private const double ShortStep = 180;

    /// <summary>Findings in the order of the steps; none when the kiln does what is asked.</summary>
    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        var (schedule, kiln, run) = (context.Schedule, context.Kiln, context.Run);
        if (NearlyEmpty(schedule, kiln, run, context.Units) is { } empty)
            yield return empty;
        if (kiln.HasElements && Ageing(schedule, run) is { } ageing)
            yield return ageing;
        for (var i = 0; i < schedule.Segments.Length; i++)
        {
            var (segment, times, step) = (schedule.Segments[i], run.Compiled.Segments[i], run.Steps[i]);
            if (segment.Target is { } target && target > kiln.TopLimit)
                yield return OverLimit(schedule, kiln, i, times, target);
            if (run.Stall is { } stall && stall.Segment == i)
                yield return CannotReach(schedule, kiln, i, times, stall);
            else if (step.BehindFrom is { } from && step.Late >= WorthSaying && step.Late.TotalMinutes >= WorthSayingShare * times.Ramp.TotalMinutes)
                yield return times.To > times.From
                    ? TooSlow(schedule, kiln, run, i, times, step, from, GoalReview.IsMet(context))
                    : CoolsByItself(schedule, kiln, i, times, step, from);
        }
    }

    /// <summary>Little ware heats unevenly and lets the kiln drop fast once the power is off.</summary>
    private static Finding? NearlyEmpty(Schedule schedule, IKilnModel kiln, KilnRun run, DisplayUnits units)
    {
        if (
            schedule.Kind == ScheduleKind.Drying
            || kiln.Load is not { WareMass: > 0 } load
            || !(load.WareMass < KilnLoad.NearlyEmpty * kiln.UsualWare(schedule.Kind))
        )
            return null;
        var last = run.Compiled.Segments.Length - 1;
        var times = run.Compiled.Segments[last];
        if (schedule.Segments[last].Pace.Kind != PaceKind.Natural || times.From.Celsius < 500)
            return null;
        var (dropped, from) = Cooling.FastestDrop(run.Compiled.Curve);
        return new Finding(
            FindingIds.NearlyEmpty,
            Severity.Note,
            last,
            from,
            from + Duration.FromHours(1),
            $"{Text.Capital(kiln.Name ?? "")} is nearly empty ({units.Weight(load.WareMass)} of ware): it drops "
                + $"{Phrases.Number(Math.Round(dropped.In(schedule.Unit)))} {schedule.Unit.Symbol()} in an hour.",
            "Little ware heats unevenly and cools fast. Fill the gaps with shelves or bisque, or put a limit on the drop.",
            Sparing(schedule, last, times)
        );
    }

    /// <summary>A limit on the drop, as the school has it that spares thinly loaded kilns.</summary>
    private static ImmutableArray<Fix> Sparing(Schedule schedule, int last, CompiledSegment times)
    {
        if (times.From <= SparingTo || schedule.Segments.Length >= ScheduleLimits.Segments)
            return [];
        var unit = schedule.Unit;
        var rate = FriendlyNumbers.RateDown(SparingDrop, unit);
        var limit = Segment
            .Of(Pace.At(Rate.PerHour(rate)), Temperature.From(Math.Round(SparingTo.In(unit) / 10) * 10, unit), reason: "no faster than this")
            .Value;
        return [new Fix($"No faster than {Phrases.Number(limit.Pace.Rate!.Value.PerHourIn(unit))} {unit.Symbol()}/h", last, limit, schedule.Segments[last])];
    }

    /// <summary>Hours above 1200 °C, where elements grow old quickly.</summary>
    private static Finding? Ageing(Schedule schedule, KilnRun run)
    {
        var curve = run.Compiled.Curve;
        var hot = curve.TimeBetween(ElementsAge, null);
        var time = hot.Total;
        if (time < LongHot)
            return null;
        var top = schedule.Program.TopStep;
        return new Finding(
            FindingIds.ElementsAge,
            Severity.Note,
            top,
            curve.FirstRiseThrough(ElementsAge) ?? Duration.Zero,
            curve.LastFallThrough(ElementsAge) ?? run.Compiled.Total,
            $"{Phrases.Hours(time)} above {Degrees(ElementsAge, schedule)}.",
            "Elements age fast up there and power climbs; the lowest cone that gives the result, or a quicker last stretch, spares them."
        );
    }

    private static Finding OverLimit(Schedule schedule, IKilnModel kiln, int index, CompiledSegment times, Temperature target) =>
        new(
            FindingIds.OverKilnLimit,
            Severity.Danger,
            index,
            times.Start,
            times.End,
            $"{Degrees(target, schedule)} is over the {Degrees(kiln.TopLimit, schedule)} that {kiln.Name} is made for.",
            kiln.HasElements
                ? "Past its limit bricks shrink and elements fail; the maker's manual has the last word."
                : "Past its limit bricks shrink and burners and shelves suffer; the maker's manual has the last word."
        );

    private static Finding CannotReach(Schedule schedule, IKilnModel kiln, int index, CompiledSegment times, KilnStall stall) =>
        new(
            FindingIds.KilnCannotReach,
            Severity.Danger,
            index,
            times.Start,
            times.RampEnd,
            $"With this load {kiln.Name} gets to {Degrees(stall.At, schedule)} at best; the step asks for "
                + $"{Degrees(schedule.Segments[index].Target!.Value, schedule)}.",
            $"From {Phrases.Hours(stall.When)} on it would wait at full "
                + $"{(kiln.HasElements ? "power for ever. A lighter load, new elements" : "pressure for ever. A lighter load, a damper set for more heat, clean jets")} or a lower top would help; times after it suppose that somebody skips the step."
        );

    private static Finding TooSlow(
        Schedule schedule,
        IKilnModel kiln,
        KilnRun run,
        int index,
        CompiledSegment times,
        KilnStep step,
        Temperature from,
        bool goalIsMet
    )
    {
        var (segment, unit) = (schedule.Segments[index], schedule.Unit);
        var asked = segment.Pace.Rate!.Value;
        var can = AtTheEnd(run, times);
        // To a friendly five, and always slower than it can.
        var friendly = Math.Floor(can.PerHourIn(unit) / 5) * 5;
        Fix? fix = null;
        if ((times.To - times.From).Kelvins <= ShortStep)
        {
            if (friendly >= 5 && friendly < asked.PerHourIn(unit))
                fix = new Fix($"Use {Phrases.Number(friendly)}", index, segment.Changed(Pace.At(Rate.PerHour(friendly, unit))));
        }
        else if (kiln.Burns)
        {
            if (friendly >= 5 && friendly < asked.PerHourIn(unit))
                fix = new Fix($"Use {Phrases.Number(friendly)}", index, segment.Changed(Pace.At(Rate.PerHour(friendly, unit))));
        }
        else if (schedule.Segments.Length < ScheduleLimits.Segments)
        {
            // What it will do anyway, said as it is.
            var turns = Temperature.From(Math.Floor(from.In(unit) / 10) * 10, unit);
            var full = segment.Changed(Pace.Full).Value;
            var leads = (turns - times.From).Kelvins > 20;
            fix = new Fix(
                leads ? $"Full power from {Degrees(turns, schedule)}" : "Full power",
                index,
                leads ? [segment.Changed(target: turns, hold: Duration.Zero).Value, full] : [full]
            );
        }
        return new Finding(
            FindingIds.KilnTooSlow,
            step.Late >= VeryLate && !goalIsMet ? Severity.Look : Severity.Note,
            index,
            run.Compiled.Curve.FirstRiseThrough(from) ?? times.Start,
            times.RampEnd,
            $"Above {Degrees(from, schedule)} {kiln.Name} cannot keep to {Phrases.Number(Math.Round(asked.PerHourIn(unit)))} {unit.Symbol()}/h with this "
                + $"load; near {Degrees(times.To, schedule)} it climbs {Phrases.Number(Math.Round(can.PerHourIn(unit)))}. It arrives "
                + $"{Phrases.Hours(step.Late)} late.",
            $"{(kiln.HasElements ? "The elements are at full power there" : "Burners and draft give no more there")}; cones get more heat work than the "
                + "plain schedule says.",
            fix is null ? [] : [fix]
        );
    }

    private static Finding CoolsByItself(Schedule schedule, IKilnModel kiln, int index, CompiledSegment times, KilnStep step, Temperature from)
    {
        var (rate, unit) = (schedule.Segments[index].Pace.Rate!.Value, schedule.Unit);
        return new Finding(
            FindingIds.CoolsByItself,
            Severity.Note,
            index,
            times.Start,
            times.RampEnd,
            $"Below {Degrees(from, schedule)} {kiln.Name} cools slower than {Phrases.Number(Math.Round(rate.PerHourIn(unit)))} {unit.Symbol()}/h by "
                + $"itself; the step takes {Phrases.Hours(step.Late)} longer than written.",
            "A kiln has no refrigeration: from there on the step does nothing that off would not do.",
            schedule.Segments[index].Hold == Duration.Zero ? [new Fix("Switch off", index, schedule.Segments[index].Changed(Pace.Natural).Value)] : []
        );
    }

    /// <summary>How fast it still climbs over the last tenth of a step.</summary>
    private static Rate AtTheEnd(KilnRun run, CompiledSegment times)
    {
        var last = times.RampEnd - times.Ramp / 10;
        return (times.To - run.Compiled.Curve.At(last)) / (times.RampEnd - last);
    }

    private static string Degrees(Temperature t, Schedule schedule) => $"{Phrases.Number(Math.Round(t.In(schedule.Unit)))} {schedule.Unit.Symbol()}";
}
