using System.Collections.Immutable;
using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Tests.Firing;

namespace ZealousEmber.Core.Tests.Logbook;

/// <summary>What is foretold at the start is as sure as it says, is held against what came, and is told wider after it was off.</summary>
public sealed class KilnScoreTests
{
    private static readonly Instant Start = Instant.FromUtc(2026, 3, 1, 6, 0);
    private static readonly FiringRun Run = LiveRun.Started(Start);

    private static FiringFigures Came(params (string Name, double Value)[] numbers) =>
        FiringFigures.None with
        {
            Numbers = numbers.ToImmutableDictionary(n => n.Name, n => n.Value),
        };

    private static ForetoldNumber Told(ForetoldKind kind, double likely, double half, double widened = 1, string? shelf = null) =>
        new(kind, shelf, likely - half, likely, likely + half, widened);

    private static ScoredNumber Hours(double came, double widened = 1) =>
        ScoredNumber.Of([Told(ForetoldKind.TopOver, 12, 0.5 * widened, widened)], Came(("topOver", came)), [], null).Single();

    [Fact]
    public void Of_kilns_that_are_as_unlike_their_numbers_as_is_said_four_in_five_come_out_inside()
    {
        var told = Foreteller.Of(Run, [], Widening.None);
        var inside = new Dictionary<ForetoldKind, List<bool>>();
        var lots = new Random(7);
        double Factor() => 100 * Math.Exp(0.078 * (lots.NextDouble() + lots.NextDouble() + lots.NextDouble() - 1.5) * 2);
        for (var seed = 1ul; seed <= 24; seed++)
        {
            var fired = LiveRun.Fire(LiveRun.Truth("top-190", Math.Min(110, Factor()), Factor(), Factor()), Run.Load, Run.Program, seed);
            // The display is a minute behind the chamber, at which the simulated kiln stops.
            List<FiringSample> samples = [.. fired.Samples.Select(s => new FiringSample(s.Minutes, s.Celsius, s.Share)), new(fired.OpenAt + 1, 49.5, 0)];
            var figures = FiringFigures.Of(
                LogCurve.Of(samples),
                FiringNumbers.None,
                [],
                Run.Goal,
                [],
                LoggedEnergy.Of(samples, Run.Electric.FullPower, Start, DateTimeZone.Utc, new Tariff(EnergyCarrier.Electricity, 0, [])),
                Run.Kiln.Opens
            );
            foreach (var number in ScoredNumber.Of(told, figures, [], null).Where(n => n.IsInside is not null))
                (inside.TryGetValue(number.Told.Kind, out var all) ? all : inside[number.Told.Kind] = []).Add(number.IsInside!.Value);
        }
        inside.Keys.ShouldBe([ForetoldKind.Top, ForetoldKind.TopOver, ForetoldKind.Energy, ForetoldKind.Cool], ignoreOrder: true);
        foreach (var (kind, all) in inside)
        {
            all.Count.ShouldBe(24);
            all.Count(x => x).ShouldBeGreaterThanOrEqualTo(17, $"{kind}: {all.Count(x => x)} of {all.Count}");
        }
    }

    [Fact]
    public void It_is_surer_of_a_kiln_it_knows_and_of_shelves_it_has_read()
    {
        double Width(ImmutableArray<ForetoldNumber> told, ForetoldKind kind, string? shelf = null) =>
            told.Single(n => n.Kind == kind && n.Shelf == shelf) is var n ? n.To - n.From : 0;
        var plain = Foreteller.Of(Run, [], Widening.None);
        var known = Foreteller.Of(Run with { Taught = new KilnTaught(4, 2, 0.02, 0.02) }, [new ShelfOwn("top", -5, 1.5)], Widening.None);
        Width(known, ForetoldKind.Energy).ShouldBeLessThan(Width(plain, ForetoldKind.Energy));
        Width(known, ForetoldKind.Cone, "top").ShouldBeLessThan(Width(plain, ForetoldKind.Cone) / 2);
        var (top, mean) = (known.Single(n => n.Shelf == "top"), known.Single(n => n is { Kind: ForetoldKind.Cone, Shelf: null }));
        (mean.Likely - top.Likely).ShouldBe(5, 0.01);
        known.ShouldAllBe(n => n.From < n.Likely && n.Likely < n.To);
    }

    /// <summary>What nobody weighed is known less, and the more so the larger a part of the heat goes into it.</summary>
    [Fact]
    public void Energy_is_told_closer_for_ware_that_was_weighed()
    {
        FiringRun With(double? unsure) => Run with { Load = Run.Load with { WareUnsure = unsure }, Taught = new KilnTaught(2, 2, 0.02, 0.02) };
        double Width(double? unsure) => Foreteller.Of(With(unsure), [], Widening.None).Single(n => n.Kind == ForetoldKind.Energy) is var n ? n.To - n.From : 0;
        var (weighed, bySize, byNothing) = (Width(0), Width(0.15), Width(0.4));
        weighed.ShouldBeLessThan(bySize * 0.99);
        bySize.ShouldBeLessThan(byNothing * 0.85);

        double Band(double? unsure, double kilograms = 40)
        {
            var model = Run.Kiln.With(Run.Load with { WareUnsure = unsure, WareMass = kilograms }, Run.Start);
            return model.Run(Run.Program).Value is var ran ? RunBand.Of(model, ran.WholeCurve, ran.Energy.Used)!.Value : 0;
        }
        (Band(null), Band(0)).ShouldBe((0.1, 0.1), "the kiln’s own");
        Band(0.15).ShouldBeInRange(0.103, 0.13);
        Band(0.4).ShouldBeGreaterThan(Band(0.15) + 0.02);
        Band(0.4, 8).ShouldBeLessThan(Band(0.4) - 0.02, "a few pots are a small part of it");
    }

    [Fact]
    public void What_it_is_widened_by_is_told_and_not_learned_from_twice()
    {
        var by = new Widening(Top: 1.2, Hours: 2, Energy: 1.5, Cool: 1.1, Cone: 3);
        foreach (var (plain, wide) in Foreteller.Of(Run, [], Widening.None).Zip(Foreteller.Of(Run, [], by)))
        {
            wide.Widened.ShouldBe(by.Of(plain.Kind));
            (wide.To - wide.Likely).ShouldBe((plain.To - plain.Likely) * wide.Widened, 0.01);
        }
        // The same miss asks for the same band, however wide it was told.
        Hours(13).Needed!.Value.ShouldBe(2, 1e-9);
        Hours(13, widened: 3).Needed!.Value.ShouldBe(2, 1e-9);
        (Hours(13).IsInside, Hours(13, widened: 3).IsInside).ShouldBe((false, true));
    }

    [Fact]
    public void A_miss_widens_and_firings_that_are_right_narrow_it_again()
    {
        double After(params double[] came) => KilnScore.Widening([.. came.Select(c => ImmutableArray.Create(Hours(c)))]).Hours;
        After().ShouldBe(1);
        After(12.1).ShouldBe(1);
        After(13).ShouldBe(2);
        After(12.1, 13).ShouldBe(2);
        After(13, 12, 12, 12).ShouldBe(2, "three of four are fewer than four in five");
        After(13, 12, 12, 12, 12).ShouldBe(1, "right again");
        After([.. Enumerable.Repeat(13.0, 10), .. Enumerable.Repeat(12.0, 8)]).ShouldBe(1, "only the last ten count");
        After(90).ShouldBe(4, "a band that says nothing is told no wider");
    }

    [Fact]
    public void Four_in_five_of_the_last_ten_would_have_lain_inside_what_it_widens_to() =>
        Gen.Double[10.2, 13.8]
            .Array[0, 14]
            .Sample(came =>
            {
                var scored = came.Select(c => Hours(c)).ToList();
                var by = KilnScore.Widening([.. scored.Select(s => ImmutableArray.Create(s))]).Hours;
                by.ShouldBeInRange(1, 4);
                var last = scored.TakeLast(KilnScore.Firings).ToList();
                last.Count(s => s.Needed <= by + 0.006).ShouldBeGreaterThanOrEqualTo((int)Math.Ceiling(0.8 * last.Count - 1e-9));
                if (by > 1)
                    last.Count(s => s.Needed <= by - 0.02).ShouldBeLessThan((int)Math.Ceiling(0.8 * last.Count - 1e-9), "and no wider than that");
            });

    [Fact]
    public void A_firing_given_up_early_says_nothing_and_one_given_up_late_is_a_miss()
    {
        ImmutableArray<ForetoldNumber> told = [Told(ForetoldKind.Top, 1210, 4), Told(ForetoldKind.TopOver, 12, 0.5)];
        var figures = Came(("top", 1160), ("topOver", 13.4));
        ScoredNumber.Of(told, figures, [], 6).ShouldAllBe(n => n.Came == null && n.IsInside == null);
        ScoredNumber.Of(told, figures, [], 13.4).ShouldAllBe(n => n.IsInside == false);
        ScoredNumber.Of(told, figures, [], null).ShouldAllBe(n => n.IsInside == false);
        ScoredNumber.Of([Told(ForetoldKind.Top, 1210, 4)], figures, [], 6).ShouldAllBe(n => n.IsInside == null);
        ScoredNumber.Of(default, figures, [], null).ShouldBeEmpty();
    }

    [Fact]
    public void A_shelf_is_held_against_its_own_pack_and_an_unread_one_against_the_kiln()
    {
        ImmutableArray<ForetoldNumber> told = [Told(ForetoldKind.Cone, 1225, 6, shelf: "top"), Told(ForetoldKind.Cone, 1220, 12)];
        ShelfHeat Pack(string shelf, double got, int bound = 0, double sd = 3) => new(shelf, got, sd, bound, null);
        bool? Inside(ShelfHeat pack) => ScoredNumber.Of(told, FiringFigures.None, [pack], null).Single().IsInside;
        Inside(Pack("top", 1230)).ShouldBe(true);
        Inside(Pack("top", 1238)).ShouldBe(false);
        Inside(Pack("top", 1232, sd: 6)).ShouldBe(true, "it is read no better than that");
        Inside(Pack("2", 1231)).ShouldBe(true);
        Inside(Pack("top", 1240, bound: -1)).ShouldBe(true, "at most so much says nothing against it");
        Inside(Pack("top", 1240, bound: 1)).ShouldBe(false, "at least so much does");
        ScoredNumber.Of(told, FiringFigures.None, [], null).Single().Shelf.ShouldBe("top");
    }

    [Fact]
    public void A_gas_kiln_is_foretold_by_its_plan()
    {
        var kiln = FuelKiln.Create(new FuelKilnSpecification("Bittern", "downdraft-1000", null, null, new Dictionary<string, double?>())).Value;
        var told = Foreteller.Of(
            Run with
            {
                Kiln = kiln,
                Load = kiln.UsualLoad(ScheduleKind.Glaze),
                Program = Make.Program("60/h to 120 hold 2h; 120/h to 900; 80/h to 1200 hold 20m; off"),
            },
            [],
            Widening.None
        );
        told.Select(n => n.Kind).ShouldBe([ForetoldKind.Top, ForetoldKind.TopOver, ForetoldKind.Gas, ForetoldKind.Cool, ForetoldKind.Cone]);
        told.ShouldAllBe(n => n.From >= 0 && n.From < n.Likely && n.Likely < n.To);
    }
}
