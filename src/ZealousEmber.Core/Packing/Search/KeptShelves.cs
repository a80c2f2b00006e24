using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>What somebody wants to stay in a column of shelves.</summary>
/// <param name="Openings">From the bottom, mm; the topmost goes to the lid.</param>
/// <param name="Pieces">Their shelf is the level in this column, from 0.</param>
/// <param name="IsNone">All is left to the packer.</param>
internal sealed record KeptColumn(ImmutableArray<double> Openings, ImmutableArray<KeptPiece> Pieces, bool IsNone = false)
{
    public static readonly KeptColumn None = new([], [], true);

    /// <summary>Pieces of each lot that are not kept here.</summary>
    public int[] Without(int[] counts) => [.. counts.Select((c, lot) => Math.Max(0, c - Pieces.Where(p => p.Lot == lot).Sum(p => p.Stack)))];
}

/// <summary>The shelves somebody wants kept, from the bottom, with what stays on them.</summary>
internal sealed record KeptShelves(ImmutableArray<ShelfSlot> Slots, ImmutableArray<double> Openings, ImmutableArray<KeptPiece> Pieces)
{
    /// <summary>All is left to the packer.</summary>
    public static readonly KeptShelves None = new([], [], []);

    /// <summary>It is said which shelves; else only that pieces stay.</summary>
    public bool HasShelves => Slots.Length > 0;

    /// <summary>What a request wants kept; nothing when all is left to the packer.</summary>
    public static KeptShelves? Of(PackingRequest request)
    {
        ImmutableArray<double> openings = request.Openings.IsDefault ? [] : request.Openings;
        ImmutableArray<KeptPiece> pieces = request.Pieces.IsDefault ? [] : request.Pieces;
        if (openings.Length == 0 && pieces.Length == 0)
            return null;
        if (openings.Length == 0)
            return new KeptShelves([], [], pieces);
        ImmutableArray<int> columns = request.Columns.IsDefault ? [] : request.Columns;
        return new KeptShelves(
            request.Regions.IsDefaultOrEmpty
                ? Usual(request.Chamber, openings.Length + 1)
                : [.. request.Regions.Select((r, i) => new ShelfSlot(r, i < columns.Length ? columns[i] : 1))],
            openings,
            pieces
        );
    }

    /// <summary>The pieces on the shelves of a plan, whose openings are no lower than they need.</summary>
    public KeptShelves On(PackingRequest request, ImmutableArray<(ShelfSlot Slot, double Opening)> shelves)
    {
        var most = Pieces.Length == 0 ? 0 : Pieces.Max(p => p.Shelf) + 1;
        var slots =
            shelves.Length == 0
                ? Usual(request.Chamber, most)
                : [.. shelves.Select(s => s.Slot), .. Enumerable.Repeat(shelves[^1].Slot, Math.Max(0, most - shelves.Length))];
        return this with
        {
            Slots = slots,
            Openings =
            [
                .. slots.Select(
                    (_, i) =>
                    {
                        var needs = Pieces
                            .Where(p => p.Shelf == i)
                            .Select(p => request.HeightOf(request.Lots[p.Lot], p.Stack) + request.Rules.Above)
                            .DefaultIfEmpty(0)
                            .Max();
                        return Math.Max(needs, i < shelves.Length ? shelves[i].Opening : 0);
                    }
                ),
            ],
        };
    }

    /// <summary>The shelves of one column.</summary>
    public KeptColumn Column(ShelfGrid grid, ShelfSlot slot)
    {
        if (!HasShelves)
            return KeptColumn.None;
        var at = Enumerable.Range(0, Slots.Length).Where(i => grid.Nearest(Slots[i]) == slot).ToList();
        return new KeptColumn(
            [.. at.Take(Math.Max(0, at.Count - 1)).Where(i => i < Openings.Length).Select(i => Openings[i])],
            [.. Pieces.Where(p => at.Contains(p.Shelf)).Select(p => p with { Shelf = at.IndexOf(p.Shelf) })]
        );
    }

    /// <summary>Every place of a level by turns.</summary>
    private static ImmutableArray<ShelfSlot> Usual(Chamber chamber, int count)
    {
        var slots = ShelfGrid.Of(chamber, chamber.Full ?? chamber.Shelves[0]).Slots.ToList();
        return [.. Enumerable.Range(0, count).Select(i => slots[i % slots.Count])];
    }
}
