using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace ZealousEmber.App.Services.Logs;

/// <summary>A line of a log.</summary>
/// <param name="Line">Its number, from 1.</param>
/// <param name="Cells">Without the blanks around them.</param>
internal readonly record struct LogRow(int Line, string[] Cells);

/// <summary>The lines of a log, cut into cells.</summary>
internal static class LogRows
{
    /// <summary>What may separate cells, the surest sign first.</summary>
    public static readonly string[] Delimiters = ["\t", ";", "|", ",", " "];

    /// <summary>Every line with something in it, as far as the text goes.</summary>
    public static IEnumerable<LogRow> Of(TextReader text, string delimiter, int longestCell = 0)
    {
        if (delimiter == " ")
        {
            for (var line = 1; text.ReadLine() is { } all; line++)
            {
                var cells = all.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
                if (cells.Length > 0)
                    yield return new LogRow(line, cells);
            }
            yield break;
        }
        using var parser = new CsvParser(
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
        while (parser.Read())
        {
            if (parser.Record is { } cells && Array.Exists(cells, c => c.Length > 0))
                yield return new LogRow(parser.RawRow, cells);
        }
    }

    /// <summary>What is said of a cell in a message.</summary>
    public static string Short(string? text) =>
        text is null ? ""
        : text.Length > 30 ? text[..30] + "…"
        : text;
}
