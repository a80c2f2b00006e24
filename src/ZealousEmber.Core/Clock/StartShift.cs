using System.Collections.Immutable;
using NodaTime;

namespace ZealousEmber.Core.Clock;

/// <summary>What starting later (or sooner) does to a firing, as somebody would tell it.</summary>
/// <param name="Cost">More for the power, in the studio's money; nothing where power has no price or no kiln draws it.</param>
/// <param name="Says">Who would be missing or there again, and at night or not.</param>
public sealed record StartShift(double? Cost, ImmutableArray<string> Says)
{
    /// <summary>Compares two firings that start at their own times.</summary>
    /// <param name="before">What is started, and when.</param>
    /// <param name="after">The same for the other.</param>
    /// <param name="studio">Its people, clock and tariff.</param>
    public static StartShift Between((StartTask Task, Instant At) before, (StartTask Task, Instant At) after, StudioSettings studio)
    {
        var (one, other) = (Missed(before, studio), Missed(after, studio));
        var says = new List<string>();
        if (other.Except(one).ToList() is [_, ..] newly)
            says.Add($"Nobody would be in for {Phrases.List(newly.Select(StartSolver.Name))}.");
        if (one.Except(other).ToList() is [_, ..] again)
            says.Add($"Somebody would be in for {Phrases.List(again.Select(StartSolver.Name))}.");
        var priced = studio.Prices.Knows(before.Task.Energy) && studio.Prices.Knows(after.Task.Energy);
        double Cost((StartTask Task, Instant At) firing) => studio.Prices.Cost(firing.Task.Energy, firing.At, studio.Zone);
        return new StartShift(priced ? Cost(after) - Cost(before) : null, [.. says]);
    }

    private static List<WatchKind> Missed((StartTask Task, Instant At) firing, StudioSettings studio) =>
        studio.People.IsEmpty
            ? []
            :
            [
                .. firing
                    .Task.Moments.Where(m => m.Kind is not (WatchKind.Open or WatchKind.FirstColour) && !studio.InAt(firing.At + m.At).Any())
                    .Select(m => m.Kind),
            ];
}
