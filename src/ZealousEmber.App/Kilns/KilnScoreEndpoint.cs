using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Learning;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>How well a kiln's firings were foretold.</summary>
internal static class KilnScoreEndpoint
{
    public static void MapKilnScore(this WebApplication app) =>
        app.MapGet("/api/kilns/{id:int}/score", Score)
            .Needs(Right.See)
            .WithTags("Learning")
            .WithSummary("What was foretold of a kiln’s firings beside what came, the share inside the band, and how far bands are widened for it")
            .Produces<KilnScoreContract>()
            .ProducesProblem(404);

    private static async Task<IResult> Score(
        int id,
        Repository<StudioKiln> kilns,
        Repository<FiringDraft> firings,
        FiringReader reader,
        KilnScores scores,
        CancellationToken cancel
    )
    {
        if (await kilns.Find(id, cancel) is not { } kiln)
            return ProblemResponses.NotFound("kiln");
        await reader.Refresh(cancel);
        var (scored, widening) = (await scores.Of(id, cancel), await scores.Widening(id, cancel));
        var names = await firings.FindAll([.. scored.Select(s => s.Run.FiringId)], cancel);
        var figures = scored
            .SelectMany(s => s.Numbers.Where(n => n is { Came: not null, IsInside: not null }).Select(n => (s.Run, Number: n)))
            .GroupBy(s => s.Number.Told.Kind)
            .OrderBy(g => g.Key)
            .Select(g =>
            {
                var (inside, of, by) = (g.Count(s => s.Number.IsInside == true), g.Count(), widening.Of(g.Key));
                return new KilnScoreFigure(
                    Kind: g.Key,
                    Label: ScoreWords.Label(g.Key),
                    Unit: ScoreWords.Unit(g.Key),
                    Inside: inside,
                    Of: of,
                    Share: Math.Round((double)inside / of, 3),
                    Widened: by,
                    Text: ScoreWords.Figure(inside, of, by),
                    Points:
                    [
                        .. g.Select(s => new ScoredPoint(
                            FiringId: s.Run.FiringId,
                            Name: names.GetValueOrDefault(s.Run.FiringId)?.Name ?? "",
                            At: s.Run.StartsAt.ToDateTimeOffset(),
                            Shelf: s.Number.Shelf,
                            From: s.Number.Told.From,
                            Likely: s.Number.Told.Likely,
                            To: s.Number.Told.To,
                            Came: Math.Round(s.Number.Came!.Value, 2),
                            IsInside: s.Number.IsInside!.Value
                        )),
                    ]
                );
            })
            .ToList();
        return Results.Ok(
            new KilnScoreContract(
                id,
                scored.Count,
                figures,
                ScoreWords.Kiln(kiln.Item.Name, scored.Count, figures.Sum(f => f.Inside), figures.Sum(f => f.Of), figures.Any(f => f.Widened > 1))
            )
        );
    }
}
