using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>
/// Takes a sentence apart: at each word the longest way of saying that fits, of two as long the one whose rules come first. Where they overlap, so win
/// times, sizes with units, cones and counts over what is shorter; studio names over patterns, patterns over short names.
/// </summary>
internal sealed partial class Scanner(SayingContext context)
{
    private static readonly ImmutableArray<Rule> Rules =
    [
        .. LengthWords.All,
        .. ConeWords.All,
        .. CountWords.All,
        .. KindWords.All,
        .. StateWords.All,
        .. WishWords.All,
        Rule.Of(
            "(?:start|begin|switch|turn|light|fire|set)(?:s|ed|ing)?(?: (?:it|them|this|her))?(?: (?:on|off|up|going))?(?: at| on)?(?= (?:now|right now|straight away|immediately)\\b) (?:right )?(?:now|straight away|immediately)",
            f => new MomentSaid(new SaidMoment(null, DayPart.None, null, NodaTime.Duration.Zero, false))
        ),
        Rule.Of(
            "(?:please )?(?:start(?:s|ed|ing)?|begin(?:s|ning)?|switch(?:ed|ing)? on|turn(?:ed)? on|light(?:ing)?|fir(?:e|ed|ing) up|put on|goes on|going on)(?: (?:it|them|this))?(?: time)?[ :]*",
            new MomentFor(IsReady: false)
        ),
        Rule.Of(
            "(?:to be |be |is |all )*(?:ready|opened|opening|open|need(?:ed|s)?|needs? to be (?:out|ready|open|done)|out|back|collect(?:ed|ing)?|pick(?:ed|ing)? up|done|finished|wanted)(?: (?:it|them|these|those|all))?(?: (?:back|out|open|ready|again|for))?[ :]*",
            new MomentFor(IsReady: true)
        ),
        .. OwnerWords.All,
        .. WareWords.All,
    ];

    private readonly StudioWords names = new(context);

    /// <summary>The phrases of a text, in their order, with what parts them.</summary>
    public List<Phrase> Scan(SaidText text) => Scan(text, 0, text.Length);

    /// <summary>The phrases of a stretch of it.</summary>
    public List<Phrase> Scan(SaidText text, int from, int to)
    {
        var phrases = new List<Phrase>();
        var (at, isInside) = (from, false);
        while (at < to)
        {
            // What stands in brackets is of what stands before them.
            if (text.Low[at] is '(' or '[')
                isInside = true;
            else if (text.Low[at] is ')' or ']' or '\n')
                isInside = false;
            if (text.Low[at] is '(' or '[' || (isInside && text.Low[at] == ','))
            {
                at++;
                continue;
            }
            if (BreakAt(text, at) is { } parted)
            {
                phrases.Add(parted);
                at = parted.To;
                continue;
            }
            if (!SaidText.Counts(text.Low[at]) && !Marks.Contains(text.Low[at], StringComparison.Ordinal))
            {
                at++;
                continue;
            }
            var next = Longest(text, at) ?? names.Short(text, at, mend: true) ?? Plain(text, at);
            if (next is null)
            {
                at++;
                continue;
            }
            phrases.Add(next);
            at = next.To;
        }
        return phrases;
    }

    // Signs a phrase may begin with.
    private const string Marks = "^∆▲△⌀~@'";

    private Phrase? Longest(SaidText text, int at)
    {
        Phrase? longest = null;
        void Try(Phrase? found)
        {
            if (found is not null && found.To > at && found.To > (longest?.To ?? at))
                longest = found;
        }
        Try(MomentWords.At(text, at));
        foreach (var name in names.Whole(text, at))
            Try(name);
        foreach (var rule in Rules)
            Try(rule.At(text, at, context));
        Try(names.Short(text, at, mend: false));
        return longest;
    }

    private static Phrase? Plain(SaidText text, int at)
    {
        if (!SaidText.Counts(text.Low[at]))
            return null;
        var end = text.WordEnd(at);
        var word = text.Low[at..end];
        if (Digits().Match(text.Low, at) is { Success: true } digits && digits.Index == at)
            return new Phrase(at, at + digits.Length, new LooseNumber(double.Parse(digits.Value.Replace(',', '.'), CultureInfo.InvariantCulture)));
        return new Phrase(at, end, new Word(word, SmallWords.Has(word)));
    }

    private static Phrase? BreakAt(SaidText text, int at)
    {
        var c = text.Low[at];
        var isSpaced = at + 1 >= text.Length || char.IsWhiteSpace(text.Low[at + 1]);
        Phrase Parted(int length, BreakKind kind) => new(at, at + length, new Break(kind));
        return c switch
        {
            '\n' => Parted(1, BreakKind.Line),
            ';' => Parted(1, BreakKind.Sentence),
            '.' or '!' or '?' when isSpaced || !char.IsAsciiDigit(text.Low[at + 1]) => Parted(1, BreakKind.Sentence),
            ',' or '\t' or '|' or ')' or '/' or ']' => Parted(1, BreakKind.Comma),
            '-' or '*' or '•' when at == 0 || char.IsWhiteSpace(text.Low[at - 1]) => Parted(1, BreakKind.Comma),
            ':' => Parted(1, BreakKind.Colon),
            '&' or '+' => Parted(1, BreakKind.And),
            'a' when text.Match(And, at) is { } and => Parted(and.Length, BreakKind.And),
            _ => null,
        };
    }

    private static readonly Regex And = new(@"\G(?:and|also|as well as|along with)\b", RegexOptions.CultureInvariant);

    [GeneratedRegex(@"\d+(?:[.,]\d+)?", RegexOptions.CultureInvariant)]
    private static partial Regex Digits();
}
