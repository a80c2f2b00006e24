using System.Collections.Immutable;

namespace ZealousEmber.Core.Packing.Search;

/// <summary>A load as firings one after another.</summary>
/// <param name="Firings">Each as full as it goes; its request names only what is left by then, lot by lot as in the first.</param>
/// <param name="Never">What fits in no firing.</param>
public sealed record FiringsNeeded(ImmutableArray<(PackingRequest Request, PackingPlan Plan)> Firings, ImmutableArray<LeftOut> Never);

/// <summary>How many firings a load needs: packed again and again until nothing is left.</summary>
public static class PackingFiringCount
{
    /// <summary>Most firings that are worked out.</summary>
    public const int Most = 40;

    /// <summary>The firings, each with the lots of the first (a lot that is all in has gone). Problems as of the packer.</summary>
    public static Result<FiringsNeeded> Of(PackingRequest request, CancellationToken cancel = default)
    {
        var firings = ImmutableArray.CreateBuilder<(PackingRequest, PackingPlan)>();
        var left = request.Lots.Select(l => l.Count).ToArray();
        while (firings.Count < Most && left.Sum() > 0)
        {
            cancel.ThrowIfCancellationRequested();
            // A lot that has gone stays in its place, so that numbers go on meaning the same.
            var now = request with { Lots = [.. request.Lots.Select((l, i) => l with { Count = left[i] })] };
            var plan = Packer.Pack(now);
            if (!plan.IsOk)
                return Result<FiringsNeeded>.Failed(plan.Problems);
            if (plan.Value.Totals.Pieces == 0)
                return new FiringsNeeded(firings.ToImmutable(), plan.Value.Unplaced);
            firings.Add((now, plan.Value));
            foreach (var lot in plan.Value.Lots)
                left[lot.Lot] -= lot.Placed;
        }
        return new FiringsNeeded(firings.ToImmutable(), []);
    }
}
