using Shouldly;
using Xunit;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Notation;

public class NotationTests
{
    /// <summary>Steps in a form one reads at a glance: pace, target, hold in minutes.</summary>
    private static string[] Read(string text, TemperatureUnit unit = TemperatureUnit.Celsius)
    {
        var result = NotationReader.Read(text, unit);
        result.Error.ShouldBeNull(text);
        return
        [
            .. result.Segments.Select(s =>
                FormattableString.Invariant(
                    $"{(s.Pace.Rate is { } r ? Math.Round(r.KelvinsPerHour, 3).ToString("0.###") : s.Pace.Kind == PaceKind.Full ? "full" : "off")} {Math.Round(s.Target?.Celsius ?? -1, 2):0.##} {s.Hold.TotalMinutes:0.##}"
                )
            ),
        ];
    }

    private static NotationError Fail(string text) => NotationReader.Read(text, TemperatureUnit.Celsius).Error.ShouldNotBeNull(text);

    [Fact]
    public void The_line_of_the_papers_is_read() => Read(Make.GlazeLine).ShouldBe(["80 200 45", "full 1040 0", "60 1210 12", "55 850 90", "off -1 0"]);

    [Fact]
    public void Printed_step_labels_are_passed_over_and_an_atmosphere_still_begins_with_in()
    {
        Read("Ramp 1: 100 to 250, hold 60\nRamp 2: 150 to 1000; ramp 3: 60 to 1060 hold 5").ShouldBe(["100 250 60", "150 1000 0", "60 1060 5"]);
        var result = NotationReader.Read("in 4:00 to 600 in light reduction; ramp 80 to 900", TemperatureUnit.Celsius);
        result.Error.ShouldBeNull();
        result.Segments[0].Atmosphere.ShouldBe(Atmosphere.LightReduction);
        Math.Round(result.Segments[0].Pace.Rate!.Value.KelvinsPerHour, 2).ShouldBe(145);
        Fail("in 4:00 tu 600").Message.ShouldContain("“tu”");
    }

    [Theory]
    [InlineData("150F/h to 220F", "83.333 104.44 0")]
    [InlineData("150 °F per hour to 220 °F", "83.333 104.44 0")]
    [InlineData("2/min to 600", "120 600 0")]
    [InlineData("2 °C/min to 600 °C", "120 600 0")]
    [InlineData("80 to 200", "80 200 0")]
    [InlineData("80/h → 200", "80 200 0")]
    [InlineData("80/h -> 200 hold 0.5h", "80 200 30")]
    [InlineData("80/h=>200", "80 200 0")]
    [InlineData("1:30 to 150", "86.667 150 0")]
    [InlineData("90 min to 150", "86.667 150 0")]
    [InlineData("1h 30 to 150", "86.667 150 0")]
    [InlineData("to 150 in 1:30", "86.667 150 0")]
    [InlineData("in 1:30 to 150", "86.667 150 0")]
    [InlineData("climb in 90 min to 150, hold 10", "86.667 150 10")]
    [InlineData("Ramp 1: 80 to 200, hold 60", "80 200 60")]
    [InlineData("Step 12: 80/h to 200", "80 200 0")]
    [InlineData("80/h to 200 soak 45", "80 200 45")]
    [InlineData("80/h to 200, dwell for 1 h 15 min", "80 200 75")]
    [InlineData("80/h to 200 hold 1h30", "80 200 90")]
    [InlineData("80/h to 200 hold 90", "80 200 90")]
    [InlineData("80/h to 200 hold 2 hours", "80 200 120")]
    [InlineData("80/h to 200 no hold", "80 200 0")]
    [InlineData("80/h to 200; hold 30m; hold 15m", "80 200 45")]
    [InlineData("80/h to 200 hold 10m at 200", "80 200 10")]
    [InlineData("Climb 80 °C/h to 200 °C, hold 45 min", "80 200 45")]
    [InlineData("heat at 80 degrees an hour to 200 degrees", "80 200 0")]
    [InlineData("climb to 200 at 80/h", "80 200 0")]
    [InlineData("full power to 1040", "full 1040 0")]
    [InlineData("MAX TO 1040", "full 1040 0")]
    [InlineData("-80/h to 200", "80 200 0")]
    [InlineData("1) 80/h to 200;", "80 200 0")]
    public void Steps_are_read_as_people_write_them(string text, string expected) => Read(text).ShouldBe([expected]);

    [Theory]
    [InlineData("80/h to 200, full to 1040")]
    [InlineData("80/h to 200\nfull to 1040\n\n")]
    [InlineData("80/h to 200 then full to 1040")]
    [InlineData("1. 80/h to 200\r\n2. full to 1040")]
    [InlineData("  80/h to 200 ;; full to 1040 ; ")]
    public void Steps_are_parted_in_many_ways(string text) => Read(text).ShouldBe(["80 200 0", "full 1040 0"]);

    [Theory]
    [InlineData("100/h to 1000; cool to 850; off", "off 850 0")]
    [InlineData("100/h to 1000; cool naturally to 850; off", "off 850 0")]
    [InlineData("100/h to 1000; fall 150/h to 850; cool", "150 850 0")]
    [InlineData("100/h to 1000; -150/h to 850; off", "150 850 0")]
    [InlineData("100/h to 1000; drop 2/min to 850; off", "120 850 0")]
    public void Cooling_is_a_full_citizen(string text, string second)
    {
        var steps = Read(text);
        steps[1].ShouldBe(second);
        steps[2].ShouldBe("off -1 0");
    }

    [Fact]
    public void A_step_by_time_to_where_it_stands_is_a_hold() => Read("80/h to 200; 0:45 to 200; 1:00 to 300").ShouldBe(["80 200 45", "100 300 0"]);

    [Fact]
    public void Numbers_without_a_scale_take_the_one_of_the_schedule() => Read("180 to 1000", TemperatureUnit.Fahrenheit).ShouldBe(["100 537.78 0"]);

    [Fact]
    public void Reasons_and_atmospheres_come_along()
    {
        var segments = NotationReader.Read("60/h to 1210 hold 12m in light reduction \"cones catch up\"; off in neutral", TemperatureUnit.Celsius).Segments;
        segments[0].Reason.ShouldBe("cones catch up");
        segments.Select(s => s.Atmosphere).ShouldBe([Atmosphere.LightReduction, Atmosphere.Neutral]);
    }

    [Theory]
    [InlineData("80/h to 200 holt 45m", 12, "“holt” is not understood")]
    [InlineData("80/h to", 7, "ends here; expected a temperature")]
    [InlineData("80/h to ; full to 1040", 8, "expected a temperature")]
    [InlineData("80/x to 200", 3, "“x” is not understood")]
    [InlineData("", 0, "Nothing is written")]
    [InlineData("  \n ", 0, "Nothing is written")]
    [InlineData("80/h to 99999", 8, "between −20 and 1400 °C")]
    [InlineData("0/h to 200", 0, "never arrive")]
    [InlineData("5000/h to 200", 0, "at most 2000")]
    [InlineData("80/h to 200 hold 100h", 12, "at most 99 h")]
    [InlineData("80/h to 200; cool 60/h to 1210", 26, "says cool, but 1210 °C is above 200 °C")]
    [InlineData("80/h to 200; climb 60/h to 100", 27, "says climb, but 100 °C is below 200 °C")]
    [InlineData("full to 1,040", 8, "Write thousands without one")]
    [InlineData("hold 30m", 0, "no step stands before it")]
    [InlineData("80/h to 200 hold 5m at 300", 23, "The step before ends at 200 °C")]
    [InlineData("off; 80/h to 200", 0, "Only the last step")]
    [InlineData("80/h to 200; off to 300", 13, "cannot climb")]
    [InlineData("0:00 to 200", 0, "no time at all")]
    [InlineData("80/h to 200 full to 1040", 12, "expected")]
    [InlineData("80/h to 200 \"no end", 12, "not understood")]
    [InlineData("🔥 to 200", 0, "not understood")]
    public void An_error_points_at_the_place_and_says_what_was_expected(string text, int position, string says)
    {
        var error = Fail(text);
        error.Position.ShouldBe(position, error.Message);
        error.Message.ShouldContain(says);
    }

    [Fact]
    public void Lines_and_columns_count_from_one()
    {
        var error = Fail("80/h to 200\nfull to 1040\n60/h tu 1210");
        (error.Line, error.Column).ShouldBe((3, 6));
    }

    [Fact]
    public void More_steps_than_fit_point_at_the_first_one_too_many()
    {
        var error = Fail(string.Join("; ", Enumerable.Repeat("80/h to 200", 65)));
        error.Position.ShouldBe(64 * "80/h to 200; ".Length);
        Fail(new string('8', 9000)).Message.ShouldContain("longer than");
    }
}
