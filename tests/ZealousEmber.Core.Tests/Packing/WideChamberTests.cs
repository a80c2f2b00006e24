using Shouldly;
using Xunit;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Packing.Geometry;

namespace ZealousEmber.Core.Tests.Packing;

/// <summary>Shelves beside each other: behind one another, side by side, in ovals, as halves, and turned where more lie that way.</summary>
public sealed class WideChamberTests
{
    private static Chamber Of(ChamberShape shape, double width, double depth, double height, params ShelfStock[] shelves) =>
        Chamber.Create(shape, width, depth, height, 25, shelves, [150, 500], new Thermocouple(400, 40)).Value;

    private static PackingRequest Request(Chamber chamber, bool raw, params PackingLot[] lots) =>
        PackingTests.Request("front-200", raw, lots) with
        {
            Chamber = chamber,
        };

    [Theory]
    [InlineData(665, 665, 500, 300, 1, 2)]
    [InlineData(665, 665, 300, 500, 2, 1)]
    [InlineData(1100, 550, 490, 490, 2, 1)]
    [InlineData(840, 840, 700, 345, 1, 2)]
    [InlineData(1000, 1000, 390, 600, 2, 1)]
    [InlineData(500, 900, 450, 300, 1, 2)]
    [InlineData(550, 550, 490, 490, 1, 1)]
    // Three lie side by side when they are turned; two behind each other when not.
    [InlineData(1000, 700, 600, 320, 3, 1)]
    public void Shelves_lie_beside_each_other_where_there_is_room(double width, double depth, double shelf, double deep, int columns, int rows)
    {
        var chamber = Of(ChamberShape.Rectangle, width, depth, 660, new ShelfStock(shelf, deep, 18, 12));
        var grid = ShelfGrid.Of(chamber, chamber.Shelves[0]);
        (grid.Columns, grid.Rows).ShouldBe((columns, rows));
    }

    [Fact]
    public void A_wide_chamber_takes_what_stands_on_all_its_shelves()
    {
        var chamber = Of(ChamberShape.Rectangle, 665, 665, 660, new ShelfStock(500, 300, 18, 10));
        var jar = Piece.Create(PieceShape.Round, 130, null, 120).Value;
        // On one shelf a level it takes 27.
        var plan = PackingTests.Proved(Request(chamber, false, new PackingLot("jars", jar, 50, 1)));
        plan.Totals.Pieces.ShouldBeGreaterThanOrEqualTo(39);
        plan.Shelves.Select(s => s.Slot).Distinct().Count().ShouldBe(2);
        plan.Shelves.Select(s => s.Place.Y).Distinct().Order().ShouldBe([-155, 155]);
    }

    [Fact]
    public void An_oval_takes_shelves_side_by_side_and_halves_of_them()
    {
        var mugs = new PackingLot("mugs", PackingTests.Mug, 300, 0.3);
        var one = Of(ChamberShape.Round, 585, 585, 600, new ShelfStock(530, 530, 18, 16), new ShelfStock(530, 260, 18, 16, Half: true));
        var two = Of(ChamberShape.Round, 1000, 585, 600, new ShelfStock(470, 530, 18, 16), new ShelfStock(470, 260, 18, 16, Half: true));
        var round = Of(ChamberShape.Round, 1120, 585, 600, new ShelfStock(530, 530, 18, 16));
        var alone = PackingTests.Proved(Request(one, false, mugs)).Totals.Pieces;
        PackingTests.Proved(Request(two, false, mugs)).Totals.Pieces.ShouldBeGreaterThan(alone * 17 / 10);
        var halves = PackingTests.Proved(Request(one, false, mugs) with { Shelves = ShelfChoice.Half }).Totals.Pieces;
        PackingTests.Proved(Request(two, false, mugs) with { Shelves = ShelfChoice.Half }).Totals.Pieces.ShouldBeGreaterThan(halves * 15 / 10);
        // Two round shelves in an oval take twice what one does, or near it.
        PackingTests.Proved(Request(round, false, mugs)).Totals.Pieces.ShouldBeGreaterThan(alone * 18 / 10);
    }

    [Fact]
    public void Random_loads_in_wide_chambers_keep_every_rule_and_what_is_kept_stays()
    {
        var dice = new SeededRandom(41);
        for (var t = 0; t < 40; t++)
        {
            var load = PackingTests.Random(ref dice);
            var (w, d) = (dice.Between(500, 1300), dice.Between(450, 900));
            var round = t % 2 == 0;
            // Nobody lays three narrow shelves where an oval is not wide.
            var (columns, rows) = (round && w <= d ? 1 : 1 + t % 3, 1 + t / 3 % 2);
            var shelf = new ShelfStock(Math.Floor((w - 40) / columns - 10), Math.Floor((d - 40) / rows - 10), 18, 20);
            var chamber = Of(
                round ? ChamberShape.Round : ChamberShape.Rectangle,
                w,
                d,
                660,
                t % 5 == 0 ? [shelf, shelf with { Depth = Math.Floor(shelf.Depth / 2 - 4), Half = true }] : [shelf]
            );
            var request = load with { Chamber = chamber, Packs = t % 4 == 0 };
            var plan = PackingTests.Proved(request);
            var kept = request with
            {
                Openings = [.. plan.Shelves.Select(s => s.Opening)],
                Regions = [.. plan.Shelves.Select(s => s.Region)],
                Columns = [.. plan.Shelves.Select(s => s.Column)],
                Pieces = [.. plan.Shelves.SelectMany(s => s.Pieces.Select(p => new KeptPiece(s.Number - 1, p.Lot, p.X, p.Y, p.Turn, p.Stack, true)))],
            };
            var again = PackingTests.Proved(kept);
            foreach (var piece in kept.Pieces)
                again.Shelves.SelectMany(s => s.Pieces).ShouldContain(p => p.Lot == piece.Lot && p.X == piece.X && p.Y == piece.Y);
        }
    }
}
