using NodaTime.Text;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>A firing as stored; its rows of ware as JSON, since they are only ever read together.</summary>
internal sealed class FiringRow : EntityRow, IPreferenceColumns
{
    public string Kind { get; set; } = "";

    public int? KilnId { get; set; }

    public string? GoalCone { get; set; }

    public string Unit { get; set; } = "";

    public string Drying { get; set; } = "";

    public string Approach { get; set; } = "";

    public string Cooling { get; set; } = "";

    public string Hold { get; set; } = "";

    public string Bisque { get; set; } = "";

    public string GoalOption { get; set; } = nameof(Core.Planning.GoalOption.Middle);

    public double DropBy { get; set; } = PlanningPreferences.Usual.DropBy;

    public string Air { get; set; } = nameof(AirOption.BodyThenLight);

    public string Pace { get; set; } = nameof(PaceOption.Brisk);

    public double? HoldMinutes { get; set; }

    public int? ScheduleId { get; set; }

    /// <summary>The version of the schedule it was planned with.</summary>
    public int? ScheduleVersion { get; set; }

    /// <summary>The kiln as it was then, as JSON.</summary>
    public string? KilnAsPlanned { get; set; }

    public bool Packed { get; set; }

    public bool Anyway { get; set; }

    public bool WitnessPack { get; set; }

    /// <summary>A moment with its offset, as RFC 3339 writes it.</summary>
    public string? StartsAt { get; set; }

    public string Lots { get; set; } = "[]";

    public string Accepted { get; set; } = "[]";

    /// <summary>How it is to be packed, as JSON; nothing where nobody said.</summary>
    public string? Packing { get; set; }

    public void Write(FiringDraft firing)
    {
        (Name, Kind, KilnId, GoalCone, Unit) = (firing.Name, firing.Kind.ToString(), firing.KilnId, firing.Goal?.Number, firing.Unit.ToString());
        this.WritePreferences(firing.Preferences);
        (HoldMinutes, Packed, WitnessPack, Anyway) = (firing.HoldMinutes, firing.Packed, firing.WitnessPack, firing.Anyway);
        (ScheduleId, ScheduleVersion, KilnAsPlanned) = (
            firing.Schedule?.Id,
            firing.Schedule?.Version,
            firing.Kiln is { } kiln ? StoredJson.Write(StoredKiln.From(kiln)) : null
        );
        StartsAt = firing.StartsAt is { } starts ? OffsetDateTimePattern.Rfc3339.Format(starts) : null;
        Lots = StoredJson.Write(firing.Lots.Select(StoredLot.From));
        Packing = firing.Packing is { } packing ? StoredJson.Write(StoredPacking.From(packing)) : null;
        Accepted = StoredJson.Write(firing.Accepted.Select(StoredAcceptance.From));
    }

    public FiringDraft Read() =>
        FiringDraft
            .Create(
                Name,
                StoredWord.Read<ScheduleKind>(Kind),
                KilnId,
                GoalCone is null ? null : ConeNumber.Parse(GoalCone).Value,
                StoredWord.Read<TemperatureUnit>(Unit),
                [.. StoredJson.Read<StoredLot[]>(Lots).Select(l => l.Read())],
                this.ReadPreferences(),
                HoldMinutes,
                ScheduleId is { } id ? new PinnedSchedule(id, ScheduleVersion) : null,
                Packed,
                WitnessPack,
                StartsAt is null ? null : OffsetDateTimePattern.Rfc3339.Parse(StartsAt).Value,
                [.. StoredJson.Read<StoredAcceptance[]>(Accepted).Select(a => a.Read())],
                KilnAsPlanned is null ? null : StoredJson.Read<StoredKiln>(KilnAsPlanned).Read(),
                Packing is null ? null : StoredJson.Read<StoredPacking>(Packing).Read(),
                Anyway
            )
            .Value;
}
