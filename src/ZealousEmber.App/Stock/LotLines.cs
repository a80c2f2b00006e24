using ZealousEmber.App.Contracts;
using ZealousEmber.App.Http;
using ZealousEmber.App.Mapping;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Rows;

namespace ZealousEmber.App.Stock;

/// <summary>Reads lots from lines of text, with the studio's own clays and glazes by name.</summary>
internal static class LotLines
{
    public static void MapLotLines(this WebApplication app)
    {
        var api = app.MapGroup("/api/lots").WithTags("Firings");
        api.MapPost(
                "read",
                async (LotLinesRequest? request, Repository<Clay> clays, Repository<Glaze> glazes, FiringFinder firings, CancellationToken cancel) =>
                    Answer.Of(await Read(request, clays, glazes, firings, cancel))
            )
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
        Repository<Clay> clays,
        Repository<Glaze> glazes,
        FiringFinder firings,
        CancellationToken cancel
    )
    {
        var text = request?.Text ?? "";
        if (string.IsNullOrWhiteSpace(text))
            return new Problem("text", "Write a lot, like 26 mugs ⌀85 × 100, 6 mm, Marsh White, cool to touch.");
        if (text.Length > LotLine.Longest)
            return new Problem("text", $"At most {LotLine.Longest} characters at once; this has {text.Length}.");
        var read = LotLine.Read(text, await Names(clays, c => c.Name, cancel), await Names(glazes, g => g.Name, cancel), await firings.UsualWare(cancel));
        return new LotLinesResponse(
            [.. read.Lots.Take(WareLot.MostLots).Select(FiringMapping.Write)],
            [.. read.Unread.Take(WareLot.MostLots).Select(u => new UnreadLineContract(u.Line, u.Why))],
            read.Heading
        );
    }

    private static async Task<IReadOnlyDictionary<string, int>> Names<T>(Repository<T> stock, Func<T, string> name, CancellationToken cancel)
    {
        var names = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        foreach (var one in await stock.Search(null, cancel))
            names.TryAdd(name(one.Item), one.Id);
        return names;
    }
}
