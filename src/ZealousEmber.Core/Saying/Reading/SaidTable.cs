using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;
using ZealousEmber.Core.Saying.Words;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>
/// A list with a heading over each column, as it comes out of a spreadsheet: numbers are what their column says, the rest is read as a sentence.
/// </summary>
internal sealed partial class SaidTable
{
    private const int FewestKnown = 2;

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
        ("other", ["clay", "glaze", "glazes", "dry", "dryness", "how dry", "next", "stacking", "stacked", "must", "notes"]),
        ("whose", ["whose", "who", "owner", "maker", "for"]),
    ];

    private readonly SaidText text;
    private readonly int body;
    private readonly char by;
    private readonly ImmutableArray<(string Column, string Unit)> columns;

    private SaidTable(SaidText text, int body, char by, ImmutableArray<(string Column, string Unit)> columns) =>
        (this.text, this.body, this.by, this.columns) = (text, body, by, columns);

    /// <summary>Where the heading ends.</summary>
    public int HeadingEnd => body;

    /// <summary>The table a text is; nothing where its first line is no heading.</summary>
    public static SaidTable? Of(SaidText text)
    {
        var start = 0;
        while (start < text.Length && text.Low[start] is '\n' or ' ')
            start++;
        var end = text.Low.IndexOf('\n', start);
        if (end < 0)
            return null;
        var line = text.Low[start..end];
        var by =
            line.Contains('\t', StringComparison.Ordinal) ? '\t'
            : line.Contains(';', StringComparison.Ordinal) ? ';'
            : ',';
        var cells = line.Split(by).Select(c => c.Trim().Trim('"').Trim()).ToList();
        if (cells.Count < FewestKnown || cells.Any(c => c.Length > 0 && char.IsAsciiDigit(c[0])))
            return null;
        var columns = cells.Select(ColumnOf).ToImmutableArray();
        return columns.Count(c => c.Column.Length > 0) >= FewestKnown && columns.Any(c => c.Column == "count") && columns.Any(c => c.Column == "what")
            ? new SaidTable(text, end, by, columns)
            : null;
    }

    /// <summary>The phrases of heading and rows.</summary>
    public List<Phrase> Scan(Scanner scanner)
    {
        var phrases = new List<Phrase> { new(0, body, new Nothing()) };
        var at = body;
        while (at < text.Length)
        {
            var end = text.Low.IndexOf('\n', at) is >= 0 and var line ? line : text.Length;
            if (end > at)
                Row(scanner, at, end, phrases);
            phrases.Add(new Phrase(end, Math.Min(text.Length, end + 1), new Break(BreakKind.Line)));
            at = end + 1;
        }
        return phrases;
    }

    private void Row(Scanner scanner, int from, int to, List<Phrase> phrases)
    {
        var cells = new List<(int From, int To, string Column, string Unit)>();
        var at = from;
        for (var i = 0; at <= to; i++)
        {
            var end = text.Low.IndexOf(by, at, to - at) is >= 0 and var cut ? cut : to;
            cells.Add((at, end, i < columns.Length ? columns[i].Column : "", i < columns.Length ? columns[i].Unit : ""));
            at = end + 1;
        }
        // The name stands before its count or behind it: both are one lot.
        var parts = cells
            .Select((c, i) => (Cell: c, Order: c.Column is "count" or "what" ? 0 : 1, i))
            .OrderBy(c => c.Order)
            .ThenBy(c => c.i)
            .Select(c => c.Cell)
            .ToList();
        var row = new List<Phrase>();
        foreach (var cell in parts)
            row.AddRange(Cell(scanner, cell.From, cell.To, cell.Column, cell.Unit));
        phrases.AddRange(row);
    }

    private IEnumerable<Phrase> Cell(Scanner scanner, int from, int to, string column, string unit)
    {
        var (start, end) = (from, to);
        while (start < end && (char.IsWhiteSpace(text.Low[start]) || text.Low[start] == '"'))
            start++;
        while (end > start && (char.IsWhiteSpace(text.Low[end - 1]) || text.Low[end - 1] == '"'))
            end--;
        if (start == end)
            return [];
        if (Number().IsMatch(text.Low[start..end]))
        {
            var value = double.Parse(text.Low[start..end].Replace(',', '.'), CultureInfo.InvariantCulture);
            var length = new Measured(
                value,
                unit switch
                {
                    "mm" => 1,
                    "cm" => 10,
                    "in" => 25.4,
                    _ => null,
                }
            );
            var typed = $"{text.Raw[start..end]}{(unit.Length > 0 ? " " + unit : "")}";
            Meaning? meaning = column switch
            {
                "count" when value is >= 1 and <= Ware.WareLot.MostPieces && value == Math.Floor(value) => new CountSaid((int)value),
                "across" => new LengthSaid(LengthOf.Across, length, typed),
                "deep" => new LengthSaid(LengthOf.Deep, length, typed),
                "height" => new LengthSaid(LengthOf.Height, length, typed),
                "handle" => new LengthSaid(LengthOf.Handle, length, typed),
                "wall" => new LengthSaid(LengthOf.Wall, length, typed),
                "mass" => new MassSaid(
                    Math.Round(
                        value
                            * (
                                unit == "g" ? 0.001
                                : unit == "lb" ? 0.45359237
                                : 1
                            ),
                        4
                    ),
                    typed
                ),
                _ => null,
            };
            // A bare number of any other column is no count.
            return [new Phrase(start, end, meaning ?? new LooseNumber(value))];
        }
        if (column == "what" && !text.Low[start..end].Any(char.IsDigit))
            return [new Phrase(start, end, new NounSaid(text.Low[start..end]))];
        if (column == "whose" && !text.Low[start..end].Any(char.IsDigit) && end - start <= Ware.Clay.LongestName)
            return [new Phrase(start, end, new WhoseSaid(text.Raw[start..end]))];
        return scanner.Scan(text.Only(start, end), start, end);
    }

    private static (string Column, string Unit) ColumnOf(string heading)
    {
        var unit = Unit().Match(heading).Value;
        var name = NotAName().Replace(Unit().Replace(heading, ""), "").Trim();
        return (Known.FirstOrDefault(k => k.Headings.Contains(name)).Column ?? "", unit);
    }

    [GeneratedRegex(@"\b(?:mm|cm|in|kg|g|lb)\b", RegexOptions.CultureInvariant)]
    private static partial Regex Unit();

    [GeneratedRegex(@"^\d{1,6}(?:[.,]\d{1,4})?$", RegexOptions.CultureInvariant)]
    private static partial Regex Number();

    [GeneratedRegex(@"[()\[\]:.]", RegexOptions.CultureInvariant)]
    private static partial Regex NotAName();
}
