using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>Water in raw ware: what no schedule helps against, what shrinks too fast, and what steams.</summary>
internal static class WaterReview
{
    private static readonly Temperature WarmToLoad = Temperature.FromCelsius(60);
    private static readonly Temperature CoolToLoad = Temperature.FromCelsius(50);
    private const double DriesTo = 90;

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        if (!context.Raw)
            yield break;
        var first = context.Compiled.Segments[0];
        if (context.Schedule.Kind != ScheduleKind.Drying && context.Load?.Wettest is { Dryness: Dryness.LeatherHard } wet)
        {
            yield return new Finding(
                FindingIds.LeatherHard,
                Severity.Danger,
                0,
                first.Start,
                first.End,
                $"Leather hard ware ({wet.What}) is not fired.",
                "It holds fifteen times the water of dry ware. Give it a drying firing of its own, or more days to dry.",
                context.Fixes(() => AsDrying(context))
            );
        }
        if (context.Load?.Lots.Where(l => l.ClosedHollow && l.Dryness != Dryness.BoneDry).Select(l => l.What).Distinct().ToList() is { Count: > 0 } closed)
        {
            yield return new Finding(
                FindingIds.ClosedHollow,
                Severity.Danger,
                0,
                first.Start,
                first.End,
                $"Closed, with no hole for steam, and not bone dry: {Phrases.List(closed)}.",
                "Steam inside has nowhere to go and no hold helps against it. Prick a hole, or let it dry through."
            );
        }
        if (
            context.Load?.Lots.Where(l => l.Wall > Drying.ThickestWall).OrderByDescending(l => l.Dryness).ThenByDescending(l => l.Wall).FirstOrDefault() is
            { } thick
        )
        {
            yield return new Finding(
                FindingIds.WallTooThick,
                thick.Dryness == Dryness.BoneDry ? Severity.Look : Severity.Danger,
                0,
                first.Start,
                first.End,
                $"Over {context.Units.Wall(Drying.ThickestWall)} thick: {thick.What} ({context.Units.Wall(thick.Wall)}).",
                "Hollow it out or vent it; no schedule alone is sure to save it."
            );
        }
        if (LoadedHot(context) is { } hot)
            yield return hot;
        if (DriesTooFast(context) is { } fast)
            yield return fast;
        if (Steams(context) is { } steams)
            yield return steams;
    }

    /// <summary>Raw ware put into a kiln that is still warm from the firing before.</summary>
    private static Finding? LoadedHot(ReviewContext context)
    {
        var start = context.Kiln.Start;
        // A first "off" says that it waits.
        if (start < WarmToLoad || (context.Schedule.Segments[0].Pace.Kind == PaceKind.Natural && context.Compiled.Segments[0].To < WarmToLoad))
            return null;
        var wettest = context.Load?.Wettest.Dryness ?? Dryness.BoneDry;
        var verdict = start >= context.Boiling || wettest != Dryness.BoneDry ? Verdict.Danger : Verdict.Look;
        if (context.Weight(verdict) is not { } severity)
            return null;
        var times = context.Compiled.Segments[0];
        return new Finding(
            FindingIds.LoadedHot,
            severity,
            0,
            times.Start,
            times.RampEnd,
            $"Raw ware goes into a kiln that is still at {context.Degrees(start)}.",
            "Its skin dries and warms at once while its middle is cold and damp; walls crack or burst.",
            context.Fixes(() =>
                [
                    new Fix(
                        $"Wait until {context.Degrees(CoolToLoad)}",
                        0,
                        Segment.Of(Pace.Natural, CoolToLoad, reason: "cool before loading"),
                        context.Schedule.Segments[0]
                    ),
                ]
            )
        );
    }

    /// <summary>Wet ware that is warmed faster than its middle can follow while it still shrinks.</summary>
    private static Finding? DriesTooFast(ReviewContext context)
    {
        if (
            context.Load?.Lots.Where(l => l.Dryness is Dryness.Damp or Dryness.LeatherHard).GroupBy(l => l.Dryness).Select(g => g.MaxBy(l => l.Depth)!).ToList()
            is not { Count: > 0 } wet
        )
            return null;
        Finding? worst = null;
        foreach (var lot in wet)
        {
            var damp = lot.Dryness == Dryness.LeatherHard ? Shrinking.DampAt(context.Compiled.Curve, lot.Depth) : null;
            var stages =
                lot.Dryness == Dryness.Damp
                    ? [(Band: (20.0, DriesTo), Of: Dryness.Damp)]
                    : new[] { (Band: (20.0, damp is null ? DriesTo : Shrinking.Warms.To), Of: Dryness.LeatherHard) };
            foreach (var (band, dryness) in stages)
            {
                if (Passage.Through(context.Compiled, band, up: true).MaxBy(p => p.Rate) is not { } passage)
                    continue;
                var limit = Shrinking.Fastest(lot.Depth, dryness)!.Value;
                var verdict = RateLimit.Of(passage.Rate, limit);
                // Without its stay it goes on wet, however slowly.
                if (lot.Dryness == Dryness.LeatherHard && damp is null && context.Compiled.Curve.Peak.Celsius > Shrinking.Stays.To)
                    verdict = Verdict.Danger;
                if (context.Weight(verdict) is not { } severity || (worst is not null && worst.Severity >= severity))
                    continue;
                var times = context.Compiled.Segments[passage.Step];
                worst = new Finding(
                    FindingIds.DriesTooFast,
                    severity,
                    passage.Step,
                    times.Start,
                    times.RampEnd,
                    $"{Text.Capital(lot.What)} ({context.Units.Wall(lot.Wall)}, {Moisture.Format(lot.Dryness)}) "
                        + $"{(verdict == Verdict.Danger && RateLimit.Of(passage.Rate, limit) != Verdict.Danger ? $"go on past {context.Degrees(Temperature.FromCelsius(Shrinking.Stays.To))} without a stay to dry" : $"warm at {context.PerHour(Rate.PerHour(passage.Rate))} while they still shrink")}.",
                    $"The skin shrinks before the middle, and the wall warps and tears. Up to {context.PerHour(Rate.PerHour(limit))} is "
                        + $"fine{(lot.Dryness == Dryness.LeatherHard ? $", with {Phrases.Hours(Shrinking.Stay(lot.Depth))} between {context.Degrees(Temperature.FromCelsius(Shrinking.Stays.From))} and {context.Degrees(Temperature.FromCelsius(Shrinking.Stays.To))}" : "")}.",
                    context.Fixes(() =>
                        lot.Dryness == Dryness.LeatherHard
                            ? [.. AsDrying(context)]
                            : context.Slower(
                                passage.Step,
                                Temperature.FromCelsius(20),
                                Temperature.FromCelsius(DriesTo),
                                Rate.PerHour(limit * DryingPlan.Margin)
                            )
                    )
                )
                {
                    Basis = Basis.ShrinksAt(lot, limit, passage.Rate),
                };
            }
        }
        return worst;
    }

    private static Finding? Steams(ReviewContext context)
    {
        var curve = context.Compiled.Curve;
        if (curve.FirstRiseThrough(context.Boiling) is not { } passes)
            return null;
        var climb = new SteamClimb(curve, context.Boiling);
        var (lot, b, at, held, water) = context
            .Lots.Select(l =>
            {
                var damp = l.Dryness == Dryness.LeatherHard ? Shrinking.DampAt(curve, l.Depth) : null;
                var (way, holds) =
                    damp is { } from && from < passes ? (new SteamClimb(curve, context.Boiling, from), Moisture.Of(Dryness.Damp)) : (climb, context.WaterIn(l));
                var (worst, celsius) = way.Worst(l.Depth, holds);
                return (Lot: l, B: worst, At: celsius, Held: holds, Water: way.WaterAtBoiling(l.Depth, holds));
            })
            .MaxBy(w => (Steam.Of(w.B, w.Water), w.B));
        var verdict = Steam.Of(b, water);
        var slip = HoldSlip.Drying(context, context.StepAt(passes), verdict, lot);
        if (slip is not null)
            return slip;
        if (context.Weight(verdict) is not { } severity)
            return null;
        var when = curve.FirstRiseThrough(Temperature.FromCelsius(at)) ?? passes;
        var step = context.StepAt(when);
        var says = verdict == Verdict.Danger && context.Load is not null ? "It will probably burst." : "Look for steam before going past boiling.";
        return new Finding(
            FindingIds.SteamRisk,
            severity,
            step,
            Duration.Max(Duration.Zero, passes - Duration.FromMinutes(30)),
            Duration.Max(when, passes),
            $"Passing {context.Degrees(context.Boiling)}, {context.Name(lot)} still hold about {Moisture.Percent(water)} water in their middle, and the "
                + $"steam of it comes to {(b > 3 ? "more than three times" : $"{Phrases.Number(Math.Round(b * 100))} % of")} what they can bear. {says}",
            "Above boiling water turns to steam faster than it can leave through the pores. A hold below boiling lets it out, a slower climb gives it time.",
            context.Fixes(() => DryingFixes.For(context, lot, context.WaterIn(lot)))
        )
        {
            Basis = Basis.Steaming(lot, b, at, held, water),
        };
    }

    /// <summary>A drying firing of its own, in the place of what was to be fired.</summary>
    private static IEnumerable<Fix> AsDrying(ReviewContext context)
    {
        var unit = context.Schedule.Unit;
        var plan = DryingPlan.For([.. context.Lots], context.WaterIn, context.Boiling, unit);
        var steps = new List<Result<Segment>>();
        if (plan.Softens is { } soft)
            steps.Add(context.Step(Rate.PerHour(soft.Climb), Temperature.FromCelsius(soft.At), soft.Stay));
        steps.Add(context.Step(Rate.PerHour(plan.ToHold), Temperature.FromCelsius(plan.HoldAt), plan.Hold));
        steps.Add(
            context.Step(
                Rate.PerHour(Math.Min(30, plan.PastBoiling)),
                Temperature.FromCelsius(FriendlyNumbers.Nearest(context.Boiling.Celsius + 20, unit)),
                Duration.FromHours(1)
            )
        );
        steps.Add(Segment.Of(Pace.Natural, null));
        // Walls that want more days than a hold may last have no firing that dries them.
        if (steps.Any(s => !s.IsOk))
            yield break;
        if (FiringProgram.Create([.. steps.Select(s => s.Value)]) is { IsOk: true } program)
            yield return Fix.Between("Make it a drying firing", context.Schedule.Program, program.Value, kind: ScheduleKind.Drying);
    }
}
