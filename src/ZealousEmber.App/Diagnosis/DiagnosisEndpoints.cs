using System.Collections.Immutable;
using System.Text.Json;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Diagnosis;

/// <summary>Why faults came, and what to change.</summary>
internal static class DiagnosisEndpoints
{
    private const int MostFaults = 50;
    private const int MostPieces = 100_000;
    private const double MostNumber = 1e6;
    private const double OpenedBelow = 250;
    private const string NoPatch = "-";
    private const string Where = "where";

    public static void MapDiagnosis(this WebApplication app) =>
        app.MapPost("/api/diagnosis", async (DiagnosisRequest? request, StudioLookup lookup) => Answer.Of(await Make(request, lookup)))
            .Needs(Right.BeSomebody)
            .WithMetadata(new BodySize(BodyLimit.Log))
            .WithTags("Diagnosis")
            .WithSummary("Causes of faults weighed by what is known of the firing, and the one change to make")
            .Produces<DiagnosisResponse>()
            .ProducesValidationProblem(422);

    private static async Task<Result<DiagnosisResponse>> Make(DiagnosisRequest? request, StudioLookup lookup)
    {
        if (request?.Faults is not { Count: > 0 } wire)
            return new Problem("faults", "Name a fault first.");
        if (wire.Count > MostFaults)
            return new Problem("faults", $"At most {MostFaults} faults are weighed at once.");
        var problems = new List<Problem>();
        var facts = await ReadFacts(request, lookup, problems);
        var found = wire.Select((f, i) => Read(f, $"faults[{i}]", facts, problems)).ToList();
        if (problems.Count > 0)
            return Result<DiagnosisResponse>.Failed(problems);
        var causes = found.SelectMany(f => Diagnoser.Of(f.Fault, f.Numbers).Select(c => (f.Fault, Cause: c))).ToList();
        var advice = Advice.Of(found);
        return new DiagnosisResponse(
            [.. causes.Select(c => Write(c.Fault, c.Cause))],
            [.. causes.Where(c => c.Cause.Leads).Select(c => c.Cause.Rule.Name).Distinct()],
            advice.Patch ?? NoPatch,
            advice.Patch is { } patch ? Patches.Find(patch)?.Operation : null,
            advice.WithBisque,
            advice.Conflicts
        );
    }

    private static CauseContract Write(string fault, WeighedCause cause) =>
        new(
            fault,
            cause.Rule.Name,
            cause.Rule.From,
            cause.Points,
            Math.Round(cause.Share, 4),
            [.. cause.Evidence.Select(e => new EvidenceContract(e.Text, e.Value, e.Limit, e.Points))],
            cause.Rule.Patch ?? NoPatch
        );

    /// <summary>What is known of the firing the faults came from; nothing where only numbers are given.</summary>
    private static async Task<FiringFacts?> ReadFacts(DiagnosisRequest request, StudioLookup lookup, List<Problem> problems)
    {
        if (request is { Curve: null, Load: null, Packs: null, Schedule: null })
            return null;
        var (schedule, start) = request.Schedule is null ? (null, Temperature.FromCelsius(20)) : ScheduleMapping.ReadUnnamed(request.Schedule, null, problems);
        var kind = request.Kind ?? schedule?.Kind ?? ScheduleKind.Glaze;
        var goal = ScheduleMapping.ReadCone(request.GoalCone, "goalCone", problems) ?? schedule?.Goal;
        var place = await KilnAndLoad.Read(request.KilnId, request.Kiln, request.Load, kind, start, lookup, problems);
        var log = LogCurve.Of(LogSamples.ReadSamples(request.Curve ?? [], problems, "curve"));
        var packs = PackMapping.Read(request.Packs, "packs", problems);
        if (request.OpenedCelsius is { } given && !(given is >= -50 and <= 1400))
            problems.Add(new Problem("openedCelsius", "How hot was it when it was opened, in °C?"));
        if (problems.Count > 0)
            return null;
        double? last = log?.Points[^1].Celsius;
        double Logged(Cone cone) => HeatWork.Of(ConeTable.Of(cone).Kinetics, log!);
        return new FiringFacts(
            Log: log,
            Kind: kind,
            Goal: goal,
            Boiling: place.Kiln.Boiling,
            Load: place.Ware,
            Packs: [.. packs.Select(p => ShelfHeat.Of(p, log is null ? null : Logged))],
            Equivalent: log is not null && goal is { } aim ? ConeTable.Of(aim).Kinetics.EndPoint(60, Math.Max(Logged(aim), 1e-9)) : null,
            OpenedAt: request.OpenedCelsius ?? (last < OpenedBelow ? last : null),
            ProgramTop: schedule?.Program.Steps.Max(s => s.Target?.Celsius)
        );
    }

    private static FoundFault Read(FoundFaultContract? wire, string field, FiringFacts? facts, List<Problem> problems)
    {
        if (wire?.Fault is null || !FaultRules.Faults.Contains(wire.Fault))
            problems.Add(new Problem($"{field}.fault", $"Which fault? One of {string.Join(", ", FaultRules.Faults)}."));
        if (wire?.Pieces is < 1 or > MostPieces)
            problems.Add(new Problem($"{field}.pieces", $"From 1 to {MostPieces} pieces."));
        if (wire?.Lot is { } lot && (lot < 0 || lot >= (facts?.Load?.Lots.Length ?? 0)))
            problems.Add(new Problem($"{field}.lot", "There is no such lot in this load; they are counted from 0."));
        if (wire?.Shelf?.Text.Length > ReadPack.LongestShelf)
            problems.Add(new Problem($"{field}.shelf", $"At most {ReadPack.LongestShelf} characters."));
        var numbers = ReadNumbers(wire?.Numbers, $"{field}.numbers", problems);
        var found = new FoundFault(wire?.Fault ?? "", numbers, wire?.Pieces ?? 1, wire?.Severity ?? FaultSeverity.Looks);
        if (facts is null || problems.Count > 0)
            return found;
        // What is given as a number counts before what the log tells.
        var told = facts
            .Found([new WareFault(found.Fault, wire?.Lot, wire?.Shelf?.Text.Trim().ToLowerInvariant(), found.Pieces, found.Severity, wire?.Later == true)])
            .Numbers;
        return found with { Numbers = new FiringNumbers(told.Values.SetItems(numbers.Values), told.Flags.Union(numbers.Flags), numbers.Where ?? told.Where) };
    }

    private static FiringNumbers ReadNumbers(IReadOnlyDictionary<string, JsonElement>? wire, string field, List<Problem> problems)
    {
        var (values, flags, where) = (ImmutableDictionary.CreateBuilder<string, double>(), ImmutableHashSet.CreateBuilder<string>(), (FaultPlace?)null);
        foreach (var (name, value) in wire ?? ImmutableDictionary<string, JsonElement>.Empty)
        {
            var at = $"{field}.{(name.Length > 40 ? name[..40] : name)}";
            if (value.ValueKind == JsonValueKind.Null)
                continue;
            if (name == Where)
            {
                if (
                    value.TextOf() is { } said
                    && Enum.TryParse<FaultPlace>(said.Replace("-", "", StringComparison.Ordinal), ignoreCase: true, out var place)
                    && Enum.IsDefined(place)
                )
                    where = place;
                else
                    problems.Add(new Problem(at, "Where it is seen: all, oneShelf, oneGlaze, oneClay, onePiece or oneLot."));
            }
            else if (FiringNumbers.Measured.Any(n => n.Name == name))
            {
                if (value.ValueKind == JsonValueKind.Number && value.TryGetDouble(out var number) && Math.Abs(number) <= MostNumber)
                    values[name] = number;
                else
                    problems.Add(new Problem(at, "A number is wanted here; leave it out where it is not known."));
            }
            else if (FiringNumbers.Stated.Any(n => n.Name == name))
            {
                if (value.ValueKind == JsonValueKind.True)
                    flags.Add(name);
                else if (value.ValueKind != JsonValueKind.False)
                    problems.Add(new Problem(at, "true where it is so."));
            }
            else
                problems.Add(new Problem(at, "No cause is judged by this; the names are in the description of this address."));
            if (problems.Count > 20)
                break;
        }
        return new FiringNumbers(values.ToImmutable(), flags.ToImmutable(), where);
    }
}
