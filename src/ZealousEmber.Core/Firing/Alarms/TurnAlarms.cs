using ZealousEmber.Core.Kilns.Fuel;

namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>Where a fuel firing stands with its turns.</summary>
/// <param name="Plan">That is followed.</param>
/// <param name="Kiln">Which.</param>
/// <param name="Due">Index of the next row nobody has made.</param>
/// <param name="IsLit">Somebody has turned something.</param>
/// <param name="IsOff">The burners are out for good.</param>
/// <param name="IsDown">The goal cone is down.</param>
internal readonly record struct TurnsMade(TurnPlan Plan, FuelKiln Kiln, int Due, bool IsLit, bool IsOff, bool IsDown);

/// <summary>Turns that are due, overdue, or past the end of the sheet. Source: the project's alarms.csv and its paper on fuel kilns.</summary>
internal static class TurnAlarms
{
    private const double LongPast = 20;

    /// <summary>Looks at them.</summary>
    /// <param name="board">Where they are told.</param>
    /// <param name="now">Minutes.</param>
    /// <param name="made">Where it stands.</param>
    /// <param name="late">Minutes after which a turn that is due is overdue.</param>
    public static void Look(AlarmBoard board, double now, TurnsMade made, double late)
    {
        var due = made.Due < made.Plan.Turns.Length && !made.IsOff ? made.Plan.Turns[made.Due].Minute : double.PositiveInfinity;
        // Rung for the moment it was due, whenever that is found: each turn once.
        board.Look(AlarmIds.TurnDue, AlarmWeight.Ask, Math.Min(now, due), now >= due && made.IsLit, now < due, 0, 0, () => Asked(made));
        board.Look(AlarmIds.TurnOverdue, AlarmWeight.Warn, Math.Min(now, due + late), now - due >= late && made.IsLit, now - due < late, 0, 0, () =>
            $"Due {PowerAlarms.Whole(now - due)} min ago."
        );
        var end = made.Plan.Powered.TotalMinutes;
        board.Look(
            AlarmIds.PastEnd,
            AlarmWeight.Warn,
            Math.Min(now, end + LongPast),
            !made.IsOff && made.IsLit && now >= end + LongPast,
            made.IsOff || now < end + LongPast,
            0,
            0,
            () => $"The sheet ended {PowerAlarms.Whole(now - end)} min ago."
        );
    }

    /// <summary>A turn was made or left out: what rang for it is over, then and not before it rang.</summary>
    public static void Answered(AlarmBoard board, double minute)
    {
        foreach (var id in new[] { AlarmIds.TurnDue, AlarmIds.TurnOverdue })
            board.End(id, Math.Max(minute, board.All.LastOrDefault(a => a.Id == id)?.Since ?? minute));
    }

    private static string Asked(TurnsMade made)
    {
        var turn = made.Plan.Turns[made.Due];
        return turn.Kind != TurnKind.ShutOff ? $"{TurnWords.Setting(turn.Setting, made.Kiln)}."
            : made.IsDown ? "The goal cone is down: shut off in order."
            : "Shut off, when the cones say so.";
    }
}
