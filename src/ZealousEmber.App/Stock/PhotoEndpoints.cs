using Microsoft.Net.Http.Headers;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Files;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Records;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Stock;

/// <summary>Which thing has a photo, and since when: a new one is a new moment.</summary>
public sealed record PhotoContract(int Id, DateTimeOffset TakenInAt);

/// <summary>One photo for each clay and glaze that wants one; the bytes themselves, as image/jpeg.</summary>
internal static class PhotoEndpoints
{
    public static void MapPhotos(this WebApplication app)
    {
        Map<Clay>(app.MapGroup("/api/clays").Needs(Right.See).WithTags("Clays and glazes"), PhotoOf.Clay, "clay");
        Map<Glaze>(app.MapGroup("/api/glazes").Needs(Right.See).WithTags("Clays and glazes"), PhotoOf.Glaze, "glaze");
    }

    private static void Map<T>(RouteGroupBuilder api, PhotoOf of, string what)
    {
        // Typed as delegates first: the framework's analyzer of route handlers does not see through type parameters.
        Delegate all = async (PhotoRepository photos, CancellationToken cancel) =>
            (await photos.All(of, cancel)).Select(p => new PhotoContract(p.Key, p.Value.ToDateTimeOffset()));
        Delegate show = (int id, PhotoRepository photos, CancellationToken cancel) => Show(of, id, photos, cancel);
        Delegate save = (int id, Repository<T> repository, PhotoRepository photos, HttpRequest request, CancellationToken cancel) =>
            Save(of, what, id, repository, photos, request, cancel);
        Delegate remove = async (int id, PhotoRepository photos, CancellationToken cancel) =>
            await photos.Remove(of, id, cancel) ? Results.NoContent() : ProblemResponses.NotFound("photo");
        api.MapGet("photos", all).WithSummary($"Which {what} has a photo").Produces<PhotoContract[]>();
        api.MapGet("{id:int}/photo", show).WithSummary($"The photo of a {what}").Produces(200, contentType: "image/jpeg").ProducesProblem(404);
        api.MapPut("{id:int}/photo", save)
            .Needs(Right.Reserve)
            .WithSummary($"Save a photo of a {what}, in the place of the one before")
            .WithMetadata(new BodySize(BodyLimit.Photo))
            .RequireRateLimiting(LargeBodies.Photos)
            .Produces(204)
            .ProducesValidationProblem(422)
            .ProducesProblem(404);
        api.MapDelete("{id:int}/photo", remove).Needs(Right.Reserve).WithSummary($"Remove the photo of a {what}").Produces(204).ProducesProblem(404);
    }

    private static async Task<IResult> Show(PhotoOf of, int id, PhotoRepository photos, CancellationToken cancel) =>
        await photos.Find(of, id, cancel) is { } photo
            ? Results.Bytes(photo.Bytes, photo.SentAs, entityTag: new EntityTagHeaderValue($"\"{photo.TakenInAt.ToUnixTimeMilliseconds()}\""))
            : ProblemResponses.NotFound("photo");

    private static async Task<IResult> Save<T>(
        PhotoOf of,
        string what,
        int id,
        Repository<T> repository,
        PhotoRepository photos,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        if (await repository.Find(id, cancel) is null)
            return ProblemResponses.NotFound(what);
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var photo = PhotoReader.Read(body.ToArray());
        if (!photo.IsOk)
            return ProblemResponses.Of(photo.Problems);
        await photos.Save(of, id, PhotoReader.ContentType, photo.Value, cancel);
        return Results.NoContent();
    }
}
