using NodaTime;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Diagnosis;

/// <content>Changes of what clay and glaze go through below the top.</content>
public static partial class SchedulePatcher
{
    private const double MostAcross = 5;
    private const double PerSecond = 3600;
    private const double LongerDrying = 1.3;
    private const double SlowestPace = 5;

    /// <summary>More time with air where carbon burns.</summary>
    private static Result<PatchedSchedule> BurnLonger(PatchTask task, bool vent)
    {
        if (task.Thickest is not { } thick)
            return new Problem("patch", "How long this burn-out has to be depends on the ware: say what was in the kiln.");
        var hours = BurnOut.Needed(thick.Wall, task.Is("slowClay"), task.Is("packed")).TotalHours * (task.Number("burn") >= 1 ? 1.5 : 1);
        var rate = FriendlyNumbers.RateDown((BurnOut.To - BurnOut.From).Kelvins / hours, task.Schedule.Unit);
        var program = Slower(task, task.Schedule.Program, (BurnOut.From.Celsius, BurnOut.To.Celsius), Rate.PerHour(rate), up: true);
        var air = vent
            ? "Leave vent and top peephole open up to 950 °C."
            : "Leave a peephole open for air up to 950 °C; fumes and carbon monoxide come off: air the room.";
        return Slowed(task, program, $"From 650 to 950 °C at {PaceSaid(task, rate)} at most: {Phrases.Number(Math.Round(hours, 1))} h for the burn-out", air);
    }

    /// <summary>No faster through a size change than its walls stand.</summary>
    private static Result<PatchedSchedule> Through(PatchTask task, (double From, double To) band, bool up)
    {
        if (task.Thickest is not { } thick)
            return new Problem("patch", "How fast it may go there depends on the ware: say what was in the kiln.");
        var rate = FriendlyNumbers.RateDown(
            MostAcross * PerSecond / (thick.Depth * thick.Depth) / (task.Is("wide") || thick.Width is not null ? 2 : 1),
            task.Schedule.Unit
        );
        var passed = up ? (Core.Ware.WallGradient.Quartz.From, Core.Ware.WallGradient.Quartz.To) : band;
        var program = Slower(task, task.Schedule.Program, passed, Rate.PerHour(rate), up);
        var (first, last) = up ? passed : (passed.Item2, passed.Item1);
        return Slowed(
            task,
            program,
            $"From {Degrees(task, Temperature.FromCelsius(first))} to {Degrees(task, Temperature.FromCelsius(last))} at {PaceSaid(task, rate)} at most, "
                + $"for {Phrases.Number(thick.Wall)} mm walls",
            null
        );
    }

    /// <summary>A slow band: half as long again as it was, or as long as is wanted.</summary>
    private static Result<PatchedSchedule> SlowBand(PatchTask task)
    {
        if (
            task.Lots.IsDefaultOrEmpty || task.Lots.SelectMany(l => l.Glazes).Select(g => g.Slow).Where(s => s is not null).MaxBy(s => s!.Lasts) is not { } band
        )
            return new Problem("patch", "No glaze of this ware names a slow band; say it at the glaze.");
        var given = band.Lasts.TotalHours * (task.Number("band") ?? 0);
        var hours = Math.Max(band.Lasts.TotalHours, 1.5 * given);
        var rate = FriendlyNumbers.RateDown(Math.Max(SlowestPace, (band.From - band.To).Kelvins / hours), task.Schedule.Unit);
        var program = Slower(task, task.Schedule.Program, (band.To.Celsius, band.From.Celsius), Rate.PerHour(rate), up: false, hold: false);
        var text =
            $"From {Degrees(task, band.From)} to {Degrees(task, band.To)} at {PaceSaid(task, rate)}: about "
            + $"{Phrases.Number(Math.Round((band.From - band.To).Kelvins / rate, 1))} h in the band instead of {Phrases.Number(Math.Round(given, 1))}";
        if (!program.IsOk || task.Goal is not { } goal)
            return Slowed(task, program, text, null);
        // Where the band reaches up to where cones still bend, the top gives way.
        return Kept(task, program.Value, program.Value.TopStep, program.Value.Steps[program.Value.TopStep].HoldMinutes, goal, text);
    }

    /// <summary>Nothing that holds the kiln back between top and 750 °C.</summary>
    private static Result<PatchedSchedule> FastCool(PatchTask task)
    {
        const double Glossy = 750;
        var (program, top) = (task.Schedule.Program, task.Schedule.Program.TopStep);
        var kept = new List<Segment>(program.Steps.Take(top + 1));
        var last = program.Steps.Skip(top + 1).Where(s => s.Target is null || s.Target.Value.Celsius < Glossy).ToList();
        if (kept.Count + last.Count == program.Steps.Length && last.FirstOrDefault() is null or { Pace.Kind: PaceKind.Natural } or { Pace.Kind: PaceKind.Full })
            return new PatchedSchedule(null, "Nothing in this schedule holds it back; open the vent after the top, as far as the kiln maker allows.");
        if (last.Count == 0)
            last.Add(Segment.Of(Pace.Natural, null).Value);
        // A cooling at a rate that reaches across 750 °C goes on from there.
        if (last[0] is { Pace.Kind: PaceKind.Rate })
            kept.Add(Segment.Of(Pace.Natural, Temperature.FromCelsius(Glossy), Duration.Zero, "fast, so that it stays glossy").Value);
        var made = FiringProgram.Create([.. kept, .. last]);
        if (!made.IsOk)
            return Result<PatchedSchedule>.Failed(made.Problems);
        const string Text = "Off from the top to 750 °C, nothing held back";
        return task.Goal is { } goal ? Kept(task, made.Value, top, program.Steps[top].HoldMinutes, goal, Text) : Done(task, made.Value, Text);
    }

    private static Result<PatchedSchedule> DryGlaze(PatchTask task)
    {
        var first = Segment.Of(Pace.At(Rate.PerHour(80)), Temperature.FromCelsius(90), Duration.FromMinutes(30), "dry the glaze").Value;
        var program = task.Schedule.Program;
        var after = program.Steps.SkipWhile(s => s.Target is { } t && t.Celsius <= 130 && s.Pace.Kind != PaceKind.Natural).ToList();
        var made = FiringProgram.Create([first, .. after]);
        return made.IsOk
            ? Done(task, made.Value, "First 80 °C/h to 90 °C and hold 30 min: glaze that is still wet lets go of the ware when it is hurried")
            : Result<PatchedSchedule>.Failed(made.Problems);
    }

    /// <summary>Drier at boiling: the hold below it that the wall needs, and a third more.</summary>
    private static Result<PatchedSchedule> Dry(PatchTask task)
    {
        if (task.Thickest is not { } thick)
            return new Problem("patch", "How long it has to dry depends on the ware: say what was in the kiln.");
        // It was as dry as it should have been, and burst all the same: it was wetter than was said.
        var wetter = task.Number("water") <= 0.3;
        var lot = wetter ? thick.Changed(0, 1) : thick;
        var plan = DryingPlan.For([lot], l => Moisture.Of(l.Dryness), task.Kiln.Boiling, task.Schedule.Unit);
        var hold = Duration.FromMinutes(Math.Min(ScheduleLimits.LongestHold.TotalMinutes, Math.Ceiling(plan.Hold.TotalHours * LongerDrying * 2) * 30));
        var at = Temperature.FromCelsius(plan.HoldAt);
        var program = task.Schedule.Program;
        var rest = program.Steps.SkipWhile(s => s.Target is { } t && t <= task.Kiln.Boiling).ToList();
        var dried = Segment.Of(Pace.At(Rate.PerHour(plan.ToHold)), at, hold, "dry below boiling").Value;
        var past = Segment
            .Of(Pace.At(Rate.PerHour(plan.To200 ?? plan.PastBoiling)), Temperature.FromCelsius(plan.To200 is null ? DryingPlan.PastTo : DryingPlan.SlowTo))
            .Value;
        var made = FiringProgram.Create([dried, .. rest.Count > 0 && rest[0].Target is { } next && next > past.Target ? new[] { past } : [], .. rest]);
        if (!made.IsOk)
            return Result<PatchedSchedule>.Failed(made.Problems);
        return
            Done(
                task,
                made.Value,
                $"Hold {Phrases.Hours(hold)} at {Degrees(task, at)}, below boiling, for {Phrases.Number(thick.Wall)} mm "
                    + $"walls{(wetter ? $" that may be {Moisture.Format(lot.Dryness)}" : "")}"
            )
                is { IsOk: true } done
            ? done.Value with
            {
                Note = "Look for steam on a cold mirror at the peephole before it goes on.",
            }
            : new Problem("patch", "This schedule has no room for a drying hold.");
    }

    private static Result<PatchedSchedule> Slowed(PatchTask task, Result<FiringProgram> program, string text, string? note)
    {
        if (!program.IsOk)
            return Result<PatchedSchedule>.Failed(program.Problems);
        if (program.Value.Equals(task.Schedule.Program))
            return new PatchedSchedule(null, $"{text}: the schedule asks for no more already. What the kiln really did was faster.", note);
        var done = Done(task, program.Value, text);
        return done.IsOk ? done.Value with { Note = note } : done;
    }

    private static string PaceSaid(PatchTask task, double rate) =>
        $"{Phrases.Number(Math.Round(Rate.PerHour(rate).PerHourIn(task.Schedule.Unit)))} {task.Schedule.Unit.Symbol()}/h";

    /// <summary>
    /// The program with every way through a band, up or down, at no more than a rate: steps are taken apart at its ends. Holds inside stay, unless they are
    /// told to go. Steps whose
    /// pace is "off" or "full" count as faster than any rate.
    /// </summary>
    private static Result<FiringProgram> Slower(PatchTask task, FiringProgram program, (double Low, double High) band, Rate rate, bool up, bool hold = true)
    {
        var steps = new List<Segment>();
        var at = task.Kiln.Start.Celsius;
        foreach (var step in program.Steps)
        {
            // The last "off" goes down to where it is opened.
            var to = step.Target?.Celsius ?? task.Kiln.Opens.Celsius;
            var rises = to > at;
            var (enters, leaves) = up ? (band.Low, band.High) : (band.High, band.Low);
            var passes = rises == up && Math.Min(Math.Max(at, to), band.High) - Math.Max(Math.Min(at, to), band.Low) > 1;
            var isSlow = step.Pace.Kind == PaceKind.Rate && step.Pace.Rate!.Value.KelvinsPerHour <= rate.KelvinsPerHour + 1e-9;
            if (!passes || isSlow)
            {
                steps.Add(step);
                at = to;
                continue;
            }
            bool Before(double a, double b) => up ? a < b - 1 : a > b + 1;
            var whole = Temperature.FromCelsius;
            if (Before(at, enters))
                steps.Add(Segment.Of(step.Pace, whole(enters), Duration.Zero, step.Reason, step.Atmosphere).Value);
            var ends = !Before(leaves, to);
            steps.Add(
                Segment
                    .Of(
                        Pace.At(rate),
                        ends && step.Target is { } own ? own : whole(leaves),
                        ends && step.Target is not null && hold ? step.Hold : Duration.Zero,
                        step.Reason,
                        step.Atmosphere
                    )
                    .Value
            );
            if (!ends || step.Target is null)
                steps.Add(step);
            at = to;
        }
        return FiringProgram.Create(steps);
    }
}
