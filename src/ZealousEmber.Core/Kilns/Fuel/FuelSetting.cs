namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>What a setting does at one temperature.</summary>
/// <param name="Breath">What goes through.</param>
/// <param name="Heat">Given to chamber and wall, W.</param>
/// <param name="FlameAtFlue">How far flame stands out of the flue, m.</param>
public sealed record FuelSetting(Breath Breath, double Heat, double FlameAtFlue)
{
    /// <summary>Looks at a kiln at a setting, its chamber at a temperature, °C.</summary>
    public static FuelSetting Of(FuelKiln kiln, BurnerSetting setting, double celsius)
    {
        var simulation = new FuelSimulation(kiln, KilnLoad.Empty, celsius);
        var breath = simulation.Air.At(setting, celsius);
        return new FuelSetting(breath, simulation.FlameHeatOf(breath), simulation.FlameAtFlue(breath));
    }
}
