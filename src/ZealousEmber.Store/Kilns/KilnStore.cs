using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Kilns;

namespace ZealousEmber.Store.Kilns;

/// <summary>A kiln with its place in the store.</summary>
public sealed record StoredKiln(int Id, int Version, Instant UpdatedAt, Kiln Kiln);

/// <summary>Keeps the kilns of the studio.</summary>
public sealed class KilnStore(StudioContext context, TimeProvider time)
{
    private IQueryable<KilnRow> Kept => context.Kilns.Where(k => k.DeletedAt == null);

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    /// <summary>All kilns, by name.</summary>
    public async Task<IReadOnlyList<StoredKiln>> All(CancellationToken cancel) =>
        [.. (await Kept.AsNoTracking().OrderBy(k => k.Name).ThenBy(k => k.Id).ToListAsync(cancel)).Select(Stored)];

    /// <summary>One kiln, or nothing when it is not there or was deleted.</summary>
    public async Task<StoredKiln?> Find(int id, CancellationToken cancel) =>
        await Kept.AsNoTracking().FirstOrDefaultAsync(k => k.Id == id, cancel) is { } row ? Stored(row) : null;

    /// <summary>Keeps a new kiln as its version 1.</summary>
    public async Task<StoredKiln> Add(Kiln kiln, CancellationToken cancel)
    {
        var row = new KilnRow { Version = 1, UpdatedAt = Now };
        row.Write(kiln);
        context.Kilns.Add(row);
        await context.SaveChangesAsync(cancel);
        return Stored(row);
    }

    /// <summary>Saves over the version the writer had read; none means whichever is there.</summary>
    public async Task<SaveOutcome<StoredKiln>> Save(int id, int? readVersion, Kiln kiln, CancellationToken cancel)
    {
        var row = await Kept.FirstOrDefaultAsync(k => k.Id == id, cancel);
        if (row is null) return new SaveOutcome<StoredKiln>.Missing();
        if (readVersion is { } read && read != row.Version) return new SaveOutcome<StoredKiln>.Clash(Stored(row));
        row.Write(kiln);
        if (!context.ChangeTracker.HasChanges()) return new SaveOutcome<StoredKiln>.Saved(Stored(row));
        row.Version++;
        row.UpdatedAt = Now;
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<StoredKiln>.Saved(Stored(row));
        }
        catch (DbUpdateConcurrencyException)
        {
            context.ChangeTracker.Clear();
            return await Find(id, cancel) is { } current ? new SaveOutcome<StoredKiln>.Clash(current) : new SaveOutcome<StoredKiln>.Missing();
        }
    }

    /// <summary>Takes a kiln out of sight; <see cref="Restore"/> brings it back. False when it is not there.</summary>
    public async Task<bool> Delete(int id, CancellationToken cancel) =>
        await Kept.Where(k => k.Id == id).ExecuteUpdateAsync(k => k.SetProperty(r => r.DeletedAt, Now), cancel) > 0;

    /// <summary>Brings a deleted kiln back as it was; nothing when it never was.</summary>
    public async Task<StoredKiln?> Restore(int id, CancellationToken cancel)
    {
        await context.Kilns.Where(k => k.Id == id).ExecuteUpdateAsync(k => k.SetProperty(r => r.DeletedAt, (Instant?)null), cancel);
        return await Find(id, cancel);
    }

    private static StoredKiln Stored(KilnRow row) => new(row.Id, row.Version, row.UpdatedAt, row.Read());
}
