using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Store.Schedules;

/// <summary>What a schedule says, as kept: in the table of schedules for the newest, in that of versions for every one.</summary>
internal abstract class ScheduleContentRow
{
    public string Name { get; set; } = "";

    public ScheduleKind Kind { get; set; }

    public TemperatureUnit Unit { get; set; }

    public string? Notes { get; set; }

    public string? GoalCone { get; set; }

    public List<string> Tags { get; set; } = [];

    public List<SegmentRow> Segments { get; set; } = [];

    public void Write(Schedule schedule)
    {
        Name = schedule.Name;
        Kind = schedule.Kind;
        Unit = schedule.Unit;
        Notes = schedule.Notes;
        GoalCone = schedule.Goal?.Number;
        Tags = [.. schedule.Tags];
        Segments = [.. schedule.Segments.Select(SegmentRow.From)];
    }

    /// <summary>The checked schedule; a row that does not pass its own rules means a damaged file and throws.</summary>
    public Schedule Read() => Schedule.Create(Name, Kind, Unit, [.. Segments.Select(s => s.Read())], Notes, Tags, GoalCone is null ? null : Cone.Parse(GoalCone).Value).Value;
}

/// <summary>A schedule as it stands now.</summary>
internal sealed class ScheduleRow : ScheduleContentRow
{
    public int Id { get; set; }

    public int Version { get; set; }

    public Instant UpdatedAt { get; set; }

    /// <summary>Set when it was deleted; it stays, so that deleting can be undone and firings keep what they used.</summary>
    public Instant? DeletedAt { get; set; }

    /// <summary>Everything a search looks through, lower case.</summary>
    public string SearchText { get; set; } = "";
}

/// <summary>A schedule as it was saved once.</summary>
internal sealed class ScheduleVersionRow : ScheduleContentRow
{
    public int ScheduleId { get; set; }

    public int Number { get; set; }

    public Instant SavedAt { get; set; }
}

/// <summary>One step; °C and kelvins an hour, whatever it was written in.</summary>
internal sealed class SegmentRow
{
    public PaceKind Pace { get; set; }

    public double? Rate { get; set; }

    public double? Target { get; set; }

    public double HoldMinutes { get; set; }

    public string? Reason { get; set; }

    public Atmosphere? Atmosphere { get; set; }

    public static SegmentRow From(Segment segment) => new()
    {
        Pace = segment.Pace.Kind,
        Rate = segment.Pace.Rate?.KelvinsPerHour,
        Target = segment.Target?.Celsius,
        HoldMinutes = segment.HoldMinutes,
        Reason = segment.Reason,
        Atmosphere = segment.Atmosphere,
    };

    public Segment Read() => Segment.Create(Pace, Rate, Target, HoldMinutes, TemperatureUnit.Celsius, Reason, Atmosphere).Value;
}
