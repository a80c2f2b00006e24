using NodaTime;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Kilns.Electric;

/// <content>The controller: how a step begins, what it asks for, and when it is over.</content>
public sealed partial class KilnSimulation
{
    private const double Near = 2;

    /// <summary>A step that ends so near its target has come to it, K: the chamber is a little ahead of the thermocouple or behind it.</summary>
    internal const double NearEnough = Near + 3;
    private const double StallGain = 1;

    /// <summary>A climb that gains less than a degree in so long has stalled, s.</summary>
    internal const double StallSeconds = 7200;

    private void SwitchOn(double start)
    {
        level = start;
        if (program is not null)
            Begin();
    }

    private void Begin()
    {
        var segment = program!.Steps[index];
        observer?.Began(index, model.Chamber);
        (stride, markedAt, behind) = (fineness.Step, null, false);
        var target = TargetOf(segment);
        if (IsUp(segment, target))
            BeginClimb(target, segment.Pace.Rate?.KelvinsPerHour);
        else if (target < level)
            BeginCooling(target, segment.Pace.Kind == PaceKind.Rate ? segment.Pace.Rate?.KelvinsPerHour : null);
        else
            Reached(false);
    }

    private double TargetOf(Segment segment) => segment.Target?.Celsius ?? kiln.Opens.Celsius;

    private bool IsUp(Segment segment, double target) => target > level && segment.Pace.Kind != PaceKind.Natural;

    private void BeginClimb(double target, double? perHour)
    {
        // Where the step before was not reached the set point sets out from what the thermocouple shows.
        var sets = Math.Abs(Shown - level) <= Near + 1 ? level : Shown;
        if (sets >= target)
        {
            Reached(false);
            return;
        }
        (phase, goal, arrives) = (ControllerPhase.Climbing, target, perHour is { } rate ? now + (target - sets) / rate * 3600 : now);
        observer?.SetPoint(now, sets);
        observer?.SetPoint(arrives, target);
    }

    private void BeginCooling(double target, double? perHour)
    {
        var lowest = Math.Max(target, kiln.CoolsTo.Celsius);
        if (model.Chamber <= lowest)
        {
            Reached(false);
            return;
        }
        if (perHour is not { } rate)
        {
            observer?.SetPoint(now, model.Chamber);
            (phase, goal) = (ControllerPhase.Falling, lowest);
            return;
        }
        var sets = Math.Min(level, Shown + Near);
        (phase, goal, arrives) = (ControllerPhase.Cooling, target, now + Math.Max(0, sets - target) / rate * 3600);
        observer?.SetPoint(now, sets);
        observer?.SetPoint(arrives, target);
    }

    /// <summary>Up to a target, at a rate or as fast as it can: until the display is within 2 °C of it and the set point is there.</summary>
    private void Climb(double most)
    {
        var (target, perHour) = (goal, Rate);
        // At full power the set point is there from the start, whatever a moment that was gone on from says.
        if (perHour is null)
            arrives = Math.Min(arrives, now);
        if (now >= arrives - Instant)
        {
            if ((kiln.HoldClock == HoldClock.RunsByItself && perHour is not null) || Shown >= target - Near)
            {
                Reached(false);
                return;
            }
            if (markedAt is not { } marked)
                (markedAt, markedChamber) = (now, model.Chamber);
            else if (now - marked >= StallSeconds)
            {
                if (model.Chamber - markedChamber < StallGain)
                {
                    NoteBehind(markedChamber);
                    Reached(true);
                    return;
                }
                (markedAt, markedChamber) = (now, model.Chamber);
            }
        }
        var dt = Math.Min(now < arrives ? Math.Min(stride, arrives - now) : stride, most);
        var asked = now + dt >= arrives ? target : target - (arrives - now - dt) / 3600 * perHour!.Value;
        var before = model.Display;
        var arriving = now + dt >= arrives - Instant;
        if (arriving)
            model.Save();
        var power = Heat(dt, asked, arriving ? 0 : perHour!.Value);
        var waiting = now >= arrives - Instant;
        if (plant is null && waiting && model.Display > target - Near && before < target - Near)
        {
            // The moment it is near enough falls inside this step: go only that far.
            var share = Math.Max(1e-3, (target - Near - before) / (model.Display - before));
            model.TakeBack();
            dt *= share;
            power = Heat(dt, asked, 0);
        }
        if (perHour is not null && model.Chamber < asked - Near)
            NoteBehind(model.Chamber);
        Passed(dt, power);
    }

    /// <summary>Down to a target at a rate, with some power where natural cooling is faster; once the set point is there, with none.</summary>
    private void Cool(double most)
    {
        var (target, lowest) = (goal, Math.Max(goal, kiln.CoolsTo.Celsius));
        var there = now >= arrives - Instant;
        if ((there && (kiln.HoldClock == HoldClock.RunsByItself || model.Chamber <= lowest + Near)) || (model.Chamber <= lowest && target < lowest))
        {
            Reached(false);
            return;
        }
        if (there)
        {
            (phase, goal) = (ControllerPhase.Falling, lowest + Near);
            return;
        }
        var dt = Math.Min(Math.Min(stride, arrives - now), most);
        var asked = now + dt >= arrives ? target : target + (arrives - now - dt) / 3600 * Rate!.Value;
        var power = Heat(dt, asked, -Rate!.Value);
        if (model.Chamber > asked + Near)
            NoteBehind(model.Chamber);
        Passed(dt, power);
    }

    private void Hold(double most)
    {
        if (now >= holdEnds - Instant && plant?.HoldsForEver != true)
        {
            if (plant is null)
                now = holdEnds;
            End(goal);
            return;
        }
        var dt = Math.Min(now < holdEnds - Instant ? Math.Min(stride, holdEnds - now) : stride, most);
        Passed(dt, Heat(dt, goal, 0));
    }

    private void NoteBehind(double chamber)
    {
        if (behind)
            return;
        behind = true;
        observer?.FellBehind(chamber);
    }

    private void Reached(bool stalled)
    {
        var segment = program!.Steps[index];
        var target = TargetOf(segment);
        var came = model.Chamber;
        observer?.Reached(came, stalled);
        // An "off" that is open already and a target colder than the room are not gone to: it stays where it is.
        var stays = IsUp(segment, target) || (target <= level && target > kiln.CoolsTo.Celsius) ? target : came;
        var next = stalled ? came : stays;
        if (segment.Hold > Duration.Zero)
        {
            observer?.SetPoint(now, stays);
            // What follows a hold that was never reached sets out from where the kiln is.
            (phase, goal, holdEnds, stride, level) = (ControllerPhase.Holding, stays, now + segment.Hold.TotalSeconds, fineness.Step, next);
            return;
        }
        level = next;
        End(stays);
    }

    private void End(double stays)
    {
        // A last "off" asks for nothing; what was asked ends where it begins.
        if (program!.Steps[index].Pace.Kind != PaceKind.Natural || index < program.Steps.Length - 1)
            observer?.SetPoint(now, stays);
        observer?.Ended(stays);
        index++;
        if (index < program.Steps.Length)
            Begin();
        else
            phase = ControllerPhase.Finished;
    }
}
