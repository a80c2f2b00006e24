using System.Globalization;
using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>Numbers in digits and in words, as parts of patterns and as what they come to.</summary>
internal static partial class Numbers
{
    private static readonly string[] Ones =
    [
        "zero",
        "one",
        "two",
        "three",
        "four",
        "five",
        "six",
        "seven",
        "eight",
        "nine",
        "ten",
        "eleven",
        "twelve",
        "thirteen",
        "fourteen",
        "fifteen",
        "sixteen",
        "seventeen",
        "eighteen",
        "nineteen",
    ];

    private static readonly string[] Tens = ["twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"];

    /// <summary>two … ninety-nine, a hundred; no “one”, which is as often a pronoun.</summary>
    public static readonly string InWords =
        $"(?:{string.Join('|', Tens)})(?:[ -](?:{string.Join('|', Ones[1..10])}))?|{string.Join('|', Ones[2..].OrderByDescending(w => w.Length))}|(?:a|one) hundred";

    /// <summary>A whole number in digits or words.</summary>
    public static readonly string Whole = $@"(?:(?!0\d)(?:\d{{1,3}}(?:,\d{{3}})+(?!\d)|\d{{1,12}}(?!\d))|(?:{InWords})\b)";

    /// <summary>A number with decimals or a fraction, in digits.</summary>
    public const string InDigits = @"(?:\d{1,6}(?:[.,]\d{1,4})?(?:[ -]\d{1,2}/\d{1,2}(?!\d)| ?[½¼¾⅓⅔⅛⅜⅝⅞])?|[½¼¾⅓⅔⅛⅜⅝⅞])";

    private const string Fraction = @"\d{1,2}/\d{1,2}(?![\d/])";

    /// <summary>A number of anything that is measured.</summary>
    public static readonly string Any =
        $@"(?:{Fraction}|{InDigits}|(?:{InWords}|one)\b|half(?: an?)?\b|(?:an? )?quarter(?: of an?| an?)?\b|three[ -]quarters?(?: of an?)?\b)";

    /// <summary>What a whole number comes to; nothing for one too large to be meant.</summary>
    public static int? ReadWhole(string text)
    {
        if (char.IsAsciiDigit(text[0]))
            return int.TryParse(text.Replace(",", "", StringComparison.Ordinal), NumberStyles.None, CultureInfo.InvariantCulture, out var whole) ? whole : null;
        var sum = 0;
        foreach (var word in text.Split([' ', '-'], StringSplitOptions.RemoveEmptyEntries))
        {
            if (word == "hundred")
                return 100;
            if (Array.IndexOf(Tens, word) is >= 0 and var tens)
                sum += 20 + 10 * tens;
            else if (Array.IndexOf(Ones, word) is >= 0 and var ones)
                sum += ones;
            else if (word is "a" or "an")
                sum = 1;
        }
        return sum;
    }

    /// <summary>What a measured number comes to, and whether it was a fraction.</summary>
    public static (double Value, bool IsFraction) Read(string text)
    {
        text = text.Trim();
        if (text.StartsWith("half", StringComparison.Ordinal))
            return (0.5, true);
        if (text.Contains("quarter", StringComparison.Ordinal))
            return (text.StartsWith("three", StringComparison.Ordinal) ? 0.75 : 0.25, true);
        if (!text.Any(char.IsNumber))
            return (ReadWhole(text) ?? 0, false);
        var parts = Parts().Match(text);
        var value = parts.Groups["whole"].Success ? Decimal(parts.Groups["whole"].Value) : 0;
        if (parts.Groups["sign"].Success)
            return (value + char.GetNumericValue(parts.Groups["sign"].Value[0]), true);
        if (parts.Groups["over"].Success && Decimal(parts.Groups["under"].Value) is > 0 and var under)
            return (value + Decimal(parts.Groups["over"].Value) / under, true);
        return (value, false);
    }

    private static double Decimal(string text) => double.Parse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture);

    [GeneratedRegex(
        @"^(?:(?<over>\d+)/(?<under>\d+)|(?:(?<whole>\d+(?:[.,]\d+)?))?(?:[ -](?<over>\d+)/(?<under>\d+)|\s?(?<sign>[½¼¾⅓⅔⅛⅜⅝⅞]))?)$",
        RegexOptions.ExplicitCapture
    )]
    private static partial Regex Parts();
}
