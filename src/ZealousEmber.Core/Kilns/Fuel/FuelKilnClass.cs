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
            "updraft-300",
            "Updraft gas kiln, about 300 L",
            300,
            (0.60, 0.60, 0.83),
            0.115,
            0.025,
            2,
            35_000,
            1,
            0.05,
            0.0225,
            0.0075,
            0.95,
            false,
            1,
            0.4,
            25_000,
            1.5,
            60,
            60,
            100,
            45
        ),
        new(
            "updraft-700",
            "Updraft gas kiln, about 700 L",
            700,
            (0.84, 0.84, 1.00),
            0.115,
            0.050,
            4,
            30_000,
            0.35,
            0.02,
            0.040,
            0.012,
            1.15,
            false,
            1,
            0.4,
            50_000,
            2.5,
            140,
            150,
            230,
            110
        ),
        new(
            "downdraft-1000",
            "Downdraft gas kiln with a stack, about 1000 L",
            1000,
            (1, 1, 1),
            0.230,
            0,
            2,
            85_000,
            0.35,
            0.02,
            0.030,
            0.0095,
            4,
            true,
            0.6,
            0,
            150_000,
            3.5,
            190,
            220,
            320,
            150
        ),
    ];

    /// <summary>The class of a short name, or nothing.</summary>
    public static FuelKilnClass? Find(string? id) => All.FirstOrDefault(c => string.Equals(c.Id, id?.Trim(), StringComparison.OrdinalIgnoreCase));
}
