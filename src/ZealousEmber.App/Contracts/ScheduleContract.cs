using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>A schedule on the wire; numbers in its own unit.</summary>
/// <param name="Name">1 … 120 characters.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="Unit">C or F; every temperature and rate beside it is in this unit.</param>
/// <param name="Segments">1 … 64 steps.</param>
/// <param name="Notes">Up to 4000 characters.</param>
/// <param name="Tags">Up to 12, each up to 30 characters.</param>
/// <param name="GoalCone">The cone it is meant to bring down: 04, 6, 5½.</param>
public sealed record ScheduleContract(
    string? Name,
    ScheduleKind? Kind,
    TemperatureUnit? Unit,
    IReadOnlyList<SegmentContract?>? Segments,
    string? Notes = null,
    IReadOnlyList<string?>? Tags = null,
    string? GoalCone = null
);

/// <summary>A step on the wire.</summary>
/// <param name="Pace">At a rate, at full power, or with the power off.</param>
/// <param name="Rate">Degrees an hour, without a sign; only with pace "rate".</param>
/// <param name="Target">Degrees; may be left out only in a last step with the power off.</param>
/// <param name="HoldMinutes">0 … 5940.</param>
/// <param name="Reason">Why, one line up to 200 characters.</param>
/// <param name="Atmosphere">The kiln's air, where it matters.</param>
public sealed record SegmentContract(
    PaceKind? Pace,
    double? Rate = null,
    double? Target = null,
    double? HoldMinutes = null,
    string? Reason = null,
    Atmosphere? Atmosphere = null
);

/// <summary>A stored schedule.</summary>
public sealed record VersionedScheduleContract(
    int Id,
    int Version,
    DateTimeOffset UpdatedAt,
    string Name,
    ScheduleKind Kind,
    TemperatureUnit Unit,
    IReadOnlyList<SegmentContract> Segments,
    string? Notes,
    IReadOnlyList<string> Tags,
    string? GoalCone
);
