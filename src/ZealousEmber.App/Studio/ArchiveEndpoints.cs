using System.IO.Compression;
using System.Text.Json;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Files;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Live;
using ZealousEmber.App.Services.People;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Files;

namespace ZealousEmber.App.Studio;

/// <summary>What an archive says of itself.</summary>
/// <param name="Format">zealous-ember-studio.</param>
/// <param name="Version">Of the archive; a newer one is refused.</param>
public sealed record ArchiveManifest(string Format, int Version, DateTimeOffset MadeAt);

/// <summary>The whole studio as one archive, and back again into an empty one.</summary>
internal static class ArchiveEndpoints
{
    private const string Format = "zealous-ember-studio";
    private const string NotEmpty =
        "There is something in this studio already, and it is not overwritten. Restore into a new one: start the program on an empty folder. With the "
        + "program stopped, a backup of the database can be put in its place instead (see the README).";
    private const int Version = 1;
    private const string Database = "studio.db";
    private const string Manifest = "manifest.json";

    // A database is pages of numbers and words, which pack to a tenth at best; what unpacks to far more than that is none. Bytes.
    private const long LeastUnpacked = 64_000_000;
    private const long MostTimes = 40;
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    public static void MapArchives(this WebApplication app)
    {
        app.MapGet("/api/backup", Backup)
            .Needs(Right.Manage, passwordAgain: true)
            .WithMetadata(new OwnPagesOnly())
            .RequireRateLimiting(LargeBodies.Copies)
            .AddEndpointFilter(CopyEndpoints.Noted)
            .WithTags("Studio")
            .WithSummary("The whole studio as one archive: the database, and everything in open formats beside it")
            .Produces(200, contentType: "application/zip");
        app.MapPost("/api/restore", Restore)
            .Needs(Right.Manage, passwordAgain: true)
            .WithMetadata(new BodySize(BodyLimit.Studio))
            .RequireRateLimiting(LargeBodies.Queue)
            .WithTags("Studio")
            .WithSummary("Take over such an archive, the bytes themselves, into a studio in which nothing was written yet")
            .Accepts<Stream>("application/zip")
            .Produces<ArchiveManifest>()
            .ProducesProblem(409)
            .ProducesValidationProblem(422);
    }

    private static Task<IResult> Backup(StudioCopies studio, StudioExport export, StudioFolder folder, TimeProvider time, CancellationToken cancel) =>
        CopyEndpoints.Made(folder, async file =>
        {
            var copy = folder.WorkingFile();
            try
            {
                await studio.CopyTo(copy);
                await using (var stream = File.Create(file))
                {
                    using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
                    {
                        await using (var manifest = await zip.CreateEntry(Manifest).OpenAsync(cancel))
                            await JsonSerializer.SerializeAsync(manifest, new ArchiveManifest(Format, Version, time.GetUtcNow()), Json, cancel);
                        await zip.CreateEntryFromFileAsync(copy, Database, cancel);
                        await export.WriteTo(zip, "open/", cancel);
                    }
                }
                return CopyEndpoints.Send(file, "application/zip", $"zealous-ember-studio-{CopyEndpoints.Day(time)}.zip");
            }
            finally
            {
                File.Delete(copy);
            }
        });

    private static async Task<IResult> Restore(
        HttpRequest request,
        StudioCopies studio,
        StudioFolder folder,
        LiveFirings live,
        FiringReader reader,
        SignedIn signedIn,
        CancellationToken cancel
    )
    {
        if (!await studio.IsEmpty(cancel))
            return ProblemResponses.Conflict(NotEmpty);
        var (zip, file) = (folder.WorkingFile(), folder.WorkingFile());
        try
        {
            await using (var stream = File.Create(zip))
                await request.Body.CopyToAsync(stream, cancel);
            var manifest = await Unpack(zip, file, cancel);
            if (!manifest.IsOk)
                return ProblemResponses.Of(manifest.Problems);
            // Asked again where nobody else writes: what was saved while the archive came in stays.
            if (!await studio.TakeOver(file, "The archive", cancel))
                return ProblemResponses.Conflict(NotEmpty);
            await signedIn.Load(CancellationToken.None, withSessions: true);
            await live.FollowAll(CancellationToken.None);
            await reader.Refresh(CancellationToken.None);
            return Results.Ok(manifest.Value);
        }
        catch (StudioFolderException error)
        {
            return ProblemResponses.Of([new Problem("archive", error.Message)]);
        }
        finally
        {
            foreach (var left in new[] { zip, file, file + "-wal", file + "-shm" })
                File.Delete(left);
        }
    }

    /// <summary>The database of an archive; a problem for what is none, is only half there, or is from a newer program.</summary>
    private static async Task<Result<ArchiveManifest>> Unpack(string zip, string to, CancellationToken cancel)
    {
        static Problem NotWhole(string what) => new("archive", $"{what} Nothing was changed. Download the backup again, and send the whole file.");
        try
        {
            using var archive = await ZipFile.OpenReadAsync(zip, cancel);
            if (archive.GetEntry(Manifest) is not { } described || archive.GetEntry(Database) is not { } database)
                return NotWhole("This is no archive of a studio, or it is not whole.");
            ArchiveManifest? manifest;
            await using (var stream = await described.OpenAsync(cancel))
                manifest = await JsonSerializer.DeserializeAsync<ArchiveManifest>(stream, Json, cancel);
            if (manifest?.Format != Format)
                return NotWhole("This is no archive of a studio.");
            if (manifest.Version > Version)
                return new Problem(
                    "archive",
                    $"This archive was made by a newer version of the program (archive {manifest.Version}; this program reads up to {Version}). Nothing "
                        + "was changed."
                );
            // A database is pages of numbers and text; what unpacks to far more than was sent is none.
            var most = Math.Max(LeastUnpacked, MostTimes * new FileInfo(zip).Length);
            await using var from = await database.OpenAsync(cancel);
            await using var into = File.Create(to);
            var buffer = new byte[128 * 1024];
            for (int read; (read = await from.ReadAsync(buffer, cancel)) > 0; )
            {
                if (into.Length + read > most)
                    return NotWhole("This archive unpacks to far more than a studio holds.");
                await into.WriteAsync(buffer.AsMemory(0, read), cancel);
            }
            return manifest;
        }
        catch (Exception error) when (error is InvalidDataException or JsonException or EndOfStreamException)
        {
            return NotWhole("This archive is damaged, or only half of it arrived.");
        }
    }
}
