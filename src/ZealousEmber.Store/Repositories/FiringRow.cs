using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using NodaTime.Text;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Store.Repositories;

/// <summary>A firing as kept; its rows of ware as JSON, since they are only ever read together.</summary>
internal sealed class FiringRow : EntityRow
{
    public ScheduleKind Kind { get; set; }

    public int? KilnId { get; set; }

    public string? GoalCone { get; set; }

    public TemperatureUnit Unit { get; set; }

    public DryingOption Drying { get; set; }

    public ApproachOption Approach { get; set; }

    public CoolingOption Cooling { get; set; }

    public HoldOption Hold { get; set; }

    public BisqueOption Bisque { get; set; }

    public double? HoldMinutes { get; set; }

    public int MaxSteps { get; set; }

    public int? ScheduleId { get; set; }

    public bool Packed { get; set; }

    public bool WitnessPack { get; set; }

    /// <summary>A moment with its offset, as RFC 3339 writes it.</summary>
    public string? StartsAt { get; set; }

    public string Lots { get; set; } = "[]";

    public string Accepted { get; set; } = "[]";

    private sealed record Acceptances(string Id, Severity Severity, string Note, long At);

    public void Write(FiringDraft firing)
    {
        (Name, Kind, KilnId, GoalCone, Unit) = (firing.Name, firing.Kind, firing.KilnId, firing.Goal?.Number, firing.Unit);
        (Drying, Approach, Cooling, Hold, Bisque) = (firing.Preferences.Drying, firing.Preferences.Approach, firing.Preferences.Cooling, firing.Preferences.Hold, firing.Preferences.Bisque);
        (HoldMinutes, MaxSteps, ScheduleId, Packed, WitnessPack) = (firing.HoldMinutes, firing.MaxSteps, firing.ScheduleId, firing.Packed, firing.WitnessPack);
        StartsAt = firing.StartsAt is { } starts ? OffsetDateTimePattern.Rfc3339.Format(starts) : null;
        Lots = JsonSerializer.Serialize(firing.Lots);
        Accepted = JsonSerializer.Serialize(firing.Accepted.Select(a => new Acceptances(a.Id, a.Severity, a.Note, a.At.ToUnixTimeMilliseconds())));
    }

    public FiringDraft Read() => FiringDraft.Create(
        Name, Kind, KilnId, GoalCone is null ? null : Cone.Parse(GoalCone).Value, Unit, JsonSerializer.Deserialize<LotDraft[]>(Lots)!,
        new PlanningPreferences(Drying, Approach, Cooling, Hold, Bisque), HoldMinutes, MaxSteps, ScheduleId, Packed, WitnessPack,
        StartsAt is null ? null : OffsetDateTimePattern.Rfc3339.Parse(StartsAt).Value,
        [.. JsonSerializer.Deserialize<Acceptances[]>(Accepted)!.Select(a => new Acceptance(a.Id, a.Severity, a.Note, Instant.FromUnixTimeMilliseconds(a.At)))]).Value;
}

/// <summary>Finds firings by what they are fired with.</summary>
public sealed class FiringFinder(StudioContext context)
{
    /// <summary>The firing a schedule was last put on the desk for; nothing when there is none.</summary>
    public async Task<Versioned<FiringDraft>?> Of(int scheduleId, CancellationToken cancel)
    {
        var row = await context.Set<FiringRow>().AsNoTracking().Where(f => f.ScheduleId == scheduleId && f.DeletedAt == null).OrderByDescending(f => f.UpdatedAt).FirstOrDefaultAsync(cancel);
        return row is null ? null : new Versioned<FiringDraft>(row.Id, row.Version, row.UpdatedAt, row.Read());
    }
}
