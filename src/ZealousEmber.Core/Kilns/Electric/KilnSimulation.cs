using NodaTime;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>
/// A kiln and its controller, moved on step by step: the one simulation there is. A preview runs it to the end, a fit leads it along a log,
/// a simulated kiln runs it by the clock, a forecast runs it from now. Deterministic; not for two threads at once.
/// </summary>
public sealed partial class KilnSimulation
{
    private const double Instant = 1e-6;

    private readonly Kiln kiln;
    private readonly FiringProgram? program;
    private readonly ThermalModel model;
    private Fineness fineness;
    private readonly ISimulationObserver? observer;
    private readonly IKilnPlant? plant;
    private readonly double lead;
    private double now;
    private int index;
    private ControllerPhase phase = ControllerPhase.Finished;
    private double level;
    private double goal;
    private double arrives;
    private double holdEnds;
    private double? markedAt;
    private double markedChamber;
    private double stride;
    private double slope;
    private double curveLast = double.NaN;
    private bool behind;

    /// <summary>A kiln at a moment, with the program its controller follows; without one the power is off until it is led.</summary>
    /// <param name="kiln">Which.</param>
    /// <param name="load">What stands in it.</param>
    /// <param name="program">What it is to do.</param>
    /// <param name="state">How warm it is, and how far the controller has come; a state without a controller is switched on now.</param>
    /// <param name="fineness">How finely; the usual when missing. Its nodes are those of the state.</param>
    public KilnSimulation(Kiln kiln, KilnLoad load, FiringProgram? program, SimulationState state, Fineness? fineness = null)
        : this(kiln, program, new ThermalModel(kiln.Body, load, state.Kiln), state, fineness ?? Fineness.Usual, null) { }

    /// <summary>The same from a moment, told to an observer, the display on the set point as real controllers have it.</summary>
    internal static KilnSimulation Live(
        Kiln kiln,
        KilnLoad load,
        FiringProgram program,
        SimulationState state,
        Fineness fineness,
        ISimulationObserver? observer
    ) => new(kiln, program, new ThermalModel(kiln.Body, load, state.Kiln), state, fineness, observer, lead: KilnPhysics.UsualLag);

    /// <summary>A kiln whose elements and thermocouple are not what the controller takes them to be.</summary>
    internal KilnSimulation(Kiln kiln, FiringProgram program, ThermalModel model, IKilnPlant plant, Fineness fineness)
        : this(kiln, program, model, fineness, null)
    {
        this.plant = plant;
        SwitchOn(plant.Shown ?? model.Display);
    }

    private KilnSimulation(
        Kiln kiln,
        FiringProgram? program,
        ThermalModel model,
        SimulationState state,
        Fineness fineness,
        ISimulationObserver? observer,
        double lead = 0
    )
        : this(kiln, program, model, fineness, observer)
    {
        (now, this.lead) = (state.Seconds, lead);
        if (state.Controller is { } c)
        {
            (index, phase, level, goal, arrives, holdEnds) = (c.Step, c.Phase, c.Level, c.Goal, c.Arrives, c.HoldEnds);
            (markedAt, markedChamber, stride, slope, curveLast) = (c.MarkedAt, c.MarkedChamber, c.Stride, c.Slope, model.Chamber);
        }
        else
            SwitchOn(model.Chamber);
    }

    /// <summary>Time passes while the controller is dark; the kiln is moved on by whoever knows how.</summary>
    internal void Wait(Duration time) => now += time.TotalSeconds;

    /// <summary>Switched off for good.</summary>
    internal void SwitchOff() => (phase, index) = (ControllerPhase.Finished, program?.Steps.Length ?? 0);

    /// <summary>A hold under way goes on for longer.</summary>
    internal void ExtendHold(Duration by)
    {
        if (phase == ControllerPhase.Holding)
            holdEnds += by.TotalSeconds;
    }

    /// <summary>Switched on again where it was: the step under way from what the display shows.</summary>
    internal void BeginAgain()
    {
        if (phase == ControllerPhase.Finished)
            return;
        level = Shown;
        Begin();
    }

    /// <summary>The same from one temperature throughout, walls and all, told to an observer.</summary>
    internal KilnSimulation(Kiln kiln, KilnLoad load, FiringProgram? program, double start, Fineness fineness, ISimulationObserver? observer)
        : this(kiln, program, new ThermalModel(kiln.Body, load, start, fineness.Nodes), fineness, observer)
    {
        SwitchOn(start);
    }

    private KilnSimulation(Kiln kiln, FiringProgram? program, ThermalModel model, Fineness fineness, ISimulationObserver? observer)
    {
        (this.kiln, this.program, this.model, this.fineness, this.observer) = (kiln, program, model, fineness, observer);
        stride = fineness.Step;
    }

    /// <summary>Seconds since the start.</summary>
    public double Seconds => now;

    /// <summary>Chamber now, °C.</summary>
    public double Chamber => model.Chamber;

    /// <summary>What the display shows, °C.</summary>
    public double Display => model.Display;

    /// <summary>What is asked of it now, °C; nothing with the power off.</summary>
    public double? SetPoint =>
        phase switch
        {
            ControllerPhase.Climbing => now >= arrives || Rate is not { } up ? goal : goal - (arrives - now) / 3600 * up,
            ControllerPhase.Cooling => now >= arrives || Rate is not { } down ? goal : goal + (arrives - now) / 3600 * down,
            ControllerPhase.Holding => goal,
            _ => null,
        };

    /// <summary>Power drawn in the last step, W.</summary>
    public double Power { get; private set; }

    /// <summary>What the controller is doing.</summary>
    public ControllerPhase Phase => phase;

    /// <summary>Index of the step it is in; the number of steps when it has finished.</summary>
    public int Step => index;

    /// <summary>Of a hold under way, minutes; 0 outside one.</summary>
    internal double HoldMinutesLeft => phase == ControllerPhase.Holding ? Math.Max(0, (holdEnds - now) / 60) : 0;

    /// <summary>This moment, to be stored and gone on from.</summary>
    public SimulationState State =>
        new(now, model.State, new ControllerState(index, phase, level, goal, arrives, holdEnds, markedAt, markedChamber, stride, slope));

    internal ThermalModel Model => model;

    private double? Rate => program!.Steps[index].Pace.Rate?.KelvinsPerHour;

    /// <summary>Moves on by a time, the controller at work.</summary>
    public void Advance(Duration time)
    {
        var end = now + time.TotalSeconds;
        while (now < end - Instant)
            Tick(end - now);
    }

    private double Shown => plant is null ? model.Display : plant.Shown ?? model.Display;

    /// <summary>Moves on with the display (or, planned, the chamber) brought to what is asked, with the power that takes.</summary>
    /// <param name="seconds">How long.</param>
    /// <param name="asked">At the end of it.</param>
    /// <param name="perHour">How fast that changes, with its sign.</param>
    private double Heat(double seconds, double asked, double perHour) =>
        plant is null ? model.StepTowards(seconds, asked + lead * perHour / 3600) : plant.Heat(seconds, asked, perHour);

    private double Rest(double seconds)
    {
        if (plant is not null)
            return plant.Rest(seconds);
        model.StepWithPower(seconds, 0);
        return 0;
    }

    /// <summary>Moves on with a given power, whatever the controller would do; in steps of at most a minute.</summary>
    internal void LeadWithPower(double seconds, double power) => Lead(seconds, (dt, _) => model.StepWithPower(dt, power));

    /// <summary>Moves on along a straight line of temperatures, with the power that takes.</summary>
    internal void LeadAlong(double seconds, double from, double to) => Lead(seconds, (dt, share) => model.StepTowards(dt, from + (to - from) * share));

    /// <summary>One step of at most so many seconds, or a change of phase that takes no time.</summary>
    internal void Tick(double most = double.PositiveInfinity)
    {
        switch (phase)
        {
            case ControllerPhase.Climbing:
                Climb(most);
                break;
            case ControllerPhase.Cooling:
                Cool(most);
                break;
            case ControllerPhase.Falling:
                if (model.Chamber > goal + 1e-9)
                    Fall(goal, most);
                else
                    Reached(false);
                break;
            case ControllerPhase.Holding:
                Hold(most);
                break;
            default:
                Fall(double.NegativeInfinity, most);
                break;
        }
    }

    /// <summary>One step with the power off, no further than down to a temperature: to the moment it is reached.</summary>
    internal void Fall(double to, double most = double.PositiveInfinity)
    {
        var before = model.Chamber;
        var dt = Math.Min(stride, most);
        model.Save();
        var power = Rest(dt);
        if (model.Chamber < to && plant is null)
        {
            var share = (before - to) / (before - model.Chamber);
            model.TakeBack();
            dt *= share;
            model.StepWithPower(dt, 0);
        }
        Passed(dt, power);
    }

    /// <summary>Goes on more finely or more coarsely; the nodes stay.</summary>
    internal void GoOn(Fineness with) => (fineness, stride) = (with, with.Step);

    /// <summary>The usual stride again, as after a change of what is done.</summary>
    internal void UsualStride() => (stride, slope) = (fineness.Step, 0);

    private void Lead(double seconds, Action<double, double> step)
    {
        var pieces = (int)Math.Ceiling(seconds / fineness.Longest - 1e-9);
        for (var i = 1; i <= pieces; i++)
            step(seconds / pieces, i / (double)pieces);
        now += seconds;
    }

    private void Passed(double dt, double power)
    {
        var before = curveLast;
        Power = power;
        now += dt;
        observer?.Passed(now, dt, power, model.Chamber);
        Pace(dt, before);
        curveLast = model.Chamber;
    }

    /// <summary>Longer steps where the slope hardly changes, the usual ones again where it does.</summary>
    private void Pace(double dt, double before)
    {
        var slopeNow = double.IsNaN(before) ? 0 : (model.Chamber - before) / dt;
        var bend = Math.Abs(slopeNow - slope) * dt;
        slope = slopeNow;
        if (bend < fineness.Bend && stride < fineness.Longest)
            stride = Math.Min(fineness.Longest, stride * 1.25);
        else if (bend > 4 * fineness.Bend && stride > fineness.Step)
            stride = fineness.Step;
    }
}
