using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>What to make of a reading.</summary>
public enum ReadingVerdict
{
    /// <summary>As a kiln can be.</summary>
    Good,

    /// <summary>Impossible, or none: not counted.</summary>
    Dropped,
}

/// <summary>Tells readings no kiln can give from those it can, and a lost thermocouple from a spike. Source: the project's list of alarms.</summary>
internal sealed class ThermocoupleWatch(AlarmBoard board, double room)
{
    private const double Beyond = 1390;
    private const double MostUp = 10;
    private const double MostDown = 12;
    private const double DownPerMinute = 30;
    private const double PowerMargin = 1.3;
    private const double Together = 20;
    private const double Expected = 40;
    private const int BackAfter = 5;
    private const int Suspicious = 3;

    private readonly List<FiringSample> good = [];
    private readonly List<FiringSample> suspects = [];
    private int back;

    /// <summary>The thermocouple cannot be believed; the model carries on.</summary>
    public bool IsLost { get; private set; }

    /// <summary>Looks at a reading.</summary>
    /// <param name="sample">As it came.</param>
    /// <param name="mostPerMinute">What full power alone gives the chamber, K/min.</param>
    /// <param name="expected">What the model would show now, while the thermocouple is lost.</param>
    public ReadingVerdict Take(FiringSample sample, double mostPerMinute, double? expected)
    {
        var now = sample.Minutes;
        var none = sample.Celsius is not { } shown || shown > Beyond;
        board.Look(AlarmIds.TcBroken, AlarmWeight.Danger, now, none, !none, 0.5, 2, () =>
            sample.Celsius is { } v ? $"It shows {Phrases.Number(v)} °C." : "It shows no value."
        );
        if (none)
        {
            IsLost |= board.IsOn(AlarmIds.TcBroken);
            return ReadingVerdict.Dropped;
        }
        if (IsLost)
            return Lost(sample, expected);
        if (sample.ByHand || good.Count < BackAfter || IsPossible(sample, mostPerMinute))
        {
            suspects.Clear();
            good.Add(sample);
            if (good.Count > BackAfter)
                good.RemoveAt(0);
            return ReadingVerdict.Good;
        }
        suspects.Add(sample);
        // As few as tell: three, and those of the last minute where they come faster.
        while (suspects.Count > Suspicious && suspects[1].Minutes <= now - 1 + 1e-6)
            suspects.RemoveAt(0);
        if (
            suspects.Count >= Suspicious
            && suspects[^1].Minutes - suspects[0].Minutes >= 1 - 1e-6
            && suspects.Max(s => s.Celsius) - suspects.Min(s => s.Celsius) <= Together
        )
            Jumped(sample);
        return ReadingVerdict.Dropped;
    }

    private void Jumped(FiringSample sample)
    {
        var before = Median;
        var isShort = sample.Celsius < room + 45 && before > room + 100;
        board.Look(isShort ? AlarmIds.TcShort : AlarmIds.TcJump, AlarmWeight.Danger, sample.Minutes, true, false, 0, 0, () =>
            $"From {Phrases.Number(Math.Round(before))} to {Phrases.Number(Math.Round(sample.Celsius!.Value))} °C."
        );
        (IsLost, back) = (true, 0);
        suspects.Clear();
    }

    private ReadingVerdict Lost(FiringSample sample, double? expected)
    {
        var near = expected is { } e && Math.Abs(sample.Celsius!.Value - e) <= Expected;
        back = near ? back + 1 : 0;
        if (back < BackAfter || board.IsOn(AlarmIds.TcBroken))
            return ReadingVerdict.Dropped;
        board.End(AlarmIds.TcJump, sample.Minutes);
        board.End(AlarmIds.TcShort, sample.Minutes);
        (IsLost, back) = (false, 0);
        good.Clear();
        good.Add(sample);
        return ReadingVerdict.Good;
    }

    private double Median => good.Select(s => s.Celsius!.Value).Order().ElementAt(good.Count / 2);

    private bool IsPossible(FiringSample sample, double mostPerMinute)
    {
        var since = sample.Minutes - good[good.Count / 2].Minutes;
        var change = sample.Celsius!.Value - Median;
        return change <= MostUp + PowerMargin * mostPerMinute * since && change >= -MostDown - DownPerMinute * since;
    }
}
