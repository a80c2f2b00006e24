using System.Globalization;
using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Saying;

/// <summary>A sentence with one plain sign for each of its signs, so that a place in one is the same place in the other.</summary>
internal sealed class SaidText
{
    public SaidText(string raw)
    {
        Raw = raw;
        Low = string.Create(raw.Length, raw, (span, text) =>
        {
            for (var i = 0; i < text.Length; i++)
                span[i] = Plain(text[i]);
        });
    }

    /// <summary>As it was typed.</summary>
    public string Raw { get; }

    /// <summary>In small letters, with plain quotes, dashes and spaces.</summary>
    public string Low { get; }

    public int Length => Raw.Length;

    /// <summary>A sign that has to lie in one of the lists.</summary>
    public static bool Counts(char c) =>
        char.IsLetterOrDigit(c) || char.IsNumber(c) || char.IsSurrogate(c) || CharUnicodeInfo.GetUnicodeCategory(c) is UnicodeCategory.NonSpacingMark;

    /// <summary>The same with nothing but a stretch of it in place: what stands beside a cell is not the cell's.</summary>
    public SaidText Only(int from, int to) => new(string.Concat(new string('\n', from), Raw.AsSpan(from, to - from), new string('\n', Length - to)));

    /// <summary>True where no word or number goes on over a place; 26mugs are two.</summary>
    public bool IsEdge(int at) =>
        at <= 0 || at >= Length || !Counts(Low[at - 1]) || !Counts(Low[at]) || (char.IsAsciiDigit(Low[at - 1]) && char.IsLetter(Low[at]));

    /// <summary>True where a capital stands.</summary>
    public bool IsCapital(int at) => at < Length && char.IsUpper(Raw[at]);

    /// <summary>A match at a place that ends where a word ends.</summary>
    public Match? Match(Regex pattern, int at)
    {
        var match = pattern.Match(Low, at);
        return match.Success && match.Index == at && match.Length > 0 && IsEdge(at + match.Length) ? match : null;
    }

    /// <summary>Where the word or number at a place ends; an apostrophe within belongs to it.</summary>
    public int WordEnd(int at)
    {
        var end = at;
        while (end < Length && (Counts(Low[end]) || (Low[end] == '\'' && end > at && end + 1 < Length && char.IsLetter(Low[end + 1]))))
            end++;
        return Math.Max(end, at + 1);
    }

    private static char Plain(char c) =>
        c switch
        {
            '’' or '‘' or '′' or 'ʼ' => '\'',
            '“' or '”' or '″' => '"',
            '–' or '—' or '‒' or '−' or '‑' => '-',
            '\r' => '\n',
            _ when c is not '\n' and not '\t' && (char.IsWhiteSpace(c) || char.IsControl(c)) => ' ',
            _ => char.ToLowerInvariant(c),
        };
}
