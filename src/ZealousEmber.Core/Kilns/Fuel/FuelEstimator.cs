using MathNet.Numerics.LinearAlgebra;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A number with how sure it is.</summary>
public readonly record struct FactorEstimate(double Mean, double Sd);

/// <summary>What a fuel firing's turns, and what was seen of it, say of it.</summary>
/// <param name="Minute">When.</param>
/// <param name="Celsius">The chamber then.</param>
/// <param name="Sd">How sure, K.</param>
/// <param name="Lambda">The air then; nothing with the burners out.</param>
/// <param name="Burner">What the burners give against the kiln as stored, a factor.</param>
/// <param name="Wall">What the walls let through, a factor.</param>
/// <param name="Air">Its openings, a factor.</param>
/// <param name="EyeBias">How much hotter the eye sees it than it is, K.</param>
/// <param name="Kiln">The kiln with these factors.</param>
/// <param name="Curve">The chamber from the start until then.</param>
/// <param name="Correction">How much hotter the chamber is at the end than the sums alone say, K.</param>
/// <param name="Observations">How many observations stand behind it.</param>
/// <param name="ByThermometer">Whether a thermometer was among them.</param>
public sealed record FuelEstimate(
    double Minute,
    double Celsius,
    double Sd,
    double? Lambda,
    FactorEstimate Burner,
    FactorEstimate Wall,
    FactorEstimate Air,
    FactorEstimate EyeBias,
    FuelKiln Kiln,
    Curve Curve,
    double Correction,
    int Observations,
    bool ByThermometer
)
{
    /// <summary>Four times in five it is within so much.</summary>
    public double Band => 1.2816 * Sd;
}

/// <summary>
/// Follows a fuel firing by what is seen of it: the simulation runs along the turns that were made, its factors fitted to thermometer, colours, cones and
/// smell by least squares over the whole run. Temperatures show ratios only, so the heat capacity stays what it is. Source: the fuel kiln paper, "Learning".
/// </summary>
public static class FuelEstimator
{
    private static readonly double[] Priors = [0.15, 0.15, 0.12, 20];

    // What ± 5 % of pressure and ± 3 points of damper leave of a factor in a whole firing.
    private static readonly double[] Hands = [0.015, 0, 0.035];
    private const int Air = 2;
    private static readonly double[] Starts = [-0.15, 0, 0.15];
    private const int Bias = 3;
    private const double ThermometerSd = 20;
    private const double ThermometerMinutes = 10;
    private const double ConeSd = 8;
    private const double SmellAt = 0.94;
    private const double ClearFrom = 0.98;
    private const double SmellSd = 0.05;
    private const double LeastSd = 15;
    private const double ReadSd = 6;
    private const double Furthest = 0.7;
    private const double Difference = 0.01;
    private const int Iterations = 6;

    // Hands are not exact, in reduction least of all: what nobody looked at for hours may have gone its own way.
    private const double UnseenSd = 25;
    private const double UnseenMinutes = 90;

    // A reading tells of the chamber for about so long; after that the turns tell as much.
    private const double Forgets = 30;

    /// <summary>Most observations of one firing.</summary>
    public const int MostObservations = 2000;

    /// <summary>Estimates a firing at a minute.</summary>
    /// <param name="kiln">As it is stored, or learned so far.</param>
    /// <param name="load">What stands in it.</param>
    /// <param name="start">Its temperature at the start, °C.</param>
    /// <param name="turns">As they were made, in order.</param>
    /// <param name="observations">In any order; later ones than <paramref name="until"/> are left out.</param>
    /// <param name="until">Minute.</param>
    public static FuelEstimate At(
        FuelKiln kiln,
        KilnLoad load,
        double start,
        IReadOnlyList<FuelTurn> turns,
        IReadOnlyList<FuelObservation> observations,
        double until
    )
    {
        var seen = observations.Where(o => o.Minute >= 0 && o.Minute <= until + 1e-6).OrderBy(o => o.Minute).ToList();
        Passage Run(double[] x) => new(kiln.Factored(Math.Exp(x[0]), Math.Exp(x[1]), Math.Exp(x[2])), load, start, turns, seen, until);
        var fits = Starts.Select(air => Fit(air, seen, Run)).OrderBy(f => f.Squares).ToList();
        var (at, passage, jacobian, least) = fits[0];
        var covariance = jacobian.TransposeThisAndMultiply(jacobian).Inverse();
        var gradient = Vector<double>.Build.Dense(Priors.Length, k =>
            k == Bias ? 0 : (Run(Moved(at, k, Difference)).Chamber - Run(Moved(at, k, -Difference)).Chamber) / (2 * Difference)
        );
        var own = Math.Sqrt(Math.Max(0, gradient * (covariance * gradient)));
        var unseen = seen.Count > 0 ? UnseenSd * (1 - Math.Exp(-(until - seen[^1].Minute) / UnseenMinutes)) : 0;
        var (correction, sd) = Correct(passage, seen, until, Math.Sqrt(Math.Max(LeastSd * LeastSd, own * own) + unseen * unseen));
        // Nearly as good an explanation elsewhere is told in how sure it is, and so are hands, which no sum of readings averages out.
        var weights = fits.Select(f => Math.Exp(-(f.Squares - least) / 2)).ToList();
        double Apart(int k) => fits.Select((f, i) => weights[i] * Square(f.At[k] - at[k])).Sum() / weights.Sum();
        FactorEstimate Factor(int k) => new(Math.Exp(at[k]), Math.Sqrt(covariance[k, k] + Apart(k) + Square(Hands[k])) * Math.Exp(at[k]));
        return new FuelEstimate(
            Minute: until,
            Celsius: passage.Chamber + correction,
            Sd: sd,
            Lambda: passage.Lambda,
            Burner: Factor(0),
            Wall: Factor(1),
            Air: Factor(2),
            EyeBias: new FactorEstimate(at[Bias], Math.Sqrt(covariance[Bias, Bias])),
            Kiln: passage.Kiln,
            Curve: passage.Curve,
            Correction: correction,
            Observations: seen.Count,
            ByThermometer: seen.Exists(o => o.Celsius is not null)
        );
    }

    private static (double[] At, Passage Passage, Matrix<double> Jacobian, double Squares) Fit(
        double air,
        List<FuelObservation> seen,
        Func<double[], Passage> run
    )
    {
        var at = new double[Priors.Length];
        at[Air] = air;
        var passage = run(at);
        var jacobian = Slopes(at, seen, run);
        for (var i = 0; seen.Count > 0 && i < Iterations; i++)
        {
            var residuals = Residuals(passage, at, seen);
            var step = jacobian.TransposeThisAndMultiply(jacobian).Solve(-jacobian.TransposeThisAndMultiply(Vector<double>.Build.DenseOfArray(residuals)));
            // A step too far is halved until it mends more than it breaks.
            for (var share = 1.0; ; share /= 2)
            {
                var next = at.Select((v, k) => k == Bias ? v + share * step[k] : Math.Clamp(v + share * step[k], -Furthest, Furthest)).ToArray();
                var tried = run(next);
                if (share > 0.05 && Squares(Residuals(tried, next, seen)) > Squares(residuals) + 1e-9)
                    continue;
                (at, passage) = (next, tried);
                break;
            }
            jacobian = Slopes(at, seen, run);
            if (step.L2Norm() < 1e-3)
                break;
        }
        return (at, passage, jacobian, Squares(Residuals(passage, at, seen)));
    }

    /// <summary>The last reading says what the chamber is, whatever the sums say.</summary>
    private static (double Correction, double Sd) Correct(Passage passage, List<FuelObservation> seen, double until, double sd)
    {
        var last = seen.FindLastIndex(o => o.Celsius is not null);
        if (last < 0)
            return (0, sd);
        var fades = Math.Exp(-(until - seen[last].Minute) / Forgets);
        return ((seen[last].Celsius!.Value - passage.At[last].Celsius) * fades, ReadSd + (sd - ReadSd) * (1 - fades));
    }

    private static double Squares(double[] residuals) => residuals.Sum(r => r * r);

    private static double[] Moved(double[] at, int k, double by) => [.. at.Select((v, i) => i == k ? v + by : v)];

    private static Matrix<double> Slopes(double[] at, List<FuelObservation> seen, Func<double[], Passage> run)
    {
        var columns = Enumerable
            .Range(0, Priors.Length)
            .Select(k =>
            {
                var step = k == Bias ? 1 : Difference;
                var (up, down) = (Moved(at, k, step), Moved(at, k, -step));
                var (above, below) = (Residuals(run(up), up, seen), Residuals(run(down), down, seen));
                return above.Select((v, i) => (v - below[i]) / (2 * step));
            });
        return Matrix<double>.Build.DenseOfColumns(columns);
    }

    /// <summary>How far everything is from what was seen, in its own sureness; the factors from what they are beforehand come last.</summary>
    private static double[] Residuals(Passage passage, double[] x, List<FuelObservation> seen)
    {
        var residuals = new List<double>(seen.Count + Priors.Length);
        var windows = seen.Where(o => o.Celsius is not null)
            .GroupBy(o => Math.Floor(o.Minute / ThermometerMinutes))
            .ToDictionary(g => g.Key, g => Math.Sqrt(g.Count()));
        for (var i = 0; i < seen.Count; i++)
        {
            var (o, at) = (seen[i], passage.At[i]);
            residuals.Add(
                o switch
                {
                    // Many readings within ten minutes are no more than one: hands' errors last.
                    { Celsius: { } read } => (at.Celsius - read) / (ThermometerSd * windows[Math.Floor(o.Minute / ThermometerMinutes)]),
                    { Colour: { } colour } when colour == EyeColour.None => Math.Max(0, at.Celsius + x[Bias] - colour.Celsius) / colour.Sd,
                    { Colour: { } colour } => (at.Celsius + x[Bias] - colour.Celsius) / colour.Sd,
                    { ConeDown: { } cone } => Math.Log(Math.Max(1e-12, at.Progress)) * Square(at.Celsius + 273.15) / ConeTable.Of(cone).Kinetics.Theta / ConeSd,
                    { Air: AirSign.Smell } => (at.Lambda - SmellAt) / SmellSd,
                    { Air: AirSign.Clear } => Math.Min(0, at.Lambda - ClearFrom) / SmellSd,
                    _ => 0,
                }
            );
        }
        for (var k = 0; k < Priors.Length; k++)
            residuals.Add(x[k] / Priors[k]);
        return [.. residuals];
    }

    private static double Square(double value) => value * value;

    /// <summary>One run along the turns with some factors, and what would be seen at each observation.</summary>
    private sealed class Passage
    {
        public Passage(FuelKiln kiln, KilnLoad load, double start, IReadOnlyList<FuelTurn> turns, List<FuelObservation> seen, double until)
        {
            Kiln = kiln;
            var simulation = new FuelSimulation(kiln, load, start);
            var chamber = new CurveRecorder(0, start);
            var cones = seen.Where(o => o.ConeDown is not null)
                .Select(o => o.ConeDown!.Value)
                .Distinct()
                .ToDictionary(c => c, c => (ConeTable.Of(c).Kinetics, Work: 0.0));
            var (turn, next) = (-1, 0);
            var setting = BurnerSetting.Off(0);
            void See()
            {
                for (; next < seen.Count && seen[next].Minute <= simulation.Seconds / 60 + 1e-6; next++)
                {
                    var lambda = simulation.Air.At(setting, simulation.Chamber).Lambda;
                    At.Add((simulation.Chamber, lambda, seen[next].ConeDown is { } cone ? cones[cone].Work : 0));
                }
            }

            while (true)
            {
                var now = simulation.Seconds / 60;
                See();
                while (turn + 1 < turns.Count && turns[turn + 1].Minute <= now + 1e-6)
                    setting = turns[++turn].Setting;
                if (now >= until - 1e-6)
                    break;
                var stop = Math.Min(until, turn + 1 < turns.Count ? turns[turn + 1].Minute : until);
                if (next < seen.Count)
                    stop = Math.Min(stop, seen[next].Minute);
                var before = simulation.Chamber;
                var seconds = Math.Min(FuelSimulation.Step, (stop - now) * 60);
                simulation.Tick(setting, seconds);
                chamber.Add(simulation.Seconds / 60, simulation.Chamber);
                foreach (var (cone, (kinetics, work)) in cones.ToList())
                    cones[cone] = (kinetics, work + kinetics.Over(before, simulation.Chamber, seconds / 3600));
            }
            chamber.Corner();
            Curve = new Curve(chamber.Points);
            Chamber = simulation.Chamber;
            var breath = simulation.Air.At(setting, simulation.Chamber);
            Lambda = breath.Fuel > 0 ? breath.Lambda : null;
        }

        public FuelKiln Kiln { get; }

        public Curve Curve { get; }

        public double Chamber { get; }

        public double? Lambda { get; }

        public List<(double Celsius, double Lambda, double Progress)> At { get; } = [];
    }
}
