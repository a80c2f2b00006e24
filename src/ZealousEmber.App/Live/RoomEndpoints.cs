using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Live;

/// <summary>The kiln room: every kiln as it is now, and the feed that tells of changes.</summary>
internal static class RoomEndpoints
{
    public static void MapRoom(this WebApplication app)
    {
        app.MapHub<LiveHub>(LiveHub.Path).Needs(Right.See);
        app.MapGet("/api/room", Room).Needs(Right.See).WithTags("Live").WithSummary("Every kiln as it is now").Produces<RoomKiln[]>();
    }

    private static async Task<IResult> Room([AsParameters] LiveStudio studio, Repository<StudioKiln> kilns, CancellationToken cancel)
    {
        var rooms = new List<RoomKiln>();
        var all = (await kilns.Search(null, cancel)).Select(k => (k.Id, k.Item.Name)).ToList();
        // A kiln whose own row cannot be read is hot all the same.
        all.AddRange(
            studio
                .Live.All.Select(r => (Id: r.Run.KilnId, r.Run.Kiln.Name))
                .Concat(studio.Live.Unreadable.Select(r => (Id: r.KilnId, Name: $"Kiln {r.KilnId}")))
                .Where(k => all.TrueForAll(a => a.Id != k.Id))
                .ToList()
        );
        foreach (var (id, name) in all)
        {
            if (studio.Live.Unreadable.FirstOrDefault(r => r.KilnId == id) is { } unreadable)
            {
                rooms.Add(
                    new RoomKiln(
                        KilnId: id,
                        Name: name,
                        FiringId: unreadable.FiringId,
                        Firing: await studio.NameOf(unreadable.FiringId, cancel),
                        State: null,
                        Live: null,
                        StartsAt: unreadable.StartsAt.ToDateTimeOffset(),
                        NextAt: null,
                        OpenAt: null,
                        TopAt: null,
                        By: unreadable.By,
                        Trouble: "How this firing was started cannot be read. The kiln may be hot: look at it. Once it is empty, say that it was opened."
                    )
                );
                continue;
            }
            var running = studio.Live.All.FirstOrDefault(r => r.Run.KilnId == id);
            if (running is null)
            {
                rooms.Add(
                    new RoomKiln(
                        KilnId: id,
                        Name: name,
                        FiringId: null,
                        Firing: null,
                        State: null,
                        Live: null,
                        StartsAt: null,
                        NextAt: null,
                        OpenAt: null,
                        TopAt: null,
                        By: null
                    )
                );
                continue;
            }
            var (run, live) = (running.Run, await studio.Live.Now(running, cancel));
            // A card draws no curve; twenty kilns are a hundred kilobytes of it.
            if (live.Forecast is { } forecast)
                live = live with { Forecast = forecast with { Curve = [] } };
            DateTimeOffset? At(double? minute) => minute is { } m ? run.StartsAt.ToDateTimeOffset().AddMinutes(m) : null;
            rooms.Add(
                new RoomKiln(
                    KilnId: id,
                    Name: name,
                    FiringId: run.FiringId,
                    Firing: await studio.NameOf(run.FiringId, cancel),
                    State: live.State,
                    Live: live,
                    StartsAt: run.StartsAt.ToDateTimeOffset(),
                    NextAt: At(live.Next?.Minute),
                    OpenAt: At(live.Forecast?.Open.P50),
                    TopAt: At(live.Forecast?.Top.P50),
                    By: run.By,
                    Trouble: live.Trouble
                )
            );
        }
        return Results.Ok(rooms);
    }
}
