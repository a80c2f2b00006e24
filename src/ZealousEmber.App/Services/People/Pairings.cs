using System.Collections.Concurrent;
using NodaTime;

namespace ZealousEmber.App.Services.People;

/// <summary>Codes on an owner's screen that enrol one device each, once, within a few minutes. A restart forgets them.</summary>
internal sealed class Pairings(TimeProvider time)
{
    private const int Most = 100;
    private static readonly Duration Taken = Duration.FromMinutes(5);

    private readonly ConcurrentDictionary<string, (string Name, Instant Until)> open = new();

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    /// <summary>A code for a device to be called so; nothing where too many wait to be read already.</summary>
    public (string Code, Instant Until)? Offer(string name)
    {
        foreach (var (key, offer) in open)
        {
            if (offer.Until <= Now)
                open.TryRemove(key, out _);
        }
        if (open.Count >= Most)
            return null;
        var (code, until) = (Keys.Make(), Now + Taken);
        open[Keys.Name(Keys.Hash(code))] = (name, until);
        return (code, until);
    }

    /// <summary>The name of the device that read a code, which is used up by it; nothing where it is none, or too old.</summary>
    public string? Take(string code) => open.TryRemove(Keys.Name(Keys.Hash(code)), out var offer) && offer.Until > Now ? offer.Name : null;
}
