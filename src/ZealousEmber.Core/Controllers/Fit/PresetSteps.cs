using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Fit;

/// <summary>The curve behind a cone and a speed.</summary>
internal static class PresetSteps
{
    public static Result<List<Segment>> Of(ControllerProfile profile, IReadOnlyList<Answer> program, Temperature start)
    {
        string? Shown(string id) => program.FirstOrDefault(a => a.Asked.Id == id).Shown;
        double Minutes(string id) => program.FirstOrDefault(a => a.Asked.Id == id) is { Shown: not null } a ? a.Value ?? 0 : 0;
        if (Cone.Named(Shown("cone") ?? "") is not { } cone)
            return new Problem("program", "It is not said which cone.");
        return Of(profile, cone, Shown("speed"), Minutes("hours"), Minutes("hold"), Minutes("dry"), Shown("cool"), start);
    }

    /// <summary>The steps up and down, without the off at the end.</summary>
    public static Result<List<Segment>> Of(
        ControllerProfile profile,
        Cone cone,
        string? speed,
        double hoursUp,
        double hold,
        double dry,
        string? cool,
        Temperature start
    )
    {
        var presets = profile.Presets!;
        var words = new StepWords(profile);
        var climb = Climb(presets, speed);
        if (climb.Count == 0)
            return new Problem("program", "There is no such speed.");
        var kinetics = ConeTable.Of(cone).Kinetics;
        // Whole degrees of its own unit.
        double Whole(double celsius) => words.Celsius(Math.Floor(words.DegreesOf(celsius) + 0.5));
        var top = Whole(kinetics.EndPoint(words.CelsiusPerHour(climb[^1].Rate)));
        if (presets.Lowered)
        {
            var high = kinetics.EndPoint(words.CelsiusPerHour(climb[^1].Rate)) + 50;
            double Progress(double t)
            {
                var (work, at) = (0.0, start.Celsius);
                foreach (var step in Up(presets, words, climb, t, hold, dry, hoursUp, start) is { IsOk: true } up ? up.Value : [])
                {
                    var target = step.Target!.Value.Celsius;
                    work += kinetics.Over(at, target, (target - at) / step.Pace.Rate!.Value.KelvinsPerHour) + kinetics.RateAt(target) * step.Hold.TotalHours;
                    at = target;
                }
                return work;
            }
            top = Whole(Roots.Rising(t => Math.Log(Math.Max(Progress(t), 1e-12)), 0, high - 400, high, 1e-3));
        }
        var steps = Up(presets, words, climb, top, hold, dry, hoursUp, start);
        if (!steps.IsOk)
            return steps;
        var at = top;
        foreach (var down in presets.Cools.FirstOrDefault(c => c.Word == cool).Steps is { IsDefault: false } cools ? cools : [])
        {
            var target = Target(words, down.Target, top);
            if (target >= at)
                continue;
            var made = Segment.Of(
                Pace.At(Rate.PerHour(words.CelsiusPerHour(down.Rate))),
                Temperature.FromCelsius(Math.Max(target, ScheduleLimits.Coldest.Celsius))
            );
            if (!made.IsOk)
                return made.Problems[0];
            steps.Value.Add(made.Value);
            at = target;
        }
        return steps;
    }

    private static List<PresetStep> Climb(Presets presets, string? speed)
    {
        if (presets.Last is not { } last)
            return [.. presets.Speeds.FirstOrDefault(s => s.Word == speed).Steps is { IsDefault: false } steps ? steps : []];
        // One rate before, found once the top is known.
        return [new PresetStep(double.NaN, -last.Degrees), new PresetStep(last.Rate, 0)];
    }

    private static Result<List<Segment>> Up(
        Presets presets,
        StepWords words,
        List<PresetStep> climb,
        double top,
        double hold,
        double dry,
        double hoursUp,
        Temperature start
    )
    {
        var steps = new List<Segment>();
        var at = start.Celsius;
        Problem? problem = null;
        void Add(double rate, double target, double minutes)
        {
            var made = Segment.Of(Pace.At(Rate.PerHour(rate)), Temperature.FromCelsius(target), Duration.FromMinutes(minutes));
            if (made.IsOk)
                (steps, at) = ([.. steps, made.Value], target);
            else
                problem = made.Problems[0];
        }
        double RateOf(PresetStep step) => double.IsNaN(step.Rate) ? Before(words, presets.Last!.Value, top, hoursUp) : words.CelsiusPerHour(step.Rate);
        if (dry > 0 && presets.DryAt is { } dryAt && words.Celsius(dryAt) > at)
            Add(RateOf(climb[0]), words.Celsius(dryAt), dry);
        foreach (var (i, step) in climb.Index())
        {
            var target = Target(words, step.Target, top);
            // What is not above where it is falls out.
            if (target <= at)
                continue;
            Add(RateOf(step), target, i == climb.Count - 1 ? hold : 0);
        }
        return problem ?? (Result<List<Segment>>)steps;
    }

    /// <summary>The one rate up to the last degrees, so that the whole climb from 20 °C takes the hours asked, °C/h.</summary>
    private static double Before(StepWords words, (double Rate, double Degrees) last, double top, double hoursUp)
    {
        var left = hoursUp / 60 - last.Degrees / last.Rate;
        var rate = left > 0.01 ? (Target(words, -last.Degrees, top) - ConeKinetics.Room) / left : ScheduleLimits.Fastest.KelvinsPerHour;
        return Math.Clamp(rate, ScheduleLimits.Slowest.KelvinsPerHour, ScheduleLimits.Fastest.KelvinsPerHour);
    }

    private static double Target(StepWords words, double target, double top) =>
        target > 0 ? words.Celsius(target) : words.Celsius(words.DegreesOf(top) + target);
}
