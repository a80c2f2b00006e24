using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>A finished firing on paper, and the turns of the last one beside those of the next.</summary>
internal static class FiringSheet
{
    private const double Fine = 1.5;

    public static void MapSheets(this WebApplication app)
    {
        app.MapGet("/api/firings/{id:int}/sheet", Show)
            .WithTags("Reading")
            .WithSummary("A firing line by line, as it is pinned up")
            .Produces<LogSheetContract>()
            .ProducesProblem(404);
        app.MapGet("/api/kilns/{id:int}/last-turns", Last)
            .WithTags("Kilns")
            .WithSummary("The turns really made in the last finished firing of a fuel kiln: with this schedule, else of this kind; nothing where none was")
            .Produces<LastTurnsContract>()
            .Produces(204)
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> Show(int id, [AsParameters] ReadingStudio studio, CancellationToken cancel)
    {
        if (await studio.Reader.Read(id, cancel, withTaught: false) is not { } firing)
            return ProblemResponses.NotFound("started firing");
        var run = firing.Run;
        var ran = run.Model.Run(run.Program);
        var powered = ran.IsOk ? ran.Value.Compiled.Powered.TotalMinutes : 0;
        var lines = LogSheet.Of(run, firing.Log, ran.IsOk ? ran.Value.WholeCurve : null, powered, firing.Entries);
        return Results.Ok(
            new LogSheetContract(
                FiringId: id,
                IsByTurns: firing.IsByTurns,
                Curve: firing.Log is null ? [] : LiveMapping.Write(firing.Log.Thinned(TemperatureDifference.FromKelvins(Fine))),
                Lines:
                [
                    .. lines.Select(l => new LogSheetLineContract(
                        l.Minute,
                        (run.StartsAt + NodaTime.Duration.FromMinutes(l.Minute)).ToDateTimeOffset(),
                        l.Celsius,
                        l.Asked,
                        l.Kind,
                        l.Text,
                        l.By
                    )),
                ]
            )
        );
    }

    private static async Task<IResult> Last(int id, int? schedule, string? kind, [AsParameters] ReadingStudio studio, CancellationToken cancel)
    {
        var named = kind is null ? null : WireEnums.Read<ScheduleKind>(kind);
        if (kind is not null && named is null)
            return ProblemResponses.Of([WireEnums.Unknown<ScheduleKind>("kind", "a kind of firing", kind)]);
        await studio.Reader.Refresh(cancel);
        IEnumerable<LogbookQuery> asked =
        [
            .. schedule is null ? [] : new[] { new LogbookQuery(KilnId: id, ScheduleId: schedule) },
            new LogbookQuery(KilnId: id, Kind: named),
        ];
        foreach (var query in asked)
        {
            foreach (var row in (await studio.Records.Search(query, 0, 1, cancel)).Items)
            {
                if (await studio.Reader.Read(row.FiringId, cancel, withTaught: false) is not { Run: { IsFuel: true } run } firing)
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
