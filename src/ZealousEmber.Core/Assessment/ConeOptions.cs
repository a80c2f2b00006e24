using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Assessment;

/// <summary>A schedule changed at its top so that a cone comes down.</summary>
/// <param name="Step">Index of the step changed.</param>
/// <param name="Exact">The very top and hold.</param>
/// <param name="Schedule">In whole degrees and minutes, as a controller takes them.</param>
/// <param name="Run">What the kiln makes of that.</param>
/// <param name="Progress">Of the cone with the whole numbers; 1 is its end point.</param>
public sealed record ConeOption(int Step, ConeAnswer Exact, Schedule Schedule, KilnRun Run, double Progress);

/// <summary>Ways to a cone on a real kiln: another top for a hold, another hold for a top, and a ladder of both.</summary>
public static class ConeOptions
{
    private static readonly ImmutableArray<Duration> LadderHolds = [.. new[] { 0, 10, 20, 30, 60 }.Select(m => Duration.FromMinutes(m))];

    /// <summary>The top that brings a cone down with a hold (the schedule's own when missing). Problems name <c>cone</c> and <c>segments</c>.</summary>
    public static Result<ConeOption> Top(Schedule schedule, Cone cone, IKilnModel kiln, Duration? hold = null) =>
        Taken(
            schedule,
            cone,
            kiln,
            ConeSolver.TopOf(
                schedule.Program,
                cone,
                kiln.Start,
                kiln.FeltTimes,
                hold ?? schedule.Segments[schedule.Program.TopStep].Hold,
                schedule.Unit,
                kiln.TopLimit
            )
        );

    /// <summary>The hold that brings a cone down at the schedule's own top. Problems name <c>cone</c>, <c>top</c> and <c>segments</c>.</summary>
    public static Result<ConeOption> Hold(Schedule schedule, Cone cone, IKilnModel kiln) =>
        Taken(schedule, cone, kiln, ConeSolver.HoldOf(schedule.Program, cone, kiln.FeltTimes));

    /// <summary>Tops that come to the same cone with other holds; nothing beside a hold with which none does.</summary>
    public static IReadOnlyList<(Duration Hold, ConeOption? Option)> Ladder(Schedule schedule, Cone cone, IKilnModel kiln) =>
        [.. LadderHolds.Select(hold => (hold, Top(schedule, cone, kiln, hold) is { IsOk: true } found ? found.Value : null))];

    private static Result<ConeOption> Taken(Schedule schedule, Cone cone, IKilnModel kiln, Result<FiringProgram> solved)
    {
        // A kiln that gives up on the way explains more than a cone that stays up.
        if (!solved.IsOk)
            return CannotReach(schedule, kiln, schedule.Program) is { } stalls ? stalls : Result<ConeOption>.Failed(solved.Problems);
        var index = schedule.Program.TopStep;
        var exact = solved.Value.Steps[index];
        var whole = solved.Value.With(index, exact.Whole(schedule.Unit));
        if (!whole.IsOk)
            return Result<ConeOption>.Failed(whole.Problems);
        var run = kiln.Run(whole.Value);
        if (!run.IsOk)
            return Result<ConeOption>.Failed(run.Problems);
        if (run.Value.Stall is { } stall)
            return StallsAt(schedule, kiln, stall);
        return new ConeOption(
            index,
            new ConeAnswer(exact.Target!.Value, exact.Hold),
            schedule.With(whole.Value),
            run.Value,
            HeatWork.Of(ConeTable.Of(cone).Kinetics, kiln.Felt(run.Value.Compiled.Curve))
        );
    }

    private static Problem? CannotReach(Schedule schedule, IKilnModel kiln, FiringProgram program) =>
        kiln.Run(program) is { IsOk: true, Value.Stall: { } stall } ? StallsAt(schedule, kiln, stall) : null;

    private static Problem StallsAt(Schedule schedule, IKilnModel kiln, KilnStall stall) =>
        new(
            "cone",
            $"With this load {kiln.Name} gets to {Phrases.Number(Math.Round(stall.At.In(schedule.Unit)))} {schedule.Unit.Symbol()} at best, which is not "
                + "enough for it."
        );
}
