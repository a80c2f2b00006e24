using ZealousEmber.App.Firings;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Learning;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Settings;

namespace ZealousEmber.App.Stock;

/// <summary>Finds what a request names by its number, many at once, and the studio's own settings and preferences where it names none.</summary>
internal sealed record StudioLookup(
    Func<int, Task<StudioKiln?>> Kiln, Func<IReadOnlyCollection<int>, Task<IReadOnlyDictionary<int, Clay>>> Clays, Func<IReadOnlyCollection<int>, Task<IReadOnlyDictionary<int, Glaze>>> Glazes,
    Func<Task<PlanningPreferences>> Preferences, Func<Task<StudioSettings>> Settings, Func<int?, Task<ControllerProfile?>> Controller, Func<CancellationToken> Aborted, Func<int, Task<LoadContract?>> Load)
{
    /// <summary>Finds nothing: for requests that describe everything themselves.</summary>
    public static readonly StudioLookup Nothing = new(
        _ => Task.FromResult<StudioKiln?>(null), _ => Task.FromResult<IReadOnlyDictionary<int, Clay>>(new Dictionary<int, Clay>()), _ => Task.FromResult<IReadOnlyDictionary<int, Glaze>>(new Dictionary<int, Glaze>()),
        () => Task.FromResult(PlanningPreferences.Usual), () => Task.FromResult(StudioSettingsStore.Unsaid), _ => Task.FromResult<ControllerProfile?>(null), () => CancellationToken.None, _ => Task.FromResult<LoadContract?>(null));

    /// <summary>Looks in the studio's own repositories; a request that is given up stops looking.</summary>
    public static StudioLookup On(IServiceProvider services)
    {
        CancellationToken Cancel() => services.GetRequiredService<IHttpContextAccessor>().HttpContext?.RequestAborted ?? CancellationToken.None;
        Func<IReadOnlyCollection<int>, Task<IReadOnlyDictionary<int, T>>> Look<T>() => ids => services.GetRequiredService<Repository<T>>().FindAll(ids, Cancel());
        async Task<ControllerProfile?> Controller(int? id) => id is { } named && await services.GetRequiredService<Repository<ListedController>>().Find(named, Cancel()) is { } found ? found.Item.Profile : null;
        // What its firings have taught counts wherever a kiln is named: planner, solver, preview, forecast.
        async Task<StudioKiln?> Taught(int id) => await services.GetRequiredService<Repository<StudioKiln>>().Find(id, Cancel()) is { } kiln ? await services.GetRequiredService<TaughtKilns>().Known(kiln, Cancel()) : null;
        return new StudioLookup(
            async id => await Taught(id) is { } kiln ? kiln.Under(await Controller(kiln.ControllerId)) : null, Look<Clay>(), Look<Glaze>(),
            async () => (await services.GetRequiredService<SettingsStore<PlanningPreferences>>().Read(Cancel())).Item,
            async () => (await services.GetRequiredService<SettingsStore<StudioSettings>>().Read(Cancel())).Item,
            Controller, Cancel, id => services.GetRequiredService<FiringLoads>().Of(id, Cancel()));
    }
}
