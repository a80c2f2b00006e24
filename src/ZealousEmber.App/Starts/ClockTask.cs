using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Starts;

/// <summary>A schedule with its kiln and the times it has there, as the clock takes it.</summary>
internal sealed record ClockTask(Schedule Schedule, IKilnModel Kiln, StartTask Start)
{
    /// <summary>Reads and times a firing; nothing, and problems at <c>schedule…</c>, <c>kiln…</c> and <c>load…</c>, when it cannot be.</summary>
    public static async Task<ClockTask?> Read(
        ScheduleContract? wire,
        double? startTemperature,
        int? kilnId,
        KilnContract? kiln,
        LoadContract? load,
        StudioLookup lookup,
        List<Problem> problems
    )
    {
        var (read, start) = ScheduleMapping.ReadUnnamed(wire, startTemperature, problems);
        var firing = await KilnAndLoad.Read(kilnId, kiln, load, read?.Kind ?? ScheduleKind.Glaze, start, lookup, problems, startTemperature is not null);
        if (problems.Count > 0)
            return null;
        var run = firing.Kiln.Run(read!.Program);
        problems.AddRange(run.Problems.Select(p => p.Under("schedule")));
        if (run.IsOk && run.Value.Compiled.Total > FiringProgram.LongestOnKiln)
            problems.Add(
                new Problem("schedule.segments", $"This firing lasts longer than {FiringProgram.LongestOnKiln.TotalDays:0} days; no start is looked for.")
            );
        return problems.Count > 0 ? null : new ClockTask(read, firing.Kiln, StartTask.Of(read, run.Value, firing.Kiln.Boiling));
    }
}
