using NodaTime;

namespace ZealousEmber.Core.People;

/// <summary>
/// Wrong passwords and PINs for one name from one place, one after another: the fifth locks for a minute, and each one after that for twice as long as the one
/// before, up to an hour. A right one, let in, makes an end of it.
/// </summary>
/// <param name="Count">How many there were.</param>
/// <param name="LockedUntil">Nothing is looked at before, not even the right password.</param>
public readonly record struct Misses(int Count, Instant? LockedUntil)
{
    private const int Free = 5;
    private static readonly Duration First = Duration.FromMinutes(1);
    private static readonly Duration Longest = Duration.FromHours(1);

    // Nobody tries six times as often as that; what is older says nothing any more.
    private static readonly Duration Forgotten = Duration.FromHours(24);

    /// <summary>How long it is still locked; nothing where it is not.</summary>
    public Duration? Wait(Instant now) => LockedUntil is { } until && until > now ? until - now : null;

    /// <summary>Whether they count for nothing by now.</summary>
    /// <param name="last">When the last was.</param>
    /// <param name="now">Now.</param>
    public static bool AreForgotten(Instant last, Instant now) => now - last > Forgotten;

    /// <summary>With one more.</summary>
    public Misses Missed(Instant now)
    {
        var count = Count + 1;
        if (count < Free)
            return new Misses(count, LockedUntil);
        var time = First;
        for (var i = Free; i < count && time < Longest; i++)
            time *= 2;
        return new Misses(count, now + Duration.Min(time, Longest));
    }
}
