using System.ComponentModel.DataAnnotations;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Schedules;

namespace ZealousEmber.App.Planning;

/// <summary>A load and a wish; what people differ on may be said, else the studio's default holds.</summary>
/// <param name="Load">Its lots are needed.</param>
/// <param name="GoalCone">Found from the load when missing.</param>
/// <param name="Drying">by-the-wall, long-hold, slow-climb or fast-to-hold.</param>
/// <param name="Approach">last-hundred or one-rate.</param>
/// <param name="Cooling">as-the-glazes-ask, off, limited-drop or drop-and-hold.</param>
/// <param name="HoldMinutes">At the top; by the load when missing.</param>
/// <param name="MaxSteps">Most steps the controller takes; 20 when missing.</param>
public sealed record PlanRequest(
    LoadContract? Load, [property: AllowedValues("drying", "bisque", "glaze", "once-fired")] string? Kind, string? GoalCone = null,
    [property: AllowedValues("by-the-wall", "long-hold", "slow-climb", "fast-to-hold")] string? Drying = null,
    [property: AllowedValues("last-hundred", "one-rate")] string? Approach = null,
    [property: AllowedValues("as-the-glazes-ask", "off", "limited-drop", "drop-and-hold")] string? Cooling = null,
    double? HoldMinutes = null, int? MaxSteps = null, [property: AllowedValues("C", "F")] string? Unit = null, string? Name = null,
    int? KilnId = null, KilnContract? Kiln = null, double? StartTemperature = null);

/// <summary>A proposed schedule with the reasons of its steps.</summary>
/// <param name="Steps">One for each segment.</param>
/// <param name="GoalWhy">Why this cone.</param>
/// <param name="Notes">About the load.</param>
public sealed record PlanResponse(ScheduleContract Schedule, IReadOnlyList<PlanStepContract> Steps, string? GoalWhy, IReadOnlyList<PlanNoteContract> Notes, LoadSummary Load);

/// <summary>Why a step is there.</summary>
/// <param name="By">The limit that set it.</param>
public sealed record PlanStepContract(string Why, string By);

/// <summary>Something to know about the load.</summary>
public sealed record PlanNoteContract(string Id, string Text);

/// <summary>What follows from the lots.</summary>
public sealed record LoadSummary(int Lots, int Pieces, double WareKg, string Thickest, string Wettest, string SlowestToDry, IReadOnlyList<string> Clashes);

/// <summary>One way people do a thing.</summary>
/// <param name="Choice">drying, approach or cooling.</param>
/// <param name="Way">The word for it in a request.</param>
public sealed record SchoolContract(string Choice, string Way, string Name, string Why);
