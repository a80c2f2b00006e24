using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Packing.Rules;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>
/// How to pack a kiln: which shelves at which heights, and what stands where. Pure, and the same every time. Method: quasi-physical packing of
/// each shelf, a beam over sequences of openings, and rules of the trade for the order. Source: the project's paper on packing.
/// </summary>
public static class Packer
{
    // Far more than goes in goes in no more on halves.
    private const double WorthHalves = 0.3;

    /// <summary>Packs. Problems name <c>lots</c>, <c>shelves</c>, <c>keep.pieces</c>, <c>keep.openings</c>.</summary>
    /// <param name="request">What is to be packed.</param>
    /// <param name="cancel">Nobody waits any more: it ends with an <see cref="OperationCanceledException"/>.</param>
    public static Result<PackingPlan> Pack(PackingRequest request, CancellationToken cancel = default)
    {
        if (Check(request) is { } problem)
            return problem;
        var counts = request.Lots.Select(l => l.Count).ToArray();
        var (fits, whyNot) = WhatFitsAtAll(request, counts);
        var sums = new PropSums(request.Props);
        var kept = KeptShelves.Of(request);
        var best = kept is null ? Best(request, sums, fits, cancel) : Kept(request, sums, fits, kept, cancel);
        var oneMore = kept is null && best is not null ? WithOneMore(request, sums, fits, best, cancel) : null;
        return PlanWriting.Write(request, best ?? new Layout([], fits, sums.Whole), counts, new WhyNot(whyNot, oneMore), sums);
    }

    /// <summary>Pieces of each lot that one more shelf would take; nothing where not all there are stand in the kiln.</summary>
    private static int[]? WithOneMore(PackingRequest request, PropSums sums, int[] fits, Layout best, CancellationToken cancel)
    {
        if (best.Left.Sum() == 0 || best.Shelves.Count == 0 || best.Shelves[0].Grid.Shelf is not { } shelf || best.Shelves.Count < shelf.Count)
            return null;
        var richer = request with { Chamber = request.Chamber.With(shelf, shelf.Count + 1) };
        var chosen = richer with { Shelves = shelf.Half ? ShelfChoice.Half : ShelfChoice.Full };
        return Best(chosen, sums, fits, cancel) is { } more ? [.. best.Left.Select((left, i) => left - more.Left[i])] : null;
    }

    private static Layout? Best(PackingRequest request, PropSums sums, int[] fits, CancellationToken cancel)
    {
        var (full, half) = (request.Chamber.Full, request.Chamber.Half);
        // What there is none of cannot be chosen.
        if (request.Shelves == ShelfChoice.Full && full is not null)
            half = null;
        if (request.Shelves == ShelfChoice.Half && half is not null)
            full = null;
        var best = full is null ? null : Lay(request, sums, full, fits, KeptShelves.None, true, cancel);
        // Halves where there are no full shelves, or where those leave something out.
        if (
            half is not null
            && (best is null || (best.Left.Sum() > 0 && best.Left.Sum() <= (fits.Sum() - best.Left.Sum()) * WorthHalves))
            && Lay(request, sums, half, fits, KeptShelves.None, best is null, cancel) is { } halves
            && (best is null || IsBetter(request, halves, best))
        )
            best = halves;
        return best;
    }

    /// <summary>
    /// On the shelves somebody wants kept; where pieces alone are kept, on those of a plan for the same ware, as tall as the kept pieces need them.
    /// </summary>
    private static Layout? Kept(PackingRequest request, PropSums sums, int[] fits, KeptShelves kept, CancellationToken cancel)
    {
        if (!kept.HasShelves)
        {
            if (Best(request, sums, fits, cancel) is not { } free)
                return null;
            kept = kept.On(request, [.. free.Shelves.OrderBy(s => s.Packed.Z).ThenBy(s => s.Slot).Select(s => (s.Slot, s.Packed.Level.Opening))]);
        }
        var (full, half) = (request.Chamber.Full, request.Chamber.Half);
        return (kept.Slots[0].Region == ShelfRegion.Full ? full ?? half : half ?? full) is { } shelf
            ? Lay(request, sums, shelf, fits, kept, true, cancel)
            : null;
    }

    /// <summary>Shelves of one kind, in as many columns as lie beside each other.</summary>
    internal sealed record Layout(List<(ShelfGrid Grid, ShelfSlot Slot, ColumnPacker.Packed Packed, PropColumns? Raised)> Shelves, int[] Left, int[] Props);

    private static Problem? Check(PackingRequest request)
    {
        if (request.Lots.IsDefaultOrEmpty)
            return new Problem("lots", "Nothing is to be packed yet. Write the first lot: what, how many, how large.");
        if (request.Lots.Length > WareLot.MostLots)
            return new Problem("lots", $"At most {WareLot.MostLots} lots are taken; these are {request.Lots.Length}.");
        var pieces = request.Lots.Sum(l => (long)l.Count);
        if (pieces > PackingRequest.MostPieces)
            return new Problem(
                "lots",
                $"At most {PackingRequest.MostPieces} pieces are packed at once; these are {pieces}. No kiln of a studio holds so many: plan several firings."
            );
        foreach (var (i, piece) in (request.Pieces.IsDefault ? [] : request.Pieces).Index())
        {
            if (piece.Lot < 0 || piece.Lot >= request.Lots.Length)
                return new Problem($"keep.pieces[{i}].lot", "There is no such lot.");
            if (piece.Stack < 1 || piece.Stack > request.MostInStack(request.Lots[piece.Lot]))
                return new Problem($"keep.pieces[{i}].stack", $"These stand up to {request.MostInStack(request.Lots[piece.Lot])} on one another.");
            if (!(Math.Abs(piece.X ?? 0) <= request.Chamber.Width && Math.Abs(piece.Y ?? 0) <= request.Chamber.Depth))
                return new Problem($"keep.pieces[{i}].x", "This piece is kept outside the kiln.");
        }
        return null;
    }

    /// <summary>Counts of what stands on an empty shelf of an empty kiln, and why the rest does not.</summary>
    private static (int[] Fits, Dictionary<int, (string Why, string Would)> WhyNot) WhatFitsAtAll(PackingRequest request, int[] counts)
    {
        var (fits, whyNot) = ((int[])counts.Clone(), new Dictionary<int, (string Why, string Would)>());
        var chamber = request.Chamber;
        foreach (var (i, lot) in request.Lots.Index())
        {
            var shelf = chamber.Full ?? chamber.Half!;
            var most = chamber.Height - chamber.Raise - shelf.Thickness - request.Rules.Lid;
            var height = request.HeightOf(lot, 1);
            if (height > most)
            {
                whyNot[i] = (
                    $"{lot.What}: {Phrases.Number(Math.Round(height))} mm tall, and under the lid there are {Phrases.Number(Math.Round(most))} mm.",
                    $"A kiln {Phrases.Number(Math.Ceiling(height - most))} mm taller inside would take it."
                );
                fits[i] = 0;
            }
            else if (!StandsAlone(request, i))
            {
                var room = Math.Min(chamber.Width, chamber.Depth) - 2 * request.Rules.Wall;
                whyNot[i] = (
                    $"{lot.What}: too wide; {Phrases.Number(Math.Round(room))} mm are free between the walls.",
                    lot.Piece.Handle > 0 && request.Handles == HandleChoice.Any
                        ? "With its handle turned towards a corner it may go in; or a larger kiln."
                        : "A larger kiln would take it."
                );
                fits[i] = 0;
            }
        }
        return (fits, whyNot);
    }

    private static bool StandsAlone(PackingRequest request, int lot)
    {
        var chamber = request.Chamber;
        return chamber.Shelves.Any(shelf =>
        {
            var grid = ShelfGrid.Of(chamber, shelf);
            var space = ShelfSpaces.Of(request, grid, grid.Slots.First(), chamber.Height, []) with { Tip = null };
            return request.Lots[lot].Piece.Shape == PieceShape.Rectangle
                ? Rows.Most(space, Slab.Of(request, lot, 1), 0, 1).Count > 0
                : EqualPieces.Most(space, Body.Of(request, lot, 1), 0, 1, EqualPieces.Effort.Quick).Count > 0;
        });
    }

    /// <summary>
    /// A like part of everything in each column, so that none is left with what is hard; where that leaves something out, each as full as it goes.
    /// Where full shelves were tried, one quick look is enough to see whether halves take more.
    /// </summary>
    private static Layout? Lay(PackingRequest request, PropSums sums, ShelfStock shelf, int[] counts, KeptShelves kept, bool thorough, CancellationToken cancel)
    {
        var grid = ShelfGrid.Of(request.Chamber, shelf);
        if (counts.Sum() == 0)
            return null;
        var best = Lay(request, sums, grid, counts, kept, true, thorough, cancel);
        if (!thorough || grid.Columns * grid.Rows == 1)
            return best;
        List<(ShelfGrid Grid, bool Evenly)> tries = [(grid, false)];
        if (!grid.PropsAtTheCut && grid is { Columns: 1, Rows: 2 })
            tries.AddRange([(grid with { PropsAtTheCut = true }, true), (grid with { PropsAtTheCut = true }, false)]);
        foreach (var (other, evenly) in tries.TakeWhile(_ => best?.Left.Sum() != 0))
        {
            if (Lay(request, sums, other, counts, kept, evenly, true, cancel) is { } found && (best is null || IsBetter(request, found, best)))
                best = found;
        }
        return best;
    }

    /// <summary>One column after the other with what is left, each with its own heights.</summary>
    private static Layout? Lay(
        PackingRequest request,
        PropSums sums,
        ShelfGrid grid,
        int[] counts,
        KeptShelves kept,
        bool evenly,
        bool thorough,
        CancellationToken cancel
    )
    {
        var slots = grid.Slots.ToList();
        var columns = slots.ConvertAll(slot => kept.Column(grid, slot));
        // All stand on the floor before anything stands on them.
        var raised = new List<PropColumns?>();
        var props = sums.Whole;
        foreach (var _ in slots)
        {
            var (columnsOfProps, rest) = Raised(request, sums, props);
            if (raised.Count > 0 && columnsOfProps is null != raised[0] is null)
                break;
            raised.Add(columnsOfProps);
            props = rest;
        }
        var left = columns.Skip(1).Aggregate(counts, (some, column) => column.Without(some));
        var layout = new List<(ShelfGrid, ShelfSlot, ColumnPacker.Packed, PropColumns?)>();
        foreach (var (k, slot) in slots.Take(raised.Count).Index())
        {
            var (column, others) = (columns[k], slots.Count - k);
            if (k > 0)
                left = [.. left.Select((c, i) => c + column.Pieces.Where(p => p.Lot == i).Sum(p => p.Stack))];
            if (left.Sum() == 0)
                continue;
            var share = evenly && others > 1 ? [.. column.Without(left).Select((c, i) => (c + others - 1) / others + left[i] - c)] : left;
            var packer = new ColumnPacker(request, sums, grid, slot, (grid.Shelf.Count - layout.Count + others - 1) / others, counts, column, cancel, thorough);
            var (shelves, rest, remaining) = packer.Pack(share, props);
            layout.AddRange(shelves.Select((s, i) => (grid, slot, s, i == 0 ? raised[k] : null)));
            left = [.. left.Select((c, i) => c - share[i] + rest[i])];
            props = remaining;
        }
        return layout.Count == 0 ? null : new Layout(layout, left, props);
    }

    /// <summary>What carries a lowest shelf, and the props left then; nothing where the kiln has its own for that.</summary>
    private static (PropColumns? Columns, int[] Left) Raised(PackingRequest request, PropSums sums, int[] props) =>
        sums.Exactly(props, request.Chamber.Raise, ColumnPacker.Columns) is { } raised ? (raised, PropSums.Without(props, raised)) : (null, props);

    private static bool IsBetter(PackingRequest request, Layout a, Layout b)
    {
        int Must(Layout l) => l.Left.Where((_, i) => request.Lots[i].Must).Sum();
        return Must(a) != Must(b) ? Must(a) < Must(b) : a.Left.Sum() < b.Left.Sum();
    }
}
