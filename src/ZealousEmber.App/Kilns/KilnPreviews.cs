using NodaTime;
using ZealousEmber.App.Preview;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Kilns;

/// <summary>A run on a kiln for the wire.</summary>
internal static class KilnPreviews
{
    public static KilnPreview Of(FiringKiln firing, KilnRun run, TemperatureUnit unit, OffsetDateTime? begins, StudioHours? studio)
    {
        var (kiln, load) = (firing.Kiln!, firing.Load!);
        var (cost, note) = Cost(run, begins, studio);
        var fullBin = kiln.FullPower / 1000 * KilnRun.Bin.TotalHours;
        return new KilnPreview(
            kiln.Name, CurvePointContract.From(run.Compiled.Curve, unit), CurvePointContract.From(run.SetPoint, unit), CurvePointContract.From(run.Afterwards, unit),
            run.Late.TotalMinutes, run.FullPower.TotalMinutes, run.Energy.Used, kiln.Uncertainty, cost, studio?.Tariff.Currency ?? "", note,
            run.OpensAt.TotalMinutes, begins is { } from ? (from + run.OpensAt).ToDateTimeOffset() : null, kiln.Opens.In(unit),
            [.. run.Steps.Select(s => new KilnStepPreview(s.Late.TotalMinutes, s.BehindFrom?.In(unit), s.FullPower.TotalMinutes, s.Kwh))],
            run.Stall is { } stall ? new KilnStallPreview(stall.Segment, stall.At.In(unit), stall.When.TotalMinutes) : null,
            [.. run.KwhPerBin.Select(k => Math.Round(k / fullBin, 4))], run.Energy.Lost, run.Energy.Stored,
            new LoadPreview(load.WareMass, load.FurnitureMass, load.Water, load.FirstFiring));
    }

    private static (double? Cost, string? Note) Cost(KilnRun run, OffsetDateTime? begins, StudioHours? studio)
    {
        if (studio is null || (studio.Tariff.Price == 0 && studio.Tariff.Bands.IsEmpty)) return (null, null);
        var tariff = studio.Tariff;
        if (tariff.Bands.IsEmpty) return (run.Energy.Used * tariff.Price, null);
        return begins is { } from
            ? (tariff.Cost(run.KwhPerBin, KilnRun.Bin, from.ToInstant(), studio.Zone), "by the hours of the tariff")
            : (run.Energy.Used * tariff.Price, "at the usual price; a start gives the real sum");
    }
}
