using System.Collections.Concurrent;
using Microsoft.AspNetCore.SignalR;
using NodaTime;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Store.Firings;

namespace ZealousEmber.App.Live;

/// <summary>
/// The firings under way. What is told to them is stored first; after a restart they are followed again from what is stored. Watchers are told of every change.
/// </summary>
internal sealed class LiveFirings(IServiceScopeFactory scopes, IHubContext<LiveHub> hub, TimeProvider time, ILogger<LiveFirings> log)
{
    // A firing of a week that has to be caught up with takes one round.
    private const int SimulatedAtOnce = 20_000;

    // Finished firings are looked at again and again; a few hundred of them are a megabyte or two.
    private const int MostEnded = 200;
    private static readonly Duration SilenceTold = Duration.FromSeconds(4);

    private readonly ConcurrentDictionary<int, RunningFiring> running = new();
    private readonly ConcurrentDictionary<int, (Instant? Stopped, Instant? Opened, int Entries, LiveContract Told)> ended = new();

    private Instant Wall => Instant.FromDateTimeOffset(time.GetUtcNow());

    /// <summary>Takes up what was under way when the program last ended.</summary>
    public async Task TakeUp(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        foreach (var run in await scope.ServiceProvider.GetRequiredService<FiringRuns>().UnderWay(cancel))
        {
            try
            {
                await Follow(run, scope.ServiceProvider, cancel);
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                log.LogError(error, "Firing {Firing} cannot be followed", run.FiringId);
            }
        }
    }

    /// <summary>Begins to follow one that was just started.</summary>
    public async Task Follow(FiringRun run, IServiceProvider services, CancellationToken cancel)
    {
        var firing = new RunningFiring(run);
        await Rebuild(firing, services, cancel);
        running[run.FiringId] = firing;
        await Tell(firing, cancel);
    }

    /// <summary>One that is under way; nothing where it is not.</summary>
    public RunningFiring? Find(int firingId) => running.GetValueOrDefault(firingId);

    /// <summary>All of them.</summary>
    public ICollection<RunningFiring> All => running.Values;

    /// <summary>Where it is now.</summary>
    public async Task<LiveContract> Now(RunningFiring firing, CancellationToken cancel)
    {
        await firing.Gate.WaitAsync(cancel);
        try
        {
            return firing.Tell(Wall);
        }
        finally
        {
            firing.Gate.Release();
        }
    }

    /// <summary>Looks at one that is under way, while nothing changes it.</summary>
    public async Task<T> Look<T>(RunningFiring firing, Func<RunningFiring, T> look, CancellationToken cancel)
    {
        await firing.Gate.WaitAsync(cancel);
        try
        {
            return look(firing);
        }
        finally
        {
            firing.Gate.Release();
        }
    }

    /// <summary>A finished firing followed once more.</summary>
    public async Task<IFollowedFiring> Followed(FiringRun run, IServiceProvider services, CancellationToken cancel)
    {
        var firing = new RunningFiring(run);
        await Rebuild(firing, services, cancel);
        return firing.Live;
    }

    /// <summary>A finished firing, as it was at its end.</summary>
    public async Task<LiveContract> AtItsEnd(FiringRun run, IServiceProvider services, CancellationToken cancel)
    {
        var entries = (await services.GetRequiredService<FiringRuns>().Entries(run.FiringId, cancel)).Count;
        if (ended.TryGetValue(run.FiringId, out var before) && (before.Stopped, before.Opened, before.Entries) == (run.StoppedAt, run.OpenedAt, entries)) return before.Told;
        var firing = new RunningFiring(run);
        await Rebuild(firing, services, cancel);
        var told = firing.Tell(Wall);
        if (ended.Count >= MostEnded) ended.Clear();
        ended[run.FiringId] = (run.StoppedAt, run.OpenedAt, entries, told);
        return told;
    }

    /// <summary>A batch from a logger: stored, then followed, then told.</summary>
    public async Task<AppendedSamples> Push(RunningFiring firing, string logger, string stream, IReadOnlyList<StoredSample> samples, SampleLog store, IServiceProvider services, CancellationToken cancel)
    {
        var appended = await store.Append(firing.Run.FiringId, logger, stream, samples, cancel);
        if (appended.Added.Count == 0) return appended;
        // Stored already: whoever asked may have gone, the firing is followed all the same.
        await firing.Gate.WaitAsync(CancellationToken.None);
        try
        {
            if (!firing.Take(appended.Added)) await Rebuild(firing, services, CancellationToken.None);
            await Cooled(firing, services);
        }
        finally
        {
            firing.Gate.Release();
        }
        await Tell(firing, CancellationToken.None);
        return appended;
    }

    /// <summary>An entry that was stored.</summary>
    public async Task Noted(RunningFiring firing, FiringEntry entry, IServiceProvider services)
    {
        await firing.Gate.WaitAsync(CancellationToken.None);
        try
        {
            if (firing.Take(entry)) await Rebuild(firing, services, CancellationToken.None);
            await Cooled(firing, services);
        }
        finally
        {
            firing.Gate.Release();
        }
        await Tell(firing, CancellationToken.None);
    }

    /// <summary>A whole log was taken in: it is followed anew, and when its power went off is known from it.</summary>
    public async Task<FiringRun> TakenIn(FiringRun run, IServiceProvider services)
    {
        var firing = running.GetValueOrDefault(run.FiringId) ?? new RunningFiring(run);
        await firing.Gate.WaitAsync(CancellationToken.None);
        try
        {
            await Rebuild(firing, services, CancellationToken.None);
            await Cooled(firing, services);
        }
        finally
        {
            firing.Gate.Release();
        }
        if (run.IsUnderWay) running[run.FiringId] = firing;
        ended.TryRemove(run.FiringId, out _);
        await Tell(firing, CancellationToken.None);
        return firing.Run;
    }

    /// <summary>Its moments have changed.</summary>
    public async Task Changed(RunningFiring firing, FiringRun run)
    {
        await firing.Gate.WaitAsync(CancellationToken.None);
        try
        {
            firing.Run = run;
            if (run.StoppedAt is { } stopped) firing.SwitchOff(run.Minutes(stopped));
            if (!run.IsUnderWay) running.TryRemove(run.FiringId, out _);
        }
        finally
        {
            firing.Gate.Release();
        }
        await Tell(firing, CancellationToken.None);
    }

    /// <summary>Time has passed: simulated kilns are read, clocks looked at, watchers told.</summary>
    public async Task Pass(CancellationToken cancel)
    {
        foreach (var firing in running.Values)
        {
            if (Wall < firing.Run.StartsAt) continue;
            await using var scope = scopes.CreateAsyncScope();
            await firing.Gate.WaitAsync(cancel);
            var before = firing.Live.LastAt;
            try
            {
                var (logger, stream, samples) = firing.Read(firing.Run.Minutes(firing.Run.Clock(Wall)), SimulatedAtOnce);
                if (samples.Count > 0)
                {
                    await scope.ServiceProvider.GetRequiredService<SampleLog>().Append(firing.Run.FiringId, logger, stream, samples, cancel);
                    firing.Take(samples);
                }
                await Cooled(firing, scope.ServiceProvider);
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                // The disk is full or busy: what was read is read again from its seed at the next start.
                log.LogWarning(error, "Firing {Firing} could not go on for a moment", firing.Run.FiringId);
                await Rebuild(firing, scope.ServiceProvider, cancel);
            }
            finally
            {
                firing.Gate.Release();
            }
            // Where nothing came, silence and clocks are still told of, now and then.
            if (firing.Live.LastAt != before || (firing.Run.Link != LinkKind.Simulated && Wall - firing.ToldAt >= SilenceTold)) await Tell(firing, cancel);
        }
    }

    private static async Task Rebuild(RunningFiring firing, IServiceProvider services, CancellationToken cancel) =>
        firing.Rebuild(await services.GetRequiredService<SampleLog>().Read(firing.Run.FiringId, cancel), await services.GetRequiredService<FiringRuns>().Entries(firing.Run.FiringId, cancel));

    /// <summary>The power has gone off for good: it is cooling from then on.</summary>
    private async Task Cooled(RunningFiring firing, IServiceProvider services)
    {
        var run = firing.Run;
        var report = firing.Live.Report(firing.Minutes(Wall), withForecast: false);
        Instant? cooled = report.EndAt is { } end ? Instant.FromUnixTimeMilliseconds((run.StartsAt + Duration.FromMinutes(end)).ToUnixTimeMilliseconds()) : null;
        if (cooled == run.CooledAt) return;
        firing.Run = await services.GetRequiredService<FiringRuns>().Change(run.FiringId, r => r with { CooledAt = cooled }, null, CancellationToken.None) ?? run;
    }

    private async Task Tell(RunningFiring firing, CancellationToken cancel)
    {
        var contract = await Now(firing, cancel);
        firing.ToldAt = Wall;
        await hub.Clients.All.SendAsync(LiveHub.Told, firing.Run.FiringId, contract, cancel);
    }
}
