using System.Collections.Immutable;
using System.Text.RegularExpressions;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>The studio’s own names: clays, glazes and kilns, whole, with one letter wrong, or by the one word nothing else is called.</summary>
internal sealed class StudioWords
{
    private const int ShortestMended = 4;

    private sealed record Named(string[] Words, Meaning Meaning);

    private readonly SayingContext context;
    private readonly List<Named> whole = [];
    private readonly Dictionary<string, Meaning> single = [];
    private readonly Rule[] rules;

    public StudioWords(SayingContext context)
    {
        this.context = context;
        var names = context.Names;
        foreach (var clay in names.Clays)
            whole.Add(new Named(WordsOf(clay.Name), new ClaySaid(clay.Id, clay.Name)));
        foreach (var glaze in names.Glazes)
            whole.Add(new Named(WordsOf(glaze.Name), new GlazeSaid([glaze.Id], glaze.Name)));
        foreach (var kiln in names.Kilns)
            whole.Add(new Named(WordsOf(kiln.Name), new KilnSaid(kiln.Id)));
        whole.RemoveAll(n => n.Words.Length == 0);
        foreach (
            var group in names
                .Clays.SelectMany(c => WordsOf(c.Name).Distinct().Select(w => (w, Clay: (KnownClay?)c, Glaze: (KnownGlaze?)null)))
                .Concat(names.Glazes.SelectMany(g => WordsOf(g.Name).Distinct().Select(w => (w, Clay: (KnownClay?)null, Glaze: (KnownGlaze?)g))))
                .Where(n => n.w.Length > 2 && !SmallWords.Has(n.w))
                .GroupBy(n => n.w)
        )
            single[group.Key] = One([.. group.Select(n => n.Clay).OfType<KnownClay>()], [.. group.Select(n => n.Glaze).OfType<KnownGlaze>()], group.Key)!;
        foreach (var kind in new[] { ClayKind.Porcelain, ClayKind.Stoneware, ClayKind.Earthenware })
        {
            if (One([.. names.Clays.Where(c => c.Kind == kind)], [], kind.ToString().ToLowerInvariant()) is { } clay)
                single.TryAdd(kind.ToString().ToLowerInvariant(), clay);
        }
        rules = [.. KilnRules()];
    }

    /// <summary>Whole names first, then kilns by what they are.</summary>
    public IEnumerable<Phrase> Whole(SaidText text, int at)
    {
        foreach (var name in whole)
        {
            if (Fits(text, at, name.Words) is { } end)
                yield return new Phrase(at, end, name.Meaning);
        }
        foreach (var rule in rules)
        {
            if (rule.At(text, at, context) is { } phrase)
                yield return phrase;
        }
        if (Unknown(text, at, InName) is { } place)
            yield return place with
            {
                Meaning = new KilnAsked([.. context.Names.Kilns.Select(k => k.Id)], ""),
            };
        if (Unknown(text, at, GlazedIn) is { } glaze)
            yield return glaze with
            {
                Meaning = new StockAsked([], context.Names.Glazes, "glaze"),
            };
    }

    /// <summary>A name by one of its words: “the matte”, “marsh”, “white glaze”.</summary>
    public Phrase? Short(SaidText text, int at, bool mend)
    {
        var article = text.Match(Article, at);
        var from = at + (article?.Length ?? 0);
        if (from >= text.Length)
            return null;
        var end = text.WordEnd(from);
        if (!text.IsEdge(end))
            return null;
        var word = text.Low[from..end];
        var meaning = single.GetValueOrDefault(word);
        if (meaning is null && mend && word.Length >= ShortestMended && !SmallWords.IsCommon(word))
        {
            var near = single.Where(s => s.Key.Length >= ShortestMended && IsNear(word, s.Key)).Select(s => s.Value).Distinct().ToList();
            meaning = near.Count == 1 ? near[0] : null;
            if (
                meaning is null
                && context.Names.Kilns.Where(k => WordsOf(k.Name) is [{ Length: >= ShortestMended } one] && IsNear(word, one)).ToList() is [var kiln]
            )
                meaning = new KilnSaid(kiln.Id);
        }
        if (meaning is null || (article is not null && meaning is KilnSaid))
            return null;
        // “the white glaze”, “white clay”: which of the two is said behind it.
        if (text.Match(Behind, end) is { } behind)
        {
            end += behind.Length;
            if (meaning is StockAsked asked)
                meaning = behind.Value.Contains("glaze", StringComparison.Ordinal) ? One([], asked.Glazes, word) : One(asked.Clays, [], word);
        }
        return meaning is null ? null : new Phrase(at, end, meaning);
    }

    private IEnumerable<Rule> KilnRules()
    {
        var kilns = context.Names.Kilns;
        // "The small one" is a kiln only where one is smaller than the others.
        var small = kilns.Length > 1 ? kilns.OrderBy(k => k.Litres).Take(2).ToList() : [];
        var large = kilns.Length > 1 ? kilns.OrderByDescending(k => k.Litres).Take(2).ToList() : [];
        ImmutableArray<int> Ends(List<KnownKiln> two) => two is [var a, var b] && a.Litres == b.Litres ? [a.Id, b.Id] : [.. two.Take(1).Select(k => k.Id)];
        const string In = "(?:(?:in|into|with|using|use|for|on) )?";
        yield return Rule.Of($"{In}(?:(?:the|our|my) )?(?:small(?:er|est)?|little|tiny|test) (?:one(?! in)|kiln)", f => Kiln(Ends(small), f));
        yield return Rule.Of($"{In}(?:(?:the|our|my) )?(?:big(?:ger|gest)?|larg(?:e|er|est)) (?:one(?! in)|kiln)", f => Kiln(Ends(large), f));
        yield return Rule.Of($"{In}(?:(?:the|our|my) )?(?:gas|fuel|propane|wood)(?: fired|-fired)?(?: one| kiln)", f =>
            Kiln([.. kilns.Where(k => k.BurnsFuel).Select(k => k.Id)], f)
        );
        yield return Rule.Of($"{In}(?:the )?gas", f => Kiln([.. kilns.Where(k => k.BurnsFuel).Select(k => k.Id)], f));
        yield return Rule.Of($"{In}(?:(?:the|our|my|an?|either) )?electric (?:one|kiln)s?|{In}(?:the )?electric", f =>
            Kiln([.. kilns.Where(k => !k.BurnsFuel).Select(k => k.Id)], f)
        );
        yield return Rule.Of($"{In}the other (?:one|kiln)", f => new KilnAsked([.. kilns.Select(k => k.Id)], f.Match.Value));
        foreach (var kiln in kilns)
        {
            var name = Regex.Escape(kiln.Name.ToLowerInvariant());
            yield return Rule.Of($@"(?:not|never|isn't for|no)(?: to be)? (?:(?:in|into|for|with|the) ){{0,4}}{name}", new Nothing());
            yield return Rule.Of($@"{In}(?:the )?{name}(?:'s)?(?: kiln)?", new KilnSaid(kiln.Id));
        }
    }

    private KilnAsked? Asked(ImmutableArray<int> ids, Found f) => new(ids.Length > 0 ? ids : [.. context.Names.Kilns.Select(k => k.Id)], f.Match.Value);

    private Meaning? Kiln(ImmutableArray<int> ids, Found f) => ids is [var one] ? new KilnSaid(one) : Asked(ids, f);

    /// <summary>“in Otter”, “glazed in Celadon”: a kiln or a glaze by its place in the sentence, unknown by its name.</summary>
    private Phrase? Unknown(SaidText text, int at, Regex place)
    {
        if (text.Match(place, at) is not { } match)
            return null;
        var from = match.Groups["name"].Index;
        var word = match.Groups["name"].Value;
        return
            text.IsCapital(from)
            && !SmallWords.Has(word)
            && !single.Keys.Any(k => IsNear(word, k))
            && !whole.Any(n => IsNear(word, n.Words[0]))
            && !Others.IsMatch(word)
            ? new Phrase(at, at + match.Length, new Nothing())
            : null;
    }

    private static Meaning? One(ImmutableArray<KnownClay> clays, ImmutableArray<KnownGlaze> glazes, string word) =>
        (clays.Length, glazes.Length) switch
        {
            (0, 0) => null,
            (1, 0) => new ClaySaid(clays[0].Id, clays[0].Name),
            (0, 1) => new GlazeSaid([glazes[0].Id], glazes[0].Name),
            _ => new StockAsked(clays, glazes, word),
        };

    /// <summary>Where a name ends, each of its words as it is, or one letter wrong in words of four and more.</summary>
    private static int? Fits(SaidText text, int at, string[] words)
    {
        var (end, wrong) = (at, 0);
        foreach (var (i, word) in words.Index())
        {
            if (i > 0)
            {
                if (end >= text.Length || text.Low[end] is not (' ' or '-'))
                    return null;
                end++;
            }
            if (end >= text.Length || !SaidText.Counts(text.Low[end]))
                return null;
            var to = text.WordEnd(end);
            var said = text.Low[end..to];
            if (said.EndsWith("'s", StringComparison.Ordinal))
                (said, to) = (said[..^2], to - 2);
            if (said != word)
            {
                if (word.Length < ShortestMended || !IsNear(said, word) || (words.Length == 1 && SmallWords.IsCommon(said)))
                    return null;
                wrong++;
            }
            end = to;
        }
        // One word alone is mended only where no other rule knows it; see Short.
        return words.Length == 1 && wrong > 0 ? null : end;
    }

    /// <summary>True where one letter is wrong, missing, too many, or two are swapped.</summary>
    internal static bool IsNear(string said, string name)
    {
        if (said == name || Math.Abs(said.Length - name.Length) > 1)
            return said == name;
        var i = 0;
        while (i < said.Length && i < name.Length && said[i] == name[i])
            i++;
        if (said.Length == name.Length)
            return said.AsSpan(i + 1).SequenceEqual(name.AsSpan(i + 1))
                || (i + 1 < said.Length && said[i] == name[i + 1] && said[i + 1] == name[i] && said.AsSpan(i + 2).SequenceEqual(name.AsSpan(i + 2)));
        var (longer, shorter) = said.Length > name.Length ? (said, name) : (name, said);
        return longer.AsSpan(i + 1).SequenceEqual(shorter.AsSpan(i));
    }

    private static string[] WordsOf(string name) => name.ToLowerInvariant().Split([' ', '-', ',', '(', ')', '/'], StringSplitOptions.RemoveEmptyEntries);

    private static readonly Regex Article = new(@"\G(?:in |on |of |with )?(?:the|our|my) (?=\p{L})", RegexOptions.CultureInvariant);
    private static readonly Regex Behind = new(
        @"\G (?:glaze|clay|body|stoneware|porcelain|earthenware)\b(?! (?:firing|load|dry))",
        RegexOptions.CultureInvariant
    );
    private static readonly Regex InName = new(@"\G(?:in|into) (?:the )?(?<name>[\p{L}][\p{L}'-]+)", RegexOptions.CultureInvariant);
    private static readonly Regex GlazedIn = new(
        @"\G(?:glazed|dipped|brushed|sprayed|glaze is|glazes are)(?: (?:in|with))? (?<name>[\p{L}][\p{L}'-]+)",
        RegexOptions.CultureInvariant
    );
    private static readonly Regex Others = new(
        $@"^(?:{MomentWords.Weekdays}|january|february|march|april|may|june|july|august|september|october|november|december|oxidation|reduction|bisque|glaze)$",
        RegexOptions.CultureInvariant
    );
}
