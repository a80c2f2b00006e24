using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Files;

/// <summary>The studio's database as a whole: brought up to date, looked at for damage, copied, and taken over from a copy.</summary>
public sealed class StudioCopies
{
    private readonly StudioContext context;
    private readonly WriteQueue queue;
    private readonly StudioFolder folder;
    private readonly TimeProvider time;

    internal StudioCopies(StudioContext context, WriteQueue queue, StudioFolder folder, TimeProvider time) =>
        (this.context, this.queue, this.folder, this.time) = (context, queue, folder, time);

    /// <summary>
    /// Copies the database of a folder that a program may be using. Throws <see cref="StudioFolderException"/> where there is none, or where it cannot be
    /// copied.
    /// </summary>
    /// <param name="folder">The data folder; it is not held.</param>
    /// <param name="file">Where the copy goes; what is there already stays, and nothing is copied.</param>
    public static async Task CopyOf(string folder, string file)
    {
        if (File.Exists(file))
            throw new StudioFolderException($"{file} is there already; nothing was overwritten.");
        try
        {
            await using var context = Open(folder);
            await StudioDatabase.CopyTo(context, file);
        }
        catch (Exception error) when (error is SqliteException or IOException or UnauthorizedAccessException)
        {
            throw new StudioFolderException($"No backup was made: {error.Message}");
        }
    }

    /// <summary>
    /// What is damaged in the database of a folder that a program may be using; nothing where it is whole. Throws <see cref="StudioFolderException"/> where
    /// there is none.
    /// </summary>
    public static async Task<string?> DamageOf(string folder)
    {
        await using var context = Open(folder);
        return await StudioDatabase.LookForDamage(context, CancellationToken.None);
    }

    private static StudioContext Open(string folder)
    {
        var database = StudioFolder.DatabaseIn(folder);
        if (!File.Exists(database))
            throw new StudioFolderException($"There is no studio in {folder}. Name its folder with EMBER_DATA.");
        return new StudioContext(new DbContextOptionsBuilder<StudioContext>().UseSqlite($"Data Source={database};Pooling=False").Options);
    }

    /// <summary>
    /// Puts a copy in the place of the database of a held folder; what was there before is kept as a backup. Throws <see cref="StudioFolderException"/>.
    /// </summary>
    public static Task Restore(string copy, StudioFolder folder, DateTimeOffset now) => StudioDatabase.Restore(copy, folder, now);

    /// <summary>Makes the database, or brings one of an earlier version up to date, with a backup first.</summary>
    public Task BringUpToDate() => StudioDatabase.BringUpToDate(context, folder, time.GetUtcNow());

    /// <summary>What is damaged in it, in a sentence; nothing where nothing is.</summary>
    public Task<string?> LookForDamage(CancellationToken cancel) => StudioDatabase.LookForDamage(context, cancel);

    /// <summary>Copies it while it is in use.</summary>
    public Task CopyTo(string path) => StudioDatabase.CopyTo(context, path);

    /// <summary>Whether nothing was written in it yet.</summary>
    public Task<bool> IsEmpty(CancellationToken cancel) => StudioDatabase.IsEmpty(context, cancel);

    /// <summary>
    /// Takes over what is in another database file; false, and nothing is done, where something was written here before. Throws <see
    /// cref="StudioFolderException"/>.
    /// </summary>
    /// <param name="file">A database of this program.</param>
    /// <param name="calledSo">What it is called where something is wrong with it.</param>
    /// <param name="cancel">Gives up.</param>
    public Task<bool> TakeOver(string file, string calledSo, CancellationToken cancel) =>
        StudioDatabase.TakeOver(context, queue, file, calledSo, time.GetUtcNow(), cancel);
}
