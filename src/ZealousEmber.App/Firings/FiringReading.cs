using System.Collections.Immutable;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Firings;

/// <summary>Packs and ware of a finished firing.</summary>
internal static class FiringReading
{
    private const string What = "reading";

    public static void MapReading(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings/{id:int}").Needs(Right.See).WithTags("Reading");
        api.MapGet("reading", Show).WithSummary("What was read of a firing, and what it says").Produces<ReadingView>().ProducesProblem(404);
        api.MapPut("reading", (int id, ReadingContract? wire, [AsParameters] ReadingStudio studio, HttpContext context, CancellationToken cancel) =>
                Save(id, wire?.Packs ?? [], wire?.Results ?? new ResultsContract(), studio, context, cancel)
            )
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("Save packs and results over the version named in If-Match")
            .Produces<ReadingView>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(412);
        api.MapPut("packs", async (int id, PacksRequest? wire, [AsParameters] ReadingStudio studio, HttpContext context, CancellationToken cancel) =>
                wire?.Packs is null
                    ? ProblemResponses.Of([new Problem("packs", "Which packs were read? An empty list takes them away.")])
                    : await Save(id, wire.Packs, null, studio, context, cancel)
            )
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("Save the packs as they were read; over the version in If-Match, where one is named")
            .Produces<PacksResponse>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(412);
        api.MapPut("results", async (int id, ResultsContract? wire, [AsParameters] ReadingStudio studio, HttpContext context, CancellationToken cancel) =>
                wire is null ? ProblemResponses.Of([new Problem("", "Results are missing here.")]) : await Save(id, null, wire, studio, context, cancel)
            )
            .Needs(Right.Run, NeedOf.Firing)
            .WithSummary("Save what came out; over the version in If-Match, where one is named")
            .Produces<ResultsContract>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(412);
    }

    private static async Task<IResult> Show(int id, [AsParameters] ReadingStudio studio, HttpResponse response, CancellationToken cancel)
    {
        if (await studio.Reader.Read(id, cancel) is not { } firing)
            return ProblemResponses.NotFound("started firing");
        Versions.WriteTag(response, firing.Record.Version, firing.Record.SaveKey);
        return Results.Ok(await View(firing, studio, cancel));
    }

    /// <summary>Saves packs, results or both, and answers with as much.</summary>
    private static async Task<IResult> Save(
        int id,
        IReadOnlyList<PackContract?>? wirePacks,
        ResultsContract? wireResults,
        ReadingStudio studio,
        HttpContext context,
        CancellationToken cancel
    )
    {
        // A deleted one keeps its start, and is none to read from.
        if (!await studio.Firings.Exists(id, cancel))
            return ProblemResponses.NotFound("firing");
        if (await studio.Runs.Find(id, cancel) is not { } run)
            return ProblemResponses.Conflict("This firing was never started here. Import its log first, or start it by hand.");
        if (run.ClosedAt is not null)
            return ProblemResponses.Conflict("This firing is closed. Open it again to change what was read.");
        int? version = null;
        if (context.Request.Headers.IfMatch.Count > 0 && !Versions.TryReadIfMatch(context.Request, out version))
            return Versions.PreconditionFailed(context.Request);
        // Who says no version means the one there is now: of several at once only the first has seen it.
        version ??= context.Request.Headers.IfMatch.Count == 0 ? (await studio.Records.Find(id, cancel)).Version : null;
        var problems = new List<Problem>();
        var both = wirePacks is not null && wireResults is not null;
        ImmutableArray<ReadPack>? packs = wirePacks is null ? null : PackMapping.Read(wirePacks, "packs", problems);
        var results = wireResults is null ? null : await ReadResults(id, wireResults, studio, both ? "results" : "", problems, cancel);
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        switch (await studio.Records.Save(id, run.KilnId, version, packs, results, Versions.Stamp(context.Request), cancel))
        {
            case SaveOutcome<FiringRecord>.Conflict { Current: var current }:
                // Deleted meanwhile by somebody else: then there is nothing to be shown beside it.
                if (await studio.Reader.Read(id, cancel) is not { } there)
                    break;
                return Versions.Conflict(What, current.Version, current.SaveKey, await View(there, studio, cancel), context.Response);
            case SaveOutcome<FiringRecord>.Saved:
                await studio.Reader.Refresh(id, cancel);
                if (await studio.Reader.Read(id, cancel) is not { } firing)
                    break;
                Versions.WriteTag(context.Response, firing.Record.Version, firing.Record.SaveKey);
                return Results.Ok(
                    both ? await View(firing, studio, cancel)
                    : packs is not null ? Said(firing)
                    : (object)ResultsMapping.Write(firing.Record.Results)
                );
        }
        return ProblemResponses.NotFound("firing");
    }

    private static async Task<FiringResults?> ReadResults(
        int id,
        ResultsContract wire,
        ReadingStudio studio,
        string under,
        List<Problem> problems,
        CancellationToken cancel
    )
    {
        var lots = (await studio.Firings.Find(id, cancel))?.Item.Lots ?? [];
        var faults = (wire.Faults ?? [])
            .Take(FiringResults.MostFaults + 1)
            .Select(f => new WareFault(f?.Kind ?? "", f?.Lot, f?.Shelf?.Text, f?.Count ?? 1, f?.Severity ?? FaultSeverity.Looks, f?.Later == true, f?.Note))
            .ToList();
        var read = FiringResults.Create(wire.Out, wire.Lost, faults, [.. lots.Select(l => l.Count)], wire.Word, wire.Reference == true);
        problems.AddRange(read.Problems.Select(p => under.Length > 0 ? p.Under(under) : p));
        return read.IsOk ? read.Value : null;
    }

    private static PacksResponse Said(ReadFiring firing)
    {
        const double EightOfTen = 1.28;
        var packs = firing.Packs;
        double? Round(double? value) => value is { } v ? Math.Round(v, 1) : null;
        var told = packs.Where(p => p is { Bound: 0, Offset: not null }).ToList();
        return new PacksResponse(
            [
                .. packs.Select(p => new ShelfHeatContract(
                    new ShelfName(p.Shelf),
                    Math.Round(p.Equivalent, 1),
                    firing.Run.Goal is { } goal ? Round(p.Past(goal)) : null,
                    Math.Round(EightOfTen * p.Sd, 1),
                    p.Bound,
                    Round(p.Offset)
                )),
            ],
            told.Count == 0
                ? null
                : new TaughtNumber(
                    Math.Round(told.Average(p => p.Offset!.Value), 1),
                    Math.Round(Math.Sqrt(told.Sum(p => p.Sd * p.Sd)) / told.Count, 1),
                    told.Count
                ),
            Round(packs.Spread()),
            firing.Taught is { } taught
                ? LearnedAfter.From((taught.History.FirstOrDefault(h => h.FiringId == firing.Run.FiringId)?.Learned) ?? taught.Learned)
                : null,
            firing.Record.Version
        );
    }

    private static async Task<ReadingView> View(ReadFiring firing, ReadingStudio studio, CancellationToken cancel)
    {
        var (run, record) = (firing.Run, firing.Record);
        var schedule =
            firing.Draft.Item.Schedule is { } pinned && await studio.Schedules.Find(pinned.Id, cancel) is { } there
                ? new ScheduleOfFiring(pinned.Id, pinned.Version, there.Item.Name, there.Version)
                : null;
        var lots = firing.Draft.Item.Lots;
        return new ReadingView(
            FiringId: run.FiringId,
            Version: record.Version,
            Reading: new ReadingContract([.. record.Packs.Select(PackMapping.Write)], ResultsMapping.Write(record.Results)),
            Said: Said(firing),
            Expected: Expected(firing),
            Shelves: Shelves(firing),
            Lots:
            [
                .. lots.Select(
                    (l, i) =>
                        new ReadLot(
                            l.What ?? "ware",
                            l.Count ?? 0,
                            firing.Load is { } load ? [.. load.Lots[i].Glazes.Select(g => g.Name)] : [],
                            firing.Load?.Lots[i].Clay?.Name
                        )
                ),
            ],
            GoalCone: run.Goal?.Number,
            State: run.State(run.Clock(studio.Now)),
            KilnId: run.KilnId,
            KilnName: firing.Kiln.Name,
            Figures: record.Figures?.Numbers ?? ImmutableDictionary<string, double>.Empty,
            Faults: FaultRules.FaultsIn(run.IsFuel),
            Photos: [.. firing.Entries.Where(e => e.Kind == EntryKind.Photo).Select(e => new ReadPhoto(e.Key, e.Text))],
            Schedule: schedule,
            HasLog: firing.Log is not null,
            Air: await Air(firing, studio, cancel)
        );
    }

    /// <summary>How long in which air, beside the last good firing of the kind in the same kiln; nothing where nothing is known of it.</summary>
    private static async Task<AirOfFiring?> Air(ReadFiring firing, ReadingStudio studio, CancellationToken cancel)
    {
        if (Breathed(firing) is not { } minutes)
            return null;
        var run = firing.Run;
        var from = AirNumbers.Of(firing.Breathed, firing.Log).Where(n => n.Name == "reducedFrom").Select(n => (double?)Math.Round(n.Value)).FirstOrDefault();
        var good = await studio.Records.Search(new LogbookQuery(KilnId: run.KilnId, Kind: run.Kind, Until: run.StartsAt, GoodOnly: true), 0, 2, cancel);
        if (
            good.Items.FirstOrDefault(r => r.FiringId != run.FiringId) is not { } last
            || await studio.Reader.Read(last.FiringId, cancel, withTaught: false) is not { } before
            || Breathed(before) is not { } then
        )
            return new AirOfFiring(minutes, from, null);
        return new AirOfFiring(minutes, from, new AirBefore(last.FiringId, last.Name, then));
    }

    private static AirMinutes? Breathed(ReadFiring firing)
    {
        if (firing.Log is null || firing.Breathed is not { Length: > 0 } air)
            return null;
        var minutes = AirNumbers.Minutes(air, firing.Log);
        return new AirMinutes(
            Math.Round(minutes[Atmosphere.Oxidising]),
            Math.Round(minutes[Atmosphere.Neutral]),
            Math.Round(minutes[Atmosphere.LightReduction]),
            Math.Round(minutes[Atmosphere.HeavyReduction])
        );
    }

    /// <summary>Where packs stood: on the shelves that were read, and on those of a usual kiln where nobody said.</summary>
    private static IReadOnlyList<ShelfName> Shelves(ReadFiring firing)
    {
        string[] usual = ["top", "middle", "bottom"];
        var read = firing.Record.Packs.Select(p => p.Shelf).ToList();
        return [.. (read.Count > 0 && read.All(s => s.All(char.IsAsciiDigit)) ? read.OrderDescending() : usual.Union(read)).Select(s => new ShelfName(s))];
    }

    private static IReadOnlyList<ExpectedCone> Expected(ReadFiring firing)
    {
        var run = firing.Run;
        var aim = run.Goal ?? firing.Record.Packs.FirstOrDefault()?.Cones[0].Cone;
        if (aim is not { } goal)
            return [];
        var planned = run.Model.Run(run.Program);
        var shown = run.Taught is { Offset: { } offset } ? new DisplayOffset(offset, 0, run.Taught.OffsetSd) : null;
        var curve = planned.IsOk ? shown?.True(planned.Value.Compiled.Curve) ?? planned.Value.Compiled.Curve : null;
        var log = firing.Log is { } felt && shown is not null ? shown.True(felt) : null;
        return
        [
            .. run.Cones.Select(cone =>
            {
                var kinetics = ConeTable.Of(cone).Kinetics;
                return new ExpectedCone(
                    cone.Number,
                    curve is null ? 0 : Math.Round(ConeBend.Degrees(HeatWork.Of(kinetics, curve)), 1),
                    firing.Progress.IsEmpty ? null : Math.Round(ConeBend.Degrees(log is null ? firing.Progress[cone.Order] : HeatWork.Of(kinetics, log)), 1)
                );
            }),
        ];
    }
}

/// <summary>What the reading's addresses work with.</summary>
internal readonly record struct ReadingStudio(
    FiringReader Reader,
    FiringRuns Runs,
    FiringRecords Records,
    Repository<Core.Firing.FiringDraft> Firings,
    ScheduleRepository Schedules,
    TimeProvider Time
)
{
    /// <summary>The program's clock.</summary>
    public NodaTime.Instant Now => NodaTime.Instant.FromUnixTimeMilliseconds(Time.GetUtcNow().ToUnixTimeMilliseconds());
}
