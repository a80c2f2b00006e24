using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>Whether carbon and sulphur have time to leave the clay.</summary>
internal static class BurnOutReview
{
    private const double Enough = 0.93;
    private const double EnoughSupposed = 0.75;
    private const double Half = 0.5;

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        var (compiled, schedule) = (context.Compiled, context.Schedule);
        var upTo = BurnOut.UpTo(compiled.Curve.Peak);
        if (!context.Raw || schedule.Kind == ScheduleKind.Drying || upTo.Celsius < BurnOut.From.Celsius + 20)
            yield break;
        var lot = context.Load?.SlowestToBurnOut ?? context.Lots.First();
        var needed = BurnOut.Needed(lot.Wall, lot.Clay?.BurnsOutSlowly == true, context.Packed);
        var given = BurnOut.Given(compiled.Curve);
        if (given.TotalHours >= needed.TotalHours * (context.Load is null ? EnoughSupposed : Enough))
            yield break;
        // A kiln switched on hot may never climb: then no step burns out, and none can be slowed.
        var at = Passage
            .Through(compiled, (BurnOut.From.Celsius, upTo.Celsius), up: true)
            .OrderByDescending(p => p.High - p.Low)
            .Select(p => (int?)p.Step)
            .FirstOrDefault();
        if (at is not { } step)
            yield break;
        yield return new Finding(
            FindingIds.BurnOutShort,
            context.Load is not null && given.TotalHours < needed.TotalHours * Half ? Severity.Danger : Severity.Look,
            step,
            compiled.Curve.FirstRiseThrough(BurnOut.From) ?? Duration.Zero,
            compiled.Curve.FirstRiseThrough(upTo) ?? compiled.Total,
            $"{Phrases.Hours(given)} between {context.Degrees(BurnOut.From)} and {context.Degrees(upTo)}, where {context.Name(lot)} want "
                + $"{Phrases.Hours(needed)}{(context.Packed ? " in a packed kiln" : "")}.",
            "Carbon and sulphur that stay in the clay come out later, as pinholes and blisters in the glaze.",
            context.Fixes(() => Longer(context, step, upTo, needed))
        )
        {
            Basis = Basis.BurnsOut(lot, context.Packed, needed, $"and there are {Phrases.Hours(given)}"),
        };
    }

    /// <summary>Every step that climbs there slowed to what the whole stretch needs.</summary>
    private static IEnumerable<Fix> Longer(ReviewContext context, int step, Temperature upTo, Duration needed)
    {
        var program = context.Schedule.Program;
        var rate = Rate.PerHour((upTo - BurnOut.From).Kelvins / needed.TotalHours);
        foreach (var fix in context.Slower(step, BurnOut.From, upTo, rate))
            yield return fix;
        // Where several steps share the stretch, all of them.
        var slowed = program;
        foreach (
            var passage in Passage
                .Through(context.Compiled, (BurnOut.From.Celsius, upTo.Celsius), up: true)
                .Where(p => p.Rate > rate.KelvinsPerHour)
                .OrderByDescending(p => p.Step)
        )
        {
            var made = slowed.Replace(passage.Step, context.Through(passage.Step, BurnOut.From, upTo, rate));
            if (!made.IsOk)
                yield break;
            slowed = made.Value;
        }
        yield return Fix.Between(
            $"{context.PerHour(Rate.PerHour(FriendlyNumbers.RateDown(rate.KelvinsPerHour, context.Schedule.Unit)))} there",
            program,
            slowed
        );
    }
}
