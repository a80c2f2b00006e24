using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Review;

/// <summary>What belongs to a well-kept firing beside the schedule itself.</summary>
internal static class PracticeReview
{
    public static IEnumerable<Finding> Of(Reading reading)
    {
        if (reading.Load?.WitnessPack != false || reading.Schedule.Kind == ScheduleKind.Drying) yield break;
        var index = ConeSolver.TopStep(reading.Schedule);
        var times = reading.Compiled.Segments[index];
        var target = reading.Schedule.Goal ?? ConeWords.HottestDown(reading.Progress);
        var pack = target is { } cone ? $" A pack of {Words.List(new[] { cone.Cooler, cone, cone.Hotter }.Where(c => c is not null).Select(c => c!.Value.Number))} in sight tells." : "";
        yield return new Finding("no-witness-pack", Severity.Note, index, times.Start, times.End,
            "No witness pack is in the kiln: nothing but the thermocouple will say what the ware had.", $"Thermocouples drift by tens of degrees.{pack}");
    }
}
