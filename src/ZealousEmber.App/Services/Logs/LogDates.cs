using NodaTime;

namespace ZealousEmber.App.Services.Logs;

/// <summary>Dates and times of day as loggers, spreadsheets and people write them.</summary>
internal static class LogDates
{
    private static readonly string[] Months = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

    /// <summary>A date with its time; with its offset where it says one.</summary>
    public static (LocalDateTime Local, Offset? Offset)? Read(string? text, DateOrder order)
    {
        var rest = (text ?? "").AsSpan().Trim().TrimStart('[').TrimEnd(']');
        Span<int> part = stackalloc int[3];
        Span<int> digits = stackalloc int[3];
        var named = -1;
        for (var i = 0; i < 3; i++)
        {
            if (rest.Length > 0 && char.IsLetter(rest[0]))
            {
                if (rest.Length < 3 || Month(rest[..3]) is not { } month || named >= 0)
                    return null;
                (part[i], named) = (month, i);
                while (rest.Length > 0 && char.IsLetter(rest[0]))
                    rest = rest[1..];
            }
            else if (!Whole(ref rest, 4, out part[i], out digits[i]))
                return null;
            if (i == 2)
                break;
            if (rest.Length == 0 || rest[0] is not ('-' or '/' or '.' or ' ' or ','))
                return null;
            rest = rest[1..].TrimStart(" ,.");
        }
        var (y, m, d) =
            digits[0] == 4 ? (part[0], part[1], part[2])
            : named == 1 ? (part[2], part[1], part[0])
            : named == 0 || order == DateOrder.MonthFirst ? (part[2], part[0], part[1])
            : (part[2], part[1], part[0]);
        if (y < 100)
            y += 2000;
        if (y is < 1970 or > 2200 || m is < 1 or > 12 || d < 1 || d > CalendarSystem.Iso.GetDaysInMonth(y, m))
            return null;
        if (rest.Length > 0 && rest[0] is 'T' or 't' or ',')
            rest = rest[1..];
        rest = rest.Trim();
        if (rest.Length == 0)
            return null;
        return Clock(ref rest) is { } time && Shift(rest.Trim()) is { Ok: true, Offset: var offset } ? (new LocalDate(y, m, d) + time, offset) : null;
    }

    /// <summary>A date, with or without a time of day.</summary>
    public static bool IsDate(string? text) => IsDateAlone(text) || Read(text, DateOrder.DayFirst) is not null || Read(text, DateOrder.MonthFirst) is not null;

    /// <summary>A date without a time of day.</summary>
    public static bool IsDateAlone(string? text) =>
        Read(text + " 00:00", DateOrder.DayFirst) is not null || Read(text + " 00:00", DateOrder.MonthFirst) is not null;

    /// <summary>A thirteenth month tells which comes first, or how long it would take; where neither does, the day.</summary>
    public static DateOrder Order(string[] cells)
    {
        int Readable(DateOrder order) => cells.Count(c => Read(c.Contains(':', StringComparison.Ordinal) ? c : c + " 00:00", order) is not null);
        var (monthFirst, dayFirst) = (Readable(DateOrder.MonthFirst), Readable(DateOrder.DayFirst));
        if (monthFirst != dayFirst)
            return monthFirst > dayFirst ? DateOrder.MonthFirst : DateOrder.DayFirst;
        // Both can be read: a firing does not last for months.
        Duration Span(DateOrder order)
        {
            var days = cells.Select(c => Read(c.Contains(':', StringComparison.Ordinal) ? c : c + " 00:00", order)?.Local).OfType<LocalDateTime>().ToList();
            return days.Count == 0 ? Duration.Zero : days.Max().InUtc().ToInstant() - days.Min().InUtc().ToInstant();
        }
        return Span(DateOrder.MonthFirst) < Span(DateOrder.DayFirst) ? DateOrder.MonthFirst : DateOrder.DayFirst;
    }

    /// <summary>Hours and minutes, as many hours as there are, or a time of day: minutes.</summary>
    public static double? ReadElapsed(string? text)
    {
        if (ReadClock(text) is { } clock)
            return clock.TickOfDay / (double)NodaConstants.TicksPerMinute;
        var parts = (text ?? "").Trim().Split(':');
        if (parts.Length is not (2 or 3) || !parts.All(p => p.Length is > 0 and <= 6 && p.All(c => char.IsAsciiDigit(c) || c == '.')))
            return null;
        var numbers = Array.ConvertAll(parts, p => LogNumbers.Read(p, LogDecimals.Point) ?? double.NaN);
        return numbers.All(double.IsFinite) && numbers[1] < 60 && (numbers.Length < 3 || numbers[2] < 60)
            ? numbers[0] * 60 + numbers[1] + (numbers.Length == 3 ? numbers[2] / 60 : 0)
            : null;
    }

    /// <summary>A time of day alone.</summary>
    public static LocalTime? ReadClock(string? text)
    {
        var rest = (text ?? "").AsSpan().Trim();
        return Clock(ref rest) is { } time && rest.Trim().Length == 0 ? time : null;
    }

    private static LocalTime? Clock(ref ReadOnlySpan<char> rest)
    {
        if (!Whole(ref rest, 2, out var hour, out _) || rest.Length == 0 || rest[0] != ':')
            return null;
        rest = rest[1..];
        if (!Whole(ref rest, 2, out var minute, out var places) || places != 2)
            return null;
        var (second, nanos) = (0, 0L);
        if (rest.Length > 0 && rest[0] == ':')
        {
            rest = rest[1..];
            if (!Whole(ref rest, 2, out second, out _))
                return null;
            if (rest.Length > 1 && rest[0] is '.' or ',')
            {
                rest = rest[1..];
                for (var unit = 100_000_000L; rest.Length > 0 && char.IsAsciiDigit(rest[0]); unit /= 10, rest = rest[1..])
                    nanos += (rest[0] - '0') * unit;
            }
        }
        var half = rest.TrimStart();
        if (half.Length >= 2 && char.ToLowerInvariant(half[1]) == 'm' && char.ToLowerInvariant(half[0]) is 'a' or 'p')
        {
            if (hour is < 1 or > 12)
                return null;
            hour = hour % 12 + (char.ToLowerInvariant(half[0]) == 'p' ? 12 : 0);
            rest = half[2..];
        }
        return hour > 23 || minute > 59 || second > 59 ? null : LocalTime.FromHourMinuteSecondNanosecond(hour, minute, second, nanos);
    }

    /// <summary>Z, +01:00, +0100 or +01; nothing at all is well too.</summary>
    private static (bool Ok, Offset? Offset) Shift(ReadOnlySpan<char> rest)
    {
        if (rest.Length == 0)
            return (true, null);
        if (rest is "Z" or "z" or "UTC" or "GMT")
            return (true, Offset.Zero);
        if (rest[0] is not ('+' or '-'))
            return (false, null);
        var sign = rest[0] == '-' ? -1 : 1;
        rest = rest[1..];
        var minutes = 0;
        if (!Whole(ref rest, 4, out var hours, out var places))
            return (false, null);
        if (places == 4)
            (hours, minutes) = (hours / 100, hours % 100);
        else if (rest.Length > 1 && rest[0] == ':')
        {
            rest = rest[1..];
            if (!Whole(ref rest, 2, out minutes, out _))
                return (false, null);
        }
        return rest.Length > 0 || hours > 14 || minutes > 59 ? (false, null) : (true, Offset.FromHoursAndMinutes(sign * hours, sign * minutes));
    }

    private static bool Whole(ref ReadOnlySpan<char> rest, int most, out int value, out int places)
    {
        (value, places) = (0, 0);
        while (places < most && rest.Length > 0 && char.IsAsciiDigit(rest[0]))
        {
            value = value * 10 + (rest[0] - '0');
            places++;
            rest = rest[1..];
        }
        return places > 0;
    }

    private static int? Month(ReadOnlySpan<char> name)
    {
        for (var i = 0; i < Months.Length; i++)
            if (name.Equals(Months[i], StringComparison.OrdinalIgnoreCase))
                return i + 1;
        return null;
    }
}
