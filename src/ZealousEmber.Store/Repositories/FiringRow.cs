using Microsoft.EntityFrameworkCore;
using NodaTime.Text;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Firings;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Settings;

namespace ZealousEmber.Store.Repositories;

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
        (ScheduleId, ScheduleVersion, KilnAsPlanned) = (firing.Schedule?.Id, firing.Schedule?.Version, firing.Kiln is { } kiln ? StoredJson.Write(StoredKiln.From(kiln)) : null);
        StartsAt = firing.StartsAt is { } starts ? OffsetDateTimePattern.Rfc3339.Format(starts) : null;
        Lots = StoredJson.Write(firing.Lots.Select(StoredLot.From));
        Packing = firing.Packing is { } packing ? StoredJson.Write(StoredPacking.From(packing)) : null;
        Accepted = StoredJson.Write(firing.Accepted.Select(StoredAcceptance.From));
    }

    public FiringDraft Read() => FiringDraft.Create(
        Name, StoredWord.Read<ScheduleKind>(Kind), KilnId, GoalCone is null ? null : ConeNumber.Parse(GoalCone).Value, StoredWord.Read<TemperatureUnit>(Unit),
        [.. StoredJson.Read<StoredLot[]>(Lots).Select(l => l.Read())],
        this.ReadPreferences(),
        HoldMinutes, ScheduleId is { } id ? new PinnedSchedule(id, ScheduleVersion) : null, Packed, WitnessPack,
        StartsAt is null ? null : OffsetDateTimePattern.Rfc3339.Parse(StartsAt).Value,
        [.. StoredJson.Read<StoredAcceptance[]>(Accepted).Select(a => a.Read())],
        KilnAsPlanned is null ? null : StoredJson.Read<StoredKiln>(KilnAsPlanned).Read(),
        Packing is null ? null : StoredJson.Read<StoredPacking>(Packing).Read(), Anyway).Value;
}

/// <summary>How far a firing has come, as a list of firings is asked for.</summary>
public enum FiringStage
{
    /// <summary>Not started.</summary>
    Planned,

    /// <summary>In its kiln.</summary>
    UnderWay,

    /// <summary>Opened.</summary>
    Fired,
}

/// <summary>Finds firings by what they are fired with.</summary>
public sealed class FiringFinder(StudioContext context)
{
    private const int LookedBack = 60;

    /// <summary>Firings at a stage whose name or notes hold all the words: what was started the latest first, what was not as it was last changed.</summary>
    public async Task<Page<Versioned<FiringDraft>>> At(FiringStage stage, string? words, int skip, int take, CancellationToken cancel)
    {
        var (rows, runs) = (SearchWords.In(context.Set<FiringRow>().AsNoTracking().Where(f => f.DeletedAt == null), words), context.Set<FiringRunRow>());
        rows = stage == FiringStage.Planned
            ? rows.Where(f => !runs.Any(r => r.FiringId == f.Id)).OrderByDescending(f => f.UpdatedAt).ThenByDescending(f => f.Id)
            : rows.Join(runs.Where(r => r.OpenedAt == null == (stage == FiringStage.UnderWay)), f => f.Id, r => r.FiringId, (f, r) => new { f, r.StartsAt }).OrderByDescending(x => x.StartsAt).ThenByDescending(x => x.f.Id).Select(x => x.f);
        var found = await rows.Skip(skip).Take(take).ToListAsync(cancel);
        return new Page<Versioned<FiringDraft>>([.. found.Select(Readable).OfType<Versioned<FiringDraft>>()], await rows.CountAsync(cancel));
    }

    /// <summary>The sizes ware has in the firings last written, the latest first.</summary>
    public async Task<UsualWare> UsualWare(CancellationToken cancel)
    {
        var rows = await context.Set<FiringRow>().AsNoTracking().Where(f => f.DeletedAt == null).OrderByDescending(f => f.UpdatedAt).Take(LookedBack).ToListAsync(cancel);
        return Core.Firing.UsualWare.From(rows.Select(r => Rows.TryRead("firings", r, row => row.Read()).Item).OfType<FiringDraft>().SelectMany(f => f.Lots));
    }

    /// <summary>The firing a schedule was last opened in the editor for; nothing when there is none. One that was started is fired with the version it has.</summary>
    public async Task<Versioned<FiringDraft>?> Of(int scheduleId, CancellationToken cancel)
    {
        var row = await context.Set<FiringRow>().AsNoTracking().Where(f => f.ScheduleId == scheduleId && f.DeletedAt == null && !context.Set<FiringRunRow>().Any(r => r.FiringId == f.Id)).OrderByDescending(f => f.UpdatedAt).FirstOrDefaultAsync(cancel);
        return row is null ? null : Readable(row);
    }

    private static Versioned<FiringDraft>? Readable(FiringRow row) => Rows.TryRead("firings", row, r => r.Read()) is { Item: { } firing }
        ? new Versioned<FiringDraft>(row.Id, row.Version, row.UpdatedAt, firing, row.UpdatedBy, row.SaveKey)
        : null;
}
