using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>What a search of the library asks for; what is empty does not narrow it.</summary>
/// <param name="Words">All of these words must be found in name, tags or notes.</param>
/// <param name="Kind">Only of this kind.</param>
/// <param name="Tag">Only with this tag.</param>
public sealed record ScheduleQuery(string? Words = null, ScheduleKind? Kind = null, string? Tag = null);

/// <summary>Whose a schedule is.</summary>
/// <param name="Id">Number of who wrote it; nothing where it is older than accounts, and the owners'.</param>
public sealed record ScheduleOwner(int? Id);

/// <summary>Schedules and every version of them.</summary>
public sealed class ScheduleRepository(StudioContext context, WriteQueue queue, TimeProvider time)
{
    private const string Table = "schedules";

    // The index knows runs of three letters; shorter words are looked for in the text itself.
    private const int ShortestIndexed = 3;

    private IQueryable<ScheduleRow> Present => context.Schedules.Where(s => s.DeletedAt == null);

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    /// <summary>Schedules that match, last changed first.</summary>
    public async Task<Page<Versioned<Schedule>>> Search(ScheduleQuery query, int skip, int take, CancellationToken cancel)
    {
        var rows = Matching(query);
        var total = await rows.CountAsync(cancel);
        var found = await rows.OrderByDescending(s => s.UpdatedAt).ThenByDescending(s => s.Id).Skip(skip).Take(take).ToListAsync(cancel);
        return new Page<Versioned<Schedule>>([.. Readable(found)], total);
    }

    /// <summary>Several by their numbers, last changed first; all of them when none is named.</summary>
    public async Task<IReadOnlyList<Versioned<Schedule>>> All(IReadOnlyCollection<int> ids, CancellationToken cancel)
    {
        var rows = Present.AsNoTracking();
        if (ids.Count > 0)
            rows = rows.Where(s => ids.Contains(s.Id));
        return [.. Readable(await rows.OrderByDescending(s => s.UpdatedAt).ThenByDescending(s => s.Id).ToListAsync(cancel))];
    }

    /// <summary>What cannot be read.</summary>
    public async Task<IReadOnlyList<UnreadableRow>> Unreadable(CancellationToken cancel) =>
        [.. (await Present.AsNoTracking().ToListAsync(cancel)).Select(r => RowReader.TryRead(Table, r, row => row.Read()).Unreadable).OfType<UnreadableRow>()];

    /// <summary>One schedule, or nothing when it is not there or was deleted. Throws <see cref="UnreadableRowException"/> when it cannot be read.</summary>
    public async Task<Versioned<Schedule>?> Find(int id, CancellationToken cancel) =>
        await Present.AsNoTracking().FirstOrDefaultAsync(s => s.Id == id, cancel) is { } row ? ToVersioned(row) : null;

    /// <summary>Who wrote a schedule; nothing where there is no such schedule, deleted ones being there still.</summary>
    public async Task<ScheduleOwner?> OwnerOf(int id, CancellationToken cancel) =>
        await context.Schedules.AsNoTracking().Where(s => s.Id == id).Select(s => new ScheduleOwner(s.OwnerId)).FirstOrDefaultAsync(cancel);

    /// <summary>Adds new schedules, all or none, each as its version 1; one sent again with the same key is the one that was added.</summary>
    public async Task<IReadOnlyList<Versioned<Schedule>>> Add(IReadOnlyList<Schedule> schedules, SaveStamp stamp, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (stamp.Key is { } key && await Present.AsNoTracking().Where(s => s.CreateKey == key).OrderBy(s => s.Id).ToListAsync(cancel) is { Count: > 0 } made)
            return [.. made.Select(ToVersioned)];
        var own = context.Database.CurrentTransaction is null ? await context.Database.BeginTransactionAsync(cancel) : null;
        var rows = new List<ScheduleRow>();
        foreach (var schedule in schedules)
        {
            var row = new ScheduleRow { CreateKey = stamp.Key, OwnerId = stamp.PersonId };
            Write(row, schedule, stamp);
            rows.Add(row);
        }
        context.Schedules.AddRange(rows);
        await context.SaveChangesAsync(cancel);
        for (var i = 0; i < rows.Count; i++)
            AddVersion(rows[i], schedules[i], stamp);
        await context.SaveChangesAsync(cancel);
        if (own is not null)
        {
            await own.CommitAsync(cancel);
            await own.DisposeAsync();
        }
        return [.. rows.Select(ToVersioned)];
    }

    /// <summary>Saves over the version the writer had read; a newer one is never overwritten.</summary>
    /// <param name="id">Which schedule.</param>
    /// <param name="readVersion">The version the change was made on; none means whichever is there.</param>
    /// <param name="schedule">What it says now.</param>
    /// <param name="stamp">Who, and the key of the save.</param>
    /// <param name="cancel">Stops waiting.</param>
    public async Task<SaveOutcome<Versioned<Schedule>>> Save(int id, int? readVersion, Schedule schedule, SaveStamp stamp, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await Present.FirstOrDefaultAsync(s => s.Id == id, cancel);
        if (row is null)
            return new SaveOutcome<Versioned<Schedule>>.NotFound();
        if (readVersion is { } read && read != row.Version)
        {
            // The answer to this very save was lost on its way; it is not somebody else's.
            var again = stamp.Key is { } key && row.SaveKey == key && row.Version == read + 1;
            return again ? new SaveOutcome<Versioned<Schedule>>.Saved(ToVersioned(row)) : new SaveOutcome<Versioned<Schedule>>.Conflict(ToVersioned(row));
        }
        if (RowReader.TryRead(Table, row, r => r.Read()).Item?.SameContent(schedule) == true)
            return new SaveOutcome<Versioned<Schedule>>.Saved(ToVersioned(row));
        Write(row, schedule, stamp);
        AddVersion(row, schedule, stamp);
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<Versioned<Schedule>>.Saved(ToVersioned(row));
        }
        catch (DbUpdateConcurrencyException)
        {
            // Another program on the same file: the row moved on between the look and the save.
            context.ChangeTracker.Clear();
            return await Find(id, cancel) is { } current
                ? new SaveOutcome<Versioned<Schedule>>.Conflict(current)
                : new SaveOutcome<Versioned<Schedule>>.NotFound();
        }
    }

    /// <summary>Takes a schedule out of sight, unless it was changed since the version named; <see cref="Restore"/> brings it back.</summary>
    public async Task<SaveOutcome<Versioned<Schedule>>> Delete(int id, int? readVersion, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        var row = await Present.FirstOrDefaultAsync(s => s.Id == id, cancel);
        if (row is null)
            return new SaveOutcome<Versioned<Schedule>>.NotFound();
        if (readVersion is { } version && version != row.Version)
            return new SaveOutcome<Versioned<Schedule>>.Conflict(ToVersioned(row));
        row.DeletedAt = Now;
        await context.SaveChangesAsync(cancel);
        return new SaveOutcome<Versioned<Schedule>>.Saved(new Versioned<Schedule>(row.Id, row.Version, row.UpdatedAt, null!));
    }

    /// <summary>Brings a deleted schedule back as it was; nothing when it never was.</summary>
    public async Task<Versioned<Schedule>?> Restore(int id, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await context.Schedules.FirstOrDefaultAsync(s => s.Id == id && s.DeletedAt != null, cancel) is { } row)
        {
            row.DeletedAt = null;
            await context.SaveChangesAsync(cancel);
        }
        return await Find(id, cancel);
    }

    /// <summary>Every version of a schedule that can be read, newest first; empty when there is no such schedule.</summary>
    public async Task<IReadOnlyList<Versioned<Schedule>>> Versions(int id, CancellationToken cancel)
    {
        var rows = await context
            .ScheduleVersions.AsNoTracking()
            .Where(v => v.ScheduleId == id && Present.Any(s => s.Id == id))
            .OrderByDescending(v => v.Number)
            .ToListAsync(cancel);
        return [.. rows.Select(Read).OfType<Versioned<Schedule>>()];
    }

    /// <summary>Why versions were made, and after which firing; those nobody gave a reason for are left out.</summary>
    public async Task<IReadOnlyDictionary<int, (string Reason, int? FromFiring)>> Reasons(int id, CancellationToken cancel) =>
        await context
            .ScheduleVersions.AsNoTracking()
            .Where(v => v.ScheduleId == id && v.Reason != null)
            .ToDictionaryAsync(v => v.Number, v => (v.Reason!, v.FromFiring), cancel);

    /// <summary>One version, of a deleted schedule too: what a firing was fired with stays to be seen.</summary>
    public async Task<Versioned<Schedule>?> Version(int id, int number, CancellationToken cancel) =>
        await context.ScheduleVersions.AsNoTracking().FirstOrDefaultAsync(v => v.ScheduleId == id && v.Number == number, cancel) is { } row ? Read(row) : null;

    /// <summary>The present version of each schedule.</summary>
    public async Task<IReadOnlyDictionary<int, int>> PresentVersions(CancellationToken cancel) =>
        await Present.ToDictionaryAsync(s => s.Id, s => s.Version, cancel);

    /// <summary>All tags in use with how often, most used first.</summary>
    public async Task<IReadOnlyList<(string Tag, int Count)>> Tags(CancellationToken cancel)
    {
        var tags = await Present.AsNoTracking().Select(s => s.Tags).ToListAsync(cancel);
        return
        [
            .. tags.SelectMany(TagsOf).CountBy(t => t).OrderByDescending(t => t.Value).ThenBy(t => t.Key, StringComparer.Ordinal).Select(t => (t.Key, t.Value)),
        ];
    }

    private IQueryable<ScheduleRow> Matching(ScheduleQuery query)
    {
        var words = SearchWords.Of(query.Words).ToList();
        var indexed = words.Where(w => w.Length >= ShortestIndexed).ToList();
        // Quoted, every word is only text to the index, whatever signs are in it.
        var match = string.Join(" AND ", indexed.Select(w => $"\"{w.Replace("\"", "\"\"")}\""));
        var rows = (
            indexed.Count == 0
                ? context.Schedules
                : context.Schedules.FromSql($"SELECT * FROM schedules WHERE Id IN (SELECT rowid FROM schedule_search WHERE schedule_search MATCH {match})")
        )
            .AsNoTracking()
            .Where(s => s.DeletedAt == null);
        foreach (var word in words.Where(w => w.Length < ShortestIndexed))
            rows = rows.Where(s => s.SearchText.Contains(word));
        if (query.Kind is { } kind)
        {
            var name = kind.ToString();
            rows = rows.Where(s => s.Kind == name);
        }
        if (query.Tag?.Trim().ToLowerInvariant() is { Length: > 0 } tag)
        {
            var quoted = JsonSerializer.Serialize(tag);
            rows = rows.Where(s => s.Tags.Contains(quoted));
        }
        return rows;
    }

    private static IEnumerable<Versioned<Schedule>> Readable(IEnumerable<ScheduleRow> rows) =>
        rows.Select(r => (Row: r, RowReader.TryRead(Table, r, row => row.Read()).Item)).Where(r => r.Item is not null).Select(r => ToVersioned(r.Row, r.Item!));

    private static Versioned<Schedule> ToVersioned(ScheduleRow row) =>
        RowReader.TryRead(Table, row, r => r.Read()) is var read && read.Item is { } schedule
            ? ToVersioned(row, schedule)
            : throw new UnreadableRowException(read.Unreadable!);

    private static Versioned<Schedule> ToVersioned(ScheduleRow row, Schedule schedule) =>
        new(row.Id, row.Version, row.UpdatedAt, schedule, row.UpdatedBy, row.SaveKey);

    private static Versioned<Schedule>? Read(ScheduleVersionRow row)
    {
        try
        {
            return new Versioned<Schedule>(row.ScheduleId, row.Number, row.SavedAt, row.Read(), row.SavedBy);
        }
        catch (Exception error) when (error is not OutOfMemoryException)
        {
            // A damaged version takes nothing with it but itself.
            return null;
        }
    }

    private static string[] TagsOf(string tags)
    {
        try
        {
            return JsonSerializer.Deserialize<string[]>(tags) ?? [];
        }
        catch (JsonException)
        {
            return [];
        }
    }

    private void Write(ScheduleRow row, Schedule schedule, SaveStamp stamp)
    {
        row.Write(schedule);
        row.Stamp(Now, stamp);
        row.SearchText = string.Join(' ', [schedule.Name, schedule.Notes, .. schedule.Tags]).ToLowerInvariant();
    }

    private void AddVersion(ScheduleRow row, Schedule schedule, SaveStamp stamp)
    {
        var version = new ScheduleVersionRow
        {
            ScheduleId = row.Id,
            Number = row.Version,
            SavedAt = row.UpdatedAt,
            SavedBy = row.UpdatedBy,
            Reason = stamp.Reason,
            FromFiring = stamp.FromFiring,
        };
        version.Write(schedule);
        context.ScheduleVersions.Add(version);
    }
}
