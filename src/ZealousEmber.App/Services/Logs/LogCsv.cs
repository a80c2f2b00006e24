using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Services.Logs;

/// <summary>A log read from CSV, with what was understood of it.</summary>
internal sealed record ReadLog(IReadOnlyList<LogSample> Samples, string Understood);

/// <summary>
/// Reads a firing's log from CSV as loggers and spreadsheets write it: comma, semicolon or tab; columns found by their headings, or time
/// and temperature in this order without any. Times as minutes, hours, seconds, clock or date; °F by heading, by request, or when nothing else can be.
/// </summary>
internal static class LogCsv
{
    private const int MostRows = 400_000;
    private const double HottestCelsius = 1400;

    internal enum Column
    {
        Time,
        Temperature,
        SetPoint,
        Power,
    }

    public static Result<ReadLog> Read(string? text, TemperatureUnit? unit)
    {
        if (string.IsNullOrWhiteSpace(text))
            return new Problem("csv", "This log is empty.");
        var rows = Rows(text.TrimStart('\uFEFF'));
        if (rows.Count < 2)
            return new Problem("csv", "There is only one line in this log.");
        var headed = !rows[0].Any(c => Number(c) is not null);
        var columns = headed ? Headings(rows[0]) : Enumerable.Range(0, rows[0].Length).Take(2).ToDictionary(i => (Column)i, i => i);
        if (!columns.ContainsKey(Column.Time) || !columns.ContainsKey(Column.Temperature))
            return new Problem(
                "csv",
                headed
                    ? "A column for the time and one for the temperature are needed; the first line should name them, like minute,temperature,power."
                    : "At least two columns are needed: time and temperature."
            );

        var heading = headed ? rows[0] : [];
        var body = rows.Skip(headed ? 1 : 0).ToList();
        if (body.Count > MostRows)
            return new Problem("csv", $"At most {MostRows} readings are taken; this log has {body.Count}. One every half minute is plenty.");
        var times = ReadTimes(body, columns[Column.Time], headed ? heading[columns[Column.Time]] : "", headed ? 2 : 1);
        if (!times.IsOk)
            return Result<ReadLog>.Failed(times.Problems);
        var (minutes, timeWords) = times.Value;
        if (Swapped(body, minutes, columns))
            return new Problem(
                "csv",
                "Time and temperature look swapped: the first goes up and down, the second only up. Swap the columns, or name them in the first line."
            );

        var temperatures = new double[body.Count];
        for (var i = 0; i < body.Count; i++)
        {
            if (Number(Cell(body[i], columns[Column.Temperature])) is not { } value)
                return new Problem(
                    "csv",
                    $"Line {i + (headed ? 2 : 1)} has no temperature that can be read: “{Short(Cell(body[i], columns[Column.Temperature]))}”."
                );
            temperatures[i] = value;
        }
        var scale = Scale(unit, headed ? heading[columns[Column.Temperature]] : "", temperatures);
        var hottest = Temperature.FromCelsius(HottestCelsius + 50).In(scale);
        var odd = Array.FindIndex(temperatures, t => t > hottest || t < Temperature.FromCelsius(-40).In(scale));
        if (odd >= 0)
            return new Problem(
                "csv",
                $"Line {odd + (headed ? 2 : 1)} says {Phrases.Number(temperatures[odd])} {scale.Symbol()}; no kiln was ever so "
                    + $"{(temperatures[odd] > hottest ? "hot" : "cold")}. Is it another column?"
            );

        double[]? power = columns.TryGetValue(Column.Power, out var p) ? Shares(body, p) : null;
        var samples = new LogSample[body.Count];
        for (var i = 0; i < samples.Length; i++)
        {
            double? asked =
                columns.TryGetValue(Column.SetPoint, out var s) && Number(Cell(body[i], s)) is { } given && Temperature.TryFrom(given, scale, out var set)
                    ? set.Celsius
                    : null;
            // A set point of nothing is how controllers write "off".
            if (asked < 1)
                asked = null;
            samples[i] = new LogSample(minutes[i], Temperature.From(temperatures[i], scale).Celsius, power?[i], asked);
        }
        var extra =
            power is not null ? ", with the power share"
            : columns.ContainsKey(Column.SetPoint) ? ", with the set point"
            : ", temperatures only";
        return new ReadLog(samples, $"{Phrases.Count(samples.Length, "reading")}, time in {timeWords}, {scale.Symbol()}{extra}.");
    }

    private static List<string[]> Rows(string text)
    {
        var delimiter = Delimiter(text);
        using var parser = Parser(new StringReader(text), delimiter);
        var rows = new List<string[]>();
        while (parser.Read() && rows.Count <= MostRows + 1)
        {
            var cells = parser.Record!;
            if (delimiter == ";" || delimiter == "\t")
                cells = [.. cells.Select(c => c.Replace(',', '.'))];
            if (cells.Any(c => c.Length > 0))
                rows.Add(cells);
        }
        return rows;
    }

    /// <summary>What separates the cells of a text, by its first line. A comma may be a decimal sign where semicolons or tabs separate.</summary>
    internal static string Delimiter(string text)
    {
        var first = text.AsSpan(0, Math.Min(text.Length, 2000)).ToString().Split('\n')[0];
        return first.Contains('\t') ? "\t"
            : first.Contains(';') ? ";"
            : ",";
    }

    internal static CsvParser Parser(TextReader text, string delimiter, int longestCell = 0) =>
        new(
            text,
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = delimiter,
                IgnoreBlankLines = true,
                TrimOptions = TrimOptions.Trim,
                BadDataFound = null,
                MaxFieldSize = longestCell,
                Mode = CsvMode.RFC4180,
            }
        );

    internal static Dictionary<Column, int> Headings(string[] row)
    {
        var found = new Dictionary<Column, int>();
        for (var i = 0; i < row.Length; i++)
        {
            var name = row[i].ToLowerInvariant();
            bool Has(params string[] words) => words.Any(w => name.Contains(w, StringComparison.Ordinal));
            Column? column =
                Has("set", "target", "wanted") ? Column.SetPoint
                : Has("power", "duty", "output", "share") ? Column.Power
                : Has("time", "minute", "min", "hour", "second", "elapsed", "date") ? Column.Time
                : Has("temp", "°", "chamber", "actual", "display", "reading") || name is "c" or "f" ? Column.Temperature
                : null;
            if (column is { } known)
                found.TryAdd(known, i);
        }
        return found;
    }

    private static Result<(double[] Minutes, string Words)> ReadTimes(List<string[]> body, int column, string heading, int firstLine)
    {
        var minutes = new double[body.Count];
        var words = "";
        var plain = true;
        for (var i = 0; i < body.Count; i++)
        {
            var cell = Cell(body[i], column);
            if (Number(cell) is { } number)
                minutes[i] = number;
            else if (Clock(cell) is { } clock)
            {
                (plain, words) = (false, "hours and minutes");
                minutes[i] = clock;
                // Past midnight a clock begins again.
                while (i > 0 && minutes[i] < minutes[i - 1] - 720)
                    minutes[i] += 1440;
            }
            else if (DateTimeOffset.TryParse(cell, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var date))
            {
                (plain, words) = (false, "dates");
                minutes[i] = (date - DateTimeOffset.UnixEpoch).TotalMinutes;
            }
            else
                return new Problem("csv", $"Line {i + firstLine} has no time that can be read: “{Short(cell)}”.");
        }
        if (!plain)
            return (minutes, words);
        var name = heading.ToLowerInvariant();
        var span = minutes[^1] - minutes[0];
        // Without a word for it: a firing lasts some hundred to a few thousand minutes.
        var unit =
            name.Contains("sec", StringComparison.Ordinal) ? (1 / 60.0, "seconds")
            : name.Contains("hour", StringComparison.Ordinal) || name.EndsWith("(h)", StringComparison.Ordinal) || name == "h" ? (60.0, "hours")
            : name.Contains("min", StringComparison.Ordinal) ? (1.0, "minutes")
            : span > 8000 ? (1 / 60.0, "seconds")
            : span < 100 ? (60.0, "hours")
            : (1.0, "minutes");
        for (var i = 0; i < minutes.Length; i++)
            minutes[i] *= unit.Item1;
        return (minutes, unit.Item2);
    }

    private static bool Swapped(List<string[]> body, double[] minutes, Dictionary<Column, int> columns)
    {
        static bool OnlyUp(IEnumerable<double> values) => values.Zip(values.Skip(1)).All(pair => pair.Second >= pair.First);
        if (OnlyUp(minutes))
            return false;
        var other = body.Select(r => Number(Cell(r, columns[Column.Temperature]))).ToList();
        return other.All(v => v is not null) && OnlyUp(other.Select(v => v!.Value));
    }

    internal static TemperatureUnit Scale(TemperatureUnit? asked, string heading, double[] temperatures)
    {
        if (asked is { } given)
            return given;
        var name = heading.ToLowerInvariant();
        if (
            name.Contains("°f", StringComparison.Ordinal)
            || name.Contains("fahrenheit", StringComparison.Ordinal)
            || name.EndsWith("(f)", StringComparison.Ordinal)
            || name is "f"
            || name.EndsWith("_f", StringComparison.Ordinal)
        )
            return TemperatureUnit.Fahrenheit;
        if (name.Contains("°c", StringComparison.Ordinal) || name.Contains("celsius", StringComparison.Ordinal))
            return TemperatureUnit.Celsius;
        return temperatures.Max() > HottestCelsius ? TemperatureUnit.Fahrenheit : TemperatureUnit.Celsius;
    }

    /// <summary>Shares 0 … 1, from per cent where any is above one; a missing one is that of the line before.</summary>
    private static double[] Shares(List<string[]> body, int column)
    {
        var shares = new double[body.Count];
        for (var i = 0; i < shares.Length; i++)
            shares[i] = Number(Cell(body[i], column)?.TrimEnd('%')) ?? (i > 0 ? shares[i - 1] : 0);
        var most = shares.Max();
        for (var i = 0; i < shares.Length; i++)
            shares[i] = Math.Clamp(most > 1.5 ? shares[i] / 100 : shares[i], 0, 1);
        return shares;
    }

    private static string? Cell(string[] row, int column) => column < row.Length ? row[column] : null;

    internal static double? Number(string? cell) =>
        double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && double.IsFinite(value) && Math.Abs(value) < 1e12
            ? value
            : null;

    /// <summary>"1:30" and "01:30:15" as minutes.</summary>
    private static double? Clock(string? cell)
    {
        var parts = (cell ?? "").Split(':');
        if (parts.Length is not (2 or 3) || cell!.Length > 12)
            return null;
        var numbers = parts.Select(Number).ToList();
        if (numbers.Any(n => n is null or < 0))
            return null;
        return numbers[0]!.Value * 60 + numbers[1]!.Value + (parts.Length == 3 ? numbers[2]!.Value / 60 : 0);
    }

    internal static string Short(string? text) =>
        text is null ? ""
        : text.Length > 30 ? text[..30] + "…"
        : text;
}
