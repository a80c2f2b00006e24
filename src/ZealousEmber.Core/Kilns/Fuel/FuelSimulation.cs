using ZealousEmber.Core.Kilns.Thermal;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>Where the fuel's net heat went since the start, J; the parts add up to what was burned.</summary>
/// <param name="Fuel">In the fuel.</param>
/// <param name="Kept">Given to chamber and wall, with what flue air carried out taken off where no burner was lit.</param>
/// <param name="Flue">Carried out hot, and what never came to the ware.</param>
/// <param name="Unburnt">Left as carbon monoxide and hydrogen.</param>
public readonly record struct FlameHeat(double Fuel, double Kept, double Flue, double Unburnt);

/// <summary>
/// A gas kiln moved on setting by setting: the lump and the wall of every kiln, heated by a flame and cooled by what it draws. The flame's heat
/// and its slope go into the implicit step. Temperatures °C, times s. Deterministic; not for two threads at once. Source: the fuel kiln paper.
/// </summary>
internal sealed class FuelSimulation
{
    /// <summary>Longest step, s.</summary>
    public const double Step = 60;

    // What of the available heat reaches ware and wall, not the burner's own surroundings.
    private const double Reaches = 0.9;
    private const double StefanBoltzmann = 5.670374e-8;
    private const double Kelvin = 273.15;

    private readonly FuelKiln kiln;
    private readonly ThermalModel model;
    private readonly double room;
    private readonly double netPerKg;
    private (double Now, double Fuel, FlameHeat Heat) saved;

    public FuelSimulation(FuelKiln kiln, KilnLoad load, double start, int nodes = ThermalModel.UsualNodes)
        : this(kiln, new ThermalModel(kiln.Body, load, start, nodes), 0) { }

    /// <summary>The same kiln and load, as warm as a moment says.</summary>
    public FuelSimulation(FuelKiln kiln, KilnLoad load, ThermalState state, double seconds = 0)
        : this(kiln, new ThermalModel(kiln.Body, load, state), seconds) { }

    private FuelSimulation(FuelKiln kiln, ThermalModel model, double seconds)
    {
        (this.kiln, this.model, Seconds) = (kiln, model, seconds);
        (Air, room, netPerKg) = (new Draft(kiln), kiln.Room.Celsius, kiln.Fuel.Net * 1e6);
    }

    /// <summary>How it breathes.</summary>
    public Draft Air { get; }

    /// <summary>Since the start.</summary>
    public double Seconds { get; private set; }

    /// <summary>Chamber now.</summary>
    public double Chamber => model.Chamber;

    /// <summary>Fuel burned since the start, kg.</summary>
    public double Fuel { get; private set; }

    /// <summary>Where its heat went.</summary>
    public FlameHeat Heat { get; private set; }

    /// <summary>What went through in the last step.</summary>
    public Breath Breath { get; private set; }

    /// <summary>Chamber and wall.</summary>
    public ThermalModel Model => model;

    /// <summary>
    /// How far flame stands out of the flue with what leaves unburnt, m; within a factor of two (Heskestad's flame height, as the fuel kiln paper gives it).
    /// </summary>
    public double FlameAtFlue(in Breath breath)
    {
        if (breath.Fuel <= 0)
            return 0;
        var kilowatts = breath.Fuel * netPerKg / 1000 * Combustion.Flame(kiln.Fuel, breath.Lambda, Chamber, room).Unburnt;
        return Math.Max(0, 0.235 * Math.Pow(kilowatts, 0.4) - 1.02 * Math.Sqrt(4 * breath.FlueArea / Math.PI));
    }

    /// <summary>Heat a flame gives to chamber and wall as they are now, W.</summary>
    public double FlameHeatOf(in Breath breath) =>
        breath.Fuel <= 0 ? 0 : Reaches * kiln.BurnerFactor * breath.Fuel * netPerKg * Combustion.Flame(kiln.Fuel, breath.Lambda, Chamber, room).Share;

    /// <summary>The chamber is found to be hotter or cooler than the sums say; walls follow by themselves.</summary>
    public void Correct(double kelvins)
    {
        if (kelvins != 0)
            model.Shift(kelvins);
    }

    /// <summary>Remembers this moment, so that what follows can be taken back.</summary>
    public void Save()
    {
        model.Save();
        saved = (Seconds, Fuel, Heat);
    }

    /// <summary>Back to the moment last saved; may be gone back to again and again.</summary>
    public void TakeBack()
    {
        model.TakeBack();
        (Seconds, Fuel, Heat) = saved;
    }

    /// <summary>Moves on at one setting, in even steps of at most <paramref name="longest"/>.</summary>
    public void Advance(in BurnerSetting setting, double seconds, double longest = Step)
    {
        var pieces = (int)Math.Ceiling(seconds / longest - 1e-9);
        for (var i = 0; i < pieces; i++)
            Tick(setting, seconds / pieces);
    }

    /// <summary>One step.</summary>
    public void Tick(in BurnerSetting setting, double seconds)
    {
        var at = model.Chamber;
        var breath = Air.At(setting, at);
        Breath = breath;
        var gaps =
            kiln.Gap
            + kiln.Class.FlueView
                * breath.FlueArea
                * StefanBoltzmann
                * ((at + Kelvin) * (at + Kelvin) + (room + Kelvin) * (room + Kelvin))
                * (at + room + 2 * Kelvin);
        if (breath.Fuel > 0)
        {
            var (share, slope, unburnt) = Combustion.Flame(kiln.Fuel, breath.Lambda, at, room);
            var net = breath.Fuel * netPerKg;
            var scale = Reaches * kiln.BurnerFactor * net;
            var came = model.StepWithFlame(seconds, scale * share, scale * slope, gaps) * seconds;
            var (burned, lost) = (net * seconds, net * seconds * unburnt);
            Heat = new FlameHeat(Heat.Fuel + burned, Heat.Kept + came, Heat.Flue + burned - lost - came, Heat.Unburnt + lost);
            Fuel += breath.Fuel * seconds;
        }
        else
        {
            var moles = breath.Air / Combustion.AirMass * 1000;
            var (heat, capacity) = (moles * (Combustion.Air.Heat(at) - Combustion.Air.Heat(room)), moles * Combustion.Air.HeatCapacity(at));
            var came = model.StepWithFlame(seconds, -heat, -capacity, gaps) * seconds;
            Heat = Heat with { Kept = Heat.Kept + came, Flue = Heat.Flue - came };
        }
        Seconds += seconds;
    }
}
