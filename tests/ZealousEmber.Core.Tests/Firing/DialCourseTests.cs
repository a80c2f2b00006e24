using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Firing.Live;
using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>Switches under way: what is turned next, what is kept of it, and the off.</summary>
public sealed class DialCourseTests
{
    private static readonly DialCourse Course = new(
        ["upper", "lower"],
        ["off", "low", "medium", "high"],
        [new DialTurn(0, ["low", "low"]), new DialTurn(90, ["low", "medium"]), new DialTurn(200, ["high", "high"])],
        430
    );

    private static readonly WatchedFiring Watched = LiveRun.Started(NodaTime.Instant.FromUtc(2026, 3, 1, 6, 0)).Watched with { Dials = Course };

    [Fact]
    public void A_course_is_kept_as_a_line_and_read_back_to_the_minute() =>
        Gen.Select(Gen.Select(Gen.Double[1, 3000], Gen.Int[0, 3], Gen.Int[0, 3]).Array[1, 12], Gen.Double[1, 5000], Gen.Double[0.5, 1.4])
            .Sample(
                (turns, off, share) =>
                {
                    var course = Course with
                    {
                        Turns = [.. turns.OrderBy(t => t.Item1).Select(t => new DialTurn(t.Item1, [Course.Positions[t.Item2], Course.Positions[t.Item3]]))],
                        OffMinute = off,
                        Share = share,
                    };
                    var read = Course.With(course.WriteTurns())!;
                    read.Turns.Length.ShouldBe(course.Turns.Length);
                    foreach (var (was, now) in course.Turns.Zip(read.Turns))
                    {
                        now.Minute.ShouldBe(was.Minute, 0.051);
                        now.Positions.ShouldBe(was.Positions);
                    }
                    (read.OffMinute, read.Share).ShouldSatisfyAllConditions(r => r.OffMinute.ShouldBe(off, 0.051), r => r.Share.ShouldBe(share, 0.00051));
                }
            );

    [Theory]
    [InlineData(null)]
    [InlineData("")]
    [InlineData("0 1 1; off 430")]
    [InlineData("0 1; off 430; power 1")]
    [InlineData("0 1 9; off 430; power 1")]
    [InlineData("soon 1 1; off 430; power 1")]
    [InlineData("0 1 1; off never; power 1")]
    public void A_line_that_is_none_changes_nothing(string? line) => Course.With(line).ShouldBeNull();

    [Fact]
    public void Any_text_is_read_or_left() => Gen.String.Sample(text => Course.With(text)?.Turns.ShouldNotBeEmpty());

    [Fact]
    public void What_is_turned_next_is_said_with_what_changes()
    {
        var live = new LiveFiring(Watched);
        NextThing Next() => live.Next(live.Report(live.LastAt ?? 0))!;
        Next().ShouldBe(new NextThing(NextKind.Turn, 90, "Turn lower to medium"));
        live.Turned(94, ["low", "medium"]);
        Next().ShouldBe(new NextThing(NextKind.Turn, 200, "Turn upper to high and lower to high"));
        live.Turned(95, ["low", "medium"]);
        live.Dials!.Made.Length.ShouldBe(3, "somebody turned once more than the plan has");
        Next().ShouldBe(new NextThing(NextKind.PowerOff, 430, "Turn everything off"));
    }

    [Fact]
    public void Turned_anew_it_goes_by_the_new_turns_and_ends_with_everything_off()
    {
        var live = new LiveFiring(Watched);
        live.Turned(90, ["low", "medium"]);
        live.GoOnTurning(Course.With("0 1 1; 90 1 2; 260 3 3; off 500; power 0.9")!);
        live.Next(live.Report(90))!.Minutes.ShouldBe(260);
        for (var minute = 5; minute <= 480; minute += 15)
            live.Add(new FiringSample(minute, 20 + 2.2 * minute, ByHand: true));
        live.Turned(470, Course.Off);
        var report = live.Report(480);
        (report.EndAt, report.State).ShouldBe((470, FiringState.Cooling));
        live.Next(report)?.Kind.ShouldBe(NextKind.Open);
    }

    [Fact]
    public void The_same_moment_twice_is_the_same_turn() =>
        DialsTurned.Begun(Course).With(40, ["low", "high"]).With(40, ["low", "medium"]).Made.Select(t => t.Positions[1]).ShouldBe(["low", "medium"]);
}
