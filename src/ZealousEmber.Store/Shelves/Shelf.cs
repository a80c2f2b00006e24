using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace ZealousEmber.Store.Shelves;

/// <summary>A thing of the studio with its place in the store.</summary>
public sealed record Stored<T>(int Id, int Version, Instant UpdatedAt, T Item);

/// <summary>What every row on a shelf has.</summary>
internal abstract class ShelfRow
{
    public int Id { get; set; }

    public int Version { get; set; }

    public Instant UpdatedAt { get; set; }

    /// <summary>Set when it was deleted; it stays, so that deleting can be undone and firings keep what they were made with.</summary>
    public Instant? DeletedAt { get; set; }

    public string Name { get; set; } = "";

    public string? Notes { get; set; }
}

/// <summary>Keeps kilns, clays or glazes: each found, saved by version, deleted and brought back in the same way.</summary>
public abstract class Shelf<T>
{
    /// <summary>Everything whose name or notes hold all the words, by name.</summary>
    public abstract Task<IReadOnlyList<Stored<T>>> Search(string? words, CancellationToken cancel);

    /// <summary>One thing, or nothing when it is not there or was deleted.</summary>
    public abstract Task<Stored<T>?> Find(int id, CancellationToken cancel);

    /// <summary>Keeps a new thing as its version 1.</summary>
    public abstract Task<Stored<T>> Add(T item, CancellationToken cancel);

    /// <summary>Saves over the version the writer had read; none means whichever is there.</summary>
    public abstract Task<SaveOutcome<Stored<T>>> Save(int id, int? readVersion, T item, CancellationToken cancel);

    /// <summary>Takes it out of sight; <see cref="Restore"/> brings it back. False when it is not there.</summary>
    public abstract Task<bool> Delete(int id, CancellationToken cancel);

    /// <summary>Brings it back as it was; nothing when it never was.</summary>
    public abstract Task<Stored<T>?> Restore(int id, CancellationToken cancel);
}

/// <summary>A shelf over its table.</summary>
internal sealed class Shelf<TRow, T>(StudioContext context, TimeProvider time, Func<TRow, T> read, Action<TRow, T> write) : Shelf<T>
    where TRow : ShelfRow, new()
{
    private DbSet<TRow> Rows => context.Set<TRow>();

    private IQueryable<TRow> Kept => Rows.Where(r => r.DeletedAt == null);

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    public override async Task<IReadOnlyList<Stored<T>>> Search(string? words, CancellationToken cancel)
    {
        var rows = Kept.AsNoTracking();
        foreach (var word in (words ?? "").ToLowerInvariant().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Take(8))
            rows = rows.Where(r => r.Name.ToLower().Contains(word) || r.Notes!.ToLower().Contains(word));
        return [.. (await rows.OrderBy(r => r.Name).ThenBy(r => r.Id).ToListAsync(cancel)).Select(Stored)];
    }

    public override async Task<Stored<T>?> Find(int id, CancellationToken cancel) =>
        await Kept.AsNoTracking().FirstOrDefaultAsync(r => r.Id == id, cancel) is { } row ? Stored(row) : null;

    public override async Task<Stored<T>> Add(T item, CancellationToken cancel)
    {
        var row = new TRow { Version = 1, UpdatedAt = Now };
        write(row, item);
        Rows.Add(row);
        await context.SaveChangesAsync(cancel);
        return Stored(row);
    }

    public override async Task<SaveOutcome<Stored<T>>> Save(int id, int? readVersion, T item, CancellationToken cancel)
    {
        var row = await Kept.FirstOrDefaultAsync(r => r.Id == id, cancel);
        if (row is null) return new SaveOutcome<Stored<T>>.Missing();
        if (readVersion is { } version && version != row.Version) return new SaveOutcome<Stored<T>>.Clash(Stored(row));
        write(row, item);
        if (!context.ChangeTracker.HasChanges()) return new SaveOutcome<Stored<T>>.Saved(Stored(row));
        row.Version++;
        row.UpdatedAt = Now;
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<Stored<T>>.Saved(Stored(row));
        }
        catch (DbUpdateConcurrencyException)
        {
            context.ChangeTracker.Clear();
            return await Find(id, cancel) is { } current ? new SaveOutcome<Stored<T>>.Clash(current) : new SaveOutcome<Stored<T>>.Missing();
        }
    }

    public override async Task<bool> Delete(int id, CancellationToken cancel) =>
        await Kept.Where(r => r.Id == id).ExecuteUpdateAsync(s => s.SetProperty(r => r.DeletedAt, Now), cancel) > 0;

    public override async Task<Stored<T>?> Restore(int id, CancellationToken cancel)
    {
        await Rows.Where(r => r.Id == id).ExecuteUpdateAsync(s => s.SetProperty(r => r.DeletedAt, (Instant?)null), cancel);
        return await Find(id, cancel);
    }

    private Stored<T> Stored(TRow row) => new(row.Id, row.Version, row.UpdatedAt, read(row));
}
