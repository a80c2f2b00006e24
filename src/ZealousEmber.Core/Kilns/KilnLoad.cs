namespace ZealousEmber.Core.Kilns;

/// <summary>What stands in a kiln, as far as heat goes.</summary>
/// <param name="WareMass">Dry ware, kg.</param>
/// <param name="FurnitureMass">Shelves and props, kg.</param>
/// <param name="FirstFiring">Raw ware: it holds water, and gives up its bound water at red heat.</param>
/// <param name="FreeWater">Water still in raw ware, kg; 1.5 % of the ware when not said.</param>
public sealed record KilnLoad(double WareMass, double FurnitureMass, bool FirstFiring, double? FreeWater = null)
{
    /// <summary>Most ware or furniture taken, kg.</summary>
    public const double MostMass = 20_000;

    // Standard deviation of ln of a load's heat capacity, not weighed and weighed: the project's paper on the firing day, section 2.
    private const double Guessed = 0.078;
    private const double OnScales = 0.05;

    // Weights worked out from the size of a piece are right to about so much.
    private const double BySize = 0.15;

    // Share of the furniture that stands in a kiln with hardly any ware.
    private const double LeastFurniture = 0.2;

    /// <summary>Share of the usual ware below which a kiln counts as nearly empty.</summary>
    public const double NearlyEmpty = 0.2;

    /// <summary>
    /// Shelves and props for so much ware, kg, where this is a usual full load: half the ware stands on about half of them, and never on none.
    /// </summary>
    /// <param name="ware">kg.</param>
    public double FurnitureFor(double ware) => FurnitureMass * Math.Clamp(ware / WareMass, LeastFurniture, 1);

    /// <summary>
    /// How well the weight of its ware is known, a standard deviation as a share of it; nothing where it is a usual load, or a weight somebody told.
    /// </summary>
    public double? WareUnsure { get; init; }

    /// <summary>How well its heat capacity is known: standard deviation of its ln.</summary>
    public double HeatUnsure => WareUnsure is { } ware ? OnScales + (Guessed - OnScales) * Math.Min(1, ware / BySize) : Guessed;

    /// <summary>Water that has to boil off, kg.</summary>
    public double Water => FirstFiring ? FreeWater ?? 0.015 * WareMass : 0;

    /// <summary>Nothing but the kiln itself.</summary>
    public static readonly KilnLoad Empty = new(0, 0, false);

    /// <summary>Builds a load from what a person gave. Problems name <c>wareKg</c>, <c>furnitureKg</c>, <c>waterKg</c>.</summary>
    public static Result<KilnLoad> Create(double wareKg, double furnitureKg, bool firstFiring, double? waterKg)
    {
        var problems = new List<Problem>();
        void Check(string field, string label, double kg, double most)
        {
            if (!(kg >= 0 && kg <= most))
                problems.Add(new Problem(field, $"{label} is between 0 and {Phrases.Number(most)} kg; this says {Phrases.Number(kg)}."));
        }
        Check("wareKg", "The ware", wareKg, MostMass);
        Check("furnitureKg", "The furniture", furnitureKg, MostMass);
        // Wetter than its own weight is slip, not ware.
        if (waterKg is { } water && problems.Count == 0)
            Check("waterKg", "The water in the ware", water, Math.Round(wareKg, 3));
        return problems.Count > 0 ? Result<KilnLoad>.Failed(problems) : new KilnLoad(wareKg, furnitureKg, firstFiring, waterKg);
    }
}
