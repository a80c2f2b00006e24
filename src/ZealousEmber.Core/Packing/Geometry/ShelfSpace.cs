namespace ZealousEmber.Core.Packing.Geometry;

/// <summary>A disc in the way.</summary>
internal readonly record struct Disc(double X, double Y, double R);

/// <summary>A bar in the way, standing at any angle: a line with so much room to either side.</summary>
internal readonly record struct Bar(double X1, double Y1, double X2, double Y2, double R)
{
    /// <summary>From a point to the nearest of its line.</summary>
    public (double X, double Y) From(double x, double y)
    {
        var (ax, ay) = (X2 - X1, Y2 - Y1);
        var square = ax * ax + ay * ay;
        var t = square > 0 ? Math.Clamp(((x - X1) * ax + (y - Y1) * ay) / square, 0, 1) : 0;
        return (x - X1 - t * ax, y - Y1 - t * ay);
    }
}

/// <summary>A box in the way, its sides along the axes, with so much room around it.</summary>
internal readonly record struct Box(double X, double Y, double HalfX, double HalfY, double Margin = 0)
{
    /// <summary>From the nearest point of the box to a point outside; nothing inside.</summary>
    public (double X, double Y) From(double x, double y) => (x - Math.Clamp(x, X - HalfX, X + HalfX), y - Math.Clamp(y, Y - HalfY, Y + HalfY));
}

/// <summary>The room on a shelf: where ware may be, where its foot may be, and what is in the way. mm.</summary>
/// <param name="Ware">All of a piece stays within it.</param>
/// <param name="Shelf">Its foot stays within it.</param>
/// <param name="Discs">Props with the room they are given.</param>
/// <param name="Bars">Lines of sight.</param>
/// <param name="Boxes">Packs, and pieces with sides.</param>
/// <param name="Tip">The thermocouple's tip: where, and the height over the shelf's top.</param>
/// <param name="TipRoom">Kept free around it in space.</param>
internal sealed record ShelfSpace(Outline Ware, Outline Shelf, Disc[] Discs, Bar[] Bars, Box[] Boxes, (double X, double Y, double Z)? Tip, double TipRoom)
{
    /// <summary>What is kept free around the tip sideways, for a piece so tall; 0 where it passes under it.</summary>
    public double TipRadius(double height)
    {
        if (Tip is not { } tip)
            return 0;
        var dz =
            tip.Z < 0 ? -tip.Z
            : tip.Z > height ? tip.Z - height
            : 0;
        return dz >= TipRoom ? 0 : Math.Sqrt(TipRoom * TipRoom - dz * dz);
    }

    /// <summary>How far a disc may grow about a point before it meets anything but ware.</summary>
    public double Room(double x, double y, double tipRadius)
    {
        var room = Ware.Room(x, y);
        foreach (var disc in Discs)
            room = Math.Min(room, Math.Sqrt((x - disc.X) * (x - disc.X) + (y - disc.Y) * (y - disc.Y)) - disc.R);
        foreach (var bar in Bars)
            room = Math.Min(room, Length(bar.From(x, y)) - bar.R);
        foreach (var box in Boxes)
            room = Math.Min(room, Length(box.From(x, y)) - box.Margin);
        if (tipRadius > 0 && Tip is { } tip)
            room = Math.Min(room, Math.Sqrt((x - tip.X) * (x - tip.X) + (y - tip.Y) * (y - tip.Y)) - tipRadius);
        return room;
    }

    /// <summary>The same with more in the way.</summary>
    public ShelfSpace With(IEnumerable<Box> boxes) => this with { Boxes = [.. Boxes, .. boxes] };

    /// <summary>mm² that ware may cover: what is in the way taken off.</summary>
    public double FreeArea =>
        Math.Max(1, Ware.Area - Discs.Sum(d => Math.PI * d.R * d.R) * 0.8 - Boxes.Sum(b => 4 * (b.HalfX + b.Margin) * (b.HalfY + b.Margin)));

    private static double Length((double X, double Y) v) => Math.Sqrt(v.X * v.X + v.Y * v.Y);
}
