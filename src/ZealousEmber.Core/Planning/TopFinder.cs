using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Planning;

/// <summary>The top of a plan.</summary>
/// <param name="Top">In whole degrees.</param>
/// <param name="Hold">There.</param>
/// <param name="Why">A sentence with a space before it where the kiln's weakness decided; else empty.</param>
internal sealed record SolvedTop(Temperature Top, Duration Hold, string Why);

/// <summary>
/// The top that brings a cone down with the hold that is wished. A kiln that hardly climbs there is held at a cooler top for as long as that is quicker: full
/// power
/// with a hold brings a cone down that no climb reaches.
/// </summary>
internal sealed class TopFinder(IKilnModel kiln, Cone goal, PlanOptions wish, PlanWriter write, double able, bool careful)
{
    // A kiln that makes this much near its top keeps to the cone's pace or nearly; °C/h.
    private const double Weak = 45;
    private const double BelowStall = 4;
    private const double Lowest = 150;
    private const double RoundUp = 5;
    private const double Worthwhile = 0.15;
    private const double LongCareful = 15;

    private readonly ConeKinetics cone = ConeTable.Of(goal).Kinetics;

    /// <summary>Finds it. Problems name <c>goalCone</c>.</summary>
    /// <param name="up">The steps to the top, the last without its true target.</param>
    /// <param name="down">The steps after it.</param>
    /// <param name="hold">The least hold.</param>
    public Result<SolvedTop> Find(IReadOnlyList<Segment> up, IReadOnlyList<Segment> down, Duration hold)
    {
        var draft = FiringProgram.Create([.. up, .. down]);
        if (!draft.IsOk)
            return draft.Problems[0] with { Field = "goalCone" };
        var isWeak = able < Weak && !kiln.Burns;
        Result<FiringProgram> Solve() => ConeSolver.TopOf(draft.Value, goal, kiln.Start, kiln.FeltTimes, hold, wish.Unit, kiln.TopLimit);
        // What runs or fades is held long only where nothing else brings the cone down.
        var solved = careful || !isWeak || wish.Hold is not null ? Solve() : null;
        if (isWeak && wish.Hold is null && !IsReached(solved, up.Count - 1))
        {
            hold = Longer(draft.Value, up.Count - 1, hold) ?? hold;
            solved = null;
        }
        solved ??= Solve();
        var top = solved.IsOk ? solved.Value.Steps[up.Count - 1].Whole(wish.Unit).Target!.Value : kiln.TopLimit;
        if (!solved.IsOk || (isWeak && !IsReached(solved.Value.WithStep(up.Count - 1, top, hold), up.Count - 1)))
        {
            // Over its limit, or so near its hottest that a degree decides: as hot as it gets, and held the longer.
            if (wish.Hold is not null || kiln.Burns)
                return CannotReach(hold);
            var hottest = kiln.Hottest < kiln.TopLimit ? kiln.Hottest.Celsius - BelowStall : kiln.TopLimit.Celsius - 1;
            var held = ConeSolver.HoldOf(
                draft.Value.WithStep(up.Count - 1, Temperature.FromCelsius(hottest), hold).Whole(up.Count - 1, wish.Unit),
                goal,
                kiln.FeltTimes
            );
            if (!held.IsOk || !IsReached(held, up.Count - 1))
                return CannotReach(hold);
            (top, hold) = (held.Value.Steps[up.Count - 1].Target!.Value, Duration.FromMinutes(Math.Round(held.Value.Steps[up.Count - 1].HoldMinutes)));
        }
        return new SolvedTop(
            top,
            hold,
            isWeak && hold.TotalMinutes > LongCareful
                ? $" Near its hottest this kiln gains about {write.Pace(Math.Max(1, able))} an hour: held a little cooler it is done sooner."
                : ""
        );
    }

    private Problem CannotReach(Duration hold) =>
        new(
            "goalCone",
            $"With this load the kiln does not bring cone {goal.Number} "
                + $"down{(wish.Hold is null ? ", even held for 99 hours" : $" with a hold of {Phrases.Hours(hold)}")}: the kiln goes to "
                + $"{write.Degrees(kiln.Hottest.Celsius)}. "
                + $"{(kiln.HasElements ? "A lighter load, new elements" : "A lighter load, more air and pressure")}{(wish.Hold is null ? "" : ", a longer hold")} or a cooler cone would do."
        );

    private bool IsReached(Result<FiringProgram>? solved, int index) =>
        solved is { IsOk: true } && kiln.Run(solved.Value) is { IsOk: true, Value: var run } && !(run.Stall?.Segment <= index);

    /// <summary>The hold with which it is over soonest, in five minutes up; nothing where the wished one is as good.</summary>
    private Duration? Longer(FiringProgram draft, int index, Duration hold)
    {
        var hottest = Math.Min(kiln.TopLimit.Celsius, Math.Max(kiln.Hottest.Celsius - BelowStall, ConeTable.Of(goal).At60 - Lowest / 2));
        var ends = FiringProgram.Create([.. draft.Steps.Take(index), draft.Steps[index].With(Temperature.FromCelsius(hottest), Duration.Zero)]);
        if (!ends.IsOk || kiln.FeltTimes(ends.Value) is not { IsOk: true, Value: var times })
            return null;
        var points = times.Curve.Points;
        var lowest = ConeTable.Of(goal).At60 - Lowest;
        var (work, before, best, took, asked) = (0.0, points[0], double.PositiveInfinity, hold, double.PositiveInfinity);
        for (var i = 1; i < points.Length; i++)
        {
            var point = points[i];
            var span = (point.Minutes - before.Minutes) / 60;
            if (span > 0)
                work += cone.Over(before.Celsius, point.Celsius, span);
            before = point;
            if (point.Celsius < lowest || work >= 1)
                continue;
            // About what the fall after it still adds: as over the last degrees of a quick climb.
            var tail = Tail(point.Celsius);
            var needs = Math.Max(0, 1 - work - tail) / cone.RateAt(point.Celsius);
            var total = point.Minutes / 60 + Math.Max(needs, hold.TotalHours);
            if (needs <= hold.TotalHours)
                asked = Math.Min(asked, total);
            if (total < best)
                (best, took) = (total, Duration.FromHours(Math.Max(needs, hold.TotalHours)));
        }
        if (double.IsInfinity(best) || asked - best < Worthwhile || took > ScheduleLimits.LongestHold)
            return null;
        return Duration.FromMinutes(Math.Ceiling(took.TotalMinutes / RoundUp) * RoundUp);
    }

    private double Tail(double celsius)
    {
        var kelvin = celsius + 273.15;
        var fall = kiln.NaturalFall(Temperature.FromCelsius(celsius))?.KelvinsPerHour ?? 200;
        return cone.RateAt(celsius) * kelvin * kelvin / (cone.Theta * Math.Max(20, fall));
    }
}
