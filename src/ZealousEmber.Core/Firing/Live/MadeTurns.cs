using System.Collections.Immutable;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>
/// Which rows of a sheet were made. No row is ever passed over by a tap: a turn makes the row it is the setting of, at most ten minutes early; another setting
/// answers what was due by then, and leaves what is still to come. Source: the project's paper on fuel kilns.
/// </summary>
internal static class MadeTurns
{
    /// <summary>A turn made this long before its row is the row's, minutes.</summary>
    public const double Early = 10;

    private const double NearMark = 0.6;
    private const double NearDamper = 0.06;

    /// <summary>Index of the next row nobody has made; as many as there are rows when all are.</summary>
    public static int Due(ImmutableArray<PlannedTurn> rows, IEnumerable<FuelTurn> made, FuelKiln kiln)
    {
        var due = 0;
        foreach (var turn in made)
        {
            if (due < rows.Length)
                due = After(rows, due, turn, kiln);
        }
        return due;
    }

    private static int After(ImmutableArray<PlannedTurn> rows, int due, FuelTurn turn, FuelKiln kiln)
    {
        for (var i = due; i < rows.Length && rows[i].Minute <= turn.Minute + Early; i++)
        {
            if (IsIt(rows[i].Setting, turn.Setting, kiln))
                return i + 1;
        }
        // Shutting off is made by nothing else.
        while (due < rows.Length && rows[due].Kind != TurnKind.ShutOff && rows[due].Minute <= turn.Minute + 1e-6)
            due++;
        return due;
    }

    private static bool IsIt(BurnerSetting row, BurnerSetting made, FuelKiln kiln) =>
        row.Lit == made.Lit
        && (
            row.Lit == 0
            || row.Flame == made.Flame
                && Math.Abs(row.Damper - made.Damper) <= NearDamper
                && (row.Flame != Flame.Gauge || Math.Abs(row.Pressure - made.Pressure) <= NearMark * kiln.Mark)
        );

    /// <summary>The sheet once the goal cone is down: shut off now, or after the clean end that was planned.</summary>
    /// <param name="plan">As it was.</param>
    /// <param name="downAt">When the goal cone was seen down, minutes.</param>
    /// <returns>With its last rows moved; as it was where that end has begun.</returns>
    public static TurnPlan Ended(TurnPlan plan, double downAt)
    {
        if (plan.Turns.IsEmpty || plan.Turns[^1] is not { Kind: TurnKind.ShutOff } last || last.Minute <= downAt)
            return plan;
        var clean = Clean(plan.Turns);
        if (clean >= 0 && plan.Turns[clean].Minute <= downAt)
            return plan;
        var rows = plan.Turns.TakeWhile(t => t.Minute < downAt).ToImmutableArray();
        var end = downAt + (clean >= 0 ? last.Minute - plan.Turns[clean].Minute : 0);
        if (clean >= 0)
            rows = rows.Add(plan.Turns[clean] with { Minute = downAt, Kind = TurnKind.Turn });
        return plan with { Turns = rows.Add(last with { Minute = end }), Powered = NodaTime.Duration.FromMinutes(end) };
    }

    /// <summary>The first row of a clean end after reduction; −1 where none was planned.</summary>
    private static int Clean(ImmutableArray<PlannedTurn> rows)
    {
        var first = rows.Length - 1;
        while (first > 0 && rows[first - 1].Asked is not (Atmosphere.LightReduction or Atmosphere.HeavyReduction))
            first--;
        return first > 0 && first < rows.Length - 1 ? first : -1;
    }
}
