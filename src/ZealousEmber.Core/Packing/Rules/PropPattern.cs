using System.Collections.Immutable;
using ZealousEmber.Core.Packing.Geometry;

namespace ZealousEmber.Core.Packing.Rules;

/// <summary>Where props stand on a shelf: three, the same on every level so that they stand over one another.</summary>
internal static class PropPattern
{
    private static readonly double[] Reaches = [1, 0.75, 0.55];
    private const double Turn = 10;
    private const double OfTip = 15;

    /// <summary>Every pattern that is clear of the thermocouple and of the line from the peepholes; at least one.</summary>
    public static List<ImmutableArray<(double X, double Y)>> All(PackingRequest request, ShelfGrid grid, ShelfSlot slot, bool sight)
    {
        var chamber = request.Chamber;
        var patterns = new List<ImmutableArray<(double X, double Y)>>();
        var r = request.Props.Across / 2 + 0.5;
        var (w, d) = (grid.Width / 2 - r, grid.Depth / 2 - r);
        var place = grid.At(slot);
        foreach (var reach in Reaches)
        {
            if (grid.PropsAtTheCut)
            {
                // Two at the cut and one at the rim, or the other way about.
                var cut = slot.Region == ShelfRegion.Front ? 1 : -1;
                var corner = chamber.Shape == ChamberShape.Round ? CornerOfHalf(grid, r) : w;
                patterns.Add([(corner * reach, cut * d), (-corner * reach, cut * d), (0, -cut * d * reach)]);
                continue;
            }
            if (chamber.Shape == ChamberShape.Rectangle || (grid.Columns * grid.Rows > 1 && grid.Width != grid.Depth))
            {
                foreach (var (sx, sy) in new[] { (1, 1), (1, -1), (-1, 1), (-1, -1) })
                {
                    // Two corners of a side, and the middle of the one opposite.
                    patterns.Add(
                        sx > 0
                            ? [(w * reach, sy * d * reach), (-w * reach, sy * d * reach), (0, -sy * d * reach)]
                            : [(sy * w * reach, d * reach), (sy * w * reach, -d * reach), (-sy * w * reach, 0)]
                    );
                }
                continue;
            }
            for (var turn = 0.0; turn < 120; turn += Turn)
            {
                patterns.Add([
                    .. Enumerable
                        .Range(0, 3)
                        .Select(k =>
                        {
                            var (sin, cos) = Math.SinCos((turn + 120 * k) * Math.PI / 180);
                            return (w * reach * cos, d * reach * sin);
                        }),
                ]);
            }
        }
        patterns = [.. patterns.Select(p => p.Select(at => (at.X + place.X, at.Y + place.Y)).ToImmutableArray())];
        if (grid.Columns * grid.Rows > 1)
        {
            // The corners of a part of an oval are not on it.
            var shelf = ShelfSpaces.ShelfOf(chamber, grid, slot);
            patterns = Preferred(patterns, p => p.All(at => shelf.Room(at.X, at.Y) >= r - 0.5));
        }
        patterns = Preferred(patterns, p => Balance.Inside(p, place.X, place.Y) >= PackingRules.TipsOver + 2);
        bool IsClear(ImmutableArray<(double X, double Y)> pattern) =>
            pattern.All(p =>
                (ShelfSpaces.TipOf(chamber) is not { } tip || Math.Sqrt((p.X - tip.X) * (p.X - tip.X) + (p.Y - tip.Y) * (p.Y - tip.Y)) >= r + OfTip)
                && !(sight && p.Y < 0 && Math.Abs(p.X) < r + PackingRules.SightWidth / 2 + PackingRules.Pack.Width / 2 + PackingRules.Pack.Free)
            );
        return Preferred(patterns, IsClear);
    }

    private static List<ImmutableArray<(double X, double Y)>> Preferred(
        List<ImmutableArray<(double X, double Y)>> patterns,
        Predicate<ImmutableArray<(double X, double Y)>> which
    ) => patterns.FindAll(which) is { Count: > 0 } some ? some : patterns;

    /// <summary>How far from the middle a prop stands at the cut of a half disc, wholly on the shelf.</summary>
    private static double CornerOfHalf(ShelfGrid grid, double r)
    {
        var (radius, cut) = (grid.Width / 2 - r, grid.Width / 2 - grid.Depth + r);
        return Math.Sqrt(Math.Max(0, radius * radius - cut * cut));
    }
}
