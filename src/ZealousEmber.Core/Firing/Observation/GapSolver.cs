using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>
/// What happened in a long stretch without readings. The model runs through it: where it meets the reading at the end, so it was; a turn from one step to the
/// next inside it leaves open how hot it really was. Where it is colder the power was off for a time, at the beginning of the stretch or at its end: two
/// bounds; off for nearly
/// all of it, the mains took the logger with them, and so it was. Source: the project's paper on the firing day, section 1.
/// </summary>
internal static class GapSolver
{
    private const double Met = 10;
    private const double MetShare = 0.15;
    private const int Halvings = 14;

    // Of the stretch: a logger that went out with the mains came back with them.
    private const double NearlyAll = 0.85;
    private const double OverATurn = 2;

    /// <summary>Solves one.</summary>
    /// <param name="observer">As it was before; not changed.</param>
    /// <param name="load">What stands in the kiln.</param>
    /// <param name="program">What it was doing.</param>
    /// <param name="controller">Where the controller was; nothing where it had not begun.</param>
    /// <param name="known">Minutes from the observer's on for which the power was as it was read: the display is behind the chamber, and the next reading was
    /// not due yet.</param>
    /// <param name="to">Minutes of the chamber's time at the end.</param>
    /// <param name="chamber">The chamber there.</param>
    public static GapBridge Solve(
        KilnObserver observer,
        KilnLoad load,
        FiringProgram program,
        ControllerState? controller,
        double known,
        double to,
        double chamber
    )
    {
        var from = observer.Minutes;
        // Nobody knows when it was begun.
        if (controller is null)
            return new GapBridge(from, to, false, false, []);
        var (kiln, state) = observer.ModelAt(observer.Estimate);
        var start = new SimulationState(from * 60, state, controller);
        var span = to - from;
        var through = Run(kiln, load, program, start, span, span, 0, out var hasTurned);
        var missed = chamber - through[^1].Celsius;
        if (Math.Abs(missed) <= Math.Max(Met, MetShare * Math.Abs(chamber - state.Chamber)))
        {
            var curve = through.Select(p => (p.Minutes, Celsius: p.Celsius + missed * (p.Minutes - from) / span)).ToImmutableArray();
            // When one step gave way to the next nobody saw: a minute more at the top is a degree of cone.
            var either = hasTurned ? Math.Max(OverATurn, Math.Abs(missed)) : 0;
            return new GapBridge(from, to, false, observer.Rows > 0, [curve], either);
        }
        if (missed > 0)
        {
            // Hotter than the program would have it: nobody knows how; only a peak of the model inside is worth keeping.
            var peak = through.Max(p => p.Celsius);
            return new GapBridge(from, to, false, false, peak > Math.Max(chamber, state.Chamber) + Met ? [through] : []);
        }
        var most = span - known;
        var (first, off) = OffFor(x => Run(kiln, load, program, start, span, known, x, out _), most, chamber);
        if (off >= NearlyAll * most)
            return new GapBridge(from, to, true, observer.Rows > 0, [first]);
        var last = OffFor(x => Run(kiln, load, program, start, span, span - x, x, out _), most, chamber).Curve;
        return new GapBridge(from, to, true, false, [first, last]);
    }

    private static (ImmutableArray<(double Minutes, double Celsius)> Curve, double Off) OffFor(
        Func<double, ImmutableArray<(double Minutes, double Celsius)>> run,
        double most,
        double chamber
    )
    {
        var (low, high) = (0.0, most);
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            if (run(middle)[^1].Celsius > chamber)
                low = middle;
            else
                high = middle;
        }
        var curve = run((low + high) / 2);
        var (from, missed) = (curve[0].Minutes, chamber - curve[^1].Celsius);
        var span = curve[^1].Minutes - from;
        return ([.. curve.Select(p => (p.Minutes, p.Celsius + missed * (p.Minutes - from) / span))], (low + high) / 2);
    }

    /// <summary>The power on as the program asks, off for a time, and on again.</summary>
    private static ImmutableArray<(double Minutes, double Celsius)> Run(
        Kiln kiln,
        KilnLoad load,
        FiringProgram program,
        SimulationState start,
        double span,
        double on,
        double off,
        out bool hasTurned
    )
    {
        var curve = ImmutableArray.CreateBuilder<(double Minutes, double Celsius)>();
        var simulation = KilnSimulation.Live(kiln, load, program, start, Fineness.Usual, null);
        curve.Add((start.Seconds / 60, simulation.Chamber));
        void Go(double minutes, bool dark)
        {
            for (var left = minutes; left > 1e-6; left -= 1)
            {
                if (dark)
                    simulation.LeadWithPower(Math.Min(1, left) * 60, 0);
                else
                    simulation.Advance(Duration.FromSeconds(Math.Min(1, left) * 60));
                curve.Add((simulation.Seconds / 60, simulation.Chamber));
            }
        }

        Go(on, dark: false);
        Go(off, dark: true);
        if (off > 0 && span - on - off > 1e-6)
            simulation.BeginAgain();
        Go(span - on - off, dark: false);
        hasTurned = simulation.Step != start.Controller!.Step || simulation.Phase != start.Controller.Phase;
        return curve.ToImmutable();
    }
}
