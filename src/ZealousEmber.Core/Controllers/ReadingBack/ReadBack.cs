using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers.ReadingBack;

/// <summary>A value that is not what was set.</summary>
/// <param name="Asked">The question.</param>
/// <param name="Wanted">As it should be shown; nothing where it should not come up.</param>
/// <param name="Shown">As it is.</param>
/// <param name="Consequence">What this alone would do, in a sentence.</param>
/// <param name="Minutes">Powered, more than wanted.</param>
/// <param name="Degrees">The hottest, more than wanted, K.</param>
public sealed record ReadBackDifference(Asked Asked, string? Wanted, string Shown, string Consequence, double Minutes, double Degrees);

/// <summary>What was read off a controller beside what was set.</summary>
/// <param name="Missing">Questions nothing was read for.</param>
/// <param name="Differences">In the order they are asked.</param>
/// <param name="Read">What was read, question by question.</param>
public sealed record ReadBackResult(ImmutableArray<Asked> Missing, ImmutableArray<ReadBackDifference> Differences, ImmutableArray<Answer> Read)
{
    /// <summary>All was read, and all is right.</summary>
    public bool Matches => Missing.IsEmpty && Differences.IsEmpty;
}

/// <summary>Compares what a controller shows with what was set.</summary>
public static class ReadBack
{
    /// <summary>The comparison. Problems name <c>shown[i]</c>: what can be no answer, and what is too much.</summary>
    /// <param name="profile">Which controller.</param>
    /// <param name="wanted">What was set.</param>
    /// <param name="shown">What it shows, in its own order.</param>
    /// <param name="memory">What it held before, where that is known.</param>
    /// <param name="consequences">Says what a changed program does.</param>
    public static Result<ReadBackResult> Of(
        ControllerProfile profile,
        IReadOnlyList<Answer> wanted,
        IReadOnlyList<string> shown,
        ControllerMemory? memory,
        Consequences consequences
    )
    {
        var read = Read(profile, shown, out var missing);
        if (!read.IsOk)
            return Result<ReadBackResult>.Failed(read.Problems);
        var right = wanted.ToDictionary(a => a.Asked.Id, a => a.Shown);
        var differences = read
            .Value.Where(a => right.GetValueOrDefault(a.Asked.Id) != a.Shown)
            .Select(a => consequences.Of(right.GetValueOrDefault(a.Asked.Id), a, Changed(profile, right, a, read.Value, memory)))
            .ToImmutableArray();
        // Steps that were set and do not come up, since it ends before them, were not read either.
        var asked = read.Value.Select(a => a.Asked.Id).Concat(missing.Select(m => m.Id)).ToHashSet();
        return new ReadBackResult(
            [
                .. missing,
                .. wanted.Where(a => a.Asked.Step is not null && a.Meaning is not ("end" or "skip") && !asked.Contains(a.Asked.Id)).Select(a => a.Asked),
            ],
            differences,
            read.Value
        );
    }

    /// <summary>What was read, as the questions come up with just these answers.</summary>
    private static Result<ImmutableArray<Answer>> Read(ControllerProfile profile, IReadOnlyList<string> shown, out ImmutableArray<Asked> missing)
    {
        var (problems, answers, open) = (new List<Problem>(), new List<Answer>(), new List<Asked>());
        var said = new Dictionary<string, string>();
        foreach (var asked in ProgramWalk.Of(profile, a => said[a.Id]))
        {
            var i = answers.Count + open.Count;
            if (i >= shown.Count)
            {
                open.Add(asked);
                said[asked.Id] = EndFor(profile, asked);
                continue;
            }
            var read = ShownAnswer.Read(asked.Question, shown[i]);
            if (read is null)
                problems.Add(
                    new Problem(
                        $"shown[{i}]",
                        $"{asked.Label}: “{(shown[i].Length > 20 ? shown[i][..20] + "…" : shown[i])}” cannot stand there{Example(asked.Question)}."
                    )
                );
            said[asked.Id] = read ?? asked.Question.Untouched;
            answers.Add(new Answer(asked, said[asked.Id]));
        }
        if (shown.Count > answers.Count && problems.Count == 0)
            problems.Add(
                new Problem($"shown[{answers.Count}]", $"With these answers it asks {Phrases.Count(answers.Count, "question")}; {shown.Count} were read.")
            );
        missing = [.. open];
        return problems.Count > 0 ? Result<ImmutableArray<Answer>>.Failed(problems) : answers.ToImmutableArray();
    }

    /// <summary>What is not read is taken to end the steps, so that it is not asked for over and over.</summary>
    private static string EndFor(ControllerProfile profile, Asked asked) =>
        asked.Step is not null && profile.Count == Counting.Ended
            ? asked.Question.Word("end") ?? asked.Question.Untouched
            : asked.Question.Word("skip") ?? asked.Question.Untouched;

    private static string Example(Question question) =>
        question.Format == AnswerFormat.Word
            ? $"; {Phrases.List(question.Choices.Take(4))} can"
            : $"; {question.Show(question.Min + Math.Floor((question.Max - question.Min) / question.Step / 2) * question.Step)} could";

    /// <summary>The program with this answer changed and no other; what only comes up then is as it was read, else as it was left.</summary>
    private static ImmutableArray<Answer> Changed(
        ControllerProfile profile,
        IReadOnlyDictionary<string, string> right,
        Answer change,
        IEnumerable<Answer> read,
        ControllerMemory? memory
    )
    {
        var otherwise = read.ToDictionary(a => a.Asked.Id, a => a.Shown);
        string Answer(Asked a) =>
            a.Id == change.Asked.Id
                ? change.Shown
                : right.GetValueOrDefault(a.Id) ?? otherwise.GetValueOrDefault(a.Id) ?? memory?.AnswerTo(a) ?? a.Question.Untouched;
        return [.. ProgramWalk.Of(profile, Answer).Select(a => new Answer(a, Answer(a)))];
    }
}
