using System.Collections.Immutable;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>A gas that kilns burn. Source of every value: the fuel kiln paper, "Combustion".</summary>
/// <param name="Id">Short name, as on the wire.</param>
/// <param name="Name">For people.</param>
/// <param name="Carbon">Atoms of carbon in a molecule, n.</param>
/// <param name="Hydrogen">Atoms of hydrogen in a molecule, m.</param>
/// <param name="NetPerMole">Heat of a mole, its water leaving as steam, kJ.</param>
/// <param name="MolarMass">g/mol.</param>
/// <param name="AirNeeded">kg of air that burn a kg just fully.</param>
/// <param name="Net">MJ/kg, its water leaving as steam.</param>
/// <param name="Gross">MJ/kg with the heat of that steam, as bills count it.</param>
/// <param name="Density">kg/m³ at 15 °C.</param>
public sealed record Fuel(
    string Id,
    string Name,
    int Carbon,
    int Hydrogen,
    double NetPerMole,
    double MolarMass,
    double AirNeeded,
    double Net,
    double Gross,
    double Density
)
{
    /// <summary>Bottled gas.</summary>
    public static readonly Fuel Propane = new("propane", "Propane", 3, 8, 2044, 44.10, 15.63, 46.35, 50.34, 1.88);

    /// <summary>Piped gas, taken as methane.</summary>
    public static readonly Fuel NaturalGas = new("naturalGas", "Natural gas", 1, 4, 802.3, 16.04, 17.19, 50.02, 55.50, 0.68);

    /// <summary>Both.</summary>
    public static readonly ImmutableArray<Fuel> All = [Propane, NaturalGas];

    /// <summary>Atoms of oxygen that burn a molecule just fully, a = 2n + m/2.</summary>
    internal double Oxygen => 2 * Carbon + Hydrogen / 2.0;

    /// <summary>The fuel of a short name, spaces and hyphens aside ("natural gas"; "methane" is the same), or nothing.</summary>
    public static Fuel? Find(string? id)
    {
        var plain = id?.Trim().Replace("-", "", StringComparison.Ordinal).Replace(" ", "", StringComparison.Ordinal);
        if (string.Equals(plain, "methane", StringComparison.OrdinalIgnoreCase) || string.Equals(plain, "natural", StringComparison.OrdinalIgnoreCase))
            return NaturalGas;
        return All.FirstOrDefault(f => string.Equals(f.Id, plain, StringComparison.OrdinalIgnoreCase));
    }
}
