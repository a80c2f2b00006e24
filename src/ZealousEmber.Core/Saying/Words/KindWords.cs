using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>What a firing is for.</summary>
internal static class KindWords
{
    private const string Firing = "(?: (?:fire|fired|firing|firings|load|cycle|program|kiln load))?";

    public static readonly Rule[] All =
    [
        Rule.Of($"(?:bisqu(?:e|ed|ing|es|e-fired)|biscuit(?:ed|ing)?|bisc|first fir(?:e|ed|ing)){Firing}", new KindSaid(ScheduleKind.Bisque)),
        Rule.Of($"(?:glaze|glz|glost){Firing}|gloss? firing", new KindSaid(ScheduleKind.Glaze)),
        Rule.Of($"(?:once|single|one)[ -]?fir(?:e|ed|ing){Firing}|raw[ -]?glaz(?:e|ed|ing){Firing}", new KindSaid(ScheduleKind.OnceFired)),
        Rule.Of(
            $"re-?fir(?:e|ed|ing|es){Firing}|lust(?:re|er)s?(?:d|ed)?{Firing}|decals?{Firing}|over-?glaz(?:e|es|ed){Firing}|(?:third|3rd) fir(?:e|ing)",
            new KindSaid(ScheduleKind.Refiring)
        ),
        Rule.Of(
            $"(?:just |only )?drying(?: only| out)?{Firing}|(?:just |only )?dry(?: (?:it|them|these))? out|(?:just |only )dry(?= (?:it|them|these)\\b)",
            new KindSaid(ScheduleKind.Drying)
        ),
        // Dry 12 planters, where it begins what is said.
        Rule.Of($@"(?:please )?dry(?= (?:the |these |my |about ){{0,4}}{Numbers.Whole} [a-z])", f =>
            f.Text.Low.AsSpan(0, f.Match.Index).TrimEnd(' ') is var before && (before.IsEmpty || ".;:!\n".Contains(before[^1], StringComparison.Ordinal))
                ? new KindSaid(ScheduleKind.Drying)
                : null
        ),
        Rule.Of(
            @"glaz(?:e|ing|ed)(?: (?:it|them|these))? (?:later|after(?:wards?)?|next|another (?:time|day)|in the new year)"
                + @"|(?:to be|will be|going to be|get|gets|getting|then|before|for|ready for|ready to) glaz(?:e|ed|ing)(?: later| after(?:wards?)?| next)?"
                + @"|(?:no|not|without)(?: any| a| the)? glaz(?:e|es|ed|ing)(?: firing| yet| on(?: it| them)?(?= *(?:[,.;!\n]|$)))?",
            new Nothing()
        ),
        Rule.Of(@"(?:no|not|without)(?: any| a| the)? (?:bisque|biscuit|lust(?:re|er)s?|decals?|refire|once[ -]fired?)(?: firing)?", new Nothing()),
    ];
}
