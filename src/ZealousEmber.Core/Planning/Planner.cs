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
    private const string SteamCheck = "steam-check";
    private const double UsualClimb = 80;
    private const double FastClimb = 150;
    private const double RawPace = 100;
    private const double BurnOutPace = 150;
    private const double GlazePace = 200;
    private const double LastPace = 60;
    private const double SlowestClimbTaken = 10;
    private const double KilnMargin = 0.95;
    private const double FallMargin = 1.15;
    private static readonly Duration LongHold = Duration.FromHours(8);
    private static readonly Duration BlocksFrom = Duration.FromHours(4);
    private static readonly Duration Block = Duration.FromHours(2);

    /// <summary>
    /// Plans. Problems name <c>lots</c>, <c>goalCone</c>, <c>drying</c>, <c>maxSteps</c> and say which limit cannot be met and what would have to give.
    /// </summary>
    public static Result<Plan> Make(WareLoad load, PlanWish wish, IKilnModel kiln)
    {
        if (wish.MaxSteps is < 2 or > ScheduleLimits.Segments) return new Problem("maxSteps", $"A controller takes 2 to {ScheduleLimits.Segments} steps.");
        if (wish.Kind != ScheduleKind.Drying && load.Wettest is { Dryness: Dryness.LeatherHard } wet)
            return new Problem("lots", $"Leather hard ware ({wet.What}) is not fired: plan a drying firing for it first. Many studios do not take it at all.");
        var goal = GoalFinder.Find(load, wish);
        if (!goal.IsOk) return Result<Plan>.Failed(goal.Problems);
        var top = goal.Value.Goal is { } cone ? ConeTable.Of(cone).At60 : (double?)null;
        if (top > kiln.Hottest.Celsius) return new Problem("goalCone", $"Cone {goal.Value.Goal!.Value.Number} wants about {Degrees(top.Value, wish)}; the kiln goes to {Degrees(kiln.Hottest.Celsius, wish)}.");

        var steps = new List<PlanStep>();
        var raw = wish.Kind != ScheduleKind.Glaze;
        if (raw)
        {
            var dried = Dry(load, wish, kiln, steps);
            if (dried is not null) return dried;
        }
        else if (load.Glazes.Count > 0)
        {
            var at = FriendlyNumbers.Nearest((kiln.Boiling - Drying.BelowBoiling - TemperatureDifference.FromKelvins(2)).Celsius, wish.Unit);
            steps.Add(Climb(UsualClimb, at, Duration.FromMinutes(30), wish, "dry the glaze", "Freshly glazed ware is wet under its glaze; dried too fast the glaze lifts and crawls.", "glaze-water"));
        }

        var cooling = Cooling(load, wish, kiln, top ?? 0);
        if (wish.Kind == ScheduleKind.Drying)
        {
            var to = FriendlyNumbers.Nearest(kiln.Boiling.Celsius + 20, wish.Unit);
            steps.Add(Climb(Math.Min(30, UsualClimb), to, Duration.FromHours(1), wish, "past boiling, slowly", "The last water in the clay leaves once it is past boiling; an hour there makes sure.", "drying"));
        }
        else
        {
            AddClimb(load, wish, kiln, steps, cooling.Count, top!.Value, raw);
        }
        if (steps.Count + cooling.Count > wish.MaxSteps)
            return new Problem("maxSteps", $"This firing needs at least {steps.Count + cooling.Count} steps: {steps.Count} up to its top and {cooling.Count} down. A simpler drying or cooling would need fewer.");
        var topStep = steps.Count - 1;
        steps.AddRange(cooling);
        if (goal.Value.Goal is { } aim && SolveTop(wish, kiln, steps, topStep, aim) is { } unreachable) return unreachable;
        return Finish(load, wish, kiln, steps, goal.Value.Goal, goal.Value.Why);
    }

    /// <summary>Adds the drying; a problem when this way cannot dry this ware.</summary>
    private static Problem? Dry(WareLoad load, PlanWish wish, IKilnModel kiln, List<PlanStep> steps)
    {
        var lot = load.SlowestToDry;
        var holdAt = Math.Min(FriendlyNumbers.Nearest((kiln.Boiling - Drying.BelowBoiling).Celsius - 2.5, wish.Unit), (kiln.Boiling - Drying.BelowBoiling).Celsius);
        if (wish.Preferences.Drying == DryingOption.SlowClimb) return DryOnTheWay(lot, wish, kiln, steps);
        if (wish.Preferences.Drying == DryingOption.FastToHold && load.Wettest.Dryness != Dryness.BoneDry)
            return new Problem("drying", $"A fast climb to the hold is for bone dry ware only, and this load is not ({load.Wettest.What}). Take another way, or dry it first.");

        var pace = FriendlyNumbers.RateDown(wish.Preferences.Drying == DryingOption.FastToHold ? FastClimb : UsualClimb, wish.Unit);
        var before = Drying.Progress(new Curve([new(0, kiln.Start.Celsius), new(60 * Math.Max(0, holdAt - kiln.Start.Celsius) / pace, holdAt)]), Duration.FromHours(1000));
        var needed = Drying.HoldFor(lot.Wall, lot.OneSided, lot.Dryness, Temperature.FromCelsius(holdAt), before);
        var hold = Drying.WithMargin(needed);
        if (wish.Preferences.Drying == DryingOption.LongHold) hold = Duration.Max(hold, LongHold);
        if (hold > ScheduleLimits.LongestHold)
            return new Problem("lots", $"{Text.Capital(LoadNotes.Name(lot, wish.Units))} would have to be held for {Phrases.Hours(hold)} to dry; no schedule alone does that. Hollow it out, vent it, or let it dry longer first.");

        var why = $"Slowest to dry: {LoadNotes.Name(lot, wish.Units)}, {Format(lot.Dryness)}. {Phrases.Hours(hold)} below boiling bring the middle of the wall down to {Phrases.Number(Drying.FineWater)} % water, with a margin; above boiling what is left would turn to steam.";
        var blocks = wish.Preferences.Drying == DryingOption.ByTheWall && hold > BlocksFrom ? (int)Math.Ceiling(hold / Block) : 1;
        // As many looks as there are steps to spare: the rest of the firing needs its own.
        blocks = Math.Clamp(blocks, 1, Math.Max(1, wish.MaxSteps - 8));
        var each = blocks == 1 ? hold : Duration.Max(Block, Duration.FromMinutes(Math.Ceiling(hold.TotalMinutes / blocks / 30) * 30));
        // The last block is what is left, so that they come to the hold and no more.
        blocks = (int)Math.Ceiling(hold / each);
        var last = hold - each * (blocks - 1);
        steps.Add(Climb(pace, holdAt, each, wish, blocks > 1 ? "dry, then look for steam" : $"dry {wish.Units.Wall(lot.Wall)} walls", why, blocks > 1 ? SteamCheck : "drying"));
        for (var i = 1; i < blocks; i++)
        {
            steps.Add(Climb(pace, holdAt, i < blocks - 1 ? each : last, wish, i < blocks - 1 ? "look for steam" : "last look before boiling",
                i < blocks - 1 ? "Hold a cold mirror over the peephole. If it mists, give it this block; if it stays clear, go on: that saves the power of the rest." : "The last look, before it goes past boiling. While the mirror still mists, give it another hour.", SteamCheck));
        }
        return null;
    }

    private static Problem? DryOnTheWay(WareLot lot, PlanWish wish, IKilnModel kiln, List<PlanStep> steps)
    {
        double CentreAt(double rate)
        {
            var past = kiln.Boiling.Celsius + 1;
            var curve = new Curve([new(0, kiln.Start.Celsius), new(60 * Math.Max(1, past - kiln.Start.Celsius) / rate, past)]);
            return Drying.CentreWater(curve, lot.Wall, lot.OneSided, lot.Dryness, kiln.Boiling);
        }
        var fastest = Roots.Rising(CentreAt, Drying.FineWater, 0.5, UsualClimb);
        if (fastest < SlowestClimbTaken)
            return new Problem("drying", $"{Text.Capital(LoadNotes.Name(lot, wish.Units))}, {Format(lot.Dryness)}, would need a climb under {Phrases.Number(SlowestClimbTaken)} °C/h to dry on the way. A hold below boiling is quicker.");
        var to = FriendlyNumbers.Nearest(kiln.Boiling.Celsius + 20, wish.Unit);
        var pace = FriendlyNumbers.RateDown(fastest, wish.Unit);
        steps.Add(Climb(pace, to, Duration.Zero, wish, "dry on the way", $"Slowest to dry: {LoadNotes.Name(lot, wish.Units)}, {Format(lot.Dryness)}. At {Phrases.Number(Math.Round(Rate.PerHour(pace).PerHourIn(wish.Unit)))} {wish.Unit.Symbol()} an hour the middle of the wall is dry by the time it passes boiling.", "drying"));
        return null;
    }

    /// <summary>Adds the climb from the drying to about the top, inside every limit.</summary>
    private static void AddClimb(WareLoad load, PlanWish wish, IKilnModel kiln, List<PlanStep> steps, int cooling, double top, bool raw)
    {
        var from = steps.Count > 0 ? steps[^1].Step.Target!.Value.Celsius : kiln.Start.Celsius;
        var approach = FriendlyNumbers.Nearest(top - 100, wish.Unit);
        var stretches = ClimbLimits.Lay(from, top, Limits(load, wish, kiln, from, top, approach, raw), rate => FriendlyNumbers.RateDown(rate, wish.Unit));
        if (wish.Preferences.Approach == ApproachOption.OneRate)
        {
            var slowest = stretches.MinBy(s => s.Rate)!;
            stretches = [slowest with { From = from, To = top, Full = false, Short = "one rate to the top", Why = $"One rate throughout, as slow as the slowest limit asks. {slowest.Why}" }];
        }
        ClimbLimits.Merge(stretches, wish.MaxSteps - steps.Count - cooling);
        foreach (var (i, stretch) in stretches.Index())
        {
            var hold = i == stretches.Count - 1 ? HoldFor(load, wish) : Duration.Zero;
            steps.Add(stretch.Full
                ? new PlanStep(Segment.Of(Core.Schedules.Pace.Full, Temperature.FromCelsius(stretch.To), reason: stretch.Short).Value, stretch.Why, stretch.By)
                : Climb(stretch.Rate, stretch.To, hold, wish, stretch.Short, stretch.Why, stretch.By));
        }
    }

    /// <summary>Moves the top so that the goal comes down, the start of the cooling counted in; whole degrees.</summary>
    private static Problem? SolveTop(PlanWish wish, IKilnModel kiln, List<PlanStep> steps, int index, Cone goal)
    {
        var draft = FiringProgram.Create([.. steps.Select(s => s.Step)]);
        if (!draft.IsOk) return draft.Problems[0];
        var said = steps[index];
        var hold = said.Step.Hold;
        var solved = ConeSolver.TopOf(draft.Value, goal, kiln.Start, kiln.Times, hold, wish.Unit, kiln.Hottest);
        if (!solved.IsOk) return solved.Problems[0] with { Field = "goalCone" };
        var whole = solved.Value.Steps[index].Whole(wish.Unit).Target!.Value;
        var does = hold > Duration.Zero ? $" and {Phrases.Hours(hold)} there bring" : " brings";
        steps[index] = said with
        {
            Step = Make(said.Step.Pace.Rate!.Value.KelvinsPerHour, whole.Celsius, hold, wish, said.Step.Reason!),
            Why = $"{said.Why} {Degrees(whole.Celsius, wish)}{does} cone {goal.Number} down at this pace.",
        };
        return null;
    }

    private static List<ClimbLimit> Limits(WareLoad load, PlanWish wish, IKilnModel kiln, double from, double top, double approach, bool raw)
    {
        var limits = new List<ClimbLimit>();
        void Limit(double low, double high, double rate, string brief, string why, string by) => limits.Add(new ClimbLimit(low, high, rate, brief, why, by));

        if (raw)
        {
            Limit(from, BurnOut.From.Celsius, RawPace, "gently while the clay changes", $"Bound water leaves the clay between {Degrees(450, wish)} and {Degrees(650, wish)}; a steady climb lets it out without strain.", "brisk");
            var slow = load.SlowestToBurnOut;
            var needed = BurnOut.Needed(slow.Wall, slow.Clay?.BurnsOutSlowly == true, load.Packed);
            var rate = (BurnOut.To - BurnOut.From).Kelvins / needed.TotalHours;
            var clay = slow.Clay?.BurnsOutSlowly == true ? $" of {slow.Clay.Name}, which burns out slowly," : "";
            var packed = load.Packed ? " in a packed kiln" : "";
            Limit(BurnOut.From.Celsius, Math.Min(BurnOut.To.Celsius, top), Math.Min(BurnOutPace, rate), "burn out the carbon",
                $"Carbon and sulphur leave {LoadNotes.Name(slow, wish.Units)}{clay} between {Degrees(BurnOut.From.Celsius, wish)} and {Degrees(BurnOut.To.Celsius, wish)} and need {Phrases.Hours(needed)} with air there{packed}. What stays in comes out through the glaze as pinholes. Vent on.", rate < BurnOutPace ? "burn-out" : "brisk");
            if (top > BurnOut.To.Celsius) Limit(BurnOut.To.Celsius, top, BurnOutPace, "on to the last stretch", "Nothing in the clay asks for time here.", "brisk");
        }
        else Limit(from, top, GlazePace, "brisk through the middle", "Bisqued ware stands a brisk climb; nothing in it asks for time here.", "brisk");

        var strained = load.MostStrained;
        var quartz = WallGradient.Fastest(strained.Wall, strained.IsWide).KelvinsPerHour;
        if (quartz < GlazePace)
        {
            Limit(WallGradient.Quartz.From.Celsius, WallGradient.Quartz.To.Celsius, quartz, "slowly past quartz",
                $"Quartz changes size at {Degrees(573, wish)}, and a wall that is not through it as a whole cracks. Most at risk: {LoadNotes.Name(strained, wish.Units)}{(strained.IsWide ? ", flat and wide" : "")}.", "quartz");
        }
        var nearTop = kiln.FastestClimb(Temperature.FromCelsius(top))?.KelvinsPerHour * KilnMargin;
        if (wish.Preferences.Approach == ApproachOption.LastHundred)
        {
            Limit(approach, top, Math.Min(LastPace, nearTop ?? LastPace), "the last hundred at the cone's pace", nearTop < LastPace
                ? $"As near to the cone's own {Pace(LastPace, wish)} an hour as this kiln can climb here."
                : $"Cone numbers are told at {Pace(LastPace, wish)} an hour: at that pace the display and the cone agree.", "approach");
        }
        KilnLimit(kiln, from, wish.Preferences.Approach == ApproachOption.LastHundred ? approach : top, raw ? BurnOutPace : GlazePace, !raw && wish.Preferences.Approach == ApproachOption.LastHundred, limits);
        return limits;
    }

    /// <summary>From where the kiln cannot keep up any more: full power where nothing in the ware asks for a pace, else what it can do at the end.</summary>
    private static void KilnLimit(IKilnModel kiln, double from, double to, double pace, bool full, List<ClimbLimit> limits)
    {
        double? Can(double t) => kiln.FastestClimb(Temperature.FromCelsius(t))?.KelvinsPerHour * KilnMargin;
        double Begins(double low, double high)
        {
            for (var t = Math.Ceiling(low / 50) * 50; t < high && Can(t) >= pace; t += 50) low = t;
            return low;
        }
        // Full power begins past the size change of quartz, where a moment of it does no harm.
        var free = full ? Math.Clamp(BurnOut.From.Celsius, from, to) : to;
        if (free > from && Can(free) is { } can && can < pace)
            limits.Add(new ClimbLimit(Begins(from, free), free, can, "as fast as this kiln can", "A faster step would only fall behind: the elements are near full power by the end of it.", "kiln"));
        if (!full || !(Can(to) < pace)) return;
        var begins = Begins(free, to);
        limits.Add(new ClimbLimit(begins, to, Math.Min(pace - 1, Can(begins) ?? pace), "as fast as the kiln can", "Nothing in the ware asks for a pace here, and the elements are at full power anyway.", "kiln", Full: true, AtEnd: Can(to) ?? double.MaxValue));
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
            _ when wish.Kind == ScheduleKind.Bisque => 0,
            _ => careful && !needs ? 5 : needs && !careful ? 20 : 10,
        });
    }

    private static List<PlanStep> Cooling(WareLoad load, PlanWish wish, IKilnModel kiln, double top)
    {
        var steps = new List<PlanStep>();
        var at = top;
        void Down(double rate, double to, Duration hold, string brief, string why, string by)
        {
            if (to >= at - 1) return;
            steps.Add(Climb(rate, to, hold, wish, brief, why, by));
            at = to;
        }
        void FallTo(double to)
        {
            if (to >= at - 1) return;
            steps.Add(new PlanStep(Segment.Of(Core.Schedules.Pace.Natural, Temperature.FromCelsius(to), reason: "by itself").Value, "Nothing asks for power here; it cools by itself.", "cooling"));
            at = to;
        }

        var slow = load.Glazes.Where(g => g.Slow is not null).ToList();
        if (wish.Kind != ScheduleKind.Drying)
        {
            if (wish.Preferences.Cooling == CoolingOption.AsTheGlazesAsk && slow.Count > 0 && wish.Kind != ScheduleKind.Bisque)
            {
                var (high, low) = (slow.Max(g => g.Slow!.From.Celsius), slow.Min(g => g.Slow!.To.Celsius));
                var pace = FriendlyNumbers.RateDown(slow.Min(g => (g.Slow!.From - g.Slow.To).Kelvins / g.Slow.Lasts.TotalHours), wish.Unit);
                Down(FastClimb, high, Duration.Zero, "drop to the band", "Above its band the glaze only runs; it is left quickly.", "drop");
                Down(pace, low, Duration.Zero, "grow the crystals", $"{Phrases.List(slow.Select(g => g.Name))} {(slow.Count == 1 ? "grows its surface" : "grow their surface")} between {Degrees(high, wish)} and {Degrees(low, wish)} on the way down, and {(slow.Count == 1 ? "wants" : "want")} {Phrases.Hours(slow.Max(g => g.Slow!.Lasts))} there.", "slow-band");
            }
            else if (wish.Preferences.Cooling == CoolingOption.DropAndHold)
                Down(FastClimb, FriendlyNumbers.Nearest(top - 50, wish.Unit), Duration.FromMinutes(30), "drop, then heal", "A little below the top the glaze no longer runs but still heals its pinholes.", "drop");
            else if (wish.Preferences.Cooling == CoolingOption.LimitedDrop)
                Down(100, 700, Duration.Zero, "no faster than this", "A limit on the drop spares large and flat ware, and a kiln that is thinly loaded.", "cooling");
        }

        var strained = load.MostStrained;
        var fastest = WallGradient.Fastest(strained.Wall, strained.IsWide);
        foreach (var (from, to) in new[] { WallGradient.Quartz, WallGradient.Cristobalite })
        {
            if (top <= to.Celsius || wish.Kind == ScheduleKind.Drying) continue;
            // The fall is that after a usual firing; after a shorter one the walls are cooler and it falls a little faster.
            if (kiln.NaturalFall(to) is not { } natural || natural.KelvinsPerHour * FallMargin <= fastest.KelvinsPerHour) continue;
            FallTo(to.Celsius);
            Down(FriendlyNumbers.RateDown(fastest.KelvinsPerHour, wish.Unit), from.Celsius, Duration.Zero, "slowly past the size change",
                $"Walls cool from their faces; left to itself the kiln would drop through {Degrees(to.Celsius > 300 ? 573 : 226, wish)} too fast for {LoadNotes.Name(strained, wish.Units)}.", "quartz-cooling");
        }
        steps.Add(new PlanStep(Segment.Of(Core.Schedules.Pace.Natural, null).Value, "Off: it cools by itself until it may be opened.", "cooling"));
        return steps;
    }

    private static Result<Plan> Finish(WareLoad load, PlanWish wish, IKilnModel kiln, List<PlanStep> steps, Cone? goal, string? goalWhy)
    {
        var schedule = Schedule.Create(wish.Name, wish.Kind, wish.Unit, [.. steps.Select(s => s.Step)], null, null, goal);
        if (!schedule.IsOk) return Result<Plan>.Failed(schedule.Problems);
        var compiled = kiln.Times(schedule.Value.Program);
        return compiled.IsOk ? new Plan(schedule.Value, [.. steps.Select((s, i) => s.By == SteamCheck ? s with { Look = compiled.Value.Segments[i].End } : s)], goalWhy, [.. LoadNotes.Of(load, wish.Kind, kiln.UsualWare(wish.Kind), wish.Units)]) : Result<Plan>.Failed(compiled.Problems);
    }

    private static PlanStep Climb(double rate, double target, Duration hold, PlanWish wish, string brief, string why, string by) => new(Make(rate, target, hold, wish, brief), why, by);

    private static Segment Make(double rate, double target, Duration hold, PlanWish wish, string brief)
    {
        // A slow band of minutes would ask for more than any step may say.
        var friendly = Math.Min(FriendlyNumbers.RateDown(rate, wish.Unit), ScheduleLimits.Fastest.KelvinsPerHour);
        return Segment.Of(Core.Schedules.Pace.At(Rate.PerHour(friendly)), Temperature.FromCelsius(target), hold, brief).Value;
    }

    private static string Format(Dryness dryness) => dryness switch { Dryness.BoneDry => "bone dry", Dryness.CoolToTouch => "cool to the touch", Dryness.Damp => "damp", _ => "leather hard" };

    private static string Pace(double kelvinsPerHour, PlanWish wish) => $"{Phrases.Number(Math.Round(Rate.PerHour(kelvinsPerHour).PerHourIn(wish.Unit)))} {wish.Unit.Symbol()}";

    private static string Degrees(double celsius, PlanWish wish) => $"{Phrases.Number(Math.Round(Temperature.FromCelsius(celsius).In(wish.Unit)))} {wish.Unit.Symbol()}";
}
