using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Review;

/// <summary>What a schedule does to the glazes in the kiln: the hold at its top, and the way down.</summary>
internal static class GlazeReview
{
    private const double LongHold = 15;
    private const double ShortHold = 5;
    private const double Weak = 45;
    private const double HealingHold = 15;
    private static readonly TemperatureDifference HealsDownTo = TemperatureDifference.FromKelvins(100);
    private static readonly Temperature Stiff = Temperature.FromCelsius(750);
    private const double SlowCooling = 100;
    private const double AsksNothing = 200;
    private static readonly TemperatureDifference FarBelowBand = TemperatureDifference.FromKelvins(150);
    private static readonly Duration LongBelowBand = Duration.FromHours(3);
    private const double EnoughOfTheBand = 0.85;

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        if (context.Load is not { } load || context.Schedule.Kind is ScheduleKind.Drying or ScheduleKind.Bisque)
            yield break;
        // Lustre and decals leave the glaze under them as it is; fired again as hot as a glaze it melts and asks what it asked.
        if (context.Schedule.Kind == ScheduleKind.Refiring && context.Compiled.Curve.Peak.Celsius < GlazedWare.RefiredBelow)
            yield break;
        var index = context.Schedule.Program.TopStep;
        if (context.Schedule.Segments[index].Target is null)
            yield break;
        if (HoldTooLong(context, load, index) is { } tooLong)
            yield return tooLong;
        else if (HoldTooShort(context, load, index) is { } tooShort)
            yield return tooShort;
        var slow = load.Glazes.Where(g => g.Slow is not null).ToList();
        foreach (var glaze in slow)
        {
            if (BandTooShort(context, glaze) is { } band)
                yield return band;
        }
        if (slow.Count == 0 && CooledSlowly(context, load, index) is { } slowly)
            yield return slowly;
        if (slow.Count > 0 && SlowBeyond(context, slow, index) is { } beyond)
            yield return beyond;
    }

    private static Finding? HoldTooLong(ReviewContext context, WareLoad load, int index)
    {
        var minutes = context.Schedule.Segments[index].HoldMinutes;
        var careful = load.Glazes.FirstOrDefault(g => (g.Runny || g.Fades) && !g.NeedsHold);
        if (careful is null || minutes <= LongHold)
            return null;
        var times = context.Compiled.Segments[index];
        // A kiln that hardly climbs any more has no hotter top to give for a shorter hold.
        var weak = context.Kiln.FastestClimb(context.Schedule.Segments[index].Target!.Value)?.KelvinsPerHour < Weak;
        return new Finding(
            FindingIds.HoldLong,
            weak ? Severity.Note : Severity.Look,
            index,
            times.RampEnd,
            times.End,
            $"{careful.Name} {(careful.Runny ? "runs" : "fades")}, and the hold is {Phrases.Number(minutes)} minutes.",
            careful.Runny
                ? "Every minute at the top lets it move; a waste slab, and a short hold with the same heat work."
                : "Its colour burns out while it is held; a hotter top and a short hold do the same work.",
            context.Fixes(() => WithHold(context, index, ShortHold))
        );
    }

    private static Finding? HoldTooShort(ReviewContext context, WareLoad load, int index)
    {
        var wants = load.Glazes.FirstOrDefault(g => g.NeedsHold);
        if (wants is null || load.Glazes.Any(g => g.Runny || g.Fades))
            return null;
        var top = context.Schedule.Segments[index].Target!.Value;
        // A drop and a hold below the top heals as well.
        var held = context.Schedule.Segments.Skip(index).Where(s => s.Target >= top - HealsDownTo).Sum(s => s.HoldMinutes);
        if (held >= ShortHold)
            return null;
        var times = context.Compiled.Segments[index];
        return new Finding(
            FindingIds.HoldShort,
            Severity.Look,
            index,
            times.RampEnd,
            times.End,
            $"{wants.Name} wants a hold to heal, and there is {(held > 0 ? $"one of {Phrases.Number(held)} minutes" : "none")} at the top.",
            "Bubbles rise and close while it is held; without that they stay as pinholes.",
            context.Fixes(() => WithHold(context, index, HealingHold))
        );
    }

    /// <summary>Another hold at the top, and the top that does the same work with it.</summary>
    private static ImmutableArray<Fix> WithHold(ReviewContext context, int index, double minutes)
    {
        var hold = Duration.FromMinutes(minutes);
        var program = context.Schedule.Program;
        var held = program.Steps[index].Changed(hold: hold);
        if (!held.IsOk)
            return [];
        var step = held.Value;
        if (context.Schedule.Goal is { } goal)
        {
            var solved = context.TopFor(program, goal, hold);
            if (!solved.IsOk)
                return [];
            step = solved.Value.Steps[index];
        }
        return [new Fix($"Hold {Phrases.Number(minutes)} min", index, step.Whole(context.Schedule.Unit))];
    }

    private static Finding? BandTooShort(ReviewContext context, Glaze glaze)
    {
        var (band, compiled) = (glaze.Slow!, context.Compiled);
        var given = compiled.Curve.TimeBetween(band.To, band.From).After;
        if (compiled.Curve.Peak < band.From || given.TotalHours >= band.Lasts.TotalHours * EnoughOfTheBand)
            return null;
        var at = Enumerable
            .Range(0, compiled.Segments.Length)
            .FirstOrDefault(
                i => compiled.Segments[i].From > band.To && compiled.Segments[i].To < band.From && compiled.Segments[i].To < compiled.Segments[i].From,
                -1
            );
        var rate = Rate.PerHour((band.From - band.To).Kelvins / band.Lasts.TotalHours);
        return new Finding(
            FindingIds.SlowBandShort,
            Severity.Look,
            Math.Max(0, at),
            compiled.Curve.LastFallThrough(band.From) ?? compiled.Total,
            compiled.Curve.LastFallThrough(band.To) ?? compiled.Total,
            $"{glaze.Name} has {Phrases.Hours(given)} between {context.Degrees(band.From)} and {context.Degrees(band.To)}; it wants "
                + $"{Phrases.Hours(band.Lasts)}.",
            "Its crystals grow there on the way down; too little time leaves it dull.",
            context.Fixes(() => at < 0 ? [] : context.Slower(at, band.To, band.From, rate))
        )
        {
            Basis = Basis.SlowBand(
                band.From.Celsius,
                band.To.Celsius,
                band.Lasts,
                $"and there are {Phrases.Hours(given)}; fine from {Phrases.Number(EnoughOfTheBand * 100)} % on"
            ),
        };
    }

    /// <summary>A slow cooling that goes on for hours below the last band: 550 typed for 850. Thick and wide ware may want it.</summary>
    private static Finding? SlowBeyond(ReviewContext context, List<Glaze> slow, int index)
    {
        var last = slow.MinBy(g => g.Slow!.To)!;
        var ends = last.Slow!.To;
        if (context.Lots.Any(l => WallGradient.Through(l.Depth, l.Width, raw: false) < AsksNothing))
            return null;
        for (var i = index + 1; i < context.Schedule.Segments.Length; i++)
        {
            var times = context.Compiled.Segments[i];
            if (context.Schedule.Segments[i].Pace.Rate is null || times.From < ends || times.To > ends - FarBelowBand)
                continue;
            var wasted = times.RampEnd - (context.Compiled.Curve.LastFallThrough(ends) ?? times.Start);
            if (wasted < LongBelowBand)
                continue;
            var number = Math.Round(ends.In(context.Schedule.Unit));
            return new Finding(
                FindingIds.CooledSlowly,
                Severity.Look,
                i,
                context.Compiled.Curve.LastFallThrough(ends) ?? times.Start,
                times.RampEnd,
                $"It is cooled slowly down to {context.Degrees(times.To)}; {last.Name} is done growing at {context.Degrees(ends)}. That is "
                    + $"{Phrases.Hours(wasted)} that nothing asks for.",
                "A wrong digit is the likeliest reason; below its band a glaze no longer changes.",
                context.Fixes(() => context.Retyped(i, target: number) is { } mended ? [new Fix($"To {Phrases.Number(number)}", i, mended)] : [])
            );
        }
        return null;
    }

    /// <summary>A glaze that wants to cool fast, held back on the way down while it still grows.</summary>
    private static Finding? CooledSlowly(ReviewContext context, WareLoad load, int index)
    {
        if (load.Glazes.FirstOrDefault(g => g.WantsFastCooling) is not { } glaze)
            return null;
        var (segments, times) = (context.Schedule.Segments, context.Compiled.Segments);
        for (var i = index + 1; i < segments.Length; i++)
        {
            if (segments[i].Target is not { } target || times[i].From <= Stiff || target < Stiff - HealsDownTo)
                continue;
            var slow = segments[i].Pace.Rate is { } rate && rate.KelvinsPerHour < SlowCooling && times[i].Ramp >= Duration.FromHours(1);
            if (!slow && segments[i].Hold < Duration.FromHours(1))
                continue;
            var fall = segments[i].Changed(Pace.Natural, hold: Duration.Zero).Value;
            return new Finding(
                FindingIds.CooledSlowly,
                Severity.Look,
                i,
                times[i].Start,
                times[i].End,
                $"{glaze.Name} wants to cool fast, and it takes {Phrases.Hours(times[i].End - times[i].Start)} from {context.Degrees(times[i].From)} to "
                    + $"{context.Degrees(target)}.",
                "Held back up there, crystals grow in it and its gloss goes dull.",
                [new Fix("Let it fall", i, fall)]
            );
        }
        return null;
    }
}
