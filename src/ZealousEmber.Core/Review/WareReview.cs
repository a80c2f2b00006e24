using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>What a schedule does to the ware: steam, size changes, burn-out, slow bands. Where nothing is known of the ware, thin dry ware is supposed, and only what would harm even that is said.</summary>
internal static class WareReview
{
    private const double SupposedWall = 6;
    private static readonly Temperature Fired = Temperature.FromCelsius(450);

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        var first = context.Compiled.Segments[0];
        if (context.Compiled.Curve.Peak >= Fired && context.Load?.Wettest is { Dryness: Dryness.LeatherHard } wet)
            yield return new Finding("leather-hard", Severity.Danger, 0, first.Start, first.End, $"Leather hard ware ({wet.What}) is not fired.", "It holds fifteen times the water of dry ware. Give it a drying firing of its own, or more days to dry.");
        else if (context.Raw)
        {
            foreach (var finding in Water(context)) yield return finding;
        }
        if (context.Raw && Burns(context) is { } burn) yield return burn;
        foreach (var finding in SizeChanges(context)) yield return finding;
    }

    private static IEnumerable<Finding> Water(ReviewContext context)
    {
        var (load, compiled) = (context.Load, context.Compiled);
        var first = compiled.Segments[0];
        foreach (var lot in load?.Lots.Where(l => l.ClosedHollow && l.Dryness != Dryness.BoneDry) ?? [])
            yield return new Finding("closed-hollow", Severity.Danger, 0, first.Start, first.End, $"Closed, with no hole for steam, and not bone dry: {lot.What}.", "Steam inside has nowhere to go and no hold helps against it. Prick a hole, or let it dry through.");

        if (compiled.Curve.FirstRiseThrough(context.Boiling) is not { } passes) yield break;
        var at = IndexAt(compiled, passes);
        var (wall, oneSided, dryness, name) = load?.SlowestToDry is { } slowest
            ? (slowest.Wall, slowest.OneSided, slowest.Dryness, $"the walls of {slowest.What} ({context.Units.Wall(slowest.Wall)})")
            : (SupposedWall, false, Dryness.BoneDry, "even thin dry walls");
        var water = Drying.CentreWater(compiled.Curve, wall, oneSided, dryness, context.Boiling);
        var risk = Drying.Risk(water);
        var dries = DryingFix(context, at, wall, oneSided, dryness);
        if (HoldSlip(context, at) is { } slip)
        {
            // Known ware that stands it makes it a matter of habit only.
            var weight = load is null ? Severity.Look : risk switch { SteamRisk.Fine => Severity.Note, SteamRisk.LookFirst => Severity.Look, _ => Severity.Danger };
            yield return slip with { Severity = weight, Fixes = [.. slip.Fixes, .. (risk == SteamRisk.Fine ? [] : dries).Where(d => slip.Fixes.All(f => f.Text != d.Text))] };
            yield break;
        }
        if (risk == SteamRisk.Fine || (load is null && risk != SteamRisk.Bursts)) yield break;
        var severity = load is null || risk == SteamRisk.LookFirst ? Severity.Look : Severity.Danger;
        var says = risk == SteamRisk.Bursts && load is not null ? "It will probably burst." : "Look for steam before going past it.";
        yield return new Finding("steam-risk", severity, at, Duration.Max(Duration.Zero, passes - Duration.FromMinutes(30)), passes,
            $"Passing {context.Degrees(context.Boiling)}, {name} still hold about {Phrases.Number(Math.Round(water, 1))} % water in their middle. {says}",
            "Above boiling that water turns to steam faster than it can leave. A hold below boiling lets it out.",
            dries);
    }

    /// <summary>Minutes where hours are usual: "hold 12" meant as twelve hours.</summary>
    private static Finding? HoldSlip(ReviewContext context, int passing)
    {
        for (var i = 0; i < passing + 1 && i < context.Schedule.Segments.Length; i++)
        {
            var (segment, times) = (context.Schedule.Segments[i], context.Compiled.Segments[i]);
            var minutes = segment.HoldMinutes;
            if (times.To.Celsius is < 70 or > 98 || minutes is < 2 or > 24 || times.To <= times.From) continue;
            var asHours = segment.Changed(hold: Duration.FromHours(minutes)).Value;
            return new Finding("hold-slip", Severity.Look, i, times.RampEnd, times.End,
                $"A drying hold of {Phrases.Number(minutes)} minutes: hours are usual here.", "Minutes and hours are easily mistaken on a controller, and raw ware pays for it.", [new Fix($"Hold {Phrases.Number(minutes)} h", i, asHours)]);
        }
        return null;
    }

    private static ImmutableArray<Fix> DryingFix(ReviewContext context, int at, double wall, bool oneSided, Dryness dryness)
    {
        var compiled = context.Compiled;
        // A step that already waits below boiling waits longer; else one is put before the step that passes it.
        var below = Enumerable.Range(0, at + 1).LastOrDefault(i => compiled.Segments[i].To >= context.Boiling - TemperatureDifference.FromKelvins(40) && compiled.Segments[i].To < context.Boiling - TemperatureDifference.FromKelvins(3), -1);
        var holdAt = below >= 0 ? compiled.Segments[below].To : Temperature.FromCelsius(Math.Floor((context.Boiling - Drying.BelowBoiling).Celsius / 5) * 5);
        var before = below >= 0 ? compiled.Segments[below].RampEnd : compiled.Curve.FirstRiseThrough(holdAt) ?? Duration.Zero;
        var hold = Drying.WithMargin(Drying.HoldFor(wall, oneSided, dryness, holdAt, Drying.Progress(compiled.Curve, before)));
        if (hold > ScheduleLimits.LongestHold) return [];
        if (below >= 0)
        {
            var segment = context.Schedule.Segments[below];
            var longer = Duration.Max(hold, segment.Hold);
            return [new Fix($"Hold {Phrases.Hours(longer)}", below, segment.Changed(target: holdAt, hold: longer).Value)];
        }
        if (compiled.Segments[at].From >= holdAt || context.Schedule.Segments.Length >= ScheduleLimits.Segments) return [];
        var passing = context.Schedule.Segments[at];
        return [new Fix($"Hold {Phrases.Hours(hold)} at {context.Degrees(holdAt)}", at, context.Step(passing.Pace.Rate is { } r && r.KelvinsPerHour < 80 ? r : Rate.PerHour(80), holdAt, hold), passing)];
    }

    private static Finding? Burns(ReviewContext context)
    {
        var compiled = context.Compiled;
        if (compiled.Curve.Peak < BurnOut.To) return null;
        var slow = context.Load?.SlowestToBurnOut;
        var needed = BurnOut.Needed(slow?.Wall ?? SupposedWall, slow?.Clay?.BurnsOutSlowly == true, context.Load?.Packed == true);
        var given = BurnOut.Given(compiled.Curve);
        if (given.TotalHours >= needed.TotalHours * (slow is null ? 0.75 : 0.93)) return null;
        // A kiln switched on hot may never climb: then no step burns out, and none can be slowed.
        var climbs = Enumerable.Range(0, compiled.Segments.Length).Where(i => compiled.Segments[i].To > compiled.Segments[i].From).ToList();
        if (climbs.Count == 0) return null;
        var at = climbs.MaxBy(i => Math.Min(compiled.Segments[i].To.Celsius, 950) - Math.Max(compiled.Segments[i].From.Celsius, 650));
        var rate = Rate.PerHour((BurnOut.To - BurnOut.From).Kelvins / needed.TotalHours);
        return new Finding("burn-out-short", given.TotalHours < needed.TotalHours / 2 ? Severity.Danger : Severity.Look, at,
            compiled.Curve.FirstRiseThrough(BurnOut.From) ?? Duration.Zero, compiled.Curve.FirstRiseThrough(BurnOut.To) ?? compiled.Total,
            $"{Phrases.Hours(given)} between {context.Degrees(BurnOut.From)} and {context.Degrees(BurnOut.To)}, where {(slow is null ? "even thin walls" : $"the walls of {slow.What} ({context.Units.Wall(slow.Wall)})")} want {Phrases.Hours(needed)}.",
            "Carbon and sulphur that stay in the clay come out later, as pinholes and blisters in the glaze.",
            context.Slower(at, BurnOut.From, BurnOut.To, rate));
    }

    private static IEnumerable<Finding> SizeChanges(ReviewContext context)
    {
        if (context.Load?.MostStrained is not { } lot) yield break;
        if (Strain(context, lot, "quartz-up", WallGradient.Quartz, true, 573) is { } up) yield return up;
        var quartz = Strain(context, lot, "quartz-down", WallGradient.Quartz, false, 573);
        var cristobalite = Strain(context, lot, "cristobalite-down", WallGradient.Cristobalite, false, 226);
        if (quartz is not null && quartz.Segment == cristobalite?.Segment)
        {
            // One fast cooling through both is one fault, with one mend.
            yield return Strain(context, lot, "quartz-down", (WallGradient.Cristobalite.From, WallGradient.Quartz.To), false, 573, 226)!;
            yield break;
        }
        if (quartz is not null) yield return quartz;
        if (cristobalite is not null) yield return cristobalite;
    }

    private static Finding? Strain(ReviewContext context, WareLot lot, string id, (Temperature From, Temperature To) band, bool up, params double[] marks)
    {
        var (at, rate) = Steepest(context, band.From, band.To, up);
        if (at < 0) return null;
        var lag = WallGradient.In(lot.Wall, lot.IsWide, rate).Kelvins;
        if (lag <= WallGradient.Fine * 1.07) return null;
        var times = context.Compiled.Segments[at];
        var fastest = WallGradient.Fastest(lot.Wall, lot.IsWide);
        var unit = context.Schedule.Unit;
        var through = Phrases.List(marks.Select(m => Phrases.Number(Math.Round(Temperature.FromCelsius(m).In(unit)))));
        return new Finding(id, lag > WallGradient.Look ? Severity.Danger : Severity.Look, at, times.Start, times.RampEnd,
            $"It {(up ? "climbs" : "cools")} through {through} {unit.Symbol()} at {context.PerHour(rate)}; in {lot.What} ({context.Units.Wall(lot.Wall)}{(lot.IsWide ? ", wide and flat" : "")}) the middle then lags {Phrases.Number(Math.Round(TemperatureDifference.FromKelvins(lag).In(unit)))} {unit.Symbol()} behind the faces.",
            $"{(up ? "Clay" : "Ware")} changes size there, and a wall that is not through it as a whole cracks. Up to {context.PerHour(fastest)} is fine for it.",
            context.Slower(at, band.From, band.To, fastest));
    }

    /// <summary>The step that goes steepest through a band, and how fast: the mean over the part of the band it covers.</summary>
    private static (int At, Rate Rate) Steepest(ReviewContext context, Temperature from, Temperature to, bool up)
    {
        var (best, steepest) = (-1, 0.0);
        for (var i = 0; i < context.Compiled.Segments.Length; i++)
        {
            var times = context.Compiled.Segments[i];
            if (times.Ramp <= Duration.Zero || (up ? times.To <= times.From : times.To >= times.From)) continue;
            var (low, high) = (Math.Max(from.Celsius, Math.Min(times.From.Celsius, times.To.Celsius)), Math.Min(to.Celsius, Math.Max(times.From.Celsius, times.To.Celsius)));
            if (high - low < 2) continue;
            var curve = context.Compiled.Curve;
            var span = up
                ? Crossing(curve, Temperature.FromCelsius(high), times, up) - Crossing(curve, Temperature.FromCelsius(low), times, up)
                : Crossing(curve, Temperature.FromCelsius(low), times, up) - Crossing(curve, Temperature.FromCelsius(high), times, up);
            if (span <= Duration.Zero) continue;
            var rate = (high - low) / span.TotalHours;
            if (rate > steepest) (best, steepest) = (i, rate);
        }
        return (best, Rate.PerHour(steepest));
    }

    private static Duration Crossing(Curve curve, Temperature t, CompiledSegment times, bool up)
    {
        var points = curve.Points;
        var (start, end) = (times.Start.TotalMinutes, times.RampEnd.TotalMinutes);
        for (var i = 1; i < points.Length; i++)
        {
            var (a, b) = (points[i - 1], points[i]);
            if (b.Minutes <= start || a.Minutes >= end || b.Minutes <= a.Minutes) continue;
            if (up ? a.Celsius <= t.Celsius && b.Celsius >= t.Celsius && b.Celsius > a.Celsius : a.Celsius >= t.Celsius && b.Celsius <= t.Celsius && b.Celsius < a.Celsius)
                return Duration.FromMinutes(a.Minutes + (b.Minutes - a.Minutes) * (t.Celsius - a.Celsius) / (b.Celsius - a.Celsius));
        }
        return up == t > times.From ? times.RampEnd : times.Start;
    }

    private static int IndexAt(CompiledSchedule compiled, Duration at)
    {
        for (var i = 0; i < compiled.Segments.Length; i++)
        {
            if (compiled.Segments[i].End >= at) return i;
        }
        return compiled.Segments.Length - 1;
    }
}
