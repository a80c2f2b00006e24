using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Planning;

public sealed class WhatIfTests
{
    private static readonly IKilnModel Plain = PlainKiln.Instance;
    private static readonly WareLoad Bowls = WareLoad.Create([WareLot.Create("bowls", 12, 10, dryness: Dryness.CoolToTouch).Value]).Value;
    private static readonly PlanOptions Bisque = new(ScheduleKind.Bisque);

    private static (Plan Plan, CompiledSchedule Times) Timed(WareLoad load, PlanOptions wish)
    {
        var plan = Planner.Make(load, wish, Plain).Value;
        return (plan, Make.Plain(plan.Schedule).Value);
    }

    private static PlanDifference Ask(WhatIf whatIf)
    {
        var before = Timed(Bowls, Bisque);
        var (load, wish) = whatIf.Of(Bowls, Bisque, before.Plan.Schedule.Goal).Value;
        return PlanDifference.Between(before, Timed(load, wish));
    }

    [Fact]
    public void Thicker_walls_take_longer_to_dry_and_it_says_so()
    {
        var thicker = Ask(new WhatIf(Thicker: 4));
        thicker.Longer.TotalHours.ShouldBeGreaterThan(1.5);
        thicker.Says[0].ShouldBe("Drying takes 8 h 49 instead of 4 h 20.");
        Ask(new WhatIf(Thicker: -4)).Longer.TotalHours.ShouldBeLessThan(-0.4);
        Ask(new WhatIf(Wetter: 1)).Says[0].ShouldStartWith("Drying takes");
    }

    [Fact]
    public void A_cooler_cone_lowers_the_top()
    {
        var cooler = Ask(new WhatIf(Cooler: 2));
        cooler.Hotter.Kelvins.ShouldBeInRange(-60, -10);
        cooler.Says[^1].ShouldStartWith("The top is ");
        new WhatIf(Cooler: 10).Of(Bowls, Bisque, ConeNumber.Parse("020").Value).Problems.Single().Message.ShouldBe("There is no cone 10 cooler than 020.");
    }

    [Fact]
    public void A_hotter_cone_says_what_it_does_to_the_elements()
    {
        var ware = WareLoad.Create([WareLot.Create("bowls", 12, 6, clay: Clay.Create("Any", ClayKind.Stoneware, "5", "10").Value).Value]).Value;
        var (six, nine) = (
            Timed(ware, new PlanOptions(ScheduleKind.Glaze, ConeNumber.Parse("6").Value)),
            Timed(ware, new PlanOptions(ScheduleKind.Glaze, ConeNumber.Parse("9").Value))
        );
        PlanDifference.Between(six, nine, hasElements: true).Says[^1].ShouldBe("The elements are 49 min longer above 1200 °C, where they age fast.");
        PlanDifference.Between(nine, six, hasElements: true).Says[^1].ShouldContain(" less above");
        PlanDifference.Between(six, nine).Says.ShouldNotContain(s => s.Contains("elements"));
    }

    [Fact]
    public void Nothing_asked_is_nothing_changed() =>
        Ask(new WhatIf()).ShouldSatisfyAllConditions(d => d.Says.ShouldBeEmpty(), d => d.Longer.ShouldBe(Duration.Zero));

    /// <summary>There and back again is no difference, and the other way round it is the other sign.</summary>
    [Fact]
    public void A_difference_turned_round_turns_its_sign()
    {
        Gen.Select(Gen.Double[-4, 8], Gen.Int[-1, 1], Gen.Int[-1, 2])
            .Sample(
                (thicker, wetter, cooler) =>
                {
                    var before = Timed(Bowls, Bisque);
                    var (load, wish) = new WhatIf(thicker, wetter, cooler).Of(Bowls, Bisque, before.Plan.Schedule.Goal).Value;
                    var after = Timed(load, wish);
                    var (there, back) = (PlanDifference.Between(before, after), PlanDifference.Between(after, before));
                    there.Longer.ShouldBe(-back.Longer);
                    there.Hotter.Kelvins.ShouldBe(-back.Hotter.Kelvins, 1e-9);
                    there.Says.Length.ShouldBe(back.Says.Length);
                },
                iter: 200
            );
    }

    [Fact]
    public void Starting_later_says_who_is_missing_and_what_it_costs()
    {
        var zone = DateTimeZone.Utc;
        var studio = new StudioSettings(
            zone,
            new EnergyPrices(
                "£",
                [new Tariff(EnergyCarrier.Electricity, 0.3, [new TariffBand("night", 0.1, new WeeklySpan([], new LocalTime(0, 0), new LocalTime(6, 0)))])]
            ),
            [new Presence("Maren", [new WeeklySpan([], new LocalTime(8, 0), new LocalTime(18, 0))])],
            AttendanceRule.MarkedMoments,
            [],
            StudioDisplay.Usual
        );
        var task = new StartTask(
            [new EnergyUse(EnergyCarrier.Electricity, 48, [.. Enumerable.Repeat(0.5, 96)])],
            Duration.FromHours(8),
            Duration.FromHours(7),
            Duration.FromHours(20),
            [
                new WatchMoment(WatchKind.SwitchOn, Duration.Zero, Duration.FromMinutes(15), "on"),
                new WatchMoment(WatchKind.Top, Duration.FromHours(7), Duration.FromMinutes(15), "top"),
            ]
        );
        var morning = Instant.FromUtc(2026, 11, 24, 9, 0);
        var later = StartShift.Between((task, morning), (task, morning + Duration.FromHours(4)), studio);
        later.Says.ShouldBe(["Nobody would be in for the top."]);
        later.Cost!.Value.ShouldBe(0, 1e-9);
        var night = StartShift.Between((task, morning), (task, morning - Duration.FromHours(9)), studio);
        night.Says.ShouldBe(["Nobody would be in for switching on and the top."]);
        night.Cost!.Value.ShouldBe(-72 * 0.5 * 0.2, 1e-9, "six of the eight hours are cheaper by 20 pence");
        StartShift
            .Between((task, morning - Duration.FromHours(9)), (task, morning), studio)
            .Says.ShouldBe(["Somebody would be in for switching on and the top."]);
    }

    [Fact]
    public void An_acceptance_says_why()
    {
        Result<FiringDraft> Firing(params string[] notes) =>
            FiringDraft.Create(
                "Thursday",
                ScheduleKind.Bisque,
                null,
                null,
                TemperatureUnit.Celsius,
                [],
                accepted: [.. notes.Select(n => new Acceptance("steam-risk", Severity.Look, n, Instant.FromUnixTimeSeconds(0)))]
            );
        Firing("  they dried on the\n kiln lid ").Value.Accepted.Single().Note.ShouldBe("they dried on the kiln lid");
        Firing(" ").Problems.Single().Field.ShouldBe("accepted[0].note");
        Firing(new string('x', 301)).Problems.Single().Message.ShouldContain("at most 300");
        Firing([.. Enumerable.Repeat("fine", 51)]).Problems.Single().Field.ShouldBe("accepted");
    }
}
