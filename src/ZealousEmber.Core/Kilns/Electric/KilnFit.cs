using System.Collections.Immutable;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.Optimization;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>A logged firing with what was in the kiln.</summary>
/// <param name="Log">The readings.</param>
/// <param name="Load">What stood in it.</param>
/// <param name="MeterKwh">What the meter counted over the log, where somebody read it.</param>
public sealed record LoggedFiring(FiringLog Log, KilnLoad Load, double? MeterKwh = null);

/// <summary>What is to be learned.</summary>
public enum LearnWhat
{
    /// <summary>Heat capacity and insulation; the power is taken as given.</summary>
    Kiln,

    /// <summary>Only what the elements still give; needs a kiln that was learned before and a logged power share.</summary>
    Elements,
}

/// <summary>A learned share with how sure it is.</summary>
/// <param name="Value">1 is the usual.</param>
/// <param name="Sure">One standard deviation, by bootstrap over blocks of the log.</param>
public readonly record struct LearnedShare(double Value, double Sure);

/// <summary>One log with the kiln as it was and as it was learned.</summary>
/// <param name="Logged">The readings.</param>
/// <param name="Before">What the kiln as it stood would have done.</param>
/// <param name="After">What the learned kiln would have done.</param>
/// <param name="MissBefore">Root mean square of the difference before, K.</param>
/// <param name="MissAfter">The same after.</param>
public sealed record LearnedCurves(Curve Logged, Curve Before, Curve After, double MissBefore, double MissAfter);

/// <summary>What logs taught about a kiln.</summary>
/// <param name="Kiln">The kiln with what was learned, not yet kept.</param>
/// <param name="Heat">Heat capacity.</param>
/// <param name="Loss">Conductivity of the walls.</param>
/// <param name="Elements">Share of the plate's power.</param>
/// <param name="Curves">One for each log.</param>
/// <param name="Notes">What limits how far it can be trusted, a sentence each.</param>
public sealed record LearnedKiln(
    Kiln Kiln,
    LearnedShare Heat,
    LearnedShare Loss,
    LearnedShare Elements,
    ImmutableArray<LearnedCurves> Curves,
    ImmutableArray<string> Notes
);

/// <summary>
/// Learns a kiln from its logs. Power, heat capacity and insulation together cannot be told apart from temperatures, so power is given
/// and the other two are fitted (Levenberg–Marquardt, central differences); or, for a kiln learned before, power alone.
/// Source: the kiln model paper; docs/model.md, "Learning a kiln".
/// </summary>
public static class KilnFit
{
    /// <summary>Most logs at once.</summary>
    public const int MostLogs = 8;

    private const double Difference = 1e-3;
    private const double Unsure = 0.15;
    private const double BadMiss = 60;
    private const double LeastShare = 0.4;
    private const double MostShare = 2.5;
    private const int BootstrapRounds = 200;
    private const double BlockMinutes = 60;

    /// <summary>Learns. Problems name <c>log</c> and say what the log would have to have.</summary>
    /// <param name="kiln">As it stands; the fit starts from it.</param>
    /// <param name="firings">One to eight logs.</param>
    /// <param name="what">Kiln or elements.</param>
    /// <param name="cancel">Gives up; throws <see cref="OperationCanceledException"/>.</param>
    public static Result<LearnedKiln> Learn(Kiln kiln, IReadOnlyList<LoggedFiring> firings, LearnWhat what, CancellationToken cancel = default)
    {
        if (what == LearnWhat.Elements && firings.Any(f => f.Log.Drive != LogDrive.Share))
            return new Problem("log", "What the elements give can only be told from a log with the power share in it.");
        var notes = new List<string>();
        var powered = GivenPower(kiln, firings, what, notes);
        // With nothing said of power a kiln twice as heavy and twice as leaky cools the same: only their ratio can be learned.
        var coolingOnly = what == LearnWhat.Kiln && firings.All(f => f.Log.Drive == LogDrive.Temperature);
        if (coolingOnly)
            notes.Add("From temperatures alone only the cooling can be learned; climbs and power stay as uncertain as before.");
        double[] now =
            what == LearnWhat.Elements ? [powered.ElementHealth]
            : coolingOnly ? [powered.LossFactor]
            : [powered.HeatFactor, powered.LossFactor];
        var start = Vector<double>.Build.Dense(now);
        var observed = Vector<double>.Build.DenseOfEnumerable(firings.SelectMany(f => f.Log.Samples.Select(s => s.Celsius)));
        var weights = Vector<double>.Build.DenseOfEnumerable(firings.SelectMany(f => Weights(f.Log)));

        Kiln With(Vector<double> p) =>
            what == LearnWhat.Elements
                ? powered.Learned(powered.HeatFactor, powered.LossFactor, p[0], powered.Uncertainty)
                : powered.Learned(coolingOnly ? powered.HeatFactor : p[0], p[p.Count - 1], powered.ElementHealth, powered.Uncertainty);
        Vector<double> Model(Vector<double> p)
        {
            cancel.ThrowIfCancellationRequested();
            var candidate = With(p);
            return Vector<double>.Build.DenseOfEnumerable(firings.SelectMany(f => Simulate(candidate, f)));
        }

        Matrix<double> Slopes(Vector<double> p)
        {
            var slopes = Matrix<double>.Build.Dense(observed.Count, p.Count);
            for (var j = 0; j < p.Count; j++)
            {
                var (up, down) = (p.Clone(), p.Clone());
                (up[j], down[j]) = (p[j] * (1 + Difference), p[j] * (1 - Difference));
                slopes.SetColumn(j, (Model(up) - Model(down)) / (2 * Difference * p[j]));
            }
            return slopes;
        }

        // The model does not know x: the logs' own times are inside it.
        var x = Vector<double>.Build.Dense(observed.Count, i => i);
        var objective = ObjectiveFunction.NonlinearModel((p, _) => Model(p), (p, _) => Slopes(p), x, observed, weights);
        var found = new LevenbergMarquardtMinimizer(
            initialMu: 1e-3,
            gradientTolerance: 1e-9,
            stepTolerance: 1e-7,
            functionTolerance: 1e-9,
            maximumIterations: 40
        ).FindMinimum(objective, start);
        var best = found.MinimizingPoint;
        var learned = With(best);
        if (best.Any(share => !(share >= LeastShare && share <= MostShare)))
            return new Problem(
                "log",
                "No believable kiln fits this log: the best one would have numbers no kiln has. Check the power, the load, and that the log is of this kiln."
            );

        var residual = observed - Model(best);
        var sure = Bootstrap(Slopes(best), residual, weights, firings);
        if (sure.Max() > Unsure)
        {
            return new Problem(
                "log",
                what == LearnWhat.Kiln
                    ? "This log cannot tell the kiln's heat from its insulation. It needs a stretch at full power or hours of cooling with the power off, "
                        + "from high up."
                    : "This log cannot tell what the elements give: there is too little in it with the power on."
            );
        }
        var miss = Rms(residual, weights);
        if (miss > BadMiss)
            return new Problem(
                "log",
                $"Even the best kiln misses this log by {Math.Round(miss):0} °C on the whole. Check the load and the kiln's power, and that the log is of "
                    + "this kiln."
            );

        Note(notes, learned, firings, miss);
        // Never surer than what a second firing of the same kiln showed in the trials of the paper.
        var least =
            coolingOnly ? powered.Uncertainty
            : firings.Count > 1 ? 0.03
            : 0.05;
        var told = learned.Learned(learned.HeatFactor, learned.LossFactor, learned.ElementHealth, Math.Max(least, 2 * sure.Max()));
        return new LearnedKiln(
            told,
            new LearnedShare(told.HeatFactor, what == LearnWhat.Kiln && !coolingOnly ? sure[0] : 0),
            new LearnedShare(told.LossFactor, what == LearnWhat.Kiln ? sure[sure.Count - 1] : 0),
            new LearnedShare(told.ElementHealth, what == LearnWhat.Elements ? sure[0] : 0),
            [.. firings.Select(f => Curves(kiln, told, f))],
            [.. notes]
        );
    }

    /// <summary>Power from the meter where it was read and the share was logged: kWh over the hours at full power.</summary>
    private static Kiln GivenPower(Kiln kiln, IReadOnlyList<LoggedFiring> firings, LearnWhat what, List<string> notes)
    {
        if (what == LearnWhat.Elements)
            return kiln;
        var metered = firings.Where(f => f.MeterKwh is > 0 && f.Log.FullPowerHours is > 0.1).ToList();
        if (metered.Count == 0)
        {
            notes.Add($"Power was taken as given: {Phrases.Number(Math.Round(kiln.FullPower))} W.");
            return kiln;
        }
        var watts = metered.Sum(f => f.MeterKwh!.Value) * 1000 / metered.Sum(f => f.Log.FullPowerHours!.Value);
        notes.Add($"Power was taken from the meter: {Phrases.Number(Math.Round(watts))} W.");
        return kiln.Learned(kiln.HeatFactor, kiln.LossFactor, watts / kiln.Power, kiln.Uncertainty);
    }

    private static void Note(List<string> notes, Kiln learned, IReadOnlyList<LoggedFiring> firings, double miss)
    {
        if (firings.Any(f => f.Log.Samples[0].Celsius > learned.Room.Celsius + 30))
            notes.Add("A log begins with a warm kiln; how warm its walls were is a guess.");
        if (firings.All(f => f.Load.WareMass + f.Load.FurnitureMass > 0))
            notes.Add("An empty firing would tell the kiln itself from its load.");
        if (firings.Any(f => HasGap(f.Log)))
            notes.Add("Readings are missing in places; those stretches were left out.");
        if (miss > 15)
            notes.Add($"It still misses the readings by {Math.Round(miss):0} °C on the whole.");
    }

    private static bool HasGap(FiringLog log) => log.Samples.Zip(log.Samples.Skip(1)).Any(p => p.Second.Minutes - p.First.Minutes > FiringLog.GapMinutes);

    /// <summary>No weight to what the model was given rather than asked: the start, stretches without readings, a climb it was led along.</summary>
    private static IEnumerable<double> Weights(FiringLog log)
    {
        for (var i = 0; i < log.Samples.Length; i++)
        {
            var sample = log.Samples[i];
            var gap = i > 0 && sample.Minutes - log.Samples[i - 1].Minutes > FiringLog.GapMinutes;
            var led = log.OffAt is { } off && sample.Minutes <= off;
            yield return i == 0 || gap || led ? 1e-9 : 1;
        }
    }

    /// <summary>What a kiln would have shown at each reading of a log, °C.</summary>
    private static double[] Simulate(Kiln kiln, LoggedFiring firing)
    {
        var (log, samples) = (firing.Log, firing.Log.Samples);
        var simulation = new KilnSimulation(kiln, firing.Load, null, samples[0].Celsius, Fineness.Usual, null);
        var shown = new double[samples.Length];
        shown[0] = samples[0].Celsius;
        for (var i = 1; i < samples.Length; i++)
        {
            var (from, to) = (samples[i - 1], samples[i]);
            var seconds = (to.Minutes - from.Minutes) * 60;
            // A stretch without readings is gone through along the straight line between its ends.
            var led = to.Minutes - from.Minutes > FiringLog.GapMinutes && log.Drive == LogDrive.Share ? LogDrive.Temperature : log.Drive;
            switch (led)
            {
                case LogDrive.Share:
                    simulation.LeadWithPower(seconds, from.Share!.Value * kiln.FullPower);
                    break;
                case LogDrive.SetPoint when from.SetPoint is { } asked:
                    simulation.LeadAlong(seconds, asked, to.SetPoint ?? asked);
                    break;
                case LogDrive.SetPoint:
                    simulation.LeadWithPower(seconds, 0);
                    break;
                default:
                    if (log.OffAt is { } off && from.Minutes >= off)
                        simulation.LeadWithPower(seconds, 0);
                    else
                        simulation.LeadAlong(seconds, from.Celsius, to.Celsius);
                    break;
            }
            shown[i] = simulation.Display;
        }
        return shown;
    }

    private static double Rms(Vector<double> residual, Vector<double> weights) =>
        Math.Sqrt(residual.Zip(weights, (r, w) => r * r * w).Sum() / Math.Max(1, weights.Sum()));

    /// <summary>
    /// How sure each number is: blocks of the residual are drawn anew and put through the linearised fit. Formal errors would be several
    /// times too small, since a model that is wrong in one place is wrong for an hour. Deterministic.
    /// </summary>
    private static Vector<double> Bootstrap(Matrix<double> slopes, Vector<double> residual, Vector<double> weights, IReadOnlyList<LoggedFiring> firings)
    {
        var weighted = slopes.MapIndexed((i, _, v) => v * weights[i]);
        var normal = weighted.TransposeThisAndMultiply(slopes);
        // A direction the log does not see has no inverse; far from sure says it.
        if (!(normal.ConditionNumber() < 1e12))
            return Vector<double>.Build.Dense(slopes.ColumnCount, 1);
        var pull = normal.Inverse();
        var blocks = new List<Vector<double>>();
        var row = 0;
        foreach (var firing in firings)
        {
            var begin = double.NegativeInfinity;
            foreach (var sample in firing.Log.Samples)
            {
                if (sample.Minutes - begin >= BlockMinutes)
                {
                    blocks.Add(Vector<double>.Build.Dense(slopes.ColumnCount));
                    begin = sample.Minutes;
                }
                blocks[^1] += weighted.Row(row) * residual[row];
                row++;
            }
        }
#pragma warning disable RS0030 // Seeded: the same logs give the same kiln.
        var random = new Random(1);
        var draws = Matrix<double>.Build.Dense(BootstrapRounds, slopes.ColumnCount);
        for (var round = 0; round < BootstrapRounds; round++)
        {
            // Signs drawn at random keep the mean at none (wild bootstrap, Wu 1986), whatever the blocks.
            var sum = Vector<double>.Build.Dense(slopes.ColumnCount);
            foreach (var block in blocks)
                sum += random.Next(2) == 0 ? block : -block;
#pragma warning restore RS0030
            draws.SetRow(round, pull * sum);
        }
        return Vector<double>.Build.Dense(slopes.ColumnCount, j => Math.Sqrt(draws.Column(j).Select(d => d * d).Average()));
    }

    private static LearnedCurves Curves(Kiln before, Kiln after, LoggedFiring firing)
    {
        var samples = firing.Log.Samples;
        var (was, now) = (Simulate(before, firing), Simulate(after, firing));
        var weights = Vector<double>.Build.DenseOfEnumerable(Weights(firing.Log));
        Curve Draw(Func<int, double> at) => new([.. samples.Select((s, i) => new CurvePoint(s.Minutes, at(i)))]);
        double Miss(double[] shown) => Rms(Vector<double>.Build.Dense(samples.Length, i => samples[i].Celsius - shown[i]), weights);
        return new LearnedCurves(Draw(i => samples[i].Celsius), Draw(i => was[i]), Draw(i => now[i]), Miss(was), Miss(now));
    }
}
