using Shouldly;
using Xunit;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Saying.Reading;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Saying;

/// <summary>Lots as people say them.</summary>
public sealed class LotLinesTests
{
    private static LotsRead Read(string text, UsualWare? usual = null) => LotLines.Read(text, SaltmarshNames.Context(), usual ?? UsualWare.None);

    private static LotDraft One(string line)
    {
        var (lots, unread, _) = Read(line);
        unread.ShouldBeEmpty(string.Join(" | ", unread.Select(u => u.Why)));
        return lots.ShouldHaveSingleItem();
    }

    [Fact]
    public void A_whole_line_is_a_whole_lot()
    {
        var lot = One("26 mugs ⌀85 × 100, handle 35, 6 mm, Marsh White, cool to touch, to be dipped, the class");
        (lot.What, lot.Count, lot.Wall, lot.ClayId, lot.Dryness, lot.Next, lot.Whose).ShouldBe(
            ("mugs", 26, 6, 1, Dryness.CoolToTouch, NextStep.Dipping, "the class")
        );
        lot.Piece.ShouldBe(new PieceDraft(PieceShape.Round, 85, null, 100, 35, Stacking: Stacking.Layers));
        lot.Width.ShouldBeNull();
    }

    [Theory]
    [InlineData("12 plates 26 x 2.8 cm, 8mm", 260, 28, 8.0, Stacking.Spacers, true)]
    [InlineData("12\tplates\t260 x 28\t8 mm", 260, 28, 8.0, Stacking.Spacers, true)]
    [InlineData("16 bowls; 150×70; wall 6", 150, 70, 6.0, Stacking.Nest, false)]
    [InlineData("4 vases 120*250, each on the shelf, 1/2", 0, 0, 0.0, Stacking.None, false)]
    [InlineData("9 planters 12 x 8 in, 3/8 in", 304.8, 203.2, 9.525, Stacking.None, false)]
    [InlineData("6 jugs 4.5 x 7 in, 0.25 in", 114.3, 177.8, 6.35, Stacking.None, false)]
    public void Tables_and_other_units_are_read_as_well(string line, double across, double height, double wall, Stacking stacking, bool flat)
    {
        if (across == 0)
        {
            Read(line).Unread.ShouldHaveSingleItem().Why.ShouldContain("“shelf” is no word known here");
            return;
        }
        var lot = One(line);
        (lot.Piece!.Across, lot.Piece.Height, lot.Wall, lot.Piece.Stacking).ShouldBe((across, height, wall, stacking));
        (lot.Width is not null).ShouldBe(flat);
    }

    [Fact]
    public void Tiles_have_three_sides_and_words_come_in_any_order()
    {
        var lot = One("40 tiles 100 × 120 × 8, must go, Maren, 400 g, Oyster matte, leather-hard, solid");
        lot.Piece.ShouldBe(new PieceDraft(PieceShape.Rectangle, 100, 120, 8, Stacking: Stacking.Flat));
        (lot.Must, lot.Whose, lot.PieceMass, lot.Dryness, lot.OneSided).ShouldBe((true, "Maren", 0.4, Dryness.LeatherHard, true));
        lot.GlazeIds.ShouldBe([1]);
        One("3 lamps, over spacers, 90 x 200").Piece!.Stacking.ShouldBe(Stacking.Spacers);
    }

    [Fact]
    public void What_cannot_be_read_is_kept_with_why_and_the_rest_is_taken()
    {
        var (lots, unread, _) = Read("mugs, 6 mm\n\n5 mugs, Tobin, Isolde\n5 bowls\n99999999999 mugs\n7 pots 12 mm 4\n30 mugs, 6 mm, thrown yesterday");
        lots.Select(l => l.What).ShouldBe(["bowls"]);
        unread.Select(u => u.Line).ShouldBe(["mugs, 6 mm", "5 mugs, Tobin, Isolde", "99999999999 mugs", "7 pots 12 mm 4", "30 mugs, 6 mm, thrown yesterday"]);
        unread.Select(u => u.Why).ShouldBe(["How many mugs?", "Whose is it?", "How many mugs?", "What is 4?", "How dry is it?"]);
    }

    [Theory]
    [InlineData("Pieces\tWhat\tDiameter\tHeight\tWall\tClay\tWho\n26\tmugs\t85\t100\t6\tMarsh White\tthe class\n4\tbowls, low\t150\t70\t\t\t")]
    [InlineData("what;count;across (cm);tall (cm);wall (mm);glaze;clay;whose\nmugs;26;8,5;10;6;;Marsh White;the class\nbowls, low;4;15;7;;;;")]
    [InlineData("\"Ware\",\"Qty\",\"Size\",\"Thickness\",\"Owner\",\"Clay\"\nmugs,26,85 x 100,6,the class,Marsh White\r\nbowls low,4,150 × 70,,,\r\n")]
    public void A_table_is_read_by_its_headings(string text)
    {
        var (lots, unread, heading) = Read(text);
        unread.ShouldBeEmpty(string.Join(" | ", unread.Select(u => u.Why)));
        heading.ShouldBe(text.Split('\n')[0]);
        lots.Select(l => (l.What, l.Count, l.Piece!.Across, l.Piece.Height, l.Wall, l.ClayId, l.Whose))
            .ShouldBe([("mugs", 26, 85.0, 100.0, 6.0, 1, "the class"), ("bowls low", 4, 150.0, 70.0, null, null, null)]);
    }

    [Fact]
    public void A_row_of_a_table_that_cannot_be_read_is_kept_as_it_was()
    {
        var (lots, unread, heading) = Read("count\twhat\tcolour\n3\tjugs\tblue\n\tmugs\t4711");
        lots.ShouldHaveSingleItem().ShouldSatisfyAllConditions(l => l.Whose.ShouldBeNull("a colour is nobody"), l => l.GlazeIds.ShouldBe([2]));
        unread.ShouldHaveSingleItem().ShouldSatisfyAllConditions(u => u.Line.ShouldBe("\tmugs\t4711"), u => u.Why.ShouldContain("ow many"));
        heading.ShouldBe("count\twhat\tcolour");
        // Two lots by commas are no heading.
        Read("5 mugs, Tobin\n6 bowls").Heading.ShouldBeNull();
    }

    [Fact]
    public void Sizes_of_ware_are_those_it_had_last()
    {
        LotDraft Was(string line) => One(line);
        var usual = UsualWare.From([
            Was("3 mugs 85 × 100, handle 35, 5 mm, 350 g"),
            Was("40 Mugs 70 × 80, 9 mm"),
            Was("2 bowls"),
            Was("12 tiles 100 × 100 × 8"),
        ]);
        usual.All.Select(l => l.What).ShouldBe(["mugs", "tiles"]);
        var lot = Read("26 Mug, rim on rim, 6 mm, the class\n9 bowls\n5 mugs 60 × 60", usual).Lots;
        (lot[0].Count, lot[0].Piece!.Across, lot[0].Piece!.Handle, lot[0].Piece!.Stacking, lot[0].Wall, lot[0].PieceMass, lot[0].Whose).ShouldBe(
            (26, 85, 35, Stacking.Layers, 6, 0.35, "the class")
        );
        lot[1].Piece.ShouldBeNull();
        (lot[2].Piece!.Across, lot[2].Piece!.Handle).ShouldBe((60, null));
        usual.Of("cups").ShouldBeNull();
    }
}
