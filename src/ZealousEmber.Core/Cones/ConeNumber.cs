using System.Text.RegularExpressions;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Cones;

/// <summary>Reads cone numbers as people write them.</summary>
public static partial class ConeNumber
{
    /// <summary>
    /// Reads <c>04</c>, <c>5.5</c>, <c>5½</c>, <c>5 1/2</c>, <c>^6</c>, <c>cone 6</c>, <c>Δ6</c>.
    /// Never guesses between 4 and 04: a letter O or a minus in the zero's place is asked about.
    /// </summary>
    public static Result<Cone> Parse(string? text, string field = "cone")
    {
        var number = Decoration().Replace(text ?? "", "").Trim();
        number = Half().Replace(number, "½");
        if (Cone.Named(number) is { } cone)
            return cone;
        if (number.Length == 0)
            return new Problem(field, "A cone number is missing here, like 04 or 6.");
        var bare = number.TrimStart('o', 'O', '-', '−', '0', ' ');
        if (!number.StartsWith("00", StringComparison.Ordinal) && Cone.Named("0" + bare) is { } cool && Cone.Named(bare) is { } hot)
            return new Problem(
                field,
                $"“{text!.Trim()}” could be cone 0{bare} or cone {bare}, and they are far apart: {Apart(cool, hot)}. Write a zero for 0{bare}."
            );
        return new Problem(
            field,
            $"There is no cone “{(text!.Length > 20 ? text[..20] + "…" : text.Trim())}”; they run 022 to 01 and 1 to 14, with 05½ and 5½."
        );
    }

    /// <summary>"cone 04 falls at 1063 °C, cone 4 at 1162 °C": the published end points at 60 °C/h.</summary>
    public static string Apart(Cone one, Cone other) =>
        $"cone {one.Number} falls at {ConeTable.Of(one).At60:0} °C, cone {other.Number} at {ConeTable.Of(other).At60:0} °C";

    [GeneratedRegex(@"^\s*(cone|c|\^|Δ|∆|▲)\s*\.?\s*", RegexOptions.IgnoreCase)]
    private static partial Regex Decoration();

    [GeneratedRegex(@"(\.50*|\s*1/2|\s+½)$")]
    private static partial Regex Half();
}
