namespace ZealousEmber.Core;

/// <summary>
/// A value worked out once from what it depends on, and anew where that is another: a record's copy never keeps what belonged to the original. Two of them are
/// always
/// equal, so that records compare by what they are made of.
/// </summary>
/// <typeparam name="TFrom">What it depends on.</typeparam>
/// <typeparam name="T">What is worked out.</typeparam>
public sealed class Derived<TFrom, T>
{
    private Tuple<TFrom, T>? known;

    /// <summary>The value for this.</summary>
    /// <param name="from">What it depends on now.</param>
    /// <param name="work">Works it out.</param>
    public T Of(TFrom from, Func<TFrom, T> work)
    {
        // One look at the field: another thread may be working it out for another copy, which shares this.
        if (known is { } before && EqualityComparer<TFrom>.Default.Equals(before.Item1, from))
            return before.Item2;
        var value = work(from);
        known = Tuple.Create(from, value);
        return value;
    }

    /// <inheritdoc/>
    public override bool Equals(object? obj) => obj is Derived<TFrom, T>;

    /// <inheritdoc/>
    public override int GetHashCode() => 0;
}
