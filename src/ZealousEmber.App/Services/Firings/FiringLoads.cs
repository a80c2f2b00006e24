using System.Collections.Concurrent;
using System.Collections.Immutable;
using System.Text.Json;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Packing.Search;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.App.Services.Firings;

/// <summary>
/// What stands in a firing's kiln, the same for every stage: its ware as it is written, and the shelves and props it is packed on. Where not all of it can be
/// packed,
/// or something of it has no size, the shelves are the usual ones for so much ware.
/// </summary>
internal sealed class FiringLoads(Repository<FiringDraft> firings, StudioLookup lookup, PackedFurniture packed)
{
    /// <summary>The load of a firing, for whatever is worked out from one; nothing where there is no such firing, or nothing is written in it yet.</summary>
    public async Task<LoadContract?> Of(int firingId, CancellationToken cancel) =>
        await firings.Find(firingId, cancel) is { } firing ? await Of(firing.Item, cancel) : null;

    /// <summary>The same of a firing at hand.</summary>
    public async Task<LoadContract?> Of(FiringDraft firing, CancellationToken cancel)
    {
        var written = firing.Lots.Where(l => !IsBlank(l)).ToImmutableArray();
        if (written.IsEmpty)
            return null;
        IReadOnlyList<LotContract?> lots = [.. written.Select(FiringMapping.Write)];
        return new LoadContract(Lots: lots, Packed: firing.Packed, WitnessPack: firing.WitnessPack, FurnitureKg: await Furniture(firing, lots, cancel));
    }

    /// <summary>Whether anything is written down as loaded.</summary>
    public static bool IsWritten(FiringDraft firing) => firing.Lots.Any(l => !IsBlank(l));

    private async Task<double?> Furniture(FiringDraft firing, IReadOnlyList<LotContract?> lots, CancellationToken cancel)
    {
        if (
            firing.KilnId is not { } kilnId
            || firing.Lots.Where(l => !IsBlank(l)).Any(l => l.Piece is not { } p || (p.Across is null && p.Height is null))
            || await lookup.Kiln(kilnId) is not { } kiln
        )
            return null;
        var wish = PackingMapping.Write(firing.Packing);
        var asked = new PackingRequestContract(
            firing.Kind,
            new LoadContract(Lots: lots),
            kilnId,
            Handles: wish?.Handles,
            Packs: firing.WitnessPack,
            Keep: wish?.Keep,
            Shelves: wish?.Shelves
        );
        var request = await PackingMapping.Read(asked, lookup);
        return request.IsOk
            ? packed.Of(
                JsonSerializer.Serialize(
                    new
                    {
                        asked,
                        chamber = ChamberMapping.Write(kiln.Chamber),
                        props = ChamberMapping.Write(kiln.Props),
                    }
                ),
                request.Value,
                cancel
            )
            : null;
    }

    private static bool IsBlank(LotDraft lot) =>
        string.IsNullOrWhiteSpace(lot.What) && lot.Count is null && lot.Wall is null && lot.Width is null && lot.Piece is null;
}

/// <summary>Shelves and props of loads that were packed before: the packer says the same again, and takes longer than anybody waits for a number.</summary>
internal sealed class PackedFurniture
{
    private const int Most = 300;

    private readonly ConcurrentDictionary<string, double?> known = new();

    /// <summary>kg of shelves and props all of it stands on; nothing where not all of it fits.</summary>
    public double? Of(string key, PackingRequest request, CancellationToken cancel)
    {
        if (known.TryGetValue(key, out var before))
            return before;
        if (known.Count >= Most)
            known.Clear();
        return known[key] = Packer.Pack(request, cancel) is { IsOk: true, Value: { Fits: true } plan } ? plan.Totals.FurnitureKg : null;
    }
}
