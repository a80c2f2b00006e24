using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>Two things in one kiln whose cones do not meet.</summary>
/// <param name="One">The cooler one, by name.</param>
/// <param name="OneRange">Its cones.</param>
/// <param name="Other">The hotter one.</param>
/// <param name="OtherRange">Its cones.</param>
public sealed record ConeClash(string One, ConeRange OneRange, string Other, ConeRange OtherRange)
{
    /// <summary>"Lamp white is for cones 06 to 04 and Marsh White for cones 5 to 7: they cannot share a firing."</summary>
    public string Format() => $"{One} is for {OneRange} and {Other} for {OtherRange}: they cannot share a firing.";
}

/// <summary>Everything in a kiln. At least one lot; from it follow the pieces that decide the firing.</summary>
/// <param name="Lots">One to two hundred.</param>
/// <param name="Packed">So tight that little air comes between the ware: it burns out half as slowly again.</param>
/// <param name="WitnessPack">Whether witness cones stand in sight; nothing when nobody said.</param>
public sealed record WareLoad(ImmutableArray<WareLot> Lots, bool Packed = false, bool? WitnessPack = null)
{
    /// <summary>kg of ware.</summary>
    public double Mass => Lots.Sum(l => l.Mass);

    /// <summary>kg of water still in it.</summary>
    public double Water => Lots.Sum(l => l.Mass * Drying.Water(l.Dryness) / 100);

    /// <summary>Pieces in all.</summary>
    public int Pieces => Lots.Sum(l => l.Count);

    /// <summary>The lot that takes longest to dry: thickness squared and water together.</summary>
    public WareLot SlowestToDry => Lots.MaxBy(l => Drying.For(Drying.FineWater / Drying.Water(l.Dryness)) * Math.Pow(Drying.Depth(l.Wall, l.OneSided), 2))!;

    /// <summary>The lot that must pass a size change most slowly.</summary>
    public WareLot MostStrained => Lots.MinBy(l => WallGradient.Fastest(l.Wall, l.IsWide).KelvinsPerHour)!;

    /// <summary>The lot whose clay needs longest to burn out.</summary>
    public WareLot SlowestToBurnOut => Lots.MaxBy(l => BurnOut.Needed(l.Wall, l.Clay?.BurnsOutSlowly == true, Packed))!;

    /// <summary>The wettest lot.</summary>
    public WareLot Wettest => Lots.MaxBy(l => Drying.Water(l.Dryness))!;

    /// <summary>The thickest lot.</summary>
    public WareLot Thickest => Lots.MaxBy(l => l.Wall)!;

    /// <summary>Every glaze, once.</summary>
    public IReadOnlyList<Glaze> Glazes => [.. Lots.SelectMany(l => l.Glazes).DistinctBy(g => g.Name)];

    /// <summary>Everything with cones of its own, once: glazes, and clays in a glaze or once-firing.</summary>
    private IEnumerable<(string Name, ConeRange Range)> Ranges => Glazes.Select(g => (g.Name, g.Range)).Concat(Lots.Select(l => (l.Clay?.Name ?? "", l.Clay?.Range)))
        .Where(r => r.Item2 is not null).Select(r => (r.Item1, r.Item2!.Value)).DistinctBy(r => r.Item1);

    /// <summary>The cones everything is made for; nothing when something clashes or nothing is known.</summary>
    public ConeRange? CommonRange
    {
        get
        {
            ConeRange? common = null;
            foreach (var (_, range) in Ranges)
            {
                common = common is { } before ? before.Overlap(range) : range;
                if (common is null) return null;
            }
            return common;
        }
    }

    /// <summary>Who clashes with whom.</summary>
    public IReadOnlyList<ConeClash> Clashes
    {
        get
        {
            var ranges = Ranges.OrderBy(r => r.Range.Hottest).ToList();
            return [.. ranges.SelectMany((one, i) => ranges.Skip(i + 1).Where(other => one.Range.Overlap(other.Range) is null)
                .Select(other => new ConeClash(one.Name, one.Range, other.Name, other.Range)))];
        }
    }

    /// <summary>Who does not stand a cone: name, cones, and whether it would be too hot for it.</summary>
    public IReadOnlyList<(string Name, ConeRange Range, bool TooHot)> Outside(Cone goal) =>
        [.. Ranges.Where(r => !r.Range.Contains(goal)).Select(r => (r.Name, r.Range, goal.CompareTo(r.Range.Hottest) > 0))];

    /// <summary>Builds a load. A problem at <c>lots</c> when there is none, or far too many.</summary>
    public static Result<WareLoad> Create(IReadOnlyList<WareLot> lots, bool packed = false, bool? witnessPack = null) =>
        lots.Count == 0 ? new Problem("lots", "Nothing is in the kiln yet. Write the first lot: what, how many, how thick.")
        : lots.Count > WareLot.MostLots ? new Problem("lots", $"At most {WareLot.MostLots} lots are taken; this load has {lots.Count}. Put alike ware into one lot.")
        : new WareLoad([.. lots], packed, witnessPack);
}
