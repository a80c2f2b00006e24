using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>
/// A way something is said, and what it means. It is looked for where a word begins; the longest that fits is taken, of two as long the first.
/// </summary>
internal sealed class Rule
{
    // Where a word or a number ends; 26mugs are two of them.
    private const string Edge = @"(?:(?<![\p{L}\p{N}])|(?![\p{L}\p{N}])|(?<=\d)(?=\p{L}))";

    private readonly Regex pattern;
    private readonly Func<Found, Meaning?> means;

    private Rule(string pattern, Func<Found, Meaning?> means)
    {
        this.pattern = new Regex($@"\G(?:{pattern}){Edge}", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture);
        this.means = means;
    }

    public static Rule Of(string pattern, Func<Found, Meaning?> means) => new(pattern, means);

    public static Rule Of(string pattern, Meaning meaning) => new(pattern, _ => meaning);

    /// <summary>What stands at a place, if it is this.</summary>
    public Phrase? At(SaidText text, int at, SayingContext context)
    {
        if (text.Match(pattern, at) is not { } match)
            return null;
        var found = new Found(match, text, context);
        // The space behind a word is nobody's.
        var end = at + match.Value.TrimEnd().Length;
        return means(found) is { } meaning ? new Phrase(at, end, meaning) : null;
    }
}

/// <summary>Where a rule fits: its named groups, in small letters and as they were typed.</summary>
internal readonly record struct Found(Match Match, SaidText Text, SayingContext Context)
{
    /// <summary>A group in small letters; nothing where it is not there.</summary>
    public string? this[string group] => Match.Groups[group] is { Success: true } g ? g.Value : null;

    /// <summary>A group as it was typed.</summary>
    public string? Typed(string group) => Match.Groups[group] is { Success: true } g ? Text.Raw.Substring(g.Index, g.Length) : null;

    /// <summary>Where a group begins; -1 where it is not there.</summary>
    public int Place(string group) => Match.Groups[group] is { Success: true } g ? g.Index : -1;
}
