using System.Globalization;

namespace ZealousEmber.Core.Cones;

/// <summary>
/// How far a cone has bent, and how people say it. A slender cone set 8° off upright falls under its own weight, so
/// tan(φ/2) = tan 4° · exp(k·D) with k = ln(1/tan 4°): 8° at D = 0, 90° at D = 1, towards 180°.
/// </summary>
public static class ConeBend
{
    private static readonly double Tan4 = Math.Tan(4 * Math.PI / 180);
    private static readonly double K = -Math.Log(Tan4);

    /// <summary>Degrees of bend past which a cone is called flat.</summary>
    public const double Flat = 100;

    /// <summary>Bend in degrees, 8 … 180, of a progress of 0 or more.</summary>
    public static double Degrees(double progress) => 2 * Math.Atan(Tan4 * Math.Exp(K * Math.Min(progress, 100))) * 180 / Math.PI;

    /// <summary>The progress that bends so far; 0 for anything up to the 8° it was set at. Past 100° a bend says little.</summary>
    /// <param name="degrees">0 … 179.</param>
    public static double ProgressAt(double degrees) => degrees <= 8 ? 0 : Math.Log(Math.Tan(Math.Min(degrees, 179) * Math.PI / 360) / Tan4) / K;

    /// <summary>Hours past twelve the tip points to: 15° an hour, 6 when it is level with the base.</summary>
    public static double Clock(double degrees) => degrees / 15;

    /// <summary>Degrees of a clock reading; 12 to 12.99 is just past upright.</summary>
    /// <param name="hours">0 … 8, or 12 up to 13.</param>
    public static double DegreesAtClock(double hours) => (hours >= 12 ? hours - 12 : hours) * 15;

    /// <summary>"stands", "at 2 o'clock", "at half past 4", "down", "flat".</summary>
    public static string Phrase(double progress)
    {
        var degrees = Degrees(progress);
        if (degrees > Flat)
            return "flat";
        if (degrees < 18)
            return "stands";
        var halves = (int)Math.Round(Clock(degrees) * 2);
        if (halves >= 12)
            return "down, at 6 o’clock";
        var hour = halves / 2 == 0 ? 12 : halves / 2;
        return halves % 2 == 0
            ? string.Create(CultureInfo.InvariantCulture, $"at {hour} o’clock")
            : string.Create(CultureInfo.InvariantCulture, $"at half past {hour}");
    }
}
