using NodaTime;

namespace ZealousEmber.Core.People;

/// <summary>How long somebody stays signed in.</summary>
/// <param name="BeganAt">When the password was given.</param>
/// <param name="SeenAt">When something was last done by hand.</param>
/// <param name="SteppedUpUntil">Until when the password given again counts.</param>
public readonly record struct SessionTimes(Instant BeganAt, Instant SeenAt, Instant? SteppedUpUntil)
{
    /// <summary>Without anything being done.</summary>
    public static readonly Duration Idle = Duration.FromMinutes(30);

    /// <summary>Whatever is done.</summary>
    public static readonly Duration Most = Duration.FromHours(12);

    /// <summary>A password given again counts so long.</summary>
    public static readonly Duration StepUp = Duration.FromMinutes(10);

    /// <summary>The end if nothing more is done.</summary>
    public Instant IdleUntil => Instant.Min(SeenAt + Idle, EndsAt);

    /// <summary>The end whatever is done.</summary>
    public Instant EndsAt => BeganAt + Most;

    /// <summary>Whether it is over.</summary>
    public bool IsOver(Instant now) => now >= IdleUntil;

    /// <summary>Whether the password was given again just now.</summary>
    public bool IsSteppedUp(Instant now) => SteppedUpUntil > now;
}
