using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Packing;

/// <summary>
/// How to pack a kiln: which shelves at which heights, and what stands where. Pure, and the same every time. Method: quasi-physical packing of
/// each shelf, a beam over sequences of openings, and rules of the trade for the order. Source: the project's paper on packing.
/// </summary>
public static class Packer
{
    // Far more than goes in goes in no more on halves.
    private const double WorthHalves = 0.3;

    /// <summary>Packs. Problems name <c>lots</c>, <c>shelves</c>, <c>keep.pieces</c>, <c>keep.openings</c>.</summary>
    public static Result<PackingPlan> Pack(PackingRequest request)
    {
        if (Check(request) is { } problem) return problem;
        var counts = request.Lots.Select(l => l.Count).ToArray();
        var (fits, whyNot) = WhatFitsAtAll(request, counts);
        var sums = new PropSums(request.Props);
        Layout? best = null;
        if (request.Chamber.Full is { } full) best = Full(request, sums, full, fits);
        // Halves where there are no full shelves, or where those leave something out.
        if (request.Chamber.Half is { } half && (best is null || (best.Left.Sum() > 0 && best.Left.Sum() <= (fits.Sum() - best.Left.Sum()) * WorthHalves)) && request.Openings.IsDefaultOrEmpty && request.Pieces.IsDefaultOrEmpty && Halves(request, sums, half, fits) is { } halves && (best is null || IsBetter(request, halves, best)))
            best = halves;
        return PlanWriting.Write(request, best ?? new Layout([], fits, sums.Whole), counts, whyNot, sums);
    }

    /// <summary>Shelves of one or two columns.</summary>
    internal sealed record Layout(List<(ShelfStock Shelf, ShelfRegion Region, ColumnPacker.Packed Packed, PropColumns? Raised)> Shelves, int[] Left, int[] Props);

    private static Problem? Check(PackingRequest request)
    {
        if (request.Lots.IsDefaultOrEmpty) return new Problem("lots", "Nothing is to be packed yet. Write the first lot: what, how many, how large.");
        if (request.Lots.Length > WareLot.MostLots) return new Problem("lots", $"At most {WareLot.MostLots} lots are taken; these are {request.Lots.Length}.");
        var pieces = request.Lots.Sum(l => (long)l.Count);
        if (pieces > PackingRequest.MostPieces) return new Problem("lots", $"At most {PackingRequest.MostPieces} pieces are packed at once; these are {pieces}. No kiln of a studio holds so many: plan several firings.");
        foreach (var (i, piece) in (request.Pieces.IsDefault ? [] : request.Pieces).Index())
        {
            if (piece.Lot < 0 || piece.Lot >= request.Lots.Length) return new Problem($"keep.pieces[{i}].lot", "There is no such lot.");
            if (piece.Stack < 1 || piece.Stack > request.MostInStack(request.Lots[piece.Lot])) return new Problem($"keep.pieces[{i}].stack", $"These stand up to {request.MostInStack(request.Lots[piece.Lot])} on one another.");
            if (!(Math.Abs(piece.X) <= request.Chamber.Width && Math.Abs(piece.Y) <= request.Chamber.Depth)) return new Problem($"keep.pieces[{i}].x", "This piece is kept outside the kiln.");
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
                whyNot[i] = ($"{lot.What}: {Phrases.Number(Math.Round(height))} mm tall, and under the lid there are {Phrases.Number(Math.Round(most))} mm.", $"A kiln {Phrases.Number(Math.Ceiling(height - most))} mm taller inside would take it.");
                fits[i] = 0;
            }
            else if (!StandsAlone(request, i))
            {
                var room = Math.Min(chamber.Width, chamber.Depth) - 2 * request.Rules.Wall;
                whyNot[i] = ($"{lot.What}: too wide; {Phrases.Number(Math.Round(room))} mm are free between the walls.", lot.Piece.Handle > 0 && request.Handles == HandleChoice.Any ? "With its handle turned towards a corner it may go in; or a larger kiln." : "A larger kiln would take it.");
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
            var space = ShelfSpaces.Of(request, shelf, shelf.Half ? ShelfRegion.Front : ShelfRegion.Full, chamber.Height, [], null) with { Tip = null };
            return request.Lots[lot].Piece.Shape == PieceShape.Rectangle
                ? Rows.Most(space, Slab.Of(request, lot, 1), 0, 1).Count > 0
                : EqualPieces.Most(space, Body.Of(request, lot, 1), 0, 1, EqualPieces.Effort.Quick).Count > 0;
        });
    }

    private static Layout Full(PackingRequest request, PropSums sums, ShelfStock shelf, int[] counts)
    {
        if (counts.Sum() == 0) return new Layout([], counts, sums.Whole);
        var column = new ColumnPacker(request, sums, shelf, ShelfRegion.Full, shelf.Count, counts);
        var props = sums.Whole;
        var raised = column.Raised(props);
        var (shelves, left, rest) = column.Pack(counts, props);
        return new Layout([.. shelves.Select((s, i) => (shelf, ShelfRegion.Full, s, i == 0 ? raised : null))], left, rest);
    }

    /// <summary>The front, then the back with what is left, each with its own heights.</summary>
    private static Layout? Halves(PackingRequest request, PropSums sums, ShelfStock shelf, int[] counts)
    {
        if (counts.Sum() == 0) return null;
        var (left, props) = (counts, sums.Whole);
        var layout = new List<(ShelfStock, ShelfRegion, ColumnPacker.Packed, PropColumns?)>();
        foreach (var region in new[] { ShelfRegion.Front, ShelfRegion.Back })
        {
            if (left.Sum() == 0) break;
            // Half of everything each, so that neither side is left with what is hard.
            var share = region == ShelfRegion.Front ? [.. left.Select(c => (c + 1) / 2)] : left;
            var column = new ColumnPacker(request, sums, shelf, region, region == ShelfRegion.Front ? (shelf.Count + 1) / 2 : shelf.Count - layout.Count, share);
            var raised = column.Raised(props);
            var (shelves, rest, remaining) = column.Pack(share, props);
            layout.AddRange(shelves.Select((s, i) => (shelf, region, s, i == 0 ? raised : (PropColumns?)null)));
            left = [.. left.Select((c, i) => c - share[i] + rest[i])];
            props = remaining;
        }
        return layout.Count == 0 ? null : new Layout(layout, left, props);
    }

    private static bool IsBetter(PackingRequest request, Layout a, Layout b)
    {
        int Must(Layout l) => l.Left.Where((_, i) => request.Lots[i].Must).Sum();
        return Must(a) != Must(b) ? Must(a) < Must(b) : a.Left.Sum() < b.Left.Sum();
    }
}
