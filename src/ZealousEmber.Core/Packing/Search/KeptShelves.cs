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
internal sealed record KeptShelves(ImmutableArray<ShelfRegion> Regions, ImmutableArray<double> Openings, ImmutableArray<KeptPiece> Pieces)
{
    /// <summary>It is said which shelves; else only that pieces stay.</summary>
    public bool HasShelves => Regions.Length > 0;

    /// <summary>What a request wants kept; nothing when all is left to the packer.</summary>
    public static KeptShelves? Of(PackingRequest request)
    {
        ImmutableArray<double> openings = request.Openings.IsDefault ? [] : request.Openings;
        ImmutableArray<KeptPiece> pieces = request.Pieces.IsDefault ? [] : request.Pieces;
        if (openings.Length == 0 && pieces.Length == 0)
            return null;
        if (openings.Length == 0)
            return new KeptShelves([], [], pieces);
        var regions = request.Regions.IsDefaultOrEmpty ? Usual(request.Chamber, openings.Length + 1) : request.Regions;
        return new KeptShelves(regions, openings, pieces);
    }

    /// <summary>The pieces on the shelves of a plan, whose openings are no lower than they need.</summary>
    public KeptShelves On(PackingRequest request, ImmutableArray<(ShelfRegion Region, double Opening)> shelves)
    {
        var most = Pieces.Length == 0 ? 0 : Pieces.Max(p => p.Shelf) + 1;
        var regions =
            shelves.Length == 0
                ? Usual(request.Chamber, most)
                : [.. shelves.Select(s => s.Region), .. Enumerable.Repeat(shelves[^1].Region, Math.Max(0, most - shelves.Length))];
        return this with
        {
            Regions = regions,
            Openings =
            [
                .. regions.Select(
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
    public KeptColumn Column(ShelfRegion region)
    {
        var at = Enumerable.Range(0, Regions.Length).Where(i => Regions[i] == region).ToList();
        return new KeptColumn(
            [.. at.Take(at.Count - 1).Where(i => i < Openings.Length).Select(i => Openings[i])],
            [.. Pieces.Where(p => at.Contains(p.Shelf)).Select(p => p with { Shelf = at.IndexOf(p.Shelf) })]
        );
    }

    /// <summary>Full shelves; where there are none, front and back by turns.</summary>
    private static ImmutableArray<ShelfRegion> Usual(Chamber chamber, int count) =>
        [
            .. Enumerable
                .Range(0, count)
                .Select(i =>
                    chamber.Full is not null ? ShelfRegion.Full
                    : i % 2 == 0 ? ShelfRegion.Front
                    : ShelfRegion.Back
                ),
        ];
}
