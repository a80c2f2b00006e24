using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Repositories;
using Duration = NodaTime.Duration;

namespace ZealousEmber.App.Firings;

/// <summary>The morning after: what the latest firing that was read says, and the one change it asks for.</summary>
internal static class FiringMorning
{
    private const int Looked = 8;
    private static readonly Duration News = Duration.FromDays(14);

    public static void MapMorning(this WebApplication app) =>
        app.MapGet("/api/firings/morning", Show)
            .Needs(Right.See)
            .WithTags("Diagnosis")
            .WithSummary("What the latest firing that was read says by shelf, and what to change next; nothing when none was read lately")
            .Produces<MorningContract>()
            .Produces(204);

    private static async Task<IResult> Show([AsParameters] ReadingStudio studio, StudioLookup lookup, CancellationToken cancel)
    {
        await studio.Reader.Refresh(cancel);
        var lately = await studio.Records.Search(new LogbookQuery(Since: studio.Now - News), 0, Looked, cancel);
        LogbookRow? row = null;
        foreach (var one in lately.Items)
        {
            // What a log alone says is no reading of cones.
            if (!(await studio.Records.Find(one.FiringId, cancel)).Packs.IsEmpty)
            {
                row = one;
                break;
            }
        }
        if (row is null || await studio.Reader.Read(row.FiringId, cancel) is not { Run: { Goal: { } goal } run } firing)
            return Results.NoContent();
        return Results.Ok(
            new MorningContract(
                run.FiringId,
                row.Name,
                run.KilnId,
                firing.Kiln.Name,
                goal.Number,
                [.. firing.Packs.Select(p => new MorningShelf(new ShelfName(p.Shelf), Math.Round(p.Past(goal)), p.Bound))],
                [.. row.Faults],
                await Change(firing, studio, lookup, cancel)
            )
        );
    }

    private static async Task<MorningChange?> Change(ReadFiring firing, ReadingStudio studio, StudioLookup lookup, CancellationToken cancel)
    {
        var pinned = firing.Draft.Item.Schedule;
        var named =
            pinned is null ? null
            : pinned.Version is { } version ? await studio.Schedules.Version(pinned.Id, version, cancel)
            : await studio.Schedules.Find(pinned.Id, cancel);
        var task = new DiagnosisTask(firing, named?.Item, await lookup.Settings());
        if (task.Next is not { } patch || task.Make(patch) is not { IsOk: true, Value: var (changed, text) })
            return null;
        var present = pinned is null ? null : await studio.Schedules.Find(pinned.Id, cancel);
        var (before, after) = (Top(firing.Run.Program), Top(changed.Program));
        return new MorningChange(
            patch,
            text,
            Math.Round(after.Celsius - before.Celsius),
            Math.Round(after.Minutes - before.Minutes),
            present?.Id,
            present?.Item.Name,
            present is not null && pinned!.Version is { } fired && present.Version != fired ? present.Version : null
        );
    }

    private static (double Celsius, double Minutes) Top(FiringProgram program)
    {
        var top = program.Steps[program.TopStep];
        return (top.Target?.Celsius ?? 0, top.HoldMinutes);
    }
}
