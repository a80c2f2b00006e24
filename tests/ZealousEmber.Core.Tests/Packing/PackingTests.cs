using System.Collections.Immutable;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Packing.Geometry;
using ZealousEmber.Core.Packing.Rules;
using ZealousEmber.Core.Packing.Search;
using ZealousEmber.Tests;

namespace ZealousEmber.Core.Tests.Packing;

/// <summary>The figures of the paper, and plans proved by the check, which shares no code with the packer.</summary>
public sealed class PackingTests
{
    internal static readonly Piece Mug = Piece.Create(PieceShape.Round, 85, null, 100, 35, stacking: Stacking.Layers).Value;
    private static readonly Piece Bowl = Piece.Create(PieceShape.Round, 150, null, 70, stacking: Stacking.Nest, most: 10, step: 25).Value;
    private static readonly Piece Plate = Piece.Create(PieceShape.Round, 270, null, 25, stacking: Stacking.Spacers, step: 35).Value;
    private static readonly Piece Vase = Piece.Create(PieceShape.Round, 120, null, 250).Value;
    private static readonly Piece Tile = Piece.Create(PieceShape.Rectangle, 100, 100, 8, stacking: Stacking.Flat).Value;
    private static readonly string[] Kilns = ["bench", "top-100", "top-190", "top-290", "front-200"];

    internal static PackingRequest Request(string kiln, bool raw, params PackingLot[] lots) =>
        new(ChamberClass.Usual(kiln), ChamberClass.UsualProps(kiln), raw ? PackingRules.Bisque : PackingRules.Glaze, raw, [.. lots]);

    internal static PackingPlan Proved(PackingRequest request)
    {
        var plan = Packer.Pack(request).Value;
        var broken = PackingCheck.Of(request, plan.Shelves).Where(b => b.Rule != "pack-missing").ToList();
        broken.ShouldBeEmpty(string.Join(" | ", broken.Select(b => $"{b.Rule} shelf {b.Shelf} piece {b.Piece}: {b.Text}")));
        foreach (var (i, lot) in plan.Lots.Index())
        {
            lot.Asked.ShouldBe(request.Lots[i].Count);
            lot.Placed.ShouldBe(plan.Shelves.Sum(s => s.Pieces.Where(p => p.Lot == i).Sum(p => p.Stack)));
            (lot.Placed + plan.Unplaced.Where(u => u.Lot == i).Sum(u => u.Count)).ShouldBe(lot.Asked);
        }
        return plan;
    }

    [Theory]
    [InlineData("mug", false, new[] { 3, 21, 49, 93, 53 })]
    [InlineData("mug", true, new[] { 6, 46, 108, 164, 100 })]
    [InlineData("bowl", false, new[] { 2, 16, 38, 68, 41 })]
    [InlineData("bowl", true, new[] { 6, 61, 152, 247, 145 })]
    [InlineData("plate", false, new[] { 0, 6, 7, 23, 15 })]
    [InlineData("plate", true, new[] { 0, 11, 15, 48, 28 })]
    [InlineData("vase", false, new[] { 0, 7, 24, 37, 27 })]
    [InlineData("vase", true, new[] { 0, 7, 26, 39, 28 })]
    [InlineData("tile", false, new[] { 10, 61, 105, 160, 122 })]
    [InlineData("tile", true, new[] { 46, 228, 429, 695, 486 })]
    public void A_kiln_takes_as_much_of_one_ware_as_the_paper_says(string ware, bool raw, int[] least)
    {
        var piece = ware switch
        {
            "mug" => Mug,
            "bowl" => Bowl,
            "plate" => Plate,
            "vase" => Vase,
            _ => Tile,
        };
        foreach (var (kiln, want) in Kilns.Zip(least))
            Proved(Request(kiln, raw, new PackingLot(ware, piece, 800, 0.4))).Totals.Pieces.ShouldBeGreaterThanOrEqualTo(want, kiln);
    }

    [Theory]
    [InlineData("top-100", 38)]
    [InlineData("top-190", 82)]
    [InlineData("front-200", 91)]
    public void Turned_handles_make_room(string kiln, int least)
    {
        var request = Request(kiln, false, new PackingLot("mugs", Mug, 800, 0.4)) with { Handles = HandleChoice.Turned };
        Proved(request with { Rules = request.Rules with { Gap = 10, MayTouch = 10 } }).Totals.Pieces.ShouldBeGreaterThanOrEqualTo(least);
    }

    [Fact]
    public void Random_loads_are_packed_by_the_rules_and_the_same_way_every_time()
    {
        var dice = new SeededRandom(2024);
        for (var t = 0; t < LongRun.Of(100, 3000); t++)
        {
            var request = Random(ref dice);
            var plan = Proved(request);
            if (t % 20 == 0)
                Packer.Pack(request).Value.Shelves.SelectMany(s => s.Pieces).ShouldBe(plan.Shelves.SelectMany(s => s.Pieces));
        }
    }

    [Fact]
    public void What_must_go_goes_first_and_what_cannot_says_why()
    {
        var plan = Proved(
            Request(
                "top-190",
                false,
                new PackingLot("mugs", Mug, 60, 0.4),
                new PackingLot("vases", Vase, 6, 1, Must: true),
                new PackingLot("platters", Piece.Create(PieceShape.Round, 560, null, 40).Value, 1, 3),
                new PackingLot("pillars", Piece.Create(PieceShape.Round, 100, null, 700).Value, 1, 3)
            )
        );
        plan.Lots[1].Placed.ShouldBe(6);
        plan.Fits.ShouldBeFalse();
        plan.Unplaced.Single(u => u.Lot == 2).Why.ShouldContain("too wide");
        plan.Unplaced.Single(u => u.Lot == 3).ShouldSatisfyAllConditions(u => u.Why.ShouldContain("700 mm tall"), u => u.Would.ShouldContain("taller"));
        plan.Unplaced.Single(u => u.Lot == 0)
            .ShouldSatisfyAllConditions(u => u.Why.ShouldContain("mm more for another shelf"), u => u.Would.ShouldContain("second firing"));
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void What_one_more_shelf_would_take_is_said_only_where_it_takes_it(bool halves)
    {
        for (var count = 1; count <= 6; count++)
        {
            var request = Request("top-190", false, new PackingLot("planters", Piece.Create(PieceShape.Round, 250, null, 90).Value, 60, 2));
            var kind = halves ? request.Chamber.Half! : request.Chamber.Full!;
            request = request with { Chamber = request.Chamber.With(kind, count), Shelves = halves ? ShelfChoice.Half : ShelfChoice.Full };
            var plan = Proved(request);
            var more = Proved(request with { Chamber = request.Chamber.With(kind with { Count = count }, count + 1) });
            var gain = more.Totals.Pieces - plan.Totals.Pieces;
            var left = plan.Unplaced.Single();
            if (plan.Totals.Shelves < count || gain == 0)
                left.Would.ShouldNotContain("One more shelf");
            else
                left.ShouldSatisfyAllConditions(
                    l => l.Why.ShouldBe($"All {count} shelves are in use."),
                    l => l.Would.ShouldStartWith($"One more shelf would take {gain} of the {l.Count}")
                );
        }
    }

    [Fact]
    public void Packs_stand_in_sight_of_peepholes_and_nothing_stands_before_them()
    {
        var plan = Proved(Request("top-190", false, new PackingLot("mugs", Mug, 40, 0.4)) with { Packs = true });
        plan.Fits.ShouldBeTrue();
        plan.Shelves.Count(s => s.Pack is not null).ShouldBeGreaterThanOrEqualTo(2);
        plan.Shelves.Where(s => s.Pack is not null).ShouldAllBe(s => s.Pack!.Peephole > s.Top && s.Pack.Peephole < s.Top + s.Opening);
    }

    [Fact]
    public void Heavy_and_thick_ware_stands_low_and_levels_share_evenly()
    {
        var planters = Piece.Create(PieceShape.Round, 200, null, 110).Value;
        var plan = Proved(Request("top-190", false, new PackingLot("planters", planters, 4, 4, Low: true), new PackingLot("mugs", Mug, 26, 0.3)));
        plan.Fits.ShouldBeTrue();
        plan.Shelves.Where(s => s.Pieces.Any(p => p.Lot == 0))
            .Max(s => s.Z)
            .ShouldBeLessThanOrEqualTo(plan.Shelves.Where(s => s.Pieces.Any(p => p.Lot == 1)).Max(s => s.Z));
        var mugs = Proved(Request("top-190", false, new PackingLot("mugs", Mug, 30, 0.3))).Shelves.Select(s => s.Pieces.Length).ToList();
        (mugs.Max() - mugs.Min()).ShouldBeLessThanOrEqualTo(1, string.Join(',', mugs));
    }

    [Fact]
    public void Runny_glazes_stand_on_slabs_and_raw_ware_in_stacks()
    {
        var runny = Request("top-190", false, new PackingLot("bowls", Bowl, 20, 0.5, Runny: true));
        var plain = Request("top-190", false, new PackingLot("bowls", Bowl, 20, 0.5));
        Proved(runny).Shelves.Max(s => s.Opening).ShouldBeGreaterThanOrEqualTo(Bowl.Height + PackingRules.Slab.Thick + PackingRules.Glaze.Above);
        Proved(plain).Shelves.SelectMany(s => s.Pieces).ShouldAllBe(p => p.Stack == 1);
        Proved(plain with { Raw = true, Rules = PackingRules.Bisque }).Shelves.SelectMany(s => s.Pieces).ShouldContain(p => p.Stack > 1);
    }

    [Fact]
    public void Kept_pieces_stay_and_the_rest_goes_round_them()
    {
        var request = Request("top-190", false, new PackingLot("mugs", Mug, 30, 0.3));
        var kept = new KeptPiece(0, 0, 12, -34, 0, 1);
        var plan = Proved(request with { Pieces = [kept], Openings = [125, 125] });
        plan.Fits.ShouldBeTrue();
        plan.Shelves[0].Pieces.ShouldContain(p => Math.Abs(p.X - 12) < 1e-6 && Math.Abs(p.Y + 34) < 1e-6);
        plan.Shelves.Take(2).ShouldAllBe(s => s.Opening == 125);
    }

    [Fact]
    public void Half_shelves_serve_where_there_are_no_full_ones()
    {
        var full = ChamberClass.Usual("top-190");
        var halves = Chamber.Create(ChamberShape.Round, full.Width, full.Depth, full.Height, full.Raise, [full.Half!], full.Peepholes, full.Thermocouple).Value;
        var plan = Proved(Request("top-190", false, new PackingLot("mugs", Mug, 24, 0.3)) with { Chamber = halves });
        plan.Fits.ShouldBeTrue();
        plan.Shelves.Select(s => s.Region).Distinct().Order().ShouldBe([ShelfRegion.Front, ShelfRegion.Back]);
    }

    [Fact]
    public void Mass_of_shelves_and_props_is_about_what_the_kiln_model_supposes()
    {
        var plan = Proved(Request("top-190", false, new PackingLot("mugs", Mug, 50, 0.4)));
        plan.Totals.FurnitureKg.ShouldBeInRange(25, 40);
        plan.Totals.WareKg.ShouldBe(20, 1e-9);
        plan.PickUp.Sum(p => p.Count).ShouldBe(plan.Shelves.Sum(s => s.Props.Sum(p => p.Heights.Length)));
    }

    [Fact]
    public void Too_much_and_nothing_get_a_clear_answer()
    {
        Packer.Pack(Request("top-190", false)).Problems[0].ShouldSatisfyAllConditions(p => p.Field.ShouldBe("lots"), p => p.Message.ShouldContain("Nothing"));
        Packer.Pack(Request("top-190", false, new PackingLot("mugs", Mug, 5000, 0.4))).Problems[0].Message.ShouldContain("2000");
        Piece
            .Create(PieceShape.Rectangle, null, 1, 5000, -1, 0, Stacking.Nest, 0, 0)
            .Problems.Select(p => p.Field)
            .ShouldBe(["across", "deep", "height", "handle", "foot", "most", "step"]);
        Chamber.Create(ChamberShape.Round, 5000, 5000, 10, -5, []).Problems.Select(p => p.Field).ShouldBe(["width", "depth", "height", "raise", "shelves"]);
        PropStock.Create(0, 3, [new(0, -1)]).Problems.Select(p => p.Field).ShouldBe(["across", "mostStacked", "stock[0].height", "stock[0].count"]);
    }

    [Theory]
    [InlineData(26, "mugs", "26 mugs")]
    [InlineData(1, "mugs", "1 mug")]
    [InlineData(1, "dishes", "1 dish")]
    [InlineData(1, "glass", "1 glass")]
    public void One_piece_of_many_is_named_as_one(int count, string ware, string said) => Phrases.Counted(count, ware).ShouldBe(said);

    [Fact]
    public void Without_props_there_is_one_shelf()
    {
        var request = Request("top-190", false, new PackingLot("mugs", Mug, 60, 0.4)) with { Props = PropStock.Create(38, 2, []).Value };
        Proved(request).Shelves.Length.ShouldBe(1);
    }

    internal static PackingRequest Random(ref SeededRandom dice)
    {
        var kiln = Kilns[(int)(dice.Next() * 5)];
        var (raw, size) = (dice.Next() < 0.5, kiln == "bench" ? 0.5 : 1);
        var lots = ImmutableArray.CreateBuilder<PackingLot>();
        for (var n = 1 + (int)(dice.Next() * 8); n > 0; n--)
        {
            var rectangle = dice.Next() < 0.2;
            lots.Add(
                new PackingLot(
                    $"lot {n}",
                    Piece
                        .Create(
                            rectangle ? PieceShape.Rectangle : PieceShape.Round,
                            dice.Between(40, rectangle ? 220 : 300) * size,
                            rectangle ? dice.Between(40, 220) * size : null,
                            dice.Between(10, dice.Next() < 0.2 ? 400 : 160) * size,
                            dice.Next() < 0.4 ? dice.Between(10, 60) : null,
                            null,
                            (Stacking)(int)(dice.Next() * 5)
                        )
                        .Value,
                    1 + (int)(dice.Next() * (dice.Next() < 0.3 ? 60 : 14)),
                    dice.Between(0.1, 4),
                    dice.Next() < 0.1,
                    dice.Next() < 0.2,
                    dice.Next() < 0.1
                )
            );
        }
        return Request(kiln, raw, [.. lots]) with { Handles = dice.Next() < 0.2 ? HandleChoice.Turned : HandleChoice.Any, Packs = dice.Next() < 0.5 };
    }
}
