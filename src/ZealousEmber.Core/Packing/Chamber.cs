using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing;

/// <summary>The inside of a kiln from above.</summary>
public enum ChamberShape
{
    /// <summary>Round, or oval where it is wider than deep: two half discs and a straight between them.</summary>
    Round,

    /// <summary>Rectangular.</summary>
    Rectangle,
}

/// <summary>The tip of a thermocouple, mm.</summary>
/// <param name="Z">Above the floor.</param>
/// <param name="Reach">How far it comes in from the back wall.</param>
public sealed record Thermocouple(double Z, double Reach);

/// <summary>Shelves of one kind, mm.</summary>
/// <param name="Width">From left to right.</param>
/// <param name="Depth">From front to back; of a half shelf that half alone.</param>
/// <param name="Thickness">Of the slab.</param>
/// <param name="Count">In stock.</param>
/// <param name="Half">It covers the front or the back only; cut along a line from left to right.</param>
public sealed record ShelfStock(double Width, double Depth, double Thickness, int Count, bool Half = false);

/// <summary>
/// The room ware stands in. The origin is on the chamber's axis at the floor; x to the right, y to the back, z up; mm. Peepholes are in the
/// middle of the front wall. Cannot be built wrong.
/// </summary>
public sealed record Chamber
{
    /// <summary>Smallest and largest chamber taken, each way, mm.</summary>
    public static readonly (double Least, double Most) Sizes = (100, 3000);

    /// <summary>Most shelves of a kind, and most peepholes.</summary>
    public const int MostShelves = 40;

    private const double ThickestShelf = 60;
    private const int MostKinds = 4;
    private const int MostPeepholes = 12;

    private Chamber(ChamberShape shape) => Shape = shape;

    /// <summary>From above.</summary>
    public ChamberShape Shape { get; }

    /// <summary>Inside, left to right.</summary>
    public double Width { get; private init; }

    /// <summary>Inside, front to back.</summary>
    public double Depth { get; private init; }

    /// <summary>Floor to lid.</summary>
    public double Height { get; private init; }

    /// <summary>The lowest shelf's underside above the floor.</summary>
    public double Raise { get; private init; }

    /// <summary>What there is to stand ware on.</summary>
    public ImmutableArray<ShelfStock> Shelves { get; private init; }

    /// <summary>Heights of the peepholes, the lowest first.</summary>
    public ImmutableArray<double> Peepholes { get; private init; }

    /// <summary>Where the temperature is taken; nothing where it is not in the way.</summary>
    public Thermocouple? Thermocouple { get; private init; }

    /// <summary>The shelf that covers everything, where there is one.</summary>
    public ShelfStock? Full => Shelves.FirstOrDefault(s => !s.Half);

    /// <summary>The half shelf, where there is one.</summary>
    public ShelfStock? Half => Shelves.FirstOrDefault(s => s.Half);

    /// <summary>The same with another count of one kind of its shelves.</summary>
    public Chamber With(ShelfStock shelf, int count) => this with { Shelves = Shelves.Replace(shelf, shelf with { Count = count }) };

    /// <summary>mm².</summary>
    public double FloorArea =>
        Shape == ChamberShape.Rectangle
            ? Width * Depth
            : Math.PI * Math.Min(Width, Depth) * Math.Min(Width, Depth) / 4 + Math.Abs(Width - Depth) * Math.Min(Width, Depth);

    /// <summary>
    /// Builds one. Problems name <c>width</c>, <c>depth</c>, <c>height</c>, <c>raise</c>, <c>shelves</c>, <c>shelves[i].width</c> and its other fields,
    /// <c>peepholes</c>, <c>thermocouple.z</c>, <c>thermocouple.reach</c>.
    /// </summary>
    public static Result<Chamber> Create(
        ChamberShape shape,
        double? width,
        double? depth,
        double? height,
        double? raise,
        IReadOnlyList<ShelfStock>? shelves,
        IReadOnlyList<double>? peepholes = null,
        Thermocouple? thermocouple = null
    )
    {
        var problems = new List<Problem>();
        depth ??= width;
        void Between(string field, string what, double? value, double least, double most)
        {
            if (!(value >= least && value <= most))
                problems.Add(
                    new Problem(
                        field,
                        $"{what} is between {Phrases.Number(least)} and {Phrases.Number(most)} "
                            + $"mm{(value is { } said ? $"; this says {Phrases.Number(said)}" : "")}."
                    )
                );
        }
        Between("width", "A chamber's width", width, Sizes.Least, Sizes.Most);
        Between("depth", "A chamber's depth", depth, Sizes.Least, Sizes.Most);
        Between("height", "A chamber's height", height, Sizes.Least, Sizes.Most);
        Between("raise", "The lowest shelf stands above the floor, and its height", raise ?? 25, 0, 300);
        if (shelves is null || shelves.All(s => s.Count <= 0))
            problems.Add(new Problem("shelves", "There are no shelves: ware needs at least one to stand on."));
        if (shelves?.Count > MostKinds)
            problems.Add(new Problem("shelves", $"At most {MostKinds} kinds of shelf; these are {shelves.Count}."));
        foreach (var (i, shelf) in (shelves ?? []).Take(MostKinds).Index())
        {
            Between($"shelves[{i}].width", "A shelf's width", shelf.Width, 50, width is { } w ? Math.Max(50, Math.Min(w, Sizes.Most)) : Sizes.Most);
            Between($"shelves[{i}].depth", "A shelf's depth", shelf.Depth, 50, depth is { } d ? Math.Max(50, Math.Min(d, Sizes.Most)) : Sizes.Most);
            Between($"shelves[{i}].thickness", "A shelf's thickness", shelf.Thickness, 3, ThickestShelf);
            if (shelf.Count is < 0 or > MostShelves)
                problems.Add(new Problem($"shelves[{i}].count", $"0 to {MostShelves} shelves of a kind; this says {shelf.Count}."));
        }
        if (peepholes?.Count > MostPeepholes)
            problems.Add(new Problem("peepholes", $"At most {MostPeepholes} peepholes; these are {peepholes.Count}."));
        foreach (var z in (peepholes ?? []).Take(MostPeepholes))
        {
            if (!(z > 0 && z < (height ?? Sizes.Most)))
                problems.Add(new Problem("peepholes", $"A peephole is between the floor and the lid; this one is at {Phrases.Number(z)} mm."));
        }
        if (thermocouple is { } tip)
        {
            Between("thermocouple.z", "The thermocouple's height", tip.Z, 0, height is { } h ? Math.Clamp(h, Sizes.Least, Sizes.Most) : Sizes.Most);
            Between(
                "thermocouple.reach",
                "How far the thermocouple reaches in",
                tip.Reach,
                0,
                depth is { } d ? Math.Clamp(d, Sizes.Least, Sizes.Most) : Sizes.Most
            );
        }
        return problems.Count > 0
            ? Result<Chamber>.Failed(problems)
            : new Chamber(shape)
            {
                Width = width!.Value,
                Depth = depth!.Value,
                Height = height!.Value,
                Raise = raise ?? 25,
                Shelves = [.. shelves!.Where(s => s.Count > 0)],
                Peepholes = [.. (peepholes ?? []).Order()],
                Thermocouple = thermocouple,
            };
    }
}
