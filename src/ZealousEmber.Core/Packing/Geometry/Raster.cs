namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>A shelf as a grid of places, each with how much room there is about it: where the next piece stands tightest, and where it is emptiest.</summary>
internal sealed class Raster
{
    private readonly ShelfSpace space;
    private readonly double[] xs;
    private readonly double[] ys;
    private readonly double[] room;
    private readonly double[] second;
    private readonly double[] foot;

    public Raster(ShelfSpace space, double step)
    {
        this.space = space;
        var (w, d) = space.Ware.Half;
        var (mx, my) = space.Ware.Middle;
        var places = new List<(double X, double Y)>();
        for (var y = -d; y <= d; y += step)
        {
            for (var x = -w; x <= w; x += step)
            {
                if (space.Ware.Room(mx + x, my + y) > 0)
                    places.Add((mx + x, my + y));
            }
        }
        xs = [.. places.Select(p => p.X)];
        ys = [.. places.Select(p => p.Y)];
        (room, second, foot) = (new double[xs.Length], new double[xs.Length], new double[xs.Length]);
        for (var i = 0; i < xs.Length; i++)
        {
            foot[i] = space.Shelf.Room(xs[i], ys[i]);
            (room[i], second[i]) = (space.Ware.Room(xs[i], ys[i]), double.PositiveInfinity);
            foreach (var disc in space.Discs)
                See(i, Math.Sqrt((xs[i] - disc.X) * (xs[i] - disc.X) + (ys[i] - disc.Y) * (ys[i] - disc.Y)) - disc.R);
            foreach (var bar in space.Bars)
                See(i, Length(bar.From(xs[i], ys[i])) - bar.R);
            foreach (var box in space.Boxes)
                See(i, Length(box.From(xs[i], ys[i])) - box.Margin);
        }
    }

    /// <summary>A piece stands there now.</summary>
    public void Put(Body body, double x, double y, double turn, double gap)
    {
        var (sin, cos) = Math.SinCos(turn);
        foreach (var part in body.Parts)
        {
            double px = x + part.X * cos,
                py = y + part.X * sin;
            for (var i = 0; i < xs.Length; i++)
                See(i, Math.Sqrt((xs[i] - px) * (xs[i] - px) + (ys[i] - py) * (ys[i] - py)) - part.R - gap);
        }
    }

    /// <summary>Where a disc is free and nearest to two others, or to a wall and another; nothing when it is free nowhere.</summary>
    public (double X, double Y)? Tightest(double r, double stands, double height)
    {
        var tip = space.TipRadius(height);
        var (best, least) = (-1, double.PositiveInfinity);
        for (var i = 0; i < xs.Length; i++)
        {
            if (room[i] < r + Relaxer.Swollen || foot[i] < stands + Relaxer.Swollen || !ClearOfTip(i, r, tip))
                continue;
            var slack = room[i] + Math.Min(second[i], room[i] + 4 * r);
            if (slack < least)
                (best, least) = (i, slack);
        }
        return best < 0 ? null : (xs[best], ys[best]);
    }

    /// <summary>Where there is most room, over a shelf that bears it.</summary>
    public (double X, double Y) Emptiest(double stands, double height)
    {
        var tip = space.TipRadius(height);
        var (best, most) = (0, double.NegativeInfinity);
        for (var i = 0; i < xs.Length; i++)
        {
            var free = Math.Min(room[i], foot[i] - stands + room[i] * 0.5);
            if (tip > 0 && space.Tip is { } t)
                free = Math.Min(free, Math.Sqrt((xs[i] - t.X) * (xs[i] - t.X) + (ys[i] - t.Y) * (ys[i] - t.Y)) - tip);
            if (free > most)
                (best, most) = (i, free);
        }
        return xs.Length == 0 ? (0, 0) : (xs[best], ys[best]);
    }

    private bool ClearOfTip(int i, double r, double tip) =>
        tip == 0 || space.Tip is not { } t || Math.Sqrt((xs[i] - t.X) * (xs[i] - t.X) + (ys[i] - t.Y) * (ys[i] - t.Y)) >= r + tip + Relaxer.Swollen;

    private void See(int i, double free)
    {
        if (free < room[i])
            (room[i], second[i]) = (free, room[i]);
        else if (free < second[i])
            second[i] = free;
    }

    private static double Length((double X, double Y) v) => Math.Sqrt(v.X * v.X + v.Y * v.Y);
}
