using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>How a firing ended, as its log tells.</summary>
public static class FiringEnd
{
    private const double Full = 0.95;
    private const double LastMinutes = 60;

    /// <summary>Whether it was switched off before its end after an hour at full power: it was not getting there. False where the log has no power.</summary>
    /// <param name="samples">In the order of time.</param>
    /// <param name="stopped">When it was switched off, minutes since its start.</param>
    public static bool GaveUp(IReadOnlyList<FiringSample> samples, double stopped)
    {
        var last = LogCurve.Shares(samples).Where(s => s.FromMinute >= stopped - LastMinutes && s.FromMinute + s.Minutes <= stopped).ToList();
        return last.Count > 0 && last.Sum(s => s.Share * s.Minutes) / last.Sum(s => s.Minutes) >= Full;
    }
}
