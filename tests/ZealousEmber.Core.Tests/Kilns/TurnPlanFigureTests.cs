using Xunit;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Notation;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Tests.Kilns;

/// <summary>The fuel kiln paper's figures on whole firings, planned into turns.</summary>
public sealed class TurnPlanFigureTests(ITestOutputHelper told)
{
    internal const string Glaze =
        "120/h to 150 in oxidation; 180/h to 480 in oxidation; 120/h to 650 in oxidation; 180/h to 900 in oxidation; 40/h to 930 in heavy reduction; "
        + "110/h to 1200 in light reduction; 60/h to 1275 in light reduction; 60/h to 1275 hold 20m in oxidation";

    internal const string Bisque =
        "60/h to 100 hold 1h in oxidation; 60/h to 150 in oxidation; 120/h to 480 in oxidation; 80/h to 650 in oxidation; 120/h to 980 hold 10m in oxidation";

    internal static FiringProgram Read(string line) => FiringProgram.Create(NotationReader.Read(line, TemperatureUnit.Celsius).Segments).Value;

    internal static TurnPlan Plan(FuelKiln kiln, string line, ScheduleKind kind, int every = TurnPlanner.UsualEvery) =>
        TurnPlanner.Plan(kiln, kiln.UsualLoad(kind), Temperature.FromCelsius(20), Read(line), every).Value;

    [Theory]
    [InlineData("updraft-300", 10.7, 25.5, 11.0, 15.8, 9.0, 32)]
    [InlineData("updraft-700", 10.6, 46.5, 11.1, 30.2, 12.6, 46)]
    [InlineData("downdraft-1000", 10.6, 65.8, 11.2, 43.7, 14.9, 57)]
    public void Hours_and_fuel_of_a_glaze_and_a_bisque(
        string id,
        double glazeHours,
        double glazeKg,
        double bisqueHours,
        double bisqueKg,
        double to500,
        double to100
    )
    {
        var kiln = FuelFigureTests.Kiln(id);
        var (glaze, bisque) = (Plan(kiln, Glaze, ScheduleKind.Glaze), Plan(kiln, Bisque, ScheduleKind.Bisque));
        double Cooling(double to) => (glaze.Cooling.LastFallThrough(Temperature.FromCelsius(to))!.Value - glaze.Powered).TotalHours;
        Assert.Equal(glazeHours, glaze.Powered.TotalHours, glazeHours * 0.05);
        Assert.Equal(glazeKg, glaze.TotalFuel, glazeKg * 0.06);
        Assert.Equal(bisqueHours, bisque.Powered.TotalHours, bisqueHours * 0.05);
        Assert.Equal(bisqueKg, bisque.TotalFuel, bisqueKg * 0.06);
        Assert.Equal(to500, Cooling(500), to500 * 0.05);
        Assert.Equal(to100, Cooling(100), to100 * 0.05);
    }

    [Theory]
    [InlineData(15, 1, 3, 10)]
    [InlineData(30, 3, 8.5, 24)]
    [InlineData(60, 8, 24, 66)]
    public void How_near_turns_keep_to_the_line(int every, double least, double most, double worst)
    {
        foreach (var id in FuelKilnClass.All.Select(c => c.Id))
        {
            foreach (var (line, kind) in new[] { (Glaze, ScheduleKind.Glaze), (Bisque, ScheduleKind.Bisque) })
            {
                var follow = Plan(FuelFigureTests.Kiln(id), line, kind, every).Follow;
                told.WriteLine($"every {every} min, {id} {kind}: rms {follow.Rms:0.0}, worst {follow.Worst:0.0}, late {follow.Late.TotalMinutes:0} min");
                Assert.InRange(follow.Rms, least, most);
                Assert.InRange(follow.Worst, 0, worst);
            }
        }
    }

    [Theory]
    [InlineData("updraft-300", 2)]
    [InlineData("updraft-700", 3)]
    [InlineData("downdraft-1000", 4)]
    public void Cylinders_of_33_kg_for_a_glaze(string id, int count) =>
        Assert.Equal(count, Cylinders.Count(33, Plan(FuelFigureTests.Kiln(id), Glaze, ScheduleKind.Glaze), 20));

    [Theory]
    [InlineData(20, 1.4, 2.8, 3.6)]
    [InlineData(0, 0.7, 1.5, 1.9)]
    public void What_half_full_cylinders_give_for_long(double room, double of11, double of33, double of47)
    {
        foreach (var (kg, wanted) in new[] { (11.0, of11), (33, of33), (47, of47) })
            Assert.Equal(wanted, Cylinders.Steadily(kg, 0.5, 0.4, room), wanted * 0.08);
    }

    [Fact]
    public void Less_gas_and_colder_air_starve_sooner()
    {
        var plan = Plan(FuelFigureTests.Kiln("updraft-300"), Glaze, ScheduleKind.Glaze);
        var (warm, cold) = (Cylinders.StarvesAt(33, 1, plan, 20), Cylinders.StarvesAt(33, 1, plan, 0));
        Assert.NotNull(warm);
        Assert.True(cold < warm, $"{cold} before {warm}");
        Assert.Null(Cylinders.StarvesAt(33, 2, plan, 20));
    }

    [Fact]
    public void More_cylinders_and_a_warmer_shed_leave_more_to_spare()
    {
        var plan = Plan(FuelFigureTests.Kiln("updraft-300"), Glaze, ScheduleKind.Glaze);
        CylinderMargin At(int count, double room) => Cylinders.Margin(33, count, plan, room);
        for (var count = 2; count < 6; count++)
        {
            var (here, more, colder) = (At(count, 20), At(count + 1, 20), At(count, 5));
            Assert.True(more.SpareKelvins > here.SpareKelvins && more.LeftKg > here.LeftKg);
            Assert.True(colder.SpareKelvins < here.SpareKelvins);
            Assert.Equal(here.StarvesAt is not null, here.SpareKelvins < 0 || here.LeftKg <= 0);
            Assert.Equal(33 - plan.TotalFuel * 1.15 / count, here.LeftKg, 0.05);
        }
    }
}
