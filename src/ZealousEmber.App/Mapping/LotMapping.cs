using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Mapping;

/// <summary>Lots of ware on the wire to a load of the core.</summary>
internal static class LotMapping
{
    private const int MostGlazes = 12;

    /// <summary>The load; nothing when no lots are given, or nothing and the problems at <c>load.lots[i].…</c>.</summary>
    public static async Task<WareLoad?> Read(LoadContract contract, StudioLookup lookup, List<Problem> problems)
    {
        if (contract.Lots is not { } wire)
            return null;
        var before = problems.Count;
        // Beyond the most there may be, one message says so.
        var taken = wire.Take(WareLot.MostLots).Select(lot => lot ?? new LotContract(What: null, Count: null, Wall: null)).ToList();
        // One question for all clays and one for all glazes, however many lots name them.
        var clays = await lookup.Clays([.. taken.Where(l => l.Clay is null).Select(l => l.ClayId).OfType<int>().Distinct()]);
        var glazes = await lookup.Glazes([.. taken.SelectMany(l => (l.GlazeIds ?? []).Take(MostGlazes)).Distinct()]);
        var lots = new List<WareLot>();
        foreach (var (i, lot) in taken.Index())
        {
            var read = ReadLot(lot, clays, glazes);
            problems.AddRange(read.Problems.Select(p => p.Under($"load.lots[{i}]")));
            if (read.IsOk)
                lots.Add(read.Value);
        }
        if (wire.Count > WareLot.MostLots)
            problems.Add(new Problem("load.lots", $"At most {WareLot.MostLots} lots are taken; this load has {wire.Count}. Put alike ware into one lot."));
        if (problems.Count > before)
            return null;
        var load = WareLoad.Create(lots, contract.Packed == true, contract.WitnessPack);
        problems.AddRange(load.Problems.Select(p => p.Under("load")));
        return load.IsOk ? load.Value : null;
    }

    private static Result<WareLot> ReadLot(LotContract wire, IReadOnlyDictionary<int, Clay> clays, IReadOnlyDictionary<int, Glaze> glazes)
    {
        var problems = new List<Problem>();
        var lot = WareLot.Create(
            wire.What,
            wire.Count,
            wire.Wall,
            wire.Width,
            wire.ClosedHollow == true,
            wire.OneSided == true,
            wire.Dryness ?? Dryness.BoneDry,
            ReadClay(wire, clays, problems),
            ReadGlazes(wire, glazes, problems),
            wire.Whose,
            wire.Next ?? NextStep.Dipping,
            wire.PieceKg,
            wire.GlazedAlready == true,
            ReadSize(wire.Piece, wire.Wall)
        );
        problems.AddRange(lot.Problems);
        return problems.Count > 0 ? Result<WareLot>.Failed(problems) : lot;
    }

    /// <summary>Its size, where all of it is known and right; what is wrong with it is said where room is made for it.</summary>
    private static WareSize? ReadSize(PieceContract? wire, double? wall) =>
        PieceMapping.Read(wire, wall)?.Read() is { IsOk: true, Value: var piece }
            ? new WareSize(piece.Shape == PieceShape.Round, piece.Across, piece.Deep, piece.Height, piece.Stacking == Stacking.Nest ? piece.Foot : null)
            : null;

    private static Clay? ReadClay(LotContract wire, IReadOnlyDictionary<int, Clay> known, List<Problem> problems)
    {
        if (wire.Clay is not null)
        {
            var read = StockMapping.Read(wire.Clay);
            problems.AddRange(read.Problems.Select(p => p.Under("clay")));
            return read.IsOk ? read.Value : null;
        }
        if (wire.ClayId is not { } id)
            return null;
        if (known.TryGetValue(id, out var clay))
            return clay;
        problems.Add(new Problem("clayId", $"There is no clay {id} in this studio."));
        return null;
    }

    private static List<Glaze> ReadGlazes(LotContract wire, IReadOnlyDictionary<int, Glaze> known, List<Problem> problems)
    {
        var glazes = new List<Glaze>();
        if ((wire.GlazeIds?.Count ?? 0) + (wire.Glazes?.Count ?? 0) > MostGlazes)
        {
            problems.Add(new Problem("glazeIds", $"At most {MostGlazes} glazes on one lot."));
            return glazes;
        }
        foreach (var (i, id) in (wire.GlazeIds ?? []).Index())
        {
            if (known.TryGetValue(id, out var glaze))
                glazes.Add(glaze);
            else
                problems.Add(new Problem($"glazeIds[{i}]", $"There is no glaze {id} in this studio."));
        }
        foreach (var (i, glaze) in (wire.Glazes ?? []).Index())
        {
            var read = StockMapping.Read(glaze);
            problems.AddRange(read.Problems.Select(p => p.Under($"glazes[{i}]")));
            if (read.IsOk)
                glazes.Add(read.Value);
        }
        return glazes;
    }
}
