using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using ZealousEmber.App.Firings;
using ZealousEmber.App.Http;
using ZealousEmber.App.Kilns;
using ZealousEmber.App.Learning;
using ZealousEmber.App.Live;
using ZealousEmber.App.Reading;
using ZealousEmber.App.Schedules;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Firings;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Exchange;

/// <summary>A firing as one open file.</summary>
/// <param name="Format">zealous-ember-firing.</param>
/// <param name="Program">As it was entered; °C.</param>
/// <param name="Kiln">As it was then.</param>
/// <param name="Samples">Its log, as it came in: seconds since the start, °C, power share, set point.</param>
/// <param name="Photos">By the key of their entry, base64.</param>
public sealed record FiringFile(
    string Format, int Version, FiringContract Firing, DateTimeOffset StartsAt, DateTimeOffset? OpenedAt, string? By, string? GoalCone, bool IsAsEntered, IReadOnlyList<SegmentContract> Program, KilnContract Kiln, IReadOnlyList<FiringFileSample> Samples,
    IReadOnlyList<EntryContract> Entries, IReadOnlyDictionary<string, string> Photos, ReadingContract Reading, IReadOnlyDictionary<string, double> Figures);

/// <summary>A reading in a file.</summary>
public sealed record FiringFileSample(double Seconds, double? Celsius, double? Share = null, double? SetPoint = null);

/// <summary>Writes finished firings as files that anything can read.</summary>
internal sealed class FiringFiles(Repository<FiringDraft> firings, FiringRuns runs, SampleLog samples, FiringRecords records)
{
    private const string Format = "zealous-ember-firing";

    /// <summary>A firing with all that is known of it; nothing where it was never started.</summary>
    public async Task<FiringFile?> Of(int id, CancellationToken cancel)
    {
        await foreach (var (_, file) in Of([id], cancel)) return file;
        return null;
    }

    /// <summary>Several, with one question for all of them each; those that cannot be read are left out.</summary>
    public async IAsyncEnumerable<(int Id, FiringFile File)> Of(IReadOnlyCollection<int> ids, [EnumeratorCancellation] CancellationToken cancel)
    {
        var (drafts, read) = (await firings.FindAll(ids, cancel), (await records.FindAll(ids, cancel)).ToDictionary(r => r.FiringId));
        var (entries, logs) = ((await runs.Entries(ids, cancel)).ToLookup(e => e.FiringId, e => e.Entry), await samples.Marks(ids, cancel));
        foreach (var run in await runs.FindAll(ids, cancel))
        {
            if (!drafts.TryGetValue(run.FiringId, out var firing)) continue;
            var log = logs.ContainsKey(run.FiringId) ? await samples.Read(run.FiringId, cancel) : [];
            yield return (run.FiringId, await Of(run, firing, [.. entries[run.FiringId]], log, read.GetValueOrDefault(run.FiringId), cancel));
        }
    }

    private async Task<FiringFile> Of(FiringRun run, FiringDraft firing, IReadOnlyList<FiringEntry> entries, List<StoredSample> log, FiringRecord? record, CancellationToken cancel)
    {
        var id = run.FiringId;
        var photos = new Dictionary<string, string>();
        foreach (var entry in entries.Where(e => e.Kind == EntryKind.Photo))
        {
            if (await runs.PhotoAt(id, entry.Key, cancel) is { } photo) photos[entry.Key] = Convert.ToBase64String(photo.Bytes);
        }
        return new FiringFile(
            Format, 1, FiringMapping.Write(new Versioned<FiringDraft>(id, 0, run.StartedAt, firing)).Firing, run.StartsAt.ToDateTimeOffset(), run.OpenedAt?.ToDateTimeOffset(), run.By, run.Goal?.Number, run.IsAsEntered, [.. run.Program.Steps.Select(s => ScheduleMapping.Write(s, TemperatureUnit.Celsius))],
            KilnMapping.Write(run.Kiln), [.. log.Select(s => new FiringFileSample((s.At - run.StartsAt.ToUnixTimeMilliseconds()) / 1000.0, s.Celsius, s.Share, s.SetPoint))],
            [.. entries.Select(e => EntryEndpoints.Write(e, NodaTime.Instant.MaxValue))], photos, new ReadingContract([.. (record?.Packs ?? []).Select(PackMapping.Write)], ReadingEndpoints.Write(record?.Results ?? FiringResults.None)), record?.Figures?.Numbers ?? (IReadOnlyDictionary<string, double>)new Dictionary<string, double>());
    }

    /// <summary>The log alone, a line a reading; nothing where it was never started.</summary>
    public async Task<string?> Csv(int id, CancellationToken cancel)
    {
        if (await runs.Find(id, cancel) is not { } run) return null;
        var text = new StringBuilder("time,minutes,celsius,power,set point\n");
        foreach (var s in await samples.Read(id, cancel))
        {
            var minutes = (s.At - run.StartsAt.ToUnixTimeMilliseconds()) / 60_000.0;
            text.Append(CultureInfo.InvariantCulture, $"{DateTimeOffset.FromUnixTimeMilliseconds(s.At):yyyy-MM-ddTHH:mm:ssZ},{minutes:0.###},{s.Celsius},{s.Share},{s.SetPoint}\n");
        }
        return text.ToString();
    }
}

/// <summary>Firings as files, and schedules with what came of them.</summary>
internal static class FiringFileEndpoints
{
    private const int MostTold = 12;

    public static void MapFiringFiles(this WebApplication app)
    {
        var api = app.MapGroup("/api/firings/{id:int}").WithTags("Logbook");
        api.MapGet("file", async (int id, FiringFiles files, HttpResponse response, CancellationToken cancel) => await files.Of(id, cancel) is { } file ? Named(response, $"firing-{id}.json", Results.Json(file)) : ProblemResponses.NotFound("started firing"))
            .WithSummary("A firing as one open file: plan, program, log, entries, photos, packs, results").Produces<FiringFile>().ProducesProblem(404);
        api.MapGet("log.csv", async (int id, FiringFiles files, CancellationToken cancel) => await files.Csv(id, cancel) is { } csv ? Results.File(Encoding.UTF8.GetBytes(csv), "text/csv; charset=utf-8", $"firing-{id}.csv") : ProblemResponses.NotFound("started firing"))
            .WithSummary("Its log as CSV").Produces(200, contentType: "text/csv").ProducesProblem(404);
        app.MapGet("/api/schedules/{id:int}/share", Share).WithTags("Logbook").WithSummary("A schedule with how its firings came out in its notes, as a file another studio imports").Produces<ScheduleFile>().ProducesProblem(404);
    }

    private static async Task<IResult> Share(int id, ScheduleShare share, HttpResponse response, CancellationToken cancel) =>
        await share.Of(id, MostTold, cancel) is { } file ? Named(response, $"schedule-{id}.json", Results.Json(file)) : ProblemResponses.NotFound("schedule");

    private static IResult Named(HttpResponse response, string name, IResult result)
    {
        response.Headers.ContentDisposition = $"attachment; filename=\"{name}\"";
        return result;
    }
}
