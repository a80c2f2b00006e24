using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Database;

/// <summary>Tells the health of every write.</summary>
internal sealed class HealthWatch(StoreHealth health) : DbCommandInterceptor
{
    public override void CommandFailed(DbCommand command, CommandErrorEventData eventData) => health.Failed(eventData.Exception);

    public override Task CommandFailedAsync(DbCommand command, CommandErrorEventData eventData, CancellationToken cancellationToken = default)
    {
        health.Failed(eventData.Exception);
        return Task.CompletedTask;
    }

    public override ValueTask<int> NonQueryExecutedAsync(
        DbCommand command,
        CommandExecutedEventData eventData,
        int result,
        CancellationToken cancellationToken = default
    )
    {
        if (IsWrite(command))
            health.Succeeded();
        return ValueTask.FromResult(result);
    }

    private static bool IsWrite(DbCommand command) =>
        command.CommandText is var sql
        && (
            sql.Contains("INSERT ", StringComparison.Ordinal)
            || sql.Contains("UPDATE ", StringComparison.Ordinal)
            || sql.Contains("DELETE ", StringComparison.Ordinal)
        );
}

/// <summary>Tells the health of every save: what it wrote is only known to be on the disk once its last answer was read.</summary>
internal sealed class SaveWatch(StoreHealth health) : SaveChangesInterceptor
{
    public override void SaveChangesFailed(DbContextErrorEventData eventData) => health.Failed(eventData.Exception);

    public override Task SaveChangesFailedAsync(DbContextErrorEventData eventData, CancellationToken cancellationToken = default)
    {
        health.Failed(eventData.Exception);
        return Task.CompletedTask;
    }

    public override ValueTask<int> SavedChangesAsync(SaveChangesCompletedEventData eventData, int result, CancellationToken cancellationToken = default)
    {
        if (result > 0)
            health.Succeeded();
        return ValueTask.FromResult(result);
    }
}
