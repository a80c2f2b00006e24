using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core.Controllers.Turning;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Services.Firings;

/// <summary>Plans how the switches of a kiln are turned in a firing: at its start, and anew from what was read.</summary>
internal sealed class SwitchPlanner(StudioLookup lookup, FiringRuns runs)
{
    // A hand is not quicker than that, and a plan no better for it.
    private const double OnTime = 3;

    /// <summary>The course a firing starts with; nothing where its kiln has no switches, or does not get there with them.</summary>
    public async Task<DialCourse?> Begin(StudioKiln kiln, KilnLoad load, FiringProgram program, ScheduleKind kind, Cone? goal, CancellationToken cancel) =>
        kiln is Kiln electric
        && await lookup.Controller(kiln.ControllerId) is { Dials: { } dials } profile
        && Asked(program, kind, goal) is { } schedule
        && DialFit.Of(profile, schedule, goal, electric, load, kiln.Room, null, cancel) is { IsOk: true, Value: { } plan }
            ? plan.Course(dials)
            : null;

    /// <summary>
    /// After a turn or a reading: the turns to come planned anew, as an entry to be kept; nothing where they stay as they are, and for firings without
    /// switches.
    /// </summary>
    public async Task<FiringEntry?> Anew(RunningFiring firing, FiringEntry after, CancellationToken cancel)
    {
        if (after.Kind is not (EntryKind.Turned or EntryKind.Reading) || firing.Live is not LiveFiring { Dials: { } so })
            return null;
        var run = firing.Run;
        var entries = FiringEntry.InForce(await runs.Entries(run.FiringId, cancel));
        var readings = entries.Where(e => e.Kind == EntryKind.Reading && e.Celsius is not null && e.At >= run.StartsAt).OrderBy(e => e.At).ToList();
        var planned = entries.LastOrDefault(e => e.Kind == EntryKind.Replanned)?.At;
        var isNew = readings.Count > 0 && !(planned >= readings[^1].At);
        var isLate = so.Made.Length <= so.Course.Turns.Length && Math.Abs(so.Made[^1].Minute - so.Course.Turns[so.Made.Length - 1].Minute) > OnTime;
        if (so.Course.IsOff(so.Made[^1].Positions) || !(isNew || isLate))
            return null;
        if (await lookup.Controller(run.Kiln.ControllerId) is not { Dials: not null } profile || Asked(run.Program, run.Kind, run.Goal) is not { } schedule)
            return null;
        var known = new DialsSoFar(so.Made, [.. readings.Select(r => new DialReading(run.Minutes(r.At), Temperature.FromCelsius(r.Celsius!.Value)))]);
        // What somebody turned otherwise than any plan would is followed, but not planned on.
        if (DialFit.Of(profile, schedule, run.Goal, run.Electric, run.Load, run.Start, known, cancel) is not { IsOk: true, Value: { } plan })
            return null;
        var course = so.Course with { Turns = plan.Turns, OffMinute = plan.OffMinute, Share = plan.Share };
        // A key that follows from that of what was noted, no longer than keys are.
        var key = $"r-{after.Key}";
        return new FiringEntry(
            key.Length <= FiringEntry.LongestSubject ? key : key[..FiringEntry.LongestSubject],
            EntryKind.Replanned,
            after.At,
            null,
            Text: course.WriteTurns(),
            NotedAt: after.NotedAt
        );
    }

    private static Schedule? Asked(FiringProgram program, ScheduleKind kind, Cone? goal) =>
        Schedule.Create("Firing", kind, TemperatureUnit.Celsius, [.. program.Steps], goal: goal) is { IsOk: true, Value: var schedule } ? schedule : null;
}
