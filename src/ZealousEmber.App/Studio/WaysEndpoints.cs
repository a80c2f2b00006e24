using ZealousEmber.App.Http;
using ZealousEmber.App.Planning;
using ZealousEmber.Core;
using ZealousEmber.Core.Planning;
using ZealousEmber.Store;
using ZealousEmber.Store.Studio;

namespace ZealousEmber.App.Studio;

/// <summary>The ways the studio plans by when nobody says otherwise: read and save.</summary>
internal static class WaysEndpoints
{
    public static void MapWays(this WebApplication app)
    {
        var api = app.MapGroup("/api/studio/ways").WithTags("Studio");
        api.MapGet("", async (StudioWaysStore store, HttpResponse response, CancellationToken cancel) => Ok(await store.Read(cancel), response))
            .WithSummary("The studio's own default in everything people differ on").Produces<StoredWaysContract>();
        api.MapPut("", Save).WithSummary("Save over the version named in If-Match; what is missing stays")
            .Produces<StoredWaysContract>().ProducesValidationProblem(422).ProducesProblem(412).ProducesProblem(428);
    }

    private static async Task<IResult> Save(WaysContract? ways, StudioWaysStore store, HttpContext context, CancellationToken cancel)
    {
        if (!Versions.TryReadIfMatch(context.Request, out var version)) return Versions.NotNamed(context.Request);
        var problems = new List<Problem>();
        var read = PlanWords.Read(ways ?? new WaysContract(), (await store.Read(cancel)).Ways, problems);
        if (problems.Count > 0) return ClearProblems.Of(problems);
        return await store.Save(version, read, cancel) switch
        {
            SaveOutcome<StoredStudioWays>.Saved { Stored: var stored } => Ok(stored, context.Response),
            SaveOutcome<StoredStudioWays>.Clash { Current: var current } => Versions.Clash("page", current.Version, Write(current), context.Response),
            _ => ClearProblems.Missing("studio"),
        };
    }

    private static StoredWaysContract Write(StoredStudioWays stored) => new(stored.Version, Say(stored.Ways));

    private static WaysContract Say(PlanWays ways) => new(
        PlanWords.Dryings.Say(ways.Drying), PlanWords.Bisques.Say(ways.Bisque), PlanWords.Approaches.Say(ways.Approach), PlanWords.Holds.Say(ways.Hold), PlanWords.Coolings.Say(ways.Cooling));

    private static IResult Ok(StoredStudioWays stored, HttpResponse response)
    {
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Ok(Write(stored));
    }
}
