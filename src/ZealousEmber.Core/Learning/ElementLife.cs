using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Learning;

/// <summary>Whether it is time for other elements.</summary>
public enum ElementAdvice
{
    /// <summary>They have some way to go.</summary>
    Fine,

    /// <summary>Within ten firings, as they have been going.</summary>
    Soon,

    /// <summary>They no longer get there in good time.</summary>
    Change,
}

/// <summary>
/// When elements are worn: at its usual top a full kiln climbs at less than 30 °C/h, after a usual glaze firing's own climb. Source: the project's paper on the
/// firing day, section 6.
/// </summary>
public static class ElementLife
{
    /// <summary>A slower climb at the usual top is too slow, °C/h.</summary>
    public const double LeastClimb = 30;

    private const int FiringsAhead = 10;
    private const double Below = 4;
    private static readonly (double Least, double Most) Looked = (0.4, 1.3);

    /// <summary>Share of a kiln's stored power at which elements are worn for a top, 0.4 … 1.3, to 0.002.</summary>
    /// <param name="kiln">As it is known.</param>
    /// <param name="load">What usually stands in it.</param>
    /// <param name="top">What it is usually fired to.</param>
    public static double WornAt(Kiln kiln, KilnLoad load, Temperature top)
    {
        var (low, high) = Looked;
        while (high - low > 0.002)
        {
            var middle = (low + high) / 2;
            if (ClimbAt(kiln.Scaled(middle, 1, 1), load, top) < LeastClimb)
                low = middle;
            else
                high = middle;
        }
        return (low + high) / 2;
    }

    /// <summary>What to do: from the health of elements, how it goes down from one firing to the next, and where they are worn.</summary>
    /// <param name="power">Share of the stored power now.</param>
    /// <param name="worn">Share at which they are worn.</param>
    /// <param name="perFiring">What they lose in a firing, a share; 0 or less where they lose nothing.</param>
    public static ElementAdvice Of(double power, double worn, double perFiring) =>
        power < worn ? ElementAdvice.Change
        : power - Math.Max(0, perFiring) * FiringsAhead < worn ? ElementAdvice.Soon
        : ElementAdvice.Fine;

    /// <summary>How fast it climbs with all its power just below a top, °C/h; 0 where it does not get there.</summary>
    internal static double ClimbAt(Kiln kiln, KilnLoad load, Temperature top)
    {
        var line = FormattableString.Invariant($"100/h to 200; 200/h to {top.Celsius - 100:0}; 60/h to {top.Celsius - Below:0}; full to {top.Celsius:0}");
        var ran = KilnRunner.Run(
            FiringProgram.Create(NotationReader.Read(line, TemperatureUnit.Celsius).Segments).Value,
            kiln.Room,
            kiln,
            load,
            untilOpen: false
        );
        if (!ran.IsOk || ran.Value.Stall is not null)
            return 0;
        var last = ran.Value.Compiled.Segments[^1];
        return Below / (last.RampEnd - last.Start).TotalHours;
    }
}
