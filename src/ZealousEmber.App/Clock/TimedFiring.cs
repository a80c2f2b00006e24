using NodaTime;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Clock;

/// <summary>A schedule with the times and watch moments it has in its kiln, to the moment it may be opened.</summary>
internal sealed record TimedFiring(Schedule Schedule, FiringKiln Firing, CompiledSchedule Compiled, KilnRun? Run, Duration OpensAt, IReadOnlyList<WatchMoment> Moments)
{
    /// <summary>When the top is reached, since the start.</summary>
    public Duration TopAt => Moments.FirstOrDefault(m => m.Kind == WatchKind.Top)?.At ?? Duration.Zero;

    /// <summary>As the clock takes it.</summary>
    public StartTask Task => new(Run is { } run ? [.. run.KwhPerBin] : [], Compiled.Powered, TopAt, OpensAt, Moments);

    /// <summary>The curve as far as it is known: the programme, then the cooling.</summary>
    public Curve WholeCurve => Run is { Afterwards.Points.Length: > 1 } run ? new Curve([.. Compiled.Curve.Points, .. run.Afterwards.Points[1..]]) : Compiled.Curve;

    /// <summary>Times a schedule where it is fired.</summary>
    public static Result<TimedFiring> Of(Schedule schedule, FiringKiln firing)
    {
        var run = firing.Kiln is null ? null : firing.Run(schedule);
        var compiled = run is null ? firing.Times(schedule) : run.IsOk ? run.Value.Compiled : Result<CompiledSchedule>.Failed(run.Problems);
        if (!compiled.IsOk) return Result<TimedFiring>.Failed(compiled.Problems);
        var opensAt = run?.Value.OpensAt ?? compiled.Value.Curve.LastFallThrough(firing.Opens) ?? compiled.Value.Total;
        return new TimedFiring(schedule, firing, compiled.Value, run?.Value, opensAt, WatchMoment.Of(schedule, compiled.Value, opensAt, firing.Boiling));
    }

    /// <summary>The same from the wire; problems name <c>schedule…</c>, <c>kiln…</c> and <c>load…</c>.</summary>
    public static async Task<TimedFiring?> Read(
        ScheduleContract? wire, double? startTemperature, int? kilnId, KilnContract? kiln, LoadContract? load, Finder find, List<Problem> problems)
    {
        var read = ScheduleMapping.Read(wire is not null && string.IsNullOrWhiteSpace(wire.Name) ? wire with { Name = "Untitled" } : wire);
        problems.AddRange(read.Problems.Select(p => p.Under("schedule")));
        var start = ScheduleMapping.ReadStart(startTemperature, WireTerms.Units.Read(wire?.Unit) ?? TemperatureUnit.Celsius, problems);
        var firing = await FiringKiln.Read(kilnId, kiln, load, read.IsOk ? read.Value.Kind : ScheduleKind.Glaze, start, find, problems);
        if (problems.Count > 0) return null;
        var timed = Of(read.Value, firing);
        problems.AddRange(timed.Problems.Select(p => p.Under("schedule")));
        if (timed.IsOk && timed.Value.Compiled.Total > KilnSimulator.Longest)
            problems.Add(new Problem("schedule.segments", $"This firing lasts longer than {KilnSimulator.Longest.TotalDays:0} days; no start is looked for."));
        return problems.Count > 0 ? null : timed.Value;
    }
}
