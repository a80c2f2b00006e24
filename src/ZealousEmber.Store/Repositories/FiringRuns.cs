using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>A firing under way whose start cannot be read.</summary>
public sealed record UnreadableRun(int FiringId, int KilnId, Instant StartsAt, string? By);

/// <summary>When what happened to a started firing; where it stands follows from it.</summary>
public sealed record RunMoments(
    int FiringId,
    int KilnId,
    Instant StartsAt,
    Instant? StoppedAt,
    Instant? CooledAt,
    Instant? OpenedAt,
    Instant? ReadAt,
    Instant? ClosedAt,
    string? By
)
{
    /// <summary>Where it stands.</summary>
    public FiringState State(Instant now) => FiringRun.StateOf(now, StartsAt, StoppedAt, CooledAt, OpenedAt, ReadAt, ClosedAt);
}

/// <summary>A finished firing by its moments.</summary>
public sealed record FinishedRun(int FiringId, Instant StartsAt, Instant OpenedAt);

/// <summary>A started firing by its columns.</summary>
public sealed record StartedFiring(int FiringId, int KilnId, string Link, Instant StartsAt, Instant? OpenedAt);

/// <summary>Started firings, their entries, and the tokens of kilns.</summary>
public sealed class FiringRuns(StudioContext context, WriteQueue queue)
{
    internal const string Table = "firing_runs";
    internal const string EntryTable = "firing_entries";
    private const int Constraint = 19;

    private DbSet<FiringRunRow> Runs => context.Set<FiringRunRow>();

    private DbSet<FiringEntryRow> Noted => context.Set<FiringEntryRow>();

    /// <summary>Starts one; nothing where it has been started already, or its kiln is taken.</summary>
    public async Task<FiringRun?> Start(FiringRun run, FiringEntry entry, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await Runs.AnyAsync(r => r.FiringId == run.FiringId || (run.OpenedAt == null && r.OccupiesKiln == run.KilnId), cancel))
            return null;
        Runs.Add(FiringRunRow.From(run));
        Noted.Add(FiringEntryRow.From(run.FiringId, entry));
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException error) when (error.InnerException is SqliteException { SqliteErrorCode: Constraint })
        {
            return null;
        }
        finally
        {
            context.ChangeTracker.Clear();
        }
        return run;
    }

    /// <summary>The firing's run; nothing before it is started.</summary>
    public async Task<FiringRun?> Find(int firingId, CancellationToken cancel) =>
        await Runs.AsNoTracking().FirstOrDefaultAsync(r => r.FiringId == firingId, cancel) is { } row ? Read(row) : null;

    /// <summary>What is under way, in the order it was started.</summary>
    public async Task<IReadOnlyList<FiringRun>> UnderWay(CancellationToken cancel) =>
        [.. Readable(await Runs.AsNoTracking().Where(r => r.OccupiesKiln != null).OrderBy(r => r.StartedAt).ToListAsync(cancel))];

    /// <summary>Whether a firing is in a kiln, readable or not.</summary>
    public Task<bool> IsOccupied(int kilnId, CancellationToken cancel) => Runs.AnyAsync(r => r.OccupiesKiln == kilnId, cancel);

    /// <summary>What a firing was started as, as far as columns tell: also where the rest cannot be read. Nothing where it was not started.</summary>
    public Task<StartedFiring?> Started(int firingId, CancellationToken cancel) =>
        Runs.AsNoTracking()
            .Where(r => r.FiringId == firingId)
            .Select(r => (StartedFiring?)new StartedFiring(r.FiringId, r.KilnId, r.Link, r.StartsAt, r.OpenedAt))
            .FirstOrDefaultAsync(cancel);

    /// <summary>What is under way and cannot be read: it is not followed, and its kiln is not free.</summary>
    public async Task<IReadOnlyList<UnreadableRun>> UnreadableUnderWay(CancellationToken cancel) =>
        [
            .. (await Runs.AsNoTracking().Where(r => r.OccupiesKiln != null).ToListAsync(cancel))
                .Where(r => RowReader.TryRead(Table, r.FiringId, "", r, row => row.Read()).Item is null)
                .Select(r => new UnreadableRun(r.FiringId, r.KilnId, r.StartsAt, r.By)),
        ];

    /// <summary>Somebody says that a firing that cannot be read was opened: its kiln is free again. False where it can be read, or is over.</summary>
    public async Task<bool> OpenUnreadable(int firingId, Instant at, FiringEntry entry, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (
            await Runs.FirstOrDefaultAsync(r => r.FiringId == firingId && r.OccupiesKiln != null, cancel) is not { } row
            || RowReader.TryRead(Table, firingId, "", row, r => r.Read()).Item is not null
        )
            return false;
        (row.OpenedAt, row.OccupiesKiln) = (at, null);
        Noted.Add(FiringEntryRow.From(firingId, entry));
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
        return true;
    }

    /// <summary>When those of a kiln began that are over and not deleted, the earliest first: without reading what they were started with.</summary>
    public async Task<IReadOnlyList<FinishedRun>> FinishedIn(int kilnId, CancellationToken cancel) =>
        await Runs.AsNoTracking()
            .Where(r => r.KilnId == kilnId && r.OpenedAt != null && context.Set<FiringRow>().Any(f => f.Id == r.FiringId && f.DeletedAt == null))
            .OrderBy(r => r.StartsAt)
            .Select(r => new FinishedRun(r.FiringId, r.StartsAt, r.OpenedAt!.Value))
            .ToListAsync(cancel);

    /// <summary>Several by their firings, the earliest first; those that cannot be read are left out.</summary>
    public async Task<IReadOnlyList<FiringRun>> FindAll(IReadOnlyCollection<int> firings, CancellationToken cancel) =>
        [.. Readable(await Runs.AsNoTracking().Where(r => firings.Contains(r.FiringId)).OrderBy(r => r.StartsAt).ToListAsync(cancel))];

    /// <summary>The numbers of all that were started, the latest first.</summary>
    public Task<List<int>> AllStarted(CancellationToken cancel) => Runs.OrderByDescending(r => r.StartsAt).Select(r => r.FiringId).ToListAsync(cancel);

    /// <summary>What was started, by its columns, the latest first; only of some firings where they are named.</summary>
    public async Task<Page<RunMoments>> Started(IReadOnlyCollection<int>? firings, int skip, int take, CancellationToken cancel)
    {
        var rows = Runs.AsNoTracking();
        if (firings is not null)
            rows = rows.Where(r => firings.Contains(r.FiringId));
        var found = await rows.OrderByDescending(r => r.StartsAt)
            .ThenByDescending(r => r.FiringId)
            .Skip(skip)
            .Take(take)
            .Select(r => new RunMoments(r.FiringId, r.KilnId, r.StartsAt, r.StoppedAt, r.CooledAt, r.OpenedAt, r.ReadAt, r.ClosedAt, r.By))
            .ToListAsync(cancel);
        return new Page<RunMoments>(found, await rows.CountAsync(cancel));
    }

    /// <summary>
    /// Changes the moments of a run, with an entry that says so; what is given back as it was is not changed. Nothing where there is no such run.
    /// </summary>
    public async Task<FiringRun?> Change(int firingId, Func<FiringRun, FiringRun> change, FiringEntry? entry, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await Runs.FirstOrDefaultAsync(r => r.FiringId == firingId, cancel) is not { } row)
            return null;
        var before = Read(row);
        var run = change(before);
        if (ReferenceEquals(run, before))
            return run;
        (row.StoppedAt, row.CooledAt, row.OpenedAt, row.ReadAt, row.ClosedAt, row.OccupiesKiln) = (
            run.StoppedAt,
            run.CooledAt,
            run.OpenedAt,
            run.ReadAt,
            run.ClosedAt,
            run.IsUnderWay ? run.KilnId : null
        );
        if (entry is not null && !await Noted.AnyAsync(e => e.FiringId == firingId && e.Key == entry.Key, cancel))
            Noted.Add(FiringEntryRow.From(firingId, entry));
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
        return run;
    }

    /// <summary>Adds an entry, with its photo where it has one; the same key again is the one that is there.</summary>
    /// <returns>The entry as it is kept, and whether it is new.</returns>
    public async Task<(FiringEntry Entry, bool IsNew)> Add(int firingId, FiringEntry entry, CancellationToken cancel, Photo? photo = null)
    {
        using var turn = await queue.Enter(cancel);
        if (await Noted.AsNoTracking().FirstOrDefaultAsync(e => e.FiringId == firingId && e.Key == entry.Key, cancel) is { } made)
            return (RowReader.Read(EntryTable, made.Id, made.Kind, made, e => e.Read()), false);
        await using var transaction = photo is null ? null : await context.Database.BeginTransactionAsync(cancel);
        var row = FiringEntryRow.From(firingId, entry);
        Noted.Add(row);
        await context.SaveChangesAsync(cancel);
        if (photo is not null)
        {
            context.Add(
                new PhotoRow
                {
                    Of = PhotoOf.Entry,
                    OwnerId = row.Id,
                    ContentType = photo.ContentType,
                    Bytes = photo.Bytes,
                    TakenInAt = photo.TakenInAt,
                }
            );
            await context.SaveChangesAsync(cancel);
        }
        if (transaction is not null)
            await transaction.CommitAsync(cancel);
        context.ChangeTracker.Clear();
        return (entry, true);
    }

    /// <summary>The photo of an entry; nothing where it has none.</summary>
    public async Task<Photo?> PhotoAt(int firingId, string key, CancellationToken cancel) =>
        await Noted
            .Where(e => e.FiringId == firingId && e.Key == key)
            .Join(context.Set<PhotoRow>().Where(p => p.Of == PhotoOf.Entry), e => e.Id, p => p.OwnerId, (_, p) => p)
            .AsNoTracking()
            .FirstOrDefaultAsync(cancel)
            is { } row
            ? new Photo(row.ContentType, row.Bytes, row.TakenInAt)
            : null;

    /// <summary>Everything noted of a firing that can be read, in the order of time.</summary>
    public async Task<IReadOnlyList<FiringEntry>> Entries(int firingId, CancellationToken cancel) =>
        [
            .. RowReader.Readable(
                EntryTable,
                await Noted.AsNoTracking().Where(e => e.FiringId == firingId).OrderBy(e => e.At).ThenBy(e => e.Id).ToListAsync(cancel),
                e => e.Read()
            ),
        ];

    /// <summary>The same of several firings.</summary>
    public async Task<IReadOnlyList<(int FiringId, FiringEntry Entry)>> Entries(IReadOnlyCollection<int> firings, CancellationToken cancel) =>
        [
            .. RowReader
                .Readable(
                    EntryTable,
                    await Noted.AsNoTracking().Where(e => firings.Contains(e.FiringId)).OrderBy(e => e.At).ThenBy(e => e.Id).ToListAsync(cancel),
                    e => Tuple.Create(e.FiringId, e.Read())
                )
                .Select(e => (e.Item1, e.Item2)),
        ];

    private static FiringRun Read(FiringRunRow row) => RowReader.Read(Table, row.FiringId, "The start of a firing", row, r => r.Read());

    private static IEnumerable<FiringRun> Readable(IEnumerable<FiringRunRow> rows) => RowReader.Readable(Table, rows, r => r.Read());

    /// <summary>What the entries of firings hang on, by firing: it changes with every entry. Without reading any of them.</summary>
    public async Task<IReadOnlyDictionary<int, string>> EntryMarks(IReadOnlyCollection<int> firings, CancellationToken cancel)
    {
        var found = await Noted
            .AsNoTracking()
            .Where(e => firings.Contains(e.FiringId))
            .GroupBy(e => e.FiringId)
            .Select(g => new
            {
                g.Key,
                Count = g.Count(),
                Last = g.Max(e => e.Id),
            })
            .ToListAsync(cancel);
        return found.ToDictionary(f => f.Key, f => $"{f.Count}.{f.Last}");
    }

    /// <summary>Gives a kiln a token by its hash, in the place of the one before.</summary>
    public async Task GiveToken(int kilnId, byte[] hash, Instant at, string? by, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await context.Set<KilnTokenRow>().FirstOrDefaultAsync(t => t.KilnId == kilnId, cancel);
        if (row is null)
            context.Add(row = new KilnTokenRow { KilnId = kilnId });
        (row.Hash, row.MadeAt, row.By) = (hash, at, by);
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
    }

    /// <summary>The hash of a kiln's token; nothing where it has none.</summary>
    public async Task<byte[]?> Token(int kilnId, CancellationToken cancel) =>
        await context.Set<KilnTokenRow>().AsNoTracking().Where(t => t.KilnId == kilnId).Select(t => t.Hash).FirstOrDefaultAsync(cancel);

    /// <summary>Takes a kiln's token away; false where it had none.</summary>
    public async Task<bool> RevokeToken(int kilnId, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await context.Set<KilnTokenRow>().FirstOrDefaultAsync(t => t.KilnId == kilnId, cancel) is not { } token)
            return false;
        context.Remove(token);
        await context.SaveChangesAsync(cancel);
        return true;
    }
}
