using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>
/// Turns a schedule into turns of regulator and damper a hand can make: every so many minutes the level that ends nearest to what is wanted then, gone
/// on with from where it really ends. Deterministic. Source: the fuel kiln paper, "Turn-up sheet".
/// </summary>
public sealed class TurnPlanner
{
    /// <summary>Usual time between turns, minutes.</summary>
    public const int UsualEvery = 30;

    /// <summary>Shortest time between turns, minutes.</summary>
    public const int ShortestEvery = 15;

    /// <summary>Longest time between turns, minutes.</summary>
    public const int LongestEvery = 60;

    /// <summary>Longest firing that is planned into turns: nobody stands at a kiln for longer.</summary>
    public static readonly Duration Longest = Duration.FromDays(14);

    private const double Grid = 5;
    private const double Near = 5;
    private const double Short = 10;
    private const double StallMinutes = 120;
    private const double StallGain = 1;

    // Nobody waits longer for one target.
    private const double MostLate = 7 * 24 * 60;

    // Behind the line it is caught up with a little faster than written, not at once: the ware feels the rate. Past burn-out and quartz it feels it less.
    private const double CatchUp = 1.3;
    private const double HotCatchUp = 60;
    private const double HotFrom = 650;

    private readonly FuelKiln kiln;
    private readonly FiringProgram program;
    private readonly int every;
    private readonly TurnSheet sheet;
    private readonly TurnLevels levels;
    private readonly ImmutableArray<CompiledSegment>.Builder segments;
    private readonly List<TurnShortfall> trouble = [];
    private readonly FiringUnderWay? underWay;
    private KilnStall? stall;
    private double late;
    private double powered;
    private double level;
    private readonly CancellationToken cancel;
    private readonly double[] ends;
    private readonly int[] chosenFrom;
    private int chosen;

    private TurnPlanner(FuelKiln kiln, KilnLoad load, double start, FiringProgram program, int every, FiringUnderWay? underWay, CancellationToken cancel)
    {
        (this.kiln, this.program, this.every, this.underWay, this.cancel, level) = (kiln, program, every, underWay, cancel, start);
        sheet = new TurnSheet(kiln, load, start, program);
        levels = new TurnLevels(kiln, sheet.Simulation.Air, load.FirstFiring);
        segments = ImmutableArray.CreateBuilder<CompiledSegment>(program.Steps.Length);
        (ends, chosenFrom) = (new double[levels.Count], new int[levels.Count]);
    }

    /// <summary>Plans a firing.</summary>
    /// <param name="kiln">Which.</param>
    /// <param name="load">With what in it.</param>
    /// <param name="start">Its temperature when the first burner is lit, walls and all.</param>
    /// <param name="program">What is wanted.</param>
    /// <param name="every">Minutes between turns, 15 … 60; only a shorter step comes closer.</param>
    /// <param name="underWay">Where it is planned anew from; from the start when missing.</param>
    /// <param name="cancel">Nobody waits for it any more.</param>
    /// <returns>A problem at <c>segments[0].target</c> when a first "off" would have to climb, at <c>segments</c> when it would take more than <see
    /// cref="Longest"/>.</returns>
    public static Result<TurnPlan> Plan(
        FuelKiln kiln,
        KilnLoad load,
        Temperature start,
        FiringProgram program,
        int every = UsualEvery,
        FiringUnderWay? underWay = null,
        CancellationToken cancel = default
    )
    {
        if (program.CannotBegin(start) is { } problem)
            return problem;
        if (program.TooLong(start, Longest) is { } tooLong)
            return tooLong;
        return new TurnPlanner(kiln, load, start.Celsius, program, every, underWay, cancel).Whole();
    }

    /// <summary>Follows turns as they are made.</summary>
    /// <param name="kiln">Which.</param>
    /// <param name="load">With what in it.</param>
    /// <param name="start">Its temperature at the start, walls and all.</param>
    /// <param name="turns">In order of time.</param>
    /// <param name="until">Minute up to which they are followed.</param>
    /// <param name="planned">What was wanted; nothing where there is no schedule.</param>
    public static TurnPlan Follow(FuelKiln kiln, KilnLoad load, Temperature start, ImmutableArray<FuelTurn> turns, double until, TurnPlan? planned = null)
    {
        var sheet = new TurnSheet(kiln, load, start.Celsius, null);
        sheet.FollowDone(turns, until, planned?.Segments ?? []);
        return sheet.Finish([], [], null, 0, until);
    }

    private double Now => sheet.Now;

    private double Chamber => sheet.Chamber;

    private TurnPlan Whole()
    {
        var first = underWay is null ? 0 : GoOn(underWay);
        for (var i = first; i < program.Steps.Length; i++)
            Step(i, i == first ? underWay : null);
        if (!program.Steps[^1].IsEndOff && !sheet.IsShut)
            ShutOff(program.Steps.Length - 1);
        return sheet.Finish(segments.MoveToImmutable(), [.. trouble], stall, late, powered);
    }

    /// <summary>Goes along what was done until the moment from which it is planned anew; gives the step that is under way then.</summary>
    private int GoOn(FiringUnderWay from)
    {
        sheet.FollowDone(from.Done, from.Minute, from.Clock);
        sheet.Simulation.Correct(from.Correction);
        var (clock, step) = (from.Clock, from.Clock.StepAt(from.Minute));
        // The clock may be ahead of the kiln: what was not come to is gone on with first.
        while (step > 0 && program.Steps[step - 1].Target is { } before && clock[step - 1].To > clock[step - 1].From && Chamber < before.Celsius - Short)
            step--;
        for (var i = 0; i < step; i++)
            segments.Add(clock[i]);
        level = step > 0 ? clock[step - 1].To.Celsius : level;
        return step;
    }

    private void Step(int index, FiringUnderWay? resumed)
    {
        var step = program.Steps[index];
        var target = step.Target?.Celsius ?? kiln.Opens.Celsius;
        var before = resumed?.Clock[index];
        var begin = before is null ? Now : Math.Min(Now, before.Start.TotalMinutes);
        var from = before is not null || Math.Abs(Chamber - level) <= Near ? level : Chamber;
        var stalled = false;
        var held = 0.0;
        if (before is not null && before.RampEnd.TotalMinutes <= Now && Chamber >= target - Short)
            held = Now - before.RampEnd.TotalMinutes;
        else if (step.Pace.Kind == PaceKind.Natural)
            Fall(index, target);
        else
            stalled = Ramp(index, step, begin, from, target);
        var reached = Now - held;
        if (step.Hold > Duration.Zero && !stalled)
            Hold(index, target, held);
        segments.Add(
            new CompiledSegment(
                Duration.FromMinutes(begin),
                Duration.FromMinutes(reached - begin),
                Duration.FromMinutes(Now - reached),
                Temperature.FromCelsius(from),
                Temperature.FromCelsius(stalled || Math.Abs(Chamber - target) > Short ? Chamber : target)
            )
        );
        level = stalled ? Chamber : target;
        if (step.Pace.Kind != PaceKind.Natural || step.Hold > Duration.Zero)
            powered = Now;
    }

    /// <summary>Up or down to a target, turn by turn; true when it gave up on it.</summary>
    private bool Ramp(int index, Segment step, double begin, double from, double target)
    {
        var (cools, rate) = (target < from, step.Pace.Rate?.KelvinsPerHour);
        if (Math.Abs(target - from) > 1e-6 && rate is { } perHour)
        {
            var end = begin + Math.Max(Grid, Round(Math.Abs(target - from) / perHour * 60));
            double Line(double minute) => minute >= end ? target : from + (target - from) * Math.Max(0, minute - begin) / (end - begin);
            foreach (var until in Times(begin, end).Where(t => t > Now + 1e-6))
            {
                var span = until - Now;
                var wanted = cools ? Line(until) : Math.Min(Line(until), Chamber + Fastest(perHour) * span / 60);
                sheet.Row(Choose(index, step.Atmosphere, wanted, until, cools), until, index, false, Line, Line(until));
            }
        }
        else if (Math.Abs(target - from) <= 1e-6)
            return false;
        return Late(index, step, target, cools);
    }

    private double Fastest(double perHour) => Chamber < HotFrom ? CatchUp * perHour : Math.Max(CatchUp * perHour, perHour + HotCatchUp);

    /// <summary>Not there yet: leave it by five minutes, and turn again where that takes longer than a turn.</summary>
    private bool Late(int index, Segment step, double target, bool cools)
    {
        bool Far() => cools ? Chamber > Math.Max(target, kiln.CoolsTo.Celsius) + Near : Chamber < target - Near;
        var (before, marked, markedAt) = (Now, Chamber, Now);
        double Target(double minute) => target;
        while (Far())
        {
            // A climb as fast as it can has had no turn of its own yet.
            if (Now > before || step.Pace.Rate is null || sheet.Last is null)
                sheet.Row(Choose(index, step.Atmosphere, target, Now + every, cools), null, index, false, Target, target, step.Pace.Rate is not null);
            var until = Now + every;
            while (Far() && Now < until - 1e-6)
                sheet.Leave(Grid, step.Pace.Rate is null ? null : Target);
            if (Now - markedAt < StallMinutes)
                continue;
            // Towards the target: a kiln that swings between two settings gains nothing either.
            if ((cools ? marked - Chamber : Chamber - marked) < StallGain || Now - before > MostLate)
            {
                stall ??= new KilnStall(index, Temperature.FromCelsius(Chamber), Duration.FromMinutes(markedAt));
                Note(cools ? TurnTrouble.CannotBeHeldThisCool : TurnTrouble.ShortOfHeat, index, target);
                late += Now - before;
                return true;
            }
            (marked, markedAt) = (Chamber, Now);
        }
        if (step.Pace.Rate is not null)
            late += Now - before;
        return false;
    }

    private void Hold(int index, double target, double held)
    {
        var (step, begin) = (program.Steps[index], Now - held);
        var end = begin + Math.Max(Grid, Round(step.HoldMinutes));
        double Target(double minute) => target;
        foreach (var until in Times(begin, end).Where(t => t > Now + 1e-6))
            sheet.Row(Choose(index, step.Atmosphere, target, until, cools: false), until, index, true, Target, target);
    }

    /// <summary>Burners out, flue and ports shut, down to a temperature.</summary>
    private void Fall(int index, double target)
    {
        ShutOff(index);
        var lowest = Math.Max(target, program.Steps[index].IsEndOff ? kiln.Opens.Celsius : kiln.CoolsTo.Celsius);
        // Closed up it comes down to where it may be opened; a room that is warmer keeps it.
        for (var until = Now + FiringProgram.LongestOnKiln.TotalMinutes; Chamber > lowest && Now < until; )
            sheet.Go(BurnerSetting.Off(0), Now + Grid);
    }

    private void ShutOff(int index) => sheet.ShutOff(index, program.Steps.Skip(index + 1).All(s => s.Pace.Kind == PaceKind.Natural && s.Hold == Duration.Zero));

    /// <summary>The level that ends nearest to what is wanted.</summary>
    private BurnerSetting Choose(int index, Atmosphere? atmosphere, double wanted, double until, bool cools)
    {
        cancel.ThrowIfCancellationRequested();
        var from = Chamber;
        var choices = new List<BurnerSetting>(levels.Count);
        // Where the turn before stands among them: this one is seldom far from it.
        var near = 0;
        void Add(int at, BurnerSetting setting)
        {
            if (at <= chosen)
                near = choices.Count;
            choices.Add(setting);
            chosenFrom[choices.Count - 1] = at;
        }
        for (var i = cools ? 0 : TurnLevels.FirstLit; i < levels.Count; i++)
        {
            if (levels.Setting(i, atmosphere, from, wanted) is { } setting)
                Add(i, setting);
        }
        if (choices.Count == 0)
        {
            Note(TurnTrouble.AirCannotBeHad, index, wanted);
            for (var i = TurnLevels.FirstLit; i < levels.Count; i++)
                Add(i, levels.Nearest(i, atmosphere, from));
        }
        sheet.Simulation.Save();
        var seconds = (until - Now) * 60;
        Array.Fill(ends, double.NaN);
        double End(int choice)
        {
            if (!double.IsNaN(ends[choice]))
                return ends[choice];
            sheet.Simulation.Advance(choices[choice], seconds);
            var end = Chamber;
            sheet.Simulation.TakeBack();
            return ends[choice] = end;
        }
        // The first that ends at least there: from the turn before outwards, by longer and longer strides, then by halves.
        var (low, high, stride) = (0, choices.Count - 1, 1);
        if (End(near) >= wanted)
        {
            for (high = near; high > 0 && low < high; stride *= 2)
            {
                var lower = Math.Max(0, high - stride);
                if (End(lower) >= wanted)
                    high = lower;
                else
                    low = lower + 1;
                if (low > lower)
                    break;
            }
        }
        else
        {
            for (low = Math.Min(near + 1, choices.Count - 1); low < high; stride *= 2)
            {
                var higher = Math.Min(choices.Count - 1, low + stride - 1);
                if (End(higher) >= wanted)
                    high = higher;
                else
                    low = Math.Min(higher + 1, choices.Count - 1);
                if (high == higher)
                    break;
            }
        }
        while (low < high)
        {
            var mid = (low + high) / 2;
            if (End(mid) >= wanted)
                high = mid;
            else
                low = mid + 1;
        }
        var (best, end) = (low, End(low));
        if (low > 0 && End(low - 1) is var below && Math.Abs(below - wanted) < Math.Abs(end - wanted))
            (best, end) = (low - 1, below);
        if (best == choices.Count - 1 && end < wanted - Short)
            Note(TurnTrouble.ShortOfHeat, index, wanted, end);
        else if (best == 0 && !cools && end > wanted + Short)
            Note(TurnTrouble.CannotBeHeldThisCool, index, wanted, end);
        chosen = chosenFrom[best];
        return choices[best];
    }

    private void Note(TurnTrouble kind, int index, double wanted, double? comes = null)
    {
        if (!trouble.Exists(t => t.Trouble == kind && t.Step == index))
            trouble.Add(new TurnShortfall(kind, index, Now, comes ?? Chamber, wanted));
    }

    /// <summary>When the turns of a stretch end: as many as whole turns fit, on the five minutes.</summary>
    private IEnumerable<double> Times(double begin, double end)
    {
        var count = Math.Max(1, (int)Math.Floor((end - begin) / every + 1e-9));
        for (var i = 1; i <= count; i++)
            yield return i == count ? end : begin + Round((end - begin) * i / count);
    }

    private static double Round(double minutes) => Math.Round(minutes / Grid, MidpointRounding.AwayFromZero) * Grid;
}
