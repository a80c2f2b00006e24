using ZealousEmber.Core.Kilns.Fuel;

namespace ZealousEmber.Core.Review;

/// <summary>What a fuel kiln cannot do of what is asked, and gas it has not.</summary>
internal static class TurnReview
{
    public static IEnumerable<Finding> Of(ReviewContext context)
    {
        if (context is not { Run: FuelRun { Plan: var plan }, Kiln: LoadedFuelKiln { Kiln: var kiln } }) yield break;
        foreach (var trouble in plan.Trouble)
        {
            var times = context.Compiled.Segments[trouble.Step];
            // A kiln that gives up altogether is told of already.
            if (trouble.Trouble == TurnTrouble.ShortOfHeat && context.Run.Stall is { } stall && stall.Segment == trouble.Step) continue;
            yield return new Finding(
                trouble.Trouble switch { TurnTrouble.ShortOfHeat => "short-of-heat", TurnTrouble.CannotBeHeldThisCool => "cannot-hold-cool", _ => "air-not-to-be-had" },
                Severity.Look, trouble.Step, times.Start, times.End, TurnWords.Of(trouble, kiln, context.Schedule.Unit), "Turns are the nearest this kiln comes to what is asked; what it does then is drawn.");
        }
        if (kiln.Cylinder > 0 && Cylinders.Count(kiln.Cylinder, plan, kiln.Room.Celsius) is null)
        {
            var last = context.Compiled.Segments[^1];
            yield return new Finding(
                "short-of-gas", Severity.Danger, context.Schedule.Segments.Length - 1, last.Start, last.End, $"Short of gas: no number of {Phrases.Number(kiln.Cylinder)} kg cylinders carries this firing.",
                "They would be too cold to boil off what the burners want. A larger cylinder, a tank or a warmer place helps.");
        }
    }
}
