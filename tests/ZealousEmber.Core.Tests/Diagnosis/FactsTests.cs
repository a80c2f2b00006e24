using System.Collections.Immutable;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Diagnosis;

/// <summary>Numbers taken from a log, a load and packs.</summary>
public sealed class FactsTests
{
    private static readonly Cone Six = ConeNumber.Parse("6").Value;
    private static readonly Glaze Oyster = Glaze.Create("Oyster matte", "5", "7", slowFrom: 1040, slowTo: 850, slowHours: 3.5).Value;
    private static readonly Glaze Tide = Glaze.Create("Tidewrack blue", "6", "6", runny: true).Value;
    private static readonly Clay White = Clay.Create("Marsh White", ClayKind.Stoneware, "5", "7", 12, 1.5, false, null).Value;

    /// <summary>Up at 100 °C/h to 1110, at 60 to 1210, 20 minutes there, down at 190 °C/h.</summary>
    private static readonly Curve Log = new([new(0, 20), new(654, 1110), new(754, 1210), new(774, 1210), new(774 + 1150 / 190.0 * 60, 60)]);

    private static WareLot Lot(string what, int count, double wall = 6, Glaze? glaze = null, Clay? clay = null) =>
        WareLot.Create(what, count, wall, clay: clay ?? White, glazes: glaze is null ? [] : [glaze]).Value;

    private static FiringFacts Facts(ScheduleKind kind = ScheduleKind.Glaze, params WareLot[] lots) =>
        new(Log, kind, Six, Temperature.FromCelsius(100), new WareLoad([.. lots]), [], OpenedAt: 60);

    [Fact]
    public void A_log_says_how_it_went_to_the_top_and_away_from_it()
    {
        var n = Facts(lots: Lot("bowls", 10, 12, Oyster)).Numbers(null, null, null).Values;
        n["hold"].ShouldBe(20 + 5 + 5 / 190.0 * 60, 0.1);
        n["heal"].ShouldBe(95 / 190.0 * 60, 0.1);
        n["topRate"].ShouldBe(60, 1);
        n["rate200"].ShouldBe(100, 0.1);
        n["hours750"].ShouldBe(455 / 190.0, 0.01);
        n["band"].ShouldBe(1 / 3.5, 0.01);
        n["wall"].ShouldBe(12);
        // ΔT = r·L²/3600 with L = 8 mm.
        n["g573down"].ShouldBe(190 * 64 / 3600.0, 0.02);
        n["g573up"].ShouldBe(100 * 64 / 3600.0, 0.02);
        n["g226down"].ShouldBe(190 * 64 / 3600.0, 0.02);
        n["opened"].ShouldBe(60);
        n.ShouldNotContainKey("d60", "no pack and no heat work of the log was given");
        n.ShouldNotContainKey("burn", "the bisque of this ware is not known");
    }

    [Fact]
    public void Raw_ware_says_what_it_dried_and_burnt_out()
    {
        var n = Facts(ScheduleKind.Bisque, Lot("tiles", 8, 25)).Numbers(null, null, null).Values;
        n["burn"].ShouldBe(3 / 5.0, 0.01);
        n["water"].ShouldBeGreaterThan(0.9);
        Facts(ScheduleKind.Bisque, Lot("cups", 8, 3)).Numbers(null, null, null).Values["water"].ShouldBeLessThan(0.9);
    }

    [Fact]
    public void Packs_say_what_each_shelf_got()
    {
        ImmutableArray<ShelfHeat> packs = [new("top", 1231, 3, 0, 10), new("bottom", 1211, 3, 0, 2)];
        var facts = Facts(lots: Lot("bowls", 10)) with { Packs = packs, EvenBefore = 8 };
        var all = facts.Numbers(null, null, null);
        all.Values["d60"].ShouldBe(1221 - ConeTable.Of(Six).Kinetics.EndPoint(60), 0.01);
        (all.Values["even"], all.Values["tc"], all.Values["evenGrew"]).ShouldBe((20, 6, 12));
        var top = facts.Numbers(null, "top", FaultPlace.OneShelf);
        (top.Values["d60"] - all.Values["d60"]).ShouldBe(10, 0.01);
        top.Values["here"].ShouldBe(10, 0.01);
        all.Flags.ShouldContain("bottomCold");
    }

    [Fact]
    public void Each_number_is_marked_where_it_was_measured()
    {
        var facts = Facts(lots: Lot("bowls", 10, glaze: Oyster));
        facts.Span("band")!.Value.From.ShouldBe(774 + 170 / 190.0 * 60, 0.1);
        facts.Span("band")!.Value.To.ShouldBe(774 + 360 / 190.0 * 60, 0.1);
        facts.Span("hold")!.Value.From.ShouldBe(749, 0.1);
        facts.Span("g573up")!.Value.ShouldBe(new MinuteSpan(312, 354));
        facts.Span("wall").ShouldBeNull();
    }

    [Fact]
    public void Where_a_fault_is_seen_follows_from_what_was_noted()
    {
        ImmutableArray<WareLot> lots = [Lot("bowls", 10, glaze: Oyster), Lot("plates", 6, glaze: Oyster), Lot("jugs", 4, glaze: Tide)];
        FaultPlace? Of(params (int? Lot, string? Shelf, int Count)[] faults) =>
            WareFault.Where([.. faults.Select(f => new WareFault("pinholes", f.Lot, f.Shelf, f.Count, FaultSeverity.Looks))], lots, 3);
        Of((0, null, 5), (1, null, 3)).ShouldBe(FaultPlace.OneGlaze);
        Of((2, null, 4)).ShouldBe(FaultPlace.OneGlaze);
        Of((0, null, 5)).ShouldBe(FaultPlace.OneLot, "the plates have the same glaze and none of it");
        Of((0, "top", 5)).ShouldBe(FaultPlace.OneShelf);
        Of((0, null, 1)).ShouldBe(FaultPlace.OnePiece);
        Of((0, null, 5), (1, null, 5), (2, null, 4)).ShouldBe(FaultPlace.All);
        Of((null, null, 9)).ShouldBe(FaultPlace.All);
    }

    [Fact]
    public void What_glaze_and_clay_want_is_known_of_them()
    {
        var facts = Facts(
            lots: [Lot("jugs", 4, glaze: Tide), Lot("red", 3, clay: Clay.Create("Brick", ClayKind.Earthenware, "06", "02", 9, 8, true, null).Value)]
        );
        var flags = facts.Numbers(null, null, null).Flags;
        foreach (var flag in new[] { "runny", "earthenware", "slowClay", "wantsCooler" })
            flags.ShouldContain(flag);
        facts.Numbers(facts.Load!.Lots[0], null, null).Flags.ShouldNotContain("earthenware", "asked of the jugs alone");
        (facts with { ProgramTop = 1230 }).Numbers(null, null, null).Flags.ShouldContain("stalled");
    }

    /// <summary>The studio's own story: a matte that went through its band in an hour.</summary>
    [Fact]
    public void A_dull_matte_is_found_out()
    {
        var found = Facts(lots: Lot("dinner plates", 12, glaze: Oyster)).Found([new WareFault("dull-crystals", 0, null, 12, FaultSeverity.Looks)]);
        var first = Diagnoser.Of(found.Fault, found.Numbers)[0];
        first.Rule.Name.ShouldBe("slow band too short");
        first.Leads.ShouldBeTrue();
        Advice.Of([found]).Patch.ShouldBe("band+");
    }
}
