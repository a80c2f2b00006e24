using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.App.Studio;

/// <summary>The studio's settings, and its planning preferences.</summary>
internal static class StudioEndpoints
{
    public static void MapStudio(this WebApplication app)
    {
        var api = app.MapGroup("/api/studio").Needs(Right.See).WithTags("Studio");
        new SettingsEndpoints<StudioContract, VersionedStudioContract, StudioSettings>(
            "The studio's clock, units, prices, people and rule",
            StudioMapping.Read,
            stored => new(stored.Version, StudioMapping.Write(stored.Item))
        ).Map(api);
        new SettingsEndpoints<PlanningPreferencesContract, VersionedPreferencesContract, PlanningPreferences>(
            "The studio's own planning preferences",
            (wire, before) => PlanningTerms.Read(wire ?? new PlanningPreferencesContract(), before) is var said && said.Check() is { } wrong ? wrong : said,
            stored => new(stored.Version, PlanningTerms.Write(stored.Item))
        ).Map(api.MapGroup("ways"));
        new SettingsEndpoints<CheckListsContract, VersionedCheckListsContract, CheckLists>(
            "The studio's own check lists: before starting a kiln, and after opening it",
            (wire, before) => CheckLists.Create(wire?.Before, wire?.After, wire?.GasBefore, wire?.GasAfter, before),
            stored => new(stored.Version, new CheckListsContract(stored.Item.Before, stored.Item.After, stored.Item.GasBefore, stored.Item.GasAfter))
        ).Map(api.MapGroup("check-lists"));
        api.MapGet("zones", () => DateTimeZoneProviders.Tzdb.Ids).WithSummary("Names of time zones").Produces<string[]>();
    }
}

/// <summary>Check lists: before starting, and after opening; a gas kiln has its own.</summary>
public sealed record CheckListsContract(
    IReadOnlyList<string?>? Before = null,
    IReadOnlyList<string?>? After = null,
    IReadOnlyList<string?>? GasBefore = null,
    IReadOnlyList<string?>? GasAfter = null
);

/// <summary>Check lists with their version.</summary>
public sealed record VersionedCheckListsContract(int Version, CheckListsContract Lists);
