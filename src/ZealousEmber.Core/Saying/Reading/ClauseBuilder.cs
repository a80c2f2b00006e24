using ZealousEmber.Core.Saying.Words;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>Parts a sentence at its commas and finds the lots in it: a count and a noun, a noun and a count, a noun alone, a count alone.</summary>
internal sealed class ClauseBuilder(SaidText text, IReadOnlyList<Phrase> phrases, Marks marks)
{
    private const int MostWords = 4;

    private readonly List<Clause> clauses = [];
    private readonly List<OpenLot> lots = [];
    private int sentence;
    private int line;
    private Clause clause = null!;

    // Words of the name of the lot that is being named, while it may still go on.
    private readonly List<Phrase> name = [];
    private bool namesOn;

    public (List<Clause> Clauses, List<OpenLot> Lots) Build()
    {
        Begin(BreakKind.Line);
        for (var i = 0; i < phrases.Count; i++)
        {
            var phrase = phrases[i];
            switch (phrase.Meaning)
            {
                case Break { Kind: BreakKind.And }:
                    if (LotFollows(i + 1))
                        End(BreakKind.And);
                    break;
                case Break { Kind: var kind }:
                    End(kind);
                    break;
                case CountSaid or CountAsked or ShareSaid:
                    Count(phrase);
                    break;
                case NounSaid noun:
                    Noun(phrase, noun.What);
                    break;
                case PronounSaid pronoun:
                    Pronoun(phrase, pronoun.What);
                    break;
                case Word word:
                    NameWord(phrase, word, i);
                    break;
                case AllSaid:
                    clause.HasAll = true;
                    marks.Read(phrase, "words");
                    StopName();
                    break;
                case Property property:
                    clause.Properties.Add((property, phrase, clause.Lot is not null));
                    StopName();
                    break;
                default:
                    StopName();
                    break;
            }
        }
        return (clauses, lots);
    }

    private void Begin(BreakKind before)
    {
        clause = new Clause
        {
            Sentence = sentence,
            Line = line,
            Before = before,
        };
        clauses.Add(clause);
        StopName();
    }

    private void End(BreakKind kind)
    {
        if (kind >= BreakKind.Sentence)
            sentence++;
        if (kind == BreakKind.Line)
            line++;
        Begin(kind);
    }

    /// <summary>A lot without a comma before it: 20 mugs 6 bowls.</summary>
    private void Part() => End(BreakKind.Comma);

    private bool LotFollows(int at)
    {
        for (var i = at; i < phrases.Count; i++)
        {
            switch (phrases[i].Meaning)
            {
                case CountSaid or CountAsked or ShareSaid or NounSaid or PronounSaid:
                    return true;
                case Word or Property:
                    continue;
                default:
                    return false;
            }
        }
        return false;
    }

    private OpenLot Open(Phrase head)
    {
        var lot = new OpenLot
        {
            From = head.From,
            To = head.To,
            Sentence = sentence,
            Line = line,
            IsJoined = clause.Before == BreakKind.And,
        };
        lots.Add(lot);
        clause.Lot = lot;
        return lot;
    }

    private void Count(Phrase phrase)
    {
        if (clause.Lot is { } known)
        {
            // Mugs 26, mugs × 26.
            if (
                known is { Lot: { What: not null, Count: null }, CountIsAsked: false, Share: null }
                && phrase.Meaning is not ShareSaid
                && !clause.IsReference
                && !IsNamed(phrase)
            )
            {
                Put(known, phrase);
                StopName();
                return;
            }
            Part();
        }
        Put(Open(phrase), phrase);
        namesOn = true;
    }

    /// <summary>True where a name follows a count at once: it begins a lot of its own.</summary>
    private bool IsNamed(Phrase count)
    {
        var next = phrases.SkipWhile(p => p != count).Skip(1).SkipWhile(p => p.Meaning is Word { IsSmall: true }).FirstOrDefault();
        return next?.Meaning is NounSaid or Word { IsSmall: false };
    }

    private static void Put(OpenLot lot, Phrase phrase)
    {
        lot.CountPhrase = phrase;
        lot.To = Math.Max(lot.To, phrase.To);
        switch (phrase.Meaning)
        {
            case CountSaid count:
                lot.Lot = lot.Lot with { Count = count.Count };
                break;
            case CountAsked:
                lot.CountIsAsked = true;
                break;
            case ShareSaid share:
                lot.Share = share;
                break;
        }
    }

    private void Noun(Phrase phrase, string what)
    {
        if (clause.Lot is { } lot && lot.Lot.What is null && !clause.IsReference)
        {
            Name(lot, phrase);
            StopName();
            return;
        }
        if (clause.Lot is not null && !namesOn)
            Part();
        if (clause.Lot is { } naming)
        {
            // yarn bowls: the noun ends the name its words began.
            Name(naming, phrase);
            StopName();
            return;
        }
        // 26, mugs: the count stood before the comma.
        if (
            lots.LastOrDefault() is { Lot: { What: null, Count: not null }, Share: null } waiting
            && clauses.Count > 1
            && clauses[^2] is { Lot: { } before, Properties.Count: 0 }
            && before == waiting
            && name.Count == 0
        )
        {
            clause.Lot = waiting;
            Name(waiting, phrase);
            return;
        }
        var whole = string.Join(' ', name.Append(phrase).Select(Text));
        if (name.Count == 0 && lots.LastOrDefault(l => l.Lot.What is { } known && WareWords.StandsFor(what, known)) is { } spoken && !CountFollows(phrase))
        {
            (clause.Lot, clause.IsReference) = (spoken, true);
            marks.Read(phrase, "what", spoken.Lot.What);
            return;
        }
        var started = Open(name.Count > 0 ? name[0] : phrase);
        foreach (var word in name)
            marks.Read(word, "what", whole);
        marks.Read(phrase, "what", whole);
        started.Lot = started.Lot with { What = Fit(whole) };
        started.To = phrase.To;
        StopName();
    }

    private bool CountFollows(Phrase noun)
    {
        var next = phrases.SkipWhile(p => p != noun).Skip(1).SkipWhile(p => p.Meaning is Break { Kind: BreakKind.Colon or BreakKind.Comma }).FirstOrDefault();
        return next?.Meaning is CountSaid or CountAsked && !IsNamed(next);
    }

    private void Pronoun(Phrase phrase, string what)
    {
        if (clause.Lot is { Lot.Count: not null } lot && !clause.IsReference && (lot.Lot.What is null || (namesOn && name.Count > 0)) && what != "ones")
        {
            Name(lot, phrase);
            StopName();
            return;
        }
        if (clause.Lot is null && lots.Count == 0 && what.TrimEnd('s') is "pot" or "piece")
        {
            Noun(phrase, what);
            return;
        }
        // Of all that was spoken of: the pots are dry.
        if (clause.Lot is null)
            clause.HasAll = true;
        marks.Read(phrase, "words");
        StopName();
    }

    private void NameWord(Phrase phrase, Word word, int at)
    {
        if (word.IsSmall)
        {
            if (name.Count > 0)
                StopName();
            return;
        }
        if (clause.Lot is { } lot && !clause.IsReference && namesOn && name.Count < MostWords && TakesWords(lot))
        {
            Name(lot, phrase);
            return;
        }
        // A word or two straight before a noun: lidded jars.
        if ((clause.Lot is null || !namesOn) && NounFollows(at))
        {
            if (clause.Lot is not null && clause.Lot.Lot.What is not null)
                Part();
            if (clause.Lot is { } open)
            {
                Name(open, phrase);
                return;
            }
            name.Add(phrase);
            return;
        }
        if (text.IsCapital(phrase.From) && !IsLoud && (clause.Lot is { Lot.What: not null } || StandsAlone(at)))
            clause.Properties.Add((new WhoseAsked(text.Raw[phrase.From..phrase.To]), phrase, clause.Lot is not null));
        StopName();
    }

    private static bool TakesWords(OpenLot lot) => lot.CountPhrase?.Meaning is not CountSaid { TakesAnyWord: false } || lot.Lot.What is null;

    private bool NounFollows(int at)
    {
        for (var i = at + 1; i < Math.Min(phrases.Count, at + 3); i++)
        {
            if (phrases[i].Meaning is NounSaid or PronounSaid)
                return true;
            if (phrases[i].Meaning is not Word { IsSmall: false })
                return false;
        }
        return false;
    }

    /// <summary>True for a word between two commas.</summary>
    private bool StandsAlone(int at) =>
        (at == 0 || phrases[at - 1].Meaning is Break { Kind: not BreakKind.And })
            && (
                at + 1 >= phrases.Count
                || phrases[at + 1].Meaning is Break { Kind: BreakKind.Comma or BreakKind.Line or BreakKind.Colon or BreakKind.Sentence } or CountSaid
            )
        || (at > 0 && phrases[at - 1].Meaning is Property && (at + 1 >= phrases.Count || phrases[at + 1].Meaning is Break));

    // Written all in capitals everything looks like a name.
    private bool IsLoud => isLoud ??= text.Raw.Where(char.IsLetter).ToList() is var letters && letters.Count(char.IsUpper) > letters.Count * 0.6;
    private bool? isLoud;

    private void Name(OpenLot lot, Phrase phrase)
    {
        name.Add(phrase);
        var said = string.Join(' ', name.Select(Text));
        lot.Lot = lot.Lot with { What = Fit(said) };
        lot.To = Math.Max(lot.To, phrase.To);
        foreach (var word in name)
            marks.Read(word, "what", said);
        namesOn = phrase.Meaning is Word;
    }

    private string Text(Phrase phrase) => text.Low[phrase.From..phrase.To].Replace(",", "", StringComparison.Ordinal);

    private static string Fit(string what) => what.Length <= Ware.Clay.LongestName ? what : what[..Ware.Clay.LongestName];

    private void StopName()
    {
        // What was said between a count and its noun does not end the name: 26 Marsh White mugs.
        if (clause?.Lot is { Lot.What: null })
        {
            namesOn = true;
            return;
        }
        name.Clear();
        namesOn = false;
    }
}
