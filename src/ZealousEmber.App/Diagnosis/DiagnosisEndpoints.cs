using System.Collections.Immutable;
using System.Text.Json;
using ZealousEmber.App.Http;
using ZealousEmber.Core;
using ZealousEmber.Core.Diagnosis;

namespace ZealousEmber.App.Diagnosis;

/// <summary>Why faults came, and what to change.</summary>
internal static class DiagnosisEndpoints
{
    private const int MostFaults = 50;
    private const int MostPieces = 100_000;
    private const double MostNumber = 1e6;
    private const string NoPatch = "-";
    private const string Where = "where";

    public static void MapDiagnosis(this WebApplication app) => app
        .MapPost("/api/diagnosis", (DiagnosisRequest? request) => Answer.Of(Make(request))).WithTags("Diagnosis").WithSummary("Causes of faults weighed by what is known of the firing, and the one change to make")
        .Produces<DiagnosisResponse>().ProducesValidationProblem(422);

    private static Result<DiagnosisResponse> Make(DiagnosisRequest? request)
    {
        if (request?.Faults is not { Count: > 0 } wire) return new Problem("faults", "Name a fault first.");
        if (wire.Count > MostFaults) return new Problem("faults", $"At most {MostFaults} faults are weighed at once.");
        var problems = new List<Problem>();
        var found = wire.Select((f, i) => Read(f, $"faults[{i}]", problems)).ToList();
        if (problems.Count > 0) return Result<DiagnosisResponse>.Failed(problems);
        var causes = found.SelectMany(f => Diagnoser.Of(f.Fault, f.Numbers).Select(c => (f.Fault, Cause: c))).ToList();
        var advice = Advice.Of(found);
        return new DiagnosisResponse(
            [.. causes.Select(c => Write(c.Fault, c.Cause))], [.. causes.Where(c => c.Cause.Leads).Select(c => c.Cause.Rule.Name).Distinct()],
            advice.Patch ?? NoPatch, advice.Patch is { } patch ? Patches.Find(patch)?.Operation : null, advice.WithBisque, advice.Conflicts);
    }

    private static CauseContract Write(string fault, WeighedCause cause) => new(
        fault, cause.Rule.Name, cause.Rule.From, cause.Points, Math.Round(cause.Share, 4), [.. cause.Evidence.Select(e => new EvidenceContract(e.Text, e.Value, e.Limit, e.Points))], cause.Rule.Patch ?? NoPatch);

    private static FoundFault Read(FaultContract? wire, string field, List<Problem> problems)
    {
        if (wire?.Fault is null || !FaultRules.Faults.Contains(wire.Fault)) problems.Add(new Problem($"{field}.fault", $"Which fault? One of {string.Join(", ", FaultRules.Faults)}."));
        if (wire?.Pieces is < 1 or > MostPieces) problems.Add(new Problem($"{field}.pieces", $"From 1 to {MostPieces} pieces."));
        return new FoundFault(wire?.Fault ?? "", ReadNumbers(wire?.Numbers, $"{field}.numbers", problems), wire?.Pieces ?? 1, wire?.Severity ?? FaultSeverity.Looks);
    }

    private static FiringNumbers ReadNumbers(IReadOnlyDictionary<string, JsonElement>? wire, string field, List<Problem> problems)
    {
        var (values, flags, where) = (ImmutableDictionary.CreateBuilder<string, double>(), ImmutableHashSet.CreateBuilder<string>(), (FaultPlace?)null);
        foreach (var (name, value) in wire ?? ImmutableDictionary<string, JsonElement>.Empty)
        {
            var at = $"{field}.{(name.Length > 40 ? name[..40] : name)}";
            if (value.ValueKind == JsonValueKind.Null) continue;
            if (name == Where)
            {
                if (value.ValueKind == JsonValueKind.String && Enum.TryParse<FaultPlace>(value.GetString()!.Replace("-", "", StringComparison.Ordinal), ignoreCase: true, out var place) && Enum.IsDefined(place)) where = place;
                else problems.Add(new Problem(at, "Where it is seen: all, oneShelf, oneGlaze, oneClay, onePiece or oneLot."));
            }
            else if (FiringNumbers.Measured.Any(n => n.Name == name))
            {
                if (value.ValueKind == JsonValueKind.Number && value.TryGetDouble(out var number) && Math.Abs(number) <= MostNumber) values[name] = number;
                else problems.Add(new Problem(at, "A number is wanted here; leave it out where it is not known."));
            }
            else if (FiringNumbers.Stated.Any(n => n.Name == name))
            {
                if (value.ValueKind == JsonValueKind.True) flags.Add(name);
                else if (value.ValueKind != JsonValueKind.False) problems.Add(new Problem(at, "true where it is so."));
            }
            else problems.Add(new Problem(at, "No cause is judged by this; the names are in the description of this address."));
            if (problems.Count > 20) break;
        }
        return new FiringNumbers(values.ToImmutable(), flags.ToImmutable(), where);
    }
}
