using System.Data.Common;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace ZealousEmber.Store.Files;

/// <summary>Whether the last write went through. Recovers by itself: the next write that does clears it.</summary>
public sealed class StoreHealth
{
    /// <summary>What is wrong; nothing while all is well.</summary>
    public string? Trouble { get; private set; }

    /// <summary>True for the errors of a disk that takes no more.</summary>
    public static bool IsFull(Exception? error)
    {
        for (; error is not null; error = error.InnerException)
        {
            if (error is SqliteException { SqliteErrorCode: 13 }) return true;
            if (error is IOException && error.HResult is 28 or unchecked((int)0x80070070)) return true;
        }
        return false;
    }

    /// <summary>True when the database stayed busy longer than anybody waits.</summary>
    public static bool IsBusy(Exception? error)
    {
        for (; error is not null; error = error.InnerException)
        {
            if (error is StoreBusyException or SqliteException { SqliteErrorCode: 5 or 6 }) return true;
        }
        return false;
    }

    internal void Failed(Exception error)
    {
        if (IsFull(error)) Trouble = "The disk is full: nothing can be saved until there is room.";
    }

    internal void Succeeded() => Trouble = null;
}

/// <summary>Tells the health of every write.</summary>
internal sealed class HealthWatch(StoreHealth health) : DbCommandInterceptor
{
    public override void CommandFailed(DbCommand command, CommandErrorEventData eventData) => health.Failed(eventData.Exception);

    public override Task CommandFailedAsync(DbCommand command, CommandErrorEventData eventData, CancellationToken cancellationToken = default)
    {
        health.Failed(eventData.Exception);
        return Task.CompletedTask;
    }

    public override ValueTask<DbDataReader> ReaderExecutedAsync(DbCommand command, CommandExecutedEventData eventData, DbDataReader result, CancellationToken cancellationToken = default)
    {
        if (IsWrite(command)) health.Succeeded();
        return ValueTask.FromResult(result);
    }

    public override ValueTask<int> NonQueryExecutedAsync(DbCommand command, CommandExecutedEventData eventData, int result, CancellationToken cancellationToken = default)
    {
        if (IsWrite(command)) health.Succeeded();
        return ValueTask.FromResult(result);
    }

    private static bool IsWrite(DbCommand command) => command.CommandText is var sql && (sql.Contains("INSERT ", StringComparison.Ordinal) || sql.Contains("UPDATE ", StringComparison.Ordinal) || sql.Contains("DELETE ", StringComparison.Ordinal));
}
