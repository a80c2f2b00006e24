using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Assessment;

/// <summary>What worn elements cost: the same load planned in the same kiln with new ones.</summary>
internal static class WornElements
{
    private const double WorthHours = 1;
    private const double WorthShare = 0.05;

    /// <summary>
    /// "Its elements give 75 % of their power: 17 h 20 and 120 kWh, where new ones take 9 h 10 and 72 kWh."; nothing where it makes little difference.
    /// </summary>
    public static IEnumerable<PlanNote> Note(WareLoad load, PlanOptions wish, IKilnModel kiln, KilnRun run)
    {
        if (
            kiln.Renewed is not { } renewed
            || Planner.Make(load, wish, renewed) is not { IsOk: true, Value: var plan }
            || renewed.Run(plan.Schedule.Program) is not { IsOk: true, Value: var other }
        )
            yield break;
        var (took, would) = (run.Compiled.Powered, other.Compiled.Powered);
        var (used, less) = (run.Energy.Used, other.Energy.Used);
        if (took.TotalHours - would.TotalHours < WorthHours && used - less < WorthShare * used)
            yield break;
        yield return new PlanNote(
            "worn-elements",
            $"Its elements give {Phrases.Number(Math.Round(kiln.ElementHealth * 100))} % of their power: {Phrases.Hours(took)} and "
                + $"{Phrases.Number(Math.Round(used))} kWh, where new ones would take {Phrases.Hours(would)} and {Phrases.Number(Math.Round(less))} kWh. "
                + $"New elements save about {Phrases.Number(Math.Round(used - less))} kWh in every firing like this."
        );
    }
}
