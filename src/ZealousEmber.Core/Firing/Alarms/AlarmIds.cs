namespace ZealousEmber.Core.Firing.Alarms;

/// <summary>Every alarm by its name on the wire, once: what is not here is no alarm.</summary>
public static class AlarmIds
{
    /// <summary>No temperature.</summary>
    public const string TcBroken = "tc-broken";

    /// <summary>A jump no kiln makes.</summary>
    public const string TcJump = "tc-jump";

    /// <summary>The room’s temperature at once.</summary>
    public const string TcShort = "tc-short";

    /// <summary>Falling as the kiln heats.</summary>
    public const string TcReversed = "tc-reversed";

    /// <summary>The same number for too long.</summary>
    public const string Frozen = "frozen";

    /// <summary>Nothing arrives.</summary>
    public const string NoReading = "no-reading";

    /// <summary>Hotter than this firing should be.</summary>
    public const string OverLimit = "over-limit";

    /// <summary>Well above the program.</summary>
    public const string OverSetPoint = "over-set-point";

    /// <summary>Power that nobody asks for.</summary>
    public const string StuckOn = "stuck-on";

    /// <summary>No power though it is asked for.</summary>
    public const string NoHeat = "no-heat";

    /// <summary>The power was off.</summary>
    public const string PowerCut = "power-cut";

    /// <summary>Faster than a closed kiln cools.</summary>
    public const string FallsFast = "falls-fast";

    /// <summary>Less power than it should give.</summary>
    public const string Weak = "weak";

    /// <summary>Full power, and hardly a climb.</summary>
    public const string Stalled = "stalled";

    /// <summary>The top will not be reached.</summary>
    public const string CannotReach = "cannot-reach";

    /// <summary>The goal cone will stay up.</summary>
    public const string ConeShort = "cone-short";

    /// <summary>More heat work than the goal.</summary>
    public const string ConePast = "cone-past";

    /// <summary>A burner turn is due.</summary>
    public const string TurnDue = "turn-due";

    /// <summary>A burner turn is overdue.</summary>
    public const string TurnOverdue = "turn-overdue";

    /// <summary>The power should be off by now.</summary>
    public const string PastEnd = "past-end";

    /// <summary>Time to look for steam.</summary>
    public const string SteamLook = "steam-look";
}
