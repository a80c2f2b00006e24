using System.Globalization;
using System.Text.RegularExpressions;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Services.Logs;

/// <summary>Which sign stands before tenths.</summary>
public enum LogDecimals
{
    /// <summary>1060.5 or 1,060.5.</summary>
    Point,

    /// <summary>1060,5 or 1.060,5.</summary>
    Comma,
}

/// <summary>Numbers as loggers and spreadsheets write them: either decimal sign, thousands apart, a unit behind.</summary>
internal static partial class LogNumbers
{
    private const double Largest = 1e14;
    private const int Thousand = 1000;

    /// <summary>A number; nothing where it is none.</summary>
    public static double? Read(string? cell, LogDecimals decimals)
    {
        if (string.IsNullOrWhiteSpace(cell))
            return null;
        // Most logs are plain, and millions of lines long.
        if (
            double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var plain)
            && (decimals == LogDecimals.Point || !cell.Contains('.', StringComparison.Ordinal))
        )
            return Finite(plain);
        if (Shaped().Match(cell) is not { Success: true } match)
            return null;
        var digits = match.Groups["n"].Value;
        var (sign, apart) = decimals == LogDecimals.Point ? ('.', ',') : (',', '.');
        var at = digits.IndexOf(sign, StringComparison.Ordinal);
        var whole = at < 0 ? digits : digits[..at];
        if (!IsGrouped(whole, apart))
            return null;
        var bare =
            string.Concat(whole.Where(c => char.IsAsciiDigit(c) || c is '-' or '+')) + (at < 0 ? "" : "." + digits[(at + 1)..]) + match.Groups["e"].Value;
        return double.TryParse(bare, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) ? Finite(value) : null;
    }

    /// <summary>A number by either sign.</summary>
    public static bool IsNumber(string? cell) => Read(cell, LogDecimals.Point) is not null || Read(cell, LogDecimals.Comma) is not null;

    /// <summary>The unit a temperature carries with it.</summary>
    public static TemperatureUnit? UnitOf(string? cell) =>
        cell is not null && Shaped().Match(cell) is { Success: true } match && match.Groups["u"].Value.TrimEnd() is { Length: > 0 } unit
            ? unit[^1] switch
            {
                'F' or 'f' => TemperatureUnit.Fahrenheit,
                'C' or 'c' => TemperatureUnit.Celsius,
                _ => null,
            }
            : null;

    /// <summary>Which decimal sign numbers are written with, from all of them.</summary>
    public static LogDecimals Guess(IReadOnlyCollection<string> cells)
    {
        var numbers = cells.Select(c => Shaped().Match(c)).Where(m => m.Success).Select(m => m.Groups["n"].Value.TrimStart('-', '+')).ToList();
        var (commas, points, neither) = (new List<string>(), new List<string>(), 0.0);
        foreach (var number in numbers)
        {
            var (comma, point) = (number.LastIndexOf(','), number.LastIndexOf('.'));
            // The later of the two stands before tenths.
            if (comma >= 0 && point >= 0)
                return comma > point ? LogDecimals.Comma : LogDecimals.Point;
            if (comma >= 0)
                commas.Add(number);
            else if (point >= 0)
                points.Add(number);
            else if (Read(number, LogDecimals.Point) is { } value)
                neither = Math.Max(neither, value);
        }
        if (commas.Count > 0 && points.Count == 0)
            return AreThousands(commas, ',', neither) ? LogDecimals.Point : LogDecimals.Comma;
        return points.Count > 0 && commas.Count == 0 && AreThousands(points, '.', neither) ? LogDecimals.Comma : LogDecimals.Point;
    }

    /// <summary>Three digits behind each sign, beside numbers under a thousand without any: 985 and 1.060.</summary>
    private static bool AreThousands(List<string> numbers, char sign, double largestWithout) =>
        largestWithout < Thousand && largestWithout > Thousand / 10 && numbers.TrueForAll(n => IsGrouped(n, sign) && n[0] != '0')
        || numbers.Exists(n => n.Count(c => c == sign) > 1);

    private static bool IsGrouped(string whole, char apart)
    {
        var parts = whole.TrimStart('-', '+').Split(apart, '\'', '’', ' ', '\u00a0', '\u202f');
        return parts.Length == 1 || (parts[0].Length is >= 1 and <= 3 && parts.Skip(1).All(p => p.Length == 3));
    }

    private static double? Finite(double value) => double.IsFinite(value) && Math.Abs(value) < Largest ? value : null;

    [GeneratedRegex(
        @"^\s*(?<n>[-+]?(?:\d[\d.,'’ \u00a0\u202f]*?|[.,]\d+))(?<e>[eE][-+]?\d{1,3})?\s*(?<u>[°º˚\uFFFD]\s*[CcFf]?|deg(?:rees)?\.?\s*[CcFf]?|[CcFf]|%|kW|W|V|A|min|h|s)?\s*$",
        RegexOptions.CultureInvariant
    )]
    private static partial Regex Shaped();
}
