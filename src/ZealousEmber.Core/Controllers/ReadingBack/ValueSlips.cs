using System.Globalization;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.ReadingBack;

/// <summary>What one value becomes by a slip, each with how many ways there are to it.</summary>
internal sealed class ValueSlips(ControllerProfile profile, double top)
{
    private const double BesideOnThePad = 6;
    private const double CloseAlarm = 8;
    private const double OneStepFurther = 0.7;
    private const int FurthestOvershoot = 40;

    /// <summary>The kinds that change one value.</summary>
    public static readonly string[] Kinds =
    [
        "digit-dropped",
        "digit-doubled",
        "digits-swapped",
        "digit-wrong",
        "hours-minutes",
        "time-format",
        "unit",
        "per-minute",
        "cone-zero",
        "alarm-close",
        "overshoot",
        "next-choice",
        "special-word",
    ];

    /// <summary>Everything a slip of that kind makes of an answer; never the answer itself.</summary>
    public IEnumerable<(string Shown, double Ways)> Of(string kind, Asked asked, string right)
    {
        var made = Raw(kind, asked.Question, right).Where(m => m.Shown != right).GroupBy(m => m.Shown).Select(g => (g.Key, g.Sum(m => m.Ways)));
        return made;
    }

    private IEnumerable<(string Shown, double Ways)> Raw(string kind, Question q, string right)
    {
        var value = q.MeaningOf(right) is null ? q.ValueOf(right) : null;
        return kind switch
        {
            "digit-dropped" or "digit-doubled" or "digits-swapped" or "digit-wrong" when q.IsTyped => Typed(q, kind, [.. Typing.Keys(q, right)]),
            "hours-minutes" when q.IsTime && value is { } v => Numbers(q, v * 60, v % 60 == 0 ? v / 60 : double.NaN),
            "time-format" when q.IsTime && value is { } v => TimeFormats(q, v),
            "unit" when q.Id is "target" or "alarm" && value is { } v => Numbers(q, v * 9 / 5 + 32, (v - 32) * 5 / 9),
            "unit" when q.Id is "rate" or "cool" && q.IsNumber() && value is { } v => Numbers(q, v * 9 / 5, v * 5 / 9, v * 9 / 5 + 32, (v - 32) * 5 / 9),
            "per-minute" when q.Id is "rate" or "cool" && q.IsNumber() && value is { } v => Numbers(q, v / 60, v * 60),
            "cone-zero" when q.Format == AnswerFormat.Cone => Cones(q, right),
            "alarm-close" when q.Id == "alarm" && q.IsNumber() => Numbers(
                q,
                [
                    .. Enumerable
                        .Range(0, (int)Math.Round(CloseAlarm * (profile.Unit == TemperatureUnit.Fahrenheit ? 1.8 : 1)))
                        .Select(d => Math.Floor(top + 0.5) + d),
                ]
            ),
            "overshoot" when q.Entry is Entry.Arrows or Entry.Buttons => Beside(q, right, FurthestOvershoot),
            "next-choice" when q.Entry is Entry.List or Entry.Dial => Beside(q, right, 1),
            "special-word" => q.Words.Select(w => (w.Shown, 1.0)),
            _ => [],
        };
    }

    private static IEnumerable<(string Shown, double Ways)> Typed(Question q, string kind, string[] keys)
    {
        IEnumerable<(string[] Keys, double Ways)> made = kind switch
        {
            "digit-dropped" => keys.Select((_, i) => (keys.Where((_, k) => k != i).ToArray(), 1.0)),
            "digit-doubled" => keys.Select((k, i) => (keys.Take(i + 1).Append(k).Concat(keys.Skip(i + 1)).ToArray(), 1.0)),
            "digits-swapped" => Enumerable
                .Range(0, Math.Max(0, keys.Length - 1))
                .Select(i => ((string[])[.. keys[..i], keys[i + 1], keys[i], .. keys[(i + 2)..]], 1.0)),
            _ => keys.SelectMany((k, i) => Digits(k).Select(d => ((string[])[.. keys[..i], d.Digit, .. keys[(i + 1)..]], d.Ways))),
        };
        foreach (var (pressed, ways) in made)
        {
            // More than there is room for is not taken in.
            var typed = "";
            foreach (var key in pressed)
            {
                if (key == "dot")
                    typed = typed.Contains('.', StringComparison.Ordinal) ? typed : typed + ".";
                else if (typed.Count(char.IsAsciiDigit) < q.Places)
                    typed += key;
            }
            if (typed.Length > 0 && Typing.Read(q, typed) is { } shown)
                yield return (shown, ways);
        }
    }

    /// <summary>Other digits; one beside it on the pad is likelier.</summary>
    private static IEnumerable<(string Digit, double Ways)> Digits(string key)
    {
        if (key is not [>= '0' and <= '9' and var digit])
            yield break;
        for (var other = '0'; other <= '9'; other++)
        {
            if (other != digit)
                yield return (other.ToString(), AreBeside(digit, other) ? BesideOnThePad : 1);
        }
    }

    /// <summary>On a pad of three columns, with the 0 under the 8's column.</summary>
    private static bool AreBeside(char a, char b)
    {
        static (int X, int Y) At(char d) => d == '0' ? (1, 3) : ((d - '1') % 3, (d - '1') / 3);
        var (one, other) = (At(a), At(b));
        return Math.Abs(one.X - other.X) + Math.Abs(one.Y - other.Y) == 1;
    }

    private static IEnumerable<(string Shown, double Ways)> Numbers(Question q, params double[] values)
    {
        foreach (var value in values.Where(double.IsFinite))
        {
            var near = q.Nearest(value);
            // What is far outside its range is refused, not bent.
            if (value >= q.Min - q.Step / 2 && value <= q.Max + q.Step / 2)
                yield return (q.Show(near), 1);
        }
    }

    /// <summary>Decimal hours, plain minutes or hours and minutes, typed in each other's place.</summary>
    private static IEnumerable<(string Shown, double Ways)> TimeFormats(Question q, double minutes)
    {
        var (hours, rest) = (Math.Floor(minutes / 60), minutes % 60);
        string[] written =
        [
            FormattableString.Invariant($"{hours:0}.{rest:00}"),
            FormattableString.Invariant($"{minutes / 60:0.##}"),
            FormattableString.Invariant($"{minutes / 60:0.00}"),
            FormattableString.Invariant($"{minutes:0}"),
            FormattableString.Invariant($"{hours:0}{rest:00}"),
        ];
        foreach (var text in written.Distinct())
        {
            if (q.IsTyped)
            {
                var typed = q.Entry == Entry.Pad ? text : text.Replace(".", "", StringComparison.Ordinal);
                if (typed.Count(char.IsAsciiDigit) <= q.Places && Typing.Read(q, typed) is { } shown)
                    yield return (shown, 1);
            }
            else
            {
                // Set by arrows: the number is read as this format shows it.
                var number = double.Parse(text, CultureInfo.InvariantCulture);
                var (whole, part) = (Math.Floor(number), Math.Round(number % 1 * 100));
                var value = q.Format switch
                {
                    AnswerFormat.Minutes => number,
                    AnswerFormat.HoursTenths => number * 60,
                    _ when text.Contains('.', StringComparison.Ordinal) => whole * 60 + part,
                    _ => Math.Floor(number / 100) * 60 + number % 100,
                };
                if (q.Takes(value))
                    yield return (q.Show(value), 1);
            }
        }
    }

    private static IEnumerable<(string Shown, double Ways)> Cones(Question q, string right)
    {
        var twin = right.StartsWith('0') ? right[1..] : "0" + right;
        if (q.IsAnswer(twin))
            yield return (twin, 1);
    }

    private static IEnumerable<(string Shown, double Ways)> Beside(Question q, string right, int furthest)
    {
        var wheel = q.Wheel;
        var at = wheel.IndexOf(right);
        if (at < 0)
            yield break;
        for (var n = 1; n <= furthest; n++)
        {
            var ways = furthest == 1 ? 1 : Math.Pow(OneStepFurther, n);
            if (at - n >= 0)
                yield return (wheel[at - n], ways);
            if (at + n < wheel.Length)
                yield return (wheel[at + n], ways);
        }
    }
}

/// <summary>Small questions about questions.</summary>
internal static class QuestionExtensions
{
    /// <summary>Its answers are numbers.</summary>
    public static bool IsNumber(this Question question) => question.Format is AnswerFormat.Whole or AnswerFormat.Tenths;
}
