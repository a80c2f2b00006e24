using Shouldly;
using Xunit;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Kilns;

/// <summary>The figures of the kiln model paper: hours and kWh within 5 %, rates within 15 °C/h.</summary>
public sealed class KilnFigureTests
{
    [Theory]
    [InlineData("bench", ScheduleKind.Glaze, 1.0, 8.8, 14.9, 2.7, 0.45, 2.6, 8.6, 12.0)]
    [InlineData("top-100", ScheduleKind.Glaze, 1.0, 9.0, 45.7, 3.0, 0.85, 4.5, 15.0, 21.1)]
    [InlineData("top-190", ScheduleKind.Glaze, 1.0, 9.1, 73.7, 3.2, 1.07, 5.5, 18.4, 25.8)]
    [InlineData("top-190", ScheduleKind.Glaze, 0.5, 8.3, 56.9, 1.1, 0.66, 3.7, 12.6, 17.8)]
    [InlineData("top-190", ScheduleKind.Glaze, 0.0, 8.1, 43.2, 0.0, 0.22, 1.8, 7.1, 10.2)]
    [InlineData("top-190", ScheduleKind.Bisque, 1.0, 11.6, 63.9, 1.6, null, 5.1, 20.1, 28.8)]
    [InlineData("top-290", ScheduleKind.Glaze, 1.0, 9.6, 102.0, 4.7, 1.20, 6.1, 20.4, 28.7)]
    [InlineData("front-200", ScheduleKind.Glaze, 1.0, 9.4, 92.5, 4.0, 1.45, 10.0, 36.3, 51.9)]
    public void Hours_energy_and_cooling(
        string kind,
        ScheduleKind firing,
        double fill,
        double top,
        double kwh,
        double full,
        double? to1000,
        double to500,
        double to100,
        double to50
    )
    {
        var kiln = Make.Kiln(kind);
        var run = KilnRunner.Run(Figures.Firing(firing).Program, Make.Celsius(20), kiln, kiln.UsualLoad(firing, fill)).Value;

        var last = run.Compiled.Segments[2];
        Within(last.RampEnd.TotalHours, top, 0.05, 0.05, "top");
        Within(run.Energy.Used, kwh, 0.05, 0, "kWh");
        Within(run.FullPower.TotalHours, full, 0.05, 0.06, "full power");
        foreach (var (to, hours) in new[] { (1000.0, to1000), (500, to500), (100, to100), (50, to50) })
        {
            if (hours is not { } wanted)
                continue;
            var at = run.Compiled.Curve.LastFallThrough(Make.Celsius(to))!.Value - last.End;
            Within(at.TotalHours, wanted, 0.05, 0.03, $"to {to}");
        }
    }

    private static void Within(double actual, double wanted, double share, double rounding, string what) =>
        actual.ShouldBeInRange(wanted * (1 - share) - rounding, wanted * (1 + share) + rounding, what);

    /// <summary>Shelves go with the ware, and never to none.</summary>
    [Theory]
    [InlineData(100, 50)]
    [InlineData(50, 25)]
    [InlineData(1, 10)]
    [InlineData(300, 50)]
    public void Half_the_ware_stands_on_half_the_shelves(double ware, double shelves) => new KilnLoad(100, 50, true).FurnitureFor(ware).ShouldBe(shelves, 1e-9);
}
