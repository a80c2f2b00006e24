using ZealousEmber.App.Contracts;
using ZealousEmber.App.Wire;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.App.Mapping;

/// <summary>Planning preferences on the wire and back.</summary>
internal static class PlanningTerms
{
    /// <summary>The preferences named, and the default where none is.</summary>
    public static PlanningPreferences Read(IPlanningPreferences named, PlanningPreferences missing) =>
        new(
            named.Drying ?? missing.Drying,
            named.Approach ?? missing.Approach,
            named.Cooling ?? missing.Cooling,
            named.Hold ?? missing.Hold,
            named.Bisque ?? missing.Bisque,
            named.Goal ?? missing.Goal,
            named.DropBy ?? missing.DropBy,
            named.Air ?? missing.Air,
            named.Pace ?? missing.Pace
        );

    public static PlanningPreferencesContract Write(PlanningPreferences p) =>
        new(p.Drying, p.Bisque, p.Approach, p.Hold, p.Cooling, p.Goal, p.DropBy, p.Air, p.Pace);

    /// <summary>The word an option is chosen by.</summary>
    public static string Word(PlanningOption option) =>
        option.Choice switch
        {
            "drying" => Word(Enum.Parse<DryingOption>(option.Way)),
            "bisque" => Word(Enum.Parse<BisqueOption>(option.Way)),
            "goal" => Word(Enum.Parse<GoalOption>(option.Way)),
            "approach" => Word(Enum.Parse<ApproachOption>(option.Way)),
            "hold" => Word(Enum.Parse<HoldOption>(option.Way)),
            "pace" => Word(Enum.Parse<PaceOption>(option.Way)),
            "air" => Word(Enum.Parse<AirOption>(option.Way)),
            _ => Word(Enum.Parse<CoolingOption>(option.Way)),
        };

    private static string Word<T>(T value)
        where T : struct, Enum => WireEnums.Word(value);
}
