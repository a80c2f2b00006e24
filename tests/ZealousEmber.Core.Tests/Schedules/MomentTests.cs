using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Schedules;

public class MomentTests
{
    private static (Schedule Schedule, CompiledSchedule Compiled) Fire(
        string line,
        ScheduleKind kind = ScheduleKind.Glaze,
        TemperatureUnit unit = TemperatureUnit.Celsius
    )
    {
        var segments = NotationReader.Read(line, unit).Segments;
        var schedule = Schedule.Create("Fired", kind, unit, segments).Value;
        return (schedule, CompiledSchedule.From(schedule.Program, Make.Celsius(20), PlainKiln.Instance).Value);
    }

    private static string[] Moments(string line) =>
        [
            .. Moment
                .Of(Fire(line).Compiled, PlainKiln.Instance.Opens)
                .Select(m => FormattableString.Invariant($"{m.Kind} {m.At.TotalMinutes:0} {m.Temperature.Celsius:0}")),
        ];

    [Fact]
    public void The_moments_of_a_firing_come_in_order_with_their_times() =>
        Moments("100/h to 1000 hold 30m; cool 100/h to 500; off")
            .ShouldBe([
                "PastBoiling 48 100",
                "QuartzRising 332 573",
                "Top 588 1000",
                "CoolingBegins 618 1000",
                "QuartzFalling 874 573",
                "PowerOff 918 500",
                "MayOpen 1758 50",
            ]);

    [Fact]
    public void What_does_not_happen_is_left_out() => Moments("60/h to 90 hold 1h").ShouldBe(["Top 70 90"]);

    [Fact]
    public void Cautions_stand_once_at_the_step_they_belong_to()
    {
        var (schedule, compiled) = Fire("60/h to 85; 100/h to 600; 100/h to 1000; off", ScheduleKind.Bisque);
        Caution.For(schedule, compiled).Select(c => (c.Segment, c.Text.Split(' ')[0])).ShouldBe([(1, "Damp"), (1, "Clay"), (2, "Shaded"), (3, "Leave")]);
    }

    [Fact]
    public void A_glaze_firing_is_spared_the_burn_out_and_a_reduction_warned_of_its_gas()
    {
        var (schedule, compiled) = Fire("100/h to 1200 in light reduction");
        var texts = Caution.For(schedule, compiled).Select(c => c.Text).ToList();
        texts.ShouldNotContain(t => t.Contains("burns out") || t.Contains("bursts"));
        texts.ShouldContain(t => t.Contains("carbon monoxide"));
    }

    [Fact]
    public void Cautions_speak_the_readers_scale()
    {
        var (schedule, compiled) = Fire("150/h to 300", ScheduleKind.Bisque, TemperatureUnit.Fahrenheit);
        Caution.For(schedule, compiled).Single().Text.ShouldContain("194 °F");
    }
}
