using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Kilns;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>What a kiln had taught when a firing was started in it: its display, and how sure its power and loss are.</summary>
/// <param name="Offset">To be added to the display at the goal, K; nothing where no pack was ever read.</param>
/// <param name="OffsetSd">How sure, K.</param>
/// <param name="PowerSd">Standard deviation of ln of its power; 0 where no log was learned from.</param>
/// <param name="LossSd">Of ln of its walls' conductivity.</param>
public sealed record KilnTaught(double? Offset, double OffsetSd, double PowerSd = 0, double LossSd = 0)
{
    /// <summary>
    /// What an observer starts from; nothing where only the stored numbers are known. The kiln it runs with carries the learned factors already.
    /// </summary>
    /// <param name="load">What stands in it: its heat is never learned, only weighed.</param>
    internal ObserverTuning? TuningFor(KilnLoad load) =>
        PowerSd > 0 ? new ObserverTuning(new KilnEstimate(0, 0, 0, Covariance.Of(PowerSd, load.HeatUnsure, LossSd))) : null;
}
