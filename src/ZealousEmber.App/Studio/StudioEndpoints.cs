using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Planning;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.App.Studio;

/// <summary>The studio's settings, and its planning preferences.</summary>
internal static class StudioEndpoints
{
    public static void MapStudio(this WebApplication app)
    {
        var api = app.MapGroup("/api/studio").WithTags("Studio");
        new SettingsEndpoints<StudioContract, VersionedStudioContract, StudioSettings>(
            "The studio's clock, units, prices, people and rule", StudioMapping.Read, stored => new(stored.Version, StudioMapping.Write(stored.Item))).Map(api);
        new SettingsEndpoints<PlanningPreferencesContract, VersionedPreferencesContract, PlanningPreferences>(
            "The studio's own planning preferences", (wire, before) => PlanningTerms.Read(wire ?? new PlanningPreferencesContract(), before) is var said && said.Check() is { } wrong ? wrong : said, stored => new(stored.Version, PlanningTerms.Write(stored.Item))).Map(api.MapGroup("ways"));
        api.MapGet("zones", () => DateTimeZoneProviders.Tzdb.Ids).WithSummary("Names of time zones").Produces<string[]>();
    }
}
