using System.Collections.Immutable;

namespace ZealousEmber.Core.Ware;

/// <summary>What happens to bisqued ware next; it decides how hot the bisque goes.</summary>
public enum NextStep
{
    /// <summary>Dipping or pouring wants it open.</summary>
    Dipping,

    /// <summary>Brushing wants it tighter.</summary>
    Brushing,

    /// <summary>Never glazed: it wants the clay's own cone.</summary>
    Unglazed,
}

/// <summary>A lot of ware that is alike. Cannot be built wrong.</summary>
public sealed record WareLot
{
    /// <summary>Most lots in one kiln.</summary>
    public const int MostLots = 200;

    private const double ThinnestWall = 1;
    private const double ThickestTaken = 150;
    private const double Widest = 1500;

    /// <summary>Most pieces in a lot.</summary>
    public const int MostPieces = 5000;

    private const double HeaviestPiece = 500;

    /// <summary>Taken for a piece nobody weighed and of which no size is known, kg.</summary>
    public const double UsualMass = 0.6;

    private WareLot(string what) => What = what;

    /// <summary>Plates, mugs, tiles.</summary>
    public string What { get; }

    /// <summary>How many pieces.</summary>
    public int Count { get; private init; }

    /// <summary>Thickest wall, mm, 1 … 150.</summary>
    public double Wall { get; private init; }

    /// <summary>Flat ware's width, mm; nothing for upright ware.</summary>
    public double? Width { get; private init; }

    /// <summary>Hollow and closed, with no hole for steam.</summary>
    public bool ClosedHollow { get; private init; }

    /// <summary>Solid, or standing with its whole foot on the shelf: dries from one side.</summary>
    public bool OneSided { get; private init; }

    /// <summary>How dry it is; of bisqued ware, how wet its fresh glaze is.</summary>
    public Dryness Dryness { get; private init; }

    /// <summary>Its clay, where known.</summary>
    public Clay? Clay { get; private init; }

    /// <summary>Its glazes.</summary>
    public ImmutableArray<Glaze> Glazes { get; private init; }

    /// <summary>Whose it is.</summary>
    public string? Whose { get; private init; }

    /// <summary>What happens next, for bisque.</summary>
    public NextStep Next { get; private init; }

    /// <summary>Mass of a piece, kg: weighed, or worked out from its size and wall, or <see cref="UsualMass"/>.</summary>
    public double PieceMass { get; private init; }

    /// <summary>Somebody weighed a piece of it.</summary>
    public bool IsWeighed { get; private init; }

    /// <summary>Standard deviation of its mass, a share of it.</summary>
    internal double MassUnsure =>
        IsWeighed ? 0
        : MassIsKnown ? 0.15
        : 0.4;

    /// <summary>False where nobody weighed a piece and no size of it is known, so that its mass is only the usual one.</summary>
    public bool MassIsKnown { get; private init; }

    /// <summary>Fired before with glaze on it: it is decorated, mended or used ware.</summary>
    public bool GlazedAlready { get; private init; }

    /// <summary>L, mm: how deep heat and water have to go.</summary>
    public double Depth => Drying.Depth(Wall, OneSided);

    /// <summary>The whole lot, kg.</summary>
    public double Mass => Count * PieceMass;

    /// <summary>The same lot with walls that much thicker (mm, less than nothing for thinner) and that many steps wetter, within what a lot may be.</summary>
    internal WareLot Changed(double thicker, int wetter) =>
        this with
        {
            Wall = Math.Clamp(Wall + thicker, ThinnestWall, ThickestTaken),
            Dryness = (Dryness)Math.Clamp((int)Dryness + wetter, (int)Dryness.BoneDry, (int)Dryness.LeatherHard),
        };

    /// <summary>The same lot, bone dry.</summary>
    internal WareLot Dried() => this with { Dryness = Dryness.BoneDry };

    /// <summary>
    /// Builds a lot. Problems name <c>what</c>, <c>count</c>, <c>wall</c>, <c>width</c>, <c>pieceKg</c>, <c>whose</c>.
    /// </summary>
    public static Result<WareLot> Create(
        string? what,
        int? count,
        double? wall,
        double? width = null,
        bool closedHollow = false,
        bool oneSided = false,
        Dryness dryness = Dryness.BoneDry,
        Clay? clay = null,
        IReadOnlyList<Glaze>? glazes = null,
        string? whose = null,
        NextStep next = NextStep.Dipping,
        double? pieceKg = null,
        bool glazedAlready = false,
        WareSize? size = null
    )
    {
        var problems = new List<Problem>();
        var called = Text.OneLine(what);
        if (called?.Length > Clay.LongestName)
            problems.Add(new Problem("what", $"At most {Clay.LongestName} characters; the rest belongs in the notes."));
        var owner = Text.OneLine(whose);
        if (owner?.Length > Clay.LongestName)
            problems.Add(new Problem("whose", $"At most {Clay.LongestName} characters."));
        if (count is not (>= 1 and <= MostPieces))
            problems.Add(new Problem("count", count is null ? "How many are there?" : $"There are 1 to {MostPieces} pieces in a lot; this says {count}."));
        if (!(wall >= ThinnestWall && wall <= ThickestTaken))
            problems.Add(
                new Problem(
                    "wall",
                    wall is null
                        ? "How thick is the thickest wall, in mm?"
                        : $"A wall is between {Phrases.Number(ThinnestWall)} and {Phrases.Number(ThickestTaken)} mm; this says {Phrases.Number(wall.Value)}."
                )
            );
        if (width is { } w && !(w > 0 && w <= Widest))
            problems.Add(new Problem("width", $"Flat ware is up to {Phrases.Number(Widest)} mm wide; this says {Phrases.Number(w)}."));
        if (pieceKg is { } kg && !(kg > 0 && kg <= HeaviestPiece))
            problems.Add(new Problem("pieceKg", $"A piece weighs up to {Phrases.Number(HeaviestPiece)} kg; this says {Phrases.Number(kg)}."));
        return problems.Count > 0
            ? Result<WareLot>.Failed(problems)
            : new WareLot(called ?? "ware")
            {
                Count = count!.Value,
                Wall = wall!.Value,
                Width = width,
                ClosedHollow = closedHollow,
                OneSided = oneSided,
                Dryness = dryness,
                Clay = clay,
                Glazes = [.. glazes ?? []],
                Whose = owner,
                Next = next,
                PieceMass = pieceKg ?? Math.Min(HeaviestPiece, size?.DryMass(wall!.Value, closedHollow) ?? UsualMass),
                IsWeighed = pieceKg is not null,
                MassIsKnown = pieceKg is not null || size is not null,
                GlazedAlready = glazedAlready,
            };
    }
}
