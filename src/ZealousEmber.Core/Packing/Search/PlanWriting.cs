using System.Collections.Immutable;
using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Packing.Rules;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>What is known of pieces that find no place.</summary>
/// <param name="Never">Lots that stand in no firing of this kiln, and why.</param>
/// <param name="OneMoreShelf">Pieces of each lot that one more shelf would take, where all there are stand in the kiln.</param>
internal sealed record WhyNot(Dictionary<int, (string Why, string Would)> Never, int[]? OneMoreShelf);

/// <summary>What was worked out as a plan for people: numbers, what is left out and why, props to fetch, cautions.</summary>
internal static class PlanWriting
{
    private const double NearlyEmpty = 0.2;
    private const double HeavyShelf = 25;

    public static PackingPlan Write(PackingRequest request, Packer.Layout layout, int[] asked, WhyNot whyNot, PropSums sums)
    {
        var shelves = layout.Shelves.OrderBy(s => s.Packed.Z).ThenBy(s => s.Slot).ToList();
        var written = shelves.Select((s, i) => Shelf(request, layout, s, i + 1, sums)).ToImmutableArray();
        var placed = asked.Select((_, lot) => written.Sum(s => s.Pieces.Where(p => p.Lot == lot).Sum(p => p.Stack))).ToArray();
        var outcomes = asked
            .Select((count, lot) => new LotOutcome(lot, count, placed[lot], [.. written.Where(s => s.Pieces.Any(p => p.Lot == lot)).Select(s => s.Number)]))
            .ToImmutableArray();
        var left = outcomes
            .Where(o => o.Placed < o.Asked)
            .Select(o =>
                whyNot.Never.TryGetValue(o.Lot, out var why)
                    ? new LeftOut(o.Lot, o.Asked - o.Placed, why.Why, why.Would)
                    : Reason(request, layout, o, written, whyNot.OneMoreShelf)
            )
            .ToImmutableArray();
        var pickUp = written
            .SelectMany(s => s.Props)
            .SelectMany(p => p.Heights)
            .GroupBy(h => h)
            .OrderBy(g => g.Key)
            .Select(g => new PropCount(g.Key, g.Count()))
            .ToImmutableArray();
        var props = pickUp.Sum(p => p.Count * PropMass(request, p.Height));
        var ware = written.Sum(s => s.WareKg);
        var totals = new PackingTotals(
            placed.Sum(),
            ware,
            shelves.Sum(s => Balance.ShelfMass(request.Chamber, s.Grid, s.Slot)) + props,
            written.Length,
            ShareOf(request, written, shelves.Select(s => s.Grid).FirstOrDefault())
        );
        return new PackingPlan(written, outcomes, left, pickUp, totals, [.. Cautions(request, written, totals)], sums.Heights(ColumnPacker.Columns));
    }

    private static double PropMass(PackingRequest request, double height) =>
        Math.PI / 4 * request.Props.Across * request.Props.Across * height * 1e-9 * PackingRules.Furniture.Density * PackingRules.Furniture.SolidProp;

    private static PlacedShelf Shelf(
        PackingRequest request,
        Packer.Layout layout,
        (ShelfGrid Grid, ShelfSlot Slot, ColumnPacker.Packed Packed, PropColumns? Raised) s,
        int number,
        PropSums sums
    )
    {
        var packed = s.Packed;
        var column = layout.Shelves.Where(o => o.Slot == s.Slot).OrderBy(o => o.Packed.Z).ToList();
        var index = column.FindIndex(o => ReferenceEquals(o.Packed, packed));
        var carriedBy = index == 0 ? s.Raised : column[index - 1].Packed.Level.Carries;
        // A floor raise of another height than any prop is the kiln's own.
        ImmutableArray<PlacedProp> props = carriedBy is null
            ? index == 0 && request.Chamber.Raise > 0
                ? [.. packed.Carried.Select(p => new PlacedProp(p.X, p.Y, [request.Chamber.Raise]))]
                : []
            : [.. packed.Carried.Zip(carriedBy.Each, (p, each) => new PlacedProp(p.X, p.Y, sums.HeightsOf(each)))];
        var top = packed.Z + s.Grid.Shelf.Thickness;
        var above = index + 1 < column.Count ? column[index + 1].Packed.Z : request.Chamber.Height;
        ImmutableArray<PlacedPiece> pieces =
        [
            .. packed.Pieces.Select(p => new PlacedPiece(p.Lot, Round(p.At.X), Round(p.At.Y), Degrees(p.At.Turn), p.Stack, p.Held)),
        ];
        var area = packed.Pieces.Sum(p => FootprintOf(request, p.Lot));
        return new PlacedShelf(
            Number: number,
            Region: s.Slot.Region,
            Z: packed.Z,
            Thickness: s.Grid.Shelf.Thickness,
            Opening: above - top,
            Props: props,
            Pieces: pieces,
            Pack: packed.Pack,
            WareKg: packed.Pieces.Sum(p => p.Stack * request.Lots[p.Lot].PieceMass),
            AreaShare: area / ShelfSpaces.ShelfOf(request.Chamber, s.Grid, s.Slot).Area,
            Needs: packed.Pieces.Select(p => request.HeightOf(request.Lots[p.Lot], p.Stack) + request.Rules.Above).DefaultIfEmpty(0).Max(),
            Column: s.Slot.Column,
            Place: s.Grid.At(s.Slot)
        );
    }

    private static double FootprintOf(PackingRequest request, int lot)
    {
        var piece = request.Lots[lot].Piece;
        return piece.Shape == PieceShape.Rectangle ? piece.Across * piece.Deep : Math.PI * piece.Across * piece.Across / 4;
    }

    private static double ShareOf(PackingRequest request, ImmutableArray<PlacedShelf> shelves, ShelfGrid? grid)
    {
        // What ware covers of each shelf, over the height its level takes, of all the height there is.
        var usable = request.Chamber.Height - request.Chamber.Raise;
        var full = shelves.Sum(s => Math.Min(1, s.AreaShare / 0.62) * (s.Thickness + TallestOn(request, s))) / (grid is null ? 1 : grid.Columns * grid.Rows);
        return usable <= 0 ? 0 : Math.Clamp(full / usable, 0, 1);
    }

    private static double TallestOn(PackingRequest request, PlacedShelf shelf) =>
        shelf.Pieces.Length == 0 ? 0 : shelf.Pieces.Max(p => request.HeightOf(request.Lots[p.Lot], p.Stack)) + request.Rules.Above;

    /// <summary>Height, shelves, props or simply room: what is short, and what would do.</summary>
    private static LeftOut Reason(PackingRequest request, Packer.Layout layout, LotOutcome lot, ImmutableArray<PlacedShelf> shelves, int[]? oneMoreShelf)
    {
        var (l, count) = (request.Lots[lot.Lot], lot.Asked - lot.Placed);
        var height = request.HeightOf(l, 1);
        var shelf = layout.Shelves.Count > 0 ? layout.Shelves[0].Grid.Shelf : request.Chamber.Full ?? request.Chamber.Half!;
        var allUsed = shelves.Length >= shelf.Count;
        if (allUsed && oneMoreShelf is { } takes && takes[lot.Lot] > 0)
            return new(
                lot.Lot,
                count,
                $"All {shelf.Count} shelves are in use.",
                takes[lot.Lot] >= count
                    ? $"One more shelf would take {(count == 1 ? "it" : "them")}; or a second firing."
                    : $"One more shelf would take {takes[lot.Lot]} of the {count}; or a second firing."
            );
        // In the column with most room over what stands in it.
        var top = shelves.Length == 0 ? request.Chamber.Raise : shelves.GroupBy(s => s.Slot).Min(c => c.Max(s => s.Top + TallestOn(request, s)));
        var needs = top + shelf.Thickness + height + request.Rules.Lid - request.Chamber.Height;
        if (allUsed && (needs <= 0 || oneMoreShelf is null))
            return new(lot.Lot, count, $"All {shelf.Count} shelves are in use.", "More shelves, or a second firing.");
        if (needs <= 0)
            return new(lot.Lot, count, "There are too few props to carry another shelf.", "More props of the heights in use, or a second firing.");
        return new(
            lot.Lot,
            count,
            $"{Phrases.Counted(count, l.What)} of {Phrases.Number(Math.Round(height))} mm {(count == 1 ? "needs" : "need")} "
                + $"{Phrases.Number(Math.Ceiling(needs))} mm more for another shelf.",
            l.Piece.Handle > 0 && request.Handles == HandleChoice.Any ? "Handles turned into the gaps, or a second firing." : "A second firing."
        );
    }

    private static IEnumerable<PackingCaution> Cautions(PackingRequest request, ImmutableArray<PlacedShelf> shelves, PackingTotals totals)
    {
        if (shelves.Length == 0)
            yield break;
        if (totals.Share < NearlyEmpty)
            yield return new(
                "nearly-empty",
                "The kiln is nearly empty: it heats unevenly and drops fast. Fill it with props and spare shelves, or wait for more ware."
            );
        if (request.Packs && shelves.All(s => s.Pack is null))
            yield return new(
                "no-pack",
                "No shelf has room for a witness pack in sight of a peephole; nothing but the thermocouple will say what the ware had."
            );
        if (shelves.Where(s => s.WareKg > HeavyShelf).ToList() is { Count: > 0 } heavy)
            yield return new(
                "heavy-shelf",
                $"Shelf {Phrases.List(heavy.Select(s => s.Number.ToString(System.Globalization.CultureInfo.InvariantCulture)))} carries over "
                    + $"{Phrases.Number(HeavyShelf)} kg: mind the shelf maker's limit, and lift with two."
            );
        if (!request.Raw)
            yield return new("shelf-wash", "Kiln wash on the top faces of shelves only: from below it falls into the glaze.");
        yield return new("salt-props", "No props or shelves from wood or salt kilns: what is in them comes out again.");
    }

    // A hundredth of a millimetre, towards nothing that matters: pieces stand that much further apart than they must.
    private static double Round(double mm) => Math.Round(mm, 3);

    private static double Degrees(double turn) => Math.Round(((turn * 180 / Math.PI) % 360 + 360) % 360, 2);
}
