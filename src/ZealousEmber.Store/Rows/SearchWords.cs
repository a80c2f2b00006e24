namespace ZealousEmber.Store.Rows;

/// <summary>Words of a search.</summary>
internal static class SearchWords
{
    private const int Most = 8;

    /// <summary>Rows whose name or notes hold all of them.</summary>
    internal static IQueryable<TRow> In<TRow>(IQueryable<TRow> rows, string? words)
        where TRow : EntityRow
    {
        foreach (var word in Of(words))
            rows = rows.Where(r => r.Name.ToLower().Contains(word) || r.Notes!.ToLower().Contains(word));
        return rows;
    }

    /// <summary>The first few, in lower case.</summary>
    public static IEnumerable<string> Of(string? words) =>
        (words ?? "").ToLowerInvariant().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Take(Most);
}
