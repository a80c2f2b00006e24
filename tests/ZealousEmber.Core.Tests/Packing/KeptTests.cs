using Shouldly;
using Xunit;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Packing.Rules;
using ZealousEmber.Core.Packing.Search;

namespace ZealousEmber.Core.Tests.Packing;

/// <summary>What somebody put by hand stays, on shelves of either kind, and the rest is packed round it; and what could be done otherwise.</summary>
public sealed class KeptTests
{
    private static readonly Piece Vase = Piece.Create(PieceShape.Round, 120, null, 250).Value;

    private static PackingRequest Mugs(int count, bool raw = false) =>
        PackingTests.Request("top-190", raw, new PackingLot("mugs", PackingTests.Mug, count, 0.3));

    private static PackingRequest OnHalves(PackingRequest request) => request with { Shelves = ShelfChoice.Half };

    /// <summary>All of a plan, or a part of it, as it would be kept.</summary>
    private static PackingRequest Keeping(PackingRequest request, PackingPlan plan, Func<int, int, bool> kept) =>
        request with
        {
            Openings = [.. plan.Shelves.Select(s => s.Opening)],
            Regions = [.. plan.Shelves.Select(s => s.Region)],
            Pieces =
            [
                .. plan
                    .Shelves.SelectMany(s => s.Pieces.Select((p, i) => (s, p, i)))
                    .Where(x => kept(x.s.Number, x.i))
                    .Select(x => new KeptPiece(x.s.Number - 1, x.p.Lot, x.p.X, x.p.Y, x.p.Turn, x.p.Stack, x.i % 2 == 0)),
            ],
        };

    private static List<(ShelfRegion, double, int, double, double, int)> Places(PackingPlan plan) =>
        [.. plan.Shelves.SelectMany(s => s.Pieces.Select(p => (s.Region, s.Z, p.Lot, p.X, p.Y, p.Stack)))];

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_plan_kept_whole_is_the_same_plan_and_kept_in_part_breaks_no_rule(bool halves)
    {
        var dice = new SeededRandom(halves ? 5u : 6u);
        for (var t = 0; t < 25; t++)
        {
            var request = PackingTests.Random(ref dice);
            if (halves)
                request = OnHalves(request);
            var plan = PackingTests.Proved(request);
            var whole = PackingTests.Proved(Keeping(request, plan, (_, _) => true));
            var (before, after) = (Places(plan), Places(whole));
            after.Intersect(before).Count().ShouldBe(before.Count);
            // Where something was left out, another look may find it room.
            if (plan.Fits)
                after.Count.ShouldBe(before.Count);
            var part = Keeping(request, plan, (shelf, i) => (shelf + i) % 3 == 0);
            var packed = Packer.Pack(part).Value;
            // What is kept on a shelf may tip it by itself; that is for somebody to see.
            PackingCheck
                .Of(part, packed.Shelves)
                .Where(b =>
                    b.Rule != "pack-missing"
                    && !(b.Rule == "could-tip" && packed.Shelves[b.Shelf - 1].Pieces.All(p => part.Pieces.Any(k => k.X == p.X && k.Y == p.Y)))
                )
                .ShouldBeEmpty();
            foreach (var kept in part.Pieces)
                packed.Shelves.SelectMany(s => s.Pieces).ShouldContain(p => p.Lot == kept.Lot && p.X == kept.X && p.Y == kept.Y && p.Held == kept.Held);
        }
    }

    [Fact]
    public void A_piece_may_be_sent_to_a_shelf_and_finds_its_place_there()
    {
        var request = Mugs(30);
        var third = PackingTests.Proved(request with { Pieces = [new KeptPiece(2, 0, null, null, 0, 1, true)] });
        third.Shelves[2].Pieces.Count(p => p.Held).ShouldBe(1);
        third.Fits.ShouldBeTrue();
        var tile = PackingTests.Request("top-190", false, new PackingLot("tiles", Piece.Create(PieceShape.Rectangle, 100, 100, 8).Value, 20, 0.2));
        PackingTests.Proved(tile with { Openings = [50], Pieces = [new KeptPiece(1, 0, null, null, 0, 1, true)] }).Shelves[1].Pieces.ShouldContain(p => p.Held);
    }

    [Fact]
    public void Without_openings_the_shelf_of_a_kept_piece_is_as_tall_as_it_needs()
    {
        var request = PackingTests.Request("top-190", false, new PackingLot("mugs", PackingTests.Mug, 20, 0.3), new PackingLot("vases", Vase, 2, 1));
        var plan = PackingTests.Proved(request with { Pieces = [new KeptPiece(0, 1, 0, -120, 0, 1, true)] });
        plan.Shelves[0].Opening.ShouldBeGreaterThanOrEqualTo(275);
        plan.Shelves[0].Needs.ShouldBe(275);
        plan.Shelves[0].Pieces.ShouldContain(p => p.Lot == 1 && p.Held);
        plan.PropHeights.ShouldContain(plan.Shelves[0].Opening);
    }

    [Fact]
    public void Tiles_kept_askew_are_given_the_room_they_take()
    {
        var tiles = PackingTests.Request("top-190", false, new PackingLot("tiles", Piece.Create(PieceShape.Rectangle, 140, 90, 8).Value, 12, 0.2));
        var plan = PackingTests.Proved(tiles with { Openings = [50], Pieces = [new KeptPiece(0, 0, 20, 10, 37, 1, true)] });
        plan.Shelves[0].Pieces.Length.ShouldBeGreaterThan(1);
    }

    [Fact]
    public void Only_the_shelves_somebody_chose_are_used()
    {
        PackingTests.Proved(OnHalves(Mugs(20))).Shelves.ShouldAllBe(s => s.Region != ShelfRegion.Full);
        PackingTests.Proved(Mugs(20) with { Shelves = ShelfChoice.Full }).Shelves.ShouldAllBe(s => s.Region == ShelfRegion.Full);
    }

    [Fact]
    public void What_would_take_more_is_packed_and_named()
    {
        var request = Mugs(62);
        var larger = (ChamberClass.Usual("top-290"), ChamberClass.UsualProps("top-290"));
        var smaller = (ChamberClass.Usual("bench"), ChamberClass.UsualProps("bench"));
        var found = PackingChoices.Of(request, [smaller, larger]).Value;
        found.Placed.ShouldBe(Packer.Pack(request).Value.Totals.Pieces);
        found.Asked.ShouldBe(62);
        var kiln = found.Choices.Single(c => c.Kind == PackingChoiceKind.OtherKiln);
        (kiln.Kiln, kiln.Placed).ShouldBe((1, 62));
        var turned = found.Choices.Single(c => c.Kind == PackingChoiceKind.HandlesTurned);
        turned.Placed.ShouldBe(Packer.Pack(request with { Handles = HandleChoice.Turned }).Value.Totals.Pieces);
        found.Choices.ShouldAllBe(c => c.Placed > found.Placed);
        found.Choices.ShouldNotContain(c => c.Kind == PackingChoiceKind.Tumbled);
        PackingChoices.Of(Mugs(10), [larger]).Value.Choices.ShouldBeEmpty();
    }

    [Fact]
    public void Raw_ware_in_a_heap_is_estimated_from_what_it_fills()
    {
        // Cubes of a litre: the room between walls and lid, 0.55 of it.
        var cubes = PackingTests.Request("top-190", true, new PackingLot("cubes", Piece.Create(PieceShape.Rectangle, 100, 100, 100).Value, 80, 1));
        var room = Math.PI / 4 * 5.35 * 5.35 * (7.1 - 0.25 - 0.18 - 0.25);
        PackingChoices.Of(cubes, []).Value.Choices.Single(c => c.Kind == PackingChoiceKind.Tumbled).Placed.ShouldBe((int)(room * 0.55));
    }

    [Fact]
    public void Packing_stops_when_nobody_waits()
    {
        using var given = new CancellationTokenSource();
        given.Cancel();
        Should.Throw<OperationCanceledException>(() => Packer.Pack(Mugs(20), given.Token));
    }
}
