namespace ZealousEmber.Core.Firing.Readings;

/// <summary>The readings of a minute as one: their mean, from three on without the highest and the lowest.</summary>
/// <param name="Minutes">Mean of their times, since the start.</param>
/// <param name="Celsius">Of the display.</param>
/// <param name="Count">How many stand behind it.</param>
/// <param name="Share">Mean power share, where it is known.</param>
/// <param name="SetPoint">The last one told.</param>
/// <param name="ByHand">Read off by somebody.</param>
public readonly record struct MinuteMean(double Minutes, double Celsius, int Count, double? Share, double? SetPoint, bool ByHand)
{
    /// <summary>Of one or more readings with values.</summary>
    internal static MinuteMean Of(IReadOnlyList<FiringSample> samples)
    {
        double low = double.MaxValue,
            high = double.MinValue,
            sum = 0,
            minutes = 0,
            shares = 0;
        var shared = 0;
        double? asked = null;
        var hand = true;
        foreach (var sample in samples)
        {
            var value = sample.Celsius!.Value;
            (low, high) = (Math.Min(low, value), Math.Max(high, value));
            sum += value;
            minutes += sample.Minutes;
            hand &= sample.ByHand;
            asked = sample.SetPoint ?? asked;
            if (sample.Share is not { } share)
                continue;
            shares += share;
            shared++;
        }
        var n = samples.Count;
        // The time is that of all of them: which is left out is a matter of noise.
        var mean = n >= 3 ? (sum - low - high) / (n - 2) : sum / n;
        return new MinuteMean(minutes / n, mean, n, shared > 0 ? shares / shared : null, asked, hand);
    }
}
