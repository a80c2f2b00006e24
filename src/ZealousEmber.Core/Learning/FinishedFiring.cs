using System.Collections.Immutable;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Learning;

/// <summary>A finished firing with its log.</summary>
/// <param name="Watched">What was fired, on which kiln.</param>
/// <param name="Samples">In the order of time; °C as shown.</param>
public sealed record FinishedFiring(WatchedFiring Watched, IReadOnlyList<FiringSample> Samples)
{
    private const int FewestSamples = 20;

    /// <summary>There is enough of a log to learn from.</summary>
    public bool HasLog => Samples.Count >= FewestSamples;

    /// <summary>Heat work along what the display showed, of every cone; gaps bridged as while it went on. Empty without a log.</summary>
    public ImmutableArray<double> Progress()
    {
        if (!HasLog)
            return [];
        var live = Follow(new LiveFiring(Watched with { Cones = [.. Cone.All], Offset = default }, ObserverTuning.Live));
        var report = live.Report(live.LastAt ?? 0, withForecast: false);
        return [.. report.Cones.Select(c => c.Progress.Value)];
    }

    /// <summary>What a log tells of the kiln, from what was known before; nothing where there is too little of it, or where it is of another program.</summary>
    /// <param name="tuning">What is known before, and how far balances are believed.</param>
    /// <param name="offset">What is to be added to the display to be true.</param>
    public KilnEstimate? Estimate(ObserverTuning tuning, DisplayOffset? offset = null)
    {
        if (!HasLog)
            return null;
        var live = Follow(new LiveFiring(Watched with { Cones = [] }, tuning), offset);
        // Without its power a log only tells of the kiln where it could not keep up with what was asked, and so only of the program that was really fired.
        var withPower = Samples.Count(s => s.Share is not null) * 2 > Samples.Count;
        if (!withPower && !live.FollowsProgram(Samples.Max(s => s.Celsius ?? 0)))
            return null;
        return live.Report(live.LastAt ?? 0, withForecast: false).Estimate;
    }

    private LiveFiring Follow(LiveFiring live, DisplayOffset? offset = null)
    {
        foreach (var sample in Samples)
        {
            live.ComeTo(sample.Minutes);
            live.Add(
                offset is null || sample.Celsius is not { } shown ? sample : sample with { Celsius = shown + offset.At(shown) * Math.Clamp(shown / 1000, 0, 1) }
            );
        }
        return live;
    }
}
