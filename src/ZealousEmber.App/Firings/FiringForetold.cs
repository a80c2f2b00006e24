using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Learning;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>What was foretold of a firing when it was started, beside what came.</summary>
internal static class FiringForetold
{
    public static void MapFiringForetold(this WebApplication app) =>
        app.MapGet("/api/firings/{id:int}/foretold", Foretold)
            .Needs(Right.See)
            .WithTags("Learning")
            .WithSummary("What was foretold of a started firing, beside what came")
            .Produces<ForetoldContract>()
            .ProducesProblem(404);

    private static async Task<IResult> Foretold(int id, FiringRuns runs, FiringReader reader, FiringRecords records, CancellationToken cancel)
    {
        if (await runs.Find(id, cancel) is not { } run)
            return ProblemResponses.NotFound("started firing");
        await reader.Refresh(cancel);
        var numbers = ScoredFiring.Of(run, await records.Find(id, cancel)).Numbers;
        return Results.Ok(
            new ForetoldContract(
                id,
                [
                    .. numbers.Select(n => new ForetoldNumberContract(
                        Kind: n.Told.Kind,
                        Label: ScoreWords.Label(n.Told.Kind),
                        Unit: ScoreWords.Unit(n.Told.Kind),
                        Shelf: n.Shelf,
                        From: n.Told.From,
                        Likely: n.Told.Likely,
                        To: n.Told.To,
                        Widened: n.Told.Widened,
                        Came: n.Came is { } came ? Math.Round(came, 2) : null,
                        IsInside: n.IsInside
                    )),
                ],
                ScoreWords.Firing(numbers.Count(n => n.IsInside == true), numbers.Count(n => n.IsInside is not null), numbers.Length)
            )
        );
    }
}
