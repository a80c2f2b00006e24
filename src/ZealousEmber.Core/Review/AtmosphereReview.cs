using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>
/// The air asked of a firing: where it harms, comes too late, is never cleared, or cannot be had. Source: the project's papers on the work, section 6, and on
/// fuel kilns.
/// </summary>
internal static class AtmosphereReview
{
    // Carbon of the clay itself; bisqued ware only has what the glaze brought.
    private static readonly Temperature RawBurnsOut = Temperature.FromCelsius(900);
    private static readonly Temperature GlazeBurnsOut = Temperature.FromCelsius(700);
    private static readonly Temperature Seals = Temperature.FromCelsius(1060);
    private static readonly (Temperature From, Temperature To) Body = (Temperature.FromCelsius(900), Temperature.FromCelsius(930));
    private static readonly Rate BodyRate = Rate.PerHour(40);
    private static readonly Rate CandleRate = Rate.PerHour(40);
    private static readonly Duration Candle = Duration.FromMinutes(30);
    private static readonly Duration LongCandle = Duration.FromHours(1);

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        var (schedule, steps) = (context.Schedule, context.Schedule.Segments);
        if (context.Kiln.HasElements)
        {
            if (First(steps, s => s.Atmosphere is not (null or Atmosphere.Oxidising)) is { } asked)
                yield return NotElectric(context, asked);
            yield break;
        }
        if (First(steps, Reduces) is { } first)
        {
            var begins = context.Compiled.Segments[first].From;
            if (context.Raw && schedule.Kind != ScheduleKind.OnceFired)
                yield return InBisque(context, first);
            else if (begins < (context.Raw ? RawBurnsOut : GlazeBurnsOut))
                yield return BurningOut(context, first, context.Raw ? RawBurnsOut : GlazeBurnsOut);
            else if (schedule.Kind.MeltsGlaze() && begins >= Seals)
                yield return TooLate(context, first, begins);
            if (schedule.Kind.MeltsGlaze() && NeverCleared(context) is { } never)
                yield return never;
        }
        if (context.Kiln.Burns && NoCandle(context) is { } cold)
            yield return cold;
    }

    private static bool Reduces(Segment step) => step.Atmosphere is Atmosphere.LightReduction or Atmosphere.HeavyReduction;

    private static int? First(IReadOnlyList<Segment> steps, Func<Segment, bool> which)
    {
        for (var i = 0; i < steps.Count; i++)
        {
            if (which(steps[i]))
                return i;
        }
        return null;
    }

    private static Finding At(ReviewContext context, string id, Severity severity, int index, string text, string why, Func<IEnumerable<Fix>> fixes)
    {
        var times = context.Compiled.Segments[index];
        return new Finding(id, severity, index, times.Start, times.End, text, why, context.Fixes(fixes));
    }

    /// <summary>Every step that is not in oxidation put into it, as one fix.</summary>
    private static IEnumerable<Fix> Oxidise(ReviewContext context, string text, Atmosphere? air)
    {
        var made = FiringProgram.Create([.. context.Schedule.Segments.Select(s => s.Atmosphere is null or Atmosphere.Oxidising ? s : s.In(air))]);
        if (made.IsOk)
            yield return Fix.Between(text, context.Schedule.Program, made.Value);
    }

    private static Finding NotElectric(ReviewContext context, int index) =>
        At(
            context,
            FindingIds.AirNotElectric,
            Severity.Look,
            index,
            $"{context.Kiln.Name} is electric: it cannot be fired with too little air.",
            "Its air is what leaks in. Reduction in it would also eat the skin that protects its elements.",
            () => Oxidise(context, "Leave the air out", null)
        );

    private static Finding InBisque(ReviewContext context, int index) =>
        At(
            context,
            FindingIds.ReductionInBisque,
            Severity.Danger,
            index,
            "Reduction in a bisque: carbon stays in the clay.",
            "Raw clay has to lose its carbon, and for that it wants air all the way. What stays makes bloats, black cores and pinholes in the glaze firing.",
            () => Oxidise(context, "In oxidation all the way", Atmosphere.Oxidising)
        );

    private static Finding BurningOut(ReviewContext context, int index, Temperature until) =>
        At(
            context,
            FindingIds.ReductionBurningOut,
            Severity.Look,
            index,
            $"Reduction from {context.Degrees(context.Compiled.Segments[index].From)}: carbon still burns out up to {context.Degrees(until)}.",
            "With too little air carbon is laid into ware and glaze instead of leaving it. Begin later.",
            () => BeginAt(context, index, until)
        );

    private static IEnumerable<Fix> BeginAt(ReviewContext context, int index, Temperature from)
    {
        var (step, times) = (context.Schedule.Segments[index], context.Compiled.Segments[index]);
        if (step.Target is not { } target)
            yield break;
        if (target <= from || times.From >= from)
            yield return new Fix("In oxidation until it has burnt out", index, step.In(Atmosphere.Oxidising));
        else
            yield return new Fix(
                $"Begin at {context.Degrees(from)}",
                index,
                step.Changed(target: from, hold: Duration.Zero).Value.In(Atmosphere.Oxidising),
                step
            );
    }

    private static Finding TooLate(ReviewContext context, int index, Temperature begins) =>
        At(
            context,
            FindingIds.ReductionTooLate,
            Severity.Look,
            index,
            $"Reduction begins at {context.Degrees(begins)}: by then glazes have sealed, and the clay under them stays as it is.",
            "Body reduction comes before, at about cone 010 to 08, for half an hour to an hour.",
            () => WithBody(context)
        );

    /// <summary>The step that passes cone 010 with body reduction put into it.</summary>
    private static IEnumerable<Fix> WithBody(ReviewContext context)
    {
        var (steps, unit) = (context.Schedule.Segments, context.Schedule.Unit);
        for (var i = 0; i < steps.Length; i++)
        {
            var (step, times) = (steps[i], context.Compiled.Segments[i]);
            if (!(times.From < Body.From && step.Target > Body.To) || step.Pace.Kind == PaceKind.Natural)
                continue;
            Temperature Round(Temperature t) => Temperature.From(Math.Round(t.In(unit) / 10) * 10, unit);
            var body = Segment.Of(Pace.At(BodyRate), Round(Body.To), reason: "body reduction", atmosphere: Atmosphere.HeavyReduction);
            yield return new Fix(
                "Body reduction at cone 010",
                i,
                step.Changed(target: Round(Body.From), hold: Duration.Zero),
                body.Value,
                step.In(step.Atmosphere ?? Atmosphere.LightReduction)
            );
            yield break;
        }
    }

    /// <summary>Heavy reduction to the very end: the kiln is never brought back.</summary>
    private static Finding? NeverCleared(ReviewContext context)
    {
        var steps = context.Schedule.Segments;
        var last = steps.Length - 1;
        while (last > 0 && steps[last].Pace.Kind == PaceKind.Natural)
            last--;
        if (steps[last].Atmosphere != Atmosphere.HeavyReduction || context.Compiled.Segments[last].To < Seals)
            return null;
        return At(
            context,
            FindingIds.ReductionNeverCleared,
            Severity.Look,
            last,
            "Heavy reduction to the end: the kiln is never brought back.",
            "Past body reduction it costs gas and climb and gives nothing: soot stays in glazes, colours go muddy. Light reduction or neutral keeps what "
                + "was won.",
            () => [new Fix("Light reduction to the end", last, steps[last].In(Atmosphere.LightReduction))]
        );
    }

    /// <summary>Damp ware in a fuel kiln without an hour on candles.</summary>
    private static Finding? NoCandle(ReviewContext context)
    {
        if (!context.Raw || context.Load is not { } load || load.Wettest.Dryness == Dryness.BoneDry)
            return null;
        var below = context.Boiling + TemperatureDifference.FromKelvins(5);
        if (context.Schedule.Segments.Any(s => s.Target is { } target && target <= below && s.Hold >= Candle))
            return null;
        var at = Temperature.FromCelsius(Math.Floor((context.Boiling.Celsius - Ware.Drying.BelowBoiling.Kelvins) / 5) * 5);
        return At(
            context,
            FindingIds.NoCandle,
            Severity.Look,
            0,
            $"{Text.Capital(load.Wettest.What)} are not bone dry, and there is no candling before the climb.",
            "One small flame and an open damper keep the ware just below boiling until a cold mirror at the peephole stays clear.",
            () =>
                [
                    new Fix(
                        $"Candle at {context.Degrees(at)} for an hour",
                        0,
                        Segment.Of(Pace.At(CandleRate), at, LongCandle, "candling", Atmosphere.Oxidising).Value,
                        context.Schedule.Segments[0]
                    ),
                ]
        );
    }
}
