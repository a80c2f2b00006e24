namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>What each alarm says: what it means, and one line of what to do. The kiln maker's manual and the studio's rules come first.</summary>
public static class AlarmWords
{
    private static readonly Dictionary<string, string> Texts = new()
    {
        [AlarmIds.TcBroken] =
            "No temperature: the thermocouple may be broken. Switch the kiln off at its isolator unless somebody watches the cones; the program cannot "
            + "see the kiln.",
        [AlarmIds.TcJump] =
            "The reading jumped further than a kiln can go. The thermocouple may have slipped or be loose: look at it from outside; do not reach in.",
        [AlarmIds.TcShort] =
            "The reading fell to the room’s at once: the thermocouple wires may be touching. The controller may heat without end; switch it off at the "
            + "isolator.",
        [AlarmIds.TcReversed] =
            "The reading falls as the kiln heats: the thermocouple wires may be crossed. Switch off and have them changed over before firing.",
        [AlarmIds.Frozen] =
            "The same number for a long time while the kiln should be changing. Check the display at the kiln; the logger or the thermocouple may have stopped.",
        [AlarmIds.NoReading] = "No readings arrive. The firing may go on as it should: check the display at the kiln, then the logger and its network.",
        [AlarmIds.OverLimit] = "Hotter than this firing should ever be. Switch the kiln off at its isolator.",
        [AlarmIds.OverSetPoint] =
            "The kiln is well above what the program asks. Look whether the program was entered right and the power goes off; if it still climbs, switch off.",
        [AlarmIds.StuckOn] = "The kiln gets more power than the controller asks for: a relay may be stuck. Switch off at the isolator; the controller cannot.",
        [AlarmIds.NoHeat] = "The kiln gets no power though the program asks for it. Check mains, door switch and fuse; wiring is for an electrician.",
        [AlarmIds.PowerCut] = "The power was off. See where the firing stands before you resume: going on as before may over-fire the ware.",
        [AlarmIds.FallsFast] = "It cools far faster than a closed kiln. The lid or door may be open, or a peephole out: close it with gloves; hot air burns.",
        [AlarmIds.Weak] =
            "Less power than this kiln should give: an element, a phase, low mains, an open lid or a heavier load than said. It may come to the top late, "
            + "or not at all.",
        [AlarmIds.Stalled] = "At full power it hardly climbs. It may be as hot as it gets: decide by the cones whether to hold here or to stop.",
        [AlarmIds.CannotReach] = "As it goes now, it will not reach the top. A longer hold lower down may still bring the cone down; look at the cones.",
        [AlarmIds.ConeShort] = "The goal cone will probably stay up. A longer hold brings it down: see “end the hold”.",
        [AlarmIds.ConePast] = "The ware will probably get more heat than the goal cone. A shorter hold helps: see “end the hold”.",
        [AlarmIds.TurnDue] = "A turn is due. Look at the sheet, set burners and damper, and note it.",
        [AlarmIds.TurnOverdue] = "A turn is overdue. Set it now, or plan anew from now: the kiln has gone its own way since.",
        [AlarmIds.PastEnd] = "The power should be off by now. See whether the hold goes on at the controller, and switch off when the cones say so.",
        [AlarmIds.SteamLook] = "Look for steam: hold a cold mirror over the peephole. Wet ware bursts past boiling.",
    };

    /// <summary>All there are.</summary>
    public static IReadOnlyCollection<string> Ids => Texts.Keys;

    /// <summary>What one says.</summary>
    public static string Of(string id) => Texts[id];
}
