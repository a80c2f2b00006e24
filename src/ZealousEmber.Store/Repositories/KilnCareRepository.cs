using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>Maintenance logs of kilns, and what people said of them over what was learned.</summary>
public sealed class KilnCareRepository(StudioContext context, WriteQueue queue, TimeProvider time)
{
    private DbSet<MaintenanceRow> Done => context.Set<MaintenanceRow>();

    /// <summary>Everything done to a kiln, the latest first.</summary>
    public async Task<IReadOnlyList<Maintenance>> Of(int kilnId, CancellationToken cancel) =>
        [
            .. RowReader.Readable(
                MaintenanceRow.Table,
                await Done.AsNoTracking()
                    .Where(m => m.KilnId == kilnId && m.DeletedAt == null)
                    .OrderByDescending(m => m.At)
                    .ThenByDescending(m => m.Id)
                    .ToListAsync(cancel),
                m => m.Read()
            ),
        ];

    /// <summary>Adds something; the same key again is the one that is there.</summary>
    public async Task<Maintenance> Add(int kilnId, Maintenance done, string? key, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (key is not null && await Done.AsNoTracking().FirstOrDefaultAsync(m => m.KilnId == kilnId && m.CreateKey == key, cancel) is { } made)
            return RowReader.Read(MaintenanceRow.Table, made.Id, made.Kind, made, m => m.Read());
        var row = new MaintenanceRow
        {
            KilnId = kilnId,
            Kind = done.Kind.ToString(),
            At = done.At,
            By = done.By,
            Note = done.Note,
            CreateKey = key,
        };
        Done.Add(row);
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
        return row.Read();
    }

    /// <summary>Takes something out, or brings it back; false where there is no such thing.</summary>
    public async Task<bool> Remove(int kilnId, int id, bool back, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        Instant? at = back ? null : Instant.FromDateTimeOffset(time.GetUtcNow());
        if (await Done.FirstOrDefaultAsync(m => m.KilnId == kilnId && m.Id == id, cancel) is not { } row)
            return false;
        row.DeletedAt = at;
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
        return true;
    }

    /// <summary>What somebody said of a kiln; as usual where nobody did, or where it cannot be read.</summary>
    public async Task<KilnCare> Care(int kilnId, CancellationToken cancel) =>
        await context.Set<KilnCareRow>().AsNoTracking().Where(c => c.KilnId == kilnId).Select(c => c.Document).FirstOrDefaultAsync(cancel) is { } document
            ? RowReader.TryRead(KilnCareRow.Table, kilnId, "", document, StoredJson.Read<KilnCare>).Item ?? KilnCare.Usual
            : KilnCare.Usual;

    /// <summary>Keeps what somebody says of a kiln.</summary>
    public async Task Save(int kilnId, KilnCare care, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await context.Set<KilnCareRow>().FirstOrDefaultAsync(c => c.KilnId == kilnId, cancel);
        if (row is null)
            context.Add(row = new KilnCareRow { KilnId = kilnId });
        row.Document = StoredJson.Write(care);
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
    }
}
