using CsCheck;
using NodaTime;
using Shouldly;
using Xunit;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Schedules;

public class CompileTests
{
    private static CompiledSchedule Compile(Schedule schedule, double start = 20) =>
        CompiledSchedule.From(schedule.Program, Make.Celsius(start), PlainKiln.Instance).Value;

    [Fact]
    public void A_firing_by_hand_has_the_times_one_works_out_on_paper()
    {
        var compiled = Compile(Make.Schedule(Make.Step(80, 200, 45), Make.Step(160, 1000), Make.Step(60, 1210, 12), Make.Step(55, 880, 90)));

        compiled.Segments.Select(s => s.Ramp.TotalMinutes).ShouldBe([135, 300, 210, 360]);
        compiled.Segments.Select(s => s.Start.TotalMinutes).ShouldBe([0, 180, 480, 702]);
        compiled.Total.TotalMinutes.ShouldBe(1152);
        compiled.Powered.ShouldBe(compiled.Total);
        compiled.Curve.Peak.Celsius.ShouldBe(1210);
        compiled.Curve.FastestRise.KelvinsPerHour.ShouldBe(160, 1e-9);
        compiled.Curve.FastestFall.KelvinsPerHour.ShouldBe(-55, 1e-9);
    }

    [Fact]
    public void Time_in_a_band_counts_both_ways_and_holds_on_its_edge()
    {
        var compiled = Compile(Make.Schedule(Make.Step(100, 1000, 30), Make.Step(50, 800, 60)));
        var band = compiled.Curve.TimeBetween(Make.Celsius(1000), Make.Celsius(900));
        band.Before.TotalMinutes.ShouldBe(60 + 30, 1e-6);
        band.After.TotalMinutes.ShouldBe(120, 1e-6);
        compiled.Curve.TimeAbove(Make.Celsius(800)).TotalMinutes.ShouldBe(120 + 30 + 240 + 60, 1e-6);
        compiled.Curve.TimeAbove(Make.Celsius(1001)).ShouldBe(Duration.Zero);
    }

    [Fact]
    public void Full_power_takes_the_generic_kiln_its_known_time()
    {
        // ∫ dT / (350 − 270·(T−20)/1230) from 20 to 1250 = 1230/270 · ln(350/80) h, and 80 °C/h beyond.
        var compiled = Compile(Make.Schedule(Make.Step(null, 1250, 0, PaceKind.Full), Make.Step(null, 1290, 0, PaceKind.Full)));
        compiled.Segments[0].Ramp.TotalHours.ShouldBe(1230.0 / 270 * Math.Log(350.0 / 80), 1e-9);
        compiled.Segments[1].Ramp.TotalMinutes.ShouldBe(30, 1e-9);
    }

    [Fact]
    public void Off_halves_the_difference_to_the_room_every_three_and_a_half_hours()
    {
        var compiled = Compile(Make.Schedule(Make.Step(100, 1000), Make.Step(null, 510, 0, PaceKind.Natural), Make.Step(null, null, 0, PaceKind.Natural)));
        compiled.Segments[1].Ramp.TotalHours.ShouldBe(3.5, 1e-9);
        compiled.Segments[2].To.Celsius.ShouldBe(50);
        compiled.Segments[2].Ramp.TotalHours.ShouldBe(3.5 * Math.Log2(490.0 / 30), 1e-9);
        compiled.Powered.TotalHours.ShouldBe(9.8, 1e-9);
    }

    [Fact]
    public void The_drawn_cooling_stays_near_the_true_exponential()
    {
        var curve = Compile(Make.Schedule(Make.Step(500, 1200), Make.Step(null, null, 0, PaceKind.Natural))).Curve;
        for (var hours = 0.0; hours < 18; hours += 0.1)
        {
            var truth = 20 + 1180 * Math.Pow(0.5, hours / 3.5);
            curve.At(Duration.FromHours(1180 / 500.0 + hours)).Celsius.ShouldBe(truth, 1.5);
        }
    }

    [Fact]
    public void Off_below_the_room_stops_near_it_and_says_so()
    {
        var schedule = Make.Schedule(Make.Step(100, 120), Make.Step(null, 10, 0, PaceKind.Natural)).For(ScheduleKind.Drying);
        var compiled = Compile(schedule);
        compiled.Segments[1].To.Celsius.ShouldBe(25);
        FiringAssessment
            .Of(schedule, PlainKiln.Instance, null, DisplayUnits.Metric)
            .Value.Findings.Single(f => f.Id == "cools-no-further")
            .ShouldSatisfyAllConditions(f => f.Segment.ShouldBe(1), f => f.Text.ShouldContain("25 °C"));
    }

    [Fact]
    public void A_first_step_that_is_off_cannot_climb_from_the_start() =>
        CompiledSchedule
            .From(Make.Schedule(Make.Step(null, 50, 0, PaceKind.Natural)).Program, Make.Celsius(20), PlainKiln.Instance)
            .Problems.Single()
            .Field.ShouldBe("segments[0].target");

    [Fact]
    public void Off_in_a_kiln_that_is_already_cold_takes_no_time() =>
        Compile(Make.Schedule(Make.Step(null, null, 0, PaceKind.Natural)), start: 15).Total.ShouldBe(Duration.Zero);

    [Fact]
    public void Durations_add_up_for_any_schedule() =>
        Make.AnySchedule.Sample(schedule =>
        {
            var compiled = Compile(schedule);
            var end = Duration.Zero;
            foreach (var segment in compiled.Segments)
            {
                segment.Start.ShouldBe(end);
                end = segment.Start + segment.Ramp + segment.Hold;
                segment.End.ShouldBe(end);
            }
            compiled.Total.ShouldBe(end);
            compiled.Curve.Length.TotalMinutes.ShouldBe(end.TotalMinutes, 1e-6);
        });

    [Fact]
    public void Within_a_step_the_curve_never_turns_round() =>
        Make.AnySchedule.Sample(schedule =>
        {
            var compiled = Compile(schedule);
            var points = compiled.Curve.Points.ToArray();
            foreach (var segment in compiled.Segments)
            {
                var inside = points.Where(p => p.Minutes >= segment.Start.TotalMinutes && p.Minutes <= segment.End.TotalMinutes).ToArray();
                var up = segment.To >= segment.From;
                for (var i = 1; i < inside.Length; i++)
                {
                    var step = inside[i].Celsius - inside[i - 1].Celsius;
                    (up ? step : -step).ShouldBeGreaterThanOrEqualTo(0);
                }
            }
        });

    [Fact]
    public void Bands_that_touch_share_out_the_whole_time() =>
        Gen.Select(Make.AnySchedule, Gen.Double[-20, 1400])
            .Sample(
                (schedule, cut) =>
                {
                    var curve = Compile(schedule).Curve;
                    var below = curve.TimeBetween(Make.Celsius(-273), Make.Celsius(cut)).Total;
                    (below + curve.TimeAbove(Make.Celsius(cut))).TotalMinutes.ShouldBeInRange(curve.Length.TotalMinutes - 1e-3, double.MaxValue);
                    curve.TimeBetween(Make.Celsius(-273), null).Total.TotalMinutes.ShouldBe(curve.Length.TotalMinutes, 1e-3);
                }
            );
}
