using System.Collections.Immutable;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>A lot while the sentence is still being put together.</summary>
internal sealed class OpenLot
{
    /// <summary>What is known of it.</summary>
    public SaidLot Lot { get; set; } = new();

    /// <summary>Where its first words stand and its last.</summary>
    public required int From { get; init; }

    public int To { get; set; }

    /// <summary>The part of the text it stands in.</summary>
    public required int Sentence { get; init; }

    public required int Line { get; init; }

    /// <summary>Joined to the lot before it by “and”.</summary>
    public bool IsJoined { get; set; }

    /// <summary>Its count is asked, and stands there.</summary>
    public bool CountIsAsked { get; set; }

    /// <summary>What the count may be, where it is asked.</summary>
    public ImmutableArray<int> MayBe { get; set; } = [];

    /// <summary>Half of the lot before, or the rest of it.</summary>
    public ShareSaid? Share { get; set; }

    /// <summary>The words its count stands in, while no noun is known.</summary>
    public Phrase? CountPhrase { get; set; }

    /// <summary>Properties it has of its own, by slot.</summary>
    public Dictionary<string, List<(Property Property, Phrase Phrase)>> Own { get; } = [];

    public bool Has(string slot) => Own.ContainsKey(slot);

    public IEnumerable<Property> Properties => Own.Values.SelectMany(p => p).Select(p => p.Property);

    public void Add(string slot, Property property, Phrase phrase)
    {
        if (!Own.TryGetValue(slot, out var list))
            Own[slot] = list = [];
        list.Add((property, phrase));
    }
}

/// <summary>What stands between two commas: at most one lot, and what is said of it.</summary>
internal sealed class Clause
{
    public required int Sentence { get; init; }

    public required int Line { get; init; }

    public required BreakKind Before { get; init; }

    public OpenLot? Lot { get; set; }

    /// <summary>The lot was spoken of before: “bowls are reed green”.</summary>
    public bool IsReference { get; set; }

    public bool HasAll { get; set; }

    /// <summary>What is said, and whether the lot stands before it.</summary>
    public List<(Property Property, Phrase Phrase, bool IsBehind)> Properties { get; } = [];
}

/// <summary>Which property shuts out which: a lot that has one of a slot takes no other from further off.</summary>
internal static class Slots
{
    public static string Of(Property property) =>
        property switch
        {
            LengthSaid { Of: LengthOf.Wall } => "wall",
            LengthSaid { Of: LengthOf.Unsaid } l when l.Length.In(1) <= Measured.ThickestBareWall => "wall",
            LengthSaid { Of: LengthOf.Handle } => "handle",
            LengthSaid or SidesSaid or LengthAsked => "size",
            MassSaid or MassAsked => "mass",
            DrynessSaid or MadeSaid => "dryness",
            ClaySaid => "clay",
            GlazeSaid or StockAsked => "glaze",
            WhoseSaid or WhoseAsked => "whose",
            FlagSaid flag => flag.As,
            _ => property.GetType().Name,
        };

    /// <summary>Sizes are of the ware they stand beside; colours, states and owners may be of several.</summary>
    public static bool IsShared(string slot) => slot is not ("size" or "mass" or "handle");
}
