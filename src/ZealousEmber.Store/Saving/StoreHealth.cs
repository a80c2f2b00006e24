using Microsoft.Data.Sqlite;

namespace ZealousEmber.Store.Saving;

/// <summary>Whether the last write went through. Recovers by itself: the next write that does clears it.</summary>
public sealed class StoreHealth
{
    private string? writing;

    /// <summary>What is wrong; nothing while all is well.</summary>
    public string? Trouble =>
        Damage is { } damage ? $"The data file is damaged ({damage}). Make a backup of what there is, and put the last good one in its place." : writing;

    /// <summary>What is wrong with the file itself; stays until it is another.</summary>
    public string? Damage { get; set; }

    /// <summary>True for the errors of a disk that takes no more.</summary>
    public static bool IsFull(Exception? error)
    {
        for (; error is not null; error = error.InnerException)
        {
            if (error is SqliteException { SqliteErrorCode: 13 })
                return true;
            if (error is IOException && error.HResult is 28 or unchecked((int)0x80070070))
                return true;
        }
        return false;
    }

    /// <summary>True where the file itself is damaged, there where it was read.</summary>
    public static bool IsDamaged(Exception? error)
    {
        for (; error is not null; error = error.InnerException)
        {
            if (error is SqliteException { SqliteErrorCode: 11 or 26 })
                return true;
        }
        return false;
    }

    /// <summary>True when the database stayed busy longer than anybody waits.</summary>
    public static bool IsBusy(Exception? error)
    {
        for (; error is not null; error = error.InnerException)
        {
            if (error is StoreBusyException or SqliteException { SqliteErrorCode: 5 or 6 })
                return true;
        }
        return false;
    }

    internal void Failed(Exception error)
    {
        if (IsFull(error))
            writing = "The disk is full: nothing can be saved until there is room.";
    }

    internal void Succeeded() => writing = null;
}
