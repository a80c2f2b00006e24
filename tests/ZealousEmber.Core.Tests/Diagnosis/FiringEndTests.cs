using Shouldly;
using Xunit;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Firing.Readings;

namespace ZealousEmber.Core.Tests.Diagnosis;

/// <summary>Whether a firing was given up, told by the power of its last hour.</summary>
public sealed class FiringEndTests
{
    private static List<FiringSample> Log(double minutes, Func<double, double?> share) =>
        [.. Enumerable.Range(0, (int)(minutes / 5) + 1).Select(i => new FiringSample(i * 5, 1000 + i, share(i * 5)))];

    [Fact]
    public void An_hour_at_full_power_and_then_off_is_given_up() => FiringEnd.GaveUp(Log(600, m => m > 500 ? 1 : 0.4), 600).ShouldBeTrue();

    [Fact]
    public void A_hold_at_its_usual_power_is_not() => FiringEnd.GaveUp(Log(600, _ => 0.7), 600).ShouldBeFalse();

    [Fact]
    public void What_came_after_the_switch_does_not_count() => FiringEnd.GaveUp(Log(900, m => m > 600 ? 0 : 1), 600).ShouldBeTrue();

    [Fact]
    public void A_log_without_power_or_one_that_ended_long_before_tells_nothing()
    {
        FiringEnd.GaveUp(Log(600, _ => null), 600).ShouldBeFalse();
        FiringEnd.GaveUp(Log(300, _ => 1), 600).ShouldBeFalse();
        FiringEnd.GaveUp([], 600).ShouldBeFalse();
    }
}
