using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>Between the wire and the core, for fuel kilns.</summary>
internal static class FuelMapping
{
    /// <summary>A fuel kiln, or the problems at its fields.</summary>
    public static Result<StudioKiln> Read(KilnContract wire, Chamber? chamber, PropStock? props)
    {
        var problems = new List<Problem>();
        var fuel = ReadFuel(wire.Fuel, "fuel", problems);
        if (wire.ControllerId is not null)
            problems.Add(new Problem("controllerId", "A fuel kiln has no controller: it is turned up by hand."));
        var kiln = FuelKiln.Create(
            new FuelKilnSpecification(wire.Name, wire.Class, fuel, wire.Notes, Numbers(wire), wire.Unit ?? TemperatureUnit.Celsius, chamber, props)
        );
        problems.AddRange(kiln.Problems);
        return problems.Count > 0 ? Result<StudioKiln>.Failed(problems) : kiln.Value;
    }

    /// <summary>A fuel by its word; nothing where none is given.</summary>
    public static Fuel? ReadFuel(string? word, string field, List<Problem> problems)
    {
        if (word is null)
            return null;
        if (Fuel.Find(word) is { } found)
            return found;
        problems.Add(new Problem(field, $"A fuel is one of {string.Join(", ", Fuel.All.Select(f => f.Id))}."));
        return null;
    }

    public static KilnContract Write(FuelKiln kiln)
    {
        var said = kiln.Specification();
        double Get(KilnNumber number) => said.Numbers[number.Field]!.Value;
        return new KilnContract(
            Name: kiln.Name,
            Class: kiln.Class.Id,
            Unit: kiln.Unit,
            Volume: Get(FuelLimits.Volume),
            BrickThickness: Get(FuelLimits.BrickThickness),
            FibreThickness: Get(FuelLimits.FibreThickness),
            TopLimit: Get(FuelLimits.TopLimit),
            OpenLimit: Get(FuelLimits.OpenLimit),
            Room: Get(FuelLimits.Room),
            Altitude: Get(FuelLimits.Altitude),
            Uncertainty: Get(FuelLimits.Uncertainty),
            Notes: kiln.Notes,
            Chamber: kiln.OwnChamber is { } c ? ChamberMapping.Write(c) : null,
            Props: kiln.OwnProps is { } p ? ChamberMapping.Write(p) : null,
            Heat: KilnHeatSource.Fuel,
            Fuel: kiln.Fuel.Id,
            Burners: Get(FuelLimits.Burners),
            BurnerPower: Get(FuelLimits.BurnerPower),
            MostPressure: Get(FuelLimits.MostPressure),
            Mark: Get(FuelLimits.Mark),
            Flue: Get(FuelLimits.Flue),
            Inlets: Get(FuelLimits.Inlets),
            Draft: Get(FuelLimits.Draft),
            Gap: Get(FuelLimits.Gap),
            Cylinder: Get(FuelLimits.Cylinder),
            BurnerFactor: Get(FuelLimits.BurnerFactor),
            WallFactor: Get(FuelLimits.WallFactor),
            AirFactor: Get(FuelLimits.AirFactor),
            Cylinders: Get(FuelLimits.Cylinders),
            TurnEvery: Get(FuelLimits.TurnEvery)
        );
    }

    private static Dictionary<string, double?> Numbers(KilnContract wire) =>
        new()
        {
            [FuelLimits.Volume.Field] = wire.Volume,
            [FuelLimits.Burners.Field] = wire.Burners,
            [FuelLimits.BurnerPower.Field] = wire.BurnerPower,
            [FuelLimits.MostPressure.Field] = wire.MostPressure,
            [FuelLimits.Mark.Field] = wire.Mark,
            [FuelLimits.Flue.Field] = wire.Flue,
            [FuelLimits.Inlets.Field] = wire.Inlets,
            [FuelLimits.Draft.Field] = wire.Draft,
            [FuelLimits.BrickThickness.Field] = wire.BrickThickness,
            [FuelLimits.FibreThickness.Field] = wire.FibreThickness,
            [FuelLimits.Gap.Field] = wire.Gap,
            [FuelLimits.TopLimit.Field] = wire.TopLimit,
            [FuelLimits.OpenLimit.Field] = wire.OpenLimit,
            [FuelLimits.Room.Field] = wire.Room,
            [FuelLimits.Altitude.Field] = wire.Altitude,
            [FuelLimits.Cylinder.Field] = wire.Cylinder,
            [FuelLimits.Cylinders.Field] = wire.Cylinders,
            [FuelLimits.TurnEvery.Field] = wire.TurnEvery,
            [FuelLimits.BurnerFactor.Field] = wire.BurnerFactor,
            [FuelLimits.WallFactor.Field] = wire.WallFactor,
            [FuelLimits.AirFactor.Field] = wire.AirFactor,
            [FuelLimits.Uncertainty.Field] = wire.Uncertainty,
        };
}
