namespace ZealousEmber.Store.Saving;

/// <summary>Part of what was found.</summary>
/// <param name="Items">In order; those that cannot be read are left out.</param>
/// <param name="Total">How many there are in all.</param>
public sealed record Page<T>(IReadOnlyList<T> Items, int Total);
