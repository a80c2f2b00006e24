using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>
/// Hotter than a firing should ever be, in any kiln: over what the kiln may, or well over the hottest target. Source: the project's alarms.csv.
/// </summary>
public static class LimitAlarm
{
    // Over the hottest target there is room for a controller that swings; and it is over when it is so much under again.
    private const double AboveTarget = 15;
    private const double Under = 5;

    /// <summary>Where it rings, °C.</summary>
    public static double Of(Temperature kiln, FiringProgram program) => Math.Min(kiln.Celsius, program.Steps.Max(s => s.Target?.Celsius ?? 0) + AboveTarget);

    /// <summary>Looks whether it is.</summary>
    /// <param name="board">Where it is told.</param>
    /// <param name="now">Minutes.</param>
    /// <param name="known">The chamber, °C; nothing where nothing is known.</param>
    /// <param name="limit">Where it rings, °C.</param>
    /// <param name="isFired">Burners or elements are not out for good.</param>
    /// <param name="after">Minutes it has to be so.</param>
    /// <param name="how">How it is known, where no thermometer says so.</param>
    internal static void Look(AlarmBoard board, double now, double? known, double limit, bool isFired = true, double after = 0, string how = "") =>
        board.Look(AlarmIds.OverLimit, AlarmWeight.Danger, now, known >= limit && isFired, !(known >= limit - Under), after, 0, () =>
            $"{how}{PowerAlarms.Whole(known ?? 0)} °C; the limit is {PowerAlarms.Whole(limit)} °C."
        );
}
