using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Diagnosis;

/// <content>Changes of the air: where it reduces, how darkly, and how it ends. Heat work stays; only a body reduction that is to be longer is slower.</content>
public static partial class SchedulePatcher
{
    private const double BodyFrom = 900;
    private const double BodyTo = 930;
    private const double BodyPace = 40;
    private const double Soonest = 880;
    private const double Longer = 1.5;
    private const double ClearMinutes = 10;

    private static Result<PatchedSchedule> Air(string patch, PatchTask task)
    {
        if (!task.Kiln.Burns)
            return new PatchedSchedule(null, "There is no fire in this kiln: its air is not the schedule’s to change.");
        var program = task.Schedule.Program;
        var reduces = program.Steps.Any(s => Reduces(s.Atmosphere));
        string At(double celsius) => Degrees(task, Temperature.FromCelsius(celsius));
        Result<PatchedSchedule> Made(Result<FiringProgram> made, string text) =>
            !made.IsOk ? Result<PatchedSchedule>.Failed(made.Problems)
            : made.Value.Equals(program) ? new PatchedSchedule(null, $"{text}: this schedule asks for that already.", HowItWas)
            : Done(task, made.Value, text);
        return patch switch
        {
            Patches.MoreReduction when program.Steps.Any(s => s.Atmosphere == Atmosphere.HeavyReduction) => Made(
                FiringProgram.Create([.. program.Steps.Select(s => s.Atmosphere == Atmosphere.HeavyReduction ? HalfAsLongAgain(s, task.Schedule.Unit) : s)]),
                "Body reduction half as long again"
            ),
            Patches.MoreReduction => Made(
                BodyReduction(program),
                $"Body reduction from {At(BodyFrom)} to {At(BodyTo)} at {PaceSaid(task, BodyPace)}, then light reduction to the top"
            ),
            _ when !reduces => new PatchedSchedule(null, "This schedule asks for no reduction; what there was came from burners and damper.", HowItWas),
            Patches.LessReduction => Made(Less(program, task.Kiln.Start.Celsius), "The second half of the reduction lighter"),
            Patches.EarlierReduction => Made(
                Aired(program, task.Kiln.Start.Celsius, [Soonest], (from, to, air) =>
                    from >= Soonest - 1 && to <= FirstReduced(program, task.Kiln.Start.Celsius) + 1 ? Atmosphere.HeavyReduction : air
                ),
                $"Reduction from {At(Soonest)} on, before the glaze closes"
            ),
            Patches.LaterReduction => Made(
                Aired(program, task.Kiln.Start.Celsius, [Soonest], (_, to, air) => to <= Soonest + 1 && Reduces(air) ? Atmosphere.Oxidising : air),
                $"Air enough up to {At(Soonest)}; reduction after that"
            ),
            Patches.ReduceToTheEnd => Made(ToTheTop(program), "Light reduction up to the top"),
            Patches.ClearAtTheEnd => Made(Cleared(program), $"The last {Phrases.Number(ClearMinutes)} min of the top with air enough"),
            _ => Made(
                Aired(program, task.Kiln.Start.Celsius, [AirNumbers.Closes], (from, _, air) =>
                    from >= AirNumbers.Closes - 1 && air == Atmosphere.HeavyReduction ? Atmosphere.LightReduction : air
                ),
                $"Heavy reduction only below {At(AirNumbers.Closes)}; light above, while the glaze closes"
            ),
        };
    }

    private const string HowItWas = "Hold the turns to the sheet next time, and note smell, flame and probe: the air comes from those.";

    private static bool Reduces(Atmosphere? air) => air is Atmosphere.LightReduction or Atmosphere.HeavyReduction;

    private static double FirstReduced(FiringProgram program, double start)
    {
        var at = start;
        foreach (var step in program.Steps)
        {
            if (Reduces(step.Atmosphere))
                return at;
            at = step.Target?.Celsius ?? at;
        }
        return at;
    }

    private static Segment HalfAsLongAgain(Segment step, TemperatureUnit unit)
    {
        var slower = step.Pace.Rate is { } rate
            ? step.Changed(pace: Pace.At(Rate.PerHour(FriendlyNumbers.RateDown(Math.Max(SlowestPace, rate.KelvinsPerHour / Longer), unit))))
            : step;
        var held = slower.IsOk && step.Hold > Duration.Zero ? slower.Value.Changed(hold: Duration.FromMinutes(Math.Round(step.HoldMinutes * Longer))) : slower;
        return held.IsOk ? held.Value : step;
    }

    /// <summary>A body reduction where there was none, on the climb that passes through it.</summary>
    private static Result<FiringProgram> BodyReduction(FiringProgram program)
    {
        var (steps, at, top) = (new List<Segment>(), double.NegativeInfinity, program.TopStep);
        foreach (var (i, step) in program.Steps.Index())
        {
            var target = step.Target?.Celsius ?? at;
            if (i > top || step.Pace.Kind == PaceKind.Natural || target <= BodyFrom)
                steps.Add(step);
            else
            {
                if (at < BodyFrom && target > BodyTo)
                {
                    var before = step.Changed(target: Temperature.FromCelsius(BodyFrom), hold: Duration.Zero);
                    var body = Segment.Of(
                        Pace.At(Rate.PerHour(BodyPace)),
                        Temperature.FromCelsius(BodyTo),
                        Duration.Zero,
                        "body reduction",
                        Atmosphere.HeavyReduction
                    );
                    if (!before.IsOk || !body.IsOk)
                        return Result<FiringProgram>.Failed([.. before.Problems, .. body.Problems]);
                    steps.AddRange([before.Value.In(Atmosphere.Oxidising), body.Value]);
                }
                steps.Add(step.In(Atmosphere.LightReduction));
            }
            at = target;
        }
        return FiringProgram.Create([.. steps]);
    }

    /// <summary>Of the darkest reduction the second half one shade lighter.</summary>
    private static Result<FiringProgram> Less(FiringProgram program, double start)
    {
        var darkest = program.Steps.Any(s => s.Atmosphere == Atmosphere.HeavyReduction) ? Atmosphere.HeavyReduction : Atmosphere.LightReduction;
        var (at, low, high) = (start, double.PositiveInfinity, double.NegativeInfinity);
        foreach (var step in program.Steps.Take(program.TopStep + 1))
        {
            var target = step.Target?.Celsius ?? at;
            if (step.Atmosphere == darkest)
                (low, high) = (Math.Min(low, at), Math.Max(high, target));
            at = target;
        }
        var middle = Math.Round((Math.Max(low, Math.Min(high, AirNumbers.ReducesFrom)) + high) / 2);
        var lighter = darkest == Atmosphere.HeavyReduction ? Atmosphere.LightReduction : Atmosphere.Neutral;
        return Aired(program, start, [middle], (from, _, air) => air == darkest && from >= middle - 1 ? lighter : air);
    }

    private static Result<FiringProgram> ToTheTop(FiringProgram program)
    {
        var last = program.Steps.ToList().FindLastIndex(program.TopStep, s => Reduces(s.Atmosphere));
        return FiringProgram.Create([.. program.Steps.Select((s, i) => last >= 0 && i > last && i <= program.TopStep ? s.In(Atmosphere.LightReduction) : s)]);
    }

    private static Result<FiringProgram> Cleared(FiringProgram program)
    {
        var (index, top) = (program.TopStep, program.Steps[program.TopStep]);
        if (!Reduces(top.Atmosphere) || top.Target is not { } target)
            return program;
        var less = top.Changed(hold: Duration.FromMinutes(Math.Max(0, top.HoldMinutes - ClearMinutes)));
        var clear = Segment.Of(
            top.Pace.Rate is null ? Pace.At(Rate.PerHour(BodyPace)) : top.Pace,
            target,
            Duration.FromMinutes(ClearMinutes),
            "clean up",
            Atmosphere.Oxidising
        );
        return !less.IsOk || !clear.IsOk
            ? Result<FiringProgram>.Failed([.. less.Problems, .. clear.Problems])
            : FiringProgram.Create([.. program.Steps.Take(index), less.Value, clear.Value, .. program.Steps.Skip(index + 1)]);
    }

    /// <summary>The same climb, cut where the air changes; each part with its air.</summary>
    private static Result<FiringProgram> Aired(FiringProgram program, double start, double[] cuts, Func<double, double, Atmosphere?, Atmosphere?> of)
    {
        var (steps, at) = (new List<Segment>(), start);
        foreach (var (i, step) in program.Steps.Index())
        {
            var target = step.Target?.Celsius ?? at;
            if (i > program.TopStep || target < at)
            {
                steps.Add(step);
                at = target;
                continue;
            }
            foreach (var cut in cuts.Where(c => c > at + 1 && c < target - 1 && of(at, c, step.Atmosphere) != of(c, target, step.Atmosphere)))
            {
                var part = step.Changed(target: Temperature.FromCelsius(cut), hold: Duration.Zero);
                if (!part.IsOk)
                    return Result<FiringProgram>.Failed(part.Problems);
                steps.Add(part.Value.In(of(at, cut, step.Atmosphere)));
                at = cut;
            }
            steps.Add(step.In(of(at, target, step.Atmosphere)));
            at = target;
        }
        return FiringProgram.Create([.. steps]);
    }
}
