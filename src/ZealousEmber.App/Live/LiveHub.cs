using Microsoft.AspNetCore.SignalR;

namespace ZealousEmber.App.Live;

/// <summary>Tells watchers of firings under way: <c>told</c> with the firing's number and a <see cref="LiveContract"/>, at every change.</summary>
internal sealed class LiveHub : Hub
{
    /// <summary>The message.</summary>
    public const string Told = "told";
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
                await firings.Pass(stoppingToken);
            }
            catch (Exception error) when (error is not OperationCanceledException)
            {
                log.LogError(error, "A round of the live firings failed");
            }
        }
    }
}
