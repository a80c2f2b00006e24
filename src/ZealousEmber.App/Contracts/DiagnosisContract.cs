using System.Text.Json;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Contracts;

/// <summary>Faults to be explained: by numbers, or by the firing they came from.</summary>
/// <param name="Faults">What was found.</param>
/// <param name="Curve">What the display showed, °C; numbers are taken from it where a fault does not give them.</param>
/// <param name="Load">What was in it, lot by lot.</param>
/// <param name="Packs">As read.</param>
/// <param name="Schedule">What was fired.</param>
/// <param name="GoalCone">The schedule's own when missing.</param>
/// <param name="Kind">The schedule's own when missing, else glaze.</param>
/// <param name="KilnId">Where it was fired.</param>
/// <param name="Kiln">A kiln described here, instead.</param>
/// <param name="OpenedCelsius">The chamber when it was opened; the last reading when missing, if that is under 250.</param>
public sealed record DiagnosisRequest(
    IReadOnlyList<FoundFaultContract?>? Faults,
    IReadOnlyList<ReplaySample?>? Curve = null,
    LoadContract? Load = null,
    IReadOnlyList<PackContract?>? Packs = null,
    ScheduleContract? Schedule = null,
    string? GoalCone = null,
    ScheduleKind? Kind = null,
    int? KilnId = null,
    KilnContract? Kiln = null,
    double? OpenedCelsius = null
);

/// <summary>A fault, with what is known of the firing where it was seen.</summary>
/// <param name="Fault">underfired, pinholes, dunting, …</param>
/// <param name="Pieces">How many have it; 1 when missing.</param>
/// <param name="Severity">What became of them; looks when missing.</param>
/// <param name="Numbers">By name: numbers, true for what is so, and “where”. What is not known is left out.</param>
/// <param name="Lot">Index of the lot in the load, from 0.</param>
/// <param name="Shelf">Where it stood, as packs name shelves.</param>
/// <param name="Later">It came days after.</param>
public sealed record FoundFaultContract(
    string? Fault,
    int? Pieces = null,
    FaultSeverity? Severity = null,
    IReadOnlyDictionary<string, JsonElement>? Numbers = null,
    int? Lot = null,
    ShelfName? Shelf = null,
    bool? Later = null
);

/// <summary>Why, and what to change.</summary>
/// <param name="Causes">Of each fault, the weightiest first.</param>
/// <param name="Leading">Names of those to go by.</param>
/// <param name="Patch">One change; “-” where no schedule mends it.</param>
/// <param name="PatchText">What it does.</param>
/// <param name="WithBisque">A change of the bisque that may go along.</param>
/// <param name="Conflicts">Where changes pull apart.</param>
public sealed record DiagnosisResponse(
    IReadOnlyList<CauseContract> Causes,
    IReadOnlyList<string> Leading,
    string Patch,
    string? PatchText,
    string? WithBisque,
    IReadOnlyList<string> Conflicts
);

/// <summary>A cause, weighed.</summary>
/// <param name="From">Where it lies.</param>
/// <param name="Points">One more doubles the odds.</param>
/// <param name="Share">Its weight among the causes of this fault; no frequency.</param>
/// <param name="Patch">What mends it; “-” where no schedule does.</param>
public sealed record CauseContract(string Fault, string Name, CauseFrom From, int Points, double Share, IReadOnlyList<EvidenceContract> Evidence, string Patch);

/// <summary>What speaks for a cause, or against it.</summary>
public sealed record EvidenceContract(string Text, double? Value, double? Limit, int Points);
