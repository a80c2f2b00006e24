using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>A firing that only dries.</summary>
internal sealed class DryingFiring(WareLoad load, PlanOptions wish, IKilnModel kiln, PlanWriter write)
{
    private const double PastBoiling = 30;
    private const double Above = 20;

    /// <summary>Its steps; problems as the planner gives them.</summary>
    /// <param name="before">Steps before it.</param>
    /// <param name="from">Where it climbs from, °C.</param>
    public Result<List<PlanStep>> Plan(List<PlanStep> before, double from)
    {
        var drying = new DryingPlanner(load, wish, kiln, write).Usual(before, from);
        if (!drying.IsOk)
            return Result<List<PlanStep>>.Failed(drying.Problems);
        List<PlanStep> steps = [.. before, .. drying.Value.Steps];
        var after = drying.Value.After;
        steps.Add(
            write.At(
                write.Friendly(Math.Min(PastBoiling, after.Length > 0 ? after.Min(l => l.Rate) : PastBoiling)),
                FriendlyNumbers.Nearest(kiln.Boiling.Celsius + Above, wish.Unit),
                Duration.FromHours(1),
                "past boiling, slowly",
                "The last water in the clay leaves once it is past boiling; an hour there makes sure.",
                "drying"
            )
        );
        if (steps.Count > wish.MaxSteps)
            return new Problem("maxSteps", $"This drying needs at least {steps.Count} steps, and the controller takes {wish.MaxSteps}.");
        steps.AddRange(new CoolingPlanner(load, wish, write, 0, false, (_, _) => 0, 1).Steps(0));
        AirPlanner.AddTo(steps, wish, kiln, null, write);
        return steps;
    }
}
