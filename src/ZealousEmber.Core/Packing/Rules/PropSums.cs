using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing.Rules;

/// <summary>The heights that props come to, singly and by twos, and whether there are enough of them.</summary>
internal sealed class PropSums
{
    private readonly ImmutableArray<PropCount> stock;
    private readonly (double Sum, List<(int A, int B)> Ways)[] sums;

    public PropSums(PropStock props)
    {
        stock = props.Stock;
        var ways = new SortedDictionary<double, List<(int A, int B)>>();
        void Add(double sum, int a, int b)
        {
            if (!ways.TryGetValue(sum, out var list))
                ways[sum] = list = [];
            list.Add((a, b));
        }
        for (var a = 0; a < stock.Length; a++)
        {
            Add(stock[a].Height, a, -1);
            for (var b = a; b < stock.Length && props.MostOnOneAnother > 1; b++)
                Add(stock[a].Height + stock[b].Height, a, b);
        }
        // One prop rather than two.
        sums = [.. ways.Select(w => (w.Key, w.Value.OrderBy(v => v.B >= 0 ? 1 : 0).ToList()))];
    }

    /// <summary>How many there are of each height.</summary>
    public int[] Whole => [.. stock.Select(s => s.Count)];

    /// <summary>Every height for which there are enough columns.</summary>
    public ImmutableArray<double> Heights(int columns) => [.. sums.Where(s => Columns(Whole, s.Ways, columns) is not null).Select(s => s.Sum)];

    /// <summary>The least height of at least so much for which there are enough columns.</summary>
    public PropColumns? Least(int[] left, double need, int columns)
    {
        foreach (var (sum, ways) in sums)
        {
            if (sum < need - 1e-9)
                continue;
            if (Columns(left, ways, columns) is { } found)
                return new PropColumns(sum, found);
        }
        return null;
    }

    /// <summary>Columns of just that height; nothing when there are too few.</summary>
    public PropColumns? Exactly(int[] left, double height, int columns)
    {
        var way = Array.Find(sums, s => Math.Abs(s.Sum - height) < 1e-9);
        return way.Ways is not null && Columns(left, way.Ways, columns) is { } found ? new PropColumns(way.Sum, found) : null;
    }

    /// <summary>What is left once those stand.</summary>
    public static int[] Without(int[] left, PropColumns columns)
    {
        var rest = (int[])left.Clone();
        foreach (var (a, b) in columns.Each)
        {
            rest[a]--;
            if (b >= 0)
                rest[b]--;
        }
        return rest;
    }

    /// <summary>The heights of a column, from below: the taller below.</summary>
    public ImmutableArray<double> HeightsOf((int A, int B) column) =>
        column.B < 0 ? [stock[column.A].Height] : [stock[column.B].Height, stock[column.A].Height];

    private static List<(int A, int B)>? Columns(int[] left, List<(int A, int B)> ways, int columns)
    {
        List<(int A, int B)> found = [];
        Span<int> rest = stackalloc int[left.Length];
        left.CopyTo(rest);
        foreach (var (a, b) in ways)
        {
            while (found.Count < columns && rest[a] > 0 && (b < 0 || (b == a ? rest[a] > 1 : rest[b] > 0)))
            {
                found.Add((a, b));
                rest[a]--;
                if (b >= 0)
                    rest[b]--;
            }
            if (found.Count == columns)
                return found;
        }
        return null;
    }
}

/// <summary>Columns of props of one height, by their places in the stock.</summary>
/// <param name="Height">mm.</param>
/// <param name="Each">One or two props each; -1 for none.</param>
internal sealed record PropColumns(double Height, List<(int A, int B)> Each);
