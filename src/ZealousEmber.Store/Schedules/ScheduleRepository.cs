using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Store.Schedules;

/// <summary>A schedule with its place in the store.</summary>
public sealed record VersionedSchedule(int Id, int Version, Instant UpdatedAt, Schedule Schedule);

/// <summary>What a search of the library asks for; what is empty does not narrow it.</summary>
/// <param name="Words">All of these words must be found in name, tags or notes.</param>
public sealed record ScheduleQuery(string? Words = null, ScheduleKind? Kind = null, string? Tag = null);

/// <summary>Keeps schedules and every version of them.</summary>
public sealed class ScheduleStore(StudioContext context, TimeProvider time)
{
    private IQueryable<ScheduleRow> Kept => context.Schedules.Where(s => s.DeletedAt == null);

    private Instant Now => Instant.FromDateTimeOffset(time.GetUtcNow());

    /// <summary>Schedules that match, last changed first.</summary>
    public async Task<IReadOnlyList<VersionedSchedule>> Search(ScheduleQuery query, CancellationToken cancel)
    {
        var rows = Kept.AsNoTracking();
        foreach (var word in (query.Words ?? "").ToLowerInvariant().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Take(8))
            rows = rows.Where(s => s.SearchText.Contains(word));
        if (query.Kind is { } kind) rows = rows.Where(s => s.Kind == kind);
        if (query.Tag?.Trim().ToLowerInvariant() is { Length: > 0 } tag) rows = rows.Where(s => s.Tags.Contains(tag));
        var found = await rows.OrderByDescending(s => s.UpdatedAt).ThenByDescending(s => s.Id).ToListAsync(cancel);
        return [.. found.Select(ToVersioned)];
    }

    /// <summary>One schedule, or nothing when it is not there or was deleted.</summary>
    public async Task<VersionedSchedule?> Find(int id, CancellationToken cancel) =>
        await Kept.AsNoTracking().FirstOrDefaultAsync(s => s.Id == id, cancel) is { } row ? ToVersioned(row) : null;

    /// <summary>Keeps new schedules, all or none, each as its version 1.</summary>
    public async Task<IReadOnlyList<VersionedSchedule>> Add(IReadOnlyList<Schedule> schedules, CancellationToken cancel)
    {
        await using var transaction = await context.Database.BeginTransactionAsync(cancel);
        var rows = new List<ScheduleRow>();
        foreach (var schedule in schedules)
        {
            var row = new ScheduleRow();
            Write(row, schedule);
            rows.Add(row);
        }
        context.Schedules.AddRange(rows);
        await context.SaveChangesAsync(cancel);
        for (var i = 0; i < rows.Count; i++) AddVersion(rows[i], schedules[i]);
        await context.SaveChangesAsync(cancel);
        await transaction.CommitAsync(cancel);
        return [.. rows.Select(ToVersioned)];
    }

    /// <summary>Saves over the version the writer had read; a newer one is never overwritten.</summary>
    /// <param name="id">Which schedule.</param>
    /// <param name="readVersion">The version the change was made on; none means whichever is there.</param>
    /// <param name="schedule">What it says now.</param>
    /// <param name="cancel">Stops waiting.</param>
    public async Task<SaveOutcome<VersionedSchedule>> Save(int id, int? readVersion, Schedule schedule, CancellationToken cancel)
    {
        var row = await Kept.FirstOrDefaultAsync(s => s.Id == id, cancel);
        if (row is null) return new SaveOutcome<VersionedSchedule>.NotFound();
        if (readVersion is { } read && read != row.Version) return new SaveOutcome<VersionedSchedule>.Conflict(ToVersioned(row));
        if (SameContent(row.Read(), schedule)) return new SaveOutcome<VersionedSchedule>.Saved(ToVersioned(row));
        Write(row, schedule);
        AddVersion(row, schedule);
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<VersionedSchedule>.Saved(ToVersioned(row));
        }
        catch (DbUpdateException)
        {
            // Two savers passed the check above at once: the row moved on, or the version number is taken.
            context.ChangeTracker.Clear();
            if (await Find(id, cancel) is { } current && current.Version >= row.Version) return new SaveOutcome<VersionedSchedule>.Conflict(current);
            throw;
        }
    }

    /// <summary>Takes a schedule out of sight; <see cref="Restore"/> brings it back. False when it is not there.</summary>
    public async Task<bool> Delete(int id, CancellationToken cancel) =>
        await Kept.Where(s => s.Id == id).ExecuteUpdateAsync(s => s.SetProperty(r => r.DeletedAt, Now), cancel) > 0;

    /// <summary>Brings a deleted schedule back as it was; nothing when it never was.</summary>
    public async Task<VersionedSchedule?> Restore(int id, CancellationToken cancel)
    {
        await context.Schedules.Where(s => s.Id == id).ExecuteUpdateAsync(s => s.SetProperty(r => r.DeletedAt, (Instant?)null), cancel);
        return await Find(id, cancel);
    }

    /// <summary>Every version of a schedule, newest first; empty when there is no such schedule.</summary>
    public async Task<IReadOnlyList<VersionedSchedule>> Versions(int id, CancellationToken cancel)
    {
        var rows = await context.ScheduleVersions.AsNoTracking()
            .Where(v => v.ScheduleId == id && Kept.Any(s => s.Id == id))
            .OrderByDescending(v => v.Number).ToListAsync(cancel);
        return [.. rows.Select(v => new VersionedSchedule(id, v.Number, v.SavedAt, v.Read()))];
    }

    /// <summary>All tags in use with how often, most used first.</summary>
    public async Task<IReadOnlyList<(string Tag, int Count)>> Tags(CancellationToken cancel)
    {
        var tags = await Kept.AsNoTracking().Select(s => s.Tags).ToListAsync(cancel);
        return [.. tags.SelectMany(t => t).CountBy(t => t).OrderByDescending(t => t.Value).ThenBy(t => t.Key, StringComparer.Ordinal).Select(t => (t.Key, t.Value))];
    }

    private static VersionedSchedule ToVersioned(ScheduleRow row) => new(row.Id, row.Version, row.UpdatedAt, row.Read());

    private void Write(ScheduleRow row, Schedule schedule)
    {
        row.Write(schedule);
        row.Version++;
        row.UpdatedAt = Now;
        row.SearchText = string.Join(' ', [schedule.Name, schedule.Notes, .. schedule.Tags]).ToLowerInvariant();
    }

    private void AddVersion(ScheduleRow row, Schedule schedule)
    {
        var version = new ScheduleVersionRow { ScheduleId = row.Id, Number = row.Version, SavedAt = row.UpdatedAt };
        version.Write(schedule);
        context.ScheduleVersions.Add(version);
    }

    /// <summary>Records compare their arrays by reference; these must be compared by what is in them.</summary>
    private static bool SameContent(Schedule a, Schedule b) =>
        a.Name == b.Name && a.Kind == b.Kind && a.Unit == b.Unit && a.Notes == b.Notes && a.Goal == b.Goal
        && a.Tags.SequenceEqual(b.Tags) && a.Segments.SequenceEqual(b.Segments);
}
