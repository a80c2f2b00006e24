using System.Globalization;
using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Controllers.ReadingBack;

/// <summary>What somebody read off a display, and means: 1:30, 1.30, 130 and 90 min are one time, 4 and 04 are two cones.</summary>
public static partial class ShownAnswer
{
    private const double Minutes = 60;

    /// <summary>h. A bare number above it is minutes.</summary>
    private const double LongestHold = 24;

    /// <summary>The answer as the question shows it; nothing where it can be none of that question.</summary>
    public static string? Read(Question question, string said)
    {
        // Degree signs and their like say nothing a number does not.
        var text = said.Replace('º', '°').Replace('˚', '°').Trim();
        foreach (var word in question.Words.Select(w => w.Shown).Concat(question.Choices))
        {
            if (string.Equals(word, text, StringComparison.OrdinalIgnoreCase))
                return word;
        }
        if (question.Format == AnswerFormat.Word)
            return null;
        if (question.Format == AnswerFormat.Cone)
            return
                Cones().Match(text) is { Success: true } cone
                && Units.Cone.Named(cone.Groups[1].Value.Replace(".5", "½", StringComparison.Ordinal).Replace(" 1/2", "½", StringComparison.Ordinal))
                    is { } known
                ? known.Number
                : null;
        var value = question.IsTime ? TimeOf(question, text) : NumberOf(text);
        if (value is not { } number)
            return null;
        return question.Show(number);
    }

    private static double? NumberOf(string text) =>
        Plain().Match(text) is { Success: true } number ? double.Parse(number.Groups[1].Value.Replace(',', '.'), CultureInfo.InvariantCulture) : null;

    private static double? TimeOf(Question question, string text)
    {
        if (WithUnit().Match(text) is { Success: true } said)
            return double.Parse(said.Groups[1].Value.Replace(',', '.'), CultureInfo.InvariantCulture)
                * (said.Groups[2].Value.StartsWith('h') || said.Groups[2].Value.StartsWith('H') ? Minutes : 1);
        if (Clock().Match(text) is { Success: true } clock)
        {
            var (hours, minutes) = (double.Parse(clock.Groups[1].Value, CultureInfo.InvariantCulture), clock.Groups[3].Value);
            var isPoint = clock.Groups[2].Value != ":";
            // In tenths of an hour a point parts tenths, not minutes.
            if (question.Format == AnswerFormat.HoursTenths && isPoint)
                return (hours + double.Parse(minutes, CultureInfo.InvariantCulture) / Math.Pow(10, minutes.Length)) * Minutes;
            return minutes.Length == 2 ? hours * Minutes + double.Parse(minutes, CultureInfo.InvariantCulture)
                : isPoint && minutes == "0" ? Whole(question, clock.Groups[1].Value)
                : null;
        }
        return Whole(question, text);
    }

    /// <summary>A number alone: as it would be typed.</summary>
    private static double? Whole(Question question, string text)
    {
        if (!double.TryParse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number))
            return null;
        return question.Format switch
        {
            AnswerFormat.Minutes => number,
            AnswerFormat.HoursTenths => number * Minutes,
            // From the third digit the last two are minutes.
            _ when text.All(char.IsAsciiDigit) && text.Length > 2 => double.Parse(text[..^2], CultureInfo.InvariantCulture) * Minutes
                + double.Parse(text[^2..], CultureInfo.InvariantCulture),
            // Twelve where hours and minutes are shown with a colon is twelve hours, ninety is minutes: nobody holds for ninety hours. On digit keys, where
            // minutes come first, it is as it was typed.
            AnswerFormat.HoursColonMinutes when question.Entry != Entry.Digits => text.All(char.IsAsciiDigit)
                ? number * (number <= LongestHold ? Minutes : 1)
                : null,
            _ => text.All(char.IsAsciiDigit) ? number : null,
        };
    }

    [GeneratedRegex(@"^(?:cone\s*|\^\s*)?((?:0\d{1,2}|\d{1,2})(?:½|\.5| 1/2)?)$", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex Cones();

    [GeneratedRegex(@"^(\d{1,6}(?:[.,]\d{1,3})?)\s*(?:°\s*)?[cf]?(?:\s*/\s*(?:h|min))?$", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex Plain();

    [GeneratedRegex(@"^(\d{1,3})([:.])(\d{1,2})$", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex Clock();

    [GeneratedRegex(@"^(\d{1,6}(?:[.,]\d{1,2})?)\s*(h|hr|hrs|hour|hours|m|min|mins|minutes)$", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase)]
    private static partial Regex WithUnit();
}
