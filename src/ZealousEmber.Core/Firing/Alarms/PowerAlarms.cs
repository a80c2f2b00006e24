using ZealousEmber.Core.Firing.Observation;

namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>
/// The alarms that compare what the kiln does with what it is asked and what it can: looked at every minute. Conditions and times are those of the
/// project's list of alarms, with the false alarms and delays they were tried at.
/// </summary>
internal sealed class PowerAlarms(AlarmBoard board)
{
    private const double SilenceMinutes = 30;
    private const double ReversedUntil = 93;

    // Implied by the slope: so much of its power is surely drawn.
    private const double Drawn = 0.3;

    private double silentUntil = double.NegativeInfinity;
    private double noShareSince = double.NaN;

    /// <summary>The lid was just open: what follows from it is not told again.</summary>
    public bool IsSilent(double now) => now < silentUntil;

    /// <summary>Looks at a minute.</summary>
    public void Look(in MinuteFacts f)
    {
        var facts = f;
        LookAtThermocouple(facts);
        // A thermocouple the wrong way round says nothing of the kiln.
        if (board.IsOn(AlarmIds.TcReversed) || IsReversed(facts))
            return;
        LookAtLid(facts);
        LookAtRelay(facts);
        LookAtSetPoint(facts);
        LookAtStall(facts);
    }

    private void LookAtThermocouple(MinuteFacts f)
    {
        board.Look(AlarmIds.TcReversed, AlarmWeight.Danger, f.Now, IsReversed(f), f.Shown > f.First, 3, 0, () =>
            $"From {Whole(f.First)} to {Whole(f.Shown)} °C while it heats."
        );
        board.Look(AlarmIds.Frozen, AlarmWeight.Warn, f.Now, f.SameFor >= 10 && f.DueMeanwhile > 15, f.SameFor < 1, 0, 0, () =>
            $"{Whole(f.Shown)} °C for {Whole(f.SameFor)} min."
        );
    }

    private static bool IsReversed(MinuteFacts f) =>
        f.Now <= ReversedUntil
        && (f.Shown < -30 || ((f.Share is { } share ? share > 0.15 : f.Phase == LivePhase.Climb) && f.Shown < f.First - 4 && f.R10 < -3));

    private void LookAtSetPoint(MinuteFacts f)
    {
        var over = f.SetPoint is { } set && f.IsHeating ? f.Shown - set : double.NegativeInfinity;
        board.Look(AlarmIds.OverSetPoint, over > 25 ? AlarmWeight.Danger : AlarmWeight.Warn, f.Now, over > 12 && f.R10 > -20, over < 6, 3, 3, () =>
            $"{Whole(f.Shown)} °C, {Whole(over)} above what is asked."
        );
    }

    private void LookAtRelay(MinuteFacts f)
    {
        var (implied, sigma) = (f.Implied, f.SigmaShare);
        var tooMuch = f.Told is { } told && implied - told > 0.4 + 2 * sigma;
        var runsAway =
            f.IsHeating
            && f.SetPoint is { } set
            && f.Shown > set + 8
            && !double.IsInfinity(f.AskedRate)
            && f.R5 > f.AskedRate + 25 + 2 * f.SigmaSlope
            && f.Share < 0.3;
        board.Look(
            AlarmIds.StuckOn,
            AlarmWeight.Danger,
            f.Now,
            !IsSilent(f.Now) && (tooMuch || runsAway),
            f.Told is { } less && implied - less < 0.15 && !runsAway,
            4,
            3,
            () => $"It heats as with {Percent(implied)} of its power; asked for: {Percent(f.Told ?? 0)}."
        );
        noShareSince =
            f.Share < 0.005
                ? double.IsNaN(noShareSince)
                    ? f.Now
                    : noShareSince
                : double.NaN;
        var lacks = f.Told is { } asked && asked - implied > 0.3 + sigma && implied < 0.15 && f.R5 < 0;
        var nothing = f.Now - noShareSince >= 4 && f.SetPoint is { } wanted && f.Shown < wanted - 5;
        // Without a share to go by, what climbs again has power again.
        var back = !nothing && ((f.Told is { } given && given - implied < 0.2) || (f.Share is null && f.R5 > 0 && implied > Drawn));
        board.Look(
            AlarmIds.NoHeat,
            AlarmWeight.Warn,
            f.Now,
            f.IsHeating && !IsSilent(f.Now) && !board.Active.Any(a => a.Id is AlarmIds.FallsFast or AlarmIds.StuckOn) && (lacks || nothing),
            back || !f.IsHeating,
            4,
            3,
            () =>
                nothing
                    ? $"No power for {Whole(f.Now - noShareSince)} min, {Whole(f.SetPoint!.Value - f.Shown)} °C behind."
                    : $"Asked for {Percent(f.Told ?? 0)} of its power; it cools as with {Percent(Math.Max(0, implied))}."
        );
    }

    private void LookAtLid(MinuteFacts f)
    {
        var falls = f.R5 < -80 && f.R5 < f.NoPower - Math.Max(60, 0.5 * Math.Abs(f.NoPower)) - 3 * f.SigmaSlope;
        board.Look(AlarmIds.FallsFast, AlarmWeight.Danger, f.Now, falls, f.R5 > f.NoPower - 40 - 0.3 * Math.Abs(f.NoPower), 2, 3, () =>
            $"{Whole(-f.R5)} °C/h; closed and off it would fall {Whole(Math.Max(0, -f.NoPower))}."
        );
        if (falls || board.IsOn(AlarmIds.FallsFast))
            silentUntil = f.Now + SilenceMinutes;
    }

    private void LookAtStall(MinuteFacts f)
    {
        var full = f.Share30 is { } share ? share > 0.95 : f.IsFullInferred;
        var stalled =
            f.Phase == LivePhase.Climb
            && f.Now > 60
            && full
            && f.R30 < 4
            && f.Shown < f.Goal - 4
            && f.SameFor < 10
            && (f.Share30 is not null || f.Implied > Drawn)
            && !board.IsOn(AlarmIds.NoHeat)
            && !board.IsOn(AlarmIds.FallsFast);
        board.Look(AlarmIds.Stalled, AlarmWeight.Warn, f.Now, stalled, f.R30 > 8 || f.Phase != LivePhase.Climb, 5, 5, () =>
            $"{Phrases.Number(Math.Round(f.R30 ?? 0, 1))} °C/h at full power, {Whole(f.Goal - f.Shown)} °C under its target."
        );
    }

    internal static string Whole(double value) => Phrases.Number(Math.Round(value));

    private static string Percent(double share) => $"{Math.Round(Math.Clamp(share, 0, 1.5) * 100)} %";
}
