using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace ZealousEmber.Store.Database;

/// <summary>
/// What durability rests on, said for every connection by ourselves: a commit is on the disk before it is answered, rows belong together, and
/// what is deleted is gone from the file.
/// </summary>
internal sealed class ConnectionSettings : DbConnectionInterceptor
{
    private const string Pragmas = "PRAGMA foreign_keys = ON; PRAGMA synchronous = FULL; PRAGMA trusted_schema = OFF; PRAGMA secure_delete = ON;";

    public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
    {
        using var command = connection.CreateCommand();
        command.CommandText = Pragmas;
        command.ExecuteNonQuery();
    }

    public override async Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = Pragmas;
        await command.ExecuteNonQueryAsync(cancellationToken);
    }
}
