using System.Collections.Immutable;
using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>Walls, sizes and weights of a piece.</summary>
internal static class LengthWords
{
    private const double Inch = 25.4;
    private const double Pound = 0.45359237;
    private const double Ounce = Pound / 16;

    // "4 in" is inches before a size, a comma or ware; before a name or "the" it is pieces.
    private static readonly string In =
        $@"in(?= *(?:tall|high|wide|across|thick|deep|long|dia|in\b|x\b|×|\*|by\b|and\b|or\b|walls?\b|each\b|\d|[,;:.!?)/\n\t]|$|(?:(?:small|big|large|little|flat|round) )?(?:{WareWords.Known})\b))";

    private static readonly string Unit = $@"(?:mm\b|millimet(?:er|re)s?\b|cms?\b|centimet(?:er|re)s?\b|inch(?:es)?\b|in\.(?= )|{In}|""|'')";
    private const string After =
        @"(?:tall|high|in height|height|wide|in width|width|across|in diameter|diameter|dia|thick(?:ness)?|walls?(?: thickness)?|walled|deep|long)\b";
    private const string Before = @"(?:walls?(?: thickness)?|thick(?:ness)?|handles?|height|tall|across|width|wide|diameter|dia\.?|depth)\b|⌀|ø";
    private const string Is = @" *(?:[:=] *|(?:of|are|is|about|around|up to) +)*";
    private const string By = @" *(?:x|×|\*|by) *";

    public static readonly Rule[] All =
    [
        // 85 × 100, 85 by 100 mm, 200 × 200 × 8.
        Rule.Of(
            $@"(?:⌀|ø|size:?\s|about\s)? *(?<a>{Numbers.InDigits}) *(?<au>{Unit})?{By}(?<b>{Numbers.InDigits}) *(?<bu>{Unit})?(?:{By}(?<c>{Numbers.InDigits}) *(?<cu>{Unit})?)?(?![\d/])",
            Sides
        ),
        // 15 cm square.
        Rule.Of($@"(?<a>{Numbers.InDigits}) *(?<u>{Unit})? *square\b", f => new SidesSaid([Measure(f["a"]!, f["u"])])),
        // 6–8 mm walls, walls 6 to 8.
        Rule.Of($@"(?<of>{Before}){Is}(?<a>{Numbers.InDigits}) *(?<u>{Unit})? *(?:-|to|or) *(?<b>{Numbers.InDigits}) *(?<u>{Unit})?(?![\d/])", Range),
        Rule.Of($@"(?<a>{Numbers.InDigits}) *(?<u>{Unit})? *(?:-|to|or) *(?<b>{Numbers.InDigits}) *(?<u>{Unit}) *(?<of>{After})?", Range),
        Rule.Of($@"(?<a>{Numbers.InDigits}) *(?:-|to|or) *(?<b>{Numbers.InDigits}) *(?<of>{After})", Range),
        // Walls 6, handle 35, ⌀ 85 mm.
        Rule.Of($@"(?<of>{Before}){Is}(?<a>{Numbers.Any}) *(?<u>{Unit})?(?![\d/])(?! *(?:{Mass})\b)", Length),
        // 6 mm, 10 in tall, 3/8 thick, 10 tall.
        Rule.Of($@"(?:about |around |up to )?(?<a>{Numbers.Any})[ -]*(?<u>{Unit})[ -]*(?:of )?(?<of>{After})?", Length),
        Rule.Of($@"(?<a>{Numbers.Any}) +(?<of>(?:thick(?:ness)?|walls?(?: thickness)?|walled|across|in (?:height|width|diameter))\b)", Length),
        Rule.Of($@"(?<a>{Numbers.Any}) +(?<of>{After})(?= *(?:[,;.:!?)/\n\t]|$|and\b|x\b|by\b|with\b|\d))", Length),
        Rule.Of(@"(?<a>\d{1,2}(?: |-)?(?:\d{1,2}/(?:2|4|8|16|32))|\d{1,2}/(?:2|4|8|16|32)|[¼½¾⅛⅜⅝⅞])(?![\d/])", Length),
        // 500 g each, 1 lb, 2 lb 4 oz.
        Rule.Of(
            $@"(?:about |around )?(?<a>\d{{1,3}}) ?(?:lbs?|pounds?),? ?(?<b>{Numbers.InDigits}) ?(?:oz|ounces?)\b(?: (?:each|a piece|apiece|per piece))?",
            f => new MassSaid(
                Math.Round(Numbers.Read(f["a"]!).Value * Pound + Numbers.Read(f["b"]!).Value * Ounce, 4),
                f.Text.Raw.Substring(f.Match.Index, f.Match.Length).Trim()
            )
        ),
        Rule.Of(
            $@"(?<a>{Numbers.InDigits}) *(?:-|to|or) *(?<b>{Numbers.InDigits}) *(?<u>{Mass})\b(?: (?:each|a piece|apiece|per piece|of clay))*",
            f => new MassAsked(Weigh(f, "a"), Weigh(f, "b"))
        ),
        Rule.Of(
            $@"(?:weigh(?:s|ing)? |weight:? )?(?:about |around )?(?<a>{Numbers.Any}) *(?:a )?(?<u>{Mass})\b(?: (?:each|a piece|apiece|per piece|of clay))*",
            f => Weigh(f, "a") is > 0 and var kg ? new MassSaid(kg, f.Text.Raw.Substring(f.Match.Index, f.Match.Length).Trim()) : null
        ),
    ];

    private const string Mass = "kilos?|kilograms?|kgs?|grammes?|grams?|gms?|g|lbs?|pounds?|oz|ounces?";

    private static double Weigh(Found f, string group) =>
        Math.Round(
            Numbers.Read(f[group]!).Value
                * (
                    f["u"]![0] switch
                    {
                        'k' => 1,
                        'g' => 0.001,
                        'o' => Ounce,
                        _ => Pound,
                    }
                ),
            4
        );

    private static Meaning? Length(Found f)
    {
        var measured = Measure(f["a"]!, f["u"]);
        return measured.Value > 0 ? new LengthSaid(Of(f["of"]), measured, f.Text.Raw.Substring(f.Match.Index, f.Match.Length).Trim()) : null;
    }

    /// <summary>Of a wall the thickest counts; of anything else which is meant is asked.</summary>
    private static Meaning? Range(Found f)
    {
        var (least, most) = (Measure(f["a"]!, f["u"]), Measure(f["b"]!, f["u"]));
        if (least.Value > most.Value || least.Value <= 0)
            return null;
        var of = Of(f["of"]);
        var isWall = of == LengthOf.Wall || (of == LengthOf.Unsaid && most.In(1) <= Measured.ThickestBareWall);
        return isWall ? new LengthSaid(LengthOf.Wall, most, f.Text.Raw.Substring(f.Match.Index, f.Match.Length).Trim()) : new LengthAsked(of, least, most);
    }

    private static Meaning? Sides(Found f)
    {
        ImmutableArray<string> names = f["c"] is null ? ["a", "b"] : ["a", "b", "c"];
        var units = names.Select(n => f[n + "u"]).ToList();
        // 8 × 10 cm: the unit behind the last is that of all.
        var said = units.FindLast(u => u is not null);
        var sides = names.Select((n, i) => Measure(f[n]!, units[i] ?? said)).ToImmutableArray();
        return sides.All(s => s.Value > 0) ? new SidesSaid(sides) : null;
    }

    private static Measured Measure(string number, string? unit)
    {
        var (value, isFraction) = Numbers.Read(number);
        return new Measured(
            value,
            unit is null ? (isFraction ? Inch : null)
                : unit.StartsWith("mm", StringComparison.Ordinal) || unit.StartsWith("milli", StringComparison.Ordinal) ? 1
                : unit[0] == 'c' ? 10
                : Inch
        );
    }

    private static LengthOf Of(string? word) =>
        word is null ? LengthOf.Unsaid
        : Walls.IsMatch(word) ? LengthOf.Wall
        : word.StartsWith("handle", StringComparison.Ordinal) ? LengthOf.Handle
        : word.Contains("height", StringComparison.Ordinal) || word is "tall" or "high" ? LengthOf.Height
        : word is "long" ? LengthOf.Deep
        : word is "deep" or "depth" ? LengthOf.Height
        : LengthOf.Across;

    private static readonly Regex Walls = new("^(?:wall|thick)", RegexOptions.CultureInvariant);
}
