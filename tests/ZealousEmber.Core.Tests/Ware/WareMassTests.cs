using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Ware;

public sealed class WareMassTests
{
    private static WareLot Lot(double wall, WareSize? size, double? kg = null, bool closed = false) =>
        WareLot.Create("ware", 9, wall, null, closed, pieceKg: kg, size: size).Value;

    /// <summary>Weights worked out by hand for dry ware of these sizes, none of them weighed: within a fifth.</summary>
    [Theory]
    [InlineData("planter", true, 300, 300, 200, null, 25, 11.7)]
    [InlineData("mug", true, 85, 85, 100, null, 6, 0.36)]
    [InlineData("dinner plate", true, 270, 270, 25, null, 8, 1.05)]
    [InlineData("nesting bowl", true, 150, 150, 70, 97.5, 6, 0.38)]
    [InlineData("tile", false, 100, 100, 8, null, 8, 0.152)]
    [InlineData("baking dish", false, 320, 220, 60, null, 9, 2.1)]
    [InlineData("trough", false, 500, 200, 180, null, 18, 11.3)]
    [InlineData("solid block", true, 90, 90, 90, null, 45, 1.09)]
    public void What_nobody_weighed_is_worked_out_from_size_and_wall(
        string what,
        bool round,
        double across,
        double deep,
        double height,
        double? foot,
        double wall,
        double kg
    ) => Lot(wall, new WareSize(round, across, deep, height, foot)).PieceMass.ShouldBeInRange(0.8 * kg, 1.2 * kg, what);

    [Fact]
    public void A_weight_that_was_told_is_taken_as_it_is() => Lot(25, new WareSize(true, 300, 300, 200), 9.25).PieceMass.ShouldBe(9.25);

    [Fact]
    public void Closed_ware_weighs_its_roof_as_well() =>
        Lot(8, new WareSize(true, 150, 150, 150), closed: true).PieceMass.ShouldBeGreaterThan(1.1 * Lot(8, new WareSize(true, 150, 150, 150)).PieceMass);

    [Fact]
    public void What_has_neither_is_said()
    {
        var load = WareLoad.Create([WareLot.Create("jugs", 4, 7).Value, WareLot.Create("bowls", 20, 5).Value, Lot(6, new WareSize(true, 85, 85, 100))]).Value;
        LoadNotes.Unweighed(load, DisplayUnits.Metric).ShouldBe("Neither size nor weight is known of 4 jugs and 20 bowls: 0.6 kg each is taken.");
        LoadNotes.Unweighed(WareLoad.Create([Lot(6, null, kg: 0.4)]).Value, DisplayUnits.Metric).ShouldBeNull();
    }

    [Fact]
    public void What_scales_would_do_is_said_until_a_piece_of_every_lot_was_on_them()
    {
        static WareLot Of(string what, double? kg) => WareLot.Create(what, 10, 6, pieceKg: kg).Value;
        LoadNotes
            .Weighing(WareLoad.Create([Of("mugs", null), Of("jugs", null)]).Value)
            .ShouldBe(
                "Nobody has weighed one of 10 mugs and 10 jugs: the ware may be 50 % lighter or heavier. One pot of each lot on the scales, and hours and energy are told closer."
            );
        // Half of it is known by then.
        LoadNotes
            .Weighing(WareLoad.Create([Of("mugs", 0.6), Of("jugs", null)]).Value)!
            .ShouldStartWith("Nobody has weighed one of 10 jugs: the ware may be 25 % lighter");
        LoadNotes.Weighing(WareLoad.Create([Of("mugs", 0.6), Of("jugs", 0.9)]).Value).ShouldBeNull();
    }

    /// <summary>Whatever the size: heavier than nothing, no heavier than solid, and thicker is never lighter.</summary>
    [Fact]
    public void Thicker_is_heavier_and_never_more_than_solid() =>
        Gen.Select(Gen.Double[5, 2000], Gen.Double[5, 2000], Gen.Double[5, 2000], Gen.Double[1, 150], Gen.Bool, Gen.Bool, Gen.Bool)
            .Sample(
                (across, deep, height, wall, round, closed, opens) =>
                {
                    var size = new WareSize(round, across, round ? across : deep, height, opens ? 0.65 * across : null);
                    var mass = size.DryMass(wall, closed);
                    mass.ShouldBeGreaterThan(0);
                    mass.ShouldBeLessThanOrEqualTo(size.DryMass(2000, false) * (1 + 1e-9));
                    size.DryMass(wall + 1, closed).ShouldBeGreaterThanOrEqualTo(mass * (1 - 1e-9));
                }
            );
}
