using NodaTime;

namespace ZealousEmber.Store.Repositories;

/// <summary>Who saves, and the key the device gave the save; either may be unknown.</summary>
/// <param name="By">A name somebody typed, up to 60 characters.</param>
/// <param name="Key">Made by the client, up to 64 characters: the same save sent twice is one save.</param>
/// <param name="Reason">Why a schedule was changed, where that is known.</param>
/// <param name="FromFiring">The firing it was changed after.</param>
public sealed record SaveStamp(string? By = null, string? Key = null, string? Reason = null, int? FromFiring = null)
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
    public Versioned<TKind>? Of<TKind>() where TKind : class, T => Item is TKind kind ? new(Id, Version, UpdatedAt, kind, UpdatedBy, SaveKey) : null;
}

/// <summary>A row that cannot be read: from a damaged file, or written by another program.</summary>
/// <param name="Table">Its table.</param>
/// <param name="Id">Its number.</param>
/// <param name="Name">What it is called, as far as can be told.</param>
/// <param name="Why">What is wrong with it.</param>
public sealed record UnreadableRow(string Table, int Id, string Name, string Why);

/// <summary>Thrown where the one row asked for cannot be read.</summary>
public sealed class UnreadableRowException(UnreadableRow row) : Exception($"{row.Table} {row.Id}: {row.Why}")
{
    /// <summary>Which.</summary>
    public UnreadableRow Row { get; } = row;
}

/// <summary>What every row has that is saved by version, deleted and restored.</summary>
internal abstract class EntityRow
{
    public int Id { get; set; }

    public int Version { get; set; }

    public Instant UpdatedAt { get; set; }

    public string? UpdatedBy { get; set; }

    /// <summary>Key of the save that made it; two of the same key are one.</summary>
    public string? CreateKey { get; set; }

    public string? SaveKey { get; set; }

    /// <summary>Set when it was deleted; it stays, so that deleting can be undone and firings keep what they were made with.</summary>
    public Instant? DeletedAt { get; set; }

    public string Name { get; set; } = "";

    public string? Notes { get; set; }

    /// <summary>Counts a save.</summary>
    public void Stamp(Instant now, SaveStamp stamp) => (Version, UpdatedAt, UpdatedBy, SaveKey) = (Version + 1, now, stamp.By, stamp.Key);
}

/// <summary>Rows to what they mean, without one bad row taking the rest down.</summary>
internal static class Rows
{
    /// <summary>What a row means, or why it cannot be read.</summary>
    public static (T? Item, UnreadableRow? Unreadable) TryRead<TRow, T>(string table, TRow row, Func<TRow, T> read)
        where TRow : EntityRow => TryRead(table, row.Id, row.Name, row, read);

    /// <summary>Those of many rows that can be read.</summary>
    public static IEnumerable<T> Readable<TRow, T>(string table, IEnumerable<TRow> rows, Func<TRow, T> read)
        where T : class => rows.Select(r => TryRead(table, 0, table, r, read).Item).OfType<T>();

    /// <summary>What the one row asked for means; throws <see cref="UnreadableRowException"/> where it cannot be read.</summary>
    public static T Read<TRow, T>(string table, int id, string name, TRow row, Func<TRow, T> read) =>
        TryRead(table, id, name, row, read) is var (item, unreadable) && unreadable is null ? item! : throw new UnreadableRowException(unreadable!);

    /// <summary>What a row of any table means, or why it cannot be read.</summary>
    /// <param name="table">Its table.</param>
    /// <param name="id">Its number there.</param>
    /// <param name="name">What it is called, as far as can be told.</param>
    /// <param name="row">As stored.</param>
    /// <param name="read">Reads it.</param>
    public static (T? Item, UnreadableRow? Unreadable) TryRead<TRow, T>(string table, int id, string name, TRow row, Func<TRow, T> read)
    {
        try
        {
            return (read(row), null);
        }
        catch (Exception error) when (error is not OutOfMemoryException)
        {
            // Whatever it is: JSON cut short, a word no enum knows, numbers beyond the limits. The raw content can be downloaded.
            return (default, new UnreadableRow(table, id, name, error.Message));
        }
    }
}
