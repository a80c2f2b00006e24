using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.Core;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Stock;

/// <summary>Lots of ware on the wire to a load of the core.</summary>
internal static class LotMapping
{
    public static readonly Vocabulary<Dryness> Drynesses = new(
        ("bone-dry", Dryness.BoneDry), ("cool-to-touch", Dryness.CoolToTouch), ("damp", Dryness.Damp), ("leather-hard", Dryness.LeatherHard));

    public static readonly Vocabulary<NextStep> NextSteps = new(("dipping", NextStep.Dipping), ("brushing", NextStep.Brushing), ("unglazed", NextStep.Unglazed));

    private const int MostGlazes = 12;

    /// <summary>The load; nothing when no lots are given, or nothing and the problems at <c>load.lots[i].…</c>.</summary>
    public static async Task<WareLoad?> Read(LoadContract contract, Finder find, List<Problem> problems)
    {
        if (contract.Lots is not { } wire) return null;
        var before = problems.Count;
        var lots = new List<WareLot>();
        // Beyond the most there may be, one message says so.
        foreach (var (i, lot) in wire.Take(WareLot.MostLots).Index())
        {
            var read = await ReadLot(lot ?? new LotContract(null, null, null), find);
            problems.AddRange(read.Problems.Select(p => p.Under($"load.lots[{i}]")));
            if (read.IsOk) lots.Add(read.Value);
        }
        if (wire.Count > WareLot.MostLots)
            problems.Add(new Problem("load.lots", $"At most {WareLot.MostLots} lots are taken; this load has {wire.Count}. Put alike ware into one lot."));
        if (problems.Count > before) return null;
        var load = WareLoad.Create(lots, contract.Packed == true, contract.WitnessPack);
        problems.AddRange(load.Problems.Select(p => p.Under("load")));
        return load.IsOk ? load.Value : null;
    }

    private static async Task<Result<WareLot>> ReadLot(LotContract wire, Finder find)
    {
        var problems = new List<Problem>();
        var dryness = wire.Dryness is null ? Dryness.BoneDry : Drynesses.Read(wire.Dryness);
        if (dryness is null) problems.Add(new Problem("dryness", Drynesses.Refuse(wire.Dryness, "a dryness")));
        var next = wire.Next is null ? NextStep.Dipping : NextSteps.Read(wire.Next);
        if (next is null) problems.Add(new Problem("next", NextSteps.Refuse(wire.Next, "a next step")));
        var clay = await ReadClay(wire, find, problems);
        var glazes = await ReadGlazes(wire, find, problems);
        var lot = WareLot.Create(
            wire.What, wire.Count, wire.Wall, wire.Width, wire.ClosedHollow == true, wire.OneSided == true, dryness ?? Dryness.BoneDry, clay, glazes, wire.Whose, next ?? NextStep.Dipping, wire.PieceKg);
        problems.AddRange(lot.Problems);
        return problems.Count > 0 ? Result<WareLot>.Failed(problems) : lot;
    }

    private static async Task<Clay?> ReadClay(LotContract wire, Finder find, List<Problem> problems)
    {
        if (wire.Clay is not null)
        {
            var read = StockMapping.Read(wire.Clay);
            problems.AddRange(read.Problems.Select(p => p.Under("clay")));
            return read.IsOk ? read.Value : null;
        }
        if (wire.ClayId is not { } id) return null;
        var clay = await find.Clay(id);
        if (clay is null) problems.Add(new Problem("clayId", $"There is no clay {id} in this studio."));
        return clay;
    }

    private static async Task<List<Glaze>> ReadGlazes(LotContract wire, Finder find, List<Problem> problems)
    {
        var glazes = new List<Glaze>();
        if ((wire.GlazeIds?.Count ?? 0) + (wire.Glazes?.Count ?? 0) > MostGlazes)
        {
            problems.Add(new Problem("glazeIds", $"At most {MostGlazes} glazes on one lot."));
            return glazes;
        }
        foreach (var (i, id) in (wire.GlazeIds ?? []).Index())
        {
            if (await find.Glaze(id) is { } glaze) glazes.Add(glaze);
            else problems.Add(new Problem($"glazeIds[{i}]", $"There is no glaze {id} in this studio."));
        }
        foreach (var (i, glaze) in (wire.Glazes ?? []).Index())
        {
            var read = StockMapping.Read(glaze);
            problems.AddRange(read.Problems.Select(p => p.Under($"glazes[{i}]")));
            if (read.IsOk) glazes.Add(read.Value);
        }
        return glazes;
    }
}
