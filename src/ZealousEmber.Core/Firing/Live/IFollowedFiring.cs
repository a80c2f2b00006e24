using ZealousEmber.Core.Firing.Alarms;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>A firing as it is followed, whatever heats its kiln.</summary>
public interface IFollowedFiring
{
    /// <summary>Its alarms.</summary>
    AlarmBoard Board { get; }

    /// <summary>Minutes of the last thing that was read or seen; nothing before the first.</summary>
    double? LastAt { get; }

    /// <summary>A reading, later than those before it; false where it came too late to be followed.</summary>
    bool Add(FiringSample sample);

    /// <summary>Somebody looked for steam.</summary>
    /// <param name="now">Minutes.</param>
    /// <param name="isDry">Nothing on the mirror.</param>
    /// <param name="extendBy">At "steam": minutes the block goes on.</param>
    /// <param name="by">Who.</param>
    void Looked(double now, bool isDry, double extendBy, string by);

    /// <summary>Somebody switched it off for good.</summary>
    void SwitchOff(double now);

    /// <summary>The firing now.</summary>
    /// <param name="now">Minutes since the start.</param>
    /// <param name="withForecast">Whether it is looked ahead anew.</param>
    LiveReport Report(double now, bool withForecast = true);

    /// <summary>What somebody has to do next.</summary>
    NextThing? Next(LiveReport report);

    /// <summary>How to go on after a cut; nothing where there was none.</summary>
    ResumePlan? Resume(LiveReport report);
}
