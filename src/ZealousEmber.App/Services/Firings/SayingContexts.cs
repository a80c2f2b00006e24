using NodaTime;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Saying;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Services.Firings;

/// <summary>What a sentence is read with: the studio's names, its people and its units.</summary>
internal sealed class SayingContexts(
    Repository<Clay> clays,
    Repository<Glaze> glazes,
    Repository<StudioKiln> kilns,
    FiringFinder firings,
    SettingsStore<StudioSettings> settings
)
{
    public async Task<SayingContext> At(Instant now, TemperatureUnit? unit, CancellationToken cancel)
    {
        var studio = (await settings.Read(cancel)).Item;
        var names = new StudioNames(
            [.. (await clays.Search(null, cancel)).Select(c => new KnownClay(c.Id, c.Item.Name, c.Item.Kind))],
            [.. (await glazes.Search(null, cancel)).Select(g => new KnownGlaze(g.Id, g.Item.Name, g.Item.Slow is not null))],
            [.. (await kilns.Search(null, cancel)).Select(k => new KnownKiln(k.Id, k.Item.Name, k.Item.Volume, k.Item is FuelKiln))],
            [.. studio.People.Select(p => p.Name).Concat(await firings.Owners(cancel)).Distinct(StringComparer.OrdinalIgnoreCase)]
        );
        return new SayingContext(names, now, studio.Zone, studio.Display.Clock, studio.Display.Units.Length, unit ?? studio.Display.Temperature);
    }
}
