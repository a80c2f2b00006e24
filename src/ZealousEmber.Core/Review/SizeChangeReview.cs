using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>Sudden size changes: whether every wall is through them as a whole.</summary>
internal static class SizeChangeReview
{
    private const double QuartzTurns = 573;
    private const double CristobaliteTurns = 226;
    private static readonly (double From, double To) BelowQuartz = (20, 540);

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        if (context.Schedule.Kind == ScheduleKind.Drying)
            yield break;
        foreach (var finding in context.Raw ? RawUp(context) : FiredUp(context))
            yield return finding;
        var quartz = Down(context, FindingIds.QuartzDown, WallGradient.Quartz, QuartzTurns).ToList();
        var cristobalite = Down(context, FindingIds.CristobaliteDown, WallGradient.Cristobalite, CristobaliteTurns).ToList();
        foreach (var finding in quartz)
        {
            // One fast cooling through both is one fault, with one mend.
            var both = cristobalite.FirstOrDefault(c => c.Segment == finding.Segment);
            yield return both is null
                ? finding
                : Fell(
                    context,
                    FindingIds.QuartzDown,
                    finding.Segment,
                    (WallGradient.Cristobalite.From, WallGradient.Quartz.To),
                    QuartzTurns,
                    CristobaliteTurns
                )!;
        }
        foreach (var finding in cristobalite.Where(c => quartz.All(q => q.Segment != c.Segment)))
            yield return finding;
    }

    private static IEnumerable<Finding> RawUp(ReviewContext context)
    {
        foreach (var passage in Passage.Through(context.Compiled, (WallGradient.RawClimb.From, WallGradient.Quartz.To), up: true))
        {
            // The wall is spared to 600, the rim of flat ware through the whole of quartz.
            var covers = passage is { Low: < QuartzTurns, High: >= QuartzTurns };
            var inQuartz = passage.High > WallGradient.Quartz.From + 10;
            double Limit(WareLot lot) =>
                Math.Min(
                    passage.Low < WallGradient.RawClimb.To - 10 ? WallGradient.RawUp(lot.Depth) : double.PositiveInfinity,
                    inQuartz ? WallGradient.AcrossFlat(lot.Width) : double.PositiveInfinity
                );
            var band =
                passage.Low < WallGradient.Quartz.From - 10 && context.Lots.Min(l => WallGradient.RawUp(l.Depth)) * RateLimit.FineOver >= passage.Rate
                    ? WallGradient.Quartz
                    : (WallGradient.RawClimb.From, WallGradient.Quartz.To);
            if (
                Over(context, covers ? FindingIds.QuartzUp : FindingIds.WallClimb, passage, Limit, band, up: true, covers ? [QuartzTurns] : [], WallRule.Raw) is
                { } finding
            )
                yield return finding;
        }
    }

    private static IEnumerable<Finding> FiredUp(ReviewContext context)
    {
        foreach (var passage in Passage.Through(context.Compiled, WallGradient.Quartz, up: true))
        {
            if (
                Over(
                    context,
                    FindingIds.QuartzUp,
                    passage,
                    l => WallGradient.Through(l.Depth, l.Width, raw: false),
                    WallGradient.Quartz,
                    up: true,
                    [QuartzTurns],
                    WallRule.FiredThrough
                ) is
                { } finding
            )
                yield return finding;
        }
        foreach (var passage in Passage.Through(context.Compiled, BelowQuartz, up: true))
        {
            if (Over(context, FindingIds.WallClimb, passage, l => WallGradient.FiredUp(l.Depth), BelowQuartz, up: true, [], WallRule.FiredBelow) is { } finding)
                yield return finding;
        }
    }

    private static IEnumerable<Finding> Down(ReviewContext context, string id, (double From, double To) band, double mark)
    {
        foreach (var passage in Passage.Through(context.Compiled, band, up: false))
        {
            if (Fell(context, id, passage.Step, band, mark) is { } finding)
                yield return finding;
        }
    }

    private static Finding? Fell(ReviewContext context, string id, int step, (double From, double To) band, params double[] marks)
    {
        // Through both bands the rate is the steeper of the two: what lies between asks for nothing.
        var steepest =
            marks.Length == 1
                ? Passage.Through(context.Compiled, band, up: false).First(p => p.Step == step)
                : new[] { WallGradient.Quartz, WallGradient.Cristobalite }
                    .SelectMany(b => Passage.Through(context.Compiled, b, up: false))
                    .Where(p => p.Step == step)
                    .MaxBy(p => p.Rate)!;
        return Over(context, id, steepest, l => WallGradient.Through(l.Depth, l.Width, raw: false), band, up: false, marks, WallRule.FiredThrough);
    }

    private static Finding? Over(
        ReviewContext context,
        string id,
        Passage passage,
        Func<WareLot, double> limit,
        (double From, double To) band,
        bool up,
        double[] marks,
        WallRule rule
    )
    {
        var lot = context.Lots.MinBy(limit)!;
        var fastest = limit(lot);
        if (context.Weight(RateLimit.Of(passage.Rate, fastest)) is not { } severity)
            return null;
        var (unit, times) = (context.Schedule.Unit, context.Compiled.Segments[passage.Step]);
        var rate = Rate.PerHour(passage.Rate);
        var rim =
            lot.Width is not null
            && WallGradient.AcrossFlat(lot.Width) <= fastest
            && passage.High > WallGradient.Cristobalite.From
            && (marks.Length > 0 || passage.High > WallGradient.Quartz.From + 10);
        var where =
            marks.Length > 0
                ? $"through {Phrases.List(marks.Select(m => Phrases.Number(Math.Round(Temperature.FromCelsius(m).In(unit)))))} {unit.Symbol()}"
                : $"from {context.Degrees(Temperature.FromCelsius(passage.Low))} to {context.Degrees(Temperature.FromCelsius(passage.High))}";
        var lags = rim
            ? $"in {lot.What}, flat and {context.Units.Wall(lot.Width!.Value)} across, the middle lags far behind the rim"
            : $"in {context.Name(lot)} the middle then lags {Phrases.Number(Math.Round(WallGradient.In(lot.Depth, rate).In(unit)))} {unit.Symbol()} "
                + "behind the faces";
        var friendly = Rate.PerHour(FriendlyNumbers.RateDown(fastest, unit));
        return new Finding(
            id,
            severity,
            passage.Step,
            times.Start,
            times.RampEnd,
            $"It {(up ? "climbs" : "cools")} {where} at {context.PerHour(rate)}; {lags}.",
            $"{(marks.Length > 0 ? $"{(up && context.Raw ? "Clay" : "Ware")} changes size there, and a piece that is not through it as a whole cracks." : "One part grows before the other, and the strain cracks it.")} Up to {context.PerHour(friendly)} is fine for it.",
            context.Fixes(() => context.Slower(passage.Step, Temperature.FromCelsius(band.From), Temperature.FromCelsius(band.To), Rate.PerHour(fastest)))
        )
        {
            Basis = rim ? Basis.Flat(lot, fastest, Basis.Asked(passage.Rate)) : Basis.Wall(lot, rule, fastest, Basis.Asked(passage.Rate)),
        };
    }
}
