using System.Globalization;

namespace ZealousEmber.Core;

/// <summary>How numbers are said in messages: a real minus, no needless decimals.</summary>
public static class Words
{
    /// <summary>A number for a sentence: up to two decimals, a real minus sign; NaN reads "not a number".</summary>
    public static string Number(double value)
    {
        if (double.IsNaN(value)) return "not a number";
        if (double.IsInfinity(value)) return "a number without end";
        var text = Math.Abs(value) < 1e9
            ? Math.Round(value, 2).ToString("0.##", CultureInfo.InvariantCulture)
            : value.ToString("0.##e0", CultureInfo.InvariantCulture);
        return text == "-0" ? "0" : text.Replace('-', '−');
    }

    /// <summary>"1 step", "2 steps".</summary>
    public static string Count(int count, string one, string? many = null) =>
        count == 1 ? $"1 {one}" : $"{count.ToString(CultureInfo.InvariantCulture)} {many ?? one + "s"}";
}
