using ZealousEmber.Core.Saying.Words;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>Counts without a noun: they take that of the last lot, or part it where they add up to it. 12 mugs, 8 in Reed, 4 in the matte.</summary>
internal sealed class LotParts(Marks marks, List<OpenLot> lots, List<Clause> clauses)
{
    /// <summary>Settles counts without a noun; before properties are spread.</summary>
    public void Settle()
    {
        foreach (var lot in lots.Where(l => l.Lot is { What: not null, Count: null } && !l.CountIsAsked && l.Share is null).ToList())
            Meet(lot);
        foreach (var clause in clauses.Where(c => c.Lot is { Lot.What: null } && !c.IsReference).ToList())
            Join(clause);
        for (var i = 0; i < lots.Count; i++)
            Divide(lots[i]);
    }

    /// <summary>Bowls are reed green: 12 bowls. Named once without a count, once with it.</summary>
    private void Meet(OpenLot named)
    {
        var counted = lots.FirstOrDefault(l => l.From > named.From && l.Lot is { What: { } what, Count: not null } && WareWords.IsSame(what, named.Lot.What!));
        if (counted is null || lots.Any(l => l.From > named.From && l.From < counted.From && l.Lot.What is null))
            return;
        foreach (var clause in clauses.Where(c => c.Lot == named))
            (clause.Lot, clause.IsReference) = (counted, true);
        lots.Remove(named);
    }

    /// <summary>A number alone belongs to a noun that has none yet, or is no count at all.</summary>
    private void Join(Clause clause)
    {
        var open = clause.Lot!;
        var before = lots.TakeWhile(l => l != open).LastOrDefault(l => l.Lot.What is not null);
        if (open.Share is null && before is { Lot.Count: null, CountIsAsked: false, Share: null } && before == lots.TakeWhile(l => l != open).LastOrDefault())
        {
            before.Lot = before.Lot with { Count = open.Lot.Count };
            (before.CountPhrase, before.CountIsAsked) = (open.CountPhrase, open.CountIsAsked);
            before.To = Math.Max(before.To, open.To);
            clause.Lot = before;
            lots.Remove(open);
            return;
        }
        // Something is said of it, or nothing else is: what it counts is asked.
        if (clause.Properties.Count > 0 || (before is null && lots.Count == 1 && open.Share is null))
            return;
        // 26 mugs, 12: said of nothing.
        clause.Lot = null;
        lots.Remove(open);
    }

    private void Divide(OpenLot parent)
    {
        if (parent.Lot.What is null || parent.Share is not null)
            return;
        var parts = lots.Skip(lots.IndexOf(parent) + 1).TakeWhile(l => l.Lot.What is null).ToList();
        if (parts.Count == 0)
            return;
        var allShares = parts.All(p => p.Share is not null);
        Share(parent, parts);
        if (parts.Count > 1 && parent.Lot.Count is { } whole && (allShares || parts.Sum(p => (long)(p.Lot.Count ?? 0)) == whole))
        {
            foreach (var part in parts)
            {
                part.Lot = part.Lot with { What = parent.Lot.What };
                Inherited(parent, part);
                part.IsJoined = false;
            }
            if (parent.CountPhrase is { } count)
                marks.Read(count, "count");
            lots.Remove(parent);
            return;
        }
        foreach (var part in parts)
        {
            part.Lot = part.Lot with { What = parent.Lot.What };
            InheritedSizes(parent, part);
        }
    }

    /// <summary>Half each; the rest is what the others leave.</summary>
    private void Share(OpenLot parent, List<OpenLot> parts)
    {
        var shares = parts.Where(p => p.Share is not null).ToList();
        if (shares.Count == 0)
            return;
        foreach (var part in shares.Where(p => p.CountPhrase is not null))
            marks.Read(part.CountPhrase!, "count");
        var whole = parent.Lot.Count;
        foreach (var half in shares.Where(p => p.Share!.IsHalf && whole is not null && whole % 2 == 0))
            half.Lot = half.Lot with { Count = whole / 2 };
        foreach (var half in shares.Where(p => p.Share!.IsHalf && whole % 2 == 1))
            half.MayBe = [whole!.Value / 2, whole.Value / 2 + 1];
        var rests = shares.Where(p => !p.Share!.IsHalf).ToList();
        if (
            rests is [var rest]
            && whole is not null
            && parts.Where(p => p != rest).All(p => p.Lot.Count is not null)
            && whole - parts.Sum(p => p.Lot.Count ?? 0) is > 0 and var left
        )
            rest.Lot = rest.Lot with { Count = left };
        foreach (var part in shares)
            part.Share = null;
    }

    private void Inherited(OpenLot parent, OpenLot part)
    {
        foreach (var clause in clauses.Where(c => c.Lot == parent).ToList())
        {
            foreach (var (property, phrase, _) in clause.Properties)
            {
                if (!part.Has(Slots.Of(property)) && !clauses.Any(c => c.Lot == part && c.Properties.Any(p => Slots.Of(p.Property) == Slots.Of(property))))
                    part.Add(Slots.Of(property), property, phrase);
            }
        }
    }

    /// <summary>The same ware is as thick and as large.</summary>
    private void InheritedSizes(OpenLot parent, OpenLot part)
    {
        foreach (
            var (property, phrase, _) in clauses
                .Where(c => c.Lot == parent)
                .SelectMany(c => c.Properties)
                .Where(p => Slots.Of(p.Property) is "wall" or "size" or "handle" or "mass")
                .ToList()
        )
        {
            if (!clauses.Any(c => c.Lot == part && c.Properties.Any(p => Slots.Of(p.Property) == Slots.Of(property))))
                part.Add(Slots.Of(property), property, phrase);
        }
    }
}
