namespace ZealousEmber.Core.Kilns;

/// <summary>What a controller does when the kiln has not come up to a step's target in time.</summary>
public enum HoldClock
{
    /// <summary>The hold begins when the target is reached.</summary>
    WaitsForTarget,

    /// <summary>The program goes on by its own clock.</summary>
    RunsByItself,
}
