using NodaTime;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Rows;

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
internal static class RowReader
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
