using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>Moves a fuel kiln on and writes down what it does: chamber, air, fuel, and how far it is from what was wanted.</summary>
internal sealed class TurnRecorder
{
    private const double CountsFrom = 200;
    private const double MostLambda = 99;
    private const double SecondsPerMinute = 60;

    // A point of the air where it has changed by so much.
    private const double AirStep = 0.02;

    private readonly FuelSimulation simulation;
    private readonly CurveRecorder chamber;
    private readonly List<CurvePoint> line;
    private readonly List<AirPoint> air = new(256);
    private readonly List<double> bins = new(256);
    private double squares;
    private double counted;
    private double worst;

    public TurnRecorder(FuelSimulation simulation)
    {
        this.simulation = simulation;
        chamber = new CurveRecorder(simulation.Seconds / SecondsPerMinute, simulation.Chamber);
        line = [new CurvePoint(simulation.Seconds / SecondsPerMinute, simulation.Chamber)];
    }

    /// <summary>Now.</summary>
    public double Minute => simulation.Seconds / SecondsPerMinute;

    /// <summary>Most fuel at any moment, kg/s.</summary>
    public double PeakFuel { get; private set; }

    /// <summary>Moves on at a setting to a minute, with a straight line wanted meanwhile.</summary>
    /// <param name="setting">How burners and damper stand.</param>
    /// <param name="to">Minute.</param>
    /// <param name="wanted">What is wanted at a minute, °C; nothing where nothing is.</param>
    public void Go(in BurnerSetting setting, double to, Func<double, double>? wanted)
    {
        var peak = simulation.Air.Fuel(setting);
        PeakFuel = Math.Max(PeakFuel, peak);
        if (wanted is not null)
            Corner(Minute, wanted(Minute));
        while (Minute < to - 1e-6)
        {
            var seconds = Math.Min(FuelSimulation.Step, (to - Minute) * SecondsPerMinute);
            var (fuel, at) = (simulation.Fuel, simulation.Seconds);
            simulation.Tick(setting, seconds);
            Spread(at, seconds, simulation.Fuel - fuel);
            chamber.Add(Minute, simulation.Chamber);
            var lambda = Math.Min(MostLambda, simulation.Breath.Lambda);
            if (air.Count == 0 || Math.Abs(lambda - air[^1].Lambda) > AirStep * air[^1].Lambda)
                air.Add(new AirPoint(at / SecondsPerMinute, lambda));
            if (wanted is null)
                continue;
            var asked = wanted(Minute);
            if (asked < CountsFrom)
                continue;
            var off = simulation.Chamber - asked;
            squares += off * off * seconds;
            counted += seconds;
            worst = Math.Max(worst, Math.Abs(off));
        }
        chamber.Corner();
        if (wanted is not null)
            Corner(Minute, wanted(Minute));
    }

    /// <summary>The chamber so far.</summary>
    public Curve Chamber => new(chamber.Points);

    /// <summary>What was wanted so far.</summary>
    public Curve Line => new(line);

    /// <summary>The air so far.</summary>
    public ImmutableArray<AirPoint> Air => [.. air];

    /// <summary>kg in each bin so far.</summary>
    public ImmutableArray<double> Fuel => [.. bins.Take((int)Math.Ceiling(simulation.Seconds / KilnRun.Bin.TotalSeconds - 1e-9))];

    /// <summary>How near it kept.</summary>
    public FollowError Follow(double lateMinutes) => new(counted > 0 ? Math.Sqrt(squares / counted) : 0, worst, Duration.FromMinutes(lateMinutes));

    /// <summary>Closed up until it may be opened: the cooling alone.</summary>
    public Curve CoolDown(Temperature opens)
    {
        var (cooling, shut) = (new CurveRecorder(Minute, simulation.Chamber), BurnerSetting.Off(0));
        while (simulation.Chamber > opens.Celsius)
        {
            simulation.Tick(shut, FuelSimulation.Step * 2);
            cooling.Add(Minute, simulation.Chamber);
        }
        cooling.Corner();
        return new Curve(cooling.Points);
    }

    private void Corner(double minute, double celsius)
    {
        var point = new CurvePoint(minute, celsius);
        if (line[^1] != point)
            line.Add(point);
    }

    private void Spread(double at, double seconds, double kg)
    {
        var width = KilnRun.Bin.TotalSeconds;
        for (var left = seconds; left > 1e-9; )
        {
            var bin = (int)(at / width + 1e-9);
            while (bins.Count <= bin)
                bins.Add(0);
            var part = Math.Min(left, Math.Max(1e-9, (bin + 1) * width - at));
            bins[bin] += kg * part / seconds;
            at += part;
            left -= part;
        }
    }
}
