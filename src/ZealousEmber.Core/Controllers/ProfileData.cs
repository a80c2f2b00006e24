using System.Text.Json;

namespace ZealousEmber.Core.Controllers;

/// <summary>A profile as it is written in a file; nothing in it is checked yet. Degrees in its own unit.</summary>
/// <param name="Name">For people.</param>
/// <param name="Unit">C or F.</param>
/// <param name="Give">rate, time, cone or dials.</param>
/// <param name="Per">hour or minute; hour when missing.</param>
/// <param name="Count">asked, ended or fixed.</param>
/// <param name="Most">Steps, 1 to 64.</param>
/// <param name="Hold">every or top.</param>
/// <param name="Cooling">steps, one or none.</param>
/// <param name="CoolTo">Where its one cooling ends.</param>
/// <param name="FullDown">off: full power downwards is power off.</param>
/// <param name="Slots">Names of its programs.</param>
/// <param name="AlarmAbove">Degrees over the top.</param>
/// <param name="Clock">waits or runs.</param>
/// <param name="Confirm">What is typed on a pad is asked twice.</param>
/// <param name="Hands">lid, charge, timer.</param>
/// <param name="Ask">Its questions, in order.</param>
/// <param name="Top">fixed or lowered.</param>
/// <param name="DryAt">Where it dries.</param>
/// <param name="Speeds">By word: pairs of rate and target; 0 and less counts from the top.</param>
/// <param name="Hours">Where hours are asked instead of speeds.</param>
/// <param name="Cools">By word: pairs of rate and target.</param>
/// <param name="Apart">Minutes between two turns of a switch.</param>
/// <param name="Sections">Of the kiln, each with its share.</param>
/// <param name="Positions">Of its switches, each with its power.</param>
/// <param name="Cutoff">A sensing cone that switches off.</param>
/// <param name="Timer">That switches off.</param>
public sealed record ProfileData(
    string? Name,
    string? Unit,
    string? Give,
    string? Per = null,
    string? Count = null,
    int? Most = null,
    string? Hold = null,
    string? Cooling = null,
    double? CoolTo = null,
    string? FullDown = null,
    IReadOnlyList<string?>? Slots = null,
    double? AlarmAbove = null,
    string? Clock = null,
    bool? Confirm = null,
    IReadOnlyList<string?>? Hands = null,
    IReadOnlyList<QuestionData?>? Ask = null,
    string? Top = null,
    double? DryAt = null,
    IReadOnlyDictionary<string, IReadOnlyList<IReadOnlyList<double>?>?>? Speeds = null,
    HoursData? Hours = null,
    IReadOnlyDictionary<string, IReadOnlyList<IReadOnlyList<double>?>?>? Cools = null,
    double? Apart = null,
    IReadOnlyList<SectionData?>? Sections = null,
    IReadOnlyList<PositionData?>? Positions = null,
    CutoffData? Cutoff = null,
    TimerData? Timer = null
);

/// <summary>A question as it is written in a file.</summary>
/// <param name="Id">slot, count, rate, time, target, hold, cone, speed, hours, dry, cool, alarm or delay.</param>
/// <param name="Label">What the display says; # stands for the step.</param>
/// <param name="Entry">digits, pad, arrows, buttons, list or dial.</param>
/// <param name="Format">whole, tenths, H.MM, HH:MM, min, h.t, cone or word.</param>
/// <param name="Min">A number; of a cone its name.</param>
/// <param name="Max">A number; of a cone its name.</param>
/// <param name="Step">Between two numbers; 1 when missing.</param>
/// <param name="Words">Words in a number's place, by meaning: full, skip, end, none.</param>
/// <param name="Choices">Where it is no number.</param>
/// <param name="Places">Digits that can be typed; 4 when missing, on a pad 6.</param>
/// <param name="Unless">Not asked when this answer reads so.</param>
/// <param name="Shared">Not part of a slot's program.</param>
public sealed record QuestionData(
    string? Id,
    string? Label,
    string? Entry,
    string? Format,
    JsonElement? Min = null,
    JsonElement? Max = null,
    double? Step = null,
    IReadOnlyDictionary<string, string?>? Words = null,
    IReadOnlyList<string?>? Choices = null,
    int? Places = null,
    IReadOnlyDictionary<string, string?>? Unless = null,
    bool? Shared = null
);

/// <summary>One rate before, and another for the last degrees.</summary>
/// <param name="Last">The rate and how many degrees.</param>
public sealed record HoursData(IReadOnlyList<double>? Last);

/// <summary>A section of a kiln.</summary>
/// <param name="Name">For people.</param>
/// <param name="Share">Of the power, 0 to 1.</param>
public sealed record SectionData(string? Name, double? Share);

/// <summary>A position of a switch.</summary>
/// <param name="Word">On the switch.</param>
/// <param name="Power">0 to 1.</param>
public sealed record PositionData(string? Word, double? Power);

/// <summary>A sensing cone that switches off.</summary>
/// <param name="Cones">That fit in it.</param>
public sealed record CutoffData(IReadOnlyList<string?>? Cones);

/// <summary>A timer that switches off, minutes.</summary>
/// <param name="Most">The longest it can be set to.</param>
/// <param name="Step">Between its marks.</param>
/// <param name="Spare">Left over when the firing should be off.</param>
public sealed record TimerData(double? Most, double? Step, double? Spare);
