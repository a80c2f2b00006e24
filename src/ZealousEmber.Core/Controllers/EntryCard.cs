using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers;

/// <summary>A line of the card: a question, the keys that answer it, and what the display then says.</summary>
/// <param name="Asked">The question; nothing for what comes before the first and after the last.</param>
/// <param name="Keys">In order.</param>
/// <param name="Display">What the display says before it is taken.</param>
public sealed record CardLine(Asked? Asked, ImmutableArray<string> Keys, string Display);

/// <summary>How a program is keyed in, whatever the last user left.</summary>
public static class EntryCard
{
    // Letters nobody takes for another, nor for a word.
    private const string Letters = "BCDFGHJKLMNPQRSTVWXZ";
    private const int CodeLength = 4;

    /// <summary>The card of a program; from any state it ends ready, with just this program.</summary>
    public static ImmutableArray<CardLine> Of(ControllerProfile profile, IReadOnlyList<Answer> program)
    {
        var lines = ImmutableArray.CreateBuilder<CardLine>();
        lines.Add(new CardLine(null, ["wipe", "quit", "open"], ""));
        foreach (var answer in program)
        {
            var question = answer.Asked.Question;
            ImmutableArray<string> keys = question.IsTyped
                ? [.. Typing.Keys(question, answer.Shown)]
                : [$"{(question.Entry == Entry.Dial ? "turn" : "until")} {answer.Shown}"];
            var display = question.IsTyped
                ? Typing.Display(
                    question,
                    string.Concat(
                        keys.Select(k =>
                            k == "dot"
                                ? question.Format == AnswerFormat.HoursColonMinutes
                                    ? ":"
                                    : "."
                                : k
                        )
                    )
                )
                : answer.Shown;
            var twice = profile.Confirms && question.Entry == Entry.Pad;
            lines.Add(new CardLine(answer.Asked, [.. keys, "take", .. twice ? ["take"] : Array.Empty<string>()], $"{answer.Asked.Label} {display}"));
        }
        if (profile.Hands.Length > 0)
            lines.Add(new CardLine(null, [.. profile.Hands.Select(h => $"hand {h.ToString().ToLowerInvariant()}")], "ready"));
        return lines.ToImmutable();
    }

    /// <summary>Four letters that tell one program from another.</summary>
    public static string Code(ControllerProfile profile, IReadOnlyList<Answer> program)
    {
        // FNV-1a, 64 bit: the same everywhere and always.
        var hash = 14695981039346656037UL;
        foreach (var c in string.Join('\n', program.Select(a => $"{a.Asked.Id}={a.Shown}").Prepend(profile.Name)))
            hash = (hash ^ c) * 1099511628211UL;
        var code = new char[CodeLength];
        for (var i = 0; i < CodeLength; i++)
            (code[i], hash) = (Letters[(int)(hash % (ulong)Letters.Length)], hash / (ulong)Letters.Length);
        return new string(code);
    }
}
