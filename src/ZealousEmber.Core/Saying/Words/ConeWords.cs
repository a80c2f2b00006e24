using System.Collections.Immutable;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>Cones by number, and tops by temperature.</summary>
internal static class ConeWords
{
    private const string Half = @"(?:½|\.5|,5| ½| 1/2|-1/2| and a half)?";
    private const string Ones = "one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen";
    private const string Zero = "0|o|oh|zero|nought";

    // 06, o6, oh six, zero six: what a zero before it makes a name of its own.
    private const string Cool = $@"(?:(?:[0o]|(?:{Zero})[ -])(?:\d{{1,2}}|(?:{Ones}))\b|0\d{{1,2}}){Half}";
    private const string Number = $@"(?:{Cool}|(?:\d{{1,2}}|(?:{Ones})\b){Half})";
    private const string NoMore = @"(?![\d/°]|[:.,]\d| ?(?:mm|cm|kg|lbs?|oz|min|hrs?)\b| ?(?:am|pm)\b)";
    private const string Mark = @"(?:(?:pyrometric |witness )?cones?\b *[:.]? *(?:number |no\.? ?)?|c ?[/.]? ?(?=[\do])|[\^δ∆▲△] ?)";
    private const string Degree = @"(?:°|º|deg(?:rees)?\b)";

    public static readonly Rule[] All =
    [
        Rule.Of(
            $@"(?:(?:up |fired? )?to |between )?{Mark}(?<one>{Number}) *(?:or|-|/|to|and|,) *(?:{Mark})?(?<two>{Number}){NoMore}(?! *(?:[a-z×x]|\d))(?:\?)?",
            Several
        ),
        Rule.Of($@"(?:(?:up |fired? )?to |between )?{Mark}(?<one>{Number}) *(?:or|-|/) *(?:{Mark})?(?<two>{Number}){NoMore}\??", Several),
        Rule.Of($@"(?:(?:up |fired? )?to )?(?<one>{Cool}) *(?:or|-|/) *(?:{Mark})?(?<two>{Cool}){NoMore}\??", Several),
        Rule.Of($@"(?:(?:up |fired? )?to )?(?:a )?{Mark}(?<one>{Number}){NoMore}", f => Of(f["one"]!) is { } cone ? new ConeSaid(cone) : null),
        Rule.Of($@"(?:(?:up |fired? )?to )?(?<one>{Cool}){NoMore}", f => Of(f["one"]!) is { } cone ? new ConeSaid(cone) : null),
        Rule.Of($@"not (?:to |at )?(?:{Mark})?{Number}(?= *(?:[,.;!)\n]|$))", new Nothing()),
        // A rate, a stretch of the cooling: no field takes them.
        Rule.Of($@"(?:at )?\d{{1,4}} ?{Degree}? ?[cfk]? ?(?:/|per |an |a ) ?(?:h|hr|hour)\b", f => new Word(f.Match.Value, IsSmall: false)),
        Rule.Of($@"(?:from |between )\d{{3,4}} ?{Degree}? ?[cf]? ?(?:to|down to|and|-) ?\d{{3,4}} ?{Degree}? ?[cf]?", f => new Word(
            f.Match.Value,
            IsSmall: false
        )),
        Rule.Of($@"(?:up |fired? )?to (?<n>\d{{1,2}}|(?:{Ones})\b)(?<half>{Half}){NoMore}(?! *(?:h\b|hours?|min|%|x|×|days?|weeks?|o'?clock|{Degree}))", f => f[
                "half"
            ]
                is { Length: > 0 }
                ? (Of(f["n"]! + "½") is { } half ? new ConeSaid(half) : null)
            : Numbers.ReadWhole(f["n"]!) is >= 1 and <= 14 and var n ? new BareConeSaid(n)
            : null),
        Rule.Of($@"(?:(?:up |fired? )?to )?(?:about |around )?(?<t>\d{{3,4}}) ?(?:{Degree} ?(?<u>[cf])?|(?<u>[cf]))(?![a-z\d])(?!/h| an hour| per hour)", f =>
            Top(f["t"]!, f["u"], f.Context)
        ),
        Rule.Of($@"(?:(?:up |fired? )?to |top (?:of )?|at |peak (?:of |at )?)(?:about |around )?(?<t>\d{{3,4}})(?![\d:.])(?! ?(?:mm|cm|g|kg|ml)\b)", f =>
            Top(f["t"]!, null, f.Context)
        ),
    ];

    private static Meaning? Several(Found f) =>
        Of(f["one"]!) is { } one && Of(f["two"]!) is { } two
            ? one == two
                ? new ConeSaid(one)
                : new ConesSaid([one, two])
            : null;

    /// <summary>The cone of a number as people write it; nothing where there is none.</summary>
    public static Cone? Of(string text)
    {
        var isHalf = text.EndsWith('½') || text.EndsWith("1/2", StringComparison.Ordinal) || text.EndsWith("and a half", StringComparison.Ordinal);
        foreach (var half in (string[])[" and a half", "-1/2", " 1/2", " ½", "½", ".5", ",5"])
        {
            if (text.EndsWith(half, StringComparison.Ordinal))
            {
                (text, isHalf) = (text[..^half.Length], true);
                break;
            }
        }
        var isCool = false;
        foreach (var zero in (string[])["nought", "zero", "oh", "o", "0"])
        {
            if (!text.StartsWith(zero, StringComparison.Ordinal) || text.Length == zero.Length || text == "one")
                continue;
            if (zero == "o" && !(char.IsAsciiDigit(text[1]) || text[1] is ' ' or '-'))
                continue;
            (text, isCool) = (text[zero.Length..].TrimStart(' ', '-'), true);
            break;
        }
        return Numbers.ReadWhole(text) is { } n ? Cone.Named($"{(isCool ? "0" : "")}{n}{(isHalf ? "½" : "")}") : null;
    }

    private static TopSaid? Top(string digits, string? unit, SayingContext context)
    {
        var value = Numbers.ReadWhole(digits) ?? 0;
        var scale =
            unit == "f" ? TemperatureUnit.Fahrenheit
            : unit == "c" ? TemperatureUnit.Celsius
            : context.Temperature;
        var celsius = Temperature.From(value, scale).Celsius;
        return celsius is >= 500 and <= 1500 ? new TopSaid(celsius) : null;
    }

    /// <summary>Cones that fall nearest a temperature, nearest first.</summary>
    public static ImmutableArray<Cone> Nearest(double celsius) => [.. Cones.ConeTable.All.OrderBy(e => Math.Abs(e.At60 - celsius)).Take(3).Select(e => e.Cone)];
}
