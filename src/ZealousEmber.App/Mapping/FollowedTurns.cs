using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Assessment;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.App.Mapping;

/// <summary>Turns followed as they are made, told like any preview; what only a schedule has is empty.</summary>
internal static class FollowedTurns
{
    private const double AfterTheLast = 60;

    public static Result<PreviewResponse> Write(
        LoadedFuelKiln kiln,
        FuelOptions turned,
        Schedule? schedule,
        Cone? goal,
        PreviewOptions wish,
        TemperatureUnit unit,
        StudioSettings studio
    )
    {
        var planned = schedule is null ? null : kiln.Turns(schedule.Program);
        if (planned is { IsOk: false })
            return Result<PreviewResponse>.Failed([.. planned.Problems.Select(p => p.Under("schedule"))]);
        var until = turned.Hours * 60 ?? Math.Max(planned?.Value.Powered.TotalMinutes ?? 0, turned.Turns[^1].Minute + AfterTheLast);
        var plan = TurnPlanner.Follow(kiln.Kiln, kiln.Standing, kiln.Start, turned.Turns, until, planned?.Value);
        var (name, load) = (kiln.Name ?? "", kiln.Standing);
        var uses = plan.Use(kiln.Kiln.Fuel);
        var begins = wish.At;
        var cost = studio.Prices.Knows([uses]) ? studio.Prices.Cost([uses], begins?.ToInstant(), studio.Zone) : (double?)null;
        var fullBin = kiln.FullPower!.Value / 1000 * KilnRun.Bin.TotalHours;
        DateTimeOffset? At(Duration time) => begins is { } from ? (from + time).ToDateTimeOffset() : null;
        var preview = new KilnPreview(
            Name: name,
            Curve: CurvePointContract.From(plan.Curve, unit),
            Setpoint: schedule is null ? [] : CurvePointContract.From(plan.Line, unit),
            Cooling: CurvePointContract.From(plan.Cooling, unit),
            LateMinutes: 0,
            FullPowerMinutes: 0,
            EnergyKwh: plan.Energy.Used,
            Uncertainty: RunBand.Of(kiln, plan.Curve, plan.Energy.Used)!.Value,
            Cost: cost,
            Currency: studio.Prices.Currency,
            CostNote: null,
            OpenMinute: plan.OpensAt!.Value.TotalMinutes,
            OpenAt: At(plan.OpensAt.Value),
            OpenTemperature: kiln.Opens.In(unit),
            Steps: [],
            Stall: null,
            Duty: [.. uses.KwhPerBin.Select(k => Math.Round(k / fullBin, 4))],
            LostKwh: plan.Energy.Lost,
            StoredKwh: plan.Energy.Stored,
            Load: new LoadPreview(load.WareMass, load.FurnitureMass, load.Water, load.FirstFiring)
        );
        var progress = HeatWork.OfAll(kiln.Felt(plan.Curve));
        return new PreviewResponse(
            Unit: unit,
            StartTemperature: kiln.Start.In(unit),
            TotalMinutes: until,
            PoweredMinutes: plan.Powered.TotalMinutes,
            Peak: plan.Curve.Peak.In(unit),
            FastestRise: plan.Curve.FastestRise.PerHourIn(unit),
            FastestFall: Math.Abs(plan.Curve.FastestFall.PerHourIn(unit)),
            FastestDrop: Core.Ware.Cooling.FastestDrop(plan.Curve).Drop.In(unit),
            Line: "",
            KilnNote: null,
            Segments: [],
            Curve: CurvePointContract.From(plan.Curve, unit),
            Bands: [.. StandingBand.All.Select(b => new BandContract(b.Name, b.From.In(unit), b.To.In(unit), b.Why))],
            Moments: [],
            TimeBetween: [.. wish.Between.Select(b => PreviewMapping.Between(plan.Curve, b.From, b.To, unit))],
            Findings: [],
            Cautions: [],
            GoalCone: goal?.Number,
            ConeWords: ConePhrases.Nearest(progress),
            ZeroSlip: goal is { } g ? ConePhrases.ZeroSlip(g, progress) : null,
            Cones: ConeReadings.Of(progress, goal ?? ConePhrases.HottestDown(progress), wish.AllCones),
            HeatWorkBySegment: [],
            StartsAt: At(Duration.Zero),
            Kiln: FuelPreviews.Add(preview, plan, kiln, schedule?.Program, unit, begins?.ToInstant(), cost, goal)
        );
    }
}
