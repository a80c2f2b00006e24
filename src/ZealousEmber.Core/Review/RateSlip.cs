using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>Rates with a zero too many or too few, and rates an hour that were meant a minute.</summary>
internal static class RateSlip
{
    private const double Suspicious = 7;
    private const double SlowForDays = 4;
    private const double FastAtTop = 3.5;
    private const double TellingClimb = 150;
    private const double FastForRaw = 350;
    private const double SlowestCooling = 12;
    private const double SlowestClimb = 12;
    private const double SlowForFired = 25;
    private const double PerMinuteAtMost = 9;
    private static readonly Duration Days = Duration.FromHours(20);

    public static Finding? Of(ReviewContext context, int i, Rate rate) => Climb(context, i, rate) ?? Cooling(context, i, rate);

    /// <summary>Every rate so small that the firing takes weeks: degrees a minute on a controller that wants them an hour.</summary>
    public static Finding? PerMinute(ReviewContext context)
    {
        var program = context.Schedule.Program;
        var rated = Enumerable
            .Range(0, program.Steps.Length)
            .Where(i => program.Steps[i].Pace.Rate is not null && Math.Abs((context.Compiled.Segments[i].To - context.Compiled.Segments[i].From).Kelvins) >= 20)
            .ToList();
        if (rated.Count == 0 || context.Compiled.Curve.Peak.Celsius < 200 || rated.Any(i => program.Steps[i].Pace.Rate!.Value.KelvinsPerHour > PerMinuteAtMost))
            return null;
        if (rated.Count == 1 && (context.Compiled.Segments[rated[0]].To - context.Compiled.Segments[rated[0]].From).Kelvins < 200)
            return null;
        var first = context.Compiled.Segments[rated[0]];
        return new Finding(
            FindingIds.RateSlip,
            Severity.Danger,
            rated[0],
            first.Start,
            context.Compiled.Total,
            $"Every rate is so small that this firing takes {Phrases.Hours(context.Compiled.Total)}: they look like degrees a minute.",
            "Some controllers take degrees a minute, this schedule takes them an hour.",
            context.Fixes(() =>
            {
                var steps = program.Steps;
                foreach (var i in rated.Where(i => steps[i].Pace.Rate is not null))
                {
                    if (context.Retyped(i, rate: SlipReview.Friendly(steps[i].Pace.Rate!.Value.PerHourIn(context.Schedule.Unit) * 60)) is not { } step)
                        return [];
                    steps = steps.SetItem(i, step);
                }
                return FiringProgram.Create(steps) is { IsOk: true } made ? [Fix.Between("Sixty times every rate", program, made.Value)] : [];
            })
        );
    }

    /// <summary>A climb many times faster or slower than the climbs on both sides of it, or than ware ever climbs.</summary>
    private static Finding? Climb(ReviewContext context, int i, Rate rate)
    {
        var (segments, times) = (context.Schedule.Segments, context.Compiled.Segments);
        var climbs = (times[i].To - times[i].From).Kelvins;
        if (climbs < 30 || i > context.Schedule.Program.TopStep)
            return null;
        var beside = new[] { i - 1, i + 1 }
            .Where(j => j >= 0 && j < segments.Length && times[j].To > times[j].From && segments[j].Pace.Rate is not null)
            .ToList();
        var others = beside.Select(j => segments[j].Pace.Rate!.Value.KelvinsPerHour).ToList();
        var mine = rate.KelvinsPerHour;
        // Nobody comes to the top many times faster than to what is before it.
        var atTop = i == context.Schedule.Program.TopStep && others.Count > 0 && mine >= FastAtTop * others.Max();
        var fast = mine > 250 && ((others.Count > 0 && others.All(o => mine >= Suspicious * o)) || atTop);
        // A quick climb to a drying hold alone says nothing of the pace after it.
        var telling = beside.Count > 1 || beside.Any(j => (times[j].To - times[j].From).Kelvins >= TellingClimb);
        bool Slower(double by) => telling && others.All(o => mine * by <= o);
        // A slow climb past boiling is one way to dry wet ware.
        var slow =
            times[i].To.Celsius > (context.Raw || context.Load?.Wettest.Dryness > Ware.Dryness.BoneDry ? 220 : 130)
            && ((Slower(Suspicious) && times[i].Ramp > Duration.FromHours(8)) || (Slower(SlowForDays) && times[i].Ramp > Days));
        // Nobody climbs so slowly once the clay is dry, nor with fired ware at all.
        slow |= mine <= SlowestClimb && ((climbs >= 60 && times[i].To.Celsius > 220) || times[i].From.Celsius >= 600);
        slow |= !context.Raw && mine <= SlowForFired && climbs >= 250 && context.Lots.All(l => l.Dryness == Ware.Dryness.BoneDry);
        // What the ware itself asks for is no slip.
        slow &= context.Lots.All(l => (context.Raw ? Ware.WallGradient.RawUp(l.Depth) : Ware.WallGradient.FiredUp(l.Depth)) > SlowForDays * mine);
        var wild = context.Raw && mine > FastForRaw && times[i].To.Celsius > 80;
        if (!fast && !slow && !wild)
            return null;
        var said =
            others.Count > 0
                ? ": the steps beside it go at "
                    + $"{Phrases.List(others.Select(o => Phrases.Number(Math.Round(Rate.PerHour(o).PerHourIn(context.Schedule.Unit)))))}"
                : "";
        return Slip(context, i, rate, Severity.Danger, slow, said, slow ? "A zero dropped makes a firing of days." : "A zero too many has burst many a load.");
    }

    /// <summary>A cooling held back for days.</summary>
    private static Finding? Cooling(ReviewContext context, int i, Rate rate)
    {
        var times = context.Compiled.Segments[i];
        return times.To < times.From && rate.KelvinsPerHour < SlowestCooling && times.Ramp > Days
            ? Slip(
                context,
                i,
                rate,
                Severity.Look,
                true,
                $": the step takes {Phrases.Hours(times.Ramp)}",
                "Even crystal glazes want hours, not days; a zero dropped costs a night of power."
            )
            : null;
    }

    private static Finding Slip(ReviewContext context, int i, Rate rate, Severity severity, bool slow, string beside, string why)
    {
        var times = context.Compiled.Segments[i];
        var written = rate.PerHourIn(context.Schedule.Unit);
        var likely = slow && rate.KelvinsPerHour < 2.5 ? new[] { 100, 10.0 } : [slow ? 10 : 0.1];
        return new Finding(
            FindingIds.RateSlip,
            severity,
            i,
            times.Start,
            times.RampEnd,
            $"{context.PerHour(rate)} looks like a slip{beside}.",
            why,
            context.Fixes(() =>
                likely
                    .Select(f => SlipReview.Friendly(written * f))
                    .Select(meant => context.Retyped(i, rate: meant) is { } mended ? new Fix($"Use {Phrases.Number(meant)}", i, mended) : null)
                    .OfType<Fix>()
            )
        );
    }
}
