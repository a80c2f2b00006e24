using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>Writes down what a simulation does: curve, set point, each step's times and energy.</summary>
internal sealed class RunRecorder : ISimulationObserver
{
    private const double SecondsPerMinute = 60;
    private const double FullPowerFrom = 0.995;

    // A climb late by less than this is on time, s.
    private const double OnTime = 30;

    private readonly FiringProgram program;
    private readonly Kiln kiln;
    private readonly ImmutableArray<CompiledSegment>.Builder segments;
    private readonly ImmutableArray<KilnStep>.Builder steps;
    private readonly List<CurvePoint> setPoint;
    private readonly List<double> bins = new(512);
    private CurveRecorder curve;
    private Curve? programme;
    private KilnEnergy energy = new(0, 0, 0);
    private KilnStall? stall;
    private double now;
    private double chamber;
    private double powered;
    private double joules;
    private double fullSeconds;
    private double programEnds;

    // Of the step under way.
    private int step;
    private double begin;
    private double from;
    private double joulesBefore;
    private double fullBefore;
    private double? behind;
    private double reachedAt;
    private double came;
    private bool stalled;

    public RunRecorder(FiringProgram program, Kiln kiln, double start)
    {
        (this.program, this.kiln, chamber) = (program, kiln, start);
        segments = ImmutableArray.CreateBuilder<CompiledSegment>(program.Steps.Length);
        steps = ImmutableArray.CreateBuilder<KilnStep>(program.Steps.Length);
        curve = new CurveRecorder(0, start);
        setPoint = [new(0, start)];
    }

    public void Began(int step, double chamber) => (this.step, begin, from, joulesBefore, fullBefore, behind) = (step, now, chamber, joules, fullSeconds, null);

    public void SetPoint(double seconds, double celsius)
    {
        var point = new CurvePoint(Math.Max(seconds / SecondsPerMinute, setPoint[^1].Minutes), celsius);
        if (setPoint[^1] != point)
            setPoint.Add(point);
    }

    public void Passed(double now, double lasted, double power, double chamber)
    {
        if (programme is null)
        {
            Spread(now - lasted, lasted, power);
            if (power >= kiln.FullPower * FullPowerFrom)
                fullSeconds += lasted;
            joules += power * lasted;
        }
        (this.now, this.chamber) = (now, chamber);
        curve.Add(now / SecondsPerMinute, chamber);
    }

    public void FellBehind(double chamber) => behind = chamber;

    public void Reached(double chamber, bool stalled)
    {
        (reachedAt, came, this.stalled) = (now, chamber, stalled);
        if (stalled && stall is null)
            stall = new KilnStall(step, Temperature.FromCelsius(chamber), Duration.FromSeconds(now - KilnSimulation.StallSeconds));
        curve.Corner();
    }

    public void Ended(double level)
    {
        curve.Corner();
        var segment = program.Steps[step];
        // The simulation ends a hold at its very second.
        if (segment.Hold > Duration.Zero)
            now = reachedAt + segment.Hold.TotalSeconds;
        var target = segment.Target?.Celsius ?? kiln.Opens.Celsius;
        var asked = segment.Pace.Rate is { } rate ? Math.Abs(target - from) / rate.KelvinsPerHour * 3600 : (double?)null;
        var late = asked is { } seconds ? Math.Max(0, reachedAt - begin - seconds) : 0;
        steps.Add(
            new KilnStep(
                Duration.FromSeconds(late < OnTime ? 0 : Math.Round(late)),
                behind is { } b ? Temperature.FromCelsius(b) : null,
                Duration.FromSeconds(fullSeconds - fullBefore),
                Kwh(joules - joulesBefore)
            )
        );
        segments.Add(
            new CompiledSegment(
                Duration.FromSeconds(begin),
                Duration.FromSeconds(reachedAt - begin),
                Duration.FromSeconds(now - reachedAt),
                Temperature.FromCelsius(from),
                Temperature.FromCelsius(
                    stalled ? came
                    : Math.Abs(chamber - level) <= KilnSimulation.NearEnough ? level
                    : chamber
                )
            )
        );
        if (segment.Pace.Kind != PaceKind.Natural || segment.Hold > Duration.Zero)
            powered = now;
    }

    /// <summary>The program has ended; what comes after it is the cooling until it may be opened.</summary>
    public void ProgramOver(KilnSimulation simulation)
    {
        var model = simulation.Model;
        energy = new KilnEnergy(Kwh(model.Used), Kwh(model.Lost), Kwh(model.Stored - model.StoredAtStart));
        programEnds = now;
        programme = new Curve(curve.Points);
        curve = new CurveRecorder(now / SecondsPerMinute, simulation.Chamber);
    }

    public KilnRun Finish(KilnSimulation simulation)
    {
        curve.Corner();
        var compiled = new CompiledSchedule(segments.MoveToImmutable(), programme!, Duration.FromSeconds(powered));
        var kwh = bins.Take((int)Math.Ceiling(programEnds / KilnRun.Bin.TotalSeconds)).Select(Kwh).ToImmutableArray();
        // Summed step by step, full power all the way would come out a nanosecond longer than the firing.
        return new KilnRun(
            compiled,
            new Curve(setPoint),
            steps.MoveToImmutable(),
            new Curve(curve.Points),
            Duration.FromSeconds(simulation.Seconds),
            energy,
            Duration.Min(Duration.FromSeconds(fullSeconds), compiled.Total),
            [new EnergyUse(EnergyCarrier.Electricity, energy.Used, kwh)],
            stall
        );
    }

    /// <summary>Energy of a step into the bins it lies in.</summary>
    private void Spread(double at, double seconds, double power)
    {
        var width = KilnRun.Bin.TotalSeconds;
        while (seconds > 0)
        {
            var bin = (int)(at / width);
            while (bins.Count <= bin)
                bins.Add(0);
            var part = Math.Min(seconds, (bin + 1) * width - at);
            if (part <= 1e-9)
                part = seconds;
            bins[bin] += power * part;
            at += part;
            seconds -= part;
        }
    }

    private static double Kwh(double joules) => joules / 3.6e6;
}
