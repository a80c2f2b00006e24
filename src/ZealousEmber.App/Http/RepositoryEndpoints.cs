using ZealousEmber.Core;
using ZealousEmber.Store;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Http;

/// <summary>The addresses every repository has: find, make, save by version, delete, bring back.</summary>
/// <param name="What">In messages: "kiln".</param>
/// <param name="Read">From the wire.</param>
/// <param name="Write">To the wire.</param>
internal sealed record RepositoryEndpoints<TWire, TStored, T>(string What, Func<TWire?, Result<T>> Read, Func<Versioned<T>, TStored> Write)
    where TWire : class
    where TStored : notnull
{
    public void Map(RouteGroupBuilder api, string path)
    {
        // Typed as delegates first: the framework's analyzer of route handlers does not see through type parameters.
        Delegate search = Search, find = Find, save = Save, delete = Delete, restore = Restore;
        Delegate add = (TWire? wire, Repository<T> repository, HttpResponse response, CancellationToken cancel) => Add(path, wire, repository, response, cancel);
        api.MapGet("", search).WithSummary($"Every {What}, by name").Produces<TStored[]>();
        api.MapPost("", add).WithSummary($"Keep a new {What}").Produces<TStored>(201).ProducesValidationProblem(422);
        api.MapGet("{id:int}", find).WithSummary($"One {What}").Produces<TStored>().ProducesProblem(404);
        api.MapPut("{id:int}", save).WithSummary("Save over the version named in If-Match")
            .Produces<TStored>().ProducesValidationProblem(422).ProducesProblem(404).ProducesProblem(412).ProducesProblem(428);
        api.MapDelete("{id:int}", delete).WithSummary("Delete; can be undone").Produces(204).ProducesProblem(404);
        api.MapPost("{id:int}/restore", restore).WithSummary($"Bring a deleted {What} back").Produces<TStored>().ProducesProblem(404);
    }

    private async Task<IResult> Search(string? search, Repository<T> repository, CancellationToken cancel) => Results.Ok((await repository.Search(search, cancel)).Select(Write));

    private async Task<IResult> Add(string path, TWire? wire, Repository<T> repository, HttpResponse response, CancellationToken cancel)
    {
        var read = Read(wire);
        if (!read.IsOk) return ProblemResponses.Of(read.Problems);
        var stored = await repository.Add(read.Value, cancel);
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Created($"{path}/{stored.Id}", Write(stored));
    }

    private async Task<IResult> Find(int id, Repository<T> repository, HttpResponse response, CancellationToken cancel) =>
        await repository.Find(id, cancel) is { } stored ? Ok(stored, response) : ProblemResponses.NotFound(What);

    private async Task<IResult> Delete(int id, Repository<T> repository, CancellationToken cancel) =>
        await repository.Delete(id, cancel) ? Results.NoContent() : ProblemResponses.NotFound(What);

    private async Task<IResult> Restore(int id, Repository<T> repository, HttpResponse response, CancellationToken cancel) =>
        await repository.Restore(id, cancel) is { } stored ? Ok(stored, response) : ProblemResponses.NotFound(What);

    private async Task<IResult> Save(int id, TWire? wire, Repository<T> repository, HttpContext context, CancellationToken cancel)
    {
        if (!Versions.TryReadIfMatch(context.Request, out var version)) return Versions.PreconditionFailed(context.Request);
        var read = Read(wire);
        if (!read.IsOk) return ProblemResponses.Of(read.Problems);
        return await repository.Save(id, version, read.Value, cancel) switch
        {
            SaveOutcome<Versioned<T>>.Saved { Stored: var stored } => Ok(stored, context.Response),
            SaveOutcome<Versioned<T>>.Conflict { Current: var current } => Versions.Conflict(What, current.Version, Write(current), context.Response),
            _ => ProblemResponses.NotFound(What),
        };
    }

    private IResult Ok(Versioned<T> stored, HttpResponse response)
    {
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Ok(Write(stored));
    }
}
