using ZealousEmber.App.Http;
using ZealousEmber.App.Stock;
using ZealousEmber.Core;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;

namespace ZealousEmber.App.Firings;

/// <summary>Lots as people say or paste them.</summary>
/// <param name="Text">One lot a line: 26 mugs ⌀85 × 100, 6 mm, Marsh White, cool to touch, the class.</param>
public sealed record LotLinesRequest(string? Text);

/// <summary>The lots that could be read, and the lines that could not.</summary>
public sealed record LotLinesResponse(IReadOnlyList<LotContract> Lots, IReadOnlyList<UnreadLineContract> Unread);

/// <summary>A line that could not be read, as it was typed.</summary>
public sealed record UnreadLineContract(string Line, string Why);

/// <summary>Reads lots from lines of text, with the studio's own clays and glazes by name.</summary>
internal static class LotLines
{
    public static void MapLotLines(this WebApplication app) => app.MapPost("/api/lots/read", async (LotLinesRequest? request, Repository<Clay> clays, Repository<Glaze> glazes, CancellationToken cancel) =>
        Answer.Of(await Read(request, clays, glazes, cancel))).WithTags("Firings").WithSummary("Lots from lines as people write them");

    private static async Task<Result<LotLinesResponse>> Read(LotLinesRequest? request, Repository<Clay> clays, Repository<Glaze> glazes, CancellationToken cancel)
    {
        var text = request?.Text ?? "";
        if (string.IsNullOrWhiteSpace(text)) return new Problem("text", "Write a lot, like 26 mugs ⌀85 × 100, 6 mm, Marsh White, cool to touch.");
        if (text.Length > LotLine.Longest) return new Problem("text", $"At most {LotLine.Longest} characters at once; this has {text.Length}.");
        var (lots, unread) = LotLine.Read(text, await Names(clays, c => c.Name, cancel), await Names(glazes, g => g.Name, cancel));
        return new LotLinesResponse([.. lots.Take(WareLot.MostLots).Select(FiringMapping.Write)], [.. unread.Take(WareLot.MostLots).Select(u => new UnreadLineContract(u.Line, u.Why))]);
    }

    private static async Task<IReadOnlyDictionary<string, int>> Names<T>(Repository<T> stock, Func<T, string> name, CancellationToken cancel)
    {
        var names = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        foreach (var one in await stock.Search(null, cancel)) names.TryAdd(name(one.Item), one.Id);
        return names;
    }
}
