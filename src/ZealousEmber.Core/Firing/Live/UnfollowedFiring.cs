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
            At: now,
            Display: last?.Celsius,
            Chamber: last?.Celsius,
            Step: 0,
            Phase: LivePhase.Waiting,
            StepSource: StepSource.Shadow,
            SetPoint: null,
            Deviation: null,
            Progress: null,
            Cones: [],
            Gaps: [],
            Estimate: null,
            Alarms: [],
            Slope: null,
            Share: last?.Share,
            Forecast: null,
            TopAt: null,
            EndAt: endAt,
            HoldLeft: null,
            SteamAskedAt: null,
            SteamIsWanted: false
        );

    /// <inheritdoc/>
    public NextThing? Next(LiveReport report) => null;

    /// <inheritdoc/>
    public ResumePlan? Resume(LiveReport report) => null;
}
