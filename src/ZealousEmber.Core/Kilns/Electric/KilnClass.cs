using System.Collections.Immutable;
using ZealousEmber.Core.Kilns.Thermal;

namespace ZealousEmber.Core.Kilns.Electric;

/// <summary>
/// A kind of electric kiln with the values it usually has; a kiln of a studio starts from one and is then made its own.
/// Source of every value: the kiln model paper's table of classes.
/// </summary>
/// <param name="Id">Short name, as on the wire.</param>
/// <param name="Name">For people.</param>
/// <param name="Volume">Inside, litres.</param>
/// <param name="Power">New elements, W.</param>
/// <param name="Voltage">Usual supply, V.</param>
/// <param name="InnerArea">Inside of the wall, m².</param>
/// <param name="OuterArea">Outside of the wall, m².</param>
/// <param name="Brick">Hot face.</param>
/// <param name="BrickThickness">Metres.</param>
/// <param name="FibreThickness">Metres; 0 where there is none.</param>
/// <param name="Leak">Loss through joints and peepholes, W/K.</param>
/// <param name="Skin">Heat capacity of elements and hot skin, J/K.</param>
/// <param name="BisqueWare">A full bisque, kg of ware.</param>
/// <param name="BisqueFurniture">Shelves and props with it, kg.</param>
/// <param name="GlazeWare">A full glaze firing, kg of ware.</param>
/// <param name="GlazeFurniture">Shelves and props with it, kg.</param>
/// <param name="Sections">Rings or banks of elements.</param>
/// <param name="TopLimit">Usual highest temperature, °C.</param>
public sealed record KilnClass(
    string Id,
    string Name,
    double Volume,
    double Power,
    double Voltage,
    double InnerArea,
    double OuterArea,
    Brick Brick,
    double BrickThickness,
    double FibreThickness,
    double Leak,
    double Skin,
    double BisqueWare,
    double BisqueFurniture,
    double GlazeWare,
    double GlazeFurniture,
    int Sections,
    double TopLimit
)
{
    /// <summary>The five classes, smallest first.</summary>
    public static readonly ImmutableArray<KilnClass> All =
    [
        new(
            Id: "bench",
            Name: "Bench test kiln",
            Volume: 23,
            Power: 2300,
            Voltage: 230,
            InnerArea: 0.487,
            OuterArea: 1.023,
            Brick: Brick.Light,
            BrickThickness: 0.064,
            FibreThickness: 0,
            Leak: 0.24,
            Skin: 1000,
            BisqueWare: 5.5,
            BisqueFurniture: 2,
            GlazeWare: 3.5,
            GlazeFurniture: 2.5,
            Sections: 1,
            TopLimit: 1260
        ),
        new(
            Id: "top-100",
            Name: "Top-loader, about 100 L",
            Volume: 100,
            Power: 6500,
            Voltage: 230,
            InnerArea: 1.191,
            OuterArea: 1.948,
            Brick: Brick.Standard,
            BrickThickness: 0.070,
            FibreThickness: 0,
            Leak: 0.6,
            Skin: 3000,
            BisqueWare: 36,
            BisqueFurniture: 14,
            GlazeWare: 21,
            GlazeFurniture: 19,
            Sections: 2,
            TopLimit: 1280
        ),
        new(
            Id: "top-190",
            Name: "Top-loader, about 190 L",
            Volume: 190,
            Power: 10000,
            Voltage: 400,
            InnerArea: 1.842,
            OuterArea: 2.849,
            Brick: Brick.Standard,
            BrickThickness: 0.076,
            FibreThickness: 0,
            Leak: 1.0,
            Skin: 5000,
            BisqueWare: 70,
            BisqueFurniture: 25,
            GlazeWare: 40,
            GlazeFurniture: 35,
            Sections: 3,
            TopLimit: 1290
        ),
        new(
            Id: "top-290",
            Name: "Top-loader, about 290 L",
            Volume: 290,
            Power: 12500,
            Voltage: 400,
            InnerArea: 2.430,
            OuterArea: 3.568,
            Brick: Brick.Standard,
            BrickThickness: 0.076,
            FibreThickness: 0,
            Leak: 1.2,
            Skin: 7000,
            BisqueWare: 100,
            BisqueFurniture: 38,
            GlazeWare: 60,
            GlazeFurniture: 50,
            Sections: 3,
            TopLimit: 1290
        ),
        new(
            Id: "front-200",
            Name: "Front-loader, about 200 L",
            Volume: 200,
            Power: 12000,
            Voltage: 400,
            InnerArea: 2.057,
            OuterArea: 5.034,
            Brick: Brick.Standard,
            BrickThickness: 0.115,
            FibreThickness: 0.050,
            Leak: 1.8,
            Skin: 6000,
            BisqueWare: 70,
            BisqueFurniture: 35,
            GlazeWare: 40,
            GlazeFurniture: 45,
            Sections: 1,
            TopLimit: 1300
        ),
    ];

    /// <summary>The class of a short name, or nothing.</summary>
    public static KilnClass? Find(string? id) => All.FirstOrDefault(c => string.Equals(c.Id, id?.Trim(), StringComparison.OrdinalIgnoreCase));
}
