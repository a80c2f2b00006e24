using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>The alarms that follow from the forecast, and from its first word about the end.</summary>
internal sealed class ForecastAlarms(AlarmBoard board)
{
    private const double ConesFrom = 500;
    private const double ConeOff = 6;
    private const double ConeBack = 5;
    private const double Later = 20;

    private readonly Dictionary<int, double> longer = [];
    private double? latestEnd;

    /// <summary>Looks at a forecast.</summary>
    /// <param name="forecast">The latest.</param>
    /// <param name="shown">The display.</param>
    /// <param name="goal">Index of the goal among its cones; −1 without one.</param>
    /// <param name="isRunning">The power is on, and the readings can be believed.</param>
    public void Look(Forecast forecast, double shown, int goal, bool isRunning)
    {
        var now = forecast.At;
        if (latestEnd is null && !double.IsInfinity(forecast.End.P90))
            latestEnd = Math.Max(forecast.End.P90, 1.15 * forecast.End.P50) + Later;
        var share = forecast.CannotShare;
        board.Look(AlarmIds.CannotReach, AlarmWeight.Danger, now, isRunning && share > 0.85, !isRunning || share < 0.3, 10, 10, () =>
            $"{Math.Round(share * 100)} % of what is likely never gets there."
        );
        if (goal < 0)
            return;
        var cone = forecast.Cones[goal].Degrees;
        string Evidence() => $"At the end {Signed(cone.P50)} °C of cone ({Signed(cone.P10)} to {Signed(cone.P90)}).";
        var isHot = isRunning && shown > ConesFrom;
        board.Look(AlarmIds.ConeShort, AlarmWeight.Warn, now, isHot && cone.P90 < -ConeOff, Math.Abs(cone.P50) < ConeBack, 10, 0, Evidence);
        board.Look(AlarmIds.ConePast, AlarmWeight.Warn, now, isHot && cone.P10 > ConeOff, Math.Abs(cone.P50) < ConeBack, 10, 0, Evidence);
    }

    /// <summary>Looks whether the power is on longer than was forecast, or a hold goes on.</summary>
    /// <param name="now">Minutes.</param>
    /// <param name="isPowered">The power is on.</param>
    /// <param name="step">Index of the step it is in.</param>
    /// <param name="overrun">Minutes a hold goes on already.</param>
    /// <param name="hold">How long it should be.</param>
    public void LookForEnd(double now, bool isPowered, int step, double overrun, double hold)
    {
        // A hold that somebody lets go on for longer makes everything after it later, and is told while it goes on.
        if (overrun > 0)
            longer[step] = Math.Max(longer.GetValueOrDefault(step), overrun);
        var due = latestEnd + longer.Values.Sum();
        var late = now > due;
        var overruns = overrun > Math.Max(15, hold / 4);
        board.Look(AlarmIds.PastEnd, AlarmWeight.Warn, now, isPowered && (late || overruns), !isPowered || !(late || overruns), 0, 1, () =>
            overruns
                ? $"The hold should have been over {PowerAlarms.Whole(overrun)} min ago."
                : $"The power should have been off {PowerAlarms.Whole(now - due!.Value + Later)} min ago."
        );
    }

    private static string Signed(double value) => value < 0 ? $"−{PowerAlarms.Whole(-value)}" : $"+{PowerAlarms.Whole(value)}";
}
