namespace ZealousEmber.Store.Saving;

/// <summary>How a save ended.</summary>
/// <typeparam name="T">What was saved, with its place in the store.</typeparam>
public abstract record SaveOutcome<T>
{
    /// <summary>It is kept; also when nothing had changed.</summary>
    public sealed record Saved(T Stored) : SaveOutcome<T>;

    /// <summary>Somebody else saved in between; nothing was overwritten.</summary>
    public sealed record Conflict(T Current) : SaveOutcome<T>;

    /// <summary>There is no such thing, or it was deleted.</summary>
    public sealed record NotFound : SaveOutcome<T>;
}
