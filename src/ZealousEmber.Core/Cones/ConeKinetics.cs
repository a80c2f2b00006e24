using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Cones;

/// <summary>
/// One thermally activated rate, dD/dt = exp(LnA − Theta/T) with T in kelvin and t in hours: D is 0 at the start and 1
/// when the tip is level with the base. The link between climb and end temperature is Kissinger's (Anal. Chem. 29, 1957, 1702).
/// </summary>
/// <param name="Theta">Activation energy over the gas constant, K.</param>
/// <param name="LnA">Natural logarithm of the frequency factor, per hour.</param>
public readonly record struct ConeKinetics(double Theta, double LnA)
{
    private const double Zero = 273.15;

    /// <summary>The room every reference climb starts from, °C.</summary>
    internal const double Room = 20;

    /// <summary>Pieces up to this difference are integrated by the trapezium rule (error under 1e-5 of the piece), K.</summary>
    private const double TrapeziumUpTo = 0.25;

    /// <summary>Pieces up to this difference are integrated by Simpson's rule (error under 1e-6 of the piece), longer ones exactly, K.</summary>
    private const double SimpsonUpTo = 5;

    /// <summary>Progress an hour at a temperature, °C.</summary>
    public double RateAt(double celsius) => Math.Exp(LnA - Theta / (celsius + Zero));

    /// <summary>Progress over a straight piece from one temperature to another, °C, taking so many hours.</summary>
    public double Over(double fromCelsius, double toCelsius, double hours) =>
        Math.Abs(toCelsius - fromCelsius) > SimpsonUpTo
            ? Math.Abs(Primitive(toCelsius) - Primitive(fromCelsius)) * hours / Math.Abs(toCelsius - fromCelsius)
            : Over(RateAt(fromCelsius), fromCelsius, toCelsius, RateAt(toCelsius), hours);

    /// <summary>The same for a short piece whose rates at both ends are known already.</summary>
    internal double Over(double rateFrom, double fromCelsius, double toCelsius, double rateTo, double hours) =>
        Math.Abs(toCelsius - fromCelsius) <= TrapeziumUpTo
            ? hours / 2 * (rateFrom + rateTo)
            : hours / 6 * (rateFrom + 4 * RateAt((fromCelsius + toCelsius) / 2) + rateTo);

    /// <summary>True when a piece is short enough for <see cref="Over(double, double, double, double, double)"/>.</summary>
    internal static bool IsShort(double fromCelsius, double toCelsius) => Math.Abs(toCelsius - fromCelsius) <= SimpsonUpTo;

    /// <summary>Where a steady climb from 20 °C reaches a progress, °C, to 1e-9 K.</summary>
    /// <param name="ratePerHour">°C/h, more than 0.</param>
    /// <param name="progress">More than 0; 1 is the cone's end point.</param>
    public double EndPoint(double ratePerHour, double progress = 1)
    {
        var kinetics = this;
        return Roots.Rising(celsius => (kinetics.Primitive(celsius) - kinetics.Primitive(Room)) / ratePerHour, progress, Room, 2000);
    }

    /// <summary>
    /// ∫ exp(LnA − Theta/T) dT from absolute zero: T·E₂(Theta/T)·A, E₂ by its continued fraction
    /// (Abramowitz and Stegun 5.1.22), which for arguments above 15 has settled to 1e-12 in sixteen terms.
    /// </summary>
    internal double Primitive(double celsius)
    {
        var kelvin = celsius + Zero;
        var x = Theta / kelvin;
        var tail = 0.0;
        for (var k = 16; k > 0; k--)
            tail = (k + 1) / (1 + k / (x + tail));
        return kelvin * Math.Exp(LnA - x) / (x + tail);
    }
}
