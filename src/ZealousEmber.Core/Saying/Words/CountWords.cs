using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>How many.</summary>
internal static class CountWords
{
    private const string About = @"(?:(?:about|around|roughly|approximately|approx\.?|circa|ca\.?|nearly|almost|up to|at least|some|maybe|say|~) *)?";
    private const string Behind =
        @"(?:ish\b)?(?: +or so\b)?(?: *(?:off|pcs?|nos)\b\.?| *[x×](?![\da-z]| *\d))?(?: +of +(?:them|these|those)\b| +in (?:all|total)\b| +altogether\b| +more\b)?";

    // No count: decimals, fractions, clock times, degrees, per cent.
    private const string NoMore = @"(?![.,:]\d| ?[½¼¾⅛⅜⅝⅞%°]| */ *\d|['""]|(?:st|nd|rd|th)\b| ?(?:min(?:ute)?s?|hrs?|hours?|h|days?|weeks?|degrees?)\b)";

    // "a" before ware, with an adjective or two between; "a load of mugs" is no count.
    private static readonly string BeforeWare =
        $@"(?= +(?:(?!(?:bisque|biscuit|glaze|firing|load|kiln|lot|of|for|the|in|and|with|to|few|couple|dozen|pair|hold|slow|fast|single)\b)[a-z'-]+ +){{0,2}}(?:{WareWords.Known}|pots?|pieces?)\b)";

    public static readonly Rule[] All =
    [
        Rule.Of($@"(?<a>{Numbers.Whole}) *(?:-|–|to|or) *(?<b>{Numbers.Whole}){NoMore}(?! *(?:min|h\b|hours?|days?|weeks?|°|mm|cm|in\b|kg|g\b))", f =>
            Numbers.ReadWhole(f["a"]!) is { } a && Numbers.ReadWhole(f["b"]!) is { } b && a < b && b <= WareLot.MostPieces ? new CountAsked([b, a]) : null
        ),
        Rule.Of($@"(?<a>{Numbers.Whole}) +(?:sets?|lots?|batches|boxes|boards|stacks?) +of +(?<b>{Numbers.Whole})", f =>
            Numbers.ReadWhole(f["a"]!) is { } a && Numbers.ReadWhole(f["b"]!) is { } b && (long)a * b is >= 1 and <= WareLot.MostPieces and var all
                ? new CountAsked([(int)all, b])
                : null
        ),
        Rule.Of($@"{About}(?:(?<n>{Numbers.Whole})|(?<half>half(?: a)?)|an?)?[ -]*dozen(?: of)?{Behind}", f =>
            Of((f["half"] is null ? 12 : 6) * (f["n"] is { } n ? Numbers.ReadWhole(n) : 1))
        ),
        Rule.Of($@"{About}(?:(?<n>{Numbers.Whole})|an?)? *pairs?(?: of)?{Behind}", f => Of(2 * (f["n"] is { } n ? Numbers.ReadWhole(n) : 1))),
        Rule.Of(
            @"(?:an?|the) (?:few|couple(?: of)?|bunch of|handful of|load of|kiln ?load of|shelf of|board of|boxful of|lot of)|few|several|many|lots of|loads of|plenty of|dozens of|couple of",
            new CountAsked([3, 6, 12])
        ),
        Rule.Of($@"some(?= +(?:[a-z'-]+ +){{0,1}}(?:{WareWords.Known}|pots?|pieces?)\b)", new CountAsked([3, 6, 12])),
        Rule.Of($@"(?:an?|one|single){BeforeWare}", new CountSaid(1, TakesAnyWord: false)),
        Rule.Of($@"(?:half|the (?:other|second) half)(?: of (?:it|them|these))?(?! *(?:past|an?\b|hour|inch))", new ShareSaid(IsHalf: true)),
        Rule.Of(@"(?:and )?(?:the )?(?:rest|others|remainder)(?: of (?:it|them|these))?", new ShareSaid(IsHalf: false)),
        Rule.Of($@"[x×] *(?<n>{Numbers.Whole}){NoMore}(?! *(?:mm|cm|in\b|tall|high|wide|across|thick|deep)\b){Behind}", f => Of(Numbers.ReadWhole(f["n"]!))),
        Rule.Of($@"{About}(?<n>{Numbers.Whole}){NoMore}{Behind}", f => Of(Numbers.ReadWhole(f["n"]!))),
    ];

    /// <summary>A count a kiln can hold; of one beyond it how many is asked.</summary>
    private static Meaning? Of(int? count) =>
        count is >= 1 and <= WareLot.MostPieces ? new CountSaid(count.Value)
        : count == 0 ? null
        : new CountAsked([]);
}
