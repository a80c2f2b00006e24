using Shouldly;
using Xunit;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Cones;

public class ConeTests
{
    [Theory]
    [InlineData("04", "04")]
    [InlineData("4", "4")]
    [InlineData(" cone 6 ", "6")]
    [InlineData("Cone 04", "04")]
    [InlineData("^6", "6")]
    [InlineData("Δ6", "6")]
    [InlineData("∆10", "10")]
    [InlineData("5.5", "5½")]
    [InlineData("5½", "5½")]
    [InlineData("5 1/2", "5½")]
    [InlineData("05.5", "05½")]
    [InlineData("05 ½", "05½")]
    [InlineData("022", "022")]
    [InlineData("c10", "10")]
    public void Numbers_are_read_as_people_write_them(string text, string number) => ConeNumber.Parse(text).Value.Number.ShouldBe(number);

    [Theory]
    [InlineData("O4", "could be cone 04 or cone 4")]
    [InlineData("o6", "could be cone 06 or cone 6")]
    [InlineData("-4", "1063 °C, cone 4 at 1162 °C")]
    [InlineData("15", "no cone “15”")]
    [InlineData("0", "no cone “0”")]
    [InlineData("023", "no cone")]
    [InlineData("6.3", "no cone")]
    [InlineData("004", "no cone")]
    [InlineData("", "missing")]
    [InlineData(null, "missing")]
    [InlineData("six", "no cone")]
    public void What_is_no_cone_or_could_be_two_is_asked_about(string? text, string says) =>
        ConeNumber.Parse(text).Problems.Single().Message.ShouldContain(says);

    [Fact]
    public void They_order_from_022_over_01_and_1_to_14()
    {
        Cone.All.Length.ShouldBe(38);
        (Cone.All[0].Number, Cone.All[^1].Number).ShouldBe(("022", "14"));
        ConeNumber.Parse("01").Value.Hotter.ShouldBe(ConeNumber.Parse("1").Value);
        ConeNumber.Parse("06").Value.Hotter.ShouldBe(ConeNumber.Parse("05½").Value);
        ConeNumber.Parse("5½").Value.Cooler.ShouldBe(ConeNumber.Parse("5").Value);
        ConeNumber.Parse("14").Value.Hotter.ShouldBeNull();
        ConeNumber.Parse("04").Value.Twin.ShouldBe(ConeNumber.Parse("4").Value);
        ConeNumber.Parse("022").Value.Twin.ShouldBeNull();
    }

    [Fact]
    public void Every_cone_is_fitted_within_its_tolerance()
    {
        foreach (var entry in ConeTable.All)
        {
            foreach (var (point, residual) in entry.Points.Zip(entry.Residuals))
                Math.Abs(residual).ShouldBeLessThanOrEqualTo(point.RatePerHour == 60 ? 2.5 : 4.0, $"cone {entry.Cone} at {point.RatePerHour}");
        }
        ConeTable.Of(ConeNumber.Parse("6").Value).Kinetics.Theta.ShouldBe(84_000, 1000);
        ConeTable.Of(ConeNumber.Parse("04").Value).Kinetics.Theta.ShouldBe(130_000, 3000);
    }

    [Theory]
    [InlineData(0.5, 30)]
    [InlineData(0.8, 61)]
    [InlineData(0.9, 75)]
    [InlineData(1.0, 90)]
    public void Bend_follows_progress(double progress, double degrees)
    {
        ConeBend.Degrees(progress).ShouldBe(degrees, 1.5);
        ConeBend.ProgressAt(ConeBend.Degrees(progress)).ShouldBe(progress, 1e-9);
        ConeBend.DegreesAtClock(ConeBend.Clock(degrees)).ShouldBe(degrees, 1e-9);
    }

    [Theory]
    [InlineData(0, "stands")]
    [InlineData(0.5, "at 2 o’clock")]
    [InlineData(0.9, "at 5 o’clock")]
    [InlineData(1.0, "down, at 6 o’clock")]
    [InlineData(1.5, "flat")]
    [InlineData(1e9, "flat")]
    public void Bend_is_said_by_the_clock(double progress, string words) => ConeBend.Phrase(progress).ShouldBe(words);

    [Fact]
    public void Bend_never_falls_as_progress_grows()
    {
        var degrees = Enumerable.Range(0, 400).Select(i => ConeBend.Degrees(i / 100.0)).ToArray();
        degrees.Zip(degrees.Skip(1)).ShouldAllBe(p => p.Second > p.First);
    }
}
