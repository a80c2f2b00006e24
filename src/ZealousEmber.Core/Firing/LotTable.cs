using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Firing;

/// <summary>A list with a heading over each column, as it comes out of a spreadsheet: each row is put into the words of a line.</summary>
internal sealed partial class LotTable
{
    private const int FewestKnown = 2;

    // What a column is called, and what its cell is in a line; {0} is the cell with the column's unit.
    private static readonly ImmutableArray<(string Column, string[] Headings)> Known =
    [
        ("count", ["count", "pieces", "number", "how many", "quantity", "qty", "pcs", "no"]),
        ("what", ["what", "piece", "ware", "name", "lot", "item", "kind"]),
        ("across", ["across", "diameter", "width", "wide", "⌀", "ø"]),
        ("deep", ["deep", "depth", "length"]),
        ("height", ["height", "tall", "high"]),
        ("size", ["size", "sizes"]),
        ("handle", ["handle", "handles"]),
        ("wall", ["wall", "thick", "thickness", "walls"]),
        ("mass", ["each", "weight", "mass"]),
        ("other", ["clay", "glaze", "dry", "dryness", "how dry", "next", "stacking", "stacked", "must"]),
        ("whose", ["whose", "who", "owner", "maker", "for"]),
    ];

    private readonly ImmutableArray<(string Column, string Unit)> columns;

    private LotTable(string heading, ImmutableArray<(string Column, string Unit)> columns) => (Heading, this.columns) = (heading, columns);

    /// <summary>The first line, as it was typed.</summary>
    public string Heading { get; }

    /// <summary>The table a first line is the heading of; nothing when it is a lot itself.</summary>
    public static LotTable? Of(string first)
    {
        var cells = Cells(first);
        if (cells.Count < FewestKnown || cells.Any(c => c.Length > 0 && char.IsAsciiDigit(c[0])))
            return null;
        var columns = cells.Select(ColumnOf).ToImmutableArray();
        return columns.Count(c => c.Column.Length > 0) >= FewestKnown && columns.Any(c => c.Column == "count") ? new LotTable(first, columns) : null;
    }

    /// <summary>A row as a line.</summary>
    public string LineOf(string row)
    {
        var cells = Cells(row);
        string Cell(string column) =>
            string.Join(' ', columns.Zip(cells).Where(c => c.First.Column == column && c.Second.Length > 0).Select(c => WithUnit(c.Second, c.First.Unit)));
        var (across, deep, height) = (Cell("across"), Cell("deep"), Cell("height"));
        var sides = string.Join(" × ", new[] { across, deep, height }.Where(s => s.Length > 0).Select(s => Number().Match(s).Value));
        var unit = Unit().Match(across.Length > 0 ? across : height).Value;
        var parts = new List<string> { $"{Cell("count")} {Cell("what").Replace(",", "", StringComparison.Ordinal)}".Trim() };
        void Add(string before, string cell)
        {
            if (cell.Length > 0)
                parts.Add($"{before}{cell}");
        }
        Add("", sides.Length > 0 && across.Length > 0 && height.Length > 0 ? $"{sides} {unit}".Trim() : "");
        Add("", Cell("size"));
        Add("handle ", Cell("handle"));
        Add("wall ", Cell("wall"));
        Add("", Cell("mass"));
        parts.AddRange(columns.Zip(cells).Where(c => c.First.Column is "other" or "" && c.Second.Length > 0).Select(c => c.Second));
        Add("", Cell("whose"));
        return string.Join(", ", parts);
    }

    private static (string Column, string Unit) ColumnOf(string heading)
    {
        var unit = Unit().Match(heading).Value;
        var name = NotAName().Replace(Unit().Replace(heading.ToLowerInvariant(), ""), "").Trim();
        return (Known.FirstOrDefault(k => k.Headings.Contains(name)).Column ?? "", unit);
    }

    private static string WithUnit(string cell, string unit) =>
        unit.Length > 0 && Number().Match(cell) is { Success: true } n && n.Length == cell.Length ? $"{cell} {unit}" : cell;

    private static List<string> Cells(string line)
    {
        // What a spreadsheet writes between its columns; commas only where it writes no other.
        var by =
            line.Contains('\t', StringComparison.Ordinal) ? '\t'
            : line.Contains(';', StringComparison.Ordinal) ? ';'
            : ',';
        return [.. line.Split(by).Select(c => c.Trim().Trim('"').Trim())];
    }

    [GeneratedRegex(@"\b(?:mm|cm|in|kg|g)\b", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex Unit();

    [GeneratedRegex(@"\d{1,6}(?:[.,]\d{1,4})?", RegexOptions.CultureInvariant)]
    private static partial Regex Number();

    [GeneratedRegex(@"[()\[\]:.]", RegexOptions.CultureInvariant)]
    private static partial Regex NotAName();
}
