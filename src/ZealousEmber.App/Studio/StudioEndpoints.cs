using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.Store;
using ZealousEmber.Store.Studio;

namespace ZealousEmber.App.Studio;

/// <summary>The studio's hours: read and save.</summary>
internal static class StudioEndpoints
{
    public static void MapStudio(this WebApplication app)
    {
        var api = app.MapGroup("/api/studio").WithTags("Studio");
        api.MapGet("", async (StudioHoursStore store, HttpResponse response, CancellationToken cancel) => Ok(await store.Read(cancel), response))
            .WithSummary("The studio's clock, tariff, people and rule").Produces<StoredStudioContract>();
        api.MapPut("", Save).WithSummary("Save over the version named in If-Match; what is missing stays")
            .Produces<StoredStudioContract>().ProducesValidationProblem(422).ProducesProblem(412).ProducesProblem(428);
        api.MapGet("zones", () => DateTimeZoneProviders.Tzdb.Ids).WithSummary("Names of time zones").Produces<string[]>();
    }

    private static async Task<IResult> Save(StudioContract? studio, StudioHoursStore store, HttpContext context, CancellationToken cancel)
    {
        if (!Versions.TryReadIfMatch(context.Request, out var version)) return Versions.NotNamed(context.Request);
        var read = StudioMapping.Read(studio, (await store.Read(cancel)).Hours);
        if (!read.IsOk) return ClearProblems.Of(read.Problems);
        return await store.Save(version, read.Value, cancel) switch
        {
            SaveOutcome<StoredStudioHours>.Saved { Stored: var stored } => Ok(stored, context.Response),
            SaveOutcome<StoredStudioHours>.Clash { Current: var current } => Versions.Clash("page", current.Version, Write(current), context.Response),
            _ => ClearProblems.Missing("studio"),
        };
    }

    private static StoredStudioContract Write(StoredStudioHours stored) => new(stored.Version, StudioMapping.Write(stored.Hours));

    private static IResult Ok(StoredStudioHours stored, HttpResponse response)
    {
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Ok(Write(stored));
    }
}
