using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>How one plan differs from another, as somebody would tell it.</summary>
/// <param name="Longer">Time with the power on, more than before; less than nothing when shorter.</param>
/// <param name="Hotter">The top, above the one before.</param>
/// <param name="Says">A sentence for each part of the firing that takes notably longer or shorter, the greatest change first, and for the top.</param>
public sealed record PlanDifference(Duration Longer, TemperatureDifference Hotter, ImmutableArray<string> Says)
{
    private static readonly Duration Notable = Duration.FromMinutes(10);
    private static readonly Temperature ElementsAge = Temperature.FromCelsius(1200);
    private static readonly Temperature Dry = Temperature.FromCelsius(130);

    /// <summary>Compares two plans, each with its times; with elements, what it does to them as well.</summary>
    public static PlanDifference Between((Plan Plan, CompiledSchedule Times) before, (Plan Plan, CompiledSchedule Times) after, bool hasElements = false)
    {
        var says = new List<(Duration Change, string Text)>();
        foreach (var ((part, was), (_, comes)) in Parts(before).Zip(Parts(after)))
        {
            var change = comes - was;
            if (change < Notable && change > -Notable)
                continue;
            says.Add(
                (
                    change < Duration.Zero ? -change : change,
                    was < Notable ? $"{part} comes in, {Phrases.Hours(comes)}."
                    : comes < Notable ? $"{part} falls away, {Phrases.Hours(was)}."
                    : $"{part} takes {Phrases.Hours(comes)} instead of {Phrases.Hours(was)}."
                )
            );
        }
        var unit = after.Plan.Schedule.Unit;
        var (low, high) = (Math.Round(before.Times.Curve.Peak.In(unit)), Math.Round(after.Times.Curve.Peak.In(unit)));
        ImmutableArray<string> top = low == high ? [] : [$"The top is {Phrases.Number(high)} {unit.Symbol()} instead of {Phrases.Number(low)}."];
        var ages = after.Times.Curve.TimeBetween(ElementsAge, null).Total - before.Times.Curve.TimeBetween(ElementsAge, null).Total;
        if (hasElements && (ages >= Notable || ages <= -Notable))
            top = top.Add(
                $"The elements are {Phrases.Hours(ages < Duration.Zero ? -ages : ages)} {(ages < Duration.Zero ? "less" : "longer")} above "
                    + $"{Phrases.Number(Math.Round(ElementsAge.In(unit)))} {unit.Symbol()}, where they age fast."
            );
        return new PlanDifference(
            after.Times.Powered - before.Times.Powered,
            after.Times.Curve.Peak - before.Times.Curve.Peak,
            [.. says.OrderByDescending(s => s.Change).Select(s => s.Text), .. top]
        );
    }

    /// <summary>The parts of a firing people speak of, with how long each lasts: by temperature up to the top, then the cooling under power.</summary>
    private static IEnumerable<(string Part, Duration Lasts)> Parts((Plan Plan, CompiledSchedule Times) plan)
    {
        var (schedule, curve) = (plan.Plan.Schedule, plan.Times.Curve);
        var points = curve.Points.ToArray();
        var last = Array.FindLastIndex(points, p => p.Celsius == curve.Peak.Celsius);
        var up = new Curve(points[..(last + 1)]);
        Duration Between(Temperature? low, Temperature? high) => up.TimeBetween(low ?? ScheduleLimits.Coldest, high).Total;
        if (!schedule.Kind.FiresRaw())
        {
            var approach = curve.Peak - TemperatureDifference.FromKelvins(100);
            yield return ("Drying the glaze", Between(null, Dry));
            yield return ("The climb", Between(Dry, approach));
            yield return ("The last stretch", Between(approach, null));
        }
        else
        {
            yield return ("Drying", Between(null, Dry));
            yield return ($"The climb to {Phrases.Number(Math.Round(BurnOut.From.In(schedule.Unit)))} {schedule.Unit.Symbol()}", Between(Dry, BurnOut.From));
            yield return ("Burning out", Between(BurnOut.From, BurnOut.To));
            yield return ("From there to the top", Between(BurnOut.To, null));
        }
        yield return ("The cooling under power", Duration.Max(Duration.Zero, plan.Times.Powered - Duration.FromMinutes(points[last].Minutes)));
    }
}
