using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>How to go on after the power was off. Degrees are °C of cone more (or less) than was planned.</summary>
/// <param name="Step">Index of the step that was interrupted.</param>
/// <param name="Rest">What is left of the program as it was, from that step on.</param>
/// <param name="Program">From here on; nothing where it is better left off.</param>
/// <param name="SameDegrees">What going on as before comes to.</param>
/// <param name="SameMinutes">How much later than planned it then ends.</param>
/// <param name="InsteadDegrees">What the proposal comes to.</param>
/// <param name="InsteadMinutes">How much later it then ends.</param>
public sealed record ResumePlan(
    int Step,
    FiringProgram Rest,
    FiringProgram? Program,
    double SameDegrees,
    double SameMinutes,
    double InsteadDegrees,
    double InsteadMinutes
);
