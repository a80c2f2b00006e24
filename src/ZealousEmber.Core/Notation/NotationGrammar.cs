using System.Globalization;
using Superpower;
using Superpower.Model;
using Superpower.Parsers;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using static ZealousEmber.Core.Notation.NotationToken;

namespace ZealousEmber.Core.Notation;

/// <summary>
/// The grammar of the shorthand. One word of look-ahead decides everywhere, so the place where it gives up is the place
/// a person would point at. A hold, an atmosphere or a reason may follow its step directly or after a separator.
/// </summary>
internal static class NotationGrammar
{
    private static TokenListParser<NotationToken, Place> Word(NotationToken kind) => Token.EqualTo(kind).Select(PlaceOf);

    private static TokenListParser<NotationToken, Place?> Maybe(NotationToken kind) => Word(kind).Select(p => (Place?)p).OptionalOrDefault(null);

    private static readonly TokenListParser<NotationToken, (double Value, Place Place)> Plain = Token
        .EqualTo(Number)
        .Select(t => (ToDouble(t.ToStringValue()), PlaceOf(t)));

    private static readonly TokenListParser<NotationToken, (TemperatureUnit? Unit, Place? Place)> OptionalScale =
        from degree in Maybe(Degree)
        from scale in Token.EqualTo(Scale).Select(t => ((TemperatureUnit?)ToUnit(t.ToStringValue()), (Place?)PlaceOf(t))).OptionalOrDefault((null, degree))
        select scale;

    private static readonly TokenListParser<NotationToken, NumberText> TemperatureNumber = (
        from number in Plain
        from scale in OptionalScale
        select new NumberText(number.Value, scale.Unit, number.Place.To(scale.Place ?? number.Place))
    ).Named("a temperature");

    private static readonly TokenListParser<NotationToken, (double PerHour, Place Place)> PerTime =
        from per in Word(Per)
        from time in Word(Hour).Select(p => (1.0, p)).Or(Word(Minute).Select(p => (60.0, p)))
        select time;

    private static readonly TokenListParser<NotationToken, TimeText> ClockTime = Token
        .EqualTo(NotationToken.Clock)
        .Select(t => new TimeText(ToMinutes(t.ToStringValue()), PlaceOf(t)));

    /// <summary>"1h30", "1 h 30 min", "45m"; what follows a number that turns out to be a time.</summary>
    private static TokenListParser<NotationToken, TimeText> TimeAfter((double Value, Place Place) number) =>
        (
            from h in Word(Hour)
            from minutes in (from m in Plain from unit in Maybe(Minute) select (m.Value, unit ?? m.Place)).OptionalOrDefault((0, h))
            select new TimeText(number.Value * 60 + minutes.Item1, number.Place.To(minutes.Item2))
        ).Or(Word(Minute).Select(m => new TimeText(number.Value, number.Place.To(m))));

    private static readonly TokenListParser<NotationToken, TimeText> Time = ClockTime
        .Or(from number in Plain from time in TimeAfter(number).OptionalOrDefault(new TimeText(number.Value, number.Place)) select time)
        .Named("a time like 45m or 1:30");

    /// <summary>"80/h", "150 °F per hour", "2/min", "1:30", "90m", or a bare number, which is degrees an hour.</summary>
    private static readonly TokenListParser<NotationToken, PaceText> NumberPace = (
        from number in Plain
        from pace in TimeAfter(number)
            .Select(t => (PaceText)new PaceText.InTime(t))
            .Or(
                from scale in OptionalScale
                from per in PerTime.OptionalOrDefault((1, number.Place))
                select (PaceText)new PaceText.AtRate(new NumberText(number.Value, scale.Unit, number.Place), per.PerHour, number.Place.To(per.Place))
            )
        select pace
    )
        .Or(ClockTime.Select(t => (PaceText)new PaceText.InTime(t)))
        .Named("a pace like 80/h");

    private static readonly TokenListParser<NotationToken, PaceText> FullPace =
        from full in Word(Full)
        from power in Word(Power).Many()
        select (PaceText)new PaceText.FullPower(full);

    private static readonly TokenListParser<NotationToken, PaceText> Pace = NumberPace.Or(FullPace);

    private static readonly TokenListParser<NotationToken, NumberText> Target = from to in Word(To) from temperature in TemperatureNumber select temperature;

    private static readonly TokenListParser<NotationToken, NumberText?> MaybeTarget = Target.Select(t => (NumberText?)t).OptionalOrDefault(null);

    private static readonly TokenListParser<NotationToken, (PaceText Pace, NumberText? Target)> PaceFirst = (
        from at in Maybe(At)
        from pace in Pace
        from target in Target
        select (pace, (NumberText?)target)
    );

    /// <summary>"in 4:00 to 600"; an atmosphere begins with the same word.</summary>
    private static readonly TokenListParser<NotationToken, (PaceText Pace, NumberText? Target)> TimeFirst =
        from time in (from word in Word(In) from time in Time select time).Try()
        from target in Target
        select ((PaceText)new PaceText.InTime(time), (NumberText?)target);

    private static readonly TokenListParser<NotationToken, (PaceText Pace, NumberText? Target)> OffBody =
        from off in Word(Off)
        from target in MaybeTarget
        select ((PaceText)new PaceText.PowerOff(off), target);

    private static readonly TokenListParser<NotationToken, PaceText> PaceAfterTarget = (from at in Word(At) from pace in Pace select pace)
        .Or(from word in Word(In) from time in Time select (PaceText)new PaceText.InTime(time))
        .Or(FullPace);

    private static readonly TokenListParser<NotationToken, (PaceText Pace, NumberText? Target)> TargetFirst =
        from target in Target
        from pace in PaceAfterTarget
        select (pace, (NumberText?)target);

    private static readonly TokenListParser<NotationToken, Phrase> PlainStep = PaceFirst
        .Or(TimeFirst)
        .Or(OffBody)
        .Or(TargetFirst)
        .Select(s => (Phrase)new Phrase.Step(Verb.None, s.Pace.Place, s.Pace, s.Target));

    private static readonly TokenListParser<NotationToken, Phrase> ClimbStep =
        from verb in Word(Climb)
        from body in PaceFirst.Or(TimeFirst).Or(TargetFirst)
        select (Phrase)new Phrase.Step(Verb.Climb, verb, body.Pace, body.Target);

    /// <summary>"cool 55/h to 850", and "cool", "cool to 850", which leave it to the kiln.</summary>
    private static readonly TokenListParser<NotationToken, Phrase> CoolStep =
        from verb in Word(Cool)
        from body in PaceFirst
            .Or(OffBody)
            .Or(from target in Target from pace in PaceAfterTarget.OptionalOrDefault(new PaceText.PowerOff(verb)) select (pace, (NumberText?)target))
            .OptionalOrDefault((new PaceText.PowerOff(verb), null))
        select (Phrase)new Phrase.Step(Verb.Cool, verb, body.Item1, body.Item2);

    private static readonly TokenListParser<NotationToken, Phrase> HoldPhrase =
        from hold in Word(NotationToken.Hold)
        from words in Word(For).Many()
        from time in Time
        from at in (from word in Word(At) from t in TemperatureNumber select (NumberText?)t).OptionalOrDefault(null)
        select (Phrase)new Phrase.Hold(time, at, hold.To(time.Place));

    private static readonly TokenListParser<NotationToken, Phrase> NoHold =
        from no in Word(No)
        from hold in Word(NotationToken.Hold)
        select (Phrase)new Phrase.Hold(null, null, no.To(hold));

    private static readonly TokenListParser<NotationToken, Phrase> Air = (
        from word in Maybe(In)
        from air in Word(Oxidising)
            .Select(p => (Atmosphere.Oxidising, p))
            .Or(Word(Neutral).Select(p => (Atmosphere.Neutral, p)))
            .Or(from light in Word(Light) from r in Word(Reduction) select (Atmosphere.LightReduction, light.To(r)))
            .Or(from heavy in Word(Heavy) from r in Word(Reduction) select (Atmosphere.HeavyReduction, heavy.To(r)))
        select (Phrase)new Phrase.Air(air.Item1, air.Item2)
    ).Named("an atmosphere");

    private static readonly TokenListParser<NotationToken, Phrase> Why = Token
        .EqualTo(Reason)
        .Select(t => (Phrase)new Phrase.Why(t.ToStringValue()[1..^1].Replace("\"\"", "\""), PlaceOf(t)));

    private static readonly TokenListParser<NotationToken, Phrase> More = HoldPhrase.Or(NoHold).Or(Air).Or(Why);

    private static readonly TokenListParser<NotationToken, Phrase[]> Element =
        from step in PlainStep.Or(ClimbStep).Or(CoolStep).Or(More)
        from more in More.Many()
        select (Phrase[])[step, .. more];

    /// <summary>All phrases of a text, flat.</summary>
    public static readonly TokenListParser<NotationToken, Phrase[]> Line = (
        from lead in Word(Separator).Many()
        from elements in (from element in Element from separators in Word(Separator).AtLeastOnce().Select(_ => true).Or(End) select element).AtLeastOnce()
        select elements.SelectMany(e => e).ToArray()
    ).AtEnd();

    /// <summary>One cell of a pasted table that says how a step goes: a rate, a time, full or off.</summary>
    public static readonly TokenListParser<NotationToken, PaceText> PaceCell = Pace.Or(Word(Off).Select(p => (PaceText)new PaceText.PowerOff(p))).AtEnd();

    /// <summary>One cell with a temperature.</summary>
    public static readonly TokenListParser<NotationToken, NumberText> TemperatureCell = TemperatureNumber.AtEnd();

    /// <summary>One cell with a length of time.</summary>
    public static readonly TokenListParser<NotationToken, TimeText> TimeCell = Time.AtEnd();

    /// <summary>Succeeds at the end of the text, so that a missing separator is what an error names.</summary>
    private static TokenListParser<NotationToken, bool> End =>
        input =>
            input.IsAtEnd
                ? TokenListParserResult.Value(true, input, input)
                : TokenListParserResult.Empty<NotationToken, bool>(input, ["the next step after a ;"]);

    private static Place PlaceOf(Token<NotationToken> token) => new(token.Position.Absolute, token.Span.Length);

    private static TemperatureUnit ToUnit(string text) => text[0] is 'f' or 'F' or '℉' ? TemperatureUnit.Fahrenheit : TemperatureUnit.Celsius;

    internal static double ToDouble(string text)
    {
        var negative = NotationTokenizer.IsMinus(text[0]);
        var value = double.Parse(negative ? text.AsSpan(1) : text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture);
        return negative ? -value : value;
    }

    private static double ToMinutes(string clock)
    {
        var parts = clock.Split(':');
        return ToDouble(parts[0]) * 60 + ToDouble(parts[1]);
    }
}
