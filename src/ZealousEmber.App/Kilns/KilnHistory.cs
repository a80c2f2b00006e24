using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>A kiln over the years.</summary>
internal static class KilnHistory
{
    private const int MostFollowed = 5000;

    // A line through more points than a screen is wide shows no more.
    private const int MostDrawn = 500;

    public static void MapKilnHistory(this WebApplication app) =>
        app.MapGet("/api/kilns/{id:int}/history", History)
            .Needs(Right.See)
            .WithTags("Learning")
            .WithSummary("A kiln's firings, maintenance, reminders, climbs and months")
            .Produces<KilnHistoryContract>()
            .ProducesProblem(404);

    private static async Task<IResult> History(
        int id,
        Repository<StudioKiln> kilns,
        FiringReader reader,
        FiringRecords records,
        KilnCareRepository book,
        StudioLookup lookup,
        TimeProvider time,
        CancellationToken cancel
    )
    {
        if (await kilns.Find(id, cancel) is not { } kiln)
            return ProblemResponses.NotFound("kiln");
        await reader.Refresh(cancel);
        var (zone, done, care) = ((await lookup.Settings()).Zone, await book.Of(id, cancel), await book.Care(id, cancel));
        var all = await records.Follow(new LogbookQuery(KilnId: id), MostFollowed, cancel);
        string MonthOf(Instant at) => at.InZone(zone).Date is var d ? $"{d.Year:0000}-{d.Month:00}" : "";
        return Results.Ok(
            new KilnHistoryContract(
                id,
                all.Count,
                Math.Round(all.Sum(r => r.FullPowerHours ?? 0), 1),
                [.. done.Select(CareMapping.Write)],
                [
                    .. KilnReminder
                        .Of(kiln.Item is FuelKiln, [.. all.Select(f => f.StartsAt)], [.. done.Select(d => (d.Kind, d.At))], care)
                        .Select(r => new ReminderContract(r.Kind, r.After, r.Since, r.IsDue, r.Text)),
                ],
                [
                    .. all.GroupBy(r => MonthOf(r.StartsAt))
                        .TakeLast(24)
                        .Select(m => new MonthContract(
                            m.Key,
                            m.Count(),
                            m.Any(r => r.Kwh is not null) ? Math.Round(m.Sum(r => r.Kwh ?? 0), 1) : null,
                            m.Any(r => r.Cost is not null) ? Math.Round(m.Sum(r => r.Cost ?? 0), 2) : null,
                            m.Sum(r => r.Lost ?? 0)
                        )),
                ],
                [
                    .. all.Where(r => r.TopHours is not null)
                        .TakeLast(MostDrawn)
                        .Select(r => new ClimbContract(
                            r.FiringId,
                            r.Name,
                            r.StartsAt.ToDateTimeOffset(),
                            r.Kind,
                            Math.Round(r.TopHours!.Value, 2),
                            r.Last100Hours
                        )),
                ]
            )
        );
    }
}
