using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Firing.Live;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>What can be said of a started firing when.</summary>
public sealed class RunChangeTests
{
    private static readonly Instant Start = Instant.FromUtc(2026, 11, 24, 18, 0);
    private static readonly FiringRun Run = LiveRun.Started(Start);

    private static FiringRun In(FiringState state) =>
        state switch
        {
            FiringState.Started => Run with { StartsAt = Start + Duration.FromHours(5) },
            FiringState.Firing => Run,
            FiringState.Cooling => Run with { CooledAt = Start },
            FiringState.Stopped => Run with { StoppedAt = Start },
            FiringState.Opened => Run with { StoppedAt = Start, OpenedAt = Start },
            FiringState.Read => Run with { StoppedAt = Start, OpenedAt = Start, ReadAt = Start },
            _ => Run with { StoppedAt = Start, OpenedAt = Start, ReadAt = Start, ClosedAt = Start },
        };

    [Theory]
    [InlineData(FiringState.Started, "stopped opened")]
    [InlineData(FiringState.Firing, "stopped")]
    [InlineData(FiringState.Cooling, "opened")]
    [InlineData(FiringState.Stopped, "opened resumed")]
    [InlineData(FiringState.Opened, "read closed")]
    [InlineData(FiringState.Read, "closed")]
    [InlineData(FiringState.Closed, "reopened")]
    public void Each_state_takes_only_what_follows_it(FiringState state, string taken)
    {
        var at = Start + Duration.FromHours(1);
        In(state).State(at).ShouldBe(state);
        RunChange.All.Where(c => c.Refusal(In(state), at) is null).Select(c => c.Word).ShouldBe(taken.Split(' '), ignoreOrder: true);
        RunChange.All.Select(c => c.Refusal(In(state), at)).OfType<string>().ShouldAllBe(why => why.EndsWith('.'));
    }

    [Fact]
    public void What_is_said_becomes_so_and_is_taken_back_by_its_opposite()
    {
        var at = Start + Duration.FromHours(1);
        RunChange.Stopped.Of(Run, at).State(at).ShouldBe(FiringState.Stopped);
        RunChange.Resumed.Of(RunChange.Stopped.Of(Run, at), at).ShouldBe(Run);
        RunChange.Opened.Of(In(FiringState.Started), at).StoppedAt.ShouldBe(at, "opened before its hour, it is never switched on");
        RunChange.Reopened.Of(RunChange.Closed.Of(In(FiringState.Read), at), at).ShouldBe(In(FiringState.Read));
        RunChange.Resumed.Refusal(In(FiringState.Stopped) with { Link = LinkKind.Simulated }, at).ShouldNotBeNull();
    }
}
