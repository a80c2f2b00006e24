using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Services.Learning;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Learning;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Services.Firings;

/// <summary>A firing to be started, or, where what was set is no longer what is planned, both to choose from.</summary>
internal sealed record StartOrQuestion(FiringRun? Run, FiringSummary? Set = null, FiringSummary? Planned = null);

/// <summary>A firing with what it is fired with, at the moment it is started.</summary>
internal sealed class RunStarter(Repository<StudioKiln> kilns, FiringAssessor assessor, LearnedKilns taught, KilnScores scores, SwitchPlanner switches)
{
    private const double MostPastDays = 3650;
    private const double MostAheadDays = 30;

    /// <summary>
    /// Reads what is wanted; problems name the fields of the request, or what the firing lacks. It is asked which program is meant where what was set is no
    /// longer what is planned.
    /// </summary>
    public async Task<Result<StartOrQuestion>> Read(
        int firingId,
        FiringDraft firing,
        StartFiringRequest? wire,
        Instant now,
        string? by,
        CancellationToken cancel
    )
    {
        var problems = new List<Problem>();
        if (wire?.Link is null)
            problems.Add(new Problem("link", "Say where readings come from: simulated, push or hand."));
        var speed = wire?.Speed ?? 1;
        if (!(speed >= 1 && speed <= FiringRun.MostSpeed))
            problems.Add(
                new Problem("speed", $"A simulated kiln runs at 1 to {Phrases.Number(FiringRun.MostSpeed)} times real time; this says {Phrases.Number(speed)}.")
            );
        var faults = ReadFaults(wire?.Faults ?? [], problems);
        var hand = await assessor.AtHand(firingId, firing, cancel);
        // The rows of a turn-up sheet stand on the five minutes of its start: nobody turns a valve at 14:03.
        var starts =
            wire?.StartsAt is { } given ? ReadMoment(given, now, problems)
            : hand is { Studio: FuelKiln } ? OnTheFive(now)
            : now;
        if (hand is null)
            problems.Add(new Problem("kilnId", "Choose a kiln for this firing first."));
        var (kiln, schedule) = (hand?.Studio, hand?.Schedule?.Item);
        if (wire?.Program == StartedProgram.Set && hand is { Entered: null, Studio: not FuelKiln })
            problems.Add(new Problem("program", "Nothing was read back from the controller for this firing yet. Read it back, or start it as planned."));
        // What was read back counts, and only that is as entered; a kiln turned by hand follows its schedule as it stands.
        var asEntered = hand?.Entered is not null && wire?.Program != StartedProgram.Planned;
        var program = asEntered ? hand!.Entered!.Fired : schedule?.Program;
        if (program is null)
            problems.Add(new Problem("scheduleId", "This firing has no schedule yet: plan it first."));
        if (kiln is FuelKiln && wire?.Link == LinkKind.Simulated)
            problems.Add(
                new Problem("link", "A fuel kiln is turned by hand; there is no simulated one to start. Say hand, or push where a logger reads a thermometer.")
            );
        if (problems.Count > 0 || hand is null || kiln is null || program is null)
            return Result<StartOrQuestion>.Failed(problems);
        if (hand.HasMovedOn && wire!.Program is null)
            return new StartOrQuestion(null, assessor.Summary(firing, hand, asSet: true), assessor.Summary(firing, hand, asSet: false));
        if (program.CannotBeginAt(kiln.Room) is { } cannot)
            return new Problem("scheduleId", cannot.Message);
        var goal = schedule?.Goal ?? firing.Goal;
        var known =
            await kilns.Find(firing.KilnId!.Value, cancel) is { } found && found.Of<Kiln>() is { } stored ? (await taught.Of(stored, cancel)).Kiln : null;
        return new StartOrQuestion(
            await Foretold(
                new FiringRun(
                    FiringId: firingId,
                    KilnId: firing.KilnId.Value,
                    Link: wire!.Link!.Value,
                    StartsAt: starts,
                    StartedAt: now,
                    By: by,
                    Program: program,
                    IsAsEntered: asEntered,
                    Goal: goal,
                    Kiln: kiln,
                    Load: hand.Load,
                    Start: kiln.Room,
                    Kind: firing.Kind,
                    Speed: speed,
                    Seed: unchecked((ulong)(wire.Seed ?? firingId)),
                    Faults: [.. faults],
                    Taught: known?.Taught(goal),
                    // A simulated kiln has a controller of its own.
                    Dials: wire.Link == LinkKind.Simulated ? null : await switches.Begin(kiln, hand.Load, program, firing.Kind, goal, cancel)
                ),
                known,
                cancel
            )
        );
    }

    /// <summary>What is foretold is kept with it: its bands as wide as the kiln's last firings ask for, and not twice so.</summary>
    private async Task<FiringRun> Foretold(FiringRun run, KilnKnowledge? known, CancellationToken cancel)
    {
        var widening = await scores.Widening(run.KilnId, cancel);
        var plain = known is null ? null : known with { Widening = Widening.None };
        var asKnown = run with { Kiln = run.Kiln.Unsure(1 / widening.OfHeat), Taught = plain?.Taught(run.Goal) };
        return run with
        {
            Foretold = Foreteller.Of(asKnown, [.. (plain?.Learned.Shelves ?? []).Select(s => new ShelfOwn(s.Shelf, s.Own.Mean, s.Own.Sd))], widening),
        };
    }

    /// <summary>Whether a kiln exists, by name, for messages.</summary>
    public async Task<string> NameOf(int kilnId, CancellationToken cancel) =>
        (await kilns.FindAll([kilnId], cancel)).GetValueOrDefault(kilnId)?.Name ?? "The kiln";

    private static Instant OnTheFive(Instant now)
    {
        const long five = 5 * 60_000;
        return Instant.FromUnixTimeMilliseconds(now.ToUnixTimeMilliseconds() / five * five);
    }

    private static Instant ReadMoment(DateTimeOffset given, Instant now, List<Problem> problems)
    {
        var at = Instant.FromDateTimeOffset(given);
        if (at > now - Duration.FromDays(MostPastDays) && at < now + Duration.FromDays(MostAheadDays))
            return at;
        problems.Add(
            new Problem(
                "startsAt",
                $"A firing is started now, up to {Phrases.Number(MostAheadDays)} days ahead, or in the past for a log that is there already."
            )
        );
        return now;
    }

    private static List<SimulatedFault> ReadFaults(IReadOnlyList<FaultContract?> wire, List<Problem> problems)
    {
        var faults = new List<SimulatedFault>();
        if (wire.Count > SimulatedFault.Most)
            problems.Add(new Problem("faults", $"At most {SimulatedFault.Most} faults go into one firing."));
        foreach (var (i, fault) in wire.Take(SimulatedFault.Most).Index())
        {
            if (fault?.Kind is not { } kind)
            {
                problems.Add(new Problem($"faults[{i}].kind", "Say what goes wrong."));
                continue;
            }
            var read = new SimulatedFault(kind, fault.FromMinute ?? 0, fault.Minutes, fault.Size);
            if (read.Check() is { } wrong)
                problems.Add(wrong.Under($"faults[{i}]"));
            else
                faults.Add(read);
        }
        return faults;
    }
}
