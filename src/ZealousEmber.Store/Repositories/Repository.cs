using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>Kilns, clays, glazes or firings: each found, saved by version, deleted and restored in the same way.</summary>
public abstract class Repository<T>
{
    /// <summary>Everything whose name or notes hold all the words, by name; what cannot be read is left out.</summary>
    public abstract Task<IReadOnlyList<Versioned<T>>> Search(string? words, CancellationToken cancel);

    /// <summary>A part of the same.</summary>
    public abstract Task<Page<Versioned<T>>> Search(string? words, int skip, int take, CancellationToken cancel);

    /// <summary>What cannot be read.</summary>
    public abstract Task<IReadOnlyList<UnreadableRow>> Unreadable(CancellationToken cancel);

    /// <summary>One thing, or nothing when it is not there or was deleted. Throws <see cref="UnreadableRowException"/> when it cannot be read.</summary>
    public abstract Task<Versioned<T>?> Find(int id, CancellationToken cancel);

    /// <summary>Whether it is there, readable or not.</summary>
    public abstract Task<bool> Exists(int id, CancellationToken cancel);

    /// <summary>Several by their numbers, in one question; those that are not there, or cannot be read, are left out.</summary>
    public abstract Task<IReadOnlyDictionary<int, T>> FindAll(IReadOnlyCollection<int> ids, CancellationToken cancel);

    /// <summary>Adds a new thing as its version 1; sent again with the same key it is the one that was added.</summary>
    public abstract Task<Versioned<T>> Add(T item, SaveStamp stamp, CancellationToken cancel);

    /// <summary>Saves over the version the writer had read; none means whichever is there.</summary>
    public abstract Task<SaveOutcome<Versioned<T>>> Save(int id, int? readVersion, T item, SaveStamp stamp, CancellationToken cancel);

    /// <summary>Takes it out of sight, unless it was changed since the version named; <see cref="Restore"/> brings it back.</summary>
    public abstract Task<SaveOutcome<Versioned<T>>> Delete(int id, int? readVersion, CancellationToken cancel);

    /// <summary>Brings it back as it was; nothing when it never was.</summary>
    public abstract Task<Versioned<T>?> Restore(int id, CancellationToken cancel);
}

/// <summary>A repository over its table.</summary>
internal sealed class Repository<TRow, T>(StudioContext context, WriteQueue queue, TimeProvider time, Func<TRow, T> read, Action<TRow, T> write) : Repository<T>
    where TRow : EntityRow, new()
{
    private DbSet<TRow> All => context.Set<TRow>();

    private IQueryable<TRow> Present => All.Where(r => r.DeletedAt == null);

    private string Table => context.Model.FindEntityType(typeof(TRow))!.GetTableName()!;

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    public override async Task<IReadOnlyList<Versioned<T>>> Search(string? words, CancellationToken cancel) =>
        (await Search(words, 0, int.MaxValue, cancel)).Items;

    public override async Task<Page<Versioned<T>>> Search(string? words, int skip, int take, CancellationToken cancel)
    {
        var rows = SearchWords.In(Present.AsNoTracking(), words);
        var found = await rows.OrderBy(r => r.Name).ThenBy(r => r.Id).Skip(skip).Take(take).ToListAsync(cancel);
        // Who took all of them knows how many there are.
        var total = skip == 0 && found.Count < take ? found.Count : await rows.CountAsync(cancel);
        return new Page<Versioned<T>>(
            [.. found.Select(r => (Row: r, RowReader.TryRead(Table, r, read).Item)).Where(r => r.Item is not null).Select(r => ToVersioned(r.Row, r.Item!))],
            total
        );
    }

    public override async Task<IReadOnlyList<UnreadableRow>> Unreadable(CancellationToken cancel) =>
        [.. (await Present.AsNoTracking().ToListAsync(cancel)).Select(r => RowReader.TryRead(Table, r, read).Unreadable).OfType<UnreadableRow>()];

    public override async Task<Versioned<T>?> Find(int id, CancellationToken cancel) =>
        await Present.AsNoTracking().FirstOrDefaultAsync(r => r.Id == id, cancel) is { } row ? ToVersioned(row) : null;

    public override Task<bool> Exists(int id, CancellationToken cancel) => Present.AnyAsync(r => r.Id == id, cancel);

    public override async Task<IReadOnlyDictionary<int, T>> FindAll(IReadOnlyCollection<int> ids, CancellationToken cancel)
    {
        if (ids.Count == 0)
            return new Dictionary<int, T>();
        var rows = await Present.AsNoTracking().Where(r => ids.Contains(r.Id)).ToListAsync(cancel);
        return rows.Select(r => (r.Id, RowReader.TryRead(Table, r, read).Item)).Where(r => r.Item is not null).ToDictionary(r => r.Id, r => r.Item!);
    }

    public override async Task<Versioned<T>> Add(T item, SaveStamp stamp, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (stamp.Key is { } key && await Present.AsNoTracking().FirstOrDefaultAsync(r => r.CreateKey == key, cancel) is { } made)
            return ToVersioned(made);
        var row = new TRow { CreateKey = stamp.Key };
        row.Stamp(Now, stamp);
        write(row, item);
        All.Add(row);
        await context.SaveChangesAsync(cancel);
        return ToVersioned(row);
    }

    public override async Task<SaveOutcome<Versioned<T>>> Save(int id, int? readVersion, T item, SaveStamp stamp, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await Present.FirstOrDefaultAsync(r => r.Id == id, cancel);
        if (row is null)
            return new SaveOutcome<Versioned<T>>.NotFound();
        if (readVersion is { } version && version != row.Version)
        {
            // The answer to this very save was lost on its way; it is not somebody else's.
            var again = stamp.Key is { } key && row.SaveKey == key && row.Version == version + 1;
            return again ? new SaveOutcome<Versioned<T>>.Saved(ToVersioned(row)) : new SaveOutcome<Versioned<T>>.Conflict(ToVersioned(row));
        }
        write(row, item);
        if (!context.ChangeTracker.HasChanges())
            return new SaveOutcome<Versioned<T>>.Saved(ToVersioned(row));
        row.Stamp(Now, stamp);
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

    public override async Task<SaveOutcome<Versioned<T>>> Delete(int id, int? readVersion, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await Present.FirstOrDefaultAsync(r => r.Id == id, cancel);
        if (row is null)
            return new SaveOutcome<Versioned<T>>.NotFound();
        if (readVersion is { } version && version != row.Version)
            return new SaveOutcome<Versioned<T>>.Conflict(ToVersioned(row));
        row.DeletedAt = Now;
        await context.SaveChangesAsync(cancel);
        return new SaveOutcome<Versioned<T>>.Saved(new Versioned<T>(row.Id, row.Version, row.UpdatedAt, default!));
    }

    public override async Task<Versioned<T>?> Restore(int id, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await All.FirstOrDefaultAsync(r => r.Id == id && r.DeletedAt != null, cancel) is { } row)
        {
            row.DeletedAt = null;
            await context.SaveChangesAsync(cancel);
        }
        return await Find(id, cancel);
    }

    private Versioned<T> ToVersioned(TRow row) =>
        RowReader.TryRead(Table, row, read) is { Unreadable: null, Item: { } item }
            ? ToVersioned(row, item)
            : throw new UnreadableRowException(RowReader.TryRead(Table, row, read).Unreadable!);

    private static Versioned<T> ToVersioned(TRow row, T item) => new(row.Id, row.Version, row.UpdatedAt, item, row.UpdatedBy, row.SaveKey);
}
