using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>The climb from the drying to about the top, inside every limit of the ware, the kiln and the way it is wished.</summary>
internal sealed class ClimbPlanner(WareLoad load, PlanWish wish, IKilnModel kiln, PlanWriter write)
{
    private const double RawPace = 100;
    private const double BurnOutPace = 150;
    private const double GlazePace = 200;
    private const double OneRatePace = 150;
    private const double LastPace = 60;
    private const double LastStretch = 100;
    private const double KilnMargin = 0.95;

    /// <summary>How fresh glaze is dried.</summary>
    public static Basis GlazeDries => Basis.Practice(GlazedWare.GlazeRule, GlazedWare.GlazeUp, Basis.Planned(GlazedWare.GlazeUp * DryingPlan.Margin));

    private WareLot Deepest => load.Telling.MaxBy(l => l.Depth)!;

    private bool Raw => wish.Kind.FiresRaw();

    private bool LastHundred => wish.Preferences.Approach == ApproachOption.LastHundred;

    /// <summary>The stretches of the climb, in at most so many steps.</summary>
    /// <param name="from">°C.</param>
    /// <param name="top">About where it ends, °C.</param>
    /// <param name="most">Steps there are for it.</param>
    /// <param name="after">Limits the drying left behind.</param>
    public List<ClimbLimit> Stretches(double from, double top, int most, IReadOnlyList<ClimbLimit> after)
    {
        var approach = Math.Max(from, FriendlyNumbers.Nearest(top - LastStretch, wish.Unit));
        var limits = Limits(from, top, approach);
        limits.AddRange(after);
        if (!LastHundred)
        {
            // One number from the drying on: the ware's slowest. Where the kiln falls behind, the top is solved for what it really does.
            var dry = after.Count > 0 ? Math.Min(top, after.Max(l => l.To)) : from;
            var slowest = ClimbLimits.Lay(dry, top, limits, write.Friendly).MinBy(s => s.Rate)!;
            var one = slowest with { From = dry, To = top, Full = false, Short = "one rate to the top", Why = $"One rate throughout, as slow as the slowest limit asks. {slowest.Why}" };
            List<ClimbLimit> all = dry > from + 1 ? [.. ClimbLimits.Lay(from, dry, limits, write.Friendly), one] : [one];
            ClimbLimits.Merge(all, most);
            return all;
        }
        var stretches = ClimbLimits.Lay(from, top, limits, write.Friendly);
        ClimbLimits.Merge(stretches, most);
        return stretches;
    }

    private List<ClimbLimit> Limits(double from, double top, double approach)
    {
        var limits = new List<ClimbLimit>();
        void Limit(double low, double high, double rate, string brief, string why, string by, Basis? basis = null)
        {
            if (high > low) limits.Add(new ClimbLimit(low, high, rate, brief, why, by, Basis: basis));
        }

        if (Raw) RawLimits(from, top, Limit);
        else if (Refired)
        {
            Limit(from, top, OneRatePace, "brisk through the middle", "Fired ware stands a brisk climb where nothing burns off or changes size.", "brisk", Basis.Brisk(Deepest, false, WallGradient.FiredUp(Deepest.Depth), OneRatePace));
            Limit(write.BreakBelow(GlazedWare.Organics.From), write.BreakAbove(GlazedWare.Organics.To), GlazedWare.OrganicsUp * DryingPlan.Margin, "burn off oils and binders", "Oils and binders of lustre and decals burn off here: lid or plug open, vent on. Driven off too fast they leave pits and a grey film.", "organics", Basis.Practice(GlazedWare.OrganicsRule, GlazedWare.OrganicsUp, Basis.Planned(write.Friendly(GlazedWare.OrganicsUp * DryingPlan.Margin))));
            foreach (var (low, high) in GlazedWare.Strained)
                Limit(write.BreakBelow(low), write.BreakAbove(high), GlazedWare.StrainedUp * DryingPlan.Margin, "gently: it was fired before", "Glaze and body grow by different amounts here, and ware cracks more easily the second time.", "quartz", Basis.Practice(GlazedWare.StrainedRule, GlazedWare.StrainedUp, Basis.Planned(write.Friendly(GlazedWare.StrainedUp * DryingPlan.Margin))));
        }
        else Limit(from, top, LastHundred ? GlazePace : OneRatePace, "brisk through the middle", "Bisqued ware stands a brisk climb; nothing in it asks for time here.", "brisk", Basis.Brisk(Deepest, false, WallGradient.FiredUp(Deepest.Depth), LastHundred ? GlazePace : OneRatePace));

        if (!Raw) FiredLimits(from, Limit);
        var quartz = WareLimits.Through(load, Raw);
        var (wallLow, rimHigh) = (write.BreakBelow(WallGradient.Quartz.From), write.BreakAbove(WallGradient.Quartz.To));
        if (!Raw || quartz.Flat)
        {
            Limit(wallLow, rimHigh, quartz.Rate, "slowly past quartz",
                $"Quartz changes size at {write.Degrees(573)}, and a piece that is not through it as a whole cracks. Most at risk: {write.Name(quartz.Lot)}{(quartz.Flat ? ", flat and wide" : "")}.", "quartz",
                quartz.Flat ? Basis.Flat(quartz.Lot, quartz.Limit, Basis.Planned(write.Friendly(quartz.Rate), WareLimits.FlatMargin)) : Basis.Wall(quartz.Lot, Raw ? WallRule.Raw : WallRule.FiredThrough, quartz.Limit, Basis.Planned(write.Friendly(quartz.Rate))));
        }
        if (LastHundred) ToTheTop(top, approach, limits);
        if (LastHundred) KilnLimit(from, approach, Raw ? BurnOutPace : GlazePace, limits);
        return limits;
    }

    /// <summary>The fastest climb of fired ware below quartz, °C/h.</summary>
    public double FiredPace => WallGradient.FiredUp(load.Telling.Max(l => l.Depth)) * DryingPlan.Margin;

    private bool Refired => wish.Kind == ScheduleKind.Refiring || load.Lots.Any(l => l.GlazedAlready);

    private void RawLimits(double from, double top, Limiter limit)
    {
        var burns = write.BreakBelow(BurnOut.From.Celsius);
        limit(from, burns, RawPace, "gently while the clay changes", $"Bound water leaves the clay between {write.Degrees(450)} and {write.Degrees(burns)}; a steady climb lets it out without strain.", "brisk", Basis.Brisk(Deepest, true, WallGradient.RawUp(Deepest.Depth), RawPace));
        var deepest = Deepest;
        var wall = WallGradient.RawUp(deepest.Depth);
        // A little further than it need be, to where the burn-out begins: a step less.
        limit(Math.Max(from, WallGradient.RawClimb.From), burns, wall * DryingPlan.Margin, "slowly: a thick wall",
            $"Raw clay is weak, and the middle of a thick wall lags behind its faces; through quartz at {write.Degrees(573)} that cracks it. Thickest: {write.Name(deepest)}.", "wall", Basis.Wall(deepest, WallRule.Raw, wall, Basis.Planned(write.Friendly(wall * DryingPlan.Margin))));

        var slow = load.SlowestToBurnOut;
        var packed = load.IsPacked(kiln.UsualWare(wish.Kind));
        var needed = BurnOut.Needed(slow.Wall, slow.Clay?.BurnsOutSlowly == true, packed);
        var ends = Math.Min(write.BreakAbove(BurnOut.To.Celsius), top);
        // Only the band itself counts; the step is laid a little wider.
        var rate = (Math.Min(BurnOut.To.Celsius, top) - BurnOut.From.Celsius) / needed.TotalHours;
        var clay = slow.Clay?.BurnsOutSlowly == true ? $" of {slow.Clay.Name}, which burns out slowly," : "";
        limit(burns, ends, Math.Min(BurnOutPace, rate), "burn out the carbon",
            $"Carbon and sulphur leave {write.Name(slow)}{clay} above {write.Degrees(burns)} and need {Phrases.Hours(needed)} with air before {(LastHundred && top - LastStretch < ends ? "the top" : write.Degrees(ends))}{(packed ? ", in a packed kiln" : "")}. What stays in comes out through the glaze as pinholes. Vent on.",
            rate < BurnOutPace ? "burn-out" : "brisk", Basis.BurnsOut(slow, packed, needed, $"which is {Phrases.Number(Math.Round(rate))} °C/h"));
        limit(ends, top, BurnOutPace, "on to the last stretch", "Nothing in the clay asks for time here.", "brisk");
    }

    private void FiredLimits(double from, Limiter limit)
    {
        var deepest = Deepest;
        var below = WallGradient.FiredUp(deepest.Depth);
        if (below * DryingPlan.Margin < GlazePace)
            limit(from, write.BreakBelow(WallGradient.Quartz.From), below * DryingPlan.Margin, "gently: a thick wall", $"The middle of a thick wall lags behind its faces, fired or not. Thickest: {write.Name(deepest)}.", "wall", Basis.Wall(deepest, WallRule.FiredBelow, below, Basis.Planned(write.Friendly(below * DryingPlan.Margin))));
        // After the hold that dries it there is nothing more to spare.
        if (from < GlazedWare.GlazeHold.From && load.Lots.Any(l => l.Dryness != Dryness.BoneDry) && wish.Kind == ScheduleKind.Glaze)
            limit(from, write.BreakAbove(DryingPlan.PastTo), GlazedWare.GlazeUp * DryingPlan.Margin, "dry the glaze on the way", "Freshly glazed ware is wet under its glaze; dried too fast the glaze lifts and crawls.", "glaze-water", GlazeDries);
    }

    /// <summary>The last hundred degrees at the cone's own pace; at full power where the kiln cannot keep to that, the top solved for what it does.</summary>
    private void ToTheTop(double top, double approach, List<ClimbLimit> limits)
    {
        var nearTop = kiln.FastestClimb(Temperature.FromCelsius(top))?.KelvinsPerHour * KilnMargin;
        if (nearTop is { } can && can < LastPace && approach < top)
        {
            // A gas kiln is turned up to a pace; nothing in it is "full power" with the air a step asks for.
            limits.Add(kiln.Burns ? new ClimbLimit(approach, top, Math.Max(1, can), "as fast as it can, to the top",
                $"Near the top this kiln climbs about {write.Pace(Math.Max(1, can / KilnMargin))} an hour with all the gas its draft has air for, less than the {write.Pace(LastPace)} cone numbers are told at; the top is solved for what it really does.", "approach")
                : new ClimbLimit(approach, top, LastPace - 1, "full power to the top",
                $"Near the top this kiln climbs about {write.Pace(Math.Max(1, can / KilnMargin))} an hour at full power, less than the {write.Pace(LastPace)} cone numbers are told at; the top is solved for what it really does.", "approach", Full: true, AtEnd: Math.Max(1, can)));
            return;
        }
        limits.Add(new ClimbLimit(approach, top, LastPace, "the last hundred at the cone's pace", $"Cone numbers are told at {write.Pace(LastPace)} an hour: at that pace the display and the cone agree.", "approach"));
    }

    /// <summary>From where the kiln cannot keep up any more: full power where nothing in the ware asks for a pace, else what it can do at the end.</summary>
    private void KilnLimit(double from, double to, double pace, List<ClimbLimit> limits)
    {
        double? Can(double t) => kiln.FastestClimb(Temperature.FromCelsius(t))?.KelvinsPerHour * KilnMargin;
        double Begins(double low, double high)
        {
            for (var t = Math.Ceiling(low / 10) * 10; t < high && Can(t) >= pace; t += 10) low = t;
            return low;
        }
        // Full power begins past the size change of quartz, where a moment of it does no harm.
        var free = Raw ? to : Math.Clamp(write.BreakAbove(WallGradient.Quartz.To), from, to);
        if (free > from && Can(free) is { } can && can < pace)
            limits.Add(new ClimbLimit(Begins(from, free), free, can, "as fast as this kiln can", kiln.Burns ? "A faster step would only fall behind: by the end of it burners and draft give no more." : "A faster step would only fall behind: the elements are near full power by the end of it.", "kiln", Basis: Basis.Kiln(free, can / KilnMargin)));
        if (Raw || !(Can(to) < pace)) return;
        var begins = Begins(free, to);
        limits.Add(kiln.Burns
            ? new ClimbLimit(begins, to, Math.Max(1, Can(to) ?? pace), "as fast as the kiln can", "Nothing in the ware asks for a pace here; by the end of it burners and draft give no more.", "kiln", Basis: Basis.Kiln(to, (Can(to) ?? 0) / KilnMargin))
            : new ClimbLimit(begins, to, Math.Min(pace - 1, Can(begins) ?? pace), "as fast as the kiln can", "Nothing in the ware asks for a pace here, and the elements are at full power anyway.", "kiln", Full: true, AtEnd: Can(to) ?? double.MaxValue, Basis: Basis.Kiln(to, (Can(to) ?? 0) / KilnMargin)));
    }

    private delegate void Limiter(double low, double high, double rate, string brief, string why, string by, Basis? basis = null);
}
