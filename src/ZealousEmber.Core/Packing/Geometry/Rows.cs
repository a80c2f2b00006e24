namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>A piece with sides, from above; mm.</summary>
/// <param name="Lot">Index of its lot.</param>
/// <param name="Width">Along its first side.</param>
/// <param name="Depth">Along the other.</param>
/// <param name="Foot">What of its first side stands on the shelf, a share; a handle does not.</param>
/// <param name="FootDeep">The same of the other side.</param>
/// <param name="Height">With the slab under it.</param>
internal sealed record Slab(int Lot, double Width, double Depth, double Foot, double FootDeep, double Height)
{
    /// <summary>A stack of a lot on a shelf; a handle counts with its first side.</summary>
    public static Slab Of(PackingRequest request, int lot, int stack)
    {
        var l = request.Lots[lot];
        var (piece, wider) = (l.Piece, request.HasSlab(l) ? PackingRules.Slab.Wider : 0);
        var handle = piece.Handle * (request.Raw ? 0.5 : 1);
        var stands = request.Stands(l) / piece.Across;
        return new Slab(
            lot,
            Math.Max(piece.Across + handle, piece.Foot + wider),
            Math.Max(piece.Deep, piece.Deep * stands),
            Math.Min(1, stands * piece.Across / (piece.Across + handle)),
            Math.Min(1, stands),
            request.HeightOf(l, stack)
        );
    }

    /// <summary>Half of what stands on the shelf along x and along y.</summary>
    public (double X, double Y) FootOf(bool turned) => turned ? (Depth * FootDeep / 2, Width * Foot / 2) : (Width * Foot / 2, Depth * FootDeep / 2);
}

/// <summary>Rectangles in rows across a shelf, each row as far as it goes.</summary>
internal static class Rows
{
    private const double Step = 2;
    private const int Offsets = 12;
    private const int FewForRows = 12;

    /// <summary>Up to so many places, the row at the back first; turned by 90° where that takes more. Quick is good enough to compare by.</summary>
    public static List<Place> Most(ShelfSpace space, Slab slab, double gap, int want, bool quick = false)
    {
        List<Place> best = [];
        foreach (var (turned, across) in new[] { (false, false), (true, false), (false, true), (true, true) })
        {
            var (w, d) = turned ? (slab.Depth, slab.Width) : (slab.Width, slab.Depth);
            for (var offset = 0; offset < Offsets && best.Count < want; offset += quick ? 3 : 1)
            {
                var places = Rowwise(space, slab, w, d, gap, want, across, (double)offset / Offsets * ((across ? w : d) + gap), turned, quick);
                if (places.Count > best.Count)
                    best = places;
            }
        }
        // Where few go on, one by one into the corners takes more than rows do.
        if (!quick && best.Count < want && best.Count <= FewForRows)
        {
            foreach (var turned in new[] { false, true })
            {
                var places = OneByOne(space, slab, gap, want, turned);
                if (places.Count > best.Count)
                    best = places;
            }
        }
        return best;
    }

    /// <summary>Each where it is free furthest back, there furthest to the left.</summary>
    private static List<Place> OneByOne(ShelfSpace space, Slab slab, double gap, int want, bool turned)
    {
        var places = new List<Place>();
        var (w, d) = turned ? (slab.Depth, slab.Width) : (slab.Width, slab.Depth);
        var (footX, footY) = slab.FootOf(turned);
        var (halfW, halfD) = space.Ware.Half;
        var (mx, my) = space.Ware.Middle;
        for (var v = halfD - d / 2; v >= -halfD + d / 2 && places.Count < want; v -= Step)
        {
            for (var u = -halfW + w / 2; u <= halfW - w / 2 && places.Count < want; )
            {
                var (x, y) = (mx + u, my + v);
                var inTheWay = places.FindIndex(p => Math.Abs(p.X - x) < w + gap && Math.Abs(p.Y - y) < d + gap);
                if (inTheWay >= 0)
                    u = Math.Max(u + 1e-3, places[inTheWay].X - mx + w + gap + 1e-6);
                else if (IsFree(space, x, y, w / 2, d / 2, footX, footY, slab.Height))
                {
                    places.Add(new Place(x, y, turned ? Math.PI / 2 : 0));
                    u += w + gap;
                }
                else
                    u += Step;
            }
        }
        return places;
    }

    /// <summary>A box, with its margin, stands in a bar.</summary>
    public static bool Meets(Bar bar, Box box)
    {
        // Sight goes from front to back: looked at along its line.
        for (var t = 0.0; t <= 1; t += 1 / 32.0)
        {
            if (Apart(box.X, box.Y, box.HalfX, box.HalfY, bar.X1 + (bar.X2 - bar.X1) * t, bar.Y1 + (bar.Y2 - bar.Y1) * t) < bar.R + box.Margin)
                return true;
        }
        return false;
    }

    /// <summary>True when a rectangle may stand there as far as everything but the ware goes.</summary>
    public static bool IsFree(ShelfSpace space, double x, double y, double halfX, double halfY, double footX, double footY, double height)
    {
        const double safe = Relaxer.Swollen;
        foreach (var (sx, sy) in new[] { (1, 1), (1, -1), (-1, 1), (-1, -1) })
        {
            if (space.Ware.Room(x + sx * halfX, y + sy * halfY) < safe || space.Shelf.Room(x + sx * footX, y + sy * footY) < safe)
                return false;
        }
        foreach (var disc in space.Discs)
        {
            if (Apart(x, y, halfX, halfY, disc.X, disc.Y) < disc.R + safe)
                return false;
        }
        if (Array.Exists(space.Bars, bar => Meets(bar, new Box(x, y, halfX, halfY, safe))))
            return false;
        foreach (var box in space.Boxes)
        {
            var (dx, dy) = (Math.Max(0, Math.Abs(x - box.X) - halfX - box.HalfX), Math.Max(0, Math.Abs(y - box.Y) - halfY - box.HalfY));
            if (dx * dx + dy * dy < (box.Margin + safe) * (box.Margin + safe))
                return false;
        }
        var tip = space.TipRadius(height);
        return tip == 0 || space.Tip is not { } at || Apart(x, y, halfX, halfY, at.X, at.Y) >= tip + safe;
    }

    private static List<Place> Rowwise(
        ShelfSpace space,
        Slab slab,
        double w,
        double d,
        double gap,
        int want,
        bool across,
        double offset,
        bool turned,
        bool quick
    )
    {
        var step = quick ? 3 * Step : Step;
        var (footX, footY) = slab.FootOf(turned);
        var places = new List<Place>();
        var (halfW, halfD) = space.Ware.Half;
        var (mx, my) = space.Ware.Middle;
        // Rows lie along x; columns, along y, are the same with the two swapped.
        var (along, over) = across ? (halfD, halfW) : (halfW, halfD);
        var (long1, wide) = across ? (d, w) : (w, d);
        for (var v = over - wide / 2 - offset; v >= -over + wide / 2 && places.Count < want; v -= wide + gap)
        {
            var (row, blocked) = (new List<double>(), false);
            for (var u = -along + long1 / 2; u <= along - long1 / 2; )
            {
                var (x, y) = across ? (mx + v, my + u) : (mx + u, my + v);
                if (IsFree(space, x, y, w / 2, d / 2, footX, footY, slab.Height))
                {
                    // As far back along the row as it is free.
                    if (blocked && !quick)
                        u = Earliest(u - step, u, t =>
                            across
                                ? IsFree(space, mx + v, my + t, w / 2, d / 2, footX, footY, slab.Height)
                                : IsFree(space, mx + t, my + v, w / 2, d / 2, footX, footY, slab.Height)
                        );
                    row.Add(u);
                    u += long1 + gap;
                    blocked = false;
                }
                else
                    (u, blocked) = (u + step, true);
            }
            foreach (var u in row.Take(want - places.Count))
                places.Add(new Place(across ? mx + v : mx + u, across ? my + u : my + v, turned ? Math.PI / 2 : 0));
        }
        return places;
    }

    private static double Earliest(double blocked, double free, Func<double, bool> isFree)
    {
        for (var i = 0; i < 6; i++)
        {
            var middle = (blocked + free) / 2;
            if (isFree(middle))
                free = middle;
            else
                blocked = middle;
        }
        return free;
    }

    private static double Apart(double x, double y, double halfX, double halfY, double px, double py)
    {
        var (dx, dy) = (Math.Max(0, Math.Abs(px - x) - halfX), Math.Max(0, Math.Abs(py - y) - halfY));
        return Math.Sqrt(dx * dx + dy * dy);
    }
}
