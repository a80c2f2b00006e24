using Superpower;
using Superpower.Model;

namespace ZealousEmber.Core.Notation;

/// <summary>Cuts a line of shorthand into words. Never fails: what it does not know becomes an unknown word for the parser to point at.</summary>
internal sealed class NotationTokenizer : Tokenizer<NotationToken>
{
    private static readonly Dictionary<string, NotationToken> Words = new(StringComparer.OrdinalIgnoreCase);

    static NotationTokenizer()
    {
        void Add(NotationToken token, string words)
        {
            foreach (var word in words.Split(' '))
                Words[word] = token;
        }

        Add(NotationToken.Climb, "climb heat ramp rise raise up go fire");
        Add(NotationToken.Cool, "cool cooling fall drop down lower");
        Add(NotationToken.To, "to until till");
        Add(NotationToken.At, "at");
        Add(NotationToken.Hold, "hold soak dwell keep stay");
        Add(NotationToken.For, "for");
        Add(NotationToken.No, "no");
        Add(NotationToken.In, "in");
        Add(NotationToken.Full, "full max maximum fast fastest flat");
        Add(NotationToken.Power, "power speed rate out on");
        Add(NotationToken.Off, "off natural naturally free freely");
        Add(NotationToken.Degree, "deg degs degree degrees");
        Add(NotationToken.Scale, "c f celsius fahrenheit centigrade");
        Add(NotationToken.Per, "per an a");
        Add(NotationToken.Hour, "h hr hrs hour hours");
        Add(NotationToken.Minute, "m min mins minute minutes");
        Add(NotationToken.Oxidising, "oxidising oxidizing oxidation");
        Add(NotationToken.Neutral, "neutral");
        Add(NotationToken.Light, "light");
        Add(NotationToken.Heavy, "heavy");
        Add(NotationToken.Reduction, "reduction reducing");
        Add(NotationToken.Separator, "then and");
    }

    /// <summary>Cuts a stretch of a text; the words keep their places in the whole.</summary>
    public TokenList<NotationToken> Cut(string text, Place place) =>
        new([
            .. Tokenize(new TextSpan(text, new Position(place.Position, 1, place.Position + 1), place.Length))
                .Select(r => new Token<NotationToken>(r.Value, r.Location.Until(r.Remainder))),
        ]);

    protected override IEnumerable<Superpower.Model.Result<NotationToken>> Tokenize(TextSpan span)
    {
        var rest = span;
        var lineStart = true;
        while (!rest.IsAtEnd)
        {
            var c = rest.ConsumeChar().Value;
            var text = rest.Source.AsSpan(rest.Position.Absolute, rest.Length);
            var skip =
                c is ' ' or '\u00a0' or '\u202f' or '\t' or '\r' ? 1
                : lineStart ? StepNumber(text)
                : 0;
            if (skip > 0)
            {
                rest = rest.Skip(skip);
                continue;
            }
            var (token, length) = Next(text, c);
            lineStart = c is '\n' or ';';
            var start = rest;
            rest = rest.Skip(length);
            yield return Superpower.Model.Result.Value(token, start, rest);
        }
    }

    private static readonly string[] StepLabels = ["ramp", "step", "segment", "seg", "stage"];

    /// <summary>Length of a printed step number ("1.", "2)", "Ramp 1:") that opens a step, or 0.</summary>
    private static int StepNumber(ReadOnlySpan<char> text)
    {
        var from = 0;
        foreach (var label in StepLabels)
        {
            if (text.StartsWith(label, StringComparison.OrdinalIgnoreCase) && text.Length > label.Length && text[label.Length] == ' ')
                from = label.Length + 1;
        }
        var digits = from;
        while (digits < text.Length && digits < from + 2 && char.IsAsciiDigit(text[digits]))
            digits++;
        if (digits == from || text.Length <= digits + 1 || text[digits + 1] != ' ')
            return 0;
        // A colon after a bare number is a clock time; behind its label it is none.
        return text[digits] is '.' or ')' || (from > 0 && text[digits] == ':') ? digits + 1 : 0;
    }

    private static (NotationToken Token, int Length) Next(ReadOnlySpan<char> text, char c)
    {
        if (char.IsAsciiDigit(c) || (c == '.' && text.Length > 1 && char.IsAsciiDigit(text[1])))
            return Number(text, 0);
        if (IsMinus(c))
        {
            if (text.Length > 1 && text[1] == '>')
                return (NotationToken.To, 2);
            if (text.Length > 1 && char.IsAsciiDigit(text[1]))
                return Number(text, 1);
        }
        if (c == '=' && text.Length > 1 && text[1] == '>')
            return (NotationToken.To, 2);
        if (c == '"')
            return Quoted(text);
        if (char.IsLetter(c))
        {
            var length = 1;
            while (length < text.Length && char.IsLetter(text[length]))
                length++;
            return (Words.GetValueOrDefault(text[..length].ToString(), NotationToken.Unknown), length);
        }
        return c switch
        {
            '\n' or ';' or ',' => (NotationToken.Separator, 1),
            '→' or '➔' or '⇒' or '>' or '↗' or '↘' => (NotationToken.To, 1),
            '°' or 'º' => (NotationToken.Degree, 1),
            '℃' or '℉' => (NotationToken.Scale, 1),
            '/' => (NotationToken.Per, 1),
            '@' => (NotationToken.At, 1),
            _ => (NotationToken.Unknown, char.IsHighSurrogate(c) && text.Length > 1 ? 2 : 1),
        };
    }

    private static (NotationToken Token, int Length) Number(ReadOnlySpan<char> text, int from)
    {
        var i = from;
        while (i < text.Length && char.IsAsciiDigit(text[i]))
            i++;
        if (from == 0 && i + 2 < text.Length && text[i] == ':' && char.IsAsciiDigit(text[i + 1]) && char.IsAsciiDigit(text[i + 2]))
            return (NotationToken.Clock, i + 3);
        if (i + 1 < text.Length && text[i] == '.' && char.IsAsciiDigit(text[i + 1]))
        {
            i++;
            while (i < text.Length && char.IsAsciiDigit(text[i]))
                i++;
        }
        return (NotationToken.Number, i);
    }

    /// <summary>A reason in quotes; a doubled quote inside stands for one.</summary>
    private static (NotationToken Token, int Length) Quoted(ReadOnlySpan<char> text)
    {
        for (var i = 1; i < text.Length; i++)
        {
            if (text[i] != '"')
                continue;
            if (i + 1 < text.Length && text[i + 1] == '"')
                i++;
            else
                return (NotationToken.Reason, i + 1);
        }
        return (NotationToken.Unknown, text.Length);
    }

    internal static bool IsMinus(char c) => c is '-' or '−' or '–';
}
