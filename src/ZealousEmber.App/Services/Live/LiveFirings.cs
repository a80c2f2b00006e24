using System.Collections.Concurrent;
using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.Live;

/// <summary>
/// The firings under way. What is told to them is stored first; after a restart they are followed again from what is stored. Watchers are told of every
/// change. Each is
/// followed by itself: what goes wrong with one is told at that one, and touches no other.
/// </summary>
internal sealed class LiveFirings(IServiceScopeFactory scopes, LiveFeeds feeds, TimeProvider time, ILogger<LiveFirings> log)
{
    // A firing of a week that has to be caught up with takes one round.
    private const int SimulatedAtOnce = 20_000;

    // Finished firings are looked at again and again; a few hundred of them are a megabyte or two.
    private const int MostEnded = 200;
    private static readonly TimeSpan LongestWait = TimeSpan.FromSeconds(2);
    private static readonly Duration SilenceTold = Duration.FromSeconds(4);
    private static readonly Duration ToldEvery = Duration.FromSeconds(1);
    private static readonly Duration ClockPutBack = Duration.FromMinutes(1);
    private static readonly Duration Ahead = Duration.FromMinutes(Core.Firing.Readings.FiringSample.MostAhead);

    private readonly ConcurrentDictionary<int, RunningFiring> running = new();
    private readonly ConcurrentDictionary<int, (Instant? Stopped, Instant? Opened, int Entries, LiveContract Told)> ended = new();
    private readonly TaskCompletionSource followed = new(TaskCreationOptions.RunContinuationsAsynchronously);
    private Instant? lastTick;

    private Instant Wall => Instant.FromDateTimeOffset(time.GetUtcNow());

    /// <summary>Done when what was under way at the start is followed again.</summary>
    public Task Ready => followed.Task;

    /// <summary>Takes up what was under way when the program last ended.</summary>
    public async Task FollowAll(CancellationToken cancel)
    {
        try
        {
            await FollowStored(cancel);
            followed.TrySetResult();
        }
        catch (Exception error)
        {
            followed.TrySetException(error);
            throw;
        }
    }

    private async Task FollowStored(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var runs = scope.ServiceProvider.GetRequiredService<FiringRuns>();
        foreach (var run in await runs.UnderWay(cancel))
            await Follow(run, scope.ServiceProvider, cancel);
        Unreadable = await runs.UnreadableUnderWay(cancel);
        foreach (var run in Unreadable)
            log.LogError("The start of firing {Firing} cannot be read: it is not followed, and its kiln is not free", run.FiringId);
    }

    /// <summary>Firings under way whose start cannot be read: their kilns are not free.</summary>
    public IReadOnlyList<UnreadableRun> Unreadable { get; private set; } = [];

    /// <summary>One of those was opened.</summary>
    public void Forget(int unreadableId) => Unreadable = [.. Unreadable.Where(r => r.FiringId != unreadableId)];

    /// <summary>Begins to follow one that was just started.</summary>
    public async Task Follow(FiringRun run, IServiceProvider services, CancellationToken cancel)
    {
        var firing = new RunningFiring(run);
        await Rebuild(firing, services, cancel);
        running[run.FiringId] = firing;
        await Publish(firing, cancel);
    }

    /// <summary>One that was stopped goes on.</summary>
    public async Task Resume(RunningFiring firing, FiringRun run, IServiceProvider services)
    {
        await Hold(firing, async () =>
        {
            firing.Run = run;
            await Rebuild(firing, services, CancellationToken.None);
        });
        await Publish(firing, CancellationToken.None);
    }

    /// <summary>One that is under way; nothing where it is not.</summary>
    public RunningFiring? Find(int firingId) => running.GetValueOrDefault(firingId);

    /// <summary>All of them.</summary>
    public ICollection<RunningFiring> All => running.Values;

    /// <summary>Where it is now, with what came late in its place, as far as that is known soon.</summary>
    public async Task<LiveContract> Settled(RunningFiring firing, CancellationToken cancel)
    {
        await Task.WhenAny(firing.Rebuilding, Task.Delay(LongestWait, cancel));
        return await Now(firing, cancel);
    }

    /// <summary>Where it is now.</summary>
    public Task<LiveContract> Now(RunningFiring firing, CancellationToken cancel) => Look(firing, f => f.Contract(Wall), cancel);

    /// <summary>Looks at one that is under way, while nothing changes it.</summary>
    public async Task<T> Look<T>(RunningFiring firing, Func<RunningFiring, T> look, CancellationToken cancel)
    {
        await firing.Gate.WaitAsync(cancel);
        try
        {
            return look(firing);
        }
        catch (Exception error) when (error is not OperationCanceledException && firing.Trouble is null)
        {
            Fail(firing, error);
            return look(firing);
        }
        finally
        {
            firing.Gate.Release();
        }
    }

    /// <summary>A finished firing followed once more.</summary>
    public async Task<IFollowedFiring> Followed(FiringRun run, IServiceProvider services, CancellationToken cancel) =>
        (await AtRest(run, services, cancel)).Live;

    /// <summary>A finished firing, as it was at its end.</summary>
    public async Task<LiveContract> AtItsEnd(FiringRun run, IServiceProvider services, CancellationToken cancel)
    {
        var entries = (await services.GetRequiredService<FiringRuns>().Entries(run.FiringId, cancel)).Count;
        if (ended.TryGetValue(run.FiringId, out var before) && (before.Stopped, before.Opened, before.Entries) == (run.StoppedAt, run.OpenedAt, entries))
            return before.Told;
        var told = (await AtRest(run, services, cancel)).Contract(Wall);
        if (ended.Count >= MostEnded)
            ended.Clear();
        ended[run.FiringId] = (run.StoppedAt, run.OpenedAt, entries, told);
        return told;
    }

    /// <summary>A batch from a logger: stored, then followed, then told.</summary>
    public async Task<AppendedSamples> Push(
        RunningFiring firing,
        string logger,
        string stream,
        IReadOnlyList<StoredSample> samples,
        SampleLog store,
        IServiceProvider services,
        CancellationToken cancel
    )
    {
        var appended = await store.Append(firing.Run.FiringId, logger, stream, samples, cancel);
        if (appended.Added.Count == 0)
            return appended;
        // Stored already: whoever asked may have gone, the firing is followed all the same.
        await Hold(firing, async () =>
        {
            firing.Take(appended.Added);
            await Cooled(firing, services);
        });
        if (firing.IsStale)
            RebuildAside(firing);
        // Faster than anybody reads nobody is told.
        if (Wall - firing.PublishedAt >= ToldEvery)
            await Publish(firing, CancellationToken.None);
        else
            firing.IsUnpublished = true;
        return appended;
    }

    /// <summary>An entry that was stored.</summary>
    public async Task EntryAdded(RunningFiring firing, FiringEntry entry, IServiceProvider services)
    {
        await Hold(firing, async () =>
        {
            firing.Take(entry);
            if (firing.IsStale)
                await Rebuild(firing, services, CancellationToken.None);
            await Cooled(firing, services);
        });
        await Publish(firing, CancellationToken.None);
    }

    /// <summary>A whole log was taken in: it is followed anew, and when its power went off is known from it.</summary>
    public async Task<FiringRun> LogAdded(FiringRun run, IServiceProvider services)
    {
        var firing = running.GetValueOrDefault(run.FiringId) ?? new RunningFiring(run);
        await Hold(firing, async () =>
        {
            await Rebuild(firing, services, CancellationToken.None);
            await Cooled(firing, services);
        });
        if (run.IsUnderWay)
            running[run.FiringId] = firing;
        ended.TryRemove(run.FiringId, out _);
        await Publish(firing, CancellationToken.None);
        return firing.Run;
    }

    /// <summary>Its moments have changed.</summary>
    public async Task Changed(RunningFiring firing, FiringRun run)
    {
        await Hold(firing, () =>
        {
            firing.Run = run;
            if (run.StoppedAt is { } stopped)
                firing.SwitchOff(run.Minutes(stopped));
            if (!run.IsUnderWay)
                running.TryRemove(run.FiringId, out _);
            return Task.CompletedTask;
        });
        await Publish(firing, CancellationToken.None);
    }

    /// <summary>Time has passed: simulated kilns are read, clocks looked at, watchers told.</summary>
    public async Task Tick(CancellationToken cancel)
    {
        var isPutBack = Wall < lastTick - ClockPutBack;
        lastTick = Wall;
        foreach (var firing in running.Values)
        {
            if (isPutBack)
                RebuildAside(firing);
            if (Wall < firing.Run.StartsAt || Wall < firing.Trouble?.TryAgain)
                continue;
            await using var scope = scopes.CreateAsyncScope();
            var before = firing.Live.LastAt;
            await Hold(firing, async () =>
            {
                if (firing.Trouble is not null)
                    await Rebuild(firing, scope.ServiceProvider, cancel);
                var (logger, stream, samples) = firing.Read(firing.Run.Minutes(firing.Run.Clock(Wall)), SimulatedAtOnce);
                if (samples.Count > 0)
                {
                    await scope.ServiceProvider.GetRequiredService<SampleLog>().Append(firing.Run.FiringId, logger, stream, samples, cancel);
                    firing.Take(samples);
                }
                await Cooled(firing, scope.ServiceProvider);
            });
            // Where nothing came, silence and clocks are still told of, now and then.
            if (firing.IsUnpublished || firing.Live.LastAt != before || (firing.Run.Link != LinkKind.Simulated && Wall - firing.PublishedAt >= SilenceTold))
                await Publish(firing, cancel);
        }
    }

    /// <summary>Tells a page that has just opened: one that opens while nothing changes, the logger being silent say, still has to ring.</summary>
    public async Task PublishAll(CancellationToken cancel)
    {
        foreach (var firing in running.Values)
            await Publish(firing, cancel);
    }

    /// <summary>Changes one firing; what goes wrong is told at it, once, and it is tried again later.</summary>
    private async Task Hold(RunningFiring firing, Func<Task> change)
    {
        await firing.Gate.WaitAsync(CancellationToken.None);
        try
        {
            await change();
        }
        catch (Exception error) when (error is not OperationCanceledException)
        {
            Fail(firing, error);
        }
        finally
        {
            firing.Gate.Release();
        }
    }

    private void Fail(RunningFiring firing, Exception error)
    {
        // Said when it begins; every try after it that fails says nothing new.
        if (firing.Trouble is null)
            log.LogError(error, "Firing {Firing} cannot be followed", firing.Run.FiringId);
        firing.Fail(error, Wall);
    }

    /// <summary>Follows it anew without holding it: readings go on coming in meanwhile.</summary>
    private void RebuildAside(RunningFiring firing)
    {
        lock (firing)
        {
            // Whoever is at it already looks again before it ends.
            if (!firing.Rebuilding.IsCompleted)
                return;
            firing.Rebuilding = Task.Run(() => FollowAnew(firing));
        }
    }

    private async Task FollowAnew(RunningFiring firing)
    {
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            do
            {
                firing.IsStale = false;
                var until = Wall + Ahead;
                var (anew, known) = (new RunningFiring(firing.Run), await Stored(firing.Run, scope.ServiceProvider, CancellationToken.None));
                anew.Rebuild(known.Samples, known.Entries, until);
                await Hold(firing, async () =>
                {
                    // What was stored since is the little that is left.
                    var (samples, entries) = await Stored(firing.Run, scope.ServiceProvider, CancellationToken.None);
                    var from = anew.Live.LastAt ?? double.NegativeInfinity;
                    anew.Take(samples.Where(s => firing.Run.Minutes(Instant.FromUnixTimeMilliseconds(s.At)) > from && s.At <= until.ToUnixTimeMilliseconds()));
                    foreach (var entry in entries.ExceptBy(known.Entries.Select(e => e.Key), e => e.Key))
                        anew.Take(entry);
                    var isStale = anew.IsStale;
                    firing.Adopt(anew);
                    firing.IsStale |= isStale;
                    await Cooled(firing, scope.ServiceProvider);
                });
            } while (firing.IsStale);
            await Publish(firing, CancellationToken.None);
        }
        catch (Exception error) when (error is not OutOfMemoryException)
        {
            log.LogError(error, "Firing {Firing} could not be followed anew", firing.Run.FiringId);
        }
    }

    private async Task<RunningFiring> AtRest(FiringRun run, IServiceProvider services, CancellationToken cancel)
    {
        var firing = new RunningFiring(run);
        await Rebuild(firing, services, cancel);
        return firing;
    }

    private async Task Rebuild(RunningFiring firing, IServiceProvider services, CancellationToken cancel)
    {
        var (samples, entries) = await Stored(firing.Run, services, cancel);
        try
        {
            firing.Rebuild(samples, entries, firing.Run is { Link: not LinkKind.Simulated, IsUnderWay: true } ? Wall + Ahead : null);
        }
        catch (Exception error) when (error is not OperationCanceledException)
        {
            Fail(firing, error);
        }
        // What cannot be followed still shows what was read last.
        if (firing.Trouble is not null && samples.Count > 0)
            firing.Take(samples.TakeLast(1));
    }

    private static async Task<(List<StoredSample> Samples, IReadOnlyList<FiringEntry> Entries)> Stored(
        FiringRun run,
        IServiceProvider services,
        CancellationToken cancel
    ) =>
        (
            await services.GetRequiredService<SampleLog>().Read(run.FiringId, cancel),
            await services.GetRequiredService<FiringRuns>().Entries(run.FiringId, cancel)
        );

    /// <summary>The power has gone off for good: it is cooling from then on. Where that cannot be stored now, it is the next time.</summary>
    private async Task Cooled(RunningFiring firing, IServiceProvider services)
    {
        if (firing.Trouble is not null)
            return;
        var run = firing.Run;
        var report = firing.Live.Report(firing.Minutes(Wall), withForecast: false);
        Instant? cooled = report.EndAt is { } end
            ? Instant.FromUnixTimeMilliseconds((run.StartsAt + Duration.FromMinutes(end)).ToUnixTimeMilliseconds())
            : null;
        if (cooled == run.CooledAt)
            return;
        try
        {
            firing.Run = await services.GetRequiredService<FiringRuns>().Change(run.FiringId, r => r with { CooledAt = cooled }, null, CancellationToken.None)
                ?? run;
        }
        catch (Exception error) when (StoreHealth.IsFull(error) || StoreHealth.IsBusy(error))
        {
            firing.Run = run with { CooledAt = cooled };
        }
    }

    private async Task Publish(RunningFiring firing, CancellationToken cancel)
    {
        var contract = await Now(firing, cancel);
        (firing.PublishedAt, firing.IsUnpublished) = (Wall, false);
        feeds.Publish(firing.Run.FiringId, contract);
    }
}
