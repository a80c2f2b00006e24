using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Schedules;

namespace ZealousEmber.Store.Files;

/// <summary>Rows as they stand in the file, for what cannot be read otherwise.</summary>
public sealed class RawRows(
    StudioContext context, ScheduleRepository schedules, Repository<StudioKiln> kilns, Repository<ListedController> controllers, Repository<Clay> clays, Repository<Glaze> glazes, Repository<FiringDraft> firings)
{
    /// <summary>Tables whose rows may be asked for.</summary>
    public static readonly IReadOnlyList<string> Tables = ["schedules", "kilns", "controllers", "clays", "glazes", "firings"];

    /// <summary>Every row of them that cannot be read.</summary>
    public async Task<IReadOnlyList<UnreadableRow>> Unreadable(CancellationToken cancel) =>
    [
        .. await schedules.Unreadable(cancel), .. await kilns.Unreadable(cancel), .. await controllers.Unreadable(cancel), .. await clays.Unreadable(cancel), .. await glazes.Unreadable(cancel),
        .. await firings.Unreadable(cancel),
    ];

    /// <summary>A row as JSON, column by column; nothing when there is none. The table must be one of <see cref="Tables"/>.</summary>
    public async Task<byte[]?> Find(string table, int id, CancellationToken cancel)
    {
        if (!Tables.Contains(table)) return null;
        var connection = context.Database.GetDbConnection();
        await context.Database.OpenConnectionAsync(cancel);
        await using var command = connection.CreateCommand();
        command.CommandText = $"SELECT * FROM {table} WHERE Id = $id";
        var parameter = command.CreateParameter();
        (parameter.ParameterName, parameter.Value) = ("$id", id);
        command.Parameters.Add(parameter);
        await using var reader = await command.ExecuteReaderAsync(cancel);
        if (!await reader.ReadAsync(cancel)) return null;
        var columns = Enumerable.Range(0, reader.FieldCount).ToDictionary(reader.GetName, i => reader.IsDBNull(i) ? null : reader.GetValue(i));
        return JsonSerializer.SerializeToUtf8Bytes(columns, new JsonSerializerOptions { WriteIndented = true });
    }
}
