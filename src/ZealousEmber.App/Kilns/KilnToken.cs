using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Services.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Kilns;

/// <summary>The token a kiln’s logger shows.</summary>
internal static class KilnToken
{
    public static void MapKilnToken(this WebApplication app)
    {
        var kiln = app.MapGroup("/api/kilns/{id:int}/token").Needs(Right.See).WithTags("Live");
        kiln.MapPost("", GiveToken)
            .Needs(Right.Manage, passwordAgain: true)
            .WithSummary("A token for a kiln's logger, told once; the one before is no longer taken")
            .Produces<TokenContract>(201)
            .ProducesProblem(404);
        kiln.MapDelete("", RevokeToken).Needs(Right.Manage, passwordAgain: true).WithSummary("Take a kiln's token away").Produces(204).ProducesProblem(404);
    }

    private static async Task<IResult> GiveToken(
        int id,
        Repository<StudioKiln> kilns,
        [AsParameters] LiveStudio studio,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        if (await kilns.Find(id, cancel) is null)
            return ProblemResponses.NotFound("kiln");
        var token = KilnTokens.Make();
        await studio.Runs.GiveToken(id, KilnTokens.Hash(token), studio.Now, Versions.Stamp(request).By, cancel);
        return Results.Created($"/api/kilns/{id}/token", new TokenContract(token));
    }

    private static async Task<IResult> RevokeToken(int id, [AsParameters] LiveStudio studio, CancellationToken cancel) =>
        await studio.Runs.RevokeToken(id, cancel) ? Results.NoContent() : ProblemResponses.NotFound("token");
}
