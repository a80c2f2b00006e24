using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace ZealousEmber.App.Http;

/// <summary>Requests whose bodies are large are read one or two at a time: eight logs of 15 MB at once took a gigabyte and a half of memory.</summary>
internal static class LargeBodies
{
    /// <summary>Name of the queue, for the addresses that take such bodies.</summary>
    public const string Queue = "large-bodies";

    private const int AtOnce = 2;
    private const int Waiting = 32;

    public static void AddLargeBodyQueue(this IServiceCollection services) => services.AddRateLimiter(options =>
    {
        options.AddConcurrencyLimiter(Queue, queue => (queue.PermitLimit, queue.QueueLimit, queue.QueueProcessingOrder) = (AtOnce, Waiting, QueueProcessingOrder.OldestFirst));
        options.OnRejected = async (rejected, _) =>
        {
            rejected.HttpContext.Response.Headers.RetryAfter = "5";
            await ProblemResponses.Write(rejected.HttpContext, StatusCodes.Status503ServiceUnavailable, "Busy", "Many large files are being read. Nothing was saved; try again in a moment.");
        };
    });
}
