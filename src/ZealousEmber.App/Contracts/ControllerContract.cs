using System.Text.Json;
using ZealousEmber.Core.Controllers;

namespace ZealousEmber.App.Contracts;

/// <summary>A controller on the shelf.</summary>
/// <param name="BuiltIn">It came with the program: it is copied, not changed.</param>
public sealed record ControllerListed(int Id, int Version, bool BuiltIn, ProfileData Profile);

/// <summary>A schedule to be said to a controller.</summary>
/// <param name="Schedule">What is wanted.</param>
/// <param name="ProfileId">A controller of the shelf,</param>
/// <param name="Profile">or one described here.</param>
/// <param name="GoalCone">The schedule's own when missing.</param>
/// <param name="StartTemperature">In the schedule's unit; 20 °C when missing.</param>
/// <param name="Slot">The first when missing.</param>
/// <param name="DelayMinutes">Before it begins.</param>
/// <param name="Done">Of switches: turns that are done, when the rest is planned anew.</param>
/// <param name="Readings">How hot it was then, in the schedule's unit.</param>
public sealed record FitRequestContract(
    ScheduleContract? Schedule,
    int? ProfileId = null,
    ProfileData? Profile = null,
    string? GoalCone = null,
    int? KilnId = null,
    KilnContract? Kiln = null,
    LoadContract? Load = null,
    double? StartTemperature = null,
    string? Slot = null,
    double? DelayMinutes = null,
    IReadOnlyList<DialTurnContract?>? Done = null,
    IReadOnlyList<DialReadingContract?>? Readings = null
);

/// <summary>What a pyrometer said at a minute since it was switched on.</summary>
public sealed record DialReadingContract(double Minute, double Temperature);

/// <summary>A question with its answer as the display shows it.</summary>
/// <param name="Question">rate.2, alarm.</param>
public sealed record AnswerContract(string Question, string Shown);

/// <summary>What is different from what was wanted.</summary>
/// <param name="Kind">merged, split, clamped, rounded, no-full, hold, top, cooling, preset or finding.</param>
/// <param name="Step">Of the program, from 1.</param>
public sealed record FitChangeContract(string Kind, int? Step, string Text);

/// <summary>The fitted firing beside the wanted one.</summary>
/// <param name="Minutes">Powered, more than wanted.</param>
/// <param name="MaxDegrees">Furthest apart at one time, in the schedule's unit.</param>
public sealed record FitDifference(double Minutes, double MaxDegrees, ConeReadingContract ConeBefore, ConeReadingContract? ConeAfter);

/// <summary>A line of the card.</summary>
/// <param name="Question">Nothing for what comes before the first and after the last.</param>
/// <param name="Keys">In order.</param>
/// <param name="Display">What the display says before it is taken.</param>
/// <param name="Step">Of the program, from 1.</param>
/// <param name="Why">What this step stands for, where it is not the wanted one.</param>
public sealed record KeystrokeContract(string? Question, IReadOnlyList<string> Keys, string Display, int? Step, string? Why);

/// <summary>Switches turned at a moment.</summary>
/// <param name="Minute">Since it was switched on.</param>
/// <param name="Positions">Of every section then.</param>
public sealed record DialTurnContract(double Minute, IReadOnlyList<string> Positions);

/// <summary>A schedule as a controller can be told it; for a kiln with switches, when each is turned.</summary>
/// <param name="Fits">exactly, nearly or no.</param>
/// <param name="Program">What is keyed in; nothing where top or cone is out of reach.</param>
/// <param name="Code">Four letters that tell it from another.</param>
/// <param name="Schedule">What the kiln then does, ending with the power off; nothing for switches.</param>
/// <param name="Turns">Of switches, in order.</param>
/// <param name="OffMinute">When all switches are turned off.</param>
/// <param name="Cutoff">The cone that switches off by itself.</param>
/// <param name="TimerMinutes">What the timer is set to.</param>
/// <param name="Rms">Off the wanted curve up to the off, in the schedule's unit.</param>
/// <param name="Power">Share of the kiln's full power that comes, as far as readings tell.</param>
public sealed record FitResultContract(
    string Fits,
    string Why,
    string? Code,
    IReadOnlyList<AnswerContract>? Program,
    ScheduleContract? Schedule,
    IReadOnlyList<FitChangeContract> Changes,
    FitDifference Difference,
    IReadOnlyList<KeystrokeContract> Keystrokes,
    IReadOnlyList<DialTurnContract>? Turns = null,
    double? OffMinute = null,
    string? Cutoff = null,
    double? TimerMinutes = null,
    double? Rms = null,
    double? Power = null
);

/// <summary>Everything a controller remembers; answers as they are shown.</summary>
/// <param name="Slots">Answers by program and question.</param>
/// <param name="Shared">Answers that are no program's.</param>
/// <param name="State">rest, ask, sure, ready, tell, firing or fault.</param>
/// <param name="At">The question on the display.</param>
/// <param name="Typed">Not taken yet.</param>
/// <param name="Hands">What was done by hand.</param>
public sealed record MemoryContract(
    string? Slot = null,
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>?>? Slots = null,
    IReadOnlyDictionary<string, string>? Shared = null,
    string? State = null,
    string? At = null,
    string? Typed = null,
    IReadOnlyList<string?>? Hands = null
);

/// <summary>Keys pressed on a controller.</summary>
/// <param name="Memory">As it was left; as it comes out of its box when missing.</param>
/// <param name="Keys">A list, or a text with blanks between them.</param>
public sealed record PressRequest(int? ProfileId = null, ProfileData? Profile = null, MemoryContract? Memory = null, JsonElement? Keys = null);

/// <summary>What a controller then says and remembers.</summary>
/// <param name="Program">The one at hand.</param>
public sealed record PressResponse(string Display, string State, IReadOnlyList<AnswerContract> Program, MemoryContract Memory);
