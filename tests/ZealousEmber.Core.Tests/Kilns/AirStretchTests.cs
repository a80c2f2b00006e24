using CsCheck;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Kilns;

/// <summary>The air of a firing as stretches that can be written along its curve.</summary>
public sealed class AirStretchTests
{
    [Fact]
    public void What_passes_in_a_few_minutes_belongs_to_the_stretch_before()
    {
        AirPoint[] air = [new(0, 4), new(60, 1.3), new(345, 0.86), new(389, 0.91), new(400, 0.99), new(401, 0.95)];
        AirStretch
            .Of(air, 600)
            .ShouldBe([
                new AirStretch(0, 345, Atmosphere.Oxidising),
                new AirStretch(345, 389, Atmosphere.HeavyReduction),
                new AirStretch(389, 600, Atmosphere.LightReduction),
            ]);
        AirStretch.Of([], 600).ShouldBeEmpty();
    }

    [Fact]
    public void They_lie_end_to_end_differ_from_their_neighbours_and_stop_at_the_end() =>
        Gen.Select(Gen.Double[0, 30].Array[1, 40], Gen.Double[0.7, 1.3].Array[40], Gen.Double[0, 700])
            .Sample(
                (steps, lambdas, end) =>
                {
                    var minute = 0.0;
                    var stretches = AirStretch.Of([.. steps.Select((s, i) => new AirPoint(i == 0 ? 0 : minute += s, lambdas[i]))], end);
                    foreach (var (one, next) in stretches.Zip(stretches.Skip(1)))
                    {
                        next.From.ShouldBe(one.To, 1e-9);
                        next.Band.ShouldNotBe(one.Band);
                    }
                    stretches.ShouldAllBe(s => s.To > s.From && s.To <= end);
                    if (end > 0)
                        stretches[^1].To.ShouldBe(end);
                }
            );
}
