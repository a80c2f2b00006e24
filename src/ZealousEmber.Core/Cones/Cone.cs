using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Cones;

/// <summary>
/// A pyrometric cone by its number. Numbers are names: they order as 022 … 01, 1 … 14 with 05½ and 5½ between, and
/// 04 and 4 are a hundred degrees apart.
/// </summary>
public readonly partial record struct Cone : IComparable<Cone>
{
    private static readonly ImmutableArray<string> Names =
    [
        .. Enumerable.Range(1, 22).Reverse().SelectMany(n => n == 5 ? ["05½", "05"] : new[] { $"0{n}" }),
        .. Enumerable.Range(1, 14).SelectMany(n => n == 5 ? ["5", "5½"] : new[] { n.ToString(CultureInfo.InvariantCulture) }),
    ];

    private readonly int order;

    private Cone(int order) => this.order = order;

    /// <summary>All cones there are reference points for, coolest first: 38 of them.</summary>
    public static ImmutableArray<Cone> All { get; } = [.. Enumerable.Range(0, Names.Length).Select(i => new Cone(i))];

    /// <summary>The number as potters write it: 04, 5½.</summary>
    public string Number => Names[order];

    /// <summary>Place in the order, 0 for the coolest.</summary>
    public int Order => order;

    /// <summary>The next hotter cone, or nothing after 14.</summary>
    public Cone? Hotter => order + 1 < Names.Length ? new Cone(order + 1) : null;

    /// <summary>The next cooler cone, or nothing before 022.</summary>
    public Cone? Cooler => order > 0 ? new Cone(order - 1) : null;

    /// <summary>The cone one slips to by adding or dropping the zero: 4 for 04. Nothing for 014 … 022 and 11 … 14 whose twin does not exist or is not mistaken.</summary>
    public Cone? Twin => Names.IndexOf(Number.StartsWith('0') ? Number[1..] : "0" + Number) is >= 0 and var twin ? new Cone(twin) : null;

    /// <summary>
    /// Reads a number as people write it: <c>04</c>, <c>5.5</c>, <c>5½</c>, <c>5 1/2</c>, <c>^6</c>, <c>cone 6</c>, <c>Δ6</c>.
    /// Never guesses between 4 and 04: a letter O or a minus in the zero's place is asked about.
    /// </summary>
    public static Result<Cone> Parse(string? text, string field = "cone")
    {
        var number = Decoration().Replace(text ?? "", "").Trim();
        number = Half().Replace(number, "½");
        if (Names.IndexOf(number) is >= 0 and var order) return new Cone(order);
        if (number.Length == 0) return new Problem(field, "A cone number is missing here, like 04 or 6.");
        var bare = number.TrimStart('o', 'O', '-', '−', '0', ' ');
        if (!number.StartsWith("00", StringComparison.Ordinal) && Names.Contains("0" + bare) && Names.Contains(bare))
            return new Problem(field, $"“{text!.Trim()}” could be cone 0{bare} or cone {bare}, and they are far apart: {Apart(Named("0" + bare), Named(bare))}. Write a zero for 0{bare}.");
        return new Problem(field, $"There is no cone “{(text!.Length > 20 ? text[..20] + "…" : text.Trim())}”; they run 022 to 01 and 1 to 14, with 05½ and 5½.");
    }

    /// <summary>"cone 04 falls at 1063 °C, cone 4 at 1162 °C (at 60 °C/h)".</summary>
    public static string Apart(Cone one, Cone other) =>
        $"cone {one.Number} falls at {ConeTable.Of(one).At60:0} °C, cone {other.Number} at {ConeTable.Of(other).At60:0} °C";

    /// <inheritdoc/>
    public int CompareTo(Cone other) => order.CompareTo(other.order);

    /// <inheritdoc/>
    public override string ToString() => Number;

    private static Cone Named(string number) => new(Names.IndexOf(number));

    [GeneratedRegex(@"^\s*(cone|c|\^|Δ|∆|▲)\s*\.?\s*", RegexOptions.IgnoreCase)]
    private static partial Regex Decoration();

    [GeneratedRegex(@"(\.50*|\s*1/2|\s+½)$")]
    private static partial Regex Half();
}
