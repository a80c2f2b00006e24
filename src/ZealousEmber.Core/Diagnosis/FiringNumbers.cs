using System.Collections.Immutable;

namespace ZealousEmber.Core.Diagnosis;

/// <summary>Where a fault is seen.</summary>
public enum FaultPlace
{
    /// <summary>All over the kiln.</summary>
    All,

    /// <summary>On one shelf.</summary>
    OneShelf,

    /// <summary>On one glaze, wherever it stood.</summary>
    OneGlaze,

    /// <summary>On one clay, wherever it stood.</summary>
    OneClay,

    /// <summary>On a single piece.</summary>
    OnePiece,

    /// <summary>On one lot.</summary>
    OneLot,
}

/// <summary>A number of a firing that causes are judged by.</summary>
/// <param name="Name">As the rules name it.</param>
/// <param name="Phrase">What it is, in words; {0} is the value.</param>
public sealed record FiringNumber(string Name, string Phrase);

/// <summary>What is known of a firing where a fault is seen: numbers, and what is so; a number that is not known is left out.</summary>
/// <param name="Values">By <see cref="Measured"/>'s names.</param>
/// <param name="Flags">Of <see cref="Stated"/>'s names, those that hold.</param>
/// <param name="Where">Where the fault is seen.</param>
public sealed record FiringNumbers(ImmutableDictionary<string, double> Values, ImmutableHashSet<string> Flags, FaultPlace? Where = null)
{
    /// <summary>Nothing known.</summary>
    public static FiringNumbers None { get; } = new(ImmutableDictionary<string, double>.Empty, []);

    /// <summary>All numbers there are.</summary>
    public static ImmutableArray<FiringNumber> Measured { get; } =
    [
        new("d60", "heat work {0} °C of cone past the goal there"),
        new("tc", "pack minus log {0} °C of cone"),
        new("even", "{0} °C of cone between the shelves"),
        new("here", "this shelf {0} °C of cone from the mean"),
        new("evenGrew", "spread between the shelves grown by {0} °C of cone"),
        new("hold", "{0} min at the top"),
        new("heal", "{0} min falling through the 100 °C below the top"),
        new("burn", "burn-out {0} of what it needs"),
        new("band", "slow band {0} of what it needs"),
        new("bisque60", "bisque {0} °C of cone past its goal"),
        new("water", "{0} of the water still in the wall at boiling"),
        new("wall", "wall {0} mm thick"),
        new("g573up", "{0} °C across the wall at 573 °C going up"),
        new("g573down", "{0} °C across the wall at 573 °C going down"),
        new("g226down", "{0} °C across the wall at 226 °C going down"),
        new("topRate", "last 100 °C at {0} °C/h"),
        new("rate200", "{0} °C/h up to 200 °C"),
        new("hours750", "{0} h from the top down to 750 °C"),
        new("opened", "opened at {0} °C"),
        new("reduced", "{0} min of reduction"),
        new("heavy", "{0} min of heavy reduction"),
        new("reducedFrom", "reduction begun at {0} °C"),
        new("heavyAbove", "{0} min of heavy reduction above 1000 °C"),
        new("oxidisedLast", "{0} min with air enough after it, up to the end"),
    ];

    /// <summary>All that may be so or not.</summary>
    public static ImmutableArray<FiringNumber> Stated { get; } =
    [
        new("stalled", "the kiln stalled before the top"),
        new("weak", "elements weak"),
        new("wantsHotter", "it wants a hotter cone than the goal"),
        new("wantsCooler", "it wants a cooler cone than the goal"),
        new("wantsHold", "the glaze wants a hold"),
        new("wantsFast", "the glaze wants to cool fast"),
        new("runny", "the glaze runs"),
        new("fades", "the colour fades in a long hold"),
        new("slowClay", "the clay burns out slowly"),
        new("airless", "fired without air"),
        new("reduction", "fired in reduction"),
        new("wetGlaze", "glazed wet"),
        new("later", "it came days later"),
        new("earthenware", "earthenware"),
        new("wide", "wide or flat ware"),
        new("closed", "a closed hollow"),
        new("packed", "packed densely"),
        new("bottomCold", "the bottom is coldest"),
        new("vent", "the vent was on"),
    ];
}
