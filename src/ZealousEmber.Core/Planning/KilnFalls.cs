using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>How a kiln falls by itself in this very firing, and so which falls have to be commanded.</summary>
/// <param name="load">What is in it.</param>
/// <param name="kiln">Which.</param>
/// <param name="write">In which numbers.</param>
/// <param name="top">About the top, °C.</param>
internal sealed class KilnFalls(WareLoad load, IKilnModel kiln, PlanWriter write, double top)
{
    private const double LowTop = 900;
    private const double FarSlower = 2;
    private const double FallsTo = 190;

    /// <summary>How fast the kiln falls by itself after steps, in the mean between two temperatures, °C/h.</summary>
    public Func<double, double, double> After(IEnumerable<PlanStep> steps)
    {
        double Usual(double a, double b) => kiln.NaturalFall(Temperature.FromCelsius((a + b) / 2))?.KelvinsPerHour ?? double.PositiveInfinity;
        // Far slower than the ware stands by any account: nothing hangs on it.
        var stands = WareLimits.Through(load, raw: false).Limit;
        if (kiln.Burns || (top > LowTop && new[] { WallGradient.Quartz, WallGradient.Cristobalite }.All(b => Usual(b.From, b.To) * FarSlower < stands)))
            return Usual;
        var off = FiringProgram.Create([.. steps.Select(s => s.Step), Segment.Of(Pace.Natural, Temperature.FromCelsius(FallsTo)).Value]);
        if (!off.IsOk || kiln.Times(off.Value) is not { IsOk: true, Value: var times })
            return Usual;
        var curve = times.Curve;
        return (a, b) =>
        {
            var (low, high) = (Math.Min(a, b), Math.Min(Math.Max(a, b), curve.Peak.Celsius - 1));
            var span = high > low + 1 ? curve.LastFallThrough(Temperature.FromCelsius(low)) - curve.LastFallThrough(Temperature.FromCelsius(high)) : null;
            return span is { TotalHours: > 0 } time ? (high - low) / time.TotalHours : Usual(low, high);
        };
    }

    /// <summary>
    /// Below a band or a hold the walls are in another state than after a fall from the top, and the kiln falls slower or, thinly loaded, quicker.
    /// </summary>
    public Func<double, double, double> AfterWhatGlazesAsk(IReadOnlyList<PlanStep> up, List<PlanStep> cools, Func<double, double, double> fall)
    {
        var last = cools.FindLastIndex(s => s.By != "quartz-cooling" && (s.Step.Pace.Kind == PaceKind.Rate || s.Step.Hold > Duration.Zero));
        if (last < 0)
            return fall;
        var (below, after) = (cools[last].Step.Target!.Value.Celsius, After([.. up, .. cools.Take(last + 1)]));
        return (a, b) => Math.Max(a, b) <= below + 1 ? after(a, b) : fall(a, b);
    }

    /// <summary>After a slow band the walls are warmer and the kiln falls slower than from its top: a fall that would not bind is left out.</summary>
    public List<PlanStep> Binding(IReadOnlyList<PlanStep> up, List<PlanStep> cools)
    {
        for (var i = cools.Count - 1; i > 0; i--)
        {
            if (cools[i].By != "quartz-cooling" || !cools.Take(i).Any(s => s.Step.Pace.Kind == PaceKind.Rate || s.Step.Hold > Duration.Zero))
                continue;
            var falls = After([.. up, .. cools.Take(i).Where(s => s is not { By: "cooling", Step.Pace.Kind: PaceKind.Natural })]);
            var (from, to) = cools[i].Step.Target!.Value.Celsius > WallGradient.Cristobalite.To ? WallGradient.Quartz : WallGradient.Cristobalite;
            if (falls(from, to) * ClimbLimits.Stronger > WareLimits.Through(load, raw: false).Limit)
                continue;
            // One step through both size changes ends after the first.
            if (to == WallGradient.Cristobalite.To && (cools[i - 1].Step.Target ?? ScheduleLimits.Hottest).Celsius > WallGradient.Quartz.From + 1)
            {
                cools[i] = cools[i] with { Step = cools[i].Step.Changed(target: Temperature.FromCelsius(write.BreakBelow(WallGradient.Quartz.From))).Value };
                i++;
                continue;
            }
            cools.RemoveAt(i);
            if (cools[i - 1] is { By: "cooling", Step.Pace.Kind: PaceKind.Natural } && i < cools.Count)
                cools.RemoveAt(i - 1);
        }
        return cools;
    }
}
