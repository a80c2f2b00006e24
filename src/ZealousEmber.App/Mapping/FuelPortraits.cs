using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>What a fuel kiln can do, for the wire.</summary>
internal static class FuelPortraits
{
    private static readonly TemperatureDifference CoolingTolerance = TemperatureDifference.FromKelvins(2);

    public static KilnPortraitContract Write(FuelKiln kiln, EnergyPrices prices, CancellationToken cancel)
    {
        var (unit, portrait) = (kiln.Unit, FuelPortrait.Of(kiln, cancel));
        IReadOnlyList<PacePointContract> Paces(IEnumerable<PaceAt> paces) =>
            [.. paces.Select(p => new PacePointContract(p.At.In(unit), p.Rate.PerHourIn(unit)))];
        return new KilnPortraitContract(
            unit,
            Paces(portrait.Powers.Climb),
            Paces(portrait.Powers.Fall),
            portrait.Powers.Hottest.In(unit),
            [.. portrait.Usual.Select(u => Usual(u, kiln, prices))],
            ChamberMapping.Write(kiln.Chamber),
            ChamberMapping.Write(kiln.Props),
            [
                .. portrait.Climbs.Select(c => new SettingClimbContract(
                    c.At.In(unit),
                    Math.Round(c.Pressure, 4),
                    Math.Round(c.Damper, 3),
                    Math.Round(TemperatureDifference.FromKelvins(c.PerHour).In(unit), 1)
                )),
            ],
            [.. portrait.Coolings.Select(c => new DamperCoolingContract(c.Damper, CurvePointContract.From(c.Curve.Thinned(CoolingTolerance), unit)))]
        );
    }

    private static UsualFiringContract Usual(UsualFuelFiring usual, FuelKiln kiln, EnergyPrices prices)
    {
        var plan = usual.Plan;
        var run = plan.Run(kiln.Fuel);
        var top = plan.Segments[plan.Segments.Length - 2];
        return new UsualFiringContract(
            Kind: usual.Kind,
            Line: usual.Line,
            TopMinutes: top.RampEnd.TotalMinutes,
            EnergyKwh: run.Uses[0].Kwh,
            Cost: prices.Knows(run.Uses) ? prices.Cost(run.Uses, null, NodaTime.DateTimeZone.Utc) : null,
            Currency: prices.Currency,
            FullPowerMinutes: 0,
            OpenMinutes: plan.OpensAt!.Value.TotalMinutes,
            Cooling: CoolingMarks.Of(kiln, t => plan.Curve.LastFallThrough(t) - plan.Powered),
            Reached: run.Stall is null,
            FuelKg: Math.Round(plan.TotalFuel, 2),
            Cylinders: kiln.Cylinder > 0 ? Cylinders.Count(kiln.Cylinder, plan, kiln.Room.Celsius) : null
        );
    }
}
