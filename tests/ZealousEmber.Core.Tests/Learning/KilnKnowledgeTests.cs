using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Learning;

/// <summary>What is said of a kiln from its firings: how its elements go down, whether they were weak, which firings teach it at all.</summary>
public sealed class KilnKnowledgeTests
{
    private static readonly Kiln Stored = Make.Kiln("top-190");
    private static readonly KilnLessons Untaught = new KilnLearner(Stored).Learned;
    private static readonly Instant First = Instant.FromUtc(2026, 1, 1, 8, 0);
    private static readonly Temperature Cone6 = Temperature.FromCelsius(1222);

    private static KilnLessons At(double power, int logs = 5) => Untaught with { Power = new Estimated(power, 0.01), Logs = logs };

    private static KilnKnowledge Known(IEnumerable<double> powers, Instant? newElements = null) =>
        new(Stored, Untaught, new KilnCare(), [.. powers.Select((p, i) => new LearnedMoment(i, First + Duration.FromDays(i), At(p)))], newElements);

    [Fact]
    public void Elements_that_lose_evenly_lose_just_that() =>
        Gen.Select(Gen.Double[0, 0.01], Gen.Int[4, 12])
            .Sample((loss, count) => Known(Enumerable.Range(0, count).Select(i => 1 - loss * i)).PerFiring!.Value.ShouldBe(loss, 1e-9));

    [Fact]
    public void Fewer_than_four_firings_show_nothing() => Known([1, 0.99, 0.98]).PerFiring.ShouldBeNull();

    [Fact]
    public void New_elements_begin_anew()
    {
        double[] powers = [0.8, 0.79, 0.78, 0.77, 1, 0.99, 0.98, 0.97];
        Known(powers).PerFiring!.Value.ShouldBeLessThan(0, "old and new through one line seem to get better");
        Known(powers, First + Duration.FromDays(4)).PerFiring!.Value.ShouldBe(0.01, 1e-9);
        Known(powers, First + Duration.FromDays(5)).PerFiring.ShouldBeNull();
    }

    [Fact]
    public void Only_the_last_dozen_counts() =>
        Known([.. Enumerable.Repeat(0.5, 30), .. Enumerable.Range(0, 12).Select(i => 0.9 - 0.005 * i)]).PerFiring!.Value.ShouldBe(0.005, 1e-9);

    [Fact]
    public void Weak_is_near_worn_at_a_hot_top_with_logs_enough()
    {
        var worn = ElementLife.WornAt(Stored, Stored.UsualLoad(ScheduleKind.Glaze), Cone6);
        bool Weak(double power, Temperature top, int logs = 3) =>
            (Known([]) with { History = [new LearnedMoment(7, First, At(power, logs))] }).WasWeak(7, ScheduleKind.Glaze, top);

        Weak(worn * 1.02, Cone6).ShouldBeTrue();
        Weak(worn * 1.04, Cone6).ShouldBeFalse();
        Weak(worn * 1.02, Cone6, logs: 2).ShouldBeFalse("two logs are too few");
        Weak(0.5, Temperature.FromCelsius(1060)).ShouldBeFalse("a bisque does not ask for them");
        Known([0.5]).WasWeak(8, ScheduleKind.Glaze, Cone6).ShouldBeFalse("another firing says nothing of this one");
    }

    [Fact]
    public void What_somebody_says_goes_over_what_was_learned()
    {
        var known = Known([]) with { Learned = At(0.9), Care = new KilnCare(Offset: 4, Power: 0.8) };
        known.Kiln.ElementHealth.ShouldBe(Stored.ElementHealth * 0.8, 1e-9);
        known.Kiln.Offset!.At1150.ShouldBe(4);
        (known with { Care = new KilnCare() }).Kiln.ElementHealth.ShouldBe(Stored.ElementHealth * 0.9, 1e-9, "without it, the lessons");
    }

    [Fact]
    public void Those_that_teach_are_the_first_with_the_present_elements_and_the_last() =>
        Gen.Select(Gen.Int[0, 150], Gen.Int[0, 150])
            .Sample(
                (count, changed) =>
                {
                    int[] firings = [.. Enumerable.Range(0, count)];
                    Instant? elements = changed < count ? First + Duration.FromDays(changed) : null;
                    var teach = TeachingFirings.Of(firings, i => First + Duration.FromDays(i), elements);
                    teach.ShouldBe(teach.Order().Distinct(), "in the order of time, each once");
                    teach.Length.ShouldBeLessThanOrEqualTo(TeachingFirings.First + TeachingFirings.Last);
                    teach.Length.ShouldBeGreaterThanOrEqualTo(Math.Min(count, TeachingFirings.Last));
                    if (count > 0)
                        teach.ShouldContain(count - 1, "the last one");
                    foreach (var first in firings.Where(i => elements is null || i >= changed).Take(TeachingFirings.First))
                        teach.ShouldContain(first, "what they were as new");
                }
            );
}
