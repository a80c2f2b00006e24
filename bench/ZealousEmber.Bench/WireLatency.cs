using System.Diagnostics;
using System.Net.Http.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using ZealousEmber.App.Contracts;

namespace ZealousEmber.Bench;

/// <summary>The same over a real socket, client and server on one machine: what the desk waits for.</summary>
internal static class WireLatency
{
    private sealed class Studio(string folder) : WebApplicationFactory<PreviewRequest>
    {
        protected override void ConfigureWebHost(IWebHostBuilder builder) =>
            builder.UseContentRoot(AppContext.BaseDirectory).UseEnvironment("Production").UseSetting("EMBER_DATA", folder).UseSetting("PORT", "0");
    }

    public static async Task Run()
    {
        var folder = Directory.CreateTempSubdirectory("ember-bench-");
        await using (var studio = new Studio(folder.FullName))
        {
            studio.UseKestrel(0);
            studio.StartServer();
            using var http = new HttpClient { BaseAddress = studio.ClientOptions.BaseAddress };
            await Measure("POST /api/preview, 12 steps", () => http.PostAsJsonAsync("/api/preview", PreviewBench.Request, PreviewBench.Wire));
            await Measure("the same with a kiln", () => http.PostAsJsonAsync("/api/preview", PreviewBench.WithKiln, PreviewBench.Wire));
            await Measure("GET /api/health (the wire alone)", () => http.GetAsync("/api/health"));
        }
        folder.Delete(recursive: true);
    }

    private static async Task Measure(string name, Func<Task<HttpResponseMessage>> call)
    {
        const int warm = 2000,
            counted = 10_000;
        var times = new double[counted];
        for (var i = -warm; i < counted; i++)
        {
            var start = Stopwatch.GetTimestamp();
            using var response = await call();
            await response.Content.ReadAsByteArrayAsync();
            if (i >= 0)
                times[i] = Stopwatch.GetElapsedTime(start).TotalMilliseconds;
            response.EnsureSuccessStatusCode();
        }
        Array.Sort(times);
        Console.WriteLine(
            FormattableString.Invariant(
                $"{name, -34} p50 {times[counted / 2]:0.00} ms   p95 {times[counted * 95 / 100]:0.00} ms   p99 {times[counted * 99 / 100]:0.00} ms   max {times[^1]:0.00} ms"
            )
        );
    }
}
