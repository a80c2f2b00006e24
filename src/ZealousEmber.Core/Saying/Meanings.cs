using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying;

/// <summary>A stretch of the sentence and what it means.</summary>
/// <param name="From">First sign.</param>
/// <param name="To">Behind the last.</param>
/// <param name="Meaning">What it means by itself.</param>
internal sealed record Phrase(int From, int To, Meaning Meaning);

/// <summary>What a stretch of a sentence can mean by itself, before it is put together.</summary>
internal abstract record Meaning;

/// <summary>How strongly a sign parts what stands before it from what follows.</summary>
internal enum BreakKind
{
    And,
    Comma,
    Colon,
    Sentence,
    Line,
}

internal sealed record Break(BreakKind Kind) : Meaning;

/// <summary>A word no rule knows; a small one joins others and says nothing.</summary>
internal sealed record Word(string Text, bool IsSmall) : Meaning;

/// <summary>Words that are known and fill no field: “glaze later”.</summary>
internal sealed record Nothing : Meaning;

/// <summary>A number no rule knows.</summary>
internal sealed record LooseNumber(double Value) : Meaning;

// Of the firing.
internal sealed record KindSaid(ScheduleKind Kind) : Meaning;

internal sealed record ConeSaid(Cone Cone) : Meaning;

/// <summary>Two or more cones, one of which is meant.</summary>
internal sealed record ConesSaid(ImmutableArray<Cone> Cones) : Meaning;

/// <summary>“to 6”: a cone only where the kind says so.</summary>
internal sealed record BareConeSaid(int Number) : Meaning;

/// <summary>A top as a temperature.</summary>
internal sealed record TopSaid(double Celsius) : Meaning;

internal sealed record KilnSaid(int Id) : Meaning;

/// <summary>Several kilns fit, or none does.</summary>
internal sealed record KilnAsked(ImmutableArray<int> Ids, string Text) : Meaning;

/// <summary>“start”, “ready”: what the moment behind it is for.</summary>
internal sealed record MomentFor(bool IsReady) : Meaning;

internal sealed record MomentSaid(SaidMoment Moment) : Meaning;

/// <summary>A wish. Asked where it cannot be taken as it is said.</summary>
internal sealed record WishSaid(string As, string Text, Func<SaidWishes, SaidWishes> Put) : Meaning;

internal sealed record WishAsked(string About, string Text, ImmutableArray<SaidChoice> Choices) : Meaning;

/// <summary>Slow cooling: what a glaze here asks for, else a question.</summary>
internal sealed record SlowCoolingSaid : Meaning;

/// <summary>Reduction, from a temperature where one was said (°C).</summary>
internal sealed record ReductionSaid(double? From, bool ThenNeutral) : Meaning;

// Of lots.
internal sealed record CountSaid(int Count, bool TakesAnyWord = true) : Meaning;

/// <summary>A few, 15 to 20: how many is asked.</summary>
internal sealed record CountAsked(ImmutableArray<int> Choices) : Meaning;

/// <summary>“half”, “the rest”: of the lot before.</summary>
internal sealed record ShareSaid(bool IsHalf) : Meaning;

internal sealed record NounSaid(string What) : Meaning;

/// <summary>“pots”, “pieces”: the lots already spoken of, or a lot of their own.</summary>
internal sealed record PronounSaid(string What) : Meaning;

internal sealed record ExcludedSaid(string What) : Meaning;

internal sealed record AllSaid : Meaning;

/// <summary>Which length of a piece.</summary>
internal enum LengthOf
{
    Unsaid,
    Wall,
    Across,
    Height,
    Handle,
    Deep,
}

/// <summary>A number with the unit it was typed in; the unit of its neighbour or of the studio where none was.</summary>
internal readonly record struct Measured(double Value, double? MillimetresPerUnit)
{
    /// <summary>A bare length up to here is a wall, mm.</summary>
    public const double ThickestBareWall = 30;

    public double In(double otherwise) => Math.Round(Value * (MillimetresPerUnit ?? otherwise), 4);
}

/// <summary>A property of a lot, before it is known of which.</summary>
internal abstract record Property : Meaning;

internal sealed record LengthSaid(LengthOf Of, Measured Length, string Typed) : Property;

/// <summary>85 × 100, 200 × 200 × 8.</summary>
internal sealed record SidesSaid(ImmutableArray<Measured> Sides) : Property;

/// <summary>10 to 12 cm tall: which is asked.</summary>
internal sealed record LengthAsked(LengthOf Of, Measured Least, Measured Most) : Property;

internal sealed record MassSaid(double Kilograms, string Typed) : Property;

internal sealed record MassAsked(double Least, double Most) : Property;

/// <summary>A state. <paramref name="IsProposal"/>: it is asked as well. <paramref name="Glazed"/>: of a fresh glaze.</summary>
internal sealed record DrynessSaid(Dryness Dryness, bool IsProposal = false, bool Glazed = false) : Property;

/// <summary>What was done to the ware, from which days tell how dry it may be.</summary>
internal enum MadeBy
{
    Making,
    Trimming,
    Glazing,
    Drying,
}

/// <summary>“thrown yesterday”: days, nothing where the day stands elsewhere.</summary>
internal sealed record MadeSaid(MadeBy By, int? Days) : Property;

internal sealed record ClaySaid(int Id, string Name) : Property;

internal sealed record GlazeSaid(ImmutableArray<int> Ids, string Names) : Property;

/// <summary>A name more than one clay or glaze has.</summary>
internal sealed record StockAsked(ImmutableArray<KnownClay> Clays, ImmutableArray<KnownGlaze> Glazes, string Text) : Property;

/// <summary>Whose; nothing where it is nobody’s in particular.</summary>
internal sealed record WhoseSaid(string? Name, bool IsHeading = false) : Property;

internal sealed record WhoseAsked(string Name) : Property;

/// <summary>Glaze is on it, which one is not said.</summary>
internal sealed record GlazedSaid : Property;

/// <summary>It was never fired.</summary>
internal sealed record RawSaid : Property;

/// <summary>A property that is there or not.</summary>
internal sealed record FlagSaid(string As, string Text, Func<SaidLot, SaidLot> Put) : Property;

/// <summary>A moment as it was said, in parts; none of them is guessed.</summary>
/// <param name="Day">The day.</param>
/// <param name="Part">Part of the day.</param>
/// <param name="Clock">The hour.</param>
/// <param name="In">From now.</param>
/// <param name="By">“by”, “before”: somebody’s deadline.</param>
internal sealed record SaidMoment(SaidDay? Day, DayPart Part, SaidClock? Clock, Duration? In, bool By);

internal enum DayPart
{
    None,
    Morning,
    Afternoon,
    Evening,
    Night,
    Overnight,
}

internal enum DayKind
{
    Today,
    Tomorrow,
    Weekday,
    Date,
    Offset,
}

/// <summary>A day as it was said.</summary>
/// <param name="Kind">How.</param>
/// <param name="Weekday">Of <see cref="DayKind.Weekday"/>.</param>
/// <param name="Weeks">Weeks more: Friday week.</param>
/// <param name="Date">Of <see cref="DayKind.Date"/>.</param>
/// <param name="Days">Days from today, of <see cref="DayKind.Offset"/>.</param>
/// <param name="IsNext">“next”: never today.</param>
internal sealed record SaidDay(
    DayKind Kind,
    IsoDayOfWeek Weekday = IsoDayOfWeek.None,
    int Weeks = 0,
    AnnualDate? Date = null,
    int Days = 0,
    bool IsNext = false
);

/// <summary>An hour as it was said. Bare: “at 8”, which the part of a day may move past noon.</summary>
internal sealed record SaidClock(LocalTime Time, bool IsBare);
