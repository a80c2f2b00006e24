using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>At most one photo of each clay and glaze; those of a firing's log are its own.</summary>
public sealed class PhotoRepository(StudioContext context, WriteQueue queue, TimeProvider time)
{
    /// <summary>The photo of a thing, or nothing.</summary>
    public async Task<Photo?> Find(PhotoOf of, int owner, CancellationToken cancel) =>
        await context.Set<PhotoRow>().AsNoTracking().FirstOrDefaultAsync(p => p.Of == of && p.OwnerId == owner, cancel) is { } row
            ? new Photo(row.ContentType, row.Bytes, row.TakenInAt)
            : null;

    /// <summary>Which things have one, and since when.</summary>
    public async Task<IReadOnlyDictionary<int, Instant>> All(PhotoOf of, CancellationToken cancel) =>
        await context.Set<PhotoRow>().Where(p => p.Of == of).ToDictionaryAsync(p => p.OwnerId, p => p.TakenInAt, cancel);

    /// <summary>Saves a photo in the place of the one before, if any; two at once are one after the other.</summary>
    public async Task Save(PhotoOf of, int owner, string contentType, byte[] bytes, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await context.Set<PhotoRow>().FirstOrDefaultAsync(p => p.Of == of && p.OwnerId == owner, cancel);
        if (row is null)
            context.Add(row = new PhotoRow { Of = of, OwnerId = owner });
        (row.ContentType, row.Bytes, row.TakenInAt) = (contentType, bytes, Instant.FromDateTimeOffset(time.GetUtcNow()));
        await context.SaveChangesAsync(cancel);
    }

    /// <summary>Removes it; false when there was none.</summary>
    public async Task<bool> Remove(PhotoOf of, int owner, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await context.Set<PhotoRow>().FirstOrDefaultAsync(p => p.Of == of && p.OwnerId == owner, cancel) is not { } row)
            return false;
        context.Remove(row);
        await context.SaveChangesAsync(cancel);
        return true;
    }
}
