using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.App.Contracts;

/// <summary>A pack of witness cones as it was read.</summary>
/// <param name="Shelf">top, middle, bottom, or the shelf's number from the bottom.</param>
public sealed record PackContract(ShelfName? Shelf, IReadOnlyList<ReadConeContract?>? Cones);

/// <summary>A cone as it was read; one of bend and clock.</summary>
/// <param name="Cone">04, 6, 5½.</param>
/// <param name="BendDegrees">0 upright … 90 at 6 o'clock … 179.</param>
/// <param name="Clock">Hours its tip points to: 12 upright, 3 half way, 6 down.</param>
public sealed record ReadConeContract(string? Cone, double? BendDegrees = null, double? Clock = null);

/// <summary>Firings of a kiln to learn from, one after another.</summary>
/// <param name="Kiln">Described here, instead of <paramref name="KilnId"/>.</param>
public sealed record LearningRequest(IReadOnlyList<LearningFiring?>? Firings, KilnContract? Kiln = null, int? KilnId = null);

/// <summary>A firing to learn from.</summary>
/// <param name="Load">What stood in it; full for this kind of firing when missing.</param>
/// <param name="GoalCone">The schedule's own when missing.</param>
/// <param name="Log">Readings in any order, °C; may be missing.</param>
/// <param name="Packs">As read; may be missing.</param>
/// <param name="NewThermocouple">It was changed before this firing.</param>
/// <param name="NewElements">They were changed before this firing.</param>
public sealed record LearningFiring(
    ScheduleContract? Schedule,
    LoadContract? Load = null,
    string? GoalCone = null,
    IReadOnlyList<ReplaySample?>? Log = null,
    IReadOnlyList<PackContract?>? Packs = null,
    bool? NewThermocouple = null,
    bool? NewElements = null,
    double? StartTemperature = null
);

/// <summary>What was known after each firing.</summary>
public sealed record LearningResponse(IReadOnlyList<LearnedAfter> After);

/// <summary>What was known after a firing; °C of cone, shares.</summary>
/// <param name="Offset">To be added to the display, at the goal last read.</param>
/// <param name="Evenness">Between the hottest and the coolest shelf; nothing while fewer than two were read.</param>
/// <param name="Shelves">Each against their mean.</param>
/// <param name="Health">Power of the elements against new ones; against the kiln's stored power where nobody said when they were new.</param>
/// <param name="Power">Power against the stored.</param>
/// <param name="Heat">Heat capacity of the loads against the usual.</param>
/// <param name="Loss">Conductivity of the walls against the usual.</param>
/// <param name="HeldBack">Packs of this firing that were not believed: 04 or 4?</param>
public sealed record LearnedAfter(
    TaughtNumber Offset,
    double? Evenness,
    IReadOnlyList<ShelfNumber> Shelves,
    HealthNumber Health,
    TaughtNumber Power,
    TaughtNumber Heat,
    TaughtNumber Loss,
    IReadOnlyList<HeldBackContract> HeldBack,
    string? DisplaySays = null
)
{
    internal static LearnedAfter From(KilnLessons l) =>
        new(
            TaughtNumber.From(l.Offset, l.Packs),
            l.Evenness is { } even ? Math.Round(even, 2) : null,
            [.. l.Shelves.Select(s => new ShelfNumber(s.Shelf, Math.Round(s.Own.Mean, 2), Math.Round(s.Own.Sd, 2)))],
            new HealthNumber(Math.Round(l.Health.Mean, 4), Math.Round(l.Health.Sd, 4), l.Logs),
            TaughtNumber.From(l.Power, l.Logs, 4),
            TaughtNumber.From(l.Heat, l.Logs, 4),
            TaughtNumber.From(l.Loss, l.Logs, 4),
            [.. l.Held.Select(HeldBackContract.From)],
            LessonWords.Display(l.Offset, l.Packs)
        );
}

/// <summary>A number that was learned.</summary>
/// <param name="Sd">Standard deviation: in 8 of 10 cases it is within 1.28 of it.</param>
/// <param name="Readings">Packs or logs behind it.</param>
public sealed record TaughtNumber(double Mean, double Sd, int Readings)
{
    internal static TaughtNumber From(Estimated e, int readings, int decimals = 2) => new(Math.Round(e.Mean, decimals), Math.Round(e.Sd, decimals), readings);
}

/// <summary>Element health.</summary>
public sealed record HealthNumber(double Value, double Sd, int Readings);

/// <summary>A shelf against the mean of all, °C of cone.</summary>
public sealed record ShelfNumber(string Shelf, double Mean, double Sd);

/// <summary>A pack that was not believed.</summary>
public sealed record HeldBackContract(string Shelf, double Told, double Expected)
{
    internal static HeldBackContract From(HeldBack h) => new(h.Shelf, Math.Round(h.Told, 1), Math.Round(h.Expected, 1));
}

/// <summary>What a kiln has taught: each number with how sure it is, how many readings stand behind it and since when it counts.</summary>
/// <param name="Offset">To be added to the display, at the goal last read, °C.</param>
/// <param name="Evenness">Between the hottest and the coolest shelf, °C of cone; nothing while fewer than two were read.</param>
/// <param name="Shelves">Each against their mean.</param>
/// <param name="Health">Power of the elements against new ones; against the kiln's stored power where nobody said when they were new.</param>
/// <param name="Power">Power against the stored.</param>
/// <param name="Heat">Heat capacity of the loads against the usual.</param>
/// <param name="Loss">Conductivity of the walls against the usual.</param>
/// <param name="HeldBack">Packs of the last firing that were not believed.</param>
/// <param name="Firings">Finished firings behind it.</param>
/// <param name="Trend">After each firing, the earliest first.</param>
/// <param name="Elements">Whether it is time for other elements.</param>
/// <param name="Used">What it is used as: learned, or as somebody said over it.</param>
/// <param name="Sentence">In words.</param>
public sealed record LearnedContract(
    int KilnId,
    SinceNumber Offset,
    SinceNumber? Evenness,
    IReadOnlyList<ShelfNumber> Shelves,
    SinceNumber Health,
    SinceNumber Power,
    SinceNumber Heat,
    SinceNumber Loss,
    IReadOnlyList<HeldBackContract> HeldBack,
    int Firings,
    IReadOnlyList<LearnedTrend> Trend,
    ElementsContract Elements,
    CareContract Care,
    UsedContract Used,
    string Sentence
);

/// <summary>A number that was learned.</summary>
/// <param name="Sd">Standard deviation: in 8 of 10 cases it is within 1.28 of it.</param>
/// <param name="Readings">Packs or logs behind it.</param>
/// <param name="Since">When what it is of was new, where somebody said.</param>
public sealed record SinceNumber(double Mean, double Sd, int Readings, DateTimeOffset? Since)
{
    internal static SinceNumber From(Estimated e, int readings, Instant? since, int decimals = 4) =>
        new(Math.Round(e.Mean, decimals), Math.Round(e.Sd, decimals), readings, since?.ToDateTimeOffset());
}

/// <summary>What was known after a firing.</summary>
public sealed record LearnedTrend(int FiringId, DateTimeOffset At, double Offset, double OffsetSd, double? Evenness, double Health, double HealthSd);

/// <summary>How long elements will do.</summary>
/// <param name="WornAt">Health at which a full kiln climbs at less than 30 °C/h at its usual top.</param>
/// <param name="UsualTop">°C.</param>
/// <param name="PerFiring">What they lose in a firing; nothing while that cannot be told.</param>
/// <param name="FiringsLeft">About; nothing while that cannot be told.</param>
public sealed record ElementsContract(
    ElementAdvice Advice,
    double WornAt,
    double UsualTop,
    double? PerFiring,
    int? FiringsLeft,
    int FiringsSinceNew,
    double FullPowerHoursSinceNew
);

/// <summary>What planner, solver, forecast and packing go by.</summary>
/// <param name="Offset">°C at the goal last read; nothing while nothing is known.</param>
public sealed record UsedContract(double? Offset, double Power, double Loss, string? EvenestShelf);

/// <summary>What somebody says over what was learned, and reminders.</summary>
public sealed record CareContract(
    double? Offset = null,
    double? Power = null,
    string? Note = null,
    int? ThermocoupleAfter = null,
    int? ShelvesAfter = null,
    int? VentAfter = null,
    int? BurnersAfter = null
);

/// <summary>Something done to a kiln.</summary>
public sealed record MaintenanceRequest(MaintenanceKind? Kind, DateTimeOffset? At = null, string? Note = null);

/// <summary>Something that was done to a kiln.</summary>
public sealed record MaintenanceContract(int Id, MaintenanceKind Kind, DateTimeOffset At, string? By, string? Note);

/// <summary>A kiln's history at a glance.</summary>
/// <param name="Reminders">What is due, or soon will be.</param>
/// <param name="Months">Cost and firings by month, the earliest first.</param>
/// <param name="Climbs">How long its glaze firings took to the top.</param>
public sealed record KilnHistoryContract(
    int KilnId,
    int Firings,
    double FullPowerHours,
    IReadOnlyList<MaintenanceContract> Done,
    IReadOnlyList<ReminderContract> Reminders,
    IReadOnlyList<MonthContract> Months,
    IReadOnlyList<ClimbContract> Climbs
);

/// <summary>Something that is due after so many firings.</summary>
public sealed record ReminderContract(MaintenanceKind Kind, int After, int Since, bool IsDue, string Text);

/// <summary>A month of a kiln.</summary>
public sealed record MonthContract(string Month, int Firings, double? Kwh, double? Cost, int Lost);

/// <summary>A climb to the top.</summary>
public sealed record ClimbContract(int FiringId, string Name, DateTimeOffset At, ScheduleKind Kind, double TopHours, double? Last100Hours);
