using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Json;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Members;

/// <summary>A name somebody typed before there were accounts.</summary>
/// <param name="Name">As typed.</param>
/// <param name="Times">In how many places it stands.</param>
public sealed record OldName(string Name, int Times);

/// <summary>Names typed before there were accounts, and whose they are: an owner says so once, and they stand as that person's from then on.</summary>
public sealed class OldNames(StudioContext context, WriteQueue queue)
{
    /// <summary>Those that are nobody's yet, the most frequent first.</summary>
    public async Task<IReadOnlyList<OldName>> Read(CancellationToken cancel)
    {
        var found = new List<string?>();
        found.AddRange(await context.Set<FiringEntryRow>().Select(e => e.By).ToListAsync(cancel));
        found.AddRange(await context.Set<FiringRunRow>().Select(r => r.By).ToListAsync(cancel));
        found.AddRange(await context.Set<EnteredProgramRow>().Select(e => e.By).ToListAsync(cancel));
        found.AddRange(await context.Set<MaintenanceRow>().Select(m => m.By).ToListAsync(cancel));
        found.AddRange(await context.Set<PracticeRow>().Select(p => p.Person).ToListAsync(cancel));
        found.AddRange(await context.ScheduleVersions.Select(v => v.SavedBy).ToListAsync(cancel));
        found.AddRange(await context.Schedules.Select(s => s.UpdatedBy).ToListAsync(cancel));
        found.AddRange(await context.Set<FiringRow>().Select(f => f.UpdatedBy).ToListAsync(cancel));
        foreach (var lots in await context.Set<FiringRow>().Select(f => f.Lots).ToListAsync(cancel))
            found.AddRange(RowReader.TryRead("firings", 0, "", lots, StoredJson.Read<StoredLot[]>).Item?.Select(l => l.Whose) ?? []);
        var known = (await context.Set<PersonRow>().Select(p => p.UserName!).ToListAsync(cancel)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return
        [
            .. found
                .OfType<string>()
                .Where(n => n.Length > 0 && !known.Contains(n))
                .GroupBy(n => n)
                .Select(g => new OldName(g.Key, g.Count()))
                .OrderByDescending(n => n.Times)
                .ThenBy(n => n.Name, StringComparer.CurrentCultureIgnoreCase),
        ];
    }

    /// <summary>Says whose a name is: it stands as hers everywhere from then on. False where there is no such person.</summary>
    public async Task<bool> Match(string name, int personId, Writer writer, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        if (await context.Set<PersonRow>().AsNoTracking().FirstOrDefaultAsync(p => p.Id == personId && p.FormerNumber == null, cancel) is not { } person)
            return false;
        var called = person.UserName!;
        await using var whole = await context.Database.BeginTransactionAsync(cancel);
        await context.Set<FiringEntryRow>().Where(e => e.By == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.By, called), cancel);
        await context.Set<FiringRunRow>().Where(r => r.By == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.By, called), cancel);
        await context.Set<EnteredProgramRow>().Where(e => e.By == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.By, called), cancel);
        await context.Set<MaintenanceRow>().Where(m => m.By == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.By, called), cancel);
        await context.Set<PracticeRow>().Where(p => p.Person == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.Person, called), cancel);
        await context.ScheduleVersions.Where(v => v.SavedBy == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.SavedBy, called), cancel);
        await context.Schedules.Where(v => v.UpdatedBy == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.UpdatedBy, called), cancel);
        await context.Set<FiringRow>().Where(v => v.UpdatedBy == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.UpdatedBy, called), cancel);
        await context.Set<FiringRecordRow>().Where(v => v.UpdatedBy == name).ExecuteUpdateAsync(s => s.SetProperty(r => r.UpdatedBy, called), cancel);
        // What the logbook says of it is worked out anew.
        await context.Set<FiringRecordRow>().ExecuteUpdateAsync(s => s.SetProperty(r => r.FiguresOf, (string?)null), cancel);
        foreach (var firing in await context.Set<FiringRow>().Where(f => f.Lots.Contains("Whose")).ToListAsync(cancel))
        {
            if (
                RowReader.TryRead("firings", firing.Id, firing.Name, firing.Lots, StoredJson.Read<StoredLot[]>).Item is { } lots
                && lots.Any(l => l.Whose == name)
            )
                firing.Lots = StoredJson.Write(lots.Select(l => l.Whose == name ? l with { Whose = called } : l).ToArray());
        }
        await context.SaveChangesAsync(cancel);
        context.ChangeTracker.Clear();
        await context.Note(writer, "took over an old name for", $"people/{personId}", new JsonObject { ["name"] = name }, cancel);
        await whole.CommitAsync(cancel);
        return true;
    }
}
