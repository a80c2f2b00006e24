using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Store.Records;

namespace ZealousEmber.App.Mapping;

/// <summary>A log as it is drawn: in stretches without a gap, no peak lost.</summary>
internal static class LogReduction
{
    /// <summary>Between two minutes, with about so many points. The list of samples, in the order of time, is used up.</summary>
    public static LogContract Of(FiringRun run, List<StoredSample> samples, IEnumerable<FiringEntry> readings, int points, double? from, double? to)
    {
        var all = samples;
        all.RemoveAll(s => s.Celsius is null);
        var count = all.Count;
        all.AddRange(readings.Select(e => new StoredSample(0, e.At.ToUnixTimeMilliseconds(), e.Celsius, null, null)));
        if (all.Count > count)
            all.Sort((a, b) => a.At.CompareTo(b.At));
        var start = run.StartsAt.ToUnixTimeMilliseconds();
        var (minutes, celsius) = (new double[all.Count], new double[all.Count]);
        for (var i = 0; i < minutes.Length; i++)
            (minutes[i], celsius[i]) = ((all[i].At - start) / 60_000.0, all[i].Celsius!.Value);
        var gap = Reduction.Gap(minutes);
        var (low, high) = from is null && to is null ? (0, minutes.Length) : Within(minutes, from ?? double.MinValue, to ?? double.MaxValue);
        var kept = Reduction.Of(minutes.AsSpan(low..high), celsius.AsSpan(low..high), points);
        var stretches = Stretches(
            i => new LogPointContract(Math.Round(minutes[low + i], 3), celsius[low + i], all[low + i].Share, all[low + i].SetPoint),
            minutes.AsSpan(low..high),
            kept,
            gap
        );
        return new LogContract(
            stretches,
            high - low,
            minutes.Length > 0 ? Math.Round(minutes[0], 3) : null,
            minutes.Length > 0 ? Math.Round(minutes[^1], 3) : null
        );
    }

    /// <summary>The readings between two minutes, with one more at each side, so that the line goes to the edge.</summary>
    private static (int Low, int High) Within(double[] minutes, double from, double to)
    {
        var (low, high) = (Math.Max(0, Lower(minutes, from) - 1), Math.Min(minutes.Length, Lower(minutes, to) + 1));
        return high <= low ? (0, 0) : (low, high);
    }

    private static int Lower(double[] sorted, double value)
    {
        var at = Array.BinarySearch(sorted, value);
        return at < 0 ? ~at : at;
    }

    private static List<IReadOnlyList<LogPointContract>> Stretches(Func<int, LogPointContract> point, ReadOnlySpan<double> minutes, List<int> kept, double gap)
    {
        var stretches = new List<IReadOnlyList<LogPointContract>>();
        var now = new List<LogPointContract>();
        for (var k = 0; k < kept.Count; k++)
        {
            // Two points may be far apart only because what lies between was left out.
            if (k > 0 && minutes[kept[k]] - minutes[kept[k] - 1] > gap)
            {
                stretches.Add(now);
                now = [];
            }
            else if (
                k > 0
                && kept[k] > kept[k - 1] + 1
                && minutes[kept[k]] - minutes[kept[k - 1]] > gap
                && HasGap(minutes, kept[k - 1], kept[k], gap) is { } at
            )
            {
                if (at > kept[k - 1])
                    now.Add(point(at));
                stretches.Add(now);
                now = [point(at + 1)];
            }
            now.Add(point(kept[k]));
        }
        if (now.Count > 0)
            stretches.Add(now);
        return stretches;
    }

    private static int? HasGap(ReadOnlySpan<double> minutes, int from, int to, double gap)
    {
        for (var i = from; i < to; i++)
        {
            if (minutes[i + 1] - minutes[i] > gap)
                return i;
        }
        return null;
    }
}
