using System.Collections.Immutable;
using System.Text.Json;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers;

/// <summary>Makes a question from data.</summary>
internal static class QuestionReader
{
    public const int LongestLabel = 40;
    public const int LongestWord = 20;
    private const int MostChoices = 99;
    private const int MostPlaces = 8;
    private const int MostOnAWheel = 20_000;
    private static readonly string[] Ids = ["slot", "count", "rate", "time", "target", "hold", "cone", "speed", "hours", "dry", "cool", "alarm", "delay"];
    private static readonly string[] Entries = ["digits", "pad", "arrows", "buttons", "list", "dial"];
    private static readonly string[] Formats = ["whole", "tenths", "H.MM", "HH:MM", "min", "h.t", "cone", "word"];
    private static readonly string[] Meanings = ["full", "skip", "end", "none"];

    public static Question? Read(QuestionData? data, string at, List<Problem> problems)
    {
        var before = problems.Count;
        void Wrong(string field, string message) => problems.Add(new Problem(field.Length == 0 ? at : $"{at}.{field}", message));
        int One(string field, string? word, string[] known)
        {
            var found = Array.IndexOf(known, word);
            if (found < 0)
                Wrong(field, $"This is one of {Phrases.List(known)}{(word is null ? "." : $"; not “{ProfileReader.Short(word)}”.")}");
            return found;
        }
        if (data is null)
        {
            Wrong("", "A question is missing here.");
            return null;
        }
        One("id", data.Id, Ids);
        var (entry, format) = ((Entry)One("entry", data.Entry, Entries), (AnswerFormat)One("format", data.Format, Formats));
        var label = Text.OneLine(data.Label);
        if (label is null || label.Length > LongestLabel)
            Wrong("label", $"A label has 1 to {LongestLabel} characters.");
        var step = data.Step ?? 1;
        if (!(step > 0 && step < 1e5))
            Wrong("step", "A step is more than 0.");
        var places = data.Places ?? (entry == Entry.Pad ? 6 : 4);
        if (places is < 1 or > MostPlaces)
            Wrong("places", $"1 to {MostPlaces} digits can be typed.");
        var choices = (data.Choices ?? []).Select(c => c ?? "").ToImmutableArray();
        var (min, max) = (0.0, 0.0);
        if (format == AnswerFormat.Word)
        {
            if (choices.Length is < 1 or > MostChoices || choices.Any(c => c.Length is 0 or > LongestWord) || choices.Distinct().Count() < choices.Length)
                Wrong("choices", $"1 to {MostChoices} words, each its own, up to {LongestWord} characters.");
            if (entry is Entry.Digits or Entry.Pad)
                Wrong("entry", "Words cannot be typed: choose them on buttons, a list or a dial.");
        }
        else
        {
            if (choices.Length > 0)
                Wrong("choices", "Only words are chosen; this format is a number.");
            (min, max) = (Number(data.Min, format, "min", Wrong), Number(data.Max, format, "max", Wrong));
            if (min > max)
                Wrong("max", "The greatest is less than the least.");
            else if ((max - min) / step > MostOnAWheel)
                Wrong("step", $"At most {MostOnAWheel} numbers lie between the least and the greatest.");
        }
        var words = ImmutableArray.CreateBuilder<(string, string)>();
        foreach (var (meaning, shown) in data.Words ?? new Dictionary<string, string?>())
        {
            if (!Meanings.Contains(meaning))
                Wrong($"words.{ProfileReader.Short(meaning)}", $"A word means {Phrases.List(Meanings.SkipLast(1))} or none.");
            if (shown is not { Length: > 0 and <= LongestWord })
                Wrong($"words.{ProfileReader.Short(meaning)}", $"A word has 1 to {LongestWord} characters.");
            words.Add((meaning, shown ?? ""));
        }
        (string, string)? unless = null;
        if (data.Unless is { Count: > 0 } conditions)
        {
            if (conditions.Count > 1 || !Ids.Contains(conditions.First().Key))
                Wrong("unless", "One question and the answer at which this one is passed by.");
            unless = (conditions.First().Key, conditions.First().Value ?? "");
        }
        if (problems.Count > before)
            return null;
        var question = new Question(
            Id: data.Id!,
            Label: label!,
            Entry: entry,
            Format: format,
            Min: min,
            Max: max,
            Step: step,
            Words: words.ToImmutable(),
            Choices: choices,
            Places: places,
            Unless: unless,
            Shared: data.Shared == true
        );
        CheckWords(question, Wrong);
        return problems.Count > before ? null : question;
    }

    /// <summary>A word stands for no number, and can be put in.</summary>
    private static void CheckWords(Question question, Action<string, string> wrong)
    {
        if (question.Words.Select(w => w.Shown).Distinct().Count() < question.Words.Length)
            wrong("words", "Two words look alike.");
        foreach (var (meaning, shown) in question.Words)
        {
            // The least number may be a word: nobody means no time at all.
            if (question.ValueOf(shown) is { } value && question.Takes(value) && value > question.Min)
                wrong($"words.{meaning}", $"“{shown}” is a number of its range as well.");
            if (question.IsTyped && Typing.Read(question, string.Concat(Typing.Keys(question, shown).Select(k => k == "dot" ? "." : k))) != shown)
                wrong($"words.{meaning}", $"“{shown}” cannot be typed here.");
        }
        if (!question.IsTyped || question.Format == AnswerFormat.Word)
            return;
        // The longest number there is must have room.
        if (Typing.Keys(question, question.Show(question.Max)).Count(k => k != "dot") > question.Places)
            wrong("places", $"{question.Show(question.Max)} has more digits than can be typed.");
        if (question.Words.Any(w => Typing.Keys(question, w.Shown).Count(k => k != "dot") > question.Places))
            wrong("places", "A word has more digits than can be typed.");
    }

    private static double Number(JsonElement? value, AnswerFormat format, string field, Action<string, string> wrong)
    {
        if (format == AnswerFormat.Cone)
        {
            if (value is { ValueKind: JsonValueKind.String } name && Cone.Named(name.GetString()!) is { } cone)
                return cone.Order;
            wrong(field, "A cone, like 022 or 10.");
            return 0;
        }
        if (value is { ValueKind: JsonValueKind.Number } number && number.TryGetDouble(out var read) && read is >= 0 and < 1e5)
            return read;
        wrong(field, "A number, 0 or more.");
        return 0;
    }
}
