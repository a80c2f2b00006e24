using Microsoft.EntityFrameworkCore;
using ZealousEmber.Store.Database;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.Store.Repositories;

/// <summary>Who practised what.</summary>
public sealed class PracticeLog(StudioContext context, WriteQueue queue)
{
    private const int MostListed = 500;

    /// <summary>Adds one.</summary>
    public async Task Add(PracticeTry t, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        context.Add(
            new PracticeRow
            {
                Person = t.Person,
                Controller = t.Controller,
                Task = t.Task,
                IsDone = t.IsDone,
                Seconds = t.Seconds,
                Hints = t.Hints,
                At = t.At,
            }
        );
        await context.SaveChangesAsync(cancel);
    }

    /// <summary>Of one person, the latest first.</summary>
    public async Task<IReadOnlyList<PracticeTry>> Of(string person, CancellationToken cancel) =>
        await context
            .Set<PracticeRow>()
            .AsNoTracking()
            .Where(p => p.Person == person)
            .OrderByDescending(p => p.At)
            .ThenByDescending(p => p.Id)
            .Take(MostListed)
            .Select(p => new PracticeTry(p.Person, p.Controller, p.Task, p.IsDone, p.Seconds, p.Hints, p.At))
            .ToListAsync(cancel);
}
