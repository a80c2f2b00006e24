using Shouldly;
using Xunit;
using ZealousEmber.Core.Firing.Live;

namespace ZealousEmber.Core.Tests.Firing;

/// <summary>A plan made anew is told of only where it changes something worth a walk to the kiln.</summary>
public sealed class TurnNewsTests
{
    [Fact]
    public void A_firing_that_goes_as_planned_has_no_news()
    {
        var run = GasFollowerTests.Run();
        foreach (var until in new[] { 100.0, 300, 500 })
            TurnNews.Of(GasFollowerTests.Fired(run, until).At(until)!, run.Program, run.Goal, until).ShouldBeEmpty($"at {until}");
    }

    [Fact]
    public void Before_the_first_turn_nothing_is_news()
    {
        var run = GasFollowerTests.Run();
        TurnNews.Of(new FuelFollower(run).At(0)!, run.Program, run.Goal, 0).ShouldBeEmpty();
    }

    [Fact]
    public void Burners_left_low_for_two_hours_shift_the_end_and_say_so()
    {
        var run = GasFollowerTests.Run();
        var follower = GasFollowerTests.Fired(run, 200);
        var low = follower.At(200)!.InForce.Turns[0].Setting;
        follower.Turned(200, low);
        var news = TurnNews.Of(follower.At(320)!, run.Program, run.Goal, 320);
        news.ShouldContain(n => n.StartsWith("Now: ") && n.EndsWith('.'));
        news.ShouldContain(n => n.StartsWith("Shut-off ") && n.EndsWith(" later."));
        news.ShouldAllBe(n => !n.Contains("  ") && char.IsUpper(n[0]));
        news.Length.ShouldBe(news.Distinct().Count());
    }
}
