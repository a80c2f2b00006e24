using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Firing;

/// <summary>The size of a piece as it is being written; mm. What is missing is usual for its shape.</summary>
/// <param name="Shape">From above.</param>
/// <param name="Across">The body, or one side.</param>
/// <param name="Deep">A rectangle's other side.</param>
/// <param name="Height">As it stands.</param>
/// <param name="Handle">How far it sticks out.</param>
/// <param name="Foot">What stands on the shelf, across.</param>
/// <param name="Stacking">How raw ware of this kind is stacked.</param>
/// <param name="Most">In a stack.</param>
/// <param name="Step">What each further piece adds.</param>
public sealed record PieceDraft(
    PieceShape Shape,
    double? Across,
    double? Deep,
    double? Height,
    double? Handle = null,
    double? Foot = null,
    Stacking Stacking = Stacking.None,
    int? Most = null,
    double? Step = null
)
{
    /// <summary>The piece, or what is missing or wrong.</summary>
    public Result<Piece> Read() => Packing.Piece.Create(Shape, Across, Deep, Height, Handle, Foot, Stacking, Most, Step);

    /// <summary>Numbers that can be kept, by field.</summary>
    internal IEnumerable<(string Field, double? Value)> Numbers =>
        [("across", Across), ("deep", Deep), ("height", Height), ("handle", Handle), ("foot", Foot), ("step", Step), ("most", Most)];
}

/// <summary>A row of the load as it is being written: any number may be missing, nothing that was typed is lost.</summary>
/// <param name="What">Plates, mugs, tiles.</param>
/// <param name="Count">How many.</param>
/// <param name="Wall">Thickest wall, mm.</param>
/// <param name="Width">Flat ware's width, mm.</param>
/// <param name="ClosedHollow">Closed, with no hole for steam.</param>
/// <param name="OneSided">Dries from one side.</param>
/// <param name="Dryness">When it goes in.</param>
/// <param name="ClayId">A clay of the studio.</param>
/// <param name="GlazeIds">Glazes of the studio.</param>
/// <param name="Whose">Whose it is.</param>
/// <param name="Next">After a bisque.</param>
/// <param name="PieceMass">kg.</param>
/// <param name="Typed">How a number was typed, by field, where it was not in mm or kg: <c>wall</c> as <c>3/8 in</c>.</param>
/// <param name="GlazedAlready">Fired before with glaze on it.</param>
/// <param name="Piece">Its size, as far as it is known.</param>
/// <param name="Must">Goes in before the others.</param>
public sealed record LotDraft(
    string? What,
    int? Count,
    double? Wall,
    double? Width,
    bool ClosedHollow,
    bool OneSided,
    Dryness Dryness,
    int? ClayId,
    ImmutableArray<int> GlazeIds,
    string? Whose,
    NextStep Next,
    double? PieceMass,
    ImmutableSortedDictionary<string, string> Typed,
    bool GlazedAlready = false,
    PieceDraft? Piece = null,
    bool Must = false
)
{
    /// <summary>Fields that may say how they were typed.</summary>
    public static readonly ImmutableArray<string> TypedFields = ["wall", "width", "pieceKg"];

    /// <summary>Longest text of a number, characters.</summary>
    public const int LongestTyped = 24;
}

/// <summary>The very schedule a firing is planned with: later changes of it do not change the firing.</summary>
/// <param name="Id">Which.</param>
/// <param name="Version">The version; nothing in firings from before versions were noted.</param>
public sealed record PinnedSchedule(int Id, int? Version);

/// <summary>A kiln as it was when a firing was planned in it.</summary>
/// <param name="Version">Of the kiln in the store then.</param>
/// <param name="Kiln">Its numbers then.</param>
public sealed record PinnedKiln(int Version, StudioKiln Kiln);

/// <summary>A firing from its first thought: what goes in, where, and what is wished for. Later stages add to it.</summary>
public sealed record FiringDraft
{
    private FiringDraft(string name) => Name = name;

    /// <summary>What people call it.</summary>
    public string Name { get; }

    /// <summary>What it is for.</summary>
    public ScheduleKind Kind { get; private init; }

    /// <summary>The kiln, once one is chosen.</summary>
    public int? KilnId { get; private init; }

    /// <summary>The cone wished for; found from the load when missing.</summary>
    public Cone? Goal { get; private init; }

    /// <summary>Scale of its numbers.</summary>
    public TemperatureUnit Unit { get; private init; }

    /// <summary>The load, row by row.</summary>
    public ImmutableArray<LotDraft> Lots { get; private init; }

    /// <summary>Packed so tight that little air comes between the ware.</summary>
    public bool Packed { get; private init; }

    /// <summary>Witness cones stand in sight.</summary>
    public bool WitnessPack { get; private init; }

    /// <summary>What people differ on.</summary>
    public PlanningPreferences Preferences { get; private init; } = PlanningPreferences.Usual;

    /// <summary>How it is to be packed, where somebody said; the packer is asked each time and says the same again.</summary>
    public PackingSettings? Packing { get; private init; }

    /// <summary>“I know better”: planned as asked, whatever the planner would rather have asked again.</summary>
    public bool Anyway { get; private init; }

    /// <summary>Hold at the top, minutes; by the load when missing.</summary>
    public double? HoldMinutes { get; private init; }

    /// <summary>The schedule it is fired with, once there is one.</summary>
    public PinnedSchedule? Schedule { get; private init; }

    /// <summary>The kiln as it was when it was planned.</summary>
    public PinnedKiln? Kiln { get; private init; }

    /// <summary>The same with what it is planned with.</summary>
    public FiringDraft Pinned(PinnedSchedule? schedule, PinnedKiln? kiln) => this with { Schedule = schedule, Kiln = kiln };

    /// <summary>When it is switched on, once that is decided.</summary>
    public OffsetDateTime? StartsAt { get; private init; }

    /// <summary>Findings accepted for this firing.</summary>
    public ImmutableArray<Acceptance> Accepted { get; private init; } = [];

    /// <summary>
    /// Builds one. Problems name <c>name</c>, <c>lots</c>, <c>lots[i].what</c>, <c>lots[i].whose</c>, <c>holdMinutes</c>, <c>dropBy</c>, <c>packing.keep</c>,
    /// <c>accepted[i].note</c>;
    /// whether the rows make a load is for the planner to say.
    /// </summary>
    public static Result<FiringDraft> Create(
        string? name,
        ScheduleKind kind,
        int? kilnId,
        Cone? goal,
        TemperatureUnit unit,
        IReadOnlyList<LotDraft> lots,
        PlanningPreferences? preferences = null,
        double? holdMinutes = null,
        PinnedSchedule? schedule = null,
        bool packed = false,
        bool witnessPack = false,
        OffsetDateTime? startsAt = null,
        IReadOnlyList<Acceptance>? accepted = null,
        PinnedKiln? kiln = null,
        PackingSettings? packing = null,
        bool anyway = false
    )
    {
        var problems = new List<Problem>();
        var called = Text.OneLine(name);
        if (called?.Length > ScheduleLimits.Name)
            problems.Add(new Problem("name", $"A name has at most {ScheduleLimits.Name} characters; this one has {called.Length}."));
        if (lots.Count > WareLot.MostLots)
            problems.Add(new Problem("lots", $"At most {WareLot.MostLots} lots are taken; this load has {lots.Count}. Put alike ware into one lot."));
        foreach (var (i, lot) in lots.Take(WareLot.MostLots).Index())
        {
            if (lot.What?.Length > Clay.LongestName)
                problems.Add(new Problem($"lots[{i}].what", $"At most {Clay.LongestName} characters."));
            // Whether a wall can be so thick is the planner's to say; here it only has to be a number that can be kept.
            foreach (
                var (field, value) in new[] { ("wall", lot.Wall), ("width", lot.Width), ("pieceKg", lot.PieceMass) }.Concat(
                    lot.Piece?.Numbers.Select(n => ($"piece.{n.Field}", n.Value)) ?? []
                )
            )
            {
                if (value is { } given && !(Math.Abs(given) < 1e6))
                    problems.Add(new Problem($"lots[{i}].{field}", $"This is far beyond anything a kiln holds: {Phrases.Number(given)}."));
            }
            foreach (var (field, text) in lot.Typed)
            {
                if (!LotDraft.TypedFields.Contains(field) || text.Length > LotDraft.LongestTyped)
                    problems.Add(
                        new Problem(
                            $"lots[{i}].typed.{field}",
                            $"How {string.Join(", ", LotDraft.TypedFields)} were typed, up to {LotDraft.LongestTyped} characters each."
                        )
                    );
            }
            if (lot.Whose?.Length > Clay.LongestName)
                problems.Add(new Problem($"lots[{i}].whose", $"At most {Clay.LongestName} characters."));
        }
        if (holdMinutes is { } minutes && !(minutes >= 0 && minutes <= ScheduleLimits.LongestHold.TotalMinutes))
            problems.Add(new Problem("holdMinutes", $"A hold lasts 0 to 5940 minutes; this says {Phrases.Number(minutes)}."));
        if (preferences?.Check() is { } wrong)
            problems.Add(wrong);
        if (packing?.Check() is { } unkept)
            problems.Add(unkept.Under("packing"));
        var kept = accepted ?? [];
        if (kept.Count > Acceptance.Most)
            problems.Add(new Problem("accepted", $"At most {Acceptance.Most} findings are accepted for one firing."));
        foreach (var (i, acceptance) in kept.Take(Acceptance.Most).Index())
        {
            if (Text.OneLine(acceptance.By)?.Length > Clay.LongestName)
                problems.Add(new Problem($"accepted[{i}].by", $"A name has at most {Clay.LongestName} characters."));
            if (Text.OneLine(acceptance.Note) is not { } note)
                problems.Add(new Problem($"accepted[{i}].note", "Say in a few words why it is accepted."));
            else if (note.Length > Acceptance.LongestNote)
                problems.Add(new Problem($"accepted[{i}].note", $"A note has at most {Acceptance.LongestNote} characters; this one has {note.Length}."));
        }
        return problems.Count > 0
            ? Result<FiringDraft>.Failed(problems)
            : new FiringDraft(called ?? "A firing")
            {
                Kind = kind,
                KilnId = kilnId,
                Goal = goal,
                Unit = unit,
                Lots = [.. lots],
                Packed = packed,
                WitnessPack = witnessPack,
                Preferences = preferences ?? PlanningPreferences.Usual,
                HoldMinutes = holdMinutes,
                Schedule = schedule,
                Kiln = kiln,
                Packing = packing,
                Anyway = anyway,
                StartsAt = startsAt,
                Accepted = [.. kept.Select(a => a with { Note = Text.OneLine(a.Note)!, By = Text.OneLine(a.By) })],
            };
    }
}
