using System.Collections.Immutable;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Logbook;

/// <summary>A number foretold at the start beside what came.</summary>
/// <param name="Told">As it was foretold.</param>
/// <param name="Shelf">The shelf whose pack was read, of a cone.</param>
/// <param name="Came">What it was; nothing while it is not known.</param>
/// <param name="ReadSd">How far what came may itself be off, as a standard deviation: a pack is read to a few degrees.</param>
/// <param name="IsInside">Whether it lies inside; nothing while it is not known.</param>
public sealed record ScoredNumber(ForetoldNumber Told, string? Shelf, double? Came, double ReadSd, bool? IsInside)
{
    /// <summary>How many times the band without any widening would have had to be to hold it; nothing while it is not known.</summary>
    public double? Needed
    {
        get
        {
            if (Came is not { } came)
                return null;
            var half = Math.Max(1e-9, (came > Told.Likely ? Told.To - Told.Likely : Told.Likely - Told.From) / Told.Widened);
            var read = Spread.FourInFive * ReadSd;
            // What it is read to is no fault of what was foretold.
            return Math.Sqrt(Math.Max(0, (came - Told.Likely) * (came - Told.Likely) - read * read)) / half;
        }
    }

    /// <summary>Holds what was foretold of a firing against what came.</summary>
    /// <param name="told">As foretold at its start.</param>
    /// <param name="figures">The firing in numbers.</param>
    /// <param name="packs">What its packs say.</param>
    /// <param name="stoppedAfter">
    /// Hours after which somebody switched it off; nothing where its program ended by itself. Earlier than its top could be over, it was given up for a reason
    /// of its own and says nothing of what was foretold.
    /// </param>
    public static ImmutableArray<ScoredNumber> Of(
        ImmutableArray<ForetoldNumber> told,
        FiringFigures figures,
        ImmutableArray<ShelfHeat> packs,
        double? stoppedAfter
    )
    {
        if (told.IsDefaultOrEmpty)
            return [];
        var end = told.FirstOrDefault(n => n.Kind == ForetoldKind.TopOver);
        var isGivenUp = stoppedAfter is { } hours && !(hours >= end?.From);
        var shelves = told.Where(n => n.Kind == ForetoldKind.Cone).ToList();
        ForetoldNumber? Of(string? shelf) => shelves.Find(n => n.Shelf == shelf);
        return
        [
            .. told.Where(n => n.Kind != ForetoldKind.Cone).Select(n => Score(n, null, isGivenUp ? null : figures[FigureOf(n.Kind)], 0, 0)),
            .. isGivenUp || packs.IsDefaultOrEmpty
                ? shelves.Where(n => n.Shelf is not null || shelves.Count == 1).Select(n => Score(n, n.Shelf, null, 0, 0))
                : packs
                    .Select(p => (Pack: p, Told: Of(p.Shelf) ?? Of(null)))
                    .Where(p => p.Told is not null)
                    .Select(p => Score(p.Told!, p.Pack.Shelf, p.Pack.Equivalent, p.Pack.Sd, p.Pack.Bound)),
        ];
    }

    /// <summary>The logbook's name of what came.</summary>
    public static string FigureOf(ForetoldKind kind) =>
        kind switch
        {
            ForetoldKind.Top => "top",
            ForetoldKind.TopOver => "topOver",
            ForetoldKind.Energy => "kwh",
            ForetoldKind.Gas => "gas",
            ForetoldKind.Cool => "cool",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "What a shelf gets is told by its pack."),
        };

    private static ScoredNumber Score(ForetoldNumber told, string? shelf, double? came, double readSd, int bound)
    {
        // One side only: where it says nothing against what was foretold, it is taken to be so.
        if (came is { } least && bound != 0 && Math.Sign(told.Likely - least) == bound)
            came = told.Likely;
        var scored = new ScoredNumber(told, shelf, came, readSd, null);
        return scored with { IsInside = scored.Needed is { } needed ? needed <= told.Widened + 1e-9 : null };
    }
}

/// <summary>What was foretold of a kiln's firings beside what came, and how far its bands are widened for it.</summary>
public static class KilnScore
{
    /// <summary>So many of the last firings are looked at.</summary>
    public const int Firings = 10;

    /// <summary>So many of ten are to lie inside.</summary>
    public const double Wanted = 0.8;

    // A kiln that is wrong by more than this is not foretold at all; a wider band would say nothing.
    private const double Most = 4;

    /// <summary>How many times as wide each band is to be told so that four in five of the last firings would have lain inside.</summary>
    /// <param name="firings">The earliest first.</param>
    public static Widening Widening(IReadOnlyList<ImmutableArray<ScoredNumber>> firings)
    {
        double Of(params ForetoldKind[] kinds) =>
            Wide([
                .. firings.Select(f => f.Where(n => kinds.Contains(n.Told.Kind)).Select(n => n.Needed).OfType<double>()).Where(f => f.Any()).TakeLast(Firings),
            ]);
        return new Widening(
            Of(ForetoldKind.Top),
            Of(ForetoldKind.TopOver),
            Of(ForetoldKind.Energy, ForetoldKind.Gas),
            Of(ForetoldKind.Cool),
            Of(ForetoldKind.Cone)
        );
    }

    private static double Wide(IReadOnlyList<IEnumerable<double>> firings)
    {
        var needed = firings.SelectMany(f => f).Order().ToList();
        if (needed.Count == 0)
            return 1;
        var enough = needed[(int)Math.Ceiling(Wanted * needed.Count - 1e-9) - 1];
        return Math.Round(Math.Clamp(enough, 1, Most), 2);
    }
}
