using System.Collections.Immutable;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>How fast a setting climbs: the next half hour, come at 100 °C/h with a usual glaze load.</summary>
/// <param name="At">The chamber when it is set.</param>
/// <param name="Pressure">All burners, bar.</param>
/// <param name="Damper">For oxidising air, 0 … 1.</param>
/// <param name="PerHour">°C/h; less than none where it cools.</param>
public sealed record SettingClimb(Temperature At, double Pressure, double Damper, double PerHour);

/// <summary>A usual firing on this kiln, planned into turns.</summary>
/// <param name="Kind">Bisque or glaze.</param>
/// <param name="Line">The schedule taken, in shorthand.</param>
/// <param name="Plan">What the kiln makes of it.</param>
public sealed record UsualFuelFiring(ScheduleKind Kind, string Line, TurnPlan Plan);

/// <summary>How it cools after a usual glaze firing with the burners out.</summary>
/// <param name="Damper">How far it stays open, ports with it; 0 is closed up.</param>
/// <param name="Curve">The chamber, minutes since the burners went out, until it may be opened.</param>
public sealed record DamperCooling(double Damper, Curve Curve);

/// <summary>What a fuel kiln can do, at a glance.</summary>
/// <param name="Climbs">By setting and temperature, the table a potter has on the wall.</param>
/// <param name="Coolings">By the damper, closed up first.</param>
/// <param name="Powers">The fastest climb, the natural fall, the hottest it gets.</param>
/// <param name="Usual">A bisque and a cone 10 reduction glaze, full.</param>
public sealed record FuelPortrait(
    ImmutableArray<SettingClimb> Climbs,
    ImmutableArray<DamperCooling> Coolings,
    KilnPowers Powers,
    ImmutableArray<UsualFuelFiring> Usual
)
{
    /// <summary>A usual bisque: a candle for the water, oxidising all the way. The paper's B.</summary>
    public const string BisqueLine =
        "60/h to 100 hold 1h in oxidation; 60/h to 150 in oxidation; 120/h to 480 in oxidation; 80/h to 650 in oxidation; 120/h to 980 hold 10m in "
        + "oxidation; off";

    /// <summary>A usual cone 10 glaze with body reduction. The paper's G.</summary>
    public const string GlazeLine =
        "120/h to 150 in oxidation; 180/h to 480 in oxidation; 120/h to 650 in oxidation; 180/h to 900 in oxidation; 40/h to 930 in heavy reduction; "
        + "110/h to 1200 in light reduction; 60/h to 1275 in light reduction; 60/h to 1275 hold 20m in oxidation; off";

    private static readonly double[] Temperatures = [100, 200, 300, 400, 500, 600, 700, 800, 900, 1000, 1100, 1200, 1250];
    private static readonly double[] Shares = [0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.65, 0.8, 1];
    private static readonly double[] Dampers = [0, 0.25, 0.5, 1];
    private const double FollowedHours = 48;
    private const double UsualClimb = 100;
    private const double HalfHour = 1800;

    /// <summary>Works it out; some runs of the model, given up when nobody waits.</summary>
    public static FuelPortrait Of(FuelKiln kiln, CancellationToken cancel = default)
    {
        var glaze = Firing(kiln, ScheduleKind.Glaze, GlazeLine, cancel);
        return new FuelPortrait(
            ClimbsOf(kiln),
            [.. Dampers.Select(d => Cooling(kiln, glaze.Plan, d))],
            PowersOf(kiln, kiln.UsualLoad(ScheduleKind.Glaze), cancel),
            [Firing(kiln, ScheduleKind.Bisque, BisqueLine, cancel), glaze]
        );
    }

    /// <summary>How fast it goes with a load: everything the air allows from cold, and closed up afterwards.</summary>
    internal static KilnPowers PowersOf(FuelKiln kiln, KilnLoad load, CancellationToken cancel = default)
    {
        var full = TurnPlanner
            .Plan(kiln, load, kiln.Room, Read(FormattableString.Invariant($"full to {kiln.TopLimit.Celsius:0.###}")), TurnPlanner.ShortestEvery, cancel: cancel)
            .Value;
        var hottest = full.Stall?.At ?? kiln.TopLimit;
        return new KilnPowers(KilnPowers.Climbing(full.Curve, hottest), KilnPowers.Falling(full.Cooling, kiln.Opens), hottest);
    }

    private static UsualFuelFiring Firing(FuelKiln kiln, ScheduleKind kind, string line, CancellationToken cancel) =>
        new(kind, line, TurnPlanner.Plan(kiln, kiln.UsualLoad(kind), kiln.Room, Read(line), cancel: cancel).Value);

    /// <summary>The same firing, left with another damper.</summary>
    private static DamperCooling Cooling(FuelKiln kiln, TurnPlan glaze, double damper)
    {
        var end = glaze.Powered.TotalMinutes;
        var turns = glaze.Turns.Where(t => t.Minute < end).Select(t => new FuelTurn(t.Minute, t.Setting)).Append(new FuelTurn(end, BurnerSetting.Off(damper)));
        var plan = TurnPlanner.Follow(kiln, kiln.UsualLoad(ScheduleKind.Glaze), kiln.Room, [.. turns], end + FollowedHours * 60);
        var points = plan
            .Curve.Points.ToArray()
            .Concat(plan.Cooling.Points[1..].ToArray())
            .Where(p => p.Minutes >= end)
            .Select(p => p with { Minutes = p.Minutes - end })
            .ToList();
        var open = points.FindIndex(p => p.Celsius <= kiln.Opens.Celsius);
        return new DamperCooling(damper, new Curve(open < 0 ? points : points[..(open + 1)]));
    }

    private static ImmutableArray<SettingClimb> ClimbsOf(FuelKiln kiln, CancellationToken cancel = default)
    {
        var climbs = ImmutableArray.CreateBuilder<SettingClimb>();
        var simulation = new FuelSimulation(kiln, kiln.UsualLoad(ScheduleKind.Glaze), kiln.Room.Celsius);
        var levels = new TurnLevels(kiln, simulation.Air, raw: false);
        foreach (var at in Temperatures)
        {
            while (simulation.Chamber < at - 1e-6)
                simulation.Model.StepAlong(FuelSimulation.Step, Math.Min(at, simulation.Chamber + UsualClimb / 60));
            simulation.Save();
            foreach (
                var pressure in Shares
                    .Select(s => Math.Max(1, Math.Round(s * kiln.MostPressure / kiln.Mark)) * kiln.Mark)
                    .Where(p => p <= kiln.MostPressure + 1e-9)
                    .Distinct()
            )
            {
                if (levels.Oxidising(pressure, at) is not { } setting)
                    continue;
                simulation.Advance(setting, HalfHour);
                climbs.Add(new SettingClimb(Temperature.FromCelsius(at), pressure, setting.Damper, (simulation.Chamber - at) * 2));
                simulation.TakeBack();
            }
        }
        return climbs.ToImmutable();
    }

    private static FiringProgram Read(string line) => FiringProgram.Create(NotationReader.Read(line, TemperatureUnit.Celsius).Segments).Value;
}
