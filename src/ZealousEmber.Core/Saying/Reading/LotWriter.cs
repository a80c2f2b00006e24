using System.Collections.Immutable;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Saying.Words;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>Writes what is said of each lot into its fields, and asks what is open.</summary>
internal sealed class LotWriter(SayingContext context, Marks marks, List<OpenLot> lots)
{
    private const double Inch = 25.4;
    private const double ThickWall = 10;
    private const double VeryThickWall = 20;

    private readonly Dictionary<Phrase, List<(OpenLot Lot, Dryness Dryness)>> proposals = [];

    public void Write()
    {
        foreach (var lot in lots)
        {
            foreach (var (property, phrase) in lot.Own.Values.SelectMany(p => p).OrderBy(p => p.Phrase.From))
                Put(lot, property, phrase);
            Days(lot);
        }
        AskDryness();
        foreach (var lot in lots)
            AskMissing(lot);
    }

    /// <summary>What a lot has already, said once more: slow cooling for the matte.</summary>
    public void ReadAgain(IEnumerable<Phrase> phrases)
    {
        foreach (var phrase in phrases.Where(p => !marks.IsTaken(p)))
        {
            var isKnown = phrase.Meaning switch
            {
                GlazeSaid glaze => glaze.Ids.All(id => lots.Any(l => l.Lot.GlazeIds.Contains(id))),
                ClaySaid clay => lots.Any(l => l.Lot.ClayId == clay.Id),
                WhoseSaid whose => lots.Any(l => l.Lot.Whose == whose.Name),
                DrynessSaid { IsProposal: false } state => lots.Any(l => l.Lot.Dryness == state.Dryness),
                _ => false,
            };
            if (isKnown)
                marks.Read(phrase, "words");
        }
    }

    /// <summary>Place of a lot in the firing.</summary>
    private string At(OpenLot lot, string field) => $"/lots/{lots.IndexOf(lot)}/{field}";

    private void Put(OpenLot open, Property property, Phrase phrase)
    {
        var lot = open.Lot;
        switch (property)
        {
            case LengthSaid length:
                Length(open, length, phrase);
                break;
            case SidesSaid sides:
                open.Lot = Sized(lot, [.. sides.Sides.Select(s => s.In(Neighbour(open)))]);
                marks.Read(phrase, "piece");
                break;
            case LengthAsked asked:
                AskLength(open, asked, phrase);
                break;
            case MassSaid mass when lot.PieceMass is { } first && Differs(first, mass.Kilograms):
                AskWhich(phrase, Asks.Weight, "How heavy is one?", "kg", At(open, "pieceKg"), first, mass.Kilograms);
                break;
            case MassSaid mass:
                open.Lot = lot with { PieceMass = mass.Kilograms, Typed = IsMetric(mass.Typed, "kg") ? lot.Typed : lot.Typed.SetItem("pieceKg", mass.Typed) };
                marks.Read(phrase, "pieceKg", $"{Phrases.Number(mass.Kilograms)} kg each");
                break;
            case MassAsked mass:
                marks.Ask(phrase, Asks.Weight, "How heavy is one?", () =>
                    [.. new[] { mass.Most, mass.Least }.Select(kg => Choice($"{Phrases.Number(kg)} kg", At(open, "pieceKg"), kg))]
                );
                break;
            case DrynessSaid { IsProposal: false } state
                when open.Properties.OfType<DrynessSaid>().Where(d => !d.IsProposal).Max(d => d.Dryness) is var wettest && wettest != state.Dryness:
                // Two states of one lot: the wetter is proposed where it stands.
                marks.Read(phrase, "words");
                break;
            case DrynessSaid { IsProposal: false } state when open.Properties.OfType<DrynessSaid>().Any(d => !d.IsProposal && d.Dryness != state.Dryness):
                Propose(open, phrase, state.Dryness);
                break;
            case DrynessSaid { IsProposal: false } state:
                open.Lot = lot with { Dryness = state.Dryness };
                marks.Read(phrase, "dryness", Moisture.Format(state.Dryness));
                break;
            case DrynessSaid state:
                // A state that is sure wins over one that is not.
                if (open.Properties.OfType<DrynessSaid>().Any(d => !d.IsProposal))
                    marks.Read(phrase, "words");
                else
                    Propose(open, phrase, state.Dryness);
                break;
            case ClaySaid clay when lot.ClayId is { } other && other != clay.Id:
                marks.Ask(phrase, Asks.Clay, "Which clay is it?", () =>
                    [.. context.Names.Clays.Where(c => c.Id == other || c.Id == clay.Id).Select(c => Choice(c.Name, At(open, "clayId"), c.Id))]
                );
                break;
            case WhoseSaid { Name: { } name } when lot.Whose is { } first && first != name:
                marks.Ask(phrase, Asks.Whose, "Whose is it?", () =>
                    [.. new[] { first, name, $"{first} and {name}" }.Select(n => Choice(n, At(open, "whose"), n))]
                );
                break;
            case ClaySaid clay:
                open.Lot = lot with { ClayId = clay.Id };
                marks.Read(phrase, "clay", clay.Name);
                break;
            case GlazeSaid glaze:
                open.Lot = lot with { GlazeIds = [.. lot.GlazeIds.Union(glaze.Ids)] };
                marks.Read(phrase, "glaze", glaze.Names);
                break;
            case StockAsked stock:
                AskStock(phrase, stock);
                break;
            case WhoseSaid whose:
                open.Lot = lot with { Whose = whose.Name };
                marks.Read(phrase, "whose", whose.Name ?? "nobody’s in particular");
                break;
            case WhoseAsked whose:
                AskWhose(phrase, whose.Name);
                break;
            case FlagSaid flag:
                open.Lot = flag.Put(lot);
                marks.Read(phrase, flag.As, flag.Text);
                break;
            case GlazedSaid or RawSaid:
                marks.Read(phrase, "words");
                break;
        }
    }

    private void Length(OpenLot open, LengthSaid length, Phrase phrase)
    {
        var lot = open.Lot;
        var studio = context.Length == LengthUnit.Inch ? Inch : 1;
        var of = length.Of;
        if (of == LengthOf.Unsaid)
        {
            var bare = length.Length.In(studio);
            of =
                bare <= Measured.ThickestBareWall && lot.Wall is null ? LengthOf.Wall
                : WareWords.IsWide(lot.What) && lot.Across is null ? LengthOf.Across
                : LengthOf.Unsaid;
        }
        if (of == LengthOf.Unsaid)
        {
            AskSize(open, length.Length.In(studio), phrase);
            return;
        }
        var mm = length.Length.In(of == LengthOf.Wall ? studio : Neighbour(open));
        var field = of == LengthOf.Wall ? "wall" : $"piece/{of.ToString().ToLowerInvariant()}";
        if (Known(lot, of) is { } first && Differs(first, mm))
        {
            AskWhich(phrase, of == LengthOf.Wall ? Asks.Wall : Asks.Size, $"Which {Name(of)} is meant?", "mm", At(open, field), first, mm);
            return;
        }
        open.Lot = of switch
        {
            LengthOf.Wall => lot with
            {
                Wall = mm,
                Typed = length.Length.MillimetresPerUnit is null or 1 ? lot.Typed : lot.Typed.SetItem("wall", Short(length.Typed)),
            },
            LengthOf.Across => lot with { Across = mm },
            LengthOf.Height => lot with { Height = mm },
            LengthOf.Handle => lot with { Handle = mm },
            _ => lot with { Deep = mm, Shape = PieceShape.Rectangle },
        };
        marks.Read(phrase, field.Replace('/', '.'), $"{Name(of)} {Phrases.Number(mm)} mm");
    }

    private static double? Known(SaidLot lot, LengthOf of) =>
        of switch
        {
            LengthOf.Wall => lot.Wall,
            LengthOf.Across => lot.Across,
            LengthOf.Height => lot.Height,
            LengthOf.Handle => lot.Handle,
            _ => lot.Deep,
        };

    private static bool Differs(double one, double other) => Math.Abs(one - other) > 1e-9;

    /// <summary>Two numbers were said of one thing: the first stays, and which is meant is asked.</summary>
    private void AskWhich(Phrase phrase, string about, string question, string unit, string pointer, double first, double second) =>
        marks.Ask(phrase, about, question, () => [.. new[] { first, second }.Select(n => Choice($"{Phrases.Number(n)} {unit}", pointer, n))]);

    private static string Name(LengthOf of) =>
        of switch
        {
            LengthOf.Wall => "wall",
            LengthOf.Across => "across",
            LengthOf.Height => "height",
            LengthOf.Handle => "handle",
            _ => "length",
        };

    /// <summary>How a wall was typed, without the word that said it is one.</summary>
    private static string Short(string typed)
    {
        var from = typed.IndexOfAny([.. "0123456789½¼¾⅛⅜⅝⅞"]);
        var text = from < 0 ? typed : typed[from..];
        foreach (var word in (string[])[" thickness", " thick", " walls", " wall"])
            text = text.Replace(word, "", StringComparison.OrdinalIgnoreCase);
        text = text.Trim();
        if (text.Length > 0 && !text.Any(char.IsLetter) && !text.EndsWith('"'))
            text += " in";
        return text.Length <= Firing.LotDraft.LongestTyped ? text : text[..Firing.LotDraft.LongestTyped];
    }

    private static bool IsMetric(string typed, string unit) => typed.Contains(unit, StringComparison.OrdinalIgnoreCase);

    /// <summary>mm of the unit a bare length beside others has: that of the nearest, else the studio’s.</summary>
    private double Neighbour(OpenLot open) =>
        open.Properties.SelectMany(p =>
                p switch
                {
                    LengthSaid { Of: not LengthOf.Wall } l => [l.Length.MillimetresPerUnit],
                    SidesSaid s => s.Sides.Select(x => x.MillimetresPerUnit),
                    _ => Enumerable.Empty<double?>(),
                }
            )
            .Concat(
                open.Properties.OfType<LengthSaid>()
                    .Where(l => l.Of == LengthOf.Wall && l.Length.MillimetresPerUnit == 1)
                    .Select(l => l.Length.MillimetresPerUnit)
            )
            .FirstOrDefault(u => u is not null)
        ?? (context.Length == LengthUnit.Inch ? Inch : 1);

    /// <summary>Two are across and tall, of tiles two sides; three a rectangle; one is that of a square.</summary>
    private static SaidLot Sized(SaidLot lot, IReadOnlyList<double> mm) =>
        mm.Count == 1 ? lot with { Shape = PieceShape.Rectangle, Across = mm[0], Deep = mm[0] }
        : mm.Count == 3 ? lot with { Shape = PieceShape.Rectangle, Across = mm[0], Deep = mm[1], Height = mm[2] }
        : WareWords.IsTile(lot.What) ? lot with { Shape = PieceShape.Rectangle, Across = mm[0], Deep = mm[1] }
        : lot with { Across = mm[0], Height = mm[1] };

    private void AskSize(OpenLot open, double mm, Phrase phrase) =>
        marks.Ask(phrase, Asks.Size, $"{Phrases.Number(mm)} mm: across or tall?", () =>
            [Choice("tall", At(open, "piece/height"), mm), Choice("across", At(open, "piece/across"), mm), Choice("wall", At(open, "wall"), mm)]
        );

    private void AskLength(OpenLot open, LengthAsked asked, Phrase phrase)
    {
        var of = asked.Of == LengthOf.Unsaid ? (WareWords.IsWide(open.Lot.What) ? LengthOf.Across : LengthOf.Height) : asked.Of;
        var unit = Neighbour(open);
        var field = of == LengthOf.Handle ? "piece/handle" : $"piece/{of.ToString().ToLowerInvariant()}";
        marks.Ask(phrase, Asks.Size, "Which size is meant? The larger takes more room.", () =>
            [.. new[] { asked.Most, asked.Least }.Select(l => Choice($"{Phrases.Number(l.In(unit))} mm", At(open, field), l.In(unit)))]
        );
    }

    private void AskStock(Phrase phrase, StockAsked stock) =>
        marks.Ask(phrase, stock.Glazes.Length > 0 ? Asks.Glaze : Asks.Clay, $"Which {stock.Text} is meant?", () =>
            [
                .. stock.Glazes.Take(3).Select(g => new SaidChoice(g.Name, [.. Of(phrase).Select(l => new ChoiceSetting(At(l, "glazeIds"), new[] { g.Id }))])),
                .. stock.Clays.Take(3).Select(c => new SaidChoice(c.Name, [.. Of(phrase).Select(l => new ChoiceSetting(At(l, "clayId"), c.Id))])),
            ]
        );

    private void AskWhose(Phrase phrase, string name) =>
        marks.Ask(phrase, Asks.Whose, $"Is {name} who it belongs to?", () =>
            [
                new SaidChoice($"{name}’s", [.. Of(phrase).Select(l => new ChoiceSetting(At(l, "whose"), name))]),
                new SaidChoice("nobody’s in particular", [.. Of(phrase).Select(l => new ChoiceSetting(At(l, "whose"), null))]),
            ]
        );

    /// <summary>The lots a phrase says something of.</summary>
    private IEnumerable<OpenLot> Of(Phrase phrase) => lots.Where(l => l.Own.Values.Any(p => p.Any(o => o.Phrase == phrase)));

    /// <summary>Time is never a state: what the days lead to is proposed and asked.</summary>
    private void Days(OpenLot open)
    {
        var made = open.Own.GetValueOrDefault("dryness")?.Where(p => p.Property is MadeSaid { Days: not null }).ToList() ?? [];
        if (made.Count == 0)
            return;
        if (open.Properties.Any(p => p is DrynessSaid))
        {
            foreach (var (_, phrase) in made)
                marks.Read(phrase, "words");
            return;
        }
        // The last thing done to it counts.
        var (last, at) = made.MinBy(m => ((MadeSaid)m.Property).Days!.Value);
        foreach (var (_, phrase) in made.Where(m => m.Phrase != at))
            marks.Read(phrase, "words");
        Propose(open, at, DrynessAfter((MadeSaid)last, open.Lot.Wall));
    }

    /// <summary>What so many days usually make of ware; walls over 10 mm dry half as fast, over 20 a quarter (saying-it paper).</summary>
    private static Dryness DrynessAfter(MadeSaid made, double? wall)
    {
        var days = made.Days!.Value;
        if (made.By == MadeBy.Glazing)
            return days switch
            {
                <= 0 => Dryness.Damp,
                1 => Dryness.CoolToTouch,
                _ => Dryness.BoneDry,
            };
        days += made.By == MadeBy.Trimming ? 1 : 0;
        days /=
            wall > VeryThickWall ? 4
            : wall > ThickWall ? 2
            : 1;
        return days switch
        {
            <= 1 => Dryness.LeatherHard,
            <= 3 => Dryness.Damp,
            <= 6 => Dryness.CoolToTouch,
            _ => Dryness.BoneDry,
        };
    }

    private void Propose(OpenLot open, Phrase phrase, Dryness dryness)
    {
        open.Lot = open.Lot with { Dryness = dryness };
        if (!proposals.TryGetValue(phrase, out var list))
            proposals[phrase] = list = [];
        list.Add((open, dryness));
    }

    /// <summary>One question for lots of which the same is proposed; another, behind the words, for others.</summary>
    private void AskDryness()
    {
        foreach (var (phrase, all) in proposals)
        {
            foreach (var (i, group) in all.GroupBy(p => p.Dryness).Index())
            {
                var of = group.Select(g => g.Lot).ToList();
                ImmutableArray<SaidChoice> Choices() =>
                    [.. Beside(group.Key).Select(d => new SaidChoice(Moisture.Format(d), [.. of.Select(l => new ChoiceSetting(At(l, "dryness"), d))]))];
                var question = of.Count == 1 && of[0].Lot.What is { } what && lots.Count > 1 ? $"How dry: {what}?" : "How dry is it?";
                if (i == 0)
                    marks.Ask(phrase, Asks.Dryness, question, Choices);
                else
                    marks.AskBehind(phrase.To, Asks.Dryness, question, Choices);
            }
        }
    }

    /// <summary>The proposal first, then what lies next to it, the wetter before the drier.</summary>
    private static IEnumerable<Dryness> Beside(Dryness dryness) =>
        Enum.GetValues<Dryness>().OrderBy(d => Math.Abs(d - dryness)).ThenByDescending(d => d).Take(3);

    private void AskMissing(OpenLot open)
    {
        var lot = open.Lot;
        if (open.CountPhrase is { Meaning: CountAsked asked } phrase)
            marks.Ask(phrase, Asks.Count, $"How many{Ware(lot)}?", () => Counts(open, asked.Choices));
        else if (lot.Count is null && open.Share is null)
            marks.AskBehind(open.To, Asks.Count, $"How many{Ware(lot)}?", () => Counts(open, open.MayBe));
        else if (open.CountPhrase is { } said && open.Share is null)
            marks.Read(said, "count");
        if (lot.What is null)
            marks.AskBehind(open.To, Asks.What, "What are they?", () => [.. new[] { "mugs", "bowls", "plates" }.Select(n => Choice(n, At(open, "what"), n))]);
    }

    private static string Ware(SaidLot lot) => lot.What is { } what ? $" {WareWords.Many(what)}" : "";

    private ImmutableArray<SaidChoice> Counts(OpenLot open, ImmutableArray<int> counts) =>
        [.. (counts.IsDefaultOrEmpty ? [6, 12, 24] : counts).Select(n => Choice(Phrases.Number(n), At(open, "count"), n))];

    private static SaidChoice Choice(string label, string pointer, object? value) => new(label, [new ChoiceSetting(pointer, value)]);
}
