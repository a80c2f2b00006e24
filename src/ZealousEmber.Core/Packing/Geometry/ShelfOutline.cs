using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>The edge of a shelf as it lies, to be drawn.</summary>
public static class ShelfOutline
{
    private const int Rays = 72;
    private const int Halvings = 24;

    /// <summary>Points around it, mm from the chamber's axis: its corners, or the round edge in steps of five degrees.</summary>
    public static ImmutableArray<(double X, double Y)> Of(Chamber chamber, PlacedShelf shelf)
    {
        var (grid, slot) = ShelfGrid.Of(chamber, shelf);
        var at = grid.At(slot);
        if (chamber.Shape == ChamberShape.Rectangle)
            return
            [
                (at.X - at.Width / 2, at.Y - at.Depth / 2),
                (at.X + at.Width / 2, at.Y - at.Depth / 2),
                (at.X + at.Width / 2, at.Y + at.Depth / 2),
                (at.X - at.Width / 2, at.Y + at.Depth / 2),
            ];
        var outline = ShelfSpaces.ShelfOf(chamber, grid, slot);
        return
        [
            .. Enumerable
                .Range(0, Rays)
                .Select(i =>
                {
                    var (sin, cos) = Math.SinCos(i * 2 * Math.PI / Rays);
                    var (inside, outside) = (0.0, at.Width + at.Depth);
                    for (var k = 0; k < Halvings; k++)
                    {
                        var middle = (inside + outside) / 2;
                        if (outline.Room(at.X + middle * cos, at.Y + middle * sin) >= 0)
                            inside = middle;
                        else
                            outside = middle;
                    }
                    return (Math.Round(at.X + inside * cos, 1), Math.Round(at.Y + inside * sin, 1));
                }),
        ];
    }
}
