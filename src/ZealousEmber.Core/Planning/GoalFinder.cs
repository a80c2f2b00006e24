using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Planning;

/// <summary>The cone a load wants, with its reason; or why no cone does.</summary>
internal static class GoalFinder
{
    /// <summary>A goal given is checked against the load; one missing is found.</summary>
    public static Result<(Cone? Goal, string? Why)> Find(WareLoad load, PlanWish wish) => wish.Kind switch
    {
        ScheduleKind.Drying => ((Cone?)null, (string?)null),
        ScheduleKind.Bisque => Bisque(load, wish.Goal, wish.Preferences.Bisque),
        ScheduleKind.Refiring => Refiring(load, wish),
        _ => Glaze(load, wish),
    };

    private static Result<(Cone?, string?)> Bisque(WareLoad load, Cone? given, BisqueOption way)
    {
        if (given is { } goal)
        {
            // Past its own maturing cone a clay slumps, whatever comes next.
            var melted = load.Lots.FirstOrDefault(l => l.Clay?.Range is { } r && goal.CompareTo(r.Hottest) > 0);
            return melted is null
                ? ((Cone?)goal, (string?)"The cone you asked for.")
                : new Problem("goalCone", $"{melted.Clay!.Name} stands {melted.Clay.Range}; cone {goal.Number} is too hot for it.");
        }
        if (way == BisqueOption.AlwaysOpen) return (Parse("06"), "Cone 06 for every bisque, as this way has it.");
        if (way == BisqueOption.HotterThanTheGlaze) return OverTheGlaze(load);
        var lowFire = load.Lots.Where(l => l.Clay?.Kind == ClayKind.Earthenware).ToList();
        if (load.Lots.All(l => l.Next == NextStep.Unglazed && l.Clay?.Range is not null))
        {
            var common = load.CommonRange;
            return common is { } range
                ? (range.Coolest, $"Never glazed, it wants the clay's own maturing cone: {range}.")
                : new Problem("lots", load.Clashes[0].Format());
        }
        if (lowFire.Count == load.Lots.Length && load.Lots.Any(l => l.Next != NextStep.Unglazed))
            return (Parse("03"), "Earthenware bisqued hotter than its glaze: gas is gone before the glaze is there to trap it.");
        return load.Lots.Any(l => l.Next == NextStep.Brushing)
            ? (Parse("04"), "For brushing the ware is wanted tighter, so that the brush does not drag.")
            : (Parse("06"), "For dipping and pouring the ware is wanted open, so that it takes up glaze.");
    }

    /// <summary>Two cones over the hottest glaze named, over a usual low-fire glaze when none is; never past what a clay stands.</summary>
    private static (Cone?, string?) OverTheGlaze(WareLoad load)
    {
        var glaze = load.Glazes.Where(g => g.Range is not null).MaxBy(g => g.Range!.Value.Hottest);
        var over = glaze?.Range?.Hottest ?? Parse("04");
        var hot = over.Hotter?.Hotter ?? over;
        var clays = load.Lots.Where(l => l.Clay?.Range is not null).ToList();
        var weakest = clays.MinBy(l => l.Clay!.Range!.Value.Hottest)?.Clay;
        if (weakest?.Range is { } stands && hot.CompareTo(stands.Hottest) > 0)
            return (stands.Hottest, $"Two cones over the glaze would be cone {hot.Number}; {weakest.Name} stands no more than cone {stands.Hottest.Number}.");
        return (hot, $"Two cones over {(glaze is null ? "a usual low-fire glaze" : glaze.Name)}: gas is gone before the glaze is there to trap it.");
    }

    private static Result<(Cone?, string?)> Glaze(WareLoad load, PlanWish wish)
    {
        if (load.Clashes is [var clash, ..]) return new Problem("lots", clash.Format());
        if (wish.Goal is { } goal)
        {
            return load.Outside(goal) is [var outside, ..]
                ? new Problem("goalCone", $"{outside.Name} is made for {outside.Range}; cone {goal.Number} is too {(outside.TooHot ? "hot" : "cool")} for it.")
                : ((Cone?)goal, (string?)"The cone you asked for.");
        }
        return load.CommonRange is { } common
            ? Within(common, wish.Preferences.Goal)
            : new Problem("goalCone", "Nothing in the load says which cone it wants. Give a goal cone.");
    }

    /// <summary>Lustre, decals and overglaze go by their own cones; the clay and the glaze under them have seen hotter.</summary>
    private static Result<(Cone?, string?)> Refiring(WareLoad load, PlanWish wish)
    {
        if (wish.Goal is { } goal) return ((Cone?)goal, (string?)"The cone you asked for.");
        ConeRange? common = null;
        foreach (var glaze in load.Glazes.Where(g => g.Range is not null))
        {
            common = common is { } before ? before.Overlap(glaze.Range!.Value) : glaze.Range;
            if (common is null) return new Problem("lots", $"{glaze.Name} and the others want different cones: they cannot share a firing.");
        }
        return common is { } range
            ? Within(range, wish.Preferences.Goal)
            : new Problem("goalCone", "Nothing in the load says which cone it wants. Give a goal cone: lustre and decals usually 022 to 017, overglaze to 014; the maker of the colour knows.");
    }

    private static Result<(Cone?, string?)> Within(ConeRange range, GoalOption way)
    {
        if (range.Coolest == range.Hottest) return (range.Coolest, "The one cone everything in it is made for.");
        return way == GoalOption.Coolest
            ? (range.Coolest, $"Everything in it stands {range}; the coolest saves power and spares the elements. Cold corners of the kiln may come out underfired.")
            : (Middle(range), $"Everything in it stands {range}; in the middle neither a cold nor a hot corner leaves that.");
    }

    /// <summary>The cone nearest half way in temperature; a half cone only where there is no whole one inside.</summary>
    private static Cone Middle(ConeRange range)
    {
        var half = (ConeTable.Of(range.Coolest).At60 + ConeTable.Of(range.Hottest).At60) / 2;
        var inside = Cone.All.Where(c => range.Contains(c) && c != range.Coolest && c != range.Hottest).ToList();
        var whole = inside.Where(c => !c.Number.EndsWith('½')).ToList();
        return (whole.Count > 0 ? whole : inside).DefaultIfEmpty(range.Coolest).MinBy(c => Math.Abs(ConeTable.Of(c).At60 - half));
    }

    private static Cone Parse(string number) => ConeNumber.Parse(number).Value;
}
