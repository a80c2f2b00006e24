namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>A piece from above as discs: one for its body, and where its handle is turned a row of them for that.</summary>
internal sealed class Body
{
    private const double Close = 5;

    private Body(int lot, Disc[] parts, double foot, double height)
    {
        (Lot, Parts, Foot, Height) = (lot, parts, foot, height);
        Reach = parts.Max(p => Math.Sqrt(p.X * p.X + p.Y * p.Y) + p.R);
    }

    /// <summary>Index of its lot.</summary>
    public int Lot { get; }

    /// <summary>Its discs, the body first, with the handle along x.</summary>
    public Disc[] Parts { get; }

    /// <summary>Radius of what stands on the shelf.</summary>
    public double Foot { get; }

    /// <summary>With the slab under it.</summary>
    public double Height { get; }

    /// <summary>From its middle to its furthest edge.</summary>
    public double Reach { get; }

    /// <summary>Radius of its body.</summary>
    public double R => Parts[0].R;

    /// <summary>True when it may stand any way round.</summary>
    public bool IsRound => Parts.Length == 1;

    /// <summary>mm² it covers.</summary>
    public double Area => Math.PI * R * R + (IsRound ? 0 : PackingRules.HandleWidth * (Reach - R));

    /// <summary>A disc.</summary>
    public static Body Round(int lot, double r, double foot, double height) => new(lot, [new Disc(0, 0, r)], foot, height);

    /// <summary>A stack of a lot on a shelf.</summary>
    public static Body Of(PackingRequest request, int lot, int stack)
    {
        var l = request.Lots[lot];
        var (piece, stands, height) = (l.Piece, request.Stands(l), request.HeightOf(l, stack));
        // Among raw ware handles stand in the gaps.
        var body = Math.Max(piece.Across, stands);
        if (request.Handles == HandleChoice.Any || piece.Handle <= 0)
            return Round(lot, Math.Max(piece.Across + piece.Handle * (request.Raw ? 0.5 : 1), stands) / 2, stands / 2, height);
        var (r, end) = (PackingRules.HandleWidth / 2, piece.Across / 2 + piece.Handle - PackingRules.HandleWidth / 2);
        var parts = new List<Disc> { new(0, 0, body / 2) };
        var from = Math.Min(end, body / 2 - r / 2);
        var rows = Math.Max(1, (int)Math.Ceiling((end - from) / Close));
        // So large that the bar lies wholly within the row.
        var step = (end - from) / rows;
        var covers = Math.Sqrt(r * r + step * step / 4);
        for (var k = 1; k <= rows; k++)
            parts.Add(new Disc(from + step * k, 0, covers));
        return new Body(lot, [.. parts], stands / 2, height);
    }
}
