using NodaTime;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Store.Firings;

namespace ZealousEmber.App.Live;

/// <summary>A log as it is drawn: in stretches without a gap, no peak lost.</summary>
internal static class LogReduction
{
    /// <summary>Between two minutes, with about so many points.</summary>
    public static LogContract Of(FiringRun run, List<StoredSample> samples, IEnumerable<FiringEntry> readings, int points, double? from, double? to)
    {
        var all = samples.Where(s => s.Celsius is not null).Select(s => new LogPointContract(run.Minutes(Instant.FromUnixTimeMilliseconds(s.At)), s.Celsius!.Value, s.Share, s.SetPoint)).ToList();
        var byHand = readings.Select(e => new LogPointContract(run.Minutes(e.At), e.Celsius!.Value)).ToList();
        if (byHand.Count > 0)
        {
            all.AddRange(byHand);
            all.Sort((a, b) => a.Minute.CompareTo(b.Minute));
        }
        var (first, last) = (all.Count > 0 ? all[0].Minute : (double?)null, all.Count > 0 ? all[^1].Minute : (double?)null);
        var minutes = new double[all.Count];
        for (var i = 0; i < minutes.Length; i++) minutes[i] = all[i].Minute;
        var gap = Reduction.Gap(minutes);
        if (from is not null || to is not null) (all, minutes) = Within(all, minutes, from ?? double.MinValue, to ?? double.MaxValue);
        var celsius = new double[all.Count];
        for (var i = 0; i < celsius.Length; i++) celsius[i] = all[i].Celsius;
        return new LogContract(Stretches(all, minutes, Reduction.Of(minutes, celsius, points), gap), all.Count, Tidy(first), Tidy(last));
    }

    private static (List<LogPointContract> All, double[] Minutes) Within(List<LogPointContract> all, double[] minutes, double from, double to)
    {
        // With one reading more at each side, so that the line goes to the edge.
        var low = Math.Max(0, Lower(minutes, from) - 1);
        var high = Math.Min(minutes.Length, Lower(minutes, to) + 1);
        return high <= low ? ([], []) : (all.GetRange(low, high - low), minutes[low..high]);
    }

    private static int Lower(double[] sorted, double value)
    {
        var at = Array.BinarySearch(sorted, value);
        return at < 0 ? ~at : at;
    }

    private static List<IReadOnlyList<LogPointContract>> Stretches(List<LogPointContract> all, double[] minutes, List<int> kept, double gap)
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
            else if (k > 0 && kept[k] > kept[k - 1] + 1 && minutes[kept[k]] - minutes[kept[k - 1]] > gap && HasGap(minutes, kept[k - 1], kept[k], gap) is { } at)
            {
                if (at > kept[k - 1]) now.Add(Tidy(all[at]));
                stretches.Add(now);
                now = [Tidy(all[at + 1])];
            }
            now.Add(Tidy(all[kept[k]]));
        }
        if (now.Count > 0) stretches.Add(now);
        return stretches;
    }

    private static int? HasGap(double[] minutes, int from, int to, double gap)
    {
        for (var i = from; i < to; i++)
        {
            if (minutes[i + 1] - minutes[i] > gap) return i;
        }
        return null;
    }

    private static LogPointContract Tidy(LogPointContract p) => p with { Minute = Math.Round(p.Minute, 3) };

    private static double? Tidy(double? minute) => minute is { } m ? Math.Round(m, 3) : null;
}
