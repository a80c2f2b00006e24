using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Kilns;

namespace ZealousEmber.App.Kilns;

/// <summary>What a schedule is fired in: a kiln of the studio, one described in the request, or the plain one while none is chosen.</summary>
/// <param name="Kiln">None for the plain kiln.</param>
/// <param name="Load">With a kiln only.</param>
/// <param name="Start">Temperature when it is switched on.</param>
internal sealed record FiringKiln(Kiln? Kiln, KilnLoad? Load, Temperature Start)
{
    /// <summary>When it may be opened.</summary>
    public Temperature Opens => Kiln?.Opens ?? GenericKiln.Instance.Opens;

    /// <summary>The hottest a schedule may be sent to.</summary>
    public Temperature Hottest => Kiln is { } kiln && kiln.TopLimit < ScheduleLimits.Hottest ? kiln.TopLimit : ScheduleLimits.Hottest;

    /// <summary>The run on a chosen kiln.</summary>
    public Result<KilnRun> Run(Schedule schedule) => KilnSimulator.Run(schedule, Start, Kiln!, Load!);

    /// <summary>Times on whichever kiln it is.</summary>
    public Result<CompiledSchedule> Times(Schedule schedule)
    {
        if (Kiln is null) return CompiledSchedule.From(schedule, Start, GenericKiln.Instance);
        var run = Run(schedule);
        return run.IsOk ? run.Value.Compiled : Result<CompiledSchedule>.Failed(run.Problems);
    }

    /// <summary>Looks a kiln up in the studio.</summary>
    public static Func<int, Task<Kiln?>> In(KilnStore store, CancellationToken cancel) => async id => (await store.Find(id, cancel))?.Kiln;

    /// <summary>Finds or reads the kiln of a request; problems name <c>kilnId</c>, <c>kiln.…</c> and <c>load.…</c>.</summary>
    public static async Task<FiringKiln> Read(
        int? kilnId, KilnContract? inline, LoadContract? load, ScheduleKind kind, Temperature start, Func<int, Task<Kiln?>> find, List<Problem> problems)
    {
        Kiln? kiln = null;
        if (inline is not null)
        {
            var read = KilnMapping.Read(string.IsNullOrWhiteSpace(inline.Name) ? inline with { Name = "This kiln" } : inline);
            problems.AddRange(read.Problems.Select(p => p.Under("kiln")));
            if (read.IsOk) kiln = read.Value;
        }
        else if (kilnId is { } id)
        {
            kiln = await find(id);
            if (kiln is null) problems.Add(new Problem("kilnId", $"There is no kiln {id} in this studio."));
        }
        if (kiln is null) return new FiringKiln(null, null, start);
        var mass = KilnMapping.ReadLoad(load, kiln, kind);
        problems.AddRange(mass.Problems.Select(p => p.Under("load")));
        return new FiringKiln(kiln, mass.IsOk ? mass.Value : KilnLoad.Empty, start);
    }
}
