using System.Collections.Immutable;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers;

/// <summary>What a controller is told of a step.</summary>
public enum StepForm
{
    /// <summary>Degrees an hour, or a minute.</summary>
    Rate,

    /// <summary>How long it takes to its target; a hold is a step to the same target.</summary>
    Time,

    /// <summary>A cone and a speed: the rest is built in.</summary>
    Cone,

    /// <summary>Nothing: switches are turned by the clock.</summary>
    Dials,
}

/// <summary>How a controller knows how many steps there are.</summary>
public enum Counting
{
    /// <summary>It asks.</summary>
    Asked,

    /// <summary>A word ends them.</summary>
    Ended,

    /// <summary>Always as many; those left over are passed by.</summary>
    Fixed,
}

/// <summary>Where a controller holds.</summary>
public enum HoldRule
{
    /// <summary>After every ramp.</summary>
    Every,

    /// <summary>At the top only.</summary>
    Top,
}

/// <summary>What a controller does of cooling.</summary>
public enum CoolingRule
{
    /// <summary>Steps like any others.</summary>
    Steps,

    /// <summary>One rate down to a temperature.</summary>
    One,

    /// <summary>Nothing: it ends at the top.</summary>
    None,
}

/// <summary>What is done by hand before it goes.</summary>
public enum HandAction
{
    /// <summary>The lid is closed.</summary>
    Lid,

    /// <summary>What is to be fired is in.</summary>
    Charge,

    /// <summary>The timer is set.</summary>
    Timer,
}

/// <summary>A step of a built-in program.</summary>
/// <param name="Rate">Degrees of the profile's unit an hour.</param>
/// <param name="Target">Degrees; 0 and less counts from the top.</param>
public readonly record struct PresetStep(double Rate, double Target);

/// <summary>Built-in programs that are known by a cone.</summary>
/// <param name="Lowered">The top comes down as the hold grows, so that the cone is just reached; else it is the cone's end point at the last rate.</param>
/// <param name="DryAt">Where it dries, degrees; nothing where it does not.</param>
/// <param name="Speeds">Steps by word; none where hours are asked.</param>
/// <param name="Last">The last so many degrees at so much an hour, one rate before; nothing where speeds are asked.</param>
/// <param name="Cools">Cooling steps by word.</param>
public sealed record Presets(
    bool Lowered,
    double? DryAt,
    ImmutableArray<(string Word, ImmutableArray<PresetStep> Steps)> Speeds,
    (double Rate, double Degrees)? Last,
    ImmutableArray<(string Word, ImmutableArray<PresetStep> Steps)> Cools
);

/// <summary>A kiln with switches.</summary>
/// <param name="Sections">Each with its share of the power, 0 to 1.</param>
/// <param name="Positions">Each with its power, 0 to 1, the lowest first.</param>
/// <param name="Apart">Minutes between two turns at least.</param>
/// <param name="Cutoff">Cones a sensing cone may be; none where there is no cut-off.</param>
/// <param name="Timer">The longest, the step and what is left over when it should be off, minutes; nothing where there is none.</param>
public sealed record Dials(
    ImmutableArray<(string Name, double Share)> Sections,
    ImmutableArray<(string Word, double Power)> Positions,
    double Apart,
    ImmutableArray<string> Cutoff,
    (double Most, double Step, double Spare)? Timer
);

/// <summary>
/// One way of entering schedules, as data: what is asked in which order, how it is typed, and what can be said at all. Made by
/// <see cref="ProfileReader"/>, which refuses what contradicts itself. Source: the project's paper on controllers.
/// </summary>
/// <param name="Name">For people.</param>
/// <param name="Unit">Of its degrees.</param>
/// <param name="Give">What it is told of a step.</param>
/// <param name="PerMinute">Rates are degrees a minute, else an hour.</param>
/// <param name="Count">How it knows how many steps there are.</param>
/// <param name="Most">Steps, 1 to 64.</param>
/// <param name="Hold">Where it holds.</param>
/// <param name="Cooling">What it does of cooling.</param>
/// <param name="CoolTo">Where its one cooling ends, degrees.</param>
/// <param name="FullDownIsOff">Full power downwards is power off.</param>
/// <param name="Slots">Names of its programs; none where it keeps one.</param>
/// <param name="AlarmAbove">Degrees over the top its alarm is set; nothing where it is set off.</param>
/// <param name="ClockRuns">Steps go on by the clock, late or not; else the clock waits for the target.</param>
/// <param name="Confirms">What is typed on a pad is asked twice.</param>
/// <param name="Hands">Done by hand first.</param>
/// <param name="Ask">Its questions, in order.</param>
/// <param name="Presets">Built-in programs, where it gives cones.</param>
/// <param name="Dials">Switches, where it has those.</param>
public sealed record ControllerProfile(
    string Name,
    TemperatureUnit Unit,
    StepForm Give,
    bool PerMinute,
    Counting Count,
    int Most,
    HoldRule Hold,
    CoolingRule Cooling,
    double? CoolTo,
    bool FullDownIsOff,
    ImmutableArray<string> Slots,
    double? AlarmAbove,
    bool ClockRuns,
    bool Confirms,
    ImmutableArray<HandAction> Hands,
    ImmutableArray<Question> Ask,
    Presets? Presets,
    Dials? Dials
)
{
    /// <summary>Most steps of any controller.</summary>
    public const int MostSteps = 64;

    /// <summary>The same with so many steps.</summary>
    internal ControllerProfile WithMost(int most) =>
        this with
        {
            Most = most,
            Ask = [.. Ask.Select(q => q.Id == "count" ? q with { Max = most, Places = Math.Max(2, q.Places) } : q)],
        };

    /// <summary>A question by its name; nothing where it is not asked.</summary>
    public Question? Find(string id) => Ask.FirstOrDefault(q => q.Id == id);
}
