using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>Whose ware it is. Nobody is guessed: a capital with nothing to say what it is is asked about.</summary>
internal static class OwnerWords
{
    private const string Groups = "(?:(?:[a-z]+ )?(?:class|course|group|club|school|society)|kids|children|students|beginners|pupils|teachers|members)";
    private const string Nobody = "me|us|myself|ourselves|mine|ours|my|our";

    // Words that take a colon as a heading and are nobody's name.
    private static readonly HashSet<string> Labels =
    [
        "kiln",
        "load",
        "firing",
        "cone",
        "glaze",
        "glazes",
        "clay",
        "clays",
        "note",
        "notes",
        "ps",
        "start",
        "starts",
        "ready",
        "date",
        "time",
        "ware",
        "lots",
        "lot",
        "wall",
        "walls",
        "size",
        "count",
        "dryness",
        "dry",
        "hold",
        "cooling",
        "who",
        "whose",
        "what",
        "when",
        "where",
        "re",
        "subject",
        "update",
        "today",
        "tomorrow",
        "also",
        "please",
        "hi",
        "hello",
        "todo",
        "schedule",
        "program",
        "list",
        "plan",
        "temperature",
        "temp",
        "top",
        "next",
        "kind",
        "type",
        "pieces",
        "this",
        "that",
        "here",
        "bisque",
        "state",
        "owner",
        "maker",
        "for",
    ];

    private static readonly HashSet<string> NoOwner =
    [
        "today",
        "yesterday",
        "tomorrow",
        "that",
        "it",
        "there",
        "what",
        "here",
        "let",
        "he",
        "she",
        "who",
        "where",
        "how",
        "one",
        "week",
        "month",
        "morning",
    ];

    private static readonly Regex Day = new(
        $@"^(?:(?:{MomentWords.Weekdays})|today|tomorrow|noon|january|february|march|april|may|june|july|august|september|october|november|december)$",
        RegexOptions.CultureInvariant
    );

    private static readonly Regex Ware = new($@"(?:^|[ ])(?:{WareWords.Known}|pots?|pieces?)$", RegexOptions.CultureInvariant);

    public static readonly Rule[] All =
    [
        // A greeting and the name after it own nothing.
        Rule.Of(
            @"(?:hi|hello|hey|dear|thanks|thank you|thx|cheers|ta|good (?:morning|evening|afternoon)|morning|evening)(?: (?:there|all|both|everyone|everybody|a lot|so much|very much|again))*(?:,? (?<name>[\p{L}-]+))?",
            Greeting
        ),
        Rule.Of($@"(?:for|from|by|belong(?:s|ing)? to|owner:?) (?:the )?(?<group>{Groups})(?:'s?)?(?<colon> *:)?", f => Group(f)),
        Rule.Of($@"(?:the )?(?<group>{Groups})'s?", f => Group(f)),
        Rule.Of($@"(?:the )(?<group>{Groups})(?<colon> *:)?", f => Group(f)),
        Rule.Of(@"(?<group>class|kids|children)(?= (?:bisque|biscuit|glaze|firing|load|once)\b)", f => Group(f)),
        Rule.Of(@"(?:for |from |by )?(?<name>[\p{L}][\p{L}-]*'s (?:class|course|group|club|students|kids|pupils))", f =>
            f.Text.IsCapital(f.Place("name")) || Known(f["name"]!.Split('\'')[0], f.Context) is not null ? new WhoseSaid(f.Typed("name")) : null
        ),
        Rule.Of(@"(?<group>class|kids|children|students|beginners)(?<colon> *:)?(?= *(?:[,;.:!)\n\t]|$))", f => Group(f)),
        Rule.Of($@"(?:for |from |by |all )?(?:{Nobody})(?: own)?", new WhoseSaid(null)),
        Rule.Of(
            @"(?:for|from|by|belong(?:s|ing)? to|owner:?|maker:?|whose:?) (?<name>[\p{L}][\p{L}'-]*(?:(?: and | & | )[\p{L}][\p{L}'-]*){0,2})(?<colon> *:)?",
            f => Named(f, after: true)
        ),
        Rule.Of(@"(?<name>[\p{L}][\p{L}-]*(?: [\p{L}][\p{L}-]*)?)'s?(?: (?:own|pots))?", f => Named(f, after: false)),
        Rule.Of(@"(?<name>[\p{L}][\p{L}-]*(?: [\p{L}][\p{L}-]*)?) *(?<colon>:)", f =>
            Labels.Contains(f["name"]!.Split(' ')[0]) ? null : Named(f, after: false)
        ),
        Rule.Of(@"(?<name>[\p{L}][\p{L}-]*)", f => Known(f["name"]!, f.Context) is { } known ? new WhoseSaid(known) : null),
    ];

    private static Meaning? Greeting(Found f) => f["name"] is null || f.Text.IsCapital(f.Place("name")) ? new Nothing() : null;

    private static WhoseSaid Group(Found f) =>
        new(f["group"]! is "beginners" or "students" ? $"the {f["group"]}" : $"the {f.Typed("group")!.Trim().ToLowerInvariant()}", f["colon"] is not null);

    /// <summary>One name or more, each known or with a capital; as they were typed.</summary>
    private static WhoseSaid? Named(Found f, bool after)
    {
        var typed = f.Typed("name")!;
        // A possessive without its s is only one where a name ends in s.
        if (!after && f["colon"] is null && !f.Match.Value.Contains("'s", StringComparison.Ordinal) && !typed.EndsWith('s'))
            return null;
        foreach (var word in typed.Split([' ', '&'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (word is "and")
                continue;
            var low = word.ToLowerInvariant();
            if (Day.IsMatch(low) || NoOwner.Contains(low) || (Known(word, f.Context) is null && !char.IsUpper(word[0])) || SmallWords.Has(low))
                return null;
        }
        if (Ware.IsMatch(typed.ToLowerInvariant()))
            return null;
        // All in capitals everything looks like a name.
        if (typed.Length > 2 && typed.All(c => !char.IsLetter(c) || char.IsUpper(c)) && Known(typed, f.Context) is null)
            return null;
        if (f.Context.Names.Kilns.Any(k => string.Equals(k.Name, typed, StringComparison.OrdinalIgnoreCase)))
            return null;
        return typed.Length <= Core.Ware.Clay.LongestName ? new WhoseSaid(Known(typed, f.Context) ?? typed, f["colon"] is not null) : null;
    }

    private static string? Known(string name, SayingContext context) =>
        context.Names.People.FirstOrDefault(p => string.Equals(p, name, StringComparison.OrdinalIgnoreCase));
}
