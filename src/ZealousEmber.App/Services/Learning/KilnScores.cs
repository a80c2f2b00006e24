using System.Collections.Concurrent;
using System.Collections.Immutable;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.Learning;

/// <summary>A finished firing with what was foretold of it beside what came; empty where nothing was foretold.</summary>
internal sealed record ScoredFiring(FiringRun Run, ImmutableArray<ScoredNumber> Numbers)
{
    /// <summary>Holds a firing as started against the firing as read.</summary>
    public static ScoredFiring Of(FiringRun run, FiringRecord record) =>
        new(
            run,
            ScoredNumber.Of(
                run.Foretold,
                record.Figures ?? FiringFigures.None,
                [.. record.Packs.Select(p => Core.Learning.ShelfHeat.Of(p, null))],
                run.StoppedAt is { } stopped ? run.Minutes(stopped) / 60 : null
            )
        );
}

/// <summary>How well kilns were foretold, of their last firings, remembered while none of them changes.</summary>
internal sealed class KilnScores(WriteQueue writes, IServiceScopeFactory scopes)
{
    private const int Last = 24;

    private readonly ConcurrentDictionary<int, (long Turns, string Mark, IReadOnlyList<ScoredFiring> Firings, Widening Widening)> kilns = new();

    /// <summary>The last firings of which something was foretold, the earliest first.</summary>
    public async Task<IReadOnlyList<ScoredFiring>> Of(int kilnId, CancellationToken cancel) => (await Known(kilnId, cancel)).Firings;

    /// <summary>How far the bands of its next firing are widened.</summary>
    public async Task<Widening> Widening(int kilnId, CancellationToken cancel) => (await Known(kilnId, cancel)).Widening;

    private async Task<(IReadOnlyList<ScoredFiring> Firings, Widening Widening)> Known(int kilnId, CancellationToken cancel)
    {
        var turns = writes.Turns;
        if (kilns.TryGetValue(kilnId, out var known) && known.Turns == turns)
            return (known.Firings, known.Widening);
        await using var scope = scopes.CreateAsyncScope();
        var (runs, records) = (scope.ServiceProvider.GetRequiredService<FiringRuns>(), scope.ServiceProvider.GetRequiredService<FiringRecords>());
        var last = (await runs.FinishedIn(kilnId, cancel)).TakeLast(Last).ToList();
        int[] ids = [.. last.Select(r => r.FiringId)];
        var mark = $"{string.Join(' ', last.Select(r => $"{r.FiringId}.{r.OpenedAt}"))} {await records.MarkOf(ids, cancel)}";
        if (known.Mark == mark)
        {
            kilns[kilnId] = known with { Turns = turns };
            return (known.Firings, known.Widening);
        }
        var read = (await records.FindAll(ids, cancel)).ToDictionary(r => r.FiringId);
        var firings = (await runs.FindAll(ids, cancel))
            .Select(r => ScoredFiring.Of(r, read.GetValueOrDefault(r.FiringId) ?? FiringRecord.Of(r.FiringId)))
            .Where(f => !f.Numbers.IsEmpty)
            .ToList();
        var widening = KilnScore.Widening([.. firings.Select(f => f.Numbers)]);
        kilns[kilnId] = (turns, mark, firings, widening);
        return (firings, widening);
    }
}
