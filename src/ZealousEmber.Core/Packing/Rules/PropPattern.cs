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
    public static List<ImmutableArray<(double X, double Y)>> All(PackingRequest request, ShelfStock shelf, ShelfRegion region, bool sight)
    {
        var chamber = request.Chamber;
        var patterns = new List<ImmutableArray<(double X, double Y)>>();
        var r = request.Props.Across / 2 + 0.5;
        var (w, d) = (shelf.Width / 2 - r, shelf.Depth / 2 - r);
        var middle = ShelfSpaces.Middle(chamber, shelf, region);
        foreach (var reach in Reaches)
        {
            if (shelf.Half)
            {
                // Two at the cut and one at the rim, or the other way about.
                var cut = region == ShelfRegion.Front ? 1 : -1;
                var corner = chamber.Shape == ChamberShape.Round ? CornerOfHalf(shelf, r) : w;
                patterns.Add([
                    .. new[] { (corner * reach, cut * d), (-corner * reach, cut * d), (0, -cut * d * reach) }.Select(p => (p.Item1, p.Item2 + middle)),
                ]);
                continue;
            }
            if (chamber.Shape == ChamberShape.Rectangle)
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
        bool IsClear(ImmutableArray<(double X, double Y)> pattern) =>
            pattern.All(p =>
                (ShelfSpaces.TipOf(chamber) is not { } tip || Math.Sqrt((p.X - tip.X) * (p.X - tip.X) + (p.Y - tip.Y) * (p.Y - tip.Y)) >= r + OfTip)
                && !(sight && p.Y < 0 && Math.Abs(p.X) < r + PackingRules.SightWidth / 2 + PackingRules.Pack.Width / 2 + PackingRules.Pack.Free)
            );
        var clear = patterns.Where(IsClear).ToList();
        return clear.Count > 0 ? clear : patterns;
    }

    /// <summary>How far from the middle a prop stands at the cut of a half disc, wholly on the shelf.</summary>
    private static double CornerOfHalf(ShelfStock shelf, double r)
    {
        var (radius, cut) = (shelf.Width / 2 - r, shelf.Width / 2 - shelf.Depth + r);
        return Math.Sqrt(Math.Max(0, radius * radius - cut * cut));
    }
}
