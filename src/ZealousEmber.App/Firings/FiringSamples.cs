using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Live;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>Readings that loggers push.</summary>
internal static class FiringSamples
{
    private const int MostSamples = 50_000;
    private const int LongestName = 64;

    public static void MapFiringSamples(this WebApplication app) =>
        app.MapPost("/api/firings/{id:int}/samples", Push)
            .ForAnybody()
            .WithTags("Live")
            .WithMetadata(new BodySize(BodyLimit.Log))
            .WithSummary("Readings from a logger, with the kiln's token as Bearer; the same again is accepted once")
            .Produces<SamplesResponse>()
            .ProducesProblem(401)
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesValidationProblem(422);

    private static async Task<IResult> Push(
        int id,
        SamplesRequest? wire,
        [AsParameters] LiveStudio studio,
        SampleLog store,
        HttpContext context,
        CancellationToken cancel
    )
    {
        // A firing that cannot be followed, or whose start cannot even be read, keeps its readings all the same.
        if (await studio.Runs.Started(id, cancel) is not { } run)
            return ProblemResponses.NotFound("started firing");
        if (await studio.Runs.Token(run.KilnId, cancel) is not { } hash || !KilnTokens.IsCarried(context.Request, hash))
        {
            context.Response.Headers.WWWAuthenticate = "Bearer";
            return Results.Problem(
                statusCode: StatusCodes.Status401Unauthorized,
                title: "Which kiln?",
                detail: "Send the kiln’s token as Authorization: Bearer. A new one is made on the kiln’s page."
            );
        }
        if (run.Link == nameof(LinkKind.Simulated))
            return ProblemResponses.Conflict("This firing runs on a simulated kiln; it takes no other readings.");
        if (run.OpenedAt is not null)
            return ProblemResponses.Conflict("This firing is over: the kiln was opened.");
        var problems = new List<Problem>();
        if (string.IsNullOrWhiteSpace(wire?.Logger) || wire.Logger.Length > LongestName)
            problems.Add(new Problem("logger", $"The logger’s own name, up to {LongestName} characters."));
        if (string.IsNullOrWhiteSpace(wire?.Stream) || wire.Stream.Length > LongestName)
            problems.Add(new Problem("stream", $"New at every restart of the logger, up to {LongestName} characters."));
        if (wire?.Samples is null)
            problems.Add(new Problem("samples", "Readings are missing here."));
        else if (wire.Samples.Count > MostSamples)
            problems.Add(new Problem("samples", $"At most {MostSamples} readings at once; this has {wire.Samples.Count}. Send them in batches."));
        if (problems.Count > 0)
            return ProblemResponses.Of(problems);
        var rejected = new List<RejectedSample>();
        var samples = ReadSamples(wire!.Samples!, run.StartsAt, studio.Now, rejected);
        var appended = studio.Live.Find(id) is { } running
            ? await studio.Live.Push(running, wire.Logger!, wire.Stream!, samples, store, context.RequestServices, cancel)
            : await store.Append(id, wire.Logger!, wire.Stream!, samples, cancel);
        return Results.Ok(
            new SamplesResponse(await store.AcceptedThrough(id, wire.Logger!, wire.Stream!, cancel), appended.Duplicates, appended.Conflicts, rejected)
        );
    }

    private static List<StoredSample> ReadSamples(IReadOnlyList<SampleContract?> wire, Instant startsAt, Instant now, List<RejectedSample> rejected)
    {
        var samples = new List<StoredSample>(wire.Count);
        var seen = new HashSet<long>();
        double Minutes(Instant at) => (at - startsAt).TotalMinutes;
        foreach (var sample in wire)
        {
            if (sample is not { Sequence: { } sequence and >= 0, At: not null })
            {
                rejected.Add(new RejectedSample(sample?.Sequence, "A reading has a sequence of 0 or more, and a time."));
                continue;
            }
            if (WireTime.Read(sample.At) is not { } at)
            {
                if (seen.Add(sequence))
                    samples.Add(StoredSample.Refused(sequence));
                rejected.Add(new RejectedSample(sequence, $"“{(sample.At.Length > 40 ? sample.At[..40] : sample.At)}” is no moment: {WireTime.Expected}"));
                continue;
            }
            var moment = Instant.FromUnixTimeMilliseconds(at.ToUnixTimeMilliseconds());
            var minutes = Minutes(moment);
            var reading = new FiringSample(minutes, sample.Celsius, sample.Share, sample.SetPoint);
            var never = reading.Refusal(null) ?? (minutes < -24 * 60 ? "This reading is from before the firing." : null);
            // What is from the future may be right once a clock is: only the rest need not come again.
            if (never is not null && seen.Add(sequence))
                samples.Add(StoredSample.Refused(sequence));
            if ((never ?? reading.Refusal(Minutes(now))) is { } why)
                rejected.Add(new RejectedSample(sequence, why));
            // Twice in one batch: the first is taken, the second is looked at like any other repetition.
            else if (seen.Add(sequence))
                samples.Add(new StoredSample(sequence, moment.ToUnixTimeMilliseconds(), sample.Celsius, sample.Share, sample.SetPoint));
            else
                rejected.Add(new RejectedSample(sequence, "This sequence comes twice in the batch; the first was taken."));
        }
        return samples;
    }
}
