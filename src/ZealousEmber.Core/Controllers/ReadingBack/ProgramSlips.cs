using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers.ReadingBack;

/// <summary>A slip that changes a whole program: what each question then shows; nothing where that depends on what was left there.</summary>
/// <param name="Kind">Of slip.</param>
/// <param name="Shows">By question; one that is not named does not come up.</param>
/// <param name="Text">In a sentence.</param>
internal sealed record ProgramSlip(string Kind, IReadOnlyDictionary<string, string?> Shows, string Text);

/// <summary>What a whole program becomes by a slip.</summary>
internal sealed class ProgramSlips(ControllerProfile profile, IReadOnlyList<Answer> wanted, ControllerMemory? memory)
{
    // Two that are otherwise alike tell what depends on what was left.
    private static readonly uint[] Leftovers = [17, 91];
    private readonly Dictionary<string, string> right = wanted.ToDictionary(a => a.Asked.Id, a => a.Shown);

    /// <summary>The kinds there are.</summary>
    public static readonly string[] Kinds = ["unit", "step-skipped", "step-doubled", "wrong-slot", "press-doubled", "press-missed", "fields-swapped"];

    /// <summary>Every slip that shows something else than what is wanted.</summary>
    public IReadOnlyList<ProgramSlip> All() =>
        [.. Units().Concat(Steps()).Concat(Slots()).Concat(Presses()).Concat(Swaps()).Where(s => s.Shows.Any(v => v.Value != right.GetValueOrDefault(v.Key)))];

    private IEnumerable<ProgramSlip> Units()
    {
        (string Name, Func<double, double> Degrees, Func<double, double> Rate)[] ways =
        [
            ("°F for °C", t => t * 9 / 5 + 32, r => r * 9 / 5),
            ("°F for °C, rates as they were", t => t * 9 / 5 + 32, r => r),
            ("°F for °C, the 32 in the rates too", t => t * 9 / 5 + 32, r => r * 9 / 5 + 32),
            ("°C for °F", t => (t - 32) * 5 / 9, r => r * 5 / 9),
            ("°C for °F, rates as they were", t => (t - 32) * 5 / 9, r => r),
            ("°C for °F, the 32 in the rates too", t => (t - 32) * 5 / 9, r => (r - 32) * 5 / 9),
        ];
        foreach (var (name, degrees, rate) in ways)
        {
            var shows = new Dictionary<string, string?>();
            foreach (var answer in wanted)
            {
                var q = answer.Asked.Question;
                shows[answer.Asked.Id] =
                    answer.Value is not { } value || !q.IsNumber() ? answer.Shown
                    : q.Id == "target" ? Near(q, degrees(value))
                    : q.Id == "rate" ? Near(q, rate(value))
                    : answer.Shown;
            }
            // What the controller would refuse cannot have been taken.
            if (wanted.All(a => a.Asked.Question.Id is not ("target" or "rate") || shows[a.Asked.Id] is not null))
                yield return new ProgramSlip("unit", shows, $"Every target: {name}.");
        }
    }

    private static string? Near(Question q, double value) => value >= q.Min - q.Step / 2 && value <= q.Max + q.Step / 2 ? q.Show(q.Nearest(value)) : null;

    private int StepCount =>
        wanted.Where(a => a.Asked.Step is not null && a.Asked.Question.Id is "rate" or "time" && a.Meaning is not ("end" or "skip")).Count();

    private IEnumerable<ProgramSlip> Steps()
    {
        var steps = StepCount;
        for (var k = 1; k <= steps; k++)
        {
            var left = Enumerable.Range(1, steps).Where(s => s != k).Select(s => (int?)s).ToList();
            if (left.Count > 0)
                yield return new ProgramSlip("step-skipped", Of(left, left.Count), $"Step {k} left out.");
            // The count as wanted, and the last step the last user's.
            if (profile.Count == Counting.Asked)
                yield return new ProgramSlip("step-skipped", Of([.. left, null], steps), $"Step {k} left out; the last is what was left there.");
            var twice = Enumerable.Range(1, steps).SelectMany(s => s == k ? [s, s] : new[] { s }).Select(s => (int?)s).ToList();
            if (twice.Count <= profile.Most)
                yield return new ProgramSlip("step-doubled", Of(twice, twice.Count), $"Step {k} keyed twice.");
            if (profile.Count == Counting.Asked)
                yield return new ProgramSlip("step-doubled", Of(twice[..steps], steps), $"Step {k} keyed twice; the last is lost.");
        }
    }

    /// <summary>The program with those steps in this order; nothing for one that is as it was left.</summary>
    private Dictionary<string, string?> Of(List<int?> order, int count)
    {
        var shows = new Dictionary<string, string?>();
        string Answer(Asked a)
        {
            string? said;
            if (a.Question.Id == "count")
                said = a.Question.Show(count);
            else if (a.Step is not { } k)
                said = right.GetValueOrDefault(a.Id);
            else if (k > order.Count)
                said = a.Question.Word(profile.Count == Counting.Fixed ? "skip" : "end");
            else
                said = order[k - 1] is { } from ? right.GetValueOrDefault(new Asked(a.Question, from).Id) : memory?.AnswerTo(a);
            shows[a.Id] = said;
            return said ?? a.Question.Untouched;
        }
        foreach (var _ in ProgramWalk.Of(profile, Answer)) { }
        return shows;
    }

    private IEnumerable<ProgramSlip> Slots()
    {
        if (profile.Find("slot") is not { } slot)
            yield break;
        foreach (var other in profile.Slots.Where(s => s != right["slot"]))
        {
            yield return new ProgramSlip(
                "wrong-slot",
                right.ToDictionary(r => r.Key, r => (string?)(r.Key == "slot" ? other : r.Value)),
                $"All of it under {other}, not {right["slot"]}."
            );
            // Nobody knows what it holds: all that can be said is which it is.
            if (memory?.Slots.ContainsKey(other) != true)
                yield return new ProgramSlip("wrong-slot", Untold(other), $"This is {other}, not {right["slot"]}; what was keyed in is not in it.");
            else
                yield return new ProgramSlip(
                    "wrong-slot",
                    (memory with { Slot = other }).Program(profile).ToDictionary(a => a.Asked.Id, a => (string?)a.Shown),
                    $"This is what {other} held."
                );
        }
        if (memory is null)
            yield return new ProgramSlip("wrong-slot", Untold(right["slot"]), "Another program is shown.");
    }

    /// <summary>A program nobody knows, under a name: what is no program's is as it was set.</summary>
    private Dictionary<string, string?> Untold(string slot) =>
        right.ToDictionary(
            r => r.Key,
            r =>
                r.Key == "slot" ? slot
                : profile.Find(r.Key.Split('.')[0])!.Shared ? r.Value
                : null
        );

    private IEnumerable<ProgramSlip> Swaps()
    {
        for (var k = 1; k <= StepCount; k++)
        {
            if (profile.Find("rate") is not { } rate || profile.Find("target") is not { } target)
                yield break;
            var (r, t) = (new Asked(rate, k).Id, new Asked(target, k).Id);
            if (rate.ValueOf(right[r]) is not { } pace || target.ValueOf(right[t]) is not { } degrees || !rate.Takes(degrees) || !target.Takes(pace))
                continue;
            yield return new ProgramSlip(
                "fields-swapped",
                right.ToDictionary(
                    x => x.Key,
                    x =>
                        (string?)(
                            x.Key == r ? rate.Show(degrees)
                            : x.Key == t ? target.Show(pace)
                            : x.Value
                        )
                ),
                $"Rate and target of step {k} exchanged."
            );
        }
    }

    /// <summary>Take pressed twice, or not at all: pressed on the machine itself.</summary>
    private IEnumerable<ProgramSlip> Presses()
    {
        var card = EntryCard.Of(profile, wanted);
        // What comes before the slip is keyed in once.
        var machines = (memory is null ? Leftovers.Select(AnyLeftover) : [memory]).Select(m => new KeyMachine(profile, m)).ToList();
        for (var i = 0; i < card.Length; i++)
        {
            var line = card[i];
            if (line.Asked is { } asked)
            {
                foreach (var kind in asked.Question.IsTyped ? ["press-doubled", "press-missed"] : new[] { "press-doubled" })
                {
                    var keys = (kind == "press-doubled" ? line.Keys.Add("take") : line.Keys.RemoveAt(line.Keys.Length - 1))
                        .Concat(card.Skip(i + 1).SelectMany(l => l.Keys))
                        .ToList();
                    var runs = machines.ConvertAll(m =>
                        new KeyMachine(profile, m.Memory).Press(keys).Memory.Program(profile).ToDictionary(a => a.Asked.Id, a => a.Shown)
                    );
                    var shows = runs[0].ToDictionary(a => a.Key, a => runs.TrueForAll(r => r.GetValueOrDefault(a.Key) == a.Value) ? a.Value : null);
                    yield return new ProgramSlip(
                        kind,
                        shows,
                        kind == "press-doubled"
                            ? $"Take pressed twice at {asked.Label}: what follows is one question late."
                            : $"Take not pressed at {asked.Label}: two answers typed into one."
                    );
                }
            }
            foreach (var machine in machines)
                machine.Press(line.Keys);
        }
    }

    private ControllerMemory AnyLeftover(uint seed)
    {
        var left = ControllerMemory.New(profile);
        foreach (
            var asked in wanted
                .Select(a => a.Asked)
                .Concat(
                    profile
                        .Ask.Where(profile.IsOfAStep)
                        .SelectMany(q => Enumerable.Range(1, Math.Min(profile.Most, StepCount + 2)).Select(k => new Asked(q, k)))
                )
                .Where(a => a.Question.Id is not ("slot" or "count"))
        )
        {
            var q = asked.Question;
            var share = (seed * 2654435761u + (uint)asked.Id.Sum(c => c * 31)) % 997 / 997.0;
            left = left.With(
                asked,
                q.Format == AnswerFormat.Word ? q.Choices[(int)(share * q.Choices.Length)]
                    : q.Format == AnswerFormat.Cone ? q.Show(Math.Floor(q.Min))
                    : q.Show(q.Nearest(q.Min + share * (q.Max - q.Min)))
            );
        }
        // Each in every program it has, since the slot may be mistaken as well.
        return left with
        {
            Slots = profile
                .Slots.DefaultIfEmpty(left.Slot)
                .ToImmutableSortedDictionary(s => s, _ => left.Slots.GetValueOrDefault(left.Slot) ?? ImmutableSortedDictionary<string, string>.Empty),
        };
    }
}
