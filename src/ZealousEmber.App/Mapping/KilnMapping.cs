using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Controllers;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;
using ZealousEmber.Store.Repositories;
using ZealousEmber.Store.Saving;

namespace ZealousEmber.App.Mapping;

/// <summary>Between the wire and the core, for kilns and loads.</summary>
internal static class KilnMapping
{
    private const double MostFill = 1.5;

    /// <summary>A kiln, or the problems at its fields.</summary>
    public static Result<StudioKiln> Read(KilnContract? wire)
    {
        if (wire is null)
            return new Problem("", "A kiln is missing here.");
        var chamber = wire.Chamber is { } c ? ChamberMapping.Read(c) : null;
        var props = wire.Props is { } p ? ChamberMapping.Read(p) : null;
        var (inside, stock) = (chamber?.IsOk == true ? chamber.Value : null, props?.IsOk == true ? props.Value : null);
        var kiln = (wire.Heat ?? HeatOf(wire.Class)) == KilnHeatSource.Fuel ? FuelMapping.Read(wire, inside, stock) : ReadElectric(wire, inside, stock);
        Problem[] problems =
        [
            .. kiln.Problems,
            .. (chamber?.Problems ?? []).Select(x => x.Under("chamber")),
            .. (props?.Problems ?? []).Select(x => x.Under("props")),
        ];
        return problems.Length > 0 ? Result<StudioKiln>.Failed(problems) : kiln;
    }

    private static KilnHeatSource HeatOf(string? kilnClass) => FuelKilnClass.Find(kilnClass) is null ? KilnHeatSource.Electric : KilnHeatSource.Fuel;

    private static Result<StudioKiln> ReadElectric(KilnContract wire, Chamber? chamber, PropStock? props)
    {
        var kiln = Kiln.Create(
            new KilnSpecification(
                wire.Name,
                wire.Class,
                wire.Brick,
                wire.HoldClock,
                wire.Notes,
                Numbers(wire),
                wire.Unit ?? TemperatureUnit.Celsius,
                chamber,
                props,
                wire.ControllerId
            )
        );
        return kiln.IsOk ? kiln.Value : Result<StudioKiln>.Failed(kiln.Problems);
    }

    /// <summary>A kiln of the studio's own; the controller it names must be there.</summary>
    public static async Task<Result<StudioKiln>> ReadOwn(KilnContract? wire, StudioKiln? before, HttpContext context)
    {
        var read = Read(wire);
        if (before is not null && read.IsOk && read.Value.GetType() != before.GetType())
            return new Problem(
                "class",
                $"{before.Name} is {(before is Kiln ? "an electric" : "a gas")} kiln, and its firings belong to it. Add the other one as a kiln of its own."
            );
        if (wire?.ControllerId is not { } id || id == before?.ControllerId)
            return read;
        var controller = await context.RequestServices.GetRequiredService<Repository<ListedController>>().Find(id, context.RequestAborted);
        return controller is not null
            ? read
            : Result<StudioKiln>.Failed([.. read.Problems, new Problem("controllerId", $"There is no controller {id} in this studio.")]);
    }

    /// <summary>The kiln as its controller makes it: what becomes of a late climb is the controller's to say.</summary>
    public static Kiln Under(this Kiln kiln, ControllerProfile? controller) =>
        controller is null or { Give: StepForm.Dials } ? kiln : kiln.With(controller.ClockRuns ? HoldClock.RunsByItself : HoldClock.WaitsForTarget);

    /// <summary>The same for any kiln; only an electric one has a controller.</summary>
    public static StudioKiln Under(this StudioKiln kiln, ControllerProfile? controller) => kiln is Kiln electric ? electric.Under(controller) : kiln;

    public static KilnContract Write(StudioKiln kiln) => kiln is FuelKiln fired ? FuelMapping.Write(fired) : Write((Kiln)kiln);

    private static KilnContract Write(Kiln kiln)
    {
        var said = kiln.Specification();
        double Get(KilnNumber number) => said.Numbers[number.Field]!.Value;
        return new KilnContract(
            Name: kiln.Name,
            Class: kiln.Class.Id,
            Unit: kiln.Unit,
            Volume: Get(KilnLimits.Volume),
            Power: Get(KilnLimits.Power),
            Voltage: Get(KilnLimits.Voltage),
            ElementHealth: Get(KilnLimits.ElementHealth),
            Brick: kiln.Brick,
            BrickThickness: Get(KilnLimits.BrickThickness),
            FibreThickness: Get(KilnLimits.FibreThickness),
            TopLimit: Get(KilnLimits.TopLimit),
            OpenLimit: Get(KilnLimits.OpenLimit),
            Room: Get(KilnLimits.Room),
            Altitude: Get(KilnLimits.Altitude),
            VentFlow: Get(KilnLimits.VentFlow),
            Sections: Get(KilnLimits.Sections),
            Leak: Get(KilnLimits.Leak),
            HeatFactor: Get(KilnLimits.HeatFactor),
            LossFactor: Get(KilnLimits.LossFactor),
            Uncertainty: Get(KilnLimits.Uncertainty),
            HoldClock: kiln.HoldClock,
            Notes: kiln.Notes,
            Chamber: kiln.OwnChamber is { } c ? ChamberMapping.Write(c) : null,
            Props: kiln.OwnProps is { } p ? ChamberMapping.Write(p) : null,
            ControllerId: kiln.ControllerId,
            Heat: KilnHeatSource.Electric
        );
    }

    public static VersionedKilnContract Write(Versioned<StudioKiln> stored) =>
        new(stored.Id, stored.Version, stored.UpdatedAt.ToDateTimeOffset(), stored.Item.ClassName, (stored.Item as Kiln)?.Current, Write(stored.Item));

    /// <summary>The load given, filled up with what its lots weigh, else with what a full kiln of this kind of firing holds.</summary>
    public static Result<KilnLoad> ReadLoad(LoadContract? wire, WareLoad? ware, StudioKiln kiln, ScheduleKind kind)
    {
        if (wire is null)
            return kiln.UsualLoad(kind);
        if (wire.Fill is { } fill && !(fill >= 0 && fill <= MostFill))
            return new Problem(
                "fill",
                $"How full it is goes from 0 to {Phrases.Number(MostFill)}, 1 being a usual full load; this says {Phrases.Number(fill)}."
            );
        var usual = kiln.UsualLoad(kind, wire.Fill ?? 1);
        var raw = wire.FirstFiring ?? usual.FirstFiring;
        if (ware is null || wire.Fill is not null)
            return KilnLoad.Create(wire.WareKg ?? usual.WareMass, wire.FurnitureKg ?? usual.FurnitureMass, raw, wire.WaterKg);
        var load = KilnLoad.Create(
            wire.WareKg ?? ware.Mass,
            wire.FurnitureKg ?? usual.FurnitureFor(ware.Mass),
            raw,
            wire.WaterKg ?? (raw && wire.WareKg is null ? ware.Water : null)
        );
        return load.IsOk && wire.WareKg is null ? load.Value with { WareUnsure = ware.MassUnsure } : load;
    }

    private static Dictionary<string, double?> Numbers(KilnContract wire) =>
        new()
        {
            [KilnLimits.Volume.Field] = wire.Volume,
            [KilnLimits.Power.Field] = wire.Power,
            [KilnLimits.Voltage.Field] = wire.Voltage,
            [KilnLimits.ElementHealth.Field] = wire.ElementHealth,
            [KilnLimits.BrickThickness.Field] = wire.BrickThickness,
            [KilnLimits.FibreThickness.Field] = wire.FibreThickness,
            [KilnLimits.TopLimit.Field] = wire.TopLimit,
            [KilnLimits.OpenLimit.Field] = wire.OpenLimit,
            [KilnLimits.Room.Field] = wire.Room,
            [KilnLimits.Altitude.Field] = wire.Altitude,
            [KilnLimits.VentFlow.Field] = wire.VentFlow,
            [KilnLimits.Sections.Field] = wire.Sections,
            [KilnLimits.Leak.Field] = wire.Leak,
            [KilnLimits.HeatFactor.Field] = wire.HeatFactor,
            [KilnLimits.LossFactor.Field] = wire.LossFactor,
            [KilnLimits.Uncertainty.Field] = wire.Uncertainty,
        };
}
