namespace ZealousEmber.Core.Kilns.Thermal;

/// <summary>One layer of a kiln's wall. Its conductivity rises with temperature: k = k0 + k1·T, T in °C.</summary>
/// <param name="Thickness">Metres, 0.01 … 0.5.</param>
/// <param name="Conductivity0">At 0 °C, W/(m K).</param>
/// <param name="Conductivity1">Rise with temperature, W/(m K) per K.</param>
/// <param name="Density">kg/m³.</param>
/// <param name="HeatCapacity">J/(kg K).</param>
public sealed record WallLayer(double Thickness, double Conductivity0, double Conductivity1, double Density, double HeatCapacity)
{
    /// <summary>Insulating firebrick of the usual weight; values of the kiln model paper.</summary>
    public static WallLayer StandardBrick(double thickness) => new(thickness, 0.10, 1.6e-4, 500, 1000);

    /// <summary>A lighter brick, as small kilns have; values of the kiln model paper.</summary>
    public static WallLayer LightBrick(double thickness) => new(thickness, 0.095, 0.9e-4, 480, 1000);

    /// <summary>Ceramic fibre behind the brick; values of the kiln model paper.</summary>
    public static WallLayer Fibre(double thickness) => new(thickness, 0.06, 2e-4, 150, 1050);
}

/// <summary>What the hot face is made of.</summary>
public enum Brick
{
    /// <summary>Insulating firebrick of the usual weight.</summary>
    Standard,

    /// <summary>A lighter, better insulating brick.</summary>
    Light,
}
