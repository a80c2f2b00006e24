using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>A schedule said in steps.</summary>
internal sealed class StepwiseFit
{
    private const int MostMoved = 60;
    private const double LongerHold = 30;
    private const int MoreSteps = 12;
    private readonly ProgramRequest request;
    private readonly WantedCurve wanted;
    private readonly CompiledSchedule compiled;
    private readonly Cone cone;
    private readonly PlainKiln kiln;
    private readonly StepWords words;
    private readonly StepProgram writer;
    private readonly ConeKinetics kinetics;
    private readonly bool isTrial;

    /// <param name="request">What is wanted.</param>
    /// <param name="wanted">As a curve.</param>
    /// <param name="compiled">With its times.</param>
    /// <param name="cone">Compared by this.</param>
    /// <param name="kiln">That gives the times.</param>
    /// <param name="isTrial">Only whether it would do.</param>
    public StepwiseFit(ProgramRequest request, WantedCurve wanted, CompiledSchedule compiled, Cone cone, PlainKiln kiln, bool isTrial = false)
    {
        (this.request, this.wanted, this.compiled, this.cone, this.kiln, this.isTrial) = (request, wanted, compiled, cone, kiln, isTrial);
        words = new StepWords(request.Profile);
        writer = new StepProgram(request.Profile, words, request.Slot, request.Delay);
        kinetics = ConeTable.Of(cone).Kinetics;
    }

    public ControllerProgram Best()
    {
        var profile = request.Profile;
        var work = HeatWork.Of(kinetics, compiled.Curve);
        var (top, highest) = (words.DegreesOf(wanted.Points[wanted.TopStart].Celsius), profile.Find("target")!.Max);
        if (top > highest + 0.5)
            return ControllerProgram.Beyond(
                cone,
                work,
                $"It goes to {Phrases.Number(highest)} {profile.Unit.Symbol()}; {Phrases.Number(Math.Round(top))} is wanted."
            );
        if (new StepFit(profile, wanted, words).Best(profile.Most) is not { } fit)
            return ControllerProgram.Beyond(cone, work, $"It takes {Phrases.Count(profile.Most, "step")}; up to the top and down again is more.");
        var (steps, at) = StepProgram.StepsOf(profile, wanted, fit.Pieces, words);
        var heldBefore = HoldAt(steps, at);
        var (program, moved, held) = (Written(steps, at, 0, heldBefore), 0.0, heldBefore);
        var isMended = false;
        if (Math.Abs(WorkOf(program) / work - 1) > Comparison.StepWork && Mended(steps, at, work) is { } mended)
            (program, moved, held, isMended) = (mended.Program, mended.Moved, mended.Hold, true);
        if (Timed(program) is not { } run)
            return ControllerProgram.Beyond(cone, work, "Its numbers are too coarse for this schedule.");
        var (schedule, timed) = run;
        var fitted = HeatWork.Of(kinetics, timed.Curve);
        var compare = new Comparison(wanted, compiled, timed);
        var fits =
            fit.Cost < 1e-6 && !isMended && Cooled() && RatesAreNear(steps, program) ? Fits.Exactly
            : compare.IsNearly(work, fitted, Comparison.StepWork) ? Fits.Nearly
            : Fits.No;
        var said = new FitWords(profile, wanted, words);
        var why =
            fits == Fits.No
                ? said.Why(compare, work, fitted, Comparison.StepWork, profile.Cooling != CoolingRule.Steps && compare.IsCoolingHalved ? null : StepsThatDo())
                : "";
        return new ControllerProgram(
            fits,
            program,
            schedule,
            fit.Cost,
            cone,
            work,
            fitted,
            compare.Minutes,
            compare.FurthestApart,
            [.. said.OfSteps(fit.Pieces, steps, program), .. said.OfTop(moved, heldBefore, held)],
            why
        );
    }

    /// <summary>The fewest steps with which the same controller would do; nothing where no number of them does.</summary>
    private int? StepsThatDo()
    {
        if (isTrial)
            return null;
        for (var most = request.Profile.Most + 1; most <= Math.Min(ControllerProfile.MostSteps, request.Profile.Most + MoreSteps); most++)
        {
            if (
                new StepwiseFit(request with { Profile = request.Profile.WithMost(most) }, wanted, compiled, cone, kiln, true).Best().Fits
                is Fits.Exactly
                    or Fits.Nearly
            )
                return most;
        }
        return null;
    }

    private bool Cooled() => request.Profile.Cooling == CoolingRule.Steps || wanted.TopEnd == wanted.Points.Count - 1;

    /// <summary>What the kiln does; nothing where a number is beyond any kiln.</summary>
    private (FiringProgram Schedule, CompiledSchedule Timed)? Timed(ImmutableArray<Answer> program) =>
        ProgramSchedule.Of(request.Profile, program, request.Start) is { IsOk: true } schedule && kiln.Times(schedule.Value) is { IsOk: true } timed
            ? (schedule.Value, timed.Value)
            : null;

    /// <summary>Heat work of a program; not a number where there is none.</summary>
    private double WorkOf(ImmutableArray<Answer> program) => Timed(program) is { } timed ? HeatWork.Of(kinetics, timed.Timed.Curve) : double.NaN;

    private double HoldAt(List<StepToTell> steps, int top)
    {
        if (request.Profile.Give == StepForm.Rate)
            return request.Profile.Hold == HoldRule.Every ? steps[top].Hold : (wanted.Points[wanted.TopEnd].Hours - wanted.Points[wanted.TopStart].Hours) * 60;
        return top + 1 < steps.Count && steps[top + 1].Kind == StretchKind.Hold ? steps[top + 1].Minutes : 0;
    }

    /// <summary>The answers, with the top so many degrees of its own higher and held so long.</summary>
    private ImmutableArray<Answer> Written(List<StepToTell> steps, int top, double moved, double hold)
    {
        var profile = request.Profile;
        var changed = steps.ToList();
        var target = words.Celsius(words.DegreesOf(steps[top].Target) + moved);
        var hadHold = profile.Give == StepForm.Time && top + 1 < steps.Count && steps[top + 1].Kind == StretchKind.Hold;
        changed[top] = changed[top] with { Target = target, Hold = profile is { Give: StepForm.Rate, Hold: HoldRule.Every } ? hold : changed[top].Hold };
        if (hadHold && hold > 0)
            changed[top + 1] = changed[top + 1] with { Target = target, Minutes = hold };
        else if (hadHold)
            changed.RemoveAt(top + 1);
        else if (profile.Give == StepForm.Time && hold > 0 && steps.Count < profile.Most)
            changed.Insert(top + 1, new StepToTell(StretchKind.Hold, 0, hold, target, 0));
        return writer.Of(changed, target, hold, CoolRate());
    }

    /// <summary>One cooling goes to where the wanted is at its end, or at the end.</summary>
    private double? CoolRate()
    {
        if (request.Profile.Cooling != CoolingRule.One || wanted.TopEnd == wanted.Points.Count - 1)
            return null;
        var (from, to) = (wanted.Points[wanted.TopEnd], wanted.Points[^1]);
        var cold = words.Celsius(request.Profile.CoolTo!.Value);
        for (var i = wanted.TopEnd + 1; i < wanted.Points.Count; i++)
        {
            var (a, b) = (wanted.Points[i - 1], wanted.Points[i]);
            if (b.Celsius > cold || a.Celsius <= b.Celsius)
                continue;
            to = new WantedPoint(a.Hours + (b.Hours - a.Hours) * (a.Celsius - cold) / (a.Celsius - b.Celsius), cold);
            break;
        }
        return to.Hours > from.Hours && from.Celsius > to.Celsius ? (from.Celsius - to.Celsius) / (to.Hours - from.Hours) : null;
    }

    /// <summary>The top moved by the fewest degrees, down first, for which a hold brings the same heat work.</summary>
    private (ImmutableArray<Answer> Program, double Moved, double Hold)? Mended(List<StepToTell> steps, int top, double work)
    {
        var longest = (wanted.Points[wanted.TopEnd].Hours - wanted.Points[wanted.TopStart].Hours) * 60 + LongerHold;
        var target = request.Profile.Find("target")!;
        for (var k = 0; k <= MostMoved; k++)
        {
            foreach (var moved in k == 0 ? [0.0] : new[] { -k * target.Step, k * target.Step })
            {
                var degrees = words.DegreesOf(steps[top].Target) + moved;
                if (degrees > target.Max || degrees < target.Min)
                    continue;
                var without = WorkOf(Written(steps, top, moved, 0));
                if (double.IsNaN(without))
                    continue;
                var rate = kinetics.RateAt(words.Celsius(target.Nearest(degrees)));
                var hold = HoldQuestion is { } q ? q.Nearest(Math.Clamp((work - without) / rate * 60, 0, longest)) : 0;
                var program = Written(steps, top, moved, hold);
                if (hold <= longest && Math.Abs(WorkOf(program) / work - 1) <= Comparison.StepWork)
                    return (program, moved, hold);
            }
        }
        return null;
    }

    private Question? HoldQuestion => request.Profile.Give == StepForm.Rate ? request.Profile.Find("hold") : request.Profile.Find("time");

    private bool RatesAreNear(List<StepToTell> steps, ImmutableArray<Answer> program) =>
        steps
            .Index()
            .All(s =>
            {
                if (request.Profile.Give == StepForm.Time || s.Item.Kind != StretchKind.Ramp)
                    return true;
                // A step that is not asked for is not near anything.
                var said = program.Where(a => a.Asked.Id == new Asked(request.Profile.Find("rate")!, s.Index + 1).Id).Select(a => a.Value).FirstOrDefault();
                return said is { } rate && Math.Abs(words.CelsiusPerHour(rate) / s.Item.CelsiusPerHour - 1) <= 0.03 + 1e-9;
            });
}
