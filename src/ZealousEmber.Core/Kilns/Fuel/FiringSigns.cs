using System.Collections.Immutable;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Kilns.Fuel;

/// <summary>The colour of a hot chamber, by eye. Source: the fuel kiln paper, "Learning"; daylight hides the first.</summary>
/// <param name="Id">Short name, as on the wire.</param>
/// <param name="Name">For people.</param>
/// <param name="Celsius">What it stands for.</param>
/// <param name="Sd">How far an eye may be off, K.</param>
public sealed record EyeColour(string Id, string Name, double Celsius, double Sd)
{
    /// <summary>No glow at all: below 500 °C.</summary>
    public static readonly EyeColour None = new("none", "no glow", 500, 25);

    /// <summary>From dark to pale.</summary>
    public static readonly ImmutableArray<EyeColour> All =
    [
        None,
        new("firstDullRed", "first dull red", 575, 25),
        new("darkCherry", "dark cherry", 700, 25),
        new("cherry", "cherry", 800, 25),
        new("brightOrangeRed", "bright orange-red", 900, 25),
        new("orange", "orange", 1000, 30),
        new("yellowOrange", "yellow-orange", 1100, 35),
        new("yellow", "yellow", 1200, 40),
        new("pale", "pale", 1300, 50),
    ];

    /// <summary>The colour of a word, whatever its case, spaces and hyphens; nothing for one nobody knows.</summary>
    public static EyeColour? Find(string? word)
    {
        var plain = Plain(word);
        if (plain is "dullred" or "firstred")
            plain = "firstdullred";
        return plain.Length == 0 ? null : All.FirstOrDefault(c => Plain(c.Id) == plain || Plain(c.Name) == plain);
    }

    /// <summary>The colour one sees at a temperature.</summary>
    public static EyeColour At(double celsius) => celsius < 540 ? None : All.Skip(1).MinBy(c => Math.Abs(c.Celsius - celsius))!;

    private static string Plain(string? word) => new([.. (word ?? "").Where(char.IsAsciiLetter).Select(char.ToLowerInvariant)]);
}

/// <summary>What smell and flame say of the air.</summary>
public enum AirSign
{
    /// <summary>A sour smell has begun: λ about 0.94.</summary>
    Smell,

    /// <summary>No smell, no flame where none belongs.</summary>
    Clear,

    /// <summary>Flame stands out of the flue.</summary>
    FlameAtFlue,

    /// <summary>Flame licks out of ports and peepholes: back pressure.</summary>
    FlameAtPorts,
}

/// <summary>Something seen of a fuel firing; just one of the four is given.</summary>
/// <param name="Minute">Since the start.</param>
/// <param name="Celsius">Read off a thermometer.</param>
/// <param name="Colour">By eye.</param>
/// <param name="ConeDown">A witness cone that is down now.</param>
/// <param name="Air">Smell or flame.</param>
public sealed record FuelObservation(double Minute, double? Celsius = null, EyeColour? Colour = null, Cone? ConeDown = null, AirSign? Air = null);
