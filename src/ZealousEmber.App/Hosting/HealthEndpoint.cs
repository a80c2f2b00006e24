using System.ComponentModel;
using ZealousEmber.App.Http;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Hosting;

/// <summary>How the program is.</summary>
public enum HealthStatus
{
    /// <summary>All is well.</summary>
    Ok,

    /// <summary>It answers, but cannot save.</summary>
    Degraded,
}

/// <summary>Answer of the health check.</summary>
/// <param name="Detail">What is wrong, when something is.</param>
public sealed record Health(HealthStatus Status, [property: Description("What is wrong, when something is.")] string? Detail = null);

/// <summary>Whether the program answers, and whether it can save.</summary>
internal static class HealthEndpoint
{
    public static void MapHealth(this WebApplication app) =>
        app.MapGet("/api/health", (StoreHealth store) => new Health(store.Trouble is null ? HealthStatus.Ok : HealthStatus.Degraded, store.Trouble))
            .ForAnybody()
            .WithTags("Program")
            .WithSummary("Whether the program answers and can save");
}
