using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing;

/// <summary>How much room handles are given.</summary>
public enum HandleChoice
{
    /// <summary>Any way round: quick to load.</summary>
    Any,

    /// <summary>Each turned as it is drawn: more pieces, more care.</summary>
    Turned,
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
public sealed record PackingLot(string What, Piece Piece, int Count, double PieceMass, bool Must = false, bool Low = false, bool Runny = false, string? Whose = null);

/// <summary>A piece somebody put where it is, or a shelf.</summary>
/// <param name="Shelf">Which, from 0 at the bottom.</param>
/// <param name="Lot">Index of its lot.</param>
/// <param name="X">mm.</param>
/// <param name="Y">mm.</param>
/// <param name="Turn">Degrees, of its handle or first side, against the x axis.</param>
/// <param name="Stack">How many stand on one another.</param>
/// <param name="Held">Somebody put it there by hand; the others only stay while it is looked at.</param>
public sealed record KeptPiece(int Shelf, int Lot, double X, double Y, double Turn, int Stack, bool Held = false);

/// <summary>How somebody wants a firing packed.</summary>
/// <param name="Handles">How much room handles are given.</param>
/// <param name="Openings">Kept, from the bottom, mm; none to leave them to the packer.</param>
/// <param name="Pieces">Kept where they are.</param>
public sealed record PackingWish(HandleChoice Handles, ImmutableArray<double> Openings, ImmutableArray<KeptPiece> Pieces)
{
    /// <summary>What cannot be kept, naming <c>packing.keep</c>; nothing when all is well.</summary>
    public Problem? Check() =>
        Openings.Length > Chamber.MostShelves || Openings.Any(o => !(o >= 5 && o <= 3000)) ? new Problem("packing.keep.openings", $"Up to {Chamber.MostShelves} openings of 5 to 3000 mm.")
        : Pieces.Length > PackingRequest.MostPieces ? new Problem("packing.keep.pieces", $"At most {PackingRequest.MostPieces} pieces are kept; these are {Pieces.Length}.")
        : Pieces.Any(p => !(Math.Abs(p.X) < 1e4 && Math.Abs(p.Y) < 1e4 && Math.Abs(p.Turn) < 1e4) || p.Stack is < 1 or > Piece.MostStacked || p.Shelf is < 0 or > 2 * Chamber.MostShelves || p.Lot is < 0 or > 200)
            ? new Problem("packing.keep.pieces", "A piece that is kept has its shelf, its lot, its place in mm and its stack.")
            : null;
}

/// <summary>What is to be packed, into what, by which rules.</summary>
/// <param name="Chamber">The kiln's inside.</param>
/// <param name="Props">The props there are.</param>
/// <param name="Rules">How near things may stand.</param>
/// <param name="Raw">Raw ware may touch and be stacked.</param>
/// <param name="Lots">One to two hundred.</param>
/// <param name="Handles">How much room handles are given.</param>
/// <param name="Packs">Witness packs on every shelf in sight of a peephole.</param>
/// <param name="Openings">Openings somebody wants kept, from the bottom, mm; none to leave them to the packer.</param>
/// <param name="Pieces">Pieces somebody wants kept where they are.</param>
public sealed record PackingRequest(
    Chamber Chamber, PropStock Props, PackingRules Rules, bool Raw, ImmutableArray<PackingLot> Lots, HandleChoice Handles = HandleChoice.Any, bool Packs = false,
    ImmutableArray<double> Openings = default, ImmutableArray<KeptPiece> Pieces = default)
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
