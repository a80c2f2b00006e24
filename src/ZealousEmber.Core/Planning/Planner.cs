using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>
/// From a load and a wish to the schedule that is quickest inside every limit of the ware on the curve of this kiln with this load, in friendly numbers, each
/// step
/// with its reason. Where the ware is the limit a rate, where the kiln is its full power or off; the top is found by heat work. Pure, and the same every time.
/// </summary>
public static class Planner
{
    private const double Cools = 50;
    private const double HotStart = 100;

    // A long hold brings down a cone whose end point lies a little over what a kiln is made for, K.
    private const double MostOverItsLimit = 80;

    /// <summary>
    /// Plans. Problems name <c>lots</c>, <c>goalCone</c>, <c>drying</c>, <c>maxSteps</c>, <c>startTemperature</c>, <c>dropBy</c> and say which limit cannot be
    /// met and what would have to give.
    /// </summary>
    public static Result<Plan> Make(WareLoad load, PlanOptions wish, IKilnModel kiln)
    {
        if (wish.MaxSteps is < 2 or > ScheduleLimits.Segments)
            return new Problem("maxSteps", $"A controller takes 2 to {ScheduleLimits.Segments} steps.");
        if (wish.Preferences.Check() is { } cannotDrop)
            return cannotDrop;
        if (Fireable.Check(load, wish) is { } cannotFire)
            return cannotFire;
        var goal = GoalFinder.Find(load, wish);
        if (!goal.IsOk)
            return Result<Plan>.Failed(goal.Problems);
        var write = new PlanWriter(wish);
        var top = goal.Value.Goal is { } cone ? ConeTable.Of(cone).At60 : (double?)null;
        if (top > kiln.TopLimit.Celsius + MostOverItsLimit)
            return new Problem(
                "goalCone",
                $"Cone {goal.Value.Goal!.Value.Number} wants about {write.Degrees(top.Value)}; the kiln goes to {write.Degrees(kiln.TopLimit.Celsius)}."
            );
        if (!wish.Kind.FiresRaw() && kiln.Start.Celsius > top - HotStart)
            return new Problem(
                "startTemperature",
                $"The kiln is at {write.Degrees(kiln.Start.Celsius)} already, and cone {goal.Value.Goal!.Value.Number} wants about "
                    + $"{write.Degrees(top!.Value)}: let it cool and load it first."
            );

        var before = new List<PlanStep>();
        var from = CoolFirst(wish, kiln, before);
        var planned =
            wish.Kind == ScheduleKind.Drying
                ? new DryingFiring(load, wish, kiln, write).Plan(before, from)
                : new WholeFiring(load, wish, kiln, write, goal.Value.Goal!.Value).Plan(before, from);
        return planned.IsOk ? Finish(load, wish, kiln, planned.Value, goal.Value.Goal, goal.Value.Why) : Result<Plan>.Failed(planned.Problems);
    }

    /// <summary>Raw ware does not go into a kiln that is still warm: it waits first. Tells from where it climbs, °C.</summary>
    private static double CoolFirst(PlanOptions wish, IKilnModel kiln, List<PlanStep> steps)
    {
        if (!wish.Kind.FiresRaw() || kiln.Start.Celsius < Cools + 10)
            return kiln.Start.Celsius;
        var to = FriendlyNumbers.Nearest(Cools, wish.Unit);
        steps.Add(
            new PlanStep(
                Segment.Of(Pace.Natural, Temperature.FromCelsius(to), reason: "cool before loading").Value,
                "The kiln is still warm from the firing before. Raw ware goes in once it is down to this: put into a warm kiln, its skin dries before its "
                    + "middle.",
                "cool-first"
            )
        );
        return to;
    }

    private static Result<Plan> Finish(WareLoad load, PlanOptions wish, IKilnModel kiln, List<PlanStep> steps, Cone? goal, string? goalWhy)
    {
        var schedule = Schedule.Create(wish.Name, wish.Kind, wish.Unit, [.. steps.Select(s => s.Step)], null, null, goal);
        if (!schedule.IsOk)
            return Result<Plan>.Failed(schedule.Problems);
        if (steps.Exists(s => s.By == DryingPlanner.SteamCheck))
        {
            var compiled = kiln.Times(schedule.Value.Program);
            if (!compiled.IsOk)
                return Result<Plan>.Failed(compiled.Problems);
            steps = [.. steps.Select((s, i) => s.By == DryingPlanner.SteamCheck ? s with { Look = compiled.Value.Segments[i].End } : s)];
        }
        var begins = steps.Select((_, i) => i == 0 ? kiln.Start : steps[i - 1].Step.Target ?? kiln.Start);
        return new Plan(
            schedule.Value,
            [.. steps.Zip(begins, (s, from) => s with { Paces = On(s.Paces, from, s.Step.Target) })],
            goalWhy,
            [.. LoadNotes.Of(load, wish.Kind, kiln.UsualWare(wish.Kind), wish.Units)]
        );
    }

    /// <summary>What was weighed on the way a step really goes: its marks were rounded, its top was solved, air may have cut it in two.</summary>
    private static ImmutableArray<PaceLimits> On(ImmutableArray<PaceLimits> paces, Temperature from, Temperature? to)
    {
        if (paces.IsDefaultOrEmpty || to is not { } end || end == from)
            return [];
        var up = end > from;
        bool Before(Temperature a, Temperature b) => up ? a < b : a > b;
        var on = paces.Where(p => Before(p.From, end) && Before(from, p.To)).ToList();
        if (on.Count == 0)
            return [];
        on[0] = on[0] with { From = from };
        on[^1] = on[^1] with { To = end };
        return [.. on];
    }
}
