namespace ZealousEmber.Core.Kilns.Thermal;

/// <summary>
/// The physics of a kiln: one lump (ware, furniture, elements, hot skin) in a one-dimensional wall, moved on by backward Euler with
/// coefficients at the old temperatures. The wall is eliminated from the outside inwards, which leaves T0' = (r + P) / d: the power
/// that a wanted temperature needs comes out without a controller to tune. Derivation and error: docs/model.md, "Kilns".
/// Temperatures °C, times s, powers W, energies J. Not for two threads at once. A step allocates nothing.
/// </summary>
internal sealed class ThermalModel
{
    public const int UsualNodes = 12;

    private const double ConvectionInside = 8;
    private const double StefanBoltzmann = 5.670374e-8;
    private const double BoilingHeat = 2.26e6;
    private const double BoundWaterHeat = 0.25e6;
    private const double Kelvin = 273.15;

    private readonly int nodes;
    private readonly double[] conductance0;
    private readonly double[] conductance1;
    private readonly double[] capacity;
    private readonly double[] wall;
    private readonly double[] alpha;
    private readonly double[] beta;
    private readonly double[] saved;
    private readonly double innerArea;
    private readonly double outerLoss;
    private readonly double emissivity;
    private readonly double capacitySlope;
    private readonly double lag;
    private double airLoss;
    private readonly double room;
    private readonly double mass;
    private readonly double skin;
    private readonly double heatFactor;
    private readonly double freeWaterHeat;
    private readonly double boundWaterHeat;

    private double chamber;
    private double display;
    private double hottest;
    private double defect;
    private double used;
    private double lost;
    private (double Chamber, double Display, double Hottest, double Defect, double Used, double Lost) savedState;

    // Made by Prepare, used by the step that follows.
    private double r;
    private double d;
    private double exchange;
    private double chamberCapacity;
    private double lagSeconds;
    private double lagShare;

    public ThermalModel(ThermalBody body, KilnLoad load, double start, int nodes = UsualNodes, KilnPhysics? physics = null)
    {
        this.nodes = nodes;
        physics ??= KilnPhysics.Usual;
        (emissivity, capacitySlope, lag) = (physics.Emissivity, physics.CapacitySlope, physics.ThermocoupleLag);
        innerArea = body.InnerArea;
        outerLoss = body.OuterArea * physics.ConvectionOutside;
        airLoss = body.AirLoss;
        room = body.Room;
        mass = load.WareMass + load.FurnitureMass;
        skin = body.Skin;
        heatFactor = body.HeatFactor;
        freeWaterHeat = load.Water * BoilingHeat;
        boundWaterHeat = load.FirstFiring ? load.WareMass * BoundWaterHeat : 0;
        FullPower = body.FullPower;
        (conductance0, conductance1, capacity) = WallMesh.Of(body, nodes);
        for (var i = 0; i < nodes; i++)
            capacity[i] *= physics.Density;
        for (var i = 0; i < nodes - 1; i++)
            conductance1[i] *= physics.ConductivitySlope;
        wall = new double[nodes];
        alpha = new double[nodes];
        beta = new double[nodes];
        saved = new double[nodes];
        Array.Fill(wall, start);
        chamber = display = hottest = start;
        StoredAtStart = Stored;
    }

    /// <summary>The same kiln and load, as warm as a moment says.</summary>
    public ThermalModel(ThermalBody body, KilnLoad load, ThermalState state, KilnPhysics? physics = null)
        : this(body, load, state.Chamber, state.Wall.Length, physics)
    {
        state.Wall.CopyTo(wall);
        (chamber, display, hottest, defect, used, lost) = (state.Chamber, state.Display, state.Hottest, state.Defect, state.Used, state.Lost);
        StoredAtStart = state.StoredAtStart ?? Stored;
    }

    /// <summary>This moment, to be gone on from.</summary>
    public ThermalState State => new(chamber, display, [.. wall], hottest, defect, used, lost, StoredAtStart);

    /// <summary>Most it can draw, W.</summary>
    public double FullPower { get; }

    /// <summary>Chamber now.</summary>
    public double Chamber => chamber;

    /// <summary>What a thermocouple shows now.</summary>
    public double Display => display;

    /// <summary>Heat that came in since the start, J.</summary>
    public double Used => used;

    /// <summary>Given to the room since the start, J.</summary>
    public double Lost => lost;

    /// <summary>Heat stored in chamber and wall, J, from 0 °C.</summary>
    public double Stored
    {
        get
        {
            var heat = Enthalpy(chamber) + Latent(hottest) + defect;
            for (var i = 0; i < nodes; i++)
                heat += capacity[i] * wall[i];
            return heat;
        }
    }

    public double StoredAtStart { get; }

    /// <summary>Moves on with a fixed power; tells nothing back, read <see cref="Chamber"/>.</summary>
    public void StepWithPower(double seconds, double power)
    {
        Prepare(seconds);
        Finish(seconds, (r + power) / d, power);
    }

    /// <summary>Moves on with heat that changes with the chamber, as a flame's does; <see cref="Used"/> takes what came in.</summary>
    /// <param name="seconds">How long.</param>
    /// <param name="heat">With the chamber as it is now, W; less than none where air carries it out.</param>
    /// <param name="slope">How that changes with the chamber, W/K, 0 or less.</param>
    /// <param name="gaps">Loss through gaps and holes meanwhile, W/K.</param>
    /// <returns>What came in, W, as the mean of the step.</returns>
    public double StepWithFlame(double seconds, double heat, double slope, double gaps)
    {
        airLoss = gaps;
        Prepare(seconds);
        var next = (r + heat - slope * chamber) / (d - slope);
        var came = heat + slope * (next - chamber);
        Finish(seconds, next, came);
        return came;
    }

    /// <summary>Moves on towards a chamber temperature with the power that takes, between none and full. Gives the power, W.</summary>
    public double StepTowards(double seconds, double wanted)
    {
        Prepare(seconds);
        var power = wanted * d - r;
        if (power < 0)
            power = 0;
        else if (power > FullPower)
            power = FullPower;
        else
        {
            Finish(seconds, wanted, power);
            return power;
        }
        Finish(seconds, (r + power) / d, power);
        return power;
    }

    /// <summary>Power that would bring the chamber to a temperature in so long, W; of any size, also less than none.</summary>
    public double PowerFor(double seconds, double wanted)
    {
        Prepare(seconds);
        return wanted * d - r;
    }

    /// <summary>Moves on with the chamber led to a temperature, whatever power that took. Gives the heat that went into wall and leak, J.</summary>
    public double StepAlong(double seconds, double next)
    {
        Prepare(seconds);
        var taken = (exchange * (next - alpha[0] - beta[0] * next) + airLoss * (next - room)) * seconds;
        Finish(seconds, next, 0);
        return taken;
    }

    /// <summary>Heat the load and the hot skin take up between two temperatures, J.</summary>
    public double Sensible(double from, double to) => Enthalpy(to) - Enthalpy(from);

    /// <summary>Heat water and bound water take up between two temperatures the chamber had for the first time, J.</summary>
    public double LatentBetween(double from, double to) => to > from ? Latent(to) - Latent(from) : 0;

    /// <summary>What the chamber's temperature takes, J/K, as it is now.</summary>
    public double HeatCapacity => heatFactor * (mass * (KilnPhysics.WareCapacity + capacitySlope * chamber) + skin) + LatentRate(chamber);

    /// <summary>The hottest the chamber was.</summary>
    public double HottestSoFar => hottest;

    /// <summary>Adds to the loss through gaps, W/K: an open lid. Less than none takes it off again.</summary>
    public void Open(double wattsPerKelvin) => airLoss += wattsPerKelvin;

    /// <summary>The chamber is found to be hotter or cooler than the sums say, K; the balance is off by that.</summary>
    public void Shift(double kelvins)
    {
        chamber += kelvins;
        display += kelvins;
        hottest = Math.Max(hottest, chamber);
    }

    /// <summary>Remembers this moment, so that a step can be taken back.</summary>
    public void Save()
    {
        wall.CopyTo(saved, 0);
        savedState = (chamber, display, hottest, defect, used, lost);
    }

    /// <summary>Back to the moment last saved.</summary>
    public void TakeBack()
    {
        saved.CopyTo(wall, 0);
        (chamber, display, hottest, defect, used, lost) = savedState;
    }

    private void Prepare(double seconds)
    {
        var perSecond = 1 / seconds;
        var hot = chamber;
        var last = nodes - 1;
        // Node by node from the outside: T_i' = alpha_i + beta_i · T_(i−1)'.
        var inward = conductance0[last - 1] + conductance1[last - 1] * (wall[last] + wall[last - 1]);
        var store = capacity[last] * perSecond;
        var q = 1 / (store + inward + outerLoss);
        alpha[last] = (store * wall[last] + outerLoss * room) * q;
        beta[last] = inward * q;
        for (var i = last - 1; i > 0; i--)
        {
            var outward = inward;
            inward = conductance0[i - 1] + conductance1[i - 1] * (wall[i] + wall[i - 1]);
            store = capacity[i] * perSecond;
            q = 1 / (store + inward + outward * (1 - beta[i + 1]));
            alpha[i] = (store * wall[i] + outward * alpha[i + 1]) * q;
            beta[i] = inward * q;
        }
        var (t0, t1) = (hot + Kelvin, wall[0] + Kelvin);
        exchange = innerArea * (ConvectionInside + emissivity * StefanBoltzmann * (t0 * t0 + t1 * t1) * (t0 + t1));
        store = capacity[0] * perSecond;
        q = 1 / (store + exchange + inward * (1 - beta[1]));
        alpha[0] = (store * wall[0] + inward * alpha[1]) * q;
        beta[0] = exchange * q;

        chamberCapacity = heatFactor * (mass * (KilnPhysics.WareCapacity + capacitySlope * hot) + skin) + LatentRate(hot);
        d = chamberCapacity * perSecond + exchange * (1 - beta[0]) + airLoss;
        r = (chamberCapacity * hot + defect) * perSecond + exchange * alpha[0] + airLoss * room;
    }

    private void Finish(double seconds, double next, double power)
    {
        var before = chamber;
        var from = hottest;
        chamber = next;
        var outside = next;
        for (var i = 0; i < nodes; i++)
            wall[i] = outside = alpha[i] + beta[i] * outside;
        if (next > hottest)
            hottest = next;

        // What the linearised heat capacity took up beyond the true enthalpy is given back in the next step; the balance closes.
        defect = chamberCapacity * (next - before) - (Enthalpy(next) - Enthalpy(before)) - (hottest > from ? Latent(hottest) - Latent(from) : 0);

        var slope = (next - before) / seconds;
        if (seconds != lagSeconds)
            (lagSeconds, lagShare) = (seconds, Math.Exp(-seconds / lag));
        display = next - slope * lag + (display - before + slope * lag) * lagShare;
        used += power * seconds;
        lost += (airLoss * (next - room) + outerLoss * (wall[nodes - 1] - room)) * seconds;
    }

    private double Enthalpy(double t) => heatFactor * (mass * (KilnPhysics.WareCapacity * t + capacitySlope / 2 * t * t) + skin * t);

    /// <summary>Heat that water and clay have taken up by the time they were at <paramref name="t"/>; it does not come back.</summary>
    private double Latent(double t) => freeWaterHeat * Smooth(t, 80, 120) + boundWaterHeat * Smooth(t, 450, 650);

    private double LatentRate(double t) =>
        t < hottest || freeWaterHeat + boundWaterHeat == 0 ? 0 : freeWaterHeat * SmoothRate(t, 80, 120) + boundWaterHeat * SmoothRate(t, 450, 650);

    private static double Smooth(double t, double from, double to)
    {
        var x = Math.Clamp((t - from) / (to - from), 0, 1);
        return x * x * (3 - 2 * x);
    }

    private static double SmoothRate(double t, double from, double to)
    {
        var x = (t - from) / (to - from);
        return x is <= 0 or >= 1 ? 0 : 6 * x * (1 - x) / (to - from);
    }
}
