using System.Collections.Immutable;
using NodaTime;
using NodaTime.Text;
using ZealousEmber.App.Contracts;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Units;

namespace ZealousEmber.App.Mapping;

/// <summary>Between the wire and the core, for the studio's settings.</summary>
internal static class StudioMapping
{
    private static readonly LocalTimePattern Clock = LocalTimePattern.CreateWithInvariantCulture("HH:mm");
    private const int LongestCurrency = 8;
    private const int LongestName = 40;

    /// <summary>The settings given; what is missing stays as it was.</summary>
    public static Result<StudioSettings> Read(StudioContract? wire, StudioSettings before)
    {
        if (wire is null)
            return new Problem("", "The studio's settings are missing here.");
        var problems = new List<Problem>();
        var zone = string.IsNullOrWhiteSpace(wire.TimeZone) ? before.Zone : DateTimeZoneProviders.Tzdb.GetZoneOrNull(wire.TimeZone.Trim());
        if (zone is null)
            problems.Add(new Problem("timeZone", "This is not a time zone; write it like Europe/London."));
        var currency = wire.Currency?.Trim() ?? before.Prices.Currency;
        if (currency.Length > LongestCurrency)
            problems.Add(new Problem("currency", $"A currency has at most {LongestCurrency} characters."));
        var electricity = before.Prices.Of(EnergyCarrier.Electricity);
        var gas = before.Prices.Of(EnergyCarrier.Gas);
        if (wire.Price is not null)
            electricity = electricity with { Price = ReadPrice(wire.Price, "price", problems) };
        if (wire.Bands is not null)
            electricity = electricity with { Bands = ReadBands(wire.Bands, problems) };
        if (wire.GasPrice is not null)
            gas = gas with { Price = ReadPrice(wire.GasPrice, "gasPrice", problems), Told = null };
        if (wire.GasPaid is { Per: not null and not GasMeasure.Kwh } paid)
        {
            var told = ReadPaid(paid, problems);
            gas = gas with { Price = told.PerKwh, Told = told };
        }
        else if (wire.GasPaid is { Price: not null } byKwh)
            gas = gas with { Price = ReadPrice(byKwh.Price, "gasPaid.price", problems), Told = null };
        var people = wire.People is null ? before.People : ReadPeople(wire.People, problems);
        var display = before.Display;
        return problems.Count > 0
            ? Result<StudioSettings>.Failed(problems)
            : new StudioSettings(
                zone!,
                new EnergyPrices(currency, [.. new[] { electricity, gas }.Where(t => t.IsKnown)]),
                people,
                wire.Rule ?? before.Rule,
                wire.Marked is null ? before.Marked : [.. wire.Marked.Distinct()],
                new StudioDisplay(
                    wire.Clock ?? display.Clock,
                    wire.Unit ?? display.Temperature,
                    new DisplayUnits(wire.Length ?? display.Units.Length, wire.Mass ?? display.Units.Mass)
                )
            );
    }

    public static StudioContract Write(StudioSettings studio)
    {
        var (electricity, gas, display) = (studio.Prices.Of(EnergyCarrier.Electricity), studio.Prices.Of(EnergyCarrier.Gas), studio.Display);
        return new(
            TimeZone: studio.Zone.Id,
            Currency: studio.Prices.Currency,
            Price: electricity.Price,
            Bands: [.. electricity.Bands.Select(b => new TariffBandContract(b.Name, b.Price, Write(b.Hours), b.FirstMonth, b.LastMonth))],
            People: [.. studio.People.Select(p => new PersonContract(p.Name, [.. p.Hours.Select(Write)]))],
            Rule: studio.Rule,
            Marked: studio.Marked,
            Clock: display.Clock,
            Unit: display.Temperature,
            Length: display.Units.Length,
            Mass: display.Units.Mass,
            GasPrice: gas.Price,
            GasPaid: gas.Told is { } told ? new GasPaidContract(told.Per, told.Price, told.CylinderMass) : null
        );
    }

    private static WeeklySpanContract Write(WeeklySpan span) => new(span.Days, Clock.Format(span.From), Clock.Format(span.To));

    private static double ReadPrice(double? price, string field, List<Problem> problems)
    {
        if (price >= 0 && price <= Tariff.HighestPrice)
            return price.Value;
        problems.Add(
            new Problem(
                field,
                price is null
                    ? "A price for a kWh is missing here."
                    : $"A price for a kWh is between 0 and {Phrases.Number(Tariff.HighestPrice)}; this says {Phrases.Number(price.Value)}."
            )
        );
        return 0;
    }

    private static GasPricing ReadPaid(GasPaidContract paid, List<Problem> problems)
    {
        var (least, most) = GasPricing.Cylinders;
        if (paid.CylinderKg is { } kg && !(kg >= least && kg <= most))
            problems.Add(
                new Problem(
                    "gasPaid.cylinderKg",
                    $"A full cylinder has {Phrases.Number(least)} to {Phrases.Number(most)} kg of gas; this says {Phrases.Number(kg)}."
                )
            );
        if (!(paid.Price >= 0 && paid.Price <= Tariff.HighestPrice))
            problems.Add(new Problem("gasPaid.price", $"What gas costs is between 0 and {Phrases.Number(Tariff.HighestPrice)}."));
        return new GasPricing(paid.Per!.Value, paid.Price ?? 0, paid.Per == GasMeasure.Cylinder ? paid.CylinderKg ?? GasPricing.UsualCylinder : null);
    }

    private static ImmutableArray<TariffBand> ReadBands(IReadOnlyList<TariffBandContract?> wire, List<Problem> problems)
    {
        if (wire.Count > Tariff.MostBands)
            problems.Add(new Problem("bands", $"At most {Tariff.MostBands} bands can be saved."));
        var bands = ImmutableArray.CreateBuilder<TariffBand>();
        foreach (var (i, band) in wire.Take(Tariff.MostBands).Index())
        {
            var field = $"bands[{i}]";
            var name = ReadName(band?.Name, field, "band", problems);
            var price = ReadPrice(band?.Price, $"{field}.price", problems);
            var hours = ReadSpan(band?.Hours, $"{field}.hours", problems);
            if (
                band?.FirstMonth is not (null or (>= 1 and <= 12))
                || band?.LastMonth is not (null or (>= 1 and <= 12))
                || band?.FirstMonth is null != band?.LastMonth is null
            )
                problems.Add(new Problem($"{field}.firstMonth", "A season has a first and a last month, each 1 to 12."));
            bands.Add(new TariffBand(name, price, hours, band?.FirstMonth, band?.LastMonth));
        }
        return bands.ToImmutable();
    }

    private static ImmutableArray<Presence> ReadPeople(IReadOnlyList<PersonContract?> wire, List<Problem> problems)
    {
        if (wire.Count > StudioSettings.MostPeople)
            problems.Add(new Problem("people", $"At most {StudioSettings.MostPeople} people can be saved."));
        var people = ImmutableArray.CreateBuilder<Presence>();
        foreach (var (i, person) in wire.Take(StudioSettings.MostPeople).Index())
        {
            var field = $"people[{i}]";
            var name = ReadName(person?.Name, field, "person", problems);
            var spans = person?.Hours ?? [];
            if (spans.Count > StudioSettings.MostSpans)
                problems.Add(new Problem($"{field}.hours", $"At most {StudioSettings.MostSpans} stretches of hours can be saved for one person."));
            people.Add(new Presence(name, [.. spans.Take(StudioSettings.MostSpans).Select((span, j) => ReadSpan(span, $"{field}.hours[{j}]", problems))]));
        }
        return people.ToImmutable();
    }

    private static string ReadName(string? name, string field, string what, List<Problem> problems)
    {
        var tidy = name?.Trim() ?? "";
        if (tidy.Length is 0 or > LongestName)
            problems.Add(new Problem($"{field}.name", tidy.Length == 0 ? $"This {what} needs a name." : $"A name has at most {LongestName} characters."));
        return tidy;
    }

    private static WeeklySpan ReadSpan(WeeklySpanContract? wire, string field, List<Problem> problems)
    {
        LocalTime Time(string? text, string part)
        {
            var read = Clock.Parse(text?.Trim() ?? "");
            if (read.Success)
                return read.Value;
            // The end of a day is midnight of the next.
            if (text?.Trim() == "24:00")
                return LocalTime.Midnight;
            problems.Add(new Problem($"{field}.{part}", "A time of day is written like 07:30."));
            return LocalTime.Midnight;
        }

        return new WeeklySpan([.. (wire?.Days ?? []).Distinct()], Time(wire?.From, "from"), Time(wire?.To, "to"));
    }
}
