using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;

namespace ZealousEmber.Logger;

/// <summary>
/// Sends readings in batches and keeps them until they are acknowledged: while the program is away they wait, and go in order once it is back. What was sent
/// and not acknowledged is sent again; the program takes it once.
/// </summary>
internal sealed class Pusher(HttpClient http, int firing, string token, string logger, string stream)
{
    private const int MostInABatch = 2000;
    private static readonly TimeSpan Again = TimeSpan.FromSeconds(3);

    private readonly List<Reading> waiting = [];

    /// <summary>Readings that are not acknowledged yet.</summary>
    public int Waiting => waiting.Count;

    /// <summary>Takes readings until there are no more, and sends them until all are acknowledged.</summary>
    public async Task Run(IAsyncEnumerable<Reading> readings, CancellationToken cancel)
    {
        var last = DateTimeOffset.MinValue;
        await foreach (var reading in readings.WithCancellation(cancel))
        {
            waiting.Add(reading);
            // One call a second at most, or a full batch; while the program is away no more often than it is worth trying.
            if (waiting.Count < MostInABatch && DateTimeOffset.UtcNow - last < TimeSpan.FromSeconds(1))
                continue;
            last = await Send(cancel) ? DateTimeOffset.UtcNow : DateTimeOffset.UtcNow + Again;
        }
        while (waiting.Count > 0)
        {
            if (!await Send(cancel))
                await Task.Delay(Again, cancel);
        }
    }

    /// <summary>Sends the oldest; false when the program does not answer just now.</summary>
    private async Task<bool> Send(CancellationToken cancel)
    {
        var batch = waiting.Take(MostInABatch).ToList();
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/firings/{firing}/samples")
        {
            Content = JsonContent.Create(
                new
                {
                    logger,
                    stream,
                    samples = batch,
                }
            ),
        };
        request.Headers.Authorization = new AuthenticationHeaderValue("Bearer", token);
        try
        {
            using var response = await http.SendAsync(request, cancel);
            if (response.StatusCode >= HttpStatusCode.InternalServerError || response.StatusCode == HttpStatusCode.TooManyRequests)
                return false;
            if (!response.IsSuccessStatusCode)
                throw new InvalidOperationException($"The program refuses the readings: {await response.Content.ReadAsStringAsync(cancel)}");
            var answer = (await response.Content.ReadFromJsonAsync<Answer>(cancel))!;
            foreach (var rejected in answer.Rejected)
                Console.Error.WriteLine($"Reading {rejected.Sequence}: {rejected.Why}");
            // Acknowledged, refused or in conflict: none of them is asked for again.
            waiting.RemoveRange(0, batch.Count);
            return true;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }

    private sealed record Answer(long? AcceptedThrough, int Duplicates, long[] Conflicts, Rejected[] Rejected);

    private sealed record Rejected(long? Sequence, string Why);
}
