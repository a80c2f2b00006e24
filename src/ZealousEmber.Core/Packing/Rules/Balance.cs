using ZealousEmber.Core.Packing.Geometry;

namespace ZealousEmber.Core.Packing.Rules;

/// <summary>Whether a shelf stands firmly on its props.</summary>
internal static class Balance
{
    /// <summary>kg of a shelf.</summary>
    public static double ShelfMass(Chamber chamber, ShelfGrid grid, ShelfSlot slot) =>
        ShelfSpaces.ShelfOf(chamber, grid, slot).Area * grid.Shelf.Thickness * 1e-9 * PackingRules.Furniture.Density;

    /// <summary>The centre of mass of a shelf with ware on it.</summary>
    public static (double X, double Y) Of(PackingRequest request, ShelfGrid grid, ShelfSlot slot, IEnumerable<(int Lot, int Stack, double X, double Y)> ware)
    {
        var mass = ShelfMass(request.Chamber, grid, slot);
        var place = grid.At(slot);
        var (x, y) = (mass * place.X, mass * place.Y);
        foreach (var w in ware)
        {
            var m = w.Stack * request.Lots[w.Lot].PieceMass;
            (mass, x, y) = (mass + m, x + m * w.X, y + m * w.Y);
        }
        return (x / mass, y / mass);
    }

    /// <summary>How far inside the triangle of its props a point lies, mm; less than nothing outside.</summary>
    public static double Inside(IReadOnlyList<(double X, double Y)> props, double x, double y)
    {
        var least = double.PositiveInfinity;
        var turns = Math.Sign((props[1].X - props[0].X) * (props[2].Y - props[0].Y) - (props[1].Y - props[0].Y) * (props[2].X - props[0].X));
        for (var i = 0; i < props.Count; i++)
        {
            var (a, b) = (props[i], props[(i + 1) % props.Count]);
            var (ex, ey) = (b.X - a.X, b.Y - a.Y);
            least = Math.Min(least, turns * (ex * (y - a.Y) - ey * (x - a.X)) / Math.Sqrt(ex * ex + ey * ey));
        }
        return least;
    }
}
