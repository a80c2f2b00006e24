using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Tests.Kilns;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Review;

/// <summary>The air of a firing: what is said of it, and what is planned.</summary>
public sealed class AtmosphereTests
{
    private static readonly FuelKiln Bittern = FuelFigureTests.Kiln("updraft-300");
    private static readonly Clay Shingle = Clay.Create("Shingle porcelain", ClayKind.Porcelain, "8", "11").Value;
    private static readonly Glaze Celadon = Glaze.Create("Celadon", "9", "11").Value;

    private static IKilnModel In(ScheduleKind kind) => Bittern.With(Bittern.UsualLoad(kind), Temperature.FromCelsius(20));

    private static IReadOnlyList<Finding> Review(string line, ScheduleKind kind, IKilnModel kiln, string? goal = null, WareLoad? load = null)
    {
        var schedule = Make.Schedule(line, kind).Towards(goal is null ? null : ConeNumber.Parse(goal).Value);
        var run = kiln.Run(schedule.Program).Value;
        return ScheduleReview.Of(new ReviewContext(schedule, kiln, run, HeatWork.OfAll(run.Compiled.Curve), load, DisplayUnits.Metric));
    }

    [Fact]
    public void A_reduction_firing_as_practised_gets_no_word_about_its_air()
    {
        var said = Review(TurnPlanFigureTests.Glaze + "; off", ScheduleKind.Glaze, In(ScheduleKind.Glaze), "10").Select(f => f.Id);
        said.ShouldNotContain(id =>
            id.StartsWith("reduction", StringComparison.Ordinal) || id.StartsWith("air", StringComparison.Ordinal) || id == "short-of-gas"
        );
    }

    [Theory]
    [InlineData("100/h to 600; 130/h to 1000 in light reduction; off", ScheduleKind.Bisque, "reduction-in-bisque", Severity.Danger)]
    [InlineData("100/h to 600; 130/h to 1200 in light reduction; 60/h to 1275; off", ScheduleKind.Glaze, "reduction-burning-out", Severity.Look)]
    [InlineData(
        "150/h to 1120; 60/h to 1275 in heavy reduction; 60/h to 1275 hold 15m in oxidation; off",
        ScheduleKind.Glaze,
        "reduction-too-late",
        Severity.Look
    )]
    [InlineData("150/h to 900; 60/h to 1275 in heavy reduction; off", ScheduleKind.Glaze, "reduction-never-cleared", Severity.Look)]
    public void Air_that_harms_is_named_and_its_fix_takes_it_away(string line, ScheduleKind kind, string id, Severity severity)
    {
        var kiln = In(kind);
        var finding = Review(line, kind, kiln).Single(f => f.Id == id);
        finding.Severity.ShouldBe(severity);
        finding.Fixes.ShouldNotBeEmpty();
        var mended = finding.Fixes[0].Apply(Make.Schedule(line, kind)).Value;
        var run = kiln.Run(mended.Program).Value;
        ScheduleReview
            .Of(new ReviewContext(mended, kiln, run, HeatWork.OfAll(run.Compiled.Curve), null, DisplayUnits.Metric))
            .ShouldNotContain(f => f.Id == id);
    }

    [Fact]
    public void An_electric_kiln_is_not_fired_in_reduction()
    {
        var heron = Make.Kiln("top-190");
        var finding = Review(
                "150/h to 1000; 60/h to 1200 in light reduction; off",
                ScheduleKind.Glaze,
                heron.With(heron.UsualLoad(ScheduleKind.Glaze), Temperature.FromCelsius(20))
            )
            .Single(f => f.Id == "air-not-electric");
        finding.Text.ShouldContain("electric");
        finding.Fixes.ShouldNotBeEmpty();
    }

    [Fact]
    public void Damp_ware_without_candling_is_named_where_nothing_graver_is()
    {
        var damp = WareLoad.Create([WareLot.Create("mugs", 20, 4, dryness: Dryness.CoolToTouch, clay: Shingle).Value]).Value;
        var said = Review("15/h to 150 in oxidation; 60/h to 600; 80/h to 980; off", ScheduleKind.Bisque, In(ScheduleKind.Bisque), load: damp);
        said.ShouldContain(f => f.Id == "no-candle" || f.Id == "steam-risk");
        var held = Review("30/h to 90 hold 3h in oxidation; 60/h to 600; 80/h to 980; off", ScheduleKind.Bisque, In(ScheduleKind.Bisque), load: damp);
        held.ShouldNotContain(f => f.Id == "no-candle");
    }

    [Theory]
    [InlineData(AirOption.BodyThenLight, Atmosphere.LightReduction)]
    [InlineData(AirOption.BodyThenNeutral, Atmosphere.Neutral)]
    [InlineData(AirOption.Oxidising, Atmosphere.Oxidising)]
    public void A_glaze_firing_is_planned_in_the_air_that_is_preferred(AirOption air, Atmosphere atTop)
    {
        var load = WareLoad.Create([WareLot.Create("bowls", 40, 5, clay: Shingle, glazes: [Celadon]).Value]).Value;
        var wish = new PlanOptions(
            ScheduleKind.Glaze,
            ConeNumber.Parse("10").Value,
            new PlanningPreferences(Air: air),
            null,
            20,
            TemperatureUnit.Celsius,
            "Celadon",
            DisplayUnits.Metric
        );
        var plan = Planner.Make(load, wish, In(ScheduleKind.Glaze)).Value;
        var steps = plan.Schedule.Segments;
        steps.Where(s => s.Pace.Kind != PaceKind.Natural).ShouldAllBe(s => s.Atmosphere != null);
        var body = steps.Where(s => s.Atmosphere == Atmosphere.HeavyReduction).ToList();
        body.Count.ShouldBe(air == AirOption.Oxidising ? 0 : 1);
        if (air != AirOption.Oxidising)
        {
            body[0].Target!.Value.Celsius.ShouldBeInRange(900, 960);
            plan.Steps[steps.IndexOf(body[0])].Why.ShouldContain("glaze seals");
            steps[plan.Schedule.Program.TopStep].Atmosphere.ShouldBe(Atmosphere.Oxidising, "the last ten minutes clear it");
        }
        steps.Last(s => s.Target is not null && s.Pace.Kind == PaceKind.Rate && s.Hold == NodaTime.Duration.Zero).Atmosphere.ShouldBe(atTop);
        // It comes to its cone, turns and all.
        var run = In(ScheduleKind.Glaze).Run(plan.Schedule.Program).Value;
        HeatWork.Of(ConeTable.Of(ConeNumber.Parse("10").Value).Kinetics, run.Compiled.Curve).ShouldBeInRange(0.7, 1.5);
        Review("off", ScheduleKind.Glaze, PlainKiln.Instance).ShouldNotContain(f => f.Id.StartsWith("reduction", StringComparison.Ordinal));
    }

    [Fact]
    public void Raw_ware_is_planned_in_oxidation_whatever_is_preferred()
    {
        var load = WareLoad.Create([WareLot.Create("bowls", 40, 5, clay: Shingle).Value]).Value;
        var plan = Planner
            .Make(
                load,
                new PlanOptions(ScheduleKind.Bisque, null, PlanningPreferences.Usual, null, 20, TemperatureUnit.Celsius, "Bisque", DisplayUnits.Metric),
                In(ScheduleKind.Bisque)
            )
            .Value;
        plan.Schedule.Segments.Where(s => s.Pace.Kind != PaceKind.Natural).ShouldAllBe(s => s.Atmosphere == Atmosphere.Oxidising);
    }
}
