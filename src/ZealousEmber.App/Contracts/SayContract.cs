using NodaTime;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Saying;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Contracts;

/// <summary>A firing as somebody says it.</summary>
/// <param name="Text">Up to 4000 characters.</param>
/// <param name="Now">The moment it is said, with its offset.</param>
/// <param name="Unit">Of bare temperatures; the studio’s when missing.</param>
public sealed record SayRequest(string? Text, OffsetDateTime? Now, TemperatureUnit? Unit = null);

/// <summary>What a sentence says. Every letter and digit of it lies in exactly one of read, asked and unread.</summary>
public sealed record SayResponse(
    SaidFiringContract Firing,
    IReadOnlyList<ReadWordsContract> Read,
    IReadOnlyList<UnreadWordsContract> Unread,
    IReadOnlyList<AskedWordsContract> Asked
);

/// <summary>The firing as it was said; what nobody said, or what is asked, is null.</summary>
/// <param name="Name">Nothing yet: a sentence gives a firing no name.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="KilnId">A kiln of the studio.</param>
/// <param name="GoalCone">Its cone.</param>
/// <param name="StartsAt">When it is switched on.</param>
/// <param name="ReadyBy">When it is to be cool enough to open.</param>
/// <param name="Lots">As in a firing; a dryness that is asked holds what is proposed.</param>
/// <param name="Wishes">How it is wanted.</param>
public sealed record SaidFiringContract(
    string? Name,
    ScheduleKind? Kind,
    int? KilnId,
    string? GoalCone,
    OffsetDateTime? StartsAt,
    OffsetDateTime? ReadyBy,
    IReadOnlyList<LotContract> Lots,
    SaidWishesContract Wishes
);

/// <summary>A firing that was said, to be written down.</summary>
public sealed record SaidFiringRequest(SaidFiringContract? Firing);

/// <summary>The firing as it is added: with its name, the studio’s defaults, and the sizes its ware had last.</summary>
/// <param name="Firing">As POST /api/firings takes it.</param>
/// <param name="OpenBy">When it is to be open.</param>
/// <param name="Cheap">In cheap hours.</param>
public sealed record WrittenFiring(FiringContract Firing, OffsetDateTime? OpenBy, bool Cheap);

/// <summary>What people differ on, as far as it was said.</summary>
/// <param name="Pace">slow or fast.</param>
/// <param name="Cheap">True to start in cheap hours.</param>
public sealed record SaidWishesContract(
    DryingOption? Drying = null,
    ApproachOption? Approach = null,
    CoolingOption? Cooling = null,
    HoldOption? Hold = null,
    GoalOption? Goal = null,
    double? DropBy = null,
    double? HoldMinutes = null,
    AirOption? Air = null,
    bool? Packed = null,
    bool? WitnessPack = null,
    SaidPace? Pace = null,
    bool? Cheap = null
);

/// <summary>Words that were understood.</summary>
/// <param name="From">First UTF-16 unit.</param>
/// <param name="To">Behind the last.</param>
/// <param name="As">Which field they fill; words where they only join others.</param>
/// <param name="Text">What was understood.</param>
public sealed record ReadWordsContract(int From, int To, string As, string Text);

/// <summary>Words that were not.</summary>
public sealed record UnreadWordsContract(int From, int To);

/// <summary>A question beside its words; an empty range behind them where something is missing.</summary>
/// <param name="About">
/// kind, cone, kiln, start, ready, count, what, wall, size, dryness, clay, glaze, whose, weight, pace, hold, drying, cooling, air or number.
/// </param>
/// <param name="Text">The question.</param>
/// <param name="Choices">Its answers.</param>
public sealed record AskedWordsContract(int From, int To, string About, string Text, IReadOnlyList<SaidChoiceContract> Choices);

/// <summary>One answer.</summary>
/// <param name="Label">For people.</param>
/// <param name="Set">What it sets: pointers into the firing with their values; none leaves things as they are.</param>
public sealed record SaidChoiceContract(string Label, IReadOnlyDictionary<string, object?> Set);
