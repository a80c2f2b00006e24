using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Review;

/// <summary>Numbers written on the other scale: all of them, or one.</summary>
internal static class ScaleFixes
{
    // Between the last two targets of a climb there is about so much, K.
    private const double LastClimb = 350;

    /// <summary>The other scale.</summary>
    public static TemperatureUnit Other(TemperatureUnit unit) => unit == TemperatureUnit.Celsius ? TemperatureUnit.Fahrenheit : TemperatureUnit.Celsius;

    /// <summary>All of them where the steps before fit then, too; else the one number alone.</summary>
    /// <param name="context">What is looked at.</param>
    /// <param name="index">The step with the number that gave it away.</param>
    public static IEnumerable<Fix> Of(ReviewContext context, int index)
    {
        var program = context.Schedule.Program;
        var (unit, other) = (context.Schedule.Unit, Other(context.Schedule.Unit));
        if (context.Schedule.Segments[index].Target is not { } written || !Temperature.TryFrom(written.In(unit), other, out var meant))
            yield break;
        var one = program.Steps[index].Changed(target: Temperature.From(Math.Round(meant.In(unit)), unit));
        if (All(program, unit, other) is { } all)
        {
            var before = all.Steps.Take(index).Where(s => s.Target is not null).Select(s => s.Target!.Value.Celsius).DefaultIfEmpty(meant.Celsius - 1).Max();
            if (before < meant.Celsius && before > meant.Celsius - LastClimb)
                yield return Fix.Between($"Read all as {other.Symbol()}", program, all, unit: other);
        }
        if (one.IsOk)
            yield return new Fix($"To {Phrases.Number(Math.Round(meant.In(unit)))}", index, one.Value);
    }

    private static FiringProgram? All(FiringProgram program, TemperatureUnit unit, TemperatureUnit other)
    {
        var all = new List<Segment>();
        foreach (var step in program.Steps)
        {
            Temperature? target = null;
            if (step.Target is { } written)
            {
                if (!Temperature.TryFrom(written.In(unit), other, out var meant))
                    return null;
                target = meant;
            }
            var made = step.Changed(step.Pace.Rate is { } rate ? Pace.At(Rate.PerHour(rate.PerHourIn(unit), other)) : step.Pace, target);
            if (!made.IsOk)
                return null;
            all.Add(made.Value);
        }
        return FiringProgram.Create(all) is { IsOk: true } read ? read.Value : null;
    }
}
