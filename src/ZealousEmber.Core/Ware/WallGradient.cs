using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>Which limit of a wall is meant.</summary>
public enum WallRule
{
    /// <summary>Raw ware on its way up.</summary>
    Raw,

    /// <summary>Fired ware through a size change.</summary>
    FiredThrough,

    /// <summary>Fired ware climbing below quartz.</summary>
    FiredBelow,
}

/// <summary>
/// How far the middle of a wall lags behind its faces on a steady climb or fall: ΔT = r·L²/(2α), α = 5e-7 m²/s; and the middle of flat ware
/// behind its rim, since heat comes in sideways over its shelf: ΔT = r·W²/(16a). What matters is that a piece is through a size change as a
/// whole: quartz at 573 °C, cristobalite near 226 °C, and raw clay while its bound water leaves. Limits in °C/h; L and W in mm.
/// Source: the project's paper on what ware can stand.
/// </summary>
public static class WallGradient
{
    private const double Raw = 12_600;
    private const double Fired = 23_400;
    private const double FiredBelow = 46_800;
    private const double Flat = 170;
    private const double FlatWidth = 250;
    private const double FlatThrough = 18;

    /// <summary>What the middle of flat ware may lag behind its rim where nothing changes size, K.</summary>
    public const double FlatClimbing = 30;

    private const double PerSecond = 3600 * 2 * 5e-7 * 1e6;

    /// <summary>Where quartz changes, with room either side, °C.</summary>
    public static readonly (double From, double To) Quartz = (540, 610);

    /// <summary>Where cristobalite changes on the way down, °C.</summary>
    public static readonly (double From, double To) Cristobalite = (200, 250);

    /// <summary>Where a raw wall is spared on the way up: bound water, and quartz, °C.</summary>
    public static readonly (double From, double To) RawClimb = (120, 600);

    /// <summary>The fastest climb of raw ware between 120 and 600 °C.</summary>
    public static double RawUp(double depth) => Raw / (depth * depth);

    /// <summary>The fastest rate of fired ware through quartz either way, and through cristobalite on the way down.</summary>
    public static double FiredThrough(double depth) => Fired / (depth * depth);

    /// <summary>The fastest climb of fired ware below quartz.</summary>
    public static double FiredUp(double depth) => FiredBelow / (depth * depth);

    /// <summary>The fastest rate of flat ware through quartz either way and cristobalite down, raw and fired; without end for upright ware.</summary>
    public static double AcrossFlat(double? width) => width is { } w ? Flat * FlatWidth * FlatWidth / (w * w) : double.PositiveInfinity;

    /// <summary>The fastest climb of flat ware below quartz, where its middle may lag 30 K behind the rim; without end for upright ware.</summary>
    public static double AcrossFlatClimbing(double? width) => AcrossFlat(width) * FlatClimbing / FlatThrough;

    /// <summary>Through quartz or cristobalite, from the faces and from the rim.</summary>
    public static double Through(double depth, double? width, bool raw) => Math.Min(raw ? RawUp(depth) : FiredThrough(depth), AcrossFlat(width));

    /// <summary>How far the middle of a wall lags, K, at a rate without its sign.</summary>
    public static TemperatureDifference In(double depth, Rate rate) =>
        TemperatureDifference.FromKelvins(Math.Abs(rate.KelvinsPerHour) * depth * depth / PerSecond);
}
