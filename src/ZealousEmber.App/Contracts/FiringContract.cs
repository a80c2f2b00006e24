using NodaTime;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>A firing from its first thought: what goes in, where, and what is wished for. Rows may be half written.</summary>
/// <param name="Lots">Clays and glazes by their numbers.</param>
/// <param name="ScheduleId">The schedule it is fired with, once there is one.</param>
/// <param name="ScheduleVersion">The version it is planned with; the newest when missing. Later changes of the schedule leave it as it is.</param>
/// <param name="KilnVersion">Version of the kiln whose numbers it was planned with; told, not taken.</param>
/// <param name="KilnAsPlanned">The kiln's numbers then; told, not taken.</param>
/// <param name="Packed">So tight that little air comes between the ware.</param>
/// <param name="WitnessPack">Witness cones stand in sight.</param>
/// <param name="StartsAt">When it is switched on, a moment with its offset.</param>
/// <param name="Accepted">Findings accepted for this firing.</param>
/// <param name="Packing">How somebody wants it packed.</param>
/// <param name="Air">body-then-light, body-then-neutral or oxidising: of a glaze firing in a fuel kiln.</param>
/// <param name="Anyway">“I know better”: planned as asked, as in a request for a plan.</param>
/// <param name="Pace">brisk, gently or fast: where nothing in the kiln asks for time.</param>
public sealed record FiringContract(
    string? Name,
    ScheduleKind? Kind,
    int? KilnId = null,
    string? GoalCone = null,
    TemperatureUnit? Unit = null,
    IReadOnlyList<LotContract?>? Lots = null,
    DryingOption? Drying = null,
    ApproachOption? Approach = null,
    CoolingOption? Cooling = null,
    HoldOption? Hold = null,
    BisqueOption? Bisque = null,
    GoalOption? Goal = null,
    double? DropBy = null,
    double? HoldMinutes = null,
    int? ScheduleId = null,
    bool? Packed = null,
    bool? WitnessPack = null,
    OffsetDateTime? StartsAt = null,
    IReadOnlyList<AcceptanceContract?>? Accepted = null,
    int? ScheduleVersion = null,
    int? KilnVersion = null,
    KilnContract? KilnAsPlanned = null,
    FiringPackingContract? Packing = null,
    AirOption? Air = null,
    bool? Anyway = null,
    PaceOption? Pace = null
) : IPlanningPreferences;

/// <summary>A finding somebody accepts for one firing.</summary>
/// <param name="Id">Which finding.</param>
/// <param name="Severity">How grave it was; should it grow graver it is no longer covered.</param>
/// <param name="Note">Why.</param>
/// <param name="At">When; now when missing.</param>
/// <param name="By">Who; as the request says when missing.</param>
public sealed record AcceptanceContract(string? Id, Severity? Severity, string? Note, DateTimeOffset? At = null, string? By = null);

/// <summary>A stored firing.</summary>
public sealed record VersionedFiringContract(int Id, int Version, DateTimeOffset UpdatedAt, FiringContract Firing);
