using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>
/// What a schedule says, as stored: in the table of schedules for the newest, in that of versions for every one. Words are text, so that one nobody knows
/// spoils only its own row.
/// </summary>
internal interface IScheduleContent
{
    string Name { get; set; }

    string Kind { get; set; }

    string Unit { get; set; }

    string? Notes { get; set; }

    string? GoalCone { get; set; }

    /// <summary>A bare JSON array, since searches look into it.</summary>
    string Tags { get; set; }

    string Segments { get; set; }
}

/// <summary>A schedule to its row and back.</summary>
internal static class ScheduleContent
{
    public static void Write(this IScheduleContent row, Schedule schedule)
    {
        (row.Name, row.Kind, row.Unit, row.Notes, row.GoalCone) = (
            schedule.Name,
            schedule.Kind.ToString(),
            schedule.Unit.ToString(),
            schedule.Notes,
            schedule.Goal?.Number
        );
        row.Tags = System.Text.Json.JsonSerializer.Serialize(schedule.Tags);
        row.Segments = StoredJson.Write(schedule.Segments.Select(StoredStep.From));
    }

    /// <summary>The checked schedule; one that does not pass its own rules throws.</summary>
    public static Schedule Read(this IScheduleContent row) =>
        Schedule
            .Create(
                row.Name,
                StoredWord.Read<ScheduleKind>(row.Kind),
                StoredWord.Read<TemperatureUnit>(row.Unit),
                [.. StoredJson.Read<StoredStep[]>(row.Segments).Select(s => s.Read())],
                row.Notes,
                StoredJson.Read<string[]>(row.Tags),
                row.GoalCone is null ? null : ConeNumber.Parse(row.GoalCone).Value
            )
            .Value;
}

/// <summary>A schedule as it stands now.</summary>
internal sealed class ScheduleRow : EntityRow, IScheduleContent
{
    public string Kind { get; set; } = "";

    public string Unit { get; set; } = "";

    public string? GoalCone { get; set; }

    /// <summary>Number of who wrote it; what is older than accounts is the owners'.</summary>
    public int? OwnerId { get; set; }

    public string Tags { get; set; } = "[]";

    public string Segments { get; set; } = "[]";

    /// <summary>Everything a search looks through, lower case; the index of it is kept by triggers.</summary>
    public string SearchText { get; set; } = "";
}

/// <summary>A schedule as it was saved once.</summary>
internal sealed class ScheduleVersionRow : IScheduleContent
{
    public int ScheduleId { get; set; }

    public int Number { get; set; }

    public Instant SavedAt { get; set; }

    public string? SavedBy { get; set; }

    /// <summary>Why it was changed, where somebody said.</summary>
    public string? Reason { get; set; }

    /// <summary>The firing it was changed after.</summary>
    public int? FromFiring { get; set; }

    public string Name { get; set; } = "";

    public string Kind { get; set; } = "";

    public string Unit { get; set; } = "";

    public string? Notes { get; set; }

    public string? GoalCone { get; set; }

    public string Tags { get; set; } = "[]";

    public string Segments { get; set; } = "[]";
}
