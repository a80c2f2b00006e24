using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Learning;

/// <summary>What a kiln had taught after a firing.</summary>
public sealed record LearnedMoment(int FiringId, Instant At, KilnLessons Learned);

/// <summary>An electric kiln with what its firings have taught.</summary>
/// <param name="Stored">As it stands in the studio.</param>
/// <param name="Learned">After its last firing.</param>
/// <param name="Care">What somebody says over that.</param>
/// <param name="History">After each firing, the earliest first.</param>
/// <param name="NewElements">When its elements were changed last; nothing where they never were.</param>
public sealed record KilnKnowledge(Kiln Stored, KilnLessons Learned, KilnCare Care, ImmutableArray<LearnedMoment> History, Instant? NewElements = null)
{
    // So many of the last firings show how elements go down; fewer than four show nothing.
    private const int Trend = 12;
    private const int FewestOfTrend = 4;

    // Nearly worn: within so much of the power they are worn at; only firings this hot, and so many logs, tell.
    private const double Nearly = 1.03;
    private const double Hot = 1100;
    private const int FewestLogs = 3;

    private readonly Derived<(Kiln Stored, KilnLessons Learned, KilnCare Care, double Widened), Kiln> applied = new();

    /// <summary>How far what is foretold of it is widened, since its last firings lay outside too often.</summary>
    public Widening Widening { get; init; } = Widening.None;

    /// <summary>The kiln as it is fired: what somebody says over it counts first, then what was learned.</summary>
    public Kiln Kiln => applied.Of((Stored, Learned, Care, Widening.OfHeat), k => Apply(k.Stored, k.Learned, k.Care, k.Widened));

    /// <summary>What is to be kept with a firing that is started now.</summary>
    /// <param name="goal">The cone it is for; nothing where there is none.</param>
    public KilnTaught Taught(Cone? goal)
    {
        var offset = Kiln.Offset;
        var sd = Learned.Estimate.Covariance.Sd;
        return new KilnTaught(
            offset is null ? null
                : goal is { } cone ? offset.At(cone)
                : offset.At1150,
            (offset?.Sd ?? 0) * Widening.Cone,
            Learned.Logs > 0 ? sd.Power * Widening.OfHeat : 0,
            sd.Loss * Widening.OfHeat
        );
    }

    /// <summary>
    /// What its elements lose in a firing, a share of the stored power: the slope through the last firings with the same elements; nothing while there are
    /// fewer than four.
    /// </summary>
    public double? PerFiring
    {
        get
        {
            var last = History.Where(h => NewElements is not { } changed || h.At >= changed).TakeLast(Trend).ToList();
            if (last.Count < FewestOfTrend)
                return null;
            var (x, y) = ((last.Count - 1) / 2.0, last.Average(h => h.Learned.Power.Mean));
            var (above, below) = (0.0, 0.0);
            for (var i = 0; i < last.Count; i++)
                (above, below) = (above + (i - x) * (last[i].Learned.Power.Mean - y), below + (i - x) * (i - x));
            return -above / below;
        }
    }

    /// <summary>
    /// Whether its elements were worn, or nearly, when it was fired so; false while too few logs tell, and for a top that does not ask for them.
    /// </summary>
    /// <param name="firingId">Which of its firings.</param>
    /// <param name="kind">What was fired.</param>
    /// <param name="top">How hot it was to get.</param>
    public bool WasWeak(int firingId, ScheduleKind kind, Temperature top)
    {
        if (top.Celsius < Hot || History.FirstOrDefault(h => h.FiringId == firingId) is not { Learned: { Logs: >= FewestLogs } then })
            return false;
        return then.Power.Mean < Nearly * ElementLife.WornAt(Stored, Stored.UsualLoad(kind), top);
    }

    private static Kiln Apply(Kiln stored, KilnLessons learned, KilnCare care, double widened)
    {
        var kiln = (Kiln)learned.Of(stored).Unsure(widened);
        if (care.Power is { } power)
            kiln = kiln.Learned(kiln.HeatFactor, kiln.LossFactor, stored.ElementHealth * power, kiln.Uncertainty);
        return care.Offset is { } offset ? kiln.With(new DisplayOffset(offset, 0, 1, learned.Packs)) : kiln;
    }
}
