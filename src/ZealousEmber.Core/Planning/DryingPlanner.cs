using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>The steps that dry a load, and how fast it may go on past boiling after them.</summary>
internal sealed class DryingPlanner(WareLoad load, PlanOptions wish, IKilnModel kiln, PlanWriter write)
{
    public const string SteamCheck = "steam-check";
    private const double FastClimb = 150;
    private const double SlowestClimbTaken = 10;
    private const double CandlesAt = 70;
    private static readonly Duration Night = Duration.FromHours(9);
    private static readonly double[] QuickerPast = [60, 80, 100];
    private const double OnTheWay = 80;
    private const int StepsOfTheRest = 7;
    private const int MostBlocks = 4;
    private static readonly Duration LongHold = Duration.FromHours(8);
    private static readonly Duration BlocksFrom = Duration.FromHours(4);
    private static readonly Duration Block = Duration.FromHours(2);
    private static readonly Duration HalfHour = Duration.FromMinutes(30);
    private static readonly Duration LongestWait = Duration.FromHours(14);

    /// <summary>The drying as it is wished for; a problem when this way cannot dry this ware.</summary>
    /// <param name="before">Steps before it.</param>
    /// <param name="from">Where the climb begins, °C.</param>
    public Result<DryingCourse> Usual(IReadOnlyList<PlanStep> before, double from)
    {
        if (Plan() is var plan && wish.Preferences.Drying == DryingOption.SlowClimb && plan.Softens is null)
            return OnTheWayUp(from);
        if (wish.Preferences.Drying == DryingOption.Candle && plan.Softens is null && from < CandlesAt - 5)
            return Candled(plan, before, from);
        if (wish.Preferences.Drying == DryingOption.FastToHold && load.Wettest.Dryness != Dryness.BoneDry)
            return new Problem(
                "drying",
                $"A fast climb to the hold is for bone dry ware only, and this load is not ({load.Wettest.What}). Take another way, or dry it first."
            );
        return ByHolding(plan, before, from, blocks: true);
    }

    /// <summary>Ways with fewer steps, where a controller takes few: no looks between, a longer hold and a quicker climb after it, or no hold at all.</summary>
    /// <param name="before">Steps before it.</param>
    /// <param name="from">Where the climb begins, °C.</param>
    public IEnumerable<DryingCourse> WithFewerSteps(IReadOnlyList<PlanStep> before, double from)
    {
        if (wish.Kind == ScheduleKind.Drying)
            yield break;
        if (ByHolding(Plan(), before, from, blocks: false) is { IsOk: true } plain)
            yield return plain.Value;
        foreach (var past in QuickerPast)
        {
            if (ByHolding(Plan(past), before, from, blocks: false) is { IsOk: true } longer)
                yield return longer.Value;
        }
        if (OnTheWayUp(from) is { IsOk: true } climb)
            yield return climb.Value;
    }

    /// <summary>Low heat for the night: what dries meanwhile is taken off the hold.</summary>
    private Result<DryingCourse> Candled(DryingPlan plan, IReadOnlyList<PlanStep> before, double from)
    {
        var at = FriendlyNumbers.NearestFive(CandlesAt, wish.Unit);
        var dried = Night.TotalHours * Drying.Diffusivity(at) / Drying.Diffusivity(plan.HoldAt);
        var left = Duration.FromMinutes(Math.Max(0, Math.Ceiling((plan.Hold.TotalHours - dried) * 2) * 30));
        var candle = write.At(
            plan.ToHold,
            at,
            Night,
            "candle overnight",
            $"{Text.Capital(Phrases.Hours(Night))} at {write.Degrees(at)}: the water leaves while nobody has to be there, as far as the kiln maker's "
                + $"manual and the studio's rules allow it to be left. Slowest to dry: {write.Name(plan.Slowest)}.",
            "drying"
        );
        if (left == Duration.Zero)
        {
            var basis = Basis.Drying(plan.Slowest, Water(plan.Slowest), at, Night);
            return new DryingCourse(
                [candle],
                [
                    Steams(
                        at,
                        write.BreakAbove(DryingPlan.PastTo),
                        plan.PastBoiling,
                        "gently past boiling",
                        $"The last water in the clay leaves as steam between boiling and {write.Degrees(200)}; a gentle climb lets it out through the pores.",
                        basis
                    ),
                ]
            );
        }
        var rest = ByHolding(plan with { Hold = left }, [.. before, candle], at, blocks: true);
        return rest.IsOk ? rest.Value with { Steps = [candle, .. rest.Value.Steps] } : rest;
    }

    private DryingPlan Plan(double? past = null) => DryingPlan.For([.. load.Telling], Water, kiln.Boiling, wish.Unit, past);

    // Raw glaze keeps the water in: once-fired ware counts as cool to the touch at least.
    private double Water(WareLot lot) =>
        wish.Kind == ScheduleKind.OnceFired ? Math.Max(Moisture.Of(lot.Dryness), Moisture.RawGlazed) : Moisture.Of(lot.Dryness);

    private Result<DryingCourse> ByHolding(DryingPlan plan, IReadOnlyList<PlanStep> before, double from, bool blocks)
    {
        var lot = plan.Slowest;
        var hold = wish.Preferences.Drying == DryingOption.LongHold ? Duration.Max(plan.Hold, LongHold) : plan.Hold;
        if (Duration.Max(hold, plan.Softens?.Stay ?? hold) is var longest && longest > ScheduleLimits.LongestHold)
            return new Problem(
                "lots",
                $"{Text.Capital(write.Name(lot))} would have to be held for {Phrases.Hours(longest)} to dry; no schedule alone does that. Hollow it out, "
                    + "vent it, or let it dry longer first."
            );
        var steps = before.ToList();
        if (plan.Softens is { } soft && from < soft.At)
        {
            var leather = load.Lots.Where(l => l.Dryness == Dryness.LeatherHard).MaxBy(l => l.Depth)!;
            steps.Add(
                write.At(
                    soft.Climb,
                    soft.At,
                    soft.Stay,
                    "dry while it shrinks",
                    $"Leather hard ware shrinks as it dries: warmed slowly and left at {write.Degrees(soft.At)}, its skin and its middle shrink together. "
                        + $"Vent off until here. Slowest: {write.Name(leather)}.",
                    "drying",
                    Basis.Shrinks(leather, soft.Stay)
                )
            );
        }
        var pace = wish.Preferences.Drying == DryingOption.FastToHold ? write.Friendly(FastClimb) : plan.ToHold;
        var basis = Basis.Drying(lot, Water(lot), plan.HoldAt, hold);
        if (from < plan.HoldAt - 1)
            AddHold(steps, from, plan, hold, pace, basis, blocks ? Blocks(hold) : 0);
        var after = new List<ClimbLimit>
        {
            Steams(
                plan.HoldAt,
                write.BreakAbove(DryingPlan.PastTo),
                plan.PastBoiling,
                "gently past boiling",
                $"The last water in the clay leaves as steam between boiling and {write.Degrees(200)}; a gentle climb lets it out through the pores.",
                basis
            ),
        };
        if (plan.To200 is { } slow)
            after.Add(
                Steams(
                    plan.HoldAt,
                    write.BreakAbove(DryingPlan.SlowTo),
                    slow,
                    "slowly past boiling",
                    $"{Text.Capital(write.Name(lot))}: so thick that the hold alone would take days. A slow climb past boiling gives the steam time to leave.",
                    basis
                )
            );
        return new DryingCourse([.. steps.Skip(before.Count)], [.. after]);
    }

    private static ClimbLimit Steams(double from, double to, double rate, string brief, string why, Basis basis) =>
        new(from, to, rate, rate, brief, why, "drying", basis);

    /// <summary>One hold; of a long one about a third in blocks of two hours, each ending with a look for steam.</summary>
    private void AddHold(List<PlanStep> steps, double from, DryingPlan plan, Duration hold, double pace, Basis basis, int blocks)
    {
        var counts =
            Water(plan.Slowest) > Moisture.Of(plan.Slowest.Dryness)
                ? $"{Moisture.Format(plan.Slowest.Dryness)}, and with the water of its raw glaze as if {Moisture.Format(Dryness.CoolToTouch)}"
                : Moisture.Format(plan.Slowest.Dryness);
        var why =
            $"Slowest to dry: {write.Name(plan.Slowest)}, {counts}. Held {Phrases.Hours(hold)} below boiling, the water leaves the middle of the wall; "
            + "above boiling what is left would turn to steam.";
        if (blocks == 0)
        {
            steps.Add(write.At(pace, plan.HoldAt, hold, $"dry {wish.Units.Wall(plan.Slowest.Wall)} walls", why, "drying", basis));
            return;
        }
        // About seven tenths at once, in half hours; the rest where somebody looks.
        var once = Duration.Max(hold - Block * blocks, Duration.FromMinutes(Math.Round(hold.TotalHours * 0.7 * 2) * 30));
        var left = hold - once;
        var now = Elapsed(steps) + Duration.FromHours((plan.HoldAt - Last(steps, from)) / pace);
        var first = UntilSomebodyIsIn(now + once);
        var waits = first > Duration.Zero ? " It is held on until somebody is in to look." : "";
        now += once + first;
        steps.Add(write.At(pace, plan.HoldAt, once + first, "dry, then look for steam", why + waits, SteamCheck, basis));
        for (var i = 0; i < blocks && left > Duration.Zero; i++)
        {
            var each = i < blocks - 1 ? Duration.Min(Block, left) : left;
            left -= each;
            each += UntilSomebodyIsIn(now + each);
            now += each;
            var last = left <= Duration.Zero;
            steps.Add(
                write.At(
                    pace,
                    plan.HoldAt,
                    each,
                    last ? "last look before boiling" : "look for steam",
                    last
                        ? "The last look, before it goes past boiling. While a cold mirror over the peephole still mists, give it another hour."
                        : "Hold a cold mirror over the peephole. If it mists, give it this block; if it stays clear, go on: that saves the power of the rest.",
                    SteamCheck
                )
            );
        }
    }

    /// <summary>How much longer it has to be held for a look to fall when somebody is in; nothing where nobody knows, or nobody comes for long.</summary>
    private Duration UntilSomebodyIsIn(Duration look)
    {
        if (wish.SomebodyIn is not { } isIn)
            return Duration.Zero;
        for (var wait = Duration.Zero; wait <= LongestWait; wait += HalfHour)
        {
            if (isIn(look + wait))
                return wait;
        }
        return Duration.Zero;
    }

    private static double Last(List<PlanStep> steps, double from) => steps.Count > 0 && steps[^1].Step.Target is { } target ? target.Celsius : from;

    /// <summary>About how long the steps take so far.</summary>
    private Duration Elapsed(List<PlanStep> steps)
    {
        var program = FiringProgram.Create([.. steps.Select(s => s.Step)]);
        return program.IsOk && kiln.Times(program.Value) is { IsOk: true } times ? times.Value.Total : Duration.Zero;
    }

    private int Blocks(Duration hold)
    {
        if (wish.Preferences.Drying != DryingOption.ByTheWall || hold <= BlocksFrom)
            return 0;
        // As many looks as there are steps to spare: the rest of the firing needs its own.
        var wanted = (int)Math.Ceiling(hold.TotalHours * 0.3 / Block.TotalHours - 0.05);
        return Math.Clamp(Math.Min(wanted, wish.MaxSteps - StepsOfTheRest), 0, MostBlocks);
    }

    private Result<DryingCourse> OnTheWayUp(double from)
    {
        List<WareLot> lots = [.. load.Telling];
        // What is only dried ends a little above boiling.
        var to = wish.Kind == ScheduleKind.Drying ? kiln.Boiling.Celsius + 20 : DryingPlan.SlowTo;
        double Worst(double rate)
        {
            var climb = new SteamClimb(new Curve([new(0, from), new(60 * Math.Max(1, to + 5 - from) / rate, to + 5)]), kiln.Boiling);
            return lots.Max(l => Math.Max(climb.Worst(l.Depth, Water(l)).B / Steam.Planned, climb.WaterAtBoiling(l.Depth, Water(l)) / Steam.MostAtBoiling));
        }
        var shrinks = lots.Min(l => Shrinking.Fastest(l.Depth, l.Dryness) ?? double.PositiveInfinity) * DryingPlan.Margin;
        var fastest = Math.Min(shrinks, Roots.Rising(Worst, 1 + 1e-9, 0.5, OnTheWay, 0.01));
        var lot = load.SlowestToDry;
        if (fastest < SlowestClimbTaken)
            return new Problem(
                "drying",
                $"{Text.Capital(write.Name(lot))}, {Moisture.Format(lot.Dryness)}, would need a climb under {write.Pace(SlowestClimbTaken)} an hour to "
                    + "dry on the way. A hold below boiling is quicker."
            );
        var ends = write.BreakAbove(to);
        var why =
            $"Slowest to dry: {write.Name(lot)}, {Moisture.Format(lot.Dryness)}. At {write.Pace(write.Friendly(fastest))} an hour the steam of what is "
            + "left finds its way out.";
        // What is fired goes on from there: the climb past boiling is the first part of it.
        return wish.Kind == ScheduleKind.Drying
            ? new DryingCourse([write.At(write.Friendly(fastest), ends, Duration.Zero, "dry on the way", why, "drying")], [])
            : new DryingCourse([], [new ClimbLimit(from, ends, fastest, fastest, "dry on the way", why, "drying")]);
    }
}

/// <summary>How a load is dried: the steps to the end of its hold, and what the climb after them is held to.</summary>
/// <param name="Steps">None where it dries on the way.</param>
/// <param name="After">Limits on the climb.</param>
internal sealed record DryingCourse(ImmutableArray<PlanStep> Steps, ImmutableArray<ClimbLimit> After);
