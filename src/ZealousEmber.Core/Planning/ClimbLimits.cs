using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>A limit on how fast it may climb between two temperatures, °C and °C/h; full where the kiln's own power is the limit, which at its upper end makes <paramref name="AtEnd"/>.</summary>
internal sealed record ClimbLimit(double From, double To, double Rate, string Short, string Why, string By, bool Full = false, double AtEnd = double.MaxValue, Basis? Basis = null)
{
    /// <summary>No wall, no water and no glaze asks for it.</summary>
    public bool IsOfTheKiln => By is "kiln" or "brisk";

    /// <summary>The one rate that it can be climbed at throughout.</summary>
    public double Steady => Math.Min(Rate, AtEnd);
}

/// <summary>Limits laid over each other: at every temperature the slowest holds; neighbours at one pace become one stretch.</summary>
internal static class ClimbLimits
{
    // Hours a step has to save on its neighbour's pace, reckoned with a slow one, °C/h.
    private const double WorthAStep = 1 / 3.0;
    private const double SlowReference = 40;

    /// <summary>The stretches from one temperature to another, each with the limit that set it.</summary>
    public static List<ClimbLimit> Lay(double from, double to, IReadOnlyList<ClimbLimit> limits, Func<double, double> friendly)
    {
        var marks = limits.SelectMany(l => new[] { l.From, l.To }).Where(t => t > from && t < to).Append(from).Append(to).Distinct().Order().ToList();
        var stretches = new List<ClimbLimit>();
        foreach (var (low, high) in marks.Zip(marks.Skip(1)))
        {
            var middle = (low + high) / 2;
            var rules = limits.Where(l => l.From < middle && l.To > middle).ToList();
            var slowest = rules.MinBy(l => friendly(l.Rate))!;
            var stretch = slowest with { From = low, To = high, Rate = friendly(slowest.Rate) };
            if (stretches.Count > 0 && stretches[^1].Rate == stretch.Rate && stretches[^1].Full == stretch.Full)
            {
                // One pace is one step; the reason that was there first speaks for it, unless it only said "brisk".
                var before = stretches[^1];
                var said = before.By == "brisk" ? stretch : before;
                stretches[^1] = said with { From = before.From, To = high };
            }
            else stretches.Add(stretch);
        }
        return stretches;
    }

    /// <summary>Takes stretches together until there are few enough and none is so short that it is not worth a step; always at the slower pace, where it costs least time.</summary>
    public static void Merge(List<ClimbLimit> stretches, int most)
    {
        while (stretches.Count > 1)
        {
            var small = Enumerable.Range(0, stretches.Count - 1).Where(i => IsSmall(stretches[i], stretches[i + 1])).ToList();
            if (stretches.Count <= Math.Max(1, most) && small.Count == 0) return;
            var best = (small.Count > 0 ? small : Enumerable.Range(0, stretches.Count - 1)).MinBy(i => Cost(stretches[i], stretches[i + 1]));
            var (a, b) = (stretches[best], stretches[best + 1]);
            var slower = a.Steady <= b.Steady ? a : b;
            stretches[best] = a.Full && b.Full ? b with { From = a.From } : slower with { From = a.From, To = b.To, Rate = slower.Steady, Full = false };
            stretches.RemoveAt(best + 1);
        }
    }

    /// <summary>
    /// True where the quicker of two saves little, whatever the slower is slowed to: then a millimetre more of wall never brings a step in and
    /// with it a shorter firing.
    /// </summary>
    private static bool IsSmall(ClimbLimit a, ClimbLimit b)
    {
        // One stretch at full power after another is one.
        if (a.Full && b.Full) return true;
        // What only the kiln and habit ask for may be judged by what it saves.
        if (!a.Full && !b.Full && a.IsOfTheKiln && b.IsOfTheKiln) return Cost(a, b) < WorthAStep;
        var (slower, quicker) = a.Steady <= b.Steady ? (a, b) : (b, a);
        return (quicker.To - quicker.From) * (1 / Math.Min(slower.Steady, SlowReference) - 1 / quicker.Rate) < WorthAStep;
    }

    private static double Cost(ClimbLimit a, ClimbLimit b)
    {
        var slower = Math.Min(a.Steady, b.Steady);
        return (b.To - a.From) / slower - (a.To - a.From) / a.Rate - (b.To - b.From) / b.Rate;
    }
}
