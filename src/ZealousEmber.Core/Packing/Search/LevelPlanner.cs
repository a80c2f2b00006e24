using ZealousEmber.Core.Packing.Rules;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>A shelf before anything has its place: how tall ware on it may be, and what is to stand on it.</summary>
/// <param name="Opening">mm to the underside of the next shelf; of the topmost to the lid.</param>
/// <param name="Carries">The props on it that carry the next; nothing on the topmost.</param>
/// <param name="Tallest">Of what may stand on it, mm.</param>
/// <param name="Wanted">What is to stand on it.</param>
internal sealed record Level(double Opening, PropColumns? Carries, double Tallest, List<Wanted> Wanted);

/// <summary>
/// Which shelves at which heights, and what goes on which: a beam over sequences of openings, where a stack takes its share of a shelf.
/// </summary>
internal sealed class LevelPlanner
{
    private const int Kept = 28;
    private readonly PackingRequest request;
    private readonly PropSums sums;
    private readonly double[] shares;
    private readonly int[] caps;
    private readonly double thickness;
    private readonly int mostLevels;
    private readonly int columns;
    private readonly double height;
    private readonly double[][] heights;
    private readonly double[] value;
    private readonly int mostOnALevel;

    /// <param name="request">What is to be packed.</param>
    /// <param name="sums">The props.</param>
    /// <param name="shares">Of each lot, what a stack takes of a shelf.</param>
    /// <param name="caps">Of each lot, how many stacks stand on a shelf by themselves.</param>
    /// <param name="shelf">The shelves.</param>
    /// <param name="mostLevels">As many as there are.</param>
    /// <param name="columns">Props a level stands on.</param>
    public LevelPlanner(PackingRequest request, PropSums sums, double[] shares, int[] caps, ShelfStock shelf, int mostLevels, int columns)
    {
        (this.request, this.sums, this.shares, this.caps, this.mostLevels, this.columns) = (request, sums, shares, caps, mostLevels, columns);
        (thickness, height) = (shelf.Thickness, request.Chamber.Height);
        heights = [.. request.Lots.Select(l => Enumerable.Range(1, request.MostInStack(l)).Select(k => request.HeightOf(l, k)).ToArray())];
        // Height of shelf a piece takes at its best.
        value =
        [
            .. request.Lots.Select(
                (l, i) => Enumerable.Range(1, heights[i].Length).Min(k => (heights[i][k - 1] + request.Rules.Above + thickness) * shares[i] / k)
            ),
        ];
        mostOnALevel = heights.Select((h, i) => caps[i] * h.Length).Max();
    }

    private sealed record State(double Z, int[] Left, int[] Props, int Placed, int Must, double Rest, State? Before, Level? Level, int Levels);

    /// <summary>Levels from the bottom: the best found, and some that come near it, each of other openings; none when not one shelf goes in.</summary>
    /// <param name="counts">Pieces of each lot.</param>
    /// <param name="props">What is left of the props.</param>
    /// <param name="most">How many plans.</param>
    public List<List<Level>> Plan(int[] counts, int[] props, int most)
    {
        List<State> best = [];
        var start = new State(request.Chamber.Raise, counts, props, 0, 0, RestOf(counts), null, null, 0);
        foreach (var tallestFirst in new[] { true, false })
        {
            List<State> beam = [start];
            while (beam.Count > 0)
            {
                var next = new List<State>();
                foreach (var state in beam)
                {
                    if (Top(state, tallestFirst) is { } ended)
                        Enter(best, ended, most);
                    if (state.Levels + 1 < mostLevels)
                        next.AddRange(Further(state, tallestFirst));
                }
                beam = tallestFirst
                    ? [.. next.OrderBy(s => s.Z + s.Rest).Take(Kept)]
                    : [.. next.OrderByDescending(Bound).Take(Kept / 2).Union(next.OrderByDescending(s => s.Placed / s.Z).Take(10))];
            }
            // Everything in with the tallest first: nothing to be gained.
            if (best.Count > 0 && best[0].Left.Sum() == 0)
                break;
        }
        return [.. best.Select(LevelsOf)];
    }

    private static List<Level> LevelsOf(State? state)
    {
        var levels = new List<Level>();
        for (var s = state; s?.Level is not null; s = s.Before)
            levels.Insert(0, s.Level);
        return levels;
    }

    /// <summary>The best few, of other openings each.</summary>
    private void Enter(List<State> best, State ended, int most)
    {
        var at = best.FindIndex(b => IsBetter(ended, b));
        if (at < 0 && best.Count >= most)
            return;
        string Openings(State s) => string.Join(',', LevelsOf(s).Where(l => l.Carries is not null).Select(l => l.Opening).Order());
        var mine = Openings(ended);
        var same = most == 1 ? -1 : best.FindIndex(b => Openings(b) == mine);
        if (same >= 0 && (at < 0 || same < at))
            return;
        best.Insert(at < 0 ? best.Count : at, ended);
        if (same >= 0)
            best.RemoveAt(same + 1);
        if (best.Count > most)
            best.RemoveAt(best.Count - 1);
    }

    /// <summary>Levels of those openings, whatever they are best for.</summary>
    public List<Level> Fixed(IReadOnlyList<double> openings, int[] counts, int[] props)
    {
        var state = new State(request.Chamber.Raise, counts, props, 0, 0, RestOf(counts), null, null, 0);
        var levels = new List<Level>();
        foreach (var opening in openings.Take(mostLevels - 1))
        {
            if (sums.Least(state.Props, opening, columns) is not { } found || state.Z + 2 * thickness + found.Height > height)
                break;
            state = Filled(state, found.Height, found, found.Height - request.Rules.Above, true);
            levels.Add(state.Level!);
        }
        if (height - state.Z - thickness - request.Rules.Lid is > 0 and var tallest)
            levels.Add(Filled(state, height - state.Z - thickness, null, tallest, true).Level!);
        return levels;
    }

    private static bool IsBetter(State a, State b)
    {
        if (a.Must != b.Must)
            return a.Must > b.Must;
        if (a.Placed != b.Placed)
            return a.Placed > b.Placed;
        return a.Levels != b.Levels ? a.Levels < b.Levels : a.Z < b.Z;
    }

    private double RestOf(int[] left)
    {
        var sum = 0.0;
        for (var i = 0; i < left.Length; i++)
            sum += left[i] * value[i];
        return sum;
    }

    /// <summary>The most that could still go in, were shelves of any height and share.</summary>
    private double Bound(State state)
    {
        var (room, placed) = (height - request.Rules.Lid - state.Z, (double)state.Placed);
        foreach (var i in Enumerable.Range(0, value.Length).Where(i => state.Left[i] > 0).OrderBy(i => value[i]))
        {
            var more = Math.Min(state.Left[i], Math.Max(0, room) / value[i]);
            placed += more;
            room -= more * value[i];
        }
        return Math.Min(placed, state.Placed + (double)(mostLevels - state.Levels) * mostOnALevel);
    }

    /// <summary>The topmost shelf: up to the lid, and no props on it.</summary>
    private State? Top(State state, bool tallestFirst)
    {
        var opening = height - state.Z - thickness;
        var tallest = opening - request.Rules.Lid;
        return tallest <= 0 ? null : With(state, opening, null, tallest, tallestFirst);
    }

    private IEnumerable<State> Further(State state, bool tallestFirst)
    {
        // With the tallest first the opening is that of the tallest left, stacked this or that high.
        var lots = Enumerable.Range(0, heights.Length).Where(i => state.Left[i] > 0).ToList();
        if (lots.Count == 0)
            yield break;
        var tallest = lots.Max(i => heights[i][0]);
        var tried = new HashSet<double>();
        foreach (var i in tallestFirst ? lots.Where(i => heights[i][^1] >= tallest) : lots)
        {
            for (var k = 1; k <= heights[i].Length; k++)
            {
                if (k > 1 && k - 1 >= state.Left[i])
                    break;
                if (tallestFirst && heights[i][k - 1] < tallest)
                    continue;
                if (sums.Least(state.Props, heights[i][k - 1] + request.Rules.Above, columns) is not { } props || !tried.Add(props.Height))
                    continue;
                if (state.Z + thickness + props.Height + thickness + request.Rules.Lid + Piece.Sizes.Least > height)
                    break;
                if (With(state, props.Height, props, props.Height - request.Rules.Above, tallestFirst) is { } next)
                    yield return next;
            }
        }
    }

    private State? With(State state, double opening, PropColumns? carries, double tallest, bool tallestFirst) =>
        Filled(state, opening, carries, tallest, tallestFirst) is { } filled && filled.Placed > state.Placed ? filled : null;

    private State Filled(State state, double opening, PropColumns? carries, double tallest, bool tallestFirst)
    {
        var left = (int[])state.Left.Clone();
        var (wanted, free, placed, must) = (new List<Wanted>(), 1.0, 0, 0);
        var order = Enumerable.Range(0, heights.Length).Where(i => left[i] > 0 && heights[i][0] <= tallest + 1e-9).OrderByDescending(i => request.Lots[i].Must);
        foreach (
            var i in tallestFirst
                ? order.ThenByDescending(i => heights[i][0]).ThenByDescending(i => shares[i])
                : order.ThenBy(i => shares[i] / PerStack(i, tallest))
        )
        {
            var per = PerStack(i, tallest);
            var stacks = Math.Min((left[i] + per - 1) / per, Math.Min(caps[i], (int)Math.Floor(free / shares[i] + 1e-6)));
            if (stacks <= 0)
                continue;
            wanted.Add(new Wanted(i, per, stacks));
            free -= stacks * shares[i];
            var pieces = Math.Min(left[i], stacks * per);
            left[i] -= pieces;
            placed += pieces;
            if (request.Lots[i].Must)
                must += pieces;
        }
        return new State(
            carries is null ? state.Z : state.Z + thickness + opening,
            left,
            carries is null ? state.Props : PropSums.Without(state.Props, carries),
            state.Placed + placed,
            state.Must + must,
            RestOf(left),
            state,
            new Level(opening, carries, tallest, wanted),
            state.Levels + 1
        );
    }

    private int PerStack(int lot, double tallest)
    {
        var k = 1;
        while (k < heights[lot].Length && heights[lot][k] <= tallest + 1e-9)
            k++;
        return k;
    }
}
