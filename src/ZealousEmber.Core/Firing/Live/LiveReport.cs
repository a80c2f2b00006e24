using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>Where the step comes from.</summary>
public enum StepSource
{
    /// <summary>The link tells what is asked.</summary>
    Controller,

    /// <summary>A controller run beside the real one, along what is shown.</summary>
    Shadow,
}

/// <summary>A firing at a moment. Minutes since the start, temperatures °C.</summary>
/// <param name="At">When.</param>
/// <param name="Display">The latest reading; nothing where there is no value.</param>
/// <param name="Chamber">The chamber now, as far as the model tells.</param>
/// <param name="Step">Index of the step.</param>
/// <param name="Phase">What the controller does.</param>
/// <param name="StepSource">How that is known.</param>
/// <param name="SetPoint">What the controller should ask for; nothing with the power off.</param>
/// <param name="Deviation">From the plan.</param>
/// <param name="Progress">Heat work of the goal cone so far; nothing without a goal.</param>
/// <param name="Cones">Heat work of the goal and its neighbours.</param>
/// <param name="Gaps">Long stretches without readings.</param>
/// <param name="Estimate">What is known of the kiln beyond its stored numbers.</param>
/// <param name="Alarms">All of them, over or not.</param>
/// <param name="Slope">Of the display, °C/h.</param>
/// <param name="Share">Power share of the last five minutes, where it is known.</param>
/// <param name="Forecast">How it goes on.</param>
/// <param name="TopAt">When the top was reached.</param>
/// <param name="EndAt">When the power went off for good.</param>
/// <param name="HoldLeft">Minutes of the hold under way.</param>
/// <param name="SteamAskedAt">Since when somebody is asked to look for steam.</param>
/// <param name="SteamIsWanted">Nobody has seen it dry yet, and somebody should.</param>
public sealed record LiveReport(
    double At,
    double? Display,
    double? Chamber,
    int Step,
    LivePhase Phase,
    StepSource StepSource,
    double? SetPoint,
    Deviation? Deviation,
    ProgressRange? Progress,
    ImmutableArray<ConeSoFar> Cones,
    ImmutableArray<GapBridge> Gaps,
    KilnEstimate? Estimate,
    ImmutableArray<Alarm> Alarms,
    double? Slope,
    double? Share,
    Forecast? Forecast,
    double? TopAt,
    double? EndAt,
    double? HoldLeft,
    double? SteamAskedAt,
    bool SteamIsWanted
)
{
    /// <summary>Where the firing stands, as far as readings tell.</summary>
    public FiringState State =>
        Phase == LivePhase.Waiting ? FiringState.Started
        : EndAt is not null ? FiringState.Cooling
        : FiringState.Firing;
}

/// <summary>A cone's heat work so far.</summary>
/// <param name="Cone">Which.</param>
/// <param name="Progress">Heat work.</param>
public readonly record struct ConeSoFar(Units.Cone Cone, ProgressRange Progress);

/// <content>What is told of it.</content>
public sealed partial class LiveFiring
{
    private const double ResumeWithin = 60;
    private const double MostLed = 0.05;
    private const double TopOff = 40;

    private (double At, ResumePlan? Plan)? resumed;

    /// <summary>The firing now.</summary>
    /// <param name="now">Minutes since the start, not before the last reading.</param>
    /// <param name="withForecast">Whether the forecast is made anew from the last reading; else it is the latest.</param>
    public LiveReport Report(double now, bool withForecast = true)
    {
        ComeTo(now);
        var shown = window.Last?.Celsius;
        if (withForecast && afterwards is null && observer is not null && shadow.Phase != LivePhase.Waiting)
            Forecast = MakeForecast(window.Last!.Value.Minutes);
        var slope = window.Over(5);
        var perMinute = shadow.Phase == LivePhase.Hold ? 0 : Math.Clamp(slope ?? 0, -400, 400) / 60;
        var chamber = shown + perMinute * LagMinutes;
        var cones = work is null ? [] : firing.Cones.Select((c, i) => new ConeSoFar(c, WorkBy(work, i, now, chamber!.Value, perMinute))).ToImmutableArray();
        return new LiveReport(
            At: now,
            Display: last?.Celsius,
            Chamber: chamber,
            Step: shadow.Step,
            Phase: shadow.Phase,
            StepSource: linkTells ? StepSource.Controller : StepSource.Shadow,
            SetPoint: shadow.SetPoint,
            Deviation: shown is { } display ? promise.Of(window.Last!.Value.Minutes, display, shadow) : null,
            Progress: firing.GoalIndex >= 0 && !cones.IsEmpty ? cones[firing.GoalIndex].Progress : null,
            Cones: cones,
            Gaps: [.. gaps],
            Estimate: observer?.Estimate,
            Alarms: [.. Board.All],
            Slope: slope,
            Share: shares.Mean(now - 6, now),
            Forecast: Forecast,
            TopAt: topAt,
            EndAt: endAt,
            HoldLeft: shadow.Phase == LivePhase.Hold ? shadow.HoldLeft : null,
            SteamAskedAt: steam.AskedAt,
            SteamIsWanted: steam.IsWanted
        );
    }

    /// <summary>Whether what was read can be this program: seldom ahead of it, and as hot at the top as it asks.</summary>
    internal bool FollowsProgram(double hottest) =>
        shadow.Led <= MostLed * Math.Max(1, shadow.Climbed) && Math.Abs(hottest - firing.Program.Steps.Max(s => s.Target?.Celsius ?? 0)) <= TopOff;

    /// <summary>Heat work by now: the display is behind the chamber, and a reading behind the clock.</summary>
    private ProgressRange WorkBy(HeatWorkSoFar soFar, int cone, double now, double chamber, double perMinute)
    {
        var read = window.Last!.Value.Minutes;
        var until = Math.Min(now, read + Math.Max(LagMinutes + 1, interval));
        return soFar.By(cone, until, chamber + perMinute * (until - read));
    }

    /// <summary>What was promised; nothing where the program cannot be run.</summary>
    public Schedules.Curve? Promised => promise.Curve;

    /// <inheritdoc/>
    public NextThing? Next(LiveReport report) => NextThing.Of(firing, report, Promised, Dials);

    /// <summary>How to go on after a cut that is not over long; nothing where there was none, or without a goal.</summary>
    /// <param name="report">Where it is.</param>
    public ResumePlan? Resume(LiveReport report)
    {
        var cut = Board.All.LastOrDefault(a => a.Id is AlarmIds.PowerCut or AlarmIds.NoHeat);
        if (
            cut is null
            || observer is null
            || report.Progress is not { } progress
            || firing.Goal is not { } goal
            || endAt is not null
            || report.At - (cut.Until ?? report.At) > ResumeWithin
            || goneOnAt >= cut.Since
        )
            return null;
        if (resumed is { } known && known.At == report.At)
            return known.Plan;
        var kinetics = ConeTable.Of(goal).Kinetics;
        if (promise.Curve is not { } curve || promise.PoweredMinutes is not { } plannedEnd)
            return null;
        var (kiln, state) = observer.ModelAt(observer.Estimate);
        var plan = new ResumePlanner(kiln, firing.Load, state, kinetics, firing.Offset.Mean).Plan(
            firing.Program,
            shadow.Step,
            report.At,
            progress.Value,
            HeatWork.Of(kinetics, curve),
            plannedEnd
        );
        resumed = (report.At, plan);
        return plan;
    }
}
