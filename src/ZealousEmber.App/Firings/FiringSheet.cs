using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Firings;

/// <summary>A finished firing on paper.</summary>
internal static class FiringSheet
{
    private const double Fine = 1.5;

    public static void MapSheets(this WebApplication app) =>
        app.MapGet("/api/firings/{id:int}/sheet", Show)
            .Needs(Right.See)
            .WithTags("Reading")
            .WithSummary("A firing line by line, as it is pinned up")
            .Produces<LogSheetContract>()
            .ProducesProblem(404);

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
}
