using System.Collections.Immutable;
using System.Globalization;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers;

/// <summary>How an answer is put in.</summary>
public enum Entry
{
    /// <summary>Digit keys; the point is implied.</summary>
    Digits,

    /// <summary>Digit keys with a point, as on a screen.</summary>
    Pad,

    /// <summary>Two keys, faster the longer they are held.</summary>
    Arrows,

    /// <summary>Plus and minus.</summary>
    Buttons,

    /// <summary>One of a list.</summary>
    List,

    /// <summary>A knob.</summary>
    Dial,
}

/// <summary>How an answer is shown.</summary>
public enum AnswerFormat
{
    /// <summary>150.</summary>
    Whole,

    /// <summary>2.5.</summary>
    Tenths,

    /// <summary>Hours and minutes with a point: 1.30.</summary>
    HoursDotMinutes,

    /// <summary>Hours and minutes with a colon: 1:30.</summary>
    HoursColonMinutes,

    /// <summary>Minutes: 90.</summary>
    Minutes,

    /// <summary>Hours with a tenth: 1.5.</summary>
    HoursTenths,

    /// <summary>A cone: 04.</summary>
    Cone,

    /// <summary>A word.</summary>
    Word,
}

/// <summary>
/// A question of a controller. A number is degrees, degrees per hour or minute, minutes, or a cone's place among all cones
/// (<see cref="Cone.Order"/>); what is shown of it is a text in the question's format.
/// </summary>
/// <param name="Id">slot, count, rate, time, target, hold, cone, speed, hours, dry, cool, alarm or delay.</param>
/// <param name="Label">What the display says; # stands for the step.</param>
/// <param name="Entry">How it is put in.</param>
/// <param name="Format">How it is shown.</param>
/// <param name="Min">Least number.</param>
/// <param name="Max">Greatest number.</param>
/// <param name="Step">Between two numbers.</param>
/// <param name="Words">Words in a number's place, by meaning: full, skip, end, none.</param>
/// <param name="Choices">The words there are, where it is no number.</param>
/// <param name="Places">Digits that can be typed.</param>
/// <param name="Unless">Not asked when this answer reads so.</param>
/// <param name="Shared">Not part of a slot's program.</param>
public sealed record Question(
    string Id,
    string Label,
    Entry Entry,
    AnswerFormat Format,
    double Min,
    double Max,
    double Step,
    ImmutableArray<(string Meaning, string Shown)> Words,
    ImmutableArray<string> Choices,
    int Places,
    (string Id, string Shown)? Unless,
    bool Shared
)
{
    // Of a step; numbers are no finer than a thousandth.
    private const double Close = 1e-6;

    /// <summary>Typed on keys, with or without a point.</summary>
    public bool IsTyped => Entry is Entry.Digits or Entry.Pad;

    /// <summary>Hours, minutes and the like.</summary>
    public bool IsTime => Format is AnswerFormat.HoursDotMinutes or AnswerFormat.HoursColonMinutes or AnswerFormat.Minutes or AnswerFormat.HoursTenths;

    /// <summary>A word for a meaning, as it is shown; nothing where it has none.</summary>
    public string? Word(string meaning) => Words.FirstOrDefault(w => w.Meaning == meaning).Shown;

    /// <summary>What an answer means besides its number: full, skip, end, none; nothing for a number.</summary>
    public string? MeaningOf(string shown) => Words.FirstOrDefault(w => w.Shown == shown).Meaning;

    /// <summary>A number as it is shown; halves up. In or out of range.</summary>
    public string Show(double value)
    {
        static string Whole(double v) => Math.Floor(v + 0.5 + 1e-9).ToString("0", CultureInfo.InvariantCulture);
        var minutes = Math.Floor(value + 0.5 + 1e-9);
        return Format switch
        {
            AnswerFormat.Tenths => (Math.Floor(value * 10 + 0.5 + 1e-9) / 10).ToString("0.0", CultureInfo.InvariantCulture),
            AnswerFormat.HoursDotMinutes => FormattableString.Invariant($"{Math.Floor(minutes / 60):0}.{minutes % 60:00}"),
            AnswerFormat.HoursColonMinutes => FormattableString.Invariant($"{Math.Floor(minutes / 60):0}:{minutes % 60:00}"),
            AnswerFormat.HoursTenths => (Math.Floor(value / 6 + 0.5 + 1e-9) / 10).ToString("0.0", CultureInfo.InvariantCulture),
            AnswerFormat.Cone => Cone.All[Math.Clamp((int)value, 0, Cone.All.Length - 1)].Number,
            AnswerFormat.Word => Choices[Math.Clamp((int)value, 0, Choices.Length - 1)],
            _ => Whole(value),
        };
    }

    /// <summary>The number of an answer as it is shown; nothing for a word, or what is no number of this format.</summary>
    public double? ValueOf(string shown)
    {
        if (Format == AnswerFormat.Word)
            return Choices.IndexOf(shown) is >= 0 and var at ? at : null;
        if (Format == AnswerFormat.Cone)
            return Cone.Named(shown) is { } cone ? cone.Order : null;
        var parts = shown.Split(Format == AnswerFormat.HoursColonMinutes ? ':' : '.');
        if (parts.Length > 2 || parts.Any(p => p.Length is 0 or > 7 || !p.All(char.IsAsciiDigit)))
            return null;
        var first = double.Parse(parts[0], CultureInfo.InvariantCulture);
        if (Format is AnswerFormat.Whole or AnswerFormat.Minutes)
            return parts.Length == 1 ? first : null;
        if (parts.Length == 1)
            return null;
        var second = double.Parse(parts[1], CultureInfo.InvariantCulture);
        return Format is AnswerFormat.Tenths or AnswerFormat.HoursTenths
            ? parts[1].Length == 1
                ? (first + second / 10) * (Format == AnswerFormat.HoursTenths ? 60 : 1)
                : null
            : parts[1].Length == 2 && second < 60
                ? first * 60 + second
                : null;
    }

    /// <summary>A number it takes: within its range and on a step; of a cone a whole one, but on lists.</summary>
    public bool Takes(double value)
    {
        if (Format == AnswerFormat.Word)
            return value >= 0 && value < Choices.Length;
        if (!(value >= Min - Close && value <= Max + Close))
            return false;
        if (Format == AnswerFormat.Cone)
            return Entry == Entry.List || !Cone.All[(int)value].Number.EndsWith('½');
        var steps = (value - Min) / Step;
        return Math.Abs(steps - Math.Round(steps)) < Close;
    }

    /// <summary>A cone it can be told.</summary>
    public bool TakesCone(Cone cone) => Takes(cone.Order);

    /// <summary>An answer it can be left with: a number it takes as that is shown, or one of its words.</summary>
    public bool IsAnswer(string shown) => MeaningOf(shown) is not null || (ValueOf(shown) is { } value && Takes(value));

    /// <summary>The number nearest to one that it takes; halves up.</summary>
    public double Nearest(double value)
    {
        if (Format == AnswerFormat.Word)
            return Math.Clamp(Math.Round(value), 0, Choices.Length - 1);
        var held = Math.Clamp(value, Min, Max);
        var steps = Math.Floor((held - Min) / Step + 0.5 + 1e-9);
        var near = Min + steps * Step;
        return near > Max + Close ? near - Step : Math.Round(near, 6);
    }

    /// <summary>What it shows before anybody used it: the least, or the first choice.</summary>
    public string Untouched => Format == AnswerFormat.Word ? Choices[0] : Show(Min);

    /// <summary>
    /// Everything on its wheel, from the bottom: words (the first listed nearest to the numbers; one that is the least number stands as that), then the
    /// numbers or choices.
    /// </summary>
    public ImmutableArray<string> Wheel =>
        [.. Words.Reverse().Select(w => w.Shown).Where(w => w != Show(Min)), .. Format == AnswerFormat.Word ? Choices : Numbers()];

    private IEnumerable<string> Numbers()
    {
        if (Format == AnswerFormat.Cone)
            return Enumerable.Range((int)Min, (int)(Max - Min) + 1).Where(i => Takes(i)).Select(i => Show(i));
        return Enumerable.Range(0, (int)Math.Floor((Max - Min) / Step + Close) + 1).Select(i => Show(Min + i * Step));
    }
}

/// <summary>A question as it comes up: of a step, or once.</summary>
/// <param name="Question">What is asked.</param>
/// <param name="Step">Of which step, from 1; nothing for a question that comes up once.</param>
public readonly record struct Asked(Question Question, int? Step)
{
    /// <summary><c>alarm</c>, <c>rate.2</c>.</summary>
    public string Id => Step is { } k ? string.Create(CultureInfo.InvariantCulture, $"{Question.Id}.{k}") : Question.Id;

    /// <summary>What the display says.</summary>
    public string Label => Question.Label.Replace("#", Step?.ToString(CultureInfo.InvariantCulture) ?? "", StringComparison.Ordinal);
}

/// <summary>An answer as it is shown.</summary>
/// <param name="Asked">The question.</param>
/// <param name="Shown">The answer.</param>
public readonly record struct Answer(Asked Asked, string Shown)
{
    /// <summary>What it means besides a number.</summary>
    public string? Meaning => Asked.Question.MeaningOf(Shown);

    /// <summary>Its number; nothing for a word.</summary>
    public double? Value => Meaning is null ? Asked.Question.ValueOf(Shown) : null;
}
