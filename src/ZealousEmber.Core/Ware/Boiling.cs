using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>When water boils: sooner the higher the kiln stands. Antoine's equation for water: log10 p/mmHg = 8.07131 − 1730.63 / (233.426 + T).</summary>
public static class Boiling
{
    private const double MillimetresPerPascal = 760.0 / 101_325;

    /// <summary>
    /// The boiling point at an altitude in metres, −430 … 5500: pressure of the standard atmosphere (ISO 2533), then Antoine.
    /// 0 m 100.0 °C, 1000 m 96.7, 2000 m 93.4.
    /// </summary>
    public static Temperature At(double metres)
    {
        var pascals = 101_325 * Math.Pow(1 - 2.25577e-5 * metres, 5.25588);
        return Temperature.FromCelsius(1730.63 / (8.07131 - Math.Log10(pascals * MillimetresPerPascal)) - 233.426);
    }

    /// <summary>Pressure of saturated steam, Pa; at the boiling point, that of the air.</summary>
    /// <param name="celsius">Between 0 and 250.</param>
    public static double Pressure(double celsius) => Math.Pow(10, 8.07131 - 1730.63 / (233.426 + celsius)) / MillimetresPerPascal;
}
