using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>What a controller does with a program: the steps a kiln follows, ending with the power off.</summary>
public static class ProgramSchedule
{
    /// <summary>The steps of a program; problems name <c>program</c> where it goes nowhere.</summary>
    /// <param name="profile">Whose program.</param>
    /// <param name="program">Its answers.</param>
    /// <param name="start">The kiln's temperature when it begins.</param>
    public static Result<FiringProgram> Of(ControllerProfile profile, IReadOnlyList<Answer> program, Temperature start)
    {
        if (profile.Give == StepForm.Dials)
            return new Problem("program", "Switches have no program: they are turned by the clock.");
        var steps = profile.Give == StepForm.Cone ? PresetSteps.Of(profile, program, start) : Stepwise(profile, program, start);
        if (steps.Problems is [var problem, ..])
            return problem with { Field = "program" };
        if (steps.Value.Count == 0)
            return new Problem("program", "This program has no step.");
        var made = FiringProgram.Create([.. steps.Value, Segment.Of(Pace.Natural, null).Value]);
        return made.IsOk ? made : new Problem("program", made.Problems[0].Message);
    }

    private static Result<List<Segment>> Stepwise(ControllerProfile profile, IReadOnlyList<Answer> program, Temperature start)
    {
        var words = new StepWords(profile);
        var steps = new List<Segment>();
        var at = start.Celsius;
        Answer? Find(string id) => program.Where(a => a.Asked.Id == id).Select(a => (Answer?)a).FirstOrDefault();
        double Minutes(string id) => Find(id)?.Value ?? 0;
        for (var k = 1; Find($"{words.Pace.Id}.{k}") is { } pace; k++)
        {
            if (pace.Meaning is "end" or "skip" || Find($"target.{k}")?.Value is not { } degrees)
                continue;
            var target = words.Celsius(degrees);
            var hold = profile is { Give: StepForm.Rate, Hold: HoldRule.Every } ? Minutes($"hold.{k}") : 0;
            if (profile.Give == StepForm.Time && pace.Meaning is null && Math.Abs(target - at) < 0.5)
            {
                // A step to where it is already is a hold.
                hold = pace.Value ?? 0;
                if (steps.Count > 0)
                {
                    var held = Segment.Of(steps[^1].Pace, steps[^1].Target, steps[^1].Hold + Duration.FromMinutes(hold));
                    if (!held.IsOk)
                        return held.Problems[0];
                    steps[^1] = held.Value;
                    continue;
                }
            }
            var made = Segment.Of(PaceOf(profile, words, pace, at, target), Temperature.FromCelsius(target), Duration.FromMinutes(hold));
            if (!made.IsOk)
                return made.Problems[0];
            steps.Add(made.Value);
            at = target;
        }
        if (steps.Count == 0)
            return steps;
        if (profile.Hold == HoldRule.Top && profile.Give == StepForm.Rate)
        {
            var top = steps.FindLastIndex(s => s.Target == steps.Max(o => o.Target!.Value));
            var held = steps[top].Changed(hold: Duration.FromMinutes(Minutes("hold")));
            if (!held.IsOk)
                return held.Problems[0];
            steps[top] = held.Value;
        }
        if (
            profile.Cooling == CoolingRule.One
            && Find("cool") is { Value: { } rate }
            && profile.CoolTo is { } coolTo
            && words.Celsius(coolTo) is var cold
            && cold < at
        )
        {
            var cool = Segment.Of(Pace.At(Rate.PerHour(words.CelsiusPerHour(rate))), Temperature.FromCelsius(cold));
            if (!cool.IsOk)
                return cool.Problems[0];
            steps.Add(cool.Value);
        }
        return steps;
    }

    private static Pace PaceOf(ControllerProfile profile, StepWords words, Answer pace, double at, double target)
    {
        if (pace.Meaning == "full")
            return target < at && profile.FullDownIsOff ? Pace.Natural : Pace.Full;
        var perHour =
            profile.Give == StepForm.Rate ? words.CelsiusPerHour(pace.Value ?? 0)
            : pace.Value is > 0 and var minutes ? Math.Abs(target - at) / minutes * 60
            : 0;
        return perHour > 0
            ? Pace.At(Rate.PerHour(Math.Clamp(perHour, ScheduleLimits.Slowest.KelvinsPerHour, ScheduleLimits.Fastest.KelvinsPerHour)))
            : Pace.Full;
    }
}
