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
        new("bench", "Bench test kiln", 23, 2300, 230, 0.487, 1.023, Brick.Light, 0.064, 0, 0.24, 1000, 5.5, 2, 3.5, 2.5, 1, 1260),
        new("top-100", "Top-loader, about 100 L", 100, 6500, 230, 1.191, 1.948, Brick.Standard, 0.070, 0, 0.6, 3000, 36, 14, 21, 19, 2, 1280),
        new("top-190", "Top-loader, about 190 L", 190, 10000, 400, 1.842, 2.849, Brick.Standard, 0.076, 0, 1.0, 5000, 70, 25, 40, 35, 3, 1290),
        new("top-290", "Top-loader, about 290 L", 290, 12500, 400, 2.430, 3.568, Brick.Standard, 0.076, 0, 1.2, 7000, 100, 38, 60, 50, 3, 1290),
        new("front-200", "Front-loader, about 200 L", 200, 12000, 400, 2.057, 5.034, Brick.Standard, 0.115, 0.050, 1.8, 6000, 70, 35, 40, 45, 1, 1300),
    ];

    /// <summary>The class of a short name, or nothing.</summary>
    public static KilnClass? Find(string? id) => All.FirstOrDefault(c => string.Equals(c.Id, id?.Trim(), StringComparison.OrdinalIgnoreCase));
}
