using ZealousEmber.App.Http;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Packing;

namespace ZealousEmber.App.Packing;

/// <summary>Will it fit, how, and what stands where.</summary>
internal static class PackingEndpoints
{
    public static void MapPacking(this WebApplication app)
    {
        var api = app.MapGroup("/api/packing").WithTags("Packing");
        api.MapPost("", async (PackingRequestContract? request, StudioLookup lookup) => Answer.Of(await Pack(request, lookup)))
            .WithSummary("How to pack a load into a kiln: shelves, props, heights, and a place for every piece");
        api.MapPost("check", async (PackingCheckContract? request, StudioLookup lookup) => Answer.Of(await Check(request, lookup)))
            .WithSummary("Which rules a plan breaks, and at which piece");
        api.MapPost("firings", async (PackingRequestContract? request, StudioLookup lookup, HttpContext context) => Answer.Of(await Firings(request, lookup, context.RequestAborted)))
            .WithSummary("How many firings a load needs, one after another");
    }

    private static async Task<Result<PackingResponse>> Pack(PackingRequestContract? wire, StudioLookup lookup)
    {
        var request = await PackingMapping.Read(wire, lookup);
        if (!request.IsOk) return Result<PackingResponse>.Failed(request.Problems);
        var plan = Packer.Pack(request.Value);
        return plan.IsOk ? PackingMapping.Write(plan.Value, request.Value) : Result<PackingResponse>.Failed([.. plan.Problems.Select(AtTheLoad)]);
    }

    private static async Task<Result<PackingVerdict>> Check(PackingCheckContract? wire, StudioLookup lookup)
    {
        wire ??= new PackingCheckContract(null, null, null);
        var request = await PackingMapping.Read(new PackingRequestContract(wire.Kind, wire.Load, wire.KilnId, wire.Kiln, wire.Chamber, wire.Props, wire.Rules, wire.Handles, wire.Packs), lookup);
        if (!request.IsOk) return Result<PackingVerdict>.Failed(request.Problems);
        var shelves = PackingMapping.ReadShelves(wire.Shelves, request.Value.Lots.Length);
        if (!shelves.IsOk) return Result<PackingVerdict>.Failed(shelves.Problems);
        return new PackingVerdict([.. PackingCheck.Of(request.Value, shelves.Value).Select(PackingMapping.Write)]);
    }

    private static async Task<Result<PackingFirings>> Firings(PackingRequestContract? wire, StudioLookup lookup, CancellationToken cancel)
    {
        var request = await PackingMapping.Read(wire, lookup);
        if (!request.IsOk) return Result<PackingFirings>.Failed(request.Problems);
        var firings = PackingFiringCount.Of(request.Value, cancel);
        if (!firings.IsOk) return Result<PackingFirings>.Failed([.. firings.Problems.Select(AtTheLoad)]);
        return new PackingFirings(
            firings.Value.Firings.Length, [.. firings.Value.Firings.Select(f => PackingMapping.Write(f.Plan, f.Request))], [.. firings.Value.Never.Select(PackingMapping.Write)]);
    }

    private static Problem AtTheLoad(Problem problem) => problem.Field == "lots" ? problem with { Field = "load.lots" } : problem;
}
