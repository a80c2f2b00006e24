namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>
/// A convex outline on a shelf: two half discs with a straight between them, cut by straight edges; or the edges alone. Lengths in mm.
/// </summary>
internal sealed class Outline
{
    private readonly double radius = double.PositiveInfinity;
    private readonly double straight;
    private readonly bool alongY;
    private readonly double centre;
    private readonly (double Nx, double Ny, double At)[] edges;

    private Outline((double, double, double)[] edges) => this.edges = edges;

    private Outline(double radius, double straight, bool alongY, double centre, (double, double, double)[] edges) =>
        (this.radius, this.straight, this.alongY, this.centre, this.edges) = (radius, straight, alongY, centre, edges);

    /// <summary>Half the width and half the depth of the box around it.</summary>
    public (double X, double Y) Half { get; private init; }

    /// <summary>The middle of that box.</summary>
    public (double X, double Y) Middle { get; private init; }

    /// <summary>mm².</summary>
    public double Area { get; private init; }

    /// <summary>A round or rectangular outline about the axis, each side <paramref name="inset"/> further in.</summary>
    public static Outline Of(bool round, double width, double depth, double inset)
    {
        var (w, d) = (width / 2 - inset, depth / 2 - inset);
        if (w <= 0 || d <= 0)
            return new Outline([(1, 0, -1e9)]);
        if (!round)
            return new Outline([(1, 0, w), (-1, 0, w), (0, 1, d), (0, -1, d)]) { Half = (w, d), Area = 4 * w * d };
        var r = Math.Min(w, d);
        return new Outline(r, Math.Abs(w - d), d > w, 0, []) { Half = (w, d), Area = Math.PI * r * r + 4 * Math.Abs(w - d) * r };
    }

    /// <summary>What lies in front of, or behind, a line from left to right.</summary>
    /// <param name="front">Keep y up to <paramref name="at"/>; else from there.</param>
    /// <param name="at">mm.</param>
    public Outline Cut(bool front, double at)
    {
        var (middle, half, share) = Kept(Middle.Y, Half.Y, front, at);
        return new Outline(radius, straight, alongY, centre, [.. edges, (0, front ? 1 : -1, front ? at : -at)])
        {
            Half = (Half.X, half),
            Middle = (Middle.X, middle),
            Area = Area * share,
        };
    }

    /// <summary>What lies between two lines from front to back; either may be without end.</summary>
    public Outline Between(double left, double right)
    {
        var outline = this;
        foreach (var (keepsLeft, at) in new[] { (false, left), (true, right) })
        {
            if (!double.IsFinite(at))
                continue;
            var (middle, half, share) = Kept(outline.Middle.X, outline.Half.X, keepsLeft, at);
            outline = new Outline(radius, straight, alongY, centre, [.. outline.edges, (keepsLeft ? 1 : -1, 0, keepsLeft ? at : -at)])
            {
                Half = (half, outline.Half.Y),
                Middle = (middle, outline.Middle.Y),
                Area = outline.Area * share,
            };
        }
        return outline;
    }

    /// <summary>The same, moved to the right.</summary>
    public Outline MovedBy(double x) =>
        new(radius, straight, alongY, centre + x, [.. edges.Select(e => (e.Nx, e.Ny, e.At + e.Nx * x))])
        {
            Half = Half,
            Middle = (Middle.X + x, Middle.Y),
            Area = Area,
        };

    private static (double Middle, double Half, double Share) Kept(double middle, double half, bool below, double at)
    {
        var (low, high) = below ? (middle - half, Math.Clamp(at, middle - half, middle + half)) : (Math.Clamp(at, middle - half, middle + half), middle + half);
        return ((low + high) / 2, (high - low) / 2, half > 0 ? (high - low) / (2 * half) : 0);
    }

    /// <summary>How far a disc may grow about a point before it leaves the outline; less than nothing outside.</summary>
    public double Room(double x, double y)
    {
        var room = double.PositiveInfinity;
        if (radius < double.PositiveInfinity)
        {
            var (dx, dy) = FromStraight(x, y);
            room = radius - Math.Sqrt(dx * dx + dy * dy);
        }
        foreach (var (nx, ny, at) in edges)
            room = Math.Min(room, at - nx * x - ny * y);
        return room;
    }

    /// <summary>Overlap squared of a disc that sticks out, its gradient added; and the worst overlap seen.</summary>
    public double Push(double x, double y, double r, ref double gx, ref double gy, ref double worst)
    {
        var energy = 0.0;
        if (radius < double.PositiveInfinity)
        {
            var (dx, dy) = FromStraight(x, y);
            var free = radius - r;
            var square = dx * dx + dy * dy;
            if (free < 0 || square > free * free)
            {
                var d = Math.Sqrt(square);
                var over = d - free;
                energy += over * over;
                if (over > worst)
                    worst = over;
                if (d > 1e-9)
                    (gx, gy) = (gx + 2 * over * dx / d, gy + 2 * over * dy / d);
            }
        }
        foreach (var (nx, ny, at) in edges)
        {
            var over = nx * x + ny * y - (at - r);
            if (over <= 0)
                continue;
            energy += over * over;
            if (over > worst)
                worst = over;
            (gx, gy) = (gx + 2 * over * nx, gy + 2 * over * ny);
        }
        return energy;
    }

    private (double X, double Y) FromStraight(double x, double y) =>
        straight == 0 ? (x - centre, y)
        : alongY ? (x - centre, y - Math.Clamp(y, -straight, straight))
        : (x - centre - Math.Clamp(x - centre, -straight, straight), y);
}
