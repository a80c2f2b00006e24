using System.Globalization;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Files;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Studio;

/// <summary>The whole studio in one download: as a backup that can be restored, or in open formats.</summary>
internal static class CopyEndpoints
{
    public static void MapCopies(this WebApplication app)
    {
        var api = app.MapGroup("/api/studio")
            .Needs(Right.Manage, passwordAgain: true)
            .WithTags("Studio")
            .WithMetadata(new OwnPagesOnly())
            .RequireRateLimiting(LargeBodies.Copies)
            .AddEndpointFilter(Noted);
        api.MapGet("backup", Backup)
            .WithSummary("A consistent copy of the database, made while it is in use")
            .Produces(200, contentType: "application/vnd.sqlite3");
        api.MapGet("export", Export).WithSummary("Everything in open formats: JSON and photos in a zip").Produces(200, contentType: "application/zip");
    }

    private static Task<IResult> Backup(StudioCopies studio, StudioFolder folder, TimeProvider time, CancellationToken cancel) => Made(folder, async file =>
        {
            cancel.ThrowIfCancellationRequested();
            await studio.CopyTo(file);
            return Send(file, "application/vnd.sqlite3", $"zealous-ember-{Day(time)}.db");
        });

    private static Task<IResult> Export(StudioExport export, StudioFolder folder, TimeProvider time, CancellationToken cancel) => Made(folder, async file =>
        {
            await using (var zip = File.Create(file))
                await export.Write(zip, cancel);
            return Send(file, "application/zip", $"zealous-ember-{Day(time)}.zip");
        });

    /// <summary>Tells the audit that a copy was taken away. On a full disk it is taken all the same: that is when it is wanted most.</summary>
    internal static async ValueTask<object?> Noted(EndpointFilterInvocationContext call, EndpointFilterDelegate next)
    {
        var http = call.HttpContext;
        try
        {
            await http
                .RequestServices.GetRequiredService<AuditLog>()
                .Note(new Writer(http.Caller()?.PersonId, http.Caller()?.DeviceId), "took away", "copies", http.RequestAborted);
        }
        catch (Exception error) when (error is not OperationCanceledException)
        {
            http.RequestServices.GetRequiredService<ILogger<AuditLog>>().LogWarning("A copy could not be told to the audit: {Why}", error.Message);
        }
        return await next(call);
    }

    /// <summary>Makes a file of its own and sends it; of what is given up nothing is left.</summary>
    internal static async Task<IResult> Made(StudioFolder folder, Func<string, Task<IResult>> make)
    {
        var file = folder.WorkingFile();
        try
        {
            return await make(file);
        }
        catch
        {
            File.Delete(file);
            throw;
        }
    }

    internal static string Day(TimeProvider time) => time.GetUtcNow().ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    // Gone with the stream that reads it, whoever gives up meanwhile.
    internal static IResult Send(string file, string contentType, string name) =>
        Results.File(
            new FileStream(file, new FileStreamOptions { Options = FileOptions.DeleteOnClose | FileOptions.Asynchronous, Access = FileAccess.Read }),
            contentType,
            name
        );
}
