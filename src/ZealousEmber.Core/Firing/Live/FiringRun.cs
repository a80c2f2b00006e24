using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>Where a firing stands, from its first thought to its last note.</summary>
public enum FiringState
{
    /// <summary>Load and plan.</summary>
    Planned,

    /// <summary>Its program is entered and read back.</summary>
    Set,

    /// <summary>Started, and waiting for its hour.</summary>
    Started,

    /// <summary>The power is on.</summary>
    Firing,

    /// <summary>The power is off for good.</summary>
    Cooling,

    /// <summary>Stopped before its end.</summary>
    Stopped,

    /// <summary>The kiln was opened.</summary>
    Opened,

    /// <summary>Its packs and ware were read.</summary>
    Read,

    /// <summary>Nothing more is to be noted.</summary>
    Closed,
}

/// <summary>Where readings come from.</summary>
public enum LinkKind
{
    /// <summary>A simulated kiln.</summary>
    Simulated,

    /// <summary>A logger that pushes them.</summary>
    Push,

    /// <summary>Somebody reads them off.</summary>
    Hand,
}

/// <summary>How a firing was started: what it is fired with stays as it was then, whatever is changed later.</summary>
/// <param name="FiringId">Which.</param>
/// <param name="KilnId">Where.</param>
/// <param name="Link">Where readings come from.</param>
/// <param name="StartsAt">When it is switched on; what minutes are counted from.</param>
/// <param name="StartedAt">When somebody started it.</param>
/// <param name="By">Who.</param>
/// <param name="Program">As entered.</param>
/// <param name="IsAsEntered">Read back from the controller; else as planned.</param>
/// <param name="Goal">The cone aimed at.</param>
/// <param name="Kiln">As it was.</param>
/// <param name="Load">What stands in it.</param>
/// <param name="Start">The kiln's temperature when it is switched on.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="Speed">Times real time, for a simulated kiln.</param>
/// <param name="Seed">For a simulated kiln.</param>
/// <param name="Faults">For a simulated kiln.</param>
/// <param name="StoppedAt">When somebody stopped it before its end.</param>
/// <param name="OpenedAt">When it was opened.</param>
/// <param name="CooledAt">When the power went off for good.</param>
/// <param name="ReadAt">When somebody said that packs and ware were read.</param>
/// <param name="ClosedAt">When somebody said that nothing more is to be noted.</param>
/// <param name="Taught">What the kiln had taught by then.</param>
/// <param name="Foretold">What was foretold of it; empty where nothing was.</param>
/// <param name="Dials">How its switches are turned; nothing for a kiln that has none.</param>
public sealed record FiringRun(
    int FiringId,
    int KilnId,
    LinkKind Link,
    Instant StartsAt,
    Instant StartedAt,
    string? By,
    FiringProgram Program,
    bool IsAsEntered,
    Cone? Goal,
    StudioKiln Kiln,
    KilnLoad Load,
    Temperature Start,
    ScheduleKind Kind,
    double Speed = 1,
    ulong Seed = 1,
    ImmutableArray<SimulatedFault> Faults = default,
    Instant? StoppedAt = null,
    Instant? OpenedAt = null,
    Instant? CooledAt = null,
    Instant? ReadAt = null,
    Instant? ClosedAt = null,
    KilnTaught? Taught = null,
    ImmutableArray<ForetoldNumber> Foretold = default,
    DialCourse? Dials = null
)
{
    /// <summary>Fastest a simulated kiln runs, times real time.</summary>
    public const double MostSpeed = 600;

    private static readonly Duration MostCooling = Duration.FromDays(7);
    private const double CoolingStep = 10;
    private const double SlowFall = 2;

    /// <summary>Where it stands.</summary>
    /// <param name="now">By its own clock.</param>
    public FiringState State(Instant now) => StateOf(now, StartsAt, StoppedAt, CooledAt, OpenedAt, ReadAt, ClosedAt);

    /// <summary>The same by its moments alone. A clock that runs faster changes nothing of it: until the start it does not.</summary>
    public static FiringState StateOf(
        Instant now,
        Instant startsAt,
        Instant? stoppedAt,
        Instant? cooledAt,
        Instant? openedAt,
        Instant? readAt,
        Instant? closedAt
    ) =>
        closedAt is not null ? FiringState.Closed
        : readAt is not null ? FiringState.Read
        : openedAt is not null ? FiringState.Opened
        : stoppedAt is not null ? FiringState.Stopped
        : now < startsAt ? FiringState.Started
        : cooledAt is not null ? FiringState.Cooling
        : FiringState.Firing;

    /// <summary>Its kiln is not to be had: it is neither opened nor forgotten.</summary>
    public bool IsUnderWay => OpenedAt is null;

    /// <summary>The firing's own clock: a simulated kiln may run faster than the world.</summary>
    public Instant Clock(Instant wall) => Link == LinkKind.Simulated && wall > StartsAt ? StartsAt + (wall - StartsAt) * Speed : wall;

    /// <summary>Minutes since it was switched on.</summary>
    public double Minutes(Instant at) => (at - StartsAt).TotalMinutes;

    /// <summary>How long the kiln takes by itself from a temperature until it may be opened; at most a week.</summary>
    public Duration CoolsFrom(Temperature from)
    {
        var (model, limit, hours) = (Kiln.With(Load, Start), Kiln.Opens.Celsius, 0.0);
        for (var at = from.Celsius; at > limit && hours < MostCooling.TotalHours; at -= CoolingStep)
        {
            var rate = model.NaturalFall(Temperature.FromCelsius(Math.Max(limit, at - CoolingStep / 2)))?.KelvinsPerHour ?? SlowFall;
            hours += Math.Min(CoolingStep, at - limit) / Math.Max(SlowFall, Math.Abs(rate));
        }
        return Duration.FromHours(Math.Min(hours, MostCooling.TotalHours));
    }

    /// <summary>The kiln, where elements heat it; a firing in any other throws.</summary>
    public Kiln Electric => (Kiln)Kiln;

    /// <summary>True where burners heat it: it is fired by hand, by turns.</summary>
    public bool IsFuel => Kiln is FuelKiln;

    /// <summary>What it is worked out on: the kiln with its load.</summary>
    public IKilnModel Model => Kiln.With(Load, Start);

    /// <summary>The goal with its neighbours, coolest first; empty without a goal.</summary>
    public ImmutableArray<Cone> Cones => WatchedFiring.Around(Goal);

    /// <summary>Follows it from its beginning.</summary>
    public IFollowedFiring Follow() => IsFuel ? new FuelFollower(this) : new LiveFiring(Watched);

    /// <summary>What is watched of an electric firing.</summary>
    public WatchedFiring Watched =>
        new(
            Electric,
            Load,
            Program,
            Goal,
            Start,
            Taught is { Offset: { } offset } ? (offset, Taught.OffsetSd) : default,
            Known: Taught?.TuningFor(Load),
            Dials: Dials
        );

    /// <summary>The simulated kiln behind it.</summary>
    public SimulatedKiln Simulate() => new(new SimulatedSetup(Electric, Load, Program, Start.Celsius, Seed, Faults));
}

/// <summary>Something somebody noted of a running firing.</summary>
/// <param name="Key">Made by the device; the same again is the same entry.</param>
/// <param name="Kind">What.</param>
/// <param name="At">When it was so.</param>
/// <param name="By">Who.</param>
/// <param name="Celsius">A reading, or what a colour stands for.</param>
/// <param name="Subject">Which: a cone, an alarm, an item of the check list, a step.</param>
/// <param name="Text">In words.</param>
/// <param name="NotedAt">When the program took it, by the wall clock; nothing for what is older than this is known.</param>
public sealed record FiringEntry(
    string Key,
    EntryKind Kind,
    Instant At,
    string? By,
    double? Celsius = null,
    string? Subject = null,
    string? Text = null,
    Instant? NotedAt = null
)
{
    /// <summary>How long it can be taken back, or given another time.</summary>
    public static readonly Duration CanBeChangedFor = Duration.FromMinutes(10);

    /// <summary>Whether it can still be taken back or given another time. What the program notes itself, and a change of an entry, stay.</summary>
    /// <param name="wall">Now.</param>
    public bool CanBeChanged(Instant wall) =>
        Kind is not (EntryKind.State or EntryKind.TakenBack or EntryKind.Retimed) && NotedAt is { } noted && wall - noted <= CanBeChangedFor;

    /// <summary>Entries as they count: without what was taken back, each at its latest time. What was changed stays in the log.</summary>
    /// <param name="all">Everything noted of one firing.</param>
    /// <returns>In the order of time.</returns>
    public static IReadOnlyList<FiringEntry> InForce(IReadOnlyList<FiringEntry> all)
    {
        var changes = all.Where(e => e.Kind is EntryKind.TakenBack or EntryKind.Retimed).OrderBy(e => e.NotedAt).ToLookup(e => e.Subject);
        if (changes.Count == 0)
            return all;
        return
        [
            .. all.Where(e => e.Kind is not (EntryKind.TakenBack or EntryKind.Retimed) && changes[e.Key].All(c => c.Kind != EntryKind.TakenBack))
                .Select(e => changes[e.Key].LastOrDefault() is { } moved ? e with { At = moved.At } : e)
                .OrderBy(e => e.At),
        ];
    }

    /// <summary>Longest text, characters.</summary>
    public const int LongestText = 1000;

    /// <summary>Longest subject and key, characters.</summary>
    public const int LongestSubject = 64;
}

/// <summary>Kinds of entries.</summary>
public enum EntryKind
{
    /// <summary>A temperature read off the display.</summary>
    Reading,

    /// <summary>Steam was seen: the drying goes on.</summary>
    Steam,

    /// <summary>No steam: it goes on.</summary>
    Dry,

    /// <summary>A cone is down.</summary>
    ConeDown,

    /// <summary>The colour, by eye.</summary>
    Colour,

    /// <summary>The vent was turned.</summary>
    Vent,

    /// <summary>Peepholes were opened or closed.</summary>
    Peepholes,

    /// <summary>Anything.</summary>
    Note,

    /// <summary>A photo, with its words.</summary>
    Photo,

    /// <summary>An item of the list before starting is done.</summary>
    Before,

    /// <summary>An item of the shut-down list is done.</summary>
    After,

    /// <summary>An alarm was seen.</summary>
    Acknowledged,

    /// <summary>It changed its state.</summary>
    State,

    /// <summary>Pieces out of the kiln.</summary>
    CountedOut,

    /// <summary>Burners or damper of a fuel kiln were set.</summary>
    Turned,

    /// <summary>Smell or flame of a fuel kiln; which, in the subject.</summary>
    AirSign,

    /// <summary>The turns were planned anew from here, and the new plan taken.</summary>
    Replanned,

    /// <summary>An entry, by the key in the subject, is taken back.</summary>
    TakenBack,

    /// <summary>An entry, by the key in the subject, was at another time.</summary>
    Retimed,

    /// <summary>A row of the turn-up sheet is left out on purpose; its subject is the row's minute.</summary>
    LeftOut,

    /// <summary>
    /// After a cut another program was keyed in: its subject is the index of the step it goes on at, its text the program from there on, in shorthand and °C.
    /// </summary>
    Reprogrammed,

    /// <summary>A gas cylinder was weighed; its subject is the kg of gas left in it.</summary>
    Weighed,
}
