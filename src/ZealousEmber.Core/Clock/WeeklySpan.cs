using System.Collections.Immutable;
using NodaTime;

namespace ZealousEmber.Core.Clock;

/// <summary>Hours of the day on some days of the week, by the clock on the wall.</summary>
/// <param name="Days">On which days it begins; empty means every day.</param>
/// <param name="From">First moment.</param>
/// <param name="To">First moment after it; at or before <paramref name="From"/> it runs past midnight, the same means the whole day.</param>
public sealed record WeeklySpan(ImmutableArray<IsoDayOfWeek> Days, LocalTime From, LocalTime To)
{
    /// <summary>True when a moment lies in it; a span past midnight belongs to the day it begins on.</summary>
    public bool Contains(LocalDateTime at)
    {
        var time = at.TimeOfDay;
        if (From < To)
            return On(at.DayOfWeek) && time >= From && time < To;
        return (time >= From && On(at.DayOfWeek)) || (time < To && On(at.Date.PlusDays(-1).DayOfWeek));
    }

    private bool On(IsoDayOfWeek day) => Days.IsDefaultOrEmpty || Days.Contains(day);
}
