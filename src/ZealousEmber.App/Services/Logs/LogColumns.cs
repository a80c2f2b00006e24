using NodaTime;
using ZealousEmber.Core;

namespace ZealousEmber.App.Services.Logs;

/// <summary>Which column of a log is what.</summary>
internal sealed class LogColumns
{
    private const int Above = 8;
    private readonly List<LogRow> rows;
    private readonly int from;
    private readonly string delimiter;
    private readonly List<string[]> body;
    private readonly string[] headings;
    private readonly bool headed;
    private readonly LogDecimals decimals;

    /// <param name="rows">From the beginning.</param>
    /// <param name="from">The first reading among them.</param>
    /// <param name="delimiter">Between cells.</param>
    /// <param name="parts">Lines from further on.</param>
    public LogColumns(List<LogRow> rows, int from, string delimiter, IReadOnlyCollection<LogRow> parts)
    {
        (this.rows, this.from, this.delimiter) = (rows, from, delimiter);
        body = [.. rows.Skip(from).Concat(parts).Select(r => r.Cells)];
        var width = rows[from].Cells.Length;
        (headings, headed) = Headings(width);
        decimals = LogNumbers.Guess([
            .. body.SelectMany(r => r).Where(c => c.Length > 0 && !LogDates.IsDate(c) && LogDates.ReadElapsed(c) is null && LogNumbers.IsNumber(c)),
        ]);
    }

    private IEnumerable<string> Cells(int column) => body.Where(r => column < r.Length).Select(r => r[column]);

    private List<double> Numbers(int column) => [.. Cells(column).Select(c => LogNumbers.Read(c, decimals)).OfType<double>()];

    /// <summary>The guess, with what it does not know for sure.</summary>
    public Result<LogLookResponse> Guess(Instant now, DateTimeZone zone, bool begun, bool complete, int shown)
    {
        var width = headings.Length;
        var named = headed ? LogHeadings.Read(headings) : [];
        int? First(Func<int, bool> which) => Enumerable.Range(0, width).Where(which).Cast<int?>().FirstOrDefault();
        var date = First(i => Most(Cells(i), LogDates.IsDateAlone));
        var clock = First(i => i != date && Most(Cells(i), c => LogDates.ReadElapsed(c) is not null));
        var moment = First(i => Most(Cells(i), c => LogDates.IsDate(c) && !LogDates.IsDateAlone(c)));
        int? told = named.TryGetValue(LogColumn.Time, out var t) ? t : null;
        var time = moment ?? (date is not null && clock is not null ? clock : null) ?? told ?? clock ?? First(IsCount);
        if (time is not { } at)
            return new Problem("head", "No column of times was found: dates, times of day, or minutes from the start.");
        var temperature = named.TryGetValue(LogColumn.Temperature, out var hot) ? hot : Hottest(at, date, named) ?? Math.Min(width - 1, at + 1);
        var heading = headings[at].ToLowerInvariant();
        var cells = Cells(at).ToArray();
        var timeIn =
            moment == at || (date is not null && clock == at) ? LogTime.Dates
            : clock == at ? ClockOrElapsed(cells, heading)
            : Counting(Numbers(at), heading, Cells(at).Count());
        var degrees = Numbers(temperature);
        var said = LogHeadings.UnitOf(headings[temperature]) ?? Cells(temperature).Select(LogNumbers.UnitOf).FirstOrDefault(u => u is not null);
        // Named the other way round: whichever is meant, this is not how to read it.
        if (timeIn is LogTime.Hours or LogTime.Minutes or LogTime.Seconds && told == at && !OnlyUp(at) && degrees.Count == body.Count && OnlyUp(temperature))
            return new Problem(
                "head",
                "Time and temperature look swapped: the first goes up and down, the second only up. Swap the columns, or name them in the first line."
            );
        var (unit, ask) = LogPreview.Scale(said, degrees);
        int? power = named.TryGetValue(LogColumn.Power, out var p) ? p : null;
        var asks = new List<LogAsk>();
        if (ask is not null)
            asks.Add(new LogAsk("unit", ask));
        if (!begun && timeIn == LogTime.Clock)
            asks.Add(new LogAsk("firstDay", "On which day was the first reading?"));
        else if (!begun && timeIn is (LogTime.Elapsed or LogTime.Hours or LogTime.Minutes or LogTime.Seconds))
            asks.Add(new LogAsk("firstAt", "When was the first reading?"));
        return new LogLookResponse(
            new LogReading(
                Delimiter: delimiter,
                Headed: headed,
                Time: at,
                Temperature: temperature,
                Date: clock == at && moment != at ? date : null,
                SetPoint: named.TryGetValue(LogColumn.SetPoint, out var s) && s != temperature ? s : null,
                Power: power == temperature ? null : power,
                TimeIn: timeIn,
                Dates: LogDates.Order([.. Cells(clock == at && date is { } day ? day : at)]),
                Unit: unit,
                PowerIn: power is { } share && Numbers(share) is { Count: > 0 } shares && shares.Max() <= 1.5 ? LogPower.Share : LogPower.Percent,
                HeadLines: rows[from].Line - 1,
                Decimals: decimals,
                FirstDay: timeIn == LogTime.Clock && complete && !begun ? LastDay(cells, now, zone) : null
            ),
            headings,
            [.. rows.Skip(from).Take(shown).Select(r => r.Cells)],
            asks
        );
    }

    /// <summary>The line above the readings that names them, with the units of a line between them.</summary>
    private (string[] Headings, bool Headed) Headings(int width)
    {
        string[] Named(string[] cells) => [.. Enumerable.Range(0, width).Select(i => i < cells.Length ? cells[i] : "")];
        static bool IsHeading(string[] cells) => cells.Count(c => c.Any(char.IsLetter)) >= 2;
        static bool IsUnits(string[] cells) => cells.All(c => c.Length == 0 || LogHeadings.IsUnit(c)) && cells.Any(c => c.Length > 0);
        var above = rows.Take(from).Select(r => r.Cells).Reverse().Take(Above).ToList();
        var at = above.FindIndex(c => IsHeading(c) && !IsUnits(c) && Math.Abs(c.Length - width) <= 1);
        var names =
            at > 0 && IsUnits(above[at - 1]) ? [.. Named(above[at]).Zip(Named(above[at - 1]), (name, unit) => $"{name} {unit}".Trim())]
            : at >= 0 ? Named(above[at])
            : null;
        return ([.. Enumerable.Range(0, width).Select(i => names?[i] is { Length: > 0 } name ? name : $"Column {i + 1}")], names is not null);
    }

    private bool OnlyUp(int column) =>
        Numbers(column) is { Count: > 1 } n && n.Count * 10 >= body.Count * 9 && n.Zip(n.Skip(1)).All(p => p.Second >= p.First) && n[^1] > n[0];

    /// <summary>It only goes up, and is no mere number of the line where another does too.</summary>
    private bool IsCount(int column)
    {
        bool IsIndex(int i) => Numbers(i) is [0 or 1, ..] n && n.Zip(n.Skip(1)).All(p => p.Second - p.First == 1);
        if (!OnlyUp(column))
            return false;
        return !IsIndex(column) || !Enumerable.Range(column + 1, Math.Max(0, headings.Length - column - 2)).Any(OnlyUp);
    }

    /// <summary>The column of numbers with the widest range a kiln goes through.</summary>
    private int? Hottest(int time, int? date, Dictionary<LogColumn, int> named) =>
        Enumerable
            .Range(0, headings.Length)
            .Where(i => i != time && i != date && !named.ContainsValue(i) && Numbers(i) is { Count: > 0 } n && n.Count * 10 >= body.Count * 5)
            .OrderByDescending(i => Numbers(i) is var n && n.Max() is > 5 and < 3000 ? n.Max() - n.Min() : -1)
            .ThenBy(i => i)
            .Cast<int?>()
            .FirstOrDefault();

    private static LogTime ClockOrElapsed(string[] cells, string heading)
    {
        var minutes = cells.Select(LogDates.ReadElapsed).OfType<double>().ToList();
        var neverBack = minutes.Zip(minutes.Skip(1)).All(p => p.Second >= p.First);
        var fromZero = minutes.Count > 0 && minutes[0] < 2 && neverBack;
        return neverBack && (minutes[^1] >= 1440 || fromZero || LogHeadings.SaysElapsed(heading)) ? LogTime.Elapsed : LogTime.Clock;
    }

    private static LogTime Counting(List<double> numbers, string heading, int cells)
    {
        if (numbers.Count * 2 < cells)
            return LogTime.Dates;
        var span = numbers.Max() - numbers.Min();
        bool Says(string word) => heading.Contains(word, StringComparison.Ordinal);
        return numbers[0] > 5e8 ? LogTime.Epoch
            : Says("sec") || Says("(s)") || heading is "s" ? LogTime.Seconds
            : Says("hour") || Says("hrs") || heading is "h" || Says("(h)") ? LogTime.Hours
            : Says("min") ? LogTime.Minutes
            : numbers[0] is > 30_000 and < 60_000 && span < 60 ? LogTime.Days
            // Without a word for it: a firing lasts some hundred to a few thousand minutes.
            : span > 8000 ? LogTime.Seconds
            : span < 100 ? LogTime.Hours
            : LogTime.Minutes;
    }

    /// <summary>The latest day on which such a log can have begun.</summary>
    private static DateOnly? LastDay(string[] cells, Instant now, DateTimeZone zone)
    {
        var clocks = cells.Select(LogDates.ReadClock).OfType<LocalTime>().ToList();
        if (clocks.Count == 0)
            return null;
        var nights = clocks.Zip(clocks.Skip(1)).Count(p => (p.First - p.Second).ToDuration().TotalHours > 12);
        var today = now.InZone(zone).LocalDateTime;
        var ended = clocks[^1] <= today.TimeOfDay ? today.Date : today.Date.PlusDays(-1);
        return ended.PlusDays(-nights).ToDateOnly();
    }

    private static bool Most(IEnumerable<string> cells, Func<string, bool> holds)
    {
        var (all, good) = (0, 0);
        foreach (var cell in cells.Where(c => c.Length > 0))
        {
            all++;
            if (holds(cell))
                good++;
        }
        return all > 0 && good * 10 >= all * 9;
    }
}
