using NodaTime;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;
using ZealousEmber.Store.Json;

namespace ZealousEmber.Store.Rows;

/// <summary>What a studio says of itself. Lists are JSON, since nothing is ever searched in them.</summary>
internal sealed class StudioSettingsRow : SettingsRow
{
    public string Zone { get; set; } = "";

    public string Currency { get; set; } = "";

    /// <summary>What each carrier costs, as JSON.</summary>
    public string Tariffs { get; set; } = "[]";

    public string Rule { get; set; } = "";

    public string People { get; set; } = "[]";

    public string Marked { get; set; } = "[]";

    public string Clock { get; set; } = nameof(ClockFormat.TwentyFour);

    public string Temperature { get; set; } = nameof(TemperatureUnit.Celsius);

    public string Length { get; set; } = nameof(LengthUnit.Millimetre);

    public string Mass { get; set; } = nameof(MassUnit.Kilogram);

    // From before prices were those of carriers; read once, by the upgrade.
    public double Price { get; set; }

    public string Bands { get; set; } = "[]";

    public void Write(StudioSettings studio)
    {
        (Zone, Currency, Rule) = (studio.Zone.Id, studio.Prices.Currency, studio.Rule.ToString());
        Tariffs = StoredJson.Write(studio.Prices.Tariffs.Select(StoredTariff.From));
        People = StoredJson.Write(studio.People.Select(StoredPerson.From));
        Marked = StoredJson.Write(studio.Marked);
        var display = studio.Display;
        (Clock, Temperature, Length, Mass) = (
            display.Clock.ToString(),
            display.Temperature.ToString(),
            display.Units.Length.ToString(),
            display.Units.Mass.ToString()
        );
    }

    public StudioSettings Read() =>
        new(
            DateTimeZoneProviders.Tzdb.GetZoneOrNull(Zone) ?? DateTimeZone.Utc,
            new EnergyPrices(Currency, [.. StoredJson.Read<StoredTariff[]>(Tariffs).Select(t => t.Read())]),
            [.. StoredJson.Read<StoredPerson[]>(People).Select(p => p.Read())],
            StoredWord.Read<AttendanceRule>(Rule),
            [.. StoredJson.Read<WatchKind[]>(Marked)],
            new StudioDisplay(
                StoredWord.Read<ClockFormat>(Clock),
                StoredWord.Read<TemperatureUnit>(Temperature),
                new DisplayUnits(StoredWord.Read<LengthUnit>(Length), StoredWord.Read<MassUnit>(Mass))
            )
        );

    /// <summary>The prices of the time before carriers, as those of electricity.</summary>
    public void UpgradePrices()
    {
        if (Tariffs != "[]")
            return;
        var bands = StoredJson.Read<StoredBand[]>(Bands);
        if (Price > 0 || bands.Length > 0)
            Tariffs = StoredJson.Write(new[] { new StoredTariff(EnergyCarrier.Electricity, Price, bands) });
    }
}
