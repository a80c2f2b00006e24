using NodaTime;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
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
        FuelWish turned,
        Schedule? schedule,
        Cone? goal,
        PreviewWish wish,
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
            name,
            CurvePointContract.From(plan.Curve, unit),
            schedule is null ? [] : CurvePointContract.From(plan.Line, unit),
            CurvePointContract.From(plan.Cooling, unit),
            0,
            0,
            plan.Energy.Used,
            kiln.Kiln.Uncertainty,
            cost,
            studio.Prices.Currency,
            null,
            plan.OpensAt!.Value.TotalMinutes,
            At(plan.OpensAt.Value),
            kiln.Opens.In(unit),
            [],
            null,
            [.. uses.KwhPerBin.Select(k => Math.Round(k / fullBin, 4))],
            plan.Energy.Lost,
            plan.Energy.Stored,
            new LoadPreview(load.WareMass, load.FurnitureMass, load.Water, load.FirstFiring)
        );
        var progress = HeatWork.OfAll(kiln.Felt(plan.Curve));
        return new PreviewResponse(
            unit,
            kiln.Start.In(unit),
            until,
            plan.Powered.TotalMinutes,
            plan.Curve.Peak.In(unit),
            plan.Curve.FastestRise.PerHourIn(unit),
            Math.Abs(plan.Curve.FastestFall.PerHourIn(unit)),
            Core.Ware.Cooling.FastestDrop(plan.Curve).Drop.In(unit),
            "",
            null,
            [],
            CurvePointContract.From(plan.Curve, unit),
            [.. StandingBand.All.Select(b => new BandContract(b.Name, b.From.In(unit), b.To.In(unit), b.Why))],
            [],
            [.. wish.Between.Select(b => PreviewMapping.Between(plan.Curve, b.From, b.To, unit))],
            [],
            [],
            goal?.Number,
            ConePhrases.Nearest(progress),
            goal is { } g ? ConePhrases.ZeroSlip(g, progress) : null,
            ConeReadings.Of(progress, goal ?? ConePhrases.HottestDown(progress), wish.AllCones),
            [],
            At(Duration.Zero),
            FuelPreviews.Add(preview, plan, kiln, schedule?.Program, unit, begins?.ToInstant(), cost, goal)
        );
    }
}
