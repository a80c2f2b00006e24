namespace ZealousEmber.Core.Packing;

/// <summary>
/// How near things may stand, mm. The usual ones are those of practice: ware grows about 1 % at quartz, glaze must touch nothing, hands are not exact.
/// </summary>
/// <param name="Gap">Between pieces: 6 for glaze; bisque may touch, and is planned with 2.</param>
/// <param name="Above">Above the tallest piece, to the shelf over it.</param>
/// <param name="Lid">Above the tallest piece, to the lid.</param>
/// <param name="Wall">To the wall and its elements.</param>
/// <param name="Prop">Between ware and props.</param>
/// <param name="Tip">From the thermocouple's tip to ware, in space.</param>
/// <param name="TipShelf">From the thermocouple's tip to a shelf, in space.</param>
/// <param name="MayTouch">What two pieces really have to keep: less than is planned, where hands may be inexact.</param>
public sealed record PackingRules(double Gap, double Above, double Lid, double Wall, double Prop, double Tip, double TipShelf, double MayTouch)
{
    /// <summary>Glazed ware.</summary>
    public static readonly PackingRules Glaze = new(6, 25, 25, 25, 6, 50, 15, 6);

    /// <summary>Raw ware.</summary>
    public static readonly PackingRules Bisque = new(2, 10, 25, 25, 3, 50, 15, 0);

    /// <summary>From the front wall to a witness pack.</summary>
    public const double PackFromWall = 40;

    /// <summary>Sideways from a peephole's axis to a pack's middle.</summary>
    public const double PackSideways = 70;

    /// <summary>Free, from a peephole to its pack.</summary>
    public const double SightWidth = 24;

    /// <summary>From the peephole's middle to the shelves below and above it.</summary>
    public const double PeepholeFree = 10;

    /// <summary>The least opening a pack stands in.</summary>
    public const double PackOpening = 80;

    /// <summary>A pack: width, depth, height, and free at its right, where the cones bend.</summary>
    public static readonly (double Width, double Depth, double Height, double Free) Pack = (60, 25, 75, 20);

    /// <summary>The centre of mass of a shelf and its ware lies at least so far inside its props.</summary>
    public const double TipsOver = 10;

    /// <summary>Props stand over props, to this.</summary>
    public const double PropsOver = 10;

    /// <summary>Slabs under runny glazes: added to the foot's width and to the height.</summary>
    public static readonly (double Wider, double Thick) Slab = (20, 8);

    /// <summary>A handle from above: a bar so wide with a round end.</summary>
    public const double HandleWidth = 20;

    /// <summary>Shelves and props, kg/m³, and how much of a prop is solid.</summary>
    public static readonly (double Density, double SolidProp) Furniture = (2050, 0.75);

    /// <summary>With some of the rules otherwise. Problems name the fields.</summary>
    public static Result<PackingRules> Create(
        PackingRules usual,
        double? gap,
        double? above,
        double? lid,
        double? wall,
        double? prop,
        double? tip,
        double? tipShelf
    )
    {
        var problems = new List<Problem>();
        foreach (
            var (field, value) in new[] { ("gap", gap), ("above", above), ("lid", lid), ("wall", wall), ("prop", prop), ("tip", tip), ("tipShelf", tipShelf) }
        )
        {
            if (value is { } said && !(said >= 0 && said <= 200))
                problems.Add(new Problem(field, $"Between 0 and 200 mm; this says {Phrases.Number(said)}."));
        }
        return problems.Count > 0
            ? Result<PackingRules>.Failed(problems)
            : new PackingRules(
                gap ?? usual.Gap,
                above ?? usual.Above,
                lid ?? usual.Lid,
                wall ?? usual.Wall,
                prop ?? usual.Prop,
                tip ?? usual.Tip,
                tipShelf ?? usual.TipShelf,
                Math.Min(gap ?? usual.MayTouch, usual.MayTouch)
            );
    }
}
