using System.Collections.Immutable;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Packing;

/// <summary>How much room handles are given.</summary>
public enum HandleChoice
{
    /// <summary>Any way round: quick to load.</summary>
    Any,

    /// <summary>Each turned as it is drawn: more pieces, more care.</summary>
    Turned,
}

/// <summary>Which of its shelves a kiln is packed on.</summary>
public enum ShelfChoice
{
    /// <summary>Whichever take more.</summary>
    Any,

    /// <summary>Full ones.</summary>
    Full,

    /// <summary>Halves, front and back with heights of their own.</summary>
    Half,
}

/// <summary>A lot as the packer sees it.</summary>
/// <param name="What">For people.</param>
/// <param name="Piece">Its size.</param>
/// <param name="Count">How many.</param>
/// <param name="PieceMass">kg.</param>
/// <param name="Must">Goes before the others.</param>
/// <param name="Low">Solid, thick or wet: stands low, where it is warmed last.</param>
/// <param name="Runny">A glaze on it runs: it stands on a slab.</param>
/// <param name="Whose">Whose it is.</param>
public sealed record PackingLot(
    string What,
    Piece Piece,
    int Count,
    double PieceMass,
    bool Must = false,
    bool Low = false,
    bool Runny = false,
    string? Whose = null
);

/// <summary>A piece that stays on its shelf.</summary>
/// <param name="Shelf">Which, from 0 at the bottom.</param>
/// <param name="Lot">Index of its lot.</param>
/// <param name="X">mm; nothing for wherever there is room on that shelf.</param>
/// <param name="Y">mm.</param>
/// <param name="Turn">Degrees, of its handle or first side, against the x axis.</param>
/// <param name="Stack">How many stand on one another.</param>
/// <param name="Held">Somebody put it there by hand; the others only stay while it is looked at.</param>
public sealed record KeptPiece(int Shelf, int Lot, double? X, double? Y, double Turn, int Stack, bool Held = false);

/// <summary>How somebody wants a firing packed.</summary>
/// <param name="Handles">How much room handles are given.</param>
/// <param name="Openings">Kept, from the bottom, mm; none to leave them to the packer.</param>
/// <param name="Pieces">Kept where they are.</param>
/// <param name="Regions">What the kept shelves cover, from the bottom; none where all are full.</param>
/// <param name="Shelves">Which shelves it is packed on.</param>
/// <param name="Columns">Of the kept shelves, from the left, from 1; none where nothing lies side by side.</param>
public sealed record PackingSettings(
    HandleChoice Handles,
    ImmutableArray<double> Openings,
    ImmutableArray<KeptPiece> Pieces,
    ImmutableArray<ShelfRegion> Regions,
    ShelfChoice Shelves = ShelfChoice.Any,
    ImmutableArray<int> Columns = default
)
{
    /// <summary>Nothing said.</summary>
    public static readonly PackingSettings None = new(HandleChoice.Any, [], [], []);

    /// <summary>
    /// What cannot be kept, naming <c>keep.openings</c>, <c>keep.regions</c>, <c>keep.columns</c>, <c>keep.pieces</c> or <c>keep.pieces[i]</c>;
    /// nothing when all is well.
    /// </summary>
    public Problem? Check()
    {
        const int shelves = 2 * Chamber.MostShelves;
        if (Openings.Length > shelves || Openings.Any(o => !(o >= 5 && o <= Chamber.Sizes.Most)))
            return new("keep.openings", $"Up to {shelves} openings of 5 to {Phrases.Number(Chamber.Sizes.Most)} mm.");
        if (Regions.Length > shelves)
            return new("keep.regions", $"At most {shelves} shelves.");
        if (!Columns.IsDefaultOrEmpty && (Columns.Length > shelves || Columns.Any(c => c is < 1 or > ShelfGrid.MostColumns)))
            return new("keep.columns", $"One a shelf, 1 to {ShelfGrid.MostColumns} from the left.");
        if (Regions.Contains(ShelfRegion.Full) && Regions.Any(r => r != ShelfRegion.Full))
            return new("keep.regions", "Full and half shelves do not stand over one another.");
        if (Pieces.Length > PackingRequest.MostPieces)
            return new("keep.pieces", $"At most {PackingRequest.MostPieces} pieces are kept; these are {Pieces.Length}.");
        var wrong = Pieces
            .Index()
            .Where(p =>
                p.Item is not { Shelf: >= 0 and < shelves, Lot: >= 0 and < WareLot.MostLots, Stack: >= 1 and <= Piece.MostStacked } k
                || k.X is null != k.Y is null
                || !(Math.Abs(k.X ?? 0) < 1e4 && Math.Abs(k.Y ?? 0) < 1e4 && Math.Abs(k.Turn) < 1e4)
            )
            .ToList();
        return wrong.Count == 0
            ? null
            : new($"keep.pieces[{wrong[0].Index}]", "A piece that is kept has the number of its shelf, of its lot, its place in mm and its stack.");
    }
}

/// <summary>What is to be packed, into what, by which rules.</summary>
/// <param name="Chamber">The kiln's inside.</param>
/// <param name="Props">The props there are.</param>
/// <param name="Rules">How near things may stand.</param>
/// <param name="Raw">Raw ware may touch and be stacked.</param>
/// <param name="Lots">One to two hundred.</param>
/// <param name="Handles">How much room handles are given.</param>
/// <param name="Packs">Witness packs on every shelf in sight of a peephole.</param>
/// <param name="Openings">Openings somebody wants kept, one a shelf from the bottom, mm; the topmost goes to the lid. None to leave them to the packer.</param>
/// <param name="Pieces">Pieces somebody wants kept where they are.</param>
/// <param name="Regions">What the kept shelves cover, one a shelf; none for full ones, or front and back by turns where there are only halves.</param>
/// <param name="Shelves">Which shelves it is packed on.</param>
/// <param name="Columns">Of the kept shelves, from the left, from 1; all in the first when none.</param>
public sealed record PackingRequest(
    Chamber Chamber,
    PropStock Props,
    PackingRules Rules,
    bool Raw,
    ImmutableArray<PackingLot> Lots,
    HandleChoice Handles = HandleChoice.Any,
    bool Packs = false,
    ImmutableArray<double> Openings = default,
    ImmutableArray<KeptPiece> Pieces = default,
    ImmutableArray<ShelfRegion> Regions = default,
    ShelfChoice Shelves = ShelfChoice.Any,
    ImmutableArray<int> Columns = default
)
{
    /// <summary>Most pieces packed at once.</summary>
    public const int MostPieces = 2000;

    /// <summary>Pieces on a shelf and in a stack: how many of a lot may stand on one another.</summary>
    internal int MostInStack(PackingLot lot) => Raw ? lot.Piece.Most : 1;

    /// <summary>Height of a stack with the slab under it, mm.</summary>
    internal double HeightOf(PackingLot lot, int stack) => lot.Piece.HeightOf(stack) + (HasSlab(lot) ? PackingRules.Slab.Thick : 0);

    /// <summary>Under runny glazes, where something melts.</summary>
    internal bool HasSlab(PackingLot lot) => lot.Runny && !Raw;

    /// <summary>What stands on the shelf, across, mm: the foot, or the slab under it.</summary>
    internal double Stands(PackingLot lot) => lot.Piece.Foot + (HasSlab(lot) ? PackingRules.Slab.Wider : 0);
}
