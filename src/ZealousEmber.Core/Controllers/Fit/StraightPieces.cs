namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>What it costs to go straight from one point of the wanted curve to another, °C·h: the area between, and hours lost in bands.</summary>
internal sealed class StraightPieces
{
    private readonly WantedCurve wanted;
    private readonly double[][] bandHours;

    public StraightPieces(WantedCurve wanted)
    {
        this.wanted = wanted;
        var points = wanted.Points;
        // Hours in each band from the start to each point.
        bandHours =
        [
            .. wanted.Bands.Select(band =>
            {
                var sums = new double[points.Count];
                for (var i = 1; i < points.Count; i++)
                    sums[i] = sums[i - 1] + band.HoursOf(points[i - 1].Celsius, points[i].Celsius, points[i].Hours - points[i - 1].Hours);
                return sums;
            }),
        ];
    }

    /// <summary>Nothing for a stretch that stays as it is.</summary>
    public double Cost(int from, int to)
    {
        if (to == from + 1)
            return 0;
        var points = wanted.Points;
        var (a, b) = (points[from], points[to]);
        var hours = b.Hours - a.Hours;
        var slope = hours > 0 ? (b.Celsius - a.Celsius) / hours : 0;
        var cost = 0.0;
        var before = 0.0;
        for (var i = from + 1; i <= to; i++)
        {
            var off = points[i].Celsius - (a.Celsius + slope * (points[i].Hours - a.Hours));
            cost += Area(before, off, points[i].Hours - points[i - 1].Hours);
            before = off;
        }
        var cooling = from >= wanted.TopEnd;
        for (var k = 0; k < bandHours.Length; k++)
        {
            if (wanted.Bands[k].Cooling != cooling)
                continue;
            var lost = bandHours[k][to] - bandHours[k][from] - wanted.Bands[k].HoursOf(a.Celsius, b.Celsius, hours);
            if (lost > 0)
                cost += lost * wanted.Bands[k].Cost;
        }
        return cost;
    }

    /// <summary>Between two straight lines that are so far apart at both ends.</summary>
    public static double Area(double one, double other, double hours)
    {
        if (one * other >= 0)
            return Math.Abs(one + other) / 2 * hours;
        return (one * one + other * other) / (2 * (Math.Abs(one) + Math.Abs(other))) * hours;
    }
}
