using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>The cone a load wants, with its reason; or why no cone does.</summary>
internal static class GoalFinder
{
    /// <summary>A goal given is checked against the load; one missing is found.</summary>
    public static Result<(Cone? Goal, string? Why)> Find(WareLoad load, PlanOptions wish) =>
        wish.Kind switch
        {
            ScheduleKind.Drying => ((Cone?)null, (string?)null),
            ScheduleKind.Bisque => Bisque(load, wish),
            ScheduleKind.Refiring => Refiring(load, wish),
            _ => Glaze(load, wish),
        };

    private static Result<(Cone?, string?)> Bisque(WareLoad load, PlanOptions wish)
    {
        if (wish.Goal is { } goal)
            return BisqueAsAsked(load, goal, wish.Anyway);
        var way = wish.Preferences.Bisque;
        if (way == BisqueOption.AlwaysOpen)
            return (Parse("06"), "Cone 06 for every bisque, as this way has it.");
        if (way == BisqueOption.HotterThanTheGlaze && OverTheGlaze(load) is { } over)
            return over;
        var word =
            way == BisqueOption.HotterThanTheGlaze
                ? " Hotter than its glaze is the way of low fire; a stoneware body bisqued so hot would take up no glaze."
                : "";
        if (load.Lots.All(l => l.Next == NextStep.Unglazed && l.Clay?.Range is not null))
        {
            if (load.CommonRange is not { } common)
                return new Problem("lots", ConeGroups.Clash(load));
            return common.Coolest == common.Hottest ? (common.Coolest, "Never glazed, it is fired to where its clay is tight.")
                : wish.Preferences.Goal == GoalOption.Coolest
                    ? (
                        common.Coolest,
                        $"Never glazed, it is fired to where its clay is tight: {common}. The coolest saves power; it stays softer and takes up some water."
                    )
                : (Middle(common), $"Never glazed, it is fired to where its clay is tight: {common}. The middle leaves room for a cold corner and a hot one.");
        }
        if (load.Lots.All(l => l.Clay?.Kind == ClayKind.Earthenware) && load.Lots.Any(l => l.Next != NextStep.Unglazed))
            return (
                Parse("03"),
                $"Earthenware bisqued hotter than its glaze: gas is gone before the glaze is there to trap it.{Compromise(load, brushing: false)}"
            );
        return load.Lots.Any(l => l.Next == NextStep.Brushing)
            ? (Parse("04"), $"For brushing the ware is wanted tighter, so that the brush does not drag.{Compromise(load, brushing: true)}{word}")
            : (Parse("06"), $"For dipping and pouring the ware is wanted open, so that it takes up glaze.{Compromise(load, brushing: false)}{word}");
    }

    private static Result<(Cone?, string?)> BisqueAsAsked(WareLoad load, Cone goal, bool anyway)
    {
        // Past its own maturing cone a clay slumps, whatever comes next.
        var melted = load.Lots.FirstOrDefault(l => l.Clay?.Range is { } r && goal.CompareTo(r.Hottest) > 0);
        if (melted is not null)
            return new Problem("goalCone", $"{melted.Clay!.Name} stands {melted.Clay.Range}; cone {goal.Number} is too hot for it.{Twin(goal)}");
        if (!anyway && goal.CompareTo(Parse("1")) >= 0 && load.Lots.FirstOrDefault(l => l.Next != NextStep.Unglazed) is { } glazed)
            return new Problem(
                "goalCone",
                $"At cone {goal.Number} ware is tight and takes up no glaze, and {glazed.What} "
                    + $"{(glazed.Next == NextStep.Dipping ? "is for dipping" : "is for brushing")}.{Twin(goal)} Where it is meant, say so: “I know better”."
            );
        return ((Cone?)goal, (string?)"The cone you asked for.");
    }

    /// <summary>" Did you mean cone 06, at about 999 °C?"; nothing where no cone is written nearly alike.</summary>
    private static string Twin(Cone goal) => goal.Twin is { } twin ? $" Did you mean cone {twin.Number}? It is {ConeNumber.Apart(twin, goal)}." : "";

    /// <summary>What ware pays that wants another bisque than the rest of the load.</summary>
    private static string Compromise(WareLoad load, bool brushing)
    {
        string Of(NextStep next) => Phrases.List([.. load.Lots.Where(l => l.Next == next).Select(l => l.What).Distinct().Take(3)]);
        var dipped =
            brushing && load.Lots.Any(l => l.Next == NextStep.Dipping)
                ? $" What is dipped ({Of(NextStep.Dipping)}) takes up a little less glaze: dip it longer, or thicken the bucket."
                : "";
        var bare = load.Lots.Any(l => l.Next == NextStep.Unglazed)
            ? $" What stays bare ({Of(NextStep.Unglazed)}) is soft and lets water through so: fire it again with the glazes, or by itself to its own cone."
            : "";
        return dipped + bare;
    }

    /// <summary>A cone or two over the glaze, where it is low fire; never past what a clay stands. Nothing for stoneware.</summary>
    private static (Cone?, string?)? OverTheGlaze(WareLoad load)
    {
        var glaze = load.Glazes.Where(g => g.Range is not null).MaxBy(g => g.Range!.Value.Hottest);
        var low = glaze?.Range is { } range ? range.Hottest.CompareTo(Parse("1")) < 0 : load.Lots.All(l => l.Clay?.Kind == ClayKind.Earthenware);
        if (!low)
            return null;
        var over = glaze?.Range is { } made ? Middle(made) : Parse("05");
        var hot = over.Hotter?.Hotter ?? over;
        var weakest = load.Lots.Where(l => l.Clay?.Range is not null).MinBy(l => l.Clay!.Range!.Value.Hottest)?.Clay;
        if (weakest?.Range is { } stands && hot.CompareTo(stands.Hottest) > 0)
            return (stands.Hottest, $"Two cones over the glaze would be cone {hot.Number}; {weakest.Name} stands no more than cone {stands.Hottest.Number}.");
        return (
            hot,
            $"Two cones over {(glaze is null ? "a usual low-fire glaze" : glaze.Name)} at cone {over.Number}: gas is gone before the glaze is there to trap it."
        );
    }

    private static Result<(Cone?, string?)> Glaze(WareLoad load, PlanOptions wish)
    {
        if (wish.Goal is { } anyway && wish.Anyway)
            return ((Cone?)anyway, (string?)"The cone you asked for, whatever it does to the rest.");
        if (load.Clashes.Count > 0)
            return new Problem("lots", ConeGroups.Clash(load));
        if (wish.Goal is { } goal)
        {
            var outside = load.Outside(goal);
            return outside.Count > 0
                ? new Problem(
                    "goalCone",
                    $"{string.Join(" ", outside.Take(3).Select(o => $"{o.Name} is made for {o.Range}; cone {goal.Number} is too {(o.TooHot ? "hot" : "cool")} for it."))}{(goal.Twin is { } twin && load.Outside(twin).Count == 0 ? Twin(goal) : "")}"
                )
                : ((Cone?)goal, (string?)"The cone you asked for.");
        }
        return load.CommonRange is { } common
            ? Within(common, wish.Preferences.Goal)
            : new Problem("goalCone", "Nothing in the load says which cone it wants. Give a goal cone.");
    }

    /// <summary>Lustre, decals and overglaze go by their own cones; the clay and the glaze under them have seen hotter.</summary>
    private static Result<(Cone?, string?)> Refiring(WareLoad load, PlanOptions wish)
    {
        if (wish.Goal is { } goal)
            return ((Cone?)goal, (string?)"The cone you asked for.");
        ConeRange? common = null;
        foreach (var glaze in load.Glazes.Where(g => g.Range is not null))
        {
            common = common is { } before ? before.Overlap(glaze.Range!.Value) : glaze.Range;
            if (common is null)
                return new Problem("lots", $"{glaze.Name} and the others want different cones: they cannot share a firing.");
        }
        return common is { } range
            ? Within(range, wish.Preferences.Goal)
            : new Problem(
                "goalCone",
                "Nothing in the load says which cone it wants. Give a goal cone: lustre and decals usually 022 to 017, overglaze to 014; the maker of the "
                    + "colour knows."
            );
    }

    private static Result<(Cone?, string?)> Within(ConeRange range, GoalOption way)
    {
        if (range.Coolest == range.Hottest)
            return (range.Coolest, "The one cone everything in it is made for.");
        return way == GoalOption.Coolest
            ? (
                range.Coolest,
                $"Everything in it stands {range}; the coolest saves power and spares the elements. Cold corners of the kiln may come out underfired."
            )
            : (Middle(range), $"Everything in it stands {range}; the middle leaves room for a cold corner and a hot one.");
    }

    /// <summary>The cone nearest half way in temperature; a half cone only where there is no whole one inside.</summary>
    public static Cone Middle(ConeRange range)
    {
        if (range.Coolest == range.Hottest)
            return range.Coolest;
        var half = (ConeTable.Of(range.Coolest).At60 + ConeTable.Of(range.Hottest).At60) / 2;
        var inside = Cone.All.Where(c => range.Contains(c) && c != range.Coolest && c != range.Hottest).ToList();
        var whole = inside.Where(c => !c.Number.EndsWith('½')).ToList();
        return (whole.Count > 0 ? whole : inside).DefaultIfEmpty(range.Coolest).MinBy(c => Math.Abs(ConeTable.Of(c).At60 - half));
    }

    private static Cone Parse(string number) => ConeNumber.Parse(number).Value;
}
