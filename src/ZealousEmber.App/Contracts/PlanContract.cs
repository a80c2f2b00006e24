using NodaTime;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>Planning preferences; a missing one is the default's.</summary>
internal interface IPlanningPreferences
{
    DryingOption? Drying { get; }

    ApproachOption? Approach { get; }

    CoolingOption? Cooling { get; }

    HoldOption? Hold { get; }

    BisqueOption? Bisque { get; }

    GoalOption? Goal { get; }

    double? DropBy { get; }

    AirOption? Air { get; }

    PaceOption? Pace { get; }
}

/// <summary>The ways a studio plans by when nobody says otherwise.</summary>
/// <param name="Drying">by-the-wall, long-hold, slow-climb, fast-to-hold or candle.</param>
/// <param name="Bisque">by-what-comes-next, hotter-than-the-glaze or always-open.</param>
/// <param name="Approach">last-hundred or one-rate.</param>
/// <param name="Hold">as-the-glazes-ask, none, quarter-hour, half-hour or lower-and-longer.</param>
/// <param name="Cooling">as-the-glazes-ask, off, limited-drop or drop-and-hold.</param>
/// <param name="Goal">middle or coolest.</param>
/// <param name="DropBy">How far below the top drop-and-hold goes, 40 to 60 °C whatever the scale.</param>
/// <param name="Air">body-then-light, body-then-neutral or oxidising: of a glaze firing in a fuel kiln.</param>
/// <param name="Pace">brisk, gently or fast: where nothing in the kiln asks for time.</param>
public sealed record PlanningPreferencesContract(
    DryingOption? Drying = null,
    BisqueOption? Bisque = null,
    ApproachOption? Approach = null,
    HoldOption? Hold = null,
    CoolingOption? Cooling = null,
    GoalOption? Goal = null,
    double? DropBy = null,
    AirOption? Air = null,
    PaceOption? Pace = null
) : IPlanningPreferences;

/// <summary>The kept ways of a studio; version 0 until somebody has said them.</summary>
public sealed record VersionedPreferencesContract(int Version, PlanningPreferencesContract Ways);

/// <summary>A load and a wish; what people differ on may be said, else the studio's default holds.</summary>
/// <param name="Load">Its lots are needed.</param>
/// <param name="GoalCone">Found from the load when missing.</param>
/// <param name="Drying">by-the-wall, long-hold, slow-climb, fast-to-hold or candle.</param>
/// <param name="Approach">last-hundred or one-rate.</param>
/// <param name="Cooling">as-the-glazes-ask, off, limited-drop or drop-and-hold.</param>
/// <param name="Hold">as-the-glazes-ask, none, quarter-hour, half-hour or lower-and-longer.</param>
/// <param name="Bisque">by-what-comes-next, hotter-than-the-glaze or always-open.</param>
/// <param name="Goal">middle or coolest: which of the cones that all of it stands, where no goal cone is given.</param>
/// <param name="DropBy">How far below the top drop-and-hold goes, 40 to 60 °C whatever the scale; 50 when missing.</param>
/// <param name="HoldMinutes">At the top, to the minute; by <paramref name="Hold"/> when missing.</param>
/// <param name="MaxSteps">Most steps; as many as the kiln's controller takes when missing, 20 where none is named.</param>
/// <param name="Start">When it is switched on; the preview then has clock times and the real cost.</param>
/// <param name="Air">Of a fuel kiln: body-then-light, body-then-neutral or oxidising.</param>
/// <param name="TurnEveryMinutes">Of a fuel kiln: minutes between turns, 15 to 60; 30 when missing.</param>
/// <param name="Turns">Of a fuel kiln: turns that were made.</param>
/// <param name="Hours">How long turns are followed.</param>
/// <param name="Observations">Of a fuel kiln: what was seen of the firing.</param>
/// <param name="ReplanFromMinute">Of a fuel kiln: from when the proposed schedule is planned anew.</param>
/// <param name="Anyway">“I know better”: planned as asked where the goal looks like a slip, cones clash, or walls are thicker than a schedule saves.</param>
/// <param name="Pace">brisk, gently or fast: where nothing in the kiln asks for time.</param>
public sealed record PlanRequest(
    LoadContract? Load,
    ScheduleKind? Kind,
    string? GoalCone = null,
    DryingOption? Drying = null,
    ApproachOption? Approach = null,
    CoolingOption? Cooling = null,
    HoldOption? Hold = null,
    BisqueOption? Bisque = null,
    GoalOption? Goal = null,
    double? DropBy = null,
    double? HoldMinutes = null,
    int? MaxSteps = null,
    TemperatureUnit? Unit = null,
    string? Name = null,
    int? KilnId = null,
    KilnContract? Kiln = null,
    double? StartTemperature = null,
    OffsetDateTime? Start = null,
    AirOption? Air = null,
    int? TurnEveryMinutes = null,
    IReadOnlyList<TurnRequest?>? Turns = null,
    double? Hours = null,
    IReadOnlyList<ObservationRequest?>? Observations = null,
    double? ReplanFromMinute = null,
    bool? Anyway = null,
    PaceOption? Pace = null
) : IPlanningPreferences, IFuelOptions;

/// <summary>A proposed schedule with the reasons of its steps.</summary>
/// <param name="Steps">One for each segment.</param>
/// <param name="GoalWhy">Why this cone.</param>
/// <param name="Notes">About the load.</param>
/// <param name="Preview">All there is to know about it in its kiln, so that nobody has to ask again.</param>
/// <param name="Offers">Where the controller's few steps make it long: what else could be done.</param>
public sealed record PlanResponse(
    ScheduleContract Schedule,
    IReadOnlyList<PlanStepContract> Steps,
    string? GoalWhy,
    IReadOnlyList<PlanNoteContract> Notes,
    LoadSummary Load,
    PreviewResponse Preview,
    IReadOnlyList<PlanOfferContract> Offers
);

/// <summary>Something to do instead of a plan that few steps make long.</summary>
/// <param name="Id">one-long, dry-tonight or cool-by-itself.</param>
/// <param name="Hours">Power on, in all.</param>
/// <param name="Kwh">With a kiln only.</param>
/// <param name="Cost">With a price, by the usual tariff.</param>
public sealed record PlanOfferContract(string Id, string Text, double Hours, double? Kwh, double? Cost);

/// <summary>A way on where a plan is refused: what to ask instead.</summary>
/// <param name="Id">dry-first, without, cool-by-itself or anyway.</param>
/// <param name="Kind">The kind of firing to plan instead; nothing where it stays.</param>
/// <param name="Without">Indices of the lots to leave out.</param>
/// <param name="Anyway">Whether it is to be planned as it is.</param>
/// <param name="Cooling">How it is to cool instead; nothing where that stays.</param>
public sealed record WayOnContract(string Id, string Text, ScheduleKind? Kind, IReadOnlyList<int> Without, bool Anyway, CoolingOption? Cooling);

/// <summary>Why a step is there.</summary>
/// <param name="By">The limit that set it.</param>
/// <param name="LookMinute">Where somebody has to look for steam: when, since the start.</param>
/// <param name="Basis">How its number came about; nothing where it is a habit.</param>
/// <param name="Paces">On its way, what is asked and what the kiln can; empty where no limit was weighed.</param>
public sealed record PlanStepContract(string Why, string By, double? LookMinute, BasisContract? Basis, IReadOnlyList<PaceLimitsContract> Paces);

/// <summary>What was weighed against each other on a part of the way, in the plan's unit.</summary>
/// <param name="From">Where it begins, degrees.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Ware">The fastest that ware, glazes and habit ask for, degrees an hour; nothing where none does.</param>
/// <param name="Kiln">What the kiln makes at full power up, or by itself down; nothing where nobody knows.</param>
public sealed record PaceLimitsContract(double From, double To, double? Ware, double? Kiln);

/// <summary>Something to know about the load.</summary>
public sealed record PlanNoteContract(string Id, string Text);

/// <summary>What follows from the lots.</summary>
/// <param name="Fill">Share of the ware usual for this firing in this kiln; nothing without a kiln.</param>
/// <param name="Notes">What to know about it before anything is planned.</param>
/// <param name="Pack">The witness cones to set up: guide, target, guard; empty while no cone is known.</param>
/// <param name="Weighing">What weighing a piece of each lot would do; nothing where one of each was weighed.</param>
/// <param name="Unweighed">Which ware has neither a weight nor a size, and what is taken for it; nothing where all is known.</param>
public sealed record LoadSummary(
    int Lots,
    int Pieces,
    double WareKg,
    string Thickest,
    string Wettest,
    string SlowestToDry,
    IReadOnlyList<string> Clashes,
    double? Fill,
    IReadOnlyList<PlanNoteContract> Notes,
    IReadOnlyList<string> Pack,
    string? Unweighed = null,
    string? Weighing = null
);

/// <summary>A load to be added up.</summary>
public sealed record LoadRequest(LoadContract? Load, ScheduleKind? Kind, string? GoalCone = null, int? KilnId = null, KilnContract? Kiln = null);

/// <summary>One way people do a thing.</summary>
/// <param name="Choice">drying, bisque, goal, approach, hold, cooling or air.</param>
/// <param name="Way">The word for it in a request.</param>
/// <param name="StudioDefault">It is the studio's own default.</param>
public sealed record PlanningOptionContract(string Choice, string Way, string Name, string Why, bool StudioDefault);

/// <summary>A question about a plan: what if the load or the wish were a little otherwise?</summary>
/// <param name="Plan">As it is.</param>
/// <param name="ThickerMm">Every wall that much thicker; less than nothing for thinner.</param>
/// <param name="Wetter">Every lot that many steps wetter: bone-dry, cool-to-touch, damp, leather-hard.</param>
/// <param name="CoolerCones">The goal that many cones cooler; less than nothing for hotter.</param>
/// <param name="LaterHours">Switched on that much later than <paramref name="Start"/>.</param>
/// <param name="Start">When it is to be switched on, a moment with its offset.</param>
public sealed record WhatIfRequest(
    PlanRequest? Plan,
    double? ThickerMm = null,
    int? Wetter = null,
    int? CoolerCones = null,
    double? LaterHours = null,
    OffsetDateTime? Start = null
);

/// <summary>The plan as it would be then, and how it differs.</summary>
/// <param name="LongerMinutes">Power on for so much longer; less than nothing when shorter.</param>
/// <param name="Hotter">The top, above the one before, in the plan's unit.</param>
/// <param name="MoreKwh">With a kiln only.</param>
/// <param name="MoreCost">With a start, a kiln and a price.</param>
/// <param name="Says">A sentence for each thing that changes, the greatest first; empty when nothing does.</param>
/// <param name="Curve">The whole firing, to draw beside the other.</param>
/// <param name="TopAt">With a start: when the top is reached.</param>
/// <param name="OpensAt">With a start: when it may be opened.</param>
public sealed record WhatIfResponse(
    PlanResponse Plan,
    double LongerMinutes,
    double Hotter,
    double? MoreKwh,
    double? MoreCost,
    string Currency,
    IReadOnlyList<string> Says,
    IReadOnlyList<CurvePointContract> Curve,
    DateTimeOffset? TopAt,
    DateTimeOffset? OpensAt
);
