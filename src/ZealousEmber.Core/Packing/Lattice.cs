namespace ZealousEmber.Core.Packing;

/// <summary>Places of equal discs in hexagonal rows, turned and shifted: the first guess of how many stand on a shelf.</summary>
internal static class Lattice
{
    private const int Turns = 4;
    private const int Shifts = 4;

    /// <summary>The fullest lattices whose every disc is free, the fullest first; each with the number of discs that would be free were they a little smaller.</summary>
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
        var pitch = (2 * r + gap) * squeeze + Relaxer.Swollen;
        var row = pitch * Math.Sqrt(3) / 2;
        var reach = Math.Sqrt(space.Ware.Half.X * space.Ware.Half.X + space.Ware.Half.Y * space.Ware.Half.Y);
        var rows = (int)(reach / row) + 1;
        var columns = (int)(reach / pitch) + 2;
        var needs = r - (1 - squeeze) * r * 2;
        for (var turn = 0; turn < Turns; turn++)
        {
            var (sin, cos) = Math.SinCos(turn * Math.PI / 3 / Turns);
            for (var shift = 0; shift < Shifts * Shifts; shift++)
            {
                double sx = (double)(shift % Shifts) / Shifts * pitch, sy = (double)(shift / Shifts) / Shifts * 2 * row;
                var places = new List<(double X, double Y)>();
                for (var i = -rows - 2; i <= rows; i++)
                {
                    for (var j = -columns; j <= columns; j++)
                    {
                        double u = j * pitch + (i & 1) * pitch / 2 + sx, v = i * row + sy;
                        double x = u * cos - v * sin + space.Ware.Middle.X, y = u * sin + v * cos + space.Ware.Middle.Y;
                        if (space.Ware.Room(x, y) >= needs && space.Shelf.Room(x, y) >= foot - (1 - squeeze) * r * 2 && space.Room(x, y, tip) >= needs) places.Add((x, y));
                    }
                }
                found.Add(places);
            }
        }
        return [.. found.OrderByDescending(f => f.Count).Take(keep)];
    }
}
