using ZealousEmber.Core.Planning;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>Planning preferences as columns of a row, enums as text; rows of before have the default in a column that came later.</summary>
internal interface IPreferenceColumns
{
    string Drying { get; set; }

    string Approach { get; set; }

    string Cooling { get; set; }

    string Hold { get; set; }

    string Bisque { get; set; }

    /// <summary>Which of the cones all of it stands.</summary>
    string GoalOption { get; set; }

    /// <summary>How far below the top a drop and hold goes, K.</summary>
    double DropBy { get; set; }

    /// <summary>The air of a glaze firing in a fuel kiln.</summary>
    string Air { get; set; }

    /// <summary>How fast it climbs where nothing asks for time.</summary>
    string Pace { get; set; }
}

/// <summary>Into those columns and out of them.</summary>
internal static class PreferenceColumns
{
    public static void WritePreferences(this IPreferenceColumns row, PlanningPreferences p) =>
        (row.Drying, row.Approach, row.Cooling, row.Hold, row.Bisque, row.GoalOption, row.DropBy, row.Air, row.Pace) = (
            p.Drying.ToString(),
            p.Approach.ToString(),
            p.Cooling.ToString(),
            p.Hold.ToString(),
            p.Bisque.ToString(),
            p.Goal.ToString(),
            p.DropBy,
            p.Air.ToString(),
            p.Pace.ToString()
        );

    public static PlanningPreferences ReadPreferences(this IPreferenceColumns row) =>
        new(
            StoredWord.Read<DryingOption>(row.Drying),
            StoredWord.Read<ApproachOption>(row.Approach),
            StoredWord.Read<CoolingOption>(row.Cooling),
            StoredWord.Read<HoldOption>(row.Hold),
            StoredWord.Read<BisqueOption>(row.Bisque),
            StoredWord.Read<GoalOption>(row.GoalOption),
            row.DropBy,
            StoredWord.Read<AirOption>(row.Air),
            StoredWord.Read<PaceOption>(row.Pace)
        );
}
