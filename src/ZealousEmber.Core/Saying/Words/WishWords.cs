using System.Collections.Immutable;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>How somebody wants it fired, where people differ.</summary>
internal static class WishWords
{
    private const string Minutes = @"(?:min(?:ute)?s?\b|')";
    private const string Degrees = @"(?: ?(?:°|º|degrees?\b|deg\b)? ?(?<u>[cfk])\b| ?(?:°|º|degrees?\b|deg\b))";
    private const string PerHour = @"(?: ?(?:°|º|degrees?|deg)? ?[cfk]? ?(?:/|per |an |a ) ?(?:h|hour|hr)\b)?";
    private static readonly string Time =
        $@"(?:(?<h>half an hour|(?:a |three )?quarters?(?: of an| an)? hour|an? hour)|(?<n>{Numbers.Whole}|one) ?(?:{Minutes}|(?<hours>h\b|hrs?\b|hours?\b))?)";

    private static readonly ImmutableArray<SaidChoice> Holds =
    [
        new("10 min", [new ChoiceSetting("/wishes/holdMinutes", 10)]),
        new("20 min", [new ChoiceSetting("/wishes/holdMinutes", 20)]),
        new("as the glazes ask", [new ChoiceSetting("/wishes/hold", HoldOption.AsTheGlazesAsk)]),
    ];

    private static readonly ImmutableArray<SaidChoice> Dryings =
    [
        new("as long as the wall needs", [new ChoiceSetting("/wishes/drying", DryingOption.ByTheWall)]),
        new("a slow climb, no hold", [new ChoiceSetting("/wishes/drying", DryingOption.SlowClimb)]),
        new("fast to the hold", [new ChoiceSetting("/wishes/drying", DryingOption.FastToHold)]),
    ];

    public static readonly Rule[] All =
    [
        // Pace.
        Rule.Of(
            @"(?:nice and |very |really |quite |extra |dead |take it |go |as |too )?(?:slow(?:ly)?|gentl[ey]|easy does it|carefully)(?: (?:as (?:they|it|you) (?:can|like)|please|firing|bisque|one))?(?<!firing|bisque|one)",
            Pace(SaidPace.Slow)
        ),
        Rule.Of(
            @"(?:nice and |very |really |quite |as |pretty )?(?:fast|quick(?:ly)?|rapid(?:ly)?)(?: as (?:they|it|the ware|you) (?:can(?: stand| take)?|stands?|possible)(?: it)?| as possible)?",
            Pace(SaidPace.Fast)
        ),
        Rule.Of(@"(?:not|don't|do not)(?: too| so| go)? (?:slow|slowly|gently)", new WishAsked(Asks.Pace, "How fast?", Paces(SaidPace.Fast, SaidPace.Slow))),
        Rule.Of(
            @"(?:not|don't|do not)(?: too| so| go| rush| hurry)?(?: (?:fast|quick|quickly|it))|no rush|no hurry",
            new WishAsked(Asks.Pace, "How slowly?", Paces(SaidPace.Slow, SaidPace.Fast))
        ),
        // Hold.
        Rule.Of(
            @"(?:no|without(?: an?)?|don't|do not) (?:hold|soak)(?: at (?:the )?top| it)?",
            Wish("hold", "no hold", w => w with { Hold = HoldOption.None })
        ),
        Rule.Of(
            $@"(?:with )?(?:an? )?(?:hold|soak|held|holding|soaking)(?: it| there)?[ :]*(?:for |of |about ){{0,4}}(?:an? )?{Time}(?: (?:hold|soak))?(?: at (?:the )?(?:top|end|peak)| on top)?",
            Hold
        ),
        Rule.Of($@"hold(?:ing)?(?: it)? at \d{{3,4}} ?(?:°|º)? ?[cf]?,? (?:for )?{Time}", Hold),
        // So long, of nothing a field takes.
        Rule.Of($@"(?:for |about ){{0,4}}(?:{Numbers.Whole}|one|half an|an?) ?(?:{Minutes}|h\b|hrs?\b|hours?\b|days?\b|weeks?\b)", f => new Word(
            f.Match.Value,
            IsSmall: false
        )),
        Rule.Of($@"(?:with )?(?:an? )?{Time}[ -]*(?:hold|soak)(?: at (?:the )?(?:top|end|peak)| on top)?", Hold),
        Rule.Of(@"(?:with )?(?:an? |the |usual ){0,4}(?:hold|soak)(?: it)?(?: at (?:the )?top)?", new WishAsked(Asks.Hold, "For how long at the top?", Holds)),
        // The way to the top.
        Rule.Of(
            $@"(?:the )?last (?:100|hundred){Degrees}?(?: (?:at|slow(?:ly)?|gently))?(?: (?:60|108){PerHour})?",
            Wish("approach", "last hundred at 60", w => w with { Approach = ApproachOption.LastHundred })
        ),
        Rule.Of(
            @"(?:one|a single|the same|single) (?:rate|climb|ramp)(?: (?:all the way|throughout|to the top|all through))?",
            Wish("approach", "one rate", w => w with { Approach = ApproachOption.OneRate })
        ),
        // Cooling.
        Rule.Of($@"drop(?:ped)?(?: (?:by |of )?(?<n>\d{{1,3}}){Degrees}?)?(?:,? (?:and|&|then) | ?[-&+] ?)hold", Drop),
        Rule.Of(
            @"(?:no|without|not|don't|do not) (?:slow(?:ly)? |controlled |any ){0,4}(?:cool(?:ing)?(?: steps?| down)?|cool(?:ed)? slowly)|crash[ -]?cool(?:ing|ed)?|(?:let it |to |just )?cool(?:s|ing)? (?:by itself|on its own|naturally|off by itself)|natural(?:ly)? cool(?:ing|ed)?|fast cool(?:ing)?|straight off|then off|cooling:? off|off (?:at|after) the (?:top|hold|end)",
            Wish("cooling", "off", w => w with { Cooling = CoolingOption.Off })
        ),
        Rule.Of(
            $@"(?:cool(?:ing)? )?(?:no faster than|at most|not faster than|max(?:imum)?) 100{PerHour}(?: (?:down|cooling))?|cool(?:ing)? (?:at )?100{PerHour}",
            Wish("cooling", "no faster than 100", w => w with { Cooling = CoolingOption.LimitedDrop })
        ),
        Rule.Of(
            @"(?:(?:nice |very |a ){0,4}(?:slow(?:ly)?|controlled|gentle)[ -](?:cool(?:ing|ed)?(?: down)?)|cool(?:ing|ed)?(?: it)?(?: down)? (?:slow(?:ly)?|gently))",
            new SlowCoolingSaid()
        ),
        // Drying.
        Rule.Of(@"(?:don't|do not|dont|no|not|without|never)(?: a)? candl(?:e|ing)(?: it| them)?", new WishAsked(Asks.Drying, "How is it dried?", Dryings)),
        Rule.Of(
            @"candl(?:e|ed|ing)(?: (?:it|them))?(?: (?:first|overnight|over night|all night|through the night|tonight|for the night|at night|before))*|long (?:drying )?hold(?: below boiling)?",
            Wish("drying", "long hold", w => w with { Drying = DryingOption.LongHold })
        ),
        Rule.Of(
            @"(?:a )?slow climb(?:,? (?:and )?(?:no|without(?: a)?) drying hold)?|(?:no|without(?: a)?) drying hold",
            Wish("drying", "slow climb", w => w with { Drying = DryingOption.SlowClimb })
        ),
        // Air.
        Rule.Of(
            @"(?:(?:no|not|without|never)(?: any| in)? (?:reduction|reducing|reduced))|(?:in |an? )?(?:oxidation|oxidi[sz]ing|oxidi[sz]ed|ox)\b(?: (?:firing|all the way|throughout|only|please))?(?<!firing)",
            Wish("air", "oxidation", w => w with { Air = AirOption.Oxidising })
        ),
        Rule.Of(
            @"(?:in |with |a |some ){0,4}(?:(?:body|light|heavy|medium) )?(?:reduction|reducing|reduce|reduced)(?: (?:firing|kiln))?(?:,? (?:starting |beginning )?(?:from|at) (?<t>\d{3,4})(?: ?(?:°|º|degrees?\b|deg\b)? ?(?<u>[cf])\b| ?°)?)?(?:,? (?:and )?(?:then|to|into) (?<then>neutral|light(?: reduction)?)(?: (?:all the way|to the top))?)?(?<!firing|kiln)",
            f => new ReductionSaid(f["t"] is { } t ? Celsius(t, f["u"], f.Context) : null, f["then"] == "neutral")
        ),
        // Goal, price and packing.
        Rule.Of(
            @"(?:the )?coolest cone(?: (?:they|it) (?:all )?stands?)?|as cool as (?:they|it) (?:can|stands?)",
            Wish("goal", "coolest cone", w => w with { Goal = GoalOption.Coolest })
        ),
        Rule.Of(@"(?:the )?middle cone", Wish("goal", "middle cone", w => w with { Goal = GoalOption.Middle })),
        Rule.Of(
            @"(?:on |at |in |during |use |using |with ){0,4}(?:the )?(?:off[ -]?peak|cheap(?:est|er)?(?: (?:rates?|hours|power|electricity|tariff|night rate|night))?|(?:night|low|economy)[ -]?(?:rates?|tariff))(?: (?:hours|power|rate|electricity))?",
            Wish("cheap", "cheap hours", w => w with { Cheap = true })
        ),
        Rule.Of(
            @"(?:(?:very |really )?(?:tightly|tight|densely) (?:packed|stacked|loaded)|packed(?: (?:tight|tightly|full|solid))?|cram(?:med)?(?: (?:full|it))?|chock[ -]?(?:a[ -]block|full)|rammed|jammed)(?: (?:kiln|load|in))?(?<!kiln|load)",
            Wish("packed", "packed tight", w => w with { Packed = true })
        ),
        Rule.Of(
            @"(?:no|without|not any|not) (?:any |witness |a ){0,4}(?:(?:cones|cone packs?|packs?|witness cones?)(?: (?:in|inside|this time))?)(?! ?\d)",
            Wish("witnessPack", "no cones in", w => w with { WitnessPack = false })
        ),
        Rule.Of(
            @"(?:with |and )?(?:a )?(?:witness (?:cones?|packs?)|cone packs?)(?: (?:in|inside|on (?:each|every) shelf))?",
            Wish("witnessPack", "cones in", w => w with { WitnessPack = true })
        ),
    ];

    private static WishSaid Wish(string name, string text, Func<SaidWishes, SaidWishes> put) => new(name, text, put);

    private static WishSaid Pace(SaidPace pace) => Wish("pace", pace == SaidPace.Slow ? "slow" : "fast", w => w with { Pace = pace });

    private static ImmutableArray<SaidChoice> Paces(SaidPace one, SaidPace two) =>
        [
            .. new[] { one, two }.Select(p => new SaidChoice(p == SaidPace.Slow ? "slowly" : "fast", [new ChoiceSetting("/wishes/pace", p)])),
            new SaidChoice("as it comes", []),
        ];

    private static Meaning? Hold(Found f)
    {
        double minutes;
        if (f["h"] is { } hours)
            minutes =
                hours.StartsWith("half", StringComparison.Ordinal) ? 30
                : hours.Contains("quarter", StringComparison.Ordinal) ? (hours.StartsWith("three", StringComparison.Ordinal) ? 45 : 15)
                : 60;
        else
            minutes = (f["n"] == "one" ? 1 : Numbers.ReadWhole(f["n"]!) ?? 0) * (f["hours"] is null ? 1 : 60.0);
        return minutes is > 0 and <= 5940 ? Wish("holdMinutes", $"hold {Phrases.Number(minutes)} min", w => w with { HoldMinutes = minutes }) : null;
    }

    private static Meaning Drop(Found f)
    {
        if (f["n"] is not { } n)
            return Wish("cooling", "drop and hold", w => w with { Cooling = CoolingOption.DropAndHold });
        var isFahrenheit = f["u"] == "f" || (f["u"] is null && f.Context.Temperature == TemperatureUnit.Fahrenheit);
        var kelvins = Math.Round((Numbers.ReadWhole(n) ?? 0) / (isFahrenheit ? 1.8 : 1), 1);
        var (least, most) = PlanningPreferences.Drops;
        return kelvins >= least && kelvins <= most
            ? Wish("cooling", $"drop {Phrases.Number(kelvins)} and hold", w => w with { Cooling = CoolingOption.DropAndHold, DropBy = kelvins })
            : new WishAsked(
                Asks.Cooling,
                $"A drop and hold goes {Phrases.Number(least)} to {Phrases.Number(most)} °C below the top. How far?",
                [
                    .. new[] { least, (least + most) / 2, most }.Select(k => new SaidChoice(
                        $"{Phrases.Number(k)} °C",
                        [new ChoiceSetting("/wishes/cooling", CoolingOption.DropAndHold), new ChoiceSetting("/wishes/dropBy", k)]
                    )),
                ]
            );
    }

    private static double Celsius(string digits, string? unit, SayingContext context)
    {
        var scale =
            unit == "f" ? TemperatureUnit.Fahrenheit
            : unit == "c" ? TemperatureUnit.Celsius
            : context.Temperature;
        return Temperature.From(Numbers.ReadWhole(digits) ?? 0, scale).Celsius;
    }
}
