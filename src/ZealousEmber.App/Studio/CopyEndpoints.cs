using System.Globalization;
using ZealousEmber.App.Exchange;
using ZealousEmber.Store;
using ZealousEmber.Store.Files;

namespace ZealousEmber.App.Studio;

/// <summary>The whole studio in one download: as a backup that can be restored, or in open formats.</summary>
internal static class CopyEndpoints
{
    // A folder only this person can read.
    private static readonly Lazy<string> Private = new(() => Directory.CreateTempSubdirectory("zealous-ember-").FullName);

    public static void MapCopies(this WebApplication app)
    {
        var api = app.MapGroup("/api/studio").WithTags("Studio");
        api.MapGet("backup", Backup).WithSummary("A consistent copy of the database, made while it is in use").Produces(200, contentType: "application/vnd.sqlite3");
        api.MapGet("export", Export).WithSummary("Everything in open formats: JSON and photos in a zip").Produces(200, contentType: "application/zip");
    }

    private static async Task<IResult> Backup(StudioContext context, TimeProvider time, CancellationToken cancel)
    {
        cancel.ThrowIfCancellationRequested();
        var file = TemporaryFile();
        await StudioDatabase.CopyTo(context, file);
        return Send(file, "application/vnd.sqlite3", $"zealous-ember-{Day(time)}.db");
    }

    private static async Task<IResult> Export(StudioExport export, TimeProvider time, CancellationToken cancel)
    {
        var file = TemporaryFile();
        await using (var zip = File.Create(file)) await export.Write(zip, cancel);
        return Send(file, "application/zip", $"zealous-ember-{Day(time)}.zip");
    }

    internal static string Day(TimeProvider time) => time.GetUtcNow().ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    internal static string TemporaryFile() => Path.Combine(Private.Value, Guid.NewGuid().ToString("n"));

    internal static IResult Send(string file, string contentType, string name) => Results.File(
        new FileStream(file, new FileStreamOptions { Options = FileOptions.DeleteOnClose | FileOptions.Asynchronous, Access = FileAccess.Read }), contentType, name);
}
