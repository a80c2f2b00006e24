using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Logbook;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Logbook;

/// <summary>Which cone a firing came to: the hottest that is as good as down.</summary>
public sealed class ReachedTests
{
    private static string? Reached(double equivalent) =>
        FiringFigures.Of(
            null,
            FiringNumbers.None,
            [new ShelfHeat("middle", equivalent, 3, 0, null)],
            ConeNumber.Parse("6").Value,
            [],
            null,
            Temperature.FromCelsius(50)
        )["reached"]
            is { } order
            ? Cone.All[(int)order].Number
            : null;

    private static double At(string cone, double clock) =>
        ConeTable.Of(ConeNumber.Parse(cone).Value).Kinetics.EndPoint(60, ConeBend.ProgressAt(ConeBend.DegreesAtClock(clock)));

    [Theory]
    [InlineData("7", 3.5, "6")]
    [InlineData("7", 4.25, "6")]
    [InlineData("7", 4.75, "7")]
    [InlineData("7", 6, "7")]
    [InlineData("6", 5, "6")]
    [InlineData("6", 3.5, "5½")]
    public void The_next_cone_counts_from_half_past_four_on(string cone, double clock, string reached) => Reached(At(cone, clock)).ShouldBe(reached);

    [Fact]
    public void Every_cone_that_is_down_is_reached_and_a_little_more_never_comes_to_less()
    {
        foreach (var cone in Cone.All)
            Reached(At(cone.Number, 6)).ShouldBe(cone.Number);
        var orders = Enumerable.Range(560, 850).Select(t => Reached(t)).Select(n => n is null ? -1 : ConeNumber.Parse(n).Value.Order).ToList();
        orders.ShouldBeInOrder();
        Reached(300).ShouldBeNull("no cone bends so cool");
    }
}
