using ZealousEmber.Core;
using Column = ZealousEmber.App.Services.Logs.LogCsv.Column;

namespace ZealousEmber.App.Services.Logs;

/// <summary>Guesses how a log is to be read, from pieces of it.</summary>
internal static class LogPreview
{
    private const int Shown = 6;
    private const int MostColumns = 200;

    public static Result<LogLookResponse> Of(LogLookRequest request)
    {
        var head = (request.Head ?? "").TrimStart('\uFEFF');
        var delimiter = LogCsv.Delimiter(head);
        var rows = Rows(Whole(head, fromStart: true), delimiter);
        if (rows.Count < 2)
            return new Problem("head", rows.Count == 0 ? "This log is empty." : "There is only one line in this log.");
        if (rows[0].Length > MostColumns)
            return new Problem("head", $"At most {MostColumns} columns; the first line of this has {rows[0].Length}.");
        var headed = !rows[0].Any(c => LogCsv.Number(c) is not null || LogDates.ReadClock(c) is not null || LogDates.Read(c, DateOrder.DayFirst) is not null);
        var body = rows.Skip(headed ? 1 : 0).Concat((request.Parts ?? []).Take(32).SelectMany(p => Rows(Whole(p ?? "", fromStart: false), delimiter))).ToList();
        var width = body.Max(r => r.Length);
        if (width < 2)
            return new Problem("head", "At least two columns are needed: time and temperature.");
        string[] headings = [.. Enumerable.Range(0, width).Select(i => headed && i < rows[0].Length && rows[0][i].Length > 0 ? rows[0][i] : $"Column {i + 1}")];
        IEnumerable<string> Cells(int column) => body.Where(r => column < r.Length).Select(r => r[column]);

        var named = headed ? LogCsv.Headings(rows[0]) : [];
        var date = Enumerable
            .Range(0, width)
            .Where(i =>
                Most(Cells(i), c =>
                    LogDates.Read(c + " 00:00", DateOrder.DayFirst) is not null || LogDates.Read(c + " 00:00", DateOrder.MonthFirst) is not null
                )
            )
            .Cast<int?>()
            .FirstOrDefault();
        var clock = Enumerable.Range(0, width).Where(i => Most(Cells(i), c => LogDates.ReadClock(c) is not null)).Cast<int?>().FirstOrDefault();
        int time =
            date is not null && clock is { } beside ? beside
            : named.TryGetValue(Column.Time, out var told) ? told
            : clock ?? 0;
        int temperature = named.TryGetValue(Column.Temperature, out var hot)
            ? hot
            : Enumerable.Range(0, width).Where(i => i != time && i != date && Most(Cells(i), c => LogCsv.Number(c) is not null)).Cast<int?>().FirstOrDefault()
                ?? Math.Min(width - 1, time + 1);
        var numbers = Cells(temperature).Select(LogCsv.Number).OfType<double>().ToArray();
        int? power = named.TryGetValue(Column.Power, out var p) ? p : null;
        return new LogLookResponse(
            new LogReading(
                Delimiter: delimiter,
                Headed: headed,
                Time: time,
                Temperature: temperature,
                Date: clock == time ? date : null,
                SetPoint: named.TryGetValue(Column.SetPoint, out var s) ? s : null,
                Power: power,
                TimeIn: TimeIn([.. Cells(time)], headings[time].ToLowerInvariant(), clock == time && date is not null),
                Dates: Order([.. Cells(clock == time ? date ?? time : time)]),
                Unit: LogCsv.Scale(null, headings[temperature], numbers.Length > 0 ? numbers : [0]),
                PowerIn: power is { } column && Cells(column).Select(c => LogCsv.Number(c.TrimEnd('%'))).All(v => v is null or <= 1.5)
                    ? LogPower.Share
                    : LogPower.Percent
            ),
            headings,
            [.. rows.Skip(headed ? 1 : 0).Take(Shown)]
        );
    }

    /// <summary>Without the lines that may be torn.</summary>
    private static string Whole(string text, bool fromStart)
    {
        var (from, to) = (fromStart ? 0 : text.IndexOf('\n', StringComparison.Ordinal) + 1, text.LastIndexOf('\n'));
        return to > from ? text[from..to]
            : fromStart ? text
            : "";
    }

    private static List<string[]> Rows(string text, string delimiter)
    {
        using var parser = LogCsv.Parser(new StringReader(text), delimiter);
        var rows = new List<string[]>();
        while (parser.Read())
            rows.Add(delimiter == "," ? parser.Record! : [.. parser.Record!.Select(c => c.Replace(',', '.'))]);
        return rows;
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

    private static LogTime TimeIn(string[] cells, string heading, bool hasDate)
    {
        if (hasDate)
            return LogTime.Dates;
        if (Most(cells, c => LogDates.ReadClock(c) is not null))
            return LogTime.Clock;
        var numbers = cells.Select(LogCsv.Number).OfType<double>().ToList();
        if (numbers.Count * 2 < cells.Length)
            return LogTime.Dates;
        var span = numbers.Count > 0 ? numbers.Max() - numbers.Min() : 0;
        bool Says(string word) => heading.Contains(word, StringComparison.Ordinal);
        return numbers.Count > 0 && numbers[0] > 5e8 ? LogTime.Epoch
            : Says("sec") ? LogTime.Seconds
            : Says("hour") || heading is "h" || heading.EndsWith("(h)", StringComparison.Ordinal) ? LogTime.Hours
            : Says("min") ? LogTime.Minutes
            // Without a word for it: a firing lasts some hundred to a few thousand minutes.
            : span > 8000 ? LogTime.Seconds
            : span < 100 ? LogTime.Hours
            : LogTime.Minutes;
    }

    /// <summary>A thirteenth month tells which comes first; where none is seen, the day.</summary>
    private static DateOrder Order(string[] cells)
    {
        int Readable(DateOrder order) => cells.Count(c => LogDates.Read(c.Contains(':', StringComparison.Ordinal) ? c : c + " 00:00", order) is not null);
        return Readable(DateOrder.MonthFirst) > Readable(DateOrder.DayFirst) ? DateOrder.MonthFirst : DateOrder.DayFirst;
    }
}
