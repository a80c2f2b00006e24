namespace ZealousEmber.App.Services.Live;

/// <summary>
/// Firings under way are followed again while the program starts; whoever asks before that is done waits for it: a kiln that is firing is never told to be
/// free. Pages are sent at once.
/// </summary>
internal sealed class FollowedFirst(RequestDelegate next, LiveFirings live)
{
    public async Task InvokeAsync(HttpContext context)
    {
        if (!live.Ready.IsCompletedSuccessfully && Asks(context.Request.Path))
            await live.Ready.WaitAsync(context.RequestAborted);
        await next(context);
    }

    private static bool Asks(PathString path) =>
        path.StartsWithSegments("/api", StringComparison.OrdinalIgnoreCase) || path.StartsWithSegments(LiveHub.Path, StringComparison.OrdinalIgnoreCase);
}
