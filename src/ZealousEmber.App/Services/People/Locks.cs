using System.Collections.Concurrent;
using NodaTime;
using ZealousEmber.Core.People;

namespace ZealousEmber.App.Services.People;

/// <summary>Who guesses is stopped: wrong passwords and PINs are counted by name and place, a place being a device of the studio or else an address.</summary>
internal sealed class Locks(TimeProvider time)
{
    private const int Most = 10_000;

    private readonly ConcurrentDictionary<(string Name, string Place), (Misses Misses, Instant Last)> all = new();

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    /// <summary>
    /// Counts a try as a miss until it is known to be none, so that a hundred at once are not all looked at. How long to wait where it is locked: then it is
    /// not even looked at.
    /// </summary>
    public Duration? Try((string Name, string Place) who)
    {
        var now = Now;
        Duration? wait = null;
        if (all.Count >= Most)
            Forget(now);
        all.AddOrUpdate(
            who,
            _ => (default(Misses).Missed(now), now),
            (_, known) =>
            {
                var misses = Misses.AreForgotten(known.Last, now) ? default : known.Misses;
                wait = misses.Wait(now);
                return wait is null ? (misses.Missed(now), now) : known;
            }
        );
        return wait;
    }

    /// <summary>It was right.</summary>
    public void Right((string Name, string Place) who) => all.TryRemove(who, out _);

    /// <summary>Whether it is locked by now.</summary>
    public bool IsLocked((string Name, string Place) who) => all.TryGetValue(who, out var known) && known.Misses.Wait(Now) is not null;

    private void Forget(Instant now)
    {
        // The oldest go where nothing is old enough: a flood of made-up names does not fill the memory.
        foreach (var (who, known) in all.OrderBy(a => a.Value.Last).Take(Most / 10))
        {
            if (known.Misses.Wait(now) is null)
                all.TryRemove(who, out _);
        }
    }
}
