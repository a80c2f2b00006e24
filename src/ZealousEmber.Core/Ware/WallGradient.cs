using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>
/// How far the middle of a wall lags behind its faces on a steady climb or fall: ΔT = r·L²/(2α), L half the wall, α = 5e-7 m²/s.
/// What matters is that a piece is through a size change as a whole: quartz at 573 °C, up and down; cristobalite near 226 °C.
/// Source: the project's paper on what ware can stand.
/// </summary>
public static class WallGradient
{
    /// <summary>Up to here it is fine, K.</summary>
    public const double Fine = 5;

    /// <summary>Up to here it is worth a look; above, slow down. K.</summary>
    public const double Look = 10;

    /// <summary>Flat ware wider than this heats from its rim and gets half the rate, mm.</summary>
    public const double Wide = 250;

    /// <summary>Where quartz changes, with room either side.</summary>
    public static readonly (Temperature From, Temperature To) Quartz = (Temperature.FromCelsius(540), Temperature.FromCelsius(610));

    /// <summary>Where cristobalite changes on the way down.</summary>
    public static readonly (Temperature From, Temperature To) Cristobalite = (Temperature.FromCelsius(200), Temperature.FromCelsius(250));

    private const double Diffusivity = 5e-7;

    /// <summary>The difference in a wall, K, at a rate without its sign; doubled for wide flat ware, which comes to the same as half the rate.</summary>
    /// <param name="wall">mm.</param>
    /// <param name="wide">Flat and wider than <see cref="Wide"/>.</param>
    /// <param name="rate">Of the kiln.</param>
    public static TemperatureDifference In(double wall, bool wide, Rate rate)
    {
        var half = wall / 2000;
        return TemperatureDifference.FromKelvins((wide ? 2 : 1) * Math.Abs(rate.KelvinsPerHour) / 3600 * half * half / (2 * Diffusivity));
    }

    /// <summary>The fastest rate that keeps a wall within a difference.</summary>
    public static Rate Fastest(double wall, bool wide, double within = Fine)
    {
        var half = wall / 2000;
        return Rate.PerHour(3600 * 2 * Diffusivity * within / (half * half) / (wide ? 2 : 1));
    }
}
