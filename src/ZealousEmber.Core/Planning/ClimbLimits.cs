using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>A limit on how fast it may climb or fall between two temperatures.</summary>
/// <param name="From">°C, the lower end.</param>
/// <param name="To">°C.</param>
/// <param name="Rate">Planned, °C/h.</param>
/// <param name="Stands">What is stood at most, °C/h: a kiln that does no more by itself may be left to itself.</param>
/// <param name="Short">In a few words.</param>
/// <param name="Why">In a sentence or two.</param>
/// <param name="By">The constraint, as <see cref="PlanStep.By"/>.</param>
/// <param name="Basis">How its number came about; nothing where it is a habit.</param>
internal sealed record ClimbLimit(double From, double To, double Rate, double Stands, string Short, string Why, string By, Basis? Basis = null)
{
    /// <summary>Habit, not a limit of the ware.</summary>
    public bool IsHabit => By == "brisk";
}

/// <summary>Limits laid over each other: at every temperature the slowest holds.</summary>
internal static class ClimbLimits
{
    /// <summary>A kiln that falls a little faster than it is known to still keeps the limit.</summary>
    public const double Stronger = 1.05;

    // After a slow climb its walls are warm, and a kiln climbs quicker than straight from cold.
    private const double StrongerUp = 1.2;

    /// <summary>The slowest limit at a temperature; nothing where there is none.</summary>
    public static ClimbLimit? At(IReadOnlyList<ClimbLimit> limits, double celsius) =>
        limits.Where(l => l.From < celsius && l.To > celsius).OrderBy(l => l.Rate).ThenBy(l => l.IsHabit).FirstOrDefault();

    /// <summary>The way between two temperatures, up or down, in stretches that end where a limit does and on a grid.</summary>
    /// <param name="from">Where it begins, °C.</param>
    /// <param name="to">Where it ends, °C.</param>
    /// <param name="limits">In any order.</param>
    /// <param name="grid">Marks besides, °C.</param>
    /// <param name="able">What the kiln makes by itself between two temperatures, °C/h; without end where nobody knows.</param>
    /// <param name="mayRun">Whether it may be left to itself at all.</param>
    public static List<Stretch> Lay(
        double from,
        double to,
        IReadOnlyList<ClimbLimit> limits,
        IEnumerable<double> grid,
        Func<double, double, double> able,
        bool mayRun
    )
    {
        var (low, high) = (Math.Min(from, to), Math.Max(from, to));
        var marks = limits
            .SelectMany(l => new[] { l.From, l.To })
            .Concat(grid)
            .Where(t => t > low + 0.5 && t < high - 0.5)
            .Append(low)
            .Append(high)
            .Distinct()
            .Order()
            .ToList();
        var stretches = new List<Stretch>(marks.Count);
        foreach (var (a, b) in marks.Zip(marks.Skip(1)))
        {
            var middle = (a + b) / 2;
            var can = able(a, b);
            var stands = limits.Where(l => l.From < middle && l.To > middle).Select(l => l.Stands).DefaultIfEmpty(double.PositiveInfinity).Min();
            stretches.Add(
                new Stretch(
                    a,
                    b,
                    At(limits, middle)?.Rate ?? double.PositiveInfinity,
                    can,
                    mayRun && double.IsFinite(can) && can * (to > from ? StrongerUp : Stronger) <= stands
                )
            );
        }
        if (to >= from)
            return stretches;
        stretches.Reverse();
        // Where nothing has to be asked for any more, it is off for good.
        while (stretches.Count > 0 && stretches[^1].MayRun)
            stretches.RemoveAt(stretches.Count - 1);
        return [.. stretches.Select(p => p with { From = p.To, To = p.From })];
    }
}
