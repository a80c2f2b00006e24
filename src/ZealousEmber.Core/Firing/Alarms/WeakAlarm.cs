using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>
/// Less power than there should be: three heat balances in a row that tell less than the estimate of 40 minutes before, or an estimate that has
/// settled below the stored kiln. Looked at after every heat balance.
/// </summary>
internal sealed class WeakAlarm(AlarmBoard board)
{
    private const double Each = 0.10;
    private const double Mean = 0.17;
    private const double Below = -0.15;
    private const double Sure = 1.9;
    private const int RowsBefore = 6;

    private readonly List<(double Minutes, double LnPower, double Sd, double? Apparent)> rows = [];

    /// <summary>Looks at a heat balance.</summary>
    /// <param name="now">Minutes.</param>
    /// <param name="estimate">After it.</param>
    /// <param name="apparent">What it alone tells of the power; nothing where little power was on.</param>
    /// <param name="made">Balances made so far.</param>
    /// <param name="isPowered">The power is on.</param>
    /// <param name="isSilent">The lid was just open.</param>
    /// <returns>True when it was just seen that power was lost under way.</returns>
    public bool Look(double now, KilnEstimate estimate, double? apparent, int made, bool isPowered, bool isSilent)
    {
        rows.Add((now, estimate.LnPower, estimate.Covariance.Sd.Power, isSilent ? null : apparent));
        var lost = LostUnderWay(now);
        var (ln, sd) = (estimate.LnPower, estimate.Covariance.Sd.Power);
        var settled = made >= RowsBefore && ln + Sure * sd < Below;
        var was = board.IsOn(AlarmIds.Weak);
        board.Look(AlarmIds.Weak, AlarmWeight.Warn, now, isPowered && !isSilent && (lost || settled), !isPowered || (!lost && !settled), 0, 0, () =>
            lost
                ? $"It gives about {Math.Round(Math.Exp(rows[^1].Apparent ?? ln) * 100)} % of the power stored for it, less than 40 minutes ago."
                : $"It gives about {Math.Round(Math.Exp(ln) * 100)} ± {Math.Round(sd * 100)} % of the power stored for it."
        );
        return lost && !was;
    }

    private bool LostUnderWay(double now)
    {
        if (rows.Count < 8)
            return false;
        var sum = 0.0;
        for (var i = rows.Count - 3; i < rows.Count; i++)
        {
            var row = rows[i];
            var before = rows.FindLast(r => r.Minutes <= row.Minutes - 39);
            if (row.Apparent is not { } apparent || before.Minutes <= 0)
                return false;
            var under = before.LnPower - apparent;
            if (under <= Each)
                return false;
            sum += under;
        }
        return sum / 3 > Mean;
    }
}
