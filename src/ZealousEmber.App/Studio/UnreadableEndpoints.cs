using ZealousEmber.App.Http;
using ZealousEmber.Core.People;
using ZealousEmber.Store.Files;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Studio;

/// <summary>Something that is stored but cannot be read.</summary>
/// <param name="Why">What is wrong with it.</param>
/// <param name="Raw">Where its content can be downloaded as it stands.</param>
public sealed record UnreadableContract(string Table, int Id, string Name, string Why, string Raw);

/// <summary>Rows that cannot be read are shown as such, and come out as they stand.</summary>
internal static class UnreadableEndpoints
{
    public static void MapUnreadable(this WebApplication app)
    {
        var api = app.MapGroup("/api/unreadable").Needs(Right.Manage, passwordAgain: true).WithTags("Studio");
        api.MapGet("", async (RawRows rows, CancellationToken cancel) => (await rows.Unreadable(cancel)).Select(Write))
            .WithSummary("What is stored but cannot be read")
            .Produces<UnreadableContract[]>();
        api.MapGet("{table}/{id:int}", Download)
            .WithSummary("The content of a row as it stands")
            .Produces(200, contentType: "application/json")
            .ProducesProblem(404);
    }

    private static UnreadableContract Write(UnreadableRow row) => new(row.Table, row.Id, row.Name, row.Why, $"/api/unreadable/{row.Table}/{row.Id}");

    private static async Task<IResult> Download(string table, int id, RawRows rows, CancellationToken cancel) =>
        await rows.Find(table, id, cancel) is { } content
            ? Results.File(content, "application/json", $"{table}-{id}.json")
            : ProblemResponses.NotFound("such row");
}
