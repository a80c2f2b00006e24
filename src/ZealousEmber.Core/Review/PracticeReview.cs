using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Review;

/// <summary>What belongs to a well-kept firing beside the schedule itself.</summary>
internal static class PracticeReview
{
    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        if (context.Load?.WitnessPack != false || context.Schedule.Kind == ScheduleKind.Drying)
            yield break;
        var index = context.Schedule.Program.TopStep;
        var times = context.Compiled.Segments[index];
        var target = context.Schedule.Goal ?? ConePhrases.HottestDown(context.Progress);
        var pack = target is { } cone
            ? $" A pack of {Phrases.List(new[] { cone.Cooler, cone, cone.Hotter }.Where(c => c is not null).Select(c => c!.Value.Number))} in sight tells."
            : "";
        yield return new Finding(
            FindingIds.NoWitnessPack,
            Severity.Note,
            index,
            times.Start,
            times.End,
            "No witness pack is in the kiln: nothing but the thermocouple will say what the ware had.",
            $"Thermocouples drift by tens of degrees.{pack}"
        );
    }
}
