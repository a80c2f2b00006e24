using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>
/// The way down: what glazes ask for, and what thick and wide ware must be spared, on the kiln's own fall with this load. A fall is commanded only where the
/// kiln
/// alone would be faster than the ware stands.
/// </summary>
internal sealed class CoolingPlanner
{
    private const double Limited = 100;
    private const double LimitedTo = 700;
    private const double Coldest = 100;

    private readonly WareLoad load;
    private readonly PlanOptions wish;
    private readonly PlanWriter write;
    private readonly List<ClimbLimit> limits = [];
    private readonly List<PlanStep> first = [];
    private readonly List<Stretch> stretches = [];
    private readonly StepChooser? chooser;

    /// <summary>Lays the cooling out.</summary>
    /// <param name="load">What is in the kiln.</param>
    /// <param name="wish">What is wished for.</param>
    /// <param name="write">In which numbers.</param>
    /// <param name="top">°C, as it was solved or is about to be.</param>
    /// <param name="melts">Whether glazes melt in this firing.</param>
    /// <param name="fall">How fast the kiln falls by itself between two temperatures, °C/h.</param>
    /// <param name="most">Most steps there may be.</param>
    public CoolingPlanner(WareLoad load, PlanOptions wish, PlanWriter write, double top, bool melts, Func<double, double, double> fall, int most)
    {
        (this.load, this.wish, this.write) = (load, wish, write);
        if (wish.Kind == ScheduleKind.Drying)
            return;
        var at = top;
        if (melts)
            AsTheGlazesAsk();
        if (melts && wish.Preferences.Cooling == CoolingOption.DropAndHold)
        {
            at = DropFrom(top);
            first.Add(
                new PlanStep(
                    Segment.Of(Pace.Natural, Temperature.FromCelsius(at), Duration.FromMinutes(30), "drop, then heal").Value,
                    "A little below the top the glaze no longer runs but still heals its pinholes. With the power off it is there soonest.",
                    "drop"
                )
            );
        }
        if (wish.Preferences.Cooling == CoolingOption.LimitedDrop && wish.Kind != ScheduleKind.Refiring)
            limits.Add(
                new ClimbLimit(
                    write.BreakBelow(LimitedTo),
                    double.PositiveInfinity,
                    Limited,
                    Limited,
                    "no faster than this",
                    "A limit on the drop spares large and flat ware, and a kiln that is thinly loaded.",
                    "cooling"
                )
            );
        SpareTheWare();
        limits.RemoveAll(l => l.From >= at - 1);
        if (limits.Count == 0)
            return;
        var lowest = Math.Max(Coldest, limits.Min(l => l.From));
        if (lowest >= at - 1)
            return;
        stretches = ClimbLimits.Lay(at, lowest, limits, [], fall, true);
        if (stretches.Count > 0)
            chooser = new StepChooser(stretches, Math.Max(1, most), write.Friendly, keepsUp: false);
    }

    /// <summary>The fewest steps it can be done in, the closing "off" not counted.</summary>
    public int Fewest => first.Count + (chooser is null ? 0 : Enumerable.Range(1, chooser.Most).FirstOrDefault(k => double.IsFinite(chooser.Hours(k)), 1));

    /// <summary>Hours, and what the steps are worth, in at most so many; without end where there is no way.</summary>
    public double Cost(int most)
    {
        if (most < first.Count)
            return double.PositiveInfinity;
        if (chooser is null)
            return StepChooser.Worth * first.Count;
        var left = most - first.Count;
        return chooser.Best(left) is > 0 and var count ? chooser.Hours(count) + StepChooser.Worth * (count + first.Count) : double.PositiveInfinity;
    }

    /// <summary>The steps, in at most so many and the closing "off".</summary>
    public List<PlanStep> Steps(int most)
    {
        var steps = first.ToList();
        if (chooser is not null)
            steps.AddRange(
                chooser
                    .Steps(chooser.Best(most - first.Count))
                    .Select(step => Write(step) with { Paces = [.. stretches.Skip(step.First).Take(step.Last - step.First + 1).Select(s => s.Limits)] })
            );
        steps.Add(new PlanStep(Segment.Of(Pace.Natural, null).Value, "Off: it cools by itself until it may be opened.", "cooling"));
        return steps;
    }

    private PlanStep Write(ChosenStep step)
    {
        var (high, low) = (stretches[step.First].From, stretches[step.Last].To);
        if (step.Runs)
        {
            var next = step.Last + 1 < stretches.Count ? ClimbLimits.At(limits, (stretches[step.Last + 1].From + stretches[step.Last + 1].To) / 2) : null;
            return new PlanStep(
                Segment.Of(Pace.Natural, Temperature.FromCelsius(low), reason: next?.By == "slow-band" ? "drop to the band" : "by itself").Value,
                next?.By == "slow-band"
                    ? "Above its band the glaze only runs: with the power off the kiln leaves that soonest."
                    : "Nothing asks for power here; it cools by itself.",
                next?.By == "slow-band" ? "drop" : "cooling"
            );
        }
        var rules = Enumerable
            .Range(step.First, step.Last - step.First + 1)
            .Select(i => ClimbLimits.At(limits, (stretches[i].From + stretches[i].To) / 2))
            .OfType<ClimbLimit>()
            .Where(l => l.Rate <= step.Rate * ClimbPlanner.ToBeSaid)
            .DistinctBy(l => (l.By, l.Why))
            .ToList();
        if (rules.Count == 0)
            rules.Add(
                Enumerable
                    .Range(step.First, step.Last - step.First + 1)
                    .Select(i => ClimbLimits.At(limits, (stretches[i].From + stretches[i].To) / 2))
                    .OfType<ClimbLimit>()
                    .MinBy(l => l.Rate)!
            );
        var rule = rules[0];
        return write.At(step.Rate, low, Duration.Zero, rule.Short, string.Join(" ", rules.Select(r => r.Why)), rule.By, rule.Basis);
    }

    private void AsTheGlazesAsk()
    {
        var slow = load.Glazes.Where(g => g.Slow is not null).ToList();
        if (wish.Preferences.Cooling != CoolingOption.AsTheGlazesAsk || slow.Count == 0)
            return;
        var (high, low) = (write.BreakAbove(slow.Max(g => g.Slow!.From.Celsius)), write.BreakBelow(slow.Min(g => g.Slow!.To.Celsius)));
        // Rounded down: its crystals want that long at least.
        var pace = FriendlyNumbers.RateDown(slow.Min(g => (g.Slow!.From - g.Slow.To).Kelvins / g.Slow.Lasts.TotalHours), wish.Unit);
        limits.Add(
            new ClimbLimit(
                low,
                high,
                pace,
                pace,
                "grow the crystals",
                $"{Phrases.List(slow.Select(g => g.Name))} {(slow.Count == 1 ? "grows its surface" : "grow their surfaces")} between "
                    + $"{write.Degrees(high)} and {write.Degrees(low)} on the way down, and {(slow.Count == 1 ? "wants" : "want")} "
                    + $"{Phrases.Hours(slow.Max(g => g.Slow!.Lasts))} there.",
                "slow-band",
                Basis.SlowBand(high, low, slow.Max(g => g.Slow!.Lasts), $"rounded down: {Phrases.Number(Math.Round(pace))} °C/h")
            )
        );
    }

    /// <summary>Friendly where that is still a drop as people do it, else the whole degree.</summary>
    private double DropFrom(double top)
    {
        var (least, most) = PlanningPreferences.Drops;
        var friendly = FriendlyNumbers.Nearest(top - wish.Preferences.DropBy, wish.Unit);
        return top - friendly >= least && top - friendly <= most
            ? friendly
            : Temperature.From(Math.Round(Temperature.FromCelsius(top - wish.Preferences.DropBy).In(wish.Unit)), wish.Unit).Celsius;
    }

    private void SpareTheWare()
    {
        var (rate, lot, flat, limit) = WareLimits.Through(load, raw: false);
        foreach (var (from, to) in new[] { WallGradient.Quartz, WallGradient.Cristobalite })
        {
            limits.Add(
                new ClimbLimit(
                    write.BreakBelow(from),
                    write.BreakAbove(to),
                    rate,
                    limit,
                    "slowly past the size change",
                    $"Ware cools from its faces{(flat ? " and its rim" : "")}; left to itself the kiln would drop through "
                        + $"{write.Degrees(to > 300 ? 573 : 226)} faster than the {write.Pace(limit)} an hour "
                        + $"{write.Name(lot)}{(flat ? ", flat and wide," : "")} can stand.",
                    "quartz-cooling",
                    flat
                        ? Basis.Flat(lot, limit, Basis.Planned(write.Friendly(rate), WareLimits.FlatMargin))
                        : Basis.Wall(lot, WallRule.FiredThrough, limit, Basis.Planned(write.Friendly(rate)))
                )
            );
        }
    }
}

/// <summary>The limit of a whole load at a size change, planned with its margin.</summary>
internal static class WareLimits
{
    /// <summary>Of a rim's limit, what is planned.</summary>
    public const double FlatMargin = 0.85;

    /// <summary>The planned rate, the lot that sets it, whether by its rim, and its own limit; °C/h.</summary>
    public static (double Rate, WareLot Lot, bool Flat, double Limit) Through(WareLoad load, bool raw)
    {
        (double Rate, WareLot Lot, bool Flat, double Limit) Of(WareLot lot)
        {
            var wall = raw ? WallGradient.RawUp(lot.Depth) : WallGradient.FiredThrough(lot.Depth);
            var rim = WallGradient.AcrossFlat(lot.Width);
            return rim * FlatMargin < wall * DryingPlan.Margin ? (rim * FlatMargin, lot, true, rim) : (wall * DryingPlan.Margin, lot, false, wall);
        }
        return load.Telling.Select(Of).MinBy(l => l.Rate);
    }
}
