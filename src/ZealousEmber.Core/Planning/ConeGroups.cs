using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>What of a load can share a firing: groups that have a cone in common.</summary>
internal static class ConeGroups
{
    private const int MostNamed = 4;

    /// <summary>Every clash in a load at once, what goes together, and what firing all of it anyway would cost.</summary>
    public static string Clash(WareLoad load)
    {
        var groups = Of(load);
        var together = string.Join(
            "; ",
            groups.Select(g =>
                $"{Phrases.List([.. g.Names.Take(MostNamed), .. g.Names.Count > MostNamed ? new[] { $"{g.Names.Count - MostNamed} more" } : []])} at {g.Range}"
            )
        );
        var (cool, hot) = (groups.MinBy(g => g.Range.Hottest), groups.MaxBy(g => g.Range.Coolest));
        return $"{string.Join(" ", load.Clashes.Select(c => c.Format()))} They go in {groups.Count} firings: {together}. Fired together, {First(hot)} at "
            + $"cone {Middle(cool).Number} stays dry and underfired, or {First(cool)} at cone {Middle(hot).Number} runs or slumps.";
    }

    /// <summary>Groups with a cone in common, as few as a simple search finds: the coolest first, each taking in whatever still shares a cone.</summary>
    public static List<(List<string> Names, ConeRange Range)> Of(WareLoad load)
    {
        var groups = new List<(List<string> Names, ConeRange Range)>();
        foreach (var (name, range) in load.Ranges.OrderBy(r => r.Range.Hottest))
        {
            // By their hottest cones, the first group that still shares one is the one to join: so groups are as few as can be.
            var at = groups.FindIndex(g => g.Range.Overlap(range) is not null);
            if (at < 0)
                groups.Add(([name], range));
            else
                groups[at] = ([.. groups[at].Names, name], groups[at].Range.Overlap(range)!.Value);
        }
        return groups;
    }

    private static string First((List<string> Names, ConeRange Range) group) => Phrases.List([.. group.Names.Take(2)]);

    private static Units.Cone Middle((List<string> Names, ConeRange Range) group) => GoalFinder.Middle(group.Range);
}
