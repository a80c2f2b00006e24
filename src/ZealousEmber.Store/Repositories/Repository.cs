using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace ZealousEmber.Store.Repositories;

/// <summary>A thing of the studio with its place in the store.</summary>
public sealed record Versioned<T>(int Id, int Version, Instant UpdatedAt, T Item);

/// <summary>What every row on a repository has.</summary>
internal abstract class EntityRow
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
public abstract class Repository<T>
{
    /// <summary>Everything whose name or notes hold all the words, by name.</summary>
    public abstract Task<IReadOnlyList<Versioned<T>>> Search(string? words, CancellationToken cancel);

    /// <summary>One thing, or nothing when it is not there or was deleted.</summary>
    public abstract Task<Versioned<T>?> Find(int id, CancellationToken cancel);

    /// <summary>Keeps a new thing as its version 1.</summary>
    public abstract Task<Versioned<T>> Add(T item, CancellationToken cancel);

    /// <summary>Saves over the version the writer had read; none means whichever is there.</summary>
    public abstract Task<SaveOutcome<Versioned<T>>> Save(int id, int? readVersion, T item, CancellationToken cancel);

    /// <summary>Takes it out of sight; <see cref="Restore"/> brings it back. False when it is not there.</summary>
    public abstract Task<bool> Delete(int id, CancellationToken cancel);

    /// <summary>Brings it back as it was; nothing when it never was.</summary>
    public abstract Task<Versioned<T>?> Restore(int id, CancellationToken cancel);
}

/// <summary>A repository over its table.</summary>
internal sealed class Repository<TRow, T>(StudioContext context, TimeProvider time, Func<TRow, T> read, Action<TRow, T> write) : Repository<T>
    where TRow : EntityRow, new()
{
    private DbSet<TRow> Rows => context.Set<TRow>();

    private IQueryable<TRow> Kept => Rows.Where(r => r.DeletedAt == null);

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    public override async Task<IReadOnlyList<Versioned<T>>> Search(string? words, CancellationToken cancel)
    {
        var rows = Kept.AsNoTracking();
        foreach (var word in (words ?? "").ToLowerInvariant().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Take(8))
            rows = rows.Where(r => r.Name.ToLower().Contains(word) || r.Notes!.ToLower().Contains(word));
        return [.. (await rows.OrderBy(r => r.Name).ThenBy(r => r.Id).ToListAsync(cancel)).Select(ToVersioned)];
    }

    public override async Task<Versioned<T>?> Find(int id, CancellationToken cancel) =>
        await Kept.AsNoTracking().FirstOrDefaultAsync(r => r.Id == id, cancel) is { } row ? ToVersioned(row) : null;

    public override async Task<Versioned<T>> Add(T item, CancellationToken cancel)
    {
        var row = new TRow { Version = 1, UpdatedAt = Now };
        write(row, item);
        Rows.Add(row);
        await context.SaveChangesAsync(cancel);
        return ToVersioned(row);
    }

    public override async Task<SaveOutcome<Versioned<T>>> Save(int id, int? readVersion, T item, CancellationToken cancel)
    {
        var row = await Kept.FirstOrDefaultAsync(r => r.Id == id, cancel);
        if (row is null) return new SaveOutcome<Versioned<T>>.NotFound();
        if (readVersion is { } version && version != row.Version) return new SaveOutcome<Versioned<T>>.Conflict(ToVersioned(row));
        write(row, item);
        if (!context.ChangeTracker.HasChanges()) return new SaveOutcome<Versioned<T>>.Saved(ToVersioned(row));
        row.Version++;
        row.UpdatedAt = Now;
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<Versioned<T>>.Saved(ToVersioned(row));
        }
        catch (DbUpdateConcurrencyException)
        {
            context.ChangeTracker.Clear();
            return await Find(id, cancel) is { } current ? new SaveOutcome<Versioned<T>>.Conflict(current) : new SaveOutcome<Versioned<T>>.NotFound();
        }
    }

    public override async Task<bool> Delete(int id, CancellationToken cancel) =>
        await Kept.Where(r => r.Id == id).ExecuteUpdateAsync(s => s.SetProperty(r => r.DeletedAt, Now), cancel) > 0;

    public override async Task<Versioned<T>?> Restore(int id, CancellationToken cancel)
    {
        await Rows.Where(r => r.Id == id).ExecuteUpdateAsync(s => s.SetProperty(r => r.DeletedAt, (Instant?)null), cancel);
        return await Find(id, cancel);
    }

    private Versioned<T> ToVersioned(TRow row) => new(row.Id, row.Version, row.UpdatedAt, read(row));
}
