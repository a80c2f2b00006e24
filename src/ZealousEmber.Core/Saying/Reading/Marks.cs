using System.Collections.Immutable;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>
/// What became of each phrase. In the end every letter and digit lies in exactly one list: words that join others go with what is read beside them, and
/// what nobody took is unread.
/// </summary>
internal sealed class Marks(SaidText text)
{
    private sealed record Mark(int From, int To, string? As, string Text);

    private readonly Dictionary<Phrase, Mark> taken = [];

    private sealed record Question(int From, int To, string About, string Text, Func<ImmutableArray<SaidChoice>> Choices);

    private readonly List<Question> asks = [];

    /// <summary>True once something was made of it.</summary>
    public bool IsTaken(Phrase phrase) => taken.ContainsKey(phrase);

    /// <summary>It fills a field, or joins others knowingly (“words”).</summary>
    public void Read(Phrase phrase, string fills, string? means = null)
    {
        // What is asked stays asked, whatever else it says.
        if (taken.GetValueOrDefault(phrase) is not { As: null })
            taken[phrase] = new Mark(phrase.From, phrase.To, fills, means ?? text.Raw[phrase.From..phrase.To]);
    }

    /// <summary>It is asked about; choices are made when everything else is known.</summary>
    public void Ask(Phrase phrase, string about, string question, Func<ImmutableArray<SaidChoice>> choices) => Ask([phrase], about, question, choices);

    /// <summary>The same of phrases that stand side by side.</summary>
    public void Ask(IReadOnlyList<Phrase> side, string about, string question, Func<ImmutableArray<SaidChoice>> choices)
    {
        // Said of several lots it is asked once, and the answer is for all of them.
        if (asks.FindIndex(a => a.From == side[0].From && a.To == side[^1].To && a.To > a.From) is >= 0 and var before)
        {
            var earlier = asks[before].Choices;
            asks[before] = asks[before] with { Choices = () => Together(earlier(), choices()) };
            return;
        }
        foreach (var phrase in side)
            taken[phrase] = new Mark(phrase.From, phrase.To, null, "");
        asks.Add(new Question(side[0].From, side[^1].To, about, question, choices));
    }

    private static ImmutableArray<SaidChoice> Together(ImmutableArray<SaidChoice> one, ImmutableArray<SaidChoice> other) =>
        [.. one.Concat(other).GroupBy(c => c.Label).Select(g => new SaidChoice(g.Key, [.. g.SelectMany(c => c.Set).DistinctBy(s => s.Pointer)])).Take(3)];

    /// <summary>A question about something missing, behind its words.</summary>
    public void AskBehind(int at, string about, string question, Func<ImmutableArray<SaidChoice>> choices) =>
        asks.Add(new Question(at, at, about, question, choices));

    /// <summary>Nobody takes it, whatever was made of it before.</summary>
    public void Leave(Phrase phrase) => taken.Remove(phrase);

    public (ImmutableArray<ReadWords> Read, ImmutableArray<AskedWords> Asked, ImmutableArray<UnreadWords> Unread) Close(IReadOnlyList<Phrase> phrases)
    {
        var read = new List<ReadWords>();
        var unread = new List<UnreadWords>();
        // What joins others, between two that are taken or beside one, is read with them.
        var kept = phrases.Where(taken.ContainsKey).ToHashSet();
        foreach (var run in Runs(phrases))
        {
            if (kept.Contains(run[0]))
            {
                if (taken[run[0]] is { As: { } fills } mark)
                    read.Add(new ReadWords(mark.From, mark.To, fills, mark.Text));
                continue;
            }
            AddLoose(run, kept, read, unread);
        }
        // Whatever sign no phrase covers is unread: nothing is dropped.
        unread.AddRange(Uncovered(read, unread));
        return (
            [.. read.OrderBy(r => r.From)],
            [.. asks.OrderBy(a => a.From).ThenBy(a => a.To).Select(a => new AskedWords(a.From, a.To, a.About, a.Text, a.Choices()))],
            [.. unread.OrderBy(u => u.From)]
        );
    }

    /// <summary>Each taken phrase by itself; between them runs of what nobody took.</summary>
    private IEnumerable<List<Phrase>> Runs(IReadOnlyList<Phrase> phrases)
    {
        var run = new List<Phrase>();
        foreach (var phrase in phrases)
        {
            if (taken.ContainsKey(phrase))
            {
                if (run.Count > 0)
                    yield return run;
                yield return [phrase];
                run = [];
            }
            else
                run.Add(phrase);
        }
        if (run.Count > 0)
            yield return run;
    }

    private void AddLoose(List<Phrase> run, HashSet<Phrase> kept, List<ReadWords> read, List<UnreadWords> unread)
    {
        bool IsSmall(Phrase p) => p.Meaning is Word { IsSmall: true } or Break or Nothing or MomentFor or AllSaid or PronounSaid or GlazedSaid or RawSaid;
        var unknown = run.Where(p => !IsSmall(p)).ToList();
        if (unknown.Count == 0)
        {
            if (kept.Count > 0)
                AddWords(run[0].From, run[^1].To, read);
            else
                unread.AddRange(run.Where(HasSigns).Select(p => new UnreadWords(p.From, p.To)));
            return;
        }
        // Small words up to the comma before the first unknown one are read with what stands before them; the same behind.
        var (first, last) = (run.IndexOf(unknown[0]), run.IndexOf(unknown[^1]));
        static bool Parts(Phrase p) => p.Meaning is Break { Kind: not BreakKind.And };
        var (at, to) = (run[0].From, run[^1].To);
        if (first > 0 && kept.Any(k => k.To <= run[0].From))
        {
            at = run.FindLastIndex(first - 1, first, Parts) is >= 0 and var stop ? run[stop].To : run[first].From;
            AddWords(run[0].From, at, read);
        }
        if (last < run.Count - 1 && kept.Any(k => k.From >= run[^1].To))
        {
            to = run.FindIndex(last + 1, Parts) is >= 0 and var stop ? run[stop].From : run[last].To;
            AddWords(to, run[^1].To, read);
        }
        unread.Add(Trimmed(at, to));
    }

    private static readonly char[] Space = [' ', '\n', '\t', ',', '.', ';', ':', '!', '?', '(', ')'];

    private UnreadWords Trimmed(int from, int to)
    {
        while (from < to && Space.Contains(text.Low[from]))
            from++;
        while (to > from && Space.Contains(text.Low[to - 1]))
            to--;
        return new UnreadWords(from, to);
    }

    private bool HasSigns(Phrase phrase) => HasSigns(phrase.From, phrase.To);

    private bool HasSigns(int from, int to)
    {
        for (var i = from; i < to; i++)
        {
            if (SaidText.Counts(text.Low[i]))
                return true;
        }
        return false;
    }

    private void AddWords(int from, int to, List<ReadWords> read)
    {
        var words = Trimmed(from, to);
        if (words.From < words.To && HasSigns(words.From, words.To))
            read.Add(new ReadWords(words.From, words.To, "words", text.Raw[words.From..words.To]));
    }

    private IEnumerable<UnreadWords> Uncovered(List<ReadWords> read, List<UnreadWords> unread)
    {
        var covered = new bool[text.Length];
        foreach (var (from, to) in read.Select(r => (r.From, r.To)).Concat(unread.Select(u => (u.From, u.To))).Concat(asks.Select(a => (a.From, a.To))))
            covered.AsSpan(from, to - from).Fill(true);
        for (var i = 0; i < text.Length; i++)
        {
            if (covered[i] || !SaidText.Counts(text.Low[i]))
                continue;
            var from = i;
            while (i + 1 < text.Length && !covered[i + 1] && SaidText.Counts(text.Low[i + 1]))
                i++;
            yield return new UnreadWords(from, i + 1);
        }
    }
}
