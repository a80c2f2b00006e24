using Microsoft.EntityFrameworkCore;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>Settings with their version; 0 until somebody has saved them.</summary>
public sealed record VersionedSettings<T>(int Version, T Item, string? SaveKey = null);

/// <summary>Something a studio has one of: its settings, the preferences it plans by.</summary>
public abstract class SettingsStore<T>
{
    /// <summary>As they stand; what holds until somebody says otherwise before anything was saved.</summary>
    public abstract Task<VersionedSettings<T>> Read(CancellationToken cancel);

    /// <summary>Saves over the version the writer had read; none means whichever is there.</summary>
    public abstract Task<SaveOutcome<VersionedSettings<T>>> Save(int? readVersion, T item, SaveStamp stamp, CancellationToken cancel);
}

/// <summary>Settings over their table.</summary>
internal sealed class SettingsStore<TRow, T>(StudioContext context, WriteQueue queue, Func<TRow, T> read, Action<TRow, T> write, T unsaid) : SettingsStore<T>
    where TRow : SettingsRow, new()
{
    public override async Task<VersionedSettings<T>> Read(CancellationToken cancel) =>
        await context.Set<TRow>().AsNoTracking().SingleOrDefaultAsync(cancel) is { } row ? ToVersioned(row) : new(0, unsaid);

    public override async Task<SaveOutcome<VersionedSettings<T>>> Save(int? readVersion, T item, SaveStamp stamp, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await context.Set<TRow>().SingleOrDefaultAsync(cancel);
        if (readVersion is { } version && version != (row?.Version ?? 0))
        {
            // The answer to this very save was lost on its way; it is not somebody else's.
            var again = row is not null && stamp.Key is { } key && row.SaveKey == key && row.Version == version + 1;
            return again ? new SaveOutcome<VersionedSettings<T>>.Saved(ToVersioned(row!)) : new SaveOutcome<VersionedSettings<T>>.Conflict(await Read(cancel));
        }
        if (row is null)
            context.Add(row = new TRow());
        write(row, item);
        (row.Version, row.SaveKey) = (row.Version + 1, stamp.Key);
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<VersionedSettings<T>>.Saved(ToVersioned(row));
        }
        catch (DbUpdateConcurrencyException)
        {
            context.ChangeTracker.Clear();
            return new SaveOutcome<VersionedSettings<T>>.Conflict(await Read(cancel));
        }
    }

    private VersionedSettings<T> ToVersioned(TRow row)
    {
        try
        {
            return new(row.Version, read(row), row.SaveKey);
        }
        catch (Exception error) when (error is not OutOfMemoryException)
        {
            // Settings nobody can read are settings nobody has said; the next save puts them right.
            return new(row.Version, unsaid, row.SaveKey);
        }
    }
}
