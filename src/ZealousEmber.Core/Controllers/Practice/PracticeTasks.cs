using System.Collections.Immutable;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Practice;

/// <summary>Tasks for any controller, from reading a schedule to entering one over what somebody left; the same each time.</summary>
public static class PracticeTasks
{
    private const double NearDegrees = 1;
    private const double NearMinutes = 3;
    private static readonly Temperature Room = Temperature.FromCelsius(20);

    private static readonly Schedule Bisque = Made(
        "Bisque with a drying hold",
        ScheduleKind.Bisque,
        "06",
        (80, 90, 120),
        (100, 600, 0),
        (110, 900, 0),
        (60, 998, 0)
    );
    private static readonly Schedule Glaze = Made("Glaze with a hold", ScheduleKind.Glaze, "6", (100, 120, 30), (150, 1100, 0), (60, 1210, 12));
    private static readonly Schedule Matte = Made(
        "Matte glaze, cooled slowly",
        ScheduleKind.Glaze,
        "6",
        (150, 1100, 0),
        (60, 1210, 12),
        (-150, 1040, 0),
        (-60, 850, 0)
    );

    /// <summary>The tasks, the easiest first; none for switches, which are told nothing.</summary>
    public static ImmutableArray<PracticeTask> Of(ControllerProfile profile)
    {
        if (profile.Give == StepForm.Dials)
            return [];
        var (first, last) = profile.Slots.IsEmpty ? (null, null) : (profile.Slots[0], profile.Slots[^1]);
        PracticeTask?[] tasks =
        [
            Read("read-glaze", profile, Glaze),
            Read("read-matte", profile, Matte),
            Enter("enter-glaze", PracticeKind.Enter, profile, Glaze, first, ControllerMemory.New(profile)),
            Enter("enter-bisque", PracticeKind.Enter, profile, Bisque, last, ControllerMemory.New(profile)),
            Enter("over-bisque", PracticeKind.Leftovers, profile, Glaze, first, Left(profile, Bisque, first)),
            Enter("over-glaze", PracticeKind.Leftovers, profile, Matte, first, Left(profile, Glaze, first)),
            Find("find-in-glaze", profile, Glaze, first),
            Find("find-in-bisque", profile, Bisque, first),
        ];
        return [.. tasks.OfType<PracticeTask>()];
    }

    private static Schedule Made(string name, ScheduleKind kind, string cone, params (double Rate, double Target, double Hold)[] steps) =>
        Schedule
            .Create(
                name,
                kind,
                TemperatureUnit.Celsius,
                [
                    .. steps.Select(s => Segment.Create(PaceKind.Rate, Math.Abs(s.Rate), s.Target, s.Hold, TemperatureUnit.Celsius).Value),
                    Segment.Of(Pace.Natural, null).Value,
                ],
                goal: Cone.Named(cone)
            )
            .Value;

    private static PracticeTask Read(string id, ControllerProfile profile, Schedule schedule)
    {
        var timed = new PlainKiln(Room).Times(schedule.Program).Value;
        var top = schedule.Program.Steps[schedule.Program.TopStep];
        var reached = timed.Segments[schedule.Program.TopStep].RampEnd.TotalMinutes;
        return new PracticeTask(
            id,
            PracticeKind.Read,
            schedule,
            null,
            [],
            ControllerMemory.New(profile),
            [
                new PracticeQuestion(
                    "How hot does it get?",
                    Math.Round(top.Target!.Value.In(schedule.Unit)),
                    NearDegrees,
                    "The hottest target of all steps, whatever comes after it."
                ),
                new PracticeQuestion("How long does it hold there?", top.HoldMinutes, 0.5, "The hold of that step."),
                new PracticeQuestion(
                    "How long until the top is reached, from 20 °C?",
                    reached,
                    NearMinutes,
                    "Degrees of each climb by its rate, and the holds before the top."
                ),
            ],
            null
        );
    }

    private static PracticeTask? Enter(string id, PracticeKind kind, ControllerProfile profile, Schedule schedule, string? slot, ControllerMemory memory) =>
        Program(profile, schedule, slot) is { IsDefaultOrEmpty: false } program ? new PracticeTask(id, kind, schedule, slot, program, memory, [], null) : null;

    /// <summary>Somebody entered another schedule, began to enter a third and went home.</summary>
    private static ControllerMemory Left(ControllerProfile profile, Schedule schedule, string? slot)
    {
        var machine = new KeyMachine(profile, ControllerMemory.New(profile));
        foreach (var line in EntryCard.Of(profile, Program(profile, schedule, slot)))
            machine.Press(line.Keys.Where(k => !k.StartsWith("hand ", StringComparison.Ordinal)));
        return machine.Press(["open", "take", "1"]).Memory;
    }

    /// <summary>Entered, but for one value.</summary>
    private static PracticeTask? Find(string id, ControllerProfile profile, Schedule schedule, string? slot)
    {
        var program = Program(profile, schedule, slot);
        foreach (
            var answer in program
                .Where(a => a.Asked.Question.Id is not ("slot" or "count" or "alarm" or "delay") && a.Meaning is null)
                .OrderByDescending(a => a.Shown.Length)
        )
        {
            if (Slipped(answer) is not { } shown)
                continue;
            var memory = ControllerMemory.New(profile);
            foreach (var a in program)
                memory = memory.With(a.Asked, a.Asked == answer.Asked ? shown : a.Shown);
            // It must still ask the same questions, or there would be more than one thing to find.
            if (memory.Program(profile).Select(a => a.Asked.Id).SequenceEqual(program.Select(a => a.Asked.Id)))
                return new PracticeTask(id, PracticeKind.Find, schedule, slot, program, memory with { State = ControllerState.Ready }, [], answer.Asked.Id);
        }
        return null;
    }

    /// <summary>One digit left out, or the next on the wheel.</summary>
    private static string? Slipped(Answer answer)
    {
        var question = answer.Asked.Question;
        if (!question.IsTyped)
        {
            var at = question.Wheel.IndexOf(answer.Shown);
            var to = Math.Min(at + 3, question.Wheel.Length - 1);
            return to != at && question.MeaningOf(question.Wheel[to]) is null ? question.Wheel[to] : null;
        }
        var keys = Typing.Keys(question, answer.Shown).Where(k => k != "dot").ToList();
        return
            keys.Count > 1
            && Typing.Read(question, string.Concat(keys.Take(keys.Count - 1))) is { } shown
            && shown != answer.Shown
            && question.MeaningOf(shown) is null
            ? shown
            : null;
    }

    private static ImmutableArray<Answer> Program(ControllerProfile profile, Schedule schedule, string? slot)
    {
        var fit = ControllerFit.Of(new ProgramRequest(schedule, profile, null, Room, slot));
        return fit.IsOk ? fit.Value.Program : [];
    }
}
