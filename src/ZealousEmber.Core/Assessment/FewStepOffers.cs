using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Assessment;

/// <summary>Something to do instead of a plan that few steps make long.</summary>
/// <param name="Id">Stable: one-long, dry-tonight, cool-by-itself.</param>
/// <param name="Text">In a sentence or two, with hours and energy.</param>
/// <param name="Takes">Power on, in all.</param>
/// <param name="Kwh">In all; nothing where no kiln tells.</param>
public sealed record PlanOffer(string Id, string Text, Duration Takes, double? Kwh);

/// <summary>A controller with few steps makes some firings long: what could be done instead, with what each takes.</summary>
internal static class FewStepOffers
{
    private const int Few = 10;
    private const double Long = 1.3;

    /// <summary>Two offers where the plan takes more than 1.3 times what it would with steps to spare; else none.</summary>
    public static ImmutableArray<PlanOffer> Of(Plan plan, WareLoad load, PlanOptions wish, IKilnModel kiln, KilnRun run)
    {
        // With steps to spare it is as quick as it gets.
        if (
            wish.MaxSteps > Few
            || plan.Steps.Count(s => !s.Step.IsEndOff) < wish.MaxSteps
            || wish.Kind == ScheduleKind.Drying
            || Run(load, wish with { MaxSteps = ScheduleLimits.Segments, HoldsOnTheWay = true }, kiln) is not { } free
        )
            return [];
        var took = run.Compiled.Powered;
        if (took.TotalHours <= Long * free.Compiled.Powered.TotalHours)
            return [];
        var steps = $"{wish.MaxSteps} steps";
        var one = new PlanOffer(
            "one-long",
            $"One long firing in {steps}: {Phrases.Hours(took)}{Energy(run)}, where a controller with more steps takes "
                + $"{Phrases.Hours(free.Compiled.Powered)}{Energy(free)}.",
            took,
            Kwh(run)
        );
        if (!wish.Kind.FiresRaw())
            return CoolingByItself(load, wish, kiln, took) is { } cool ? [one, cool] : [one];
        var dry = wish with { Kind = ScheduleKind.Drying, Goal = null, Hold = null };
        var dried = load with { Lots = [.. load.Lots.Select(l => l.Dried())] };
        if (Run(load, dry, kiln) is not { } tonight || Run(dried, wish, kiln) is not { } tomorrow)
            return [one];
        var both = tonight.Compiled.Powered + tomorrow.Compiled.Powered;
        return both >= took
            ? [one]
            :
            [
                one,
                new PlanOffer(
                    "dry-tonight",
                    $"Dry it tonight and fire it tomorrow: {Phrases.Hours(tonight.Compiled.Powered)} and "
                        + $"{Phrases.Hours(tomorrow.Compiled.Powered)}{(Kwh(tonight) + Kwh(tomorrow) is { } kwh ? $", {Phrases.Number(Math.Round(kwh))} kWh in all" : "")}. The drying is one firing of its own; keyed in again, the second goes without it.",
                    both,
                    Kwh(tonight) + Kwh(tomorrow)
                ),
            ];
    }

    /// <summary>Without the slow band its steps are enough: quicker, and duller.</summary>
    private static PlanOffer? CoolingByItself(WareLoad load, PlanOptions wish, IKilnModel kiln, Duration took)
    {
        var slow = load.Glazes.Where(g => g.Slow is not null).Select(g => g.Name).ToList();
        if (
            slow.Count == 0
            || wish.Preferences.Cooling != CoolingOption.AsTheGlazesAsk
            || Run(load, wish with { Preference = wish.Preferences with { Cooling = CoolingOption.Off } }, kiln) is not { } run
            || run.Compiled.Powered >= took
        )
            return null;
        return new PlanOffer(
            "cool-by-itself",
            $"Let it cool by itself: {Phrases.Hours(run.Compiled.Powered)}{Energy(run)}. {Phrases.List(slow)} then {(slow.Count == 1 ? "comes" : "come")} "
                + "out duller.",
            run.Compiled.Powered,
            Kwh(run)
        );
    }

    private static KilnRun? Run(WareLoad load, PlanOptions wish, IKilnModel kiln) =>
        Planner.Make(load, wish, kiln) is { IsOk: true, Value: var plan } && kiln.Run(plan.Schedule.Program) is { IsOk: true, Value: var run } ? run : null;

    private static double? Kwh(KilnRun run) => run.Uses.IsEmpty ? null : run.Energy.Used;

    private static string Energy(KilnRun run) => Kwh(run) is { } kwh ? $" and {Phrases.Number(Math.Round(kwh))} kWh" : "";
}
