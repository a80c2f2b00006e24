using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying;

/// <summary>How fast somebody wants it.</summary>
public enum SaidPace
{
    /// <summary>Slower than it has to be.</summary>
    Slow,

    /// <summary>As fast as the ware stands.</summary>
    Fast,
}

/// <summary>A lot as somebody said it; what nobody said is nothing.</summary>
public sealed record SaidLot
{
    /// <summary>Mugs, lidded jars.</summary>
    public string? What { get; init; }

    /// <summary>How many.</summary>
    public int? Count { get; init; }

    /// <summary>Thickest wall, mm.</summary>
    public double? Wall { get; init; }

    /// <summary>How dry; where it is asked, what is proposed.</summary>
    public Dryness? Dryness { get; init; }

    /// <summary>A clay of the studio.</summary>
    public int? ClayId { get; init; }

    /// <summary>Glazes of the studio.</summary>
    public ImmutableArray<int> GlazeIds { get; init; } = [];

    /// <summary>Whose.</summary>
    public string? Whose { get; init; }

    /// <summary>After a bisque.</summary>
    public NextStep? Next { get; init; }

    /// <summary>A piece, kg.</summary>
    public double? PieceMass { get; init; }

    /// <summary>How a number was typed, by field, where it was not in mm or kg.</summary>
    public ImmutableSortedDictionary<string, string> Typed { get; init; } = ImmutableSortedDictionary<string, string>.Empty;

    /// <summary>Closed, with no hole for steam.</summary>
    public bool ClosedHollow { get; init; }

    /// <summary>Solid.</summary>
    public bool OneSided { get; init; }

    /// <summary>Fired before with glaze on it.</summary>
    public bool GlazedAlready { get; init; }

    /// <summary>Goes in before the others.</summary>
    public bool Must { get; init; }

    /// <summary>From above; nothing where it is as round as pots are.</summary>
    public PieceShape? Shape { get; init; }

    /// <summary>The body, or one side, mm.</summary>
    public double? Across { get; init; }

    /// <summary>A rectangle’s other side, mm.</summary>
    public double? Deep { get; init; }

    /// <summary>As it stands, mm.</summary>
    public double? Height { get; init; }

    /// <summary>How far a handle sticks out, mm.</summary>
    public double? Handle { get; init; }

    /// <summary>How it is stacked raw.</summary>
    public Stacking? Stacking { get; init; }
}

/// <summary>What people differ on, as far as somebody said.</summary>
public sealed record SaidWishes
{
    /// <summary>How raw ware is dried.</summary>
    public DryingOption? Drying { get; init; }

    /// <summary>How the top is come to.</summary>
    public ApproachOption? Approach { get; init; }

    /// <summary>How it cools.</summary>
    public CoolingOption? Cooling { get; init; }

    /// <summary>How long it stays at its top, where no minutes were said.</summary>
    public HoldOption? Hold { get; init; }

    /// <summary>Which of the cones all of it stands.</summary>
    public GoalOption? Goal { get; init; }

    /// <summary>Of a drop and hold, K below the top.</summary>
    public double? DropBy { get; init; }

    /// <summary>At the top, minutes.</summary>
    public double? HoldMinutes { get; init; }

    /// <summary>The air in a fuel kiln.</summary>
    public AirOption? Air { get; init; }

    /// <summary>Little air between the ware.</summary>
    public bool? Packed { get; init; }

    /// <summary>Witness cones in sight.</summary>
    public bool? WitnessPack { get; init; }

    /// <summary>Slow or fast.</summary>
    public SaidPace? Pace { get; init; }

    /// <summary>In cheap hours.</summary>
    public bool? Cheap { get; init; }
}

/// <summary>A firing as somebody said it; what nobody said, or what is asked, is nothing.</summary>
/// <param name="Kind">What it is for.</param>
/// <param name="KilnId">Where.</param>
/// <param name="Goal">The cone.</param>
/// <param name="StartsAt">When it is switched on.</param>
/// <param name="ReadyBy">When it is to be cool enough to open.</param>
/// <param name="Lots">What goes in.</param>
/// <param name="Wishes">How.</param>
public sealed record SaidFiring(
    ScheduleKind? Kind,
    int? KilnId,
    Cone? Goal,
    OffsetDateTime? StartsAt,
    OffsetDateTime? ReadyBy,
    ImmutableArray<SaidLot> Lots,
    SaidWishes Wishes
);

/// <summary>Words that were understood.</summary>
/// <param name="From">First sign, UTF-16.</param>
/// <param name="To">Behind the last.</param>
/// <param name="As">Which field they fill, or “words” where they only join others.</param>
/// <param name="Text">What was understood.</param>
public sealed record ReadWords(int From, int To, string As, string Text);

/// <summary>Words that filled no field.</summary>
public sealed record UnreadWords(int From, int To);

/// <summary>What a choice sets.</summary>
/// <param name="Pointer">Into the firing: /lots/0/dryness.</param>
/// <param name="Value">A word of an enum, a number, a name, a moment, a list of numbers.</param>
public sealed record ChoiceSetting(string Pointer, object? Value);

/// <summary>One answer to a question.</summary>
/// <param name="Label">For people.</param>
/// <param name="Set">What follows; nothing for “leave it out”.</param>
public sealed record SaidChoice(string Label, ImmutableArray<ChoiceSetting> Set);

/// <summary>A question beside its words, or behind them with an empty range where something is missing.</summary>
/// <param name="From">First sign, UTF-16.</param>
/// <param name="To">Behind the last.</param>
/// <param name="About">What it is about, one of <see cref="Asks"/>.</param>
/// <param name="Text">The question.</param>
/// <param name="Choices">Two or three answers.</param>
public sealed record AskedWords(int From, int To, string About, string Text, ImmutableArray<SaidChoice> Choices);

/// <summary>A sentence, read. Each letter and digit lies in exactly one of the three lists.</summary>
/// <param name="Firing">What it says.</param>
/// <param name="Read">What was understood.</param>
/// <param name="Asked">What is asked.</param>
/// <param name="Unread">What was not understood.</param>
public sealed record Said(SaidFiring Firing, ImmutableArray<ReadWords> Read, ImmutableArray<AskedWords> Asked, ImmutableArray<UnreadWords> Unread);

/// <summary>What a question can be about.</summary>
public static class Asks
{
#pragma warning disable CS1591 // Each is its own word.
    public const string Kind = "kind";
    public const string Cone = "cone";
    public const string Kiln = "kiln";
    public const string Start = "start";
    public const string Ready = "ready";
    public const string Count = "count";
    public const string What = "what";
    public const string Wall = "wall";
    public const string Size = "size";
    public const string Dryness = "dryness";
    public const string Clay = "clay";
    public const string Glaze = "glaze";
    public const string Whose = "whose";
    public const string Weight = "weight";
    public const string Pace = "pace";
    public const string Hold = "hold";
    public const string Drying = "drying";
    public const string Cooling = "cooling";
    public const string Air = "air";
    public const string Number = "number";
#pragma warning restore CS1591
}
