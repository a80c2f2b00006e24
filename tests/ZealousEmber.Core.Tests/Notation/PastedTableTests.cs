using Shouldly;
using Xunit;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Notation;

public class PastedTableTests
{
    private static string Line(string table, TemperatureUnit unit = TemperatureUnit.Celsius)
    {
        var result = NotationReader.Read(table, unit);
        result.Error.ShouldBeNull();
        return NotationWriter.Write(result.Segments, unit);
    }

    [Theory]
    [InlineData("80\t200\t45\nfull\t1040\n60\t1210\t12\n-55\t850\t1:30\noff")]
    [InlineData("1\t80\t200\t45\n2\tfull\t1040\t0\n3\t60\t1210\t12\n4\t55\t850\t90\n5\toff\t\t")]
    [InlineData("Step\tTarget °C\tRate °C/h\tHold (min)\n1\t200\t80\t45\n2\t1040\tfull\t-\n3\t1210\t60\t12\n4\t850\t55\t90\n5\t\toff\t")]
    [InlineData("Rate (/h)\tTemp\tSoak (h)\r\n80\t200\t0.75\r\nmax\t1040\t\r\n60\t1210\t0.2\r\n55\t850\t1.5\r\noff\t\t\r\n")]
    public void A_spreadsheet_is_read_with_or_without_its_heading(string table) => Line(table).ShouldBe(Make.GlazeLine);

    [Fact]
    public void Heading_units_count() => Line("Rate °F/h\tTarget °F\n180\t1000", TemperatureUnit.Fahrenheit).ShouldBe("180/h to 1000");

    [Fact]
    public void Rates_per_minute_and_times_are_read()
    {
        Line("Rate °C/min\tTarget\n2\t600").ShouldBe("120/h to 600");
        Line("Time\tTarget\n1:30\t150\n0:30\t150").ShouldBe("1:30 to 150 hold 30m");
        Line("Time (h)\tTarget\n1.5\t170").ShouldBe("100/h to 170");
    }

    [Fact]
    public void Reasons_come_along() => Line("80\t200\t45\tdry the glaze").ShouldBe("80/h to 200 hold 45m \"dry the glaze\"");

    [Theory]
    [InlineData("80\t200\nfull\tabc", 12, "“abc” is not understood here; expected a temperature")]
    [InlineData("80\t200\t45\n60\t\t10", 10, "no temperature to go to")]
    [InlineData("80\t200\tlong", 7, "expected a time")]
    [InlineData("Rate\tTarget\n", 12, "no step below")]
    public void A_cell_that_cannot_be_read_is_pointed_at(string table, int position, string says)
    {
        var error = NotationReader.Read(table, TemperatureUnit.Celsius).Error.ShouldNotBeNull();
        error.Message.ShouldContain(says);
        error.Position.ShouldBe(position);
    }
}
