using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Firing.Readings;

/// <summary>Readings of a finished firing as one curve, and the energy they tell of.</summary>
public static class LogCurve
{
    private const int Fewest = 2;
    private const int Enough = 20;
    private const double LongestGap = 75;

    /// <summary>
    /// What the display showed: each reading the middle of itself and its neighbours, so that a spike is none, then the mean of each minute. Nothing for fewer
    /// than two readings.
    /// </summary>
    /// <param name="samples">In the order of time.</param>
    public static Curve? Of(IReadOnlyList<FiringSample> samples)
    {
        var shown = samples.Where(s => s.Celsius is not null).ToList();
        if (shown.Count < Fewest)
            return null;
        var points = new List<CurvePoint>();
        var (minute, time, sum, count) = (double.NaN, 0.0, 0.0, 0);
        void Close()
        {
            if (count == 0)
                return;
            var at = time / count;
            if (points.Count == 0 || at > points[^1].Minutes)
                points.Add(new CurvePoint(at, sum / count));
            (time, sum, count) = (0, 0, 0);
        }

        for (var i = 0; i < shown.Count; i++)
        {
            var value =
                i == 0 || i == shown.Count - 1 || shown[i].ByHand
                    ? shown[i].Celsius!.Value
                    : Middle(shown[i - 1].Celsius!.Value, shown[i].Celsius!.Value, shown[i + 1].Celsius!.Value);
            if (Math.Floor(shown[i].Minutes) != minute)
                Close();
            minute = Math.Floor(shown[i].Minutes);
            (time, sum, count) = (time + shown[i].Minutes, sum + value, count + 1);
        }
        Close();
        return points.Count < Fewest ? null : new Curve(points);
    }

    /// <summary>Whether readings tell the whole way to their hottest by themselves: as often as somebody looks at a kiln.</summary>
    /// <param name="samples">In the order of time.</param>
    public static bool Tells(IReadOnlyList<FiringSample> samples)
    {
        var shown = samples.Where(s => s.Celsius is not null).ToList();
        if (shown.Count < Enough)
            return false;
        var hottest = shown.IndexOf(shown.MaxBy(s => s.Celsius));
        return shown[0].Minutes <= LongestGap && Enumerable.Range(1, hottest).All(i => shown[i].Minutes - shown[i - 1].Minutes <= LongestGap);
    }

    /// <summary>Power shares over time: each holds since the reading before, up to <paramref name="longest"/> minutes back.</summary>
    /// <param name="samples">In the order of time.</param>
    /// <param name="longest">Minutes; what is longer is a gap, of which nobody knows.</param>
    public static IEnumerable<(double FromMinute, double Minutes, double Share)> Shares(IReadOnlyList<FiringSample> samples, double longest = 15)
    {
        for (var i = 1; i < samples.Count; i++)
        {
            var span = samples[i].Minutes - samples[i - 1].Minutes;
            if (samples[i].Share is { } share && span > 0 && span <= longest)
                yield return (samples[i - 1].Minutes, span, share);
        }
    }

    private static double Middle(double a, double b, double c) => Math.Max(Math.Min(a, b), Math.Min(Math.Max(a, b), c));
}
