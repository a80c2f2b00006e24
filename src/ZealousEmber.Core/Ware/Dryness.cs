using System.Globalization;

namespace ZealousEmber.Core.Ware;

/// <summary>How dry ware is when it goes in; of bisqued ware, how wet its fresh glaze still is.</summary>
public enum Dryness
{
    /// <summary>Room warm on the cheek; 1 % water.</summary>
    BoneDry,

    /// <summary>Still cool on the cheek; 3 %.</summary>
    CoolToTouch,

    /// <summary>Darker, dents hardly; 6 %.</summary>
    Damp,

    /// <summary>Can be carved; 15 %. Not fired, only dried.</summary>
    LeatherHard,
}

/// <summary>Water in ware, % of its dry mass.</summary>
public static class Moisture
{
    /// <summary>Least of ware glazed raw: the glaze brought it.</summary>
    public const double RawGlazed = 3;

    /// <summary>Above this the middle of a wall still shrinks as it dries.</summary>
    public const double Shrinks = 8;

    /// <summary>Water when it goes in, %.</summary>
    public static double Of(Dryness dryness) =>
        dryness switch
        {
            Dryness.BoneDry => 1,
            Dryness.CoolToTouch => 3,
            Dryness.Damp => 6,
            _ => 15,
        };

    /// <summary>"bone dry".</summary>
    public static string Format(Dryness dryness) =>
        dryness switch
        {
            Dryness.BoneDry => "bone dry",
            Dryness.CoolToTouch => "cool to the touch",
            Dryness.Damp => "damp",
            _ => "leather hard",
        };

    internal static string Percent(double water) => string.Create(CultureInfo.InvariantCulture, $"{Math.Round(water, 1)} %");
}
