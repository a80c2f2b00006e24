using System.Text.Json;
using ZealousEmber.Core.Diagnosis;

namespace ZealousEmber.App.Diagnosis;

/// <summary>Faults to be explained.</summary>
public sealed record DiagnosisRequest(IReadOnlyList<FaultContract?>? Faults);

/// <summary>A fault, with what is known of the firing where it was seen.</summary>
/// <param name="Fault">underfired, pinholes, dunting, …</param>
/// <param name="Pieces">How many have it; 1 when missing.</param>
/// <param name="Severity">What became of them; looks when missing.</param>
/// <param name="Numbers">By name: numbers, true for what is so, and “where”. What is not known is left out.</param>
public sealed record FaultContract(string? Fault, int? Pieces = null, FaultSeverity? Severity = null, IReadOnlyDictionary<string, JsonElement>? Numbers = null);

/// <summary>Why, and what to change.</summary>
/// <param name="Causes">Of each fault, the weightiest first.</param>
/// <param name="Leading">Names of those to go by.</param>
/// <param name="Patch">One change; “-” where no schedule mends it.</param>
/// <param name="PatchText">What it does.</param>
/// <param name="WithBisque">A change of the bisque that may go along.</param>
/// <param name="Conflicts">Where changes pull apart.</param>
public sealed record DiagnosisResponse(IReadOnlyList<CauseContract> Causes, IReadOnlyList<string> Leading, string Patch, string? PatchText, string? WithBisque, IReadOnlyList<string> Conflicts);

/// <summary>A cause, weighed.</summary>
/// <param name="From">Where it lies.</param>
/// <param name="Points">One more doubles the odds.</param>
/// <param name="Share">Its weight among the causes of this fault; no frequency.</param>
/// <param name="Patch">What mends it; “-” where no schedule does.</param>
public sealed record CauseContract(string Fault, string Name, CauseFrom From, int Points, double Share, IReadOnlyList<EvidenceContract> Evidence, string Patch);

/// <summary>What speaks for a cause, or against it.</summary>
public sealed record EvidenceContract(string Text, double? Value, double? Limit, int Points);
