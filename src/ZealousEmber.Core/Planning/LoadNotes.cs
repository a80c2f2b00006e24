using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>What to know about a load whatever the schedule.</summary>
public static class LoadNotes
{
    private const double OverFull = 1.4;
    private const double FlatAndWide = 300;
    private const int MostNamed = 3;

    /// <summary>Notes on a load; <paramref name="usualMass"/> is the ware usual for this firing in its kiln, kg, where that is known.</summary>
    public static IEnumerable<PlanNote> Of(WareLoad load, ScheduleKind kind, double? usualMass, DisplayUnits units)
    {
        var raw = kind.FiresRaw();
        if (raw && load.Thickest.Wall > Drying.ThickestWall)
            yield return new PlanNote(
                FindingIds.WallTooThick,
                $"Over {units.Wall(Drying.ThickestWall)} thick: {Name(load.Thickest, units)}. Hollow it out or vent it; a schedule alone will not save it."
            );
        foreach (var lot in load.Lots.Where(l => raw && l.ClosedHollow && l.Dryness != Dryness.BoneDry))
            yield return new PlanNote(
                FindingIds.ClosedHollow,
                $"Closed and not bone dry: {Name(lot, units)}. Make a hole for the steam, or it bursts whatever the schedule."
            );
        var wide = load.Lots.Where(l => l.Width >= FlatAndWide).MaxBy(l => l.Width);
        if (kind != ScheduleKind.Drying && wide is not null)
            yield return new PlanNote(
                "flat-and-wide",
                $"Flat and wide: {wide.What} of {units.Wall(wide.Width!.Value)}. Keep it clear of the elements and out of any flame's path: heat on one "
                    + "rim cracks it whatever the schedule."
            );
        if (!raw && load.Lots.FirstOrDefault(l => l.Dryness != Dryness.BoneDry) is { } wet)
            yield return new PlanNote(
                "glaze-wet",
                wet.GlazedAlready || kind == Schedules.ScheduleKind.Refiring
                    ? $"{Text.Capital(wet.What)} took up water: it is dried on the way up. A day on the shelf would save the kiln those hours."
                    : $"The glaze on {wet.What} is still wet: the kiln dries it for two hours more. A day on the shelf would save them."
            );
        if (usualMass is { } usual && load.Mass < KilnLoad.NearlyEmpty * usual)
            yield return new PlanNote(
                FindingIds.NearlyEmpty,
                $"{units.Weight(load.Mass)} of ware where {units.Weight(usual)} is usual: a nearly empty kiln heats unevenly and drops fast. Fill the "
                    + "gaps with shelves, or wait for more."
            );
        else if (usualMass is { } most && load.Mass > OverFull * most)
            yield return new PlanNote(
                "over-full",
                $"{units.Weight(load.Mass)} of ware where {units.Weight(most)} is usual: does it fit, and are the counts right?"
            );
        if (!kind.MeltsGlaze())
            yield break;
        var runny = load.Glazes.Where(g => g.Runny).Select(g => g.Name).ToList();
        if (runny.Count > 0)
            yield return new PlanNote(
                "runny",
                $"{Phrases.List(runny)} {(runny.Count == 1 ? "runs" : "run")}: a waste slab under each piece, and a short hold."
            );
        var fast = load.Glazes.Where(g => g.WantsFastCooling).Select(g => g.Name).ToList();
        var slow = load.Glazes.Where(g => g.Slow is not null).Select(g => g.Name).ToList();
        if (fast.Count > 0 && slow.Count > 0)
            yield return new PlanNote(
                "cooling-clash",
                $"{Phrases.List(fast)} {Want(fast)} to cool fast and {Phrases.List(slow)} slowly: one of them will be duller than it could be. "
                    + "Two firings would serve both."
            );
        var needs = load.Glazes.Where(g => g.NeedsHold).Select(g => g.Name).ToList();
        var careful = load.Glazes.Where(g => g.Runny || g.Fades).Select(g => g.Name).ToList();
        if (needs.Count > 0 && careful.Except(needs).Any())
            yield return new PlanNote(
                "hold-clash",
                $"{Phrases.List(needs)} {Want(needs)} a hold and {Phrases.List(careful)} a short one: ten minutes is between them."
            );
    }

    private static string Want(List<string> names) => names.Count == 1 ? "wants" : "want";

    /// <summary>"Neither size nor weight is known of 20 bowls and 4 jugs: 0.6 kg each is taken."; nothing where every lot has one of them.</summary>
    public static string? Unweighed(WareLoad load, DisplayUnits units) =>
        Named(load, l => !l.MassIsKnown) is { } named ? $"Neither size nor weight is known of {named}: {units.Weight(WareLot.UsualMass)} each is taken." : null;

    /// <summary>What a pair of scales would do for it; nothing where a piece of every lot was weighed.</summary>
    public static string? Weighing(WareLoad load) =>
        Named(load, l => !l.IsWeighed) is { } named
            ? $"Nobody has weighed one of {named}: the ware may be {Phrases.Number(5 * Math.Round(20 * Spread.FourInFive * load.MassUnsure))} % lighter or "
                + "heavier. One pot of each lot on the scales, and hours and energy are told closer."
            : null;

    private static string? Named(WareLoad load, Func<WareLot, bool> which)
    {
        var lots = load.Lots.Where(which).ToList();
        return lots.Count == 0
            ? null
            : Phrases.List([
                .. lots.Take(MostNamed).Select(l => $"{l.Count} {l.What}"),
                .. lots.Count > MostNamed ? new[] { $"{lots.Count - MostNamed} more" } : [],
            ]);
    }

    /// <summary>"mugs of 6 mm".</summary>
    internal static string Name(WareLot lot, DisplayUnits units) => $"{lot.What} of {units.Wall(lot.Wall)}";
}
