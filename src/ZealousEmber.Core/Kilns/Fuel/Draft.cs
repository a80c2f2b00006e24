namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>What goes through a kiln at one setting and temperature.</summary>
/// <param name="Fuel">kg/s.</param>
/// <param name="Air">kg/s, that of the burners and that drawn in beside them.</param>
/// <param name="Lambda">Air there is over air needed; without bound with no flame.</param>
/// <param name="PortPressure">At the ports against the room, Pa; above 0 flame licks out.</param>
/// <param name="FlueArea">Open area of the flue, m².</param>
public readonly record struct Breath(double Fuel, double Air, double Lambda, double PortPressure, double FlueArea);

/// <summary>
/// How a kiln breathes: the hot gas draws, the flue lets out, burners and inlets let in. A kiln's numbers taken out once, since it is asked at every
/// step. Source: the fuel kiln paper, "Fuel, air, heat".
/// </summary>
internal sealed class Draft
{
    private const double Gravity = 9.81;
    private const double Discharge = 0.65;
    private const double PrimaryShare = 0.6;
    private const double FlameWarmth = 80;
    private const double ShutFlue = 0.1;
    private const double ShutInlets = 0.1;

    private readonly double room;
    private readonly double airDensity;
    private readonly double height;
    private readonly double warmth;
    private readonly double flue;
    private readonly double inlets;
    private readonly double fullFuel;
    private readonly double perPressure;
    private readonly double airNeeded;

    public Draft(FuelKiln kiln)
    {
        room = kiln.Room.Celsius;
        airDensity = 1.204 * kiln.Thinness * 293 / (room + 273);
        (height, warmth) = (kiln.Draft, kiln.Class.StackWarmth);
        (flue, inlets) = (kiln.Flue * kiln.AirFactor, kiln.Inlets * kiln.AirFactor);
        fullFuel = kiln.BurnerPower / (kiln.Fuel.Net * 1e6);
        perPressure = kiln.Thinness / kiln.MostPressure;
        airNeeded = kiln.Fuel.AirNeeded;
    }

    /// <summary>Fuel a setting lets in, kg/s.</summary>
    public double Fuel(in BurnerSetting setting) => setting.Lit * fullFuel * Math.Sqrt(perPressure * setting.Pressure);

    /// <summary>What goes through at a setting with the chamber at a temperature, °C.</summary>
    public Breath At(in BurnerSetting setting, double chamber)
    {
        var fuel = Fuel(setting);
        var gasTemperature = room + warmth * (chamber + (fuel > 0 ? FlameWarmth : 0) - room);
        var gasDensity = airDensity * (room + 273) / (gasTemperature + 273);
        var draft = Gravity * height * (airDensity - gasDensity);
        var flueArea = flue * (ShutFlue + (1 - ShutFlue) * setting.Damper);
        var (outward, inward) = (Resistance(gasDensity, flueArea), Resistance(airDensity, setting.IsClosedUp ? inlets * ShutInlets : inlets));
        var primary = PrimaryShare * airNeeded * fuel;
        var through = primary + fuel;
        var left = outward * through * through - draft;
        if (left >= 0)
            return new Breath(fuel, primary, fuel > 0 ? PrimaryShare : double.PositiveInfinity, left, flueArea);
        var both = inward + outward;
        var secondary = (-outward * through + Math.Sqrt(outward * outward * through * through - both * left)) / both;
        var air = primary + secondary;
        return new Breath(fuel, air, fuel > 0 ? air / (airNeeded * fuel) : double.PositiveInfinity, -inward * secondary * secondary, flueArea);
    }

    /// <summary>Pa for the square of kg/s.</summary>
    private static double Resistance(double density, double area)
    {
        var effective = Discharge * area;
        return 1 / (2 * density * effective * effective);
    }
}
