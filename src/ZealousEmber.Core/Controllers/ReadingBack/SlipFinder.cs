using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers.ReadingBack;

/// <summary>What somebody probably did.</summary>
/// <param name="Kind">Of slip.</param>
/// <param name="Questions">That it explains.</param>
/// <param name="Text">In a sentence.</param>
/// <param name="Probability">0 to 1.</param>
public sealed record Slip(string Kind, ImmutableArray<string> Questions, string Text, double Probability);

/// <summary>
/// Finds the slip behind wrong values: a slip of the whole program or none, and one for each value that still differs then, weighed by how often
/// people make them and in how many ways each comes to just this. Source: the project's paper on controllers.
/// </summary>
public static class SlipFinder
{
    private const double AnySlip = 0.2;
    private const double Unlikely = 1e-4;
    private const double LeastTold = 0.01;
    private const int MostTold = 12;
    private const double WordLeft = 0.02;
    private const double AlikeBlank = 0.9;
    private const double AlikeSaid = 0.3;
    private const int Cones = 12;

    /// <summary>The slips, the likeliest first; none where nothing differs.</summary>
    /// <param name="profile">Which controller.</param>
    /// <param name="wanted">What was set.</param>
    /// <param name="read">What it shows.</param>
    /// <param name="top">The hottest of what was set, degrees of its unit.</param>
    /// <param name="memory">What it held before, where that is known.</param>
    /// <param name="own">How often this studio has made each kind; adds to what is usual.</param>
    public static ImmutableArray<Slip> Of(
        ControllerProfile profile,
        IReadOnlyList<Answer> wanted,
        IReadOnlyList<Answer> read,
        double top,
        ControllerMemory? memory,
        IReadOnlyDictionary<string, double>? own = null
    )
    {
        var right = wanted.ToDictionary(a => a.Asked.Id, a => a.Shown);
        if (read.All(a => right.GetValueOrDefault(a.Asked.Id) == a.Shown))
            return [];
        var values = new ValueSlips(profile, top);
        var programs = new ProgramSlips(profile, wanted, memory).All();
        // Of every kind: all its ways in this program.
        var ways = ValueSlips.Kinds.ToDictionary(k => k, k => wanted.Sum(a => values.Of(k, a.Asked, a.Shown).Sum(m => m.Ways)));
        var whole = programs.GroupBy(p => p.Kind).ToDictionary(g => g.Key, g => g.Count());
        var possible = SlipKinds.All.Where(s => s.Kind is "kept" or "other" || ways.GetValueOrDefault(s.Kind) > 0 || whole.ContainsKey(s.Kind)).ToList();
        double Weight(SlipKind s) => s.Weight + (own?.GetValueOrDefault(s.Kind) ?? 0);
        var sum = possible.Sum(Weight);
        var prior = possible.ToDictionary(s => s.Kind, s => AnySlip * Weight(s) / sum);

        List<(string Kind, double P)> Explain(Answer shown, string expected)
        {
            var list = new List<(string, double)>();
            foreach (var kind in ValueSlips.Kinds.Where(k => ways[k] > 0))
            {
                var made = values.Of(kind, shown.Asked, expected).Where(m => m.Shown == shown.Shown).Sum(m => m.Ways);
                if (made > 0)
                    list.Add((kind, prior[kind] * made / ways[kind]));
            }
            // A pad that is empty takes nothing: nobody's value is kept there.
            var left =
                shown.Asked.Question.Entry == Entry.Pad ? 0
                : memory is null ? LeftThere(shown)
                : memory.AnswerTo(shown.Asked) == shown.Shown ? 1
                : 0;
            if (left > 0)
                list.Add(("kept", prior["kept"] * left));
            list.Add(("other", prior["other"] * Unlikely));
            return list;
        }

        var cases = new List<(ProgramSlip? Slip, double P, List<(Answer Shown, List<(string Kind, double P)> Why)> Values)>();
        int Differing(IReadOnlyDictionary<string, string?>? shows) =>
            read.Count(a => (shows is null ? right.GetValueOrDefault(a.Asked.Id) : shows.GetValueOrDefault(a.Asked.Id)) is { } expected && expected != a.Shown);
        var unexplained = Differing(null);
        // A slip that leaves as much to explain as none is no explanation.
        foreach (var slip in programs.Where(s => Differing(s.Shows) < unexplained).Prepend(null))
        {
            var p = slip is null ? 1 - AnySlip : prior[slip.Kind] / whole[slip.Kind];
            var still = new List<(Answer, List<(string, double)>)>();
            foreach (var shown in read)
            {
                // What only comes up because it ends elsewhere was left there by somebody, whatever was done.
                if (slip is null ? !right.TryGetValue(shown.Asked.Id, out var expected) : !slip.Shows.TryGetValue(shown.Asked.Id, out expected))
                {
                    p *= LeftThere(shown);
                    continue;
                }
                if (expected is null)
                    p *= slip is { Kind: "wrong-slot" } && right.GetValueOrDefault(shown.Asked.Id) == shown.Shown ? Alike(shown) : LeftThere(shown);
                else if (expected != shown.Shown)
                {
                    var why = Explain(shown, expected);
                    still.Add((shown, why));
                    p *= why.Sum(w => w.P);
                }
                if (p < 1e-60)
                    break;
            }
            cases.Add((slip, p, still));
        }
        return Explained(cases, read, right);
    }

    private static ImmutableArray<Slip> Explained(
        List<(ProgramSlip? Slip, double P, List<(Answer Shown, List<(string Kind, double P)> Why)> Values)> cases,
        IReadOnlyList<Answer> read,
        IReadOnlyDictionary<string, string> right
    )
    {
        var all = cases.Sum(c => c.P);
        var told = new Dictionary<(string Kind, string Questions), Slip>();
        void Add(string kind, ImmutableArray<string> questions, string text, double p)
        {
            var key = (kind, string.Join(',', questions));
            told[key] = told.TryGetValue(key, out var before) ? before with { Probability = before.Probability + p } : new Slip(kind, questions, text, p);
        }
        foreach (var (slip, p, values) in cases)
        {
            if (slip is not null)
                Add(
                    slip.Kind,
                    [
                        .. read.Where(a => right.GetValueOrDefault(a.Asked.Id) != a.Shown && values.All(v => v.Shown.Asked.Id != a.Asked.Id))
                            .Select(a => a.Asked.Id),
                    ],
                    slip.Text,
                    p / all
                );
            foreach (var (shown, why) in values)
            {
                // Right by itself, whatever a slip elsewhere would have made of it.
                if (right.GetValueOrDefault(shown.Asked.Id) == shown.Shown)
                    continue;
                var sum = why.Sum(w => w.P);
                foreach (var (kind, share) in why)
                    Add(
                        kind,
                        [shown.Asked.Id],
                        $"{shown.Asked.Label} reads {shown.Shown}{(right.TryGetValue(shown.Asked.Id, out var set) ? $" for {set}" : "")}: "
                            + $"{SlipKinds.Of(kind).Means.Split(':', ';')[0]}.",
                        p / all * share / sum
                    );
            }
        }
        return [.. told.Values.Where(s => s.Probability >= LeastTold && s.Questions.Length > 0).OrderByDescending(s => s.Probability).Take(MostTold)];
    }

    /// <summary>How often two programs of a studio say the same to a question: blanks and noughts nearly always.</summary>
    private static double Alike(Answer shown) =>
        shown.Value is null or 0 || shown.Shown == shown.Asked.Question.Untouched ? AlikeBlank : Math.Max(AlikeSaid, LeftThere(shown));

    /// <summary>How likely somebody left just this: round values are.</summary>
    private static double LeftThere(Answer shown)
    {
        var q = shown.Asked.Question;
        if (shown.Value is not { } value)
            return WordLeft;
        if (q.Format is AnswerFormat.Word or AnswerFormat.Cone)
            return 1.0 / Math.Max(2, q.Format == AnswerFormat.Word ? q.Choices.Length : Cones);
        if (value == 0)
            return 0.2;
        var round = q.IsTime
            ? value % 60 == 0
                ? 0.05
                : value % 15 == 0
                    ? 0.03
                    : value % 5 == 0
                        ? 0.01
                        : 0.002
            : value % 100 == 0
                ? 0.03
                : value % 50 == 0
                    ? 0.02
                    : value % 10 == 0
                        ? 0.008
                        : value % 5 == 0
                            ? 0.004
                            : 0.001;
        return round;
    }
}
