using System.Collections.Immutable;
using NodaTime;
using NodaTime.Text;
using ZealousEmber.Core.Clock;
using ZealousEmber.Core.Firing;
using ZealousEmber.Core.Kilns;
using ZealousEmber.Core.Kilns.Electric;
using ZealousEmber.Core.Kilns.Fuel;
using ZealousEmber.Core.Kilns.Thermal;
using ZealousEmber.Core.Packing;
using ZealousEmber.Core.Review;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Store.Json;

// The shapes of the JSON columns. They are changed only together with StoredJson.Schema and a way to read the shape before.

/// <summary>A step of a schedule; °C and kelvins an hour, whatever it was written in.</summary>
internal sealed record StoredStep(PaceKind Pace, double? Rate, double? Target, double HoldMinutes, string? Reason, Atmosphere? Atmosphere)
{
    public static StoredStep From(Segment step) =>
        new(step.Pace.Kind, step.Pace.Rate?.KelvinsPerHour, step.Target?.Celsius, step.HoldMinutes, step.Reason, step.Atmosphere);

    public Segment Read() => Segment.Create(Pace, Rate, Target, HoldMinutes, TemperatureUnit.Celsius, Reason, Atmosphere).Value;
}

/// <summary>A row of a load as it was written.</summary>
internal sealed record StoredLot(
    string? What,
    int? Count,
    double? Wall,
    double? Width,
    bool ClosedHollow,
    bool OneSided,
    Dryness Dryness,
    int? ClayId,
    int[]? GlazeIds,
    string? Whose,
    NextStep Next,
    double? PieceMass,
    Dictionary<string, string>? Typed = null,
    bool GlazedAlready = false,
    PieceDraft? Piece = null,
    bool Must = false
)
{
    public static StoredLot From(LotDraft lot) =>
        new(
            What: lot.What,
            Count: lot.Count,
            Wall: lot.Wall,
            Width: lot.Width,
            ClosedHollow: lot.ClosedHollow,
            OneSided: lot.OneSided,
            Dryness: lot.Dryness,
            ClayId: lot.ClayId,
            GlazeIds: [.. lot.GlazeIds],
            Whose: lot.Whose,
            Next: lot.Next,
            PieceMass: lot.PieceMass,
            Typed: lot.Typed.IsEmpty ? null : lot.Typed.ToDictionary(),
            GlazedAlready: lot.GlazedAlready,
            Piece: lot.Piece,
            Must: lot.Must
        );

    public LotDraft Read() =>
        new(
            What: What,
            Count: Count,
            Wall: Wall,
            Width: Width,
            ClosedHollow: ClosedHollow,
            OneSided: OneSided,
            Dryness: Dryness,
            ClayId: ClayId,
            GlazeIds: [.. GlazeIds ?? []],
            Whose: Whose,
            Next: Next,
            PieceMass: PieceMass,
            Typed: (Typed ?? []).ToImmutableSortedDictionary(),
            GlazedAlready: GlazedAlready,
            Piece: Piece,
            Must: Must
        );
}

/// <summary>A finding accepted; milliseconds since 1970.</summary>
internal sealed record StoredAcceptance(string Id, Severity Severity, string Note, long At, string? By = null)
{
    public static StoredAcceptance From(Acceptance a) => new(a.Id, a.Severity, a.Note, a.At.ToUnixTimeMilliseconds(), a.By);

    public Acceptance Read() => new(Id, Severity, Note, Instant.FromUnixTimeMilliseconds(At), By);
}

/// <summary>A kiln as it was when a firing was planned in it.</summary>
internal sealed record StoredKiln(
    int Version,
    string? Name,
    string? Class,
    Brick? Brick,
    HoldClock? HoldClock,
    string? Notes,
    Dictionary<string, double> Numbers,
    TemperatureUnit Unit,
    StoredChamber? Chamber = null,
    StoredProps? Props = null,
    int? ControllerId = null,
    string? Fuel = null
)
{
    public static StoredKiln From(PinnedKiln pinned) =>
        pinned.Kiln is FuelKiln fired ? From(pinned.Version, fired.Specification()) : From(pinned.Version, ((Kiln)pinned.Kiln).Specification());

    private static StoredKiln From(int version, KilnSpecification said) =>
        new(
            version,
            said.Name,
            said.Class,
            said.Brick,
            said.HoldClock,
            said.Notes,
            Plain(said.Numbers),
            said.Unit,
            StoredChamber.From(said.Chamber),
            StoredProps.From(said.Props),
            said.ControllerId
        );

    private static StoredKiln From(int version, FuelKilnSpecification said) =>
        new(
            Version: version,
            Name: said.Name,
            Class: said.Class,
            Brick: null,
            HoldClock: null,
            Notes: said.Notes,
            Numbers: Plain(said.Numbers),
            Unit: said.Unit,
            Chamber: StoredChamber.From(said.Chamber),
            Props: StoredProps.From(said.Props),
            ControllerId: null,
            Fuel: said.Fuel?.Id
        );

    private static Dictionary<string, double> Plain(IReadOnlyDictionary<string, double?> numbers) => numbers.ToDictionary(n => n.Key, n => n.Value!.Value);

    public PinnedKiln Read()
    {
        var numbers = Numbers.ToDictionary(n => n.Key, n => (double?)n.Value);
        return new PinnedKiln(
            Version,
            Fuel is not null
                ? FuelKiln
                    .Create(new FuelKilnSpecification(Name, Class, Core.Kilns.Fuel.Fuel.Find(Fuel), Notes, numbers, Unit, Chamber?.Read(), Props?.Read()))
                    .Value
                : Kiln.Create(new KilnSpecification(Name, Class, Brick, HoldClock, Notes, numbers, Unit, Chamber?.Read(), Props?.Read(), ControllerId)).Value
        );
    }
}

/// <summary>The inside of a kiln, mm.</summary>
internal sealed record StoredChamber(
    ChamberShape Shape,
    double Width,
    double Depth,
    double Height,
    double Raise,
    ShelfStock[] Shelves,
    double[] Peepholes,
    Thermocouple? Thermocouple
)
{
    public static StoredChamber? From(Chamber? c) =>
        c is null ? null : new(c.Shape, c.Width, c.Depth, c.Height, c.Raise, [.. c.Shelves], [.. c.Peepholes], c.Thermocouple);

    public Chamber Read() => Chamber.Create(Shape, Width, Depth, Height, Raise, Shelves, Peepholes, Thermocouple).Value;
}

/// <summary>Props in stock, mm.</summary>
internal sealed record StoredProps(double Across, int MostStacked, PropCount[] Stock)
{
    public static StoredProps? From(PropStock? p) => p is null ? null : new(p.Across, p.MostOnOneAnother, [.. p.Stock]);

    public PropStock Read() => PropStock.Create(Across, MostStacked, Stock).Value;
}

/// <summary>How a firing is to be packed.</summary>
internal sealed record StoredPacking(
    HandleChoice Handles,
    double[] Openings,
    KeptPiece[] Pieces,
    ShelfRegion[]? Regions = null,
    ShelfChoice Shelves = ShelfChoice.Any,
    int[]? Columns = null
)
{
    public static StoredPacking From(PackingSettings p) =>
        new(p.Handles, [.. p.Openings], [.. p.Pieces], [.. p.Regions], p.Shelves, p.Columns.IsDefault ? [] : [.. p.Columns]);

    public PackingSettings Read() => new(Handles, [.. Openings], [.. Pieces], [.. Regions ?? []], Shelves, [.. Columns ?? []]);
}

/// <summary>Hours on some days.</summary>
internal sealed record StoredSpan(IsoDayOfWeek[] Days, string From, string To)
{
    public static StoredSpan Of(WeeklySpan span) =>
        new([.. span.Days], LocalTimePattern.ExtendedIso.Format(span.From), LocalTimePattern.ExtendedIso.Format(span.To));

    public WeeklySpan Read() => new([.. Days], LocalTimePattern.ExtendedIso.Parse(From).Value, LocalTimePattern.ExtendedIso.Parse(To).Value);
}

/// <summary>Hours at a price.</summary>
internal sealed record StoredBand(string Name, double Price, StoredSpan Hours, int? FirstMonth, int? LastMonth)
{
    public static StoredBand From(TariffBand b) => new(b.Name, b.Price, StoredSpan.Of(b.Hours), b.FirstMonth, b.LastMonth);

    public TariffBand Read() => new(Name, Price, Hours.Read(), FirstMonth, LastMonth);
}

/// <summary>What a carrier costs.</summary>
internal sealed record StoredTariff(EnergyCarrier Carrier, double Price, StoredBand[] Bands, GasPricing? Told = null)
{
    public static StoredTariff From(Tariff t) => new(t.Carrier, t.Price, [.. t.Bands.Select(StoredBand.From)], t.Told);

    public Tariff Read() => new(Carrier, Price, [.. Bands.Select(b => b.Read())], Told);
}

/// <summary>A person and their hours.</summary>
internal sealed record StoredPerson(string Name, StoredSpan[] Hours)
{
    public static StoredPerson From(Presence p) => new(p.Name, [.. p.Hours.Select(StoredSpan.Of)]);

    public Presence Read() => new(Name, [.. Hours.Select(h => h.Read())]);
}
