using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Http;

/// <summary>The addresses every repository has: find, add, save by version, delete, restore.</summary>
/// <param name="What">In messages: "kiln".</param>
/// <param name="Read">From the wire, with what stood there before and the services of the request.</param>
/// <param name="Write">To the wire.</param>
/// <param name="Changes">The right to add, change and delete; what only owners may wants the password again.</param>
internal sealed record RepositoryEndpoints<TWire, TStored, T>(
    string What,
    Func<TWire?, T?, HttpContext, Task<Result<T>>> Read,
    Func<Versioned<T>, TStored> Write,
    Right Changes
)
    where TWire : class
    where TStored : notnull
    where T : class
{
    /// <summary>For what is read without looking anything up.</summary>
    public RepositoryEndpoints(string what, Func<TWire?, Result<T>> read, Func<Versioned<T>, TStored> write, Right changes)
        : this(what, (wire, _, _) => Task.FromResult(read(wire)), write, changes) { }

    /// <summary>All of them; its list is asked for with <paramref name="search"/> where that is more than words.</summary>
    public void Map(RouteGroupBuilder api, string path, Delegate? search = null)
    {
        // Typed as delegates first: the framework's analyzer of route handlers does not see through type parameters.
        Delegate find = Find,
            save = Save,
            delete = Delete,
            restore = Restore;
        Delegate add = (TWire? wire, Repository<T> repository, HttpContext context, CancellationToken cancel) => Add(path, wire, repository, context, cancel);
        if (search is null)
            api.MapGet("", (Delegate)Search)
                .WithSummary($"Every {What}, by name, a part at a time: ?skip= and ?take=; X-Total-Count tells how many there are")
                .Produces<TStored[]>()
                .ProducesValidationProblem(422);
        else
            api.MapGet("", search).Produces<TStored[]>().ProducesValidationProblem(422);
        api.MapPost("", add)
            .Needs(Changes, passwordAgain: Changes == Right.Manage)
            .WithSummary($"Add a {What}; sent again with the same Idempotency-Key it is the one that was added")
            .Produces<TStored>(201)
            .ProducesValidationProblem(422);
        api.MapGet("{id:int}", find).WithSummary($"One {What}").Produces<TStored>().ProducesProblem(404).ProducesProblem(409);
        api.MapPut("{id:int}", save)
            .Needs(Changes, passwordAgain: Changes == Right.Manage)
            .WithSummary("Save over the version named in If-Match")
            .Produces<TStored>()
            .ProducesValidationProblem(422)
            .ProducesProblem(404)
            .ProducesProblem(412)
            .ProducesProblem(428);
        api.MapDelete("{id:int}", delete)
            .Needs(Changes, passwordAgain: Changes == Right.Manage)
            .WithSummary("Delete, unless it was changed since the version named in If-Match; can be undone")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesProblem(412);
        api.MapPost("{id:int}/restore", restore)
            .Needs(Changes, passwordAgain: Changes == Right.Manage)
            .WithSummary($"Restore a deleted {What}")
            .Produces<TStored>()
            .ProducesProblem(404);
    }

    private async Task<IResult> Search(string? search, int? skip, int? take, Repository<T> repository, HttpContext context, CancellationToken cancel)
    {
        var part = Part.Read(skip, take);
        if (!part.IsOk)
            return ProblemResponses.Of(part.Problems);
        var found = await repository.Search(search, part.Value.Skip, part.Value.Take, cancel);
        part.Value.WriteHeaders(context, found.Total);
        return Results.Ok(found.Items.Select(Write));
    }

    private async Task<IResult> Add(string path, TWire? wire, Repository<T> repository, HttpContext context, CancellationToken cancel)
    {
        var read = await Read(wire, null, context);
        if (!read.IsOk)
            return ProblemResponses.Of(read.Problems);
        var stored = await repository.Add(read.Value, Versions.Stamp(context.Request), cancel);
        Versions.WriteTag(context.Response, stored.Version, stored.SaveKey);
        return Results.Created($"{path}/{stored.Id}", Write(stored));
    }

    private async Task<IResult> Find(int id, Repository<T> repository, HttpResponse response, CancellationToken cancel) =>
        await repository.Find(id, cancel) is { } stored ? Ok(stored, response) : ProblemResponses.NotFound(What);

    private async Task<IResult> Delete(int id, Repository<T> repository, HttpContext context, CancellationToken cancel)
    {
        int? version = null;
        if (context.Request.Headers.IfMatch.Count > 0 && !Versions.TryReadIfMatch(context.Request, out version))
            return Versions.PreconditionFailed(context.Request);
        return await repository.Delete(id, version, cancel) switch
        {
            SaveOutcome<Versioned<T>>.Saved => Results.NoContent(),
            SaveOutcome<Versioned<T>>.Conflict { Current: var current } => Versions.Conflict(
                What,
                current.Version,
                current.SaveKey,
                Write(current),
                context.Response
            ),
            _ => ProblemResponses.NotFound(What),
        };
    }

    private async Task<IResult> Restore(int id, Repository<T> repository, HttpResponse response, CancellationToken cancel) =>
        await repository.Restore(id, cancel) is { } stored ? Ok(stored, response) : ProblemResponses.NotFound(What);

    private async Task<IResult> Save(int id, TWire? wire, Repository<T> repository, HttpContext context, CancellationToken cancel)
    {
        if (await repository.Find(id, cancel) is not { } before)
            return ProblemResponses.NotFound(What);
        if (!Versions.TryReadIfMatch(context.Request, out var version))
            return Versions.PreconditionFailed(context.Request);
        var read = await Read(wire, before.Item, context);
        if (!read.IsOk)
            return ProblemResponses.Of(read.Problems);
        return await repository.Save(id, version, read.Value, Versions.Stamp(context.Request), cancel) switch
        {
            SaveOutcome<Versioned<T>>.Saved { Stored: var stored } => Ok(stored, context.Response),
            SaveOutcome<Versioned<T>>.Conflict { Current: var current } => Versions.Conflict(
                What,
                current.Version,
                current.SaveKey,
                Write(current),
                context.Response
            ),
            _ => ProblemResponses.NotFound(What),
        };
    }

    private IResult Ok(Versioned<T> stored, HttpResponse response)
    {
        Versions.WriteTag(response, stored.Version, stored.SaveKey);
        return Results.Ok(Write(stored));
    }
}
