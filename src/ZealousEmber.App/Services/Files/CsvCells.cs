using System.Globalization;
using CsvHelper.Configuration;

namespace ZealousEmber.App.Services.Files;

/// <summary>How cells are written, so that every program reads them and none takes them for a formula.</summary>
internal static class CsvCells
{
    /// <summary>First characters by which a spreadsheet takes a cell for a formula.</summary>
    private const string FormulaStarts = "=+-@\t\r";

    /// <summary>RFC 4180: whatever holds a quote, a separator or a line break of any kind is quoted.</summary>
    public static CsvConfiguration Format { get; } =
        new(CultureInfo.InvariantCulture)
        {
            PrepareHeaderForMatch = header => header.Header.Trim().ToLowerInvariant(),
            MissingFieldFound = null,
            BadDataFound = null,
            ShouldQuote = cell => cell.Field is { Length: > 0 } text && (text.AsSpan().IndexOfAny("\",;\r\n\t") >= 0 || text[0] == ' ' || text[^1] == ' '),
        };

    /// <summary>Somebody's words: what looks like a formula gets an apostrophe before it, as does what begins with one.</summary>
    public static string? Defused(string? text) => text is { Length: > 0 } && (FormulaStarts.Contains(text[0]) || text[0] == '\'') ? $"'{text}" : text;

    /// <summary>The words again, as they were before.</summary>
    public static string? Armed(string? cell) => cell is ['\'', var second, ..] && (FormulaStarts.Contains(second) || second == '\'') ? cell[1..] : cell;
}
