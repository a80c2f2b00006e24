using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>What a change starts from.</summary>
/// <param name="Schedule">As it was fired.</param>
/// <param name="Kiln">Where it is fired again, with what stands in it and what is known of its display.</param>
/// <param name="Goal">The cone it is for; nothing where there is none.</param>
/// <param name="Numbers">Of the firing, where the fault was.</param>
/// <param name="Lots">The ware that has the fault; all of it where that is not known.</param>
/// <param name="Firing">How it was fired: whether its bisque can be changed here.</param>
public sealed record PatchTask(Schedule Schedule, IKilnModel Kiln, Cone? Goal, FiringNumbers Numbers, ImmutableArray<WareLot> Lots, ScheduleKind Firing)
{
    internal double? Number(string name) => Numbers.Values.TryGetValue(name, out var value) ? value : null;

    internal bool Is(string name) => Numbers.Flags.Contains(name);

    internal WareLot? Thickest => Lots.IsDefaultOrEmpty ? null : Lots.MaxBy(l => l.Depth);
}

/// <summary>A change made.</summary>
/// <param name="Schedule">As it is to be fired next; nothing where no step changes.</param>
/// <param name="Text">What is changed, in a sentence.</param>
/// <param name="Note">What else belongs to it; nothing where nothing does.</param>
public sealed record PatchedSchedule(Schedule? Schedule, string Text, string? Note = null);

/// <summary>
/// Makes the change that mends a cause, as steps. Where a change would bring another heat work along with it, the top is solved anew, so that one thing is
/// changed at a time.
/// Source: the project's paper on the firing day, section 7.
/// </summary>
public static partial class SchedulePatcher
{
    private const double MostShift = 12;
    private const double MostHoldChange = 15;
    private const double LongestWorkHold = 60;

    private static readonly ImmutableHashSet<string> OfBisque = [Patches.BurnOut, Patches.Vent, Patches.CoolerBisque, Patches.Dry];

    /// <summary>Makes a change. Problems say why it cannot be made.</summary>
    /// <param name="patch">One of <see cref="Patches"/>.</param>
    /// <param name="task">What it starts from.</param>
    public static Result<PatchedSchedule> Make(string patch, PatchTask task)
    {
        // What is wrong with a bisque is put right in the next bisque, not in the glaze firing where it showed.
        if (OfBisque.Contains(patch) && !task.Firing.FiresRaw())
            return new PatchedSchedule(null, InBisque(patch), "This belongs to the bisque before; its schedule is changed, not this one.");
        return patch switch
        {
            Patches.MoreWork => Work(task, -(task.Number("d60") ?? -MostShift / 2)),
            Patches.LessWork => Work(task, -(task.Number("d60") ?? MostShift / 2)),
            Patches.CoolerBisque => Work(task, -(task.Number("bisque60") ?? MostShift / 2)),
            Patches.Offset => Offset(task),
            Patches.ShorterHold => ShorterHold(task),
            Patches.Heal => Heal(task),
            Patches.DropAndHold => Drop(task),
            Patches.SlowTop => SlowTop(task, 60, 0, 0),
            Patches.Even => SlowTop(task, 60, 10, 45),
            Patches.BurnOut or Patches.Vent => BurnLonger(task, patch == Patches.Vent),
            Patches.Dry => Dry(task),
            Patches.QuartzUp => Through(task, WallGradient.Quartz, up: true),
            Patches.QuartzDown => Through(task, (530, 620), up: false),
            Patches.CristobaliteDown => Through(task, (190, 260), up: false),
            Patches.OpenLater => new PatchedSchedule(
                null,
                $"Do not open before {(task.Is("wide") ? 40 : 50)} °C.",
                "No step changes; it is a matter of waiting."
            ),
            Patches.SlowBand => SlowBand(task),
            Patches.FastCool => FastCool(task),
            Patches.DryGlaze => DryGlaze(task),
            Patches.MoreReduction
            or Patches.LessReduction
            or Patches.EarlierReduction
            or Patches.LaterReduction
            or Patches.ReduceToTheEnd
            or Patches.ClearAtTheEnd
            or Patches.SofterWhileClosing => Air(patch, task),
            Patches.Elements => new PatchedSchedule(
                null,
                "Have the elements looked at before the next firing to this cone; until then a lighter load, or a cooler goal.",
                "Wiring belongs to a licensed person. Isolator off first."
            ),
            _ => new Problem("patch", $"No change is called “{patch}”."),
        };
    }

    private static string InBisque(string patch) =>
        patch switch
        {
            Patches.CoolerBisque => "Fire the next bisque of this ware less hot.",
            Patches.Dry => "Dry the ware longer before its bisque.",
            _ => "Give the next bisque of this ware more time with air between 650 and 950 °C.",
        };

    /// <summary>More or less heat work: first by the hold, the rest by the top.</summary>
    private static Result<PatchedSchedule> Work(PatchTask task, double shift)
    {
        if (Top(task) is not { } top || task.Goal is not { } goal)
            return NoTop;
        var asked = Math.Clamp(shift, -MostShift, MostShift);
        var kinetics = ConeTable.Of(goal).Kinetics;
        if (WorkOf(task, task.Schedule.Program) is not { } before || before < 1e-4)
            return Cold(goal);
        var wanted = kinetics.EndPoint(60, before) + asked;
        var aim = ProgressAt(kinetics, wanted);
        // An hour at the top is so much progress: the hold that would do it alone, within what a hold may move.
        var felt = top.Step.Target!.Value.Celsius + (task.Kiln.Offset?.At(top.Step.Target.Value.Celsius) ?? 0);
        var alone = top.Step.HoldMinutes + (aim - before) / kinetics.RateAt(felt) * 60;
        var most = Math.Max(LongestWorkHold, top.Step.HoldMinutes);
        var hold = Math.Round(Math.Clamp(alone, Math.Max(0, top.Step.HoldMinutes - MostHoldChange), Math.Min(most, top.Step.HoldMinutes + MostHoldChange)));
        var made = Solved(
            task,
            task.Schedule.Program,
            top.Index,
            hold,
            goal,
            aim,
            $"{(asked >= 0 ? "More" : "Less")} heat work, {Phrases.Number(Math.Round(Math.Abs(asked), 1))} °C of cone"
        );
        return made.IsOk && Math.Abs(shift) > MostShift + 0.5
            ? made.Value with
            {
                Note =
                    $"The pack was {Phrases.Number(Math.Round(Math.Abs(shift)))} °C of cone off; at most {Phrases.Number(MostShift)} are changed at once. "
                    + "Look again before the rest.",
            }
            : made;
    }

    /// <summary>The display is off: the same cone, with what is known of it.</summary>
    private static Result<PatchedSchedule> Offset(PatchTask task)
    {
        if (Top(task) is not { } top || task.Goal is not { } goal)
            return NoTop;
        if (task.Kiln.Offset is not { } offset)
            return new PatchedSchedule(
                null,
                "Read a pack in every firing: the next plan is solved with what the display is off by.",
                "Nothing is known of this display yet."
            );
        var shown = Math.Round(offset.At(goal), 1);
        return Solved(
            task,
            task.Schedule.Program,
            top.Index,
            top.Step.HoldMinutes,
            goal,
            1,
            $"The display reads {Phrases.Number(Math.Abs(shown))} °C too {(shown > 0 ? "low" : "high")} (± "
                + $"{Phrases.Number(Math.Round(1.28 * offset.Sd, 1))}, from {Phrases.Count(offset.Packs, "pack")}): the top is solved with that"
        );
    }

    private static Result<PatchedSchedule> ShorterHold(PatchTask task)
    {
        if (Top(task) is not { } top || task.Goal is not { } goal)
            return NoTop;
        var before = top.Step.HoldMinutes;
        var hold = Math.Round(Math.Max(5, Math.Min(before / 2, before - 10)));
        return hold >= before
            ? new PatchedSchedule(null, $"The hold of {Phrases.Number(before)} min is short already.")
            : Kept(
                task,
                task.Schedule.Program,
                top.Index,
                hold,
                goal,
                $"Hold {Phrases.Number(hold)} min instead of {Phrases.Number(before)} at the top, as much heat work as before"
            );
    }

    private static Result<PatchedSchedule> Heal(PatchTask task)
    {
        if (task.Is("runny") || task.Is("fades") || task.Number("d60") > 6)
            return Drop(task);
        if (Top(task) is not { } top || task.Goal is not { } goal)
            return NoTop;
        var before = top.Step.HoldMinutes;
        var hold = Math.Min(30, before + 10);
        return hold <= before
            ? Drop(task)
            : Kept(
                task,
                task.Schedule.Program,
                top.Index,
                hold,
                goal,
                $"Hold {Phrases.Number(hold)} min instead of {Phrases.Number(before)} at the top, as much heat work as before"
            );
    }

    /// <summary>A hold below the top, where glaze still flows but hardly any heat work is added.</summary>
    private static Result<PatchedSchedule> Drop(PatchTask task)
    {
        const double Below = 50,
            Minutes = 30;
        if (Top(task) is not { } top || task.Goal is not { } goal)
            return NoTop;
        if (WorkOf(task, task.Schedule.Program) is not { } aim || aim < 1e-4)
            return Cold(goal);
        var program = task.Schedule.Program;
        var target = top.Step.Target!.Value;
        // The drop hangs on the top, and the top on the drop: it settles at once.
        for (var round = 0; round < 4; round++)
        {
            var drop = Segment.Of(Pace.Natural, target - TemperatureDifference.FromKelvins(Below), Duration.FromMinutes(Minutes), "heal below the top").Value;
            var dropped = program.Insert(top.Index + 1, drop.Whole(task.Schedule.Unit));
            if (!dropped.IsOk)
                return Result<PatchedSchedule>.Failed(dropped.Problems);
            var solved = Solve(task, dropped.Value, top.Step.HoldMinutes, goal, aim);
            if (!solved.IsOk)
                return Result<PatchedSchedule>.Failed(solved.Problems);
            var next = solved.Value.Steps[top.Index].Target!.Value;
            if (Math.Abs((next - target).Kelvins) < 0.5)
                return Done(
                    task,
                    dropped.Value.WithStep(top.Index, next, top.Step.Hold),
                    $"After the top, off to {Degrees(task, drop.Target!.Value)} and hold {Minutes} min, as much heat work as before"
                );
            target = next;
        }
        return new Problem("patch", "No top gives the same heat work with this drop.");
    }

    private static Result<PatchedSchedule> SlowTop(PatchTask task, double rate, double longer, double longest)
    {
        if (Top(task) is not { } top || task.Goal is not { } goal)
            return NoTop;
        var program = Slower(task, task.Schedule.Program, (top.Step.Target!.Value.Celsius - 100, top.Step.Target.Value.Celsius), Rate.PerHour(rate), up: true);
        if (!program.IsOk)
            return Result<PatchedSchedule>.Failed(program.Problems);
        var index = program.Value.TopStep;
        var hold = longer > 0 ? Math.Max(top.Step.HoldMinutes, Math.Min(longest, top.Step.HoldMinutes + longer)) : top.Step.HoldMinutes;
        if (program.Value.Equals(task.Schedule.Program) && hold == top.Step.HoldMinutes)
            return new PatchedSchedule(null, $"The last 100 °C are at {Phrases.Number(rate)} °C/h or less already.");
        var made = Kept(
            task,
            program.Value,
            index,
            hold,
            goal,
            longer > 0
                ? $"The last 100 °C at {Phrases.Number(rate)} °C/h at most and a hold of {Phrases.Number(hold)} min, as much heat work as before"
                : $"The last 100 °C at {Phrases.Number(rate)} °C/h, as much heat work as before"
        );
        return made.IsOk && longer > 0 ? made.Value with { Note = "Stand dense shelves apart; leave the fullest where it is coolest." } : made;
    }

    private static Problem NoTop => new("patch", "This schedule has no top, or no cone to go by.");

    private static Problem Cold(Cone goal) => new("patch", $"This schedule comes nowhere near cone {goal.Number}.");

    private static (int Index, Segment Step)? Top(PatchTask task)
    {
        var index = task.Schedule.Program.TopStep;
        return task.Schedule.Program.Steps[index] is { Target: not null } step ? (index, step) : null;
    }

    private static double? WorkOf(PatchTask task, FiringProgram program) =>
        task.Goal is { } goal && task.Kiln.FeltTimes(program) is { IsOk: true } times ? HeatWork.Of(ConeTable.Of(goal).Kinetics, times.Value.Curve) : null;

    private static Result<FiringProgram> Solve(PatchTask task, FiringProgram program, double hold, Cone goal, double aim) =>
        ConeSolver.TopOf(program, goal, task.Kiln.Start, task.Kiln.FeltTimes, Duration.FromMinutes(hold), task.Schedule.Unit, task.Kiln.TopLimit, aim);

    private static Result<PatchedSchedule> Solved(PatchTask task, FiringProgram program, int index, double hold, Cone goal, double aim, string text)
    {
        var solved = Solve(task, program, hold, goal, aim);
        if (!solved.IsOk)
            return Result<PatchedSchedule>.Failed(solved.Problems);
        var step = solved.Value.Steps[index].Whole(task.Schedule.Unit);
        var was = task.Schedule.Program.Steps[task.Schedule.Program.TopStep].Whole(task.Schedule.Unit);
        var top =
            step.Target == was.Target && step.Hold == was.Hold ? "" : $": {Degrees(task, step.Target!.Value)}, hold {Phrases.Number(step.HoldMinutes)} min";
        return Done(task, program.WithStep(index, step.Target!.Value, step.Hold), $"{text}{top}");
    }

    /// <summary>With another shape, the top solved so that the heat work stays.</summary>
    private static Result<PatchedSchedule> Kept(PatchTask task, FiringProgram program, int index, double hold, Cone goal, string text) =>
        WorkOf(task, task.Schedule.Program) is { } aim && aim > 1e-4 ? Solved(task, program, index, hold, goal, aim, text) : Cold(goal);

    private static Result<PatchedSchedule> Done(PatchTask task, FiringProgram program, string text)
    {
        var whole = FiringProgram.Create([.. program.Steps.Select(s => s.Whole(task.Schedule.Unit))]);
        return whole.IsOk ? new PatchedSchedule(task.Schedule.With(whole.Value), $"{text}.") : Result<PatchedSchedule>.Failed(whole.Problems);
    }

    private static double ProgressAt(ConeKinetics kinetics, double endPoint) => (kinetics.Primitive(endPoint) - kinetics.Primitive(ConeKinetics.Room)) / 60;

    private static string Degrees(PatchTask task, Temperature t) => $"{Phrases.Number(Math.Round(t.In(task.Schedule.Unit)))} {task.Schedule.Unit.Symbol()}";
}
