using System.Text.Json;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Contracts;

/// <summary>Part of the logbook.</summary>
/// <param name="Total">How many match in all.</param>
public sealed record LogbookPage(IReadOnlyList<LogbookFiring> Firings, int Total);

/// <summary>A finished firing in short.</summary>
/// <param name="Reached">The hottest cone that is as good as down: at half past 4 or further.</param>
/// <param name="Faults">Kinds of faults.</param>
/// <param name="Good">Counted, nothing lost, no fault.</param>
/// <param name="Figures">In numbers, by name.</param>
/// <param name="Curve">Small.</param>
public sealed record LogbookFiring(
    int FiringId,
    string Name,
    ScheduleKind Kind,
    int KilnId,
    DateTimeOffset StartsAt,
    string? By,
    string? Goal,
    string? Reached,
    int? ScheduleId,
    int? ScheduleVersion,
    IReadOnlyList<int> Glazes,
    IReadOnlyList<int> Clays,
    IReadOnlyList<string> Faults,
    int? Out,
    int? Lost,
    bool Good,
    bool Reference,
    IReadOnlyDictionary<string, double> Figures,
    IReadOnlyList<CurveMinute> Curve
);

/// <summary>Firings to be compared.</summary>
/// <param name="Firings">Their numbers, 2 to 12.</param>
/// <param name="Align">start, top, rise or fall; a number is a rise through so many °C.</param>
/// <param name="Celsius">With rise and fall: through what.</param>
public sealed record CompareRequest(IReadOnlyList<int>? Firings, JsonElement? Align = null, double? Celsius = null);

/// <summary>Firings on one chart, and what sets them apart.</summary>
/// <param name="Differences">By number of a firing.</param>
/// <param name="Mattered">What probably mattered, in sentences.</param>
public sealed record CompareResponse(
    Alignment Align,
    double? Celsius,
    IReadOnlyList<ComparedFiring> Firings,
    IReadOnlyList<ComparedNumber> Differences,
    IReadOnlyList<string> Mattered
);

/// <summary>A firing on the chart.</summary>
/// <param name="ZeroMinute">The minute of its own that is laid on 0; nothing where it never comes there, and it is laid at its start.</param>
/// <param name="Curve">Minutes from there.</param>
public sealed record ComparedFiring(
    int FiringId,
    string Name,
    DateTimeOffset StartsAt,
    int KilnId,
    double? ZeroMinute,
    IReadOnlyList<CurveMinute> Curve,
    IReadOnlyList<string> Faults,
    int? Out,
    int? Lost,
    bool Reference
);

/// <summary>A number of each.</summary>
/// <param name="Values">One for each firing, in their order; nothing where it is not known.</param>
/// <param name="Weight">How many times what is worth a thought they differ.</param>
public sealed record ComparedNumber(string Name, string Label, string Unit, IReadOnlyList<double?> Values, double Weight, bool Mattered);

/// <summary>Numbers over time.</summary>
/// <param name="Points">The earliest first.</param>
/// <param name="Causes">Pieces lost or spoiled by fault.</param>
public sealed record TrendsResponse(IReadOnlyList<TrendPoint> Points, IReadOnlyList<FaultCount> Causes, int Firings, int Pieces, int Lost);

/// <summary>A firing's numbers that are followed over time.</summary>
public sealed record TrendPoint(
    int FiringId,
    string Name,
    DateTimeOffset At,
    int KilnId,
    ScheduleKind Kind,
    double? TopHours,
    double? Past,
    double? Offset,
    double? Cost,
    double? Kwh,
    int? Lost,
    int? Out
);

/// <summary>How often a fault was found.</summary>
public sealed record FaultCount(string Fault, int Firings);

/// <summary>A firing on paper.</summary>
/// <param name="IsByTurns">Nobody logged it: its curve is worked out from its turns and what was seen.</param>
/// <param name="Curve">What it was; empty where nobody knows.</param>
/// <param name="Lines">In the order of time.</param>
public sealed record LogSheetContract(int FiringId, bool IsByTurns, IReadOnlyList<CurveMinute> Curve, IReadOnlyList<LogSheetLineContract> Lines);

/// <summary>A line of it.</summary>
/// <param name="Celsius">What it was then.</param>
/// <param name="Asked">What it should have been, °C; nothing once it cools by itself.</param>
/// <param name="Kind">What was noted; nothing for an hour that only went by.</param>
/// <param name="Text">What was noted, in words.</param>
public sealed record LogSheetLineContract(double Minute, DateTimeOffset At, double? Celsius, double? Asked, EntryKind? Kind, string? Text, string? By);

/// <summary>The turns that were made the last time.</summary>
/// <param name="Turns">In the order of time.</param>
public sealed record LastTurnsContract(int FiringId, string Name, DateTimeOffset StartsAt, IReadOnlyList<LastTurnContract> Turns);

/// <summary>A turn that was made.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="Set">In words.</param>
/// <param name="Celsius">How hot it was then, as it was read or worked out.</param>
public sealed record LastTurnContract(double Minute, string Set, double? Celsius);
