using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>Values that look like a slip of the finger, and steps that do nothing.</summary>
internal static class SlipReview
{
    private const double Suspicious = 7;
    private const double SlowForDays = 4;
    private const double FastAtTop = 3.5;
    private const double TellingClimb = 150;
    private const double FastForRaw = 350;
    private const double SlowestCooling = 12;
    private static readonly Duration LongestAtTop = Duration.FromHours(4);
    private static readonly Duration Days = Duration.FromHours(20);

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        var (segments, times) = (context.Schedule.Segments, context.Compiled.Segments);
        if (HoldAtTop(context) is { } hold) yield return hold;
        for (var i = 0; i < segments.Length; i++)
        {
            if (Dip(context, i) is { } dip) yield return dip;
            else if (segments[i].Pace.Rate is { } rate && (Climb(context, i, rate) ?? Cooling(context, i, rate)) is { } slip) yield return slip;
            else if (Nothing(context, i) is { } why) yield return new Finding("does-nothing", Severity.Note, i, times[i].Start, times[i].End, $"This step does nothing: {why}.", "A step less is a key less to press wrong.");
        }
    }

    /// <summary>A climb many times faster or slower than the climbs on both sides of it, or than raw ware ever climbs.</summary>
    private static Finding? Climb(ReviewContext context, int i, Rate rate)
    {
        var (segments, times) = (context.Schedule.Segments, context.Compiled.Segments);
        if ((times[i].To - times[i].From).Kelvins < 30) return null;
        var beside = new[] { i - 1, i + 1 }.Where(j => j >= 0 && j < segments.Length && times[j].To > times[j].From && segments[j].Pace.Rate is not null).ToList();
        var others = beside.Select(j => segments[j].Pace.Rate!.Value.KelvinsPerHour).ToList();
        var mine = rate.KelvinsPerHour;
        // Nobody comes to the top many times faster than to what is before it.
        var atTop = i == context.Schedule.Program.TopStep && others.Count > 0 && mine >= FastAtTop * others.Max();
        var fast = mine > 250 && ((others.Count > 0 && others.All(o => mine >= Suspicious * o)) || atTop);
        // A quick climb to a drying hold alone says nothing of the pace after it.
        var telling = beside.Count > 1 || beside.Any(j => (times[j].To - times[j].From).Kelvins >= TellingClimb);
        bool Slower(double by) => telling && others.All(o => mine * by <= o);
        var slow = times[i].To.Celsius > 130 && ((Slower(Suspicious) && times[i].Ramp > Duration.FromHours(8)) || (Slower(SlowForDays) && times[i].Ramp > Days));
        var wild = context.Raw && mine > FastForRaw && times[i].To.Celsius > 80;
        if (!fast && !slow && !wild) return null;
        var said = others.Count > 0 ? $": the steps beside it go at {Phrases.List(others.Select(o => Phrases.Number(Math.Round(Rate.PerHour(o).PerHourIn(context.Schedule.Unit)))))}" : "";
        return RateSlip(context, i, rate, Severity.Danger, slow, said, slow ? "A zero dropped makes a firing of days." : "A zero too many has burst many a load.");
    }

    /// <summary>A cooling held back for days.</summary>
    private static Finding? Cooling(ReviewContext context, int i, Rate rate)
    {
        var times = context.Compiled.Segments[i];
        return times.To < times.From && rate.KelvinsPerHour < SlowestCooling && times.Ramp > Days
            ? RateSlip(context, i, rate, Severity.Look, true, $": the step takes {Phrases.Hours(times.Ramp)}", "Even crystal glazes want hours, not days; a zero dropped costs a night of power.")
            : null;
    }

    private static Finding RateSlip(ReviewContext context, int i, Rate rate, Severity severity, bool slow, string beside, string why)
    {
        var times = context.Compiled.Segments[i];
        var likely = rate.PerHourIn(context.Schedule.Unit) * (slow ? 10 : 0.1);
        return new Finding("rate-slip", severity, i, times.Start, times.RampEnd, $"{context.PerHour(rate)} looks like a slip{beside}.", why,
            context.Retyped(i, rate: likely) is { } mended ? [new Fix($"Use {Phrases.Number(likely)}", i, mended)] : []);
    }

    /// <summary>A step that turns back before the climb goes on: "60" typed for 600, or "900" for the 90 before it.</summary>
    private static Finding? Dip(ReviewContext context, int i)
    {
        var (segments, times) = (context.Schedule.Segments, context.Compiled.Segments);
        if (i == 0 || i + 1 >= segments.Length || segments[i].Pace.Kind == PaceKind.Natural) return null;
        var (fall, rise) = ((times[i].From - times[i].To).Kelvins, (times[i + 1].To - times[i + 1].From).Kelvins);
        if (fall < 20 || rise < 20 || (times[i + 1].To <= times[i].From && rise < 150)) return null;
        var unit = context.Schedule.Unit;
        var (here, before, next) = (segments[i].Target!.Value.In(unit), segments[i - 1].Target?.In(unit), segments[i + 1].Target!.Value.In(unit));
        var fixes = new List<Fix>();
        if (here * 10 >= before && here * 10 <= next && context.Retyped(i, target: here * 10) is { } more) fixes.Add(new Fix($"To {Phrases.Number(here * 10)}", i, more));
        if (before / 10 is { } less && less > times[i - 1].From.In(unit) && less < here && context.Retyped(i - 1, target: less) is { } tenth) fixes.Add(new Fix($"Step {i} to {Phrases.Number(less)}", i - 1, tenth));
        return new Finding("target-slip", Severity.Danger, i, times[i].Start, times[i + 1].RampEnd,
            $"It turns back to {context.Degrees(times[i].To)} and then climbs to {context.Degrees(times[i + 1].To)}: one of the temperatures looks like a slip.",
            "A digit dropped or added sends a kiln the wrong way for hours.", [.. fixes]);
    }

    /// <summary>Hours where minutes are usual: "hold 12 h" meant as twelve minutes.</summary>
    private static Finding? HoldAtTop(ReviewContext context)
    {
        var index = context.Schedule.Program.TopStep;
        var segment = context.Schedule.Segments[index];
        if (segment.Target is not { Celsius: > 900 } || segment.Hold <= LongestAtTop) return null;
        var times = context.Compiled.Segments[index];
        var likely = segment.HoldMinutes / 60;
        return new Finding("hold-slip", Severity.Danger, index, times.RampEnd, times.End,
            $"A hold of {Phrases.Hours(segment.Hold)} at the top: minutes are usual here.", "Hours and minutes are easily mistaken on a controller, and every cone in the kiln goes flat.",
            context.Retyped(index, holdMinutes: likely) is { } mended ? [new Fix($"Hold {Phrases.Number(likely)} min", index, mended)] : []);
    }

    private static string? Nothing(ReviewContext context, int i)
    {
        var (segment, times) = (context.Schedule.Segments[i], context.Compiled.Segments[i]);
        if (segment.Hold > Duration.Zero || i == 0) return null;
        if (segment.Pace.Kind == PaceKind.Natural && context.Schedule.Segments[i - 1] is { Pace.Kind: PaceKind.Natural } before && before.Hold == Duration.Zero)
            return "the power is off already in the step before";
        return segment.Target is { } target && Math.Abs((target - times.From).Kelvins) < 0.5 && times.Ramp < Duration.FromMinutes(1)
            ? "it is at its target already and holds for no time"
            : null;
    }
}
