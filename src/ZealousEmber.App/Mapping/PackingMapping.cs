using System.Collections.Immutable;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Packing.Rules;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Mapping;

/// <summary>Packing between the wire and the core.</summary>
internal static class PackingMapping
{
    private const double ThickWall = 20;
    private const double UsualWall = 6;

    public static async Task<Result<PackingRequest>> Read(PackingRequestContract? wire, StudioLookup lookup)
    {
        wire ??= new PackingRequestContract(null, null);
        var problems = new List<Problem>();
        if (wire.Kind is null)
            problems.Add(WireEnums.Missing<ScheduleKind>("kind", "a kind of firing"));
        var kiln = await ReadKiln(wire, lookup, problems);
        var chamber = ReadChamber(wire, kiln, problems);
        var props = ReadProps(wire, kiln, problems);
        var raw = wire.Kind is ScheduleKind.Bisque or ScheduleKind.Drying;
        var rules = ReadRules(wire.Rules, raw ? PackingRules.Bisque : PackingRules.Glaze, problems);
        var lots = await ReadLots(wire.Load, raw, lookup, problems);
        var wish = ReadWish(wire.Handles, wire.Keep, wire.Shelves, problems);
        if (problems.Count > 0)
            return Result<PackingRequest>.Failed(problems);
        return new PackingRequest(
            Chamber: chamber!,
            Props: props!,
            Rules: rules!,
            Raw: raw,
            Lots: lots,
            Handles: wish.Handles,
            Packs: wire.Packs ?? !raw,
            Openings: wish.Openings,
            Pieces: wish.Pieces,
            Regions: wish.Regions,
            Shelves: wish.Shelves,
            Columns: wish.Columns
        );
    }

    /// <summary>A plan of somebody's as the core has it; problems at <c>shelves[i]</c>.</summary>
    public static Result<IReadOnlyList<PlacedShelf>> ReadShelves(IReadOnlyList<PlacedShelfContract?>? wire, int lots)
    {
        var problems = new List<Problem>();
        var shelves = new List<PlacedShelf>();
        if (wire?.Count > 2 * Chamber.MostShelves)
            return new Problem("shelves", $"At most {2 * Chamber.MostShelves} shelves are checked; these are {wire.Count}.");
        foreach (var (i, s) in (wire ?? []).Index())
        {
            if (s is null || !(Math.Abs(s.Z) < 1e4 && Math.Abs(s.Thickness) < 1e4 && Math.Abs(s.Opening) < 1e4))
            {
                problems.Add(new Problem($"shelves[{i}]", "A shelf has its height, thickness and opening, in mm."));
                continue;
            }
            foreach (var (k, p) in (s.Pieces ?? []).Index())
            {
                if (
                    p is null
                    || p.Lot < 0
                    || p.Lot >= lots
                    || !(Math.Abs(p.X) < 1e4 && Math.Abs(p.Y) < 1e4 && Math.Abs(p.Turn) < 1e6)
                    || p.Stack is < 1 or > Piece.MostStacked
                )
                    problems.Add(new Problem($"shelves[{i}].pieces[{k}]", "A piece has the number of its lot, its place, its turn and its stack."));
            }
            if ((s.Pieces?.Count ?? 0) > PackingRequest.MostPieces || (s.Props ?? []).Any(p => p?.Heights is null || p.Heights.Count == 0))
                problems.Add(new Problem($"shelves[{i}]", "A prop has its place and its heights."));
            if (problems.Count > 0)
                continue;
            shelves.Add(
                new PlacedShelf(
                    s.Number,
                    s.Region,
                    s.Z,
                    s.Thickness,
                    s.Opening,
                    [.. (s.Props ?? []).Select(p => new PlacedProp(p.X, p.Y, [.. p.Heights]))],
                    [.. (s.Pieces ?? []).Select(p => new PlacedPiece(p.Lot, p.X, p.Y, p.Turn, p.Stack))],
                    s.Pack is { } pack ? new PlacedPack(pack.X, pack.Y, pack.Peephole) : null,
                    s.WareKg,
                    s.AreaShare,
                    Column: s.Column ?? 1
                )
            );
        }
        return problems.Count > 0 ? Result<IReadOnlyList<PlacedShelf>>.Failed(problems) : shelves;
    }

    public static PackingResponse Write(PackingPlan plan, PackingRequest request) =>
        new(
            [.. plan.Shelves.Select(s => Write(s, request.Chamber))],
            plan.Fits,
            [.. plan.Lots.Select(l => new LotOutcomeContract(l.Lot, l.Asked, l.Placed, l.Shelves))],
            [.. plan.Unplaced.Select(Write)],
            [.. plan.PickUp.Select(p => new PropContract(p.Height, p.Count))],
            new PackingTotalsContract(plan.Totals.Pieces, plan.Totals.WareKg, plan.Totals.FurnitureKg, plan.Totals.Shelves, plan.Totals.Share),
            [.. plan.Cautions.Select(c => new PackingCautionContract(c.Id, c.Text))],
            ChamberMapping.Write(request.Chamber),
            request.Props.Across,
            [.. PackingCheck.Of(request, plan.Shelves).Select(Write)],
            plan.PropHeights
        );

    public static BrokenRuleContract Write(BrokenRule b) => new(b.Rule, b.Shelf, b.Piece, b.Text);

    public static LeftOutContract Write(LeftOut left) => new(left.Lot, left.Count, left.Why, left.Would);

    private static PlacedShelfContract Write(PlacedShelf s, Chamber chamber)
    {
        var (grid, slot) = ShelfGrid.Of(chamber, s);
        return new(
            Number: s.Number,
            Region: s.Region,
            Z: s.Z,
            Thickness: s.Thickness,
            Opening: s.Opening,
            Props: [.. s.Props.Select(p => new PlacedPropContract(p.X, p.Y, p.Heights))],
            Pieces: [.. s.Pieces.Select(p => new PlacedPieceContract(p.Lot, p.X, p.Y, p.Turn, p.Stack, p.Held ? true : null))],
            Pack: s.Pack is { } pack ? new PlacedPackContract(pack.X, pack.Y, pack.Peephole) : null,
            WareKg: s.WareKg,
            AreaShare: s.AreaShare,
            Needs: s.Needs,
            Column: s.Column,
            Place: new ShelfPlaceContract(s.Place.X, s.Place.Y, s.Place.Width, s.Place.Depth),
            Outline: [.. ShelfOutline.Of(chamber, s).SelectMany(p => new[] { p.X, p.Y })],
            Where: grid.Said(slot)
        );
    }

    private static async Task<StudioKiln?> ReadKiln(PackingRequestContract wire, StudioLookup lookup, List<Problem> problems)
    {
        if (wire.Kiln is { } inline)
        {
            var read = KilnMapping.Read(inline.Named());
            problems.AddRange(read.Problems.Select(p => p.Under("kiln")));
            return read.IsOk ? read.Value : null;
        }
        if (wire.KilnId is not { } id)
            return null;
        var kiln = await lookup.Kiln(id);
        if (kiln is null)
            problems.Add(new Problem("kilnId", $"There is no kiln {id} in this studio."));
        return kiln;
    }

    private static Chamber? ReadChamber(PackingRequestContract wire, StudioKiln? kiln, List<Problem> problems)
    {
        if (wire.Chamber is null)
        {
            if (kiln is null && wire.Kiln is null && wire.KilnId is null)
                problems.Add(new Problem("kilnId", "Say which kiln is packed, or give its chamber."));
            return kiln?.Chamber;
        }
        var read = ChamberMapping.Read(wire.Chamber);
        problems.AddRange(read.Problems.Select(p => p.Under("chamber")));
        return read.IsOk ? read.Value : null;
    }

    private static PropStock? ReadProps(PackingRequestContract wire, StudioKiln? kiln, List<Problem> problems)
    {
        if (wire.Props is null)
            return kiln?.Props ?? ChamberClass.UsualProps("top-190");
        var read = ChamberMapping.Read(wire.Props);
        problems.AddRange(read.Problems.Select(p => p.Under("props")));
        return read.IsOk ? read.Value : null;
    }

    private static PackingRules? ReadRules(RulesContract? wire, PackingRules usual, List<Problem> problems)
    {
        if (wire is null)
            return usual;
        var read = PackingRules.Create(usual, wire.Gap, wire.Above, wire.Lid, wire.Wall, wire.Prop, wire.Tip, wire.TipShelf);
        problems.AddRange(read.Problems.Select(p => p.Under("rules")));
        return read.IsOk ? read.Value : null;
    }

    /// <summary>The ware as the planner reads it, and its sizes; a wall nobody measured is usual, since it only decides what stands low.</summary>
    private static async Task<ImmutableArray<PackingLot>> ReadLots(LoadContract? load, bool raw, StudioLookup lookup, List<Problem> problems)
    {
        var wire = (load?.Lots ?? []).Select(l => l ?? new LotContract(What: null, Count: null, Wall: null)).ToList();
        var before = problems.Count;
        var ware = await LotMapping.Read(new LoadContract(Lots: [.. wire.Select(l => l with { Wall = l.Wall ?? UsualWall })]), lookup, problems);
        var lots = ImmutableArray.CreateBuilder<PackingLot>();
        foreach (var (i, l) in wire.Take(WareLot.MostLots).Index())
        {
            var piece = (PieceMapping.Read(l.Piece, l.Wall ?? UsualWall) ?? new(PieceShape.Round, null, null, null)).Read();
            problems.AddRange(piece.Problems.Select(p => p.Under($"load.lots[{i}].piece")));
            if (ware is null || !piece.IsOk)
                continue;
            var lot = ware.Lots[i];
            lots.Add(
                new PackingLot(
                    lot.What,
                    piece.Value,
                    lot.Count,
                    lot.PieceMass,
                    l.Must == true,
                    lot.OneSided || lot.Wall > ThickWall || (raw && lot.Dryness > Dryness.CoolToTouch),
                    lot.Glazes.Any(g => g.Runny),
                    lot.Whose
                )
            );
        }
        return problems.Count > before ? [] : lots.ToImmutable();
    }

    /// <summary>How a firing is to be packed.</summary>
    public static PackingSettings? Read(FiringPackingContract? wire, List<Problem> problems)
    {
        if (wire is null)
            return null;
        var said = new List<Problem>();
        var wish = ReadWish(wire.Handles, wire.Keep, wire.Shelves, said);
        problems.AddRange(said.Select(p => p.Under("packing")));
        return wish;
    }

    public static FiringPackingContract? Write(PackingSettings? wish) =>
        wish is null
            ? null
            : new FiringPackingContract(
                wish.Handles,
                wish.Openings.IsEmpty && wish.Pieces.IsEmpty
                    ? null
                    : new KeepContract(
                        wish.Openings,
                        [.. wish.Pieces.Select(p => new KeptPieceContract(p.Shelf + 1, p.Lot, p.X, p.Y, p.Turn, p.Stack, p.Held))],
                        wish.Regions.IsEmpty ? null : wish.Regions,
                        wish.Columns.IsDefaultOrEmpty ? null : wish.Columns
                    ),
                wish.Shelves == ShelfChoice.Any ? null : wish.Shelves
            );

    /// <summary>What somebody wants of the packer, or what is wrong with it at <c>keep</c>.</summary>
    private static PackingSettings ReadWish(HandleChoice? handles, KeepContract? keep, ShelfChoice? shelves, List<Problem> problems)
    {
        // What is missing is no shelf and no lot there is, so that the core minds it.
        var pieces = (keep?.Pieces ?? []).Select(p => new KeptPiece(
            (p?.Shelf ?? 0) - 1,
            p?.Lot ?? -1,
            p?.X,
            p?.Y,
            p?.Turn ?? 0,
            p?.Stack ?? 1,
            p?.Held == true
        ));
        var wish = new PackingSettings(
            handles ?? HandleChoice.Any,
            [.. keep?.Openings ?? []],
            [.. pieces],
            [.. keep?.Regions ?? []],
            shelves ?? ShelfChoice.Any,
            [.. keep?.Columns ?? []]
        );
        if (wish.Check() is not { } wrong)
            return wish;
        problems.Add(wrong);
        return PackingSettings.None;
    }
}
