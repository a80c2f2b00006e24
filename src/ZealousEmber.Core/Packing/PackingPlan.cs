using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing;

/// <summary>The part of the chamber a shelf covers.</summary>
public enum ShelfRegion
{
    /// <summary>All of its depth.</summary>
    Full,

    /// <summary>In front of another.</summary>
    Front,

    /// <summary>Behind another.</summary>
    Back,
}

/// <summary>A stack of props.</summary>
/// <param name="X">mm.</param>
/// <param name="Y">mm.</param>
/// <param name="Heights">From below, mm.</param>
public sealed record PlacedProp(double X, double Y, ImmutableArray<double> Heights)
{
    /// <summary>In all, mm.</summary>
    public double Height => Heights.Sum();
}

/// <summary>A stack of pieces on a shelf; of one only, the piece.</summary>
/// <param name="Lot">Index of the lot.</param>
/// <param name="X">Middle of the room it is given, mm: of its body, where its handle is turned.</param>
/// <param name="Y">mm.</param>
/// <param name="Turn">Degrees, of its handle or first side, against the x axis; 0 where it may stand any way round.</param>
/// <param name="Stack">How many stand on one another.</param>
/// <param name="Held">Somebody put it there by hand.</param>
public sealed record PlacedPiece(int Lot, double X, double Y, double Turn, int Stack, bool Held = false);

/// <summary>Witness cones in sight of a peephole.</summary>
/// <param name="X">Middle of the pack, mm.</param>
/// <param name="Y">mm.</param>
/// <param name="Peephole">Height of the peephole it is seen through, mm.</param>
public sealed record PlacedPack(double X, double Y, double Peephole);

/// <summary>A shelf with what is on it.</summary>
/// <param name="Number">From 1 at the bottom.</param>
/// <param name="Region">What it covers.</param>
/// <param name="Z">Its underside, mm above the floor.</param>
/// <param name="Thickness">mm.</param>
/// <param name="Opening">From its top to the underside of the shelf over it, or to the lid, mm.</param>
/// <param name="Props">What carries it.</param>
/// <param name="Pieces">What stands on it.</param>
/// <param name="Pack">Its witness pack, where it has one.</param>
/// <param name="WareKg">Mass of the ware on it.</param>
/// <param name="AreaShare">Of the shelf, what the ware covers.</param>
/// <param name="Needs">The least opening for what stands on it under another shelf, mm.</param>
/// <param name="Column">From the left, from 1, where shelves lie side by side.</param>
/// <param name="Place">Its middle and size as it lies.</param>
public sealed record PlacedShelf(
    int Number,
    ShelfRegion Region,
    double Z,
    double Thickness,
    double Opening,
    ImmutableArray<PlacedProp> Props,
    ImmutableArray<PlacedPiece> Pieces,
    PlacedPack? Pack,
    double WareKg,
    double AreaShare,
    double Needs = 0,
    int Column = 1,
    ShelfPlace Place = default
)
{
    /// <summary>Where on its level it lies.</summary>
    public ShelfSlot Slot => new(Region, Column);

    /// <summary>Its top, mm above the floor.</summary>
    public double Top => Z + Thickness;
}

/// <summary>What became of a lot.</summary>
/// <param name="Lot">Index of the lot.</param>
/// <param name="Asked">Pieces.</param>
/// <param name="Placed">Pieces.</param>
/// <param name="Shelves">Numbers of the shelves it is on.</param>
public sealed record LotOutcome(int Lot, int Asked, int Placed, ImmutableArray<int> Shelves);

/// <summary>Pieces that found no room.</summary>
/// <param name="Lot">Index of the lot.</param>
/// <param name="Count">Pieces.</param>
/// <param name="Why">In a sentence.</param>
/// <param name="Would">What would make room, in a sentence.</param>
public sealed record LeftOut(int Lot, int Count, string Why, string Would);

/// <summary>What it comes to.</summary>
/// <param name="Pieces">Placed.</param>
/// <param name="WareKg">Of ware placed.</param>
/// <param name="FurnitureKg">Of shelves and props.</param>
/// <param name="Shelves">Used.</param>
/// <param name="Share">Of the chamber's usable height times floor, what the levels with ware take.</param>
public sealed record PackingTotals(int Pieces, double WareKg, double FurnitureKg, int Shelves, double Share);

/// <summary>Something to mind while loading.</summary>
/// <param name="Id">Stable: nearly-empty, no-pack, heavy-shelf, shelf-wash, salt-props.</param>
/// <param name="Text">A sentence.</param>
public sealed record PackingCaution(string Id, string Text);

/// <summary>How a kiln is to be packed.</summary>
/// <param name="Shelves">From the bottom.</param>
/// <param name="Lots">Each lot.</param>
/// <param name="Unplaced">What found no room.</param>
/// <param name="PickUp">Props to fetch, by height.</param>
/// <param name="Totals">In all.</param>
/// <param name="Cautions">What to mind.</param>
/// <param name="PropHeights">Heights that enough props come to for a shelf, the lowest first: what an opening can be.</param>
public sealed record PackingPlan(
    ImmutableArray<PlacedShelf> Shelves,
    ImmutableArray<LotOutcome> Lots,
    ImmutableArray<LeftOut> Unplaced,
    ImmutableArray<PropCount> PickUp,
    PackingTotals Totals,
    ImmutableArray<PackingCaution> Cautions,
    ImmutableArray<double> PropHeights
)
{
    /// <summary>Everything is in.</summary>
    public bool Fits => Unplaced.IsEmpty;
}
