using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>A usual firing on this kiln.</summary>
/// <param name="Kind">Bisque or glaze.</param>
/// <param name="Line">The schedule taken, in shorthand.</param>
/// <param name="Run">What the kiln makes of it.</param>
public sealed record UsualFiring(ScheduleKind Kind, string Line, KilnRun Run);

/// <summary>
/// What a kiln can do, at a glance: how fast it climbs and falls at each temperature with a usual glaze load, and what the usual firings take.
/// </summary>
/// <param name="Climb">At full power from cold, every 50 °C, as far as it gets.</param>
/// <param name="Fall">With the power off after a usual glaze firing, hottest first.</param>
/// <param name="Hottest">How hot it gets at best, or its maker's limit where that is lower.</param>
/// <param name="Usual">A bisque and a glaze firing, full.</param>
public sealed record KilnPortrait(ImmutableArray<PaceAt> Climb, ImmutableArray<PaceAt> Fall, Temperature Hottest, ImmutableArray<UsualFiring> Usual)
{
    private const string BisqueLine = "60/h to 120 hold 2h; 100/h to 600; 130/h to 1000 hold 10m; off";
    private const string GlazeLine = "100/h to 200; 200/h to 1120; 60/h to 1222 hold 10m; off";

    /// <summary>Works it out; a few runs of the model.</summary>
    public static KilnPortrait Of(Kiln kiln)
    {
        var glaze = FiringOf(kiln, ScheduleKind.Glaze, GlazeLine, kiln.UsualLoad(ScheduleKind.Glaze));
        var (climb, hottest) = FullPower(kiln, kiln.UsualLoad(ScheduleKind.Glaze));
        return new KilnPortrait(
            climb,
            KilnPowers.Falling(glaze.Run.Compiled.Curve, kiln.Opens),
            hottest,
            [FiringOf(kiln, ScheduleKind.Bisque, BisqueLine, kiln.UsualLoad(ScheduleKind.Bisque)), glaze]
        );
    }

    /// <summary>How fast it goes with a load of one's own; two runs of the simulation.</summary>
    internal static KilnPowers Powers(Kiln kiln, KilnLoad load)
    {
        var (climb, hottest) = FullPower(kiln, load);
        return new KilnPowers(climb, KilnPowers.Falling(Run(kiln, GlazeLine, load).Compiled.Curve, kiln.Opens), hottest);
    }

    internal static (ImmutableArray<PaceAt> Climb, Temperature Hottest) FullPower(Kiln kiln, KilnLoad load)
    {
        var full = Run(kiln, FormattableString.Invariant($"full to {kiln.TopLimit.Celsius:0.###}"), load);
        var hottest = full.Stall?.At ?? kiln.TopLimit;
        return (KilnPowers.Climbing(full.Compiled.Curve, hottest), hottest);
    }

    private static UsualFiring FiringOf(Kiln kiln, ScheduleKind kind, string line, KilnLoad load) => new(kind, line, Run(kiln, line, load));

    /// <summary>When a run is down to a temperature after its last hold; nothing when it never was hotter.</summary>
    public static Duration? CoolingTo(KilnRun run, Temperature to) => run.Compiled.Curve.LastFallThrough(to) - run.Compiled.Powered;

    private static KilnRun Run(Kiln kiln, string line, KilnLoad load) =>
        KilnRunner.Run(FiringProgram.Create(NotationReader.Read(line, TemperatureUnit.Celsius).Segments).Value, kiln.Room, kiln, load).Value;
}
