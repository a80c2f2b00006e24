using System.Collections.Immutable;
using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Packing.Rules;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>So many stacks of a lot, wanted on a shelf.</summary>
/// <param name="Lot">Index of the lot.</param>
/// <param name="Stack">Pieces on one another.</param>
/// <param name="Count">Stacks.</param>
internal readonly record struct Wanted(int Lot, int Stack, int Count);

/// <summary>A stack on a shelf.</summary>
internal readonly record struct Standing(int Lot, int Stack, Place At, bool Held = false);

/// <summary>Puts several lots on one shelf: what has sides in rows, then the largest first where it stands tightest, the rest squeezed in.</summary>
internal sealed class ShelfFiller
{
    private static readonly (double Least, double Most) RasterSteps = (8, 18);
    private const double DensestMixed = 0.88;
    private const int Jumps = 3;
    private readonly PackingRequest request;
    private readonly double gap;
    private readonly EqualPieces.Effort effort;
    private readonly List<Standing> standing = [];
    private ShelfSpace space;
    private int keptCount;
    private readonly double rasterStep;

    public ShelfFiller(PackingRequest request, ShelfSpace space, EqualPieces.Effort effort, IEnumerable<Standing>? kept = null)
    {
        (this.request, this.space, this.effort, gap) = (request, space, effort, request.Rules.Gap);
        // As fine as the smallest piece wants it.
        rasterStep = Math.Clamp(request.Lots.Min(l => l.Piece.Across) / 5, RasterSteps.Least, RasterSteps.Most);
        foreach (var piece in kept ?? [])
            Put(piece);
        keptCount = standing.Count;
    }

    public IReadOnlyList<Standing> Standing => standing;

    /// <summary>What nobody wants kept.</summary>
    public IEnumerable<Standing> Free => standing.Skip(keptCount);

    /// <summary>What stands here, as a pack has to mind it.</summary>
    public (Disc[] Discs, Box[] Boxes) InTheWay =>
        (
            [.. standing.Where(s => !IsSlab(s.Lot)).SelectMany(s => DiscsOf(s, 0))],
            [.. standing.Where(s => IsSlab(s.Lot)).Select(s => BoxOf(Slab.Of(request, s.Lot, s.Stack), s.At) with { Margin = 0 })]
        );

    /// <summary>A pack stands here as well.</summary>
    public void Mind(PlacedPack pack) => space = space.WithPack(request, pack);

    /// <summary>Stays on this shelf, where there is room for it; where there is none, where there is most.</summary>
    public void PlaceAnywhere(int lot, int stack, bool held)
    {
        Place at;
        if (IsSlab(lot))
            at = Rows.Most(space, Slab.Of(request, lot, stack), gap, 1) is [var first, ..] ? first : new Place(space.Shelf.Middle.X, space.Shelf.Middle.Y, 0);
        else
        {
            var (body, raster) = (Body.Of(request, lot, stack), Now());
            var (x, y) = raster.Tightest(body.Reach, body.Foot, body.Height) ?? raster.Emptiest(body.Foot, body.Height);
            at = new Place(x, y, 0);
        }
        Put(new Standing(lot, stack, at, held));
        keptCount = standing.Count;
    }

    /// <summary>Everything that is wanted, as far as it goes.</summary>
    public void Fill(IReadOnlyList<Wanted> wanted)
    {
        foreach (var w in wanted.Where(w => IsSlab(w.Lot)).OrderByDescending(w => request.Lots[w.Lot].Piece.Across * request.Lots[w.Lot].Piece.Deep))
        {
            var slab = Slab.Of(request, w.Lot, w.Stack);
            foreach (var place in Rows.Most(space, slab, gap, w.Count))
                PutSlab(slab, new Standing(w.Lot, w.Stack, place));
        }
        var round = wanted.Where(w => !IsSlab(w.Lot) && w.Count > 0).ToList();
        if (round.Count == 1 && Free.All(s => IsSlab(s.Lot)))
        {
            var body = Body.Of(request, round[0].Lot, round[0].Stack);
            standing.AddRange(EqualPieces.Most(space, body, gap, round[0].Count, effort).Select(p => new Standing(round[0].Lot, round[0].Stack, p)));
            return;
        }
        SqueezeIn(round);
    }

    /// <summary>How far the thermocouple is in the way of a piece so tall; 0 where it is not.</summary>
    public double TipRadius(double height) => space.TipRadius(height);

    /// <summary>The same as on another shelf like this one.</summary>
    public void Repeat(IEnumerable<Standing> others)
    {
        foreach (var s in others)
        {
            if (IsSlab(s.Lot))
                PutSlab(Slab.Of(request, s.Lot, s.Stack), s);
            else
                standing.Add(s);
        }
    }

    /// <summary>What still fits into the gaps, displacing nothing; tells how many stacks.</summary>
    public int FillGaps(Wanted wanted)
    {
        if (IsSlab(wanted.Lot))
        {
            var slab = Slab.Of(request, wanted.Lot, wanted.Stack);
            var least = Math.Min(slab.Width, slab.Depth) / 2;
            if (Now().Tightest(least, 0, slab.Height) is null)
                return 0;
            var around = space.With(standing.Where(s => !IsSlab(s.Lot)).Select(BoxAround));
            var places = Rows.Most(around, slab, gap, wanted.Count, quick: true);
            foreach (var place in places)
                PutSlab(slab, new Standing(wanted.Lot, wanted.Stack, place));
            return places.Count;
        }
        var (body, put) = (Body.Of(request, wanted.Lot, wanted.Stack), 0);
        if (!body.IsRound)
            return 0;
        var raster = Now();
        while (put < wanted.Count && raster.Tightest(body.R, body.Foot, body.Height) is { } place)
        {
            standing.Add(new Standing(wanted.Lot, wanted.Stack, new Place(place.X, place.Y, 0)));
            raster.Put(body, place.X, place.Y, 0, gap);
            put++;
        }
        return put;
    }

    /// <summary>Moves round pieces further apart, as far as there is room for all.</summary>
    public void Spread()
    {
        var round = standing.Index().Where(s => s.Index >= keptCount && !IsSlab(s.Item.Lot)).ToList();
        if (round.Count == 0)
            return;
        foreach (var extra in new[] { 30.0, 15, 7, 3 })
        {
            var relaxer = new Relaxer(space, gap + extra);
            foreach (var (_, s) in round)
                relaxer.Add(Body.Of(request, s.Lot, s.Stack), s.At.X, s.At.Y, s.At.Turn);
            relaxer.Relax(60);
            if (!relaxer.IsFree)
                continue;
            foreach (var (i, place) in EqualPieces.Places(relaxer).Index())
                standing[round[i].Index] = standing[round[i].Index] with { At = place };
            return;
        }
    }

    /// <summary>One more stack among what stands there, which may move for it; false when it finds no room.</summary>
    public bool SqueezeInto(int lot, int stack)
    {
        if (IsSlab(lot))
            return false;
        var movable = standing.Index().Where(s => s.Index >= keptCount && !IsSlab(s.Item.Lot)).ToList();
        var body = Body.Of(request, lot, stack);
        if (movable.Sum(s => Body.Of(request, s.Item.Lot, s.Item.Stack).Area) + body.Area > space.FreeArea * DensestMixed)
            return false;
        var relaxer = new Relaxer(space, gap);
        foreach (var (_, s) in movable)
            relaxer.Add(Body.Of(request, s.Lot, s.Stack), s.At.X, s.At.Y, s.At.Turn);
        var empty = relaxer.Now(rasterStep).Emptiest(body.Foot, body.Height);
        relaxer.Add(body, empty.X, empty.Y);
        relaxer.Jump(relaxer.Relax(), Jumps, rasterStep);
        if (!relaxer.IsFree)
            return false;
        var places = EqualPieces.Places(relaxer);
        foreach (var (i, (index, s)) in movable.Index())
            standing[index] = s with { At = places[i] };
        standing.Add(new Standing(lot, stack, places[^1]));
        return true;
    }

    /// <summary>Takes off what there are no pieces for; the last stack may be lower than the others.</summary>
    /// <param name="left">Pieces of each lot that are not kept anywhere.</param>
    public void KeepOnly(int[] left)
    {
        for (var i = keptCount; i < standing.Count; i++)
        {
            if (left[standing[i].Lot] <= 0)
                standing.RemoveAt(i--);
            else
            {
                standing[i] = standing[i] with { Stack = Math.Min(standing[i].Stack, left[standing[i].Lot]) };
                left[standing[i].Lot] -= standing[i].Stack;
            }
        }
    }

    /// <summary>Further apart where there is room, and over the middle of its props where it might tip.</summary>
    /// <param name="carried">What carries the shelf.</param>
    /// <param name="grid">Its kind, and how it lies.</param>
    /// <param name="slot">Where.</param>
    public void Settle(ImmutableArray<(double X, double Y)> carried, ShelfGrid grid, ShelfSlot slot)
    {
        Spread();
        if (standing.Count == keptCount)
            return;
        var middle = (X: carried.Average(p => p.X), Y: carried.Average(p => p.Y));
        var (x, y) = Balance.Of(request, grid, slot, standing.Select(s => (s.Lot, s.Stack, s.At.X, s.At.Y)));
        if (Balance.Inside(carried, x, y) >= PackingRules.TipsOver + 2)
            return;
        foreach (var share in new[] { 1.0, 2, 3 })
        {
            var relaxer = new Relaxer(space, gap);
            var round = standing.Index().Where(s => s.Index >= keptCount && !IsSlab(s.Item.Lot)).ToList();
            foreach (var (_, s) in round)
                relaxer.Add(Body.Of(request, s.Lot, s.Stack), s.At.X + (middle.X - x) * share, s.At.Y + (middle.Y - y) * share, s.At.Turn);
            relaxer.Relax(100);
            if (!relaxer.IsFree)
                continue;
            var places = EqualPieces.Places(relaxer);
            var moved = standing.Select((s, i) => round.FindIndex(r => r.Index == i) is >= 0 and var k ? s with { At = places[k] } : s).ToList();
            var (nx, ny) = Balance.Of(request, grid, slot, moved.Select(s => (s.Lot, s.Stack, s.At.X, s.At.Y)));
            if (Balance.Inside(carried, nx, ny) < PackingRules.TipsOver)
                continue;
            standing.Clear();
            standing.AddRange(moved);
            return;
        }
        // Nothing helps but to take off what pulls it over.
        while (
            standing.Count > keptCount
            && Balance.Of(request, grid, slot, standing.Select(s => (s.Lot, s.Stack, s.At.X, s.At.Y))) is var (bx, by)
            && Balance.Inside(carried, bx, by) < PackingRules.TipsOver + 1
        )
            standing.RemoveAt(
                keptCount + Free.Index().MaxBy(s => (s.Item.At.X - middle.X) * (bx - middle.X) + (s.Item.At.Y - middle.Y) * (by - middle.Y)).Index
            );
    }

    private void SqueezeIn(List<Wanted> round)
    {
        var relaxer = new Relaxer(space, gap);
        var stacks = new List<(int Lot, int Stack)>();
        foreach (var s in Free.Where(s => !IsSlab(s.Lot)).ToList())
        {
            relaxer.Add(Body.Of(request, s.Lot, s.Stack), s.At.X, s.At.Y, s.At.Turn);
            stacks.Add((s.Lot, s.Stack));
            standing.RemoveAt(standing.LastIndexOf(s));
        }
        var dice = new SeededRandom(5);
        var raster = relaxer.Now(rasterStep);
        foreach (var w in round.OrderByDescending(w => Body.Of(request, w.Lot, w.Stack).R))
        {
            var body = Body.Of(request, w.Lot, w.Stack);
            for (var k = 0; k < w.Count; k++)
            {
                if (body.IsRound && raster.Tightest(body.R, body.Foot, body.Height) is { } place)
                {
                    relaxer.Add(body, place.X, place.Y);
                    raster.Put(body, place.X, place.Y, 0, gap);
                    stacks.Add((w.Lot, w.Stack));
                    continue;
                }
                var saved = relaxer.Save();
                var (x, y) = raster.Emptiest(body.Foot, body.Height);
                relaxer.Add(body, x, y, dice.Between(0, 2 * Math.PI));
                relaxer.Jump(relaxer.Relax(), effort.Jumps - 1, rasterStep);
                if (!relaxer.IsFree)
                {
                    relaxer.RemoveLast();
                    relaxer.Restore(saved);
                    raster = relaxer.Now(rasterStep);
                    break;
                }
                stacks.Add((w.Lot, w.Stack));
                raster = relaxer.Now(rasterStep);
            }
        }
        foreach (var (i, place) in EqualPieces.Places(relaxer).Index())
            standing.Add(new Standing(stacks[i].Lot, stacks[i].Stack, place));
    }

    private void Put(Standing piece)
    {
        if (IsSlab(piece.Lot))
            PutSlab(Slab.Of(request, piece.Lot, piece.Stack), piece);
        else
        {
            standing.Add(piece);
            space = With(piece);
        }
    }

    private void PutSlab(Slab slab, Standing piece)
    {
        standing.Add(piece);
        space = space.With([BoxOf(slab, piece.At)]);
    }

    private Box BoxOf(Slab slab, Place place)
    {
        // Somebody may have put it askew: then the box about it.
        var (sin, cos) = (Math.Abs(Math.Sin(place.Turn)), Math.Abs(Math.Cos(place.Turn)));
        return new Box(place.X, place.Y, (slab.Width * cos + slab.Depth * sin) / 2, (slab.Width * sin + slab.Depth * cos) / 2, gap);
    }

    /// <summary>The shelf with a round piece on it that stays where it is.</summary>
    private ShelfSpace With(Standing piece) => space with { Discs = [.. space.Discs, .. DiscsOf(piece, gap)] };

    private IEnumerable<Disc> DiscsOf(Standing s, double margin)
    {
        var (body, (sin, cos)) = (Body.Of(request, s.Lot, s.Stack), Math.SinCos(s.At.Turn));
        return body.Parts.Select(p => new Disc(s.At.X + p.X * cos, s.At.Y + p.X * sin, p.R + margin));
    }

    private Box BoxAround(Standing s)
    {
        var body = Body.Of(request, s.Lot, s.Stack);
        return new Box(s.At.X, s.At.Y, body.Reach, body.Reach, gap);
    }

    private Raster Now()
    {
        var raster = new Raster(space, rasterStep);
        foreach (var s in standing.Where(s => !IsSlab(s.Lot)))
            raster.Put(Body.Of(request, s.Lot, s.Stack), s.At.X, s.At.Y, s.At.Turn, gap);
        return raster;
    }

    private bool IsSlab(int lot) => request.Lots[lot].Piece.Shape == PieceShape.Rectangle;
}
