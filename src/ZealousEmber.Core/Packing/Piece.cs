namespace ZealousEmber.Core.Packing;

/// <summary>What a piece looks like from above.</summary>
public enum PieceShape
{
    /// <summary>Round: mugs, bowls, plates.</summary>
    Round,

    /// <summary>Rectangular: tiles, boxes, trays.</summary>
    Rectangle,
}

/// <summary>How raw ware may stand on itself; glazed ware never does.</summary>
public enum Stacking
{
    /// <summary>Each on the shelf.</summary>
    None,

    /// <summary>One in another, as bowls.</summary>
    Nest,

    /// <summary>One on another, rim on rim.</summary>
    Layers,

    /// <summary>One over another on spacers, as plates.</summary>
    Spacers,

    /// <summary>Flat on each other, as tiles.</summary>
    Flat,
}

/// <summary>A piece of ware as room is made for it; lengths in mm, as it stands, lid on. Cannot be built wrong.</summary>
public sealed record Piece
{
    /// <summary>Smallest and largest that is taken, across or high.</summary>
    public static readonly (double Least, double Most) Sizes = (5, 2000);

    /// <summary>Longest handle.</summary>
    public const double LongestHandle = 300;

    /// <summary>Most in a stack.</summary>
    public const int MostStacked = 60;

    private const double UsualFoot = 0.65;

    /// <summary>Between pieces on spacers, mm.</summary>
    public const double SpacerGap = 10;

    /// <summary>The least one of a nest stands above the one in it, mm.</summary>
    public const double LeastNestStep = 20;

    /// <summary>The same as a share of its height.</summary>
    public const double NestShare = 0.35;

    private Piece(PieceShape shape) => Shape = shape;

    /// <summary>From above.</summary>
    public PieceShape Shape { get; }

    /// <summary>The body across, or a rectangle's width.</summary>
    public double Across { get; private init; }

    /// <summary>A rectangle's other side; that across for round ware.</summary>
    public double Deep { get; private init; }

    /// <summary>Height of one.</summary>
    public double Height { get; private init; }

    /// <summary>How far a handle or spout sticks out of the body; 0 for none.</summary>
    public double Handle { get; private init; }

    /// <summary>What stands on the shelf, across.</summary>
    public double Foot { get; private init; }

    /// <summary>How raw ware of this kind is stacked.</summary>
    public Stacking Stacking { get; private init; }

    /// <summary>Most in one stack.</summary>
    public int Most { get; private init; }

    /// <summary>How much each further piece adds to a stack.</summary>
    public double Step { get; private init; }

    /// <summary>What its body fills with its height, mm³.</summary>
    public double Envelope => (Shape == PieceShape.Round ? Math.PI / 4 : 1) * Across * Deep * Height;

    /// <summary>Height of a stack of so many.</summary>
    public double HeightOf(int stacked) => Height + (stacked - 1) * Step;

    /// <summary>
    /// Builds a piece; what is missing is usual: foot 0.65 across; nests of 10, layers of 3, spacers and flat ware of 4; steps max(20, 0.35 h), h, h + 10 and
    /// h.
    /// Problems name <c>across</c>, <c>deep</c>, <c>height</c>, <c>handle</c>, <c>foot</c>, <c>most</c>, <c>step</c>.
    /// </summary>
    public static Result<Piece> Create(
        PieceShape shape,
        double? across,
        double? deep,
        double? height,
        double? handle = null,
        double? foot = null,
        Stacking stacking = Stacking.None,
        int? most = null,
        double? step = null
    )
    {
        var problems = new List<Problem>();
        void Size(string field, string what, double? value)
        {
            if (!(value >= Sizes.Least && value <= Sizes.Most))
                problems.Add(
                    new Problem(
                        field,
                        value is null
                            ? $"{what}, in mm?"
                            : $"{what}: between {Phrases.Number(Sizes.Least)} and {Phrases.Number(Sizes.Most)} mm; this says {Phrases.Number(value.Value)}."
                    )
                );
        }
        Size("across", shape == PieceShape.Round ? "How wide is it" : "How wide is one side", across);
        if (shape == PieceShape.Rectangle)
            Size("deep", "How deep is the other side", deep);
        Size("height", "How tall is it", height);
        if (handle is { } out1 && !(out1 >= 0 && out1 <= LongestHandle))
            problems.Add(new Problem("handle", $"A handle sticks out 0 to {Phrases.Number(LongestHandle)} mm; this says {Phrases.Number(out1)}."));
        if (foot is { } stands && !(stands >= 1 && stands <= across))
            problems.Add(new Problem("foot", $"A foot is at least 1 mm and no wider than the piece; this says {Phrases.Number(stands)}."));
        if (most is < 1 or > MostStacked)
            problems.Add(new Problem("most", $"A stack has 1 to {MostStacked} pieces; this says {most}."));
        if (step is { } adds && !(adds >= 1 && adds <= Sizes.Most))
            problems.Add(new Problem("step", $"Each further piece adds 1 to {Phrases.Number(Sizes.Most)} mm; this says {Phrases.Number(adds)}."));
        if (problems.Count > 0)
            return Result<Piece>.Failed(problems);
        var h = height!.Value;
        return new Piece(shape)
        {
            Across = across!.Value,
            Deep = shape == PieceShape.Round ? across.Value : deep!.Value,
            Height = h,
            Handle = handle ?? 0,
            Foot = foot ?? UsualFoot * across.Value,
            Stacking = stacking,
            Most =
                stacking == Stacking.None
                    ? 1
                    : most
                        ?? stacking switch
                        {
                            Stacking.Nest => 10,
                            Stacking.Layers => 3,
                            _ => 4,
                        },
            Step = step
                ?? stacking switch
                {
                    Stacking.Nest => Math.Max(LeastNestStep, NestShare * h),
                    Stacking.Spacers => h + SpacerGap,
                    _ => h,
                },
        };
    }
}
