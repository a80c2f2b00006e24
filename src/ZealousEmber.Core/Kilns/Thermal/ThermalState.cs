using System.Collections.Immutable;

namespace ZealousEmber.Core.Kilns.Thermal;

/// <summary>How warm a kiln is, inside and in its walls; temperatures °C, energies J.</summary>
/// <param name="Chamber">Ware, furniture and elements.</param>
/// <param name="Display">What a thermocouple shows.</param>
/// <param name="Wall">From the hot face outwards; as many nodes as the wall is worked out with, at least 4.</param>
/// <param name="Hottest">The hottest the chamber was in this firing: water and bound water that left by then do not leave again.</param>
/// <param name="Defect">Heat the last step still owes; 0 for a state made up.</param>
/// <param name="Used">Energy drawn since the start.</param>
/// <param name="Lost">Given to the room since the start.</param>
/// <param name="StoredAtStart">Stored when it started; this very moment when missing.</param>
public sealed record ThermalState(
    double Chamber,
    double Display,
    ImmutableArray<double> Wall,
    double Hottest,
    double Defect = 0,
    double Used = 0,
    double Lost = 0,
    double? StoredAtStart = null
)
{
    /// <summary>A kiln still warm from the firing before: walls in a straight line from the chamber's temperature to the outside's.</summary>
    /// <param name="chamber">Inside.</param>
    /// <param name="outside">Of the outer face, at most the chamber's.</param>
    public static ThermalState Warm(double chamber, double outside) =>
        new(
            chamber,
            chamber,
            [.. Enumerable.Range(0, ThermalModel.UsualNodes).Select(i => chamber + (outside - chamber) * i / (ThermalModel.UsualNodes - 1))],
            chamber
        );
}
