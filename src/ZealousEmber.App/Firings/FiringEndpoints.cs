using ZealousEmber.App.Http;
using ZealousEmber.Core.Firing;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>Firings: find, add, change, delete, restore.</summary>
internal static class FiringEndpoints
{
    public static void MapFirings(this WebApplication app)
    {
        new RepositoryEndpoints<FiringContract, VersionedFiringContract, FiringDraft>("firing", FiringMapping.Read, FiringMapping.Write)
            .Map(app.MapGroup("/api/firings").WithTags("Firings"), "/api/firings");
        app.MapGet("/api/schedules/{id:int}/firing", async (int id, FiringFinder find, HttpResponse response, CancellationToken cancel) =>
            {
                if (await find.Of(id, cancel) is not { } firing) return Results.NoContent();
                Versions.Tell(response, firing.Version, firing.SaveKey);
                return Results.Ok(FiringMapping.Write(firing));
            })
            .WithTags("Firings").WithSummary("The firing a schedule was planned for; nothing when it stands alone").Produces<VersionedFiringContract>().Produces(204);
    }
}
