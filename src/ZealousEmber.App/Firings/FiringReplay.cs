using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>What was told of a firing as it went on.</summary>
internal static class FiringReplay
{
    private const int MostReports = 500;
    private const int UsualReports = 96;

    public static void MapFiringReplay(this WebApplication app) =>
        app.MapGet("/api/firings/{id:int}/replay", Again)
            .Needs(Right.See)
            .RequireRateLimiting(LargeBodies.Queue)
            .WithTags("Live")
            .WithSummary("What was told of a firing as it went on, at so many moments evenly spread")
            .Produces<LiveContract[]>()
            .ProducesProblem(404)
            .ProducesValidationProblem(422);

    private static async Task<IResult> Again(int id, int? reports, [AsParameters] LiveStudio studio, SampleLog samples, CancellationToken cancel)
    {
        if (reports is < 2 or > MostReports)
            return ProblemResponses.Of([new Problem("reports", $"From 2 to {MostReports} reports.")]);
        if (await studio.Runs.Find(id, cancel) is not { } run)
            return ProblemResponses.NotFound("started firing");
        return Results.Ok(new RunningFiring(run).Replay(await samples.Read(id, cancel), await studio.Runs.Entries(id, cancel), reports ?? UsualReports));
    }
}
