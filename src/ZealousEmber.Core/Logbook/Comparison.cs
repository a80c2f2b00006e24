namespace ZealousEmber.Core.Logbook;

/// <summary>A firing that is compared: what it is called, and whether it came out well.</summary>
public readonly record struct ComparedName(string Name, bool CameOutWell);

/// <summary>What set firings apart, in sentences.</summary>
public static class Comparison
{
    private const int Most = 4;

    // What costs more or less follows from the rest and explains nothing.
    private static readonly string[] Follows = ["cost", "kwh", "gas", "fullPowerHours", "topOver", "cool"];

    /// <summary>Where some came out well and others did not: what sets the two apart; else what differs most. Four at most, the weightiest first.</summary>
    /// <param name="firings">As many as each row has values, in their order.</param>
    /// <param name="rows">Their figures.</param>
    public static IReadOnlyList<string> Of(IReadOnlyList<ComparedName> firings, IReadOnlyList<FigureRow> rows)
    {
        var split = firings.Any(f => f.CameOutWell) && firings.Any(f => !f.CameOutWell);
        return
        [
            .. rows.Where(r => !Follows.Contains(r.Figure.Name))
                .Select(r => (Row: r, Apart: split ? Apart(firings, r) : r.Weight))
                .Where(r => r.Apart >= FigureRow.Mattered)
                .OrderByDescending(r => r.Apart)
                .Take(Most)
                .Select(r => $"{r.Row.Figure.Label}: {string.Join(", ", r.Row.Values.Select((v, i) => $"{Say(v, r.Row)} in “{firings[i].Name}”"))}."),
        ];
    }

    /// <summary>
    /// How far the means of those that came out well and of the others lie apart, in what matters of that figure; 0 where it is known of one side only.
    /// </summary>
    private static double Apart(IReadOnlyList<ComparedName> firings, FigureRow row)
    {
        var (well, badly) = (
            row.Values.Where((v, i) => v is not null && firings[i].CameOutWell),
            row.Values.Where((v, i) => v is not null && !firings[i].CameOutWell)
        );
        return well.Average() is { } good && badly.Average() is { } bad ? Math.Abs(good - bad) / row.Figure.Matters : 0;
    }

    private static string Say(double? value, FigureRow row)
    {
        if (value is not { } known)
            return "not known";
        if (row.Figure.Unit == "h")
            return Phrases.Hours(NodaTime.Duration.FromHours(known));
        // Parts of something are said in hundredths; nothing else here is known closer than to a whole one.
        return row.Figure.Unit.Length == 0 ? $"{Phrases.Number(Math.Round(100 * known))} %" : $"{Phrases.Number(Math.Round(known))} {row.Figure.Unit}";
    }
}
