using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>Values that look like a slip of the finger, and steps that do nothing.</summary>
internal static class SlipReview
{
    private const double HottestDrying = 200;
    private const double LowBisque = 700;
    private const double HotBisque = 1090;
    private const double LowGlaze = 550;
    private const double Loading = 100;
    private const double FarFromTarget = 50;
    private const double NearItsCone = 60;

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        var (segments, times) = (context.Schedule.Segments, context.Compiled.Segments);
        if (HoldSlip.AtTop(context) is { } hold)
            yield return hold;
        if (Top(context) is { } top)
            yield return top;
        if (LastTarget(context) is { } last)
            yield return last;
        if (FirstTarget(context) is { } first)
            yield return first;
        for (var i = 0; i < segments.Length; i++)
        {
            if (OffInClimb(context, i) is { } off)
                yield return off;
            else if (Dip(context, i) is { } dip)
                yield return dip;
            else if (segments[i].Pace.Rate is { } rate && RateSlip.Of(context, i, rate) is { } slip)
                yield return slip;
            else if (Unreached(context, i) is { } unreached)
                yield return unreached;
            else if (Nothing(context, i) is { } why)
            {
                yield return new Finding(
                    FindingIds.DoesNothing,
                    Severity.Note,
                    i,
                    times[i].Start,
                    times[i].End,
                    $"This step does nothing: {why}.",
                    "A step less is a key less to press wrong.",
                    segments.Length > 1 ? [new Fix("Remove this step", i, ImmutableArray<Segment>.Empty)] : []
                );
            }
        }
    }

    /// <summary>A top that is ten times off, or a hundred high, for what the firing is said to be; where there is a goal, that says more.</summary>
    private static Finding? Top(ReviewContext context)
    {
        var schedule = context.Schedule;
        var index = schedule.Program.TopStep;
        if (schedule.Segments[index].Target is not { } target || context.Compiled.Segments[index].To <= context.Kiln.Start)
            return null;
        var (unit, number) = (schedule.Unit, target.In(schedule.Unit));
        Finding Slip(Severity severity, string text, string why, params double[] meant) =>
            new(
                FindingIds.TargetSlip,
                severity,
                index,
                context.Compiled.Segments[index].Start,
                context.Compiled.Segments[index].End,
                text,
                why,
                context.Fixes(() =>
                    meant.Select(m => context.Retyped(index, target: m) is { } step ? new Fix($"To {Phrases.Number(m)}", index, step) : null).OfType<Fix>()
                )
            );

        if (schedule.Kind == ScheduleKind.Drying)
        {
            return target.Celsius > HottestDrying
                ? Slip(
                    Severity.Danger,
                    $"A drying firing to {context.Degrees(target)}: it ends a little above boiling.",
                    "The clay changes from 450 °C on; what was only to be dried is half fired.",
                    Friendly(number / 10),
                    Friendly(context.Boiling.In(unit) + 20 * (unit == TemperatureUnit.Celsius ? 1 : 1.8))
                )
                : null;
        }
        if (schedule.Goal is not null || !context.IsWhole)
            return null;
        if (schedule.Kind == ScheduleKind.Bisque && target.Celsius < LowBisque)
        {
            // Centigrade numbers on a schedule that says Fahrenheit.
            if (unit == TemperatureUnit.Fahrenheit && number is > 850 and < 1200)
            {
                return new Finding(
                    FindingIds.ScaleSlip,
                    Severity.Danger,
                    index,
                    context.Compiled.Segments[index].Start,
                    context.Compiled.Segments[index].End,
                    $"A bisque to {context.Degrees(target)} fires nothing; {Phrases.Number(number)} °C is usual.",
                    "The numbers look as if they were written in °C; set the schedule to that scale.",
                    context.Fixes(() => ScaleFixes.Of(context, index))
                );
            }
            return Slip(
                Severity.Danger,
                $"A bisque to {context.Degrees(target)}: clay is not fired there.",
                "Bisque goes to dull orange heat at least; a digit is missing or too few.",
                Friendly(number * 10)
            );
        }
        if (schedule.Kind.MeltsGlaze() && target.Celsius < LowGlaze)
            return Slip(
                Severity.Danger,
                $"A glaze firing to {context.Degrees(target)}: no glaze melts there.",
                "A digit is missing or too few.",
                Friendly(number * 10)
            );
        if (
            schedule.Kind == ScheduleKind.Bisque
            && target.Celsius > HotBisque
            && context.Load?.Lots.All(l => l.Next == NextStep.Unglazed || l.Clay?.Kind == ClayKind.Earthenware) != true
        )
        {
            return Slip(
                Severity.Look,
                $"{context.Degrees(target)} is hot for a bisque; cone 06 falls about "
                    + $"{context.Degrees(Temperature.FromCelsius(Math.Round(ConeTable.Of(ConeNumber.Parse("06").Value).At60)))}.",
                "Bisque so tight takes up little glaze; a hundred too many is easily typed. Give it a goal cone if it is meant.",
                number - (unit == TemperatureUnit.Celsius ? 100 : 180),
                number - 100
            );
        }
        return null;
    }

    /// <summary>"121" for 1210: where it should have climbed to its cone it falls.</summary>
    private static Finding? LastTarget(ReviewContext context)
    {
        var index = context.Schedule.Program.TopStep + 1;
        if (
            context.Schedule.Goal is not { } goal
            || index >= context.Schedule.Segments.Length
            || context.Schedule.Segments[index] is not { Target: { } target, Pace.Kind: not PaceKind.Natural }
        )
            return null;
        var (unit, at60) = (context.Schedule.Unit, ConeTable.Of(goal).At60);
        var meant = Friendly(target.In(unit) * 10);
        if (
            !Temperature.TryFrom(meant, unit, out var hot)
            || Math.Abs(hot.Celsius - at60) > NearItsCone
            || context.Compiled.Curve.Peak.Celsius > at60 - NearItsCone
        )
            return null;
        var times = context.Compiled.Segments[index];
        return new Finding(
            FindingIds.TargetSlip,
            Severity.Danger,
            index,
            times.Start,
            times.End,
            $"It goes to {context.Degrees(target)} where cone {goal.Number} wants about {context.Degrees(Temperature.FromCelsius(at60))}.",
            "A digit dropped sends a kiln the wrong way for hours.",
            context.Fixes(() => context.Retyped(index, target: meant) is { } step ? [new Fix($"To {Phrases.Number(meant)}", index, step)] : [])
        );
    }

    /// <summary>"12" for 120 in the first step: the kiln is there already.</summary>
    private static Finding? FirstTarget(ReviewContext context)
    {
        if (
            context.Schedule.Segments.Length < 2
            || context.Schedule.Segments[0] is not { Target: { } target, Pace.Kind: PaceKind.Rate }
            || target > context.Kiln.Start + TemperatureDifference.FromKelvins(5)
        )
            return null;
        var (unit, times) = (context.Schedule.Unit, context.Compiled.Segments[0]);
        var meant = Friendly(target.In(unit) * 10);
        return new Finding(
            FindingIds.TargetSlip,
            Severity.Look,
            0,
            times.Start,
            times.End,
            $"The first step goes to {context.Degrees(target)}, where the kiln is already.",
            "A digit is missing, or the step does nothing.",
            context.Fixes(() =>
                [
                    .. context.Retyped(0, target: meant) is { } step && step.Target > context.Kiln.Start
                        ? [new Fix($"To {Phrases.Number(meant)}", 0, step)]
                        : Array.Empty<Fix>(),
                    new Fix("Remove this step", 0, ImmutableArray<Segment>.Empty),
                ]
            )
        );
    }

    /// <summary>The power off on the way up: the kiln falls, and all is climbed again.</summary>
    private static Finding? OffInClimb(ReviewContext context, int i)
    {
        var (segments, times) = (context.Schedule.Segments, context.Compiled.Segments);
        if (
            i >= context.Schedule.Program.TopStep
            || segments[i].Pace.Kind != PaceKind.Natural
            || times[i].From.Celsius < Loading
            || (times[i].From - times[i].To).Kelvins < 20
        )
            return null;
        return new Finding(
            FindingIds.OffInClimb,
            Severity.Danger,
            i,
            times[i].Start,
            times[i].End,
            $"The power goes off in the middle of the climb: it falls from {context.Degrees(times[i].From)} to {context.Degrees(times[i].To)} before it "
                + "goes on.",
            "An “off” belongs after the top; here it costs hours, and the ware cools and warms again.",
            segments.Length > 1 ? [new Fix("Remove this step", i, ImmutableArray<Segment>.Empty)] : []
        );
    }

    /// <summary>A step that turns back before the climb goes on: "60" typed for 600, or "900" for the 90 before it. After the top a swing is meant.</summary>
    private static Finding? Dip(ReviewContext context, int i)
    {
        var (segments, times) = (context.Schedule.Segments, context.Compiled.Segments);
        if (
            i == 0
            || i + 1 >= segments.Length
            || i >= context.Schedule.Program.TopStep
            || segments[i].Pace.Kind == PaceKind.Natural
            || segments[i].Target is null
            || segments[i + 1].Target is null
        )
            return null;
        var (fall, rise) = ((times[i].From - times[i].To).Kelvins, (times[i + 1].To - times[i + 1].From).Kelvins);
        if (fall < 20 || rise < 20)
            return null;
        var unit = context.Schedule.Unit;
        var (here, before, next) = (segments[i].Target!.Value.In(unit), segments[i - 1].Target?.In(unit), segments[i + 1].Target!.Value.In(unit));
        return new Finding(
            FindingIds.TargetSlip,
            Severity.Danger,
            i,
            times[i].Start,
            times[i + 1].RampEnd,
            $"It turns back to {context.Degrees(times[i].To)} and then climbs to {context.Degrees(times[i + 1].To)}: one of the temperatures looks like a slip.",
            "A digit dropped or added sends a kiln the wrong way for hours.",
            context.Fixes(() => TurnsBack(context, i, here, before, next))
        );
    }

    private static IEnumerable<Fix> TurnsBack(ReviewContext context, int i, double here, double? before, double next)
    {
        var times = context.Compiled.Segments;
        var (unit, found) = (context.Schedule.Unit, new List<Fix>());
        void To(int step, double number, string text)
        {
            if (context.Retyped(step, target: number) is { } made)
                found.Add(new Fix(text, step, made));
        }
        var ten = Friendly(here * 10);
        if (ten >= before && ten <= next * 1.02)
            To(i, ten, $"To {Phrases.Number(ten)}");
        if (before is { } was)
        {
            var tenth = Friendly(was / 10);
            if (tenth > times[i - 1].From.In(unit) && tenth < here)
                To(i - 1, tenth, $"Step {i} to {Phrases.Number(tenth)}");
            // Another digit: half way is as good as any.
            var between = Math.Round((was + next) / 20) * 10;
            if (found.Count == 0 && between > was && between < next && here < was)
                To(i, between, $"To {Phrases.Number(between)}");
        }
        return found.Count > 0 ? found : [new Fix("Remove this step", i, ImmutableArray<Segment>.Empty)];
    }

    /// <summary>A controller whose hold clock runs on goes to the next step although the target was never reached.</summary>
    private static Finding? Unreached(ReviewContext context, int i)
    {
        var (segment, times) = (context.Schedule.Segments[i], context.Compiled.Segments[i]);
        if (
            segment.Target is not { } target
            || segment.Pace.Rate is null
            || target <= times.From
            || (target - times.To).Kelvins <= FarFromTarget
            || context.Run.Stall is { } stall && target > stall.At
        )
            return null;
        var missing = Phrases.Number(Math.Round((target - times.To).In(context.Schedule.Unit)));
        return new Finding(
            FindingIds.TargetUnreached,
            Severity.Danger,
            i,
            times.Start,
            times.End,
            $"The clock of this controller runs on: the step ends at {context.Degrees(times.To)}, {missing} {context.Schedule.Unit.Symbol()} short of its "
                + $"{context.Degrees(target)}.",
            "The kiln cannot climb so fast, and the controller does not wait for it. Full power waits, or a rate that the kiln can keep to.",
            context.Fixes(() =>
                [
                    new Fix("Full power", i, segment.Changed(Pace.Full)),
                    .. new[] { 0.8, 0.5, 0.25 }
                        .Where(_ => times.Ramp > Duration.Zero && times.To > times.From)
                        .Select(share =>
                            Rate.PerHour(
                                FriendlyNumbers.RateDown(Math.Max(5, ((times.To - times.From) / times.Ramp).KelvinsPerHour * share), context.Schedule.Unit)
                            )
                        )
                        .Select(rate => new Fix($"Use {Phrases.Number(Math.Round(rate.PerHourIn(context.Schedule.Unit)))}", i, segment.Changed(Pace.At(rate)))),
                ]
            )
        );
    }

    private static string? Nothing(ReviewContext context, int i)
    {
        var (segment, times) = (context.Schedule.Segments[i], context.Compiled.Segments[i]);
        if (segment.Hold > Duration.Zero || i == 0)
            return null;
        if (segment.Pace.Kind == PaceKind.Natural && context.Schedule.Segments[i - 1] is { Pace.Kind: PaceKind.Natural } before && before.Hold == Duration.Zero)
            return "the power is off already in the step before";
        return segment.Target is { } target && Math.Abs((target - times.From).Kelvins) < 0.5 && times.Ramp < Duration.FromMinutes(1)
            ? "it is at its target already and holds for no time"
            : null;
    }

    /// <summary>The number somebody meant: 100 for 99.9, 1220 for 1222 over ten.</summary>
    internal static double Friendly(double number)
    {
        foreach (var grain in new[] { 50.0, 10, 5, 1 })
        {
            var near = Math.Round(number / grain) * grain;
            if (near > 0 && Math.Abs(near - number) <= 0.004 * number)
                return near;
        }
        return Math.Round(number, 1);
    }
}
