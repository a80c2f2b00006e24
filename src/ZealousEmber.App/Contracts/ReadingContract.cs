using ZealousEmber.App.Wire;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing.Live;

namespace ZealousEmber.App.Contracts;

/// <summary>Packs of a firing.</summary>
public sealed record PacksRequest(IReadOnlyList<PackContract?>? Packs);

/// <summary>What packs say.</summary>
/// <param name="Offsets">Shelf by shelf.</param>
/// <param name="Offset">Pack minus log, the mean of the shelves, °C of cone; nothing without a log.</param>
/// <param name="Evenness">Between the hottest and the coolest shelf; nothing for fewer than two.</param>
/// <param name="Learned">What the kiln has taught, with this firing.</param>
public sealed record PacksResponse(IReadOnlyList<ShelfHeatContract> Offsets, TaughtNumber? Offset, double? Evenness, LearnedAfter? Learned, int Version);

/// <summary>What a shelf got.</summary>
/// <param name="Equivalent">The end point at 60 °C/h that does as much, °C.</param>
/// <param name="Past">°C of cone past the goal; nothing without one.</param>
/// <param name="Tolerance">8 of 10 such packs lie within so much, either way.</param>
/// <param name="Bound">−1: it got at most so much; 1: at least; 0: known from both sides.</param>
/// <param name="Offset">Pack minus log; nothing without a log.</param>
public sealed record ShelfHeatContract(ShelfName Shelf, double Equivalent, double? Past, double Tolerance, int Bound, double? Offset);

/// <summary>What came out.</summary>
/// <param name="Out">Pieces out of the kiln.</param>
/// <param name="Lost">Of them lost.</param>
/// <param name="Faults">What is wrong with some.</param>
/// <param name="Word">A word about it.</param>
/// <param name="Reference">This is what such a firing should look like.</param>
public sealed record ResultsContract(
    int? Out = null,
    int? Lost = null,
    IReadOnlyList<WareFaultContract?>? Faults = null,
    string? Word = null,
    bool? Reference = null
);

/// <summary>A fault on ware.</summary>
/// <param name="Kind">underfired, pinholes, dunting, …</param>
/// <param name="Lot">Index of the lot, from 0; of any when missing.</param>
/// <param name="Shelf">Where it stood.</param>
/// <param name="Count">How many have it; 1 when missing.</param>
/// <param name="Severity">What became of them; looks when missing.</param>
/// <param name="Later">It came days after.</param>
public sealed record WareFaultContract(
    string? Kind,
    int? Lot = null,
    ShelfName? Shelf = null,
    int? Count = null,
    FaultSeverity? Severity = null,
    bool? Later = null,
    string? Note = null
);

/// <summary>Packs and results together, as the read stage saves them.</summary>
public sealed record ReadingContract(IReadOnlyList<PackContract?>? Packs, ResultsContract? Results);

/// <summary>The reading of a firing, and what it says.</summary>
/// <param name="Version">Counts its saves; 0 before the first.</param>
/// <param name="Said">What the packs say.</param>
/// <param name="Expected">What each cone of a usual pack should have done: by the plan, and by the log.</param>
/// <param name="Shelves">Where packs stood, as it was packed; top, middle and bottom where nobody packed it here.</param>
/// <param name="Lots">What went in.</param>
/// <param name="Figures">The firing in numbers.</param>
/// <param name="Faults">Those this kiln can make.</param>
/// <param name="Air">Of a fuel kiln: how long in which air.</param>
public sealed record ReadingView(
    int FiringId,
    int Version,
    ReadingContract Reading,
    PacksResponse Said,
    IReadOnlyList<ExpectedCone> Expected,
    IReadOnlyList<ShelfName> Shelves,
    IReadOnlyList<ReadLot> Lots,
    string? GoalCone,
    FiringState? State,
    int KilnId,
    string KilnName,
    IReadOnlyDictionary<string, double> Figures,
    IReadOnlyList<string> Faults,
    IReadOnlyList<ReadPhoto> Photos,
    ScheduleOfFiring? Schedule,
    bool HasLog,
    AirOfFiring? Air = null
);

/// <summary>The air of a firing above 750 °C, up to the end of its top.</summary>
/// <param name="ReducedFrom">°C where reduction began; nothing where it never did.</param>
/// <param name="Before">The last good firing of the kind in this kiln.</param>
public sealed record AirOfFiring(AirMinutes Minutes, double? ReducedFrom, AirBefore? Before);

/// <summary>Minutes in each kind of air.</summary>
public sealed record AirMinutes(double Oxidising, double Neutral, double LightReduction, double HeavyReduction);

/// <summary>The air of another firing.</summary>
public sealed record AirBefore(int FiringId, string Name, AirMinutes Minutes);

/// <summary>The schedule a firing was fired with, and where that schedule is now.</summary>
public sealed record ScheduleOfFiring(int Id, int? Version, string Name, int PresentVersion);

/// <summary>A photo of the log.</summary>
public sealed record ReadPhoto(string Key, string? Text);

/// <summary>A cone as it should have come out.</summary>
/// <param name="Planned">Bend by the plan, degrees.</param>
/// <param name="Logged">Bend by what the display showed and is known to be off by; nothing without a log.</param>
public sealed record ExpectedCone(string Cone, double Planned, double? Logged);

/// <summary>A lot that went in.</summary>
public sealed record ReadLot(string What, int Count, IReadOnlyList<string> Glazes, string? Clay);

/// <summary>A cause of a fault of this firing.</summary>
/// <param name="Cause">In words.</param>
/// <param name="Probability">Its weight among the causes of this fault; no frequency.</param>
/// <param name="Evidence">What speaks for it, or against it.</param>
/// <param name="NotFiring">It has nothing to do with how it was fired: no firing mends it.</param>
/// <param name="Patch">What to change; nothing where no schedule does.</param>
/// <param name="Fault">Of which fault.</param>
/// <param name="Leads">It is the one to go by, alone or with another.</param>
/// <param name="Advised">Of all faults together, this is the change to make.</param>
public sealed record FiringCause(
    string Cause,
    double Probability,
    IReadOnlyList<FiringEvidence> Evidence,
    bool NotFiring,
    FiringPatch? Patch,
    string Fault,
    int Pieces,
    CauseFrom From,
    int Points,
    bool Leads,
    bool Advised,
    IReadOnlyList<string> Conflicts
);

/// <summary>A number of this firing that speaks for a cause or against it.</summary>
/// <param name="FromMinute">Where on the log; nothing where it is not of a stretch.</param>
public sealed record FiringEvidence(string Text, double? Value, double? Limit, double? FromMinute, double? ToMinute, int Points);

/// <summary>A change.</summary>
/// <param name="Name">burn, work+, band+, …</param>
/// <param name="Text">What is changed, in a sentence.</param>
/// <param name="Note">What else belongs to it.</param>
/// <param name="Steps">The steps afterwards; nothing where no step changes.</param>
/// <param name="Schedule">The whole schedule afterwards.</param>
public sealed record FiringPatch(
    [property: NamedIn(typeof(Patches))] string Name,
    string Text,
    string? Note,
    IReadOnlyList<SegmentContract>? Steps,
    PatchSide? Before,
    PatchSide? After,
    ScheduleContract? Schedule
);

/// <summary>A schedule before or after a change, in this kiln with this load.</summary>
/// <param name="Line">In shorthand.</param>
/// <param name="Cone">As a potter would say it.</param>
/// <param name="Cones">The goal and its neighbours.</param>
public sealed record PatchSide(
    string Line,
    double Top,
    double HoldMinutes,
    double Minutes,
    double OpenMinute,
    double? Kwh,
    double? Cost,
    string Cone,
    IReadOnlyList<PatchCone> Cones,
    IReadOnlyList<CurveMinute> Curve
);

/// <summary>A cone at the end.</summary>
public sealed record PatchCone(string Cone, double BendDegrees);

/// <summary>A change to be made.</summary>
/// <param name="Patch">Which.</param>
/// <param name="OverVersion">The schedule's version that was seen; refused where it has moved on since.</param>
public sealed record ChangeRequest(string? Patch, int? OverVersion = null);

/// <summary>The next version of a schedule.</summary>
/// <param name="Before">The version before it; 0 where the schedule is new.</param>
public sealed record ChangeResponse(int ScheduleId, int Version, int Before, string Name, string Text);

/// <summary>What the latest firing that was read says.</summary>
/// <param name="Shelves">What the cones say, shelf by shelf.</param>
/// <param name="Faults">What was wrong with its ware.</param>
/// <param name="Change">What to change next; nothing where nothing asks for it.</param>
public sealed record MorningContract(
    int FiringId,
    string Name,
    int KilnId,
    string Kiln,
    string GoalCone,
    IReadOnlyList<MorningShelf> Shelves,
    IReadOnlyList<string> Faults,
    MorningChange? Change
);

/// <summary>A pack.</summary>
/// <param name="Past">°C of cone past the goal.</param>
/// <param name="Bound">1 where it was that much at least, -1 at most, 0 where it was read from both sides.</param>
public sealed record MorningShelf(ShelfName Shelf, double Past, int Bound);

/// <summary>The change a firing asks for.</summary>
/// <param name="Patch">Which, as the change is made by.</param>
/// <param name="Text">In a sentence.</param>
/// <param name="Kelvins">How much hotter its top gets.</param>
/// <param name="HoldMinutes">How much longer it is held.</param>
/// <param name="ScheduleId">Whose next version it makes.</param>
/// <param name="MovedOn">The schedule's present version, where that is another than was fired.</param>
public sealed record MorningChange(string Patch, string Text, double Kelvins, double HoldMinutes, int? ScheduleId, string? Schedule, int? MovedOn);
