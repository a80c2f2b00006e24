using System.Collections.Immutable;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>What a studio goes through before a kiln is started, and after it has cooled.</summary>
/// <param name="Before">Before starting.</param>
/// <param name="After">Once it is open.</param>
/// <param name="GasBefore">Before a gas kiln is lit.</param>
/// <param name="GasAfter">Once a gas kiln is open.</param>
public sealed record CheckLists(ImmutableArray<string> Before, ImmutableArray<string> After, ImmutableArray<string> GasBefore, ImmutableArray<string> GasAfter)
{
    /// <summary>Most items of a list.</summary>
    public const int Most = 40;

    /// <summary>Longest item, characters: as long as what a tick can name.</summary>
    public const int LongestItem = FiringEntry.LongestSubject;

    /// <summary>What is usual. The kiln maker's manual and the studio's rules come first.</summary>
    public static readonly CheckLists Usual = new(
        [
            "Ware is dry",
            "Nothing touches that must not",
            "Cone pack in sight of a peephole",
            "Lid or door latched",
            "Vent as this ware wants it",
            "Peepholes as this kiln wants them",
            "Nothing flammable within a metre, nothing on the kiln",
            "Shut-off cone and limit timer set, where there are any",
            "Program read back",
            "Sign up: firing, do not open",
        ],
        ["Isolator off", "Sign taken down", "Floor and shelves clean"],
        [
            "Ware is dry",
            "Nothing touches that must not",
            "Cone packs in sight of a peephole",
            "Door closed, bag walls and flue clear",
            "Gas enough, cylinders upright and outside",
            "Leak test made",
            "Carbon monoxide alarm on, hood on or doors open",
            "Damper open, five minutes of air before the first flame",
            "Nothing flammable within a metre, nothing on the kiln",
            "Gloves and shaded eyewear at hand",
            "Sign up: firing, do not open",
        ],
        ["Regulator and tank valve shut", "Sign taken down", "Floor and shelves clean"]
    );

    /// <summary>The item before starting that a clean read-back ticks; nothing where the studio's own list has none.</summary>
    public string? ReadBack => Before.FirstOrDefault(i => i.Contains("read back", StringComparison.OrdinalIgnoreCase));

    /// <summary>
    /// Lists from what somebody wrote, as they are where nothing was; problems name <c>before</c>, <c>after</c>, <c>gasBefore</c>, <c>gasAfter</c> and their
    /// items.
    /// </summary>
    public static Result<CheckLists> Create(
        IReadOnlyList<string?>? before,
        IReadOnlyList<string?>? after,
        IReadOnlyList<string?>? gasBefore,
        IReadOnlyList<string?>? gasAfter,
        CheckLists there
    )
    {
        var problems = new List<Problem>();
        var lists = new CheckLists(
            Read(before, there.Before, "before", problems),
            Read(after, there.After, "after", problems),
            Read(gasBefore, there.GasBefore, "gasBefore", problems),
            Read(gasAfter, there.GasAfter, "gasAfter", problems)
        );
        return problems.Count > 0 ? Result<CheckLists>.Failed(problems) : lists;
    }

    private static ImmutableArray<string> Read(IReadOnlyList<string?>? items, ImmutableArray<string> there, string field, List<Problem> problems)
    {
        if (items is null)
            return there;
        if (items.Count > Most)
            problems.Add(new Problem(field, $"At most {Most} items; this has {items.Count}."));
        var read = ImmutableArray.CreateBuilder<string>();
        foreach (var (i, item) in items.Take(Most).Index())
        {
            var text = Text.OneLine(item);
            if (text is null)
                problems.Add(new Problem($"{field}[{i}]", "Say what is to be looked at."));
            else if (text.Length > LongestItem)
                problems.Add(new Problem($"{field}[{i}]", $"At most {LongestItem} characters; this has {text.Length}."));
            else if (read.Contains(text))
                problems.Add(new Problem($"{field}[{i}]", "This item is in the list already."));
            else
                read.Add(text);
        }
        return read.ToImmutable();
    }
}
