using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Cones;

/// <summary>A way to a cone: this top held this long.</summary>
/// <param name="Top">The top temperature.</param>
/// <param name="Hold">How long it is held.</param>
public sealed record ConeAnswer(Temperature Top, Duration Hold);

/// <summary>
/// The inverse questions: which top, which hold, brings a cone down. On a steady climb from 20 °C, or on a program of
/// which only the top step is changed. A problem names <c>cone</c>, <c>top</c>, <c>holdMinutes</c> or <c>segments</c>.
/// </summary>
public static class ConeSolver
{
    private const double WorkEnds = 300;

    // Kelvin; a hundred-thousandth of the progress.
    private const double TopAccuracy = 1e-4;

    // Of the logarithm of the progress, per kelvin.
    private const double UsualSlope = 0.035;
    private const int MostSecants = 8;

    /// <summary>The climb people quote cones at, °C/h.</summary>
    public static readonly Rate UsualApproach = Rate.PerHour(60);

    /// <summary>The top that brings a cone down with a hold, after a steady climb.</summary>
    public static Result<ConeAnswer> Top(Cone cone, Duration hold, Rate? approach = null)
    {
        var kinetics = ConeTable.Of(cone).Kinetics;
        var rate = (approach ?? UsualApproach).KelvinsPerHour;
        var (low, high) = (ConeKinetics.Room, ScheduleLimits.Hottest.Celsius);
        double Progress(double top) => kinetics.Over(ConeKinetics.Room, top, (top - ConeKinetics.Room) / rate) + kinetics.RateAt(top) * hold.TotalHours;
        return Progress(high) < 1
            ? new Problem("cone", $"Cone {cone.Number} does not fall by {Phrases.Number(high)} °C at this climb and hold.")
            : new ConeAnswer(Temperature.FromCelsius(Roots.Rising(Progress, 1, low, high)), hold);
    }

    /// <summary>The hold that brings a cone down at a top, after a steady climb; a problem when it is past already, or beyond 99 h.</summary>
    public static Result<ConeAnswer> Hold(Cone cone, Temperature top, Rate? approach = null)
    {
        var kinetics = ConeTable.Of(cone).Kinetics;
        var hours = (top.Celsius - ConeKinetics.Room) / (approach ?? UsualApproach).KelvinsPerHour;
        return HoldFrom(cone, top, hours > 0 ? kinetics.Over(ConeKinetics.Room, top.Celsius, hours) : 0);
    }

    /// <summary>The end point of a cone at any steady climb, more than 0: its equivalent temperature.</summary>
    public static Temperature EndPoint(Cone cone, Rate climb) => Temperature.FromCelsius(ConeTable.Of(cone).Kinetics.EndPoint(climb.KelvinsPerHour));

    /// <summary>
    /// The offset a pack read after a firing tells: how much hotter (positive) the shelf was than the curve says, in
    /// kelvin at 60 °C/h, the difference of the end points of both progresses.
    /// </summary>
    /// <param name="cone">The cone that was read.</param>
    /// <param name="read">Progress read from its bend, more than 0.</param>
    /// <param name="expected">Progress the curve should have given, more than 0.</param>
    public static TemperatureDifference Offset(Cone cone, double read, double expected)
    {
        var kinetics = ConeTable.Of(cone).Kinetics;
        return TemperatureDifference.FromKelvins(kinetics.EndPoint(60, read) - kinetics.EndPoint(60, expected));
    }

    /// <summary>A program's top step moved so that the cone comes down; its hold, pace and every other step stay.</summary>
    public static Result<FiringProgram> TopOf(
        FiringProgram program,
        Cone cone,
        Temperature start,
        ScheduleTimes times,
        TemperatureUnit unit = TemperatureUnit.Celsius
    ) => TopOf(program, cone, start, times, program.Steps[program.TopStep].Hold, unit);

    /// <summary>
    /// The same with another hold at the top, and no hotter than the kiln gets, where that is known. A problem speaks in <paramref name="unit"/>.
    /// </summary>
    /// <param name="program">Whose top step is moved.</param>
    /// <param name="cone">Which cone.</param>
    /// <param name="start">The kiln's temperature when it is switched on.</param>
    /// <param name="times">What the kiln makes of a program.</param>
    /// <param name="hold">At the top.</param>
    /// <param name="unit">Of a problem's words.</param>
    /// <param name="hottest">No hotter.</param>
    /// <param name="progress">How far it is to come, more than 0; 1 is down.</param>
    public static Result<FiringProgram> TopOf(
        FiringProgram program,
        Cone cone,
        Temperature start,
        ScheduleTimes times,
        Duration hold,
        TemperatureUnit unit = TemperatureUnit.Celsius,
        Temperature? hottest = null,
        double progress = 1
    )
    {
        var index = program.TopStep;
        if (program.Steps[index].Target is null)
            return OnlyCools;
        // Above what comes before, or the step would turn round; the top stays the top.
        var others = program.Steps.Where((_, i) => i != index).Select(s => s.Target?.Celsius ?? double.MinValue);
        var low = Math.Max(others.Append(start.Celsius).Max(), ScheduleLimits.Coldest.Celsius);
        var high = Math.Max((hottest ?? ScheduleLimits.Hottest).Celsius, low);
        var work = UntilItsWorkIsDone(program, index, cone);
        double Progress(double top) => ProgressOf(work.WithStep(index, Temperature.FromCelsius(top), hold), cone, times) / progress;
        if (NearItsEndPoint(t => Math.Log(Math.Max(Progress(t), 1e-12)), ConeTable.Of(cone).At60, low, high) is { } near)
            return program.WithStep(index, Temperature.FromCelsius(near), hold);
        var (atHigh, atLow) = (Progress(high), Progress(low));
        if (atHigh < 1)
            return new Problem(
                "cone",
                $"Cone {cone.Number} stays up even at {Phrases.Number(Math.Round(Temperature.FromCelsius(high).In(unit)))} {unit.Symbol()} with this hold."
            );
        if (atLow > 1)
            return new Problem("cone", $"Cone {cone.Number} is down before the top step has done anything; the steps around it are too hot for it.");
        // Progress grows like an exponential; its logarithm is nearly straight, which the root finder likes.
        var top = Roots.Rising(t => Math.Log(Math.Max(Progress(t), 1e-12)), 0, low, high, TopAccuracy);
        return program.WithStep(index, Temperature.FromCelsius(top), hold);
    }

    /// <summary>
    /// Where the logarithm of the progress is 0, by secants from the cone's own end point, near which it nearly always is: a third of the runs of a kiln
    /// that bracketing takes. Nothing where that does not settle between the bounds.
    /// </summary>
    private static double? NearItsEndPoint(Func<double, double> logProgress, double endPoint, double low, double high)
    {
        var a = Math.Clamp(endPoint, low, high);
        var fa = logProgress(a);
        var b = a - fa / UsualSlope;
        for (var i = 0; i < MostSecants; i++)
        {
            if (Math.Abs(b - a) < TopAccuracy)
                return b >= low && b <= high ? b : null;
            if (b <= low || b >= high)
                return null;
            var fb = logProgress(b);
            if (fb == fa)
                return null;
            (a, fa, b) = (b, fb, b - fb * (b - a) / (fb - fa));
        }
        return null;
    }

    /// <summary>A program's hold at the top changed so that the cone comes down; the top and every other step stay.</summary>
    public static Result<FiringProgram> HoldOf(FiringProgram program, Cone cone, ScheduleTimes times)
    {
        var index = program.TopStep;
        if (program.Steps[index].Target is not { } top)
            return OnlyCools;
        var without = ProgressOf(UntilItsWorkIsDone(program, index, cone).WithStep(index, top, Duration.Zero), cone, times);
        var answer = HoldFrom(cone, top, without);
        return answer.IsOk ? program.WithStep(index, top, answer.Value.Hold) : Result<FiringProgram>.Failed(answer.Problems);
    }

    private static Problem OnlyCools => new("segments", "This schedule only cools; there is no top to change.");

    /// <summary>The hold still missing after some progress; the rate at a steady top is steady, so it is a division.</summary>
    private static Result<ConeAnswer> HoldFrom(Cone cone, Temperature top, double without)
    {
        if (without > 1.0 + 1e-9)
            return new Problem(
                "top",
                $"Cone {cone.Number} is past at {Phrases.Number(Math.Round(top.Celsius))} °C with no hold at all (its progress is "
                    + $"{Phrases.Number(without)}); a lower top is wanted."
            );
        var hours = Math.Max(0, 1 - without) / ConeTable.Of(cone).Kinetics.RateAt(top.Celsius);
        var longest = ScheduleLimits.LongestHold.TotalHours;
        return hours > longest
            ? new Problem(
                "top",
                $"At {Phrases.Number(Math.Round(top.Celsius))} °C cone {cone.Number} is not reachable below {Phrases.Number(longest)} hours of hold; a "
                    + "hotter top is wanted."
            )
            : new ConeAnswer(top, Duration.FromHours(hours));
    }

    /// <summary>
    /// The program cut off where cooling below its top does no heat work any more (under a thousandth of the rate at the top for every cone), so that
    /// long coolings need not be timed again and again; uncut where it heats up once more after that.
    /// </summary>
    private static FiringProgram UntilItsWorkIsDone(FiringProgram program, int top, Cone cone)
    {
        // Below whichever top is tried: it ends up near the cone's own temperature.
        var ends = Math.Min(program.Steps[top].Target!.Value.Celsius, ConeTable.Of(cone).At60) - WorkEnds;
        if (ends < ScheduleLimits.Coldest.Celsius)
            return program;
        var done = Temperature.FromCelsius(ends);
        for (var i = top + 1; i < program.Steps.Length; i++)
        {
            var segment = program.Steps[i];
            if (segment.Target >= done)
                continue;
            return program.Steps.Skip(i + 1).Any(s => s.Target > done) ? program : program.Until(i, segment.With(done, Duration.Zero));
        }
        return program;
    }

    private static double ProgressOf(FiringProgram program, Cone cone, ScheduleTimes times)
    {
        var compiled = times(program);
        return compiled.IsOk ? HeatWork.Of(ConeTable.Of(cone).Kinetics, compiled.Value.Curve) : 0;
    }
}
