namespace ZealousEmber.Core.Review;

/// <summary>Every rule that can speak about a schedule, by its name on the wire, once: stable across versions, since what was accepted is kept by it.</summary>
public static class FindingIds
{
    /// <summary>Elements cannot make the air that is asked.</summary>
    public const string AirNotElectric = "air-not-electric";

    /// <summary>The burners cannot make the air that is asked.</summary>
    public const string AirNotToBeHad = "air-not-to-be-had";

    /// <summary>Too little time to burn out.</summary>
    public const string BurnOutShort = "burn-out-short";

    /// <summary>The burners cannot be turned so low.</summary>
    public const string CannotHoldCool = "cannot-hold-cool";

    /// <summary>A closed hollow is fired.</summary>
    public const string ClosedHollow = "closed-hollow";

    /// <summary>Glazes of the load want different cones.</summary>
    public const string ConesClash = "cones-clash";

    /// <summary>A glaze that wants to cool fast is cooled slowly.</summary>
    public const string CooledSlowly = "cooled-slowly";

    /// <summary>The kiln cools no faster than by itself.</summary>
    public const string CoolsByItself = "cools-by-itself";

    /// <summary>A cooling step does not cool.</summary>
    public const string CoolsNoFurther = "cools-no-further";

    /// <summary>Too fast through cristobalite’s change, cooling.</summary>
    public const string CristobaliteDown = "cristobalite-down";

    /// <summary>A step changes nothing.</summary>
    public const string DoesNothing = "does-nothing";

    /// <summary>The wall dries faster than it stands.</summary>
    public const string DriesTooFast = "dries-too-fast";

    /// <summary>The top wears the elements.</summary>
    public const string ElementsAge = "elements-age";

    /// <summary>The glaze’s water is driven off too fast.</summary>
    public const string GlazeWater = "glaze-water";

    /// <summary>Bisque of ware that carries glaze.</summary>
    public const string GlazedAlready = "glazed-already";

    /// <summary>Less heat work than the goal.</summary>
    public const string GoalMissed = "goal-missed";

    /// <summary>More heat work than the goal.</summary>
    public const string GoalPassed = "goal-passed";

    /// <summary>A hold longer than the glaze wants.</summary>
    public const string HoldLong = "hold-long";

    /// <summary>A hold shorter than the glaze wants.</summary>
    public const string HoldShort = "hold-short";

    /// <summary>A hold that looks mistyped.</summary>
    public const string HoldSlip = "hold-slip";

    /// <summary>The kiln does not get there.</summary>
    public const string KilnCannotReach = "kiln-cannot-reach";

    /// <summary>The kiln climbs slower than asked.</summary>
    public const string KilnTooSlow = "kiln-too-slow";

    /// <summary>Wet ware goes in.</summary>
    public const string LeatherHard = "leather-hard";

    /// <summary>The kiln is loaded hot.</summary>
    public const string LoadedHot = "loaded-hot";

    /// <summary>The kiln is nearly empty.</summary>
    public const string NearlyEmpty = "nearly-empty";

    /// <summary>Wet ware without a slow beginning.</summary>
    public const string NoCandle = "no-candle";

    /// <summary>No cones stand in the kiln.</summary>
    public const string NoWitnessPack = "no-witness-pack";

    /// <summary>A pause before the top.</summary>
    public const string OffInClimb = "off-in-climb";

    /// <summary>Binders burn out too fast.</summary>
    public const string OrganicsFast = "organics-fast";

    /// <summary>A top no cone of this ware speaks of.</summary>
    public const string OutsideCones = "outside-cones";

    /// <summary>Hotter than the kiln may be.</summary>
    public const string OverKilnLimit = "over-kiln-limit";

    /// <summary>Too fast through quartz’s change, cooling.</summary>
    public const string QuartzDown = "quartz-down";

    /// <summary>Too fast through quartz’s change, climbing.</summary>
    public const string QuartzUp = "quartz-up";

    /// <summary>A rate that looks mistyped.</summary>
    public const string RateSlip = "rate-slip";

    /// <summary>Reduction while carbon still burns out.</summary>
    public const string ReductionBurningOut = "reduction-burning-out";

    /// <summary>Reduction in a bisque.</summary>
    public const string ReductionInBisque = "reduction-in-bisque";

    /// <summary>Reduction until the end.</summary>
    public const string ReductionNeverCleared = "reduction-never-cleared";

    /// <summary>Reduction after the glaze has sealed.</summary>
    public const string ReductionTooLate = "reduction-too-late";

    /// <summary>Degrees of the other scale.</summary>
    public const string ScaleSlip = "scale-slip";

    /// <summary>The gas does not last.</summary>
    public const string ShortOfGas = "short-of-gas";

    /// <summary>The burners do not give the climb.</summary>
    public const string ShortOfHeat = "short-of-heat";

    /// <summary>Too little time in a glaze’s slow band.</summary>
    public const string SlowBandShort = "slow-band-short";

    /// <summary>Water is left in the wall at boiling.</summary>
    public const string SteamRisk = "steam-risk";

    /// <summary>A target that looks mistyped.</summary>
    public const string TargetSlip = "target-slip";

    /// <summary>A target that is passed over.</summary>
    public const string TargetUnreached = "target-unreached";

    /// <summary>Too fast for the wall.</summary>
    public const string WallClimb = "wall-climb";

    /// <summary>A wall thicker than can be fired.</summary>
    public const string WallTooThick = "wall-too-thick";

    /// <summary>A cone with or without its zero.</summary>
    public const string ZeroSlip = "zero-slip";
}
