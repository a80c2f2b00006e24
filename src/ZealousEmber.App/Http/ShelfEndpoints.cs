using ZealousEmber.Core;
using ZealousEmber.Store;
using ZealousEmber.Store.Shelves;

namespace ZealousEmber.App.Http;

/// <summary>The addresses every shelf has: find, make, save by version, delete, bring back.</summary>
/// <param name="What">In messages: "kiln".</param>
/// <param name="Read">From the wire.</param>
/// <param name="Write">To the wire.</param>
internal sealed record ShelfEndpoints<TWire, TStored, T>(string What, Func<TWire?, Result<T>> Read, Func<Stored<T>, TStored> Write)
    where TWire : class
    where TStored : notnull
{
    public void Map(RouteGroupBuilder api, string path)
    {
        // Typed as delegates first: the framework's analyzer of route handlers does not see through type parameters.
        Delegate search = Search, find = Find, save = Save, delete = Delete, restore = Restore;
        Delegate add = (TWire? wire, Shelf<T> shelf, HttpResponse response, CancellationToken cancel) => Add(path, wire, shelf, response, cancel);
        api.MapGet("", search).WithSummary($"Every {What}, by name").Produces<TStored[]>();
        api.MapPost("", add).WithSummary($"Keep a new {What}").Produces<TStored>(201).ProducesValidationProblem(422);
        api.MapGet("{id:int}", find).WithSummary($"One {What}").Produces<TStored>().ProducesProblem(404);
        api.MapPut("{id:int}", save).WithSummary("Save over the version named in If-Match")
            .Produces<TStored>().ProducesValidationProblem(422).ProducesProblem(404).ProducesProblem(412).ProducesProblem(428);
        api.MapDelete("{id:int}", delete).WithSummary("Delete; can be undone").Produces(204).ProducesProblem(404);
        api.MapPost("{id:int}/restore", restore).WithSummary($"Bring a deleted {What} back").Produces<TStored>().ProducesProblem(404);
    }

    private async Task<IResult> Search(string? search, Shelf<T> shelf, CancellationToken cancel) => Results.Ok((await shelf.Search(search, cancel)).Select(Write));

    private async Task<IResult> Add(string path, TWire? wire, Shelf<T> shelf, HttpResponse response, CancellationToken cancel)
    {
        var read = Read(wire);
        if (!read.IsOk) return ClearProblems.Of(read.Problems);
        var stored = await shelf.Add(read.Value, cancel);
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Created($"{path}/{stored.Id}", Write(stored));
    }

    private async Task<IResult> Find(int id, Shelf<T> shelf, HttpResponse response, CancellationToken cancel) =>
        await shelf.Find(id, cancel) is { } stored ? Ok(stored, response) : ClearProblems.Missing(What);

    private async Task<IResult> Delete(int id, Shelf<T> shelf, CancellationToken cancel) =>
        await shelf.Delete(id, cancel) ? Results.NoContent() : ClearProblems.Missing(What);

    private async Task<IResult> Restore(int id, Shelf<T> shelf, HttpResponse response, CancellationToken cancel) =>
        await shelf.Restore(id, cancel) is { } stored ? Ok(stored, response) : ClearProblems.Missing(What);

    private async Task<IResult> Save(int id, TWire? wire, Shelf<T> shelf, HttpContext context, CancellationToken cancel)
    {
        if (!Versions.TryReadIfMatch(context.Request, out var version)) return Versions.NotNamed(context.Request);
        var read = Read(wire);
        if (!read.IsOk) return ClearProblems.Of(read.Problems);
        return await shelf.Save(id, version, read.Value, cancel) switch
        {
            SaveOutcome<Stored<T>>.Saved { Stored: var stored } => Ok(stored, context.Response),
            SaveOutcome<Stored<T>>.Clash { Current: var current } => Versions.Clash(What, current.Version, Write(current), context.Response),
            _ => ClearProblems.Missing(What),
        };
    }

    private IResult Ok(Stored<T> stored, HttpResponse response)
    {
        response.Headers.ETag = Versions.Tag(stored.Version);
        return Results.Ok(Write(stored));
    }
}
