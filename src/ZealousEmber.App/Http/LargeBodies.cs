using System.Globalization;
using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace ZealousEmber.App.Http;

/// <summary>Requests whose bodies are large are read one or two at a time: eight logs of 15 MB at once took a gigabyte and a half of memory.</summary>
internal static class LargeBodies
{
    /// <summary>Name of the queue, for the addresses that take such bodies.</summary>
    public const string Queue = "large-bodies";

    /// <summary>Name of the queue of pictures: one at a time, since a small file may be a very large picture.</summary>
    public const string Photos = "photos";

    /// <summary>Name of the queue of whole copies: one at a time, since each is a whole database on the disk.</summary>
    public const string Copies = "copies";

    private const int AtOnce = 2;
    private const int Waiting = 32;

    // Of one person, one screen, or one address nobody is signed in at: far above what pages ask for, far below what stops the others.
    private const int Burst = 2000;
    private const int PerSecond = 400;

    /// <summary>Whoever sits at a studio without accounts stops nobody but herself.</summary>
    private static RateLimitPartition<string> PerPerson(HttpContext http)
    {
        var caller = http.Caller();
        if (caller is { IsAlone: true })
            return RateLimitPartition.GetNoLimiter("alone");
        var who =
            caller?.PersonId is { } person ? $"person {person}"
            : caller?.DeviceId is { } device ? $"device {device}"
            : $"address {http.Connection.RemoteIpAddress}";
        return RateLimitPartition.GetTokenBucketLimiter(who, _ => new TokenBucketRateLimiterOptions
        {
            TokenLimit = Burst,
            TokensPerPeriod = PerSecond,
            ReplenishmentPeriod = TimeSpan.FromSeconds(1),
            QueueLimit = 0,
        });
    }

    public static void AddLargeBodyQueue(this IServiceCollection services) =>
        services.AddRateLimiter(options =>
        {
            options.AddConcurrencyLimiter(Queue, queue =>
                (queue.PermitLimit, queue.QueueLimit, queue.QueueProcessingOrder) = (AtOnce, Waiting, QueueProcessingOrder.OldestFirst)
            );
            foreach (var alone in new[] { Photos, Copies })
                options.AddConcurrencyLimiter(alone, queue =>
                    (queue.PermitLimit, queue.QueueLimit, queue.QueueProcessingOrder) = (1, Waiting, QueueProcessingOrder.OldestFirst)
                );
            options.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(PerPerson);
            options.OnRejected = async (rejected, _) =>
            {
                if (rejected.Lease.TryGetMetadata(MetadataName.RetryAfter, out var wait))
                {
                    rejected.HttpContext.Response.Headers.RetryAfter = Math.Ceiling(wait.TotalSeconds).ToString(CultureInfo.InvariantCulture);
                    await ProblemResponses.Write(
                        rejected.HttpContext,
                        StatusCodes.Status429TooManyRequests,
                        "Too many requests",
                        "So many requests at once come from no page of this program. Try again in a moment."
                    );
                    return;
                }
                rejected.HttpContext.Response.Headers.RetryAfter = "5";
                await ProblemResponses.Write(
                    rejected.HttpContext,
                    StatusCodes.Status503ServiceUnavailable,
                    "Busy",
                    "Many large files are being read. Nothing was saved; try again in a moment."
                );
            };
        });
}
