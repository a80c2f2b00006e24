namespace ZealousEmber.App.Services.People;

/// <summary>Once in a second: ends what is over, and now and then writes down who was seen.</summary>
internal sealed class SessionKeeper(SignedIn signedIn, OpenPages pages, TimeProvider time, ILogger<SessionKeeper> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, time);
        try
        {
            while (await timer.WaitForNextTickAsync(stoppingToken))
                await Round(all: false, stoppingToken);
        }
        catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
        {
            // A restart finds everybody where she was.
            await Round(all: true, CancellationToken.None);
        }
    }

    private async Task Round(bool all, CancellationToken cancel)
    {
        try
        {
            pages.CloseEnded();
            await signedIn.Keep(all, cancel);
        }
        catch (Exception error) when (error is not (OperationCanceledException or ObjectDisposedException))
        {
            // On a full disk nobody is signed out.
            log.LogWarning("Who was seen could not be kept: {Why}", error.Message);
        }
    }
}
