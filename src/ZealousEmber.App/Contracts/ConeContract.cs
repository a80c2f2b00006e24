using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>A cone with its reference points, its fit, and how far the fit is off.</summary>
/// <param name="Theta">Activation temperature, K.</param>
/// <param name="LnA">Logarithm of the frequency factor, per hour.</param>
public sealed record ConeTableRow(string Cone, double Theta, double LnA, IReadOnlyList<ConePointContract> Points);

/// <summary>A published end point and the fitted one; °C and °C/h, whatever unit is asked for.</summary>
/// <param name="Residual">Fitted minus published, K.</param>
public sealed record ConePointContract(double RatePerHour, double Celsius, double Residual);

/// <summary>End points of every cone over a range of climbs, for the chart.</summary>
/// <param name="Rates">Climbs, degrees an hour in the unit.</param>
public sealed record ConeEndPoints(TemperatureUnit Unit, IReadOnlyList<double> Rates, IReadOnlyList<ConeLine> Cones);

/// <summary>One cone's end points, one for each climb.</summary>
public sealed record ConeLine(string Cone, IReadOnlyList<double> Temperatures);

/// <summary>An inverse question.</summary>
/// <param name="Find">The top for a hold, or the hold for a top.</param>
/// <param name="HoldMinutes">With find "top": the hold; missing means none, or the schedule's own.</param>
/// <param name="Top">With find "hold" and no schedule: the top, in the unit.</param>
/// <param name="Approach">The climb to the top, degrees an hour; 60 °C/h when missing. Not with a schedule.</param>
/// <param name="Schedule">A schedule whose top step is to be changed.</param>
/// <param name="Unit">Of the numbers when there is no schedule; C when missing.</param>
/// <param name="KilnId">The kiln the schedule is fired in; the cones then see what this kiln really does.</param>
public sealed record SolveRequest(
    string? Cone,
    ConeQuestion? Find,
    double? HoldMinutes = null,
    double? Top = null,
    double? Approach = null,
    ScheduleContract? Schedule = null,
    TemperatureUnit? Unit = null,
    double? StartTemperature = null,
    int? KilnId = null,
    KilnContract? Kiln = null,
    LoadContract? Load = null
);

/// <summary>The answer; numbers in the unit of the question.</summary>
/// <param name="Segment">Index of the step changed, with a schedule.</param>
/// <param name="Schedule">The schedule changed to whole degrees and minutes, to look at before it is taken.</param>
/// <param name="Progress">Of the cone with these whole numbers; 1 is the end point.</param>
public sealed record SolveResponse(
    string Cone,
    TemperatureUnit Unit,
    double Top,
    double HoldMinutes,
    int? Segment,
    ScheduleContract? Schedule,
    double Progress
);

/// <summary>A schedule and the cone to bring down, for the ladder.</summary>
public sealed record LadderRequest(
    string? Cone,
    ScheduleContract? Schedule,
    double? StartTemperature = null,
    int? KilnId = null,
    KilnContract? Kiln = null,
    LoadContract? Load = null
);

/// <summary>A rung: another hold with the top that comes to the same cone.</summary>
/// <param name="Top">Missing when no top does.</param>
/// <param name="PoweredMinutes">How long the power is on then.</param>
/// <param name="EnergyKwh">Electricity, with a kiln.</param>
public sealed record LadderRung(double HoldMinutes, double? Top, double? PoweredMinutes, ScheduleContract? Schedule, double? EnergyKwh);

/// <summary>A cone read after a firing.</summary>
/// <param name="Clock">Where the tip points, hours: 0.5 … 7.9, 12 is upright.</param>
/// <param name="Schedule">What was fired; without it or a curve the cone is compared with its end point.</param>
/// <param name="Curve">What was logged, instead of a schedule.</param>
/// <param name="Unit">Of the curve; C when missing.</param>
public sealed record ReadRequest(
    string? Cone,
    double? Clock,
    ScheduleContract? Schedule = null,
    double? StartTemperature = null,
    IReadOnlyList<LogPoint?>? Curve = null,
    TemperatureUnit? Unit = null
);

/// <summary>A logged moment; times never go back, two at one time are a jump.</summary>
public sealed record LogPoint(double? Minute, double? Temperature);

/// <summary>A logged or simulated curve whose heat work is asked for.</summary>
/// <param name="Curve">1 … 200 000 points.</param>
/// <param name="Unit">Of the temperatures; C when missing.</param>
public sealed record WorkRequest(IReadOnlyList<LogPoint?>? Curve, TemperatureUnit? Unit = null);

/// <summary>What every cone would read at the end of the curve.</summary>
public sealed record WorkResponse(string Words, IReadOnlyList<ConeReadingContract> Cones);

/// <summary>What the reading means.</summary>
/// <param name="Progress">The heat work that shelf had, in this cone's measure.</param>
/// <param name="Expected">What the curve should have given; 1 without a schedule.</param>
/// <param name="OffsetCelsius">How much hotter (positive) the shelf was, K at 60 °C/h.</param>
public sealed record ReadResponse(string Cone, double Progress, double BendDegrees, double Expected, double OffsetCelsius, string Text);

/// <summary>What is looked for.</summary>
public enum ConeQuestion
{
    /// <summary>The top for a hold.</summary>
    Top,

    /// <summary>The hold for a top.</summary>
    Hold,
}
