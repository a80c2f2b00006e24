using System.Collections.Immutable;
using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Packing.Rules;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>Packs shelves of one kind over one another: from shares to levels, from levels to places.</summary>
internal sealed class ColumnPacker
{
    /// <summary>Props a shelf stands on.</summary>
    internal const int Columns = 3;

    private const int FewForQuick = 40;
    private const double UsuallyPacked = 0.76;
    private const int Looked = 5;
    private const int PlansTried = 4;
    private const int FewLeft = 40;
    private const int MostSqueezes = 24;

    // Places are written in thousandths.
    private const double Rounded = 0.01;
    private readonly PackingRequest request;
    private readonly PropSums sums;
    private readonly ShelfGrid grid;
    private readonly ShelfSlot slot;
    private readonly ShelfStock shelf;
    private readonly int mostLevels;
    private readonly ImmutableArray<(double X, double Y)> pattern;
    private readonly int[] caps;
    private readonly double[] cells;
    private readonly double free;
    private readonly EqualPieces.Effort effort;
    private readonly KeptColumn kept;
    private readonly Dictionary<(Alike Level, int Count), List<Standing>> solved = [];
    private readonly Dictionary<Alike, List<Standing>> taken = [];
    private readonly CancellationToken cancel;

    /// <param name="request">What is packed by which rules.</param>
    /// <param name="sums">The props.</param>
    /// <param name="grid">The shelves, and how they lie.</param>
    /// <param name="slot">Where these lie.</param>
    /// <param name="mostLevels">As many as there are.</param>
    /// <param name="counts">Pieces of each lot in the whole kiln; props stand for these.</param>
    /// <param name="kept">What somebody wants to stay.</param>
    /// <param name="cancel">Nobody waits any more.</param>
    /// <param name="thorough">Look as hard as one kind of ware is worth.</param>
    public ColumnPacker(
        PackingRequest request,
        PropSums sums,
        ShelfGrid grid,
        ShelfSlot slot,
        int mostLevels,
        int[] counts,
        KeptColumn kept,
        CancellationToken cancel,
        bool thorough = true
    )
    {
        (this.request, this.sums, this.grid, this.slot, this.mostLevels, this.kept, this.cancel) = (request, sums, grid, slot, mostLevels, kept, cancel);
        shelf = grid.Shelf;
        // One kind of ware is worth trying harder for; with many the gaps are filled by others.
        var kinds = counts.Count(c => c > 0);
        effort = thorough && kinds == 1 && request.Handles == HandleChoice.Any ? EqualPieces.Effort.Full : EqualPieces.Effort.Quick;
        pattern = ChoosePattern(counts);
        var space = Space(request.Chamber.Raise + shelf.Thickness, pattern) with { Tip = null };
        free = space.FreeArea;
        caps = [.. request.Lots.Select((_, i) => counts[i] > 0 ? CapOf(space, i, counts[i]) : 0)];
        cells = [.. request.Lots.Select((_, i) => CellOf(i))];
    }

    /// <summary>What decides how one ware stands on a level of this column.</summary>
    private readonly record struct Alike(int Lot, int Stack, bool Topmost, double? PackX, double? PackY, double Tip);

    /// <summary>A shelf with what stands on it.</summary>
    internal sealed record Packed(Level Level, double Z, PlacedPack? Pack, IReadOnlyList<Standing> Pieces, ImmutableArray<(double X, double Y)> Carried);

    /// <summary>Packs as much of those counts as goes in; the props it uses are taken from what is left of them, once the lowest shelf has its own.</summary>
    public (List<Packed> Shelves, int[] Left, int[] Props) Pack(int[] counts, int[] stock)
    {
        (List<Packed> Shelves, int[] Left, int[] Props)? best = null;
        foreach (var packed in new[] { UsuallyPacked, 0.70, 0.63, 0.55 })
        {
            var shares = caps.Select((cap, i) => cap == 0 ? 2 : Math.Clamp(cells[i] / (packed * free), 1e-3, 1.0 / cap)).ToArray();
            var fewer = caps.Select(cap => cap == 0 ? 0 : Math.Max(1, (int)(cap * packed / UsuallyPacked))).ToArray();
            if (packed < UsuallyPacked)
                shares = [.. shares.Select((s, i) => caps[i] == 0 ? 2 : Math.Min(1, Math.Max(cells[i] / (packed * free), 1.0 / fewer[i])))];
            var planner = new LevelPlanner(request, sums, shares, fewer, shelf, mostLevels, Columns);
            var alone = counts.Count(c => c > 0) == 1;
            var plans = kept.IsNone
                ? planner.Plan(counts, stock, alone && effort == EqualPieces.Effort.Full ? PlansTried : 1)
                : [planner.Fixed(kept.Openings, kept.Without(counts), stock)];
            var all = false;
            foreach (var plan in plans.Where(p => p.Count > 0))
            {
                var levels = plan;
                all |= Enumerable.Range(0, counts.Length).All(i => levels.Sum(l => l.Wanted.Where(w => w.Lot == i).Sum(w => w.Count * w.Stack)) >= counts[i]);
                levels = Evened(levels);
                if (kept.IsNone)
                    levels = new LevelOrder(request, sums, grid, slot, Columns).Best(levels, stock);
                var made = Stand(levels, counts);
                var left = levels.Where(l => l.Carries is not null).Aggregate(stock, (rest, l) => PropSums.Without(rest, l.Carries!));
                if (best is null || IsBetter(made, best.Value))
                    best = (made.Shelves, made.Left, left);
                if (best.Value.Left.Sum() == 0)
                    return best.Value;
            }
            // More shelves, each less full, only where what was planned did not find its place.
            if (!all || !kept.IsNone)
                break;
        }
        return best ?? ([], counts, stock);
    }

    private bool IsBetter((List<Packed> Shelves, int[] Left) a, (List<Packed> Shelves, int[] Left, int[] Props) b)
    {
        int Must(int[] left) => left.Where((_, i) => request.Lots[i].Must).Sum();
        if (Must(a.Left) != Must(b.Left))
            return Must(a.Left) < Must(b.Left);
        return a.Left.Sum() != b.Left.Sum() ? a.Left.Sum() < b.Left.Sum() : a.Shelves.Count < b.Shelves.Count;
    }

    private ShelfSpace Space(double top, ImmutableArray<(double X, double Y)> props) => ShelfSpaces.Of(request, grid, slot, top, props);

    /// <summary>The pattern of props that leaves most room for the ware that needs most of it.</summary>
    private ImmutableArray<(double X, double Y)> ChoosePattern(int[] counts)
    {
        var sight = request.Packs && slot.Region != ShelfRegion.Back;
        var patterns = PropPattern.All(request, grid, slot, sight);
        if (kept.Pieces.Any(p => p.X is not null))
        {
            if (grid is { Columns: 1, Rows: 2 })
                patterns.AddRange(PropPattern.All(request, grid with { PropsAtTheCut = !grid.PropsAtTheCut }, slot, sight));
            var least = patterns.Min(InTheWayOfKept);
            patterns = patterns.FindAll(p => InTheWayOfKept(p) == least);
        }
        var main = Enumerable.Range(0, counts.Length).MaxBy(i => counts[i] / request.MostInStack(request.Lots[i]) * CellOf(i));
        var ranked = patterns
            .Select(p => (Pattern: p, Count: Quick(Space(request.Chamber.Raise, p) with { Tip = null }, main)))
            .OrderByDescending(p => p.Count)
            .ToList();
        if (counts[main] < ranked[0].Count * request.MostInStack(request.Lots[main]))
            return ranked[0].Pattern;
        return ranked.Take(Looked).MaxBy(p => Closer(Space(request.Chamber.Raise, p.Pattern) with { Tip = null }, main, int.MaxValue)).Pattern;
    }

    /// <summary>Kept pieces that would stand too near such props.</summary>
    private int InTheWayOfKept(ImmutableArray<(double X, double Y)> props)
    {
        var discs = props.Select(p => Hull.Disc(p.X, p.Y, request.Props.Across / 2 + request.Rules.Prop)).ToList();
        return kept.Pieces.Count(k =>
            k is { X: { } x, Y: { } y }
            && k.Shelf < kept.Openings.Length
            && PackingCheck.HullsOf(request, new PlacedPiece(k.Lot, x, y, k.Turn, k.Stack)).Any(h => discs.Exists(d => h.Between(d) < -Rounded))
        );
    }

    /// <summary>So many stacks of a lot on a shelf, looked at closely.</summary>
    private int Closer(ShelfSpace space, int lot, int want) =>
        request.Lots[lot].Piece.Shape == PieceShape.Rectangle
            ? Rows.Most(space, Slab.Of(request, lot, 1), request.Rules.Gap, want).Count
            : EqualPieces.Most(space, Body.Of(request, lot, 1), request.Rules.Gap, want, EqualPieces.Effort.Quick).Count;

    private int Quick(ShelfSpace space, int lot)
    {
        if (request.Lots[lot].Piece.Shape == PieceShape.Rectangle)
            return Rows.Most(space, Slab.Of(request, lot, 1), request.Rules.Gap, int.MaxValue, quick: true).Count;
        var body = Body.Of(request, lot, 1);
        return Lattice.Count(space, body.IsRound ? body.R : body.R + (body.Reach - body.R) * 0.3, request.Rules.Gap, body.Foot);
    }

    /// <summary>So many stacks of a lot stand on a shelf by themselves; exactly only where there are as many of them.</summary>
    private int CapOf(ShelfSpace space, int lot, int count)
    {
        var stacks = (count + request.MostInStack(request.Lots[lot]) - 1) / request.MostInStack(request.Lots[lot]);
        var quick = Quick(space, lot);
        if (request.Lots[lot].Piece.Shape == PieceShape.Rectangle)
            return stacks <= quick ? quick : Rows.Most(space, Slab.Of(request, lot, 1), request.Rules.Gap, stacks).Count;
        if (quick > 0 && stacks <= quick)
            return quick;
        return EqualPieces
            .Most(space, Body.Of(request, lot, 1), request.Rules.Gap, Math.Max(quick + 1, stacks), count > FewForQuick ? effort : EqualPieces.Effort.Quick)
            .Count;
    }

    private double CellOf(int lot)
    {
        var gap = request.Rules.Gap;
        if (request.Lots[lot].Piece.Shape == PieceShape.Rectangle)
        {
            var slab = Slab.Of(request, lot, 1);
            return (slab.Width + gap) * (slab.Depth + gap);
        }
        var body = Body.Of(request, lot, 1);
        return body.Area + Math.PI * gap * (body.R + gap / 4);
    }

    /// <summary>Levels of one height share what is on them evenly, the rest to the lower.</summary>
    private static List<Level> Evened(List<Level> levels)
    {
        var evened = levels.ToList();
        foreach (var group in levels.Index().GroupBy(l => string.Join(',', l.Item.Wanted.Select(w => (w.Lot, w.Stack)).Order())).Where(g => g.Count() > 1))
        {
            var at = group.Select(g => g.Index).ToList();
            foreach (var w in group.First().Item.Wanted)
            {
                var all = group.Sum(g => g.Item.Wanted.First(x => x.Lot == w.Lot).Count);
                foreach (var (k, i) in at.Index())
                {
                    var count = all / at.Count + (k < all % at.Count ? 1 : 0);
                    evened[i] = evened[i] with { Wanted = [.. evened[i].Wanted.Select(x => x.Lot == w.Lot ? x with { Count = count } : x)] };
                }
            }
        }
        return evened;
    }

    /// <summary>Everything to its place: the tallest level first, what finds none into the gaps of others.</summary>
    private (List<Packed> Shelves, int[] Left) Stand(List<Level> levels, int[] counts)
    {
        var (left, z) = ((int[])counts.Clone(), request.Chamber.Raise);
        var fillers = new (ShelfFiller Filler, Level Level, double Z, PlacedPack? Pack)[levels.Count];
        for (var i = 0; i < levels.Count; i++)
        {
            var (level, top) = (levels[i], z + shelf.Thickness);
            ImmutableArray<(double X, double Y)> props = level.Carries is null ? [] : pattern;
            // No more of a lot is kept than there is.
            var here = kept.Pieces.Where(p => p.Shelf == i).Select(k => k with { Stack = Take(left, k.Lot, k.Stack) }).Where(k => k.Stack > 0).ToList();
            var filler = new ShelfFiller(
                request,
                Space(top, props),
                effort,
                here.Where(k => k.X is not null).Select(k => new Standing(k.Lot, k.Stack, new Place(k.X ?? 0, k.Y ?? 0, k.Turn * Math.PI / 180), k.Held))
            );
            var pack = request.Packs ? ShelfSpaces.PackOn(request, grid, slot, top, level.Opening, props, filler.InTheWay) : null;
            if (pack is not null)
                filler.Mind(pack);
            foreach (var k in here.Where(k => k.X is null))
                filler.PlaceAnywhere(k.Lot, k.Stack, k.Held);
            fillers[i] = (filler, level, z, pack);
            z += shelf.Thickness + level.Opening;
        }
        var rest = (int[])left.Clone();
        var tallestFirst = Enumerable.Range(0, levels.Count).OrderByDescending(i => levels[i].Tallest).ThenBy(i => i).ToList();
        // What finds no place beside the thermocouple or a pack may on the others.
        var waiting = tallestFirst.OrderByDescending(i => fillers[i].Pack is not null || fillers[i].Filler.TipRadius(levels[i].Tallest) > 0).ToList();
        foreach (var i in waiting.ToList())
        {
            cancel.ThrowIfCancellationRequested();
            var (filler, level, _, _) = fillers[i];
            var before = filler.Standing.Count;
            waiting.Remove(i);
            // One lot alone may find more room than was planned; never more than there is.
            var wanted = level
                .Wanted.Select(w =>
                    w with
                    {
                        Count = Math.Min(
                            w.Count + (level.Wanted.Count == 1 ? More(waiting.Select(j => levels[j]), w, left) : 0),
                            (left[w.Lot] + w.Stack - 1) / w.Stack
                        ),
                    }
                )
                .Where(w => w.Count > 0)
                .ToList();
            if (wanted.Count == 1 && before == 0)
                FillAlike(filler, wanted[0], level.Carries is null, fillers[i].Pack);
            else
                filler.Fill(wanted);
            foreach (var s in filler.Standing.Skip(before))
                left[s.Lot] -= Math.Min(s.Stack, left[s.Lot]);
        }
        foreach (var i in tallestFirst.AsEnumerable().Reverse())
        {
            foreach (
                var lot in Enumerable
                    .Range(0, left.Length)
                    .Where(l => left[l] > 0)
                    .OrderByDescending(l => request.Lots[l].Must)
                    .ThenByDescending(CellOf)
                    .ToList()
            )
            {
                var stack = StackUnder(lot, fillers[i].Level.Tallest);
                if (stack == 0)
                    continue;
                var put = fillers[i].Filler.FillGaps(new Wanted(lot, stack, (left[lot] + stack - 1) / stack));
                left[lot] -= Math.Min(left[lot], put * stack);
            }
        }
        // Few that are left over may stand among the others, if those make room; of one ware each shelf has had all it takes.
        var tries = left.Sum() <= FewLeft && counts.Count(c => c > 0) > 1 ? MostSqueezes : 0;
        foreach (var i in tallestFirst.AsEnumerable().Reverse())
        {
            foreach (var lot in Enumerable.Range(0, left.Length).Where(l => left[l] > 0).OrderByDescending(l => request.Lots[l].Must).ThenBy(CellOf).ToList())
            {
                var stack = StackUnder(lot, fillers[i].Level.Tallest);
                while (stack > 0 && left[lot] > 0 && tries-- > 0 && fillers[i].Filler.SqueezeInto(lot, stack))
                    left[lot] -= Math.Min(left[lot], stack);
            }
        }
        var shelves = new List<Packed>();
        foreach (var (filler, level, at, pack) in fillers)
        {
            filler.KeepOnly([.. rest]);
            filler.Settle(pattern, grid, slot);
            foreach (var s in filler.Free)
                rest[s.Lot] -= s.Stack;
            shelves.Add(new Packed(level, at, pack, filler.Standing, pattern));
        }
        // Nothing is carried up for an empty shelf.
        while (shelves.Count > 0 && shelves[^1].Pieces.Count == 0)
            shelves.RemoveAt(shelves.Count - 1);
        return (shelves, rest);
    }

    /// <summary>
    /// Levels alike, with the same in the way, are worked out once, in whichever plan; and more is never asked of one than it was found to take.
    /// </summary>
    private void FillAlike(ShelfFiller filler, Wanted wanted, bool topmost, PlacedPack? pack)
    {
        // The tip is in the way of what is tall, by as much as they are apart in height.
        var alike = new Alike(
            wanted.Lot,
            wanted.Stack,
            topmost,
            pack?.X,
            pack?.Y,
            Math.Round(filler.TipRadius(request.HeightOf(request.Lots[wanted.Lot], wanted.Stack)), 3)
        );
        if (taken.TryGetValue(alike, out var most) && wanted.Count >= most.Count)
            filler.Repeat(most);
        else if (solved.TryGetValue((alike, wanted.Count), out var again))
            filler.Repeat(again);
        else
        {
            filler.Fill([wanted]);
            solved[(alike, wanted.Count)] = [.. filler.Standing];
            if (filler.Standing.Count < wanted.Count)
                taken[alike] = [.. filler.Standing];
        }
    }

    /// <summary>Up to so many of a lot, as far as there are some left.</summary>
    private static int Take(int[] left, int lot, int stack)
    {
        var taken = Math.Min(stack, left[lot]);
        left[lot] -= taken;
        return taken;
    }

    /// <summary>How many of a lot stand on one another there; 0 when not even one does.</summary>
    private int StackUnder(int lot, double tallest)
    {
        var stack = request.MostInStack(request.Lots[lot]);
        while (stack > 0 && request.HeightOf(request.Lots[lot], stack) > tallest + 1e-9)
            stack--;
        return stack;
    }

    /// <summary>Stacks for which no other level is meant.</summary>
    private static int More(IEnumerable<Level> others, Wanted w, int[] left)
    {
        var planned = others.Sum(l => l.Wanted.Where(x => x.Lot == w.Lot).Sum(x => x.Count * x.Stack));
        return Math.Max(0, (left[w.Lot] - planned) / w.Stack - w.Count);
    }
}
