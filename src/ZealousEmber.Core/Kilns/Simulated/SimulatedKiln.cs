using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Simulated;

/// <summary>
/// A kiln that behaves like a real one and its controller: the one simulation, with noise, relay, lag, drift, wandering mains and faults on demand.
/// Deterministic: the same setup gives the same readings at any speed. Source: the project's paper on the firing day, section 4.
/// </summary>
public sealed class SimulatedKiln
{
    /// <summary>Between two readings.</summary>
    public static readonly Duration Every = Duration.FromSeconds(30);

    private static readonly Fineness Relay = new(SimulatedPlant.Cycle, ThermalModel.UsualNodes, SimulatedPlant.Cycle);

    private readonly SimulatedPlant plant;
    private readonly KilnSimulation simulation;
    private readonly ThermalModel model;
    private readonly ImmutableArray<SimulatedFault> cuts;
    private int taken;
    private bool dark;

    /// <summary>Switches it on.</summary>
    public SimulatedKiln(SimulatedSetup setup)
    {
        if (setup.Faults.IsDefault)
            setup = setup with { Faults = [] };
        cuts = [.. setup.Faults.Where(f => f.Kind == FaultKind.PowerCut)];
        model = new ThermalModel(setup.Kiln.Body, setup.Load, setup.Start, ThermalModel.UsualNodes, setup.Physics);
        plant = new SimulatedPlant(setup, model);
        simulation = new KilnSimulation(setup.Kiln, Entered(setup), model, plant, Relay);
    }

    /// <summary>The chamber now, °C: what no thermocouple shows.</summary>
    public double Chamber => model.Chamber;

    /// <summary>Minutes since it was switched on.</summary>
    public double Minutes => taken * Every.TotalMinutes;

    /// <summary>The step its controller is in; their number when it has finished.</summary>
    public int Step => simulation.Step;

    /// <summary>What its controller does.</summary>
    public ControllerPhase Phase => simulation.Phase;

    /// <summary>Moves on by half a minute and reads; nothing where the reading is lost.</summary>
    public SimulatedSample? Next()
    {
        var cut = cuts.Any(c => c.IsAt(taken * Every.TotalSeconds));
        if (cut)
        {
            plant.Dark(Every.TotalSeconds);
            simulation.Wait(Every);
            dark = true;
        }
        else
        {
            if (dark)
                simulation.BeginAgain();
            dark = false;
            simulation.Advance(Every);
        }
        taken++;
        var share = plant.TakeShare() / Every.TotalSeconds;
        return cut || plant.Loses(taken)
            ? null
            : new SimulatedSample(taken, Minutes, plant.Read(taken), share, simulation.SetPoint is { } asked ? Math.Round(asked, 1) : null);
    }

    /// <summary>Somebody switches it off for good.</summary>
    public void SwitchOff() => simulation.SwitchOff();

    /// <summary>The hold under way goes on for so much longer; nothing in any other phase.</summary>
    public void Extend(Duration by) => simulation.ExtendHold(by);

    private static FiringProgram Entered(SimulatedSetup setup)
    {
        if (setup.Faults.FirstOrDefault(f => f.Kind == FaultKind.TopTooHot) is not { } wrong)
            return setup.Program;
        var top = setup.Program.TopStep;
        return setup.Program.Steps[top].Target is { } target
            ? setup.Program.WithStep(top, target + TemperatureDifference.FromKelvins(wrong.Strength), setup.Program.Steps[top].Hold)
            : setup.Program;
    }
}
