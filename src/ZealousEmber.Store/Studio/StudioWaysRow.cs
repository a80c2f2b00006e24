using ZealousEmber.Core.Planning;

namespace ZealousEmber.Store.Studio;

/// <summary>How a studio plans when nobody says otherwise.</summary>
internal sealed class StudioWaysRow : SheetRow
{
    public DryingWay Drying { get; set; }

    public ApproachWay Approach { get; set; }

    public CoolingWay Cooling { get; set; }

    public HoldWay Hold { get; set; }

    public BisqueWay Bisque { get; set; }

    public void Write(PlanWays ways) => (Drying, Approach, Cooling, Hold, Bisque) = (ways.Drying, ways.Approach, ways.Cooling, ways.Hold, ways.Bisque);

    public PlanWays Read() => new(Drying, Approach, Cooling, Hold, Bisque);
}
