using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Learning;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Services.Firings;

/// <summary>Looks in the studio’s own repositories.</summary>
internal static class StudioLookups
{
    /// <summary>Looks in the studio's own repositories; a request that is given up stops looking.</summary>
    public static StudioLookup On(IServiceProvider services)
    {
        CancellationToken Cancel() => services.GetRequiredService<IHttpContextAccessor>().HttpContext?.RequestAborted ?? CancellationToken.None;
        Func<IReadOnlyCollection<int>, Task<IReadOnlyDictionary<int, T>>> Look<T>() =>
            ids => services.GetRequiredService<Repository<T>>().FindAll(ids, Cancel());
        async Task<ControllerProfile?> Controller(int? id) =>
            id is { } named && await services.GetRequiredService<Repository<ListedController>>().Find(named, Cancel()) is { } found ? found.Item.Profile : null;
        // What its firings have taught counts wherever a kiln is named: planner, solver, preview, forecast.
        async Task<StudioKiln?> Taught(int id) =>
            await services.GetRequiredService<Repository<StudioKiln>>().Find(id, Cancel()) is { } kiln
                ? await services.GetRequiredService<LearnedKilns>().Known(kiln, Cancel())
                : null;
        return new StudioLookup(
            async id => await Taught(id) is { } kiln ? kiln.Under(await Controller(kiln.ControllerId)) : null,
            Look<Clay>(),
            Look<Glaze>(),
            async () => (await services.GetRequiredService<SettingsStore<PlanningPreferences>>().Read(Cancel())).Item,
            async () => (await services.GetRequiredService<SettingsStore<StudioSettings>>().Read(Cancel())).Item,
            Controller,
            Cancel,
            id => services.GetRequiredService<FiringLoads>().Of(id, Cancel())
        );
    }
}
