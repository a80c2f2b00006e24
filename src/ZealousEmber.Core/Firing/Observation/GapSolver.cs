using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>
/// What happened in a long stretch without readings. The model runs through it: where it meets the reading at the end, so it was. Where it is colder
/// the power was off for a time, at the beginning of the stretch or at its end: two bounds. Source: the project's paper on the firing day, section 1.
/// </summary>
internal static class GapSolver
{
    private const double Met = 10;
    private const double MetShare = 0.15;
    private const int Halvings = 14;

    /// <summary>Solves one.</summary>
    /// <param name="observer">As it was before; not changed.</param>
    /// <param name="load">What stands in the kiln.</param>
    /// <param name="program">What it was doing.</param>
    /// <param name="controller">Where the controller was.</param>
    /// <param name="to">Minutes of the chamber's time at the end.</param>
    /// <param name="chamber">The chamber there.</param>
    public static GapBridge Solve(KilnObserver observer, KilnLoad load, FiringProgram program, ControllerState? controller, double to, double chamber)
    {
        var (kiln, state) = observer.ModelAt(observer.Estimate);
        var from = observer.Minutes;
        var start = new SimulationState(from * 60, state, controller);
        var span = to - from;
        var through = Run(kiln, load, program, start, span, 0, 0);
        var missed = chamber - through[^1].Celsius;
        if (Math.Abs(missed) <= Math.Max(Met, MetShare * Math.Abs(chamber - state.Chamber)))
        {
            var curve = through.Select(p => (p.Minutes, p.Celsius + missed * (p.Minutes - from) / span)).ToImmutableArray();
            return new GapBridge(from, to, false, observer.Rows > 0, [curve]);
        }
        if (missed > 0)
        {
            // Hotter than the program would have it: nobody knows how; only a peak of the model inside is worth keeping.
            var peak = through.Max(p => p.Celsius);
            return new GapBridge(from, to, false, false, peak > Math.Max(chamber, state.Chamber) + Met ? [through] : []);
        }
        var first = OffFor(x => Run(kiln, load, program, start, span, x, 0), span, chamber);
        var last = OffFor(x => Run(kiln, load, program, start, span, 0, x), span, chamber);
        return new GapBridge(from, to, true, false, [first, last]);
    }

    private static ImmutableArray<(double Minutes, double Celsius)> OffFor(Func<double, ImmutableArray<(double Minutes, double Celsius)>> run, double span, double chamber)
    {
        var (low, high) = (0.0, span);
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            if (run(middle)[^1].Celsius > chamber) low = middle;
            else high = middle;
        }
        var curve = run((low + high) / 2);
        var (from, missed) = (curve[0].Minutes, chamber - curve[^1].Celsius);
        return [.. curve.Select(p => (p.Minutes, p.Celsius + missed * (p.Minutes - from) / span))];
    }

    private static ImmutableArray<(double Minutes, double Celsius)> Run(Kiln kiln, KilnLoad load, FiringProgram program, SimulationState start, double span, double offFirst, double offLast)
    {
        var curve = ImmutableArray.CreateBuilder<(double Minutes, double Celsius)>();
        var simulation = KilnSimulation.Live(kiln, load, program, start, Fineness.Usual, null);
        curve.Add((start.Seconds / 60, simulation.Chamber));
        void Off(double minutes)
        {
            for (var left = minutes; left > 1e-6; left -= 1)
            {
                simulation.LeadWithPower(Math.Min(1, left) * 60, 0);
                curve.Add((simulation.Seconds / 60, simulation.Chamber));
            }
        }

        if (offFirst > 0)
        {
            Off(offFirst);
            simulation.BeginAgain();
        }
        for (var left = span - offFirst - offLast; left > 1e-6; left -= 1)
        {
            simulation.Advance(Duration.FromSeconds(Math.Min(1, left) * 60));
            curve.Add((simulation.Seconds / 60, simulation.Chamber));
        }
        Off(offLast);
        return curve.ToImmutable();
    }
}
