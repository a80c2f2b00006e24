using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;

namespace ZealousEmber.App.Mapping;

/// <summary>What a kiln makes of a firing, for the wire.</summary>
internal static class KilnPreviews
{
    /// <summary>Nothing where no kiln is chosen: then nobody knows of power and lateness.</summary>
    public static KilnPreview? Of(FiringAssessment firing, OffsetDateTime? begins, StudioSettings studio)
    {
        var (kiln, run, unit) = (firing.Kiln, firing.Run, firing.Schedule.Unit);
        if (kiln is not { Name: { } name, Load: { } load, FullPower: { } power, Uncertainty: not null })
            return null;
        var (cost, note) = Cost(run, begins, studio);
        var fullBin = power / 1000 * KilnRun.Bin.TotalHours;
        var preview = new KilnPreview(
            Name: name,
            Curve: CurvePointContract.From(run.Compiled.Curve, unit),
            Setpoint: CurvePointContract.From(run.SetPoint, unit),
            Cooling: CurvePointContract.From(run.Afterwards, unit),
            LateMinutes: run.Late.TotalMinutes,
            FullPowerMinutes: run.FullPower.TotalMinutes,
            EnergyKwh: run.Energy.Used,
            Uncertainty: RunBand.Of(kiln, run.WholeCurve, run.Energy.Used)!.Value,
            Cost: cost,
            Currency: studio.Prices.Currency,
            CostNote: note,
            OpenMinute: firing.OpensAt.TotalMinutes,
            OpenAt: begins is { } from ? (from + firing.OpensAt).ToDateTimeOffset() : null,
            OpenTemperature: kiln.Opens.In(unit),
            Steps: [.. run.Steps.Select(s => new KilnStepPreview(s.Late.TotalMinutes, s.BehindFrom?.In(unit), s.FullPower.TotalMinutes, s.Kwh))],
            Stall: run.Stall is { } stall ? new KilnStallPreview(stall.Segment, stall.At.In(unit), stall.When.TotalMinutes) : null,
            Duty: [.. Duty(run, fullBin)],
            LostKwh: run.Energy.Lost,
            StoredKwh: run.Energy.Stored,
            Load: new LoadPreview(load.WareMass, load.FurnitureMass, load.Water, load.FirstFiring)
        );
        return run is FuelRun fuelRun && kiln is LoadedFuelKiln fired
            ? FuelPreviews.Add(preview, fuelRun.Plan, fired, firing.Schedule.Program, unit, begins?.ToInstant(), cost, firing.Schedule.Goal)
            : preview;
    }

    /// <summary>Share of full power in each bin, every carrier together.</summary>
    private static IEnumerable<double> Duty(KilnRun run, double fullBin) =>
        Enumerable
            .Range(0, run.Uses.Max(u => u.KwhPerBin.Length))
            .Select(i => Math.Round(run.Uses.Sum(u => i < u.KwhPerBin.Length ? u.KwhPerBin[i] : 0) / fullBin, 4));

    internal static (double? Cost, string? Note) Cost(KilnRun run, OffsetDateTime? begins, StudioSettings studio)
    {
        if (!studio.Prices.Knows(run.Uses))
            return (null, null);
        var cost = studio.Prices.Cost(run.Uses, begins?.ToInstant(), studio.Zone);
        return run.Uses.All(u => studio.Prices.Of(u.Carrier).Bands.IsEmpty)
            ? (cost, null)
            : (cost, begins is null ? "at the usual price; a start gives the real sum" : "by the hours of the tariff");
    }
}
