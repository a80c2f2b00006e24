using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>How fast a kiln goes at a temperature.</summary>
/// <param name="At">The temperature.</param>
/// <param name="Rate">Always positive.</param>
public readonly record struct PaceAt(Temperature At, Rate Rate)
{
    /// <summary>The pace at the nearest temperature it is known at; nothing when none is known.</summary>
    public static Rate? Nearest(ImmutableArray<PaceAt> paces, Temperature at) => paces.IsEmpty ? null : paces.MinBy(p => (p.At - at).Abs().Kelvins).Rate;
}

/// <summary>How fast a kiln climbs at full power and falls by itself with a load, and how hot it gets with it.</summary>
/// <param name="Climb">At full power from cold, every 50 °C, as far as it gets.</param>
/// <param name="Fall">With the power off after a usual glaze firing, hottest first.</param>
/// <param name="Hottest">How hot it gets at best, or its maker's limit where that is lower.</param>
public sealed record KilnPowers(ImmutableArray<PaceAt> Climb, ImmutableArray<PaceAt> Fall, Temperature Hottest)
{
    /// <summary>Works them out; two runs of the simulation.</summary>
    public static KilnPowers Of(Kiln kiln, KilnLoad load)
    {
        var (climb, hottest) = KilnPortrait.FullPower(kiln, load);
        return new KilnPowers(climb, KilnPortrait.Falling(kiln, KilnPortrait.UsualGlaze(kiln, load)), hottest);
    }
}

/// <summary>A usual firing on this kiln.</summary>
/// <param name="Kind">Bisque or glaze.</param>
/// <param name="Line">The schedule taken, in shorthand.</param>
/// <param name="Run">What the kiln makes of it.</param>
public sealed record UsualFiring(ScheduleKind Kind, string Line, KilnRun Run);

/// <summary>What a kiln can do, at a glance: how fast it climbs and falls at each temperature with a usual glaze load, and what the usual firings take.</summary>
/// <param name="Climb">At full power from cold, every 50 °C, as far as it gets.</param>
/// <param name="Fall">With the power off after a usual glaze firing, hottest first.</param>
/// <param name="Hottest">How hot it gets at best, or its maker's limit where that is lower.</param>
/// <param name="Usual">A bisque and a glaze firing, full.</param>
public sealed record KilnPortrait(ImmutableArray<PaceAt> Climb, ImmutableArray<PaceAt> Fall, Temperature Hottest, ImmutableArray<UsualFiring> Usual)
{
    private const string BisqueLine = "60/h to 120 hold 2h; 100/h to 600; 130/h to 1000 hold 10m; off";
    private const string GlazeLine = "100/h to 200; 200/h to 1120; 60/h to 1222 hold 10m; off";
    private const double Every = 50;
    private const double Around = 20;

    /// <summary>Works it out; a few runs of the model.</summary>
    public static KilnPortrait Of(Kiln kiln)
    {
        var glaze = FiringOf(kiln, ScheduleKind.Glaze, GlazeLine, kiln.UsualLoad(ScheduleKind.Glaze));
        var (climb, hottest) = FullPower(kiln, kiln.UsualLoad(ScheduleKind.Glaze));
        return new KilnPortrait(climb, Falling(kiln, glaze.Run), hottest, [FiringOf(kiln, ScheduleKind.Bisque, BisqueLine, kiln.UsualLoad(ScheduleKind.Bisque)), glaze]);
    }

    /// <summary>A usual glaze firing with a load of one's own.</summary>
    internal static KilnRun UsualGlaze(Kiln kiln, KilnLoad load) => Run(kiln, GlazeLine, load);

    internal static (ImmutableArray<PaceAt> Climb, Temperature Hottest) FullPower(Kiln kiln, KilnLoad load)
    {
        var full = Run(kiln, FormattableString.Invariant($"full to {kiln.TopLimit.Celsius:0.###}"), load);
        var hottest = full.Stall?.At ?? kiln.TopLimit;
        return (Paces(full.Compiled.Curve.Points, 100, hottest.Celsius, 1), hottest);
    }

    internal static ImmutableArray<PaceAt> Falling(Kiln kiln, KilnRun glaze) =>
        [.. Paces(glaze.Compiled.Curve.Points, Math.Ceiling((kiln.Opens.Celsius + Around) / Every) * Every, glaze.Compiled.Curve.Peak.Celsius - Every, -1).Reverse()];

    private static UsualFiring FiringOf(Kiln kiln, ScheduleKind kind, string line, KilnLoad load) => new(kind, line, Run(kiln, line, load));

    /// <summary>When a run is down to a temperature after its last hold; nothing when it never was hotter.</summary>
    public static Duration? CoolingTo(KilnRun run, Temperature to) =>
        run.Compiled.Curve.LastFallThrough(to) - run.Compiled.Powered;

    private static KilnRun Run(Kiln kiln, string line, KilnLoad load) =>
        KilnRunner.Run(FiringProgram.Create(NotationReader.Read(line, TemperatureUnit.Celsius).Segments).Value, kiln.Room, kiln, load).Value;

    /// <summary>The slope around each temperature, on the way up (sign 1) or down (−1), from one pass over the curve.</summary>
    private static ImmutableArray<PaceAt> Paces(ReadOnlySpan<CurvePoint> points, double from, double to, int sign)
    {
        var curve = new Curve(points.ToArray());
        var paces = ImmutableArray.CreateBuilder<PaceAt>();
        for (var t = from; t <= to - Around; t += Every)
        {
            var (low, high) = (Temperature.FromCelsius(t - Around), Temperature.FromCelsius(t + Around));
            var span = sign > 0 ? curve.FirstRiseThrough(high) - curve.FirstRiseThrough(low) : curve.LastFallThrough(low) - curve.LastFallThrough(high);
            if (span is { } time && time > Duration.Zero) paces.Add(new PaceAt(Temperature.FromCelsius(t), (high - low) / time));
        }
        return paces.ToImmutable();
    }
}
