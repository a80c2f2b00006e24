using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using ZealousEmber.Store;
using ZealousEmber.Store.Database;

namespace ZealousEmber.Bench;

/// <summary>
/// A studio of years under load: first every list by itself, then twenty kilns read once a second with fifty screens and ten people at
/// their schedules, while somebody goes through the pages.
/// </summary>
internal static class StudioBench
{
    private const int Firings = 5000;
    private const int WithReadings = 200;
    private const int Schedules = 3000;
    private const int Kilns = 20;
    private const int Screens = 50;
    private const int Editors = 10;
    private const int Seconds = 60;
    private const int Asked = 10;
    private const string Database = "ember.db";

    private const string Edited =
        """{"schedule":{"name":"Glaze","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":150,"target":600},{"pace":"rate","rate":60,"target":1208,"holdMinutes":12},{"pace":"natural"}]},"kilnId":1}""";

    private static readonly string[] Lists =
    [
        "/api/firings",
        "/api/firings?search=load%2042",
        "/api/firings/runs",
        "/api/schedules",
        "/api/schedules?search=year",
        "/api/kilns",
        "/api/room",
        "/api/logbook",
        "/api/logbook/trends",
        "/api/kilns/1/history",
        "/api/kilns/1/learned",
        "/api/kilns/1/bank",
        "/api/unreadable",
        "/api/lots/usual",
        "/api/clays",
        "/api/firings/5000",
        "/api/firings/5000/live",
        "/api/firings/5000/reading",
        "/api/firings/5000/summary",
    ];

    /// <summary>Fills <paramref name="kept"/>, where it is given, and works on a copy of it, so that it need not be filled again.</summary>
    public static async Task Run(string? kept)
    {
        var folder = Directory.CreateTempSubdirectory("ember-bench-");
        try
        {
            var from = kept is null ? folder : Directory.CreateDirectory(kept);
            var filled = Path.Combine(from.FullName, Database);
            if (!File.Exists(filled))
                await Fill(from.FullName);
            if (kept is not null)
                File.Copy(filled, Path.Combine(folder.FullName, Database));
            await using var running = await RunningProgram.Start(folder.FullName);
            await Alone(running);
            await UnderLoad(running);
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    private static async Task Fill(string folder)
    {
        await using (var provider = new ServiceCollection().AddSingleton(TimeProvider.System).AddStudioStore(folder).BuildServiceProvider())
        await using (var scope = provider.CreateAsyncScope())
        {
            await scope.ServiceProvider.GetRequiredService<StudioContext>().Database.MigrateAsync();
            await StudioFill.Schedules(scope.ServiceProvider, Schedules);
            await StudioFill.Firings(scope.ServiceProvider, Firings, WithReadings);
        }
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
    }

    private static async Task Alone(RunningProgram running)
    {
        Console.WriteLine("alone: first, then the median and the worst of ten; kB");
        foreach (var path in Lists)
        {
            var (first, size) = await Time(running.Http, path);
            var times = new List<double>();
            for (var i = 0; i < Asked; i++)
                times.Add((await Time(running.Http, path)).Milliseconds);
            times.Sort();
            Console.WriteLine(FormattableString.Invariant($"{path, -36} {first, 7:0} ms {times[Asked / 2], 7:0} {times[^1], 7:0}   {size / 1000.0, 7:0.0} kB"));
        }
        foreach (var path in new[] { "/api/backup", "/api/studio/export" })
        {
            var (took, size) = await Time(running.Http, path);
            Console.WriteLine(FormattableString.Invariant($"{path, -36} {took / 1000, 7:0.0} s   {size / 1e6, 7:0.0} MB"));
        }
    }

    private static async Task UnderLoad(RunningProgram running)
    {
        var http = running.Http;
        var start = DateTimeOffset.FromUnixTimeSeconds(DateTimeOffset.UtcNow.AddHours(-4).ToUnixTimeSeconds());
        var firings = new List<(int Firing, string Token)>();
        for (var i = 0; i < Kilns; i++)
        {
            firings.Add(await LiveBench.Start(http, $"Kiln {i + 1}", start));
            await LiveBench.Push(http, firings[^1], Enumerable.Range(0, 2880).Select(k => LiveBench.Sample(k, start.AddSeconds(5 * k), k / 12.0)));
        }
        var connections = new List<HubConnection>();
        for (var i = 0; i < Screens; i++)
        {
            var connection = new HubConnectionBuilder().WithUrl(new Uri(http.BaseAddress!, "/live")).Build();
            await connection.StartAsync();
            connections.Add(connection);
        }
        var times = new ConcurrentDictionary<string, ConcurrentBag<double>>();
        async Task Timed(string what, Func<Task> ask)
        {
            var began = Stopwatch.GetTimestamp();
            await ask();
            times.GetOrAdd(what, _ => []).Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
        }
        var until = Stopwatch.StartNew();
        async Task Again(TimeSpan every, Func<Task> ask)
        {
            while (until.Elapsed.TotalSeconds < Seconds)
            {
                var turn = Stopwatch.GetTimestamp();
                await ask();
                var left = every - Stopwatch.GetElapsedTime(turn);
                if (left > TimeSpan.Zero)
                    await Task.Delay(left);
            }
        }
        async Task Get(string path) => (await http.GetAsync(path)).EnsureSuccessStatusCode();
        var sequence = 10_000;
        var memory = new List<long>();
        var (cpu, clock) = (running.Process.TotalProcessorTime, Stopwatch.StartNew());
        await Task.WhenAll([
            .. firings.Select(
                async (firing, i) =>
                {
                    await Task.Delay(i * 1000 / Kilns);
                    await Again(TimeSpan.FromSeconds(1), () =>
                    {
                        var at = DateTimeOffset.FromUnixTimeMilliseconds(DateTimeOffset.UtcNow.ToUnixTimeMilliseconds());
                        return Timed("push", () =>
                            LiveBench.Push(http, firing, [LiveBench.Sample(Interlocked.Increment(ref sequence), at, (at - start).TotalMinutes)])
                        );
                    });
                }
            ),
            .. Enumerable
                .Range(0, Editors)
                .Select(_ =>
                    Again(TimeSpan.FromMilliseconds(700), () =>
                        Timed("preview", async () => (await http.PostAsJsonAsync("/api/preview", JsonNode.Parse(Edited))).EnsureSuccessStatusCode())
                    )
                ),
            Again(TimeSpan.FromMilliseconds(500), () => Timed("room", () => Get("/api/room"))),
            Again(TimeSpan.FromMilliseconds(500), async () =>
            {
                foreach (var path in Lists.Take(10))
                    await Timed("lists", () => Get(path));
            }),
            Again(TimeSpan.FromSeconds(2), () => Timed("learned", () => Get("/api/kilns/1/learned"))),
            Again(TimeSpan.FromSeconds(10), () =>
            {
                running.Process.Refresh();
                memory.Add(running.Process.WorkingSet64 / 1_000_000);
                return Task.CompletedTask;
            }),
        ]);
        running.Process.Refresh();
        Console.WriteLine(
            FormattableString.Invariant(
                $"{Kilns} kilns a second, {Screens} screens, {Editors} editors, {Seconds} s: {(running.Process.TotalProcessorTime - cpu).TotalSeconds / clock.Elapsed.TotalSeconds:0.00} cores; memory {string.Join(" ", memory)} MB"
            )
        );
        foreach (var (what, bag) in times)
        {
            double[] sorted = [.. bag.Order()];
            Console.WriteLine(
                FormattableString.Invariant(
                    $"{what, -10} {sorted.Length, 5} times   p50 {sorted[sorted.Length / 2], 6:0}   p95 {sorted[sorted.Length * 95 / 100], 6:0}   p99 {sorted[sorted.Length * 99 / 100], 6:0} ms"
                )
            );
        }
        foreach (var connection in connections)
            await connection.DisposeAsync();
    }

    private static async Task<(double Milliseconds, long Size)> Time(HttpClient http, string path)
    {
        var began = Stopwatch.GetTimestamp();
        using var answer = await http.GetAsync(path);
        if (!answer.IsSuccessStatusCode)
            Console.WriteLine($"{path}: {(int)answer.StatusCode}");
        var bytes = await answer.Content.ReadAsByteArrayAsync();
        return (Stopwatch.GetElapsedTime(began).TotalMilliseconds, bytes.Length);
    }
}
