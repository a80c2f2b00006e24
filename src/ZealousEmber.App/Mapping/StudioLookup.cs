using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Mapping;

/// <summary>Finds what a request names by its number, many at once, and the studio's own settings and preferences where it names none.</summary>
internal sealed record StudioLookup(
    Func<int, Task<StudioKiln?>> Kiln,
    Func<IReadOnlyCollection<int>, Task<IReadOnlyDictionary<int, Clay>>> Clays,
    Func<IReadOnlyCollection<int>, Task<IReadOnlyDictionary<int, Glaze>>> Glazes,
    Func<Task<PlanningPreferences>> Preferences,
    Func<Task<StudioSettings>> Settings,
    Func<int?, Task<ControllerProfile?>> Controller,
    Func<CancellationToken> Aborted,
    Func<int, Task<LoadContract?>> Load
)
{
    /// <summary>Finds nothing: for requests that describe everything themselves.</summary>
    public static readonly StudioLookup Nothing = new(
        _ => Task.FromResult<StudioKiln?>(null),
        _ => Task.FromResult<IReadOnlyDictionary<int, Clay>>(new Dictionary<int, Clay>()),
        _ => Task.FromResult<IReadOnlyDictionary<int, Glaze>>(new Dictionary<int, Glaze>()),
        () => Task.FromResult(PlanningPreferences.Usual),
        () => Task.FromResult(StudioSettingsStore.Defaults),
        _ => Task.FromResult<ControllerProfile?>(null),
        () => CancellationToken.None,
        _ => Task.FromResult<LoadContract?>(null)
    );
}
