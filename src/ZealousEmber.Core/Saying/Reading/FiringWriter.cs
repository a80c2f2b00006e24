using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Saying.Words;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying.Reading;

/// <summary>Writes what is said of the firing itself, and asks what is open: kind, cone, kiln, moments, wishes.</summary>
internal sealed class FiringWriter(SayingContext context, SaidText text, IReadOnlyList<Phrase> phrases, Marks marks, List<OpenLot> lots, PropertyScope scope)
{
    // Guide cones of body reduction: from there iron is reduced before the glaze seals (saying-it paper), °C.
    private const double ReductionFrom = 850;
    private const double ReductionTo = 950;

    private SaidWishes wishes = new();

    public SaidFiring Write()
    {
        var kind = Kind();
        var cone = Cone(kind);
        var kiln = Kiln();
        var (starts, ready) = Moments();
        Wishes(kiln);
        foreach (var phrase in phrases.Where(p => p.Meaning is Nothing && !marks.IsTaken(p)))
            marks.Read(phrase, "words");
        foreach (var (property, phrase) in scope.Homeless)
            Homeless(property, phrase);
        Numbers(cone);
        return new SaidFiring(kind, kiln, cone, starts, ready, [.. lots.Select(l => l.Lot)], wishes);
    }

    private static SaidChoice Choice(string label, string pointer, object? value) => new(label, [new ChoiceSetting(pointer, value)]);

    private IEnumerable<(Phrase Phrase, T Meaning)> All<T>()
        where T : Meaning => phrases.Where(p => p.Meaning is T).Select(p => (p, (T)p.Meaning));

    private ScheduleKind? Kind()
    {
        var said = All<KindSaid>().ToList();
        var kinds = said.Select(s => s.Meaning.Kind).Distinct().ToList();
        var freshGlaze = All<DrynessSaid>().Any(d => d.Meaning.Glazed) || All<MadeSaid>().Any(m => m.Meaning.By == MadeBy.Glazing);
        var isGlazed =
            freshGlaze
            || All<GlazedSaid>().Any()
            || lots.Any(l => !l.Lot.GlazeIds.IsEmpty || l.Has("glaze"))
            || scope.Homeless.Any(h => h.Property is GlazeSaid or StockAsked);
        // A cooling slow for the matte speaks of a glaze as well.
        var isRaw =
            All<RawSaid>().Any()
            || All<MadeSaid>().Any(m => m.Meaning.By != MadeBy.Glazing)
            || All<DrynessSaid>().Any(d => d.Meaning.Dryness == Dryness.LeatherHard && !d.Meaning.Glazed);
        if (kinds is [var only])
        {
            if (only == ScheduleKind.Bisque && freshGlaze)
            {
                AskKind(said[0].Phrase, [ScheduleKind.Glaze, ScheduleKind.OnceFired, ScheduleKind.Bisque]);
                foreach (var (phrase, _) in said.Skip(1))
                    marks.Read(phrase, "kind");
                return null;
            }
            foreach (var (phrase, _) in said)
                marks.Read(phrase, "kind", KindName(only));
            return only;
        }
        if (kinds.Count > 1)
        {
            foreach (var (phrase, meaning) in said.SkipLast(1))
                marks.Read(phrase, "kind", KindName(meaning.Kind));
            AskKind(said[^1].Phrase, kinds);
            return null;
        }
        if (isGlazed && !isRaw)
            return ScheduleKind.Glaze;
        ScheduleKind[] open = isGlazed
            ? [ScheduleKind.OnceFired, ScheduleKind.Glaze, ScheduleKind.Bisque]
            : [ScheduleKind.Bisque, ScheduleKind.Glaze, ScheduleKind.OnceFired];
        marks.AskBehind(text.Length, Asks.Kind, "What kind of firing?", () => KindChoices(open));
        return null;
    }

    private void AskKind(Phrase phrase, IReadOnlyList<ScheduleKind> kinds) => marks.Ask(phrase, Asks.Kind, "Which kind of firing?", () => KindChoices(kinds));

    private static ImmutableArray<SaidChoice> KindChoices(IEnumerable<ScheduleKind> kinds) => [.. kinds.Take(3).Select(k => Choice(KindName(k), "/kind", k))];

    private static string KindName(ScheduleKind kind) =>
        kind switch
        {
            ScheduleKind.OnceFired => "once-fired",
            ScheduleKind.Refiring => "refire",
            _ => kind.ToString().ToLowerInvariant(),
        };

    private Cone? Cone(ScheduleKind? kind)
    {
        var said = new List<(Phrase Phrase, ImmutableArray<Cone> Cones, bool IsTop)>();
        foreach (var phrase in phrases)
        {
            switch (phrase.Meaning)
            {
                case ConeSaid { Cone: var cone }:
                    // A bisque to 4 is as often one to 04 with its zero dropped.
                    said.Add((phrase, kind == ScheduleKind.Bisque && !cone.Number.StartsWith('0') && cone.Twin is { } twin ? [twin, cone] : [cone], false));
                    break;
                case ConesSaid several:
                    said.Add((phrase, several.Cones, false));
                    break;
                case BareConeSaid { Number: var n }:
                    var bare = new[] { Units.Cone.Named($"0{n}"), Units.Cone.Named($"{n}") }.OfType<Cone>().ToImmutableArray();
                    said.Add((phrase, kind is { } k && k.MeltsGlaze() ? [bare[^1]] : bare, false));
                    break;
                case TopSaid top:
                    said.Add((phrase, ConeWords.Nearest(top.Celsius), true));
                    break;
            }
        }
        if (said.Count == 0)
            return null;
        var sure = said.Where(s => s.Cones.Length == 1).Select(s => s.Cones[0]).Distinct().ToList();
        // A cone and its own temperature beside it agree.
        if (sure is [var goal] && said.All(s => s.Cones.Contains(goal)))
        {
            foreach (var (phrase, _, _) in said)
                marks.Read(phrase, "goalCone", $"cone {goal.Number}");
            return goal;
        }
        var asked = said[^1].Phrase;
        foreach (var (phrase, _, _) in said.SkipLast(1))
            marks.Read(phrase, "goalCone");
        var choices = said.SelectMany(s => s.Cones).Distinct().Take(3).ToList();
        marks.Ask(asked, Asks.Cone, Question(said, choices), () => [.. choices.Select(c => Choice($"cone {c.Number}", "/goalCone", c.Number))]);
        return null;
    }

    private static string Question(List<(Phrase Phrase, ImmutableArray<Cone> Cones, bool IsTop)> said, List<Cone> choices) =>
        said is [{ IsTop: true }] ? "Which cone is meant? Its temperature goes by the pace."
        : choices is [var a, var b, ..] && a.Twin == b ? $"Cone {a.Number} or cone {b.Number}? They are far apart: {Cones.ConeNumber.Apart(a, b)}."
        : "Which cone is meant?";

    private int? Kiln()
    {
        var sure = All<KilnSaid>().Select(k => k.Meaning.Id).Distinct().ToList();
        var asked = All<KilnAsked>().ToList();
        string NameOf(int id) => context.Names.Kilns.First(k => k.Id == id).Name;
        // The electric one, Heron: one of those is named.
        if (sure is [var one] && asked.All(a => a.Meaning.Ids.Contains(one) && a.Meaning.Ids.Length < context.Names.Kilns.Length))
        {
            foreach (var phrase in phrases.Where(p => p.Meaning is KilnSaid or KilnAsked))
                marks.Read(phrase, "kiln", NameOf(one));
            return one;
        }
        if (sure.Count == 0 && asked.Count == 0)
            return null;
        var all = phrases.Where(p => p.Meaning is KilnSaid or KilnAsked).ToList();
        var last = asked.Count > 0 ? asked[^1].Phrase : all[^1];
        foreach (var phrase in all.Where(p => p != last))
            marks.Read(phrase, "kiln");
        IEnumerable<int> ids = sure.Concat(asked.SelectMany(a => a.Meaning.Ids)).Distinct();
        marks.Ask(last, Asks.Kiln, "Which kiln?", () => [.. ids.Take(3).Select(id => Choice(NameOf(id), "/kilnId", id))]);
        return null;
    }

    private (OffsetDateTime? Starts, OffsetDateTime? Ready) Moments()
    {
        var reader = new MomentReader(context);
        (OffsetDateTime? starts, OffsetDateTime? ready) = (null, null);
        var (startIsSaid, readyIsSaid) = (false, false);
        for (var i = 0; i < phrases.Count; i++)
        {
            // What is over starts nothing.
            if (phrases[i].Meaning is not MomentSaid { Moment: var moment } || moment is { Clock: null, Day: { Kind: DayKind.Offset, Days: < 0 } })
                continue;
            var isFor = For(i);
            var isReady = isFor is null ? moment.By : ((MomentFor)isFor.Meaning).IsReady;
            var about = isReady ? Asks.Ready : Asks.Start;
            var pointer = isReady ? "/readyBy" : "/startsAt";
            var (at, choices) = reader.Read(moment);
            if (isFor is not null)
                marks.Read(isFor, about);
            var known = isReady ? ready : starts;
            void Set(OffsetDateTime? to)
            {
                if (isReady)
                    ready = to;
                else
                    starts = to;
            }
            if (isReady ? readyIsSaid : startIsSaid)
            {
                // A second moment for the same thing: which of them is asked.
                if (at is { } also && known is { } first && also.ToInstant() != first.ToInstant())
                {
                    marks.Ask(phrases[i], about, "Which of the two?", () => [.. new[] { first, also }.Select(t => Choice(reader.Label(t), pointer, t))]);
                    Set(null);
                }
                else
                    marks.Read(phrases[i], about);
                continue;
            }
            (startIsSaid, readyIsSaid) = isReady ? (startIsSaid, true) : (true, readyIsSaid);
            if (at is { } decided)
            {
                marks.Read(phrases[i], about, reader.Label(decided));
                Set(decided);
            }
            else
                marks.Ask(phrases[i], about, isReady ? "By what time is it to be cool enough to open?" : "At what time is it switched on?", () =>
                    [.. choices.Select(c => Choice(reader.Label(c), pointer, c))]
                );
        }
        return (starts, ready);
    }

    /// <summary>The word before a moment that says what it is for, with nothing but small words between; “need … by” reaches over the ware.</summary>
    private Phrase? For(int at)
    {
        for (var i = at - 1; i >= 0; i--)
        {
            switch (phrases[i].Meaning)
            {
                case MomentFor:
                    return phrases[i];
                case Word { IsSmall: true } or PronounSaid or AllSaid or Break { Kind: BreakKind.Colon or BreakKind.And }:
                    continue;
                default:
                    return null;
            }
        }
        return null;
    }

    private void Wishes(int? kilnId)
    {
        foreach (var phrase in phrases)
        {
            switch (phrase.Meaning)
            {
                case WishSaid wish:
                    wishes = wish.Put(wishes);
                    marks.Read(phrase, wish.As, wish.Text);
                    break;
                case WishAsked asked:
                    marks.Ask(phrase, asked.About, asked.Text, () => asked.Choices);
                    break;
                case SlowCoolingSaid:
                    SlowCooling(phrase);
                    break;
                case ReductionSaid reduction:
                    Reduction(phrase, reduction, kilnId);
                    break;
            }
        }
    }

    private void SlowCooling(Phrase phrase)
    {
        var ids = lots.SelectMany(l => l.Lot.GlazeIds).Concat(scope.Homeless.Select(h => h.Property).OfType<GlazeSaid>().SelectMany(g => g.Ids)).ToHashSet();
        if (context.Names.Glazes.Any(g => ids.Contains(g.Id) && g.WantsSlowCooling))
        {
            wishes = wishes with { Cooling = CoolingOption.AsTheGlazesAsk };
            marks.Read(phrase, "cooling", "as the glazes ask");
            return;
        }
        marks.Ask(phrase, Asks.Cooling, "No glaze here asks for a slow cooling. How is it meant?", () =>
            [
                Choice("no faster than 100 an hour", "/wishes/cooling", CoolingOption.LimitedDrop),
                Choice("drop a little and hold", "/wishes/cooling", CoolingOption.DropAndHold),
                Choice("off", "/wishes/cooling", CoolingOption.Off),
            ]
        );
    }

    private void Reduction(Phrase phrase, ReductionSaid reduction, int? kilnId)
    {
        var isElectric = kilnId is { } id && context.Names.Kilns.Any(k => k.Id == id && !k.BurnsFuel);
        if (!isElectric && reduction.From is null or (>= ReductionFrom and <= ReductionTo))
        {
            wishes = wishes with { Air = reduction.ThenNeutral ? AirOption.BodyThenNeutral : AirOption.BodyThenLight };
            marks.Read(phrase, "air", reduction.ThenNeutral ? "body reduction, then neutral" : "body reduction, then light");
            return;
        }
        marks.Ask(
            phrase,
            Asks.Air,
            isElectric
                ? "An electric kiln is not fired in reduction: it eats the elements. What is meant?"
                : "Body reduction begins at 850 to 950 °C. What is meant?",
            () =>
                [
                    Choice("oxidation", "/wishes/air", AirOption.Oxidising),
                    Choice("body reduction, then light", "/wishes/air", AirOption.BodyThenLight),
                    Choice("body reduction, then neutral", "/wishes/air", AirOption.BodyThenNeutral),
                ]
        );
    }

    /// <summary>Said of ware, where there is none: it is not dropped.</summary>
    private void Homeless(Property property, Phrase phrase)
    {
        if (property is GlazedSaid or RawSaid or WhoseSaid { Name: null })
            marks.Read(phrase, "words");
    }

    private void Numbers(Cone? cone)
    {
        foreach (var side in SideBySide())
        {
            var last = lots.LastOrDefault(l => l.From < side[0].From);
            var said = text.Raw[side[0].From..side[^1].To];
            var choices = side.Count == 1 && Value(side[0]) is var value ? Meanings(value, last, cone) : [];
            marks.Ask(side, Asks.Number, $"What is {said}?", () => [.. choices.Select(c => c()).Append(new SaidChoice("leave it out", [])).TakeLast(3)]);
        }
    }

    private static double Value(Phrase phrase) => phrase.Meaning is LooseNumber loose ? loose.Value : ((CountSaid)phrase.Meaning).Count;

    /// <summary>What a number may be that nothing says.</summary>
    private List<Func<SaidChoice>> Meanings(double value, OpenLot? last, Cone? cone)
    {
        var choices = new List<Func<SaidChoice>>();
        string At(string field) => $"/lots/{lots.IndexOf(last!)}/{field}";
        if (last is { Lot.Count: null } && value is >= 1 and <= WareLot.MostPieces && value == Math.Floor(value))
            choices.Add(() => Choice($"{Phrases.Number(value)} pieces", At("count"), (int)value));
        if (last is { Lot.Wall: null } && value is > 0 and <= Measured.ThickestBareWall)
            choices.Add(() => Choice($"walls {Phrases.Number(value)} mm", At("wall"), value));
        if (cone is null && Units.Cone.Named(Phrases.Number(value)) is { } named)
            choices.Add(() => Choice($"cone {named.Number}", "/goalCone", named.Number));
        return choices;
    }

    /// <summary>Numbers nobody took, those together that only a space parts.</summary>
    private List<List<Phrase>> SideBySide()
    {
        var all = new List<List<Phrase>>();
        foreach (var (i, phrase) in phrases.Index())
        {
            if (phrase.Meaning is not (LooseNumber or CountSaid) || marks.IsTaken(phrase))
                continue;
            if (all.Count > 0 && i > 0 && all[^1][^1] == phrases[i - 1])
                all[^1].Add(phrase);
            else
                all.Add([phrase]);
        }
        return all;
    }
}
