using System.Collections.Immutable;
using NodaTime;

namespace ZealousEmber.Core.Learning;

/// <summary>
/// Which firings of a kiln are worth going through: the first with its elements, for what they were as new, and the last; more tell nothing that lasts.
/// </summary>
public static class TeachingFirings
{
    /// <summary>So many of the first with the present elements.</summary>
    public const int First = 3;

    /// <summary>So many of the last.</summary>
    public const int Last = 60;

    /// <summary>Those that teach, in the order of time.</summary>
    /// <param name="firings">All finished ones, the earliest first.</param>
    /// <param name="startsAt">When one began.</param>
    /// <param name="newElements">When elements were changed last; nothing where they never were.</param>
    public static ImmutableArray<T> Of<T>(IReadOnlyList<T> firings, Func<T, Instant> startsAt, Instant? newElements)
    {
        var since = firings.Where(f => newElements is not { } changed || startsAt(f) >= changed).ToList();
        // Before the change only what is needed to fill up: heat and loss do not change with elements.
        var before = firings.Take(firings.Count - since.Count).TakeLast(Math.Max(0, Last - since.Count));
        return [.. before, .. since.Count <= First + Last ? since : [.. since.Take(First), .. since.TakeLast(Last)]];
    }
}
