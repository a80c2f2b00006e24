using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Packing.Search;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Contracts;

/// <summary>The inside of a kiln, mm.</summary>
/// <param name="Shape">round (oval where it is wider than deep) or rectangle; round when missing.</param>
/// <param name="Depth">Front to back; the width when missing.</param>
/// <param name="Raise">The lowest shelf's underside above the floor; 25 when missing.</param>
/// <param name="Peepholes">Heights, in the middle of the front.</param>
public sealed record ChamberContract(
    ChamberShape? Shape,
    double? Width,
    double? Depth,
    double? Height,
    double? Raise,
    IReadOnlyList<ShelfContract?>? Shelves,
    IReadOnlyList<double>? Peepholes,
    ThermocoupleContract? Thermocouple
);

/// <summary>Shelves of one kind, mm.</summary>
/// <param name="Depth">Front to back, of a half shelf that half alone; the width when missing.</param>
/// <param name="Half">It covers the front or the back only.</param>
public sealed record ShelfContract(double? Width, double? Depth, double? Thickness, int? Count, bool? Half = null);

/// <summary>The tip of the thermocouple, mm.</summary>
/// <param name="Z">Above the floor.</param>
/// <param name="Reach">In from the back wall.</param>
public sealed record ThermocoupleContract(double? Z, double? Reach);

/// <summary>Props, mm.</summary>
/// <param name="Across">Each.</param>
/// <param name="MostStacked">On one another, 1 or 2.</param>
public sealed record PropsContract(double? Across, int? MostStacked, IReadOnlyList<PropContract?>? Stock);

/// <summary>Props of one height.</summary>
public sealed record PropContract(double? Height, int? Count);

/// <summary>Rules of the studio's own, mm; what is missing is usual for the firing.</summary>
/// <param name="Gap">Between pieces.</param>
/// <param name="Above">Over the tallest piece, to the next shelf.</param>
/// <param name="Lid">Over the tallest piece, to the lid.</param>
/// <param name="Wall">To the wall.</param>
/// <param name="Prop">Between ware and props.</param>
/// <param name="Tip">Around the thermocouple's tip.</param>
/// <param name="TipShelf">From the tip to a shelf.</param>
public sealed record RulesContract(
    double? Gap = null,
    double? Above = null,
    double? Lid = null,
    double? Wall = null,
    double? Prop = null,
    double? Tip = null,
    double? TipShelf = null
);

/// <summary>What somebody wants kept as it is.</summary>
/// <param name="Openings">One a shelf from the bottom, mm; the topmost goes to the lid.</param>
/// <param name="Pieces">Where they stand.</param>
/// <param name="Regions">full, front or back, one a shelf; full when missing, or front and back by turns where there are only halves.</param>
/// <param name="Columns">From the left, from 1, one a shelf, where shelves lie side by side.</param>
public sealed record KeepContract(
    IReadOnlyList<double>? Openings = null,
    IReadOnlyList<KeptPieceContract?>? Pieces = null,
    IReadOnlyList<ShelfRegion>? Regions = null,
    IReadOnlyList<int>? Columns = null
);

/// <summary>A piece kept where it is.</summary>
/// <param name="Shelf">Its number, from 1 at the bottom.</param>
/// <param name="Lot">Index of its lot.</param>
/// <param name="X">Without x and y, wherever there is room on that shelf.</param>
/// <param name="Turn">Degrees.</param>
/// <param name="Stack">On one another; 1 when missing.</param>
/// <param name="Held">Somebody put it there by hand.</param>
public sealed record KeptPieceContract(int? Shelf, int? Lot, double? X, double? Y, double? Turn = null, int? Stack = null, bool? Held = null);

/// <summary>How somebody wants a firing packed.</summary>
/// <param name="Handles">any or turned; any when missing.</param>
/// <param name="Keep">What stays as it is.</param>
/// <param name="Shelves">any, full or half; any when missing.</param>
public sealed record FiringPackingContract(HandleChoice? Handles = null, KeepContract? Keep = null, ShelfChoice? Shelves = null);

/// <summary>A load to be packed.</summary>
/// <param name="Kind">Bisque may touch and be stacked; once-fired ware is glazed and may not.</param>
/// <param name="KilnId">A kiln of the studio,</param>
/// <param name="Kiln">or one described here: its chamber and props are used.</param>
/// <param name="Chamber">Instead of the kiln's.</param>
/// <param name="Props">Instead of the kiln's.</param>
/// <param name="Load">Its lots, each with the size of its piece.</param>
/// <param name="Handles">any or turned; any when missing.</param>
/// <param name="Packs">Witness packs on every shelf in sight; when missing, in every firing but a bisque or a drying.</param>
/// <param name="Shelves">any, full or half; any when missing.</param>
public sealed record PackingRequestContract(
    ScheduleKind? Kind,
    LoadContract? Load,
    int? KilnId = null,
    KilnContract? Kiln = null,
    ChamberContract? Chamber = null,
    PropsContract? Props = null,
    RulesContract? Rules = null,
    HandleChoice? Handles = null,
    bool? Packs = null,
    KeepContract? Keep = null,
    ShelfChoice? Shelves = null
);

/// <summary>A plan of somebody's to be checked, with what it is a plan of.</summary>
/// <param name="Shelves">As the packer gives them.</param>
public sealed record PackingCheckContract(
    ScheduleKind? Kind,
    LoadContract? Load,
    IReadOnlyList<PlacedShelfContract?>? Shelves,
    int? KilnId = null,
    KilnContract? Kiln = null,
    ChamberContract? Chamber = null,
    PropsContract? Props = null,
    RulesContract? Rules = null,
    HandleChoice? Handles = null,
    bool? Packs = null
);

/// <summary>Broken rules; none for a plan that can be loaded as it is drawn.</summary>
public sealed record PackingVerdict(IReadOnlyList<BrokenRuleContract> Broken);

/// <summary>A rule a plan breaks.</summary>
/// <param name="Rule">touches, wall, off-shelf, prop, too-tall, lid, thermocouple, stack, could-tip, props-over-props, prop-stock, shelf-stock, shelves-mixed,
/// pack-hidden or pack-missing.</param>
/// <param name="Shelf">Its number; 0 for the whole.</param>
/// <param name="Piece">Index on that shelf.</param>
public sealed record BrokenRuleContract(string Rule, int Shelf, int? Piece, string Text);

/// <summary>How to pack a kiln; mm, kg and degrees. The origin is on the chamber's axis, x to the right, y to the back, z up from the floor.</summary>
/// <param name="Shelves">From the bottom.</param>
/// <param name="Fits">Everything is in.</param>
/// <param name="PickUp">Props to fetch.</param>
/// <param name="Chamber">What it was packed into.</param>
/// <param name="Broken">Rules that pieces kept by hand break.</param>
/// <param name="PropHeights">What an opening can be: heights that enough props come to, the lowest first.</param>
public sealed record PackingResponse(
    IReadOnlyList<PlacedShelfContract> Shelves,
    bool Fits,
    IReadOnlyList<LotOutcomeContract> Lots,
    IReadOnlyList<LeftOutContract> Unplaced,
    IReadOnlyList<PropContract> PickUp,
    PackingTotalsContract Totals,
    IReadOnlyList<PackingCautionContract> Cautions,
    ChamberContract Chamber,
    double PropAcross,
    IReadOnlyList<BrokenRuleContract> Broken,
    IReadOnlyList<double> PropHeights
);

/// <summary>A shelf with what is on it.</summary>
/// <param name="Number">From 1 at the bottom.</param>
/// <param name="Region">full, or front and back where two lie behind each other.</param>
/// <param name="Z">Its underside.</param>
/// <param name="Opening">To the next shelf, or to the lid.</param>
/// <param name="Props">What carries it.</param>
/// <param name="AreaShare">Of the shelf, what ware covers.</param>
/// <param name="Needs">The least opening for what stands on it under another shelf.</param>
/// <param name="Column">From the left, from 1; 1 when missing.</param>
/// <param name="Place">Its middle and size as it lies.</param>
/// <param name="Outline">Points around it: x, y, x, y …</param>
/// <param name="Where">In words, where it is not alone on its level.</param>
public sealed record PlacedShelfContract(
    int Number,
    ShelfRegion Region,
    double Z,
    double Thickness,
    double Opening,
    IReadOnlyList<PlacedPropContract> Props,
    IReadOnlyList<PlacedPieceContract> Pieces,
    PlacedPackContract? Pack,
    double WareKg,
    double AreaShare,
    double? Needs = null,
    int? Column = null,
    ShelfPlaceContract? Place = null,
    IReadOnlyList<double>? Outline = null,
    string? Where = null
);

/// <summary>A shelf as it lies, mm from the axis.</summary>
public sealed record ShelfPlaceContract(double X, double Y, double Width, double Depth);

/// <summary>A column of props.</summary>
/// <param name="Heights">From below.</param>
public sealed record PlacedPropContract(double X, double Y, IReadOnlyList<double> Heights);

/// <summary>A stack of pieces, or one.</summary>
/// <param name="Lot">Index of its lot.</param>
/// <param name="Turn">Of its handle or first side, degrees against the x axis.</param>
/// <param name="Stack">On one another.</param>
/// <param name="Held">Somebody put it there by hand.</param>
public sealed record PlacedPieceContract(int Lot, double X, double Y, double Turn, int Stack, bool? Held = null);

/// <summary>A witness pack.</summary>
/// <param name="Peephole">Height of the peephole it is seen through.</param>
public sealed record PlacedPackContract(double X, double Y, double Peephole);

/// <summary>What became of a lot.</summary>
/// <param name="Lot">Its index.</param>
/// <param name="Shelves">Numbers.</param>
public sealed record LotOutcomeContract(int Lot, int Asked, int Placed, IReadOnlyList<int> Shelves);

/// <summary>What found no room.</summary>
/// <param name="Would">What would make room.</param>
public sealed record LeftOutContract(int Lot, int Count, string Why, string Would);

/// <summary>What it comes to.</summary>
/// <param name="FurnitureKg">Shelves and props.</param>
/// <param name="Share">Of the kiln, what is full.</param>
public sealed record PackingTotalsContract(int Pieces, double WareKg, double FurnitureKg, int Shelves, double Share);

/// <summary>Something to mind while loading.</summary>
public sealed record PackingCautionContract(string Id, string Text);

/// <summary>The firings a load needs.</summary>
/// <param name="Count">How many; those that hold what can be packed at all.</param>
/// <param name="Firings">One after another, each as full as it goes.</param>
/// <param name="Never">Lots of which something fits in no firing.</param>
public sealed record PackingFirings(int Count, IReadOnlyList<PackingResponse> Firings, IReadOnlyList<LeftOutContract> Never);

/// <summary>What would take more than the plan at hand.</summary>
/// <param name="Placed">Pieces that are in now.</param>
/// <param name="Asked">Pieces in all.</param>
/// <param name="Choices">Each packed, in the order they were tried; none when all is in.</param>
public sealed record PackingChoicesResponse(int Placed, int Asked, IReadOnlyList<PackingChoiceContract> Choices);

/// <summary>A choice and what it comes to.</summary>
/// <param name="Kind">handles-turned, full-shelves, half-shelves, other-kiln or tumbled (an estimate).</param>
/// <param name="KilnId">The other kiln.</param>
/// <param name="Kiln">Its name.</param>
/// <param name="Placed">Pieces that go in then.</param>
/// <param name="Share">Of the kiln, what is full.</param>
public sealed record PackingChoiceContract(PackingChoiceKind Kind, int Placed, bool Fits, int Shelves, double Share, int? KilnId = null, string? Kiln = null);
