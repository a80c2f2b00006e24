using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Schedules;

/// <summary>The firing a schedule was planned for.</summary>
internal static class ScheduleFiring
{
    public static void MapScheduleFiring(this WebApplication app) =>
        app.MapGet("/api/schedules/{id:int}/firing", async (int id, FiringFinder find, HttpResponse response, CancellationToken cancel) =>
            {
                if (await find.Of(id, cancel) is not { } firing)
                    return Results.NoContent();
                Versions.WriteTag(response, firing.Version, firing.SaveKey);
                return Results.Ok(FiringMapping.Write(firing));
            })
            .Needs(Right.See)
            .WithTags("Firings")
            .WithSummary("The firing a schedule was planned for; nothing when it stands alone")
            .Produces<VersionedFiringContract>()
            .Produces(204);
}
