using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>What ware, glazes and habit ask of the climb: everything in the kiln is minded, the strictest holds.</summary>
internal sealed class ClimbRules(WareLoad load, PlanOptions wish, IKilnModel kiln, PlanWriter write)
{
    private const double RawPace = 100;
    private const double BurnOutPace = 150;
    private const double GlazePace = 200;
    private const double OneRatePace = 150;

    /// <summary>The climb cone numbers are told at, °C/h.</summary>
    public const double LastPace = 60;
    private const double LastStretch = 100;

    // Habit may be passed by a kiln that is left to itself.
    private const double HabitStands = 1.25;

    // Left to itself where it makes little more than the cone's pace: the top is solved for what it does.
    private const double LastStands = 85;

    private readonly List<ClimbLimit> limits = [];

    private double ByHabit(double pace) =>
        wish.Preferences.Pace switch
        {
            PaceOption.Gently => pace * 2 / 3,
            PaceOption.Fast => pace * 1.5,
            _ => pace,
        };

    private string Habitually =>
        wish.Preferences.Pace switch
        {
            PaceOption.Gently => "gentle",
            PaceOption.Fast => "fast",
            _ => "brisk",
        };

    private string AsAsked =>
        wish.Preferences.Pace switch
        {
            PaceOption.Gently => " Planned gently, as asked.",
            PaceOption.Fast => " Planned fast, as asked.",
            _ => "",
        };

    private bool Raw => wish.Kind.FiresRaw();

    private bool LastHundred => wish.Preferences.Approach == ApproachOption.LastHundred;

    private WareLot Deepest => load.Telling.MaxBy(l => l.Depth)!;

    /// <summary>All limits between two temperatures, °C.</summary>
    /// <param name="load">What is in the kiln.</param>
    /// <param name="wish">What is wished for.</param>
    /// <param name="kiln">Where.</param>
    /// <param name="write">In which numbers.</param>
    /// <param name="from">°C.</param>
    /// <param name="top">About where it ends, °C.</param>
    /// <param name="lastHundred">Whether the last hundred degrees are climbed at the cone's pace; no ware asks for it.</param>
    public static List<ClimbLimit> Of(WareLoad load, PlanOptions wish, IKilnModel kiln, PlanWriter write, double from, double top, bool lastHundred)
    {
        var rules = new ClimbRules(load, wish, kiln, write);
        if (rules.Raw)
            rules.OfRawWare(from, top);
        else
            rules.OfFiredWare(from, top);
        rules.OfWideWare(from);
        if (lastHundred)
            rules.OfTheLastHundred(from, top);
        return rules.limits;
    }

    /// <summary>The last hundred degrees begin here.</summary>
    public static double Approach(double from, double top, PlanOptions wish) => Math.Max(from, FriendlyNumbers.Nearest(top - LastStretch, wish.Unit));

    private void Limit(double low, double high, double rate, double stands, string brief, string why, string by, Basis? basis = null)
    {
        if (high > low && double.IsFinite(rate))
            limits.Add(new ClimbLimit(low, high, rate, stands, brief, why, by, basis));
    }

    private void Habit(double low, double high, double rate, string brief, string why, Basis? basis = null) =>
        Limit(low, high, rate, rate * HabitStands, brief, why + AsAsked, "brisk", basis);

    private void OfRawWare(double from, double top)
    {
        var burns = write.BreakBelow(BurnOut.From.Celsius);
        Habit(
            from,
            burns,
            ByHabit(RawPace),
            "gently while the clay changes",
            $"No faster than {write.Pace(write.Friendly(ByHabit(RawPace)))} an hour while the clay is raw: its last free water leaves on the way, and the water "
                + $"bound in it between {write.Degrees(450)} and {write.Degrees(burns)}.",
            Basis.Brisk(Deepest, true, WallGradient.RawUp(Deepest.Depth), ByHabit(RawPace))
        );
        var wall = WallGradient.RawUp(Deepest.Depth);
        // A little further than it need be, to where the burn-out begins: a step less.
        Limit(
            Math.Max(from, WallGradient.RawClimb.From),
            burns,
            wall * DryingPlan.Margin,
            wall,
            "slowly: a thick wall",
            $"Raw clay is weak, and the middle of a thick wall lags behind its faces; through quartz at {write.Degrees(573)} that cracks it. Thickest: "
                + $"{write.Name(Deepest)}.",
            "wall",
            Basis.Wall(Deepest, WallRule.Raw, wall, Basis.Planned(write.Friendly(wall * DryingPlan.Margin)))
        );
        OfCarbon(burns, top);
        Habit(
            Math.Min(write.BreakAbove(BurnOut.To.Celsius), top),
            top,
            ByHabit(BurnOutPace),
            "on to the last stretch",
            "Nothing in the clay asks for time here."
        );
    }

    private void OfCarbon(double burns, double top)
    {
        var slow = load.SlowestToBurnOut;
        var packed = load.IsPacked(kiln.UsualWare(wish.Kind));
        var needed = BurnOut.Needed(slow.Wall, slow.Clay?.BurnsOutSlowly == true, packed);
        var ends = Math.Min(write.BreakAbove(BurnOut.To.Celsius), top);
        // Only the band itself counts; the step is laid a little wider.
        var rate = (Math.Min(BurnOut.To.Celsius, top) - BurnOut.From.Celsius) / needed.TotalHours;
        var asks = rate < ByHabit(BurnOutPace);
        var clay = slow.Clay?.BurnsOutSlowly == true ? $" of {slow.Clay.Name}, which burns out slowly," : "";
        Limit(
            burns,
            ends,
            Math.Min(ByHabit(BurnOutPace), rate),
            asks ? rate : ByHabit(BurnOutPace) * HabitStands,
            "burn out the carbon",
            $"{(asks ? "" : $"A {Habitually} {write.Pace(write.Friendly(ByHabit(BurnOutPace)))} an hour, and time enough: c")}{(asks ? "C" : "")}arbon and sulphur leave "
                + $"{write.Name(slow)}{clay} above {write.Degrees(burns)} and need {Phrases.Hours(needed)} with air before "
                + $"{(LastHundred && top - LastStretch < ends ? "the top" : write.Degrees(ends))}{(packed ? ", in a packed kiln" : "")}. What stays "
                + "in comes out through the glaze as pinholes. Vent on.",
            asks ? "burn-out" : "brisk",
            Basis.BurnsOut(slow, packed, needed, $"which is {Phrases.Number(Math.Round(rate))} °C/h")
        );
    }

    private void OfFiredWare(double from, double top)
    {
        var pace = ByHabit(LastHundred ? GlazePace : OneRatePace);
        var below = WallGradient.FiredUp(Deepest.Depth);
        Habit(
            from,
            top,
            pace,
            wish.Preferences.Pace == PaceOption.Gently ? "gently through the middle" : "brisk through the middle",
            "Bisqued ware stands a brisk climb; nothing in it asks for time here.",
            Basis.Brisk(Deepest, false, below, pace)
        );
        if (below * DryingPlan.Margin < pace)
            Limit(
                from,
                write.BreakBelow(WallGradient.Quartz.From),
                below * DryingPlan.Margin,
                below,
                "gently: a thick wall",
                $"The middle of a thick wall lags behind its faces, fired or not. Thickest: {write.Name(Deepest)}.",
                "wall",
                Basis.Wall(Deepest, WallRule.FiredBelow, below, Basis.Planned(write.Friendly(below * DryingPlan.Margin)))
            );
        var wall = WallGradient.FiredThrough(Deepest.Depth);
        Limit(
            write.BreakBelow(WallGradient.Quartz.From),
            write.BreakAbove(WallGradient.Quartz.To),
            wall * DryingPlan.Margin,
            wall,
            "slowly past quartz",
            $"Quartz changes size at {write.Degrees(573)}, and a piece that is not through it as a whole cracks. Most at risk: {write.Name(Deepest)}.",
            "quartz",
            Basis.Wall(Deepest, WallRule.FiredThrough, wall, Basis.Planned(write.Friendly(wall * DryingPlan.Margin)))
        );
        OfWareFiredBefore(top);
    }

    /// <summary>Ware that was glazed and fired before minds what other ware does not; where nothing else is in the kiln, or only some of it.</summary>
    private void OfWareFiredBefore(double top)
    {
        var before = load.Lots.FirstOrDefault(l => l.GlazedAlready);
        if (before is null && wish.Kind != ScheduleKind.Refiring && top >= GlazedWare.RefiredBelow)
            return;
        var who = before is null ? "" : $" Most at risk: {write.Name(before)}.";
        var colours = top < GlazedWare.RefiredBelow;
        Limit(
            write.BreakBelow(GlazedWare.Organics.From),
            write.BreakAbove(GlazedWare.Organics.To),
            GlazedWare.OrganicsUp * DryingPlan.Margin,
            GlazedWare.OrganicsUp,
            colours ? "burn off oils and binders" : "clear what it took up",
            colours
                ? "Oils and binders of lustre and decals burn off here: lid or plug open, vent on. Driven off too fast they leave pits and a grey film."
                : "What ware that was fired before has taken up, damp, grease from hands and fresh glaze on top, leaves here; too fast it blisters. Vent "
                    + $"on.{who}",
            "organics",
            Basis.Practice(GlazedWare.OrganicsRule, GlazedWare.OrganicsUp, Basis.Planned(write.Friendly(GlazedWare.OrganicsUp * DryingPlan.Margin)))
        );
        foreach (var (low, high) in GlazedWare.Strained)
            Limit(
                write.BreakBelow(low),
                write.BreakAbove(high),
                GlazedWare.StrainedUp * DryingPlan.Margin,
                GlazedWare.StrainedUp,
                "gently: it was fired before",
                $"Glaze and body grow by different amounts here, and ware cracks more easily the second time.{who}",
                "quartz",
                Basis.Practice(GlazedWare.StrainedRule, GlazedWare.StrainedUp, Basis.Planned(write.Friendly(GlazedWare.StrainedUp * DryingPlan.Margin)))
            );
    }

    /// <summary>Flat and wide ware is hot at its rim first: most where quartz changes, and everywhere below it.</summary>
    private void OfWideWare(double from)
    {
        if (load.Lots.Where(l => l.Width is not null).MaxBy(l => l.Width) is not { } wide)
            return;
        var rim = WallGradient.AcrossFlat(wide.Width);
        var below = WallGradient.AcrossFlatClimbing(wide.Width);
        var (low, high) = (write.BreakBelow(WallGradient.Quartz.From), write.BreakAbove(WallGradient.Quartz.To));
        if (below < GlazePace)
            Limit(
                from,
                low,
                below,
                below,
                "gently: wide ware",
                "Over its shelf heat comes in from the rim, and the middle of wide ware lags behind it: "
                    + $"{Phrases.Number(Math.Round(TemperatureDifference.FromKelvins(WallGradient.FlatClimbing).In(wish.Unit)))} {wish.Unit.Symbol()} at "
                    + $"this pace. Widest: {write.Name(wide)}, {wish.Units.Wall(wide.Width!.Value)} across.",
                "wall",
                Basis.FlatClimbing(wide, below, $"planned at {Phrases.Number(Math.Round(below))} °C/h")
            );
        Limit(
            low,
            high,
            rim * WareLimits.FlatMargin,
            rim,
            "slowly past quartz",
            $"Quartz changes size at {write.Degrees(573)}, and a piece that is not through it as a whole cracks. Most at risk: {write.Name(wide)}, flat "
                + $"and {wish.Units.Wall(wide.Width!.Value)} across.",
            "quartz",
            Basis.Flat(wide, rim, Basis.Planned(write.Friendly(rim * WareLimits.FlatMargin), WareLimits.FlatMargin))
        );
    }

    private void OfTheLastHundred(double from, double top)
    {
        var approach = Approach(from, top, wish);
        Limit(
            approach,
            top,
            LastPace,
            LastStands,
            "the last hundred at the cone's pace",
            $"Cone numbers are told at {write.Pace(write.Friendly(LastPace))} an hour: at that pace the display and the cone agree.",
            "approach"
        );
    }
}
