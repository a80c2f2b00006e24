using System.Collections.Concurrent;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.Learning;

/// <summary>What fuel kilns have taught, worked out from their last finished firings and remembered while nothing is written.</summary>
internal sealed class LearnedFuelKilns(WriteQueue writes, IServiceScopeFactory scopes)
{
    private const int LastOnes = 12;

    private const int MostFirings = 500;

    private readonly ConcurrentDictionary<int, (long Turns, string Mark, FuelKiln Heat, FuelLessons Learned)> kilns = new();
    private readonly ConcurrentDictionary<
        (int Firing, string Mark, FuelKiln Heat),
        (FuelEstimate Estimate, System.Collections.Immutable.ImmutableArray<FuelTurn> Turns)?
    > firings = new();

    /// <summary>What a kiln has taught, against the kiln as it is stored.</summary>
    public async Task<FuelLessons> Of(int kilnId, FuelKiln kiln, CancellationToken cancel)
    {
        var (turns, heat) = (writes.Turns, kiln.Heat);
        if (kilns.TryGetValue(kilnId, out var known) && known.Turns == turns && known.Heat == heat)
            return known.Learned;
        await using var scope = scopes.CreateAsyncScope();
        var (runs, samples) = (scope.ServiceProvider.GetRequiredService<FiringRuns>(), scope.ServiceProvider.GetRequiredService<SampleLog>());
        var last = (await runs.FinishedIn(kilnId, cancel)).TakeLast(LastOnes).ToList();
        int[] ids = [.. last.Select(r => r.FiringId)];
        var (logs, entered) = (await samples.Marks(ids, cancel), await runs.EntryMarks(ids, cancel));
        string MarkOf(int firing) => $"{logs.GetValueOrDefault(firing)} {entered.GetValueOrDefault(firing)}";
        var mark = string.Join(' ', last.Select(r => $"{r.FiringId}.{r.OpenedAt}.{MarkOf(r.FiringId)}"));
        if (known.Learned is not null && known.Mark == mark && known.Heat == heat)
        {
            kilns[kilnId] = known with { Turns = turns };
            return known.Learned;
        }
        if (firings.Count > MostFirings)
            firings.Clear();
        var told = new List<(FuelEstimate, System.Collections.Immutable.ImmutableArray<FuelTurn>)>();
        foreach (var run in (await runs.FindAll(ids, cancel)).Where(r => r.IsFuel))
        {
            var key = (run.FiringId, MarkOf(run.FiringId), heat);
            if (firings.TryGetValue(key, out var before))
            {
                if (before is { } again)
                    told.Add(again);
                continue;
            }
            var entries = await runs.Entries(run.FiringId, cancel);
            var stored = await samples.Read(run.FiringId, cancel);
            // Against the kiln as it is stored now: what it was taken to be then makes no difference.
            var taught = firings[key] = Learn(run with { Kiln = kiln }, stored, entries);
            if (taught is { } firing)
                told.Add(firing);
        }
        var learned = FuelLessons.Of(told);
        kilns[kilnId] = (turns, mark, heat, learned);
        return learned;
    }

    private static (FuelEstimate, System.Collections.Immutable.ImmutableArray<FuelTurn>)? Learn(
        FiringRun run,
        List<StoredSample> stored,
        IReadOnlyList<FiringEntry> entries
    )
    {
        var firing = RunningFiring.AtItsEnd(run, stored, entries);
        return firing.Live is FuelFollower { Taught: { } estimate } follower ? (estimate, follower.Made) : null;
    }
}
