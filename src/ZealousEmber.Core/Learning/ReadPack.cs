using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Learning;

/// <summary>A cone read after a firing.</summary>
/// <param name="Cone">Which.</param>
/// <param name="Bend">Degrees its tip has turned, 0 … 179; 90 is down, at 6 o'clock.</param>
public readonly record struct ConeRead(Cone Cone, double Bend)
{
    /// <summary>Less and it counts as standing.</summary>
    public const double Standing = 15;

    /// <summary>More and it counts as flat.</summary>
    public const double Flat = 95;

    /// <summary>Most degrees a tip turns.</summary>
    public const double MostBend = 179;
}

/// <summary>A pack of witness cones as it was found on its shelf. Cannot be built wrong.</summary>
public sealed record ReadPack
{
    /// <summary>Most cones in a pack.</summary>
    public const int MostCones = 6;

    /// <summary>Longest name of a shelf, characters.</summary>
    public const int LongestShelf = 24;

    // So much further may a hotter cone have bent than a cooler one: a draught, a thumb that touched it.
    private const double ByChance = 12;

    private ReadPack(string shelf, ImmutableArray<ConeRead> cones) => (Shelf, Cones) = (shelf, cones);

    /// <summary>Which shelf: "top", "middle", "bottom", or its number from the bottom.</summary>
    public string Shelf { get; }

    /// <summary>Coolest first, each once.</summary>
    public ImmutableArray<ConeRead> Cones { get; }

    /// <summary>Builds one. Problems name <c>shelf</c>, <c>cones</c>, <c>cones[i].bendDegrees</c>: contradictions too.</summary>
    public static Result<ReadPack> Create(string? shelf, IReadOnlyList<ConeRead> cones)
    {
        var problems = new List<Problem>();
        var name = Text.OneLine(shelf)?.ToLowerInvariant();
        if (name is null)
            problems.Add(new Problem("shelf", "Which shelf did this pack stand on: top, middle, bottom, or its number from the bottom?"));
        else if (name.Length > LongestShelf)
            problems.Add(new Problem("shelf", $"At most {LongestShelf} characters."));
        if (cones.Count is 0 or > MostCones)
            problems.Add(new Problem("cones", $"A pack has 1 to {MostCones} cones; this one has {cones.Count}."));
        foreach (var (i, cone) in cones.Take(MostCones).Index())
        {
            if (!(cone.Bend >= 0 && cone.Bend <= ConeRead.MostBend))
                problems.Add(
                    new Problem(
                        $"cones[{i}].bendDegrees",
                        $"From 0, upright, over 90, at 6 o’clock, to {ConeRead.MostBend}; this says {Phrases.Number(cone.Bend)}."
                    )
                );
            if (cones.Take(i).Any(c => c.Cone == cone.Cone))
                problems.Add(new Problem($"cones[{i}].cone", $"Cone {cone.Cone.Number} is in this pack twice."));
        }
        if (problems.Count > 0)
            return Result<ReadPack>.Failed(problems);
        var sorted = cones.OrderBy(c => c.Cone).ToImmutableArray();
        for (var i = 1; i < sorted.Length; i++)
        {
            if (sorted[i].Bend <= sorted[i - 1].Bend + ByChance)
                continue;
            return new Problem(
                "cones",
                $"Cone {sorted[i].Cone.Number} has bent further than cone {sorted[i - 1].Cone.Number}, which bends at less heat. Are the two mixed up, or "
                    + $"is one of them {ZeroTwin(sorted[i].Cone)}?"
            );
        }
        return new ReadPack(name!, sorted);
    }

    private static string ZeroTwin(Cone cone) => cone.Number.StartsWith('0') ? $"a {cone.Number.TrimStart('0')}" : $"a 0{cone.Number}";
}

/// <summary>What the pack of a shelf says: the end point at 60 °C/h that did as much as it got, °C, with how sure.</summary>
/// <param name="Shelf">Which.</param>
/// <param name="Equivalent">°C of cone; between the bounds where only those are known.</param>
/// <param name="Sd">Standard deviation, K.</param>
/// <param name="Bound">Only one side is known: −1 it got at most so much, 1 at least; 0 both.</param>
/// <param name="Offset">What is to be added to the display to explain it, K; nothing without a log.</param>
public sealed record ShelfHeat(string Shelf, double Equivalent, double Sd, int Bound, double? Offset)
{
    private const double HandDegrees = 4;
    private const double OwnError = 2.5;
    private const double LeastProgress = 1e-9;

    /// <summary>
    /// Reads a pack. Bends from 15 to 95° count, each with the error of reading it (4°) and of the cone itself (2.5 °C); else what lies between a flat
    /// cone and a standing one; else one bound. Source: the project's paper on the firing day, section 6.
    /// </summary>
    /// <param name="pack">As read.</param>
    /// <param name="logged">Heat work of a cone along what the display showed; nothing without a log.</param>
    public static ShelfHeat Of(ReadPack pack, Func<Cone, double>? logged)
    {
        static double EndPoint(Cone cone, double progress) => ConeTable.Of(cone).Kinetics.EndPoint(60, Math.Max(progress, LeastProgress));
        static double At(ConeRead read, double bend) => EndPoint(read.Cone, ConeBend.ProgressAt(bend));
        double? Logged(ConeRead read) => logged is null ? null : EndPoint(read.Cone, logged(read.Cone));

        var bent = pack.Cones.Where(c => c.Bend is >= ConeRead.Standing and <= ConeRead.Flat).ToList();
        if (bent.Count > 0)
        {
            var (weights, equivalent, offset) = (0.0, 0.0, 0.0);
            foreach (var read in bent)
            {
                var slope = At(read, read.Bend + 0.5) - At(read, read.Bend - 0.5);
                var weight = 1 / (slope * slope * HandDegrees * HandDegrees + OwnError * OwnError);
                var told = At(read, read.Bend);
                weights += weight;
                equivalent += weight * told;
                offset += weight * (told - (Logged(read) ?? told));
            }
            return new ShelfHeat(pack.Shelf, equivalent / weights, Math.Sqrt(1 / weights), 0, logged is null ? null : offset / weights);
        }
        ConeRead? flat = pack.Cones.Where(c => c.Bend > ConeRead.Flat).Select(c => (ConeRead?)c).LastOrDefault();
        ConeRead? standing = pack.Cones.Where(c => c.Bend < ConeRead.Standing).Select(c => (ConeRead?)c).FirstOrDefault();
        var (low, high) = (flat is { } f ? At(f, ConeRead.Flat) : (double?)null, standing is { } s ? At(s, ConeRead.Standing) : (double?)null);
        if (low is { } from && high is { } to)
            return new ShelfHeat(
                pack.Shelf,
                (from + to) / 2,
                Math.Sqrt((to - from) * (to - from) / 12 + OwnError * OwnError),
                0,
                logged is null ? null : (from - Logged(flat!.Value) + to - Logged(standing!.Value)) / 2
            );
        return low is { } least
            ? new ShelfHeat(pack.Shelf, least, OwnError, 1, least - Logged(flat!.Value))
            : new ShelfHeat(pack.Shelf, high!.Value, OwnError, -1, high.Value - Logged(standing!.Value));
    }

    /// <summary>°C of cone past a goal.</summary>
    public double Past(Cone goal) => Equivalent - ConeTable.Of(goal).Kinetics.EndPoint(60);
}
