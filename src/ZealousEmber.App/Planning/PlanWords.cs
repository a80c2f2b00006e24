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

    public static DryingWay Drying(string? word, List<Problem> problems) => Read(word, "drying", Dryings, "a way of drying", problems);

    public static ApproachWay Approach(string? word, List<Problem> problems) => Read(word, "approach", Approaches, "a way to the top", problems);

    public static CoolingWay Cooling(string? word, List<Problem> problems) => Read(word, "cooling", Coolings, "a way of cooling", problems);

    /// <summary>The word a school is chosen by.</summary>
    public static string Say(School school) => school.Choice switch
    {
        "drying" => Dryings.Say(Enum.Parse<DryingWay>(school.Way)),
        "approach" => Approaches.Say(Enum.Parse<ApproachWay>(school.Way)),
        _ => Coolings.Say(Enum.Parse<CoolingWay>(school.Way)),
    };

    private static T Read<T>(string? word, string field, Vocabulary<T> words, string what, List<Problem> problems)
        where T : struct, Enum
    {
        if (word is null) return default;
        if (words.Read(word) is { } known) return known;
        problems.Add(new Problem(field, words.Refuse(word, what)));
        return default;
    }
}
