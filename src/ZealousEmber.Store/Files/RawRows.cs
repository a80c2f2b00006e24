using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Files;

/// <summary>Rows as they stand in the file, for what cannot be read otherwise.</summary>
public sealed class RawRows(
    StudioContext context,
    ScheduleRepository schedules,
    Repository<StudioKiln> kilns,
    Repository<ListedController> controllers,
    Repository<Clay> clays,
    Repository<Glaze> glazes,
    Repository<FiringDraft> firings
)
{
    /// <summary>Tables whose rows may be asked for, and what their rows are counted by.</summary>
    public static readonly IReadOnlyDictionary<string, string> Tables = new Dictionary<string, string>
    {
        ["schedules"] = "Id",
        ["kilns"] = "Id",
        ["controllers"] = "Id",
        ["clays"] = "Id",
        ["glazes"] = "Id",
        ["firings"] = "Id",
        [EnteredProgramRow.Table] = "Id",
        [FiringRuns.Table] = "FiringId",
        [FiringRuns.EntryTable] = "Id",
        [SampleLog.Table] = "Id",
        [FiringRecordRow.Table] = "FiringId",
        [FiringFiguresRow.Table] = "FiringId",
        [MaintenanceRow.Table] = "Id",
        [KilnCareRow.Table] = "KilnId",
    };

    /// <summary>Every row of them that cannot be read.</summary>
    public async Task<IReadOnlyList<UnreadableRow>> Unreadable(CancellationToken cancel) =>
        [
            .. await schedules.Unreadable(cancel),
            .. await kilns.Unreadable(cancel),
            .. await controllers.Unreadable(cancel),
            .. await clays.Unreadable(cancel),
            .. await glazes.Unreadable(cancel),
            .. await firings.Unreadable(cancel),
            .. await In<EnteredProgramRow>(EnteredProgramRow.Table, r => r.Id, r => r.Name, r => r.Read(), cancel),
            .. await In<FiringRunRow>(FiringRuns.Table, r => r.FiringId, r => $"The start of firing {r.FiringId}", r => r.Read(), cancel),
            .. await In<FiringRecordRow>(FiringRecordRow.Table, r => r.FiringId, r => r.Name, r => r.Read(null), cancel),
            .. await In<FiringFiguresRow>(FiringFiguresRow.Table, r => r.FiringId, r => $"The figures of firing {r.FiringId}", r => r.Read(), cancel),
            .. await In<MaintenanceRow>(MaintenanceRow.Table, r => r.Id, r => $"Care of kiln {r.KilnId}", r => r.Read(), cancel),
            .. await In<KilnCareRow>(KilnCareRow.Table, r => r.KilnId, r => $"What was said of kiln {r.KilnId}", r => r.Read(), cancel),
            .. await Entries(cancel),
            .. await Blocks(cancel),
        ];

    private async Task<IEnumerable<UnreadableRow>> In<TRow>(
        string table,
        Func<TRow, int> id,
        Func<TRow, string> name,
        Func<TRow, object> read,
        CancellationToken cancel
    )
        where TRow : class =>
        (await context.Set<TRow>().AsNoTracking().ToListAsync(cancel))
            .Select(r => RowReader.TryRead(table, id(r), name(r), r, read).Unreadable)
            .OfType<UnreadableRow>();

    // There are very many of these two; only what is wrong leaves the database.
    private async Task<IEnumerable<UnreadableRow>> Entries(CancellationToken cancel)
    {
        var kinds = Enum.GetNames<EntryKind>();
        return (await context.Set<FiringEntryRow>().AsNoTracking().Where(e => !kinds.Contains(e.Kind)).ToListAsync(cancel))
            .Select(e => RowReader.TryRead(FiringRuns.EntryTable, e.Id, $"A note of firing {e.FiringId}", e, r => r.Read()).Unreadable)
            .OfType<UnreadableRow>();
    }

    private async Task<IEnumerable<UnreadableRow>> Blocks(CancellationToken cancel) =>
        (
            await context
                .Set<SampleBlockRow>()
                .AsNoTracking()
                .Where(b => b.Samples.Length != b.Count * StoredSample.Size)
                .Select(b => new { b.Id, b.FiringId })
                .ToListAsync(cancel)
        ).Select(b => new UnreadableRow(
            SampleLog.Table,
            b.Id,
            $"Readings of firing {b.FiringId}",
            "This block of readings is not as long as it says; what can be read of it is followed."
        ));

    /// <summary>A row as JSON, column by column; nothing when there is none. The table must be one of <see cref="Tables"/>.</summary>
    public async Task<byte[]?> Find(string table, int id, CancellationToken cancel)
    {
        if (!Tables.TryGetValue(table, out var key))
            return null;
        var connection = context.Database.GetDbConnection();
        await context.Database.OpenConnectionAsync(cancel);
        await using var command = connection.CreateCommand();
        command.CommandText = $"SELECT * FROM {table} WHERE {key} = $id";
        var parameter = command.CreateParameter();
        (parameter.ParameterName, parameter.Value) = ("$id", id);
        command.Parameters.Add(parameter);
        await using var reader = await command.ExecuteReaderAsync(cancel);
        if (!await reader.ReadAsync(cancel))
            return null;
        var columns = Enumerable.Range(0, reader.FieldCount).ToDictionary(reader.GetName, i => reader.IsDBNull(i) ? null : reader.GetValue(i));
        return JsonSerializer.SerializeToUtf8Bytes(columns, new JsonSerializerOptions { WriteIndented = true });
    }
}
