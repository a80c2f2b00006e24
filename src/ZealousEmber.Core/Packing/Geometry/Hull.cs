namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>For the check, which shares nothing with the packer: a point, a line or a rectangle with so much round it; mm.</summary>
/// <param name="Corners">One, two, or four in order.</param>
/// <param name="R">Round it.</param>
internal readonly record struct Hull((double X, double Y)[] Corners, double R)
{
    /// <summary>A disc.</summary>
    public static Hull Disc(double x, double y, double r) => new([(x, y)], r);

    /// <summary>A bar with round ends.</summary>
    public static Hull Bar(double x1, double y1, double x2, double y2, double r) => new([(x1, y1), (x2, y2)], r);

    /// <summary>A rectangle about a point, turned by radians.</summary>
    public static Hull Rectangle(double x, double y, double width, double depth, double turn)
    {
        var (sin, cos) = Math.SinCos(turn);
        (double, double) At(double u, double v) => (x + u * cos - v * sin, y + u * sin + v * cos);
        return new([At(-width / 2, -depth / 2), At(width / 2, -depth / 2), At(width / 2, depth / 2), At(-width / 2, depth / 2)], 0);
    }

    /// <summary>What lies between two of them; less than nothing where they overlap.</summary>
    public double Between(Hull other)
    {
        if (Holds(other.Corners[0]) || other.Holds(Corners[0]))
            return -R - other.R;
        var least = double.PositiveInfinity;
        foreach (var a in Edges())
        {
            foreach (var b in other.Edges())
                least = Math.Min(least, Apart(a, b));
        }
        return least - R - other.R;
    }

    private IEnumerable<((double X, double Y) A, (double X, double Y) B)> Edges()
    {
        if (Corners.Length < 3)
        {
            yield return (Corners[0], Corners[^1]);
            yield break;
        }
        for (var i = 0; i < Corners.Length; i++)
            yield return (Corners[i], Corners[(i + 1) % Corners.Length]);
    }

    private bool Holds((double X, double Y) p)
    {
        if (Corners.Length < 3)
            return false;
        foreach (var (a, b) in Edges())
        {
            if ((b.X - a.X) * (p.Y - a.Y) - (b.Y - a.Y) * (p.X - a.X) < 0)
                return false;
        }
        return true;
    }

    private static double Apart(((double X, double Y) A, (double X, double Y) B) s, ((double X, double Y) A, (double X, double Y) B) t)
    {
        if (Cross(s, t))
            return 0;
        return Math.Min(Math.Min(ToLine(s.A, t), ToLine(s.B, t)), Math.Min(ToLine(t.A, s), ToLine(t.B, s)));
    }

    private static bool Cross(((double X, double Y) A, (double X, double Y) B) s, ((double X, double Y) A, (double X, double Y) B) t)
    {
        static double Side((double X, double Y) a, (double X, double Y) b, (double X, double Y) p) => (b.X - a.X) * (p.Y - a.Y) - (b.Y - a.Y) * (p.X - a.X);
        return Side(s.A, s.B, t.A) * Side(s.A, s.B, t.B) < 0 && Side(t.A, t.B, s.A) * Side(t.A, t.B, s.B) < 0;
    }

    private static double ToLine((double X, double Y) p, ((double X, double Y) A, (double X, double Y) B) line)
    {
        var (ax, ay) = (line.B.X - line.A.X, line.B.Y - line.A.Y);
        var square = ax * ax + ay * ay;
        var t = square > 0 ? Math.Clamp(((p.X - line.A.X) * ax + (p.Y - line.A.Y) * ay) / square, 0, 1) : 0;
        return Math.Sqrt(Math.Pow(p.X - line.A.X - t * ax, 2) + Math.Pow(p.Y - line.A.Y - t * ay, 2));
    }
}
