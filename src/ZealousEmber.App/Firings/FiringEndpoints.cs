using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.App.Firings;

/// <summary>Firings: find, add, change, delete, restore.</summary>
internal static class FiringEndpoints
{
    // Each comes with all of its ware: two kilobytes or so.
    private const int UsualPart = 40;

    public static void MapFirings(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings").Needs(Right.See).WithTags("Firings");
        api.AddEndpointFilter(KeepUnderWay);
        new RepositoryEndpoints<FiringContract, VersionedFiringContract, FiringDraft>("firing", FiringPins.Read, FiringMapping.Write, Right.Reserve).Map(
            api,
            "/api/firings",
            Search
        );
    }

    [EndpointSummary("Firings, a part at a time: ?stage=planned, under-way or fired, those the latest first; all by name without one")]
    private static async Task<IResult> Search(
        string? search,
        string? stage,
        int? skip,
        int? take,
        Repository<FiringDraft> firings,
        FiringFinder find,
        HttpContext context,
        CancellationToken cancel
    )
    {
        var asked = WireEnums.Read<FiringStage>(stage);
        if (asked is null && !string.IsNullOrWhiteSpace(stage))
            return ProblemResponses.Of([WireEnums.Unknown<FiringStage>("stage", "a stage of a firing", stage)]);
        var part = Part.Read(skip, take, UsualPart);
        if (!part.IsOk)
            return ProblemResponses.Of(part.Problems);
        var (from, size) = part.Value;
        var found = asked is { } at ? await find.At(at, search, from, size, cancel) : await firings.Search(search, from, size, cancel);
        part.Value.WriteHeaders(context, found.Total);
        return Results.Ok(found.Items.Select(FiringMapping.Write));
    }

    /// <summary>A firing that is in its kiln is not deleted: it goes on all the same.</summary>
    private static async ValueTask<object?> KeepUnderWay(EndpointFilterInvocationContext invocation, EndpointFilterDelegate next)
    {
        var context = invocation.HttpContext;
        if (
            HttpMethods.IsDelete(context.Request.Method)
            && int.TryParse(context.Request.RouteValues["id"] as string, out var id)
            && await context.RequestServices.GetRequiredService<FiringRuns>().Started(id, context.RequestAborted) is { OpenedAt: null }
        )
            return Results.Problem(
                statusCode: StatusCodes.Status409Conflict,
                title: "Not now",
                detail: "This firing is in its kiln. Note there that it was opened; then it can be deleted."
            );
        return await next(invocation);
    }
}
