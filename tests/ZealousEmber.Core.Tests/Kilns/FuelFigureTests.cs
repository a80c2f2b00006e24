using Xunit;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;

namespace ZealousEmber.Core.Tests.Kilns;

/// <summary>The fuel kiln paper's figures on combustion, settings and climbs, with its tolerances.</summary>
public sealed class FuelFigureTests(ITestOutputHelper told)
{
    private const double Room = 20;

    internal static FuelKiln Kiln(string id, params (string Field, double Value)[] numbers) =>
        FuelKiln.Create(new FuelKilnSpecification("Bittern", id, null, null, numbers.ToDictionary(n => n.Field, n => (double?)n.Value))).Value;

    [Theory]
    [InlineData("propane", 0.86, 300, .723, 600, .608, 1000, .442, 1280, .317)]
    [InlineData("propane", 0.94, 300, .818, 600, .695, 1000, .517, 1280, .384)]
    [InlineData("propane", 1.0, 300, .890, 600, .760, 1000, .574, 1280, .435)]
    [InlineData("propane", 1.2, 300, .871, 600, .719, 1000, .502, 1280, .340)]
    [InlineData("propane", 2.0, 300, .795, 600, .555, 1000, .213, 1280, -.039)]
    public void The_share_of_heat_that_stays(string fuel, double lambda, double t1, double s1, double t2, double s2, double t3, double s3, double t4, double s4)
    {
        foreach (var (at, share) in new[] { (t1, s1), (t2, s2), (t3, s3), (t4, s4) })
            Assert.Equal(share, Combustion.Available(Fuel.Find(fuel)!, lambda, at), 0.01);
    }

    [Theory]
    [InlineData(0.86, .427)]
    [InlineData(0.94, .502)]
    [InlineData(1.0, .559)]
    [InlineData(1.2, .485)]
    [InlineData(2.0, .192)]
    public void Natural_gas_at_1000(double lambda, double share) => Assert.Equal(share, Combustion.Available(Fuel.NaturalGas, lambda, 1000), 0.01);

    [Theory]
    [InlineData("updraft-300", 0.25, 0.5, 504, 932, 1130, 1208, 1.24)]
    [InlineData("updraft-700", 0.25, 0.5, 428, 848, 1055, 1151, 1.40)]
    [InlineData("downdraft-1000", 0.25, 0.5, 395, 824, 1030, 1125, 1.53)]
    [InlineData("updraft-300", 0.5, 0.6, 658, 1184, 1390, 1440, 0.97)]
    [InlineData("updraft-700", 0.5, 0.6, 563, 1083, 1317, 1413, 1.10)]
    [InlineData("downdraft-1000", 0.5, 0.6, 521, 1053, 1291, 1397, 1.22)]
    public void A_full_glaze_load_at_one_setting(string id, double share, double damper, double at1, double at4, double at8, double at12, double lambda)
    {
        var kiln = Kiln(id);
        var simulation = new FuelSimulation(kiln, kiln.UsualLoad(ScheduleKind.Glaze), Room);
        var setting = BurnerSetting.Gauge(kiln, share * kiln.MostPressure, damper);
        var hours = 0.0;
        foreach (var (at, wanted) in new[] { (1.0, at1), (4, at4), (8, at8), (12, at12) })
        {
            simulation.Advance(setting, (at - hours) * 3600);
            hours = at;
            told.WriteLine($"{id} {at} h: {simulation.Chamber:0} for {wanted}; λ {simulation.Breath.Lambda:0.00} for {lambda}");
            Assert.Equal(wanted, simulation.Chamber, 12.0);
        }
        Assert.Equal(lambda, simulation.Breath.Lambda, lambda * 0.04);
    }

    [Theory]
    [InlineData("updraft-300", 0.25, 0.45, 248, 117, -24)]
    [InlineData("updraft-700", 0.25, 0.45, 189, 79, -35)]
    [InlineData("downdraft-1000", 0.25, 0.45, 171, 68, -37)]
    [InlineData("updraft-300", 0.5, 0.55, 419, 266, 57)]
    [InlineData("updraft-700", 0.5, 0.55, 327, 198, 63)]
    [InlineData("downdraft-1000", 0.5, 0.55, 296, 176, 52)]
    public void The_climb_of_the_next_half_hour(string id, double share, double damper, double at600, double at900, double at1250)
    {
        var kiln = Kiln(id);
        foreach (var (to, wanted) in new[] { (600.0, at600), (900, at900), (1250, at1250) })
        {
            var simulation = new FuelSimulation(kiln, kiln.UsualLoad(ScheduleKind.Glaze), Room);
            var minutes = (to - Room) / 100 * 60;
            for (var m = 1; m <= minutes; m++)
                simulation.Model.StepAlong(60, Room + (to - Room) * m / minutes);
            var before = simulation.Chamber;
            simulation.Advance(BurnerSetting.Gauge(kiln, share * kiln.MostPressure, damper), 1800);
            told.WriteLine($"{id} {to}: {(simulation.Chamber - before) * 2:0} for {wanted}");
            Assert.Equal(wanted, (simulation.Chamber - before) * 2, 12.0);
        }
    }

    [Theory]
    [InlineData("updraft-300", 91, 108, 85, 53, 29, 36)]
    [InlineData("updraft-700", 84, 99, 79, 52, 32, 39)]
    [InlineData("downdraft-1000", 86, 100, 82, 56, 37, 46)]
    public void The_climb_at_920_by_air(string id, double at115, double at1, double at094, double at086, double at080, double at15)
    {
        var kiln = Kiln(id);
        foreach (var (lambda, wanted) in new[] { (1.15, at115), (1, at1), (0.94, at094), (0.86, at086), (0.80, at080), (1.5, at15) })
        {
            var simulation = new FuelSimulation(kiln, kiln.UsualLoad(ScheduleKind.Glaze), Room);
            double DamperFor(double l)
            {
                var (low, high) = (0.0, 1.0);
                for (var i = 0; i < 40; i++)
                {
                    var mid = (low + high) / 2;
                    if (simulation.Air.At(BurnerSetting.Gauge(kiln, 0.25 * kiln.MostPressure, mid), 920).Lambda < l)
                        low = mid;
                    else
                        high = mid;
                }
                return low;
            }
            var usual = BurnerSetting.Gauge(kiln, 0.25 * kiln.MostPressure, DamperFor(1.15));
            while (simulation.Chamber < 920)
                simulation.Tick(usual, 10);
            var before = simulation.Chamber;
            simulation.Advance(BurnerSetting.Gauge(kiln, 0.25 * kiln.MostPressure, DamperFor(lambda)), 2700);
            told.WriteLine($"{id} {lambda}: {(simulation.Chamber - before) / 0.75:0} for {wanted}");
            Assert.Equal(wanted, (simulation.Chamber - before) / 0.75, 12.0);
        }
    }
}
