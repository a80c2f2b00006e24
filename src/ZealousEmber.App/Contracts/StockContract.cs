using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Contracts;

/// <summary>A clay.</summary>
/// <param name="ConeFrom">Coolest cone it matures at.</param>
/// <param name="ConeTo">Hottest.</param>
/// <param name="Shrinkage">%, wet to fired.</param>
/// <param name="Absorption">%, fired.</param>
/// <param name="BurnsOutSlowly">Dark, iron-bearing or recycled.</param>
public sealed record ClayContract(
    string? Name,
    ClayKind? Kind = null,
    string? ConeFrom = null,
    string? ConeTo = null,
    double? Shrinkage = null,
    double? Absorption = null,
    bool? BurnsOutSlowly = null,
    string? Notes = null
);

/// <summary>A glaze.</summary>
/// <param name="Runny">Short holds, a waste slab.</param>
/// <param name="NeedsHold">Pinholes without one.</param>
/// <param name="Fades">Its colour burns out when held long.</param>
/// <param name="WantsFastCooling">Slow cooling dulls it.</param>
/// <param name="SlowFrom">Upper end of the band its crystals grow in, in the unit.</param>
/// <param name="SlowTo">Lower end.</param>
/// <param name="SlowHours">How long it wants there.</param>
/// <param name="Unit">Of the band; C when missing.</param>
public sealed record GlazeContract(
    string? Name,
    string? ConeFrom = null,
    string? ConeTo = null,
    bool? Runny = null,
    bool? NeedsHold = null,
    bool? Fades = null,
    bool? WantsFastCooling = null,
    double? SlowFrom = null,
    double? SlowTo = null,
    double? SlowHours = null,
    TemperatureUnit? Unit = null,
    string? Notes = null
);

/// <summary>A stored clay.</summary>
public sealed record VersionedClayContract(int Id, int Version, DateTimeOffset UpdatedAt, ClayContract Clay);

/// <summary>A stored glaze.</summary>
public sealed record VersionedGlazeContract(int Id, int Version, DateTimeOffset UpdatedAt, GlazeContract Glaze);

/// <summary>A lot of ware that is alike.</summary>
/// <param name="What">Plates, mugs, tiles.</param>
/// <param name="Wall">Thickest wall, mm.</param>
/// <param name="Width">Flat ware's width, mm.</param>
/// <param name="ClosedHollow">Closed, with no hole for steam.</param>
/// <param name="OneSided">Solid, or with its whole foot on the shelf.</param>
/// <param name="Dryness">bone-dry when missing; of bisqued ware, how wet its fresh glaze still is.</param>
/// <param name="ClayId">A clay of the studio.</param>
/// <param name="Clay">Or one described here.</param>
/// <param name="GlazeIds">Glazes of the studio.</param>
/// <param name="Glazes">Or described here.</param>
/// <param name="Next">What happens after a bisque; dipping when missing.</param>
/// <param name="PieceKg">A piece; where nobody weighed it, what follows from its size and wall, and 0.6 kg where no size is known either.</param>
/// <param name="Typed">How wall, width and pieceKg were typed where it was not in mm or kg; shown again as it was typed.</param>
/// <param name="GlazedAlready">Fired before with glaze on it: decorated, mended or used ware.</param>
/// <param name="Piece">Its size, for packing.</param>
/// <param name="Must">Goes in before the others when not all fits.</param>
public sealed record LotContract(
    string? What,
    int? Count,
    double? Wall,
    double? Width = null,
    bool? ClosedHollow = null,
    bool? OneSided = null,
    Dryness? Dryness = null,
    int? ClayId = null,
    ClayContract? Clay = null,
    IReadOnlyList<int>? GlazeIds = null,
    IReadOnlyList<GlazeContract?>? Glazes = null,
    string? Whose = null,
    NextStep? Next = null,
    double? PieceKg = null,
    IReadOnlyDictionary<string, string>? Typed = null,
    bool? GlazedAlready = null,
    PieceContract? Piece = null,
    bool? Must = null
);

/// <summary>A piece as room is made for it, mm; what is missing is usual for its shape.</summary>
/// <param name="Shape">round or rectangle; round when missing.</param>
/// <param name="Across">The body, or one side.</param>
/// <param name="Deep">A rectangle's other side.</param>
/// <param name="Height">As it stands, lid on.</param>
/// <param name="Handle">How far a handle or spout sticks out.</param>
/// <param name="Foot">What stands on the shelf, across; 0.65 of across when missing.</param>
/// <param name="Stacking">none, nest, layers, spacers or flat: raw ware only.</param>
/// <param name="Most">In a stack.</param>
/// <param name="Step">What each further piece adds to a stack.</param>
public sealed record PieceContract(
    PieceShape? Shape = null,
    double? Across = null,
    double? Deep = null,
    double? Height = null,
    double? Handle = null,
    double? Foot = null,
    Stacking? Stacking = null,
    int? Most = null,
    double? Step = null
);
