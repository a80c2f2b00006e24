using System.Collections.Immutable;
using MathNet.Numerics.Distributions;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>Where a forecast sets out from.</summary>
/// <param name="Minutes">Now, since the start.</param>
/// <param name="Chamber">The chamber now, °C.</param>
/// <param name="Controller">What the controller does; nothing where it has not begun.</param>
/// <param name="Waits">Minutes until it is switched on.</param>
/// <param name="OffFor">Minutes since the power went off for good; nothing while it is on.</param>
/// <param name="TopAt">When the top was reached, where it was.</param>
/// <param name="EndAt">When the power went off for good, where it did.</param>
/// <param name="Offset">What is added to the display for the heat work, K, and how sure that is.</param>
internal sealed record ForecastStart(
    double Minutes,
    double Chamber,
    ControllerState? Controller,
    double Waits,
    double? OffFor,
    double? TopAt,
    double? EndAt,
    (double Mean, double Sd) Offset
);

/// <summary>
/// The one simulation, run on from now for 32 fixed draws of what is not known of the kiln: power, heat and loss as far as the readings tell, what
/// they may still wander, the display's offset, and the cooling's own time. Source: the project's paper on the firing day, section 2.
/// </summary>
internal static class Forecaster
{
    /// <summary>Draws of a forecast.</summary>
    public const int Draws = 32;

    private const int CurvePoints = 60;
    private const double WanderShare = 1 / 3.0;
    private const double CoolingUnsure = 0.10;
    private const double CoolingSure = 0.05;
    private const double SureAfter = 60;
    private const double LongestHours = 14 * 24;
    private const double HoldLonger = 60;

    // A top is over where the display last falls so far below its hottest, K: as the logbook reads it from a log.
    private const double TopBand = 5;

    // So far below a cone's end point nothing happens to it in any time a firing takes, K.
    private const double WorkBelow = 250;
    private const double SimpsonUpTo = 25;

    // Coarser than a plan: 32 of them have to be done while somebody waits, and the spread between them is far larger.
    private static readonly Fineness Cooling = new(60, ThermalModel.UsualNodes, 1200, 0.6);
    private static readonly Fineness FineCooling = new(60, ThermalModel.UsualNodes, 240, 0.1);
    private static readonly Fineness Coarse = new(30, ThermalModel.UsualNodes, 300, 0.05);

    private static readonly double[][] Normals = Stratified();

    /// <summary>Forecasts.</summary>
    /// <param name="observer">The kiln as it is known.</param>
    /// <param name="load">What stands in it.</param>
    /// <param name="program">What it is told.</param>
    /// <param name="opens">When it may be opened, °C.</param>
    /// <param name="work">Heat work so far.</param>
    /// <param name="goal">Index of the goal among its cones; −1 without one.</param>
    /// <param name="start">From where.</param>
    public static Forecast Of(KilnObserver observer, KilnLoad load, FiringProgram program, double opens, HeatWorkSoFar? work, int goal, ForecastStart start)
    {
        var runs = new DrawnRun[Draws];
        var cones = work?.Cones ?? [];
        var kinetics = cones.Select(c => ConeTable.Of(c).Kinetics).ToArray();
        var likely = new Draw(observer.Estimate.LnPower, observer.Estimate.LnHeat, observer.Estimate.LnLoss, start.Offset.Mean, 1);
        var middle = Run(observer, load, program, opens, work, goal, kinetics, start, likely, Cooling);
        // Long steps take longer to cool, by a few per cent and all draws alike: how much is seen once, in short ones.
        double CoolingOf(DrawnRun run) => run.Open - (start.OffFor is null ? run.End : start.Minutes);
        var shorter = middle.Stalled
            ? 1
            : CoolingOf(Run(observer, load, program, opens, work, -1, kinetics, start, likely, FineCooling)) / Math.Max(1, CoolingOf(middle));
        var left = Math.Max(0, (double.IsInfinity(middle.End) ? 600 : middle.End) - start.Minutes) / 60 * WanderShare;
        var spread = observer.Estimate.Covariance.Plus(4e-4 * left, 1e-4 * left, 4e-4 * left);
        var cooling = start.OffFor > SureAfter ? CoolingSure : CoolingUnsure;
        for (var i = 0; i < Draws; i++)
        {
            var z = Normals[i];
            var (a, h, l) = spread.Draw(z[0], z[1], z[2]);
            var e = observer.Estimate;
            runs[i] = Run(
                observer,
                load,
                program,
                opens,
                work,
                goal,
                kinetics,
                start,
                new Draw(e.LnPower + a, e.LnHeat + h, e.LnLoss + l, start.Offset.Mean + start.Offset.Sd * z[3], shorter * Math.Exp(cooling * z[4])),
                Cooling
            );
        }
        var buffer = new double[Draws];
        Percentiles Over(Func<DrawnRun, double> of)
        {
            for (var i = 0; i < Draws; i++)
                buffer[i] = of(runs[i]);
            return Percentiles.Of(buffer);
        }
        var open = Over(r => r.Open);
        return new Forecast(
            start.Minutes,
            Curve(
                runs,
                start.Minutes,
                double.IsInfinity(open.P90)
                    ? double.IsInfinity(open.P50)
                        ? start.Minutes + 24 * 60
                        : open.P50
                    : open.P90,
                buffer
            ),
            start.TopAt is { } top ? Percentiles.Known(top) : Over(r => r.Top),
            start.EndAt is { } end ? Percentiles.Known(end) : Over(r => r.End),
            open,
            [.. cones.Select((c, i) => new ConeForecast(c, Over(r => r.Progress[i]), Over(r => Degrees(kinetics[i], r.Progress[i]))))],
            runs.Count(r => r.Stalled) / (double)Draws,
            middle.EndHoldAt,
            new ForecastTotals(Over(r => r.Hottest), Over(r => r.TopOver), Over(r => r.Kwh))
        );
    }

    /// <summary>How far past its end point a progress is, °C of cone.</summary>
    public static double Degrees(ConeKinetics cone, double progress) =>
        progress <= 1e-6 ? -300 : Math.Max(-300, cone.EndPoint(60, Math.Min(progress, 100)) - cone.EndPoint(60));

    private static ImmutableArray<ForecastPoint> Curve(DrawnRun[] runs, double from, double to, double[] buffer)
    {
        var points = ImmutableArray.CreateBuilder<ForecastPoint>(CurvePoints + 1);
        for (var p = 0; p <= CurvePoints; p++)
        {
            // Finer at the beginning, where somebody looks.
            var share = p / (double)CurvePoints;
            var at = from + (to - from) * share * (0.4 + 0.6 * share);
            for (var i = 0; i < Draws; i++)
                buffer[i] = runs[i].At(at);
            points.Add(new ForecastPoint(at, Percentiles.Of(buffer)));
        }
        return points.MoveToImmutable();
    }

    private static DrawnRun Run(
        KilnObserver observer,
        KilnLoad load,
        FiringProgram program,
        double opens,
        HeatWorkSoFar? work,
        int goal,
        ConeKinetics[] kinetics,
        ForecastStart start,
        Draw draw,
        Fineness cooling
    )
    {
        var (kiln, state) = observer.ModelAt(draw.LnPower, draw.LnHeat, draw.LnLoss, start.Chamber);
        var watch = new TopWatch(program.TopStep, start.Controller?.Step ?? -1);
        var run = new DrawnRun(kinetics.Length) { Top = start.TopAt ?? double.PositiveInfinity, End = start.EndAt ?? double.PositiveInfinity };
        var begin = start.Minutes + start.Waits;
        run.Curve.Add((start.Minutes, start.Chamber));
        var simulation = KilnSimulation.Live(kiln, load, program, new SimulationState(begin * 60, state, start.Controller), Coarse, watch);
        for (var i = 0; i < kinetics.Length; i++)
            run.Progress[i] = work!.By(i, start.Minutes, start.Chamber).Value;
        var (before, at) = (start.Chamber, begin);
        var cools = false;
        var workFrom = work is null ? double.PositiveInfinity : ConeTable.Of(work.Cones[0]).At60 - WorkBelow;
        var coolFrom = start.OffFor is null ? double.NaN : start.Minutes;
        while (simulation.Seconds < (begin + LongestHours * 60) * 60)
        {
            var off = IsOffForGood(simulation, program);
            if (off && double.IsInfinity(run.End))
                (run.End, coolFrom) = (at, at);
            if (off && !cools)
            {
                simulation.GoOn(cooling);
                cools = true;
            }
            if (off && simulation.Chamber <= opens + 1e-6)
                break;
            if (simulation.Phase == ControllerPhase.Finished)
                simulation.Fall(opens);
            else
                simulation.Tick();
            var now = simulation.Seconds / 60;
            if (now <= at)
                continue;
            if (double.IsInfinity(run.Top) && !double.IsNaN(watch.TopAt))
                run.Top = watch.TopAt;
            if (before > workFrom || simulation.Chamber > workFrom)
            {
                for (var i = 0; i < kinetics.Length; i++)
                    run.Progress[i] += Over(kinetics[i], before + draw.Offset, simulation.Chamber + draw.Offset, (now - at) / 60);
            }
            // The hold may end once what the natural cooling adds is enough.
            if (
                run.EndHoldAt is null
                && goal >= 0
                && simulation.Phase == ControllerPhase.Holding
                && simulation.Step == program.TopStep
                && run.Progress[goal] < 1.5
            )
                EndHold(run, kinetics[goal], run.Progress[goal], simulation, kiln, load, draw.Offset, now, at);
            (before, at) = (simulation.Chamber, now);
            // Cooling takes its own time on top of what the model knows.
            run.Curve.Add((double.IsNaN(coolFrom) ? now : coolFrom + (now - coolFrom) * draw.Cooling, simulation.Chamber));
        }
        run.Stalled = watch.Stalled && start.TopAt is null;
        if (run.Stalled)
            (run.Top, run.End) = (double.PositiveInfinity, double.PositiveInfinity);
        run.Open = run.Stalled ? double.PositiveInfinity : run.Curve[^1].Minutes;
        // As a log tells it: by shares of the power the kiln is known by.
        run.Kwh = watch.Kwh / Math.Exp(draw.LnPower);
        return run;
    }

    // Steps of a few tens of degrees: Simpson's rule is good to a thousandth of the piece.
    private static double Over(ConeKinetics cone, double from, double to, double hours) =>
        Math.Abs(to - from) > SimpsonUpTo ? cone.Over(from, to, hours) : cone.Over(cone.RateAt(from), from, to, cone.RateAt(to), hours);

    private static void EndHold(
        DrawnRun run,
        ConeKinetics cone,
        double progress,
        KilnSimulation simulation,
        Kiln kiln,
        KilnLoad load,
        double offset,
        double now,
        double before
    )
    {
        if (double.IsNaN(run.NaturalFall))
        {
            var cooling = new ThermalModel(kiln.Body, load, simulation.State.Kiln);
            var from = cooling.Chamber;
            cooling.StepWithPower(300, 0);
            run.NaturalFall = (from - cooling.Chamber) * 12;
        }
        var kelvin = simulation.Chamber + offset + 273.15;
        var tail = cone.RateAt(simulation.Chamber + offset) * kelvin * kelvin / (cone.Theta * Math.Max(20, run.NaturalFall));
        var rate = cone.RateAt(simulation.Chamber + offset) / 60;
        var missing = 1 - tail - progress;
        var minutes = missing / Math.Max(1e-9, rate);
        run.EndHoldAt = Math.Min(Math.Max(before, now + minutes), now + simulation.HoldMinutesLeft + HoldLonger);
    }

    private static bool IsOffForGood(KilnSimulation simulation, FiringProgram program) =>
        simulation.Phase == ControllerPhase.Finished || (simulation.Phase == ControllerPhase.Falling && simulation.Step == program.Steps.Length - 1);

    /// <summary>Normal numbers that cover what they may be evenly, each column in an order of its own.</summary>
    private static double[][] Stratified()
    {
        int[] strides = [1, 7, 11, 13, 19];
        int[] shifts = [0, 5, 17, 9, 23];
        return
        [
            .. Enumerable
                .Range(0, Draws)
                .Select(i => strides.Select((stride, c) => Normal.InvCDF(0, 1, ((i * stride + shifts[c]) % Draws + 0.5) / Draws)).ToArray()),
        ];
    }

    private readonly record struct Draw(double LnPower, double LnHeat, double LnLoss, double Offset, double Cooling);

    private sealed class DrawnRun(int cones)
    {
        public List<(double Minutes, double Celsius)> Curve { get; } = new(256);

        public double[] Progress { get; } = new double[cones];

        public double Top { get; set; }

        public double End { get; set; }

        public double Open { get; set; }

        public bool Stalled { get; set; }

        public double? EndHoldAt { get; set; }

        public double Kwh { get; set; }

        public double Hottest => Curve.Max(p => p.Celsius);

        public double TopOver
        {
            get
            {
                var under = Hottest - TopBand;
                return Stalled ? double.PositiveInfinity : Curve[Curve.FindLastIndex(p => p.Celsius >= under)].Minutes;
            }
        }

        public double NaturalFall { get; set; } = double.NaN;

        /// <summary>The temperature at a moment; asked in order of time.</summary>
        public double At(double minutes)
        {
            while (asked < Curve.Count - 1 && Curve[asked + 1].Minutes < minutes)
                asked++;
            var (a, b) = (Curve[asked], Curve[Math.Min(asked + 1, Curve.Count - 1)]);
            return b.Minutes <= a.Minutes || minutes >= b.Minutes
                ? b.Celsius
                : a.Celsius + (b.Celsius - a.Celsius) * Math.Clamp((minutes - a.Minutes) / (b.Minutes - a.Minutes), 0, 1);
        }

        private int asked;
    }

    private sealed class TopWatch(int topStep, int first) : ISimulationObserver
    {
        private int step = first;
        private double now;

        public double TopAt { get; private set; } = double.NaN;

        public bool Stalled { get; private set; }

        public void Began(int step, double chamber) => this.step = step;

        public void SetPoint(double seconds, double celsius) { }

        public double Kwh { get; private set; }

        public void Passed(double now, double lasted, double power, double chamber)
        {
            this.now = now;
            Kwh += power * lasted / 3.6e6;
        }

        public void FellBehind(double chamber) { }

        public void Reached(double chamber, bool stalled)
        {
            if (stalled)
                Stalled = true;
            else if (step == topStep && double.IsNaN(TopAt))
                TopAt = now / 60;
        }

        public void Ended(double level) { }
    }
}
