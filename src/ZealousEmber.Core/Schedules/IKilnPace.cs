using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Schedules;

/// <summary>
/// What a kiln does when left to itself: at full power, and with the power off. The only things a schedule
/// needs to know of a kiln to have a time; each kiln model answers them in its own way.
/// </summary>
public interface IKilnPace
{
    /// <summary>The coolest it gets by itself in any time worth waiting for.</summary>
    Temperature CoolsTo { get; }

    /// <summary>Where an "off" without a temperature ends: the kiln may be opened.</summary>
    Temperature Opens { get; }

    /// <summary>The climb at full power; points from 0 minutes at <paramref name="from"/> up to <paramref name="to"/>.</summary>
    IReadOnlyList<CurvePoint> Climb(Temperature from, Temperature to);

    /// <summary>
    /// The cooling with the power off, from 0 minutes at <paramref name="from"/> down to <paramref name="to"/>, or to <see cref="CoolsTo"/> when that is
    /// warmer.
    /// </summary>
    IReadOnlyList<CurvePoint> Cool(Temperature from, Temperature to);
}
