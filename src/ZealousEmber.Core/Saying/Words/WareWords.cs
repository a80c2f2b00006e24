using System.Text.RegularExpressions;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>What ware is called, where it is named without a count.</summary>
internal static class WareWords
{
    private const string Ending = "(?:e?s)?";

    /// <summary>Ware by its usual names.</summary>
    public const string Known =
        "(?:test |floor |wall )?tiles?|(?:espresso |egg |tea )?cups?|mugs?|beakers?|tumblers?|goblets?|(?:mixing |yarn |sugar |salad |soup |serving )?bowls?"
        + "|(?:dinner |side |soup |cake )?plates?|platters?|(?:butter |soap |baking |serving )?dish(?:es)?|saucers?|(?:lidded )?jars?|jugs?|pitchers?|teapots?|coffee pots?"
        + "|(?:garden |pinch |flower |plant )pots?|planters?|vases?|bottles?|flasks?|sculptures?|figures?|figurines?|spheres?|busts?|heads?|ornaments?|beads?|buttons?|pendants?"
        + "|casseroles?|tureens?|crocks?|canisters?|box(?:es)?|baskets?|urns?|troughs?|fountains?|bird ?baths?|lanterns?|trays?|candle ?(?:sticks?|holders?)|ramekins?"
        + "|colanders?|mortars?|gnomes?|samples?|test pieces?|test rings?|spoon rests?|spoons?|incense (?:burners?|holders?)|lamp ?bases?";

    /// <summary>Words for whatever was spoken of, or for ware of any kind.</summary>
    private const string Any = "pots?|pieces?|pcs|ware|wares|things?|stuff|works?|items?|ones";

    private const string Without =
        @"(?:not|no|without|except(?: for)?|all but|everything but|but not|but no|leave out|leaving out|minus|apart from|none of)(?: any| the| those| these| my| our)*";

    public static readonly Rule[] All =
    [
        Rule.Of($@"{Without} (?<what>(?:[a-z]+ )?(?:{Known}))", f => new ExcludedSaid(f["what"]!)),
        Rule.Of(Known, f => new NounSaid(f.Match.Value)),
        Rule.Of($"(?:{Any})", f => new PronounSaid(f.Match.Value)),
        Rule.Of("all(?: of (?:it|them|these))?|everything|the (?:whole )?lot|both(?: of them)?|each", new AllSaid()),
    ];

    /// <summary>True where two names are of the same ware: mug and mugs, cup and test cups are not.</summary>
    public static bool IsSame(string one, string other) => One(one) == One(other);

    /// <summary>True where one word of a longer name stands for it: bowls for yarn bowls.</summary>
    public static bool StandsFor(string word, string name) => IsSame(word, name) || One(name).EndsWith(" " + One(word), StringComparison.Ordinal);

    private static readonly Regex Plural = new($"(?<=sh|ch|ss|x)es$|(?<!s)s$", RegexOptions.CultureInvariant);

    private static string One(string name) => Plural.Replace(name.Trim().ToLowerInvariant(), "");

    /// <summary>jug → jugs, dish → dishes; what is many stays.</summary>
    public static string Many(string name) =>
        name.EndsWith('s') ? name
        : name.EndsWith("sh", StringComparison.Ordinal) || name.EndsWith("ch", StringComparison.Ordinal) || name.EndsWith('x') ? name + "es"
        : name + "s";

    /// <summary>True for ware that is as wide as it is flat, of which a bare length is the width.</summary>
    public static bool IsWide(string? what) => what is not null && Wide.IsMatch(what);

    /// <summary>True for tiles.</summary>
    public static bool IsTile(string? what) => what is not null && Tile.IsMatch(what);

    private static readonly Regex Wide = new(
        $@"\b(?:plate|platter|bowl|tile|dish|saucer|tray){Ending}\b",
        RegexOptions.CultureInvariant | RegexOptions.IgnoreCase
    );
    private static readonly Regex Tile = new(@"\btiles?\b", RegexOptions.CultureInvariant | RegexOptions.IgnoreCase);
}
