using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Mapping;

/// <summary>What a schedule is fired in and with: a kiln of the studio, one described in the request, or none; the ware, where it was said.</summary>
/// <param name="Kiln">With what stands in it as far as heat goes.</param>
/// <param name="Ware">What stands in it, piece by piece.</param>
internal sealed record KilnAndLoad(IKilnModel Kiln, WareLoad? Ware)
{
    /// <summary>
    /// Finds or reads the kiln and the load of a request; where nobody said how warm it is, it is as warm as its room. Problems name <c>kilnId</c>,
    /// <c>kiln.…</c> and <c>load.…</c>.
    /// </summary>
    public static async Task<KilnAndLoad> Read(
        int? kilnId,
        KilnContract? inline,
        LoadContract? load,
        ScheduleKind kind,
        Temperature start,
        StudioLookup lookup,
        List<Problem> problems,
        bool startIsSaid = true
    )
    {
        if (load is { FiringId: { } firing, Lots: null })
            load = await lookup.Load(firing) ?? load with { FiringId = null };
        var kiln = await ReadKiln(kilnId, inline, lookup, problems);
        var ware = load is null ? null : await LotMapping.Read(load, lookup, problems);
        if (kiln is null)
            return new KilnAndLoad(new PlainKiln(start), ware);
        var mass = KilnMapping.ReadLoad(load, ware, kiln, kind);
        problems.AddRange(mass.Problems.Select(p => p.Under("load")));
        return new KilnAndLoad(kiln.With(mass.IsOk ? mass.Value : KilnLoad.Empty, startIsSaid ? start : kiln.Room).Awaited(lookup.Aborted()), ware);
    }

    private static async Task<StudioKiln?> ReadKiln(int? kilnId, KilnContract? inline, StudioLookup lookup, List<Problem> problems)
    {
        if (inline is not null)
        {
            var read = KilnMapping.Read(inline.Named());
            problems.AddRange(read.Problems.Select(p => p.Under("kiln")));
            return read.IsOk ? read.Value.Under(await lookup.Controller(read.Value.ControllerId)) : null;
        }
        if (kilnId is not { } id)
            return null;
        var kiln = await lookup.Kiln(id);
        if (kiln is null)
            problems.Add(new Problem("kilnId", $"There is no kiln {id} in this studio."));
        return kiln;
    }
}
