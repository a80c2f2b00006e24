using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>
/// What is left of a program after a cut, so that the ware gets the heat work that was planned: the hold is made shorter, then the top lower; so near
/// the goal it is left off. Heat work stays, and the way up counts again. Source: the project's paper on the firing day, section 3.
/// </summary>
/// <param name="kiln">As it is known now.</param>
/// <param name="load">What stands in it.</param>
/// <param name="state">As warm as it is now.</param>
/// <param name="cone">Whose heat work counts.</param>
/// <param name="offset">Added to what is shown, K.</param>
internal sealed class ResumePlanner(Kiln kiln, KilnLoad load, ThermalState state, ConeKinetics cone, double offset)
{
    private const double NearEnough = 4;
    private const double LongestMinutes = 14 * 24 * 60;
    private const int Halvings = 30;

    private static readonly Fineness Fine = new(30, ThermalModel.UsualNodes, 120, 0.05);

    /// <summary>Plans it.</summary>
    /// <param name="program">The whole program.</param>
    /// <param name="step">The step that was interrupted.</param>
    /// <param name="now">Minutes since the start.</param>
    /// <param name="done">Progress so far.</param>
    /// <param name="planned">Progress that was planned.</param>
    /// <param name="plannedEnd">When the power was to go off, minutes.</param>
    public ResumePlan? Plan(FiringProgram program, int step, double now, double done, double planned, double plannedEnd)
    {
        if (FiringProgram.Create([.. program.Steps.Skip(step)]) is not { IsOk: true, Value: var rest })
            return null;
        var (sameWork, sameMinutes) = Run(rest);
        var goal = cone.EndPoint(60, Math.Clamp(planned, 1e-3, 100));
        double Past(double progress) => cone.EndPoint(60, Math.Clamp(progress, 1e-3, 100)) - goal;
        ResumePlan Answer(FiringProgram? instead, double work, double minutes) =>
            new(
                step,
                rest,
                instead,
                Past(done + sameWork),
                now + sameMinutes - plannedEnd,
                Past(done + work),
                instead is null ? now - plannedEnd : now + minutes - plannedEnd
            );

        // Near its end point, or what was planned where that is less: what is missing is less than a shelf differs from the next.
        if (done > 0 && (Past(done) > -NearEnough || cone.EndPoint(60, Math.Clamp(done, 1e-3, 100)) > cone.EndPoint(60) - NearEnough))
            return Answer(null, 0, 0);
        var top = rest.TopStep;
        var (target, hold) = (rest.Steps[top].Target!.Value, rest.Steps[top].Hold);
        var instead = rest;
        if (Past(done + sameWork) > 1)
        {
            var without = Run(rest.WithStep(top, target, Duration.Zero)).Work;
            instead =
                done + without <= planned
                    ? rest.WithStep(
                        top,
                        target,
                        Whole(Search(0, hold.TotalMinutes, m => done + Run(rest.WithStep(top, target, Duration.FromMinutes(m))).Work - planned))
                    )
                    : Lower(rest, top, target, done, planned);
        }
        var (work, minutes) = Run(instead);
        return Answer(instead, work, minutes);
    }

    private FiringProgram Lower(FiringProgram rest, int top, Temperature target, double done, double planned)
    {
        // No lower than what comes before it, or than the kiln is: the step would turn round.
        var low = Math.Max(rest.Steps.Take(top).Select(s => s.Target?.Celsius ?? 0).DefaultIfEmpty(0).Max(), state.Chamber);
        var at = Search(Math.Min(low, target.Celsius), target.Celsius, c =>
            done + Run(rest.WithStep(top, Temperature.FromCelsius(c), Duration.Zero)).Work - planned
        );
        return rest.WithStep(top, Temperature.FromCelsius(Math.Round(at)), Duration.Zero);
    }

    private static Duration Whole(double minutes) => Duration.FromMinutes(Math.Round(minutes));

    private static double Search(double low, double high, Func<double, double> over)
    {
        for (var i = 0; i < Halvings && high - low > 0.1; i++)
        {
            var middle = (low + high) / 2;
            if (over(middle) > 0)
                high = middle;
            else
                low = middle;
        }
        return (low + high) / 2;
    }

    private (double Work, double Minutes) Run(FiringProgram rest)
    {
        var simulation = KilnSimulation.Live(kiln, load, rest, new SimulationState(0, state), Fine, null);
        var (work, before, at, off) = (0.0, state.Chamber, 0.0, double.NaN);
        var idle = cone.EndPoint(60) - 250;
        while (at < LongestMinutes)
        {
            var isOff =
                simulation.Phase == ControllerPhase.Finished || (simulation.Phase == ControllerPhase.Falling && simulation.Step == rest.Steps.Length - 1);
            if (isOff && double.IsNaN(off))
                off = at;
            if (isOff && simulation.Chamber < idle)
                break;
            if (simulation.Phase == ControllerPhase.Finished)
                simulation.Fall(kiln.Opens.Celsius);
            else
                simulation.Tick();
            var now = simulation.Seconds / 60;
            if (now > at && (before > idle || simulation.Chamber > idle))
                work += cone.Over(before + offset, simulation.Chamber + offset, (now - at) / 60);
            (before, at) = (simulation.Chamber, now);
        }
        return (work, double.IsNaN(off) ? at : off);
    }
}
