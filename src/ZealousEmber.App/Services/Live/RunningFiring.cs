using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Wire;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Store.Records;

namespace ZealousEmber.App.Services.Live;

/// <summary>Why a firing cannot be followed.</summary>
/// <param name="Why">What went wrong, for the log.</param>
/// <param name="TryAgain">When it is tried again.</param>
/// <param name="Tries">How often it was.</param>
internal sealed record FollowTrouble(string Why, Instant TryAgain, int Tries)
{
    /// <summary>What is told of it at the kiln.</summary>
    public string Told =>
        "This firing cannot be followed at the moment. The firing itself goes on, and every reading is kept: watch the controller and the cones. It is "
        + "tried again by itself.";
}

/// <summary>A firing under way, in memory: built from what is stored, and told everything that is stored after. One at a time by its gate.</summary>
internal sealed class RunningFiring(FiringRun run)
{
    /// <summary>A block of drying goes on by so much at "steam", minutes.</summary>
    public const double SteamBlock = 30;

    /// <summary>Of two loggers one is always a little behind, minutes.</summary>
    private const double LittleLate = 2;

    // Seconds.
    private const double LongestWait = 300;

    private const string SimulatedLogger = "simulated kiln";

    // What was told a moment ago is told again to the next who asks: a forecast costs milliseconds, and a room has twenty. Minutes.
    private const double ToldAgain = 5.0 / 60;

    private double switchedOff = double.PositiveInfinity;
    private int changes;
    private (LiveContract Contract, double Minutes, int Changes, IFollowedFiring Live, FiringRun Run)? told;

    /// <summary>Whoever changes it holds this.</summary>
    public SemaphoreSlim Gate { get; } = new(1, 1);

    /// <summary>As it was started.</summary>
    public FiringRun Run { get; set; } = run;

    /// <summary>When watchers were last told of it.</summary>
    public Instant PublishedAt { get; set; } = Instant.MinValue;

    /// <summary>As it is followed; nothing is known of it before the first time it was.</summary>
    public IFollowedFiring Live { get; private set; } = new UnfollowedFiring();

    /// <summary>Why it cannot be followed; nothing while it is.</summary>
    public FollowTrouble? Trouble { get; private set; }

    /// <summary>Something was stored from so long before what was followed that it has to be followed anew.</summary>
    public bool IsStale { get; set; }

    /// <summary>It is being followed anew, aside; done when it is not.</summary>
    public Task Rebuilding { get; set; } = Task.CompletedTask;

    /// <summary>Watchers are still to be told of what came last.</summary>
    public bool IsUnpublished { get; set; }

    /// <summary>The kiln, where it is simulated.</summary>
    public SimulatedKiln? Simulated { get; private set; }

    /// <summary>Follows what is stored from the beginning: readings and entries in the order of their time.</summary>
    /// <param name="samples">In the order of time.</param>
    /// <param name="entries">In the order of time.</param>
    /// <param name="until">What is of a later time is left for then: the clock was put back since it was noted.</param>
    public void Rebuild(IReadOnlyList<StoredSample> samples, IReadOnlyList<FiringEntry> entries, Instant? until = null)
    {
        var past = until is { } end ? samples.TakeWhile(s => s.At <= end.ToUnixTimeMilliseconds()).ToList() : samples;
        entries = FiringEntry.InForce(entries);
        Follow(past, until is null ? entries : [.. entries.TakeWhile(e => e.At <= until)], _ => { });
        (Trouble, IsStale) = (null, false);
        if (Run.StoppedAt is { } stopped)
            SwitchOff(Run.Minutes(stopped));
        if (Run.Link == LinkKind.Simulated)
            Simulate(samples.Count > 0 ? samples.Max(s => s.Sequence) : 0, entries);
    }

    /// <summary>A finished firing followed to its end; one that cannot be followed teaches nothing, and stops nothing.</summary>
    public static RunningFiring AtItsEnd(FiringRun run, IReadOnlyList<StoredSample> samples, IReadOnlyList<FiringEntry> entries)
    {
        var firing = new RunningFiring(run);
        try
        {
            firing.Rebuild(samples, entries);
        }
        catch (Exception error) when (error is not (OperationCanceledException or OutOfMemoryException))
        {
            firing.Fail(error, run.StartsAt);
        }
        return firing;
    }

    /// <summary>Goes on from where another has followed it to.</summary>
    public void Adopt(RunningFiring other) =>
        (Live, Simulated, switchedOff, Trouble, IsStale) = (other.Live, other.Simulated, other.switchedOff, other.Trouble, false);

    /// <summary>It cannot be followed: what is read of it is shown, and it is tried again, after longer and longer.</summary>
    public void Fail(Exception error, Instant now)
    {
        changes++;
        var tries = (Trouble?.Tries ?? 0) + 1;
        Trouble = new FollowTrouble(error.Message, now + Duration.FromSeconds(Math.Min(LongestWait, Math.Pow(2, tries))), tries);
        Live = new UnfollowedFiring();
        if (Run.StoppedAt is { } stopped)
            Live.SwitchOff(Run.Minutes(stopped));
    }

    /// <summary>What was told of it as it went on, by what is stored.</summary>
    /// <param name="samples">In the order of time.</param>
    /// <param name="entries">In the order of time.</param>
    /// <param name="count">How many reports, evenly spread from its start to its last reading.</param>
    public List<LiveContract> Replay(IReadOnlyList<StoredSample> samples, IReadOnlyList<FiringEntry> entries, int count)
    {
        var reports = new List<LiveContract>();
        entries = FiringEntry.InForce(entries);
        if (samples.Count == 0 && entries.All(e => e.Kind != EntryKind.Reading))
            return reports;
        var last = Math.Max(
            samples.Count > 0 ? Run.Minutes(Instant.FromUnixTimeMilliseconds(samples[^1].At)) : 0,
            entries.Where(e => e.Kind == EntryKind.Reading).Select(e => Run.Minutes(e.At)).DefaultIfEmpty(0).Max()
        );
        void TellUntil(double minute)
        {
            for (; reports.Count < count && last * (reports.Count + 1) / count < minute; )
                reports.Add(TellAt(last * (reports.Count + 1) / count));
        }

        Follow(samples, entries, TellUntil);
        TellUntil(double.PositiveInfinity);
        return reports;
    }

    /// <summary>
    /// New readings, in the order of time. One from long before the last has it followed anew; one that is a little late is told by its neighbours as well.
    /// </summary>
    public void Take(IEnumerable<StoredSample> samples)
    {
        changes++;
        foreach (var sample in samples.OrderBy(s => s.At).Select(Sample))
        {
            if (!Live.Add(sample) && Live.LastAt - sample.Minutes > LittleLate)
                IsStale = true;
        }
    }

    /// <summary>A new entry; a reading from before the last one has it followed anew.</summary>
    public void Take(FiringEntry entry)
    {
        changes++;
        var minutes = Run.Minutes(entry.At);
        switch (entry.Kind)
        {
            case EntryKind.Reading when entry.Celsius is { } celsius:
                IsStale |= !Live.Add(new FiringSample(minutes, celsius, ByHand: true));
                break;
            case EntryKind.Steam:
                Live.Looked(minutes, isDry: false, SteamBlock, entry.By ?? "somebody");
                Simulated?.Extend(Duration.FromMinutes(SteamBlock));
                break;
            case EntryKind.Dry:
                Live.Looked(minutes, isDry: true, SteamBlock, entry.By ?? "somebody");
                break;
            case EntryKind.Turned
            or EntryKind.Colour
            or EntryKind.ConeDown
            or EntryKind.AirSign
            or EntryKind.Replanned
            or EntryKind.LeftOut
            or EntryKind.Weighed when Live is FuelFollower fuel:
                Take(fuel, entry, minutes);
                break;
            case EntryKind.Turned when Live is LiveFiring { Dials.Course: var course } electric && course.Read(entry.Subject) is { } positions:
                electric.Turned(minutes, positions);
                break;
            case EntryKind.Replanned when Live is LiveFiring { Dials.Course: var before } electric && before.With(entry.Text) is { } anew:
                electric.GoOnTurning(anew);
                break;
            case EntryKind.Reprogrammed
                when Live is LiveFiring electric && Reprogramming.Read(entry.Subject, entry.Text) is { IsOk: true, Value: var (step, rest) }:
                electric.GoOnWith(step, rest, minutes);
                break;
            case EntryKind.Acknowledged when entry.Subject is { } alarm:
                Live.Board.Acknowledge(alarm, entry.By ?? "somebody", entry.Text, minutes);
                break;
            case EntryKind.TakenBack or EntryKind.Retimed:
                IsStale = true;
                break;
            default:
                break;
        }
    }

    private static void Take(FuelFollower fuel, FiringEntry entry, double minutes)
    {
        switch (entry.Kind)
        {
            case EntryKind.Turned when BurnerSetting.Read(entry.Subject) is { } setting:
                fuel.Turned(minutes, setting);
                break;
            case EntryKind.Colour when entry.Celsius is { } celsius:
                fuel.Saw(new FuelObservation(Math.Max(0, minutes), Colour: EyeColour.Find(entry.Subject) ?? EyeColour.At(celsius)));
                break;
            case EntryKind.ConeDown when ConeNumber.Parse(entry.Subject ?? "", "subject") is { IsOk: true, Value: var cone }:
                fuel.Saw(new FuelObservation(Math.Max(0, minutes), ConeDown: cone));
                break;
            case EntryKind.AirSign when WireEnums.Read<AirSign>(entry.Subject) is { } sign:
                fuel.Saw(new FuelObservation(Math.Max(0, minutes), Air: sign));
                break;
            case EntryKind.Replanned:
                fuel.Replanned(minutes);
                break;
            case EntryKind.LeftOut when FuelNumbers.Read(entry.Subject) is { } row:
                fuel.LeftOut(minutes, row);
                break;
            case EntryKind.Weighed when FuelNumbers.Read(entry.Subject) is { } kg:
                fuel.Weighed(new WeighedCylinder(Math.Max(0, minutes), kg));
                break;
            default:
                break;
        }
    }

    /// <summary>Somebody stopped it.</summary>
    public void SwitchOff(double minutes)
    {
        changes++;
        switchedOff = minutes;
        Live.SwitchOff(minutes);
    }

    /// <summary>What a simulated kiln has read up to a moment since it was last asked, as its logger would send it.</summary>
    /// <param name="now">Minutes since the start.</param>
    /// <param name="most">Readings at most.</param>
    public (string Logger, string Stream, List<StoredSample> Samples) Read(double now, int most)
    {
        var samples = new List<StoredSample>();
        while (Simulated is { } kiln && samples.Count < most && kiln.Minutes + SimulatedKiln.Every.TotalMinutes <= now)
        {
            if (kiln.Minutes >= switchedOff)
                kiln.SwitchOff();
            if (kiln.Next() is { } s)
                samples.Add(
                    new StoredSample(s.Sequence, (Run.StartsAt + Duration.FromMinutes(s.Minutes)).ToUnixTimeMilliseconds(), s.Celsius, s.Share, s.SetPoint)
                );
        }
        return (SimulatedLogger, "1", samples);
    }

    /// <summary>Minutes since the start, as far as it can be known: a simulated kiln that has still to catch up is only as far as it has come.</summary>
    /// <param name="wall">The program's clock.</param>
    public double Minutes(Instant wall)
    {
        var now = Run.Minutes(Run.OpenedAt ?? Run.Clock(wall));
        return Math.Max(Simulated is { } kiln ? Math.Min(now, kiln.Minutes + 1) : now, Live.LastAt ?? double.NegativeInfinity);
    }

    /// <summary>What is told of it now.</summary>
    /// <param name="wall">The program's clock.</param>
    public LiveContract Contract(Instant wall)
    {
        var minutes = Minutes(wall);
        if (
            told is { } before
            && minutes - before.Minutes is >= 0 and < ToldAgain
            && before.Changes == changes
            && ReferenceEquals(before.Live, Live)
            && ReferenceEquals(before.Run, Run)
        )
            return before.Contract;
        var report = Live.Report(minutes);
        var at = Run.StartsAt + Duration.FromMinutes(report.At);
        var contract = LiveMapping.Write(Live, report, Run.State(at), at) with { Trouble = Trouble?.Told };
        told = (contract, minutes, changes, Live, Run);
        return contract;
    }

    private LiveContract TellAt(double minute)
    {
        var report = Live.Report(Math.Max(minute, Live.LastAt ?? minute));
        return LiveMapping.Write(Live, report, report.State, Run.StartsAt + Duration.FromMinutes(report.At));
    }

    /// <summary>From the beginning, through readings and entries in the order of their time; told of each moment before it.</summary>
    private void Follow(IReadOnlyList<StoredSample> samples, IReadOnlyList<FiringEntry> entries, Action<double> before)
    {
        Live = Run.Follow();
        var at = 0;
        void AddUntil(Instant end)
        {
            for (; at < samples.Count && Instant.FromUnixTimeMilliseconds(samples[at].At) <= end; at++)
            {
                var sample = Sample(samples[at]);
                before(sample.Minutes);
                Live.Add(sample);
            }
        }

        foreach (var entry in entries)
        {
            AddUntil(entry.At);
            before(Run.Minutes(entry.At));
            Take(entry);
        }
        AddUntil(Instant.MaxValue);
    }

    /// <summary>The simulated kiln as far as it has been read: the same again, since it is drawn from its seed.</summary>
    private void Simulate(long read, IReadOnlyList<FiringEntry> entries)
    {
        Simulated = Run.Simulate();
        var steam = new Queue<double>(entries.Where(e => e.Kind == EntryKind.Steam).Select(e => Run.Minutes(e.At)));
        while (Simulated.Minutes / SimulatedKiln.Every.TotalMinutes < read - 0.5)
        {
            if (Simulated.Minutes >= switchedOff)
                Simulated.SwitchOff();
            while (steam.Count > 0 && steam.Peek() <= Simulated.Minutes)
            {
                Simulated.Extend(Duration.FromMinutes(SteamBlock));
                steam.Dequeue();
            }
            Simulated.Next();
        }
    }

    private FiringSample Sample(StoredSample s) => new(Run.Minutes(Instant.FromUnixTimeMilliseconds(s.At)), s.Celsius, s.Share, s.SetPoint);
}
