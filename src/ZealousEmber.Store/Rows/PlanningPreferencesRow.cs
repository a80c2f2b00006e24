using ZealousEmber.Core.Planning;

namespace ZealousEmber.Store.Rows;

/// <summary>How a studio plans when nobody says otherwise.</summary>
internal sealed class PlanningPreferencesRow : SettingsRow, IPreferenceColumns
{
    public string Drying { get; set; } = "";

    public string Approach { get; set; } = "";

    public string Cooling { get; set; } = "";

    public string Hold { get; set; } = "";

    public string Bisque { get; set; } = "";

    public string GoalOption { get; set; } = nameof(Core.Planning.GoalOption.Middle);

    public double DropBy { get; set; } = PlanningPreferences.Usual.DropBy;

    public string Air { get; set; } = nameof(AirOption.BodyThenLight);

    public string Pace { get; set; } = nameof(PaceOption.Brisk);
}
