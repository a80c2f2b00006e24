using System.Collections.Immutable;
using NodaTime;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Saying;

/// <summary>A clay of the studio, by name.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Kind">What it is.</param>
public sealed record KnownClay(int Id, string Name, ClayKind Kind);

/// <summary>A glaze of the studio, by name.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">What people call it.</param>
/// <param name="WantsSlowCooling">It asks for a slow band.</param>
public sealed record KnownGlaze(int Id, string Name, bool WantsSlowCooling);

/// <summary>A kiln of the studio, by name.</summary>
/// <param name="Id">Which.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Litres">Inside.</param>
/// <param name="BurnsFuel">Gas and the like; electric otherwise.</param>
public sealed record KnownKiln(int Id, string Name, double Litres, bool BurnsFuel);

/// <summary>The names a sentence may use: what stands in the studio, and who makes things there.</summary>
/// <param name="Clays">Clays.</param>
/// <param name="Glazes">Glazes.</param>
/// <param name="Kilns">Kilns.</param>
/// <param name="People">First names.</param>
public sealed record StudioNames(
    ImmutableArray<KnownClay> Clays,
    ImmutableArray<KnownGlaze> Glazes,
    ImmutableArray<KnownKiln> Kilns,
    ImmutableArray<string> People
);

/// <summary>What a sentence is read with; the same text, moment and studio give the same answer.</summary>
/// <param name="Names">The studio’s names.</param>
/// <param name="Now">The moment it is said.</param>
/// <param name="Zone">The studio’s zone.</param>
/// <param name="Clock">How times are written for people.</param>
/// <param name="Length">Of a bare length with nothing beside it to go by.</param>
/// <param name="Temperature">Of a bare temperature.</param>
public sealed record SayingContext(StudioNames Names, Instant Now, DateTimeZone Zone, ClockFormat Clock, LengthUnit Length, TemperatureUnit Temperature);
