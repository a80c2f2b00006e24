using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Wire;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>The turns of the last firing of a fuel kiln, beside those of its next.</summary>
internal static class LastTurns
{
    public static void MapLastTurns(this WebApplication app) =>
        app.MapGet("/api/kilns/{id:int}/last-turns", Last)
            .Needs(Right.See)
            .WithTags("Kilns")
            .WithSummary("The turns really made in the last finished firing of a fuel kiln: with this schedule, else of this kind; nothing where none was")
            .Produces<LastTurnsContract>()
            .Produces(204)
            .ProducesValidationProblem(422);

    private static async Task<IResult> Last(int id, int? schedule, string? kind, FiringReader reader, FiringRecords records, CancellationToken cancel)
    {
        var named = kind is null ? null : WireEnums.Read<ScheduleKind>(kind);
        if (kind is not null && named is null)
            return ProblemResponses.Of([WireEnums.Unknown<ScheduleKind>("kind", "a kind of firing", kind)]);
        await reader.Refresh(cancel);
        IEnumerable<LogbookQuery> asked =
        [
            .. schedule is null ? [] : new[] { new LogbookQuery(KilnId: id, ScheduleId: schedule) },
            new LogbookQuery(KilnId: id, Kind: named),
        ];
        foreach (var query in asked)
        {
            foreach (var row in (await records.Search(query, 0, 1, cancel)).Items)
            {
                if (await reader.Read(row.FiringId, cancel, withTaught: false) is not { Run: { IsFuel: true } run } firing)
                    continue;
                var made = firing.Entries.Where(e => e.Kind == EntryKind.Turned && BurnerSetting.Read(e.Subject) is not null).ToList();
                if (made.Count == 0)
                    continue;
                return Results.Ok(
                    new LastTurnsContract(
                        row.FiringId,
                        row.Name,
                        row.StartsAt.ToDateTimeOffset(),
                        [
                            .. made.Select(e => new LastTurnContract(
                                Math.Round(run.Minutes(e.At), 1),
                                EntryWords.Of(e, run.Kiln)!,
                                firing.Log is { } log ? Math.Round(log.At(NodaTime.Duration.FromMinutes(run.Minutes(e.At))).Celsius) : null
                            )),
                        ]
                    )
                );
            }
        }
        return Results.NoContent();
    }
}
