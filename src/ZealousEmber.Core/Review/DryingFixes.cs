using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>What lets the water out of a wall before it boils, the likeliest first.</summary>
internal static class DryingFixes
{
    private static readonly TemperatureDifference Above = TemperatureDifference.FromKelvins(60);
    private static readonly Duration Held = Duration.FromMinutes(20);
    private static readonly Duration LongHeld = Duration.FromHours(1);
    private static readonly Duration LongDry = Duration.FromHours(12);
    private static readonly Duration Slip = Duration.FromMinutes(75);

    public static IEnumerable<Fix> For(ReviewContext context, WareLot lot, double water)
    {
        var (schedule, compiled, program) = (context.Schedule, context.Compiled, context.Schedule.Program);
        if (compiled.Curve.FirstRiseThrough(context.Boiling) is not { } passes)
            yield break;
        var unit = schedule.Unit;
        var plan = DryingPlan.For([lot], _ => water, context.Boiling, unit);
        var holdAt = Temperature.FromCelsius(plan.HoldAt);
        var passing = context.StepAt(passes);

        Fix Moved(int index, Duration hold, string text) => new(text, index, schedule.Segments[index].Changed(target: holdAt, hold: hold));

        // A hold that was meant for below boiling: too high, or its number typed short or on the other scale.
        for (var i = 0; i < compiled.Segments.Length && compiled.Segments[i].To < context.Boiling + Above; i++)
        {
            var (times, hold) = (compiled.Segments[i], schedule.Segments[i].Hold);
            if (times.To <= times.From)
                continue;
            var high = times.To > context.Boiling - Drying.BelowBoiling && hold >= Held;
            var low = times.To.Celsius < 70 && hold >= LongHeld && lot.Dryness != Dryness.LeatherHard;
            if (!high && !low)
                continue;
            yield return Moved(i, hold, $"Hold at {context.Degrees(holdAt)}");
            var longer = Duration.Max(hold, Missing(context, i, holdAt, lot, water));
            if (longer > hold && longer <= ScheduleLimits.LongestHold)
                yield return Moved(i, longer, $"Hold {Phrases.Hours(longer)} at {context.Degrees(holdAt)}");
        }

        var below = Enumerable
            .Range(0, passing + 1)
            .LastOrDefault(
                i =>
                    compiled.Segments[i].To >= context.Boiling - TemperatureDifference.FromKelvins(40)
                    && compiled.Segments[i].To <= context.Boiling - TemperatureDifference.FromKelvins(3),
                -1
            );
        if (below >= 0)
        {
            var segment = schedule.Segments[below];
            // Minutes for hours, or a digit short: the hold that was likely meant, where it does.
            var needed = Missing(context, below, compiled.Segments[below].To, lot, water);
            foreach (var times in new[] { 60, 10 })
            {
                var likely = segment.Hold * times;
                // A hold of hours was meant; it is only too short.
                if (
                    segment.Hold > Duration.Zero
                    && segment.Hold <= Slip
                    && likely >= needed - Duration.FromMinutes(30)
                    && likely <= Duration.Max(needed * 3, LongDry)
                )
                    yield return new Fix($"Hold {Phrases.Hours(likely)}", below, segment.Changed(hold: likely));
            }
            var longer = Duration.Max(needed, segment.Hold);
            if (
                longer > segment.Hold
                && longer <= (lot.Dryness == Dryness.BoneDry && segment.Hold > Duration.Zero ? Duration.Max(LongDry, segment.Hold) : ScheduleLimits.LongestHold)
            )
                yield return new Fix($"Hold {Phrases.Hours(longer)}", below, segment.Changed(hold: longer));
        }
        else if (compiled.Segments[passing].From < holdAt && schedule.Segments.Length < ScheduleLimits.Segments)
        {
            var next = schedule.Segments[passing];
            var pace = Rate.PerHour(Math.Min(plan.ToHold, next.Pace.Rate?.KelvinsPerHour ?? plan.ToHold));
            var hold = Duration.Max(plan.Hold, Missing(context, -1, holdAt, lot, water));
            if (hold <= LongDry || lot.Dryness != Dryness.BoneDry)
                yield return new Fix($"Hold {Phrases.Hours(hold)} at {context.Degrees(holdAt)}", passing, context.Step(pace, holdAt, hold), next);
        }

        // Slower to 200, after the hold there is or a planned one.
        foreach (var rate in new[] { plan.To200 ?? plan.PastBoiling, 30, 20, 10 }.Where(r => r <= plan.PastBoiling).Distinct())
        {
            var slowed = program;
            foreach (
                var passage in Passage.Through(compiled, (plan.HoldAt, DryingPlan.SlowTo), up: true).Where(p => p.Rate > rate).OrderByDescending(p => p.Step)
            )
            {
                var made = slowed.Replace(passage.Step, context.Through(passage.Step, holdAt, Temperature.FromCelsius(DryingPlan.SlowTo), Rate.PerHour(rate)));
                if (!made.IsOk)
                    yield break;
                slowed = made.Value;
            }
            yield return Fix.Between(
                $"{context.PerHour(Rate.PerHour(rate))} to {context.Degrees(Temperature.FromCelsius(DryingPlan.SlowTo))}",
                program,
                slowed
            );
        }

        // Dried as a plan would dry it, and then on as written.
        if (compiled.Segments[passing].To.Celsius <= DryingPlan.SlowTo)
            yield break;
        if (context.Step(Rate.PerHour(plan.ToHold), holdAt, plan.Hold) is not { IsOk: true, Value: var held })
            yield break;
        if (
            context.Step(
                Rate.PerHour(plan.To200 ?? plan.PastBoiling),
                Temperature.FromCelsius(plan.To200 is null ? DryingPlan.PastTo : DryingPlan.SlowTo),
                Duration.Zero
            )
            is not { IsOk: true, Value: var past }
        )
            yield break;
        if (FiringProgram.Create([held, past, .. schedule.Segments[passing..]]) is { IsOk: true } whole)
            yield return Fix.Between($"Dry it first: {Phrases.Hours(plan.Hold)} at {context.Degrees(holdAt)}", program, whole.Value);
    }

    /// <summary>
    /// The hold a wall still needs at a step (at the crossing of a temperature, for none), with the climb that follows as it is: in half hours, at least one.
    /// </summary>
    private static Duration Missing(ReviewContext context, int step, Temperature at, WareLot lot, double water)
    {
        var (compiled, curve) = (context.Compiled, context.Compiled.Curve);
        var (until, from) =
            step >= 0
                ? (compiled.Segments[step].RampEnd, compiled.Segments[step].End)
                : (curve.FirstRiseThrough(at) ?? Duration.Zero, curve.FirstRiseThrough(at) ?? Duration.Zero);
        var before = Drying.Progress(curve, Duration.Zero, until);
        // Moved down from above boiling, the climb past it is that of the next step.
        var after = new SteamClimb(curve, context.Boiling, from);
        if (!after.Passes)
            return Duration.FromHours(1);
        var hours = Math.Max(0, after.ProgressFor(lot.Depth, water, Steam.Planned) - before) / Drying.Diffusivity(at.Celsius) / 3600;
        return Duration.FromMinutes(Math.Ceiling(Math.Clamp(hours, 1, 1000) * 2 - 1e-9) * 30);
    }
}
