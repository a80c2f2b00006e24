using Shouldly;
using Xunit;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Controllers.Practice;

namespace ZealousEmber.Core.Tests.Controllers;

/// <summary>Tasks at every controller, done as the card says and otherwise.</summary>
public sealed class PracticeTests
{
    public static TheoryData<string> Keyed => [.. BuiltInProfiles.All.Select(p => p.Profile).Where(p => p.Give != StepForm.Dials).Select(p => p.Name)];

    private static ControllerMemory Carded(ControllerProfile profile, PracticeTask task, Func<Answer, string?>? instead = null)
    {
        var program = task.Program.Select(a => instead?.Invoke(a) is { } other ? a with { Shown = other } : a).ToList();
        return new KeyMachine(profile, task.Memory).Press(EntryCard.Of(profile, program).SelectMany(l => l.Keys)).Press(["fire"]).Memory;
    }

    [Theory]
    [MemberData(nameof(Keyed))]
    public void Every_task_is_done_by_the_card_and_only_when_it_fires(string name)
    {
        var profile = KeyMachineTests.Profile(name);
        var tasks = PracticeTasks.Of(profile);
        tasks.Select(t => t.Id).ShouldBeUnique();
        tasks.Select(t => t.Kind).ShouldContain(PracticeKind.Leftovers);
        tasks.Select(t => t.Kind).ShouldContain(PracticeKind.Find);
        foreach (var task in tasks.Where(t => t.Kind is PracticeKind.Enter or PracticeKind.Leftovers))
        {
            PracticeCheck.Entered(profile, task, task.Memory).IsDone.ShouldBeFalse($"{name} {task.Id}: nothing is done yet");
            var fired = Carded(profile, task);
            fired.State.ShouldBe(ControllerState.Firing);
            var done = PracticeCheck.Entered(profile, task, fired);
            done.ShouldSatisfyAllConditions(
                d => d.IsDone.ShouldBeTrue($"{name} {task.Id}: {d.Text}"),
                d => d.Differences.ShouldBeEmpty(),
                d => d.Fired.ShouldNotBeNull()
            );
            PracticeCheck
                .Entered(profile, task, fired with { State = ControllerState.Ready })
                .ShouldSatisfyAllConditions(d => d.IsDone.ShouldBeFalse(), d => d.Text.ShouldContain("press fire"));
            if (profile.Hands.Length > 0)
                PracticeCheck.Entered(profile, task, fired with { State = ControllerState.Fault }).Text.ShouldContain("by hand");
        }
        foreach (var task in tasks.Where(t => t.Kind == PracticeKind.Leftovers))
            task.Memory.State.ShouldBe(ControllerState.Ask, "somebody went home in the middle");
    }

    [Theory]
    [MemberData(nameof(Keyed))]
    public void Just_one_value_is_to_be_found_and_it_changes_the_firing(string name)
    {
        var profile = KeyMachineTests.Profile(name);
        foreach (var task in PracticeTasks.Of(profile).Where(t => t.Kind == PracticeKind.Find))
        {
            var found = PracticeCheck.Find(profile, task, task.Wrong!);
            found.IsDone.ShouldBeTrue();
            found.Differences.ShouldHaveSingleItem().Asked.Id.ShouldBe(task.Wrong);
            foreach (var other in task.Program.Where(a => a.Asked.Id != task.Wrong))
                PracticeCheck.Find(profile, task, other.Asked.Id).IsDone.ShouldBeFalse();
        }
    }

    [Fact]
    public void A_slip_is_named_with_what_it_would_have_done()
    {
        var profile = KeyMachineTests.Profile("Wedge");
        var task = PracticeTasks.Of(profile).Single(t => t.Id == "enter-glaze");
        var result = PracticeCheck.Entered(profile, task, Carded(profile, task, a => a.Asked.Id == "rate.1" ? "10" : null));
        result.IsDone.ShouldBeFalse();
        result.Text.ShouldBe("1 value not as it should be.");
        result
            .Differences.ShouldHaveSingleItem()
            .ShouldSatisfyAllConditions(
                d => d.Shown.ShouldBe("10"),
                d => d.Wanted.ShouldBe("100"),
                d => d.Minutes.ShouldBe(540, 2),
                d => d.Consequence.ShouldContain("9 h")
            );
        result.Slips[0].Kind.ShouldBe("digit-dropped");
    }

    [Fact]
    public void A_printed_schedule_is_read_to_the_degree_and_the_few_minutes()
    {
        var task = PracticeTasks.Of(KeyMachineTests.Profile("Wedge")).Single(t => t.Id == "read-matte");
        // 1080 degrees at 150, 110 at 60: 7 h 12 and 1 h 50; the top is not the last target.
        double?[] right = [1210, 12, 7 * 60 + 12 + 110];
        PracticeCheck.Read(task, right).IsDone.ShouldBeTrue();
        PracticeCheck.Read(task, [1210, 12, right[2] + 3]).IsDone.ShouldBeTrue();
        PracticeCheck
            .Read(task, [1210, 12, right[2] + 5])
            .ShouldSatisfyAllConditions(r => r.IsDone.ShouldBeFalse(), r => r.Text.ShouldContain("How long until"));
        PracticeCheck.Read(task, [850, 12, right[2]]).Text.ShouldContain("hottest target");
        PracticeCheck.Read(task, []).IsDone.ShouldBeFalse();
    }

    [Fact]
    public void Switches_have_nothing_to_enter() => PracticeTasks.Of(KeyMachineTests.Profile("Bung")).ShouldBeEmpty();
}
