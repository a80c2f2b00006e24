using System.Collections.Frozen;

namespace ZealousEmber.Core.People;

/// <summary>Who may do what: the table every address is held to.</summary>
/// <param name="Role">What somebody is.</param>
/// <param name="Kilns">Numbers of the kilns somebody is certified for; owners need none.</param>
/// <param name="ByPin">Signed in by six digits: what wants a password is out of reach until one is given.</param>
public sealed record Rights(Role Role, FrozenSet<int> Kilns, bool ByPin = false)
{
    /// <summary>Of whoever sits at a studio without accounts, and of an owner.</summary>
    public static readonly Rights Everything = new(Role.Owner, FrozenSet<int>.Empty);

    /// <summary>Of a screen with nobody signed in.</summary>
    public static readonly Rights Display = new(Role.Display, FrozenSet<int>.Empty);

    private static readonly FrozenDictionary<Role, FrozenSet<Right>> Table = new Dictionary<Role, FrozenSet<Right>>
    {
        [Role.Owner] = Enum.GetValues<Right>().ToFrozenSet(),
        [Role.Firer] = Enum.GetValues<Right>().Except([Right.AnySchedules, Right.Manage]).ToFrozenSet(),
        [Role.Maker] = FrozenSet.ToFrozenSet([Right.See, Right.BeSomebody, Right.OwnLots, Right.NoteReading]),
        [Role.Display] = FrozenSet.ToFrozenSet([Right.See]),
    }.ToFrozenDictionary();

    /// <summary>Whether it may be done.</summary>
    /// <param name="right">What.</param>
    /// <param name="kiln">Number of the kiln where <paramref name="right"/> is <see cref="Right.Run"/>; no kiln there is nobody's but an owner's.</param>
    public bool May(Right right, int? kiln = null) =>
        Table[Role].Contains(right) && (right != Right.Run || Role == Role.Owner || (kiln is { } number && Kilns.Contains(number)));

    /// <summary>Everything that may be done, as the wire says it: <c>see</c>, <c>run:3</c>. Kilns in the order of their numbers.</summary>
    /// <param name="kilns">Numbers of every kiln of the studio.</param>
    public IEnumerable<string> Words(IEnumerable<int> kilns) =>
        Table[Role]
            .Order()
            .Where(r => r != Right.BeSomebody)
            .SelectMany(r => r == Right.Run ? kilns.Order().Where(k => May(r, k)).Select(k => Word(r, k)) : [Word(r)]);

    /// <summary>A right in the words of the wire.</summary>
    /// <param name="right">Which.</param>
    /// <param name="kiln">Number of the kiln it is for.</param>
    public static string Word(Right right, int? kiln = null) =>
        right switch
        {
            Right.See => "see",
            Right.BeSomebody => "be-somebody",
            Right.NoteReading => "note-reading",
            Right.OwnLots => "own-lots",
            Right.AnyLots => "any-lots",
            Right.Reserve => "reserve",
            Right.Run => kiln is { } number ? string.Create(System.Globalization.CultureInfo.InvariantCulture, $"run:{number}") : "run",
            Right.OwnSchedules => "own-schedules",
            Right.AnySchedules => "any-schedules",
            Right.PlanWeek => "plan-week",
            _ => "manage",
        };

    /// <summary>Why it may not be done, in a sentence for a screen.</summary>
    public static string Why(Right right) =>
        right switch
        {
            Right.See or Right.BeSomebody => "Sign in for that.",
            Right.Run => "Only who is certified for this kiln does that. An owner certifies, under Stores, People.",
            Right.Reserve => "Firings are planned by firers and owners. Ask one of them.",
            Right.OwnSchedules => "Schedules are written by firers and owners.",
            Right.AnySchedules => "This schedule is somebody else’s. Make a copy, and change that.",
            Right.AnyLots => "That is done by firers and owners. Ask one of them.",
            Right.PlanWeek => "The week is planned by firers and owners.",
            Right.Manage => "Only an owner of the studio does that.",
            _ => "You may not do that here.",
        };
}
