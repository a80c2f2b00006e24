using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>A firing that cannot be followed for now: what is read of it is shown, and nothing is said that nobody knows.</summary>
public sealed class UnfollowedFiring : IFollowedFiring
{
    private FiringSample? last;
    private double? endAt;

    /// <inheritdoc/>
    public AlarmBoard Board { get; } = new();

    /// <inheritdoc/>
    public double? LastAt => last?.Minutes;

    /// <inheritdoc/>
    public bool Add(FiringSample sample)
    {
        if (last is { } before && sample.Minutes <= before.Minutes)
            return false;
        last = sample;
        return true;
    }

    /// <inheritdoc/>
    public void Looked(double now, bool isDry, double extendBy, string by) { }

    /// <inheritdoc/>
    public void SwitchOff(double now) => endAt ??= now;

    /// <inheritdoc/>
    public LiveReport Report(double now, bool withForecast = true) =>
        new(
            now,
            last?.Celsius,
            last?.Celsius,
            0,
            LivePhase.Waiting,
            StepSource.Shadow,
            null,
            null,
            null,
            [],
            [],
            null,
            [],
            null,
            last?.Share,
            null,
            null,
            endAt,
            null,
            null,
            false
        );

    /// <inheritdoc/>
    public NextThing? Next(LiveReport report) => null;

    /// <inheritdoc/>
    public ResumePlan? Resume(LiveReport report) => null;
}
