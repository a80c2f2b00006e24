using ZealousEmber.App.Wire;
using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.App.Contracts;

/// <summary>A number that is not known for sure; null where it may never come.</summary>
public sealed record PercentilesContract(double? P10, double? P50, double? P90);

/// <summary>A moment of a curve with its band, °C.</summary>
public sealed record ForecastPointContract(double Minute, double? P10, double? P50, double? P90);

/// <summary>Heat work so far, with what it lies between where a gap leaves it open.</summary>
public sealed record ProgressContract(double Value, double Low, double High);

/// <summary>A cone's heat work so far, as it stands drawn.</summary>
public sealed record LiveConeContract(string Cone, double Progress, double Low, double High, double BendDegrees, string Phrase);

/// <summary>A long stretch without readings.</summary>
/// <param name="PowerWasOff">It cannot have been on all the time.</param>
/// <param name="IsOpen">What happened in it is only known between bounds.</param>
public sealed record GapContract(double FromMinute, double ToMinute, bool PowerWasOff, bool IsOpen);

/// <summary>What is known of the kiln beyond its stored numbers: factors of its power, heat and loss.</summary>
/// <param name="Sd">Standard deviations of their logarithms, in this order.</param>
public sealed record EstimateContract(double Power, double Heat, double Loss, IReadOnlyList<double> Sd);

/// <summary>An alarm; minutes since the start.</summary>
public sealed record AlarmContract(
    [property: NamedIn(typeof(AlarmIds))] string Id,
    AlarmWeight Weight,
    double Since,
    double? Until,
    string? AcknowledgedBy,
    string? Note,
    string Text,
    string Evidence
);

/// <summary>What somebody has to do next.</summary>
public sealed record NextContract(NextKind Kind, double? Minute, string Text);

/// <summary>What a cone will have seen at the end.</summary>
/// <param name="Progress">Heat work.</param>
/// <param name="Degrees">°C of cone past its end point.</param>
/// <param name="Phrase">As a potter would say the likeliest.</param>
public sealed record ConeForecastContract(string Cone, PercentilesContract Progress, PercentilesContract Degrees, double BendDegrees, string Phrase);

/// <summary>How to go on after a cut.</summary>
/// <param name="Step">Index of the step it resumes at.</param>
/// <param name="LeaveOff">So near the goal that it is left off.</param>
/// <param name="Line">The program from here, in shorthand; nothing where it is left off.</param>
/// <param name="Same">What going on with the same program comes to, °C of cone more or less than was planned, and how much later it ends, minutes.</param>
/// <param name="Instead">The same with what is proposed.</param>
/// <param name="TopC">The top of what is proposed, °C, and its hold; nothing where it is left off.</param>
/// <param name="PlannedTopC">As they were.</param>
public sealed record ResumeContract(
    int Step,
    bool LeaveOff,
    string? Line,
    double Same,
    double SameMinutes,
    double Instead,
    double InsteadMinutes,
    double? TopC = null,
    double? HoldMinutes = null,
    double? PlannedTopC = null,
    double? PlannedHoldMinutes = null
);

/// <summary>How it goes on; minutes since the start.</summary>
/// <param name="CannotShare">Share of what is likely that never gets there.</param>
/// <param name="EndHoldAt">When the hold should end for the goal to be met.</param>
/// <param name="Resume">How to go on after a cut.</param>
public sealed record ForecastContract(
    IReadOnlyList<ForecastPointContract> Curve,
    PercentilesContract Top,
    PercentilesContract End,
    PercentilesContract Open,
    IReadOnlyList<ConeForecastContract> Cones,
    double CannotShare,
    double? EndHoldAt,
    ResumeContract? Resume
);

/// <summary>A firing at a moment; temperatures °C, minutes since it was switched on.</summary>
/// <param name="At">The moment, by the firing's own clock.</param>
/// <param name="Minute">The same in minutes.</param>
/// <param name="Display">The latest reading; nothing where there is no value.</param>
/// <param name="Chamber">The chamber now, as far as the model tells.</param>
/// <param name="Step">Index of the step, from 0.</param>
/// <param name="StepSource">controller: the link tells; shadow: told from the display.</param>
/// <param name="SetPoint">What the controller should show now.</param>
/// <param name="DeviationC">Warmer than planned at this time.</param>
/// <param name="DeviationMinutes">Later than planned in this step.</param>
/// <param name="Progress">Of the goal cone.</param>
/// <param name="Slope">°C/h.</param>
/// <param name="Share">Power share of the last minutes.</param>
/// <param name="Trouble">Why it cannot be followed; nothing while it is.</param>
public sealed record LiveContract(
    FiringState State,
    DateTimeOffset? At,
    double Minute,
    double? Display,
    double? Chamber,
    int Step,
    LivePhase Phase,
    StepSource StepSource,
    double? SetPoint,
    double? DeviationC,
    double? DeviationMinutes,
    ProgressContract? Progress,
    IReadOnlyList<LiveConeContract> Cones,
    IReadOnlyList<GapContract> Gaps,
    EstimateContract? Estimate,
    IReadOnlyList<AlarmContract> Alarms,
    NextContract? Next,
    ForecastContract? Forecast,
    double? Slope,
    double? Share,
    double? LastMinute,
    double? TopMinute,
    double? EndMinute,
    string? Trouble = null
);

/// <summary>A point of a curve, °C.</summary>
public sealed record CurveMinute(double Minute, double Celsius);
