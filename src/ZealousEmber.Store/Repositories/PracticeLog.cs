using Microsoft.EntityFrameworkCore;
using NodaTime;
using ZealousEmber.Store.Files;

namespace ZealousEmber.Store.Repositories;

/// <summary>A task somebody tried; added, never changed.</summary>
internal sealed class PracticeRow
{
    public int Id { get; set; }

    public string Person { get; set; } = "";

    public string Controller { get; set; } = "";

    public string Task { get; set; } = "";

    public bool IsDone { get; set; }

    public int Seconds { get; set; }

    public int Hints { get; set; }

    public Instant At { get; set; }
}

/// <summary>A task somebody tried.</summary>
/// <param name="Person">By name.</param>
/// <param name="Controller">Name of its profile.</param>
/// <param name="Task">Which.</param>
/// <param name="IsDone">It was right.</param>
/// <param name="Seconds">It took.</param>
/// <param name="Hints">Asked for.</param>
/// <param name="At">When.</param>
public sealed record PracticeTry(string Person, string Controller, string Task, bool IsDone, int Seconds, int Hints, Instant At);

/// <summary>Who practised what.</summary>
public sealed class PracticeLog(StudioContext context, WriteQueue queue)
{
    private const int MostListed = 500;

    /// <summary>Adds one.</summary>
    public async Task Add(PracticeTry t, CancellationToken cancel)
    {
        using var turn = await queue.Enter(cancel);
        context.Add(new PracticeRow { Person = t.Person, Controller = t.Controller, Task = t.Task, IsDone = t.IsDone, Seconds = t.Seconds, Hints = t.Hints, At = t.At });
        await context.SaveChangesAsync(cancel);
    }

    /// <summary>Of one person, the latest first.</summary>
    public async Task<IReadOnlyList<PracticeTry>> Of(string person, CancellationToken cancel) =>
        await context.Set<PracticeRow>().AsNoTracking().Where(p => p.Person == person).OrderByDescending(p => p.At).ThenByDescending(p => p.Id).Take(MostListed)
            .Select(p => new PracticeTry(p.Person, p.Controller, p.Task, p.IsDone, p.Seconds, p.Hints, p.At)).ToListAsync(cancel);
}
