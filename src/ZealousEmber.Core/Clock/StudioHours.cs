using System.Collections.Immutable;
using NodaTime;

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

/// <summary>The clock of a studio: its zone, who is in when, what is asked of them, and what power costs.</summary>
/// <param name="Zone">Time zone of the clock on its wall.</param>
/// <param name="Tariff">What power costs.</param>
/// <param name="People">Who is in when; nobody listed means that nobody is counted on.</param>
/// <param name="Rule">What somebody must be there for.</param>
/// <param name="Marked">Moments somebody must be there for under <see cref="AttendanceRule.MarkedMoments"/>.</param>
public sealed record StudioHours(DateTimeZone Zone, Tariff Tariff, ImmutableArray<Presence> People, AttendanceRule Rule, ImmutableArray<WatchKind> Marked)
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
