using ZealousEmber.Core;
using ZealousEmber.Store;
using ZealousEmber.Store.Studio;

namespace ZealousEmber.App.Http;

/// <summary>The addresses of something a studio has one of: read, and save by version.</summary>
/// <param name="Summary">What it is, for the description of the API.</param>
/// <param name="Read">From the wire, on top of what was there.</param>
/// <param name="Write">To the wire.</param>
internal sealed record SheetEndpoints<TWire, TStored, T>(string Summary, Func<TWire?, T, Result<T>> Read, Func<StoredSheet<T>, TStored> Write)
    where TWire : class
    where TStored : notnull
{
    public void Map(RouteGroupBuilder api)
    {
        // Typed as delegates first: the framework's analyzer of route handlers does not see through type parameters.
        Delegate show = Show, save = Save;
        api.MapGet("", show).WithSummary(Summary).Produces<TStored>();
        api.MapPut("", save).WithSummary("Save over the version named in If-Match; what is missing stays")
            .Produces<TStored>().ProducesValidationProblem(422).ProducesProblem(412).ProducesProblem(428);
    }

    private async Task<IResult> Show(Sheet<T> sheet, HttpResponse response, CancellationToken cancel) => Ok(await sheet.Read(cancel), response);

    private async Task<IResult> Save(TWire? wire, Sheet<T> sheet, HttpContext context, CancellationToken cancel)
    {
        if (!Versions.TryReadIfMatch(context.Request, out var version)) return Versions.NotNamed(context.Request);
        var read = Read(wire, (await sheet.Read(cancel)).Item);
        if (!read.IsOk) return ClearProblems.Of(read.Problems);
        return await sheet.Save(version, read.Value, cancel) switch
        {
            SaveOutcome<StoredSheet<T>>.Saved { Stored: var stored } => Ok(stored, context.Response),
            SaveOutcome<StoredSheet<T>>.Clash { Current: var current } => Versions.Clash("page", current.Version, Write(current), context.Response),
            _ => ClearProblems.Missing("studio"),
        };
    }

    private IResult Ok(StoredSheet<T> stored, HttpResponse response)
    {
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Ok(Write(stored));
    }
}
