namespace ZealousEmber.Core.Packing;

/// <summary>The chambers and furniture the classes of kiln usually have. Source: the project's paper on packing.</summary>
public static class ChamberClass
{
    private static readonly double[] Heights = [25, 40, 50, 65, 75, 90, 100, 115, 125, 150, 175, 200, 225, 250, 300];
    private static readonly double[] BenchHeights = [12, 25, 40, 50, 75, 100, 125, 150];

    private const double Grain = 5;

    /// <summary>The usual chamber of a class of kiln, by its short name.</summary>
    /// <param name="id">bench, top-100, top-190, top-290, front-200, updraft-300, updraft-700 or downdraft-1000.</param>
    /// <param name="scale">Lengths against those of the class, for a larger or smaller kiln of its kind.</param>
    public static Chamber Usual(string id, double scale = 1)
    {
        var usual = OfClass(id);
        if (Math.Abs(scale - 1) < 0.01)
            return usual;
        // Down to what a tape measure shows: never larger than the kiln.
        double Scaled(double mm) => Math.Floor(mm * scale / Grain) * Grain;
        return Chamber
            .Create(
                usual.Shape,
                Math.Clamp(Scaled(usual.Width), Chamber.Sizes.Least, Chamber.Sizes.Most),
                Math.Clamp(Scaled(usual.Depth), Chamber.Sizes.Least, Chamber.Sizes.Most),
                Math.Clamp(Scaled(usual.Height), Chamber.Sizes.Least, Chamber.Sizes.Most),
                usual.Raise,
                [.. usual.Shelves.Select(s => s with { Width = Math.Max(50, Scaled(s.Width)), Depth = Math.Max(50, Scaled(s.Depth)) })],
                [.. usual.Peepholes.Select(Scaled)],
                usual.Thermocouple is { } tip ? tip with { Z = Scaled(tip.Z) } : null
            )
            .Value;
    }

    private static Chamber OfClass(string id) =>
        (
            id switch
            {
                "bench" => Chamber.Create(ChamberShape.Rectangle, 285, 285, 285, 12, [new(235, 235, 10, 4)], [90], new(215, 25)),
                "top-100" => Round(480, 550, 420, 16, 205, 8, [120, 380], new(300, 30)),
                "top-190" => Round(585, 710, 530, 18, 260, 8, [110, 330, 560], new(400, 30)),
                "top-290" => Round(700, 755, 640, 18, 315, 8, [110, 390, 680], new(430, 30)),
                "front-200" => Chamber.Create(
                    ChamberShape.Rectangle,
                    550,
                    550,
                    660,
                    25,
                    [new(490, 490, 18, 8), new(490, 242, 18, 10, Half: true)],
                    [110, 500],
                    new(400, 40)
                ),
                "updraft-300" => Chamber.Create(
                    ChamberShape.Rectangle,
                    600,
                    600,
                    830,
                    65,
                    [new(490, 490, 18, 7), new(490, 242, 18, 8, Half: true)],
                    [150, 620],
                    new(500, 40)
                ),
                "updraft-700" => Chamber.Create(ChamberShape.Rectangle, 840, 840, 1000, 65, [new(700, 345, 20, 22)], [160, 780], new(600, 40)),
                "downdraft-1000" => Chamber.Create(ChamberShape.Rectangle, 1000, 1000, 1000, 65, [new(600, 390, 22, 28)], [160, 780], new(600, 50)),
                _ => throw new ArgumentOutOfRangeException(nameof(id), id, "no class of kiln"),
            }
        ).Value;

    /// <summary>The props usual with a class of kiln.</summary>
    public static PropStock UsualProps(string id) =>
        (
            id == "bench"
                ? PropStock.Create(25, 2, [.. BenchHeights.Select(h => new PropCount(h, 6))])
                : PropStock.Create(38, 2, [.. Heights.Select(h => new PropCount(h, h == 125 ? 18 : 12))])
        ).Value;

    private static Result<Chamber> Round(
        double across,
        double height,
        double shelf,
        double thick,
        double half,
        int count,
        double[] peepholes,
        Thermocouple tip
    ) =>
        Chamber.Create(
            ChamberShape.Round,
            across,
            across,
            height,
            25,
            [new(shelf, shelf, thick, count), new(shelf, half, thick, count, Half: true)],
            peepholes,
            tip
        );
}
