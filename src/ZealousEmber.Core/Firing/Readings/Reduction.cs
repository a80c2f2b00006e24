namespace ZealousEmber.Core.Firing.Readings;

/// <summary>
/// A long log as few points that draw the same line: in each of a number of spans of time the first, lowest, highest and last reading, so that no
/// peak is lost (M4: Jugel and others, VLDB 2014). A stretch without readings stays one.
/// </summary>
public static class Reduction
{
    private const double GapMinutes = 2;
    private const double GapIntervals = 5;

    /// <summary>Fewest points that can be asked for.</summary>
    public const int Fewest = 8;

    /// <summary>Most points that can be asked for.</summary>
    public const int Most = 20_000;

    /// <summary>Indexes of the readings to draw, rising; those without a value are kept where the line breaks.</summary>
    /// <param name="minutes">Times, rising.</param>
    /// <param name="celsius">Readings; NaN where there was no value.</param>
    /// <param name="points">How many at most, give or take the breaks.</param>
    public static List<int> Of(ReadOnlySpan<double> minutes, ReadOnlySpan<double> celsius, int points)
    {
        var kept = new List<int>(Math.Min(points, minutes.Length) + 16);
        if (minutes.Length <= points)
        {
            for (var i = 0; i < minutes.Length; i++)
                kept.Add(i);
            return kept;
        }
        var buckets = Math.Max(1, points / 4);
        var (from, width) = (minutes[0], (minutes[^1] - minutes[0]) / buckets);
        var before = -1;
        for (var i = 0; i < minutes.Length; )
        {
            // Rounding may put a reading at the edge into the span before it, which has its points already.
            var bucket = width > 0 ? Math.Min(buckets - 1, Math.Max(before + 1, (int)((minutes[i] - from) / width))) : 0;
            before = bucket;
            var end = bucket == buckets - 1 ? double.PositiveInfinity : from + (bucket + 1) * width;
            var (start, low, high) = (i, i, i);
            // The first is taken in any case: rounding may put it a hair past the end of its own span.
            for (i++; i < minutes.Length && minutes[i] < end; i++)
            {
                if (celsius[i] < celsius[low] || double.IsNaN(celsius[low]))
                    low = i;
                if (celsius[i] > celsius[high] || double.IsNaN(celsius[high]))
                    high = i;
            }
            Simplify(kept, start, Math.Min(low, high), Math.Max(low, high), i - 1);
        }
        return kept;
    }

    /// <summary>Longer apart than this two readings are not joined, minutes.</summary>
    /// <param name="minutes">Times, rising.</param>
    public static double Gap(ReadOnlySpan<double> minutes)
    {
        if (minutes.Length < 3)
            return GapMinutes;
        // The usual distance: the middle one of some that are spread over the log.
        var some = new double[Math.Min(201, minutes.Length - 1)];
        for (var i = 0; i < some.Length; i++)
        {
            var at = (int)((long)i * (minutes.Length - 1) / some.Length);
            some[i] = minutes[at + 1] - minutes[at];
        }
        Array.Sort(some);
        return Math.Max(GapMinutes, GapIntervals * some[some.Length / 2]);
    }

    private static void Simplify(List<int> kept, int first, int one, int other, int last)
    {
        kept.Add(first);
        if (one > first)
            kept.Add(one);
        if (other > one)
            kept.Add(other);
        if (last > other)
            kept.Add(last);
    }
}
