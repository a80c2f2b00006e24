using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>What glazed ware minds on the way up: a fresh glaze that is still wet, and ware that was glazed and fired before.</summary>
internal static class GlazedReview
{
    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        if (context.Raw)
            yield break;
        if (
            context.Load?.Lots.FirstOrDefault(l => l.Dryness != Dryness.BoneDry && !l.GlazedAlready) is { } wet
            && context.Schedule.Kind == ScheduleKind.Glaze
            && FreshGlaze(context, wet) is { } water
        )
            yield return water;
        if (!Refired(context))
            yield break;
        foreach (var passage in Passage.Through(context.Compiled, GlazedWare.Organics, up: true))
        {
            if (
                Fast(
                    context,
                    FindingIds.OrganicsFast,
                    passage,
                    GlazedWare.OrganicsUp,
                    GlazedWare.Organics,
                    GlazedWare.OrganicsRule,
                    "Oils and binders burn off there",
                    "Driven off too fast they leave pits and a grey film. Lid or plug open to 500 °C, and the vent on."
                ) is
                { } finding
            )
                yield return finding;
        }
        foreach (var band in GlazedWare.Strained)
        {
            foreach (var passage in Passage.Through(context.Compiled, band, up: true))
            {
                if (
                    Fast(
                        context,
                        FindingIds.GlazedAlready,
                        passage,
                        GlazedWare.StrainedUp,
                        band,
                        GlazedWare.StrainedRule,
                        "It was glazed and fired before, and is under strain",
                        "Glaze and body grow by different amounts there, and fired ware cracks more easily the second time."
                    ) is
                    { } finding
                )
                    yield return finding;
            }
        }
    }

    /// <summary>Lustre, decals, overglaze, or ware said to be glazed already.</summary>
    internal static bool Refired(ReviewContext context) =>
        context.Schedule.Kind == ScheduleKind.Refiring
        || (context.IsWhole && context.Compiled.Curve.Peak.Celsius < GlazedWare.RefiredBelow)
        || context.Load?.Lots.Any(l => l.GlazedAlready) == true;

    private static Finding? FreshGlaze(ReviewContext context, WareLot wet)
    {
        if (
            context.Compiled.Segments.Any(s =>
                s.Hold.TotalMinutes >= GlazedWare.GlazeHoldMinutes && s.To.Celsius >= GlazedWare.GlazeHold.From && s.To.Celsius <= GlazedWare.GlazeHold.To
            )
        )
            return null;
        if (Passage.Through(context.Compiled, GlazedWare.GlazeDries, up: true).MaxBy(p => p.Rate) is not { } fastest)
            return null;
        var verdict = RateLimit.Of(fastest.Rate, GlazedWare.GlazeUp);
        if (context.Weight(verdict) is not { } severity)
            return null;
        var times = context.Compiled.Segments[fastest.Step];
        var unit = context.Schedule.Unit;
        var holdAt = Temperature.FromCelsius(FriendlyNumbers.Nearest((context.Boiling - Drying.BelowBoiling).Celsius - 2, unit));
        return new Finding(
            FindingIds.GlazeWater,
            severity,
            fastest.Step,
            times.Start,
            times.RampEnd,
            $"The glaze on {wet.What} is still wet, and it climbs past {context.Degrees(context.Boiling)} at {context.PerHour(Rate.PerHour(fastest.Rate))}.",
            "Water under a fresh glaze turns to steam and lifts it; it crawls or falls off. A slow climb or half an hour below boiling dries it.",
            context.Fixes(() =>
                times.From >= holdAt
                    ? context.Slower(
                        fastest.Step,
                        Temperature.FromCelsius(GlazedWare.GlazeDries.From),
                        Temperature.FromCelsius(GlazedWare.GlazeDries.To),
                        Rate.PerHour(GlazedWare.GlazeUp)
                    )
                    :
                    [
                        new Fix(
                            $"Hold 30 min at {context.Degrees(holdAt)}",
                            fastest.Step,
                            context.Step(
                                Rate.PerHour(Math.Min(80, context.Schedule.Segments[fastest.Step].Pace.Rate?.KelvinsPerHour ?? 80)),
                                holdAt,
                                Duration.FromMinutes(30)
                            ),
                            context.Schedule.Segments[fastest.Step]
                        ),
                    ]
            )
        )
        {
            Basis = Basis.Practice(GlazedWare.GlazeRule, GlazedWare.GlazeUp, Basis.Asked(fastest.Rate)),
        };
    }

    private static Finding? Fast(
        ReviewContext context,
        string id,
        Passage passage,
        double limit,
        (double From, double To) band,
        string rule,
        string what,
        string why
    )
    {
        var verdict = RateLimit.Of(passage.Rate, limit);
        if (verdict == Verdict.Fine)
            return null;
        var times = context.Compiled.Segments[passage.Step];
        return new Finding(
            id,
            verdict == Verdict.Danger ? Severity.Danger : Severity.Look,
            passage.Step,
            times.Start,
            times.RampEnd,
            $"{what}, and it climbs from {context.Degrees(Temperature.FromCelsius(passage.Low))} to "
                + $"{context.Degrees(Temperature.FromCelsius(passage.High))} at {context.PerHour(Rate.PerHour(passage.Rate))}; up to "
                + $"{context.PerHour(Rate.PerHour(limit))} is fine.",
            why,
            context.Fixes(() => context.Slower(passage.Step, Temperature.FromCelsius(band.From), Temperature.FromCelsius(band.To), Rate.PerHour(limit)))
        )
        {
            Basis = Basis.Practice(rule, limit, Basis.Asked(passage.Rate)),
        };
    }
}
