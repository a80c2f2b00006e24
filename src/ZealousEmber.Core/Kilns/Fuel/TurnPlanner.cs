using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A firing under way: what was done so far, and how the clock of the plan runs.</summary>
/// <param name="Minute">From when it is planned anew.</param>
/// <param name="Done">How burners and damper were set until then; the first at the start or later.</param>
/// <param name="Clock">The steps with the times they were planned for.</param>
/// <param name="Correction">How much hotter the chamber is then than the sums say, K.</param>
public sealed record FiringUnderWay(double Minute, ImmutableArray<FuelTurn> Done, ImmutableArray<CompiledSegment> Clock, double Correction = 0);

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

    private const double Grid = 5;
    private const double Near = 5;
    private const double Short = 10;
    private const double StallMinutes = 120;
    private const double StallGain = 1;

    // Behind the line it is caught up with a little faster than written, not at once: the ware feels the rate. Past burn-out and quartz it feels it less.
    private const double CatchUp = 1.3;
    private const double HotCatchUp = 60;
    private const double HotFrom = 650;

    private readonly FuelKiln kiln;
    private readonly FiringProgram? schedule;
    private readonly int every;
    private readonly FuelSimulation simulation;
    private readonly TurnRecorder recorder;
    private readonly TurnLevels levels;
    private readonly ImmutableArray<PlannedTurn>.Builder turns = ImmutableArray.CreateBuilder<PlannedTurn>();
    private readonly ImmutableArray<CompiledSegment>.Builder segments;
    private readonly List<TurnShortfall> trouble = [];
    private readonly FiringUnderWay? underWay;
    private BurnerSetting? last;
    private KilnStall? stall;
    private double late;
    private double powered;
    private double level;

    private TurnPlanner(FuelKiln kiln, KilnLoad load, double start, FiringProgram? schedule, int every, FiringUnderWay? underWay)
    {
        (this.kiln, this.schedule, this.every, this.underWay, level) = (kiln, schedule, every, underWay, start);
        simulation = new FuelSimulation(kiln, load, start);
        recorder = new TurnRecorder(simulation);
        levels = new TurnLevels(kiln, simulation.Air, load.FirstFiring);
        segments = ImmutableArray.CreateBuilder<CompiledSegment>(schedule?.Steps.Length ?? 0);
    }

    /// <summary>Plans a firing.</summary>
    /// <param name="kiln">Which.</param>
    /// <param name="load">With what in it.</param>
    /// <param name="start">Its temperature when the first burner is lit, walls and all.</param>
    /// <param name="program">What is wanted.</param>
    /// <param name="every">Minutes between turns, 15 … 60; only a shorter step comes closer.</param>
    /// <param name="underWay">Where it is planned anew from; from the start when missing.</param>
    /// <returns>A problem at <c>segments[0].target</c> when a first "off" would have to climb, at <c>segments</c> when it would take more than 60 days.</returns>
    public static Result<TurnPlan> Plan(FuelKiln kiln, KilnLoad load, Temperature start, FiringProgram program, int every = UsualEvery, FiringUnderWay? underWay = null)
    {
        if (program.CannotBegin(start) is { } problem) return problem;
        if (program.TooLong(start) is { } tooLong) return tooLong;
        return new TurnPlanner(kiln, load, start.Celsius, program, every, underWay).Whole();
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
        var clock = planned?.Segments ?? [];
        var planner = new TurnPlanner(kiln, load, start.Celsius, null, UsualEvery, new FiringUnderWay(until, turns, clock));
        planner.GoAlong();
        var recorder = planner.recorder;
        var (chamber, line, air, fuel, energy) = (recorder.Chamber, recorder.Line, recorder.Air, recorder.Fuel, planner.Energy());
        var (follow, heat, peak) = (recorder.Follow(0), planner.simulation.Heat, recorder.PeakFuel * 3600);
        var cooling = recorder.CoolDown(kiln.Opens);
        return new TurnPlan(planner.turns.ToImmutable(), [], chamber, line, cooling, air, follow, [], Duration.FromMinutes(until), fuel, heat, energy, null, peak, Duration.FromMinutes(recorder.Minute));
    }

    private double Now => recorder.Minute;

    private double Chamber => simulation.Chamber;

    // Only where there is a schedule is anything planned.
    private FiringProgram Program => schedule!;

    private TurnPlan Whole()
    {
        var first = underWay is null ? 0 : GoOn();
        for (var i = first; i < Program.Steps.Length; i++) Step(i, underWay is not null && i == first);
        var energy = Energy();
        var (chamber, line, air, fuel) = (recorder.Chamber, recorder.Line, recorder.Air, recorder.Fuel);
        if (!Program.Steps[^1].IsEndOff && turns.Count > 0 && turns[^1].Kind != TurnKind.ShutOff) ShutOff(Program.Steps.Length - 1);
        var (follow, heat, peak) = (recorder.Follow(late), simulation.Heat, recorder.PeakFuel * 3600);
        var cooling = recorder.CoolDown(kiln.Opens);
        return new TurnPlan(
            turns.ToImmutable(), segments.MoveToImmutable(), chamber, line, cooling, air, follow, [.. trouble], Duration.FromMinutes(powered), fuel, heat, energy, stall, peak, Duration.FromMinutes(Now));
    }

    /// <summary>Goes along what was done until the moment from which it is planned anew; gives the step that is under way then.</summary>
    private int GoOn()
    {
        GoAlong();
        var (clock, step) = (underWay!.Clock, StepAt(underWay.Clock, underWay.Minute));
        simulation.Correct(underWay.Correction);
        // The clock may be ahead of the kiln: what was not come to is gone on with first.
        while (step > 0 && Program.Steps[step - 1].Target is { } before && clock[step - 1].To > clock[step - 1].From && Chamber < before.Celsius - Short) step--;
        for (var i = 0; i < step; i++) segments.Add(clock[i]);
        level = step > 0 ? clock[step - 1].To.Celsius : level;
        return step;
    }

    /// <summary>Along the turns as they were made; before the first of them nothing burns.</summary>
    private void GoAlong()
    {
        var (now, clock, done) = (underWay!.Minute, underWay.Clock, underWay.Done);
        Func<double, double>? wanted = clock.IsEmpty ? null : minute => WantedBy(clock, minute);
        var first = done.IsEmpty ? now : Math.Min(now, done[0].Minute);
        if (first > 0) recorder.Go(BurnerSetting.Off(0), first, wanted);
        foreach (var (i, turn) in done.Index())
        {
            if (turn.Minute >= now - 1e-6) break;
            var until = i + 1 < done.Length ? Math.Min(now, done[i + 1].Minute) : now;
            Row(turn.Setting, until, clock.IsEmpty ? 0 : StepAt(clock, turn.Minute), false, wanted, wanted?.Invoke(until), false);
        }
    }

    private static int StepAt(ImmutableArray<CompiledSegment> clock, double minute)
    {
        var step = clock.Length - 1;
        while (step > 0 && clock[step].Start.TotalMinutes > minute + 1e-6) step--;
        return step;
    }

    private static double WantedBy(ImmutableArray<CompiledSegment> clock, double minute)
    {
        var segment = clock[StepAt(clock, minute)];
        var ramp = segment.Ramp.TotalMinutes;
        return ramp <= 0 ? segment.To.Celsius : segment.From.Celsius + (segment.To.Celsius - segment.From.Celsius) * Math.Clamp((minute - segment.Start.TotalMinutes) / ramp, 0, 1);
    }

    private void Step(int index, bool resumed)
    {
        var step = Program.Steps[index];
        var target = step.Target?.Celsius ?? kiln.Opens.Celsius;
        var begin = resumed ? Math.Min(Now, underWay!.Clock[index].Start.TotalMinutes) : Now;
        var from = Math.Abs(Chamber - level) <= Near || resumed ? level : Chamber;
        var stalled = false;
        var held = 0.0;
        if (resumed && underWay!.Clock[index].RampEnd.TotalMinutes <= Now && Chamber >= target - Short) held = Now - underWay.Clock[index].RampEnd.TotalMinutes;
        else if (step.Pace.Kind == PaceKind.Natural) Fall(index, target);
        else stalled = Ramp(index, step, begin, from, target);
        var reached = Now - held;
        if (step.Hold > Duration.Zero && !stalled) Hold(index, target, held);
        segments.Add(new CompiledSegment(
            Duration.FromMinutes(begin), Duration.FromMinutes(reached - begin), Duration.FromMinutes(Now - reached), Temperature.FromCelsius(from), Temperature.FromCelsius(stalled || Math.Abs(Chamber - target) > Short ? Chamber : target)));
        level = stalled ? Chamber : target;
        if (step.Pace.Kind != PaceKind.Natural || step.Hold > Duration.Zero) powered = Now;
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
                Row(Choose(index, step.Atmosphere, wanted, until, cools), until, index, false, Line, Line(until), false);
            }
        }
        else if (Math.Abs(target - from) <= 1e-6) return false;
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
            if (Now > before || step.Pace.Rate is null || last is null)
                Row(Choose(index, step.Atmosphere, target, Now + every, cools), null, index, false, Target, target, step.Pace.Rate is not null);
            var until = Now + every;
            while (Far() && Now < until - 1e-6) Leave(step.Pace.Rate is null ? null : Target);
            if (Now - markedAt < StallMinutes) continue;
            if (Math.Abs(Chamber - marked) < StallGain)
            {
                stall ??= new KilnStall(index, Temperature.FromCelsius(Chamber), Duration.FromMinutes(markedAt));
                Note(cools ? TurnTrouble.CannotBeHeldThisCool : TurnTrouble.ShortOfHeat, index, target);
                late += Now - before;
                return true;
            }
            (marked, markedAt) = (Chamber, Now);
        }
        if (step.Pace.Rate is not null) late += Now - before;
        return false;
    }

    private void Hold(int index, double target, double held)
    {
        var (step, begin) = (Program.Steps[index], Now - held);
        var end = begin + Math.Max(Grid, Round(step.HoldMinutes));
        double Target(double minute) => target;
        foreach (var until in Times(begin, end).Where(t => t > Now + 1e-6)) Row(Choose(index, step.Atmosphere, target, until, cools: false), until, index, true, Target, target, false);
    }

    /// <summary>Burners out, flue and ports shut, down to a temperature.</summary>
    private void Fall(int index, double target)
    {
        ShutOff(index);
        var lowest = Math.Max(target, Program.Steps[index].IsEndOff ? kiln.Opens.Celsius : kiln.CoolsTo.Celsius);
        while (Chamber > lowest) recorder.Go(BurnerSetting.Off(0), Now + Grid, null);
    }

    private void ShutOff(int index)
    {
        var shut = BurnerSetting.Off(0);
        var isLast = Program.Steps.Skip(index + 1).All(s => s.Pace.Kind == PaceKind.Natural && s.Hold == Duration.Zero);
        turns.Add(new PlannedTurn(Now, isLast ? TurnKind.ShutOff : TurnKind.Turn, shut, index, false, null, Chamber, Chamber, Chamber, simulation.Air.At(shut, Chamber), double.PositiveInfinity, 0, false));
        last = shut;
    }

    /// <summary>The level that ends nearest to what is wanted.</summary>
    private BurnerSetting Choose(int index, Atmosphere? atmosphere, double wanted, double until, bool cools)
    {
        var from = Chamber;
        var choices = new List<BurnerSetting>(levels.Count);
        for (var i = cools ? 0 : TurnLevels.FirstLit; i < levels.Count; i++)
        {
            if (levels.Setting(i, atmosphere, from, wanted) is { } setting) choices.Add(setting);
        }
        if (choices.Count == 0)
        {
            Note(TurnTrouble.AirCannotBeHad, index, wanted);
            for (var i = TurnLevels.FirstLit; i < levels.Count; i++) choices.Add(levels.Nearest(i, atmosphere, from));
        }
        simulation.Save();
        var seconds = (until - Now) * 60;
        double End(int choice)
        {
            simulation.Advance(choices[choice], seconds);
            var end = Chamber;
            simulation.TakeBack();
            return end;
        }
        var (low, high) = (0, choices.Count - 1);
        while (low < high)
        {
            var mid = (low + high) / 2;
            if (End(mid) >= wanted) high = mid;
            else low = mid + 1;
        }
        var (best, end) = (low, End(low));
        if (low > 0 && End(low - 1) is var below && Math.Abs(below - wanted) < Math.Abs(end - wanted)) (best, end) = (low - 1, below);
        if (best == choices.Count - 1 && end < wanted - Short) Note(TurnTrouble.ShortOfHeat, index, wanted, end);
        else if (best == 0 && !cools && end > wanted + Short) Note(TurnTrouble.CannotBeHeldThisCool, index, wanted, end);
        return choices[best];
    }

    private void Note(TurnTrouble kind, int index, double wanted, double? comes = null)
    {
        if (!trouble.Exists(t => t.Trouble == kind && t.Step == index)) trouble.Add(new TurnShortfall(kind, index, Now, comes ?? Chamber, wanted));
    }

    /// <summary>Writes a row and, where it is known until when it stands, goes there.</summary>
    private void Row(BurnerSetting setting, double? until, int index, bool inHold, Func<double, double>? line, double? wanted, bool isLate)
    {
        var breath = simulation.Air.At(setting, Chamber);
        var row = new PlannedTurn(Now, last == setting ? TurnKind.Look : TurnKind.Turn, setting, index, inHold, schedule?.Steps[index].Atmosphere, Chamber, Chamber, wanted ?? Chamber, breath, breath.Lambda, simulation.FlameAtFlue(breath), isLate);
        turns.Add(row);
        last = setting;
        if (until is not { } end) return;
        recorder.Go(setting, end, line);
        CloseRow();
    }

    /// <summary>Five more minutes as it stands.</summary>
    private void Leave(Func<double, double>? line)
    {
        recorder.Go(last!.Value, Now + Grid, line);
        CloseRow();
    }

    private void CloseRow() => turns[^1] = turns[^1] with { EndCelsius = Chamber, EndLambda = simulation.Air.At(last!.Value, Chamber).Lambda };

    private KilnEnergy Energy()
    {
        var (heat, model) = (simulation.Heat, simulation.Model);
        return new KilnEnergy(Kwh(heat.Fuel), Kwh(heat.Flue + heat.Unburnt + model.Lost), Kwh(model.Stored - model.StoredAtStart));
    }

    private static double Kwh(double joules) => joules / 3.6e6;

    /// <summary>When the turns of a stretch end: as many as whole turns fit, on the five minutes.</summary>
    private IEnumerable<double> Times(double begin, double end)
    {
        var count = Math.Max(1, (int)Math.Floor((end - begin) / every + 1e-9));
        for (var i = 1; i <= count; i++) yield return i == count ? end : begin + Round((end - begin) * i / count);
    }

    private static double Round(double minutes) => Math.Round(minutes / Grid, MidpointRounding.AwayFromZero) * Grid;
}
