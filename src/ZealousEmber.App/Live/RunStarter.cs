using NodaTime;
using ZealousEmber.App.Firings;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Learning;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Schedules;

namespace ZealousEmber.App.Live;

/// <summary>A firing with what it is fired with, at the moment it is started.</summary>
internal sealed class RunStarter(Repository<StudioKiln> kilns, ScheduleRepository schedules, EnteredPrograms entered, StudioLookup lookup, TaughtKilns taught)
{
    private const double MostPastDays = 3650;
    private const double MostAheadDays = 30;

    /// <summary>Reads what is wanted; problems name the fields of the request, or what the firing lacks.</summary>
    public async Task<Result<FiringRun>> Read(int firingId, FiringDraft firing, StartFiringRequest? wire, Instant now, string? by, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        if (wire?.Link is null) problems.Add(new Problem("link", "Say where readings come from: simulated, push or hand."));
        var speed = wire?.Speed ?? 1;
        if (!(speed >= 1 && speed <= FiringRun.MostSpeed)) problems.Add(new Problem("speed", $"A simulated kiln runs at 1 to {Phrases.Number(FiringRun.MostSpeed)} times real time; this says {Phrases.Number(speed)}."));
        var faults = ReadFaults(wire?.Faults ?? [], problems);
        var starts = wire?.StartsAt is { } given ? ReadMoment(given, now, problems) : now;
        var kiln = firing.KilnId is { } kilnId ? await lookup.Kiln(kilnId) : null;
        if (kiln is null) problems.Add(new Problem("kilnId", "Choose a kiln for this firing first."));
        var (program, schedule, asEntered) = await FindProgram(firingId, firing, cancel);
        if (program is null) problems.Add(new Problem("scheduleId", "This firing has no schedule yet: plan it first."));
        if (kiln is FuelKiln && wire?.Link == LinkKind.Simulated) problems.Add(new Problem("link", "A fuel kiln is turned by hand; there is no simulated one to start. Say hand, or push where a logger reads a thermometer."));
        if (problems.Count > 0 || kiln is null || program is null) return Result<FiringRun>.Failed(problems);
        if (program.CannotBeginAt(kiln.Room) is { } cannot) return new Problem("scheduleId", cannot.Message);
        var goal = schedule?.Goal ?? firing.Goal;
        var known = await kilns.Find(firing.KilnId!.Value, cancel) is { } found && found.Of<Kiln>() is { } stored ? (await taught.Of(stored, cancel)).Taught(goal) : null;
        return new FiringRun(
            firingId, firing.KilnId.Value, wire!.Link!.Value, starts, now, by, program, asEntered, goal, kiln, await LoadOf(firing, kiln), kiln.Room, firing.Kind,
            speed, unchecked((ulong)(wire.Seed ?? firingId)), [.. faults], Taught: known);
    }

    /// <summary>Whether a kiln exists, by name, for messages.</summary>
    public async Task<string> NameOf(int kilnId, CancellationToken cancel) => (await kilns.Find(kilnId, cancel))?.Item.Name ?? "The kiln";

    private async Task<(FiringProgram? Program, Schedule? Schedule, bool AsEntered)> FindProgram(int firingId, FiringDraft firing, CancellationToken cancel)
    {
        var schedule = firing.Schedule is { } pinned
            ? (pinned.Version is { } version ? await schedules.Version(pinned.Id, version, cancel) : await schedules.Find(pinned.Id, cancel))?.Item
            : null;
        // The last that was read back right at this kiln counts, as long as it is of the schedule the firing has now.
        var read = firing.KilnId is { } kiln ? (await entered.Find(kiln, firingId, cancel, 1)).FirstOrDefault() : null;
        return read is { IsClean: true } && (read.ScheduleId is null || (read.ScheduleId == firing.Schedule?.Id && read.ScheduleVersion == (firing.Schedule?.Version ?? read.ScheduleVersion)))
            ? (read.Fired, schedule, true)
            : (schedule?.Program, schedule, false);
    }

    private async Task<KilnLoad> LoadOf(FiringDraft firing, StudioKiln kiln)
    {
        var problems = new List<Problem>();
        var written = new LoadContract(Lots: [.. firing.Lots.Select(FiringMapping.Write)]);
        var ware = firing.Lots.IsEmpty ? null : await LotMapping.Read(written, lookup, problems);
        var load = problems.Count == 0 && ware is not null ? KilnMapping.ReadLoad(written, ware, kiln, firing.Kind) : kiln.UsualLoad(firing.Kind);
        // Rows that are half written make no load; the kiln is taken to be full.
        return load.IsOk ? load.Value : kiln.UsualLoad(firing.Kind);
    }

    private static Instant ReadMoment(DateTimeOffset given, Instant now, List<Problem> problems)
    {
        var at = Instant.FromDateTimeOffset(given);
        if (at > now - Duration.FromDays(MostPastDays) && at < now + Duration.FromDays(MostAheadDays)) return at;
        problems.Add(new Problem("startsAt", $"A firing is started now, up to {Phrases.Number(MostAheadDays)} days ahead, or in the past for a log that is there already."));
        return now;
    }

    private static List<SimulatedFault> ReadFaults(IReadOnlyList<FaultContract?> wire, List<Problem> problems)
    {
        var faults = new List<SimulatedFault>();
        if (wire.Count > SimulatedFault.Most) problems.Add(new Problem("faults", $"At most {SimulatedFault.Most} faults go into one firing."));
        foreach (var (i, fault) in wire.Take(SimulatedFault.Most).Index())
        {
            if (fault?.Kind is not { } kind)
            {
                problems.Add(new Problem($"faults[{i}].kind", "Say what goes wrong."));
                continue;
            }
            var read = new SimulatedFault(kind, fault.FromMinute ?? 0, fault.Minutes, fault.Size);
            if (read.Check() is { } wrong) problems.Add(wrong.Under($"faults[{i}]"));
            else faults.Add(read);
        }
        return faults;
    }
}
