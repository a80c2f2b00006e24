using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>
/// From a load and a wish to the fastest schedule inside every limit, in friendly numbers, each step with its reason. Limits by bands of
/// temperature are laid over each other; the top is found by heat work. Pure, and the same every time.
/// </summary>
public static class Planner
{
    private const double GlazePace = 80;
    private const double Cools = 50;
    private const int Rounds = 4;
    private const double FarBelow = 100;
    private const double Crawl = 12;
    private const double HotStart = 100;
    private const double LongCrawl = 150;

    /// <summary>
    /// Plans. Problems name <c>lots</c>, <c>goalCone</c>, <c>drying</c>, <c>maxSteps</c>, <c>startTemperature</c>, <c>dropBy</c> and say which limit cannot be met and what would have to give.
    /// </summary>
    public static Result<Plan> Make(WareLoad load, PlanWish wish, IKilnModel kiln)
    {
        if (wish.MaxSteps is < 2 or > ScheduleLimits.Segments) return new Problem("maxSteps", $"A controller takes 2 to {ScheduleLimits.Segments} steps.");
        if (wish.Preferences.Check() is { } cannotDrop) return cannotDrop;
        if (wish.Kind != ScheduleKind.Drying && load.Wettest is { Dryness: Dryness.LeatherHard } wet)
            return new Problem("lots", $"Leather hard ware ({wet.What}) is not fired: plan a drying firing for it first. Many studios do not take it at all.");
        var goal = GoalFinder.Find(load, wish);
        if (!goal.IsOk) return Result<Plan>.Failed(goal.Problems);
        var write = new PlanWriter(wish);
        var top = goal.Value.Goal is { } cone ? ConeTable.Of(cone).At60 : (double?)null;
        if (top > kiln.Hottest.Celsius) return new Problem("goalCone", $"Cone {goal.Value.Goal!.Value.Number} wants about {write.Degrees(top.Value)}; the kiln goes to {write.Degrees(kiln.Hottest.Celsius)}.");

        if (!wish.Kind.FiresRaw() && kiln.Start.Celsius > top - HotStart) return new Problem("startTemperature", $"The kiln is at {write.Degrees(kiln.Start.Celsius)} already, and cone {goal.Value.Goal!.Value.Number} wants about {write.Degrees(top!.Value)}: let it cool and load it first.");

        var steps = new List<PlanStep>();
        var from = CoolFirst(wish, kiln, steps);
        var cooling = new CoolingPlanner(load, wish, kiln, write);
        // The closing "off" is no step of a controller: it is off when its steps are done.
        var down = cooling.From(top ?? 0).Count - 1;
        var drying = new DryingPlanner(load, wish, kiln, write);
        if (wish.Kind.FiresRaw() || (wish.Kind == ScheduleKind.Refiring && load.Wettest.Dryness != Dryness.BoneDry))
        {
            if (drying.Add(steps, from) is { } cannot) return cannot;
        }
        if (wish.Kind == ScheduleKind.Drying)
        {
            steps.Add(write.At(Math.Min(30, drying.After.Count > 0 ? drying.After.Min(l => l.Rate) : 30), FriendlyNumbers.Nearest(kiln.Boiling.Celsius + 20, wish.Unit), Duration.FromHours(1), "past boiling, slowly", "The last water in the clay leaves once it is past boiling; an hour there makes sure.", "drying"));
            if (steps.Count > wish.MaxSteps) return TooFew(wish, steps.Count, 0);
            steps.AddRange(cooling.From(0));
            AirPlanner.AddTo(steps, wish, kiln, null, write);
            return Finish(load, wish, kiln, steps, null, null);
        }

        if (steps.Count > 0 && steps[^1].Step.Target is { } last) from = Math.Max(from, last.Celsius);
        if (!AddClimb(load, wish, kiln, write, steps, from, top!.Value, down, drying.After)) return TooFew(wish, wish.MaxSteps - down + 1, down);
        AirPlanner.AddTo(steps, wish, kiln, goal.Value.Goal, write);
        if (steps.Count + down > wish.MaxSteps) return TooFew(wish, steps.Count, down);
        var topStep = steps.Count - 1;
        if (SolveTop(wish, kiln, write, steps, topStep, goal.Value.Goal!.Value, cooling) is { } unreachable) return unreachable;
        AirPlanner.CleanUp(steps, topStep, wish, kiln, goal.Value.Goal, write);
        return Finish(load, wish, kiln, steps, goal.Value.Goal, goal.Value.Why);
    }

    /// <summary>Raw ware does not go into a kiln that is still warm: it waits first. Tells from where it climbs, °C.</summary>
    private static double CoolFirst(PlanWish wish, IKilnModel kiln, List<PlanStep> steps)
    {
        if (!wish.Kind.FiresRaw() || kiln.Start.Celsius < Cools + 10) return kiln.Start.Celsius;
        var to = FriendlyNumbers.Nearest(Cools, wish.Unit);
        steps.Add(new PlanStep(Segment.Of(Pace.Natural, Temperature.FromCelsius(to), reason: "cool before loading").Value, "The kiln is still warm from the firing before. Raw ware goes in once it is down to this: put into a warm kiln, its skin dries before its middle.", "cool-first"));
        return to;
    }

    private static bool AddClimb(WareLoad load, PlanWish wish, IKilnModel kiln, PlanWriter write, List<PlanStep> steps, double from, double top, int down, IReadOnlyList<ClimbLimit> after)
    {
        var climbs = new ClimbPlanner(load, wish, kiln, write);
        var most = wish.MaxSteps - steps.Count - down;
        var glazeAt = FriendlyNumbers.Nearest((kiln.Boiling - Drying.BelowBoiling).Celsius - 2, wish.Unit);
        var dries = wish.Kind == ScheduleKind.Glaze && load.Glazes.Count > 0 && from < glazeAt - 10;
        var stretches = climbs.Stretches(dries ? glazeAt : from, top, int.MaxValue, after);
        // The hold that dries the glaze is the first to go where there are few steps; ware that is not wet does without.
        if (dries && stretches.Count + 1 <= most)
            steps.Add(write.At(Math.Min(GlazePace, climbs.FiredPace), glazeAt, Duration.FromMinutes(30), "dry the glaze", "Freshly glazed ware is wet under its glaze; dried too fast the glaze lifts and crawls.", "glaze-water", ClimbPlanner.GlazeDries));
        else stretches = climbs.Stretches(from, top, most, after);
        // Two stretches made one at a crawl is no plan: it needs more steps.
        if (stretches.Any(s => s.Steady <= Crawl && s.To - s.From > LongCrawl)) return false;
        foreach (var (i, stretch) in stretches.Index())
        {
            var hold = i == stretches.Count - 1 ? HoldFor(load, wish) : Duration.Zero;
            steps.Add(stretch.Full
                ? new PlanStep(Segment.Of(Pace.Full, Temperature.FromCelsius(stretch.To), hold, stretch.Short).Value, stretch.Why, stretch.By, Basis: stretch.Basis)
                : write.At(stretch.Rate, stretch.To, hold, stretch.Short, stretch.Why, stretch.By, stretch.Basis));
        }
        return true;
    }

    /// <summary>Moves the top so that the goal comes down, with the cooling that follows from it counted in; whole degrees.</summary>
    private static Problem? SolveTop(PlanWish wish, IKilnModel kiln, PlanWriter write, List<PlanStep> steps, int index, Cone goal, CoolingPlanner cooling)
    {
        var said = steps[index];
        var hold = said.Step.Hold;
        // A long hold or a slow climb brings the top far down; the first drop is laid below wherever that may be.
        var cools = cooling.From(said.Step.Target!.Value.Celsius - (wish.Preferences.Cooling == CoolingOption.DropAndHold ? FarBelow : 0));
        Temperature top = said.Step.Target!.Value;
        // A drop is counted from the top that is solved, which in turn counts the drop in: it settles at once.
        for (var round = 0; round < Rounds; round++)
        {
            var draft = FiringProgram.Create([.. steps.Take(index).Select(s => s.Step), said.Step, .. cools.Select(s => s.Step)]);
            if (!draft.IsOk) return draft.Problems[0];
            var solved = ConeSolver.TopOf(draft.Value, goal, kiln.Start, kiln.FeltTimes, hold, wish.Unit, kiln.Hottest);
            if (!solved.IsOk) return solved.Problems[0] with { Field = "goalCone" };
            top = solved.Value.Steps[index].Whole(wish.Unit).Target!.Value;
            var again = cooling.From(top.Celsius);
            var same = again.Select(s => s.Step).SequenceEqual(cools.Select(s => s.Step));
            cools = again;
            if (same) break;
        }
        var does = hold > Duration.Zero ? $" and {Phrases.Hours(hold)} there bring" : " brings";
        steps[index] = said with
        {
            Step = said.Step.Changed(target: top).Value,
            Basis = Basis.HeatWork(goal.Number, ConeTable.Of(goal).At60, top.Celsius, hold),
            Why = $"{said.Why} {write.Degrees(top.Celsius)}{does} cone {goal.Number} down{(said.Step.Pace.Kind == PaceKind.Full ? "" : " at this pace")}.",
        };
        steps.AddRange(cools);
        return null;
    }

    /// <summary>As somebody said to the minute, else by the way chosen: as the glazes ask is nothing for bisque, ten minutes for glazes, twenty where one wants it, five where one runs or fades.</summary>
    private static Duration HoldFor(WareLoad load, PlanWish wish)
    {
        if (wish.Hold is { } said) return said;
        var careful = load.Glazes.Any(g => g.Runny || g.Fades);
        var needs = load.Glazes.Any(g => g.NeedsHold);
        return Duration.FromMinutes(wish.Preferences.Hold switch
        {
            HoldOption.None => 0,
            HoldOption.QuarterHour => 15,
            HoldOption.HalfHour => 30,
            HoldOption.LowerAndLonger => 60,
            _ when wish.Kind is ScheduleKind.Bisque or ScheduleKind.Refiring => 0,
            _ => careful && !needs ? 5 : needs && !careful ? 20 : 10,
        });
    }

    private static Problem TooFew(PlanWish wish, int up, int down) =>
        new("maxSteps", $"This firing needs at least {up + down} steps, and the controller takes {wish.MaxSteps}: {up} up to its top{(down > 0 ? $" and {down} down" : "")}. A simpler drying or cooling would need fewer.");

    private static Result<Plan> Finish(WareLoad load, PlanWish wish, IKilnModel kiln, List<PlanStep> steps, Cone? goal, string? goalWhy)
    {
        var schedule = Schedule.Create(wish.Name, wish.Kind, wish.Unit, [.. steps.Select(s => s.Step)], null, null, goal);
        if (!schedule.IsOk) return Result<Plan>.Failed(schedule.Problems);
        var compiled = kiln.Times(schedule.Value.Program);
        return compiled.IsOk
            ? new Plan(schedule.Value, [.. steps.Select((s, i) => s.By == DryingPlanner.SteamCheck ? s with { Look = compiled.Value.Segments[i].End } : s)], goalWhy, [.. LoadNotes.Of(load, wish.Kind, kiln.UsualWare(wish.Kind), wish.Units)])
            : Result<Plan>.Failed(compiled.Problems);
    }
}
