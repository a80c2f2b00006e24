using Microsoft.EntityFrameworkCore;
using ZealousEmber.Core.Planning;

namespace ZealousEmber.Store.Studio;

/// <summary>How a studio plans when nobody says otherwise; one row.</summary>
internal sealed class StudioWaysRow
{
    public const int OnlyId = 1;

    public int Id { get; set; } = OnlyId;

    public int Version { get; set; }

    public DryingWay Drying { get; set; }

    public ApproachWay Approach { get; set; }

    public CoolingWay Cooling { get; set; }

    public HoldWay Hold { get; set; }

    public BisqueWay Bisque { get; set; }

    public void Write(PlanWays ways) => (Drying, Approach, Cooling, Hold, Bisque) = (ways.Drying, ways.Approach, ways.Cooling, ways.Hold, ways.Bisque);

    public PlanWays Read() => new(Drying, Approach, Cooling, Hold, Bisque);
}

/// <summary>The studio's ways with their version; 0 until somebody has said them.</summary>
public sealed record StoredStudioWays(int Version, PlanWays Ways);

/// <summary>Keeps the one set of ways a studio plans by.</summary>
public sealed class StudioWaysStore(StudioContext context)
{
    /// <summary>The ways as they stand; ours until somebody said otherwise.</summary>
    public async Task<StoredStudioWays> Read(CancellationToken cancel) =>
        await context.Set<StudioWaysRow>().AsNoTracking().SingleOrDefaultAsync(cancel) is { } row ? new(row.Version, row.Read()) : new(0, PlanWays.Usual);

    /// <summary>Saves over the version the writer had read; none means whichever is there.</summary>
    public async Task<SaveOutcome<StoredStudioWays>> Save(int? readVersion, PlanWays ways, CancellationToken cancel)
    {
        var row = await context.Set<StudioWaysRow>().SingleOrDefaultAsync(cancel);
        if (readVersion is { } read && read != (row?.Version ?? 0)) return new SaveOutcome<StoredStudioWays>.Clash(await Read(cancel));
        if (row is null) context.Add(row = new StudioWaysRow());
        row.Write(ways);
        row.Version++;
        try
        {
            await context.SaveChangesAsync(cancel);
            return new SaveOutcome<StoredStudioWays>.Saved(new(row.Version, row.Read()));
        }
        catch (DbUpdateException)
        {
            // Two savers at once: the row moved on, or both made the first one.
            context.ChangeTracker.Clear();
            return new SaveOutcome<StoredStudioWays>.Clash(await Read(cancel));
        }
    }
}
