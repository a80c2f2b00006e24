using ZealousEmber.App.Wire;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Simulated;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Contracts;

/// <summary>How a firing is to be started.</summary>
/// <param name="Link">simulated, push or hand.</param>
/// <param name="Speed">Of a simulated kiln, times real time, 1 … 600.</param>
/// <param name="Seed">Of a simulated kiln.</param>
/// <param name="Faults">Of a simulated kiln.</param>
/// <param name="StartsAt">When it is switched on; now when missing. May lie behind, for a log pushed afterwards.</param>
/// <param name="Key">Made by the device; sent again it is the same start.</param>
/// <param name="Program">set: as it was last read back from the controller; planned: as the schedule stands now. Where it is not said, what was set is
/// started, and where that is no longer what is planned, it is asked.</param>
public sealed record StartFiringRequest(
    LinkKind? Link,
    double? Speed = null,
    long? Seed = null,
    IReadOnlyList<FaultContract?>? Faults = null,
    DateTimeOffset? StartsAt = null,
    string? Key = null,
    StartedProgram? Program = null
);

/// <summary>Which program a firing is started with.</summary>
public enum StartedProgram
{
    /// <summary>As it was last read back from the controller.</summary>
    Set,

    /// <summary>As the schedule stands now.</summary>
    Planned,
}

/// <summary>Something that goes wrong in a simulated kiln.</summary>
public sealed record FaultContract(FaultKind? Kind, double? FromMinute = null, double? Minutes = null, double? Size = null);

/// <summary>A change of state.</summary>
/// <param name="At">When; now when missing.</param>
/// <param name="Note">Why, or what was seen.</param>
/// <param name="Key">Made by the device; sent again it is the same change.</param>
/// <param name="Reopen">Of a closed firing: there is more to be noted after all.</param>
public sealed record ChangeStateRequest(DateTimeOffset? At = null, string? Note = null, string? Key = null, bool? Reopen = null);

/// <summary>A batch of readings from a logger.</summary>
/// <param name="Logger">Its own name.</param>
/// <param name="Stream">New at every restart of its count.</param>
public sealed record SamplesRequest(string? Logger, string? Stream, IReadOnlyList<SampleContract?>? Samples);

/// <summary>A reading.</summary>
/// <param name="Sequence">Its number in the stream.</param>
/// <param name="At">When it was taken, with its offset: 2026-11-24T17:30:00Z. What is no moment is refused by itself; the others of its batch are
/// taken.</param>
/// <param name="Celsius">Null where there was no value.</param>
/// <param name="Share">Mean power share since the reading before, 0 … 1.</param>
/// <param name="SetPoint">What the controller asked for, °C.</param>
public sealed record SampleContract(
    long? Sequence,
    [property: System.Text.Json.Serialization.JsonConverter(typeof(AnyText))] string? At,
    double? Celsius = null,
    double? Share = null,
    double? SetPoint = null
);

/// <summary>What became of a batch.</summary>
/// <param name="AcceptedThrough">The sequence up to which nothing is missing, readings refused for good among them; the logger may forget what it has up to
/// there.</param>
/// <param name="Duplicates">Readings that were there already.</param>
/// <param name="Conflicts">Sequences that are there already with other content; the first stays.</param>
/// <param name="Rejected">Readings that are none, and why. They are not asked for again, but for those of the future: one of the two clocks is wrong.</param>
public sealed record SamplesResponse(long? AcceptedThrough, int Duplicates, IReadOnlyList<long> Conflicts, IReadOnlyList<RejectedSample> Rejected);

/// <summary>A reading that was refused.</summary>
public sealed record RejectedSample(long? Sequence, string Why);

/// <summary>An entry to be noted.</summary>
/// <param name="Key">Made by the device; sent again it is the same entry.</param>
/// <param name="At">When; now when missing.</param>
/// <param name="Celsius">A reading.</param>
/// <param name="Subject">A cone, an alarm, an item of a list.</param>
/// <param name="Text">In words.</param>
/// <param name="Setting">Of a turn.</param>
/// <param name="Positions">Of a turn of switches: where each section stands.</param>
public sealed record EntryRequest(
    string? Key,
    EntryKind? Kind,
    DateTimeOffset? At = null,
    double? Celsius = null,
    string? Subject = null,
    string? Text = null,
    SettingContract? Setting = null,
    IReadOnlyList<string?>? Positions = null
);

/// <summary>How burners and damper of a fuel kiln stand.</summary>
/// <param name="PressureBar">At the burners; 0 is off. May be missing for a candle or a low flame.</param>
/// <param name="Damper">0 shut … 1 open.</param>
/// <param name="Lit">Burners lit; all when missing.</param>
/// <param name="Flame">off, candle, low or gauge; gauge when missing.</param>
public sealed record SettingContract(double? PressureBar, double? Damper, int? Lit = null, Core.Kilns.Fuel.Flame? Flame = null);

/// <summary>A noted entry.</summary>
/// <param name="Setting">Of a turn.</param>
/// <param name="CanBeChanged">It can still be taken back, or given another time: by an entry taken-back or retimed with its key as subject.</param>
public sealed record EntryContract(
    string Key,
    EntryKind Kind,
    DateTimeOffset At,
    string? By,
    double? Celsius,
    string? Subject,
    string? Text,
    SettingContract? Setting = null,
    bool CanBeChanged = false
);

/// <summary>How a firing was started.</summary>
/// <param name="IsAsEntered">With the program as it was read back; else as planned.</param>
/// <param name="Line">Its program in shorthand, °C.</param>
/// <param name="OpensAtCelsius">When the studio calls it safe to open.</param>
/// <param name="Promised">The curve that was promised; minutes and °C.</param>
public sealed record RunContract(
    int FiringId,
    int KilnId,
    FiringState State,
    LinkKind Link,
    DateTimeOffset StartsAt,
    DateTimeOffset StartedAt,
    string? By,
    bool IsAsEntered,
    string? GoalCone,
    string Line,
    ScheduleKind Kind,
    double Speed,
    double OpensAtCelsius,
    DateTimeOffset? StoppedAt,
    DateTimeOffset? CooledAt,
    DateTimeOffset? OpenedAt,
    DateTimeOffset? ReadAt,
    DateTimeOffset? ClosedAt,
    IReadOnlyList<CurveMinute> Promised,
    IReadOnlyList<RunStep> Steps,
    double BoilingCelsius,
    KilnHeatSource Heat = KilnHeatSource.Electric
);

/// <summary>A step of the program, as promised.</summary>
/// <param name="Text">As a sentence.</param>
public sealed record RunStep(double StartMinute, double RampEndMinute, double EndMinute, double? Target, string Text);

/// <summary>A new token of a kiln; told once.</summary>
public sealed record TokenContract(string Token);

/// <summary>The readings of a firing, reduced for drawing.</summary>
/// <param name="Segments">Stretches without a gap; minutes and °C.</param>
/// <param name="Readings">How many stand behind them.</param>
public sealed record LogContract(IReadOnlyList<IReadOnlyList<LogPointContract>> Segments, int Readings, double? FromMinute, double? ToMinute);

/// <summary>A reading to be drawn.</summary>
public sealed record LogPointContract(double Minute, double Celsius, double? Share = null, double? SetPoint = null);

/// <summary>A started firing in short.</summary>
public sealed record RunSummary(int FiringId, int KilnId, FiringState State, DateTimeOffset StartsAt, DateTimeOffset? OpenedAt, string? By);

/// <summary>A kiln as it stands in the kiln room.</summary>
/// <param name="Trouble">Why its firing cannot be followed: the kiln is not free.</param>
public sealed record RoomKiln(
    int KilnId,
    string Name,
    int? FiringId,
    string? Firing,
    FiringState? State,
    LiveContract? Live,
    DateTimeOffset? StartsAt,
    DateTimeOffset? NextAt,
    DateTimeOffset? OpenAt,
    DateTimeOffset? TopAt,
    string? By,
    string? Trouble = null
);
