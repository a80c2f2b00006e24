using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Files;

/// <summary>The database file as a whole: brought up to date, copied while it runs, restored.</summary>
internal static class StudioDatabase
{
    /// <summary>Number of the shape of the data itself, kept in the file; goes up when stored JSON changes.</summary>
    private const int DataVersion = 1;

    private const int NotADatabase = 26;
    private const int Corrupt = 11;

    /// <summary>
    /// Brings the file to the present shape: a copy is made first where anything is to be changed. Throws <see cref="StudioFolderException"/> when the file
    /// is damaged or from a newer program. The folder must be held, so that a lock left behind by a program that was ended is known to be nobody's.
    /// </summary>
    public static async Task BringUpToDate(StudioContext context, StudioFolder folder, DateTimeOffset now)
    {
        try
        {
            var existed = File.Exists(folder.Database) && new FileInfo(folder.Database).Length > 0;
            if (existed)
                await Check(context, folder.Database);
            await WhereThereIsRoom(() => ClearStaleLock(context));
            var pending = (await context.Database.GetPendingMigrationsAsync()).ToList();
            var outdated = existed && await DataVersionOf(context) < DataVersion;
            if (existed && (pending.Count > 0 || outdated))
                await CopyTo(context, BackupPath(folder, "before-upgrade", now));
            if (pending.Count > 0)
                await context.Database.MigrateAsync();
            await UpgradeData(context);
            await WhereThereIsRoom(() => BuiltInControllers.Stock(context, NodaTime.Instant.FromDateTimeOffset(now)));
            // Readers do not wait for a writer; the setting stays with the file.
            await WhereThereIsRoom(() => context.Database.ExecuteSqlRawAsync("PRAGMA journal_mode = WAL"));
            folder.MakePrivate();
        }
        catch (SqliteException error) when (error.SqliteErrorCode is NotADatabase or Corrupt)
        {
            throw new StudioFolderException(
                $"{folder.Database} is damaged or no database of this program. Put a backup in its place (see the README), or choose another folder with "
                    + "EMBER_DATA."
            );
        }
        catch (SqliteException error)
        {
            throw new StudioFolderException($"{folder.Database} cannot be opened: {error.Message}");
        }
    }

    /// <summary>What is wrong with the file, as far as a quick look tells; nothing where it is whole. Reading goes on all the same.</summary>
    public static async Task<string?> LookForDamage(StudioContext context, CancellationToken cancel)
    {
        try
        {
            var found = await context.Database.SqlQueryRaw<string>("SELECT quick_check AS Value FROM pragma_quick_check LIMIT 1").SingleAsync(cancel);
            return found == "ok" ? null : found;
        }
        catch (SqliteException error)
        {
            return error.Message;
        }
    }

    /// <summary>On a full disk it starts all the same: a firing under way is followed without a word being written.</summary>
    private static async Task WhereThereIsRoom(Func<Task> write)
    {
        try
        {
            await write();
        }
        catch (Exception error) when (StoreHealth.IsFull(error))
        {
            // Said by the health check, and made up for at the next start.
        }
    }

    /// <summary>A consistent copy of the database, made while it is in use; SQLite's own <c>VACUUM INTO</c>.</summary>
    /// <param name="context">The database.</param>
    /// <param name="path">A file that does not exist yet; its folder is made.</param>
    public static async Task CopyTo(StudioContext context, string path)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        await context.Database.ExecuteSqlAsync($"VACUUM INTO {path}");
        if (!OperatingSystem.IsWindows())
            File.SetUnixFileMode(path, UnixFileMode.UserRead | UnixFileMode.UserWrite);
    }

    /// <summary>
    /// Puts a copy in the place of the database, once it was found whole; the present one is moved to the backups. Throws <see cref="StudioFolderException"/>
    /// otherwise.
    /// </summary>
    public static async Task Restore(string copy, StudioFolder folder, DateTimeOffset now)
    {
        if (!File.Exists(copy))
            throw new StudioFolderException($"There is no file {copy}.");
        // Looked at where it is going to lie: the copy itself is not touched, and what takes its place at last is one rename.
        var arriving = folder.Database + ".arriving";
        try
        {
            File.Copy(copy, arriving, overwrite: true);
            await CheckWhole(arriving, copy);
            MoveAside(folder, now);
            File.Move(arriving, folder.Database);
            folder.MakePrivate();
        }
        catch (Exception error) when (error is IOException or UnauthorizedAccessException)
        {
            throw new StudioFolderException($"Nothing was restored: {error.Message}");
        }
        finally
        {
            foreach (var ending in Endings)
                File.Delete(arriving + ending);
        }
    }

    /// <summary>True while nothing was ever written in a studio: no schedule, no kiln, no firing, not even a deleted one.</summary>
    public static async Task<bool> IsEmpty(StudioContext context, CancellationToken cancel) =>
        !await context.Set<ScheduleRow>().AnyAsync(cancel)
        && !await context.Set<KilnRow>().AnyAsync(cancel)
        && !await context.Set<FiringRow>().AnyAsync(cancel)
        && !await context.Set<FiringRunRow>().AnyAsync(cancel);

    /// <summary>
    /// Takes everything over from another studio's database while the program runs, all of it or nothing. The file is checked and brought to the present shape
    /// first; it may be
    /// changed by that. Throws <see cref="StudioFolderException"/> where it is damaged, no studio, or from a newer program.
    /// </summary>
    /// <param name="context">The studio that takes it over; what it has goes.</param>
    /// <param name="queue">Nobody else writes meanwhile.</param>
    /// <param name="file">The other database.</param>
    /// <param name="calledSo">What it is called in messages.</param>
    /// <param name="now">For what a new version adds.</param>
    /// <param name="cancel">Gives up before anything is taken over.</param>
    /// <returns>False where something was written in this studio meanwhile: it stays, and nothing is taken over.</returns>
    public static async Task<bool> TakeOver(StudioContext context, WriteQueue queue, string file, string calledSo, DateTimeOffset now, CancellationToken cancel)
    {
        await CheckWhole(file, calledSo, hasTables: true);
        await using (var arriving = new StudioContext(new DbContextOptionsBuilder<StudioContext>().UseSqlite($"Data Source={file};Pooling=False").Options))
        {
            await ClearStaleLock(arriving);
            try
            {
                await arriving.Database.MigrateAsync(cancel);
            }
            catch (SqliteException error) when (!StoreHealth.IsFull(error))
            {
                throw new StudioFolderException($"{calledSo} cannot be brought up to date: {error.Message}");
            }
            await UpgradeData(arriving);
            await BuiltInControllers.Stock(arriving, NodaTime.Instant.FromDateTimeOffset(now));
            await arriving.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)", cancel);
        }
        using var turn = await queue.Enter(cancel);
        if (!await IsEmpty(context, cancel))
            return false;
        await context.Database.OpenConnectionAsync(cancel);
        try
        {
            await context.Database.ExecuteSqlAsync($"ATTACH DATABASE {file} AS arriving", cancel);
            try
            {
                await using var transaction = await context.Database.BeginTransactionAsync(cancel);
                await context.Database.ExecuteSqlRawAsync("PRAGMA defer_foreign_keys = ON", cancel);
                // The audit that comes along takes the place of that of an empty studio; both are whole.
                await context.Database.ExecuteSqlRawAsync(AuditGuards.Lift, cancel);
                foreach (var table in context.Model.GetEntityTypes().Select(t => t.GetTableName()!).Distinct())
                {
                    // Names of tables and columns are the program's own.
                    var columns = string.Join(
                        ", ",
                        (await context.Database.SqlQuery<string>($"SELECT name AS Value FROM pragma_table_info({table})").ToListAsync(cancel)).Select(c =>
                            $"\"{c}\""
                        )
                    );
#pragma warning disable EF1002
                    await context.Database.ExecuteSqlRawAsync(
                        $"DELETE FROM main.\"{table}\"; INSERT INTO main.\"{table}\" ({columns}) SELECT {columns} FROM arriving.\"{table}\"",
                        cancel
                    );
#pragma warning restore EF1002
                }
                await context.Database.ExecuteSqlRawAsync(AuditGuards.Raise, cancel);
                await transaction.CommitAsync(cancel);
                return true;
            }
            catch (SqliteException error) when (!StoreHealth.IsFull(error) && !StoreHealth.IsBusy(error))
            {
                throw new StudioFolderException($"{calledSo} is no database of this program: {error.Message}");
            }
            finally
            {
                await context.Database.ExecuteSqlRawAsync("DETACH DATABASE arriving", CancellationToken.None);
            }
        }
        finally
        {
            await context.Database.CloseConnectionAsync();
            context.ChangeTracker.Clear();
        }
    }

    private static readonly string[] Endings = ["", "-wal", "-shm"];

    private static async Task CheckWhole(string file, string calledSo, bool hasTables = false)
    {
        await using var source = new StudioContext(new DbContextOptionsBuilder<StudioContext>().UseSqlite($"Data Source={file};Pooling=False").Options);
        try
        {
            await Check(source, calledSo);
            // An empty file is a database as well, of nothing; a view is no table, whatever it is called.
            if (
                hasTables
                && await source
                    .Database.SqlQueryRaw<int>("SELECT COUNT(*) AS Value FROM sqlite_master WHERE type = 'table' AND name = '__EFMigrationsHistory'")
                    .SingleAsync() == 0
            )
                throw new StudioFolderException($"{calledSo} holds no studio.");
            if (await source.Database.SqlQueryRaw<int>("SELECT COUNT(*) AS Value FROM sqlite_master WHERE type = 'view'").SingleAsync() > 0)
                throw new StudioFolderException($"{calledSo} is no database of this program: it holds a view.");
            var wrong = await source.Database.SqlQueryRaw<string>("SELECT integrity_check AS Value FROM pragma_integrity_check LIMIT 1").SingleAsync();
            if (wrong != "ok")
                throw new StudioFolderException($"{calledSo} is damaged: {wrong}.");
        }
        catch (SqliteException error)
        {
            throw new StudioFolderException($"{calledSo} is no database of this program: {error.Message}");
        }
    }

    private static void MoveAside(StudioFolder folder, DateTimeOffset now)
    {
        if (!File.Exists(folder.Database))
            return;
        var aside = BackupPath(folder, "before-restore", now);
        Directory.CreateDirectory(Path.GetDirectoryName(aside)!);
        foreach (var ending in Endings.Where(e => File.Exists(folder.Database + e)))
            File.Move(folder.Database + ending, aside + ending);
    }

    /// <summary>A name for a copy that is not taken yet.</summary>
    public static string BackupPath(StudioFolder folder, string why, DateTimeOffset now)
    {
        var name = string.Create(CultureInfo.InvariantCulture, $"ember-{why}-{now:yyyyMMdd-HHmmss}");
        var path = Path.Combine(folder.Backups, $"{name}.db");
        for (var i = 2; File.Exists(path); i++)
            path = Path.Combine(folder.Backups, string.Create(CultureInfo.InvariantCulture, $"{name}-{i}.db"));
        return path;
    }

    private static async Task Check(StudioContext context, string file)
    {
        var known = context.Database.GetMigrations().ToHashSet();
        var hasHistory =
            await context.Database.SqlQueryRaw<int>("SELECT COUNT(*) AS Value FROM sqlite_master WHERE name = '__EFMigrationsHistory'").SingleAsync() > 0;
        var applied = hasHistory ? await context.Database.SqlQueryRaw<string>("SELECT MigrationId AS Value FROM __EFMigrationsHistory").ToListAsync() : [];
        if (applied.Any(m => !known.Contains(m)) || await DataVersionOf(context) > DataVersion)
            throw new StudioFolderException(
                $"{file} was written by a newer version of Zealous Ember. Start that version, or choose another folder with EMBER_DATA."
            );
        // A program ended in its very first moment leaves the lock of the migrations behind, and nothing else.
        if (
            !hasHistory
            && await context.Database.SqlQueryRaw<int>("SELECT COUNT(*) AS Value FROM sqlite_master WHERE tbl_name <> '__EFMigrationsLock'").SingleAsync() > 0
        )
            throw new StudioFolderException($"{file} is no database of this program.");
    }

    /// <summary>The lock of the migrations is a row; a program ended in that moment leaves it behind, and the next would wait for ever.</summary>
    private static async Task ClearStaleLock(StudioContext context)
    {
        if (await context.Database.SqlQueryRaw<int>("SELECT COUNT(*) AS Value FROM sqlite_master WHERE name = '__EFMigrationsLock'").SingleAsync() > 0)
            await context.Database.ExecuteSqlRawAsync("DELETE FROM __EFMigrationsLock");
    }

    private static Task<int> DataVersionOf(StudioContext context) =>
        context.Database.SqlQueryRaw<int>("SELECT user_version AS Value FROM pragma_user_version").SingleAsync();

    /// <summary>Writes what is readable in the present schema, all of it or nothing; what cannot be read stays as it is, to be looked at.</summary>
    private static async Task UpgradeData(StudioContext context)
    {
        if (await DataVersionOf(context) >= DataVersion)
            return;
        await using var transaction = await context.Database.BeginTransactionAsync();
        foreach (var row in await context.Set<ScheduleRow>().ToListAsync())
            Rewrite(() => row.Segments = StoredJson.Write(StoredJson.Read<StoredStep[]>(row.Segments)));
        foreach (var row in await context.Set<ScheduleVersionRow>().ToListAsync())
            Rewrite(() => row.Segments = StoredJson.Write(StoredJson.Read<StoredStep[]>(row.Segments)));
        foreach (var row in await context.Set<KilnRow>().ToListAsync())
            Rewrite(() => row.Numbers = StoredJson.Write(StoredJson.Read<Dictionary<string, double>>(row.Numbers)));
        var versions = await context.Set<ScheduleRow>().ToDictionaryAsync(s => s.Id, s => s.Version);
        foreach (var row in await context.Set<FiringRow>().ToListAsync())
        {
            Rewrite(() => row.Lots = StoredJson.Write(StoredJson.Read<StoredLot[]>(row.Lots)));
            Rewrite(() => row.Accepted = StoredJson.Write(StoredJson.Read<StoredAcceptance[]>(row.Accepted)));
            if (row.ScheduleId is { } id && row.ScheduleVersion is null)
                row.ScheduleVersion = versions.TryGetValue(id, out var version) ? version : null;
        }
        foreach (var row in await context.Set<StudioSettingsRow>().ToListAsync())
        {
            Rewrite(row.UpgradePrices);
            Rewrite(() => row.People = StoredJson.Write(StoredJson.Read<StoredPerson[]>(row.People)));
            Rewrite(() => row.Marked = StoredJson.Write(StoredJson.Read<Core.Clock.WatchKind[]>(row.Marked)));
        }
        await context.SaveChangesAsync();
        await context.Database.ExecuteSqlRawAsync($"PRAGMA user_version = {DataVersion}");
        await transaction.CommitAsync();
        context.ChangeTracker.Clear();
    }

    private static void Rewrite(Action rewrite)
    {
        try
        {
            rewrite();
        }
        catch (System.Text.Json.JsonException)
        {
            // Shown as unreadable, with its raw content to be downloaded.
        }
    }
}
