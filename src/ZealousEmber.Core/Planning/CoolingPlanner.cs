using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>The way down: what glazes ask for, and what thick and wide ware must be spared.</summary>
internal sealed class CoolingPlanner(WareLoad load, PlanWish wish, IKilnModel kiln, PlanWriter write)
{
    private const double Quick = 150;
    private const double Limited = 100;
    private const double LimitedTo = 700;
    private const double FallMargin = 1.15;
    private const double ShortFallMargin = 6;

    /// <summary>The steps from a top, the closing "off" among them.</summary>
    /// <param name="top">°C, as it was solved or is about to be.</param>
    public List<PlanStep> From(double top)
    {
        var steps = new List<PlanStep>();
        var at = top;
        void Down(double rate, double to, Duration hold, string brief, string why, string by, Basis? basis = null)
        {
            if (to >= at - 1) return;
            steps.Add(write.At(rate, to, hold, brief, why, by, basis));
            at = to;
        }
        void FallTo(double to)
        {
            if (to >= at - 1) return;
            steps.Add(new PlanStep(Segment.Of(Core.Schedules.Pace.Natural, Temperature.FromCelsius(to), reason: "by itself").Value, "Nothing asks for power here; it cools by itself.", "cooling"));
            at = to;
        }

        if (wish.Kind != ScheduleKind.Drying) AsWished(top, Down);
        if (wish.Kind != ScheduleKind.Drying) SpareTheWare(top, FallTo, Down);
        steps.Add(new PlanStep(Segment.Of(Core.Schedules.Pace.Natural, null).Value, "Off: it cools by itself until it may be opened.", "cooling"));
        return steps;
    }

    private delegate void Downwards(double rate, double to, Duration hold, string brief, string why, string by, Basis? basis = null);

    private void AsWished(double top, Downwards down)
    {
        var slow = load.Glazes.Where(g => g.Slow is not null).ToList();
        if (wish.Preferences.Cooling == CoolingOption.AsTheGlazesAsk && slow.Count > 0 && wish.Kind.MeltsGlaze())
        {
            var (high, low) = (write.BreakAbove(slow.Max(g => g.Slow!.From.Celsius)), write.BreakBelow(slow.Min(g => g.Slow!.To.Celsius)));
            var pace = write.Friendly(slow.Min(g => (g.Slow!.From - g.Slow.To).Kelvins / g.Slow.Lasts.TotalHours));
            down(Quick, high, Duration.Zero, "drop to the band", "Above its band the glaze only runs; it is left quickly.", "drop");
            down(pace, low, Duration.Zero, "grow the crystals", $"{Phrases.List(slow.Select(g => g.Name))} {(slow.Count == 1 ? "grows its surface" : "grow their surfaces")} between {write.Degrees(high)} and {write.Degrees(low)} on the way down, and {(slow.Count == 1 ? "wants" : "want")} {Phrases.Hours(slow.Max(g => g.Slow!.Lasts))} there.", "slow-band", Basis.SlowBand(high, low, slow.Max(g => g.Slow!.Lasts), $"rounded down: {Phrases.Number(Math.Round(pace))} °C/h"));
        }
        else if (wish.Preferences.Cooling == CoolingOption.DropAndHold && wish.Kind.MeltsGlaze())
            down(Quick, DropFrom(top), Duration.FromMinutes(30), "drop, then heal", "A little below the top the glaze no longer runs but still heals its pinholes.", "drop");
        else if (wish.Preferences.Cooling == CoolingOption.LimitedDrop && wish.Kind != ScheduleKind.Refiring)
            down(Limited, write.BreakBelow(LimitedTo), Duration.Zero, "no faster than this", "A limit on the drop spares large and flat ware, and a kiln that is thinly loaded.", "cooling");
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

    private void SpareTheWare(double top, Action<double> fallTo, Downwards down)
    {
        foreach (var (from, to) in new[] { WallGradient.Quartz, WallGradient.Cristobalite })
        {
            // A top inside the band still falls through the rest of it.
            if (top <= from + 10) continue;
            var (fastest, lot, flat, limit) = WareLimits.Through(load, raw: false);
            // The fall is that after a usual firing; after a shorter one the walls are cooler and it falls a little faster, after a short and cool one much.
            if (kiln.NaturalFall(Temperature.FromCelsius(to)) is not { } natural || natural.KelvinsPerHour * (top < GlazedWare.RefiredBelow ? ShortFallMargin : FallMargin) <= fastest) continue;
            if (top > to) fallTo(write.BreakAbove(to));
            down(fastest, write.BreakBelow(from), Duration.Zero, "slowly past the size change",
                $"Ware cools from its faces{(flat ? " and its rim" : "")}; left to itself the kiln would drop through {write.Degrees(to > 300 ? 573 : 226)} too fast for {write.Name(lot)}{(flat ? ", flat and wide" : "")}.", "quartz-cooling",
                flat ? Basis.Flat(lot, limit, Basis.Planned(write.Friendly(fastest), WareLimits.FlatMargin)) : Basis.Wall(lot, WallRule.FiredThrough, limit, Basis.Planned(write.Friendly(fastest))));
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
