using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Members;

/// <summary>The phones, tablets and screens of the studio.</summary>
public sealed class DeviceStore(StudioContext context, WriteQueue queue)
{
    /// <summary>All there ever were, the latest last.</summary>
    public async Task<IReadOnlyList<DeviceRecord>> Read(CancellationToken cancel) =>
        [
            .. (await context.Set<DeviceRow>().AsNoTracking().OrderBy(d => d.Id).ToListAsync(cancel)).Select(d => new DeviceRecord(
                d.Id,
                d.Name,
                d.Hash,
                d.MadeAt,
                d.SeenAt,
                d.RevokedAt is not null
            )),
        ];

    /// <summary>Enrols one by the hash of its secret.</summary>
    public async Task<DeviceRecord> Add(string name, byte[] hash, Instant at, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = new DeviceRow
        {
            Name = name,
            Hash = hash,
            MadeAt = at,
            SeenAt = at,
        };
        context.Add(row);
        await context.SaveChangesAsync(cancel);
        return new DeviceRecord(row.Id, name, hash, at, at, IsRevoked: false);
    }

    /// <summary>Takes it away, and ends what was signed in on it; false where there is none.</summary>
    public async Task<bool> Revoke(int id, Instant at, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await context.Set<DeviceRow>().FirstOrDefaultAsync(d => d.Id == id && d.RevokedAt == null, cancel) is not { } row)
            return false;
        (row.RevokedAt, row.Hash) = (at, []);
        context.RemoveRange(await context.Set<SessionRow>().Where(s => s.DeviceId == id).ToListAsync(cancel));
        await context.SaveChangesAsync(cancel);
        return true;
    }
}
