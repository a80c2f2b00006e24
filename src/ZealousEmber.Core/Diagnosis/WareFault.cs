using System.Collections.Immutable;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>A fault on ware as it was found.</summary>
/// <param name="Kind">One of <see cref="FaultRules.Faults"/>.</param>
/// <param name="Lot">Index of the lot; nothing for ware of any.</param>
/// <param name="Shelf">Where it stood, as packs name shelves; nothing where nobody knows.</param>
/// <param name="Count">Pieces that have it.</param>
/// <param name="Severity">What became of them.</param>
/// <param name="Later">It came days after.</param>
/// <param name="Note">In words.</param>
public sealed record WareFault(string Kind, int? Lot, string? Shelf, int Count, FaultSeverity Severity, bool Later = false, string? Note = null)
{
    /// <summary>
    /// Where faults of one kind are seen, from what was noted: a single piece, one shelf, one glaze or clay where others had none of it, one lot, or all over.
    /// Nothing
    /// where what was noted does not say.
    /// </summary>
    /// <param name="faults">All of one kind.</param>
    /// <param name="lots">What was in the kiln.</param>
    /// <param name="shelves">How many shelves there were; 1 where nobody said.</param>
    public static FaultPlace? Where(IReadOnlyCollection<WareFault> faults, ImmutableArray<WareLot> lots, int shelves)
    {
        if (faults.Sum(f => f.Count) == 1 && lots.Sum(l => l.Count) > 3)
            return FaultPlace.OnePiece;
        if (shelves > 1 && faults.All(f => f.Shelf is not null) && faults.Select(f => f.Shelf).Distinct().Count() == 1)
            return FaultPlace.OneShelf;
        if (faults.Any(f => f.Lot is null))
            return FaultPlace.All;
        var hit = faults.Select(f => f.Lot!.Value).Where(i => i < lots.Length).Distinct().Select(i => lots[i]).ToList();
        var spared = lots.Except(hit).ToList();
        if (spared.Count == 0)
            return hit.Count == 0 ? null : FaultPlace.All;
        var glazes = hit.SelectMany(l => l.Glazes.Select(g => g.Name)).Distinct().ToList();
        if (glazes.Count == 1 && hit.All(l => l.Glazes.Length > 0) && !spared.Any(l => l.Glazes.Any(g => g.Name == glazes[0])))
            return FaultPlace.OneGlaze;
        var clays = hit.Select(l => l.Clay?.Name).Distinct().ToList();
        if (clays is [{ } clay] && !spared.Any(l => l.Clay?.Name == clay))
            return FaultPlace.OneClay;
        return hit.Count == 1 ? FaultPlace.OneLot : null;
    }
}

/// <summary>Packs of a firing, shelf against shelf.</summary>
public static class ShelfHeats
{
    /// <summary>Mean of what the shelves got, °C of cone; nothing without packs that tell it from both sides.</summary>
    public static double? Mean(this ImmutableArray<ShelfHeat> packs) =>
        packs.Any(p => p.Bound == 0) ? packs.Where(p => p.Bound == 0).Average(p => p.Equivalent)
        : packs.Length > 0 ? packs.Average(p => p.Equivalent)
        : null;

    /// <summary>Between the hottest and the coolest, °C of cone; nothing for fewer than two.</summary>
    public static double? Spread(this ImmutableArray<ShelfHeat> packs) => packs.Length < 2 ? null : packs.Max(p => p.Equivalent) - packs.Min(p => p.Equivalent);
}
