using System.Collections.Concurrent;
using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.Learning;

/// <summary>What a kiln has taught, with what that came from.</summary>
/// <param name="Kiln">With its lessons.</param>
/// <param name="Done">What was done to it, the latest first.</param>
/// <param name="Read">What was read of its firings.</param>
internal sealed record KilnLearning(KilnKnowledge Kiln, IReadOnlyList<Maintenance> Done, IReadOnlyDictionary<int, FiringRecord> Read)
{
    /// <summary>When something of this kind was last done to it.</summary>
    public static Instant? Last(IEnumerable<Maintenance> done, MaintenanceKind kind) => done.Where(d => d.Kind == kind).Select(d => (Instant?)d.At).Max();
}

/// <summary>
/// What kilns have taught, worked out from their firings in the order of time and remembered while nothing of them changes. A log is gone through once for
/// every state of
/// knowledge it is met with: a firing more costs one log.
/// </summary>
internal sealed class LearnedKilns(WriteQueue writes, IServiceScopeFactory scopes, LearnedFuelKilns fuel, KilnScores scores, ILogger<LearnedKilns> log)
{
    // Every log in a few states of knowledge, for some kilns of many years.
    private const int MostLogs = 5000;

    private readonly ConcurrentDictionary<int, Remembered> kilns = new();
    private readonly ConcurrentDictionary<(int Firing, string Log, ObserverTuning From, DisplayOffset? Offset, Kiln Heat), KilnEstimate?> logs = new();
    private readonly SemaphoreSlim one = new(1, 1);

    /// <summary>A kiln as its firings have taught it; that of a fuel kiln follows from its turns.</summary>
    public async Task<StudioKiln> Known(Versioned<StudioKiln> kiln, CancellationToken cancel) =>
        kiln.Item switch
        {
            Kiln => (await Of(kiln.Of<Kiln>()!, cancel)).Kiln.Kiln,
            FuelKiln fired => (await fuel.Of(kiln.Id, fired, cancel)).Of(fired).Unsure((await scores.Widening(kiln.Id, cancel)).OfHeat),
            var other => other,
        };

    /// <summary>What a kiln has taught, its bands as wide as its last firings ask for.</summary>
    /// <param name="kiln">As it stands in the studio.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<KilnLearning> Of(Versioned<Kiln> kiln, CancellationToken cancel)
    {
        var learned = await Taught(kiln, cancel);
        return learned with { Kiln = learned.Kiln with { Widening = await scores.Widening(kiln.Id, cancel) } };
    }

    private async Task<KilnLearning> Taught(Versioned<Kiln> kiln, CancellationToken cancel)
    {
        var kilnId = kiln.Id;
        var turns = writes.Turns;
        if (kilns.TryGetValue(kilnId, out var known) && known.Turns == turns && known.Taught.Kiln.Stored.Heat == kiln.Item.Heat)
            return On(known.Taught, kiln.Item);
        await one.WaitAsync(cancel);
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var services = scope.ServiceProvider;
            var (records, book) = (services.GetRequiredService<FiringRecords>(), services.GetRequiredService<KilnCareRepository>());
            var (done, care) = (await book.Of(kilnId, cancel), await book.Care(kilnId, cancel));
            var runs = services.GetRequiredService<FiringRuns>();
            var telling = TeachingFirings.Of(await runs.FinishedIn(kilnId, cancel), r => r.StartsAt, KilnLearning.Last(done, MaintenanceKind.Elements));
            int[] ids = [.. telling.Select(r => r.FiringId)];
            var marks = await services.GetRequiredService<SampleLog>().Marks(ids, cancel);
            var mark =
                $"{string.Join(' ', telling.Select(r => $"{r.FiringId}.{r.OpenedAt}"))} {await records.MarkOf(ids, cancel)} "
                + $"{string.Join(' ', marks.OrderBy(m => m.Key))} {string.Join(' ', done.Select(d => $"{d.Id}.{d.Kind}"))} {care}";
            if (kilns.TryGetValue(kilnId, out known) && known.Mark == mark && known.Taught.Kiln.Stored.Heat == kiln.Item.Heat)
            {
                kilns[kilnId] = known with { Turns = turns };
                return On(known.Taught, kiln.Item);
            }
            var read = (await records.FindAll(ids, cancel)).ToDictionary(r => r.FiringId);
            var taught = Learn(kiln, await runs.FindAll(ids, cancel), read, done, care, services.GetRequiredService<SampleLog>(), marks);
            kilns[kilnId] = new Remembered(turns, mark, taught);
            return taught;
        }
        finally
        {
            one.Release();
        }
    }

    private static KilnLearning On(KilnLearning known, Kiln stored) => known with { Kiln = known.Kiln with { Stored = stored } };

    private KilnLearning Learn(
        Versioned<Kiln> kiln,
        IReadOnlyList<FiringRun> runs,
        Dictionary<int, FiringRecord> records,
        IReadOnlyList<Maintenance> done,
        KilnCare care,
        SampleLog samples,
        IReadOnlyDictionary<int, string> marks
    )
    {
        var (stored, heat) = (kiln.Item, kiln.Item.Heat);
        if (logs.Count > MostLogs)
            logs.Clear();
        var learner = new KilnLearner(stored);
        var history = ImmutableArray.CreateBuilder<LearnedMoment>();
        var changes = new Queue<Maintenance>(done.Where(d => d.Kind is MaintenanceKind.Elements or MaintenanceKind.Thermocouple).OrderBy(d => d.At));
        void Changed(Instant until)
        {
            while (changes.Count > 0 && changes.Peek().At <= until)
            {
                if (changes.Dequeue().Kind == MaintenanceKind.Elements)
                    learner.NewElements();
                else
                    learner.NewThermocouple();
            }
        }

        foreach (var run in runs.Where(r => !r.IsFuel))
        {
            Changed(run.StartsAt);
            var watched = run.Watched with { Kiln = stored, Offset = default, Known = null };
            // Read only where it was never met like this: most of the time nothing is read at all.
            learner.Learn(
                (tuning, offset) =>
                    logs.GetOrAdd((run.FiringId, $"{marks.GetValueOrDefault(run.FiringId)} {run.OpenedAt}", tuning, offset, heat), _ =>
                        Estimate(run, () => new FinishedFiring(watched, Read(samples, run)).Estimate(tuning, offset))
                    )
            );
            if (records.TryGetValue(run.FiringId, out var record))
                learner.Learn(record.Packs, record.Figures?.Progress ?? [], run.Goal);
            history.Add(new LearnedMoment(run.FiringId, run.StartsAt, learner.Learned));
        }
        Changed(Instant.MaxValue);
        return new KilnLearning(
            new KilnKnowledge(stored, learner.Learned, care, history.ToImmutable(), KilnLearning.Last(done, MaintenanceKind.Elements)),
            done,
            records
        );
    }

    /// <summary>What a log tells; nothing where it cannot be gone through, which stops nothing else.</summary>
    private KilnEstimate? Estimate(FiringRun run, Func<KilnEstimate?> estimate)
    {
        try
        {
            return estimate();
        }
        catch (Exception error) when (error is not OutOfMemoryException)
        {
            log.LogError(error, "Nothing was learned of the log of firing {Firing}", run.FiringId);
            return null;
        }
    }

    private static List<FiringSample> Read(SampleLog samples, FiringRun run) =>
        FinishedLog.Of(run, samples.Read(run.FiringId, CancellationToken.None).GetAwaiter().GetResult());

    private sealed record Remembered(long Turns, string Mark, KilnLearning Taught);
}

/// <summary>The stored readings of a finished firing as the core takes them.</summary>
internal static class FinishedLog
{
    /// <summary>Up to when it was opened, in the order of time.</summary>
    public static List<FiringSample> Of(FiringRun run, IReadOnlyList<StoredSample> stored)
    {
        var all = new List<FiringSample>(stored.Count);
        var end = run.OpenedAt is { } opened ? run.Minutes(opened) : double.PositiveInfinity;
        foreach (var s in stored)
        {
            var minutes = run.Minutes(Instant.FromUnixTimeMilliseconds(s.At));
            if (minutes <= end)
                all.Add(new FiringSample(minutes, s.Celsius, s.Share, s.SetPoint));
        }
        return all;
    }
}
