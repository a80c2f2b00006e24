using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Planning;

/// <summary>What is wished for; what people differ on is said, not guessed.</summary>
/// <param name="Kind">Drying only, bisque, glaze or once-fired.</param>
/// <param name="Goal">The cone; found from the load when missing.</param>
/// <param name="Drying">How raw ware is dried.</param>
/// <param name="Approach">How the top is come to.</param>
/// <param name="Cooling">How it cools.</param>
/// <param name="Hold">At the top; by the load when missing.</param>
/// <param name="MaxSteps">Most steps the controller takes, 2 … 64.</param>
/// <param name="Unit">Scale of the friendly numbers.</param>
/// <param name="Name">Of the schedule.</param>
public sealed record PlanWish(
    ScheduleKind Kind, Cone? Goal = null, DryingWay Drying = DryingWay.ByTheWall, ApproachWay Approach = ApproachWay.LastHundred, CoolingWay Cooling = CoolingWay.AsTheGlazesAsk,
    Duration? Hold = null, int MaxSteps = 20, TemperatureUnit Unit = TemperatureUnit.Celsius, string Name = "Planned");

/// <summary>Where it is fired, as far as a plan needs it.</summary>
/// <param name="Start">The kiln's temperature.</param>
/// <param name="Boiling">When water boils there.</param>
/// <param name="Hottest">The kiln's limit.</param>
/// <param name="Times">Times a schedule there.</param>
/// <param name="FastestClimb">At a temperature; nothing when not known.</param>
/// <param name="NaturalFall">With the power off, at a temperature.</param>
public sealed record PlanPlace(
    Temperature Start, Temperature Boiling, Temperature Hottest, ScheduleTimes Times, Func<Temperature, Rate?> FastestClimb, Func<Temperature, Rate?> NaturalFall);

/// <summary>A step with its reason.</summary>
/// <param name="Step">The step; its own short reason among it.</param>
/// <param name="Why">In a sentence or two, as a good teacher would say it.</param>
/// <param name="By">The constraint that set it: drying, steam-check, glaze-water, brisk, quartz, burn-out, kiln, approach, goal, hold, slow-band, drop, quartz-cooling, cooling.</param>
public sealed record PlanStep(Segment Step, string Why, string By);

/// <summary>Something to know about the load, beside the schedule.</summary>
/// <param name="Id">Stable: wall-too-thick, closed-hollow, runny, cooling-clash, hold-clash.</param>
/// <param name="Text">One or two sentences.</param>
public sealed record PlanNote(string Id, string Text);

/// <summary>A proposed schedule.</summary>
/// <param name="Schedule">In friendly numbers, finishing on the goal.</param>
/// <param name="Steps">One for each step of it.</param>
/// <param name="GoalWhy">Why this cone.</param>
/// <param name="Notes">About the load.</param>
public sealed record Plan(Schedule Schedule, ImmutableArray<PlanStep> Steps, string? GoalWhy, ImmutableArray<PlanNote> Notes);
