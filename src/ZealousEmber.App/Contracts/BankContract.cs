using System.Text.Json.Serialization;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Contracts;

/// <summary>What somebody read off a kiln's controller after entering a schedule.</summary>
/// <param name="Schedule">That was entered.</param>
/// <param name="FiringId">For which firing.</param>
/// <param name="ScheduleId">From which schedule,</param>
/// <param name="ScheduleVersion">and which version of it; the newest when missing.</param>
/// <param name="GoalCone">The schedule's own when missing.</param>
/// <param name="StartTemperature">In the schedule's unit; 20 °C when missing.</param>
/// <param name="Slot">Under which program; the first when missing.</param>
/// <param name="DelayMinutes">Before it begins.</param>
/// <param name="Shown">What it shows, in the order it asks,</param>
/// <param name="Text">or as one text.</param>
/// <param name="Slip">What happened, where something is not right and somebody knows; a kind of slip.</param>
public sealed record EnteredRequest(
    ScheduleContract? Schedule = null,
    int? FiringId = null,
    int? ScheduleId = null,
    int? ScheduleVersion = null,
    string? GoalCone = null,
    double? StartTemperature = null,
    string? Slot = null,
    double? DelayMinutes = null,
    IReadOnlyList<string?>? Shown = null,
    string? Text = null,
    string? Slip = null
);

/// <summary>A program that was entered at a kiln and read back.</summary>
/// <param name="Name">Of the schedule.</param>
/// <param name="Controller">Name of the controller.</param>
/// <param name="DelayMinutes">Before it begins.</param>
/// <param name="Code">Four letters that tell it from another.</param>
/// <param name="Clean">All was read, and all was right.</param>
/// <param name="Slip">What happened, where somebody said.</param>
/// <param name="Program">As it was to be entered.</param>
/// <param name="Shown">As it was read.</param>
/// <param name="Line">What the kiln then does, in a line.</param>
public sealed record EnteredContract(
    int KilnId,
    int? FiringId,
    int? ScheduleId,
    int? ScheduleVersion,
    string Name,
    ScheduleKind Kind,
    string Controller,
    string? Slot,
    double DelayMinutes,
    string Code,
    bool Clean,
    string? Slip,
    DateTimeOffset At,
    string? By,
    IReadOnlyList<AnswerContract> Program,
    IReadOnlyList<AnswerContract> Shown,
    string Line
);

/// <summary>What was recorded, and the comparison behind it.</summary>
public sealed record EnteredResponse(EnteredContract Entered, ReadBackResponse ReadBack);

/// <summary>One program of a controller.</summary>
/// <param name="Slot">Its name; nothing where the controller keeps one.</param>
/// <param name="Holds">What was last read there and was right.</param>
/// <param name="Stale">Why that is not to be relied on: edited, old, other-seen.</param>
/// <param name="Reliable">It may be started without being entered again.</param>
public sealed record BankSlotContract(string? Slot, EnteredContract? Holds, IReadOnlyList<string> Stale, bool Reliable);

/// <summary>What is in which program of a kiln.</summary>
/// <param name="ControllerId">Of the kiln; nothing where it names none.</param>
/// <param name="Controller">Its name.</param>
/// <param name="Place">Where the schedule that was asked about belongs; nothing where there is no place, or only one.</param>
public sealed record BankContract(
    int? ControllerId,
    string? Controller,
    IReadOnlyList<BankSlotContract> Slots,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.Never)] string? Place
);
