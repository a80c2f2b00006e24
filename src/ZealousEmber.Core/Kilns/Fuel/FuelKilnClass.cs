using System.Collections.Immutable;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>
/// A kind of gas kiln with the values it usually has; a kiln of a studio starts from one and is then made its own. Source of every value:
/// the fuel kiln paper's table of classes.
/// </summary>
/// <param name="Id">Short name, as on the wire.</param>
/// <param name="Name">For people.</param>
/// <param name="Volume">Inside, litres.</param>
/// <param name="Inside">Width, depth, height, m.</param>
/// <param name="BrickThickness">m.</param>
/// <param name="FibreThickness">m; 0 where there is none.</param>
/// <param name="Burners">How many.</param>
/// <param name="BurnerPower">Of one at full pressure, W.</param>
/// <param name="MostPressure">Full pressure at the burners, bar above the air's.</param>
/// <param name="Mark">Of the gauge, bar.</param>
/// <param name="Flue">Area of the flue with the damper out, m².</param>
/// <param name="Inlets">Area where air comes in beside the flames, m².</param>
/// <param name="Draft">Height that draws, m.</param>
/// <param name="HasStack">Whether that is a stack, which does not grow with the chamber.</param>
/// <param name="StackWarmth">How warm the gas is along that height, as a share of its heat above the room's.</param>
/// <param name="FlueView">Share of the flue's opening through which the chamber shines out.</param>
/// <param name="Skin">Heat capacity of hot skin, J/K.</param>
/// <param name="Gap">Loss through joints and ports, W/K.</param>
/// <param name="GlazeWare">A full glaze firing, kg of ware.</param>
/// <param name="GlazeFurniture">Shelves and props with it, kg.</param>
/// <param name="BisqueWare">A full bisque, kg of ware.</param>
/// <param name="BisqueFurniture">Shelves and props with it, kg.</param>
public sealed record FuelKilnClass(
    string Id,
    string Name,
    double Volume,
    (double Width, double Depth, double Height) Inside,
    double BrickThickness,
    double FibreThickness,
    int Burners,
    double BurnerPower,
    double MostPressure,
    double Mark,
    double Flue,
    double Inlets,
    double Draft,
    bool HasStack,
    double StackWarmth,
    double FlueView,
    double Skin,
    double Gap,
    double GlazeWare,
    double GlazeFurniture,
    double BisqueWare,
    double BisqueFurniture
)
{
    /// <summary>The three classes, smallest first.</summary>
    public static readonly ImmutableArray<FuelKilnClass> All =
    [
        new(
            Id: "updraft-300",
            Name: "Updraft gas kiln, about 300 L",
            Volume: 300,
            Inside: (0.60, 0.60, 0.83),
            BrickThickness: 0.115,
            FibreThickness: 0.025,
            Burners: 2,
            BurnerPower: 35_000,
            MostPressure: 1,
            Mark: 0.05,
            Flue: 0.0225,
            Inlets: 0.0075,
            Draft: 0.95,
            HasStack: false,
            StackWarmth: 1,
            FlueView: 0.4,
            Skin: 25_000,
            Gap: 1.5,
            GlazeWare: 60,
            GlazeFurniture: 60,
            BisqueWare: 100,
            BisqueFurniture: 45
        ),
        new(
            Id: "updraft-700",
            Name: "Updraft gas kiln, about 700 L",
            Volume: 700,
            Inside: (0.84, 0.84, 1.00),
            BrickThickness: 0.115,
            FibreThickness: 0.050,
            Burners: 4,
            BurnerPower: 30_000,
            MostPressure: 0.35,
            Mark: 0.02,
            Flue: 0.040,
            Inlets: 0.012,
            Draft: 1.15,
            HasStack: false,
            StackWarmth: 1,
            FlueView: 0.4,
            Skin: 50_000,
            Gap: 2.5,
            GlazeWare: 140,
            GlazeFurniture: 150,
            BisqueWare: 230,
            BisqueFurniture: 110
        ),
        new(
            Id: "downdraft-1000",
            Name: "Downdraft gas kiln with a stack, about 1000 L",
            Volume: 1000,
            Inside: (1, 1, 1),
            BrickThickness: 0.230,
            FibreThickness: 0,
            Burners: 2,
            BurnerPower: 85_000,
            MostPressure: 0.35,
            Mark: 0.02,
            Flue: 0.030,
            Inlets: 0.0095,
            Draft: 4,
            HasStack: true,
            StackWarmth: 0.6,
            FlueView: 0,
            Skin: 150_000,
            Gap: 3.5,
            GlazeWare: 190,
            GlazeFurniture: 220,
            BisqueWare: 320,
            BisqueFurniture: 150
        ),
    ];

    /// <summary>The class of a short name, or nothing.</summary>
    public static FuelKilnClass? Find(string? id) => All.FirstOrDefault(c => string.Equals(c.Id, id?.Trim(), StringComparison.OrdinalIgnoreCase));
}
