using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>Holds of minutes where hours are usual, and of hours where minutes are.</summary>
internal static class HoldSlip
{
    private static readonly Duration LongestAtTop = Duration.FromHours(3);
    private static readonly Duration LongDrying = Duration.FromHours(30);
    private static readonly (double From, double To) BelowBoiling = (70, 98);
    private static readonly Duration LongWhileCool = Duration.FromHours(2);
    private const double Weak = 45;
    private const double Cool = 50;
    private const double CoolForAll = 40;

    /// <summary>A drying hold: "hold 12" meant as twelve hours, sixty hours for dry mugs, or eight hours at 32 °C.</summary>
    /// <param name="context">What is looked at.</param>
    /// <param name="passing">The step that passes boiling.</param>
    /// <param name="steam">What the steam of the slowest lot to dry is.</param>
    /// <param name="lot">That lot.</param>
    public static Finding? Drying(ReviewContext context, int passing, Verdict steam, WareLot lot)
    {
        if (steam == Verdict.Fine && TooCool(context, passing, lot) is { } cool)
            return cool;
        for (var i = 0; i <= passing && i < context.Schedule.Segments.Length; i++)
        {
            var (segment, times) = (context.Schedule.Segments[i], context.Compiled.Segments[i]);
            if (times.To.Celsius < BelowBoiling.From || times.To.Celsius > BelowBoiling.To || times.To <= times.From)
                continue;
            var minutes = segment.HoldMinutes;
            if (minutes is >= 2 and <= 24)
            {
                // Known ware that stands it makes it a matter of habit only.
                var weight = context.Load is null
                    ? Severity.Look
                    : steam switch
                    {
                        Verdict.Fine => Severity.Note,
                        Verdict.Look => Severity.Look,
                        _ => Severity.Danger,
                    };
                return new Finding(
                    FindingIds.HoldSlip,
                    weight,
                    i,
                    times.RampEnd,
                    times.End,
                    $"A drying hold of {Phrases.Number(minutes)} minutes: hours are usual here.",
                    "Minutes and hours are easily mistaken on a controller, and raw ware pays for it.",
                    context.Fixes(() =>
                        [
                            new Fix($"Hold {Phrases.Number(minutes)} h", i, segment.Changed(hold: Duration.FromHours(minutes))),
                            .. steam == Verdict.Fine ? [] : DryingFixes.For(context, lot, context.WaterIn(lot)),
                        ]
                    )
                );
            }
            if (segment.Hold <= LongDrying || steam != Verdict.Fine)
                continue;
            var needs = DryingPlan.For([lot], context.WaterIn, context.Boiling, context.Schedule.Unit).Hold;
            if (segment.Hold < needs * 3)
                continue;
            return new Finding(
                FindingIds.HoldSlip,
                Severity.Look,
                i,
                times.RampEnd,
                times.End,
                $"A drying hold of {Phrases.Hours(segment.Hold)}: {(context.Load is null ? "even thick walls" : context.Name(lot))} want "
                    + $"{Phrases.Hours(needs)}.",
                "Days below boiling cost power and a kiln nobody else can use; a digit too many is the likeliest reason.",
                context.Fixes(() =>
                    new[] { segment.Hold / 10, segment.Hold / 60, needs }
                        .Where(h => h >= needs - Duration.FromMinutes(1) || h == needs)
                        .Select(h => new Fix($"Hold {Phrases.Hours(h)}", i, segment.Changed(hold: h)))
                )
            );
        }
        return null;
    }

    /// <summary>Held for hours where hardly anything dries: 32 is 90 °F. Wet ware that still shrinks may be meant to wait there.</summary>
    private static Finding? TooCool(ReviewContext context, int passing, WareLot lot)
    {
        var below = context.Load is null ? CoolForAll : Cool;
        if (context.Load?.Wettest.Dryness > Dryness.CoolToTouch)
            return null;
        for (var i = 0; i <= passing && i < context.Schedule.Segments.Length; i++)
        {
            var (segment, times) = (context.Schedule.Segments[i], context.Compiled.Segments[i]);
            if (segment.Target is null || segment.Hold < LongWhileCool || times.To.Celsius >= below || times.To < times.From)
                continue;
            var at = Temperature.FromCelsius(DryingPlan.For([lot], context.WaterIn, context.Boiling, context.Schedule.Unit).HoldAt);
            return new Finding(
                FindingIds.TargetSlip,
                Severity.Look,
                i,
                times.RampEnd,
                times.End,
                $"A drying hold of {Phrases.Hours(segment.Hold)} at {context.Degrees(times.To)}: hardly any water leaves there.",
                "Clay dries many times faster a little below boiling. A number in the other scale, or a digit short, is the likeliest reason.",
                context.Fixes(() => [new Fix($"Hold at {context.Degrees(at)}", i, segment.Changed(target: at))])
            );
        }
        return null;
    }

    /// <summary>Hours where minutes are usual: "hold 12 h" at the top, meant as twelve minutes.</summary>
    public static Finding? AtTop(ReviewContext context)
    {
        var index = context.Schedule.Program.TopStep;
        var segment = context.Schedule.Segments[index];
        if (segment.Target is not { Celsius: > 550 } || segment.Hold <= LongestAtTop || context.Schedule.Kind == ScheduleKind.Drying)
            return null;
        // A kiln that hardly climbs any more brings its cone down by holding, and the cone says that it was meant.
        if (context.Kiln.FastestClimb(segment.Target.Value)?.KelvinsPerHour < Weak && GoalReview.IsMet(context))
            return null;
        var times = context.Compiled.Segments[index];
        var likely = segment.HoldMinutes / 60;
        return new Finding(
            FindingIds.HoldSlip,
            Severity.Danger,
            index,
            times.RampEnd,
            times.End,
            $"A hold of {Phrases.Hours(segment.Hold)} at the top: minutes are usual here.",
            "Hours and minutes are easily mistaken on a controller, and every cone in the kiln goes flat.",
            context.Fixes(() =>
                new[] { likely, segment.HoldMinutes / 10 }
                    .Select(m => Math.Round(m, 1))
                    .Where(m => m >= 1)
                    .Select(m => context.Retyped(index, holdMinutes: m) is { } mended ? new Fix($"Hold {Phrases.Hours(mended.Hold)}", index, mended) : null)
                    .OfType<Fix>()
            )
        );
    }
}
