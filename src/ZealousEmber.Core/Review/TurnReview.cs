using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Review;

/// <summary>What a fuel kiln cannot do of what is asked, and gas it has not.</summary>
internal static class TurnReview
{
    private static string Counted(int count, string size) => $"{Phrases.Number(count)} {(count == 1 ? "cylinder" : "cylinders")} of {size}";

    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        if (context is not { Run: FuelRun { Plan: var plan }, Kiln: LoadedFuelKiln { Kiln: var kiln } })
            yield break;
        foreach (var trouble in plan.Trouble)
        {
            var times = context.Compiled.Segments[trouble.Step];
            // A kiln that gives up altogether is told of already.
            if (trouble.Trouble == TurnTrouble.ShortOfHeat && context.Run.Stall is { } stall && stall.Segment == trouble.Step)
                continue;
            yield return new Finding(
                trouble.Trouble switch
                {
                    TurnTrouble.ShortOfHeat => FindingIds.ShortOfHeat,
                    TurnTrouble.CannotBeHeldThisCool => FindingIds.CannotHoldCool,
                    _ => FindingIds.AirNotToBeHad,
                },
                Severity.Look,
                trouble.Step,
                times.Start,
                times.End,
                TurnWords.Of(trouble, kiln, context.Schedule.Unit),
                "Turns are the nearest this kiln comes to what is asked; what it does then is drawn."
            );
        }
        if (kiln.Cylinder <= 0)
            yield break;
        var last = context.Compiled.Segments[^1];
        var size = $"{Phrases.Number(kiln.Cylinder)} kg";
        if (Cylinders.Count(kiln.Cylinder, plan, kiln.Room.Celsius) is not { } count)
        {
            yield return new Finding(
                FindingIds.ShortOfGas,
                Severity.Danger,
                context.Schedule.Segments.Length - 1,
                last.Start,
                last.End,
                $"Short of gas: no number of {size} cylinders carries this firing.",
                "They would be too cold to boil off what the burners want. A larger cylinder, a tank or a warmer place helps."
            );
        }
        else if (kiln.Cylinders > 0 && kiln.Cylinders < count)
        {
            // When those at hand give up, so that it is known what would be lost.
            var (ends, at) = (Cylinders.StarvesAt(kiln.Cylinder, kiln.Cylinders, plan, kiln.Room.Celsius), context.Compiled.Powered);
            var when = ends is { } minute ? NodaTime.Duration.FromMinutes(minute) : at;
            yield return new Finding(
                FindingIds.ShortOfGas,
                Severity.Danger,
                context.Compiled.Segments.StepAt(when.TotalMinutes),
                when,
                at,
                $"Short of gas: this takes {Counted(count, size)} side by side; {Phrases.Number(kiln.Cylinders)} {(kiln.Cylinders == 1 ? "is" : "are")} "
                    + "at hand.",
                ends is null
                    ? "They would last just about, with nothing to spare. Gas that runs out leaves the kiln where it is, and a flame that dies below the "
                        + "red does not relight."
                    : $"They would be too cold or empty about {Phrases.Hours(when)} in. Add one, warm their place, or fire less."
            );
        }
    }
}
