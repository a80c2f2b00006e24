using NodaTime;
using ZealousEmber.App.Http;
using ZealousEmber.App.Planning;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.App.Studio;

/// <summary>The studio's hours, and the ways it plans by when nobody says otherwise.</summary>
internal static class StudioEndpoints
{
    public static void MapStudio(this WebApplication app)
    {
        var api = app.MapGroup("/api/studio").WithTags("Studio");
        new SettingsEndpoints<StudioContract, VersionedStudioContract, StudioHours>(
            "The studio's clock, tariff, people and rule", StudioMapping.Read, stored => new(stored.Version, StudioMapping.Write(stored.Item))).Map(api);
        new SettingsEndpoints<PlanningPreferencesContract, VersionedPreferencesContract, PlanningPreferences>(
            "The studio's own default in everything people differ on", ReadWays, stored => new(stored.Version, PlanningTerms.Write(stored.Item))).Map(api.MapGroup("ways"));
        api.MapGet("zones", () => DateTimeZoneProviders.Tzdb.Ids).WithSummary("Names of time zones").Produces<string[]>();
    }

    private static Result<PlanningPreferences> ReadWays(PlanningPreferencesContract? wire, PlanningPreferences before)
    {
        var problems = new List<Problem>();
        var ways = PlanningTerms.Read(wire ?? new PlanningPreferencesContract(), before, problems);
        return problems.Count > 0 ? Result<PlanningPreferences>.Failed(problems) : ways;
    }
}
