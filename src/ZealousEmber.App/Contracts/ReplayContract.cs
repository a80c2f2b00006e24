using ZealousEmber.Core.Firing.Alarms;

namespace ZealousEmber.App.Contracts;

/// <summary>A log to be followed as if it were coming in.</summary>
/// <param name="Kiln">A kiln described here, instead of <paramref name="KilnId"/>.</param>
/// <param name="Load">What stands in it; full for this kind of firing when missing.</param>
/// <param name="GoalCone">The schedule's own when missing.</param>
/// <param name="StartTemperature">In the schedule's unit; 20 °C when missing.</param>
/// <param name="Samples">In any order; °C.</param>
/// <param name="UntilMinute">To the last reading when missing.</param>
/// <param name="ReportAt">Minutes at which everything is told.</param>
public sealed record ReplayRequest(
    ScheduleContract? Schedule,
    IReadOnlyList<ReplaySample?>? Samples,
    int? KilnId = null,
    KilnContract? Kiln = null,
    LoadContract? Load = null,
    string? GoalCone = null,
    double? StartTemperature = null,
    double? UntilMinute = null,
    IReadOnlyList<double>? ReportAt = null
);

/// <summary>A reading of a log.</summary>
public sealed record ReplaySample(double? Minute, double? Celsius = null, double? Share = null, double? SetPoint = null);

/// <summary>An alarm that would have been raised.</summary>
public sealed record ReplayAlarm(string Id, AlarmWeight Weight, double RaisedMinute, double? ReleasedMinute, string Text, string Evidence);

/// <summary>What would have been said when.</summary>
public sealed record ReplayResponse(IReadOnlyList<ReplayAlarm> Alarms, IReadOnlyList<LiveContract> Reports);
