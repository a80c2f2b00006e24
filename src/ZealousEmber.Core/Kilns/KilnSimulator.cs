using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns;

/// <summary>How finely a run is worked out.</summary>
/// <param name="Step">Usual step, s.</param>
/// <param name="Nodes">Nodes through the wall.</param>
/// <param name="Longest">A quiet stretch may take steps up to this, s.</param>
public sealed record Fineness(double Step, int Nodes, double Longest)
{
    /// <summary>30 s and 12 nodes, up to 60 s where little happens: good to a degree and a minute or two (docs/model.md).</summary>
    public static readonly Fineness Usual = new(30, ThermalModel.UsualNodes, 60);
}

/// <summary>Runs a schedule on a kiln as its controller would. Deterministic; a 48 h firing takes under a millisecond.</summary>
public sealed class KilnSimulator
{
    private const double Near = 2;
    private const double StallGain = 1;
    private const double StallSeconds = 7200;
    private const double SecondsPerMinute = 60;

    /// <summary>Longest firing worked out with a kiln: 60 days.</summary>
    public static readonly Duration Longest = Duration.FromDays(60);

    private readonly Kiln kiln;
    private readonly ThermalModel model;
    private readonly Fineness fineness;
    private readonly CurveRecorder curve;
    private readonly List<CurvePoint> setPoint;
    private readonly List<double> bins = new(512);
    private double now;
    private double step;
    private double slope;
    private double fullSeconds;
    private double curveLast = double.NaN;

    private KilnSimulator(Kiln kiln, KilnLoad load, Temperature start, Fineness fineness)
    {
        (this.kiln, this.fineness) = (kiln, fineness);
        model = new ThermalModel(kiln, load, start.Celsius, fineness.Nodes);
        curve = new CurveRecorder(0, start.Celsius);
        setPoint = [new(0, start.Celsius)];
        step = fineness.Step;
    }

    /// <summary>Runs a schedule.</summary>
    /// <param name="schedule">What is wanted.</param>
    /// <param name="start">The kiln's temperature when it is switched on, walls and all.</param>
    /// <param name="kiln">On what.</param>
    /// <param name="load">With what in it.</param>
    /// <param name="fineness">How finely; the usual when missing.</param>
    /// <param name="untilOpen">Whether to go on until it may be opened; without, the run ends with its last step.</param>
    /// <returns>
    /// A problem at <c>segments[0].target</c> when a first "off" would have to climb; at <c>segments</c> when it would last longer than <see cref="Longest"/>.
    /// A kiln that cannot get there is no problem of the schedule: the run says so in <see cref="KilnRun.Stall"/>.
    /// </returns>
    public static Result<KilnRun> Run(Schedule schedule, Temperature start, Kiln kiln, KilnLoad load, Fineness? fineness = null, bool untilOpen = true)
    {
        if (Schedule.CannotClimb(schedule.Segments[0], start))
            return new Problem("segments[0].target", "With the power off the kiln cannot climb; this temperature is above the one it starts from.");
        // Asked for no more than this, it takes no more than the kiln's own slowness on top.
        if (AskedHours(schedule, start) > Longest.TotalHours)
            return new Problem("segments", $"This firing asks for more than {Longest.TotalDays:0} days; a kiln is worked out for up to that.");
        return new KilnSimulator(kiln, load, start, fineness ?? Fineness.Usual).Run(schedule, start, untilOpen);
    }

    private static double AskedHours(Schedule schedule, Temperature start)
    {
        var (at, hours) = (start, 0.0);
        foreach (var segment in schedule.Segments)
        {
            var to = segment.Target ?? at;
            if (segment.Pace.Rate is { } rate) hours += ((to - at).Abs() / rate).TotalHours;
            hours += segment.Hold.TotalHours;
            at = to;
        }
        return hours;
    }

    private KilnRun Run(Schedule schedule, Temperature start, bool untilOpen)
    {
        var segments = ImmutableArray.CreateBuilder<CompiledSegment>(schedule.Segments.Length);
        var steps = ImmutableArray.CreateBuilder<KilnStep>(schedule.Segments.Length);
        var (at, powered) = (start.Celsius, 0.0);
        KilnStall? stall = null;
        foreach (var (i, segment) in schedule.Segments.Index())
        {
            var (begin, usedBefore, fullBefore) = (now, model.Used, fullSeconds);
            var from = model.Chamber;
            var target = segment.Target?.Celsius ?? kiln.Opens.Celsius;
            var up = target > at && segment.Pace.Kind != PaceKind.Natural;
            step = fineness.Step;
            (double? Behind, bool Stalled) went = (null, false);
            if (up) went = Climb(at, target, segment.Pace.Rate?.KelvinsPerHour);
            else if (target < at) went = Cool(at, target, segment.Pace.Kind == PaceKind.Rate ? segment.Pace.Rate?.KelvinsPerHour : null);
            var (reached, came) = (now, model.Chamber);
            if (went.Stalled && stall is null) stall = new KilnStall(i, Temperature.FromCelsius(came), Duration.FromSeconds(now - StallSeconds));
            curve.Corner();
            // An "off" that is open already and a target colder than the room are not gone to: it stays where it is.
            var stays = up || (target <= at && target > kiln.CoolsTo.Celsius) ? target : came;
            if (segment.Hold > Duration.Zero) Hold(stays, segment.Hold.TotalSeconds);
            curve.Corner();
            // A last "off" asks for nothing; what was asked ends where it begins.
            if (segment.Pace.Kind != PaceKind.Natural || i < schedule.Segments.Length - 1) AddSetPoint(stays);

            var asked = segment.Pace.Rate is { } rate ? Math.Abs(target - from) / rate.KelvinsPerHour * 3600 : (double?)null;
            var late = asked is { } s ? Math.Max(0, reached - begin - s) : 0;
            steps.Add(new KilnStep(
                Duration.FromSeconds(late < 30 ? 0 : Math.Round(late)), went.Behind is { } b ? Temperature.FromCelsius(b) : null,
                Duration.FromSeconds(fullSeconds - fullBefore), Kwh(model.Used - usedBefore)));
            segments.Add(new CompiledSegment(
                Duration.FromSeconds(begin), Duration.FromSeconds(reached - begin), Duration.FromSeconds(now - reached),
                Temperature.FromCelsius(from), Temperature.FromCelsius(went.Stalled ? came : stays)));
            if (segment.Pace.Kind != PaceKind.Natural || segment.Hold > Duration.Zero) powered = now;
            at = went.Stalled ? came : stays;
        }

        var energy = new KilnEnergy(Kwh(model.Used), Kwh(model.Lost), Kwh(model.Stored - model.StoredAtStart));
        var (end, fullPower) = (now, fullSeconds);
        var programme = new Curve(curve.Points);
        var opensAt = CoolToOpen(untilOpen, out var afterwards);
        var compiled = new CompiledSchedule(segments.MoveToImmutable(), programme, Duration.FromSeconds(powered));
        // Summed step by step, full power all the way would come out a nanosecond longer than the firing.
        return new KilnRun(
            compiled, new Curve(setPoint), steps.MoveToImmutable(), afterwards, opensAt, energy, Duration.Min(Duration.FromSeconds(fullPower), compiled.Total),
            [.. bins.Take((int)Math.Ceiling(end / KilnRun.Bin.TotalSeconds)).Select(Kwh)], stall);
    }

    /// <summary>Up to a target, at a rate or as fast as it can: until the display is within 2 °C of it and the set point is there.</summary>
    private (double? Behind, bool Stalled) Climb(double from, double target, double? perHour)
    {
        var begin = now;
        // Where the step before was not reached the set point sets out from what the thermocouple shows.
        var sets = Math.Abs(model.Display - from) <= Near + 1 ? from : model.Display;
        if (sets >= target) return (null, false);
        var arrives = perHour is { } rate ? begin + (target - sets) / rate * 3600 : begin;
        AddSetPoint(sets);
        AddSetPointAt(arrives, target);
        double? behind = null;
        var (markAt, markChamber) = (now, double.NegativeInfinity);
        while (true)
        {
            if (now >= arrives - 1e-6)
            {
                if (kiln.HoldClock == HoldClock.RunsByItself && perHour is not null) return (behind, false);
                if (model.Display >= target - Near) return (behind, false);
                if (markChamber == double.NegativeInfinity) (markAt, markChamber) = (now, model.Chamber);
                else if (now - markAt >= StallSeconds)
                {
                    if (model.Chamber - markChamber < StallGain) return (behind ?? markChamber, true);
                    (markAt, markChamber) = (now, model.Chamber);
                }
            }
            var dt = now < arrives ? Math.Min(step, arrives - now) : step;
            var asked = now + dt >= arrives ? target : target - (arrives - now - dt) / 3600 * perHour!.Value;
            var before = model.Display;
            if (now + dt >= arrives - 1e-6) model.Save();
            var power = model.StepTowards(dt, asked);
            var waiting = now >= arrives - 1e-6;
            if (waiting && model.Display > target - Near && before < target - Near)
            {
                // The moment it is near enough falls inside this step: go only that far.
                var share = Math.Max(1e-3, (target - Near - before) / (model.Display - before));
                model.TakeBack();
                dt *= share;
                power = model.StepTowards(dt, asked);
            }
            if (behind is null && perHour is not null && model.Chamber < asked - Near) behind = model.Chamber;
            Passed(dt, power);
        }
    }

    /// <summary>Down to a target, at a rate with some power where natural cooling is faster, or with the power off.</summary>
    private (double? Behind, bool Stalled) Cool(double from, double target, double? perHour)
    {
        var goal = Math.Max(target, kiln.CoolsTo.Celsius);
        if (model.Chamber <= goal) return (null, false);
        double? behind = null;
        if (perHour is { } rate)
        {
            var sets = Math.Min(from, model.Display + Near);
            var arrives = now + Math.Max(0, sets - target) / rate * 3600;
            AddSetPoint(sets);
            AddSetPointAt(arrives, target);
            while (true)
            {
                var there = now >= arrives - 1e-6;
                if (there && (kiln.HoldClock == HoldClock.RunsByItself || model.Chamber <= goal + Near)) return (behind, false);
                if (model.Chamber <= goal && target < goal) return (behind, false);
                var dt = there ? step : Math.Min(step, arrives - now);
                var asked = now + dt >= arrives ? target : target + (arrives - now - dt) / 3600 * rate;
                if (there)
                {
                    FallTo(goal + Near);
                    return (behind, false);
                }
                var power = model.StepTowards(dt, asked);
                if (behind is null && model.Chamber > asked + Near) behind = model.Chamber;
                Passed(dt, power);
            }
        }
        AddSetPoint(model.Chamber);
        FallTo(goal);
        return (null, false);
    }

    /// <summary>Power off until the chamber is down to a temperature, to the moment.</summary>
    private void FallTo(double goal)
    {
        while (model.Chamber > goal + 1e-9)
        {
            var before = model.Chamber;
            var dt = step;
            model.Save();
            model.StepWithPower(dt, 0);
            if (model.Chamber < goal)
            {
                var share = (before - goal) / (before - model.Chamber);
                model.TakeBack();
                dt *= share;
                model.StepWithPower(dt, 0);
                Passed(dt, 0);
                return;
            }
            Passed(dt, 0);
        }
    }

    private void Hold(double at, double seconds)
    {
        AddSetPoint(at);
        step = fineness.Step;
        var end = now + seconds;
        while (now < end - 1e-6)
        {
            var dt = Math.Min(step, end - now);
            Passed(dt, model.StepTowards(dt, at));
        }
        now = end;
    }

    private Duration CoolToOpen(bool goOn, out Curve afterwards)
    {
        var opens = kiln.Opens.Celsius;
        var begin = now / SecondsPerMinute;
        var recorder = new CurveRecorder(begin, model.Chamber);
        step = fineness.Step;
        slope = 0;
        while (goOn && model.Chamber > opens + 1e-9)
        {
            var before = model.Chamber;
            var dt = step;
            model.StepWithPower(dt, 0);
            if (model.Chamber < opens) dt *= (before - opens) / (before - model.Chamber);
            Pace(dt, before);
            now += dt;
            recorder.Add(now / SecondsPerMinute, Math.Max(model.Chamber, opens));
        }
        recorder.Corner();
        afterwards = new Curve(recorder.Points);
        return Duration.FromSeconds(now);
    }

    private void Passed(double dt, double power)
    {
        Spread(now, dt, power);
        if (power >= model.FullPower * 0.995) fullSeconds += dt;
        var before = curveLast;
        now += dt;
        curve.Add(now / SecondsPerMinute, model.Chamber);
        Pace(dt, before);
        curveLast = model.Chamber;
    }

    /// <summary>Longer steps where the slope hardly changes, the usual ones again where it does.</summary>
    private void Pace(double dt, double before)
    {
        var slopeNow = double.IsNaN(before) ? 0 : (model.Chamber - before) / dt;
        var bend = Math.Abs(slopeNow - slope) * dt;
        slope = slopeNow;
        if (bend < 0.02 && step < fineness.Longest) step = Math.Min(fineness.Longest, step * 1.25);
        else if (bend > 0.08 && step > fineness.Step) step = fineness.Step;
    }

    /// <summary>Energy of a step into the bins it lies in.</summary>
    private void Spread(double from, double seconds, double power)
    {
        var width = KilnRun.Bin.TotalSeconds;
        while (seconds > 0)
        {
            var bin = (int)(from / width);
            while (bins.Count <= bin) bins.Add(0);
            var part = Math.Min(seconds, (bin + 1) * width - from);
            if (part <= 1e-9) part = seconds;
            bins[bin] += power * part;
            from += part;
            seconds -= part;
        }
    }

    private void AddSetPoint(double celsius) => AddSetPointAt(now, celsius);

    private void AddSetPointAt(double seconds, double celsius)
    {
        var point = new CurvePoint(Math.Max(seconds / SecondsPerMinute, setPoint[^1].Minutes), celsius);
        if (setPoint[^1] != point) setPoint.Add(point);
    }

    private static double Kwh(double joules) => joules / 3.6e6;
}
