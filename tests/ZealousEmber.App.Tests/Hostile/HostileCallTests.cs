using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Shouldly;
using Xunit;
using ZealousEmber.App.Tests.Wire;
using ZealousEmber.Tests;

namespace ZealousEmber.App.Tests.Hostile;

/// <summary>
/// Calls made from the API's own description: edges of every limit in every field, several at once, odd text, broken bodies, numbers of other things, states
/// out of
/// order. None is answered with a fault of the program, and none takes long. EMBER_CALLS says how many; for a quarter of a minute without it.
/// </summary>
public sealed class HostileCallTests(RunningStudio studio) : IClassFixture<RunningStudio>
{
    private const int Seed = 24;
    private const int AtOnce = 4;
    private static readonly TimeSpan Usual = TimeSpan.FromSeconds(15);
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(20);

    // These hand out or take in the whole studio; they have tests of their own.
    private static readonly string[] Whole = ["/api/backup", "/api/restore", "/api/studio/backup", "/api/studio/export"];

    // Says what no well-made client would: letters in headers that are none of ASCII.
    private readonly HttpClient http = new(new SocketsHttpHandler { RequestHeaderEncodingSelector = (_, _) => Encoding.UTF8 }) { BaseAddress = studio.Address };

    [Fact]
    public async Task No_call_is_answered_with_a_fault_or_not_at_all()
    {
        var api = new ApiDescription(await studio.Http.GetOpenApi());
        var operations = api.Operations.Where(o => !Whole.Contains(o.Path)).ToList();
        operations.Count.ShouldBeGreaterThan(100);
        var calls = int.TryParse(Environment.GetEnvironmentVariable("EMBER_CALLS"), CultureInfo.InvariantCulture, out var wanted) ? wanted : int.MaxValue;
        var (clock, made, faults) = (Stopwatch.StartNew(), 0, new ConcurrentDictionary<string, string>());
        await Parallel.ForEachAsync(Enumerable.Range(0, AtOnce), new ParallelOptions { MaxDegreeOfParallelism = AtOnce }, async (lane, cancel) =>
        {
            while (faults.Count < 40 && (calls < int.MaxValue || clock.Elapsed < Usual))
            {
                var number = Interlocked.Increment(ref made);
                if (number > calls)
                    return;
                await Call(api, operations[number % operations.Count], new HostileValues(Seed + number), faults, cancel);
            }
        });
        faults.ShouldBeEmpty($"{made} calls\n{string.Join("\n\n", faults.Values)}");
        made.ShouldBeGreaterThan(operations.Count * 2, "every address was called, and again");
    }

    private async Task Call(
        ApiDescription api,
        ApiOperation operation,
        HostileValues values,
        ConcurrentDictionary<string, string> faults,
        CancellationToken cancel
    )
    {
        var path = string.Join(
            '/',
            operation
                .Path.Split('/')
                .Select(p =>
                    p.StartsWith('{')
                        ? p.Contains(":int", StringComparison.Ordinal) || p is "{id}" or "{number}" or "{entry}"
                            ? values.Id()
                            : Uri.EscapeDataString(values.Text(p.Trim('{', '}')).Replace("\0", "", StringComparison.Ordinal))
                        : p
                )
        );
        var query = string.Join(
            '&',
            operation
                .Query.Where(_ => values.Next(2) == 0)
                .Select(q => $"{q}={Uri.EscapeDataString(values.Next(2) == 0 ? values.Text(q) : values.Number().ToJsonString())}")
        );
        using var request = new HttpRequestMessage(new HttpMethod(operation.Method), query.Length > 0 ? $"{path}?{query}" : path);
        var body = operation.Body is null ? "" : values.Broken((api.Make(operation.Body, "", values) ?? new JsonObject()).ToJsonString());
        if (operation.Method is "POST" or "PUT")
            request.Content = new StringContent(
                body,
                Encoding.UTF8,
                operation.Path.EndsWith("photo", StringComparison.Ordinal) ? "image/png" : "application/json"
            );
        if (values.IfMatch() is { } version)
            request.Headers.TryAddWithoutValidation("If-Match", version);
        if (values.Key() is { } key)
            request.Headers.TryAddWithoutValidation("Idempotency-Key", key);
        var name = $"{operation.Method} {operation.Path}";
        var clock = Stopwatch.StartNew();
        try
        {
            using var limit = CancellationTokenSource.CreateLinkedTokenSource(cancel);
            limit.CancelAfter(Longest);
            using var response = await http.SendAsync(request, limit.Token);
            if ((int)response.StatusCode < 500 || (int)response.StatusCode == 503)
                return;
            faults[name] =
                $"{(int)response.StatusCode} {name} {request.RequestUri} after {clock.ElapsedMilliseconds} "
                + $"ms\n{(body.Length > 1500 ? body[..1500] : body)}\n{await response.Content.ReadAsStringAsync(cancel)}";
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            faults[name] = $"no answer: {name} {request.RequestUri}\n{(body.Length > 1500 ? body[..1500] : body)}";
        }
        catch (HttpRequestException error) when (error.InnerException is not null)
        {
            // What a client may not even say: nothing left the machine.
        }
    }
}

internal static class OpenApi
{
    public static async Task<JsonNode> GetOpenApi(this HttpClient http) => await (await http.GetAsync("/openapi/v1.json")).Read();
}
