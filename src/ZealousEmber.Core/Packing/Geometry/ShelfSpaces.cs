using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>The room on a shelf of a chamber, with what is in the way.</summary>
internal static class ShelfSpaces
{
    /// <summary>The thermocouple's tip from above; nothing where there is none.</summary>
    public static (double X, double Y, double Z)? TipOf(Chamber chamber) => chamber.Thermocouple is { } t ? (0, chamber.Depth / 2 - t.Reach, t.Z) : null;

    /// <summary>What a shelf covers.</summary>
    public static Outline ShelfOf(Chamber chamber, ShelfGrid grid, ShelfSlot slot)
    {
        var (round, place) = (chamber.Shape == ChamberShape.Round, grid.At(slot));
        // Round shelves beside each other are each a disc of their own; all others are parts of one outline.
        if (round && grid.Rows == 1 && grid.Width == grid.Depth)
            return Outline.Of(true, grid.Width, grid.Depth, 0).MovedBy(place.X);
        var whole = Outline.Of(round, grid.WholeWidth, grid.WholeDepth, 0);
        if (slot.Region != ShelfRegion.Full)
            whole = whole.Cut(slot.Region == ShelfRegion.Front, slot.Region == ShelfRegion.Front ? -grid.Cut : grid.Cut);
        return whole.Between(
            slot.Column > 1 ? place.X - place.Width / 2 : double.NegativeInfinity,
            slot.Column < grid.Columns ? place.X + place.Width / 2 : double.PositiveInfinity
        );
    }

    /// <summary>The room on a shelf.</summary>
    /// <param name="request">What is packed by which rules.</param>
    /// <param name="grid">Its kind, and how it lies.</param>
    /// <param name="slot">Where it lies.</param>
    /// <param name="top">Its top, mm above the floor.</param>
    /// <param name="props">What stands on it to carry the next; none on the topmost.</param>
    public static ShelfSpace Of(PackingRequest request, ShelfGrid grid, ShelfSlot slot, double top, IEnumerable<(double X, double Y)> props)
    {
        var (chamber, rules) = (request.Chamber, request.Rules);
        var ware = Outline.Of(chamber.Shape == ChamberShape.Round, chamber.Width, chamber.Depth, rules.Wall);
        // Pieces on shelves beside each other keep half the gap each to the line between them.
        if (slot.Region != ShelfRegion.Full)
            ware = ware.Cut(slot.Region == ShelfRegion.Front, (slot.Region == ShelfRegion.Front ? -1 : 1) * rules.Gap / 2);
        var place = grid.At(slot);
        double Line(int side) => place.X + side * ((grid.Width + ShelfGrid.Between) / 2 - KeptToTheLine(request, grid, slot.Column, side));
        ware = ware.Between(slot.Column > 1 ? Line(-1) : double.NegativeInfinity, slot.Column < grid.Columns ? Line(1) : double.PositiveInfinity);
        var tip = TipOf(chamber);
        return new ShelfSpace(
            ware,
            ShelfOf(chamber, grid, slot),
            [.. props.Select(p => new Disc(p.X, p.Y, request.Props.Across / 2 + rules.Prop))],
            [],
            [],
            tip is { } t ? (t.X, t.Y, t.Z - top) : null,
            rules.Tip
        );
    }

    /// <summary>Half the gap; at the line the peepholes look along, room for the sight of a pack on the other side.</summary>
    private static double KeptToTheLine(PackingRequest request, ShelfGrid grid, int column, int side)
    {
        var middle = grid.Columns % 2 == 0 && column == (side > 0 ? grid.Columns / 2 : grid.Columns / 2 + 1);
        return Math.Max(request.Rules.Gap / 2, middle && request.Packs ? PackingRules.SightWidth / 2 : 0);
    }

    /// <summary>The same with a pack on it, and the line of sight to it kept free.</summary>
    public static ShelfSpace WithPack(this ShelfSpace space, PackingRequest request, PlacedPack pack) =>
        space with
        {
            Bars = [.. space.Bars, SightOf(request.Chamber, pack)],
            Boxes = [.. space.Boxes, BoxOf(pack, request.Rules.Gap)],
        };

    /// <summary>What is free from the peephole to its pack.</summary>
    public static Bar SightOf(Chamber chamber, PlacedPack pack) => new(0, -chamber.Depth / 2, pack.X, pack.Y, PackingRules.SightWidth / 2);

    /// <summary>A pack with the room its cones bend into.</summary>
    public static Box BoxOf(PlacedPack pack, double margin)
    {
        var (width, depth, _, free) = PackingRules.Pack;
        return new Box(pack.X + free / 2, pack.Y, (width + free) / 2, depth / 2, margin);
    }

    /// <summary>Where a pack stands on a shelf in sight of a peephole, past what stands there; nothing when it is in sight of none, or has no room.</summary>
    public static PlacedPack? PackOn(
        PackingRequest request,
        ShelfGrid grid,
        ShelfSlot slot,
        double top,
        double opening,
        ImmutableArray<(double X, double Y)> props,
        (Disc[] Discs, Box[] Boxes) standing
    )
    {
        if (slot.Region == ShelfRegion.Back || opening < PackingRules.PackOpening)
            return null;
        var chamber = request.Chamber;
        var seen = chamber.Peepholes.Where(z => z >= top + PackingRules.PeepholeFree && z <= top + opening - PackingRules.PeepholeFree).ToList();
        if (seen.Count == 0)
            return null;
        // Low enough to see the bent tips, not only over them.
        var peephole = seen.MinBy(z => Math.Abs(z - top - PackingRules.Pack.Height / 2));
        var (width, depth, _, free) = PackingRules.Pack;
        var wall = Outline.Of(chamber.Shape == ChamberShape.Round, chamber.Width, chamber.Depth, PackingRules.PackFromWall);
        var space = Of(request, grid, slot, top, props);
        space = space with { Discs = [.. space.Discs, .. standing.Discs], Boxes = standing.Boxes };
        for (var y = -chamber.Depth / 2; y < 0; y += 4)
        {
            foreach (var x in new[] { -10.0, -30, 10, -50, 30, -70, 50, 70 })
            {
                var corners = new[]
                {
                    (x - width / 2, y - depth / 2),
                    (x + width / 2, y - depth / 2),
                    (x - width / 2, y + depth / 2),
                    (x + width / 2, y + depth / 2),
                };
                if (corners.Any(c => wall.Room(c.Item1, c.Item2) < 0.1 || space.Shelf.Room(c.Item1, c.Item2) < 0.1))
                    continue;
                if (
                    !Rows.IsFree(
                        space with
                        {
                            Ware = wall,
                        },
                        x + free / 2,
                        y,
                        (width + free) / 2,
                        depth / 2,
                        (width + free) / 4,
                        depth / 4,
                        PackingRules.Pack.Height
                    )
                )
                    continue;
                var pack = new PlacedPack(x, y, peephole);
                var sight = SightOf(chamber, pack);
                if (
                    props.All(p => sight.From(p.X, p.Y) is var (dx, dy) && Math.Sqrt(dx * dx + dy * dy) >= sight.R + request.Props.Across / 2 + 0.1)
                    && standing.Discs.All(d => sight.From(d.X, d.Y) is var (dx, dy) && Math.Sqrt(dx * dx + dy * dy) >= sight.R + d.R)
                    && standing.Boxes.All(b => !Rows.Meets(sight, b))
                )
                    return pack;
            }
        }
        return null;
    }
}
