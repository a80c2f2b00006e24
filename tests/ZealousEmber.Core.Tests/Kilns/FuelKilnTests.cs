using System.Collections.Immutable;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Kilns;

/// <summary>What holds of every fuel kiln, whatever its numbers.</summary>
public sealed class FuelKilnTests
{
    private static readonly Temperature Cold = Temperature.FromCelsius(20);

    [Fact]
    public void Energy_adds_up_for_any_kiln_and_any_turns()
    {
        var random = new Random(7);
        for (var trial = 0; trial < 40; trial++)
        {
            var kind = FuelKilnClass.All[random.Next(3)];
            var kiln = FuelFigureTests.Kiln(kind.Id, ("volume", kind.Volume * (0.5 + 2 * random.NextDouble())), ("altitude", 3000 * random.NextDouble()));
            var load = new KilnLoad(200 * random.NextDouble(), 150 * random.NextDouble(), random.Next(2) == 0);
            var simulation = new FuelSimulation(kiln, load, 20);
            for (var turn = 0; turn < 12; turn++)
            {
                var setting =
                    random.Next(5) == 0
                        ? BurnerSetting.Off(random.NextDouble())
                        : BurnerSetting.Gauge(kiln, kiln.MostPressure * random.NextDouble(), random.NextDouble());
                simulation.Advance(setting, 1800 * random.NextDouble() + 60);
            }
            var heat = simulation.Heat;
            (heat.Kept + heat.Flue + heat.Unburnt).ShouldBe(heat.Fuel, 1e-6 * Math.Max(1, heat.Fuel));
            (simulation.Model.Lost + simulation.Model.Stored - simulation.Model.StoredAtStart).ShouldBe(heat.Kept, 1e-6 * Math.Max(1, heat.Fuel));
            simulation.Chamber.ShouldBeInRange(-20, 2500);
        }
    }

    [Fact]
    public void Coarse_steps_and_a_few_nodes_are_near_fine_ones()
    {
        var kiln = FuelFigureTests.Kiln("updraft-300");
        var load = kiln.UsualLoad(ScheduleKind.Glaze);
        var (coarse, fine) = (new FuelSimulation(kiln, load, 20), new FuelSimulation(kiln, load, 20, 45));
        foreach (var (share, damper) in new[] { (0.05, 0.3), (0.2, 0.4), (0.4, 0.5), (0.5, 0.6) })
        {
            coarse.Advance(BurnerSetting.Gauge(kiln, share, damper), 2.5 * 3600);
            fine.Advance(BurnerSetting.Gauge(kiln, share, damper), 2.5 * 3600, 7.5);
            coarse.Chamber.ShouldBe(fine.Chamber, 3);
        }
    }

    [Fact]
    public void More_damper_is_more_air_and_more_pressure_less()
    {
        foreach (var kind in FuelKilnClass.All)
        {
            var kiln = FuelFigureTests.Kiln(kind.Id);
            var draft = new Draft(kiln);
            for (var at = 100.0; at <= 1300; at += 200)
            {
                for (var share = 0.1; share < 1; share += 0.2)
                {
                    var before = 0.0;
                    for (var damper = 0.0; damper <= 1; damper += 0.1)
                    {
                        var lambda = draft.At(BurnerSetting.Gauge(kiln, share * kiln.MostPressure, damper), at).Lambda;
                        lambda.ShouldBeGreaterThanOrEqualTo(before);
                        lambda.ShouldBeGreaterThanOrEqualTo(
                            draft.At(BurnerSetting.Gauge(kiln, Math.Min(1, share + 0.1) * kiln.MostPressure, damper), at).Lambda - 1e-9
                        );
                        before = lambda;
                    }
                }
            }
        }
    }

    [Theory]
    [InlineData("propane")]
    [InlineData("naturalGas")]
    public void Heat_that_stays_is_most_where_the_air_is_just_enough(string word)
    {
        var fuel = Fuel.Find(word)!;
        foreach (var at in new[] { 300.0, 700, 1000, 1280 })
        {
            var best = Enumerable.Range(0, 141).Select(i => 0.6 + i * 0.01).MaxBy(l => Combustion.Available(fuel, l, at));
            best.ShouldBe(1, 0.011);
            var gas = Combustion.Gas(fuel, 0.86, at);
            // Carbon and oxygen are all still there.
            (gas.CarbonDioxide + gas.CarbonMonoxide).ShouldBe(fuel.Carbon, 1e-9);
            (2 * gas.CarbonDioxide + gas.CarbonMonoxide + gas.Steam).ShouldBe(0.86 * fuel.Oxygen, 1e-9);
            (gas.Steam + gas.Hydrogen).ShouldBe(fuel.Hydrogen / 2.0, 1e-9);
        }
        Combustion.Gas(fuel, 1.08, 1000).OxygenPercent.ShouldBe(1.7, 0.2);
        Combustion.Gas(fuel, 0.90, 1000).CarbonMonoxidePercent.ShouldBe(2.6, 0.5);
    }

    [Fact]
    public void Higher_up_fuel_comes_with_the_root_of_the_air_and_the_air_with_it()
    {
        var (low, high) = (FuelFigureTests.Kiln("downdraft-1000"), FuelFigureTests.Kiln("downdraft-1000", ("altitude", 2000)));
        var setting = BurnerSetting.Gauge(low, 0.15, 0.5);
        var (below, above) = (new Draft(low).At(setting, 900), new Draft(high).At(setting, 900));
        (above.Fuel / below.Fuel).ShouldBe(Math.Sqrt(high.Thinness), 1e-9);
        (above.Lambda / below.Lambda).ShouldBe(Math.Sqrt(high.Thinness), 0.03);
    }

    [Theory]
    [InlineData("full to 1200; off")]
    [InlineData("100/h to 600; off")]
    [InlineData("off")]
    [InlineData("150/h to 1200; cool 100/h to 900 hold 30m; off")]
    [InlineData("60/h to 45 hold 6h; off")]
    [InlineData("200/h to 1000 in heavy reduction; off in neutral")]
    public void Any_schedule_becomes_turns_that_end(string line)
    {
        foreach (var kind in FuelKilnClass.All)
        {
            var kiln = FuelFigureTests.Kiln(kind.Id);
            var run = kiln.With(kiln.UsualLoad(ScheduleKind.Glaze), Cold).Run(TurnPlanFigureTests.Read(line)).Value;
            var plan = ((FuelRun)run).Plan;
            run.Energy.Imbalance.ShouldBeLessThan(1e-6);
            run.Compiled.Segments.Length.ShouldBe(TurnPlanFigureTests.Read(line).Steps.Length);
            run.Uses.Sum(u => u.Kwh).ShouldBe(plan.TotalFuel * kiln.Fuel.Gross / 3.6, 1e-6);
            for (var i = 1; i < plan.Turns.Length; i++)
                plan.Turns[i].Minute.ShouldBeGreaterThanOrEqualTo(plan.Turns[i - 1].Minute);
            plan.Turns[^1].Kind.ShouldBe(TurnKind.ShutOff);
            plan.Turns.ShouldAllBe(t => t.Minute % 5 == 0 && t.Setting.Damper >= 0 && t.Setting.Damper <= 1 && t.Setting.Pressure <= kiln.MostPressure + 1e-9);
            TurnWords.Of(plan, kiln, TurnPlanFigureTests.Read(line), TemperatureUnit.Celsius).ShouldAllBe(t => t.Set.Length > 0 && t.Expect.Length > 0);
        }
    }

    [Theory]
    [InlineData("downdraft-1000", 300)]
    [InlineData("updraft-300", 700)]
    [InlineData("updraft-700", 250)]
    public void What_is_usual_for_its_size_goes_with_it_and_what_was_measured_stays(string kind, double litres)
    {
        FuelKiln Of(params (string Field, double Value)[] numbers) =>
            FuelKiln.Create(new FuelKilnSpecification("Plover", kind, null, null, numbers.ToDictionary(n => n.Field, n => (double?)n.Value))).Value;
        var resized = Of().Resized(litres).Value;
        var born = Of((FuelLimits.Volume.Field, litres));
        resized.Specification().Numbers.ShouldBe(born.Specification().Numbers);
        resized.Chamber.Shelves.ShouldBe(born.Chamber.Shelves);
        var measured = Of((FuelLimits.Flue.Field, 310)).Resized(litres).Value;
        measured.Flue.ShouldBe(0.031, 1e-9);
        measured.Inlets.ShouldBe(born.Inlets, 1e-9);
        // There and back again it is the same kiln.
        resized.Resized(Of().Volume).Value.Specification().Numbers.ShouldBe(Of().Specification().Numbers);
        Of().Resized(-1).Problems.Select(p => p.Field).ShouldContain("volume");
    }

    [Fact]
    public void A_changed_copy_answers_for_what_it_is()
    {
        var kiln = FuelFigureTests.Kiln("updraft-300", ("altitude", 1500));
        var loaded = (LoadedFuelKiln)kiln.With(kiln.UsualLoad(ScheduleKind.Glaze), Cold);
        _ = loaded.Hottest;
        var often = loaded with { Every = 15 };
        often.Boiling.ShouldBe(loaded.Boiling);
        often.FastestClimb(Temperature.FromCelsius(900)).ShouldBe(loaded.FastestClimb(Temperature.FromCelsius(900)));
        var empty = loaded with { Standing = new KilnLoad(1, 1, false) };
        empty
            .FastestClimb(Temperature.FromCelsius(900))!
            .Value.KelvinsPerHour.ShouldBeGreaterThan(1.2 * loaded.FastestClimb(Temperature.FromCelsius(900))!.Value.KelvinsPerHour);
        var program = TurnPlanFigureTests.Read("100/h to 600; off");
        loaded.Turns(program).Value.Turns.Length.ShouldBeLessThan(often.Turns(program).Value.Turns.Length);
    }

    [Fact]
    public void A_kiln_short_of_heat_says_so_and_does_not_go_on_for_ever()
    {
        var weak = FuelFigureTests.Kiln("updraft-700", ("burnerPower", 9));
        var plan = TurnPlanFigureTests.Plan(weak, TurnPlanFigureTests.Glaze, ScheduleKind.Glaze);
        plan.Stall.ShouldNotBeNull();
        plan.Trouble.ShouldContain(t => t.Trouble == TurnTrouble.ShortOfHeat);
        plan.Powered.TotalHours.ShouldBeLessThan(100);
    }

    [Fact]
    public void Flames_go_from_one_candle_to_the_most_the_gauge_shows()
    {
        foreach (var kiln in FuelKilnClass.All.Select(k => FuelFigureTests.Kiln(k.Id)))
        {
            var flames = BurnerSetting.Flames(kiln);
            flames.Count(f => f.Flame == Flame.Candle).ShouldBe(kiln.Burners);
            flames[0].Lit.ShouldBe(1);
            flames.Count(f => f.Flame == Flame.Low).ShouldBe(1);
            var bars = flames.Where(f => f.Flame == Flame.Gauge).Select(f => f.Pressure).ToList();
            bars.ShouldBe(bars.Order());
            bars.Distinct().Count().ShouldBe(bars.Count);
            bars[0].ShouldBe(kiln.Mark / 2, 1e-9);
            bars[^1].ShouldBeInRange(kiln.MostPressure - kiln.Mark, kiln.MostPressure + 1e-6);
        }
    }

    [Fact]
    public void An_open_damper_cools_faster_than_a_shut_one()
    {
        var coolings = FuelPortrait.Of(FuelFigureTests.Kiln("updraft-300")).Coolings;
        coolings[0].Damper.ShouldBe(0);
        double To(DamperCooling cooling, double celsius) => cooling.Curve.LastFallThrough(Temperature.FromCelsius(celsius))!.Value.TotalHours;
        To(coolings[0], 500).ShouldBe(9.0, 0.45, "the paper's 300 closed up");
        foreach (var (shut, open) in coolings.Zip(coolings.Skip(1)))
        {
            open.Damper.ShouldBeGreaterThan(shut.Damper);
            foreach (var celsius in new[] { 1000.0, 500, 100 })
                To(open, celsius).ShouldBeLessThan(To(shut, celsius));
        }
        To(coolings[^1], 500).ShouldBeLessThan(To(coolings[0], 500) / 2);
    }

    [Fact]
    public void A_setting_is_read_as_it_was_written()
    {
        var kiln = FuelFigureTests.Kiln("updraft-300");
        foreach (
            var setting in new[]
            {
                BurnerSetting.Off(0),
                BurnerSetting.Candles(kiln, 1, 0.6),
                BurnerSetting.AllLow(kiln, 0.3),
                BurnerSetting.Gauge(kiln, 0.175, 0.425),
            }
        )
            BurnerSetting.Read(setting.Written).ShouldBe(setting);
        BurnerSetting.Read("gauge 2").ShouldBeNull();
        BurnerSetting.Read(null).ShouldBeNull();
    }

    [Fact]
    public void Firings_together_teach_more_than_one_and_never_claim_more_than_they_know()
    {
        var kiln = FuelFigureTests.Kiln("updraft-300");
        FuelEstimate Told(double burner, double sd) =>
            new(600, 1275, 15, null, new(burner, sd), new(1, 0.15), new(1, 0.12), new(0, 20), kiln, new Curve([new(0, 20), new(600, 1275)]), 0, 5, false);
        var one = FuelLessons.Of([(Told(1.1, 0.05), [])]);
        var five = FuelLessons.Of([.. Enumerable.Repeat((Told(1.1, 0.05), ImmutableArray<FuelTurn>.Empty), 5)]);
        one.Burner.Mean.ShouldBe(1.1, 0.01);
        five.Burner.Mean.ShouldBeInRange(1.1, 1.13, "what was taken beforehand pulls less the more is known");
        five.Burner.Sd.ShouldBeLessThan(one.Burner.Sd);
        five.Wall.Sd.ShouldBe(0.15, 0.01, "nothing was learned of the walls");
        five.Of(kiln).BurnerFactor.ShouldBe(five.Burner.Mean, 1e-9);
        FuelLessons.Of([]).Of(kiln).ShouldBe(kiln);
    }

    [Theory]
    [InlineData("burners", 0)]
    [InlineData("mostPressure", -1)]
    [InlineData("flue", 0)]
    [InlineData("volume", 10)]
    [InlineData("mark", 2)]
    [InlineData("mark", 0.001)]
    public void Numbers_that_cannot_be_are_named(string field, double value)
    {
        var made = FuelKiln.Create(new FuelKilnSpecification("Bittern", "updraft-300", null, null, new Dictionary<string, double?> { [field] = value }));
        made.IsOk.ShouldBeFalse();
        made.Problems.ShouldContain(p => p.Field == field);
    }
}
