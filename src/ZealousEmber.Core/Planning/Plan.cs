using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>What is wished for; what people differ on is said, not guessed.</summary>
/// <param name="Kind">Drying only, bisque, glaze or once-fired.</param>
/// <param name="Goal">The cone; found from the load when missing.</param>
/// <param name="Preference">What people differ on; the usual ways when missing.</param>
/// <param name="Hold">At the top, to the minute; by the way chosen when missing.</param>
/// <param name="MaxSteps">Most steps the controller takes, 2 … 64.</param>
/// <param name="Unit">Scale of the friendly numbers.</param>
/// <param name="Name">Of the schedule.</param>
/// <param name="Display">What its reasons give lengths and masses in; metric when missing.</param>
/// <param name="SomebodyIn">Whether somebody is in so long after the start; nothing where no start or no hours are known.</param>
/// <param name="Anyway">“I know better”: a goal that looks like a slip, cones that clash, walls no schedule alone saves are planned as asked.</param>
/// <param name="HoldsOnTheWay">Whether the controller holds below its top; one that does not dries by a slow climb, where that does.</param>
public sealed record PlanOptions(
    ScheduleKind Kind,
    Cone? Goal = null,
    PlanningPreferences? Preference = null,
    Duration? Hold = null,
    int MaxSteps = 20,
    TemperatureUnit Unit = TemperatureUnit.Celsius,
    string Name = "Planned",
    DisplayUnits? Display = null,
    Func<Duration, bool>? SomebodyIn = null,
    bool Anyway = false,
    bool HoldsOnTheWay = true
)
{
    /// <summary>What people differ on, said or usual.</summary>
    public PlanningPreferences Preferences => Preference ?? PlanningPreferences.Usual;

    /// <summary>What its reasons give lengths and masses in.</summary>
    public DisplayUnits Units => Display ?? DisplayUnits.Metric;
}

/// <summary>A step with its reason.</summary>
/// <param name="Step">The step; its own short reason among it.</param>
/// <param name="Why">In a sentence or two, as a good teacher would say it.</param>
/// <param name="By">The constraint that set it: cool-first, drying, steam-check, glaze-water, organics, brisk, wall, quartz, burn-out, kiln, approach, goal,
/// hold, slow-band, drop, quartz-cooling, cooling.</param>
/// <param name="Look">Where somebody has to look for steam: when, since the start.</param>
/// <param name="Basis">How its number came about; nothing where it is a habit, not a sum.</param>
/// <param name="Paces">On its way, what is asked and what the kiln can, in order; empty where no limit was weighed.</param>
public sealed record PlanStep(Segment Step, string Why, string By, Duration? Look = null, Basis? Basis = null, ImmutableArray<PaceLimits> Paces = default);

/// <summary>What was weighed against each other on a part of the way.</summary>
/// <param name="From">Where the part begins.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Ware">The fastest that ware, glazes and habit ask for; nothing where none does.</param>
/// <param name="Kiln">What the kiln makes at full power up, or by itself down; nothing where nobody knows.</param>
public readonly record struct PaceLimits(Temperature From, Temperature To, Rate? Ware, Rate? Kiln);

/// <summary>Something to know about the load, beside the schedule.</summary>
/// <param name="Id">Stable: wall-too-thick, closed-hollow, flat-and-wide, glaze-wet, runny, cooling-clash, hold-clash, nearly-empty, over-full,
/// worn-elements.</param>
/// <param name="Text">One or two sentences.</param>
public sealed record PlanNote(string Id, string Text);

/// <summary>A proposed schedule.</summary>
/// <param name="Schedule">In friendly numbers, finishing on the goal.</param>
/// <param name="Steps">One for each step of it.</param>
/// <param name="GoalWhy">Why this cone.</param>
/// <param name="Notes">About the load.</param>
public sealed record Plan(Schedule Schedule, ImmutableArray<PlanStep> Steps, string? GoalWhy, ImmutableArray<PlanNote> Notes);
