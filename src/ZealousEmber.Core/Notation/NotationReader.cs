using System.Text.RegularExpressions;
using Superpower;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Notation;

/// <summary>Reads schedules the way they are spoken, printed or pasted. See docs/notation.md for what is understood.</summary>
public static partial class NotationReader
{
    /// <summary>Longest text read, characters.</summary>
    public const int LongestText = 8000;

    private static readonly NotationTokenizer Tokenizer = new();

    /// <summary>Reads a line, several lines, or a table with tabs.</summary>
    /// <param name="text">What was typed or pasted.</param>
    /// <param name="unit">The scale of numbers that carry none.</param>
    /// <param name="start">Where the first step starts, which a first step given by time needs; 20 °C when not said.</param>
    public static NotationResult Read(string? text, TemperatureUnit unit, Temperature? start = null)
    {
        text = (text ?? "").ReplaceLineEndings("\n");
        if (text.Length > LongestText)
            return Failed(text, new Place(LongestText, 0), $"This is longer than a schedule can be; at most {LongestText} characters are read.");
        if (string.IsNullOrWhiteSpace(text))
            return Failed(text, new Place(0, 0), "Nothing is written here yet. A first step reads, for example, 80/h to 200 hold 45m.");
        var from = start ?? Temperature.FromCelsius(20);
        return text.Contains('\t') ? new PastedTable(text, unit, from).Read() : ReadLine(text, unit, from);
    }

    private static NotationResult ReadLine(string text, TemperatureUnit unit, Temperature start)
    {
        var tokens = Tokenizer.Tokenize(text);
        var parsed = NotationGrammar.Line.TryParse(tokens);
        if (parsed.HasValue)
            return new PhraseReader(text, unit, start).Read(parsed.Value);

        if (Thousands().Match(text) is { Success: true } thousands)
            return Failed(text, new Place(thousands.Index, thousands.Length), "A comma starts the next step. Write thousands without one: 1040.");
        var rest = parsed.Remainder;
        if (rest.IsAtEnd)
            return Failed(text, new Place(text.TrimEnd().Length, 0), $"The line ends here; expected {Expected(parsed.Expectations)}.");
        var token = rest.ConsumeToken().Value;
        var place = new Place(token.Position.Absolute, token.Span.Length);
        return Failed(text, place, $"“{token.ToStringValue().Trim()}” is not understood here; expected {Expected(parsed.Expectations)}.");
    }

    /// <summary>"1,040": digits, a comma and three digits with no space between; looked for only when the line did not read.</summary>
    [GeneratedRegex(@"\b\d{1,3},\d{3}\b(?!/)")]
    private static partial Regex Thousands();

    private static string Expected(string[]? expectations)
    {
        var words = (expectations ?? []).Select(e => e.Replace('`', '“').TrimEnd('“')).Distinct().ToList();
        words = [.. words.Select(w => w.StartsWith('“') ? w + "”" : w)];
        return words.Count switch
        {
            0 => "a step like 80/h to 200 hold 45m",
            1 => words[0],
            _ => string.Join(", ", words.Take(words.Count - 1)) + " or " + words[^1],
        };
    }

    internal static NotationResult Failed(string text, Place place, string message) => new(NotationError.At(text, place, message));
}
