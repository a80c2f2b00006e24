using System.Globalization;

namespace ZealousEmber.Core;

/// <summary>How numbers are said in messages: a real minus, no needless decimals.</summary>
public static class Phrases
{
    /// <summary>A number for a sentence: up to two decimals, a real minus sign; NaN reads "not a number".</summary>
    public static string Number(double value)
    {
        if (double.IsNaN(value))
            return "not a number";
        if (double.IsInfinity(value))
            return "a number without end";
        var text =
            Math.Abs(value) < 1e9
                ? Math.Round(value, 2).ToString("0.##", CultureInfo.InvariantCulture)
                : value.ToString("0.##e0", CultureInfo.InvariantCulture);
        return text == "-0" ? "0" : text.Replace('-', '−');
    }

    /// <summary>"1 step", "2 steps".</summary>
    public static string Count(int count, string one, string? many = null) =>
        count == 1 ? $"1 {one}" : $"{count.ToString(CultureInfo.InvariantCulture)} {many ?? one + "s"}";

    /// <summary>"26 mugs", "1 mug": of ware somebody named, mostly by many.</summary>
    public static string Counted(int count, string ware) => $"{count} {(count == 1 ? One(ware) : ware)}";

    private static string One(string ware) =>
        ware.EndsWith("shes", StringComparison.Ordinal)
        || ware.EndsWith("ches", StringComparison.Ordinal)
        || ware.EndsWith("sses", StringComparison.Ordinal)
        || ware.EndsWith("xes", StringComparison.Ordinal)
            ? ware[..^2]
        : ware.EndsWith('s') && !ware.EndsWith("ss", StringComparison.Ordinal) ? ware[..^1]
        : ware;

    /// <summary>"a", "a and b", "a, b and c".</summary>
    public static string List(IEnumerable<string> items)
    {
        var all = items.ToList();
        return all.Count < 2 ? string.Concat(all) : $"{string.Join(", ", all.SkipLast(1))} and {all[^1]}";
    }

    /// <summary>"45 min", "8 h 20", "21 h".</summary>
    public static string Hours(NodaTime.Duration time)
    {
        var minutes = (long)Math.Round(time.TotalMinutes);
        if (minutes < 60)
            return $"{minutes} min";
        return minutes % 60 == 0 ? $"{minutes / 60} h" : string.Create(CultureInfo.InvariantCulture, $"{minutes / 60} h {minutes % 60:00}");
    }
}
