using NodaTime;
using NodaTime.TimeZones;

namespace ZealousEmber.App.Services.Logs;

/// <summary>Reads the times of a log, one line after another.</summary>
/// <param name="kind">How they are written.</param>
/// <param name="order">Of dates.</param>
/// <param name="zone">Whose clock, where a time does not say.</param>
/// <param name="firstAt">When the first reading was taken, where the log counts from it.</param>
/// <param name="decimals">Of numbers.</param>
/// <param name="firstDay">Of the first reading, where it has times of day; next to <paramref name="firstAt"/> when missing.</param>
internal sealed class LogMoments(
    LogTime kind,
    DateOrder order,
    DateTimeZone zone,
    Instant firstAt,
    LogDecimals decimals = LogDecimals.Point,
    LocalDate? firstDay = null
)
{
    private const double MostNumber = 1e14;
    private const double FirstMillisecond = 1e11;
    private const double SecondsADay = 86_400;
    private const double MostDays = 110_000;
    private static readonly LocalDateTime SheetsBegin = new(1899, 12, 30, 0, 0);

    private Instant? before;
    private double? first;
    private LocalDate? day;
    private string? written;
    private LocalTime clock;

    /// <summary>The moment of a line; nothing where it cannot be read.</summary>
    public Instant? Read(string? date, string? time)
    {
        var read = kind switch
        {
            LogTime.Dates => LogDates.Read(Dated(date, time), order) is { } at
                ? at.Offset is { } offset
                    ? at.Local.WithOffset(offset).ToInstant()
                    : InZone(at.Local)
                : null,
            LogTime.Clock => LogDates.ReadClock(time) is { } at ? InZone(Day(at) + at) : null,
            LogTime.Epoch => Number(time) is { } at ? Instant.FromUnixTimeMilliseconds((long)(Math.Abs(at) < FirstMillisecond ? at * 1000 : at)) : null,
            LogTime.Elapsed => LogDates.ReadElapsed(time) is { } minutes ? Since(minutes, 60_000) : null,
            LogTime.Days => Number(time) is { } days and > 0 and < MostDays ? InZone(SheetsBegin.PlusSeconds((long)Math.Round(days * SecondsADay))) : null,
            LogTime.Hours => Since(time, 3_600_000),
            LogTime.Minutes => Since(time, 60_000),
            _ => Since(time, 1000),
        };
        if (read is { } now)
            before = now;
        return read;
    }

    /// <summary>
    /// An hour that comes twice, when clocks go back, is the first unless time would run backwards; one that is left out lies after the change.
    /// </summary>
    private Instant? InZone(LocalDateTime local)
    {
        var map = zone.MapLocal(local);
        if (map.Count == 0)
            return zone.ResolveLocal(local, Resolvers.CreateMappingResolver(Resolvers.ThrowWhenAmbiguous, Resolvers.ReturnForwardShifted)).ToInstant();
        var (early, late) = (map.First().ToInstant(), map.Last().ToInstant());
        return map.Count == 2 && early < before ? late : early;
    }

    /// <summary>A day that is written once holds until the next.</summary>
    private string? Dated(string? date, string? time)
    {
        if (!string.IsNullOrEmpty(date))
            written = date;
        return date is null || written is null ? time : $"{written} {time}";
    }

    /// <summary>The day of a time of day: past midnight the next.</summary>
    private LocalDate Day(LocalTime at)
    {
        if (day is null && firstDay is { } told)
            day = told;
        else if (day is null)
        {
            // That day on which it lies next to where it is said to begin.
            var said = firstAt.InZone(zone).LocalDateTime;
            var apart = (said.Date + at - said).ToDuration().TotalHours;
            day = said.Date.PlusDays(
                apart > 12 ? -1
                : apart < -12 ? 1
                : 0
            );
        }
        else if ((clock - at).ToDuration().TotalHours > 12)
            day = day.Value.PlusDays(1);
        clock = at;
        return day.Value;
    }

    private Instant? Since(string? time, double milliseconds) => Number(time) is { } value ? Since(value, milliseconds) : null;

    private Instant? Since(double value, double milliseconds)
    {
        if (Math.Abs(value * milliseconds) > MostNumber)
            return null;
        first ??= value;
        return firstAt + Duration.FromMilliseconds((value - first.Value) * milliseconds);
    }

    private double? Number(string? text) => LogNumbers.Read(text, decimals) is { } value && Math.Abs(value) < 4e12 ? value : null;
}
