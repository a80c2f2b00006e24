using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Clock;

/// <summary>How the studio looks after a firing kiln.</summary>
public enum AttendanceRule
{
    /// <summary>Somebody is in for as long as the power is on.</summary>
    NeverAlone,

    /// <summary>Somebody is in when it is switched on and at its top; in between an alarm may watch.</summary>
    AlarmBetween,

    /// <summary>Somebody is in at the moments the studio has marked, whatever is between.</summary>
    MarkedMoments,
}

/// <summary>A person and the hours they are usually in.</summary>
/// <param name="Name">First name.</param>
/// <param name="Hours">When they are in.</param>
public sealed record Presence(string Name, ImmutableArray<WeeklySpan> Hours);

/// <summary>How times of day are written.</summary>
public enum ClockFormat
{
    /// <summary>21:05.</summary>
    TwentyFour,

    /// <summary>9:05 pm.</summary>
    Twelve,
}

/// <summary>How a studio reads numbers: on every screen and in every field.</summary>
/// <param name="Clock">Times of day.</param>
/// <param name="Temperature">The scale new schedules are written in.</param>
/// <param name="Units">Lengths and masses.</param>
public sealed record StudioDisplay(ClockFormat Clock, TemperatureUnit Temperature, DisplayUnits Units)
{
    /// <summary>24 h, °C, mm and kg.</summary>
    public static readonly StudioDisplay Usual = new(ClockFormat.TwentyFour, TemperatureUnit.Celsius, DisplayUnits.Metric);
}

/// <summary>What a studio says of itself: its clock and units, who is in when, what is asked of them, and what energy costs.</summary>
/// <param name="Zone">Time zone of the clock on its wall.</param>
/// <param name="Prices">What energy costs.</param>
/// <param name="People">Who is in when; nobody listed means that nobody is counted on.</param>
/// <param name="Rule">What somebody must be there for.</param>
/// <param name="Marked">Moments somebody must be there for under <see cref="AttendanceRule.MarkedMoments"/>.</param>
/// <param name="Display">How it reads numbers.</param>
public sealed record StudioSettings(
    DateTimeZone Zone,
    EnergyPrices Prices,
    ImmutableArray<Presence> People,
    AttendanceRule Rule,
    ImmutableArray<WatchKind> Marked,
    StudioDisplay Display
)
{
    /// <summary>Most people with hours.</summary>
    public const int MostPeople = 100;

    /// <summary>Most spans for one person.</summary>
    public const int MostSpans = 28;

    /// <summary>Names of those who are in at a moment.</summary>
    public IEnumerable<string> InAt(Instant at)
    {
        var local = at.InZone(Zone).LocalDateTime;
        return People.Where(p => p.Hours.Any(h => h.Contains(local))).Select(p => p.Name);
    }
}
