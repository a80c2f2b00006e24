using System.Collections.Immutable;
using ZealousEmber.Core.Cones;
using ZealousEmber.Core.Diagnosis;
using ZealousEmber.Core.Learning;
using ZealousEmber.Core.Schedules;
using ZealousEmber.Core.Units;
using ZealousEmber.Core.Ware;

namespace ZealousEmber.Core.Logbook;

/// <summary>What a firing took.</summary>
/// <param name="Kwh">Electricity, or gas as bills count it.</param>
/// <param name="FullPowerHours">Of elements.</param>
/// <param name="GasKg">Gas by weight.</param>
/// <param name="Cost">In the studio's money.</param>
public sealed record FiringEnergy(double Kwh, double? FullPowerHours, double? GasKg, double? Cost);

/// <summary>A firing in numbers, by which it is found, compared and drawn small. What is not known is left out.</summary>
/// <param name="Numbers">By the names of <see cref="FiringFigure.All"/>.</param>
/// <param name="Thumbnail">Its curve with few points.</param>
/// <param name="Progress">Heat work of every cone along what the display showed; empty without a log.</param>
public sealed record FiringFigures(ImmutableDictionary<string, double> Numbers, ImmutableArray<CurvePoint> Thumbnail, ImmutableArray<double> Progress)
{
    private const double Straight = 4;
    private const int MostPoints = 40;

    /// <summary>Nothing known of it.</summary>
    public static FiringFigures None { get; } = new(ImmutableDictionary<string, double>.Empty, [], []);

    /// <summary>One of them; nothing where it is not known.</summary>
    public double? this[string name] => Numbers.TryGetValue(name, out var value) ? value : null;

    /// <summary>Works them out.</summary>
    /// <param name="log">What the display showed, up to when it was opened; nothing where nobody logged.</param>
    /// <param name="numbers">What causes are judged by, of the whole kiln.</param>
    /// <param name="packs">What packs say.</param>
    /// <param name="goal">The cone aimed at.</param>
    /// <param name="progress">Heat work of every cone.</param>
    /// <param name="energy">What it took, where that is known.</param>
    /// <param name="opens">When the kiln may be opened.</param>
    public static FiringFigures Of(
        Curve? log,
        FiringNumbers numbers,
        ImmutableArray<ShelfHeat> packs,
        Cone? goal,
        ImmutableArray<double> progress,
        FiringEnergy? energy,
        Temperature opens
    )
    {
        var all = ImmutableDictionary.CreateBuilder<string, double>();
        void Put(string name, double? value)
        {
            if (value is { } known && double.IsFinite(known))
                all[name] = Math.Round(known, 3);
        }

        foreach (var name in new[] { "hold", "water", "burn", "band", "opened" })
            Put(name, numbers.Values.TryGetValue(name, out var value) ? value : null);
        if (log is not null)
            OfLog(log, opens.Celsius, Put);
        Put("past", numbers.Values.TryGetValue("d60", out var past) ? past : null);
        Put("evenness", packs.Spread());
        Put(
            "offset",
            packs.Any(p => p is { Bound: 0, Offset: not null }) ? packs.Where(p => p is { Bound: 0, Offset: not null }).Average(p => p.Offset) : null
        );
        Put("kwh", energy?.Kwh);
        Put("fullPowerHours", energy?.FullPowerHours);
        Put("gas", energy?.GasKg);
        Put("cost", energy?.Cost);
        // The hottest cone that is as good as down: by the packs, else by the log.
        var reached =
            packs.Mean() is { } equivalent ? Down(equivalent)
            : progress.IsDefaultOrEmpty ? null
            : goal is { } aim ? Down(ConeTable.Of(aim).Kinetics.EndPoint(60, Math.Max(progress[aim.Order], 1e-9)))
            : HottestDown(progress);
        Put("reached", reached?.Order);
        return new FiringFigures(all.ToImmutable(), Small(log), progress.IsDefault ? [] : progress);
    }

    private static void OfLog(Curve log, double opens, Action<string, double?> put)
    {
        var peak = log.Peak.Celsius;
        double? Up(double t) => log.Points[0].Celsius >= t ? log.Points[0].Minutes : log.FirstRiseThrough(Temperature.FromCelsius(t))?.TotalMinutes;
        double? Down(double t) => log.LastFallThrough(Temperature.FromCelsius(t))?.TotalMinutes;
        void Hours(string name, double? from, double? to) => put(name, to >= from ? (to - from) / 60 : null);
        var top = Up(peak - 5);
        put("top", peak);
        put("topHours", top / 60);
        Hours("to120", Up(20), Up(120));
        if (peak > 650)
            Hours("to650", Up(120), Up(650));
        if (peak > 950)
            Hours("to950", Up(650), Up(950));
        if (peak > 1060)
            Hours("toLast100", Up(950), Up(peak - 100));
        Hours("last100", Up(peak - 100), top);
        var end = Down(peak - 5);
        put("topOver", end / 60);
        put("cool", peak > opens ? Down(opens) / 60 : null);
        if (peak > 755)
            Hours("to750", end, Down(750));
        Hours("toOpen", Down(750) ?? end, log.Points[^1].Minutes);
        double? Rate(double from, double to, double? a, double? b) => b > a ? Math.Abs(to - from) / ((b - a) / 60) : null;
        var (quartz, cristobalite) = (WallGradient.Quartz, WallGradient.Cristobalite);
        put("rate573Up", Rate(quartz.From, quartz.To, Up(quartz.From), Up(quartz.To)));
        put("rate573Down", Rate(quartz.To, quartz.From, Down(quartz.To), Down(quartz.From)));
        put("rate226Down", Rate(cristobalite.To, cristobalite.From, Down(cristobalite.To), Down(cristobalite.From)));
        put("fastestDrop", Cooling.FastestDrop(log.Thinned(TemperatureDifference.FromKelvins(1))).Drop.Kelvins);
    }

    // With 6 flat and 7 at half past 3 a firing is a hot 6, and no 7: the next cone counts from half past 4 on, a few degrees before it is down.
    private static readonly double AsGoodAsDown = ConeBend.ProgressAt(ConeBend.DegreesAtClock(4.5));

    private static Cone? Down(double equivalent) =>
        Cone.All.Where(c => ConeTable.Of(c).Kinetics.EndPoint(60, AsGoodAsDown) <= equivalent).Select(c => (Cone?)c).LastOrDefault();

    private static Cone? HottestDown(ImmutableArray<double> progress) =>
        Cone.All.Where(c => progress[c.Order] >= AsGoodAsDown).Select(c => (Cone?)c).LastOrDefault();

    private static ImmutableArray<CurvePoint> Small(Curve? log)
    {
        if (log is null)
            return [];
        for (var tolerance = Straight; ; tolerance *= 1.6)
        {
            var thin = log.Thinned(TemperatureDifference.FromKelvins(tolerance));
            if (thin.Points.Length <= MostPoints)
                return [.. thin.Points.ToArray().Select(p => new CurvePoint(Math.Round(p.Minutes, 1), Math.Round(p.Celsius, 1)))];
        }
    }
}

/// <summary>A number by which firings are compared.</summary>
/// <param name="Name">As the wire names it.</param>
/// <param name="Label">In words.</param>
/// <param name="Unit">What it is counted in.</param>
/// <param name="Matters">A difference of so much is worth a thought.</param>
public sealed record FiringFigure(string Name, string Label, string Unit, double Matters)
{
    /// <summary>All of them, in the order of a firing.</summary>
    public static ImmutableArray<FiringFigure> All { get; } =
    [
        new("top", "Top", "°C", 4),
        new("topHours", "Time to the top", "h", 1),
        new("to120", "20 to 120 °C", "h", 1),
        new("to650", "120 to 650 °C", "h", 1),
        new("to950", "650 to 950 °C", "h", 0.5),
        new("toLast100", "950 °C to 100 below the top", "h", 0.5),
        new("last100", "The last 100 °C", "h", 0.4),
        new("hold", "Within 5 °C of the top", "min", 8),
        new("topOver", "To the end of its top", "h", 1),
        new("past", "Heat work past the goal", "°C of cone", 4),
        new("to750", "Top down to 750 °C", "h", 0.6),
        new("toOpen", "750 °C down to its opening", "h", 3),
        new("cool", "Cool enough to open after", "h", 3),
        new("band", "Slow band, of what it wants", "", 0.1),
        new("rate573Up", "Through 573 °C going up", "°C/h", 40),
        new("rate573Down", "Through 573 °C going down", "°C/h", 30),
        new("rate226Down", "Through 226 °C going down", "°C/h", 20),
        new("fastestDrop", "Fastest drop over an hour", "°C/h", 60),
        new("water", "Water left at boiling", "", 0.2),
        new("burn", "Burn-out, of what it needs", "", 0.2),
        new("opened", "Opened at", "°C", 30),
        new("evenness", "Between the shelves", "°C of cone", 4),
        new("offset", "Pack minus log", "°C of cone", 4),
        new("health", "Element health", "", 0.03),
        new("kwh", "Energy", "kWh", 6),
        new("gas", "Gas", "kg", 1.5),
        new("fullPowerHours", "Full-power hours", "h", 0.8),
        new("cost", "Cost", "", 3),
    ];
}

/// <summary>A number of several firings side by side.</summary>
/// <param name="Figure">Which.</param>
/// <param name="Values">Of each; nothing where it is not known.</param>
/// <param name="Weight">How many times what is worth a thought they differ; 0 where fewer than two are known.</param>
public sealed record FigureRow(FiringFigure Figure, ImmutableArray<double?> Values, double Weight)
{
    /// <summary>From so much on a difference probably mattered.</summary>
    public const double Mattered = 1;

    /// <summary>Compares firings, number by number; those nobody knows of are left out.</summary>
    public static ImmutableArray<FigureRow> Compare(IReadOnlyList<FiringFigures> firings) =>
        [
            .. FiringFigure
                .All.Select(figure =>
                {
                    var values = firings.Select(f => f[figure.Name]).ToImmutableArray();
                    var known = values.OfType<double>().ToList();
                    return new FigureRow(figure, values, known.Count < 2 ? 0 : Math.Round((known.Max() - known.Min()) / figure.Matters, 2));
                })
                .Where(r => r.Values.Any(v => v is not null)),
        ];
}

/// <summary>Where curves are laid over each other.</summary>
public enum Alignment
{
    /// <summary>At their start.</summary>
    Start,

    /// <summary>At the end of their top.</summary>
    Top,

    /// <summary>Where they first rise through a temperature.</summary>
    Rise,

    /// <summary>Where they last fall through one.</summary>
    Fall,
}

/// <summary>Lays curves over each other.</summary>
public static class Aligned
{
    private const double NearTop = 2;

    /// <summary>The minute of a curve that is laid on 0; nothing where it never comes there.</summary>
    public static double? Zero(Curve curve, Alignment align, double? celsius) =>
        align switch
        {
            Alignment.Top => LastAt(curve, curve.Peak.Celsius - NearTop),
            Alignment.Rise => curve.FirstRiseThrough(Temperature.FromCelsius(celsius ?? 0))?.TotalMinutes,
            Alignment.Fall => curve.LastFallThrough(Temperature.FromCelsius(celsius ?? 0))?.TotalMinutes,
            _ => curve.Points[0].Minutes,
        };

    private static double LastAt(Curve curve, double celsius) =>
        curve.LastFallThrough(Temperature.FromCelsius(celsius))?.TotalMinutes ?? curve.Points[^1].Minutes;
}
