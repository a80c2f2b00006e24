using System.Collections.Immutable;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Packing.Rules;

namespace ZealousEmber.Core.Tests.Packing;

/// <summary>Each rule broken on purpose is named at its piece.</summary>
public sealed class PackingCheckTests
{
    private static readonly PackingRequest Mugs = PackingTests.Request("top-190", false, new PackingLot("mugs", PackingTests.Mug, 24, 0.4)) with
    {
        Packs = true,
    };
    private static readonly PackingPlan Plan = PackingTests.Proved(Mugs);

    private static IEnumerable<string> Broken(Func<PlacedShelf, PlacedShelf> change, int shelf = 0, PackingRequest? request = null) =>
        PackingCheck
            .Of(request ?? Mugs, [.. Plan.Shelves.Select((s, i) => i == shelf ? change(s) : s)])
            .Where(b => b.Shelf == shelf + 1 || b.Shelf == 0)
            .Select(b => b.Rule);

    private static PlacedShelf Moved(PlacedShelf s, int piece, double x, double y) =>
        s with
        {
            Pieces = s.Pieces.SetItem(piece, s.Pieces[piece] with { X = x, Y = y }),
        };

    [Fact]
    public void A_plan_of_the_packer_breaks_nothing() => PackingCheck.Of(Mugs, Plan.Shelves).ShouldBeEmpty();

    [Fact]
    public void Pieces_that_touch_lean_on_the_wall_or_hang_over_are_named()
    {
        Broken(s => Moved(s, 0, s.Pieces[1].X + 60, s.Pieces[1].Y)).ShouldContain("touches");
        Broken(s => Moved(s, 0, 230, 0)).ShouldContain("wall");
        Broken(s => Moved(s, 0, 245, 0)).ShouldContain("off-shelf");
        var prop = Plan.Shelves[1].Props[0];
        Broken(s => Moved(s, 0, prop.X * 0.85, prop.Y * 0.85)).ShouldContain("prop");
    }

    [Fact]
    public void What_is_too_tall_is_named_under_a_shelf_and_under_the_lid()
    {
        var tall = Mugs with { Lots = [Mugs.Lots[0] with { Piece = Piece.Create(PieceShape.Round, 85, null, 118, 35).Value }] };
        PackingCheck.Of(tall, Plan.Shelves).ShouldContain(b => b.Rule == "too-tall" && b.Shelf == 1);
        var lid = Plan.Shelves[^1] with { Opening = 120 };
        PackingCheck.Of(Mugs, [.. Plan.Shelves[..^1], lid]).ShouldContain(b => b.Rule == "lid");
    }

    [Fact]
    public void The_thermocouple_keeps_its_distance_from_ware_and_shelves()
    {
        var tip = Plan.Shelves[0].Top + 40;
        var low = Chamber.Create(ChamberShape.Round, 585, 585, 710, 25, Mugs.Chamber.Shelves, Mugs.Chamber.Peepholes, new(tip, 120)).Value;
        Broken(s => Moved(s, 0, 0, 150), request: Mugs with { Chamber = low }).ShouldContain("thermocouple");
        var atShelf = Chamber.Create(ChamberShape.Round, 585, 585, 710, 25, Mugs.Chamber.Shelves, Mugs.Chamber.Peepholes, new(Plan.Shelves[1].Z + 5, 60)).Value;
        Broken(s => s, 1, Mugs with { Chamber = atShelf }).ShouldContain("thermocouple");
    }

    [Fact]
    public void Stacks_of_glazed_ware_and_high_ones_of_raw_are_named()
    {
        Broken(s => s with { Pieces = s.Pieces.SetItem(0, s.Pieces[0] with { Stack = 2 }) }).ShouldContain("stack");
        Broken(s => s with { Pieces = s.Pieces.SetItem(0, s.Pieces[0] with { Stack = 4 }) }, request: Mugs with { Raw = true, Rules = PackingRules.Bisque })
            .ShouldContain("stack");
    }

    [Fact]
    public void Shelves_stand_firmly_on_props_there_are()
    {
        Broken(s => s with { Props = s.Props[..2] }, 1).ShouldContain("could-tip");
        Broken(s => s with { Props = [.. s.Props.Select(p => p with { X = Math.Abs(p.X) + 40 })] }, 1).ShouldContain("could-tip");
        Broken(s => s with { Props = s.Props.SetItem(0, s.Props[0] with { X = s.Props[0].X * 0.8, Y = s.Props[0].Y * 0.8 }) }, 1)
            .ShouldContain("props-over-props");
        Broken(s => s with { Props = s.Props.SetItem(0, s.Props[0] with { Heights = [90] }) }, 1).ShouldContain("prop");
        Broken(s => s with { Props = [.. s.Props.Select(p => p with { Heights = [777] })] }, 1).ShouldContain("prop-stock");
        Broken(s => s with { Region = ShelfRegion.Back }, 1).ShouldContain("shelves-mixed");
        PackingCheck.Of(Mugs, [.. Enumerable.Repeat(Plan.Shelves[0], 9)]).ShouldContain(b => b.Rule == "shelf-stock");
    }

    [Fact]
    public void Packs_are_missed_and_hidden_ones_named()
    {
        PackingCheck.Of(Mugs, [.. Plan.Shelves.Select(s => s with { Pack = null })]).ShouldContain(b => b.Rule == "pack-missing");
        var shelf = Plan.Shelves.First(s => s.Pack is not null);
        PlacedShelf With(PlacedPack pack) => shelf with { Pack = pack };
        ImmutableArray<string> Rules(PlacedShelf s) =>
            [.. PackingCheck.Of(Mugs, [.. Plan.Shelves.Select(x => x.Number == s.Number ? s : x)]).Where(b => b.Shelf == s.Number).Select(b => b.Text)];
        Rules(With(shelf.Pack! with { Peephole = 17 })).ShouldContain(t => t.Contains("no peephole"));
        Rules(With(shelf.Pack! with { X = 90 })).ShouldContain(t => t.Contains("too far beside"));
        Rules(With(shelf.Pack! with { Y = -265 })).ShouldContain(t => t.Contains("front wall"));
        Rules(With(shelf.Pack! with { Y = 60 })).ShouldContain(t => t.Contains("line of sight") || t.Contains("cones bend"));
    }
}
