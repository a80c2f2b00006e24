using System.Diagnostics;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.SignalR.Client;

namespace ZealousEmber.Bench;

/// <summary>
/// Twenty kilns read every second, fifty screens watching: how long a reading takes to every screen, and what it costs; then how long a log of a million
/// readings takes to open.
/// </summary>
internal static class LiveBench
{
    private const int Kilns = 20;
    private const int Watchers = 50;
    private const int Seconds = 60;
    private const int LongLog = 1_000_000;

    private const string Schedule =
        """{"name":"Glaze","kind":"glaze","unit":"C","goalCone":"6","segments":[{"pace":"rate","rate":200,"target":1120},{"pace":"rate","rate":60,"target":1208,"holdMinutes":12},{"pace":"natural"}]}""";

    public static async Task Run()
    {
        var folder = Directory.CreateTempSubdirectory("ember-bench-");
        try
        {
            await using var running = await RunningProgram.Start(folder.FullName);
            await Pushed(running.Http, running.Process);
            await Opened(running.Http);
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    public static async Task<(int Firing, string Token)> Start(HttpClient http, string name, DateTimeOffset at)
    {
        async Task<JsonNode> Post(string path, JsonNode body) =>
            JsonNode.Parse(await (await http.PostAsJsonAsync(path, body)).EnsureSuccessStatusCode().Content.ReadAsStringAsync())!;
        var kiln = (int)(await Post("/api/kilns", new JsonObject { ["name"] = name, ["class"] = "top-190" }))["id"]!;
        var schedule = (int)(await Post("/api/schedules", JsonNode.Parse(Schedule)!))["id"]!;
        var firing = (int)
            (
                await Post(
                    "/api/firings",
                    new JsonObject
                    {
                        ["name"] = name,
                        ["kind"] = "glaze",
                        ["kilnId"] = kiln,
                        ["scheduleId"] = schedule,
                    }
                )
            )["id"]!;
        await Post($"/api/firings/{firing}/start", new JsonObject { ["link"] = "push", ["startsAt"] = at });
        return (firing, (string)(await Post($"/api/kilns/{kiln}/token", new JsonObject()))["token"]!);
    }

    public static async Task Push(HttpClient http, (int Firing, string Token) to, IEnumerable<JsonObject> samples)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/firings/{to.Firing}/samples")
        {
            Content = JsonContent.Create(
                new JsonObject
                {
                    ["logger"] = "bench",
                    ["stream"] = "1",
                    ["samples"] = new JsonArray([.. samples]),
                }
            ),
        };
        request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", to.Token);
        using var answer = await http.SendAsync(request);
        answer.EnsureSuccessStatusCode();
    }

    public static JsonObject Sample(long sequence, DateTimeOffset at, double minutes) =>
        new()
        {
            ["sequence"] = sequence,
            ["at"] = at,
            ["celsius"] = 20 + minutes * 200 / 60,
            ["share"] = 0.5,
        };

    private static async Task Pushed(HttpClient http, Process program)
    {
        // In the midst of their climb, where all there is to be told is told.
        var start = DateTimeOffset.FromUnixTimeSeconds(DateTimeOffset.UtcNow.AddHours(-4).ToUnixTimeSeconds());
        var firings = new List<(int Firing, string Token)>();
        for (var i = 0; i < Kilns; i++)
        {
            firings.Add(await Start(http, $"Kiln {i + 1}", start));
            await Push(http, firings[^1], Enumerable.Range(0, 479).Select(k => Sample(k, start.AddSeconds(30 * k), k * 0.5)));
        }
        // Minutes are told to the hundredth; readings are further apart than that.
        var told = new List<double>();
        var sent = new Dictionary<(int, double), long>();
        var connections = new List<HubConnection>();
        for (var i = 0; i < Watchers; i++)
        {
            var connection = new HubConnectionBuilder().WithUrl(new Uri(http.BaseAddress!, "/live")).Build();
            // The same reading is told again as time passes; the first time counts.
            var seen = new HashSet<(int, double)>();
            connection.On<int, JsonNode>("told", (firing, live) =>
            {
                if (live["lastMinute"]?.GetValue<double>() is not { } minute)
                    return;
                lock (told)
                {
                    if (sent.TryGetValue((firing, Math.Round(minute, 2)), out var at) && seen.Add((firing, minute)))
                        told.Add(Stopwatch.GetElapsedTime(at).TotalMilliseconds);
                }
            });
            await connection.StartAsync();
            connections.Add(connection);
        }
        program.Refresh();
        var (cpu, clock) = (program.TotalProcessorTime, Stopwatch.StartNew());
        for (var second = 0; second < Seconds; second++)
        {
            var turn = Stopwatch.GetTimestamp();
            await Task.WhenAll(
                firings.Select(
                    async (firing, i) =>
                    {
                        // Kilns are not read at the very same moment.
                        await Task.Delay(i * 1000 / Kilns);
                        var at = DateTimeOffset.FromUnixTimeMilliseconds(DateTimeOffset.UtcNow.ToUnixTimeMilliseconds());
                        lock (told)
                            sent[(firing.Firing, Math.Round((at - start).TotalMinutes, 2))] = Stopwatch.GetTimestamp();
                        await Push(http, firing, [Sample(1000 + second, at, (at - start).TotalMinutes)]);
                    }
                )
            );
            var left = TimeSpan.FromSeconds(1) - Stopwatch.GetElapsedTime(turn);
            if (left > TimeSpan.Zero)
                await Task.Delay(left);
        }
        await Task.Delay(1000);
        program.Refresh();
        var used = (program.TotalProcessorTime - cpu).TotalSeconds / clock.Elapsed.TotalSeconds;
        double[] times;
        lock (told)
            times = [.. told.Order()];
        Console.WriteLine(
            FormattableString.Invariant(
                $"{Kilns} kilns, {Watchers} watchers, {Seconds} s: {times.Length} tellings; reading to screen p50 {At(times, 0.5):0} ms   p95 {At(times, 0.95):0} ms   p99 {At(times, 0.99):0} ms; the program takes {used:0.00} cores"
            )
        );
        foreach (var connection in connections)
            await connection.DisposeAsync();
    }

    private static async Task Opened(HttpClient http)
    {
        var start = DateTimeOffset.UtcNow.AddDays(-3);
        var firing = await Start(http, "Long", start);
        for (var at = 0; at < LongLog; at += 50_000)
            await Push(http, firing, Enumerable.Range(at, 50_000).Select(k => Sample(k, start.AddMilliseconds(100 * k), k / 600.0 / 5)));
        var times = new double[20];
        for (var i = -3; i < times.Length; i++)
        {
            var began = Stopwatch.GetTimestamp();
            (await http.GetAsync($"/api/firings/{firing.Firing}/log?points=1500")).EnsureSuccessStatusCode();
            if (i >= 0)
                times[i] = Stopwatch.GetElapsedTime(began).TotalMilliseconds;
        }
        Array.Sort(times);
        Console.WriteLine(FormattableString.Invariant($"a log of {LongLog} readings opens: p50 {At(times, 0.5):0} ms   p95 {At(times, 0.95):0} ms"));
    }

    private static double At(double[] sorted, double share) =>
        sorted.Length == 0 ? double.NaN : sorted[Math.Min(sorted.Length - 1, (int)(sorted.Length * share))];
}
