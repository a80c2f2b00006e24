using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Packing.Rules;
using ZealousEmber.Core.Packing.Search;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.App.Packing;

/// <summary>Will it fit, how, and what stands where.</summary>
internal static class PackingEndpoints
{
    // No studio waits for more of them.
    private const int MostKilns = 12;

    public static void MapPacking(this WebApplication app)
    {
        var api = app.MapGroup("/api/packing").Needs(Right.See).WithTags("Packing");
        api.MapPost("", async (PackingRequestContract? request, StudioLookup lookup, CancellationToken cancel) =>
                Answer.Of(await Pack(request, lookup, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithSummary("How to pack a load into a kiln: shelves, props, heights, and a place for every piece");
        api.MapPost("check", async (PackingCheckContract? request, StudioLookup lookup) => Answer.Of(await Check(request, lookup)))
            .Needs(Right.BeSomebody)
            .WithSummary("Which rules a plan breaks, and at which piece");
        api.MapPost("firings", async (PackingRequestContract? request, StudioLookup lookup, CancellationToken cancel) =>
                Answer.Of(await Firings(request, lookup, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithSummary("How many firings a load needs, one after another");
        api.MapPost("choices", async (PackingRequestContract? request, StudioLookup lookup, Repository<StudioKiln> kilns, CancellationToken cancel) =>
                Answer.Of(await Choices(request, lookup, kilns, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithSummary("What would take more when not all of it goes in: handles turned, other shelves, another kiln");
    }

    private static async Task<Result<PackingResponse>> Pack(PackingRequestContract? wire, StudioLookup lookup, CancellationToken cancel)
    {
        var request = await PackingMapping.Read(wire, lookup);
        if (!request.IsOk)
            return Result<PackingResponse>.Failed(request.Problems);
        var plan = Packer.Pack(request.Value, cancel);
        return plan.IsOk ? PackingMapping.Write(plan.Value, request.Value) : Result<PackingResponse>.Failed([.. plan.Problems.Select(AtTheLoad)]);
    }

    private static async Task<Result<PackingVerdict>> Check(PackingCheckContract? wire, StudioLookup lookup)
    {
        wire ??= new PackingCheckContract(null, null, null);
        var request = await PackingMapping.Read(
            new PackingRequestContract(wire.Kind, wire.Load, wire.KilnId, wire.Kiln, wire.Chamber, wire.Props, wire.Rules, wire.Handles, wire.Packs),
            lookup
        );
        if (!request.IsOk)
            return Result<PackingVerdict>.Failed(request.Problems);
        var shelves = PackingMapping.ReadShelves(wire.Shelves, request.Value.Lots.Length);
        if (!shelves.IsOk)
            return Result<PackingVerdict>.Failed(shelves.Problems);
        return new PackingVerdict([.. PackingCheck.Of(request.Value, shelves.Value).Select(PackingMapping.Write)]);
    }

    private static async Task<Result<PackingFirings>> Firings(PackingRequestContract? wire, StudioLookup lookup, CancellationToken cancel)
    {
        var request = await PackingMapping.Read(wire, lookup);
        if (!request.IsOk)
            return Result<PackingFirings>.Failed(request.Problems);
        var firings = PackingFiringCount.Of(request.Value, cancel);
        if (!firings.IsOk)
            return Result<PackingFirings>.Failed([.. firings.Problems.Select(AtTheLoad)]);
        return new PackingFirings(
            firings.Value.Firings.Length,
            [.. firings.Value.Firings.Select(f => PackingMapping.Write(f.Plan, f.Request))],
            [.. firings.Value.Never.Select(PackingMapping.Write)]
        );
    }

    private static async Task<Result<PackingChoicesResponse>> Choices(
        PackingRequestContract? wire,
        StudioLookup lookup,
        Repository<StudioKiln> kilns,
        CancellationToken cancel
    )
    {
        var request = await PackingMapping.Read(wire, lookup);
        if (!request.IsOk)
            return Result<PackingChoicesResponse>.Failed(request.Problems);
        var others = (await kilns.Search(null, cancel)).Where(k => k.Id != wire?.KilnId).Take(MostKilns).ToList();
        var found = PackingChoices.Of(request.Value, [.. others.Select(k => (k.Item.Chamber, k.Item.Props))], cancel);
        if (!found.IsOk)
            return Result<PackingChoicesResponse>.Failed([.. found.Problems.Select(AtTheLoad)]);
        var (placed, asked, choices) = found.Value;
        return new PackingChoicesResponse(
            placed,
            asked,
            [
                .. choices.Select(c => new PackingChoiceContract(
                    c.Kind,
                    c.Placed,
                    c.Placed == asked,
                    c.Shelves,
                    c.Share,
                    c.Kiln is { } i ? others[i].Id : null,
                    c.Kiln is { } k ? others[k].Item.Name : null
                )),
            ]
        );
    }

    private static Problem AtTheLoad(Problem problem) => problem.Field == "lots" ? problem with { Field = "load.lots" } : problem;
}
