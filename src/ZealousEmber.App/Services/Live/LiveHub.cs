using Microsoft.AspNetCore.SignalR;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Services.People;

namespace ZealousEmber.App.Services.Live;

/// <summary>
/// Tells watchers of firings under way: <c>told</c> with the firing's number and a <see cref="LiveContract"/>, once they are there and at every change.
/// </summary>
internal sealed class LiveHub(LiveFirings firings, LiveFeeds feeds, OpenPages pages) : Hub
{
    /// <summary>Where watchers come to.</summary>
    public const string Path = "/live";

    /// <summary>The message.</summary>
    public const string Told = "told";

    /// <summary>A page that opens while nothing changes, the logger being silent say, still has to ring.</summary>
    public override async Task OnConnectedAsync()
    {
        if (Context.GetHttpContext() is { } http)
            pages.Opened(Context, http);
        feeds.Open(Context.ConnectionId);
        try
        {
            await firings.PublishAll(Context.ConnectionAborted);
        }
        catch (OperationCanceledException) when (Context.ConnectionAborted.IsCancellationRequested)
        {
            // The page left again before it was told anything.
        }
        await base.OnConnectedAsync();
    }

    public override Task OnDisconnectedAsync(Exception? exception)
    {
        feeds.Close(Context.ConnectionId);
        pages.Closed(Context.ConnectionId);
        return base.OnDisconnectedAsync(exception);
    }
}

/// <summary>Once in a second: time passes.</summary>
internal sealed class LiveLoop(LiveFirings firings, TimeProvider time, ILogger<LiveLoop> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, time);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await firings.Tick(stoppingToken);
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                log.LogError(error, "A round of the live firings failed");
            }
        }
    }
}
