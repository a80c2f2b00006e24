using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>How dry ware is, what was done to it, and what is special about it.</summary>
internal static class StateWords
{
    private const string Is = "(?:(?:still|is|are|all|just|feels?|feeling|looks?|now|already|it's|they're) ){0,4}";
    private const string Not = "(?:not|isn't|aren't|ain't|isnt|arent|never)(?: (?:yet|quite|fully|completely|really|all|entirely|properly|totally))*";

    public static readonly Rule[] All =
    [
        Rule.Of($@"{Is}(?:bone[ -]?dry|bonedry|bd)(?: (?:now|already|through))?", State(Dryness.BoneDry)),
        Rule.Of($@"{Is}(?:(?:fully|completely|totally|properly|thoroughly|really|very) )?dry(?: (?:now|already|through|all through))?", State(Dryness.BoneDry)),
        Rule.Of($@"{Is}dry to (?:the )?touch", Proposed(Dryness.CoolToTouch)),
        Rule.Of($@"(?:the )?glaze(?: is)?(?: (?:bone|fully|quite))? dry", new DrynessSaid(Dryness.BoneDry, Glazed: true)),
        Rule.Of($@"(?:the )?glaze(?: is)?(?: still)? (?:wet|damp)", new DrynessSaid(Dryness.Damp, Glazed: true)),
        Rule.Of($@"(?:freshly|just|newly|fresh) glazed|glazed (?:just now|a moment ago)", new DrynessSaid(Dryness.Damp, Glazed: true)),
        Rule.Of($@"{Is}(?:cool|cold)(?:ish)?(?: to (?:the )?touch| on the cheek)?(?! (?:by|down|slow|slowly|it)\b)", State(Dryness.CoolToTouch)),
        Rule.Of($@"{Is}(?:(?:a bit|slightly|quite|very|rather) )?damp", State(Dryness.Damp)),
        Rule.Of($@"{Is}(?:(?:soft|stiff|firm|hard) )?(?:leather[ -]?hard|lh)", State(Dryness.LeatherHard)),
        Rule.Of($@"{Is}(?:(?:quite|very|soaking|a bit|rather|too) )?(?:wet|soft|moist|soggy)", Proposed(Dryness.LeatherHard)),
        // What is not dry is wetter, by how much is asked.
        Rule.Of(
            $@"{Not} (?:bone[ -]?)?dry(?: yet)?|(?:nearly|almost|mostly|half|partly|barely|getting|not far off) (?:bone[ -]?)?dry",
            Proposed(Dryness.CoolToTouch)
        ),
        Rule.Of($@"{Not} (?:cool(?: to (?:the )?touch)?)", Proposed(Dryness.Damp)),
        Rule.Of($@"{Not} (?:damp|leather[ -]?hard)", Proposed(Dryness.LeatherHard)),
        Rule.Of($@"(?:{Not}|no longer) (?:wet|soft)", Proposed(Dryness.CoolToTouch)),
        Rule.Of(@"to be (?:dipped|poured)|(?:for|then|will be) (?:dipping|dipped|pouring|poured)", Next(NextStep.Dipping, "dipped next")),
        Rule.Of(@"to be brushed|(?:for|then|will be) (?:brushing|brushed)", Next(NextStep.Brushing, "brushed next")),
        Rule.Of(
            @"(?:never|not) (?:to be )?glazed|unglazed|(?:stays?|staying|left|to stay) (?:bare|unglazed|raw)|no glaze ever",
            Next(NextStep.Unglazed, "never glazed")
        ),
        Rule.Of(@"solid", new FlagSaid("oneSided", "solid", l => l with { OneSided = true })),
        Rule.Of(
            @"(?:closed|sealed)(?: (?:and )?hollow)?|hollow and closed|(?:no|without(?: an?)?|has no|have no)(?: (?:vent|air|steam))? ?holes?|unvented",
            new FlagSaid("closedHollow", "closed, no hole", l => l with { ClosedHollow = true })
        ),
        Rule.Of(
            @"(?:it |they |these |those )?(?:must|has to|have to|needs? to) (?:go|be) ?(?:in)?(?: first)?(?= *(?:[,;.!)\n]|$))|must[ -]go|first priority|urgent",
            new FlagSaid("must", "must go", l => l with { Must = true })
        ),
        Rule.Of(
            @"(?:glazed|fired) (?:before|already)(?: with glaze)?|already (?:glaze[ -]?)?fired",
            new FlagSaid("glazedAlready", "fired before", l => l with { GlazedAlready = true })
        ),
        Rule.Of(@"one in(?:side)? another|nest(?:ed|ing)", Stacked(Stacking.Nest)),
        Rule.Of(@"rim (?:on|to) rim", Stacked(Stacking.Layers)),
        Rule.Of(@"(?:over|on) spacers", Stacked(Stacking.Spacers)),
        Rule.Of(@"flat on each other", Stacked(Stacking.Flat)),
        Rule.Of(@"glazed|glazeware|glaze ware", new GlazedSaid()),
        Rule.Of(@"green ?ware|raw(?: ware| clay| pots)?|unfired", new RawSaid()),
        .. MadeWords.All,
    ];

    private static DrynessSaid State(Dryness dryness) => new(dryness);

    private static DrynessSaid Proposed(Dryness dryness) => new(dryness, IsProposal: true);

    private static FlagSaid Next(NextStep next, string text) => new("next", text, l => l with { Next = next });

    private static FlagSaid Stacked(Stacking way) => new("stacking", "stacked", l => l with { Stacking = way });
}
