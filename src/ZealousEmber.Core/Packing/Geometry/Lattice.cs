namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>Places of equal discs in hexagonal rows, turned and shifted: the first guess of how many stand on a shelf.</summary>
internal static class Lattice
{
    private const int Turns = 4;
    private const int Shifts = 4;

    // Of the shifts, to compare shelves by.
    private const int CompareEvery = 3;

    /// <summary>How many discs stand free in the fullest lattice: good enough to compare shelves by.</summary>
    public static int Count(ShelfSpace space, double r, double gap, double foot)
    {
        var most = 0;
        Each(space, r, gap, foot, 0, 1, CompareEvery, (_, places) => most = Math.Max(most, places));
        return most;
    }

    /// <summary>
    /// The fullest lattices whose every disc is free, the fullest first; each with the number of discs that would be free were they a little smaller.
    /// </summary>
    /// <param name="space">The shelf.</param>
    /// <param name="r">Radius of a disc, mm.</param>
    /// <param name="gap">Between discs, mm.</param>
    /// <param name="foot">Radius of what has to stand on the shelf.</param>
    /// <param name="tip">Kept free around the thermocouple.</param>
    /// <param name="keep">How many of them.</param>
    /// <param name="squeeze">Spacing against the true one; under 1 the discs overlap a little.</param>
    public static List<List<(double X, double Y)>> Fullest(ShelfSpace space, double r, double gap, double foot, double tip, int keep, double squeeze = 1)
    {
        var found = new List<List<(double X, double Y)>>();
        var places = new List<(double X, double Y)>();
        Each(space, r, gap, foot, tip, squeeze, 1, (place, _) =>
        {
            if (place is { } p)
                places.Add(p);
            else
            {
                found.Add(places);
                places = [];
            }
        });
        return [.. found.OrderByDescending(f => f.Count).Take(keep)];
    }

    /// <summary>Goes through the lattices: every free place, and after each lattice nothing, with how many it had.</summary>
    private static void Each(
        ShelfSpace space,
        double r,
        double gap,
        double foot,
        double tip,
        double squeeze,
        int every,
        Action<(double X, double Y)?, int> visit
    )
    {
        var pitch = (2 * r + gap) * squeeze + Relaxer.Swollen;
        var row = pitch * Math.Sqrt(3) / 2;
        var reach = Math.Sqrt(space.Ware.Half.X * space.Ware.Half.X + space.Ware.Half.Y * space.Ware.Half.Y);
        var rows = (int)(reach / row) + 1;
        var columns = (int)(reach / pitch) + 2;
        var less = (1 - squeeze) * r * 2;
        for (var turn = 0; turn < Turns; turn++)
        {
            var (sin, cos) = Math.SinCos(turn * Math.PI / 3 / Turns);
            for (var shift = turn % every; shift < Shifts * Shifts; shift += every)
            {
                double sx = (double)(shift % Shifts) / Shifts * pitch,
                    sy = (double)(shift / Shifts) / Shifts * 2 * row;
                var count = 0;
                for (var i = -rows - 2; i <= rows; i++)
                {
                    for (var j = -columns; j <= columns; j++)
                    {
                        double u = j * pitch + (i & 1) * pitch / 2 + sx,
                            v = i * row + sy;
                        double x = u * cos - v * sin + space.Ware.Middle.X,
                            y = u * sin + v * cos + space.Ware.Middle.Y;
                        if (space.Ware.Room(x, y) < r - less || space.Shelf.Room(x, y) < foot - less || space.Room(x, y, tip) < r - less)
                            continue;
                        count++;
                        visit((x, y), count);
                    }
                }
                visit(null, count);
            }
        }
    }
}
