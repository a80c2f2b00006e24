using NodaTime;
using ZealousEmber.App.Wire;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>What a preview is made from.</summary>
/// <param name="Schedule">The schedule as it stands on the desk; it needs no name yet.</param>
/// <param name="StartTemperature">Of the kiln when it is switched on, in the schedule's unit; 20 °C when missing.</param>
/// <param name="KilnId">A kiln of the studio; a plain generic kiln is taken when neither this nor <paramref name="Kiln"/> is given.</param>
/// <param name="Start">A moment with its offset, 2026-11-24T17:30:00+00:00: when it is switched on, or what <paramref name="Anchor"/> says.</param>
/// <param name="Between">Bands of temperature whose time is wanted.</param>
/// <param name="GoalCone">The cone aimed at; the schedule's own when missing.</param>
/// <param name="Kiln">A kiln described here instead of one of the studio.</param>
/// <param name="Load">What stands in the kiln; full for this kind of firing when missing.</param>
/// <param name="Anchor">What happens at <paramref name="Start"/>: it is switched on (start), the top is reached (top), it may be opened (open).</param>
/// <param name="TurnEveryMinutes">Of a fuel kiln: minutes between turns, 15 to 60; 30 when missing.</param>
/// <param name="Turns">Of a fuel kiln: turns as they are made, followed instead of planned; the schedule may then be missing.</param>
/// <param name="Hours">How long turns are followed.</param>
/// <param name="Observations">Of a fuel kiln: what was seen of the firing.</param>
/// <param name="ReplanFromMinute">Of a fuel kiln: from when it is planned anew.</param>
public sealed record PreviewRequest(
    ScheduleContract? Schedule,
    double? StartTemperature = null,
    int? KilnId = null,
    OffsetDateTime? Start = null,
    IReadOnlyList<BandRequest?>? Between = null,
    string? GoalCone = null,
    KilnContract? Kiln = null,
    LoadContract? Load = null,
    Anchor? Anchor = null,
    int? TurnEveryMinutes = null,
    IReadOnlyList<TurnRequest?>? Turns = null,
    double? Hours = null,
    IReadOnlyList<ObservationRequest?>? Observations = null,
    double? ReplanFromMinute = null
) : IFuelOptions;

/// <summary>Two temperatures, either way round.</summary>
public sealed record BandRequest(double? From, double? To);

/// <summary>A schedule with its times; numbers in the schedule's unit.</summary>
/// <param name="TotalMinutes">To the end of the last step.</param>
/// <param name="PoweredMinutes">Until the power goes off for good.</param>
/// <param name="FastestRise">Degrees an hour.</param>
/// <param name="FastestFall">Degrees an hour, without a sign.</param>
/// <param name="FastestDrop">The most it loses in any hour, degrees.</param>
/// <param name="Line">The schedule in shorthand.</param>
/// <param name="GoalCone">The cone aimed at.</param>
/// <param name="ConeWords">What the row of cones says at the end.</param>
/// <param name="ZeroSlip">A word when the goal looks like 4 meant as 04, or the other way round.</param>
/// <param name="Cones">The goal and its neighbours; without a goal those around the hottest cone down; all with ?cones=all.</param>
/// <param name="HeatWorkBySegment">Progress of the goal cone (or the middle one shown) in each segment; they add up to its progress.</param>
/// <param name="StartsAt">When it is switched on, where a moment was given.</param>
/// <param name="Kiln">What the chosen kiln makes of it; then every time and the curve are the kiln's own.</param>
/// <param name="KilnNote">What full power and off were taken to be; nothing when the schedule has neither.</param>
public sealed record PreviewResponse(
    TemperatureUnit Unit,
    double StartTemperature,
    double TotalMinutes,
    double PoweredMinutes,
    double Peak,
    double FastestRise,
    double FastestFall,
    double FastestDrop,
    string Line,
    string? KilnNote,
    IReadOnlyList<SegmentTimes> Segments,
    IReadOnlyList<CurvePointContract> Curve,
    IReadOnlyList<BandContract> Bands,
    IReadOnlyList<MomentContract> Moments,
    IReadOnlyList<TimeBetweenContract> TimeBetween,
    IReadOnlyList<FindingContract> Findings,
    IReadOnlyList<CautionContract> Cautions,
    string? GoalCone,
    string ConeWords,
    string? ZeroSlip,
    IReadOnlyList<ConeReadingContract> Cones,
    IReadOnlyList<double> HeatWorkBySegment,
    DateTimeOffset? StartsAt,
    KilnPreview? Kiln
);

/// <summary>Times of one step.</summary>
/// <param name="StartsAt">Clock time, where a start was given.</param>
public sealed record SegmentTimes(
    double StartMinute,
    double RampMinutes,
    double HoldMinutes,
    double EndMinute,
    double From,
    double To,
    Direction Direction,
    DateTimeOffset? StartsAt,
    DateTimeOffset? EndsAt
);

/// <summary>A point of a curve.</summary>
public sealed record CurvePointContract(double Minute, double Temperature)
{
    internal static IReadOnlyList<CurvePointContract> From(Curve curve, TemperatureUnit unit)
    {
        var points = new CurvePointContract[curve.Points.Length];
        for (var i = 0; i < points.Length; i++)
            points[i] = new(curve.Points[i].Minutes, InUnit(curve.Points[i].Celsius, unit));
        return points;
    }

    /// <summary>The same in whole minutes and degrees, for small pictures.</summary>
    internal static IReadOnlyList<CurvePointContract> Rounded(Curve curve, TemperatureUnit unit) =>
        [.. From(curve, unit).Select(p => new CurvePointContract(Math.Round(p.Minute), Math.Round(p.Temperature)))];

    private static double InUnit(double celsius, TemperatureUnit unit) => Core.Units.Temperature.FromCelsius(celsius).In(unit);
}

/// <summary>A span of temperature in which something happens to clay.</summary>
public sealed record BandContract(string Name, double From, double To, string Why);

/// <summary>A moment people plan their day by.</summary>
public sealed record MomentContract(MomentKind Kind, double Minute, double Temperature, DateTimeOffset? At);

/// <summary>Time spent between two temperatures.</summary>
public sealed record TimeBetweenContract(double From, double To, double RisingMinutes, double FallingMinutes);

/// <summary>How a number came about.</summary>
/// <param name="Formula">In the usual letters.</param>
/// <param name="Numbers">The same with the numbers of this case in it.</param>
/// <param name="Source">Where it is from, and how sure it is.</param>
public sealed record BasisContract(string Formula, string Numbers, string Source);

/// <summary>What an experienced colleague would say; the gravest first.</summary>
/// <param name="Fix">The likeliest mend, where one change does.</param>
/// <param name="Fixes">Every mend there is, the likeliest first.</param>
/// <param name="Basis">How its numbers came about; nothing where no sum is behind it.</param>
public sealed record FindingContract(
    [property: NamedIn(typeof(FindingIds))] string Id,
    Severity Severity,
    int Segment,
    double FromMinute,
    double ToMinute,
    string Text,
    string Why,
    FixContract? Fix,
    IReadOnlyList<FixContract> Fixes,
    BasisContract? Basis
);

/// <summary>What one cone reads at the end.</summary>
/// <param name="Progress">1 is the end point; at most 1000 is told.</param>
/// <param name="BendDegrees">8 as set … 90 at the end point … 180.</param>
/// <param name="Clock">Hours past twelve the tip points to; 6 at the end point.</param>
/// <param name="Words">"stands", "at 2 o'clock", "flat".</param>
public sealed record ConeReadingContract(string Cone, double Progress, double BendDegrees, double Clock, string Words);

/// <summary>A short word of safety at the step it belongs to.</summary>
public sealed record CautionContract(int Segment, string Text);

/// <summary>A mend: some steps replaced by others, and what they are read as where that was the slip. Tried before it is offered.</summary>
/// <param name="Text">On the button.</param>
/// <param name="Segment">Index of the first step replaced.</param>
/// <param name="Steps">What stands there then, in <paramref name="Unit"/> where it is given, else in the schedule's unit; none takes the step away.</param>
/// <param name="Replaces">How many steps it replaces, from that one on.</param>
/// <param name="Unit">The scale the schedule is to be in then, where that changes.</param>
/// <param name="Kind">What the firing is then, where that changes.</param>
/// <param name="GoalCone">The cone it is meant for then, where that changes.</param>
public sealed record FixContract(
    string Text,
    int Segment,
    IReadOnlyList<SegmentContract> Steps,
    int Replaces,
    TemperatureUnit? Unit,
    ScheduleKind? Kind,
    string? GoalCone
);

/// <summary>Which way a step goes.</summary>
public enum Direction
{
    /// <summary>Hotter.</summary>
    Up,

    /// <summary>Cooler.</summary>
    Down,

    /// <summary>It stays.</summary>
    Level,
}

/// <summary>What happens at a moment that is given.</summary>
public enum Anchor
{
    /// <summary>It is switched on.</summary>
    Start,

    /// <summary>The top is reached.</summary>
    Top,

    /// <summary>It may be opened.</summary>
    Open,
}
