using NodaTime;
using ZealousEmber.Core;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Services.Logs;

/// <summary>
/// Guesses how a log is to be read, from pieces of it: what separates its cells, where its readings begin, which column is what, and in which units. What
/// the text does not say is guessed from the numbers, and asked.
/// </summary>
internal static class LogPreview
{
    private const int Shown = 6;
    private const int MostColumns = 200;
    private const int MostParts = 32;
    private const int MostRows = 4000;
    private const double HottestCelsius = 1400;

    /// <summary>How it is probably to be read. Problems name <c>head</c>.</summary>
    /// <param name="request">Pieces of it.</param>
    /// <param name="now">Nothing was logged later.</param>
    /// <param name="zone">By whose clock it was.</param>
    /// <param name="begun">It is known when it began.</param>
    public static Result<LogLookResponse> Of(LogLookRequest request, Instant now, DateTimeZone zone, bool begun)
    {
        var head = Whole((request.Head ?? "").TrimStart('\uFEFF'), fromStart: true);
        var lines = head.Split('\n').Where(l => l.Trim().Length > 0).Take(2).Count();
        if (lines < 2)
            return new Problem("head", lines == 0 ? "This log is empty." : "There is only one line in this log.");
        var (delimiter, rows, from) = Cut(head);
        if (from < 0 || rows[from].Cells.Length < 2)
            return new Problem(
                "head",
                "No lines with a time and a temperature were found. They stand in columns, one reading a line: minute, temperature; the line above may name them."
            );
        if (rows[from].Cells.Length > MostColumns)
            return new Problem("head", $"At most {MostColumns} columns; line {rows[from].Line} of this has {rows[from].Cells.Length}.");
        var parts = (request.Parts ?? [])
            .Take(MostParts)
            .SelectMany(p => LogRows.Of(new StringReader(Whole(p ?? "", fromStart: false)), delimiter).Take(MostRows));
        return new LogColumns(rows, from, delimiter, [.. parts]).Guess(now, zone, begun, complete: request.Parts is null or { Count: 0 }, Shown);
    }

    /// <summary>The unit no kiln contradicts, and whether anything but the numbers says so.</summary>
    public static (TemperatureUnit Unit, string? Ask) Scale(TemperatureUnit? said, IReadOnlyCollection<double> temperatures)
    {
        if (said is { } unit)
            return (unit, null);
        var hottest = temperatures.DefaultIfEmpty(0).Max();
        if (hottest > HottestCelsius)
            return (TemperatureUnit.Fahrenheit, $"°F? It goes to {Phrases.Number(Math.Round(hottest))}, and no kiln is that hot in °C.");
        // A cool kiln is 10 to 35 °C, or 50 to 95 °F.
        return temperatures.Count > 0 && temperatures.First() is >= 45 and <= 100 && hottest > HottestCelsius / 2
            ? (
                TemperatureUnit.Celsius,
                $"°C or °F? It begins at {Phrases.Number(Math.Round(temperatures.First()))} and goes to {Phrases.Number(Math.Round(hottest))}."
            )
            : (TemperatureUnit.Celsius, null);
    }

    /// <summary>The separator by which most lines are readings, and where those begin; less than 0 where none are.</summary>
    private static (string Delimiter, List<LogRow> Rows, int From) Cut(string head)
    {
        var best = (Delimiter: ",", Rows: new List<LogRow>(), From: -1, Good: 0);
        foreach (var delimiter in LogRows.Delimiters)
        {
            var rows = LogRows.Of(new StringReader(head), delimiter).Take(MostRows).ToList();
            // Lines above may have numbers too; readings are all of one kind.
            var kind = rows.Select(r => Kind(r.Cells))
                .Where(IsReading)
                .GroupBy(k => k)
                .OrderByDescending(g => g.Count())
                .ThenByDescending(g => g.Key.Length)
                .FirstOrDefault()
                ?.Key;
            var from = kind is null ? -1 : rows.FindIndex(r => Fits(Kind(r.Cells), kind));
            var good = kind is null ? 0 : rows.Count(r => Fits(Kind(r.Cells), kind));
            if (good > best.Good)
                best = (delimiter, rows, from, good);
        }
        return (best.Delimiter, best.Rows, best.From);
    }

    /// <summary>What stands in its cells: t a time, n a number, a blank where nothing, a dash where words.</summary>
    private static string Kind(string[] cells) =>
        string.Concat(
            cells.Select(cell =>
                cell.Length == 0 ? ' '
                : LogDates.IsDate(cell) || LogDates.ReadElapsed(cell) is not null ? 't'
                : LogNumbers.IsNumber(cell) ? 'n'
                : '-'
            )
        );

    /// <summary>Of one kind, but for what is written once, or not at all.</summary>
    private static bool Fits(string kind, string most) =>
        kind.Length == most.Length
        && kind.Zip(most).All(p => p.First == p.Second || (p.Second == ' ' && p.First != '-') || (p.First == ' ' && p.Second == 'n'));

    private static bool IsReading(string kind) => kind.Contains('n', StringComparison.Ordinal) && kind.Count(c => c is 't' or 'n') > 1;

    /// <summary>Without the lines that may be torn.</summary>
    private static string Whole(string text, bool fromStart)
    {
        var (from, to) = (fromStart ? 0 : text.IndexOf('\n', StringComparison.Ordinal) + 1, text.LastIndexOf('\n'));
        return to > from ? text[from..to]
            : fromStart ? text
            : "";
    }
}
