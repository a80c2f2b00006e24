using System.Collections.Immutable;
using ZealousEmber.Core.Controllers.Fit;
using ZealousEmber.Core.Controllers.ReadingBack;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Controllers.Practice;

/// <summary>What came of a task.</summary>
/// <param name="IsDone">It is as it should be.</param>
/// <param name="Text">In a sentence.</param>
/// <param name="Differences">What was entered otherwise, with what that does to the kiln.</param>
/// <param name="Slips">What probably happened.</param>
/// <param name="Fired">What the kiln does with what was really entered; nothing where it does nothing.</param>
public sealed record PracticeResult(bool IsDone, string Text, ImmutableArray<ReadBackDifference> Differences, ImmutableArray<Slip> Slips, FiringProgram? Fired);

/// <summary>Looks at what somebody did in a task.</summary>
public static class PracticeCheck
{
    private static readonly Temperature Room = Temperature.FromCelsius(20);

    /// <summary>What was answered about a schedule, question by question.</summary>
    public static PracticeResult Read(PracticeTask task, IReadOnlyList<double?> answers)
    {
        var wrong = task
            .Questions.Index()
            .Where(q => !(q.Index < answers.Count && answers[q.Index] is { } given && Math.Abs(given - q.Item.Answer) <= q.Item.Near))
            .Select(q => q.Item)
            .ToList();
        return new PracticeResult(wrong.Count == 0, wrong.Count == 0 ? "All right." : $"{wrong[0].Text} {wrong[0].Why}", [], [], task.Schedule.Program);
    }

    /// <summary>What was found wrong.</summary>
    /// <param name="profile">Which controller.</param>
    /// <param name="task">Where something is to be found.</param>
    /// <param name="question">What somebody points at.</param>
    public static PracticeResult Find(ControllerProfile profile, PracticeTask task, string question)
    {
        var entered = Entered(profile, task, task.Memory);
        return entered with
        {
            IsDone = question == task.Wrong,
            Text = question == task.Wrong ? "Found." : "That one is as it should be: look again, value by value.",
        };
    }

    /// <summary>What stands in the controller at the end; it must be fired, and be the right program.</summary>
    /// <param name="profile">Which controller.</param>
    /// <param name="task">What was to be entered.</param>
    /// <param name="memory">The controller as it was left.</param>
    public static PracticeResult Entered(ControllerProfile profile, PracticeTask task, ControllerMemory memory)
    {
        var program = memory.Program(profile);
        var consequences = new Consequences(profile, task.Program, task.Schedule.Kind, Room);
        var back = ReadBack.Of(profile, task.Program, [.. program.Select(a => a.Shown)], task.Memory, consequences);
        if (!back.IsOk)
            return new PracticeResult(false, back.Problems[0].Message, [], [], null);
        var slips = SlipFinder.Of(profile, task.Program, back.Value.Read, consequences.Top.In(profile.Unit), task.Memory);
        var fired = ProgramSchedule.Of(profile, program, Room);
        var text =
            !back.Value.Matches ? $"{Phrases.Count(back.Value.Differences.Length, "value")} not as it should be."
            : memory.State == ControllerState.Fault ? "Right, but it does not start: something is to be done by hand first."
            : memory.State != ControllerState.Firing ? "Right. Now press fire."
            : "Right, and it fires.";
        return new PracticeResult(
            back.Value.Matches && memory.State == ControllerState.Firing,
            text,
            back.Value.Differences,
            slips,
            fired.IsOk ? fired.Value : null
        );
    }
}
