using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>Something in a kiln whose cones meet those of nothing, or not of all, of the rest.</summary>
/// <param name="Cooler">The names of the cooler side, in the order of the load.</param>
/// <param name="CoolerRange">Their cones, from the coolest to the hottest.</param>
/// <param name="Hotter">The names of the hotter side.</param>
/// <param name="HotterRange">Their cones.</param>
public sealed record ConeClash(ImmutableArray<string> Cooler, ConeRange CoolerRange, ImmutableArray<string> Hotter, ConeRange HotterRange)
{
    private const int MostNamed = 3;

    /// <summary>"Lamp white is for cones 06 to 04 and Marsh White for cones 5 to 7: they cannot share a firing."</summary>
    public string Format() =>
        $"{Names(Cooler)} {(Cooler.Length == 1 ? "is" : "are")} for {CoolerRange} and {Names(Hotter)} for {HotterRange}: they cannot share a firing.";

    /// <summary>True when this is one of those that clash.</summary>
    public bool Concerns(string name) => Cooler.Contains(name) || Hotter.Contains(name);

    private static string Names(ImmutableArray<string> names) =>
        Phrases.List(names.Length <= MostNamed ? names : [.. names.Take(MostNamed - 1), $"{names.Length - MostNamed + 1} more"]);
}

/// <summary>Everything in a kiln. At least one lot; from it follow the pieces that decide the firing.</summary>
/// <param name="Lots">One to two hundred.</param>
/// <param name="Packed">So tight that little air comes between the ware: it burns out half as slowly again.</param>
/// <param name="WitnessPack">Whether witness cones stand in sight; nothing when nobody said.</param>
public sealed record WareLoad(ImmutableArray<WareLot> Lots, bool Packed = false, bool? WitnessPack = null)
{
    // From so much more ware than usual a kiln counts as packed.
    private const double PackedFrom = 1.25;

    /// <summary>kg of ware.</summary>
    public double Mass => Lots.Sum(l => l.Mass);

    /// <summary>
    /// How well that is known, a standard deviation as a share of it: where nobody weighed a piece of a lot, 15 % by its size and 40 % by nothing at all. One
    /// hand throws thick or thin throughout, so that it does not even out between lots.
    /// </summary>
    public double MassUnsure => Mass > 0 ? Lots.Sum(l => l.Mass * l.MassUnsure) / Mass : 0;

    /// <summary>kg of water still in it.</summary>
    public double Water => Lots.Sum(l => l.Mass * Moisture.Of(l.Dryness) / 100);

    /// <summary>Little air between the ware: somebody said so, or there is far more of it than usual.</summary>
    /// <param name="usual">Ware usual for this firing in its kiln, kg; nothing where that is not known.</param>
    public bool IsPacked(double? usual) => Packed || Mass > PackedFrom * usual;

    /// <summary>Pieces in all.</summary>
    public int Pieces => Lots.Sum(l => l.Count);

    /// <summary>The lot that takes longest to dry: thickness squared and water together.</summary>
    public WareLot SlowestToDry => Lots.MaxBy(DryingNeed)!;

    /// <summary>The lot whose clay needs longest to burn out.</summary>
    public WareLot SlowestToBurnOut => Lots.MaxBy(l => BurnOut.Needed(l.Wall, l.Clay?.BurnsOutSlowly == true, Packed))!;

    /// <summary>The lots among which the one is that minds a rate most: of each dryness the deepest, and the widest flat ones.</summary>
    internal IEnumerable<WareLot> Telling =>
        Lots.GroupBy(l => l.Dryness)
            .Select(g => g.MaxBy(l => l.Depth)!)
            .Concat(Lots.Where(l => l.Width is not null).OrderByDescending(l => l.Width).Take(1))
            .Distinct();

    /// <summary>The wettest lot.</summary>
    public WareLot Wettest => Lots.MaxBy(l => Moisture.Of(l.Dryness))!;

    /// <summary>The thickest lot.</summary>
    public WareLot Thickest => Lots.MaxBy(l => l.Wall)!;

    /// <summary>Every glaze, once.</summary>
    public IReadOnlyList<Glaze> Glazes => [.. Lots.SelectMany(l => l.Glazes).DistinctBy(g => g.Name)];

    /// <summary>Everything with cones of its own, once: glazes, and clays in a glaze or once-firing.</summary>
    internal IEnumerable<(string Name, ConeRange Range)> Ranges =>
        Glazes
            .Select(g => (g.Name, g.Range))
            .Concat(Lots.Select(l => (l.Clay?.Name ?? "", l.Clay?.Range)))
            .Where(r => r.Item2 is not null)
            .Select(r => (r.Item1, r.Item2!.Value))
            .DistinctBy(r => r.Item1);

    /// <summary>The cones everything is made for; nothing when something clashes or nothing is known.</summary>
    public ConeRange? CommonRange
    {
        get
        {
            ConeRange? common = null;
            foreach (var (_, range) in Ranges)
            {
                common = common is { } before ? before.Overlap(range) : range;
                if (common is null)
                    return null;
            }
            return common;
        }
    }

    /// <summary>Who clashes with whom, each odd one out said once: one dish among twenty is one clash, not twenty.</summary>
    public IReadOnlyList<ConeClash> Clashes
    {
        get
        {
            var ranges = Ranges.ToList();
            var pairs = ranges
                .SelectMany((one, i) => ranges.Skip(i + 1).Where(other => one.Range.Overlap(other.Range) is null).Select(other => (One: one, Other: other)))
                .ToList();
            var clashes = new List<ConeClash>();
            while (pairs.Count > 0)
            {
                var odd = ranges.MaxBy(r => pairs.Count(p => p.One.Name == r.Name || p.Other.Name == r.Name));
                var rest = pairs.Where(p => p.One.Name == odd.Name || p.Other.Name == odd.Name).Select(p => p.One.Name == odd.Name ? p.Other : p.One).ToList();
                // It may stand between two camps; then each is a clash of its own.
                foreach (var camp in rest.GroupBy(r => r.Range.Coolest.CompareTo(odd.Range.Hottest) > 0))
                {
                    var (names, range) = (
                        camp.Select(r => r.Name).ToImmutableArray(),
                        new ConeRange(camp.Min(r => r.Range.Coolest), camp.Max(r => r.Range.Hottest))
                    );
                    clashes.Add(camp.Key ? new ConeClash([odd.Name], odd.Range, names, range) : new ConeClash(names, range, [odd.Name], odd.Range));
                }
                pairs.RemoveAll(p => p.One.Name == odd.Name || p.Other.Name == odd.Name);
            }
            return clashes;
        }
    }

    /// <summary>Who does not stand a cone: name, cones, and whether it would be too hot for it.</summary>
    public IReadOnlyList<(string Name, ConeRange Range, bool TooHot)> Outside(Cone goal) =>
        [.. Ranges.Where(r => !r.Range.Contains(goal)).Select(r => (r.Name, r.Range, goal.CompareTo(r.Range.Hottest) > 0))];

    /// <summary>About the ∫ D dt a lot needs before a usual climb past boiling, to rank lots by.</summary>
    private static double DryingNeed(WareLot lot)
    {
        var square = lot.Depth * lot.Depth;
        var left = Math.Min(Steam.MostAtBoiling, Steam.Planned * 18_500 / Math.Min(100 * square, 10_000));
        return Drying.For(Math.Min(1, left / Moisture.Of(lot.Dryness))) * square;
    }

    /// <summary>Builds a load. A problem at <c>lots</c> when there is none, or far too many.</summary>
    public static Result<WareLoad> Create(IReadOnlyList<WareLot> lots, bool packed = false, bool? witnessPack = null) =>
        lots.Count == 0 ? new Problem("lots", "Nothing is in the kiln yet. Write the first lot: what, how many, how thick.")
        : lots.Count > WareLot.MostLots
            ? new Problem("lots", $"At most {WareLot.MostLots} lots are taken; this load has {lots.Count}. Put alike ware into one lot.")
        : new WareLoad([.. lots], packed, witnessPack);
}
