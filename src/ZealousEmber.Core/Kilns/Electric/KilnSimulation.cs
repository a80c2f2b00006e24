using NodaTime;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>How finely a simulation is worked out.</summary>
/// <param name="Step">Usual step, s.</param>
/// <param name="Nodes">Nodes through the wall.</param>
/// <param name="Longest">A quiet stretch may take steps up to this, s.</param>
public sealed record Fineness(double Step, int Nodes, double Longest)
{
    /// <summary>30 s and 12 nodes, up to 60 s where little happens: good to a degree and a minute or two (docs/model.md).</summary>
    public static readonly Fineness Usual = new(30, ThermalModel.UsualNodes, 60);
}

/// <summary>What a controller is doing.</summary>
public enum ControllerPhase
{
    /// <summary>Up to a target.</summary>
    Climbing,

    /// <summary>Down to a target at a rate.</summary>
    Cooling,

    /// <summary>Down to a target with the power off.</summary>
    Falling,

    /// <summary>Staying at a target.</summary>
    Holding,

    /// <summary>The program is over; the power is off.</summary>
    Finished,
}

/// <summary>Where a controller is in its program. Times are seconds since the start, temperatures °C.</summary>
/// <param name="Step">Index of the step; the number of steps when it has finished.</param>
/// <param name="Phase">What it is doing.</param>
/// <param name="Level">Where the step began, as the controller reckons it.</param>
/// <param name="Goal">Where the phase ends.</param>
/// <param name="Arrives">When the set point is at its target.</param>
/// <param name="HoldEnds">When a hold is over.</param>
/// <param name="MarkedAt">Since when a late climb is watched; nothing while it is not.</param>
/// <param name="MarkedChamber">The chamber then.</param>
/// <param name="Stride">Length of the next step of the simulation, s.</param>
/// <param name="Slope">Of the chamber in the last one, °C/s.</param>
public sealed record ControllerState(
    int Step, ControllerPhase Phase, double Level, double Goal, double Arrives, double HoldEnds, double? MarkedAt, double MarkedChamber, double Stride, double Slope);

/// <summary>A kiln with its controller at a moment; can be stored and gone on from.</summary>
/// <param name="Seconds">Since the start of the firing.</param>
/// <param name="Kiln">How warm it is.</param>
/// <param name="Controller">What the controller does; nothing before it was switched on.</param>
public sealed record SimulationState(double Seconds, ThermalState Kiln, ControllerState? Controller = null);

/// <summary>Told what happens in a simulation; times in seconds, temperatures °C, power W.</summary>
internal interface ISimulationObserver
{
    /// <summary>A step begins.</summary>
    void Began(int step, double chamber);

    /// <summary>The set point passes here; may lie ahead.</summary>
    void SetPoint(double seconds, double celsius);

    /// <summary>Time has passed, up to <paramref name="now"/>.</summary>
    void Passed(double now, double lasted, double power, double chamber);

    /// <summary>The controller could not keep to what was asked from here on.</summary>
    void FellBehind(double chamber);

    /// <summary>A climb or a cooling is over.</summary>
    void Reached(double chamber, bool stalled);

    /// <summary>A step is over, its hold too; the controller reckons with this temperature from here.</summary>
    void Ended(double level);
}

/// <summary>
/// A kiln and its controller, moved on step by step: the one simulation there is. A preview runs it to the end, a fit leads it along a log,
/// a simulated kiln runs it by the clock, a forecast runs it from now. Deterministic; not for two threads at once.
/// </summary>
public sealed class KilnSimulation
{
    private const double Near = 2;
    private const double StallGain = 1;
    private const double Instant = 1e-6;

    /// <summary>A climb that gains less than a degree in so long has stalled, s.</summary>
    internal const double StallSeconds = 7200;

    private readonly Kiln kiln;
    private readonly FiringProgram? program;
    private readonly ThermalModel model;
    private readonly Fineness fineness;
    private readonly ISimulationObserver? observer;
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
        : this(kiln, program, new ThermalModel(kiln, load, state.Kiln), fineness ?? Fineness.Usual, null)
    {
        now = state.Seconds;
        if (state.Controller is { } c)
        {
            (index, phase, level, goal, arrives, holdEnds) = (c.Step, c.Phase, c.Level, c.Goal, c.Arrives, c.HoldEnds);
            (markedAt, markedChamber, stride, slope, curveLast) = (c.MarkedAt, c.MarkedChamber, c.Stride, c.Slope, model.Chamber);
        }
        else SwitchOn(model.Chamber);
    }

    /// <summary>The same from one temperature throughout, walls and all, told to an observer.</summary>
    internal KilnSimulation(Kiln kiln, KilnLoad load, FiringProgram? program, double start, Fineness fineness, ISimulationObserver? observer)
        : this(kiln, program, new ThermalModel(kiln, load, start, fineness.Nodes), fineness, observer)
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
    public double? SetPoint => phase switch
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

    /// <summary>This moment, to be stored and gone on from.</summary>
    public SimulationState State => new(
        now, model.State, new ControllerState(index, phase, level, goal, arrives, holdEnds, markedAt, markedChamber, stride, slope));

    internal ThermalModel Model => model;

    private double? Rate => program!.Steps[index].Pace.Rate?.KelvinsPerHour;

    /// <summary>Moves on by a time, the controller at work.</summary>
    public void Advance(Duration time)
    {
        var end = now + time.TotalSeconds;
        while (now < end - Instant) Tick(end - now);
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
                if (model.Chamber > goal + 1e-9) Fall(goal, most);
                else Reached(false);
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
        model.StepWithPower(dt, 0);
        if (model.Chamber < to)
        {
            var share = (before - to) / (before - model.Chamber);
            model.TakeBack();
            dt *= share;
            model.StepWithPower(dt, 0);
        }
        Passed(dt, 0);
    }

    /// <summary>The usual stride again, as after a change of what is done.</summary>
    internal void UsualStride() => (stride, slope) = (fineness.Step, 0);

    private void Lead(double seconds, Action<double, double> step)
    {
        var pieces = (int)Math.Ceiling(seconds / fineness.Longest - 1e-9);
        for (var i = 1; i <= pieces; i++) step(seconds / pieces, i / (double)pieces);
        now += seconds;
    }

    private void SwitchOn(double start)
    {
        level = start;
        if (program is not null) Begin();
    }

    private void Begin()
    {
        var segment = program!.Steps[index];
        observer?.Began(index, model.Chamber);
        (stride, markedAt, behind) = (fineness.Step, null, false);
        var target = TargetOf(segment);
        if (IsUp(segment, target)) BeginClimb(target, segment.Pace.Rate?.KelvinsPerHour);
        else if (target < level) BeginCooling(target, segment.Pace.Kind == PaceKind.Rate ? segment.Pace.Rate?.KelvinsPerHour : null);
        else Reached(false);
    }

    private double TargetOf(Segment segment) => segment.Target?.Celsius ?? kiln.Opens.Celsius;

    private bool IsUp(Segment segment, double target) => target > level && segment.Pace.Kind != PaceKind.Natural;

    private void BeginClimb(double target, double? perHour)
    {
        // Where the step before was not reached the set point sets out from what the thermocouple shows.
        var sets = Math.Abs(model.Display - level) <= Near + 1 ? level : model.Display;
        if (sets >= target)
        {
            Reached(false);
            return;
        }
        (phase, goal, arrives) = (ControllerPhase.Climbing, target, perHour is { } rate ? now + (target - sets) / rate * 3600 : now);
        observer?.SetPoint(now, sets);
        observer?.SetPoint(arrives, target);
    }

    private void BeginCooling(double target, double? perHour)
    {
        var lowest = Math.Max(target, kiln.CoolsTo.Celsius);
        if (model.Chamber <= lowest)
        {
            Reached(false);
            return;
        }
        if (perHour is not { } rate)
        {
            observer?.SetPoint(now, model.Chamber);
            (phase, goal) = (ControllerPhase.Falling, lowest);
            return;
        }
        var sets = Math.Min(level, model.Display + Near);
        (phase, goal, arrives) = (ControllerPhase.Cooling, target, now + Math.Max(0, sets - target) / rate * 3600);
        observer?.SetPoint(now, sets);
        observer?.SetPoint(arrives, target);
    }

    /// <summary>Up to a target, at a rate or as fast as it can: until the display is within 2 °C of it and the set point is there.</summary>
    private void Climb(double most)
    {
        var (target, perHour) = (goal, Rate);
        if (now >= arrives - Instant)
        {
            if ((kiln.HoldClock == HoldClock.RunsByItself && perHour is not null) || model.Display >= target - Near)
            {
                Reached(false);
                return;
            }
            if (markedAt is not { } marked) (markedAt, markedChamber) = (now, model.Chamber);
            else if (now - marked >= StallSeconds)
            {
                if (model.Chamber - markedChamber < StallGain)
                {
                    NoteBehind(markedChamber);
                    Reached(true);
                    return;
                }
                (markedAt, markedChamber) = (now, model.Chamber);
            }
        }
        var dt = Math.Min(now < arrives ? Math.Min(stride, arrives - now) : stride, most);
        var asked = now + dt >= arrives ? target : target - (arrives - now - dt) / 3600 * perHour!.Value;
        var before = model.Display;
        var arriving = now + dt >= arrives - Instant;
        if (arriving) model.Save();
        var power = model.StepTowards(dt, asked);
        var waiting = now >= arrives - Instant;
        if (waiting && model.Display > target - Near && before < target - Near)
        {
            // The moment it is near enough falls inside this step: go only that far.
            var share = Math.Max(1e-3, (target - Near - before) / (model.Display - before));
            model.TakeBack();
            dt *= share;
            power = model.StepTowards(dt, asked);
        }
        if (perHour is not null && model.Chamber < asked - Near) NoteBehind(model.Chamber);
        Passed(dt, power);
    }

    /// <summary>Down to a target at a rate, with some power where natural cooling is faster; once the set point is there, with none.</summary>
    private void Cool(double most)
    {
        var (target, lowest) = (goal, Math.Max(goal, kiln.CoolsTo.Celsius));
        var there = now >= arrives - Instant;
        if ((there && (kiln.HoldClock == HoldClock.RunsByItself || model.Chamber <= lowest + Near)) || (model.Chamber <= lowest && target < lowest))
        {
            Reached(false);
            return;
        }
        if (there)
        {
            (phase, goal) = (ControllerPhase.Falling, lowest + Near);
            return;
        }
        var dt = Math.Min(Math.Min(stride, arrives - now), most);
        var asked = now + dt >= arrives ? target : target + (arrives - now - dt) / 3600 * Rate!.Value;
        var power = model.StepTowards(dt, asked);
        if (model.Chamber > asked + Near) NoteBehind(model.Chamber);
        Passed(dt, power);
    }

    private void Hold(double most)
    {
        if (now >= holdEnds - Instant)
        {
            now = holdEnds;
            End(goal);
            return;
        }
        var dt = Math.Min(Math.Min(stride, holdEnds - now), most);
        Passed(dt, model.StepTowards(dt, goal));
    }

    private void NoteBehind(double chamber)
    {
        if (behind) return;
        behind = true;
        observer?.FellBehind(chamber);
    }

    private void Reached(bool stalled)
    {
        var segment = program!.Steps[index];
        var target = TargetOf(segment);
        var came = model.Chamber;
        observer?.Reached(came, stalled);
        // An "off" that is open already and a target colder than the room are not gone to: it stays where it is.
        var stays = IsUp(segment, target) || (target <= level && target > kiln.CoolsTo.Celsius) ? target : came;
        var next = stalled ? came : stays;
        if (segment.Hold > Duration.Zero)
        {
            observer?.SetPoint(now, stays);
            // What follows a hold that was never reached sets out from where the kiln is.
            (phase, goal, holdEnds, stride, level) = (ControllerPhase.Holding, stays, now + segment.Hold.TotalSeconds, fineness.Step, next);
            return;
        }
        level = next;
        End(stays);
    }

    private void End(double stays)
    {
        // A last "off" asks for nothing; what was asked ends where it begins.
        if (program!.Steps[index].Pace.Kind != PaceKind.Natural || index < program.Steps.Length - 1) observer?.SetPoint(now, stays);
        observer?.Ended(stays);
        index++;
        if (index < program.Steps.Length) Begin();
        else phase = ControllerPhase.Finished;
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
        if (bend < 0.02 && stride < fineness.Longest) stride = Math.Min(fineness.Longest, stride * 1.25);
        else if (bend > 0.08 && stride > fineness.Step) stride = fineness.Step;
    }
}
