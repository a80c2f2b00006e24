using ZealousEmber.App.Schedules;
using ZealousEmber.Core;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.App.Planning;

/// <summary>The choices of a plan as words on the wire.</summary>
internal static class PlanningTerms
{
    public static readonly Vocabulary<DryingOption> Dryings = new(
        ("by-the-wall", DryingOption.ByTheWall), ("long-hold", DryingOption.LongHold), ("slow-climb", DryingOption.SlowClimb), ("fast-to-hold", DryingOption.FastToHold));

    public static readonly Vocabulary<ApproachOption> Approaches = new(("last-hundred", ApproachOption.LastHundred), ("one-rate", ApproachOption.OneRate));

    public static readonly Vocabulary<CoolingOption> Coolings = new(
        ("as-the-glazes-ask", CoolingOption.AsTheGlazesAsk), ("off", CoolingOption.Off), ("limited-drop", CoolingOption.LimitedDrop), ("drop-and-hold", CoolingOption.DropAndHold));

    public static readonly Vocabulary<HoldOption> Holds = new(
        ("as-the-glazes-ask", HoldOption.AsTheGlazesAsk), ("none", HoldOption.None), ("quarter-hour", HoldOption.QuarterHour), ("half-hour", HoldOption.HalfHour), ("lower-and-longer", HoldOption.LowerAndLonger));

    public static readonly Vocabulary<BisqueOption> Bisques = new(
        ("by-what-comes-next", BisqueOption.ByWhatComesNext), ("hotter-than-the-glaze", BisqueOption.HotterThanTheGlaze), ("always-open", BisqueOption.AlwaysOpen));

    /// <summary>The ways said, and the default where nothing is; a word nobody knows is a problem at its field.</summary>
    public static PlanningPreferences Read(IPlanningPreferences said, PlanningPreferences missing, List<Problem> problems) => new(
        Read(said.Drying, "drying", Dryings, "a way of drying", missing.Drying, problems),
        Read(said.Approach, "approach", Approaches, "a way to the top", missing.Approach, problems),
        Read(said.Cooling, "cooling", Coolings, "a way of cooling", missing.Cooling, problems),
        Read(said.Hold, "hold", Holds, "a way to hold", missing.Hold, problems),
        Read(said.Bisque, "bisque", Bisques, "a way to bisque", missing.Bisque, problems));

    /// <summary>The ways as words.</summary>
    public static PlanningPreferencesContract Write(PlanningPreferences ways) => new(Dryings.Format(ways.Drying), Bisques.Format(ways.Bisque), Approaches.Format(ways.Approach), Holds.Format(ways.Hold), Coolings.Format(ways.Cooling));

    /// <summary>The word a school is chosen by.</summary>
    public static string Format(PlanningOption school) => school.Choice switch
    {
        "drying" => Dryings.Format(Enum.Parse<DryingOption>(school.Way)),
        "bisque" => Bisques.Format(Enum.Parse<BisqueOption>(school.Way)),
        "approach" => Approaches.Format(Enum.Parse<ApproachOption>(school.Way)),
        "hold" => Holds.Format(Enum.Parse<HoldOption>(school.Way)),
        _ => Coolings.Format(Enum.Parse<CoolingOption>(school.Way)),
    };

    private static T Read<T>(string? word, string field, Vocabulary<T> words, string what, T missing, List<Problem> problems)
        where T : struct, Enum
    {
        if (word is null) return missing;
        if (words.Read(word) is { } known) return known;
        problems.Add(new Problem(field, words.Refuse(word, what)));
        return missing;
    }
}
