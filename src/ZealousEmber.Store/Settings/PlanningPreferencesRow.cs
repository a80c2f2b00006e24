using ZealousEmber.Core.Planning;

namespace ZealousEmber.Store.Settings;

/// <summary>How a studio plans when nobody says otherwise.</summary>
internal sealed class PlanningPreferencesRow : SettingsRow
{
    public string Drying { get; set; } = "";

    public string Approach { get; set; } = "";

    public string Cooling { get; set; } = "";

    public string Hold { get; set; } = "";

    public string Bisque { get; set; } = "";

    /// <summary>Which of the cones all of it stands; rows of before go by the default.</summary>
    public string GoalOption { get; set; } = nameof(Core.Planning.GoalOption.Middle);

    public void Write(PlanningPreferences p) =>
        (Drying, Approach, Cooling, Hold, Bisque, GoalOption) = (p.Drying.ToString(), p.Approach.ToString(), p.Cooling.ToString(), p.Hold.ToString(), p.Bisque.ToString(), p.Goal.ToString());

    public PlanningPreferences Read() => new(
        Enum.Parse<DryingOption>(Drying), Enum.Parse<ApproachOption>(Approach), Enum.Parse<CoolingOption>(Cooling), Enum.Parse<HoldOption>(Hold), Enum.Parse<BisqueOption>(Bisque), Enum.Parse<GoalOption>(GoalOption));
}
