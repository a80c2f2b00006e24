using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Firing.Observation;

/// <summary>Progress of a cone, with what it lies between where a gap leaves it open.</summary>
/// <param name="Value">Most likely.</param>
/// <param name="Low">At least.</param>
/// <param name="High">At most.</param>
public readonly record struct ProgressRange(double Value, double Low, double High);

/// <summary>Heat work of some cones along the chamber as it is read, corrected by what the display is known to show too much.</summary>
internal sealed class HeatWorkSoFar
{
    private readonly ImmutableArray<ConeKinetics> kinetics;
    private readonly double offset;
    private readonly double[] value;
    private readonly double[] low;
    private readonly double[] high;
    private double minutes;
    private double celsius;

    /// <summary>Begins to count.</summary>
    /// <param name="cones">Whose.</param>
    /// <param name="offset">Added to what is shown, K.</param>
    /// <param name="minutes">From when.</param>
    /// <param name="celsius">The chamber then.</param>
    public HeatWorkSoFar(ImmutableArray<Cone> cones, double offset, double minutes, double celsius)
    {
        (Cones, this.offset, this.minutes, this.celsius) = (cones, offset, minutes, celsius);
        kinetics = [.. cones.Select(c => ConeTable.Of(c).Kinetics)];
        (value, low, high) = (new double[cones.Length], new double[cones.Length], new double[cones.Length]);
    }

    /// <summary>Whose progress is counted.</summary>
    public ImmutableArray<Cone> Cones { get; }

    /// <summary>Progress of one of them by a moment that was not come to yet, in a straight line; not kept.</summary>
    public ProgressRange By(int i, double at, double chamber)
    {
        var more = at > minutes ? Over(kinetics[i], celsius, chamber, at - minutes) : 0;
        return new ProgressRange(value[i] + more, low[i] + more, high[i] + more);
    }

    /// <summary>In a straight line to a moment.</summary>
    public void To(double at, double chamber)
    {
        if (at <= minutes)
            return;
        for (var i = 0; i < kinetics.Length; i++)
        {
            var more = Over(kinetics[i], celsius, chamber, at - minutes);
            value[i] += more;
            low[i] += more;
            high[i] += more;
        }
        (minutes, celsius) = (at, chamber);
    }

    /// <summary>Past a gap: what was added in it, at least and at most, by the straight line where nothing better is known.</summary>
    /// <param name="at">Its end.</param>
    /// <param name="chamber">The chamber there.</param>
    /// <param name="bridge">What may have happened in it.</param>
    public void Past(double at, double chamber, GapBridge bridge)
    {
        for (var i = 0; i < kinetics.Length; i++)
        {
            var straight = Over(kinetics[i], celsius, chamber, at - minutes);
            var sums = bridge
                .Curves.SelectMany(c =>
                    bridge.Either > 0
                        ? new[] { Along(kinetics[i], c, -bridge.Either), Along(kinetics[i], c), Along(kinetics[i], c, bridge.Either) }
                        : [Along(kinetics[i], c)]
                )
                .Order()
                .ToArray();
            var (least, most) = (sums.Length == 0 ? straight : sums[0], sums.Length == 0 ? straight : sums[^1]);
            var likely = bridge.IsKnown ? sums[sums.Length / 2] : Math.Clamp(straight, least, most);
            value[i] += likely;
            low[i] += least;
            high[i] += most;
        }
        (minutes, celsius) = (at, chamber);
    }

    private double Over(ConeKinetics cone, double from, double to, double span) =>
        from < 400 && to < 400 ? 0 : cone.Over(from + offset, to + offset, span / 60);

    private double Along(ConeKinetics cone, ImmutableArray<(double Minutes, double Celsius)> curve, double more = 0)
    {
        var sum = 0.0;
        for (var i = 1; i < curve.Length; i++)
            sum += Over(cone, curve[i - 1].Celsius + more, curve[i].Celsius + more, curve[i].Minutes - curve[i - 1].Minutes);
        return sum;
    }
}

/// <summary>What may have happened in a stretch without readings.</summary>
/// <param name="FromMinute">Its beginning.</param>
/// <param name="ToMinute">Its end.</param>
/// <param name="NeedsOff">The power must have been off in it.</param>
/// <param name="IsKnown">One curve, met at its end.</param>
/// <param name="Curves">One where it is known, else what bounds it; none where only the straight line is left.</param>
/// <param name="Either">How much hotter or cooler than the curve it may have been, K: 0 but where a top lies in it.</param>
public sealed record GapBridge(
    double FromMinute,
    double ToMinute,
    bool NeedsOff,
    bool IsKnown,
    ImmutableArray<ImmutableArray<(double Minutes, double Celsius)>> Curves,
    double Either = 0
);
