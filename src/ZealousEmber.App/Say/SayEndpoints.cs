using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.App.Wire;
using ZealousEmber.Core;
using ZealousEmber.Core.Saying.Reading;

namespace ZealousEmber.App.Say;

/// <summary>A firing from a sentence. Stores nothing.</summary>
internal static class SayEndpoints
{
    public static void MapSay(this WebApplication app) =>
        app.MapPost("/api/say", async (SayRequest? request, SayingContexts contexts, CancellationToken cancel) =>
                Answer.Of(await Read(request, contexts, cancel))
            )
            .WithTags("Firings")
            .WithSummary("A firing from a sentence: what was understood, what is asked, and what was not read");

    private static async Task<Result<SayResponse>> Read(SayRequest? request, SayingContexts contexts, CancellationToken cancel)
    {
        var problems = new List<Problem>();
        if (request?.Now is null)
            problems.Add(new Problem("now", WireTime.Expected));
        var now = WireTime.Check(request?.Now, "now", problems);
        if (problems.Count > 0)
            return Result<SayResponse>.Failed(problems);
        var said = SayingReader.Read(request!.Text, await contexts.At(now!.Value.ToInstant(), request.Unit, cancel));
        return said.IsOk ? SayMapping.Write(said.Value) : Result<SayResponse>.Failed(said.Problems);
    }
}
