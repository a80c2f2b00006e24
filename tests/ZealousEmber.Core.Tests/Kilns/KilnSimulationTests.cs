using System.Text.Json;
using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Kilns;

/// <summary>The one simulation, taken step by step: stopped, stored, gone on from, and begun from any state.</summary>
public sealed class KilnSimulationTests
{
    private static readonly Kiln Heron = Make.Kiln("top-190", ("elementHealth", 93));
    private static readonly KilnLoad Full = Heron.UsualLoad(ScheduleKind.Glaze);
    private static readonly FiringProgram Glaze = Make.Program(
        "80/h to 200 hold 45m; full to 1040; 60/h to 1190 hold 12m; cool 150/h to 1040; cool 55/h to 850 hold 30m; off"
    );

    private static KilnSimulation Cold(FiringProgram? program = null, KilnLoad? load = null) =>
        new(Heron, load ?? Full, program ?? Glaze, new SimulationState(0, ThermalState.Warm(20, 20)));

    /// <summary>By the minute it comes to what a run in one go comes to.</summary>
    [Fact]
    public void Taken_by_the_minute_it_does_what_a_whole_run_does()
    {
        var run = KilnRunner.Run(Glaze, Make.Celsius(20), Heron, Full).Value;
        var simulation = Cold();
        while (simulation.Phase != ControllerPhase.Finished)
        {
            simulation.Advance(Duration.FromMinutes(1));
            if (simulation.Phase == ControllerPhase.Finished)
                break;
            simulation.Chamber.ShouldBe(run.Compiled.Curve.At(Duration.FromSeconds(simulation.Seconds)).Celsius, 1.5, $"after {simulation.Seconds / 60:0} min");
        }
        simulation.Seconds.ShouldBe(run.Compiled.Total.TotalSeconds, 120);
    }

    /// <summary>Stored as JSON at any moment and taken up again, the rest is the same to the last bit.</summary>
    [Fact]
    public void Stored_and_taken_up_again_it_goes_on_as_if_nothing_had_been() =>
        Gen.Double[0.1, 30]
            .Sample(
                hours =>
                {
                    var through = Cold();
                    through.Advance(Duration.FromHours(hours));
                    var stored = JsonSerializer.Serialize(through.State);
                    var again = new KilnSimulation(Heron, Full, Glaze, JsonSerializer.Deserialize<SimulationState>(stored)!);
                    again.Chamber.ShouldBe(through.Chamber);
                    for (var i = 0; i < 20; i++)
                    {
                        through.Advance(Duration.FromMinutes(17));
                        again.Advance(Duration.FromMinutes(17));
                        again.Chamber.ShouldBe(through.Chamber, 1e-9);
                        again.Display.ShouldBe(through.Display, 1e-9);
                        (again.Step, again.Phase).ShouldBe((through.Step, through.Phase));
                    }
                },
                iter: 20
            );

    [Fact]
    public void Warm_walls_make_it_quicker_and_dry_ware_cheaper()
    {
        double Used(ThermalState start, KilnLoad load)
        {
            var simulation = new KilnSimulation(Heron, load, Make.Program("100/h to 600"), new SimulationState(0, start));
            while (simulation.Phase != ControllerPhase.Finished)
                simulation.Advance(Duration.FromMinutes(5));
            return simulation.State.Kiln.Used;
        }
        var raw = Heron.UsualLoad(ScheduleKind.Bisque);
        Used(ThermalState.Warm(60, 40), raw).ShouldBeLessThan(Used(ThermalState.Warm(60, 20), raw));
        Used(ThermalState.Warm(60, 20), raw with { FreeWater = 0.5 })
            .ShouldBeLessThan(Used(ThermalState.Warm(60, 20), raw with { FreeWater = 3 }), "half dried, it has less water to boil off");
    }

    [Fact]
    public void It_tells_what_it_does()
    {
        var simulation = Cold();
        simulation.Advance(Duration.FromHours(1));
        simulation.Phase.ShouldBe(ControllerPhase.Climbing);
        simulation.SetPoint!.Value.ShouldBe(100, 0.5, "an hour at 80 °C/h from 20");
        simulation.Power.ShouldBeInRange(100, Heron.FullPower);
        simulation.Advance(Duration.FromHours(1.5));
        (simulation.Step, simulation.Phase).ShouldBe((0, ControllerPhase.Holding));
        simulation.Advance(Duration.FromHours(60));
        (simulation.Step, simulation.Phase, simulation.SetPoint).ShouldBe((6, ControllerPhase.Finished, null));
        simulation.Power.ShouldBe(0);
    }

    [Fact]
    public void Without_a_program_it_only_cools()
    {
        var simulation = new KilnSimulation(Heron, Full, null, new SimulationState(0, ThermalState.Warm(900, 120)));
        simulation.Advance(Duration.FromHours(5));
        simulation.Chamber.ShouldBeInRange(300, 700);
        simulation.State.Kiln.Used.ShouldBe(0);
    }

    /// <summary>No answer of a kiln model tells the plain kiln and the electric one apart but what they know.</summary>
    [Fact]
    public void No_kiln_chosen_is_a_kiln_like_any_other()
    {
        foreach (IKilnModel kiln in new IKilnModel[] { PlainKiln.Instance, new ElectricKiln(Heron, Full, Heron.Room) })
        {
            var run = kiln.Run(Glaze).Value;
            run.Steps.Length.ShouldBe(Glaze.Steps.Length);
            run.Compiled.Total.ShouldBe(kiln.Times(Glaze).Value.Total);
            run.Compiled.Curve.Peak.Celsius.ShouldBe(1190, 3);
            run.Uses.Sum(u => u.Kwh).ShouldBe(run.Energy.Used, 1e-9);
            (kiln.Hottest <= kiln.TopLimit).ShouldBeTrue();
            run.WholeCurve.Points[^1].Celsius.ShouldBeLessThanOrEqualTo(kiln.Opens.Celsius + 0.1);
            kiln.Run(Make.Program("off to 500; 100/h to 900")).Problems.Single().Field.ShouldBe("segments[0].target");
        }
        PlainKiln.Instance.Run(Make.Program("80/h to 900")).Value.OpensAt.ShouldBeNull("it ends hot, and nobody knows how this kiln cools");
    }
}
