using System.Collections.Concurrent;
using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Observation;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.Learning;

/// <summary>What a kiln had taught after a firing.</summary>
internal sealed record TaughtMoment(int FiringId, Instant At, KilnLessons Learned);

/// <summary>A kiln with what its firings have taught.</summary>
/// <param name="Stored">As it stands in the studio.</param>
/// <param name="Learned">After its last firing.</param>
/// <param name="Care">What somebody says over that.</param>
/// <param name="History">After each firing, the earliest first.</param>
/// <param name="Done">What was done to it, the latest first.</param>
/// <param name="Read">What was read of those firings.</param>
internal sealed record TaughtKiln(
    Kiln Stored,
    KilnLessons Learned,
    KilnCare Care,
    ImmutableArray<TaughtMoment> History,
    IReadOnlyList<Maintenance> Done,
    IReadOnlyDictionary<int, FiringRecord> Read
)
{
    private const int Trend = 12;

    private readonly Derived<(Kiln Stored, KilnLessons Learned, KilnCare Care), Kiln> applied = new();

    /// <summary>The kiln as it is fired: what somebody says over it counts first, then what was learned.</summary>
    public Kiln Kiln => applied.Of((Stored, Learned, Care), k => Apply(k.Stored, k.Learned, k.Care));

    /// <summary>What is to be kept with a firing that is started now.</summary>
    public KilnTaught Taught(Cone? goal)
    {
        var offset = Kiln.Offset;
        var sd = Learned.Estimate.Covariance.Sd;
        return new KilnTaught(
            offset is null ? null
                : goal is { } cone ? offset.At(cone)
                : offset.At1150,
            offset?.Sd ?? 0,
            Learned.Logs > 0 ? sd.Power : 0,
            sd.Loss
        );
    }

    /// <summary>
    /// What its elements lose in a firing, a share of the stored power, over the last firings with the same elements; nothing while that cannot be told.
    /// </summary>
    public double? PerFiring
    {
        get
        {
            var last = History.Reverse().TakeWhile(h => Done.All(d => d.Kind != MaintenanceKind.Elements || d.At <= h.At)).Take(Trend).Reverse().ToList();
            if (last.Count < 4)
                return null;
            var (x, y) = ((last.Count - 1) / 2.0, last.Average(h => h.Learned.Power.Mean));
            var (above, below) = (0.0, 0.0);
            for (var i = 0; i < last.Count; i++)
                (above, below) = (above + (i - x) * (last[i].Learned.Power.Mean - y), below + (i - x) * (i - x));
            return -above / below;
        }
    }

    private static Kiln Apply(Kiln stored, KilnLessons learned, KilnCare care)
    {
        var kiln = learned.Of(stored);
        if (care.Power is { } power)
            kiln = kiln.Learned(kiln.HeatFactor, kiln.LossFactor, stored.ElementHealth * power, kiln.Uncertainty);
        return care.Offset is { } offset ? kiln.With(new DisplayOffset(offset, 0, 1, learned.Packs)) : kiln;
    }
}

/// <summary>
/// What kilns have taught, worked out from their firings in the order of time and remembered while nothing of them changes. A log is gone through once for
/// every state of
/// knowledge it is met with: a firing more costs one log.
/// </summary>
internal sealed class TaughtKilns(WriteQueue writes, IServiceScopeFactory scopes, TaughtFuelKilns fuel, ILogger<TaughtKilns> log)
{
    // The first with its elements, for what they were as new, and the last: more tell nothing that lasts.
    private const int FirstOnes = 3;
    private const int LastOnes = 60;

    // Every log in a few states of knowledge, for some kilns of many years.
    private const int MostLogs = 5000;

    private readonly ConcurrentDictionary<int, Remembered> kilns = new();
    private readonly ConcurrentDictionary<(int Firing, string Log, ObserverTuning From, DisplayOffset? Offset, Kiln Heat), KilnEstimate?> logs = new();
    private readonly SemaphoreSlim one = new(1, 1);

    /// <summary>A kiln as its firings have taught it; that of a fuel kiln follows from its turns.</summary>
    public async Task<StudioKiln> Known(Versioned<StudioKiln> kiln, CancellationToken cancel) =>
        kiln.Item switch
        {
            Kiln => (await Of(kiln.Of<Kiln>()!, cancel)).Kiln,
            FuelKiln fired => (await fuel.Of(kiln.Id, fired, cancel)).Of(fired),
            var other => other,
        };

    /// <summary>What a kiln has taught.</summary>
    /// <param name="kiln">As it stands in the studio.</param>
    /// <param name="cancel">Gives up.</param>
    public async Task<TaughtKiln> Of(Versioned<Kiln> kiln, CancellationToken cancel)
    {
        var kilnId = kiln.Id;
        var turns = writes.Turns;
        if (kilns.TryGetValue(kilnId, out var known) && known.Turns == turns && known.Taught.Stored.Heat == kiln.Item.Heat)
            return known.Taught with { Stored = kiln.Item };
        await one.WaitAsync(cancel);
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var services = scope.ServiceProvider;
            var (records, book) = (services.GetRequiredService<FiringRecords>(), services.GetRequiredService<KilnCareRepository>());
            var (done, care) = (await book.Of(kilnId, cancel), await book.Care(kilnId, cancel));
            var runs = services.GetRequiredService<FiringRuns>();
            var telling = Telling(await runs.FinishedIn(kilnId, cancel), done);
            int[] ids = [.. telling.Select(r => r.FiringId)];
            var marks = await services.GetRequiredService<SampleLog>().Marks(ids, cancel);
            var mark =
                $"{string.Join(' ', telling.Select(r => $"{r.FiringId}.{r.OpenedAt}"))} {await records.MarkOf(ids, cancel)} "
                + $"{string.Join(' ', marks.OrderBy(m => m.Key))} {string.Join(' ', done.Select(d => $"{d.Id}.{d.Kind}"))} {care}";
            if (kilns.TryGetValue(kilnId, out known) && known.Mark == mark && known.Taught.Stored.Heat == kiln.Item.Heat)
            {
                kilns[kilnId] = known with { Turns = turns };
                return known.Taught with { Stored = kiln.Item };
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

    private TaughtKiln Learn(
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
        var history = ImmutableArray.CreateBuilder<TaughtMoment>();
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
            history.Add(new TaughtMoment(run.FiringId, run.StartsAt, learner.Learned));
        }
        Changed(Instant.MaxValue);
        return new TaughtKiln(stored, learner.Learned, care, history.ToImmutable(), done, records);
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

    private static IReadOnlyList<FinishedRun> Telling(IReadOnlyList<FinishedRun> runs, IReadOnlyList<Maintenance> done)
    {
        var changed = done.Where(d => d.Kind == MaintenanceKind.Elements).Select(d => d.At).DefaultIfEmpty(Instant.MinValue).Max();
        var since = runs.Where(r => r.StartsAt >= changed).ToList();
        var before = runs.Where(r => r.StartsAt < changed).TakeLast(Math.Max(0, LastOnes - since.Count));
        return [.. before, .. since.Count <= FirstOnes + LastOnes ? since : [.. since.Take(FirstOnes), .. since.TakeLast(LastOnes)]];
    }

    private static List<FiringSample> Read(SampleLog samples, FiringRun run) =>
        FinishedLog.Of(run, samples.Read(run.FiringId, CancellationToken.None).GetAwaiter().GetResult());

    private sealed record Remembered(long Turns, string Mark, TaughtKiln Taught);
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
