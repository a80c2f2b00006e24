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
        _ => Glaze(load, wish.Goal),
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

    private static Result<(Cone?, string?)> Glaze(WareLoad load, Cone? given)
    {
        if (load.Clashes is [var clash, ..]) return new Problem("lots", clash.Format());
        if (given is { } goal)
        {
            return load.Outside(goal) is [var outside, ..]
                ? new Problem("goalCone", $"{outside.Name} is made for {outside.Range}; cone {goal.Number} is too {(outside.TooHot ? "hot" : "cool")} for it.")
                : ((Cone?)goal, (string?)"The cone you asked for.");
        }
        return load.CommonRange is { } common
            ? (common.Coolest, common.Coolest == common.Hottest ? $"The one cone everything in it is made for." : $"Everything in it stands {common}; the coolest spares the elements and the power.")
            : new Problem("goalCone", "Nothing in the load says which cone it wants. Give a goal cone.");
    }

    private static Cone Parse(string number) => ConeNumber.Parse(number).Value;
}
