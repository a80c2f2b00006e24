using System.Collections.Immutable;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Turning;

/// <summary>How switches are turned so that the kiln follows a schedule.</summary>
/// <param name="Turns">In order; the first at minute 0.</param>
/// <param name="OffMinute">When all are turned off.</param>
/// <param name="Cutoff">The cone that switches off by itself, where there is a place for one and it fits the goal.</param>
/// <param name="TimerMinutes">What the timer is set to; nothing where there is none, or it is too short.</param>
/// <param name="Rms">Off the wanted curve, up to the off, K.</param>
/// <param name="Cone">The cone both are compared by.</param>
/// <param name="Wanted">Its progress at the end of the wanted top.</param>
/// <param name="Told">At the off.</param>
/// <param name="Late">Minutes after the wanted end of the top.</param>
/// <param name="MaxDegrees">The furthest off at one time, K.</param>
/// <param name="Share">Of the kiln's full power that comes, as far as readings tell; 1 without any.</param>
public sealed record DialPlan(
    ImmutableArray<DialTurn> Turns,
    double OffMinute,
    string? Cutoff,
    double? TimerMinutes,
    double Rms,
    Cone Cone,
    double Wanted,
    double Told,
    double Late,
    double MaxDegrees,
    double Share = 1
)
{
    // Beyond this a hand on the switch would do as well.
    private const double LoosestRms = 25;

    /// <summary>The same to be followed in a firing.</summary>
    public DialCourse Course(Dials dials) =>
        new([.. dials.Sections.Select(s => s.Name)], [.. dials.Positions.Select(p => p.Word)], Turns, OffMinute, Share, Cutoff, TimerMinutes);

    /// <summary>How well it comes to what is wanted, and why where it does not.</summary>
    /// <param name="wanted">The program that was asked for; its cooling is not the switches' to give.</param>
    public (Fits Fits, string Why) Verdict(FiringProgram wanted) =>
        wanted.Steps.Skip(wanted.TopStep + 1).Any(s => s.Pace.Kind != PaceKind.Natural) ? (Fits.No, "The cooling that was asked for is the kiln's own.")
        : Rms > LoosestRms ? (Fits.No, "It cannot be followed closely with these switches.")
        : (Fits.Nearly, "");
}
