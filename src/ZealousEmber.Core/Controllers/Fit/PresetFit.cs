using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>A schedule said as a cone and a speed: every cone near the goal with every speed, the nearest heat work first, then the nearest curve.</summary>
internal sealed class PresetFit(ProgramRequest request, WantedCurve wanted, CompiledSchedule compiled, Cone cone, PlainKiln kiln)
{
    private const int ConesAway = 2;
    private const double FirstClass = 0.1;
    private const double FurtherClass = 0.05;
    private const double HoldCost = 100;

    // Longer nobody holds a top: the next cone is nearer to what is wanted. Minutes.
    private const double LongestHold = 2 * 60;

    // Of the coolest cone's work; below it nothing of it bends.
    private const double NoCone = 0.02;
    private readonly ControllerProfile profile = request.Profile;
    private readonly ConeKinetics kinetics = ConeTable.Of(cone).Kinetics;

    private sealed record Tried(
        Cone Cone,
        string? Speed,
        double Hours,
        double Hold,
        double Dry,
        string? Cool,
        FiringProgram Program,
        CompiledSchedule Timed,
        double Work,
        double Cost
    );

    public ControllerProgram Best()
    {
        var work = HeatWork.Of(kinetics, compiled.Curve);
        var coolest = Cone.All.First(profile.Find("cone")!.TakesCone);
        if (HeatWork.Of(ConeTable.Of(coolest).Kinetics, compiled.Curve) < NoCone)
            return ControllerProgram.Beyond(cone, work, $"It can only fire to a cone, and this firing stays far below cone {coolest.Number}.");
        if (Candidates(work).OrderBy(t => ClassOf(t.Work / work)).ThenBy(t => t.Cost + HoldCost * t.Hold / 60).FirstOrDefault() is not { } best)
            return ControllerProgram.Beyond(cone, work, $"Its cones do not reach cone {cone.Number}.");
        var program = Answers(best);
        var compare = new Comparison(wanted, compiled, best.Timed);
        var said = new FitWords(profile, wanted, new StepWords(profile));
        var fits = compare.IsNearly(work, best.Work, Comparison.PresetWork) ? Fits.Nearly : Fits.No;
        return new ControllerProgram(
            fits,
            program,
            best.Program,
            best.Cost,
            cone,
            work,
            best.Work,
            compare.Minutes,
            compare.FurthestApart,
            [new FitChange("preset", null, "The climb is the controller's own.")],
            fits == Fits.No ? said.Why(compare, work, best.Work, Comparison.PresetWork, null) : ""
        );
    }

    private static int ClassOf(double ratio)
    {
        var off = Math.Abs(Math.Log(Math.Max(ratio, 1e-9)));
        return off <= FirstClass ? 0 : 1 + (int)Math.Ceiling((off - FirstClass) / FurtherClass - 1e-9);
    }

    private IEnumerable<Tried> Candidates(double work)
    {
        var presets = profile.Presets!;
        var question = profile.Find("cone")!;
        var cones = Cone.All.Where(question.TakesCone).ToList();
        // Its own places: whole cones only, where it takes no halves.
        var at = cones.FindIndex(c => c.Order >= cone.Order);
        if (at < 0 || cones[at].Order - cone.Order > ConesAway)
            at = cone.Order > cones[^1].Order && cone.Order - cones[^1].Order <= ConesAway ? cones.Count - 1 : at;
        if (at < 0)
            yield break;
        var hours = profile.Find("hours") is { } h
            ? Enumerable.Range(0, (int)Math.Floor((h.Max - h.Min) / h.Step + 1e-6) + 1).Select(i => h.Min + i * h.Step).ToArray()
            : [0.0];
        var speeds = presets.Speeds.Length > 0 ? presets.Speeds.Select(s => (string?)s.Word).ToArray() : [null];
        foreach (var one in cones.Skip(Math.Max(0, at - ConesAway)).Take(at + ConesAway + 1 - Math.Max(0, at - ConesAway)))
        {
            foreach (var speed in speeds)
            {
                foreach (var up in hours)
                {
                    foreach (var cool in profile.Find("cool")?.Choices.Select(c => (string?)c).ToArray() ?? [null])
                    {
                        if (Try(one, speed, up, cool, work) is { } tried)
                            yield return tried;
                    }
                }
            }
        }
    }

    private Tried? Try(Cone one, string? speed, double hours, string? cool, double work)
    {
        var dry = DryingFor(one, speed, hours);
        if (HoldFor(one, speed, hours, dry, cool, work) is not { } hold)
            return null;
        if (Timed(one, speed, hours, hold, dry, cool) is not { } timed)
            return null;
        var curve = timed.Timed.Curve;
        var lost = wanted.Bands.Sum(b => Math.Max(0, b.HoursOf(compiled.Curve) - b.HoursOf(curve)) * b.Cost);
        return new Tried(one, speed, hours, hold, dry, cool, timed.Program, timed.Timed, HeatWork.Of(kinetics, curve), AreaToTheTop(curve) + lost);
    }

    private (FiringProgram Program, CompiledSchedule Timed)? Timed(Cone one, string? speed, double hours, double hold, double dry, string? cool)
    {
        var steps = PresetSteps.Of(profile, one, speed, hours, hold, dry, cool, request.Start);
        if (!steps.IsOk || steps.Value.Count == 0)
            return null;
        var program = FiringProgram.Create([.. steps.Value, Segment.Of(Pace.Natural, null).Value]);
        if (!program.IsOk)
            return null;
        var timed = kiln.Times(program.Value);
        return timed.IsOk ? (program.Value, timed.Value) : null;
    }

    /// <summary>As long as is wanted between 80 and 120 °C, less what its own climb spends there; nothing where it does not dry.</summary>
    private double DryingFor(Cone one, string? speed, double hours)
    {
        if (profile.Find("dry") is not { } question || wanted.Bands.FirstOrDefault(b => b.Why == "drying") is not { } band)
            return 0;
        if (Timed(one, speed, hours, 0, 0, null) is not { } plain)
            return 0;
        return question.Nearest(Math.Clamp((band.HoursOf(compiled.Curve) - band.HoursOf(plain.Timed.Curve)) * 60, 0, question.Max));
    }

    /// <summary>The wanted hold where the top comes down for it; else the one with the same heat work; nothing where nobody would hold so long.</summary>
    private double? HoldFor(Cone one, string? speed, double hours, double dry, string? cool, double work)
    {
        if (profile.Find("hold") is not { } question)
            return 0;
        var asked = (wanted.Points[wanted.TopEnd].Hours - wanted.Points[wanted.TopStart].Hours) * 60;
        if (profile.Presets!.Lowered)
            return question.Nearest(asked);
        if (Timed(one, speed, hours, 0, dry, cool) is not { } without)
            return 0;
        var missing = (work - HeatWork.Of(kinetics, without.Timed.Curve)) / kinetics.RateAt(without.Timed.Curve.Peak.Celsius) * 60;
        return missing > LongestHold ? null : question.Nearest(Math.Clamp(missing, 0, question.Max));
    }

    /// <summary>Between both curves until the later of them is at the end of its top; the earlier waits there.</summary>
    private double AreaToTheTop(Curve curve)
    {
        var (a, b) = (compiled.Curve, curve);
        var (ends, other) = (a.EndOfTop.TotalMinutes, b.EndOfTop.TotalMinutes);
        var until = Math.Max(ends, other);
        var times = a
            .Points.ToArray()
            .Concat(b.Points.ToArray())
            .Select(p => p.Minutes)
            .Append(ends)
            .Append(other)
            .Append(until)
            .Where(m => m <= until)
            .Distinct()
            .Order()
            .ToList();
        double Apart(double m) =>
            a.At(NodaTime.Duration.FromMinutes(Math.Min(m, ends))).Celsius - b.At(NodaTime.Duration.FromMinutes(Math.Min(m, other))).Celsius;
        var area = 0.0;
        for (var i = 1; i < times.Count; i++)
            area += StraightPieces.Area(Apart(times[i - 1]), Apart(times[i]), (times[i] - times[i - 1]) / 60);
        return area;
    }

    private ImmutableArray<Answer> Answers(Tried best)
    {
        var top = new StepWords(profile).DegreesOf(best.Timed.Curve.Peak.Celsius);
        string Answer(Asked asked)
        {
            var q = asked.Question;
            string Near(double value) => q.Show(q.Nearest(value));
            return q.Id switch
            {
                "cone" => best.Cone.Number,
                "speed" => best.Speed!,
                "hours" => Near(best.Hours),
                "hold" => Near(best.Hold),
                "dry" => Near(best.Dry),
                "cool" => best.Cool!,
                _ => OtherAnswers.Of(profile, q, request.Slot, request.Delay, top),
            };
        }
        return [.. ProgramWalk.Of(profile, Answer).Select(a => new Answer(a, Answer(a)))];
    }
}
