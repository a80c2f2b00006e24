using System.Collections.Immutable;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>A span of temperature in which something happens to clay, whatever the load; drawn faintly behind every curve.</summary>
/// <param name="Name">In plain words.</param>
/// <param name="From">Lower end.</param>
/// <param name="To">Upper end.</param>
/// <param name="Why">What happens there, one sentence.</param>
public sealed record StandingBand(string Name, Temperature From, Temperature To, string Why)
{
    /// <summary>
    /// Steam around boiling; the quartz inversion at 573 °C with room either side for a wall that is not all at one
    /// temperature; carbon and sulphur burning out. From the project's paper on what ware can stand.
    /// </summary>
    public static readonly ImmutableArray<StandingBand> All =
    [
        new("steam", Temperature.FromCelsius(90), Temperature.FromCelsius(125), "Water left in the wall turns to steam here and can burst the ware."),
        new(
            "quartz turns",
            Temperature.FromCelsius(540),
            Temperature.FromCelsius(610),
            "Quartz changes size at 573 °C, up and down; a thick wall wants to pass slowly."
        ),
        new("carbon burns out", Temperature.FromCelsius(650), Temperature.FromCelsius(950), "Carbon and sulphur leave the clay here and need air and time."),
    ];
}
