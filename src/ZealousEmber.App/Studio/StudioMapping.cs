using System.Collections.Immutable;
using NodaTime;
using NodaTime.Text;
using ZealousEmber.App.Schedules;
using ZealousEmber.Core;
using ZealousEmber.Core.Clock;

namespace ZealousEmber.App.Studio;

/// <summary>Between the wire and the core, for the studio's hours.</summary>
internal static class StudioMapping
{
    public static readonly Vocabulary<WatchKind> Watches = new(
        ("switch-on", WatchKind.SwitchOn), ("steam-check", WatchKind.SteamCheck), ("first-colour", WatchKind.FirstColour), ("reduction", WatchKind.Reduction),
        ("top", WatchKind.Top), ("power-off", WatchKind.PowerOff), ("open", WatchKind.Open));

    public static readonly Vocabulary<AttendanceRule> Rules = new(
        ("never-alone", AttendanceRule.NeverAlone), ("alarm-between", AttendanceRule.AlarmBetween), ("marked-moments", AttendanceRule.MarkedMoments));

    private static readonly Vocabulary<IsoDayOfWeek> Days = new(
        ("mon", IsoDayOfWeek.Monday), ("tue", IsoDayOfWeek.Tuesday), ("wed", IsoDayOfWeek.Wednesday), ("thu", IsoDayOfWeek.Thursday),
        ("fri", IsoDayOfWeek.Friday), ("sat", IsoDayOfWeek.Saturday), ("sun", IsoDayOfWeek.Sunday));

    private static readonly LocalTimePattern Clock = LocalTimePattern.CreateWithInvariantCulture("HH:mm");
    private const int LongestCurrency = 8;
    private const int LongestName = 40;

    /// <summary>The hours given; what is missing stays as it was.</summary>
    public static Result<StudioHours> Read(StudioContract? wire, StudioHours before)
    {
        if (wire is null) return new Problem("", "The studio's hours are missing here.");
        var problems = new List<Problem>();
        var zone = string.IsNullOrWhiteSpace(wire.TimeZone) ? before.Zone : DateTimeZoneProviders.Tzdb.GetZoneOrNull(wire.TimeZone.Trim());
        if (zone is null) problems.Add(new Problem("timeZone", "This is not a time zone; write it like Europe/London."));
        var currency = wire.Currency?.Trim() ?? before.Tariff.Currency;
        if (currency.Length > LongestCurrency) problems.Add(new Problem("currency", $"A currency has at most {LongestCurrency} characters."));
        var price = wire.Price is null ? before.Tariff.Price : ReadPrice(wire.Price, "price", problems);
        var bands = wire.Bands is null ? before.Tariff.Bands : ReadBands(wire.Bands, problems);
        var people = wire.People is null ? before.People : ReadPeople(wire.People, problems);
        var rule = wire.Rule is null ? before.Rule : Rules.Read(wire.Rule);
        if (rule is null) problems.Add(new Problem("rule", Rules.Refuse(wire.Rule, "a rule")));
        var marked = wire.Marked is null ? before.Marked : ReadMarked(wire.Marked, problems);
        return problems.Count > 0
            ? Result<StudioHours>.Failed(problems)
            : new StudioHours(zone!, new Tariff(currency, price, bands), people, rule!.Value, marked);
    }

    public static StudioContract Write(StudioHours hours) => new(
        hours.Zone.Id, hours.Tariff.Currency, hours.Tariff.Price,
        [.. hours.Tariff.Bands.Select(b => new TariffBandContract(b.Name, b.Price, Write(b.Hours), b.FirstMonth, b.LastMonth))],
        [.. hours.People.Select(p => new PersonContract(p.Name, [.. p.Hours.Select(Write)]))],
        Rules.Format(hours.Rule), [.. hours.Marked.Select(Watches.Format)]);

    private static WeeklySpanContract Write(WeeklySpan span) => new([.. span.Days.Select(Days.Format)], Clock.Format(span.From), Clock.Format(span.To));

    private static double ReadPrice(double? price, string field, List<Problem> problems)
    {
        if (price >= 0 && price <= Tariff.HighestPrice) return price.Value;
        problems.Add(new Problem(field, price is null ? "A price for a kWh is missing here." : $"A price for a kWh is between 0 and {Phrases.Number(Tariff.HighestPrice)}; this says {Phrases.Number(price.Value)}."));
        return 0;
    }

    private static ImmutableArray<TariffBand> ReadBands(IReadOnlyList<TariffBandContract?> wire, List<Problem> problems)
    {
        if (wire.Count > Tariff.MostBands) problems.Add(new Problem("bands", $"At most {Tariff.MostBands} bands can be kept."));
        var bands = ImmutableArray.CreateBuilder<TariffBand>();
        foreach (var (i, band) in wire.Take(Tariff.MostBands).Index())
        {
            var field = $"bands[{i}]";
            var name = ReadName(band?.Name, field, "band", problems);
            var price = ReadPrice(band?.Price, $"{field}.price", problems);
            var hours = ReadSpan(band?.Hours, $"{field}.hours", problems);
            if (band?.FirstMonth is not (null or (>= 1 and <= 12)) || band?.LastMonth is not (null or (>= 1 and <= 12)) || band?.FirstMonth is null != band?.LastMonth is null)
                problems.Add(new Problem($"{field}.firstMonth", "A season has a first and a last month, each 1 to 12."));
            bands.Add(new TariffBand(name, price, hours, band?.FirstMonth, band?.LastMonth));
        }
        return bands.ToImmutable();
    }

    private static ImmutableArray<Presence> ReadPeople(IReadOnlyList<PersonContract?> wire, List<Problem> problems)
    {
        if (wire.Count > StudioHours.MostPeople) problems.Add(new Problem("people", $"At most {StudioHours.MostPeople} people can be kept."));
        var people = ImmutableArray.CreateBuilder<Presence>();
        foreach (var (i, person) in wire.Take(StudioHours.MostPeople).Index())
        {
            var field = $"people[{i}]";
            var name = ReadName(person?.Name, field, "person", problems);
            var spans = person?.Hours ?? [];
            if (spans.Count > StudioHours.MostSpans) problems.Add(new Problem($"{field}.hours", $"At most {StudioHours.MostSpans} stretches of hours can be kept for one person."));
            people.Add(new Presence(name, [.. spans.Take(StudioHours.MostSpans).Select((span, j) => ReadSpan(span, $"{field}.hours[{j}]", problems))]));
        }
        return people.ToImmutable();
    }

    private static ImmutableArray<WatchKind> ReadMarked(IReadOnlyList<string?> wire, List<Problem> problems)
    {
        var marked = ImmutableArray.CreateBuilder<WatchKind>();
        foreach (var (i, word) in wire.Take(50).Index())
        {
            if (Watches.Read(word) is not { } kind) problems.Add(new Problem($"marked[{i}]", Watches.Refuse(word, "a moment")));
            else if (!marked.Contains(kind)) marked.Add(kind);
        }
        return marked.ToImmutable();
    }

    private static string ReadName(string? name, string field, string what, List<Problem> problems)
    {
        var tidy = name?.Trim() ?? "";
        if (tidy.Length is 0 or > LongestName) problems.Add(new Problem($"{field}.name", tidy.Length == 0 ? $"This {what} needs a name." : $"A name has at most {LongestName} characters."));
        return tidy;
    }

    private static WeeklySpan ReadSpan(WeeklySpanContract? wire, string field, List<Problem> problems)
    {
        LocalTime Time(string? text, string part)
        {
            var read = Clock.Parse(text?.Trim() ?? "");
            if (read.Success) return read.Value;
            // The end of a day is midnight of the next.
            if (text?.Trim() == "24:00") return LocalTime.Midnight;
            problems.Add(new Problem($"{field}.{part}", "A time of day is written like 07:30."));
            return LocalTime.Midnight;
        }

        var days = ImmutableArray.CreateBuilder<IsoDayOfWeek>();
        foreach (var (i, word) in (wire?.Days ?? []).Take(14).Index())
        {
            if (Days.Read(word) is not { } day) problems.Add(new Problem($"{field}.days[{i}]", Days.Refuse(word, "a day")));
            else if (!days.Contains(day)) days.Add(day);
        }
        return new WeeklySpan(days.ToImmutable(), Time(wire?.From, "from"), Time(wire?.To, "to"));
    }
}
