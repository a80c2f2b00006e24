using Shouldly;
using Xunit;
using ZealousEmber.Core.Planning;
using ZealousEmber.Core.Saying;

namespace ZealousEmber.Core.Tests.Saying;

/// <summary>Slowly and fast change what is planned, and nothing else that somebody said.</summary>
public sealed class SaidPaceTests
{
    [Fact]
    public void Slowly_is_gentle_and_fast_is_fast_and_nothing_is_the_studios_own()
    {
        var studio = PlanningPreferences.Usual with { Pace = PaceOption.Fast, Drying = DryingOption.SlowClimb };
        SaidDrafts
            .Preferences(new SaidWishes { Pace = SaidPace.Slow }, studio)
            .ShouldSatisfyAllConditions(p => p.Pace.ShouldBe(PaceOption.Gently), p => p.Drying.ShouldBe(DryingOption.LongHold));
        SaidDrafts.Preferences(new SaidWishes { Pace = SaidPace.Slow, Drying = DryingOption.Candle }, studio).Drying.ShouldBe(DryingOption.Candle);
        SaidDrafts.Preferences(new SaidWishes { Pace = SaidPace.Fast }, PlanningPreferences.Usual).Pace.ShouldBe(PaceOption.Fast);
        SaidDrafts.Preferences(new SaidWishes(), studio).ShouldBe(studio);
    }
}
