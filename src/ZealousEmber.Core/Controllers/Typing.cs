using System.Globalization;

namespace ZealousEmber.Core.Controllers;

/// <summary>
/// What is typed on digit keys and pads. On digit keys the point is implied: hours and minutes from the third digit (12 is twelve minutes, 120 is 1.20),
/// tenths from the second; a pad has a point of its own.
/// </summary>
internal static class Typing
{
    private const int Sixty = 60;

    /// <summary>The answer somebody typed, as it is shown; nothing where it is none the question takes.</summary>
    public static string? Read(Question question, string typed)
    {
        if (Value(question, typed) is not { } value)
            return null;
        var shown = question.Show(value);
        return question.MeaningOf(shown) is not null || question.Takes(value) ? shown : null;
    }

    /// <summary>What the display shows while it is typed.</summary>
    public static string Display(Question question, string typed)
    {
        if (question.Entry == Entry.Pad)
            return typed;
        return question.Format switch
        {
            AnswerFormat.HoursDotMinutes when typed.Length > 2 => $"{typed[..^2]}.{typed[^2..]}",
            AnswerFormat.HoursColonMinutes when typed.Length > 2 => $"{typed[..^2]}:{typed[^2..]}",
            AnswerFormat.Tenths or AnswerFormat.HoursTenths when typed.Length > 1 => $"{typed[..^1]}.{typed[^1..]}",
            _ => typed,
        };
    }

    /// <summary>The keys that type an answer, from nothing.</summary>
    public static IEnumerable<string> Keys(Question question, string shown)
    {
        var text = shown;
        if (question.Entry == Entry.Digits)
        {
            // Under an hour the minutes alone; a zero of its own only where the point is implied from the second digit.
            if (question.Format is AnswerFormat.HoursDotMinutes or AnswerFormat.HoursColonMinutes && question.ValueOf(shown) is { } minutes && minutes < Sixty)
                text = minutes.ToString("0", CultureInfo.InvariantCulture);
            text = text.Replace(".", "", StringComparison.Ordinal).Replace(":", "", StringComparison.Ordinal);
        }
        return text.Select(c => char.IsAsciiDigit(c) ? c.ToString() : "dot");
    }

    private static double? Value(Question question, string typed)
    {
        if (typed.Length == 0 || !typed.Any(char.IsAsciiDigit))
            return null;
        if (question.Format == AnswerFormat.Cone)
            return question.ValueOf(typed);
        var parts = Display(question, typed).Split('.', ':');
        if (!double.TryParse(parts[0].Length == 0 ? "0" : parts[0], CultureInfo.InvariantCulture, out var first))
            return null;
        var after = parts.Length > 1 ? parts[1] : "";
        switch (question.Format)
        {
            case AnswerFormat.HoursDotMinutes or AnswerFormat.HoursColonMinutes:
                // Minutes may pass 59: 1.90 is two and a half hours.
                if (after.Length > 0)
                    return first * Sixty + double.Parse(after.PadRight(2, '0'), CultureInfo.InvariantCulture);
                return question.Entry == Entry.Pad ? first * Sixty : first;
            default:
                var value = first + (after.Length > 0 ? double.Parse(after, CultureInfo.InvariantCulture) / Math.Pow(10, after.Length) : 0);
                return question.Format == AnswerFormat.HoursTenths ? value * Sixty : value;
        }
    }
}
