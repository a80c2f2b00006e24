using System.Collections.Immutable;

namespace ZealousEmber.Core.Planning;

/// <summary>How raw ware is dried in the kiln.</summary>
public enum DryingOption
{
    /// <summary>A hold below boiling as long as this ware needs; of a long one the last third in blocks, with a look for steam after each.</summary>
    ByTheWall,

    /// <summary>A long hold below boiling, the same for everything: eight hours, or longer where this ware needs it.</summary>
    LongHold,

    /// <summary>One slow climb through boiling and no hold.</summary>
    SlowClimb,

    /// <summary>A fast climb to the hold, since nothing happens below it.</summary>
    FastToHold,

    /// <summary>Candled: low heat for the night, then on as the wall needs.</summary>
    Candle,
}

/// <summary>How the top is come to.</summary>
public enum ApproachOption
{
    /// <summary>The last hundred degrees at 60 °C/h, so that the cone's number holds.</summary>
    LastHundred,

    /// <summary>One rate from the drying to the top.</summary>
    OneRate,
}

/// <summary>How the kiln cools.</summary>
public enum CoolingOption
{
    /// <summary>What the glazes ask for: their slow band, else off.</summary>
    AsTheGlazesAsk,

    /// <summary>Off, whatever is in it.</summary>
    Off,

    /// <summary>No faster than 100 °C/h down to 700 °C.</summary>
    LimitedDrop,

    /// <summary>A little down, half an hour there, then off.</summary>
    DropAndHold,
}

/// <summary>How long it stays at its top.</summary>
public enum HoldOption
{
    /// <summary>By what the glazes say of themselves; none for bisque.</summary>
    AsTheGlazesAsk,

    /// <summary>None: the cone comes down on the climb.</summary>
    None,

    /// <summary>A quarter of an hour.</summary>
    QuarterHour,

    /// <summary>Half an hour.</summary>
    HalfHour,

    /// <summary>An hour, at a top that much lower.</summary>
    LowerAndLonger,
}

/// <summary>How hot a bisque goes.</summary>
public enum BisqueOption
{
    /// <summary>By what comes next: open for dipping, tighter for brushing, its own cone when never glazed; earthenware hotter than its glaze.</summary>
    ByWhatComesNext,

    /// <summary>Two cones hotter than the glaze.</summary>
    HotterThanTheGlaze,

    /// <summary>Cone 06 whatever comes next.</summary>
    AlwaysOpen,
}

/// <summary>Which of the cones that everything in a glaze firing stands.</summary>
public enum GoalOption
{
    /// <summary>The one in the middle: cold and hot corners both stay within what the glazes are made for.</summary>
    Middle,

    /// <summary>The coolest: it saves power and elements, and cold corners may come out underfired.</summary>
    Coolest,
}

/// <summary>The air of a glaze firing in a fuel kiln; raw ware is always fired in oxidation.</summary>
public enum AirOption
{
    /// <summary>Body reduction from a guide cone, then light reduction; a last soak clears it. Glazes below cone 4 in oxidation.</summary>
    BodyThenLight,

    /// <summary>Body reduction, then neutral.</summary>
    BodyThenNeutral,

    /// <summary>Oxidation all the way.</summary>
    Oxidising,
}

/// <summary>How fast it climbs where neither ware nor glazes ask for time.</summary>
public enum PaceOption
{
    /// <summary>The usual habit.</summary>
    Brisk,

    /// <summary>Two thirds of it.</summary>
    Gently,

    /// <summary>Half as fast again: ware, glazes and the kiln are all that slows it down.</summary>
    Fast,
}

/// <summary>How somebody plans, where people differ; each its first way unless said.</summary>
/// <param name="Drying">How raw ware is dried.</param>
/// <param name="Approach">How the top is come to.</param>
/// <param name="Cooling">How it cools.</param>
/// <param name="Hold">How long it stays at its top.</param>
/// <param name="Bisque">How hot a bisque goes.</param>
/// <param name="Goal">Which of the cones that all of it stands.</param>
/// <param name="DropBy">How far below the solved top a drop and hold goes, 40 … 60 K.</param>
/// <param name="Air">The air of a glaze firing in a fuel kiln.</param>
/// <param name="Pace">How fast it climbs where nothing in the kiln asks for time.</param>
public sealed record PlanningPreferences(
    DryingOption Drying = DryingOption.ByTheWall,
    ApproachOption Approach = ApproachOption.LastHundred,
    CoolingOption Cooling = CoolingOption.AsTheGlazesAsk,
    HoldOption Hold = HoldOption.AsTheGlazesAsk,
    BisqueOption Bisque = BisqueOption.ByWhatComesNext,
    GoalOption Goal = GoalOption.Middle,
    double DropBy = 50,
    AirOption Air = AirOption.BodyThenLight,
    PaceOption Pace = PaceOption.Brisk
)
{
    /// <summary>The first of each.</summary>
    public static readonly PlanningPreferences Usual = new();

    /// <summary>The least and the most a drop and hold goes below the top, K.</summary>
    public static readonly (double Least, double Most) Drops = (40, 60);

    /// <summary>What cannot be, naming <c>dropBy</c>; nothing when all is well.</summary>
    public Problem? Check() =>
        DropBy >= Drops.Least && DropBy <= Drops.Most
            ? null
            : new Problem(
                "dropBy",
                $"A drop and hold goes {Phrases.Number(Drops.Least)} to {Phrases.Number(Drops.Most)} °C below the top; this says {Phrases.Number(DropBy)}."
            );
}

/// <summary>One way people do a thing, with the one line of why its followers would give.</summary>
/// <param name="Choice">What is chosen: drying, bisque, goal, pace, approach, hold, cooling, air.</param>
/// <param name="Way">Name of the way, as the enum has it.</param>
/// <param name="Name">For people.</param>
/// <param name="Why">One line.</param>
public sealed record PlanningOption(string Choice, string Way, string Name, string Why)
{
    /// <summary>True when somebody who plans by these ways follows this one.</summary>
    public bool IsOf(PlanningPreferences ways) =>
        Way
        == Choice switch
        {
            "drying" => ways.Drying.ToString(),
            "bisque" => ways.Bisque.ToString(),
            "approach" => ways.Approach.ToString(),
            "hold" => ways.Hold.ToString(),
            "goal" => ways.Goal.ToString(),
            "air" => ways.Air.ToString(),
            "pace" => ways.Pace.ToString(),
            _ => ways.Cooling.ToString(),
        };

    /// <summary>Every choice practitioners differ on, in the order they come up in a firing; our own default first in each.</summary>
    public static readonly ImmutableArray<PlanningOption> All =
    [
        new(
            "drying",
            nameof(DryingOption.ByTheWall),
            "as long as the wall needs",
            "Water has to come out of the middle of the wall, and thickness decides how long that takes."
        ),
        new(
            "drying",
            nameof(DryingOption.LongHold),
            "a long hold, always",
            "Nobody has to judge how dry the ware is; a night below boiling has never burst a pot."
        ),
        new("drying", nameof(DryingOption.SlowClimb), "a slow climb, no hold", "Thin ware dries on the way, and one step is simpler than two."),
        new("drying", nameof(DryingOption.FastToHold), "fast to the hold", "Nothing happens to bone dry ware below the hold, so time is not spent there."),
        new(
            "drying",
            nameof(DryingOption.Candle),
            "candled overnight",
            "Low heat for the night, lid propped as the maker allows: nobody has to wait up, and hardly damp ware is dry by morning."
        ),
        new(
            "bisque",
            nameof(BisqueOption.ByWhatComesNext),
            "by what comes next",
            "Dipping wants it open, brushing tighter, and what is never glazed wants the clay's own cone."
        ),
        new(
            "bisque",
            nameof(BisqueOption.HotterThanTheGlaze),
            "two cones over the glaze",
            "What gas there is leaves before the glaze is there to trap it: the low-fire way."
        ),
        new("bisque", nameof(BisqueOption.AlwaysOpen), "cone 06, always", "One porosity to learn; the glaze bucket can stay as it is."),
        new("goal", nameof(GoalOption.Middle), "the middle cone", "Cold and hot corners both stay within what the glazes are made for."),
        new("goal", nameof(GoalOption.Coolest), "the coolest cone", "It saves power and spares the elements; cold corners may come out underfired."),
        new(
            "pace",
            nameof(PaceOption.Brisk),
            "brisk",
            "Time goes where ware or glaze asks for it; the rest is climbed at a pace that uneven walls and loads have long stood."
        ),
        new(
            "pace",
            nameof(PaceOption.Gently),
            "gently",
            "Two thirds of the usual pace: kinder to uneven walls, shelves and tired elements, and some hours longer."
        ),
        new("pace", nameof(PaceOption.Fast), "fast", "Habit gives way: only what this ware, its glazes and the kiln stand slows it down."),
        new(
            "approach",
            nameof(ApproachOption.LastHundred),
            "the last hundred at 60 an hour",
            "Cone numbers are told at 60 °C an hour; at that pace the display and the cone agree."
        ),
        new(
            "approach",
            nameof(ApproachOption.OneRate),
            "one rate throughout",
            "One pace is easy to set and to repeat; heat work finds the top that goes with it."
        ),
        new(
            "hold",
            nameof(HoldOption.AsTheGlazesAsk),
            "as the glazes ask",
            "Five minutes where one runs or fades, twenty where one heals slowly, else ten; a bisque needs none."
        ),
        new("hold", nameof(HoldOption.None), "none", "The cone comes down on the climb; there is nothing to hold for."),
        new("hold", nameof(HoldOption.QuarterHour), "a quarter of an hour", "The kiln evens out from top to bottom before it turns."),
        new("hold", nameof(HoldOption.HalfHour), "half an hour", "Pinholes heal and glazes melt out; runny ones and delicate colours pay for it."),
        new(
            "hold",
            nameof(HoldOption.LowerAndLonger),
            "lower, for an hour",
            "A lower top held long does the same heat work, evens the kiln and spares the elements."
        ),
        new(
            "cooling",
            nameof(CoolingOption.AsTheGlazesAsk),
            "as the glazes ask",
            "Matte and crystal glazes grow their surface on the way down; others do not mind."
        ),
        new("cooling", nameof(CoolingOption.Off), "off", "Most ware and glazes are happy with a kiln that cools by itself."),
        new(
            "cooling",
            nameof(CoolingOption.LimitedDrop),
            "no faster than 100 an hour",
            "A thinly loaded kiln drops fast; large and flat ware is safer with a limit."
        ),
        new(
            "cooling",
            nameof(CoolingOption.DropAndHold),
            "drop a little and hold",
            "Just below the top a glaze is stiff enough not to run and soft enough to heal its pinholes."
        ),
        new(
            "air",
            nameof(AirOption.BodyThenLight),
            "body reduction, then light",
            "Iron in the clay is reduced before the glaze seals it, and glazes keep what they got; below cone 4 in oxidation."
        ),
        new(
            "air",
            nameof(AirOption.BodyThenNeutral),
            "body reduction, then neutral",
            "What counts is done by the time glazes seal; a neutral kiln climbs faster and wastes less gas."
        ),
        new("air", nameof(AirOption.Oxidising), "oxidation throughout", "Bright colours and no carbon monoxide: a gas kiln fired like an electric one."),
    ];
}
