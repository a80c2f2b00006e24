using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Settings;

namespace ZealousEmber.App.Stock;

/// <summary>Finds what a request names by its number, and the studio's ways where it names none.</summary>
internal sealed record Finder(Func<int, Task<Kiln?>> Kiln, Func<int, Task<Clay?>> Clay, Func<int, Task<Glaze?>> Glaze, Func<Task<PlanningPreferences>> Ways)
{
    /// <summary>Finds nothing: for requests that describe everything themselves.</summary>
    public static readonly Finder Nothing = new(_ => Task.FromResult<Kiln?>(null), _ => Task.FromResult<Clay?>(null), _ => Task.FromResult<Glaze?>(null), () => Task.FromResult(PlanningPreferences.Usual));

    /// <summary>Looks on the studio's shelves.</summary>
    public static Finder On(IServiceProvider services)
    {
        Func<int, Task<T?>> Look<T>()
            where T : class => async id => (await services.GetRequiredService<Repository<T>>().Find(id, CancellationToken.None))?.Item;
        return new Finder(Look<Kiln>(), Look<Clay>(), Look<Glaze>(), async () => (await services.GetRequiredService<SettingsStore<PlanningPreferences>>().Read(CancellationToken.None)).Item);
    }
}
