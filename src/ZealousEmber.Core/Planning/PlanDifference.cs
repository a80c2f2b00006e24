using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Planning;

/// <summary>How one plan differs from another, as somebody would tell it.</summary>
/// <param name="Longer">Time with the power on, more than before; less than nothing when shorter.</param>
/// <param name="Hotter">The top, above the one before.</param>
/// <param name="Says">A sentence for each part of the firing that takes notably longer or shorter, the greatest change first, and for the top.</param>
public sealed record PlanDifference(Duration Longer, TemperatureDifference Hotter, ImmutableArray<string> Says)
{
    private static readonly Duration Notable = Duration.FromMinutes(10);

    // The parts of a firing people speak of, by the limits that set its steps.
    private static readonly (string Part, string[] By)[] Parts =
    [
        ("Drying", ["drying", "steam-check"]), ("Drying the glaze", ["glaze-water"]), ("The climb past quartz", ["quartz"]), ("Burning out", ["burn-out"]),
        ("The climb between", ["brisk", "kiln"]), ("The last stretch", ["approach"]), ("The slow band", ["slow-band"]),
        ("Cooling past the size changes", ["quartz-cooling"]), ("The cooling", ["drop", "cooling"]),
    ];

    /// <summary>Compares two plans, each with its times.</summary>
    public static PlanDifference Between((Plan Plan, CompiledSchedule Times) before, (Plan Plan, CompiledSchedule Times) after)
    {
        var says = new List<(Duration Change, string Text)>();
        foreach (var (part, by) in Parts)
        {
            var (was, comes) = (Spent(before, by), Spent(after, by));
            var change = comes - was;
            if (change < Notable && change > -Notable) continue;
            says.Add((change < Duration.Zero ? -change : change,
                was == Duration.Zero ? $"{part} comes in, {Words.Hours(comes)}." : comes == Duration.Zero ? $"{part} falls away, {Words.Hours(was)}." : $"{part} takes {Words.Hours(comes)} instead of {Words.Hours(was)}."));
        }
        var unit = after.Plan.Schedule.Unit;
        var (low, high) = (Math.Round(before.Times.Curve.Peak.In(unit)), Math.Round(after.Times.Curve.Peak.In(unit)));
        ImmutableArray<string> top = low == high ? [] : [$"The top is {Words.Number(high)} {unit.Symbol()} instead of {Words.Number(low)}."];
        return new PlanDifference(after.Times.Powered - before.Times.Powered, after.Times.Curve.Peak - before.Times.Curve.Peak, [.. says.OrderByDescending(s => s.Change).Select(s => s.Text), .. top]);
    }

    /// <summary>Time in the steps some limits set; the power-off that ends a firing lasts as long as it likes and is nobody's choice.</summary>
    private static Duration Spent((Plan Plan, CompiledSchedule Times) plan, string[] by)
    {
        var sum = Duration.Zero;
        foreach (var (i, step) in plan.Plan.Steps.Index())
        {
            if (by.Contains(step.By) && !step.Step.IsEndOff) sum += plan.Times.Segments[i].End - plan.Times.Segments[i].Start;
        }
        return sum;
    }
}
