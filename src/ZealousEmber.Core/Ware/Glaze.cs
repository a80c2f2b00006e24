using NodaTime;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Units;

namespace ZealousEmber.Core.Ware;

/// <summary>A stretch of the cooling in which crystals grow.</summary>
/// <param name="From">Upper end.</param>
/// <param name="To">Lower end.</param>
/// <param name="Lasts">How long it wants there.</param>
public sealed record SlowBand(Temperature From, Temperature To, Duration Lasts);

/// <summary>A glaze of the studio. Cannot be built wrong.</summary>
public sealed record Glaze
{
    private Glaze(string name) => Name = name;

    /// <summary>What people call it.</summary>
    public string Name { get; }

    /// <summary>The cones it is made for, where known.</summary>
    public ConeRange? Range { get; private init; }

    /// <summary>It runs: short holds, a waste slab under it.</summary>
    public bool Runny { get; private init; }

    /// <summary>It wants a hold to heal.</summary>
    public bool NeedsHold { get; private init; }

    /// <summary>Its colour burns out when held long.</summary>
    public bool Fades { get; private init; }

    /// <summary>It wants to cool fast: slow cooling dulls it.</summary>
    public bool WantsFastCooling { get; private init; }

    /// <summary>Where its crystals grow, if it has any.</summary>
    public SlowBand? Slow { get; private init; }

    /// <summary>Anything worth keeping.</summary>
    public string? Notes { get; private init; }

    /// <summary>
    /// Builds a glaze. Problems name <c>name</c>, <c>coneFrom</c>, <c>coneTo</c>, <c>slowFrom</c>, <c>slowTo</c>, <c>slowHours</c>, <c>wantsFastCooling</c>,
    /// <c>notes</c>.
    /// </summary>
    /// <param name="name">One line.</param>
    /// <param name="coneFrom">Coolest cone.</param>
    /// <param name="coneTo">Hottest cone.</param>
    /// <param name="runny">It runs.</param>
    /// <param name="needsHold">It wants a hold.</param>
    /// <param name="fades">Its colour burns out.</param>
    /// <param name="wantsFastCooling">Slow cooling dulls it.</param>
    /// <param name="slowFrom">Upper end of its slow band, 500 … 1300 °C.</param>
    /// <param name="slowTo">Lower end.</param>
    /// <param name="slowHours">How long it wants between them, up to 24 h.</param>
    /// <param name="unit">Scale of the band.</param>
    /// <param name="notes">Anything worth keeping.</param>
    public static Result<Glaze> Create(
        string? name,
        string? coneFrom,
        string? coneTo,
        bool runny = false,
        bool needsHold = false,
        bool fades = false,
        bool wantsFastCooling = false,
        double? slowFrom = null,
        double? slowTo = null,
        double? slowHours = null,
        TemperatureUnit unit = TemperatureUnit.Celsius,
        string? notes = null
    )
    {
        var problems = new List<Problem>();
        var called = StockText.Name(name, "A glaze", problems);
        var kept = StockText.Notes(notes, problems);
        var range = ConeRange.Read(coneFrom, coneTo);
        problems.AddRange(range.Problems);
        var slow = ReadSlow(slowFrom, slowTo, slowHours, unit, problems);
        if (slow is not null && wantsFastCooling)
            problems.Add(new Problem("wantsFastCooling", "A glaze cannot want both a slow band and a fast cooling."));
        return problems.Count > 0
            ? Result<Glaze>.Failed(problems)
            : new Glaze(called)
            {
                Range = range.Value,
                Runny = runny,
                NeedsHold = needsHold,
                Fades = fades,
                WantsFastCooling = wantsFastCooling,
                Slow = slow,
                Notes = kept,
            };
    }

    private static SlowBand? ReadSlow(double? from, double? to, double? hours, TemperatureUnit unit, List<Problem> problems)
    {
        if (from is null && to is null && hours is null)
            return null;
        var before = problems.Count;
        Temperature? Read(double? value, string field)
        {
            var (low, high) = (Temperature.FromCelsius(500), Temperature.FromCelsius(1300));
            if (value is { } given && Temperature.TryFrom(given, unit, out var t) && t >= low && t <= high)
                return t;
            problems.Add(
                new Problem(
                    field,
                    $"A slow band lies between {Phrases.Number(low.In(unit))} and {Phrases.Number(high.In(unit))} "
                        + $"{unit.Symbol()}{(value is { } v ? $"; this says {Phrases.Number(v)}" : "")}."
                )
            );
            return null;
        }
        var (top, bottom) = (Read(from, "slowFrom"), Read(to, "slowTo"));
        if (hours is not (>= 0.05 and <= 24))
            problems.Add(new Problem("slowHours", "Say how many hours it wants in its band: 0.05 to 24."));
        if (top is { } a && bottom is { } b && a <= b)
            problems.Add(new Problem("slowTo", "The band is cooled through: its second temperature is the lower one."));
        return problems.Count > before ? null : new SlowBand(top!.Value, bottom!.Value, Duration.FromHours(hours!.Value));
    }
}
