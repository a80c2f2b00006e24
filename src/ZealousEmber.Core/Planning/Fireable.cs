using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>A way on where a plan is refused: one press changes what is asked.</summary>
/// <param name="Id">Stable: dry-first, without, cool-by-itself, anyway.</param>
/// <param name="Text">In a sentence.</param>
/// <param name="Kind">The kind of firing to plan instead; nothing where that stays.</param>
/// <param name="Without">Indices of lots to leave out; empty where all stay.</param>
/// <param name="Anyway">Whether it is to be planned as it is.</param>
/// <param name="Cooling">How it is to cool instead; nothing where that stays.</param>
public sealed record WayOn(string Id, string Text, ScheduleKind? Kind, IReadOnlyList<int> Without, bool Anyway, CoolingOption? Cooling = null);

/// <summary>What no schedule saves, and the ways on.</summary>
public static class Fireable
{
    private static bool IsLeatherHard(WareLot lot, PlanOptions wish) => wish.Kind != ScheduleKind.Drying && lot.Dryness == Dryness.LeatherHard;

    private static bool IsClosed(WareLot lot, PlanOptions wish) => wish.Kind.FiresRaw() && lot.ClosedHollow && lot.Dryness != Dryness.BoneDry;

    private static bool IsTooThick(WareLot lot, PlanOptions wish) =>
        wish.Kind.FiresRaw() && lot.Wall > Drying.ThickestWall && !(wish.Anyway && lot.Dryness == Dryness.BoneDry);

    /// <summary>A problem at <c>lots</c> for ware that is not fired as it is; nothing where all of it can be.</summary>
    internal static Problem? Check(WareLoad load, PlanOptions wish)
    {
        if (load.Lots.FirstOrDefault(l => IsClosed(l, wish)) is { } closed)
            return new Problem(
                "lots",
                $"Closed and not bone dry ({closed.What}): the steam inside has no way out, and it bursts whatever the schedule. Make a hole, or leave it "
                    + "on the shelf till it is bone dry, some weeks."
            );
        if (load.Lots.FirstOrDefault(l => IsTooThick(l, wish)) is { } thick)
            return new Problem(
                "lots",
                $"{Text.Capital(LoadNotes.Name(thick, wish.Units))}, {Moisture.Format(thick.Dryness)}: over {wish.Units.Wall(Drying.ThickestWall)} no "
                    + "schedule alone saves it. Hollow it out to half of that, or "
                    + $"{(thick.Dryness == Dryness.BoneDry ? "pierce it from below" : "let it dry on the shelf for weeks")} and fire it with other "
                    + "ware of its kind."
            );
        if (load.Lots.FirstOrDefault(l => IsLeatherHard(l, wish)) is { } wet)
            return new Problem("lots", $"Leather hard ware ({wet.What}) is not fired: plan a drying firing for it first. Many studios do not take it at all.");
        return null;
    }

    /// <summary>What may be done instead, where <see cref="Check"/> or the goal says no: what can be fired now, a drying firing first, or as it is.</summary>
    /// <param name="load">What is in the kiln.</param>
    /// <param name="wish">What was asked.</param>
    /// <param name="kiln">Where it was to be fired.</param>
    /// <param name="problems">Why it was refused.</param>
    public static IReadOnlyList<WayOn> WaysOn(WareLoad load, PlanOptions wish, IKilnModel kiln, IReadOnlyList<Problem> problems)
    {
        var ways = new List<WayOn>();
        if (problems.Any(p => p.Field == "maxSteps"))
            ways.AddRange(InFewerSteps(load, wish, kiln));
        int[] cannot =
        [
            .. load.Lots.Index().Where(l => IsClosed(l.Item, wish) || IsTooThick(l.Item, wish) || IsLeatherHard(l.Item, wish)).Select(l => l.Index),
        ];
        if (load.Lots.Any(l => IsLeatherHard(l, wish)) && !load.Lots.Any(l => IsClosed(l, wish) || IsTooThick(l, wish)))
            ways.Add(new WayOn("dry-first", "Plan a drying firing first: it is fired once it is dry.", ScheduleKind.Drying, [], false));
        if (cannot.Length > 0 && cannot.Length < load.Lots.Length)
            ways.Add(
                new WayOn(
                    "without",
                    $"Leave out {Phrases.List([.. cannot.Select(i => load.Lots[i].What).Distinct()])} and fire the rest now.",
                    null,
                    cannot,
                    false
                )
            );
        if (wish.Anyway)
            return ways;
        if (
            cannot.Length > 0
            && load.Lots.Where(l => !(l.Wall > Drying.ThickestWall && l.Dryness == Dryness.BoneDry))
                .All(l => !IsClosed(l, wish) && !IsTooThick(l, wish) && !IsLeatherHard(l, wish))
        )
            ways.Add(new WayOn("anyway", "I know better: plan it as it is.", null, [], true));
        else if (cannot.Length == 0 && wish.Goal is not null && !GoalFinder.Find(load, wish).IsOk && GoalFinder.Find(load, wish with { Anyway = true }).IsOk)
            ways.Add(new WayOn("anyway", "I know better: plan it as it is.", null, [], true));
        if (cannot.Length == 0 && load.Clashes.Count > 0)
        {
            foreach (var (names, range) in ConeGroups.Of(load))
            {
                int[] others = [.. load.Lots.Index().Where(l => !Goes(l.Item, range)).Select(l => l.Index)];
                if (others.Length > 0 && others.Length < load.Lots.Length)
                    ways.Add(new WayOn("without", $"Fire only what goes at {range}: {Phrases.List([.. names.Take(3)])}.", null, others, false));
            }
        }
        return ways;
    }

    /// <summary>What is planned in fewer steps; each is tried before it is offered.</summary>
    private static IEnumerable<WayOn> InFewerSteps(WareLoad load, PlanOptions wish, IKilnModel kiln)
    {
        var dried = load with { Lots = [.. load.Lots.Select(l => l.Dried())] };
        var off = wish with { Preference = wish.Preferences with { Cooling = CoolingOption.Off } };
        var canDry = wish.Kind.FiresRaw() && Planner.Make(load, wish with { Kind = ScheduleKind.Drying, Goal = null, Hold = null }, kiln).IsOk;
        var dryFirst = canDry && Planner.Make(dried, wish, kiln).IsOk;
        if (dryFirst)
            yield return new WayOn(
                "dry-first",
                "Dry it tonight in a firing of its own; tomorrow, bone dry, it needs fewer steps.",
                ScheduleKind.Drying,
                [],
                false
            );
        var duller = load.Glazes.Where(g => g.Slow is not null).Select(g => g.Name).ToList();
        if (duller.Count == 0)
            yield break;
        var loses = $"{Phrases.List(duller)} then {(duller.Count == 1 ? "comes" : "come")} out duller.";
        if (Planner.Make(load, off, kiln).IsOk)
            yield return new WayOn("cool-by-itself", $"Let it cool by itself. {loses}", null, [], false, CoolingOption.Off);
        else if (!dryFirst && canDry && Planner.Make(dried, off, kiln).IsOk)
            yield return new WayOn(
                "dry-first",
                $"Dry it tonight in a firing of its own, and tomorrow let it cool by itself. {loses}",
                ScheduleKind.Drying,
                [],
                false,
                CoolingOption.Off
            );
    }

    private static bool Goes(WareLot lot, Cones.ConeRange range) =>
        lot.Glazes.All(g => g.Range?.Overlap(range) is not null || g.Range is null) && (lot.Clay?.Range is not { } clay || clay.Overlap(range) is not null);
}
