using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Bank;

/// <summary>A question with its answer as the display shows it, whatever profile it came from.</summary>
/// <param name="Question">rate.2, alarm.</param>
/// <param name="Shown">As it is shown.</param>
public readonly record struct ShownValue(string Question, string Shown);

/// <summary>A program somebody entered at a kiln and read back from it.</summary>
/// <param name="KilnId">Where.</param>
/// <param name="FiringId">For which firing; nothing where it was for none.</param>
/// <param name="ScheduleId">From which schedule; nothing where it came from a plan alone.</param>
/// <param name="ScheduleVersion">Its version then.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="Controller">Name of the controller's profile.</param>
/// <param name="Slot">Under which program; nothing where it keeps one.</param>
/// <param name="DelayMinutes">Before it begins.</param>
/// <param name="Program">As it was to be entered.</param>
/// <param name="Code">Four letters of that.</param>
/// <param name="Unit">Of the controller's degrees.</param>
/// <param name="Fired">What the kiln then does, ending with the power off.</param>
/// <param name="Shown">What the controller showed, question by question.</param>
/// <param name="IsClean">All was read, and all was right.</param>
/// <param name="Slip">What somebody said had happened, where it was not right.</param>
/// <param name="At">When it was read.</param>
/// <param name="By">By whom, where somebody said.</param>
public sealed record EnteredProgram(
    int KilnId,
    int? FiringId,
    int? ScheduleId,
    int? ScheduleVersion,
    string Name,
    ScheduleKind Kind,
    string Controller,
    string? Slot,
    double DelayMinutes,
    ImmutableArray<ShownValue> Program,
    string Code,
    TemperatureUnit Unit,
    FiringProgram Fired,
    ImmutableArray<ShownValue> Shown,
    bool IsClean,
    string? Slip,
    Instant At,
    string? By
);
