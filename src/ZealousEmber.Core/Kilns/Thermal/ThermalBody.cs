using System.Collections.Immutable;

namespace ZealousEmber.Core.Kilns.Thermal;

/// <summary>What the lump and its wall need to know of a kiln, whatever heats it. Areas m², powers W, temperatures °C.</summary>
/// <param name="InnerArea">Inside of the wall.</param>
/// <param name="OuterArea">Outside of the wall.</param>
/// <param name="Wall">From the hot face outwards.</param>
/// <param name="AirLoss">Through gaps and vent, W/K.</param>
/// <param name="Room">The air around it.</param>
/// <param name="Skin">Heat capacity of the hot skin, J/K.</param>
/// <param name="HeatFactor">Heat capacity against the usual.</param>
/// <param name="FullPower">Most an element can give; without bound where no element heats it.</param>
internal sealed record ThermalBody(
    double InnerArea,
    double OuterArea,
    ImmutableArray<WallLayer> Wall,
    double AirLoss,
    double Room,
    double Skin,
    double HeatFactor,
    double FullPower = double.PositiveInfinity
);
