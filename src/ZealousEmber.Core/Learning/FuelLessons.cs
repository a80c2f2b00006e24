using System.Collections.Immutable;
using ZealousEmber.Core.Kilns.Fuel;

namespace ZealousEmber.Core.Learning;

/// <summary>How fast a fuel kiln climbed at a pressure in a band of 100 °C, over its firings.</summary>
/// <param name="From">Lower end of the band, °C.</param>
/// <param name="Pressure">All burners, bar.</param>
/// <param name="Damper">Mean, 0 … 1.</param>
/// <param name="PerHour">°C/h.</param>
/// <param name="Minutes">How long it was so in all.</param>
public sealed record ClimbSeen(double From, double Pressure, double Damper, double PerHour, double Minutes);

/// <summary>What finished firings have taught of a fuel kiln, against the kiln as it is stored.</summary>
/// <param name="Burner">What the burners give.</param>
/// <param name="Wall">What the walls let through; from temperatures hardly to be told.</param>
/// <param name="Air">The air it draws.</param>
/// <param name="EyeBias">How much hotter this studio's eyes see it, K.</param>
/// <param name="Firings">How many stand behind it.</param>
/// <param name="Climbs">The table by setting.</param>
public sealed record FuelLessons(
    FactorEstimate Burner,
    FactorEstimate Wall,
    FactorEstimate Air,
    FactorEstimate EyeBias,
    int Firings,
    ImmutableArray<ClimbSeen> Climbs
)
{
    // What is taken of a kiln nobody has fired; the fuel kiln paper's.
    private static readonly (double Burner, double Wall, double Air, double Eye) Prior = (0.15, 0.15, 0.12, 20);

    // A kiln moves a little between firings: gaps, brick, jets.
    private const double Walk = 0.03;

    // The same nose and the same gauge every time: what they are off by in the air no number of firings takes away.
    private const double OneNose = 0.03;
    private const double Band = 100;
    private const double Shortest = 10;
    private const double Sure = 1.28;
    private const double LeastUncertainty = 0.04;

    /// <summary>Puts firings together, the earliest first; each with the turns that were made and what it was found to be.</summary>
    public static FuelLessons Of(IReadOnlyList<(FuelEstimate Estimate, ImmutableArray<FuelTurn> Turns)> firings) =>
        new(
            Factor(firings, e => e.Burner, Prior.Burner),
            Factor(firings, e => e.Wall, Prior.Wall),
            Factor(firings, e => e.Air, Prior.Air, OneNose),
            Bias(firings),
            firings.Count,
            ClimbsOf(firings)
        );

    /// <summary>A kiln with what was learned of it.</summary>
    public FuelKiln Of(FuelKiln kiln) =>
        Firings == 0
            ? kiln
            : kiln.Learned(
                kiln.BurnerFactor * Burner.Mean,
                kiln.WallFactor * Wall.Mean,
                kiln.AirFactor * Air.Mean,
                Math.Max(LeastUncertainty, Math.Min(kiln.Uncertainty, Sure * Math.Max(Burner.Sd / Burner.Mean, Air.Sd / Air.Mean / 2)))
            );

    private static FactorEstimate Factor(
        IReadOnlyList<(FuelEstimate Estimate, ImmutableArray<FuelTurn> Turns)> firings,
        Func<FuelEstimate, FactorEstimate> of,
        double prior,
        double common = 0
    )
    {
        var (mean, sd) = Together(firings.Select(f => (Math.Log(of(f.Estimate).Mean), of(f.Estimate).Sd / of(f.Estimate).Mean)), prior, Walk);
        return new FactorEstimate(Math.Exp(mean), Math.Exp(mean) * Math.Sqrt(sd * sd + (firings.Count > 0 ? common * common : 0)));
    }

    private static FactorEstimate Bias(IReadOnlyList<(FuelEstimate Estimate, ImmutableArray<FuelTurn> Turns)> firings)
    {
        var (mean, sd) = Together(firings.Select(f => (f.Estimate.EyeBias.Mean, f.Estimate.EyeBias.Sd)), Prior.Eye, 2);
        return new FactorEstimate(mean, sd);
    }

    /// <summary>Several looks at one number, each of which began from the same that was taken beforehand: that is counted once.</summary>
    private static (double Mean, double Sd) Together(IEnumerable<(double Mean, double Sd)> looks, double prior, double walk)
    {
        var (mean, variance) = (0.0, prior * prior);
        foreach (var (value, sd) in looks)
        {
            variance += walk * walk;
            var told = 1 / (sd * sd) - 1 / (prior * prior);
            if (told <= 1e-9)
                continue;
            // What the firing itself says, without what was taken beforehand (0).
            var own = value / (sd * sd) / told;
            var gain = variance / (variance + 1 / told);
            (mean, variance) = (mean + gain * (own - mean), variance * (1 - gain));
        }
        return (mean, Math.Sqrt(Math.Min(variance, prior * prior)));
    }

    private static ImmutableArray<ClimbSeen> ClimbsOf(IReadOnlyList<(FuelEstimate Estimate, ImmutableArray<FuelTurn> Turns)> firings)
    {
        var seen = new List<ClimbSeen>();
        foreach (var (estimate, turns) in firings)
        {
            var curve = estimate.Curve;
            for (var i = 0; i < turns.Length; i++)
            {
                var (from, to) = (turns[i].Minute, Math.Min(estimate.Minute, i + 1 < turns.Length ? turns[i + 1].Minute : estimate.Minute));
                if (turns[i].Setting.Flame != Flame.Gauge || to - from < Shortest)
                    continue;
                var (start, end) = (At(curve, from), At(curve, to));
                seen.Add(
                    new ClimbSeen(
                        Math.Floor((start + end) / 2 / Band) * Band,
                        Math.Round(turns[i].Setting.Pressure, 4),
                        turns[i].Setting.Damper,
                        (end - start) / (to - from) * 60,
                        to - from
                    )
                );
            }
        }
        return
        [
            .. seen.GroupBy(s => (s.From, s.Pressure))
                .Select(g => new ClimbSeen(
                    g.Key.From,
                    g.Key.Pressure,
                    g.Sum(s => s.Damper * s.Minutes) / g.Sum(s => s.Minutes),
                    g.Sum(s => s.PerHour * s.Minutes) / g.Sum(s => s.Minutes),
                    g.Sum(s => s.Minutes)
                ))
                .OrderBy(s => s.From)
                .ThenBy(s => s.Pressure),
        ];
    }

    private static double At(Schedules.Curve curve, double minute) => curve.At(NodaTime.Duration.FromMinutes(minute)).Celsius;
}
