using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Files;
using ZealousEmber.Core.People;

namespace ZealousEmber.App.Schedules;

/// <summary>Schedules with what came of them.</summary>
internal static class ScheduleShareEndpoint
{
    private const int MostTold = 12;

    public static void MapScheduleShare(this WebApplication app) =>
        app.MapGet("/api/schedules/{id:int}/share", Share)
            .Needs(Right.See)
            .WithTags("Logbook")
            .WithSummary("A schedule with how its firings came out in its notes, as a file another studio imports")
            .Produces<ScheduleFile>()
            .ProducesProblem(404);

    private static async Task<IResult> Share(int id, ScheduleShare share, HttpResponse response, CancellationToken cancel) =>
        await share.Of(id, MostTold, cancel) is { } file
            ? Answer.Named(response, $"schedule-{id}.json", Results.Json(file))
            : ProblemResponses.NotFound("schedule");
}
