using Microsoft.EntityFrameworkCore;
using ZealousEmber.Core.Controllers.Bank;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>What was entered at the kilns and read back from them; only ever added to.</summary>
public sealed class EnteredPrograms(StudioContext context, WriteQueue queue)
{
    private const int MostListed = 200;

    private DbSet<EnteredProgramRow> All => context.Set<EnteredProgramRow>();

    /// <summary>Adds one; sent again with the same key it is the one that was added.</summary>
    public async Task<EnteredProgram> Add(EnteredProgram entered, string? key, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (key is not null && await All.AsNoTracking().FirstOrDefaultAsync(e => e.CreateKey == key, cancel) is { } made)
            return RowReader.Read(EnteredProgramRow.Table, made.Id, made.Name, made, e => e.Read());
        var row = EnteredProgramRow.From(entered, key);
        All.Add(row);
        await context.SaveChangesAsync(cancel);
        return row.Read();
    }

    /// <summary>Of a kiln or a firing or both, the latest first; what cannot be read is left out.</summary>
    public async Task<IReadOnlyList<EnteredProgram>> Find(int? kilnId, int? firingId, CancellationToken cancel, int most = MostListed)
    {
        var rows = All.AsNoTracking();
        if (kilnId is { } kiln)
            rows = rows.Where(e => e.KilnId == kiln);
        if (firingId is { } firing)
            rows = rows.Where(e => e.FiringId == firing);
        return
        [
            .. RowReader.Readable(
                EnteredProgramRow.Table,
                await rows.OrderByDescending(e => e.At).ThenByDescending(e => e.Id).Take(most).ToListAsync(cancel),
                e => e.Read()
            ),
        ];
    }

    /// <summary>The kinds of slip people said they had made, each as often as it happened.</summary>
    public async Task<IReadOnlyList<string>> Slips(CancellationToken cancel) => (await All.Where(e => e.Slip != null).Select(e => e.Slip).ToListAsync(cancel))!;
}
