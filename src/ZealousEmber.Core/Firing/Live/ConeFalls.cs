using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Live;

/// <summary>A cone of the pack that should go down.</summary>
/// <param name="Cone">Which.</param>
/// <param name="Minute">Since the start.</param>
public readonly record struct ConeFall(Cone Cone, double Minute);

/// <summary>When the cones of the pack should go: whoever fires by eye fires by these.</summary>
public static class ConeFalls
{
    /// <summary>The goal with its neighbours, as far as a curve brings them down, in order of time.</summary>
    public static ImmutableArray<ConeFall> Of(Curve curve, Cone? goal)
    {
        var falls = ImmutableArray.CreateBuilder<ConeFall>();
        var points = curve.Points;
        var ends = new double[Math.Max(0, points.Length - 1)];
        for (var i = 1; i < points.Length; i++)
            ends[i - 1] = points[i].Minutes;
        foreach (var cone in WatchedFiring.Around(goal))
        {
            var sum = 0.0;
            var shares = ends.Length == 0 ? [] : HeatWork.PerStretch(ConeTable.Of(cone).Kinetics, curve, ends);
            for (var i = 0; i < shares.Length; i++)
            {
                if (sum + shares[i] >= 1)
                {
                    var before = points[i].Minutes;
                    falls.Add(new ConeFall(cone, before + (ends[i] - before) * (shares[i] > 0 ? (1 - sum) / shares[i] : 1)));
                    break;
                }
                sum += shares[i];
            }
        }
        return [.. falls.OrderBy(f => f.Minute)];
    }
}
