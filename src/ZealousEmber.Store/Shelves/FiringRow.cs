using System.Text.Json;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Store.Shelves;

/// <summary>A firing as kept; its rows of ware as JSON, since they are only ever read together.</summary>
internal sealed class FiringRow : ShelfRow
{
    public ScheduleKind Kind { get; set; }

    public int? KilnId { get; set; }

    public string? GoalCone { get; set; }

    public TemperatureUnit Unit { get; set; }

    public DryingWay Drying { get; set; }

    public ApproachWay Approach { get; set; }

    public CoolingWay Cooling { get; set; }

    public double? HoldMinutes { get; set; }

    public int MaxSteps { get; set; }

    public int? ScheduleId { get; set; }

    public string Lots { get; set; } = "[]";

    public void Write(FiringDraft firing)
    {
        (Name, Kind, KilnId, GoalCone, Unit) = (firing.Name, firing.Kind, firing.KilnId, firing.Goal?.Number, firing.Unit);
        (Drying, Approach, Cooling, HoldMinutes, MaxSteps, ScheduleId) = (firing.Drying, firing.Approach, firing.Cooling, firing.HoldMinutes, firing.MaxSteps, firing.ScheduleId);
        Lots = JsonSerializer.Serialize(firing.Lots);
    }

    public FiringDraft Read() => FiringDraft.Create(
        Name, Kind, KilnId, GoalCone is null ? null : Cone.Parse(GoalCone).Value, Unit, JsonSerializer.Deserialize<LotDraft[]>(Lots)!, Drying, Approach, Cooling, HoldMinutes, MaxSteps, ScheduleId).Value;
}
