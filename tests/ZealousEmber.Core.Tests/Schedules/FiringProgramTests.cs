using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Schedules;

/// <summary>Editing gives a new program and leaves the old one alone; nothing goes through the numbers on show.</summary>
public sealed class FiringProgramTests
{
    private static readonly FiringProgram Glaze = Make.Program(Make.GlazeLine);

    [Fact]
    public void An_edit_leaves_the_program_it_was_made_from_as_it_was()
    {
        var before = Glaze.Steps.ToArray();
        Glaze.With(1, Make.Step(150, 1000)).Value.Steps[1].Target!.Value.Celsius.ShouldBe(1000);
        Glaze.Insert(0, Make.Step(50, 90, 60)).Value.Steps.Length.ShouldBe(6);
        Glaze.Remove(0).Value.Steps.Length.ShouldBe(4);
        Glaze.Move(1, 0).Value.Steps[0].ShouldBe(Glaze.Steps[1]);
        Glaze.Replace(2, [Make.Step(60, 1150), Make.Step(30, 1210, 12)]).Value.Steps.Length.ShouldBe(6);
        Glaze.Steps.ShouldBe(before);
    }

    [Fact]
    public void What_would_make_no_program_is_a_problem_at_its_field()
    {
        Make.Program("80/h to 200").Remove(0).Problems.Single().Field.ShouldBe("segments");
        Glaze.Move(4, 0).Problems.Single().Field.ShouldBe("segments[0].target", "an off without a temperature comes last");
        Glaze.With(3, Make.Step(null, 1300, 0, PaceKind.Natural)).Problems.Single().Field.ShouldBe("segments[3].target", "off cannot climb");
        Make.Program(string.Join("; ", Enumerable.Range(1, 64).Select(i => $"80/h to {i * 10}")))
            .Insert(0, Make.Step(80, 5))
            .Problems.Single()
            .Message.ShouldContain("at most 64");
    }

    /// <summary>A rate and a target nobody could type on the other scale come through a change of the hold untouched.</summary>
    [Fact]
    public void A_changed_step_keeps_its_other_numbers_to_the_last_bit() =>
        Make.AnySchedule.Sample(
            schedule =>
            {
                foreach (var step in schedule.Segments.Where(s => !s.IsEndOff))
                {
                    var held = step.Changed(hold: NodaTime.Duration.FromMinutes(7)).Value;
                    held.Target.ShouldBe(step.Target);
                    held.Pace.ShouldBe(step.Pace);
                    held.HoldMinutes.ShouldBe(7);
                }
            },
            iter: 200
        );

    [Fact]
    public void Whole_numbers_are_those_of_the_scale_and_stay_inside_the_limits()
    {
        Make.Step(60, 1222.6, 12.4)
            .Whole(TemperatureUnit.Celsius)
            .ShouldSatisfyAllConditions(s => s.Target!.Value.Celsius.ShouldBe(1223), s => s.HoldMinutes.ShouldBe(12));
        Make.Step(60, 1222.6).Whole(TemperatureUnit.Fahrenheit).Target!.Value.In(TemperatureUnit.Fahrenheit).ShouldBe(2233);
        Make.Step(60, 1400).Whole(TemperatureUnit.Fahrenheit).Target!.Value.Celsius.ShouldBeLessThanOrEqualTo(1400);
    }

    [Fact]
    public void Two_programs_of_the_same_steps_are_the_same() => Make.Program(Make.GlazeLine).ShouldBe(Glaze);
}
