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
public sealed record KeptPiece(int Shelf, int Lot, double X, double Y, double Turn, int Stack);

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
