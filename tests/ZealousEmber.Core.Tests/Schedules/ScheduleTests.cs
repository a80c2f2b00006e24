using Shouldly;
using Xunit;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Schedules;

public class ScheduleTests
{
    private static readonly Segment Climb = Make.Step(80, 200);

    private static IReadOnlyList<Problem> ProblemsOf(string? name, IReadOnlyList<Segment> segments, string? notes = null, string?[]? tags = null) =>
        Schedule.Create(name, ScheduleKind.Glaze, TemperatureUnit.Celsius, segments, notes, tags).Problems;

    [Fact]
    public void An_empty_schedule_is_told_what_to_do_first() =>
        ProblemsOf("x", []).Single().ShouldSatisfyAllConditions(p => p.Field.ShouldBe("segments"), p => p.Message.ShouldContain("first one"));

    [Fact]
    public void Sixty_four_steps_fit_and_sixty_five_do_not()
    {
        ProblemsOf("x", Enumerable.Repeat(Climb, 64).ToList()).ShouldBeEmpty();
        ProblemsOf("x", Enumerable.Repeat(Climb, 400).ToList()).Single().Message.ShouldContain("at most 64 steps; this one has 400");
    }

    [Theory]
    [InlineData(null)]
    [InlineData("   ")]
    public void A_name_is_needed(string? name) => ProblemsOf(name, [Climb]).Single().Field.ShouldBe("name");

    [Fact]
    public void Overlong_words_are_named_with_their_length()
    {
        ProblemsOf(new string('n', 121), [Climb]).Single().Message.ShouldContain("121");
        ProblemsOf("x", [Climb], new string('n', 4001)).Single().Field.ShouldBe("notes");
        ProblemsOf("x", [Climb], tags: ["fine", new string('t', 31)]).Single().Field.ShouldBe("tags[1]");
        ProblemsOf("x", [Climb], tags: [.. Enumerable.Range(0, 13).Select(i => $"t{i}")]).Single().Field.ShouldBe("tags");
    }

    [Fact]
    public void Tags_are_tidied_and_kept_once() =>
        Schedule
            .Create("x", ScheduleKind.Glaze, TemperatureUnit.Celsius, [Climb], tags: [" Matte", "matte", "", null, "slow  cool"])
            .Value.Tags.ShouldBe(["matte", "slow cool"]);

    [Fact]
    public void Off_neither_stops_half_way_nor_climbs()
    {
        var off = Make.Step(null, null, 0, PaceKind.Natural);
        ProblemsOf("x", [Climb, off, Climb]).Single().Field.ShouldBe("segments[1].target");
        ProblemsOf("x", [Climb, Make.Step(null, 300, 0, PaceKind.Natural)]).Single().Field.ShouldBe("segments[1].target");
        ProblemsOf("x", [Climb, off]).ShouldBeEmpty();
    }
}
