using System.Collections.Immutable;
using NodaTime;
using NodaTime.Text;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Saying;
using ZealousEmber.Core.Saying.Reading;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Tests.Saying;

/// <summary>The made-up studio’s names, and a reader with them.</summary>
internal static class SaltmarshNames
{
    public static readonly StudioNames Names = new(
        [
            new KnownClay(1, "Marsh White", ClayKind.Stoneware),
            new KnownClay(2, "Brickfield Red", ClayKind.Earthenware),
            new KnownClay(3, "Shingle porcelain", ClayKind.Porcelain),
        ],
        [
            new KnownGlaze(1, "Oyster matte", WantsSlowCooling: true),
            new KnownGlaze(2, "Tidewrack blue", WantsSlowCooling: false),
            new KnownGlaze(3, "Reed green", WantsSlowCooling: false),
            new KnownGlaze(4, "Lamp white", WantsSlowCooling: false),
        ],
        [new KnownKiln(1, "Heron", 190, BurnsFuel: false), new KnownKiln(2, "Wren", 23, BurnsFuel: false), new KnownKiln(3, "Bittern", 300, BurnsFuel: true)],
        ["Maren", "Tobin", "Isolde"]
    );

    /// <summary>Wednesday, 2 December 2026, ten in the morning.</summary>
    public const string Wednesday = "2026-12-02T10:00:00+00:00";

    public static SayingContext Context(string now = Wednesday, LengthUnit length = LengthUnit.Millimetre, TemperatureUnit unit = TemperatureUnit.Celsius) =>
        new(
            Names,
            OffsetDateTimePattern.ExtendedIso.Parse(now).Value.ToInstant(),
            DateTimeZoneProviders.Tzdb["Europe/London"],
            ClockFormat.TwentyFour,
            length,
            unit
        );

    public static Said Read(string text, string now = Wednesday) => SayingReader.Read(text, Context(now)).Value;

    public static string? ClayOf(SaidLot lot) => Names.Clays.FirstOrDefault(c => c.Id == lot.ClayId)?.Name;

    public static ImmutableArray<string> GlazesOf(SaidLot lot) => [.. lot.GlazeIds.Select(id => Names.Glazes.First(g => g.Id == id).Name)];
}
