using ZealousEmber.App.Schedules;
using ZealousEmber.Core;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.App.Planning;

/// <summary>The choices of a plan as words on the wire.</summary>
internal static class PlanWords
{
    public static readonly Vocabulary<DryingWay> Dryings = new(
        ("by-the-wall", DryingWay.ByTheWall), ("long-hold", DryingWay.LongHold), ("slow-climb", DryingWay.SlowClimb), ("fast-to-hold", DryingWay.FastToHold));

    public static readonly Vocabulary<ApproachWay> Approaches = new(("last-hundred", ApproachWay.LastHundred), ("one-rate", ApproachWay.OneRate));

    public static readonly Vocabulary<CoolingWay> Coolings = new(
        ("as-the-glazes-ask", CoolingWay.AsTheGlazesAsk), ("off", CoolingWay.Off), ("limited-drop", CoolingWay.LimitedDrop), ("drop-and-hold", CoolingWay.DropAndHold));

    public static readonly Vocabulary<HoldWay> Holds = new(
        ("as-the-glazes-ask", HoldWay.AsTheGlazesAsk), ("none", HoldWay.None), ("quarter-hour", HoldWay.QuarterHour), ("half-hour", HoldWay.HalfHour), ("lower-and-longer", HoldWay.LowerAndLonger));

    public static readonly Vocabulary<BisqueWay> Bisques = new(
        ("by-what-comes-next", BisqueWay.ByWhatComesNext), ("hotter-than-the-glaze", BisqueWay.HotterThanTheGlaze), ("always-open", BisqueWay.AlwaysOpen));

    /// <summary>The ways said, and the default where nothing is; a word nobody knows is a problem at its field.</summary>
    public static PlanWays Read(IWaysSaid said, PlanWays missing, List<Problem> problems) => new(
        Read(said.Drying, "drying", Dryings, "a way of drying", missing.Drying, problems),
        Read(said.Approach, "approach", Approaches, "a way to the top", missing.Approach, problems),
        Read(said.Cooling, "cooling", Coolings, "a way of cooling", missing.Cooling, problems),
        Read(said.Hold, "hold", Holds, "a way to hold", missing.Hold, problems),
        Read(said.Bisque, "bisque", Bisques, "a way to bisque", missing.Bisque, problems));

    /// <summary>The ways as words.</summary>
    public static WaysContract Write(PlanWays ways) => new(Dryings.Say(ways.Drying), Bisques.Say(ways.Bisque), Approaches.Say(ways.Approach), Holds.Say(ways.Hold), Coolings.Say(ways.Cooling));

    /// <summary>The word a school is chosen by.</summary>
    public static string Say(School school) => school.Choice switch
    {
        "drying" => Dryings.Say(Enum.Parse<DryingWay>(school.Way)),
        "bisque" => Bisques.Say(Enum.Parse<BisqueWay>(school.Way)),
        "approach" => Approaches.Say(Enum.Parse<ApproachWay>(school.Way)),
        "hold" => Holds.Say(Enum.Parse<HoldWay>(school.Way)),
        _ => Coolings.Say(Enum.Parse<CoolingWay>(school.Way)),
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
