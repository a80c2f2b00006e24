namespace ZealousEmber.Core.Saying.Reading;

/// <summary>
/// Says which lots a property is of: the one it touches; behind a comma, each back to the last that has its own; before the first, or with “all”, all of
/// them. What stands on a line stays on it, where lots stand there.
/// </summary>
internal sealed class PropertyScope(IReadOnlyList<Clause> clauses, IReadOnlyList<OpenLot> lots)
{
    /// <summary>Properties nobody’s ware takes, since there is none.</summary>
    public List<(Property Property, Phrase Phrase)> Homeless { get; } = [];

    public void Spread()
    {
        // What touches comes first, so that it counts as a lot's own.
        foreach (var clause in clauses.Where(c => c.Lot is not null && lots.Contains(c.Lot)))
        {
            foreach (var (property, phrase, _) in clause.Properties)
                clause.Lot!.Add(Slots.Of(property), property, phrase);
        }
        foreach (var clause in clauses)
            SpreadFurther(clause);
    }

    private void SpreadFurther(Clause clause)
    {
        if (clause.Properties.Count == 0)
            return;
        if (clause.Lot is { } touched && lots.Contains(touched))
        {
            // 40 bowls and 24 jars in porcelain: what ends a list joined by "and" is of all of it.
            foreach (
                var (property, phrase, _) in clause.Properties.Where(p =>
                    p.IsBehind && touched.IsJoined && !clause.IsReference && Slots.IsShared(Slots.Of(p.Property))
                )
            )
                Back(Before(touched), property, phrase, addsToOnly: false);
            if (clause.HasAll)
            {
                foreach (var (property, phrase, _) in clause.Properties)
                    Fill(lots, property, phrase);
            }
            // Tobin: 12 mugs; 4 bowls.
            foreach (var (property, phrase, _) in clause.Properties.Where(p => p.Property is WhoseSaid { IsHeading: true }))
                Heading(property, phrase);
            return;
        }
        foreach (var (property, phrase, _) in clause.Properties)
        {
            if (lots.Count == 0)
                Homeless.Add((property, phrase));
            else if (property is WhoseSaid { IsHeading: true })
                Heading(property, phrase);
            else if (clause.HasAll)
                Fill(lots, property, phrase);
            else
                Loose(clause, property, phrase);
        }
    }

    /// <summary>Of a clause without a lot.</summary>
    private void Loose(Clause clause, Property property, Phrase phrase)
    {
        var here = lots.Where(l => l.Sentence == clause.Sentence).ToList();
        var behind = here.Where(l => l.From > phrase.From).ToList();
        var before = here.Where(l => l.From < phrase.From).ToList();
        if (before.Count > 0)
        {
            if (Slots.IsShared(Slots.Of(property)))
                Back(before, property, phrase);
            else
                Give(before[^1], property, phrase);
            return;
        }
        var onLine = lots.Where(l => l.Line == clause.Line).ToList();
        if (behind.Count > 0)
        {
            // Before the first of all, of all; before the first of its sentence, of that.
            var first = lots.All(l => l.From > phrase.From);
            Fill(first ? onLine : behind, property, phrase);
            return;
        }
        var earlier = lots.Where(l => l.From < phrase.From && (onLine.Count == 0 || l.Line == clause.Line)).ToList();
        if (earlier.Count > 0)
            Back(earlier, property, phrase);
        else
            Fill(onLine.Count > 0 ? onLine : lots, property, phrase);
    }

    /// <summary>A person before a colon: of the lots behind, up to the next.</summary>
    private void Heading(Property property, Phrase phrase)
    {
        var next = clauses
            .SelectMany(c => c.Properties)
            .Where(p => p.Property is WhoseSaid { IsHeading: true } && p.Phrase.From > phrase.From)
            .Select(p => p.Phrase.From)
            .DefaultIfEmpty(int.MaxValue)
            .Min();
        Fill(lots.Where(l => l.From > phrase.From && l.From < next), property, phrase);
    }

    private IEnumerable<OpenLot> Before(OpenLot lot) => lots.Where(l => l.Sentence == lot.Sentence && l.From < lot.From);

    private static void Back(IEnumerable<OpenLot> before, Property property, Phrase phrase, bool addsToOnly = true)
    {
        var slot = Slots.Of(property);
        var all = before.ToList();
        // A second glaze is one more, of the only lot there is.
        if (addsToOnly && all is [var only])
        {
            Give(only, property, phrase);
            return;
        }
        foreach (var lot in all.AsEnumerable().Reverse())
        {
            if (lot.Has(slot))
                break;
            lot.Add(slot, property, phrase);
        }
    }

    private static void Give(OpenLot lot, Property property, Phrase phrase) => lot.Add(Slots.Of(property), property, phrase);

    private static void Fill(IEnumerable<OpenLot> lots, Property property, Phrase phrase)
    {
        var slot = Slots.Of(property);
        foreach (var lot in lots.Where(l => !l.Has(slot)))
            lot.Add(slot, property, phrase);
    }
}
