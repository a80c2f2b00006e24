using NodaTime;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>What was done to ware and when. Time is never a state: the days only lead to a proposal.</summary>
internal static class MadeWords
{
    private const string Making = "thrown|threw|throwed|made|built|hand-?built|hand built|coiled|slip-?cast|slip cast|cast|pressed|sculpted|modelled";
    private const string Trimming = "trimmed|turned|footed";
    private const string Glazing = "glazed|dipped|brushed|sprayed";
    private const string Drying = "drying|dried|been drying|air[ -]dried|left (?:out )?to dry|drying out|out to dry";
    private const string Joined =
        @"(?: +(?:on|it|them|these|those|all|back|up|only|since|for|about|around|nearly|almost|over|in the wind|slowly|i|we|just|and|handled|assembled)\b)*,? +";
    private static readonly string Ago =
        $@"(?:(?<zero>(?:earlier )?today|this (?:morning|afternoon|evening)|just now|now|tonight)|(?<one>yesterday(?: (?:morning|afternoon|evening|night))?|last night)"
        + $@"|(?<two>(?:the )?day before yesterday)|(?<n>{Numbers.Whole}|an?|one|a couple of|a few|half a) +(?<unit>days?|weeks?|months?|fortnights?|years?|hours?)(?: +(?:ago|back|old|now|already))?"
        + $@"|(?<lastweek>last week)|(?<lastmonth>last month)|(?<weekend>(?:at |over |on )?(?:the|last) weekend)|(?:last |on |this ){{0,4}}(?<day>{MomentWords.Weekdays})\b(?: (?:morning|afternoon|evening|night))?|(?<date>{MomentWords.Dates}))";

    public static readonly Rule[] All =
    [
        Rule.Of($@"(?:i |we |was |were |is |are |been |it's ){{0,4}}(?<by>{Making}|{Trimming}|{Glazing}|{Drying}){Joined}{Ago}", f => new MadeSaid(
            By(f["by"]!),
            Days(f)
        )),
        Rule.Of($@"{Ago},? (?:i |we |they |he |she |(?:have|has|had|was|were) )+(?<by>{Making}|{Trimming}|{Glazing})", f => new MadeSaid(
            By(f["by"]!),
            Days(f)
        )),
        Rule.Of($@"since {Ago}", f => new MadeSaid(MadeBy.Drying, Days(f))),
        Rule.Of(
            $@"(?:(?<n>{Numbers.Whole}|an?|one|a couple of|a few) (?<unit>days?|weeks?|months?) ago|(?<two>(?:the )?day before yesterday)|(?<lastweek>last week)|(?<lastmonth>last month)|(?<weekend>(?:at |over )?last weekend)|(?:on )?last (?<day>{MomentWords.Weekdays})\b)",
            f => Days(f) is { } days ? new MomentSaid(new SaidMoment(new SaidDay(DayKind.Offset, Days: -days), DayPart.None, null, null, By: false)) : null
        ),
        Rule.Of($@"(?<one>yesterday)'s|(?<zero>today)'s|(?<zero>this morning)'s|(?<lastweek>last week)'s", f => new MadeSaid(MadeBy.Making, Days(f))),
        Rule.Of(@"(?:freshly|just|newly|fresh) (?<by>thrown|made|built|cast|coiled|pressed|trimmed|turned)", f => new MadeSaid(By(f["by"]!), 0)),
        Rule.Of($@"(?<n>{Numbers.Whole}|an?|one)[ -](?<unit>days?|weeks?|months?)[ -]old", f => new MadeSaid(MadeBy.Making, Days(f))),
        // The day may stand elsewhere: I threw 20 mugs on Sunday.
        Rule.Of(
            $@"(?:i |we )(?:have |had |just ){{0,4}}(?<by>{Making}|{Trimming}|{Glazing})|(?<by>threw|thrown|trimmed|handbuilt|hand-built|coiled)",
            f => new MadeSaid(By(f["by"]!), null)
        ),
    ];

    private static MadeBy By(string word) =>
        Trimming.Split('|').Contains(word) ? MadeBy.Trimming
        : Glazing.Split('|').Contains(word) ? MadeBy.Glazing
        : word.Contains("dr", StringComparison.Ordinal) ? MadeBy.Drying
        : MadeBy.Making;

    private static int? Days(Found f)
    {
        if (f["zero"] is not null)
            return 0;
        if (f["one"] is not null)
            return 1;
        if (f["two"] is not null)
            return 2;
        if (f["lastweek"] is not null)
            return 7;
        if (f["lastmonth"] is not null)
            return 30;
        var today = f.Context.Now.InZone(f.Context.Zone).Date;
        if (f["weekend"] is not null)
            return Since(today, IsoDayOfWeek.Sunday);
        if (f["day"] is { } day)
            return Since(today, MomentWords.Weekday(day));
        if (f["date"] is { } date)
            return MomentWords.ReadDate(date) is { } on ? Since(today, on) : null;
        var n = f["n"] switch
        {
            "a couple of" => 2,
            "a few" => 3,
            "half a" => 0,
            var said => said is "a" or "an" or "one" ? 1 : Numbers.ReadWhole(said!) ?? 0,
        };
        return (int)
            Math.Min(
                10_000L,
                (long)n
                    * (
                        f["unit"]![0] switch
                        {
                            'w' => 7,
                            'm' => 30,
                            'f' => 14,
                            'y' => 365,
                            'h' => 0,
                            _ => 1,
                        }
                    )
            );
    }

    /// <summary>Days since the last such day; today's own is a week ago, or somebody would have said today.</summary>
    public static int Since(LocalDate today, IsoDayOfWeek day) => (int)Period.Between(today.Previous(day), today, PeriodUnits.Days).Days;

    private static int Since(LocalDate today, AnnualDate date)
    {
        var on = date.InYear(today.Year);
        return (int)Period.DaysBetween(on > today ? date.InYear(today.Year - 1) : on, today);
    }
}
