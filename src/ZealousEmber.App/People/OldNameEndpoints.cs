using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Members;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.People;

/// <summary>Names typed before there were accounts, matched to people once.</summary>
internal static class OldNameEndpoints
{
    private const int LongestName = 200;

    public static void MapOldNames(this WebApplication app)
    {
        var api = app.MapGroup("/api/people").Needs(Right.Manage).WithTags("People");
        api.MapGet("old-names", async (OldNames names, CancellationToken cancel) =>
                (await names.Read(cancel)).Select(n => new OldNameContract(n.Name, n.Times))
            )
            .WithSummary("Names typed before there were accounts that are nobody's yet")
            .Produces<OldNameContract[]>();
        api.MapPost("{id:int}/old-names", Match)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("Say whose such a name is: it stands as theirs from then on")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesValidationProblem(422);
    }

    private static async Task<IResult> Match(
        int id,
        OldNameRequest? wire,
        OldNames names,
        LiveFirings live,
        FiringReader reader,
        HttpContext context,
        CancellationToken cancel
    )
    {
        var name = wire?.Name?.Trim();
        if (string.IsNullOrEmpty(name) || name.Length > LongestName)
            return ProblemResponses.Of([new Problem("name", "Which name is it?")]);
        var asks = context.Caller()!;
        if (!await names.Match(name, id, new Writer(asks.PersonId, asks.DeviceId), cancel))
            return ProblemResponses.NotFound("person");
        // What is followed, and the logbook, were read under the old name.
        await live.FollowAll(CancellationToken.None);
        await reader.Refresh(CancellationToken.None);
        return Results.NoContent();
    }
}
