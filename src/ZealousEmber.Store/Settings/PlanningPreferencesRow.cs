using ZealousEmber.Core.Planning;

namespace ZealousEmber.Store.Settings;

/// <summary>How a studio plans when nobody says otherwise.</summary>
internal sealed class PlanningPreferencesRow : SettingsRow
{
    public DryingOption Drying { get; set; }

    public ApproachOption Approach { get; set; }

    public CoolingOption Cooling { get; set; }

    public HoldOption Hold { get; set; }

    public BisqueOption Bisque { get; set; }

    public void Write(PlanningPreferences ways) => (Drying, Approach, Cooling, Hold, Bisque) = (ways.Drying, ways.Approach, ways.Cooling, ways.Hold, ways.Bisque);

    public PlanningPreferences Read() => new(Drying, Approach, Cooling, Hold, Bisque);
}
