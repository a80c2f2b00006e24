using System.Collections.Immutable;
using System.Globalization;
using NodaTime;
using ZealousEmber.Core.Clock;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>When a moment is that was said; or, where no hour was, or it is past, the moments that may be meant.</summary>
internal sealed class MomentReader(SayingContext context)
{
    private readonly LocalDateTime now = context.Now.InZone(context.Zone).LocalDateTime;

    /// <summary>The moment, or nothing and the choices.</summary>
    public (OffsetDateTime? At, ImmutableArray<OffsetDateTime> Choices) Read(SaidMoment moment)
    {
        if (moment.In is { } wait)
            return ((context.Now + wait).InZone(context.Zone).ToOffsetDateTime(), []);
        if (moment.Clock is null)
            return (null, Choices(DayOf(moment) ?? NextFor(moment.Part), moment.Part));
        var (time, daysOn) = HourOf(moment);
        if (moment.Day is null)
        {
            var next = now.Date + time;
            while (next <= now)
                next = next.PlusDays(1);
            return (At(next), []);
        }
        var day = DayOf(moment)!.Value;
        var at = (day + time).PlusDays(daysOn);
        // Friday the 5th, which is a Saturday: one of them is meant.
        if (moment.Day is { Kind: DayKind.Date, Weekday: not IsoDayOfWeek.None } both && day.DayOfWeek != both.Weekday)
            return (null, [At(at), At((now.Date.Next(both.Weekday) + time).PlusDays(daysOn))]);
        if (at > now)
            return (At(at), []);
        // A weekday whose hour is over is that of next week; today's is asked about.
        return moment.Day.Kind == DayKind.Weekday ? (At(at.PlusDays(7)), []) : (null, Choices(day < now.Date ? now.Date : day, moment.Part, time));
    }

    /// <summary>"Thu 3 Dec 08:00".</summary>
    public string Label(OffsetDateTime at) =>
        at.LocalDateTime.ToString(context.Clock == ClockFormat.Twelve ? "ddd d MMM h:mm tt" : "ddd d MMM HH:mm", CultureInfo.InvariantCulture);

    private OffsetDateTime At(LocalDateTime local) => local.InZoneLeniently(context.Zone).ToOffsetDateTime();

    private LocalDate? DayOf(SaidMoment moment)
    {
        if (moment.Day is not { } day)
            return null;
        switch (day.Kind)
        {
            case DayKind.Weekday:
                // Today's own weekday counts where its hour is still to come.
                var isToday = now.DayOfWeek == day.Weekday && !day.IsNext && moment.Clock is not null;
                return (isToday ? now.Date : now.Date.Next(day.Weekday)).PlusWeeks(day.Weeks);
            case DayKind.Date:
                if (day.Date is not { } date)
                    return now.Date;
                var on = date.InYear(now.Year);
                return on < now.Date ? date.InYear(now.Year + 1) : on;
            default:
                return now.Date.PlusDays(Math.Clamp(day.Days, -3650, 3650));
        }
    }

    private LocalDate NextFor(DayPart part) =>
        part switch
        {
            DayPart.Morning when now.Hour >= 7 => now.Date.PlusDays(1),
            DayPart.Afternoon when now.Hour >= 13 => now.Date.PlusDays(1),
            DayPart.Evening when now.Hour >= 19 => now.Date.PlusDays(1),
            _ => now.Date,
        };

    /// <summary>The hour, and whether it is that of the day after: at 1 in the night.</summary>
    private static (LocalTime Time, int DaysOn) HourOf(SaidMoment moment)
    {
        var (time, isBare) = (moment.Clock!.Time, moment.Clock.IsBare);
        var isNoon = time.Hour == 12;
        var isMidnight = time == LocalTime.Midnight && !isBare;
        // Midnight of a day is the one it ends with.
        if (isMidnight && moment.Day is not null)
            return (time, 1);
        return moment.Part switch
        {
            DayPart.Morning when isBare && isNoon => (new LocalTime(0, time.Minute), 0),
            DayPart.Afternoon or DayPart.Evening when isBare && !isNoon && moment.Part == DayPart.Afternoon => (time.PlusHours(12), 0),
            DayPart.Evening when isBare && isNoon => (new LocalTime(0, time.Minute), 1),
            DayPart.Evening when isBare && time.Hour <= 3 => (time, 1),
            DayPart.Evening when isBare => (time.PlusHours(12), 0),
            DayPart.Night or DayPart.Overnight when isBare && isNoon => (new LocalTime(0, time.Minute), 1),
            DayPart.Night or DayPart.Overnight when isBare && time.Hour <= 5 => (time, 1),
            DayPart.Night or DayPart.Overnight when isBare => (time.PlusHours(12), 0),
            _ => (time, 0),
        };
    }

    /// <summary>Two or three hours on a day, none of them past; of an hour that is past its like in the evening first.</summary>
    private ImmutableArray<OffsetDateTime> Choices(LocalDate day, DayPart part, LocalTime? past = null)
    {
        int[] hours = part switch
        {
            DayPart.Morning => [7, 9, 11],
            DayPart.Afternoon => [13, 15, 17],
            DayPart.Evening => [18, 20, 22],
            DayPart.Night or DayPart.Overnight => [20, 22, 23],
            _ => [8, 12, 20],
        };
        var at = hours.Select(h => day + new LocalTime(h, 0)).Where(t => t > now).ToList();
        if (past is { Hour: < 12 } early && day + early.PlusHours(12) > now)
            at.Insert(0, day + early.PlusHours(12));
        if (at.Count == 0)
            at.AddRange([.. new[] { 1, 2 }.Select(h => now.With(TimeAdjusters.TruncateToHour).PlusHours(h)), now.Date.PlusDays(1) + new LocalTime(8, 0)]);
        return [.. at.Distinct().Take(3).Select(At)];
    }
}
