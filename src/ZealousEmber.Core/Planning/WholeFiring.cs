using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>
/// A firing to a cone: drying, climb, top and cooling chosen together, so that in the steps there are it takes least time. What binds least goes first: looks
/// for
/// steam, then steps of the climb, then the drying hold for a slow climb.
/// </summary>
internal sealed class WholeFiring(WareLoad load, PlanOptions wish, IKilnModel kiln, PlanWriter write, Cone goal)
{
    private const double GlazePace = 80;
    private const double DampGlazePace = 60;
    private const double FarBelow = 100;
    private const int StepsOfAir = 3;
    private const int Rounds = 5;
    private const int FewSteps = 10;
    private const int StepsToSpare = 8;
    private const double NearlyAsGood = 1.1;
    private const double Crawl = 38;

    // Where there is no other way; slower still a firing takes days, and nobody fires that.
    private const double LastCrawl = 26;
    private static readonly Duration GlazeHold = Duration.FromMinutes(30);
    private static readonly Duration DampGlazeHold = Duration.FromHours(2);

    private readonly double top = ConeTable.Of(goal).At60;
    private readonly KilnFalls falls = new(load, kiln, write, ConeTable.Of(goal).At60);

    /// <summary>Glazes melt: in a glaze or once-firing, and where ware is fired again as hot as a glaze.</summary>
    private bool Melts => wish.Kind.MeltsGlaze() || (wish.Kind == ScheduleKind.Refiring && top >= GlazedWare.RefiredBelow);

    // The first drop is laid below wherever the top may be solved to.
    private double Drops => Melts && wish.Preferences.Cooling == CoolingOption.DropAndHold ? FarBelow : 0;

    /// <summary>Its steps; problems as the planner gives them.</summary>
    /// <param name="before">Steps before it.</param>
    /// <param name="from">Where it climbs from, °C.</param>
    public Result<List<PlanStep>> Plan(List<PlanStep> before, double from)
    {
        var plan = Plan(before, from, Crawl);
        // Where there are too few steps for anything else, one long firing is what the controller can do; what else there is to do is offered beside it.
        return plan.IsOk || plan.Problems.All(p => p.Field != "maxSteps") ? plan : Plan(before, from, LastCrawl);
    }

    private Result<List<PlanStep>> Plan(List<PlanStep> before, double from, double crawl)
    {
        var courses = Courses(before, from);
        if (!courses.IsOk)
            return Result<List<PlanStep>>.Failed(courses.Problems);
        var most = wish.MaxSteps - before.Count - (AirPlanner.Reduces(wish, kiln, goal) ? StepsOfAir : 0);
        var lastHundred = wish.Preferences.Approach == ApproachOption.LastHundred;
        Way Of(DryingCourse c, bool atConePace) =>
            new(c, HoursOf(c, from), new ClimbPlanner(load, wish, kiln, write, EndOf(c, from), top, Math.Max(StepsToSpare, most), c.After, atConePace, crawl));
        // No ware asks for the cone's pace over the last hundred: where steps are few it goes before anything the ware asks for.
        var few = most <= FewSteps;
        List<Way> ways =
        [
            .. courses.Value.Take(few ? int.MaxValue : 1).SelectMany(c => lastHundred && few ? new[] { Of(c, true), Of(c, false) } : [Of(c, lastHundred)]),
        ];
        ways.RemoveAll(w => w.Course.Steps.Length >= most);
        if (ways.Count == 0)
            return TooFew(courses.Value.Min(c => c.Steps.Length) + 1);

        // How it cools is seen on a firing that is off at its top; another way up leaves the walls a little warmer or cooler.
        var first = ways[0];
        var fall = falls.After(UpTo(before, first.Course, first.Climb.Steps(most - first.Course.Steps.Length, Hold)));
        for (var again = 0; ; again++)
        {
            var cooling = CoolingBy(fall, top - Drops, most);
            var (way, down) = Quickest(ways, cooling, most);
            if (way < 0)
                return TooFew(before.Count + ways.Min(w => w.Course.Steps.Length + w.Climb.Fewest) + cooling.Fewest);
            var chosen = ways[way];
            var steps = UpTo(before, chosen.Course, chosen.Climb.Steps(most - chosen.Course.Steps.Length - down, Hold));
            fall = falls.After(steps);
            if (again == Rounds || CoolingBy(fall, top - Drops, most).Fewest <= down)
                return Finished(steps, chosen.Climb, fall, down);
        }
    }

    private CoolingPlanner CoolingBy(Func<double, double, double> fall, double from, int most) =>
        new(load, wish, write, from, Melts, fall, Math.Max(StepsToSpare, most));

    private Problem TooFew(int least) =>
        new(
            "maxSteps",
            $"This firing needs at least {Math.Max(least, wish.MaxSteps + 1)} steps, and the controller takes {wish.MaxSteps}. Keyed in as two programs, "
                + "one after the other, it can be fired."
        );

    /// <summary>The ways to dry it, the usual first; for a controller that holds at its top only those without a hold, where there are such.</summary>
    private Result<List<DryingCourse>> Courses(List<PlanStep> before, double from)
    {
        var all = AllCourses(before, from);
        return wish.HoldsOnTheWay || !all.IsOk || all.Value.Where(c => c.Steps.All(s => s.Step.Hold == Duration.Zero)).ToList() is not { Count: > 0 } without
            ? all
            : without;
    }

    private Result<List<DryingCourse>> AllCourses(List<PlanStep> before, double from)
    {
        if (wish.Kind.FiresRaw() || (wish.Kind == ScheduleKind.Refiring && load.Wettest.Dryness != Dryness.BoneDry))
        {
            var drying = new DryingPlanner(load, wish, kiln, write);
            var usual = drying.Usual(before, from);
            return usual.IsOk
                ? new List<DryingCourse>([usual.Value, .. drying.WithFewerSteps(before, from)])
                : Result<List<DryingCourse>>.Failed(usual.Problems);
        }
        var fresh = load.Lots.Where(l => !l.GlazedAlready && (l.Glazes.Length > 0 || l.Dryness != Dryness.BoneDry)).ToList();
        var at = FriendlyNumbers.NearestFive((kiln.Boiling - Drying.BelowBoiling).Celsius - 2, wish.Unit);
        return wish.Kind != ScheduleKind.Glaze || fresh.Count == 0 || from >= at - 10 ? new List<DryingCourse>([new([], [])]) : FreshGlaze(fresh, at, from);
    }

    /// <summary>Fresh glaze is dried below boiling, or where steps are few on a slow way past it.</summary>
    private List<DryingCourse> FreshGlaze(List<WareLot> fresh, double at, double from)
    {
        var past = write.BreakAbove(DryingPlan.PastTo);
        var fastest = load.Telling.Max(l => l.Depth) is var depth ? WallGradient.FiredUp(depth) * DryingPlan.Margin : 0;
        var wet = fresh.MaxBy(l => Moisture.Of(l.Dryness))!;
        if (wet.Dryness != Dryness.BoneDry)
        {
            var why = $"The glaze on {wet.What} is still wet, and the ware under it with it; dried too fast it lifts and crawls.";
            var hold = write.At(
                write.Friendly(Math.Min(DampGlazePace, fastest)),
                at,
                DampGlazeHold,
                "dry the wet glaze",
                why,
                FindingIds.GlazeWater,
                Dries(DampGlazePace)
            );
            ClimbLimit Slow(double low, double rate) => new(low, past, rate, rate, "dry the glaze on the way", why, FindingIds.GlazeWater, Dries(rate));
            return [new([hold], [Slow(at, DampGlazePace)]), new([], [Slow(from, DampGlazePace / 2)])];
        }
        const string because = "Freshly glazed ware is wet under its glaze; dried too fast the glaze lifts and crawls.";
        return
        [
            new([write.At(write.Friendly(Math.Min(GlazePace, fastest)), at, GlazeHold, "dry the glaze", because, FindingIds.GlazeWater, Dries(GlazePace))], []),
            new(
                [],
                [
                    new ClimbLimit(
                        from,
                        past,
                        GlazedWare.GlazeUp * DryingPlan.Margin,
                        GlazedWare.GlazeUp,
                        "dry the glaze on the way",
                        because,
                        FindingIds.GlazeWater,
                        Dries(GlazePace)
                    ),
                ]
            ),
        ];
    }

    private static Basis Dries(double pace) => Basis.Practice(GlazedWare.GlazeRule, GlazedWare.GlazeUp, Basis.Planned(pace));

    private static double EndOf(DryingCourse course, double from) =>
        course.Steps.Length > 0 && course.Steps[^1].Step.Target is { } last ? Math.Max(from, last.Celsius) : from;

    private List<PlanStep> UpTo(List<PlanStep> before, DryingCourse course, List<PlanStep> climb)
    {
        List<PlanStep> steps = [.. before, .. course.Steps, .. climb];
        AirPlanner.AddTo(steps, wish, kiln, goal, write);
        return steps;
    }

    /// <summary>
    /// Which way to dry and how many steps to leave for the cooling: the first way that costs little more than the usual one would with steps to spare, else
    /// the quickest.
    /// </summary>
    private static (int Way, int Down) Quickest(List<Way> ways, CoolingPlanner cooling, int most)
    {
        var (way, down, least) = (-1, 0, double.PositiveInfinity);
        var spare = ways[0].Dries + ways[0].Climb.Cost(int.MaxValue) + cooling.Cost(int.MaxValue);
        foreach (var (i, (course, dries, climb)) in ways.Index())
        {
            var left = most - course.Steps.Length;
            for (var d = cooling.Fewest; d < left; d++)
            {
                var cost = dries + climb.Cost(left - d) + cooling.Cost(d);
                if (cost < least - 1e-9)
                    (way, down, least) = (i, d, cost);
            }
            if (least <= spare * NearlyAsGood)
                break;
        }
        return (way, down);
    }

    private static double HoursOf(DryingCourse course, double from)
    {
        var (at, hours) = (from, course.Steps.Length * StepChooser.Worth);
        foreach (var step in course.Steps.Select(s => s.Step))
        {
            var to = step.Target?.Celsius ?? at;
            hours += (step.Pace.Rate is { } rate ? Math.Abs(to - at) / rate.KelvinsPerHour : 0) + step.Hold.TotalHours;
            at = to;
        }
        return hours;
    }

    /// <summary>A way to dry and to climb on; what its drying takes, with what its steps are worth, in hours.</summary>
    private sealed record Way(DryingCourse Course, double Dries, ClimbPlanner Climb);

    /// <summary>
    /// As somebody said to the minute, else by the way chosen: as the glazes ask is nothing for bisque, ten minutes for glazes, twenty where one wants it,
    /// five where one runs or fades.
    /// </summary>
    private Duration Hold
    {
        get
        {
            if (wish.Hold is { } said)
                return said;
            var careful = load.Glazes.Any(g => g.Runny || g.Fades);
            var needs = load.Glazes.Any(g => g.NeedsHold);
            return Duration.FromMinutes(
                wish.Preferences.Hold switch
                {
                    HoldOption.None => 0,
                    HoldOption.QuarterHour => 15,
                    HoldOption.HalfHour => 30,
                    HoldOption.LowerAndLonger => 60,
                    _ when !Melts => 0,
                    _ => careful && !needs ? 5
                    : needs && !careful ? 20
                    : 10,
                }
            );
        }
    }

    /// <summary>The top solved for the goal, with the cooling that follows from it counted in; whole degrees.</summary>
    private Result<List<PlanStep>> Finished(List<PlanStep> steps, ClimbPlanner climb, Func<double, double, double> fall, int down)
    {
        var index = steps.Count - 1;
        var said = steps[index];
        List<PlanStep> Cooling(double from)
        {
            var cooling = CoolingBy(fall, from, down);
            return cooling.Steps(Math.Max(down, cooling.Fewest));
        }
        fall = falls.AfterWhatGlazesAsk(steps, Cooling(said.Step.Target!.Value.Celsius - Drops), fall);
        // A long hold or a slow climb brings the top far down; the first drop is laid below wherever that may be.
        var cools = falls.Binding(steps, Cooling(said.Step.Target!.Value.Celsius - Drops));
        var found = new TopFinder(kiln, goal, wish, write, climb.Able(top), load.Glazes.Any(g => g.Runny || g.Fades));
        // A drop is counted from the top that is solved, which in turn counts the drop in: it settles at once.
        for (var round = 0; round < Rounds; round++)
        {
            var made = found.Find([.. steps.Select(s => s.Step)], [.. cools.Select(s => s.Step)], said.Step.Hold);
            if (!made.IsOk)
                return Result<List<PlanStep>>.Failed(made.Problems);
            steps[index] = Say(said, made.Value);
            var again = falls.Binding(steps, Cooling(made.Value.Top.Celsius));
            if (round == Rounds - 1 || again.Select(s => s.Step).SequenceEqual(cools.Select(s => s.Step)))
                break;
            cools = again;
        }
        List<PlanStep> all = [.. steps, .. cools];
        AirPlanner.CleanUp(all, index, wish, kiln, goal, write);
        return all.Count - 1 > wish.MaxSteps ? TooFew(all.Count - 1) : all;
    }

    /// <summary>Which glaze set how long it is held, with a space before it; empty where none did.</summary>
    private string WhoHolds
    {
        get
        {
            if (wish.Hold is not null || !Melts || wish.Preferences.Hold != HoldOption.AsTheGlazesAsk)
                return "";
            var (needs, careful) = (load.Glazes.FirstOrDefault(g => g.NeedsHold), load.Glazes.FirstOrDefault(g => g.Runny || g.Fades));
            return (needs, careful) switch
            {
                ({ } n, null) => $" {n.Name} wants the hold to heal.",
                (null, { } c) => $" The hold is short: {c.Name} {(c.Runny ? "runs" : "fades")}.",
                ({ } n, { } c) => $" {n.Name} wants a hold and {c.Name} {(c.Runny ? "runs" : "fades")}: this lies between.",
                _ => "",
            };
        }
    }

    private PlanStep Say(PlanStep said, SolvedTop solved)
    {
        var does = solved.Hold > Duration.Zero ? $" and {Phrases.Hours(solved.Hold)} there bring" : " brings";
        return said with
        {
            Step = said.Step.Changed(target: solved.Top, hold: solved.Hold).Value,
            Basis = Basis.HeatWork(goal.Number, top, solved.Top.Celsius, solved.Hold),
            Why =
                $"{said.Why} {write.Degrees(solved.Top.Celsius)}{does} cone {goal.Number} "
                + $"down{(said.Step.Pace.Kind == PaceKind.Full ? "" : " at this pace")}.{solved.Why}{WhoHolds}",
        };
    }
}
