using System.Globalization;
using System.Text.RegularExpressions;
using NodaTime;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>Days and hours, put together from the parts they are said in.</summary>
internal static partial class MomentWords
{
    public const string Weekdays = "mon(?:day)?|tue(?:s(?:day)?)?|wed(?:s|nesday|nsday)?|thu(?:r(?:s(?:day)?)?)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?";
    private const string Months =
        "jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?";
    public const string Dates = $@"(?:the )?\d{{1,2}}(?:st|nd|rd|th)?(?: of)? (?:{Months})\b\.?|(?:{Months})\.? \d{{1,2}}(?:st|nd|rd|th)?(?!\d|:)";
    private const string Hours = "one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve";
    private const string Hour = $@"(?:\d{{1,2}}|(?:{Hours})\b)";
    private const string Lead = @"(?:(?:at|by|from|around|about|before|for|on|until|till|no later than|not before|after|come) +|@ *)*";

    private static readonly Regex In = Atom(
        $@"in (?:about |around )?(?<n>\d{{1,3}}(?:[.,]5)?|{Numbers.InWords}|an?|one|half an?|a couple of|a quarter of an) ?(?<unit>hours?|hrs?|h|minutes?|mins?|days?|weeks?)\b(?: from now| time|'s time|s' time)?"
    );
    private static readonly Regex Day = Atom(
        $@"(?:no later than |not before )?(?:on |for |this |coming |by |before |until |from |the ){{0,4}}(?:(?<today>today)|(?<tonight>tonight|tonite|this evening)|(?<tomorrow>tomorrow|tomorow|tommorow|tommorrow|tmrw|tomoz)|(?<aftertomorrow>(?:the )?day after tomorrow)|(?<yesterday>yesterday)|(?:(?<weekday>{Weekdays})\b,? )?(?<date>{Dates})|(?:(?<next>next) )?(?<weekday>{Weekdays})\b(?! class)(?<week> week)?|(?<weekend>weekend))(?![a-z'])"
    );
    private static readonly Regex Part = Atom(
        @"(?:(?:in|at|on|during|by) (?:the )?|this |the |early |late |first thing ){0,4}(?:(?<morning>morning)|(?<afternoon>afternoon)|(?<evening>evening)|(?<overnight>overnight|over night|through the night|during the night)|(?<night>night))(?![a-z'])"
    );
    private static readonly Regex Clock = Atom(
        $@"{Lead}(?:(?<h>\d{{1,2}})[:.h](?<m>[0-5]\d)(?![\d.]) ?(?<half>[ap]\.?m\b\.?)?|(?<h>{Hour}) ?(?<half>[ap]\.?m\b\.?)|(?:12 )?(?<noon>noon|midday|mid-day)\b|(?:12 )?(?<midnight>midnight)\b|(?<past>half past|quarter past|quarter to|(?:\d{{1,2}}|five|ten|twenty|twenty-five)(?: minutes? (?:past|to)| past)|(?<=\b(?:at|by|from) )(?:\d{{1,2}}|five|ten|twenty) to) (?<h>{Hour})(?: ?(?<half>[ap]\.?m\b\.?))?|(?<h>{Hour}) ?o'? ?clock|(?<four>(?:[01]\d|2[0-3])[0-5]\d)(?!\d) ?(?:h\b|hrs?\b|hours\b)?)"
    );
    private static readonly Regex BareHour = Atom(
        $@"(?:(?:at|by|before|around|from) +|@ *)+(?:about )?(?!0\d)(?<h>{Hour})(?! ?(?:min|mm|cm|kg|%|°|degrees|c\b|f\b|an hour|per hour|/h|x|×)|[\d.:/½¼])"
    );
    private static readonly Regex HourBeforeDay = Atom(
        $@"(?!0\d)(?<h>{Hour})(?= +(?:(?:in the|this) ){{0,4}}(?:tonight|tomorrow|morning|afternoon|evening)\b)"
    );

    private static readonly Regex Starting = new(
        @"(?:start\w*|begin\w*|fire up|switch\w* on|turn\w* on|go)(?: it| them)?[ :]*$",
        RegexOptions.CultureInvariant
    );

    private static Regex Atom(string pattern) => new($@"\G(?:{pattern})", RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture);

    /// <summary>The longest moment that begins at a place.</summary>
    public static Phrase? At(SaidText text, int at)
    {
        var (end, moment) = (at, new SaidMoment(null, DayPart.None, null, null, Deadline(text, at)));
        var isTonight = false;
        var four = false;
        while (true)
        {
            var next = end == at ? end : Behind(text, end);
            if (moment is { In: null, Day: null, Clock: null, Part: DayPart.None } && text.Match(In, next) is { } within && ReadIn(within) is { } read)
                return new Phrase(at, next + within.Length, new MomentSaid(moment with { In = read.In, Day = read.Day }));
            if (moment.Day is null && text.Match(Day, next) is { } day)
            {
                isTonight = day.Groups["tonight"].Success;
                moment = moment with { Day = ReadDay(day), Part = isTonight ? DayPart.Evening : moment.Part };
                end = next + day.Length;
            }
            else if (
                (moment.Part == DayPart.None || (isTonight && moment.Part == DayPart.Evening))
                && text.Match(Part, next) is { } part
                && !Later(text, end, next, part, moment)
            )
            {
                moment = moment with { Part = ReadPart(part) };
                end = next + part.Length;
            }
            else if (moment.Clock is null && text.Match(Clock, next) is { } clock && ReadClock(clock, text) is { } time)
            {
                // Four digits by themselves are an hour only where a day or a start stands by, or a zero leads; 1222 may be a top.
                four = clock.Groups["four"] is { Success: true } f && text.Low[f.Index] != '0' && !Starting.IsMatch(text.Low[Math.Max(0, at - 24)..at]);
                moment = moment with { Clock = time };
                end = next + clock.Length;
            }
            else if (moment.Clock is null && text.Match(BareHour, next) is { } bare && ReadHour(bare) is { } hour)
            {
                moment = moment with { Clock = new SaidClock(hour, IsBare: true) };
                end = next + bare.Length;
            }
            else if (moment.Clock is null && text.Match(HourBeforeDay, next) is { } before && ReadHour(before) is { } early)
            {
                moment = moment with { Clock = new SaidClock(early, IsBare: true) };
                end = next + before.Length;
            }
            else
                break;
        }
        return end == at || (four && moment.Day is null && moment.Part == DayPart.None) ? null : new Phrase(at, end, new MomentSaid(moment));
    }

    /// <summary>Where the next part may begin: behind spaces, and a comma between a day and an hour.</summary>
    private static int Behind(SaidText text, int end)
    {
        var next = end;
        while (next < text.Length && text.Low[next] == ' ')
            next++;
        if (next < text.Length && text.Low[next] == ',')
            next++;
        while (next < text.Length && text.Low[next] == ' ')
            next++;
        return next;
    }

    /// <summary>“Friday, night rate”: the night of another phrase.</summary>
    private static bool Later(SaidText text, int end, int next, Match part, SaidMoment moment) =>
        (text.Low[end..next].Contains(',', StringComparison.Ordinal) && moment.Day is not null)
        || text.Low.AsSpan(Math.Min(text.Length, next + part.Length)).TrimStart().StartsWith("rate", StringComparison.Ordinal);

    private static bool Deadline(SaidText text, int at) =>
        text.Low.AsSpan(at).StartsWith("by ", StringComparison.Ordinal)
        || text.Low.AsSpan(at).StartsWith("before ", StringComparison.Ordinal)
        || text.Low.AsSpan(at).StartsWith("no later than ", StringComparison.Ordinal);

    private static (Duration? In, SaidDay? Day)? ReadIn(Match match)
    {
        var said = match.Groups["n"].Value;
        var n =
            said is "a" or "an" or "one" ? 1
            : said.StartsWith("half", StringComparison.Ordinal) ? 0.5
            : said == "a couple of" ? 2
            : said.Contains("quarter", StringComparison.Ordinal) ? 0.25
            : char.IsAsciiDigit(said[0]) ? double.Parse(said.Replace(',', '.'), CultureInfo.InvariantCulture)
            : Numbers.ReadWhole(said) ?? 0;
        return match.Groups["unit"].Value[0] switch
        {
            'h' => (Duration.FromMinutes(n * 60), null),
            'm' => (Duration.FromMinutes(n), null),
            'd' => (null, new SaidDay(DayKind.Offset, Days: (int)Math.Round(n))),
            _ => (null, new SaidDay(DayKind.Offset, Days: (int)Math.Round(n * 7))),
        };
    }

    private static SaidDay ReadDay(Match match) =>
        match.Groups["today"].Success || match.Groups["tonight"].Success ? new SaidDay(DayKind.Today)
        : match.Groups["tomorrow"].Success ? new SaidDay(DayKind.Tomorrow, Days: 1)
        : match.Groups["aftertomorrow"].Success ? new SaidDay(DayKind.Offset, Days: 2)
        : match.Groups["yesterday"].Success ? new SaidDay(DayKind.Offset, Days: -1)
        : match.Groups["weekend"].Success ? new SaidDay(DayKind.Weekday, IsoDayOfWeek.Saturday)
        : match.Groups["date"] is { Success: true } date
            ? new SaidDay(
                DayKind.Date,
                match.Groups["weekday"] is { Success: true } beside ? Weekday(beside.Value) : IsoDayOfWeek.None,
                Date: ReadDate(date.Value)
            )
        : match.Groups["weekday"] is { Success: true } weekday
            ? new SaidDay(DayKind.Weekday, Weekday(weekday.Value), match.Groups["week"].Success ? 1 : 0, IsNext: match.Groups["next"].Success)
        : new SaidDay(DayKind.Today);

    private static DayPart ReadPart(Match match) =>
        match.Groups["morning"].Success ? DayPart.Morning
        : match.Groups["afternoon"].Success ? DayPart.Afternoon
        : match.Groups["evening"].Success ? DayPart.Evening
        : match.Groups["overnight"].Success ? DayPart.Overnight
        : DayPart.Night;

    private static SaidClock? ReadClock(Match match, SaidText text)
    {
        if (match.Groups["noon"].Success)
            return new SaidClock(LocalTime.Noon, IsBare: false);
        if (match.Groups["midnight"].Success)
            return new SaidClock(LocalTime.Midnight, IsBare: false);
        if (match.Groups["four"] is { Success: true } four)
            return new SaidClock(
                new LocalTime(int.Parse(four.ValueSpan[..2], CultureInfo.InvariantCulture), int.Parse(four.ValueSpan[2..], CultureInfo.InvariantCulture)),
                false
            );
        if (Numbers.ReadWhole(match.Groups["h"].Value) is not { } hour)
            return null;
        var minute = match.Groups["m"] is { Success: true } m ? int.Parse(m.Value, CultureInfo.InvariantCulture) : 0;
        if (match.Groups["past"] is { Success: true } past)
        {
            var words = past.Value;
            minute =
                words.StartsWith("half", StringComparison.Ordinal) ? 30
                : words.StartsWith("quarter", StringComparison.Ordinal) ? 15
                : Numbers.ReadWhole(words.Split(' ')[0]) ?? 0;
            if (words.EndsWith(" to", StringComparison.Ordinal))
                (hour, minute) = ((hour + 23) % 24, 60 - minute);
        }
        if (match.Groups["half"] is { Success: true } half)
        {
            if (hour is < 1 or > 12)
                return null;
            hour = hour % 12 + (half.Value[0] == 'p' ? 12 : 0);
        }
        if (hour == 24 && minute == 0)
            hour = 0;
        // 8.30 may be a number of something; only a colon, or words, make it a time.
        if (
            hour > 23
            || minute > 59
            || (
                match.Groups["m"].Success
                && !match.Groups["half"].Success
                && text.Low[match.Groups["m"].Index - 1] == '.'
                && match.Index == match.Groups["h"].Index
            )
        )
            return null;
        var isBare = !match.Groups["half"].Success && hour is >= 1 and <= 12 && !(match.Groups["h"].Value.StartsWith('0'));
        return new SaidClock(new LocalTime(hour, minute), isBare);
    }

    private static LocalTime? ReadHour(Match match) =>
        Numbers.ReadWhole(match.Groups["h"].Value) is >= 0 and <= 23 and var hour ? new LocalTime(hour, 0) : null;

    /// <summary>Monday of mon, thurs.</summary>
    public static IsoDayOfWeek Weekday(string word) =>
        word[..2] switch
        {
            "mo" => IsoDayOfWeek.Monday,
            "tu" => IsoDayOfWeek.Tuesday,
            "we" => IsoDayOfWeek.Wednesday,
            "th" => IsoDayOfWeek.Thursday,
            "fr" => IsoDayOfWeek.Friday,
            "sa" => IsoDayOfWeek.Saturday,
            _ => IsoDayOfWeek.Sunday,
        };

    /// <summary>10 Dec, December 10th; nothing where a month has no such day.</summary>
    public static AnnualDate? ReadDate(string words)
    {
        var day = int.Parse(Digits().Match(words).Value, CultureInfo.InvariantCulture);
        var month = 1 + Array.FindIndex(MonthNames, m => Month().Match(words) is { Success: true } said && said.Value.StartsWith(m, StringComparison.Ordinal));
        return month >= 1 && day >= 1 && day <= CalendarSystem.Iso.GetDaysInMonth(2024, month) ? new AnnualDate(month, day) : null;
    }

    private static readonly string[] MonthNames = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

    [GeneratedRegex(@"\d{1,2}", RegexOptions.CultureInvariant)]
    private static partial Regex Digits();

    [GeneratedRegex(@"(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)", RegexOptions.CultureInvariant)]
    private static partial Regex Month();
}
