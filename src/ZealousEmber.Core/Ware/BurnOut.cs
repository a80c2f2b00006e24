using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>
/// Time carbon and sulphur need with air between 650 and 950 °C (or the top, if that is less) in a first firing: 1.5 h for walls to 6 mm, 3 h at 12, 5 h at 20
/// and up, in
/// straight lines between; half as much again for dark, iron-bearing or recycled clay and for a packed kiln.
/// Source: the project's paper on what ware can stand.
/// </summary>
public static class BurnOut
{
    /// <summary>Lower end.</summary>
    public static readonly Temperature From = Temperature.FromCelsius(650);

    /// <summary>Upper end.</summary>
    public static readonly Temperature To = Temperature.FromCelsius(950);

    private const double Slower = 1.5;

    /// <summary>Hours a wall needs.</summary>
    /// <param name="wall">mm.</param>
    /// <param name="slowClay">Dark, iron-bearing or recycled clay.</param>
    /// <param name="packed">A kiln with little air between the ware.</param>
    public static Duration Needed(double wall, bool slowClay, bool packed)
    {
        var hours =
            wall <= 6 ? 1.5
            : wall <= 12 ? 1.5 + 1.5 * (wall - 6) / 6
            : wall <= 20 ? 3 + 2 * (wall - 12) / 8
            : 5;
        return Duration.FromHours(hours * (slowClay ? Slower : 1) * (packed ? Slower : 1));
    }

    /// <summary>Upper end in a firing with this top.</summary>
    public static Temperature UpTo(Temperature top) => top < To ? top : To;

    /// <summary>What a curve gives, up to the end of its top; nothing on the way down pays for it.</summary>
    public static Duration Given(Curve curve) => curve.TimeBetween(From, UpTo(curve.Peak)).Before;
}
