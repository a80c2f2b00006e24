using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing;

/// <summary>Props of one height.</summary>
/// <param name="Height">mm.</param>
/// <param name="Count">In stock.</param>
public sealed record PropCount(double Height, int Count);

/// <summary>The props there are. Cannot be built wrong.</summary>
public sealed record PropStock
{
    private const int MostHeights = 40;
    private const int MostOfAHeight = 500;

    private PropStock(double across) => Across = across;

    /// <summary>Each across, mm.</summary>
    public double Across { get; }

    /// <summary>Most on one another, 1 or 2.</summary>
    public int MostOnOneAnother { get; private init; }

    /// <summary>By height, the lowest first.</summary>
    public ImmutableArray<PropCount> Stock { get; private init; }

    /// <summary>Builds one. Problems name <c>across</c>, <c>mostStacked</c>, <c>stock</c>, <c>stock[i].height</c>, <c>stock[i].count</c>.</summary>
    public static Result<PropStock> Create(double? across, int? mostOnOneAnother, IReadOnlyList<PropCount>? stock)
    {
        var problems = new List<Problem>();
        if (across is { } wide && !(wide >= 10 && wide <= 150))
            problems.Add(new Problem("across", $"A prop is 10 to 150 mm across; this says {Phrases.Number(wide)}."));
        if (mostOnOneAnother is < 1 or > 2)
            problems.Add(new Problem("mostStacked", $"One prop, or two on one another; this says {mostOnOneAnother}."));
        if (stock?.Count > MostHeights)
            problems.Add(new Problem("stock", $"At most {MostHeights} heights of prop; these are {stock.Count}."));
        foreach (var (i, prop) in (stock ?? []).Take(MostHeights).Index())
        {
            if (!(prop.Height >= 5 && prop.Height <= 600))
                problems.Add(new Problem($"stock[{i}].height", $"A prop is 5 to 600 mm high; this says {Phrases.Number(prop.Height)}."));
            if (prop.Count is < 0 or > MostOfAHeight)
                problems.Add(new Problem($"stock[{i}].count", $"0 to {MostOfAHeight} props of a height; this says {prop.Count}."));
        }
        return problems.Count > 0
            ? Result<PropStock>.Failed(problems)
            : new PropStock(across ?? 38)
            {
                MostOnOneAnother = mostOnOneAnother ?? 2,
                Stock =
                [
                    .. (stock ?? [])
                        .Where(p => p.Count > 0)
                        .GroupBy(p => p.Height)
                        .Select(g => new PropCount(g.Key, g.Sum(p => p.Count)))
                        .OrderBy(p => p.Height),
                ],
            };
    }
}
