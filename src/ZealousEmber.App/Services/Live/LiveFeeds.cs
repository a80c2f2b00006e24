using System.Collections.Concurrent;
using Microsoft.AspNetCore.SignalR;
using ZealousEmber.App.Contracts;

namespace ZealousEmber.App.Services.Live;

/// <summary>
/// What each open page is still to be told. A page that does not read keeps nobody waiting: of every firing it gets the latest once it reads again, and
/// what came before that is left out.
/// </summary>
internal sealed class LiveFeeds(IHubContext<LiveHub> hub, ILogger<LiveFeeds> log)
{
    private readonly ConcurrentDictionary<string, Feed> feeds = new();

    /// <summary>A page has opened.</summary>
    public void Open(string connection) => feeds[connection] = new Feed((told, live) => Send(connection, told, live));

    /// <summary>A page has gone.</summary>
    public void Close(string connection) => feeds.TryRemove(connection, out _);

    /// <summary>Tells every open page where a firing is; returns at once.</summary>
    public void Publish(int firingId, LiveContract told)
    {
        foreach (var feed in feeds.Values)
            feed.Offer(firingId, told);
    }

    /// <returns>False where the page is gone.</returns>
    private async Task<bool> Send(string connection, int firingId, LiveContract told)
    {
        try
        {
            await hub.Clients.Client(connection).SendAsync(LiveHub.Told, firingId, told);
            return true;
        }
        catch (Exception error) when (error is not OutOfMemoryException)
        {
            log.LogWarning("A page could not be told of firing {Firing}: {Why}", firingId, error.Message);
            Close(connection);
            return false;
        }
    }

    private sealed class Feed(Func<int, LiveContract, Task<bool>> send)
    {
        private readonly Dictionary<int, LiveContract> waiting = [];
        private bool isSending;

        public void Offer(int firingId, LiveContract told)
        {
            lock (waiting)
            {
                waiting[firingId] = told;
                if (isSending)
                    return;
                isSending = true;
            }
            _ = Task.Run(Send);
        }

        private async Task Send()
        {
            while (Next() is { } next && await send(next.Key, next.Value)) { }
        }

        private KeyValuePair<int, LiveContract>? Next()
        {
            lock (waiting)
            {
                foreach (var next in waiting)
                {
                    waiting.Remove(next.Key);
                    return next;
                }
                isSending = false;
                return null;
            }
        }
    }
}
