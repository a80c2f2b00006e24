using System.Globalization;
using System.Text;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Live;
using ZealousEmber.App.Services.People;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.People;

/// <summary>What the studio keeps of somebody: told, and taken out.</summary>
internal static class PersonData
{
    public static void MapPersonData(this WebApplication app)
    {
        var api = app.MapGroup("/api/people/{id:int}").Needs(Right.BeSomebody).WithTags("People");
        api.MapGet("export", Export)
            .WithSummary("Everything the studio keeps of somebody, for herself and for owners")
            .Produces(200, contentType: "application/json")
            .ProducesProblem(404);
        api.MapPost("erase", Erase)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("Take somebody out: firings and counts stay, as those of a former member")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesProblem(409);
    }

    private static async Task<IResult> Export(int id, PersonalData data, HttpContext context, CancellationToken cancel)
    {
        var asks = context.Caller()!;
        if ((asks.PersonId != id && !asks.Rights.May(Right.Manage)) || await data.Export(id, cancel) is not { } text)
            return ProblemResponses.NotFound("person");
        return Answer.Named(
            context.Response,
            string.Create(CultureInfo.InvariantCulture, $"person-{id}.json"),
            Results.Text(text, "application/json", Encoding.UTF8)
        );
    }

    private static async Task<IResult> Erase(
        int id,
        Erasure erasure,
        SignedIn signedIn,
        LiveFirings live,
        FiringReader reader,
        HttpContext context,
        CancellationToken cancel
    )
    {
        var asks = context.Caller()!;
        // Begun is finished: a name half taken out would be worse than one that is there.
        var refused = await erasure.Erase(id, new Writer(asks.PersonId, asks.DeviceId), CancellationToken.None);
        if (refused == PersonRefusal.NotFound)
            return ProblemResponses.NotFound("person");
        if (refused == PersonRefusal.LastOwner)
            return ProblemResponses.Conflict("This is the last owner: nobody could manage the studio any more.");
        await signedIn.Load(CancellationToken.None);
        // What is followed and what the logbook says of it was read under the old name.
        await live.FollowAll(CancellationToken.None);
        await reader.Refresh(CancellationToken.None);
        return Results.NoContent();
    }
}
