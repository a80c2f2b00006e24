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
        if (kiln is not { Name: { } name, Load: { } load, FullPower: { } power, Uncertainty: { } uncertainty })
            return null;
        var (cost, note) = Cost(run, begins, studio);
        var fullBin = power / 1000 * KilnRun.Bin.TotalHours;
        var preview = new KilnPreview(
            name,
            CurvePointContract.From(run.Compiled.Curve, unit),
            CurvePointContract.From(run.SetPoint, unit),
            CurvePointContract.From(run.Afterwards, unit),
            run.Late.TotalMinutes,
            run.FullPower.TotalMinutes,
            run.Energy.Used,
            uncertainty,
            cost,
            studio.Prices.Currency,
            note,
            firing.OpensAt.TotalMinutes,
            begins is { } from ? (from + firing.OpensAt).ToDateTimeOffset() : null,
            kiln.Opens.In(unit),
            [.. run.Steps.Select(s => new KilnStepPreview(s.Late.TotalMinutes, s.BehindFrom?.In(unit), s.FullPower.TotalMinutes, s.Kwh))],
            run.Stall is { } stall ? new KilnStallPreview(stall.Segment, stall.At.In(unit), stall.When.TotalMinutes) : null,
            [.. Duty(run, fullBin)],
            run.Energy.Lost,
            run.Energy.Stored,
            new LoadPreview(load.WareMass, load.FurnitureMass, load.Water, load.FirstFiring)
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
