using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.App.Services.Firings;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.People;
using ZealousEmber.Core.Saying.Reading;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.App.Stock;

/// <summary>Lots from lines of text, with the studio's own names.</summary>
internal static class LotEndpoints
{
    public static void MapLots(this WebApplication app)
    {
        var api = app.MapGroup("/api/lots").Needs(Right.See).WithTags("Firings");
        api.MapPost("read", async (LotLinesRequest? request, SayingContexts contexts, FiringFinder firings, TimeProvider time, CancellationToken cancel) =>
                Answer.Of(await Read(request, contexts, firings, time, cancel))
            )
            .Needs(Right.BeSomebody)
            .WithSummary("Lots from lines as people write them");
        api.MapGet("usual", async (string? what, FiringFinder firings, CancellationToken cancel) => await Usual(what, firings, cancel))
            .WithSummary("Sizes of ware as they were last written down: of one name, or all there are");
    }

    private static async Task<UsualLots> Usual(string? what, FiringFinder firings, CancellationToken cancel)
    {
        var usual = await firings.UsualWare(cancel);
        IEnumerable<LotDraft> found =
            what is null ? usual.All
            : usual.Of(what) is { } one ? [one]
            : [];
        return new UsualLots([.. found.Select(FiringMapping.Write)]);
    }

    private static async Task<Result<LotLinesResponse>> Read(
        LotLinesRequest? request,
        SayingContexts contexts,
        FiringFinder firings,
        TimeProvider time,
        CancellationToken cancel
    )
    {
        var text = request?.Text ?? "";
        if (string.IsNullOrWhiteSpace(text))
            return new Problem("text", "Write a lot, like 26 mugs ⌀85 × 100, 6 mm, Marsh White, cool to touch.");
        if (text.Length > LotLines.Longest)
            return new Problem("text", $"At most {LotLines.Longest} characters at once; this has {text.Length}.");
        var context = await contexts.At(Instant.FromDateTimeOffset(time.GetUtcNow()), null, cancel);
        var read = LotLines.Read(text, context, await firings.UsualWare(cancel));
        return new LotLinesResponse(
            [.. read.Lots.Take(WareLot.MostLots).Select(FiringMapping.Write)],
            [.. read.Unread.Take(WareLot.MostLots).Select(u => new UnreadLineContract(u.Line, u.Why))],
            read.Heading
        );
    }
}
