using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Packing.Rules;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>Which level stands where: no shelf at the thermocouple, packs in sight, what must be low low, heavy below, tall above.</summary>
internal sealed class LevelOrder(PackingRequest request, PropSums sums, ShelfGrid grid, ShelfSlot slot, int columns)
{
    private readonly ShelfStock shelf = grid.Shelf;
    private const int MostTried = 6;

    /// <summary>The levels from the bottom in the best order, with the openings they then have; fewer where there is no order for all.</summary>
    public List<Level> Best(List<Level> levels, int[] props)
    {
        while (levels.Count > 1)
        {
            (double[] Score, List<Level> Levels)? best = null;
            foreach (var order in Orders(levels))
            {
                if (Stand(order, props) is not { } standing)
                    continue;
                var score = Score(standing);
                if (best is null || Less(score, best.Value.Score))
                    best = (score, standing);
            }
            if (best is { } found)
                return found.Levels;
            // In no order does every shelf keep clear of the thermocouple: what is on the least full finds its place elsewhere, or none.
            levels = [.. levels.Except([levels.MinBy(l => l.Wanted.Sum(w => w.Count * w.Stack))!])];
        }
        return levels;
    }

    private IEnumerable<List<Level>> Orders(List<Level> levels)
    {
        if (levels.Count > MostTried)
        {
            yield return levels;
            yield return [.. levels.OrderByDescending(MassOf)];
            yield return [.. levels.OrderBy(l => TallestOn(l)).ThenByDescending(MassOf)];
            yield break;
        }
        var seen = new HashSet<string>();
        // Alike levels in another order are the same order.
        var kinds = levels.Select(l => $"{TallestOn(l):R}|{string.Join(',', l.Wanted)}").ToList();
        foreach (var order in Permutations([.. Enumerable.Range(0, levels.Count)], 0))
        {
            if (seen.Add(string.Join(';', order.Select(i => kinds[i]))))
                yield return [.. order.Select(i => levels[i])];
        }
    }

    private static IEnumerable<int[]> Permutations(int[] items, int from)
    {
        if (from == items.Length - 1)
            yield return [.. items];
        for (var i = from; i < items.Length; i++)
        {
            (items[from], items[i]) = (items[i], items[from]);
            foreach (var rest in Permutations(items, from + 1))
                yield return rest;
            (items[from], items[i]) = (items[i], items[from]);
        }
    }

    /// <summary>
    /// The openings those levels have in this order, taller where the next shelf would be at the thermocouple; nothing when they do not go in, or the props do
    /// not reach.
    /// </summary>
    private List<Level>? Stand(List<Level> order, int[] props)
    {
        var (z, left, result) = (request.Chamber.Raise, props, new List<Level>());
        foreach (var (i, level) in order.Index())
        {
            var tallest = TallestOn(level);
            if (i == order.Count - 1)
            {
                var opening = request.Chamber.Height - z - shelf.Thickness;
                if (opening < tallest + request.Rules.Lid - 1e-9)
                    return null;
                result.Add(level with { Opening = opening, Carries = null, Tallest = opening - request.Rules.Lid });
                return result;
            }
            var need = tallest + request.Rules.Above;
            if (sums.Least(left, need, columns) is not { } found)
                return null;
            if (request.Chamber.Thermocouple is { } tip && AtTip(z + shelf.Thickness + found.Height, tip))
            {
                if (sums.Least(left, tip.Z + request.Rules.TipShelf - z - shelf.Thickness, columns) is not { } taller)
                    return null;
                found = taller;
            }
            left = PropSums.Without(left, found);
            z += shelf.Thickness + found.Height;
            result.Add(level with { Opening = found.Height, Carries = found, Tallest = found.Height - request.Rules.Above });
        }
        return result;
    }

    private double[] Score(List<Level> levels)
    {
        var (z, seen, low, moment, tall) = (request.Chamber.Raise, 0.0, 0.0, 0.0, 0.0);
        foreach (var level in levels)
        {
            var top = z + shelf.Thickness;
            if (
                request.Packs
                && level.Opening >= PackingRules.PackOpening
                && request.Chamber.Peepholes.Any(p => p >= top + PackingRules.PeepholeFree && p <= top + level.Opening - PackingRules.PeepholeFree)
            )
                seen--;
            low += top * level.Wanted.Where(w => request.Lots[w.Lot].Low).Sum(w => w.Count * w.Stack * request.Lots[w.Lot].PieceMass);
            moment += top * MassOf(level);
            tall -= top * TallestOn(level);
            z += shelf.Thickness + level.Opening;
        }
        return [seen, Math.Round(low), Math.Round(moment), tall];
    }

    /// <summary>A shelf whose underside is at z comes too near the thermocouple's tip.</summary>
    private bool AtTip(double z, Thermocouple tip)
    {
        var outline = ShelfSpaces.ShelfOf(request.Chamber, grid, slot);
        var sideways = Math.Max(0, -outline.Room(0, request.Chamber.Depth / 2 - tip.Reach));
        var dz = tip.Z < z ? z - tip.Z : Math.Max(0, tip.Z - z - shelf.Thickness);
        return sideways * sideways + dz * dz < request.Rules.TipShelf * request.Rules.TipShelf;
    }

    private double TallestOn(Level level) => level.Wanted.Max(w => request.HeightOf(request.Lots[w.Lot], w.Stack));

    private double MassOf(Level level) => level.Wanted.Sum(w => w.Count * w.Stack * request.Lots[w.Lot].PieceMass);

    private static bool Less(double[] a, double[] b)
    {
        for (var i = 0; i < a.Length; i++)
        {
            if (a[i] != b[i])
                return a[i] < b[i];
        }
        return false;
    }
}
