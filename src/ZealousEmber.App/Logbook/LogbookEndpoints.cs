using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Logbook;

/// <summary>Every finished firing: found, followed over time.</summary>
internal static class LogbookEndpoints
{
    private const int MostTaken = 200;
    private const int UsualTaken = 50;
    private const int MostFollowed = 5000;

    // A line through more points than a screen is wide shows no more.
    private const int MostDrawn = 500;

    public static void MapLogbook(this WebApplication app)
    {
        app.MapGet("/api/logbook", Search)
            .Needs(Right.See)
            .WithTags("Logbook")
            .WithSummary("Finished firings that match, the latest first")
            .Produces<LogbookPage>()
            .ProducesValidationProblem(422);
        app.MapGet("/api/logbook/trends", Trends)
            .Needs(Right.See)
            .WithTags("Logbook")
            .WithSummary("Climb times, offset, cost and losses over time, of what matches")
            .Produces<TrendsResponse>()
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> Search([AsParameters] LogbookSearch search, FiringReader reader, FiringRecords records, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var query = search.Read(problems);
        if (search.Skip is < 0 or > 1_000_000)
            problems.Add(new Problem("skip", "From 0 to a million."));
        if (search.Take is < 1 or > MostTaken)
            problems.Add(new Problem("take", $"From 1 to {MostTaken}."));
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        await reader.Refresh(cancel);
        var page = await records.Search(query, search.Skip ?? 0, search.Take ?? UsualTaken, cancel);
        return Results.Ok(new LogbookPage([.. page.Items.Select(Write)], page.Total));
    }

    internal static LogbookFiring Write(LogbookRow r) =>
        new(
            FiringId: r.FiringId,
            Name: r.Name,
            Kind: r.Kind,
            KilnId: r.KilnId,
            StartsAt: r.StartsAt.ToDateTimeOffset(),
            By: r.By,
            Goal: r.Goal,
            Reached: r.Reached,
            ScheduleId: r.ScheduleId,
            ScheduleVersion: r.ScheduleVersion,
            Glazes: r.Glazes,
            Clays: r.Clays,
            Faults: r.Faults,
            Out: r.Out,
            Lost: r.Lost,
            Good: r is { Out: not null, Lost: null or 0, Faults.Count: 0 },
            Reference: r.IsReference,
            Figures: r.Figures?.Numbers ?? (IReadOnlyDictionary<string, double>)new Dictionary<string, double>(),
            Curve: [.. (r.Figures?.Thumbnail ?? []).Select(p => new CurveMinute(p.Minutes, p.Celsius))]
        );

    private static async Task<IResult> Trends([AsParameters] LogbookSearch search, FiringReader reader, FiringRecords records, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        var query = search.Read(problems);
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        await reader.Refresh(cancel);
        var all = await records.Follow(query, MostFollowed, cancel);
        return Results.Ok(
            new TrendsResponse(
                [
                    .. all.TakeLast(MostDrawn)
                        .Select(r => new TrendPoint(
                            FiringId: r.FiringId,
                            Name: r.Name,
                            At: r.StartsAt.ToDateTimeOffset(),
                            KilnId: r.KilnId,
                            Kind: r.Kind,
                            TopHours: r.TopHours,
                            Past: r.Past,
                            Offset: r.Offset,
                            Cost: r.Cost,
                            Kwh: r.Kwh,
                            Lost: r.Lost,
                            Out: r.Out
                        )),
                ],
                [.. all.SelectMany(r => r.Faults).CountBy(f => f).OrderByDescending(f => f.Value).Select(f => new FaultCount(f.Key, f.Value))],
                all.Count,
                all.Sum(r => r.Out ?? 0),
                all.Sum(r => r.Lost ?? 0)
            )
        );
    }
}
