using System.Collections.Immutable;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>How well a schedule can be said to a controller.</summary>
public enum Fits
{
    /// <summary>Only numbers are rounded.</summary>
    Exactly,

    /// <summary>The same firing for the ware.</summary>
    Nearly,

    /// <summary>Another firing: this is the best there is.</summary>
    No,

    /// <summary>The top or the cone is beyond it.</summary>
    OutOfReach,
}

/// <summary>A schedule to be said to a controller.</summary>
/// <param name="Schedule">What is wanted.</param>
/// <param name="Profile">To which controller.</param>
/// <param name="Goal">The cone it is for; the schedule's own, or the one it falls nearest to, when missing.</param>
/// <param name="Start">The kiln's temperature when it begins.</param>
/// <param name="Slot">Under which program; the first when missing.</param>
/// <param name="Delay">Minutes before it begins.</param>
/// <param name="Kiln">Where it is fired, where the load is known.</param>
/// <param name="Load">The ware: with it no new finding may come up.</param>
/// <param name="Units">What findings give lengths and masses in.</param>
public sealed record ProgramRequest(
    Schedule Schedule,
    ControllerProfile Profile,
    Cone? Goal,
    Temperature Start,
    string? Slot = null,
    double Delay = 0,
    IKilnModel? Kiln = null,
    WareLoad? Load = null,
    DisplayUnits? Units = null
);

/// <summary>A schedule as a controller can be told it.</summary>
/// <param name="Fits">How well.</param>
/// <param name="Program">The answers; none where it is out of reach.</param>
/// <param name="Schedule">What the kiln then does, ending with the power off.</param>
/// <param name="Cost">Area and hours lost in bands, °C·h.</param>
/// <param name="Cone">The cone both are compared by.</param>
/// <param name="Wanted">Progress of that cone over the wanted curve.</param>
/// <param name="Fitted">Over the fitted one.</param>
/// <param name="Minutes">Powered, more than wanted.</param>
/// <param name="MaxDegrees">The furthest apart both curves are at one time, K.</param>
/// <param name="Changes">What is different from what was wanted.</param>
/// <param name="Why">Why it is another firing, and what would do; nothing where it is the same.</param>
public sealed record ControllerProgram(
    Fits Fits,
    ImmutableArray<Answer> Program,
    FiringProgram? Schedule,
    double Cost,
    Cone Cone,
    double Wanted,
    double Fitted,
    double Minutes,
    double MaxDegrees,
    ImmutableArray<FitChange> Changes,
    string Why
)
{
    /// <summary>Nothing can be said.</summary>
    internal static ControllerProgram Beyond(Cone cone, double work, string why) => new(Fits.OutOfReach, [], null, 0, cone, work, 0, 0, 0, [], why);
}

/// <summary>
/// Says a schedule to a controller that can say less: dynamic programming over its steps, then the top's hold (or the top) for the same heat work.
/// Source: the project's paper on controllers.
/// </summary>
public static class ControllerFit
{
    /// <summary>The program. Problems name <c>schedule</c> where it only cools.</summary>
    public static Result<ControllerProgram> Of(ProgramRequest request)
    {
        var (schedule, profile) = (request.Schedule, request.Profile);
        var kiln = new PlainKiln(request.Start);
        var whole = WithOff(schedule.Program);
        var compiled = kiln.Times(whole);
        if (!compiled.IsOk)
            return Result<ControllerProgram>.Failed(compiled.Problems);
        var wanted = new WantedCurve(whole, compiled.Value, schedule.Kind);
        if (wanted.TopStart < 0 || wanted.Points[wanted.TopStart].Celsius <= request.Start.Celsius)
            return new Problem("schedule", "This schedule only cools; a controller is told how to climb first.");
        var cone = request.Goal ?? schedule.Goal ?? Nearest(compiled.Value.Curve);
        var fit = profile.Give switch
        {
            StepForm.Dials => new Problem("profile", "Switches are turned by the clock; this one is told nothing."),
            StepForm.Cone => new PresetFit(request, wanted, compiled.Value, cone, kiln).Best(),
            _ => (Result<ControllerProgram>)new StepwiseFit(request, wanted, compiled.Value, cone, kiln).Best(),
        };
        return fit.IsOk && fit.Value.Fits == Fits.Nearly && NewFindings(request, fit.Value.Schedule!) is { Count: > 0 } found
            ? fit.Value with
            {
                Fits = Fits.No,
                Why = string.Join(' ', found.Select(f => f.Text)),
                Changes = [.. fit.Value.Changes, .. found.Select(f => new FitChange("finding", null, f.Text))],
            }
            : fit;
    }

    /// <summary>What a colleague would only say of the fitted firing; nothing where the load is not known.</summary>
    private static List<Finding> NewFindings(ProgramRequest request, FiringProgram fitted)
    {
        if (request is not { Kiln: { } kiln, Load: { } load })
            return [];
        IReadOnlyList<Finding> Of(Schedule schedule) =>
            FiringAssessment.Of(schedule, kiln, load, request.Units ?? DisplayUnits.Metric) is { IsOk: true } assessed ? assessed.Value.Findings : [];
        var before = Of(request.Schedule).Select(f => f.Id).ToHashSet();
        return [.. Of(request.Schedule.With(fitted)).Where(f => f.Severity > Severity.Note && !before.Contains(f.Id))];
    }

    /// <summary>Ends with the power off, as every controller does.</summary>
    private static FiringProgram WithOff(FiringProgram program) =>
        program.Steps[^1].IsEndOff || program.Steps.Length == ScheduleLimits.Segments
            ? program
            : FiringProgram.Create([.. program.Steps, Segment.Of(Pace.Natural, null).Value]).Value;

    /// <summary>The cone a curve brings down most nearly.</summary>
    internal static Cone Nearest(Curve curve) => Cone.All[HeatWork.OfAll(curve).Index().MinBy(p => Math.Abs(Math.Log(Math.Max(p.Item, 1e-9)))).Index];
}
