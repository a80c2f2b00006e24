using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Kilns;

/// <summary>What a schedule is fired in: a kiln of the studio, one described in the request, or the plain one while none is chosen; and with what.</summary>
/// <param name="Kiln">None for the plain kiln.</param>
/// <param name="Load">With a kiln only: what stands in it, as far as heat goes.</param>
/// <param name="Ware">What stands in it, piece by piece, where it was said.</param>
/// <param name="Start">Temperature when it is switched on.</param>
internal sealed record FiringKiln(Kiln? Kiln, KilnLoad? Load, WareLoad? Ware, Temperature Start)
{
    /// <summary>When it may be opened.</summary>
    public Temperature Opens => Kiln?.Opens ?? GenericKiln.Instance.Opens;

    /// <summary>The hottest a schedule may be sent to.</summary>
    public Temperature Hottest => Kiln is { } kiln && kiln.TopLimit < ScheduleLimits.Hottest ? kiln.TopLimit : ScheduleLimits.Hottest;

    /// <summary>When water boils there.</summary>
    public Temperature Boiling => Core.Ware.Boiling.At(Kiln?.Altitude ?? 0);

    /// <summary>kg of ware usual in the chosen kiln for a kind of firing.</summary>
    public double? UsualMass(ScheduleKind kind) => Kiln?.UsualLoad(kind).WareMass;

    /// <summary>The run on a chosen kiln.</summary>
    public Result<KilnRun> Run(Schedule schedule) => KilnSimulator.Run(schedule, Start, Kiln!, Load!);

    /// <summary>Times on whichever kiln it is, to the end of the last step.</summary>
    public Result<CompiledSchedule> Times(Schedule schedule)
    {
        if (Kiln is null) return CompiledSchedule.From(schedule, Start, GenericKiln.Instance);
        var run = KilnSimulator.Run(schedule, Start, Kiln, Load!, untilOpen: false);
        return run.IsOk ? run.Value.Compiled : Result<CompiledSchedule>.Failed(run.Problems);
    }

    /// <summary>Finds or reads the kiln and the load of a request; problems name <c>kilnId</c>, <c>kiln.…</c> and <c>load.…</c>.</summary>
    public static async Task<FiringKiln> Read(
        int? kilnId, KilnContract? inline, LoadContract? load, ScheduleKind kind, Temperature start, Finder find, List<Problem> problems)
    {
        Kiln? kiln = null;
        if (inline is not null)
        {
            var read = KilnMapping.Read(string.IsNullOrWhiteSpace(inline.Name) ? inline with { Name = "the kiln" } : inline);
            problems.AddRange(read.Problems.Select(p => p.Under("kiln")));
            if (read.IsOk) kiln = read.Value;
        }
        else if (kilnId is { } id)
        {
            kiln = await find.Kiln(id);
            if (kiln is null) problems.Add(new Problem("kilnId", $"There is no kiln {id} in this studio."));
        }
        var ware = load is null ? null : await LotMapping.Read(load, find, problems);
        if (kiln is null) return new FiringKiln(null, null, ware, start);
        var mass = KilnMapping.ReadLoad(load, ware, kiln, kind);
        problems.AddRange(mass.Problems.Select(p => p.Under("load")));
        return new FiringKiln(kiln, mass.IsOk ? mass.Value : KilnLoad.Empty, ware, start);
    }
}
