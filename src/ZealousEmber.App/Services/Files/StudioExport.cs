using System.IO.Compression;
using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.App.Services.Files;

/// <summary>Everything a studio has, in open formats: one JSON file of each kind and the photos; docs/formats.md describes it.</summary>
internal sealed class StudioExport(
    ScheduleRepository schedules,
    Repository<StudioKiln> kilns,
    Repository<Clay> clays,
    Repository<Glaze> glazes,
    Repository<FiringDraft> firings,
    Repository<ListedController> controllers,
    EnteredPrograms entered,
    SettingsStore<StudioSettings> settings,
    SettingsStore<PlanningPreferences> preferences,
    PhotoRepository photos,
    RawRows raw,
    FiringRuns runs,
    FiringFiles firingFiles,
    IOptions<JsonOptions> json
)
{
    private const int AtOnce = 200;

    private string under = "";
    private readonly JsonSerializerOptions options = new(json.Value.SerializerOptions) { WriteIndented = true };

    /// <summary>Writes the zip.</summary>
    public async Task Write(Stream to, CancellationToken cancel)
    {
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        await WriteTo(zip, "", cancel);
    }

    /// <summary>The same into a zip that is being written, under a folder of it.</summary>
    public async Task WriteTo(ZipArchive zip, string folder, CancellationToken cancel)
    {
        under = folder;
        await Add(
            zip,
            "schedules.json",
            new ScheduleFile(ScheduleFile.FormatName, 1, [.. (await schedules.All([], cancel)).Select(s => ScheduleMapping.Write(s.Item))]),
            cancel
        );
        await Add(zip, "kilns.json", (await kilns.Search(null, cancel)).Select(KilnMapping.Write), cancel);
        await Add(zip, "clays.json", (await clays.Search(null, cancel)).Select(StockMapping.Write), cancel);
        await Add(zip, "glazes.json", (await glazes.Search(null, cancel)).Select(StockMapping.Write), cancel);
        await Add(zip, "firings.json", (await firings.Search(null, cancel)).Select(FiringMapping.Write), cancel);
        await Add(zip, "controllers.json", (await controllers.Search(null, cancel)).Select(ControllerMapping.Write), cancel);
        await Add(zip, "entered-programs.json", (await entered.Find(null, null, cancel, int.MaxValue)).Select(BankMapping.Write), cancel);
        await Add(zip, "settings.json", StudioMapping.Write((await settings.Read(cancel)).Item), cancel);
        await Add(zip, "planning-preferences.json", PlanningTerms.Write((await preferences.Read(cancel)).Item), cancel);
        foreach (var of in Enum.GetValues<PhotoOf>())
        {
            foreach (var id in (await photos.All(of, cancel)).Keys)
                await AddPhoto(zip, of, id, cancel);
        }
        foreach (var part in (await runs.AllStarted(cancel)).Chunk(AtOnce))
        {
            await foreach (var (id, firing) in firingFiles.Of(part, cancel))
                await Add(zip, $"firings/{id}.json", firing, cancel);
        }
        // What this program cannot read is still the studio's own.
        foreach (var row in await raw.Unreadable(cancel))
        {
            if (await raw.Find(row.Table, row.Id, cancel) is { } content)
                await Add(zip, $"unreadable/{row.Table}-{row.Id}.json", content, cancel);
        }
    }

    private async Task AddPhoto(ZipArchive zip, PhotoOf of, int id, CancellationToken cancel)
    {
        if (await photos.Find(of, id, cancel) is not { } photo)
            return;
        await Add(zip, $"photos/{of.ToString().ToLowerInvariant()}-{id}.{photo.Extension}", photo.Bytes, cancel);
    }

    private Task Add(ZipArchive zip, string name, object content, CancellationToken cancel) =>
        Add(zip, name, JsonSerializer.SerializeToUtf8Bytes(content, options), cancel);

    private async Task Add(ZipArchive zip, string name, byte[] content, CancellationToken cancel)
    {
        // Thousands of small files: packing them tighter takes longer than anything else of it.
        await using var entry = await zip.CreateEntry(under + name, CompressionLevel.Fastest).OpenAsync(cancel);
        await entry.WriteAsync(content, cancel);
    }
}
