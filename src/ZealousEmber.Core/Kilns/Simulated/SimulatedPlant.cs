using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Thermal;

namespace ZealousEmber.Core.Kilns.Simulated;

/// <summary>
/// Elements on a relay that switches every 20 s, mains that wander, a thermocouple with an offset and with faults. The kiln moves on in steps of
/// 5 s; the controller gives the share that keeps what it reads on the set point.
/// </summary>
internal sealed class SimulatedPlant : IKilnPlant
{
    /// <summary>Of the relay, s.</summary>
    public const double Cycle = 20;

    private const double Step = 5;
    private const double WanderSeconds = 2 * 3600;

    private readonly SimulatedSetup setup;
    private readonly ThermalModel model;
    private readonly CountedNoise noise;
    private readonly SimulatedReadings readings;
    private readonly double firingSupply;
    private readonly double withinSupply;
    private double now;
    private double wander;
    private long steps;
    private double? frozenAt;
    private double opened;
    private double shareSeconds;

    public SimulatedPlant(SimulatedSetup setup, ThermalModel model)
    {
        (this.setup, this.model, noise, readings) = (setup, model, new CountedNoise(setup.Seed), setup.Readings ?? new SimulatedReadings());
        var (firing, within) = setup.Supply ?? (0.01, 0.007);
        (firingSupply, withinSupply) = (firing * noise.Normal(1, 0), within);
        wander = withinSupply * noise.Normal(2, -1);
    }

    /// <inheritdoc/>
    public bool HoldsForEver => Find(FaultKind.EndlessHold) is not null;

    /// <summary>Energy asked of the elements since this was last asked for, as a share of full power times seconds.</summary>
    public double TakeShare()
    {
        var taken = shareSeconds;
        shareSeconds = 0;
        return taken;
    }

    /// <inheritdoc/>
    public double? Shown
    {
        get
        {
            if (Find(FaultKind.ThermocoupleOpen) is { } open)
                return open.Size;
            if (Find(FaultKind.Frozen) is not null)
                return frozenAt ??= Round(Offset(model.Display));
            frozenAt = null;
            return Offset(model.Display);
        }
    }

    /// <summary>What a logger is told: with noise, in steps, now and then far off.</summary>
    /// <param name="sequence">Of the reading.</param>
    public double? Read(long sequence)
    {
        if (Shown is not { } shown)
            return null;
        if (Find(FaultKind.Frozen) is not null || Find(FaultKind.ThermocoupleOpen) is not null)
            return shown;
        var read = shown + readings.Noise * noise.Normal(3, sequence);
        var spike = noise.Even(4, sequence);
        if (spike < readings.Spikes)
            read += spike < readings.Spikes / 2 ? 80 : -80;
        return Round(read);
    }

    /// <summary>Whether a reading gets lost on its way.</summary>
    public bool Loses(long sequence) => noise.Even(5, sequence) < readings.Lost || Find(FaultKind.Link) is not null || Find(FaultKind.PowerCut) is not null;

    /// <inheritdoc/>
    public double Heat(double seconds, double asked, double perHour)
    {
        // A broken thermocouple stops every controller.
        if (Shown is not { } shown || shown > 1390)
            return Rest(seconds);
        var bias = shown - model.Display;
        var lag = (setup.Physics ?? KilnPhysics.Usual).ThermocoupleLag;
        var wanted = asked - bias + lag * perHour / 3600;
        var share = Math.Clamp(model.PowerFor(seconds, Math.Clamp(wanted, -200, 3000)) / Available, 0, 1);
        Move(seconds, share);
        return share * model.FullPower;
    }

    /// <inheritdoc/>
    public double Rest(double seconds)
    {
        Move(seconds, 0);
        return 0;
    }

    /// <summary>Time passes without mains.</summary>
    public void Dark(double seconds) => Move(seconds, 0, dark: true);

    private double Available
    {
        get
        {
            var swing = 1 + firingSupply + wander;
            return Math.Max(1, model.FullPower * swing * swing);
        }
    }

    private void Move(double seconds, double share, bool dark = false)
    {
        shareSeconds += share * seconds;
        // With the power off nothing switches: the whole of it is one step.
        var step = share > 0 || !setup.Faults.IsEmpty ? Step : seconds;
        for (var at = 0.0; at < seconds - 1e-9; at += step)
        {
            var dt = Math.Min(step, seconds - at);
            Lid();
            var on = Math.Clamp((share * seconds - at) / dt, 0, 1);
            if (Find(FaultKind.StuckOn) is not null)
                on = 1;
            if (dark || Find(FaultKind.StuckOff) is not null || Find(FaultKind.ElementsCut) is not null)
                on = 0;
            var lost = (1 - (Find(FaultKind.DeadSection)?.Strength ?? 0)) * (1 - (Find(FaultKind.LowMains)?.Strength ?? 0));
            model.StepWithPower(dt, on * Available * lost);
            wander += -wander * dt / WanderSeconds + withinSupply * Math.Sqrt(2 * dt / WanderSeconds) * noise.Normal(2, steps++);
            now += dt;
        }
    }

    private void Lid()
    {
        var open = Find(FaultKind.LidOpen)?.Strength ?? 0;
        if (open == opened)
            return;
        model.Open(open - opened);
        opened = open;
    }

    private double Offset(double display)
    {
        var room = setup.Kiln.Room.Celsius;
        var shown = display + readings.OffsetAt1000 + readings.OffsetPer200 * (display - 1000) / 200;
        if (Find(FaultKind.ThermocoupleShort) is { } shorted)
            return shorted.Strength;
        if (Find(FaultKind.ThermocoupleReversed) is not null)
            return room - (shown - room);
        if (Find(FaultKind.ThermocoupleSlid) is { } slid)
            shown = room + slid.Strength * (shown - room);
        if (Find(FaultKind.ThermocoupleDrifting) is { } drifts)
            shown += drifts.Strength * (now / 3600 - drifts.FromMinute / 60);
        return shown;
    }

    private double Round(double value) => Math.Round(value / readings.Quantum) * readings.Quantum;

    private SimulatedFault? Find(FaultKind kind)
    {
        foreach (var fault in setup.Faults)
        {
            if (fault.Kind == kind && fault.IsAt(now))
                return fault;
        }
        return null;
    }
}
