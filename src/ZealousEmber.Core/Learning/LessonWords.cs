namespace ZealousEmber.Core.Learning;

/// <summary>What a kiln has taught, in words that are as sure as its numbers.</summary>
public static class LessonWords
{
    private const double EightOfTen = 1.28;
    private const int FewestPacks = 2;

    /// <summary>
    /// "its display reads 6 °C too low (± 2, by 8 packs)"; after a single pack, and where it is off by no more than it may be wrong by, nothing is told as a
    /// fact.
    /// Nothing before the first pack.
    /// </summary>
    /// <param name="offset">What is to be added to the display, K.</param>
    /// <param name="packs">Packs behind it.</param>
    public static string? Display(Estimated offset, int packs)
    {
        if (packs == 0)
            return null;
        var (off, within) = (Math.Round(Math.Abs(offset.Mean)), Math.Max(1, Math.Round(EightOfTen * offset.Sd)));
        var sure = $"± {Phrases.Number(within)}, by {Phrases.Count(packs, "pack")}";
        var way = $"{Phrases.Number(off)} °C too {(offset.Mean > 0 ? "low" : "high")}";
        return packs < FewestPacks ? $"its display may {(off == 0 ? "be true" : $"read {way}")} ({sure}): another pack makes it surer"
            : off == 0 || off <= within ? $"its display is true as far as packs tell ({sure})"
            : $"its display reads {way} ({sure})";
    }

    /// <summary>"the top gets 9 °C of cone more than the bottom; put what matters on the middle"; nothing while the two cannot surely be told apart.</summary>
    /// <param name="shelves">Each against their mean, °C of cone.</param>
    /// <param name="place">What a shelf is called.</param>
    public static string? Evenness(IReadOnlyCollection<(string Shelf, Estimated Own)> shelves, Func<string, string> place)
    {
        if (shelves.Count < 2)
            return null;
        var (hot, cool, best) = (shelves.MaxBy(s => s.Own.Mean), shelves.MinBy(s => s.Own.Mean), shelves.MinBy(s => Math.Abs(s.Own.Mean)).Shelf);
        var (more, sd) = (hot.Own.Mean - cool.Own.Mean, Math.Sqrt(hot.Own.Sd * hot.Own.Sd + cool.Own.Sd * cool.Own.Sd));
        return Math.Round(more) < 1 || more < EightOfTen * sd
            ? null
            : $"{place(hot.Shelf)} gets {Phrases.Number(Math.Round(more))} °C of cone more than {place(cool.Shelf)}; put what matters on {place(best)}";
    }
}
