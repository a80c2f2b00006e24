using Microsoft.EntityFrameworkCore;

namespace ZealousEmber.Store.Settings;

/// <summary>A settings of the studio with its version; 0 until somebody has written on it.</summary>
public sealed record VersionedSettings<T>(int Version, T Item);

/// <summary>The row a settings is kept in: the only one of its table.</summary>
internal abstract class SettingsRow
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;

    public int Version { get; set; }
}

/// <summary>Keeps something a studio has one of: its hours, the ways it plans by.</summary>
public abstract class SettingsStore<T>
{
    /// <summary>As it stands; what holds until somebody says otherwise before anything was written.</summary>
    public abstract Task<VersionedSettings<T>> Read(CancellationToken cancel);

    /// <summary>Saves over the version the writer had read; none means whichever is there.</summary>
    public abstract Task<SaveOutcome<VersionedSettings<T>>> Save(int? readVersion, T item, CancellationToken cancel);
}

/// <summary>A settings over its table.</summary>
internal sealed class SettingsStore<TRow, T>(StudioContext context, Func<TRow, T> read, Action<TRow, T> write, T unsaid) : SettingsStore<T>
    where TRow : SettingsRow, new()
{
    public override async Task<VersionedSettings<T>> Read(CancellationToken cancel) =>
        await context.Set<TRow>().AsNoTracking().SingleOrDefaultAsync(cancel) is { } row ? new(row.Version, read(row)) : new(0, unsaid);

    public override async Task<SaveOutcome<VersionedSettings<T>>> Save(int? readVersion, T item, CancellationToken cancel)
    {
        var row = await context.Set<TRow>().SingleOrDefaultAsync(cancel);
        if (readVersion is { } version && version != (row?.Version ?? 0)) return new SaveOutcome<VersionedSettings<T>>.Conflict(await Read(cancel));
        if (row is null) context.Add(row = new TRow());
        write(row, item);
        row.Version++;
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<VersionedSettings<T>>.Saved(new(row.Version, read(row)));
        }
        catch (DbUpdateException)
        {
            // Two savers at once: the row moved on, or both made the first one.
            context.ChangeTracker.Clear();
            return new SaveOutcome<VersionedSettings<T>>.Conflict(await Read(cancel));
        }
    }
}
