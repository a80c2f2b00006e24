using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>Values that look like a slip of the finger, and steps that do nothing.</summary>
internal static class SlipReview
{
    private const double Suspicious = 7;
    private const double FastForRaw = 350;

    public static IEnumerable<Finding> Of(Reading reading)
    {
        var (segments, times) = (reading.Schedule.Segments, reading.Compiled.Segments);
        for (var i = 0; i < segments.Length; i++)
        {
            if (segments[i].Pace.Rate is { } rate && Slip(reading, i, rate) is { } slip) yield return slip;
            else if (Nothing(reading, i)) yield return new Finding("does-nothing", Severity.Note, i, times[i].Start, times[i].End, "This step does nothing: it is at its target already and holds for no time.", "A step less is a key less to press wrong.");
        }
    }

    /// <summary>A climb many times faster or slower than the climbs on both sides of it, or than raw ware ever climbs.</summary>
    private static Finding? Slip(Reading reading, int i, Rate rate)
    {
        var (segments, times) = (reading.Schedule.Segments, reading.Compiled.Segments);
        var up = times[i].To > times[i].From;
        if (!up || Math.Abs((times[i].To - times[i].From).Kelvins) < 30) return null;
        var others = new[] { i - 1, i + 1 }.Where(j => j >= 0 && j < segments.Length && times[j].To > times[j].From && segments[j].Pace.Rate is not null)
            .Select(j => segments[j].Pace.Rate!.Value.KelvinsPerHour).ToList();
        var mine = rate.KelvinsPerHour;
        var fast = others.Count > 0 && others.All(o => mine >= Suspicious * o) && mine > 250;
        var slow = others.Count > 0 && others.All(o => mine * Suspicious <= o) && times[i].To.Celsius > 130 && times[i].Ramp > Duration.FromHours(8);
        var wild = reading.Raw && mine > FastForRaw && times[i].To.Celsius > 200;
        if (!fast && !slow && !wild) return null;
        var likely = fast || wild ? rate.PerHourIn(reading.Schedule.Unit) / 10 : rate.PerHourIn(reading.Schedule.Unit) * 10;
        var segment = segments[i];
        var mended = Segment.Create(PaceKind.Rate, likely, segment.Target!.Value.In(reading.Schedule.Unit), segment.HoldMinutes, reading.Schedule.Unit, segment.Reason, segment.Atmosphere);
        return new Finding("rate-slip", Severity.Danger, i, times[i].Start, times[i].RampEnd,
            $"{reading.PerHour(rate)} looks like a slip{(others.Count > 0 ? $": the steps beside it go at {Words.List(others.Select(o => Words.Number(Math.Round(Rate.PerHour(o).PerHourIn(reading.Schedule.Unit)))))}" : "")}.",
            slow ? "A zero dropped makes a firing of days." : "A zero too many has burst many a load.",
            mended.IsOk ? [new Fix($"Use {Words.Number(likely)}", i, mended.Value)] : []);
    }

    private static bool Nothing(Reading reading, int i)
    {
        var (segment, times) = (reading.Schedule.Segments[i], reading.Compiled.Segments[i]);
        if (segment.Hold > Duration.Zero || segment.Target is null) return false;
        return i > 0 && Math.Abs((segment.Target.Value - times.From).Kelvins) < 0.5 && times.Ramp < Duration.FromMinutes(1);
    }
}
