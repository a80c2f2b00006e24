using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Http;

/// <summary>The addresses of something a studio has one of: read, and save by version.</summary>
/// <param name="Summary">What it is, for the description of the API.</param>
/// <param name="Read">From the wire, on top of what was there.</param>
/// <param name="Write">To the wire.</param>
internal sealed record SettingsEndpoints<TWire, TStored, T>(string Summary, Func<TWire?, T, Result<T>> Read, Func<VersionedSettings<T>, TStored> Write)
    where TWire : class
    where TStored : notnull
{
    public void Map(RouteGroupBuilder api)
    {
        // Typed as delegates first: the framework's analyzer of route handlers does not see through type parameters.
        Delegate show = Show,
            save = Save;
        api.MapGet("", show).WithSummary(Summary).Produces<TStored>();
        api.MapPut("", save)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("Save over the version named in If-Match; what is missing stays")
            .Produces<TStored>()
            .ProducesValidationProblem(422)
            .ProducesProblem(412)
            .ProducesProblem(428);
    }

    private async Task<IResult> Show(SettingsStore<T> settings, HttpResponse response, CancellationToken cancel) => Ok(await settings.Read(cancel), response);

    private async Task<IResult> Save(TWire? wire, SettingsStore<T> settings, HttpContext context, CancellationToken cancel)
    {
        if (!Versions.TryReadIfMatch(context.Request, out var version))
            return Versions.PreconditionFailed(context.Request);
        var read = Read(wire, (await settings.Read(cancel)).Item);
        if (!read.IsOk)
            return ProblemResponses.Of(read.Problems);
        return await settings.Save(version, read.Value, Versions.Stamp(context.Request), cancel) switch
        {
            SaveOutcome<VersionedSettings<T>>.Saved { Stored: var stored } => Ok(stored, context.Response),
            SaveOutcome<VersionedSettings<T>>.Conflict { Current: var current } => Versions.Conflict(
                "page",
                current.Version,
                current.SaveKey,
                Write(current),
                context.Response
            ),
            _ => ProblemResponses.NotFound("studio"),
        };
    }

    private IResult Ok(VersionedSettings<T> stored, HttpResponse response)
    {
        Versions.WriteTag(response, stored.Version, stored.SaveKey);
        return Results.Ok(Write(stored));
    }
}
