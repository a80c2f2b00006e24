using System.Text;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Files;
using ZealousEmber.Core.People;

namespace ZealousEmber.App.Firings;

/// <summary>Firings as files.</summary>
internal static class FiringFileEndpoints
{
    public static void MapFiringFiles(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings/{id:int}").Needs(Right.See).WithTags("Logbook");
        api.MapGet("file", async (int id, FiringFiles files, HttpResponse response, CancellationToken cancel) =>
                await files.Of(id, cancel) is { } file
                    ? Answer.Named(response, $"firing-{id}.json", Results.Json(file))
                    : ProblemResponses.NotFound("started firing")
            )
            .WithSummary("A firing as one open file: plan, program, log, entries, photos, packs, results")
            .Produces<FiringFile>()
            .ProducesProblem(404);
        api.MapGet("log.csv", async (int id, FiringFiles files, CancellationToken cancel) =>
                await files.Csv(id, cancel) is { } csv
                    ? Results.File(Encoding.UTF8.GetBytes(csv), "text/csv; charset=utf-8", $"firing-{id}.csv")
                    : ProblemResponses.NotFound("started firing")
            )
            .WithSummary("Its log as CSV")
            .Produces(200, contentType: "text/csv")
            .ProducesProblem(404);
    }
}
