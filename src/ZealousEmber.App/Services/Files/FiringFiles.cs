using System.Globalization;
using System.Runtime.CompilerServices;
using CsvHelper;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Logbook;
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

    /// <summary>
    /// The log alone, a line a reading, those noted by hand among them; of a fuel kiln with what was turned and seen in words of their own column. Nothing
    /// where it was never started.
    /// </summary>
    public async Task<string?> Csv(int id, CancellationToken cancel)
    {
        if (await runs.Find(id, cancel) is not { } run)
            return null;
        var noted = FiringEntry
            .InForce(await runs.Entries(id, cancel))
            .Where(e => e is { Kind: EntryKind.Reading, Celsius: not null } || (run.IsFuel && EntryWords.Of(e, run.Kiln) is not null));
        var rows = (await samples.Read(id, cancel))
            .Select(s => (s.At, s.Celsius, s.Share, s.SetPoint, Noted: (string?)null))
            .Concat(
                noted.Select(e =>
                    (At: e.At.ToUnixTimeMilliseconds(), e.Celsius, Share: (double?)null, SetPoint: (double?)null, Noted: EntryWords.Of(e, run.Kiln))
                )
            )
            .OrderBy(r => r.At);
        var text = new StringWriter();
        using (var csv = new CsvWriter(text, CsvCells.Format with { NewLine = "\n" }))
        {
            foreach (var column in (IEnumerable<string>)["time", "minutes", "celsius", "power", "set point", .. run.IsFuel ? ["noted"] : Array.Empty<string>()])
                csv.WriteField(column);
            csv.NextRecord();
            foreach (var row in rows)
            {
                csv.WriteField(DateTimeOffset.FromUnixTimeMilliseconds(row.At).ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture));
                csv.WriteField(((row.At - run.StartsAt.ToUnixTimeMilliseconds()) / 60_000.0).ToString("0.###", CultureInfo.InvariantCulture));
                csv.WriteField(row.Celsius);
                csv.WriteField(row.Share);
                csv.WriteField(row.SetPoint);
                if (run.IsFuel)
                    csv.WriteField(CsvCells.Defused(row.Noted));
                csv.NextRecord();
            }
        }
        return text.ToString();
    }
}
