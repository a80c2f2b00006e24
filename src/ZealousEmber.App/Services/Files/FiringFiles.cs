using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Services.Files;

/// <summary>Writes finished firings as files that anything can read.</summary>
internal sealed class FiringFiles(Repository<FiringDraft> firings, FiringRuns runs, SampleLog samples, FiringRecords records)
{
    private const string Format = "zealous-ember-firing";

    /// <summary>A firing with all that is known of it; nothing where it was never started.</summary>
    public async Task<FiringFile?> Of(int id, CancellationToken cancel)
    {
        await foreach (var (_, file) in Of([id], cancel))
            return file;
        return null;
    }

    /// <summary>Several, with one question for all of them each; those that cannot be read are left out.</summary>
    public async IAsyncEnumerable<(int Id, FiringFile File)> Of(IReadOnlyCollection<int> ids, [EnumeratorCancellation] CancellationToken cancel)
    {
        var (drafts, read) = (await firings.FindAll(ids, cancel), (await records.FindAll(ids, cancel)).ToDictionary(r => r.FiringId));
        var (entries, logs) = ((await runs.Entries(ids, cancel)).ToLookup(e => e.FiringId, e => e.Entry), await samples.Marks(ids, cancel));
        foreach (var run in await runs.FindAll(ids, cancel))
        {
            if (!drafts.TryGetValue(run.FiringId, out var firing))
                continue;
            var log = logs.ContainsKey(run.FiringId) ? await samples.Read(run.FiringId, cancel) : [];
            yield return (run.FiringId, await Of(run, firing, [.. entries[run.FiringId]], log, read.GetValueOrDefault(run.FiringId), cancel));
        }
    }

    private async Task<FiringFile> Of(
        FiringRun run,
        FiringDraft firing,
        IReadOnlyList<FiringEntry> entries,
        List<StoredSample> log,
        FiringRecord? record,
        CancellationToken cancel
    )
    {
        var id = run.FiringId;
        var photos = new Dictionary<string, string>();
        foreach (var entry in entries.Where(e => e.Kind == EntryKind.Photo))
        {
            if (await runs.PhotoAt(id, entry.Key, cancel) is { } photo)
                photos[entry.Key] = Convert.ToBase64String(photo.Bytes);
        }
        return new FiringFile(
            Format: Format,
            Version: 1,
            Firing: FiringMapping.Write(new Versioned<FiringDraft>(id, 0, run.StartedAt, firing)).Firing,
            StartsAt: run.StartsAt.ToDateTimeOffset(),
            OpenedAt: run.OpenedAt?.ToDateTimeOffset(),
            By: run.By,
            GoalCone: run.Goal?.Number,
            IsAsEntered: run.IsAsEntered,
            Program: [.. run.Program.Steps.Select(s => ScheduleMapping.Write(s, TemperatureUnit.Celsius))],
            Kiln: KilnMapping.Write(run.Kiln),
            Samples: [.. log.Select(s => new FiringFileSample((s.At - run.StartsAt.ToUnixTimeMilliseconds()) / 1000.0, s.Celsius, s.Share, s.SetPoint))],
            Entries: [.. entries.Select(e => RunMapping.Write(e, NodaTime.Instant.MaxValue))],
            Photos: photos,
            Reading: new ReadingContract([.. (record?.Packs ?? []).Select(PackMapping.Write)], ResultsMapping.Write(record?.Results ?? FiringResults.None)),
            Figures: record?.Figures?.Numbers ?? (IReadOnlyDictionary<string, double>)new Dictionary<string, double>()
        );
    }

    /// <summary>The log alone, a line a reading; nothing where it was never started.</summary>
    public async Task<string?> Csv(int id, CancellationToken cancel)
    {
        if (await runs.Find(id, cancel) is not { } run)
            return null;
        var text = new StringBuilder("time,minutes,celsius,power,set point\n");
        foreach (var s in await samples.Read(id, cancel))
        {
            var minutes = (s.At - run.StartsAt.ToUnixTimeMilliseconds()) / 60_000.0;
            text.Append(
                CultureInfo.InvariantCulture,
                $"{DateTimeOffset.FromUnixTimeMilliseconds(s.At):yyyy-MM-ddTHH:mm:ssZ},{minutes:0.###},{s.Celsius},{s.Share},{s.SetPoint}\n"
            );
        }
        return text.ToString();
    }
}
