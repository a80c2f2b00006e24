using NodaTime;

namespace ZealousEmber.Store.Saving;

/// <summary>Who saves, and the key the device gave the save; either may be unknown.</summary>
/// <param name="By">A name somebody typed, up to 60 characters.</param>
/// <param name="Key">Made by the client, up to 64 characters: the same save sent twice is one save.</param>
/// <param name="Reason">Why a schedule was changed, where that is known.</param>
/// <param name="FromFiring">The firing it was changed after.</param>
/// <param name="PersonId">Number of who is signed in; nothing where there are no accounts.</param>
public sealed record SaveStamp(string? By = null, string? Key = null, string? Reason = null, int? FromFiring = null, int? PersonId = null)
{
    /// <summary>Nobody said who, and no key.</summary>
    public static readonly SaveStamp Unknown = new();
}

/// <summary>Something of the studio with its place in the store.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Version">Counts its saves.</param>
/// <param name="UpdatedAt">When it was saved last.</param>
/// <param name="Item">What it is.</param>
/// <param name="UpdatedBy">Who saved it last, where somebody said.</param>
/// <param name="SaveKey">The key of the last save, where it had one.</param>
public sealed record Versioned<T>(int Id, int Version, Instant UpdatedAt, T Item, string? UpdatedBy = null, string? SaveKey = null)
{
    /// <summary>The same, where it is of a kind; nothing where it is of another.</summary>
    public Versioned<TKind>? Of<TKind>()
        where TKind : class, T => Item is TKind kind ? new(Id, Version, UpdatedAt, kind, UpdatedBy, SaveKey) : null;
}
