using System.Text.Json;
using NodaTime;
using NodaTime.Text;
using NodaTime.TimeZones;
using ZealousEmber.Core.Clock;

namespace ZealousEmber.Store.Settings;

/// <summary>The studio's clock, tariff and people. Lists are JSON, since nothing is ever searched in them.</summary>
internal sealed class StudioHoursRow : SettingsRow
{
    public string Zone { get; set; } = "";

    public string Currency { get; set; } = "";

    public double Price { get; set; }

    public AttendanceRule Rule { get; set; }

    public string Bands { get; set; } = "[]";

    public string People { get; set; } = "[]";

    public string Marked { get; set; } = "[]";

    /// <summary>What holds until somebody says otherwise: the machine's own zone, no price, nobody's hours, no rule broken.</summary>
    public static readonly StudioHours Unsaid = new(SystemZone(), new Tariff("", 0, []), [], AttendanceRule.MarkedMoments, []);

    private static DateTimeZone SystemZone()
    {
        try
        {
            return DateTimeZoneProviders.Tzdb.GetSystemDefault();
        }
        catch (DateTimeZoneNotFoundException)
        {
            return DateTimeZone.Utc;
        }
    }

    private sealed record Span(int[] Days, string From, string To);

    private sealed record Band(string Name, double Price, Span Hours, int? FirstMonth, int? LastMonth);

    private sealed record Person(string Name, Span[] Hours);

    public void Write(StudioHours studio)
    {
        (Zone, Currency, Price, Rule) = (studio.Zone.Id, studio.Tariff.Currency, studio.Tariff.Price, studio.Rule);
        Bands = JsonSerializer.Serialize(studio.Tariff.Bands.Select(b => new Band(b.Name, b.Price, Write(b.Hours), b.FirstMonth, b.LastMonth)));
        People = JsonSerializer.Serialize(studio.People.Select(p => new Person(p.Name, [.. p.Hours.Select(Write)])));
        Marked = JsonSerializer.Serialize(studio.Marked.Select(m => m.ToString()));
    }

    public StudioHours Read() => new(
        DateTimeZoneProviders.Tzdb.GetZoneOrNull(Zone) ?? DateTimeZone.Utc,
        new Tariff(Currency, Price, [.. JsonSerializer.Deserialize<Band[]>(Bands)!.Select(b => new TariffBand(b.Name, b.Price, Read(b.Hours), b.FirstMonth, b.LastMonth))]),
        [.. JsonSerializer.Deserialize<Person[]>(People)!.Select(p => new Presence(p.Name, [.. p.Hours.Select(Read)]))],
        Rule,
        [.. JsonSerializer.Deserialize<string[]>(Marked)!.Select(m => Enum.Parse<WatchKind>(m))]);

    private static Span Write(WeeklySpan span) => new([.. span.Days.Select(d => (int)d)], LocalTimePattern.ExtendedIso.Format(span.From), LocalTimePattern.ExtendedIso.Format(span.To));

    private static WeeklySpan Read(Span span) =>
        new([.. span.Days.Select(d => (IsoDayOfWeek)d)], LocalTimePattern.ExtendedIso.Parse(span.From).Value, LocalTimePattern.ExtendedIso.Parse(span.To).Value);
}
