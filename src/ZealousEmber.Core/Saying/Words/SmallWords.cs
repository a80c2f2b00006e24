using System.Collections.Frozen;

namespace ZealousEmber.Core.Saying.Words;

/// <summary>Words that join others and say nothing of a firing. They are read with what stands beside them.</summary>
internal static class SmallWords
{
    private static readonly FrozenSet<string> Joining = (
        "a about actually again all already also am an and another any anyone anything are aren't around as at away back be because been before being big bring but by can can't come coming could couldn't "
        + "day did do does doing don't done down each either else ended enough etc even ever every everyone "
        + "few fill filled fire fired fires firing firings first fit for from full get gets getting give go goes going good got guess had has have haven't having he hello help her here hers hey hi him his hope how however "
        + "i i'd i'll i'm i've if in including inside instead into is isn't it it'd it'll it's its just keep kiln kilns know large last leave let let's like little live load loaded loading loads look looking lot lots "
        + "make making many maybe me mean medium might mine more morning most much must my need needed needs never new next nice no normal not now of off oh ok okay on once one ones only onto or other our ours out over own "
        + "please pls plus pop possible possibly probably put quite rather ready really right run running said same say says see set shall she should shouldn't since size small so some someone something soon sort still stuff such sure switch "
        + "take tall ta than thank thanks that that's the their theirs them then there there's these they they'll they're they've thin thing things this those though thrown time times to through outside together too top total toward towards try turn "
        + "under until up us use used usual usually using very via want wanted wants was way we we'd we'll we're we've week well went were weren't what what's when where which while who whole whose why wide will wish with within without won't "
        + "work would wouldn't yes yet you you'd you'll you're your yours bake schedule program usual regular standard ordinary batch batches selection mix mixed mixture assorted various different kind kinds type types "
        + "made make cast built handled finished mostly mainly per approx roughly around maximum minimum max min hour hours h start starts starting started begin open opened opening glazes clay clays sorts able soonest asap hoping planning plan job bit "
        + "i'd been cool cooled cooling heat heating hot evening night afternoon today tonight glad fine great lovely cheers hiya regards best love x xx kind dear team folks guys both two"
    )
        .Split(' ', StringSplitOptions.RemoveEmptyEntries)
        .Except(["two", "cool", "once", "one", "never", "tonight", "night", "evening", "morning", "afternoon", "today"])
        .ToFrozenSet();

    // Common words that one wrong letter would make a name of a clay or glaze.
    private static readonly FrozenSet<string> Common = (
        "when were then need feed seed weed read reel reef while write white wrote march mars matter mattes mate late latte later damp lump camp lamps ramp stamp great greet greed greens blues glue clue blew "
        + "master faster water wiring wood word hero here heros bitter better button matt march mash marks shine single shilling brick ready red bed fed led wed rend send lend lime line like name same game "
        + "plate plates class glass glaze glazed wren when open over oven even event ever never clear cream dream"
    )
        .Split(' ', StringSplitOptions.RemoveEmptyEntries)
        .ToFrozenSet();

    /// <summary>True for a word that joins others.</summary>
    public static bool Has(string low) => Joining.Contains(low);

    /// <summary>True for a word that is spelt right as it is, however near it comes to a name.</summary>
    public static bool IsCommon(string low) => Joining.Contains(low) || Common.Contains(low);
}
