using ZealousEmber.Core.Saying.Words;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>A firing from a sentence (saying-it paper): taken apart into phrases, put together as clauses, lots and a firing. It never guesses.</summary>
public static class SayingReader
{
    /// <summary>Longest text, characters.</summary>
    public const int Longest = 4000;

    /// <summary>Reads a text. A problem at <c>text</c> where there is none, or too much.</summary>
    public static Result<Said> Read(string? text, SayingContext context)
    {
        if (string.IsNullOrWhiteSpace(text))
            return new Problem("text", "Say what you want to fire, like 26 mugs, 6 mm, bone dry, bisque 06 in Heron.");
        if (text.Length > Longest)
            return new Problem("text", $"At most {Longest} characters at once; this has {text.Length}.");
        var said = new SaidText(text);
        var phrases = Joined(SaidTable.Of(said) is { } table ? table.Scan(new Scanner(context)) : new Scanner(context).Scan(said));
        MadeDays(phrases, context);
        var marks = new Marks(said);
        var (clauses, lots) = new ClauseBuilder(said, phrases, marks).Build();
        Exclude(phrases, clauses, lots, marks);
        new LotParts(marks, lots, clauses).Settle();
        TooMany(lots, phrases, marks);
        var scope = new PropertyScope(clauses, lots);
        scope.Spread();
        var writer = new LotWriter(context, marks, lots);
        writer.Write();
        writer.ReadAgain(phrases);
        var firing = new FiringWriter(context, said, phrases, marks, lots, scope).Write();
        var (read, asked, unread) = marks.Close(phrases);
        return new Said(firing, read, asked, unread);
    }

    /// <summary>More lots than a kiln takes stay unread.</summary>
    private static void TooMany(List<OpenLot> lots, List<Phrase> phrases, Marks marks)
    {
        if (lots.Count <= Ware.WareLot.MostLots)
            return;
        var from = lots[Ware.WareLot.MostLots].From;
        lots.RemoveRange(Ware.WareLot.MostLots, lots.Count - Ware.WareLot.MostLots);
        foreach (var phrase in phrases.Where(p => p.From >= from))
            marks.Leave(phrase);
    }

    /// <summary>Not in Reed, not for Tobin: what is denied is said of nothing.</summary>
    private static void Deny(List<Phrase> phrases)
    {
        for (var i = 0; i < phrases.Count; i++)
        {
            if (phrases[i].Meaning is not Word { Text: "not" or "no" or "never" or "without" or "don't" or "isn't" or "aren't" })
                continue;
            var next = i + 1;
            while (
                next < phrases.Count
                && phrases[next].Meaning is Word { Text: "in" or "for" or "with" or "a" or "an" or "the" or "of" or "to" or "at" or "any" or "be" }
            )
                next++;
            if (
                next < phrases.Count
                && phrases[next].Meaning
                    is Property
                        or KindSaid
                        or ConeSaid
                        or BareConeSaid
                        or TopSaid
                        or KilnSaid
                        or KilnAsked
                        or WishSaid
                        or WishAsked
                        or SlowCoolingSaid
                        or ReductionSaid
                        or MomentSaid
            )
                phrases[next] = phrases[next] with { Meaning = new Nothing() };
        }
    }

    /// <summary>Glazes in one list are one phrase; Heron or Wren are one question.</summary>
    private static List<Phrase> Joined(List<Phrase> phrases)
    {
        Deny(phrases);
        var joined = new List<Phrase>();
        for (var i = 0; i < phrases.Count; i++)
        {
            var phrase = phrases[i];
            if (
                phrase.Meaning is KilnSaid one
                && i + 2 < phrases.Count
                && phrases[i + 1].Meaning is Word { Text: "or" } or Break { Kind: BreakKind.Comma }
                && phrases[i + 1].To - phrases[i + 1].From <= 2
                && phrases[i + 2].Meaning is KilnSaid other
                && other.Id != one.Id
            )
            {
                joined.Add(new Phrase(phrase.From, phrases[i + 2].To, new KilnAsked([one.Id, other.Id], "")));
                i += 2;
                continue;
            }
            if (phrase.Meaning is GlazeSaid glaze)
            {
                while (NextGlaze(phrases, i) is { } next)
                {
                    glaze = new GlazeSaid(
                        [.. glaze.Ids.Union(((GlazeSaid)phrases[next].Meaning).Ids)],
                        $"{glaze.Names}, {((GlazeSaid)phrases[next].Meaning).Names}"
                    );
                    phrase = new Phrase(phrase.From, phrases[next].To, glaze);
                    i = next;
                }
            }
            joined.Add(phrase);
        }
        return joined;
    }

    /// <summary>The next glaze of a list: behind a comma, “and”, “over”; not one that begins the next lot.</summary>
    private static int? NextGlaze(List<Phrase> phrases, int at)
    {
        var i = at + 1;
        while (
            i < phrases.Count
            && phrases[i].Meaning
                is Break { Kind: BreakKind.And or BreakKind.Comma }
                    or Word { Text: "over" or "with" or "then" or "or" or "under" or "inside" or "outside" }
        )
            i++;
        if (i == at + 1 || i >= phrases.Count || phrases[i].Meaning is not GlazeSaid)
            return null;
        var behind = phrases.Skip(i + 1).SkipWhile(p => p.Meaning is Word { IsSmall: true }).FirstOrDefault();
        return behind?.Meaning is CountSaid or CountAsked or NounSaid or ShareSaid ? null : i;
    }

    /// <summary>I threw 20 mugs on Sunday: the day stands behind the ware.</summary>
    private static void MadeDays(List<Phrase> phrases, SayingContext context)
    {
        for (var i = 0; i < phrases.Count; i++)
        {
            if (phrases[i].Meaning is not MadeSaid { Days: null } made)
                continue;
            phrases[i] = phrases[i] with { Meaning = new Nothing() };
            var isFor = false;
            for (var j = i + 1; j < phrases.Count && phrases[j].Meaning is not (Break { Kind: BreakKind.Sentence or BreakKind.Line } or KindSaid); j++)
            {
                isFor |= phrases[j].Meaning is MomentFor;
                if (isFor || phrases[j].Meaning is not MomentSaid { Moment: { Clock: null, In: null, By: false, Day: { } day } })
                    continue;
                var today = context.Now.InZone(context.Zone).Date;
                int? days = day.Kind switch
                {
                    DayKind.Today => 0,
                    DayKind.Weekday => MadeWords.Since(today, day.Weekday),
                    DayKind.Offset when day.Days < 0 => -day.Days,
                    _ => null,
                };
                if (days is not null)
                    phrases[j] = phrases[j] with { Meaning = made with { Days = days } };
                break;
            }
        }
    }

    /// <summary>Not the plates: no lot of them.</summary>
    private static void Exclude(List<Phrase> phrases, List<Clause> clauses, List<OpenLot> lots, Marks marks)
    {
        foreach (var phrase in phrases)
        {
            if (phrase.Meaning is not ExcludedSaid excluded)
                continue;
            marks.Read(phrase, "words", $"no {excluded.What}");
            foreach (var lot in lots.Where(l => l.Lot.What is { } what && WareWords.IsSame(what, excluded.What)).ToList())
            {
                lots.Remove(lot);
                foreach (var clause in clauses.Where(c => c.Lot == lot))
                    clause.Lot = null;
            }
        }
    }
}
