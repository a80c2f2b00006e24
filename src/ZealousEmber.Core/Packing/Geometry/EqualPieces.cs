namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>A place on a shelf.</summary>
internal readonly record struct Place(double X, double Y, double Turn);

/// <summary>As many pieces of one kind on a shelf as will stand there.</summary>
internal static class EqualPieces
{
    // No start that stuck above so much ever came free: in 100 shelves none above 0.043 r².
    private const double Hopeless = 0.05;
    private const int HopelessStarts = 3;
    private const double Densest = 0.9069;

    /// <summary>How hard it is tried.</summary>
    /// <param name="Starts">For each further piece.</param>
    /// <param name="Jumps">For each start: the most squeezed piece goes to the emptiest place.</param>
    public readonly record struct Effort(int Starts, int Jumps)
    {
        /// <summary>Good enough to compare by.</summary>
        public static readonly Effort Quick = new(2, 1);

        /// <summary>For the answer.</summary>
        public static readonly Effort Full = new(6, 3);

        /// <summary>Where nobody waits.</summary>
        public static readonly Effort Patient = new(14, 4);
    }

    /// <summary>Up to so many places.</summary>
    public static List<Place> Most(ShelfSpace space, Body body, double gap, int want, Effort effort)
    {
        if (want <= 0)
            return [];
        var tip = space.TipRadius(body.Height);
        var dice = new SeededRandom(17);
        var squeezed = Lattice.Fullest(space, body.R, gap, body.Foot, tip, 4, 0.95);
        var best = body.IsRound
            ? [.. Lattice.Fullest(space, body.R, gap, body.Foot, tip, 1)[0].Select(p => new Place(p.X, p.Y, 0))]
            : FirstTurned(space, body, gap, tip, ref dice);
        if (best.Count > want)
            return Nearest(best, want);
        var hopeless = 0;
        var r = body.R + gap / 2;
        var most =
            (int)(
                (space.Ware.Area + gap * 2 * (space.Ware.Half.X + space.Ware.Half.Y))
                * Densest
                / (body.Area + (r * r - body.R * body.R) * Math.PI)
                * (body.IsRound ? 1 : 1.15)
            ) + 1;
        while (best.Count < want && best.Count < most)
        {
            var next = OneMore(space, body, gap, best, squeezed, effort, ref dice, ref hopeless);
            if (next is null)
                break;
            best = next;
            hopeless = 0;
        }
        return best;
    }

    private static List<Place>? OneMore(
        ShelfSpace space,
        Body body,
        double gap,
        List<Place> best,
        List<List<(double X, double Y)>> squeezed,
        Effort effort,
        ref SeededRandom dice,
        ref int hopeless
    )
    {
        var n = best.Count + 1;
        for (var start = 0; start < effort.Starts; start++)
        {
            var relaxer = new Relaxer(space, gap);
            if (start == 0)
            {
                foreach (var p in best)
                    relaxer.Add(body, p.X, p.Y, p.Turn);
                AddInEmptiest(relaxer, body, ref dice);
            }
            else if (start % 2 == 1 && start / 2 < squeezed.Count && squeezed[start / 2].Count >= n - 2)
            {
                foreach (var (x, y) in Spread(squeezed[start / 2], n))
                    relaxer.Add(body, x, y, dice.Between(0, 2 * Math.PI));
                while (relaxer.Count < n)
                    AddInEmptiest(relaxer, body, ref dice);
            }
            else
            {
                var (w, d) = space.Ware.Half;
                while (relaxer.Count < n)
                {
                    double x = space.Ware.Middle.X + dice.Between(-w, w),
                        y = space.Ware.Middle.Y + dice.Between(-d, d);
                    if (space.Ware.Room(x, y) > 0)
                        relaxer.Add(body, x, y, dice.Between(0, 2 * Math.PI));
                }
            }
            var energy = relaxer.Jump(relaxer.Relax(), effort.Jumps, StepFor(body));
            if (relaxer.IsFree)
                return Places(relaxer);
            if (energy > Hopeless * body.R * body.R && ++hopeless >= HopelessStarts)
                return null;
        }
        return null;
    }

    /// <summary>With handles turned: as many as go on one after another, each let go before the next.</summary>
    private static List<Place> FirstTurned(ShelfSpace space, Body body, double gap, double tip, ref SeededRandom dice)
    {
        var relaxer = new Relaxer(space, gap);
        // As if every second handle stood in a gap of the others.
        var loose = body.R + (body.Reach - body.R) * 0.3;
        foreach (var (x, y) in Lattice.Fullest(space, loose, gap, body.Foot, tip, 1)[0])
            relaxer.Add(body, x, y, dice.Between(0, 2 * Math.PI));
        relaxer.Relax(100);
        while (!relaxer.IsFree && relaxer.Count > 0)
        {
            // The one that is squeezed most goes.
            var stuck = relaxer.MostSqueezed();
            var kept = Enumerable.Range(0, relaxer.Count).Where(i => i != stuck).Select(relaxer.PlaceOf).ToList();
            relaxer = new Relaxer(space, gap);
            foreach (var (x, y, turn) in kept)
                relaxer.Add(body, x, y, turn);
            relaxer.Relax(100);
        }
        return Places(relaxer);
    }

    private static void AddInEmptiest(Relaxer relaxer, Body body, ref SeededRandom dice)
    {
        var (x, y) = relaxer.Now(StepFor(body)).Emptiest(body.Foot, body.Height);
        relaxer.Add(body, x, y, dice.Between(0, 2 * Math.PI));
    }

    private static double StepFor(Body body) => Math.Max(8, body.R / 3);

    internal static List<Place> Places(Relaxer relaxer) =>
        [.. Enumerable.Range(0, relaxer.Count).Select(relaxer.PlaceOf).Select(p => new Place(p.X, p.Y, p.Turn))];

    /// <summary>So many of too many places: those nearest the middle go last.</summary>
    private static List<Place> Nearest(List<Place> places, int want) => [.. places.OrderByDescending(p => p.X * p.X + p.Y * p.Y).Take(want)];

    private static IEnumerable<(double X, double Y)> Spread(List<(double X, double Y)> places, int want) =>
        places.OrderByDescending(p => p.X * p.X + p.Y * p.Y).Take(want);
}
